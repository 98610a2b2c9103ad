import type { Context } from '@/facts/context';
import type { Issue } from '@/lib/result';
import { assignOver, type ByHand, type AssignedTree } from '@/facts/assigning';
import { keyOf } from '@/core/programmes/assign';
import { formatDay } from '@/lib/calendar/days';
import type { Assignment } from '@/store/assignments';
import { following, stopTold, writeChanges } from './settle';

/** What moves break on a tree; nothing where each visit may stand on its day. */
function breaks({ tree, visits, kept }: AssignedTree, byHand: ByHand): Issue[] {
  return kept.flatMap((was): Issue[] => {
    const to = byHand.get(was.id);
    if (!to) return [];
    const now = visits.find((v) => keyOf(v) === keyOf(was));
    const path = `visitIds.${was.id}`;
    if (!now || now.stop) {
      const told = now?.stop ? stopTold(now.stop) : null;
      const gates = told && 'gates' in told ? told.gates.map((g) => `${g.title}. ${g.satisfy}`).join(' ') : '';
      return [{ path, message: `${tree.tag}: on no day from ${formatDay(to.day)} on. ${gates}`.trim() }];
    }
    if (now.day === to.day) return [];
    return [
      { path, message: `${tree.tag}: not before ${formatDay(now.day)}, by its label and what stands before it.` },
    ];
  });
}

/**
 * Moves visits of one programme, each to its day, and what comes after them with them: by the same laying that found their
 * days, so that label, book and groups hold.
 * @returns how many others followed, or what the moves break; nothing is written then
 */
export async function moveTo(
  { viewer, receivedAt, station }: Pick<Context, 'viewer' | 'receivedAt' | 'station'>,
  assignment: Assignment,
  treeIds: readonly string[],
  byHand: ByHand,
): Promise<{ ok: true; followed: number } | { ok: false; issues: Issue[] }> {
  const refused = (issues: Issue[]) => ({ ok: false as const, issues });
  const { held, rows, trees } = await assignOver({
    viewer,
    stationFor: station,
    now: receivedAt,
    assigning: assignment,
    assignmentId: assignment.id,
    treeIds,
    byHand,
  });
  if (rows.some((v) => byHand.has(v.id) && v.state !== 'planned' && v.state !== 'expected'))
    return refused([{ path: 'visitIds', message: 'What is done, off or left out cannot be moved.' }]);
  if (trees.some((t) => [...byHand.values()].some((m) => m.day < t.today)))
    return refused([{ path: 'day', message: 'This day has passed; give today or a day to come.' }]);
  if ([...byHand.values()].some((m) => m.day > assignment.until))
    return refused([{ path: 'day', message: `The programme ends on ${formatDay(assignment.until)}.` }]);
  const issues = trees.flatMap((t) => breaks(t, byHand));
  if (issues.length) return refused(issues);
  const follow = following(trees);
  await writeChanges({ viewer, receivedAt, station }, assignment, held, follow);
  const others = follow.reduce((sum, t) => sum + t.changes.filter((c) => !c.was || !byHand.has(c.was.id)).length, 0);
  return { ok: true, followed: others };
}
