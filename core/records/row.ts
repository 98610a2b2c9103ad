import type { Instant } from '../../lib/calendar/zone';

/** What one tree of a row gets of what was used on all of them, and the part of the time that it took. */
export interface Share {
  amount: number;
  startedAt: Instant;
  endedAt: Instant;
}

/**
 * A row that is done from one tank: what was used is shared by what was planned for each tree, and so is the time, one tree
 * after another.
 * @param planned product planned for each tree, in the order in which they were done; all above 0
 * @param total product used on all of them; null where it was as planned
 * @returns shares in the same order; they come to the total, and to the whole span
 */
export function sharesOf(
  planned: readonly number[],
  total: number | null,
  { startedAt, endedAt }: { startedAt: string; endedAt: string },
): Share[] {
  const all = planned.reduce((a, x) => a + x, 0);
  const [from, to] = [Date.parse(startedAt), Date.parse(endedAt)];
  const at = (part: number) => new Date(from + ((to - from) * part) / all).toISOString();
  let before = 0;
  return planned.map((x) => {
    const began = before;
    before += x;
    return { amount: total === null ? x : (total * x) / all, startedAt: at(began), endedAt: at(Math.min(all, before)) };
  });
}
