import type { Context } from '@/facts/context';
import type { Issue } from '@/lib/result';
import type { Fortnight } from '@/facts/fortnight';
import { moveTo } from '@/commands/programmes/move-to';
import type { LocalDate } from '@/lib/calendar/zone';
import { getAssignment } from '@/store/assignments';
import { planFor, type ItemPlaced } from '@/store/crew-days';

/**
 * Plans and visits of programmes are for the day of their round from now on; calendars follow. A visit of a programme is moved
 * by its own laying, which knows what its label leaves and takes what comes after it along.
 */
export async function moveWith(
  context: Context,
  f: Fortnight,
  placed: readonly ItemPlaced[],
  crewName: (id: string) => string,
) {
  const own: { planId: string; day: LocalDate }[] = [];
  const moves = new Map<
    string,
    { treeIds: Set<string>; byHand: Map<string, { day: LocalDate; because: string | null }> }
  >();
  for (const p of placed) {
    const plan = f.plans.get(p.itemId);
    if (plan !== undefined && plan !== p.day) own.push({ planId: p.itemId, day: p.day });
    const visit = f.visits.get(p.itemId);
    if (!visit || visit.day === p.day) continue;
    const of = moves.get(visit.assignmentId) ?? { treeIds: new Set(), byHand: new Map() };
    const inTime = p.day >= visit.earliest && p.day <= visit.latest;
    of.byHand.set(visit.visitId, { day: p.day, because: inTime ? null : `The round of ${crewName(p.crewId)}` });
    of.treeIds.add(visit.treeId);
    moves.set(visit.assignmentId, of);
  }
  await planFor(context.viewer, own);
  const issues: Issue[] = [];
  for (const [assignmentId, { treeIds, byHand }] of moves) {
    const assignment = await getAssignment(context.viewer, assignmentId);
    if (!assignment || assignment.endedOn) continue;
    const moved = await moveTo(context, assignment, [...treeIds], byHand);
    if (!moved.ok)
      issues.push(...moved.issues.map((x) => ({ ...x, message: `${assignment.programme.name}. ${x.message}` })));
  }
  return issues;
}
