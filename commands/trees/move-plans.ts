import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { planContexts } from '@/facts/plan-moves';
import { uuid } from '@/lib/ids';
import { blocked, standing } from '@/core/gates/rules';
import type { TreatmentContext } from '@/core/gates/context';
import { prescribe } from '@/core/prescribe/prescribe';
import { noDayAhead, visitOn, type Visit } from '@/core/prescribe/when';
import { formatDay } from '@/lib/calendar/days';
import { getPlans, movePlansTo, type Plan } from '@/store/plans';
import type { Tree } from '@/store/tree';
import { z } from 'zod';
import { yearOf } from '@/lib/calendar/months';

type Planned = TreatmentContext['sitePlanned'];
/** What a plan puts on, by active. */
const gramsOf = ({ result: { dose } }: Plan): Record<string, number> =>
  dose.ok ? Object.fromEntries(dose.actives.map((a) => [a.name, a.grams])) : {};

/** A place's area as it is planned when a plan moves from one year to another: counted once, in the new one for those after it. */
function shifted(planned: Planned, plan: Plan, from: number, sign: 1 | -1): Planned {
  const of = { ...planned[from] };
  for (const [name, grams] of Object.entries(gramsOf(plan))) of[name] = Math.max(0, (of[name] ?? 0) + sign * grams);
  return { ...planned, [from]: of };
}

interface Move {
  planId: string;
  visit: Visit;
  released: Record<string, string>;
}

/** What a plan comes to on another day: every gate that stands answers for it, and what the day will tell is asked there. */
function onDay(
  p: { day: string; because: string },
  plan: Plan,
  tree: Tree,
  treatmentContext: TreatmentContext,
): Move | Issue[] {
  const use = plan.label.uses.find((u) => u.key === plan.useKey)!;
  const { on: today } = treatmentContext;
  const when = p.day === today ? ({ kind: 'now' } as const) : ({ kind: 'day', day: p.day } as const);
  const result = prescribe(treatmentContext, plan.label, use, { ...plan.choices, when });
  const open = blocked(standing(result.gates), plan.released);
  const stops = open.filter((g) => g.strength === 'stop' || g.asks);
  const there = `${tree.tag} on ${formatDay(p.day)}`;
  if (stops.length)
    return stops.map((g) => ({ path: `planIds.${plan.id}`, message: `${there}: ${g.title}. ${g.satisfy}` }));
  if (!result.dose.ok) return [{ path: `planIds.${plan.id}`, message: `${there}: there is no dose for it.` }];
  if (open.length && !p.because)
    return open.map((g) => ({
      path: 'because',
      message: `${there}: ${g.title}. Say why it is moved in spite of it.`,
    }));
  return {
    planId: plan.id,
    visit: visitOn(result, today) ?? { plannedFor: p.day, earliest: p.day, latest: p.day },
    released: Object.fromEntries(open.map((g) => [g.id, p.because])),
  };
}

/**
 * Plans of their own are moved to a day: label, book, licence and area answer for it as they did when they were made, and all or
 * none are moved. Where something holds, a reason lets them go on.
 */
export const movePlans = command({
  name: 'move-plans',
  right: 'prescribe',
  schema: z.object({
    planIds: z.array(uuid).min(1, 'Choose one plan at least.').max(300, 'At most 300 plans at once.'),
    day: z.iso.date('Give the day like 2027-05-14.'),
    because: z.string().trim().max(500, 'At most 500 characters.').default(''),
  }),
  run: async (context, p): Promise<Result<{ moved: number }>> => {
    const plans = await getPlans(context.viewer, p.planIds);
    if (plans.length < new Set(p.planIds).size) return refuse('planIds', 'A plan among them is not in this company.');
    if (plans.some((n) => n.state !== 'open')) return refuse('planIds', 'What is done or dropped cannot be moved.');
    if (plans.some((n) => n.visitId !== null))
      return refuse('planIds', 'A visit of a programme is moved by its programme, which takes what follows along.');
    const there = await planContexts(context.viewer, context.station, context.receivedAt, plans);
    const never = there.flatMap(({ treatmentContext }) => noDayAhead(p.day, treatmentContext.on) ?? [])[0];
    if (never) return refuse('day', never);
    const areas = new Map<string, Planned>();
    const moves: Move[] = [];
    const issues: Issue[] = [];
    for (const { plan, tree, treatmentContext } of there) {
      const from = yearOf(plan.plannedFor ?? treatmentContext.on);
      const without = shifted(areas.get(tree.siteId) ?? treatmentContext.sitePlanned, plan, from, -1);
      const tried = onDay(p, plan, tree, { ...treatmentContext, sitePlanned: without });
      if (Array.isArray(tried)) issues.push(...tried);
      else moves.push(tried);
      areas.set(tree.siteId, shifted(without, plan, yearOf(p.day), 1));
    }
    if (issues.length) return { ok: false, issues: issues.slice(0, 40) };
    await movePlansTo(context.viewer, moves);
    return { ok: true, value: { moved: moves.length } };
  },
});
