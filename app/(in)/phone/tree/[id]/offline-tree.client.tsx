'use client';

import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo } from 'react';
import { inHand } from '@/facts/diagnosis';
import { withQueued, type OfflineTree as Facts, type Viewer } from '@/facts/queued-tree';
import { weatherAt } from '@/core/weather/expected';
import { offlineKnowledge } from '@/facts/offline-knowledge';
import { part } from '@/ui/controls/part.client';
import { useOfflineLinks, usePhoneNow, useServersOwn } from '@/ui/phone/offline-pages.client';
import { usePhone } from '@/ui/phone/phone.client';
import { SignalAgain } from '@/ui/phone/signal-again.client';

const MeasureStep = part(() => import('@/app/(in)/tree/[id]/measure/step').then((m) => m.MeasureStep));
const ExamineStep = part(() => import('@/app/(in)/tree/[id]/examine/step').then((m) => m.ExamineStep));
const DecideStep = part(() => import('@/app/(in)/tree/[id]/decide/step').then((m) => m.DecideStep));
const PrescribeStep = part(() => import('@/app/(in)/tree/[id]/prescribe/step').then((m) => m.PrescribeStep));
const ApplyStep = part(() => import('@/app/(in)/tree/[id]/apply/step').then((m) => m.ApplyStep));

const STEPS = {
  measure: MeasureStep,
  examine: ExamineStep,
  decide: DecideStep,
  prescribe: PrescribeStep,
  apply: ApplyStep,
};
// The step is fetched while the page is still being put together.
if (typeof window !== 'undefined')
  STEPS[(new URLSearchParams(window.location.search).get('step') ?? 'apply') as keyof typeof STEPS]?.prepare();

/**
 * A step at a tree without signal, worked out on the phone: what was taken along, what was written since, the knowledge that
 * ships, and the clock.
 */
export function OfflineTree({ viewer, facts }: { viewer: Viewer; facts: Facts }) {
  const now = usePhoneNow();
  const { waiting } = usePhone();
  const asked = useSearchParams();
  const { id } = facts.tree;
  const step = asked.get('step') ?? 'apply';
  const query = new URLSearchParams([...asked].filter(([k]) => k !== 'step')).toString();
  const real = `/tree/${id}${step === 'tree' ? '' : `/${step}`}${query ? `?${query}` : ''}`;

  const knowledge = useMemo(() => offlineKnowledge(facts.entries), [facts.entries]);
  const f = useMemo(() => withQueued(facts, waiting, viewer), [facts, waiting, viewer]);
  const seen = useMemo(
    () =>
      now && {
        ...inHand(viewer, f.tree, knowledge, f.detections, now),
        viewer,
        now,
        weather: weatherAt(f.air.measured, f.air.hours, now),
      },
    [viewer, f, knowledge, now],
  );
  useOfflineLinks(
    useCallback(
      (to) => {
        const [, tree, next] = /^\/tree\/([^/]+)\/(measure|examine|decide|prescribe|apply)$/.exec(to.pathname) ?? [];
        if (tree !== id || !next) return null;
        to.searchParams.set('step', next);
        return `/phone/tree/${id}?${to.searchParams}`;
      },
      [id],
    ),
  );
  useServersOwn('step', `/tree/${id}`);

  if (!seen) return <p className="p-6 font-semibold text-ink-2">One moment …</p>;
  const { found } = seen;
  return (
    <>
      <SignalAgain real={real} />
      {step === 'measure' && <MeasureStep seen={seen} />}
      {step === 'examine' && <ExamineStep seen={{ ...seen, alike: f.alike }} />}
      {step === 'decide' &&
        (found ? (
          <DecideStep
            seen={{ ...seen, found }}
            asked={{ name: asked.get('name') ?? undefined, about: asked.get('about') ?? undefined }}
          />
        ) : (
          <p className="p-6 font-semibold">This host is not known here.</p>
        ))}
      {step === 'prescribe' && (
        <PrescribeStep
          seen={{ ...seen, held: f.held, alike: f.row, year: f.year, forecast: null }}
          trouble={asked.get('for')}
        />
      )}
      {step === 'apply' && <ApplyOffline {...{ seen, f, planId: asked.get('plan') }} />}
    </>
  );
}

function ApplyOffline({
  seen,
  f,
  planId,
}: {
  seen: Parameters<typeof MeasureStep>[0]['seen'];
  f: Facts;
  planId: string | null;
}) {
  const open = f.tree.plans.filter((p) => p.state === 'open');
  const own = f.sheets.find((s) => s.plan.id === planId) ?? f.sheets.find((s) => s.plan.id === open[0]?.id);
  const sheet = own ? { ...own, held: f.held, arrival: f.arrival, hands: f.hands ?? [] } : null;
  return <ApplyStep seen={{ ...seen, open, sheet }} />;
}
