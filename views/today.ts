import { spotOf } from '@/commands/facts/diagnosis';
import { yearsOf } from '@/commands/facts/season';
import { situationFor, usualChoices } from '@/commands/facts/situation';
import { treesOf } from '@/commands/facts/tree';
import { todayOf } from '@/commands/today';
import type { Gate } from '@/core/gates/gate';
import { stopsOf, wayAgainst } from '@/core/prescribe/options';
import { after, type Day } from '@/core/season/follow-ups';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { dueBetween, type DueRow } from '@/store/follow-ups';
import { openPlans, openWorks, type OpenPlan, type OpenWork } from '@/store/plans';
import { heldBy } from '@/store/shelf';
import { treatNotPlanned, type ToTreat } from '@/store/today';
import { nearbyFinds } from '@/store/verdicts';

/** What was decided and not planned, and whether anything on the shelf may be done against it today. */
export interface Undecided extends ToTreat {
  /** Open today, in a window to come, stopped, or nothing on the shelf is for it. */
  state: 'open' | 'later' | 'stopped' | 'no product';
  /** First day of the window to come. */
  on: Day | null;
  /** What stands against the freest way. */
  stop: Gate | null;
}

export interface Today {
  today: string;
  /** Last day of what lies ahead. */
  horizon: string;
  /** What may be done today, as far as it was planned. */
  plans: OpenPlan[];
  /** Planned for a later day, the soonest first. */
  ahead: OpenPlan[];
  late: DueRow[];
  due: DueRow[];
  soon: DueRow[];
  undecided: Undecided[];
}

const AHEAD_DAYS = 28;

/** The day at a glance, in one transaction. */
export const todayView = (viewer: Viewer, now: Date, station: StationFor): Promise<Today> =>
  together(viewer, async () => {
    const today = todayOf(viewer, now);
    const horizon = after(today, AHEAD_DAYS, 'days');
    const [plans, late, due, soon, wanted] = await Promise.all([
      openPlans(viewer, 25),
      dueBetween(viewer, '1900-01-01', after(today, -1, 'days'), 25),
      dueBetween(viewer, today, today, 25),
      dueBetween(viewer, after(today, 1, 'days'), horizon, 12),
      treatNotPlanned(viewer, 6),
    ]);
    return {
      today,
      horizon,
      ...byDay(plans, today),
      late,
      due,
      soon,
      undecided: await ways(viewer, wanted, now, station),
    };
  });

/** Plans whose span is open, and those whose span lies ahead. */
export function byDay(plans: readonly OpenPlan[], today: Day): { plans: OpenPlan[]; ahead: OpenPlan[] } {
  const lies = (p: OpenPlan) => p.earliest !== null && p.earliest > today;
  return {
    plans: plans.filter((p) => !lies(p)),
    ahead: plans.filter(lies).sort((a, b) => a.earliest!.localeCompare(b.earliest!)),
  };
}

async function ways(viewer: Viewer, wanted: ToTreat[], now: Date, station: StationFor): Promise<Undecided[]> {
  if (!wanted.length) return [];
  const trees = await treesOf(viewer, [...new Set(wanted.map((w) => w.treeId))], now);
  const [held, finds, years] = await Promise.all([
    heldBy(viewer),
    nearbyFinds(viewer, trees),
    yearsOf(viewer, trees, station, now),
  ]);
  const labels = held.labels.map((l) => l.label);
  return wanted.flatMap((w): Undecided[] => {
    const tree = trees.find((t) => t.id === w.treeId);
    if (!tree) return [];
    const year = years.get(tree.id)!;
    const situation = situationFor(viewer, tree, held, finds.get(tree.id)!, now, w.conditionId, year);
    const way = wayAgainst(
      situation,
      labels,
      { ...usualChoices(tree, station(spotOf(tree)).at(now), year), when: { kind: 'window' } },
      w.conditionId,
    );
    const stop = (way?.result && stopsOf(way.result, situation.today)[0]) ?? null;
    const state = !way ? 'no product' : stop ? 'stopped' : way.later ? 'later' : 'open';
    return [{ ...w, stop, state, on: way?.later ? way.result!.on : null }];
  });
}

/** What is due and what is planned in a span, for the year at a glance. */
export const seasonView = (
  viewer: Viewer,
  from: Day,
  to: Day,
): Promise<{ due: DueRow[]; ahead: OpenPlan[]; works: OpenWork[] }> =>
  together(viewer, async () => {
    const [due, plans, works] = await Promise.all([
      dueBetween(viewer, from, to, 400),
      openPlans(viewer),
      openWorks(viewer),
    ]);
    const within = (p: { plannedFor: Day | null }) => p.plannedFor !== null && p.plannedFor <= to;
    return { due, ahead: plans.filter(within), works: works.filter(within) };
  });
