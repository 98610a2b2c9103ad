import { atTheTree, rowGrounds, type AtTheTree } from '@/commands/facts/booking';
import { stockFor } from '@/commands/facts/batches';
import { todayOf } from '@/commands/today';
import { oneMix } from '@/core/book/row';
import type { Gate } from '@/core/gates/gate';
import type { Dose } from '@/core/dose/dose';
import type { Label, LabelUse } from '@/core/label/schema';
import { may } from '@/core/people/rights';
import type { Viewer } from '@/store/auth';
import type { BatchRow } from '@/store/batches';
import { together } from '@/store/db';
import { arrivalAt } from '@/store/grounds';
import { getPlans, openPlans } from '@/store/plans';
import type { Lot } from '@/store/shelf';
import { byDay } from './today';

/** One tree of a row. */
export interface RowTree {
  planId: string;
  treeId: string;
  tag: string;
  hostId: string;
  sound: boolean;
  dose: Dose;
}
/** Like trees of a place that wait today for one product by one use. */
export interface Row {
  placeId: string;
  placeName: string;
  timeZone: string;
  lat: number | null;
  lon: number | null;
  today: string;
  label: Label;
  use: LabelUse;
  trees: RowTree[];
  lots: Lot[];
  /** Mixes that serve it, are good and hold something. */
  made: BatchRow[];
  arrival: Awaited<ReturnType<typeof arrivalAt>>;
}

/** What is gone to together: no device hangs, so that nobody waits at any of them. */
export const inOneGo = (use: Pick<LabelUse, 'method' | 'sites'>): boolean =>
  use.method !== 'trunk-injection' && !use.sites?.device;

/** A row of a place by one of its plans, all that is done from its mix, sound trees first; null where it does not wait here, or is not done in one go. */
export const rowView = (viewer: Viewer, planId: string, now: Date): Promise<Row | null> =>
  together(viewer, async () => {
    const today = todayOf(viewer, now);
    const { plans: waiting } = byDay(await openPlans(viewer, 1000), today);
    const head = waiting.find((p) => p.id === planId);
    if (!head) return null;
    const alike = waiting.filter((p) => p.placeId === head.placeId && p.labelKey === head.labelKey && oneMix(p, head));
    const plans = await getPlans(
      viewer,
      alike.map((p) => p.id),
    );
    const first = plans.find((p) => p.id === planId);
    const use = first?.label.uses.find((u) => u.key === first.useKey);
    if (!first?.result.dose?.ok || !use || !inOneGo(use)) return null;
    const { dose } = first.result;
    const trees = alike.flatMap((p): RowTree[] => {
      const plan = plans.find((n) => n.id === p.id);
      if (plan?.labelId !== first.labelId || plan.useKey !== first.useKey || !plan.result.dose.ok) return [];
      const { treeId, tag, hostId, sound } = p;
      return [{ planId: p.id, treeId, tag, hostId, sound, dose: plan.result.dose }];
    });
    const [{ lots, mixes: made }, arrival, [ground]] = await Promise.all([
      stockFor(viewer, { ...first, dose }, now),
      arrivalAt(viewer, head.placeId, may(viewer.role, 'see gate codes')),
      rowGrounds(viewer, now, [first]),
    ]);
    if (!ground) return null;
    return {
      placeId: head.placeId,
      placeName: head.placeName,
      timeZone: ground.timeZone,
      lat: ground.lat,
      lon: ground.lon,
      today,
      label: first.label,
      use,
      trees: trees.sort((a, b) => Number(b.sound) - Number(a.sound)),
      lots,
      made,
      arrival,
    };
  });

/** A gate as it stands at some trees of a row. */
export interface RowGate {
  gate: Gate;
  planIds: string[];
}
/** What stands at the trees of a row in the air and ground that were said; the same gate is told once. */
export const rowGatesView = (
  viewer: Viewer,
  planIds: readonly string[],
  at: AtTheTree,
  now: Date,
): Promise<RowGate[]> =>
  together(viewer, async () => {
    const grounds = await rowGrounds(viewer, now, await getPlans(viewer, planIds));
    const out = new Map<string, RowGate>();
    for (const { plan, situation } of grounds)
      for (const gate of atTheTree(situation, plan, at).gates) {
        // Making the plan counts as the release of its holds; here only what changed since speaks again.
        if (gate.strength === 'note' || (gate.strength === 'hold' && plan.released[gate.id])) continue;
        const key = `${gate.id} ${gate.strength} ${gate.state}`;
        const same = out.get(key);
        if (same) same.planIds.push(plan.id);
        else out.set(key, { gate, planIds: [plan.id] });
      }
    return [...out.values()];
  });
