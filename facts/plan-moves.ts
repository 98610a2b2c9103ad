import { digestOf } from '@/facts/digest';
import { dayIn } from '@/lib/calendar/zone';
import { followed, hasMoved } from '@/core/prescribe/follow';
import { nextWindow, type Bound, type Visit } from '@/core/prescribe/when';
import type { Method } from '@/core/label/methods';
import type { StationFor } from '@/core/weather/station';
import type { Viewer } from '@/store/auth';
import { aheadOfOwn, getPlans, type Plan } from '@/store/plans';
import { heldBy } from '@/store/stock';
import { nearbyDetections } from '@/store/diagnoses';
import type { Tree } from '@/store/tree';
import { yearsOf } from './season';
import { treatmentContextOfPlan } from './treatment-context';
import { treesOf } from './tree';

/** A plan with everything it rests on, as the day is; it does not stand in its own way. */
export interface PlanContext {
  plan: Plan;
  tree: Tree;
  treatmentContext: ReturnType<typeof treatmentContextOfPlan>;
}

/** Plans with their trees and situations: a few statements, however many there are. */
export async function planContexts(
  viewer: Viewer,
  stationFor: StationFor,
  now: Date,
  plans: readonly Plan[],
): Promise<PlanContext[]> {
  const trees = await treesOf(viewer, [...new Set(plans.map((n) => n.treeId))], now);
  const [held, detections, years] = await Promise.all([
    heldBy(viewer),
    nearbyDetections(viewer, trees),
    yearsOf(viewer, trees, stationFor, now),
  ]);
  return plans.flatMap((plan) => {
    const whole = trees.find((t) => t.id === plan.treeId);
    if (!whole) return [];
    const tree = { ...whole, plans: whole.plans.filter((x) => x.id !== plan.id) };
    const treatmentContext = treatmentContextOfPlan(viewer, tree, {
      held,
      detections: detections.get(tree.id)!,
      now,
      plan,
      year: years.get(tree.id)!,
    });
    return [{ plan, tree, treatmentContext }];
  });
}

/** A plan of its own whose window has moved. */
export interface PlanMove {
  planId: string;
  treeId: string;
  tag: string;
  label: string;
  method: Method;
  was: Visit;
  /** Null where it has no day any more within a year. */
  now: Visit | null;
  /** What opens the window now. */
  opens: Bound[];
}

/** The most plans of a place that are followed at once; the soonest. */
const MOST = 300;

/** Plans of their own at a place that the season has moved since they were planned; those that stand in a round are left there. */
export async function planMoves(
  viewer: Viewer,
  stationFor: StationFor,
  now: Date,
  place: { id: string; timeZone: string },
): Promise<PlanMove[]> {
  const ids = await aheadOfOwn(viewer, place.id, dayIn(now, place.timeZone), MOST);
  const plans = ids.length ? await getPlans(viewer, ids) : [];
  const order = new Map(ids.map((id, i) => [id, i]));
  return (await planContexts(viewer, stationFor, now, plans))
    .sort((a, b) => order.get(a.plan.id)! - order.get(b.plan.id)!)
    .flatMap(({ plan, tree, treatmentContext }): PlanMove[] => {
      const use = plan.label.uses.find((u) => u.key === plan.useKey);
      const { plannedFor, earliest, latest } = plan;
      if (!use || !plannedFor || !earliest || !latest) return [];
      const was = { plannedFor, earliest, latest };
      const window = nextWindow(treatmentContext, plan.label, use);
      const to = followed(was, window);
      if (!hasMoved(was, to)) return [];
      const { id: planId, treeId } = plan;
      const { tag } = tree;
      return [
        { planId, treeId, tag, label: plan.label.name, method: use.method, was, now: to, opens: window?.opens ?? [] },
      ];
    });
}

/** The mark of moves as somebody saw them. */
export const moveMark = (moves: readonly PlanMove[]): string =>
  digestOf(moves.map((m) => [m.planId, m.was.plannedFor, m.now]));
