'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v5, v7 } from 'uuid';
import { GUARDS, type Guard } from '@/core/devices/devices';
import { Choices, FormIssues } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { clock } from '@/ui/words';
import type { InstallationRow } from '@/facts/board';
import type { Input } from '@/facts/queued';
import type { installDevices as installDevicesHere } from '@/commands/devices/install-devices';
import { installDevices } from '../../../offline-commands.client';
import { phoneNow } from '@/ui/phone/clock.client';
import { GUARD_WORDS } from '../../../jobs/devices/words';

/** What a plan has hung on its tree: nothing yet, something that hangs still, or all of it pulled. */
export interface InstalledDevices {
  still: number;
  from: string;
  /** When the last one was pulled; null while one hangs. */
  to: string | null;
  /** Product that went in, in the unit of the dose. */
  entered: number;
  /** Why it was hung in spite of a stop, or by the planned dose. */
  because: string | null;
}
/** What was said at the tree before something hangs: hanging is a start like every other. */
export type Started = Omit<Input<typeof installDevicesHere>, 'id' | 'planId' | 'at' | 'guarded' | 'overnight'>;

/** As good as all of it: nobody hangs a few drops again. */
const FINISHED = 0.98;

/** Hangs the devices of a plan, so that the crew may go on to the next tree; the board keeps them until they are pulled. */
export function InstallForm({
  planId,
  product,
  count,
  startedAt,
  timeZone,
  hanging,
  refused,
  rows,
  started,
}: {
  planId: string;
  /** Planned product, in the unit of the dose. */
  product: number;
  count: number;
  startedAt: string;
  timeZone: string;
  hanging: InstalledDevices | null;
  refused: boolean;
  /** The devices as they stand from then on, for the board of a phone without signal. */
  rows: readonly InstallationRow[];
  started: Started;
}) {
  const router = useRouter();
  const [id] = useState(() => v7());
  const [guarded, setGuarded] = useState<Guard | null>(null);
  const { busy, issues, setIssues, send } = useSend(installDevices);
  if (hanging && hanging.still > 0)
    return (
      <section className="mt-4 border-l-4 border-sap pl-4">
        <p className="text-lead font-bold">
          {hanging.still === 1 ? 'One hangs' : `${hanging.still} hang`} since {clock(hanging.from, timeZone)}
        </p>
        <p>Written up when all are pulled.</p>
        <Link className="press press-main mt-2 min-h-14 phone:w-full" href="/jobs/devices">
          The board of what hangs
        </Link>
      </section>
    );
  // What was pulled unfinished may be hung again, now or another day; else it is written up as it is.
  if (hanging && hanging.entered >= product * FINISHED) return null;
  const now = () => {
    if (!guarded) return setIssues([{ path: 'guarded', message: 'Say what keeps people from it.' }]);
    const installed = { id, planId, at: (!hanging && startedAt) || phoneNow().toISOString(), guarded, ...started };
    send(
      installed,
      (_, kept) => {
        router.push('/jobs/devices');
        if (!kept) router.refresh();
      },
      rows.map((r) => ({ ...r, id: v5(String(r.site), id), installedAt: installed.at, guarded })),
    );
  };
  const all = count === 1 ? 'It hangs' : `All ${count} hang`;
  return (
    <section className="mt-4 border-l-4 border-line pl-4" aria-label="Hang them and go on">
      <Choices
        label="It hangs while you go on; what keeps people from it?"
        options={GUARDS.map((value) => ({ value, name: GUARD_WORDS[value] }))}
        issues={issues}
        path="guarded"
        value={guarded}
        onChange={setGuarded}
      />
      <FormIssues issues={issues} known={['guarded']} />
      <button type="button" className="press min-h-14 phone:w-full" disabled={busy || refused} onClick={now}>
        {hanging ? 'The rest hangs' : all}: on to the next tree
      </button>
    </section>
  );
}
