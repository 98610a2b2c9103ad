import Link from 'next/link';
import { refusal } from '@/core/people/rights';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';
import { PrintButton } from '@/ui/controls/print.client';
import { boardOf } from '@/facts/board';
import { boardView } from '@/views/devices';
import { allows, viewer } from '@/app/_server/viewer';
import { DeviceBoard } from './board.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'What hangs' };

export default async function Page() {
  const v = await viewer();
  const now = clockNow();
  const facts = await boardView(v, now);
  const board = boardOf(facts, now);
  const devices = board.groups.reduce((n, g) => n + g.devices.length, 0);
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">What hangs</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Devices">{devices}</TagLine>
        <TagLine name="Trunks">{new Set(board.groups.map((g) => g.treeId)).size}</TagLine>
        <TagLine name="To write">{board.unwritten.length}</TagLine>
      </dl>
    </>
  );
  const margin = (
    <>
      <section>
        <h2 className="text-body">How the times are told</h2>
        <p className="text-[0.9375rem]">
          By device, amount, the air’s pull, soil and leaf of the hour in which it was hung, then by what your own
          devices took, and by how you last saw it. The two times beside it hold four ends in five.
        </p>
        <p className="text-[0.9375rem]">
          What has not gone in is measured when it is pulled: only what went in is booked, the rest stays a labelled
          leftover.
        </p>
      </section>
      <section>
        <h2 className="text-body">People and animals</h2>
        <p className="text-[0.9375rem]">
          Stay with it, fence it, or put up signs as the label and the place ask. Nothing hangs through the night unless
          somebody says why.
        </p>
      </section>
      <p>
        <Link href="/jobs">Jobs</Link>
      </p>
      <PrintButton />
    </>
  );
  return (
    <Frame tag={tag} margin={margin} handle="How the times are told">
      <DeviceBoard
        first={facts}
        at={board.at}
        units={v.units}
        refused={allows(v, 'apply') ? null : refusal(v.role, 'apply')}
      />
    </Frame>
  );
}
