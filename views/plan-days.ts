import { situationOfPlan } from '@/commands/facts/situation';
import { spotOf } from '@/commands/facts/diagnosis';
import { yearOf } from '@/commands/facts/season';
import { findsNear, treeOf } from '@/commands/facts/tree';
import { airLimitsOf, VISIT_HOURS } from '@/core/prescribe/conditions';
import { daysOpen, type DaysOpen } from '@/core/prescribe/when';
import { anyAir, fitDays } from '@/core/weather/fitness';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { together } from '@/store/db';
import { getPlan } from '@/store/plans';
import { heldBy } from '@/store/shelf';

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
    const [whole, held] = await Promise.all([treeOf(viewer, plan.treeId, now), heldBy(viewer)]);
    if (!whole) return null;
    // It does not stand in its own way.
    const tree = { ...whole, plans: whole.plans.filter((p) => p.id !== plan.id) };
    const [finds, year] = await Promise.all([findsNear(viewer, tree), yearOf(viewer, tree, stationFor, now)]);
    const seen = situationOfPlan(viewer, tree, held, finds, now, plan, year);
    // Of a visit's time the programme has the word, not the field guide.
    const situation = plan.visitId === null ? seen : { ...seen, condition: null, troubles: [] };
    const limits = airLimitsOf(use);
    const { members } = stationFor(spotOf(tree)).forecast(now);
    return {
      spans: daysOpen(situation, plan.label, use),
      fits: anyAir(limits)
        ? null
        : fitDays(members, limits, VISIT_HOURS, tree.timeZone).map(({ day, chance }) => ({ day, chance })),
    };
  });
