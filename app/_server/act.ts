import { unstable_rethrow } from 'next/navigation';
import { z } from 'zod';
import type { Fault } from '@/core/book/write';
import { may, refusal, type Right } from '@/core/people/rights';
import type { Viewer } from '@/store/auth';
import { pgCode } from '@/store/db';
import { currentViewer } from './viewer';

/** What a server action or route answers: a value, or faults with the place of each. */
export type Answer<T = null> = { ok: true; value: T } | { ok: false; faults: Fault[] };

export const done: Answer = { ok: true, value: null };
export const refuse = (path: string, sentence: string): { ok: false; faults: Fault[] } => ({
  ok: false,
  faults: [{ path, sentence }],
});

/** Zod's issues as faults. */
export const faultsOf = (error: z.ZodError): Fault[] =>
  error.issues.map((i) => ({ path: i.path.join('.'), sentence: i.message }));

/** A refusal of the database, in words; null when it is a bug or an outage. */
export function databaseSentence(error: unknown): string | null {
  switch (pgCode(error)) {
    case '23505':
      return 'There is one like this already.';
    case '23503':
      return 'What this belongs to is not there (any more).';
    case '23514':
      return 'The database refuses this value.';
    case '22P02':
    case '22021':
    case '22P05':
      return 'This text holds signs that cannot be stored.';
    case '53100':
      return 'The disk of the database is full. Nothing was written; tell whoever runs it.';
    case '42501':
      return 'The database refuses: these rows are not yours to change.';
    default:
      return null;
  }
}

/**
 * Wraps a server action: the session, the right, the schema, then the work; whatever happens, the answer is a sentence
 * with its place, and nothing is half-written.
 */
export function act<S extends z.ZodType, T>(
  right: Right | null,
  schema: S,
  work: (viewer: Viewer, input: z.output<S>) => Promise<Answer<T>>,
): (input: z.input<S>) => Promise<Answer<T>> {
  return async (input) => {
    try {
      const viewer = await currentViewer();
      if (!viewer) return refuse('', 'You are signed out. Sign in again in another tab; what you typed is kept here.');
      if (right && !may(viewer.role, right)) return refuse('', refusal(viewer.role, right));
      const read = schema.safeParse(input);
      if (!read.success) return { ok: false, faults: faultsOf(read.error) };
      return await work(viewer, read.data);
    } catch (error) {
      unstable_rethrow(error);
      const sentence = databaseSentence(error);
      if (sentence) return refuse('', sentence);
      console.error(error);
      return refuse('', 'That did not work, and it was not your fault. Nothing was written; try again.');
    }
  };
}
