import { z } from 'zod';

/** When something is to be done, as a command or the command line is told; apart from what the browser runs. */
export const whenSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('now') }),
  z.strictObject({ kind: z.literal('window') }),
  z.strictObject({ kind: z.literal('day'), day: z.iso.date('Give the day like 2026-05-14.') }),
]);
