import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { workFactsOf } from '@/facts/treatment-context';
import { treesOf } from '@/facts/tree';
import { uuid } from '@/lib/ids';
import { blocked } from '@/core/gates/rules';
import { noDayAhead } from '@/core/prescribe/when';
import { formatDay } from '@/lib/calendar/days';
import { told } from '@/lib/units/units';
import { factsOn, readAnswers, type WorkFacts } from '@/core/work/work';
import { findWork } from '@/knowledge/works';
import { getWorkPlans, moveWorksTo, type NamedWork } from '@/store/works';
import { z } from 'zod';

type Move = Parameters<typeof moveWorksTo>[1][number];

/** A work on another day: worked out again for it from what was answered, and its gates asked. */
function onDay(n: NamedWork, today: WorkFacts, p: { day: string; because: string }): Move | Issue[] {
  const work = findWork(n.workId);
  const path = `workIds.${n.id}`;
  const there = `${today.tag} on ${formatDay(p.day)}`;
  if (!work) return [{ path, message: 'There is no such work any more.' }];
  const facts = factsOn(today, p.day);
  const read = readAnswers(work, facts, n.answers);
  if (!read.ok) return read.issues.map((f) => ({ path, message: `${there}: ${f.message}` }));
  const on = (system: WorkFacts['system']) => work.workOut({ ...facts, system }, read.answers);
  const open = blocked(on(today.system).gates, {});
  const stops = open.filter((g) => g.strength === 'stop');
  if (stops.length) return stops.map((g) => ({ path, message: `${there}: ${g.title}. ${g.satisfy}` }));
  if (open.length && !p.because)
    return open.map((g) => ({
      path: 'because',
      message: `${there}: ${g.title}. Say why it is moved in spite of it.`,
    }));
  return {
    id: n.id,
    plannedFor: p.day > today.on ? p.day : null,
    sheet: told(on),
    released: Object.fromEntries(open.map((g) => [g.id, p.because])),
  };
}

/** Works that stand for themselves are moved to a day, whose gates answer for them; all or none are moved. */
export const moveWorks = command({
  name: 'move-works',
  right: 'prescribe',
  schema: z.object({
    workIds: z.array(uuid).min(1, 'Choose one work at least.').max(300, 'At most 300 works at once.'),
    day: z.iso.date('Give the day like 2027-05-14.'),
    because: z.string().trim().max(500, 'At most 500 characters.').default(''),
  }),
  run: async ({ viewer, receivedAt }, p): Promise<Result<{ moved: number }>> => {
    const works = await getWorkPlans(viewer, p.workIds);
    if (works.length < new Set(p.workIds).size) return refuse('workIds', 'A work among them is not in this company.');
    if (works.some((n) => n.state !== 'open')) return refuse('workIds', 'What is done or dropped cannot be moved.');
    if (works.some((n) => n.visitId !== null))
      return refuse('workIds', 'A visit of a programme is moved by its programme, which takes what follows along.');
    const trees = new Map(
      (
        await treesOf(
          viewer,
          works.map((n) => n.treeId),
          receivedAt,
        )
      ).map((t) => [t.id, t]),
    );
    const moves: Move[] = [];
    const issues: Issue[] = [];
    for (const n of works) {
      const tree = trees.get(n.treeId);
      const today = tree && workFactsOf(viewer, tree, receivedAt);
      if (!today) return refuse('workIds', 'A tree among them is gone, or was never measured.');
      const never = noDayAhead(p.day, today.on);
      if (never) return refuse('day', never);
      const moved = onDay(n, today, p);
      if (Array.isArray(moved)) issues.push(...moved);
      else moves.push(moved);
    }
    if (issues.length) return { ok: false, issues: issues.slice(0, 40) };
    await moveWorksTo(viewer, moves);
    return { ok: true, value: { moved: moves.length } };
  },
});
