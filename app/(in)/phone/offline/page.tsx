import { Frame } from '@/ui/frame/frame';
import { viewer } from '../../../_server/viewer';
import { OfflineList } from './offline.client';

export const metadata = { title: 'Not on this phone' };

/** Shown without signal for a page that this phone does not hold. */
export default async function Page() {
  await viewer();
  return (
    <Frame tag={<p className="text-head leading-tight font-extrabold">No signal</p>} margin={null}>
      <OfflineList />
    </Frame>
  );
}
