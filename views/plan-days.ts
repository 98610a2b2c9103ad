import { spotOf } from '@/facts/diagnosis';
import { moveMark, planContexts, planMoves, type PlanMove } from '@/facts/plan-moves';
import { airLimitsOf, VISIT_HOURS } from '@/core/prescribe/conditions';
import { daysOpen, type DaysOpen } from '@/core/prescribe/when';
import { anyAir, fitDays } from '@/core/weather/fitness';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { getPlan } from '@/store/plans';
import { getSite } from '@/store/sites';

/** On which days a plan may stand, as far as book, label and season tell, and how likely the air is to serve. */
export interface PlanDays {
  /** The coming year without a gap, each span with what speaks against it. */
  spans: DaysOpen[];
  /** Days of the forecast by the limits of its own label; null where that asks nothing of the air. */
  fits: { day: string; chance: number }[] | null;
}

/** What a hand that moves a plan is told at once; null where no such plan waits here. */
export const planDaysView = (
  viewer: Viewer,
  planId: string,
  stationFor: StationFor,
  now: Date,
): Promise<PlanDays | null> =>
  together(viewer, async () => {
    const plan = await getPlan(viewer, planId);
    const use = plan?.label.uses.find((u) => u.key === plan.useKey);
    if (!plan || !use || plan.state !== 'open') return null;
    const [ground] = await planContexts(viewer, stationFor, now, [plan]);
    if (!ground) return null;
    const { tree, treatmentContext: seen } = ground;
    // Of a visit's time the programme has the word, not the field guide.
    const treatmentContext = plan.visitId === null ? seen : { ...seen, condition: null, problems: [] };
    const limits = airLimitsOf(use);
    const { members } = stationFor(spotOf(tree)).forecast(now);
    return {
      spans: daysOpen(treatmentContext, plan.label, use),
      fits: anyAir(limits)
        ? null
        : fitDays(members, limits, VISIT_HOURS, tree.timeZone).map(({ day, chance }) => ({ day, chance })),
    };
  });

/** Plans of a place that the season has moved, with the mark of what is shown; null where this company has no such place. */
export interface PlanMoves {
  moves: PlanMove[];
  seen: string;
}
export const planMovesView = (
  viewer: Viewer,
  siteId: string,
  stationFor: StationFor,
  now: Date,
): Promise<PlanMoves | null> =>
  together(viewer, async () => {
    const place = await getSite(viewer, siteId);
    if (!place) return null;
    const moves = await planMoves(viewer, stationFor, now, place);
    return { moves, seen: moveMark(moves) };
  });
