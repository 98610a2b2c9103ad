import type { z } from 'zod';
import type { Fault } from './write';

/** Zod's issues as faults. */
export const faultsOf = (error: z.ZodError): Fault[] =>
  error.issues.map((i) => ({ path: i.path.join('.'), sentence: i.message }));
