import { findCondition, findHost } from '@/knowledge';
import type { RowFacts } from '@/facts/at-the-tree';
import { rowContexts } from '@/facts/recording';
import { stockFor } from '@/facts/batches';
import { todayOf } from '@/facts/today';
import { oneMix } from '@/core/mix/one-mix';
import type { Dose } from '@/core/dose/dose';
import type { Label, LabelUse } from '@/core/label/schema';
import type { Viewer } from '@/store/auth';
import type { BatchRow } from '@/store/batches';
import { together } from '@/store/db';
import type { Hand } from '@/store/people';
import { getPlans, openPlans } from '@/store/plans';
import { besideSheets, type BesideSheets } from '@/store/sheets';
import type { Lot } from '@/store/stock';
import { byDay } from './today';

/** One tree of a row. */
export interface RowTree {
  planId: string;
  treeId: string;
  tag: string;
  /** Its species, by name. */
  host: string;
  sound: boolean;
  dose: Dose;
  /** What it is put on against. */
  target: string;
  /** What its gates ask on the day, wherever they are asked. */
  facts: RowFacts;
}
/** Like trees of a place that wait today for one product by one use. */
export interface Row {
  siteId: string;
  siteName: string;
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
  arrival: BesideSheets['arrival'];
  /** Who may have a hand in it beside whoever writes it. */
  hands: Hand[];
}

/** What is gone to together: no device hangs, so that nobody waits at any of them. */
export const inOneGo = (use: Pick<LabelUse, 'method' | 'sites'>): boolean =>
  use.method !== 'trunk-injection' && !use.sites?.device;

/** A row of a place by one of its plans, all that is done from its mix, sound trees first; null where it does not wait here, or is not done in one go. */
export const rowView = (viewer: Viewer, planId: string, now: Date): Promise<Row | null> =>
  together(viewer, async () => {
    const today = todayOf(viewer, now);
    const { plans: waiting } = byDay(await openPlans(viewer), today);
    const head = waiting.find((p) => p.id === planId);
    if (!head) return null;
    const alike = waiting.filter((p) => p.siteId === head.siteId && p.labelKey === head.labelKey && oneMix(p, head));
    const plans = await getPlans(
      viewer,
      alike.map((p) => p.id),
    );
    const first = plans.find((p) => p.id === planId);
    const use = first?.label.uses.find((u) => u.key === first.useKey);
    if (!first?.result.dose?.ok || !use || !inOneGo(use)) return null;
    const { dose } = first.result;
    const mine = plans.filter((n) => n.labelId === first.labelId && n.useKey === first.useKey && n.result.dose.ok);
    const [{ lots, mixes: made }, { arrival, hands }, contexts] = await Promise.all([
      stockFor(viewer, { ...first, dose, planIds: mine.map((n) => n.id) }, now),
      besideSheets(viewer, head.siteId, []),
      rowContexts(viewer, now, mine),
    ]);
    const [ground] = contexts;
    if (!ground) return null;
    const trees = alike.flatMap((p): RowTree[] => {
      const here = contexts.find((g) => g.plan.id === p.id);
      if (!here?.plan.result.dose.ok) return [];
      const { id, useKey, choices, plannedFor, released } = here.plan;
      const { treeId, tag, hostId, sound } = p;
      // One label for all of them: the page carries it once.
      const plan = { id, label: first.label, useKey, choices, plannedFor, released };
      return [
        {
          planId: id,
          treeId,
          tag,
          host: findHost(hostId)?.name ?? hostId,
          sound,
          dose: here.plan.result.dose,
          target: findCondition(here.plan.conditionId)?.name ?? here.plan.conditionId,
          facts: { plan, treatmentContext: here.treatmentContext },
        },
      ];
    });
    return {
      siteId: head.siteId,
      siteName: head.siteName,
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
      hands,
    };
  });
