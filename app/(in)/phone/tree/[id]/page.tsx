import { notFound } from 'next/navigation';
import { stationFor } from '@/app/_server/station';
import { idOr404, viewer } from '@/app/_server/viewer';
import { heldTreeView } from '@/views/held';
import { HeldTree } from './held-tree.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'A tree on this phone' };

/** All that the steps at a tree rest on, in one page that a phone holds: it works them out itself, with what was written since. */
export default async function Page({ params }: { params: Promise<{ id: string }> }) {
  const v = await viewer();
  const facts = (await heldTreeView(v, idOr404((await params).id), clockNow(), stationFor)) ?? notFound();
  return <HeldTree viewer={v} facts={facts} />;
}
