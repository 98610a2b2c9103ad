import { newestDoses } from '@/facts/recording';
import type { Viewer } from '@/store/auth';
import { getPlans, type OpenPlan } from '@/store/plans';

/**
 * Plans with the amounts that the newest measurement of their trees gives: what is loaded and mixed for a trunk that was measured
 * again is what will be asked at it. Trees that were not measured since cost nothing.
 */
export async function atNewestDose(viewer: Viewer, now: Date, plans: readonly OpenPlan[]): Promise<OpenPlan[]> {
  const again = plans.filter((p) => p.remeasured && p.state === 'open');
  if (!again.length) return [...plans];
  const full = await getPlans(
    viewer,
    again.map((p) => p.id),
  );
  const doses = await newestDoses(viewer, now, full);
  return plans.map((p) => {
    const dose = doses.get(p.id);
    return dose
      ? {
          ...p,
          product: dose.product,
          mixMl: dose.carrier?.totalMl ?? null,
          stockMl: dose.stockMl,
          sites: dose.sites?.count ?? null,
          girthCm: dose.girthCm,
        }
      : p;
  });
}
