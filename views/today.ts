import { spotOf } from '@/facts/diagnosis';
import { hoursOver, underRain, yearsOf, type DueVisit } from '@/facts/season';
import { treatmentContextFor, usualChoices } from '@/facts/treatment-context';
import { treesOf } from '@/facts/tree';
import { todayOf } from '@/facts/today';
import type { Gate } from '@/core/gates/gate';
import { stopsOf, wayAgainst } from '@/core/prescribe/options';
import { isOver, superseded } from '@/core/prescribe/follow';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn, type LocalDate } from '@/lib/calendar/zone';
import { stagesAbout, type StageDate } from '@/core/season/stages';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { dueWithin } from '@/store/follow-ups';
import { installedCount } from '@/store/devices';
import { openVisits, type OpenPlan, type SiteOpen } from '@/store/plans';
import type { OpenWork } from '@/store/works';
import { tasksDue, type Task } from '@/store/tasks';
import { heldBy } from '@/store/stock';
import { treatNotPlanned, type ToTreat } from '@/store/today';
import { nearbyDetections } from '@/store/diagnoses';

/** What was decided and not planned, and whether anything on the shelf may be done against it today. */
export interface Undecided extends ToTreat {
  siteId: string;
  /** Stages whose day may be about now. */
  stages: StageDate[];
  /** Open today, in a window to come, stopped, or nothing on the shelf is for it. */
  state: 'open' | 'later' | 'stopped' | 'no product';
  /** First day of the window to come. */
  on: LocalDate | null;
  /** What stands against the freest way. */
  stop: Gate | null;
}

export interface Today {
  today: string;
  /** Last day of what lies ahead. */
  horizon: string;
  /** What may be done today, as far as it was planned. */
  plans: OpenPlan[];
  /** Works without a product whose day has come. */
  works: OpenWork[];
  /** Plans whose time is over: planned anew, or dropped. The soonest of them; all are counted in `sites`. */
  over: OpenPlan[];
  /** All that is due or over, counted place by place: what the lists leave out stands here. */
  sites: SiteOpen[];
  /** Done, with a record that waits to be settled. */
  unsettled: OpenPlan[];
  /** Planned for a later day, the soonest first. */
  ahead: OpenPlan[];
  late: DueVisit[];
  due: DueVisit[];
  soon: DueVisit[];
  /** What is to be done at places without a plan, by whom, the soonest first. */
  tasks: Task[];
  /** What hangs on trunks now. */
  hanging: { devices: number; trunks: number };
  undecided: Undecided[];
  /** The others that were decided and not planned. */
  moreUndecided: ToTreat[];
  /** Stages that may be seen these days and that decide when something begins, one a host and place. */
  look: StageToSee[];
}

export interface StageToSee {
  siteId: string;
  siteName: string;
  hostId: string;
  /** The likeliest first, as their day is nearest. */
  stages: StageDate[];
}

const AHEAD_DAYS = 28;
/** Decisions without a plan that are told, and of how many with what may be done about them today. */
const [MOST_WANTED, WITH_WAYS] = [1000, 6];

/** The day at a glance, in one transaction. */
export const todayView = (viewer: Viewer, now: Date, station: StationFor): Promise<Today> =>
  together(viewer, async () => {
    const today = todayOf(viewer, now);
    const horizon = dayAfter(today, AHEAD_DAYS, 'days');
    const [{ plans, works, sites }, dues, tasks, wanted, hanging] = await Promise.all([
      openVisits(viewer, { today, plans: 120, works: 60 }),
      dueWithin(viewer, [
        { from: '1900-01-01', to: dayAfter(today, -1, 'days'), most: 25 },
        { from: today, to: today, most: 25 },
        { from: dayAfter(today, 1, 'days'), to: horizon, most: 12 },
      ]),
      tasksDue(viewer, horizon, 500),
      treatNotPlanned(viewer, MOST_WANTED),
      installedCount(viewer),
    ]);
    const undecided = await ways(viewer, wanted.slice(0, WITH_WAYS), now, station);
    // Rain brings the renewal of a cover forward.
    const visits = underRain(dues, await hoursOver(viewer, dues, station, now), now);
    return {
      today,
      horizon,
      ...byDay(plans, today),
      works: works.filter((w) => !w.plannedFor || w.plannedFor <= today),
      late: visits.filter((f) => f.due < today),
      due: visits.filter((f) => f.due === today),
      soon: visits.filter((f) => f.due > today),
      tasks,
      hanging,
      undecided,
      moreUndecided: wanted.slice(WITH_WAYS),
      sites,
      look: toSee(undecided),
    };
  });

/** Plans whose span is open, those whose span lies ahead, and those whose time is over. */
export function byDay(
  plans: readonly OpenPlan[],
  today: LocalDate,
): { plans: OpenPlan[]; ahead: OpenPlan[]; over: OpenPlan[]; unsettled: OpenPlan[] } {
  const lies = (p: OpenPlan) => p.earliest !== null && p.earliest > today;
  const late = superseded(plans, today);
  const passed = (p: OpenPlan) => late.has(p.id) || isOver({ latest: p.latest, at: dayIn(p.at, 'UTC') }, today);
  return {
    plans: plans.filter((p) => !lies(p) && !passed(p) && !p.unsettled),
    over: plans.filter((p) => passed(p) && !p.unsettled),
    // Done, and to be settled: nothing offers it again.
    unsettled: plans.filter((p) => p.unsettled),
    ahead: plans.filter((p) => lies(p) && !p.unsettled).sort((a, b) => a.earliest!.localeCompare(b.earliest!)),
  };
}

/** What may be seen about now where something waits for its time, once a host and place. */
function toSee(undecided: readonly Undecided[]): StageToSee[] {
  const out = new Map<string, StageToSee>();
  for (const { siteId, siteName, hostId, stages } of undecided)
    if (stages.length) out.set(`${siteId} ${hostId}`, { siteId, siteName, hostId, stages });
  return [...out.values()].slice(0, 4);
}

async function ways(viewer: Viewer, wanted: ToTreat[], now: Date, station: StationFor): Promise<Undecided[]> {
  if (!wanted.length) return [];
  const trees = await treesOf(viewer, [...new Set(wanted.map((w) => w.treeId))], now);
  const [held, detections, years] = await Promise.all([
    heldBy(viewer),
    nearbyDetections(viewer, trees),
    yearsOf(viewer, trees, station, now),
  ]);
  const labels = held.labels.map((l) => l.label);
  return wanted.flatMap((w): Undecided[] => {
    const tree = trees.find((t) => t.id === w.treeId);
    if (!tree) return [];
    const year = years.get(tree.id)!;
    const treatmentContext = treatmentContextFor(viewer, tree, {
      held,
      detections: detections.get(tree.id)!,
      now,
      problem: w.conditionId,
      year,
    });
    const way = wayAgainst(
      treatmentContext,
      labels,
      { ...usualChoices(tree, station(spotOf(tree)).at(now), year), when: { kind: 'window' } },
      w.conditionId,
    );
    const stop = (way?.result && stopsOf(way.result, treatmentContext.on)[0]) ?? null;
    const state = !way ? 'no product' : stop ? 'stopped' : way.later ? 'later' : 'open';
    const stages = stagesAbout(year.stages, treatmentContext.on);
    return [{ ...w, siteId: tree.siteId, stages, stop, state, on: way?.later ? way.result!.on : null }];
  });
}
