import type { z } from 'zod';
import type { Issue } from '../core/book/write';

/** Zod's issues as issues. */
export const issuesOf = (error: z.ZodError): Issue[] =>
  error.issues.map((i) => ({ path: i.path.join('.'), message: i.message }));
