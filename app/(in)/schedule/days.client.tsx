'use client';

import { useMemo } from 'react';
import { useAsked, type Asked } from '@/ui/controls/query.client';
import type { Shut } from '@/ui/figures/year';
import type { PlanDays } from '@/views/plan-days';

/** What is known of the days on which a plan may stand. */
export interface AskedDays extends Asked<PlanDays> {
  /** Days on which it cannot. */
  shut: readonly Shut[];
}

/** Asks on which days a plan may stand as soon as it is taken in hand. */
export function useDays(planId: string | null): AskedDays {
  const { told, failed } = useAsked<PlanDays>(planId && `/api/schedule/days?plan=${planId}`);
  const shut = useMemo(() => (told?.spans ?? []).filter((s) => s.bounds.length > 0), [told]);
  return { told, failed, shut };
}
