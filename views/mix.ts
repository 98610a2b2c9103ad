import { todayOf } from '@/facts/today';
import { stockFor } from '@/facts/batches';
import { newestDoses } from '@/facts/recording';
import { fillsOf, type Fill } from '@/core/mix/fill';
import { isFor } from '@/core/mix/sources';
import { mixMlOf, recipeOf, type Recipe } from '@/core/mix/recipe';
import type { Vessel } from '@/core/dose/vessels';
import type { Label, LabelUse } from '@/core/label/schema';
import type { Viewer } from '@/store/auth';
import { batchesNamed, takenFrom, type BatchRow, type BatchTaken } from '@/store/batches';
import { crewDayEntries } from '@/store/day';
import { together } from '@/store/db';
import { getPlans, openPlans } from '@/store/plans';
import { listSprayers, listVessels, type Lot } from '@/store/stock';
import { byDay } from './today';

/** A tree that a mix is made for. */
export interface MixTree {
  planId: string;
  tag: string;
  siteName: string;
  mixMl: number;
}
/** What is mixed for trees that wait, and what there is to mix it in and from. */
export interface Mix {
  today: string;
  timeZone: string;
  labelId: string;
  label: Label;
  use: LabelUse;
  recipe: Recipe;
  dimension: 'volume' | 'mass';
  trees: MixTree[];
  /** Mixes that were made for any of them, are good and hold something. */
  made: BatchRow[];
  fills: Fill[];
  vessels: Vessel[];
  lots: Lot[];
}

/**
 * The mix for a plan and all that are served from it: those of its round where one is named, else those of its place that wait
 * today. Null where it is given undiluted, or waits no longer.
 */
export const mixView = (viewer: Viewer, planId: string, crewDayId: string | null, now: Date): Promise<Mix | null> =>
  together(viewer, async () => {
    const today = todayOf(viewer, now);
    const [open, entries] = await Promise.all([
      openPlans(viewer),
      crewDayId ? crewDayEntries(viewer, crewDayId) : null,
    ]);
    const head = open.find((p) => p.id === planId);
    if (!head) return null;
    const onCrewDay = entries && new Set(entries.map((e) => e.itemId));
    const near = onCrewDay
      ? open.filter((p) => onCrewDay.has(p.id))
      : byDay(open, today).plans.filter((p) => p.siteId === head.siteId);
    const alike = near.filter(
      (p) => p.labelKey === head.labelKey && (head.stockMl !== null ? p.stockMl !== null : p.method === head.method),
    );
    const plans = await getPlans(viewer, [...new Set([planId, ...alike.map((p) => p.id)])]);
    const first = plans.find((p) => p.id === planId);
    const use = first?.label.uses.find((u) => u.key === first.useKey);
    if (!first?.result.dose?.ok || !use) return null;
    // As much as the newest facts of the trees ask, and not what was planned before they were measured again.
    const doses = await newestDoses(viewer, now, plans);
    const own = doses.get(first.id) ?? first.result.dose;
    const served = plans.filter((p) => {
      const dose = doses.get(p.id);
      return dose && p.labelId === first.labelId && recipeOf(first.label, [own, dose]) !== null;
    });
    const recipe = recipeOf(
      first.label,
      served.map((p) => doses.get(p.id)!),
    );
    if (!recipe) return null;
    const [{ lots, mixes: made }, vessels, tanks] = await Promise.all([
      stockFor(viewer, { ...first, dose: own, planIds: [first.id] }, now),
      listVessels(viewer),
      listSprayers(viewer),
    ]);
    const siteOf = new Map(open.map((p) => [p.id, p.siteName]));
    return {
      today,
      timeZone: viewer.timeZone,
      labelId: first.labelId,
      label: first.label,
      use,
      recipe,
      dimension: own.dimension,
      trees: served.map((p) => ({
        planId: p.id,
        tag: p.tag,
        siteName: siteOf.get(p.id) ?? '',
        mixMl: mixMlOf(doses.get(p.id)!)!,
      })),
      made: made.filter((b) =>
        isFor(
          b,
          served.map((p) => p.id),
        ),
      ),
      fills: fillsOf(vessels, tanks),
      vessels,
      lots,
    };
  });

/** A mix with everything that was taken out of it. */
export const batchView = (viewer: Viewer, id: string): Promise<{ batch: BatchRow; taken: BatchTaken[] } | null> =>
  together(viewer, async () => {
    const [[batch], taken] = await Promise.all([batchesNamed(viewer, [id]), takenFrom(viewer, [id])]);
    return batch ? { batch, taken } : null;
  });
