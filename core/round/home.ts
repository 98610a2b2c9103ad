import { z } from 'zod';
import { instant } from '../book/record';

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
    note: z.string().trim().max(1000, 'At most 1000 signs.').default(''),
  })
  .refine((h) => (h.toolsClean && h.stockCounted) || h.note.length >= 4, {
    path: ['note'],
    message: 'Say why the tools are not clean or the stock is not counted.',
  });
export type Home = z.infer<typeof homeSchema>;

/** Minutes worked from setting out to home, rests apart; never below none. */
export const workedMinutes = (begunAt: Date, home: Pick<Home, 'homeAt' | 'restMinutes'>): number =>
  Math.max(0, Math.round((Date.parse(home.homeAt) - begunAt.getTime()) / 60_000) - home.restMinutes);
