import type { Point } from '../rootzone/probe-grid';
import { TURNS, type Turn, type TurnOf } from './devices';

/** What hangs on one trunk, where it stands. */
export interface OnTheWay {
  at: Point;
  turn: Pick<TurnOf, 'why' | 'at'>;
}

/** Leaking or in the dark it does not wait for a shorter way. */
const AT_ONCE: readonly Turn[] = ['leaking', 'dark'];
const WAITS: readonly Turn[] = ['slow', 'running'];

/** Whether somebody is to go there now. */
export const wantsAHand = (why: Turn): boolean => !WAITS.includes(why);

/** Each next by the shortest way from the one before; the first given begins where nobody stands anywhere yet. */
function nearestFirst<T extends { at: Point }>(of: readonly T[], from: Point | null): T[] {
  const left = [...of];
  const way: T[] = [];
  let here = from ?? left[0]?.at;
  while (left.length && here) {
    const distance = (x: T) => Math.hypot(x.at.x - here!.x, x.at.y - here!.y);
    const next = left.reduce((best, x) => (distance(x) < distance(best) ? x : best));
    left.splice(left.indexOf(next), 1);
    way.push(next);
    here = next.at;
  }
  return way;
}

/**
 * The way from trunk to trunk of one place: what cannot wait first, then whatever else wants a hand, each by short ways; then what
 * still runs, as it is expected to be empty.
 */
export function walkOf<T extends OnTheWay>(of: readonly T[]): T[] {
  const inOrder = [...of].sort((a, b) => TURNS.indexOf(a.turn.why) - TURNS.indexOf(b.turn.why));
  const first = nearestFirst(
    inOrder.filter((x) => AT_ONCE.includes(x.turn.why)),
    null,
  );
  const then = nearestFirst(
    inOrder.filter((x) => wantsAHand(x.turn.why) && !AT_ONCE.includes(x.turn.why)),
    first.at(-1)?.at ?? null,
  );
  const rest = inOrder.filter((x) => !wantsAHand(x.turn.why)).sort((a, b) => a.turn.at.localeCompare(b.turn.at));
  return [...first, ...then, ...rest];
}
