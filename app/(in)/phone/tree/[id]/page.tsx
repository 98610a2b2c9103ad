import { notFound } from 'next/navigation';
import { stationFor } from '@/app/_server/station';
import { idOr404, viewer } from '@/app/_server/viewer';
import { offlineTreeView } from '@/views/offline';
import { OfflineTree } from './offline-tree.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'A tree on this phone' };

/** All that the steps at a tree rest on, in one page that a phone holds: it works them out itself, with what was written since. */
export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const v = await viewer();
  const facts = (await offlineTreeView(v, idOr404((await params).id), clockNow(), stationFor)) ?? notFound();
  return <OfflineTree viewer={v} facts={facts} />;
}
