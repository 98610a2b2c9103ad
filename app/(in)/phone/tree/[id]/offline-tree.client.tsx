'use client';

import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo } from 'react';
import { inHand } from '@/facts/diagnosis';
import { withQueued, type OfflineTree as Facts, type Viewer } from '@/facts/queued-tree';
import { weatherAt } from '@/core/weather/expected';
import { offlineKnowledge } from '@/facts/offline-knowledge';
import { part } from '@/ui/controls/part.client';
import { useOfflineLinks, usePhoneNow, useServerPages } from '@/ui/phone/offline-pages.client';
import { usePhone } from '@/ui/phone/phone.client';
import { SignalAgain } from '@/ui/phone/signal-again.client';

const MeasureStep = part(() => import('@/app/(in)/trees/[id]/measure/step').then((m) => m.MeasureStep));
const InspectStep = part(() => import('@/app/(in)/trees/[id]/inspect/step').then((m) => m.InspectStep));
const DiagnoseStep = part(() => import('@/app/(in)/trees/[id]/diagnose/step').then((m) => m.DiagnoseStep));
const PrescribeStep = part(() => import('@/app/(in)/trees/[id]/prescribe/step').then((m) => m.PrescribeStep));
const TreatStep = part(() => import('@/app/(in)/trees/[id]/treat/step').then((m) => m.TreatStep));

const STEPS = {
  measure: MeasureStep,
  inspect: InspectStep,
  diagnose: DiagnoseStep,
  prescribe: PrescribeStep,
  treat: TreatStep,
};
// The step is fetched while the page is still being put together.
if (typeof window !== 'undefined')
  STEPS[(new URLSearchParams(window.location.search).get('step') ?? 'treat') as keyof typeof STEPS]?.prepare();

/**
 * A step at a tree without signal, worked out on the phone: what was taken along, what was written since, the knowledge that
 * ships, and the clock.
 */
export function OfflineTree({ viewer, facts }: { viewer: Viewer; facts: Facts }) {
  const now = usePhoneNow();
  const { waiting } = usePhone();
  const asked = useSearchParams();
  const { id } = facts.tree;
  const step = asked.get('step') ?? 'treat';
  const query = new URLSearchParams([...asked].filter(([k]) => k !== 'step')).toString();
  const real = `/trees/${id}${step === 'tree' ? '' : `/${step}`}${query ? `?${query}` : ''}`;

  const knowledge = useMemo(() => offlineKnowledge(facts.entries), [facts.entries]);
  const f = useMemo(() => withQueued(facts, waiting, viewer), [facts, waiting, viewer]);
  const seen = useMemo(
    () =>
      now && {
        ...inHand({ viewer, tree: f.tree, knowledge, detections: f.detections, now }),
        viewer,
        now,
        weather: weatherAt(f.air.measured, f.air.hours, now),
      },
    [viewer, f, knowledge, now],
  );
  useOfflineLinks(
    useCallback(
      (to) => {
        const [, tree, next] = /^\/trees\/([^/]+)\/(measure|inspect|diagnose|prescribe|treat)$/.exec(to.pathname) ?? [];
        if (tree !== id || !next) return null;
        to.searchParams.set('step', next);
        return `/phone/tree/${id}?${to.searchParams}`;
      },
      [id],
    ),
  );
  useServerPages('step', `/trees/${id}`);

  if (!seen) return <p className="p-6 font-semibold text-ink-2">One moment …</p>;
  const { found } = seen;
  return (
    <>
      <SignalAgain real={real} />
      {step === 'measure' && <MeasureStep seen={seen} />}
      {step === 'inspect' && <InspectStep seen={{ ...seen, alike: f.alike }} />}
      {step === 'diagnose' &&
        (found ? (
          <DiagnoseStep
            seen={{ ...seen, found }}
            asked={{ name: asked.get('name') ?? undefined, about: asked.get('about') ?? undefined }}
          />
        ) : (
          <p className="p-6 font-semibold">This host is not known here.</p>
        ))}
      {step === 'prescribe' && (
        <PrescribeStep
          seen={{ ...seen, held: f.held, alike: f.row, year: f.year, forecast: null }}
          problem={asked.get('for')}
        />
      )}
      {step === 'treat' && <TreatOffline {...{ seen, f, planId: asked.get('plan') }} />}
    </>
  );
}

function TreatOffline({
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
  return <TreatStep seen={{ ...seen, open, sheet }} />;
}
