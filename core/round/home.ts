import { z } from 'zod';
import { instant } from '../book/record';

/** What becomes of the water with which vessels and sprayers were rinsed: it counts as mix, and is never poured away. */
export const RINSE_ENDS = ['on labelled trees', 'water of the next mix', 'handed in', 'not rinsed yet'] as const;
export type RinseEnd = (typeof RINSE_ENDS)[number];

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
    note: z.string().trim().max(1000, 'At most 1000 signs.').default(''),
  })
  .refine((h) => (h.toolsClean && h.stockCounted && h.rinse !== 'not rinsed yet') || h.note.length >= 4, {
    path: ['note'],
    message: 'Say why the tools are not clean, the stock is not counted or what held a mix is not rinsed.',
  });
export type Home = z.infer<typeof homeSchema>;

/** Minutes worked from setting out to home, rests apart; never below none. */
export const workedMinutes = (begunAt: Date, home: Pick<Home, 'homeAt' | 'restMinutes'>): number =>
  Math.max(0, Math.round((Date.parse(home.homeAt) - begunAt.getTime()) / 60_000) - home.restMinutes);
