import type { Home } from './home-schema';

/** What becomes of the water with which vessels and sprayers were rinsed: it counts as mix, and is never poured away. */
export const RINSE_ENDS = ['on labelled trees', 'water of the next mix', 'handed in', 'not rinsed yet'] as const;
export type RinseEnd = (typeof RINSE_ENDS)[number];

/** Minutes worked from setting out to home, rests apart; never below none. */
export const workedMinutes = (begunAt: Date, home: Pick<Home, 'homeAt' | 'restMinutes'>): number =>
  Math.max(0, Math.round((Date.parse(home.homeAt) - begunAt.getTime()) / 60_000) - home.restMinutes);
