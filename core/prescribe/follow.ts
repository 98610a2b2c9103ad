import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import type { Visit, Window } from './when';

/**
 * Where a plan that waits stands once the season has moved its window: one that waited for its opening opens with it, one that
 * was put on a day of its own keeps it while the window leaves it, and takes the nearest end where it does not. What was planned
 * for a day outside any window was somebody's own word, and stays.
 * @param window the window as it is expected now; null where there is none within a year
 * @returns the visit as it stands then; null where it has no day any more
 */
export function followed(was: Visit, window: Window | null): Visit | null {
  if (was.earliest === was.latest && was.plannedFor === was.earliest) return was;
  if (!window) return null;
  const { from, to } = window;
  const day = was.plannedFor === was.earliest || was.plannedFor < from ? from : was.plannedFor;
  return { plannedFor: day > to ? to : day, earliest: from, latest: to };
}

/** Whether a plan stands on another day, or nowhere, after its window has moved: what a person has to be told. */
export const hasMoved = (was: Visit, now: Visit | null): boolean => now?.plannedFor !== was.plannedFor;

/** Days for which what was planned for its own day is still taken to wait. */
export const OWN_DAY_WAITS = 60;
/**
 * Whether the time of a plan is over: it is not done by anybody any more, and stands in no other plan's way. It is shown until
 * somebody plans it anew or drops it.
 * @param at the day on which it was planned
 */
export const isOver = ({ latest, at }: { latest: LocalDate | null; at: LocalDate }, today: LocalDate): boolean =>
  latest === null ? dayAfter(at, OWN_DAY_WAITS, 'days') < today : latest < today;

/** A plan of a series as far as its order asks: which programme laid it over which tree, with what, for when. */
export interface OfSeries {
  id: string;
  treeId: string;
  labelKey: string;
  assignmentId: string | null;
  plannedFor: LocalDate | null;
  earliest: LocalDate | null;
}
/**
 * Ids of plans of a programme whose successor on the same tree, with the same product, may be done by now: a late cover and the
 * next one are one cover, and it is the next one.
 */
export function superseded(plans: readonly OfSeries[], today: LocalDate): Set<string> {
  const newest = new Map<string, OfSeries>();
  const out = new Set<string>();
  const dayOf = (p: OfSeries) => p.plannedFor ?? p.earliest ?? '';
  for (const p of plans) {
    if (p.assignmentId === null || (p.earliest !== null && p.earliest > today)) continue;
    const key = `${p.assignmentId} ${p.treeId} ${p.labelKey}`;
    const other = newest.get(key);
    if (!other) newest.set(key, p);
    else if (dayOf(other) <= dayOf(p)) {
      out.add(other.id);
      newest.set(key, p);
    } else out.add(p.id);
  }
  return out;
}
