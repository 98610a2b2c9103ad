import type { z } from 'zod';

/** What is wrong with an input: where (a path of keys with dots; empty for the whole), and a sentence for who typed it. */
export interface Issue {
  path: string;
  message: string;
}

/** A value, or every issue that stands in its way. */
export type Result<T = null> = { ok: true; value: T } | { ok: false; issues: Issue[] };

/** The result of what has nothing to give back. */
export const done: Result = { ok: true, value: null };

/** A result with one issue. @param path where; empty for the whole input */
export const refuse = (path: string, message: string): { ok: false; issues: Issue[] } => ({
  ok: false,
  issues: [{ path, message }],
});

/** The issues of a schema, each with its path in dots. */
export const issuesOf = (error: z.ZodError): Issue[] =>
  error.issues.map((i) => ({ path: i.path.join('.'), message: i.message }));
