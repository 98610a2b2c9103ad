'use client';

import { useEffect, useRef, useState } from 'react';
import type { Shut } from '@/ui/figures/year';
import type { PlanDays } from '@/views/plan-days';

/** What is known of the days on which a plan may stand. */
export interface AskedDays {
  told: PlanDays | null;
  /** Days on which it cannot. */
  shut: readonly Shut[];
  /** It was asked and there was no answer. */
  failed: boolean;
}
const NOTHING: AskedDays = { told: null, shut: [], failed: false };

/** Asks on which days a plan may stand as soon as it is taken in hand; what was told once is kept. */
export function useDays(planId: string | null): AskedDays {
  const kept = useRef(new Map<string, AskedDays>());
  const [answer, setAnswer] = useState<{ planId: string; days: AskedDays } | null>(null);
  useEffect(() => {
    if (!planId) return;
    const known = kept.current.get(planId);
    let gone = false;
    const tell = (days: AskedDays) => !gone && setAnswer({ planId, days });
    const asked = known
      ? Promise.resolve(known)
      : fetch(`/api/season/days?plan=${planId}`).then(async (r): Promise<AskedDays> => {
          if (!r.ok) return { ...NOTHING, failed: true };
          const told = (await r.json()) as PlanDays;
          const days = { told, shut: told.spans.filter((s) => s.bounds.length > 0), failed: false };
          kept.current.set(planId, days);
          return days;
        });
    asked.then(tell, () => tell({ ...NOTHING, failed: true }));
    return () => {
      gone = true;
    };
  }, [planId]);
  return answer && answer.planId === planId ? answer.days : NOTHING;
}
