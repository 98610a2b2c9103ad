import { notFound } from 'next/navigation';
import { stationFor } from '@/app/_server/station';
import { idOr404, viewer } from '@/app/_server/viewer';
import { offlineDayView } from '@/views/offline';
import { OfflineDay } from './offline-day.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'A round on this phone' };

/** All that a crew's day rests on, in one page that a phone holds: it draws the day itself, with what was written since. */
export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const v = await viewer();
  const held = (await offlineDayView(v, idOr404((await params).id), clockNow(), stationFor)) ?? notFound();
  return <OfflineDay viewer={v} held={held} />;
}
