import { z } from 'zod';
import { instant } from '../records/record';
import { RINSE_ENDS } from './home';
import { givesReason } from '@/lib/reason';

/** What a crew says when it is home. */
export const homeSchema = z
  .strictObject({
    homeAt: instant,
    restMinutes: z.number('Give the rests in minutes.').int().min(0).max(600, 'At most ten hours of rest.'),
    /** Bits, blades and boots are disinfected. */
    toolsClean: z.boolean(),
    /** Bits that came back; null where none went out. */
    bits: z.number('Count the bits.').int().min(0).max(500, 'At most 500 bits.').nullable(),
    /** What was left of opened packs was counted back onto the shelf. */
    stockCounted: z.boolean(),
    /** Where the rinse water went; null where nothing was mixed. A phone of the release before does not say. */
    rinse: z.enum(RINSE_ENDS, 'Say where the rinse water went.').nullish(),
    note: z.string().trim().max(1000, 'At most 1000 characters.').default(''),
  })
  .refine((h) => (h.toolsClean && h.stockCounted && h.rinse !== 'not rinsed yet') || givesReason(h.note), {
    path: ['note'],
    message: 'Say why the tools are not clean, the stock is not counted or what held a mix is not rinsed.',
  });
export type Home = z.infer<typeof homeSchema>;
