'use client';

import { useSearchParams } from 'next/navigation';
import { useCallback, useMemo } from 'react';
import { usePhoneNow, useOfflineLinks, useServerPages } from '@/ui/phone/offline-pages.client';
import { usePhone } from '@/ui/phone/phone.client';
import { SignalAgain } from '@/ui/phone/signal-again.client';
import { offlineKnowledge } from '@/facts/offline-knowledge';
import { dayWith, type OfflineDay as Facts, type Viewer } from '@/facts/queued-day';
import { DayPage } from '../../../jobs/day/[id]/day';
import { ClosePage } from '../../../jobs/day/[id]/finish/finish';
import { BatchPage } from '../../../jobs/mixes/[id]/batch';

/** A crew's day without signal, its close and its mixes, drawn on the phone with what was written on it since. */
export function OfflineDay({ viewer, held }: { viewer: Viewer; held: Facts }) {
  const now = usePhoneNow();
  const { waiting } = usePhone();
  const asked = useSearchParams();
  const { id } = held.day.round;
  const view = asked.get('view') ?? 'day';
  const day = useMemo(() => {
    offlineKnowledge(held.entries);
    return now && dayWith(held, waiting, viewer, now);
  }, [held, waiting, viewer, now]);
  const batch = day?.batches.find((b) => b.id === asked.get('mix'));
  const mixes = day?.batches.map((b) => b.id).join(' ') ?? '';
  useOfflineLinks(
    useCallback(
      (to) => {
        if (to.pathname === `/jobs/day/${id}`) return `/phone/day/${id}?view=day`;
        if (to.pathname === `/jobs/day/${id}/finish`) return `/phone/day/${id}?view=close`;
        const mix = /^\/jobs\/mixes\/([0-9a-f-]{36})$/.exec(to.pathname)?.[1];
        return mix && mixes.includes(mix) ? `/phone/day/${id}?view=mix&mix=${mix}` : null;
      },
      [id, mixes],
    ),
  );
  const real = batch ? `/jobs/mixes/${batch.id}` : `/jobs/day/${id}${view === 'close' ? '/finish' : ''}`;
  useServerPages('view', real);
  if (!day || !now) return <p className="p-6 font-semibold text-ink-2">One moment …</p>;
  const seen = { viewer, now, day };
  return (
    <>
      <SignalAgain real={real} />
      {view === 'close' ? (
        <ClosePage seen={seen} />
      ) : batch ? (
        <BatchPage viewer={viewer} now={now} batch={batch} taken={held.taken[batch.id] ?? []} qr={null} />
      ) : (
        <DayPage seen={seen} />
      )}
    </>
  );
}
