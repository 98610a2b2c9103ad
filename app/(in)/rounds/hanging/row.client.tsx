'use client';

import Link from 'next/link';
import { useState } from 'react';
import { v7 } from 'uuid';
import { DEVICE_STATES, type DeviceState } from '@/core/hanging/hanging';
import { readNumber } from '@/core/units/numbers';
import { FormFaults, TextField, type FormFault } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { clock } from '@/ui/words';
import type { BoardGroup } from '@/commands/facts/board';
import { hangAgain, hangOvernight, pullDevices, seeDevices } from '../../without-signal.client';
import { phoneNow } from '@/ui/phone/clock.client';
import { devicesWords, GUARD_WORDS, STATE_PRESSES, TURN_WORDS } from './words';

interface Props {
  group: BoardGroup;
  may: boolean;
  onChanged: () => void;
}

const URGENT: readonly string[] = ['leaking', 'dark', 'late'];

/** One trunk on the board: when it is expected to be empty, what it needs, and what may be said or done there. */
export function BoardRow({ group: g, may, onChanged }: Props) {
  const [open, setOpen] = useState<'pull' | 'night' | null>(null);
  const see = useSend(seeDevices);
  const said = useSaid();
  const urgent = URGENT.includes(g.turn.why);
  const waits = g.turn.why === 'running' || g.turn.why === 'slow';
  const ids = g.devices.map((d) => d.id);
  const last = g.devices.find((d) => d.last)?.last ?? null;
  const say = (state: DeviceState) =>
    see.send({ id: v7(), deviceIds: ids, at: phoneNow().toISOString(), state }, () => {
      said({ sentence: `${g.tag}: ${STATE_PRESSES[state].toLowerCase()}.` });
      onChanged();
    });
  return (
    <li className={`row py-3 ${urgent ? 'border-l-8 border-l-madder pl-3' : ''}`}>
      <div className="flex items-start gap-4 phone:flex-wrap">
        <Link href={`/tree/${g.treeId}`} className="plate-small flex-none">
          {g.tag}
        </Link>
        <div className="min-w-0 flex-1 phone:order-3 phone:basis-full">
          <p className={`text-lead font-bold ${urgent ? 'text-madder' : ''}`}>{TURN_WORDS[g.turn.why]}</p>
          <p>
            {devicesWords(g)}, {g.labelName}
          </p>
          <p className="text-[0.9375rem] text-ink-2">
            {g.placeName}; hung {clock(g.hungAt, g.timeZone)} by {g.byName}, {GUARD_WORDS[g.guarded]}
            {last && `; seen ${clock(last.at, g.timeZone)}: ${STATE_PRESSES[last.state].toLowerCase()}`}
            {g.overnight && `; through the night: ${g.overnight}`}
          </p>
        </div>
        <p className="figures flex-none text-right phone:ml-auto">
          <b className="block text-[2rem] leading-none">{clock(g.turn.empty.at, g.timeZone)}</b>
          <span className="text-[0.9375rem] text-ink-2">
            {g.turn.empty.earliest === g.turn.empty.latest
              ? 'seen empty'
              : `${clock(g.turn.empty.earliest, g.timeZone)}–${clock(g.turn.empty.latest, g.timeZone)}`}
          </span>
          {g.dark && !g.overnight && (
            <span className="block text-[0.9375rem] text-ink-2">dark {clock(g.dark, g.timeZone)}</span>
          )}
        </p>
      </div>
      {may && (
        <div className="no-print mt-2">
          <div className="grid grid-cols-3 gap-2 desk:grid-cols-6" role="group" aria-label={`Trunk ${g.tag}`}>
            <button
              type="button"
              className={`press min-h-14 ${waits ? '' : 'press-main'}`}
              aria-expanded={open === 'pull'}
              onClick={() => setOpen(open === 'pull' ? null : 'pull')}
            >
              Pull
            </button>
            {DEVICE_STATES.map((s) => (
              <button
                key={s}
                type="button"
                className={`press min-h-14 ${last?.state === s ? 'border-4 font-extrabold' : ''}`}
                aria-pressed={last?.state === s}
                disabled={see.busy}
                onClick={() => say(s)}
              >
                {STATE_PRESSES[s]}
              </button>
            ))}
          </div>
          <FormFaults faults={see.faults} known={[]} />
          {open === 'pull' && (
            <Pull
              group={g}
              onDone={() => {
                setOpen(null);
                onChanged();
              }}
            />
          )}
          {g.dark && !g.overnight && open !== 'night' && (
            <button type="button" className="press press-plain" onClick={() => setOpen('night')}>
              It hangs through the night
            </button>
          )}
          {open === 'night' && (
            <Night
              ids={ids}
              onDone={() => {
                setOpen(null);
                onChanged();
              }}
            />
          )}
        </div>
      )}
    </li>
  );
}

/** What is left is measured over all devices of a trunk together, and shared among them by what was put in. */
function Pull({ group: g, onDone }: { group: BoardGroup; onDone: () => void }) {
  const [left, setLeft] = useState('');
  const [lost, setLost] = useState('');
  const [wrong, setWrong] = useState<FormFault[]>([]);
  const pull = useSend(pullDevices);
  const said = useSaid();
  const put = g.devices.reduce((a, d) => a + d.putMl, 0);
  const send = (leftMl: number, lostMl: number) =>
    pull.send(
      {
        id: v7(),
        at: phoneNow().toISOString(),
        devices: g.devices.map((d) => ({
          id: d.id,
          leftMl: (leftMl * d.putMl) / put,
          lostMl: (lostMl * d.putMl) / put,
        })),
      },
      () => {
        said({
          sentence: `${g.tag} is pulled; ${leftMl > 0 ? `${left} mL are left over` : 'all of it went in'}.`,
          undo: () => hangAgain({ deviceIds: g.devices.map((d) => d.id) }).then(onDone),
        });
        onDone();
      },
    );
  const measured = () => {
    const read = [
      ['left', left, 'What is left'],
      ['lost', lost, 'What was lost'],
    ].map(([path, typed, name]) => ({
      path: path!,
      ...readNumber(typed || '0', { name: name!, min: 0, max: Number(put.toFixed(3)), unit: 'mL' }),
    }));
    setWrong(read.flatMap((r) => (r.ok ? [] : [{ path: r.path, sentence: r.sentence }])));
    const [l, o] = read;
    if (l?.ok && o?.ok) send(l.value, o.value);
  };
  const faults = [...wrong, ...pull.faults];
  return (
    <div className="mt-2 border-l-4 border-line pl-4">
      <button
        type="button"
        className="press press-main min-h-14 phone:w-full"
        disabled={pull.busy}
        onClick={() => send(0, 0)}
      >
        All of it went in
      </button>
      <div className="mt-3 grid gap-x-4 desk:grid-cols-3">
        <TextField
          label="Left in all of them, mL"
          path="left"
          faults={faults}
          inputMode="decimal"
          hint={`Put in: ${put.toFixed(1)} mL`}
          value={left}
          onChange={setLeft}
        />
        <TextField
          label="Lost by leaking, mL"
          path="lost"
          faults={faults}
          inputMode="decimal"
          value={lost}
          onChange={setLost}
        />
      </div>
      <button type="button" className="press min-h-14 phone:w-full" disabled={pull.busy} onClick={measured}>
        Pulled, with that left
      </button>
      <FormFaults faults={faults} known={['left', 'lost']} />
    </div>
  );
}

function Night({ ids, onDone }: { ids: string[]; onDone: () => void }) {
  const [because, setBecause] = useState('');
  const night = useSend(hangOvernight);
  return (
    <div className="mt-2 border-l-4 border-line pl-4">
      <TextField
        label="Why it hangs through the night"
        path="because"
        faults={night.faults}
        value={because}
        maxLength={300}
        onChange={setBecause}
      />
      <FormFaults faults={night.faults} known={['because']} />
      <button
        type="button"
        className="press min-h-14"
        disabled={night.busy}
        onClick={() => night.send({ deviceIds: ids, because }, onDone)}
      >
        It hangs until it is pulled
      </button>
    </div>
  );
}
