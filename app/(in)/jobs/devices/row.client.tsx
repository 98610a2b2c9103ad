'use client';

import type { Issue } from '@/lib/result';
import Link from 'next/link';
import { useState } from 'react';
import { v7 } from 'uuid';
import { DEVICE_STATES, type DeviceState, type Sight } from '@/core/devices/devices';
import { wantsAHand } from '@/core/devices/walk';
import { readNumber } from '@/lib/units/numbers';
import { figure } from '@/lib/units/units';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { clock } from '@/ui/words';
import type { BoardDevice, BoardGroup } from '@/facts/board';
import { reinstallDevices, leaveDevicesOvernight, removeDevices, readDevices } from '../../offline-commands.client';
import { phoneNow } from '@/ui/phone/clock.client';
import { devicesWords, GUARD_WORDS, STATE_PRESSES, TURN_WORDS, URGENT } from './words';

interface Props {
  group: BoardGroup;
  may: boolean;
  onChanged: () => void;
}

const alike = (of: readonly (string | null)[]) => of.every((x) => x === of[0]);
const siteWords = (devices: readonly BoardDevice[]) =>
  `${devices.length > 1 ? 'sites' : 'site'} ${devices.map((d) => d.site).join(', ')}`;
/** @example seenWords({ at, state: 'running', leftMl: 4 }) // '4 mL left' */
const seenWords = ({ state, leftMl }: Sight) =>
  leftMl === null ? STATE_PRESSES[state].toLowerCase() : `${figure(leftMl, 3)} mL left`;

/** One trunk on the board: when it is expected to be empty, what it needs, and what may be said or done there. */
export function BoardRow({ group: g, may, onChanged }: Props) {
  const [open, setOpen] = useState<'pull' | 'night' | 'read' | null>(null);
  const see = useSend(readDevices);
  const said = useNotify();
  const those = g.devices.filter((d) => d.why === g.turn.why);
  const where = those.length < g.devices.length && wantsAHand(g.turn.why) ? siteWords(those) : null;
  const urgent = URGENT.includes(g.turn.why);
  // One by one where they do not all do the same; as long as nobody chooses, a touch is for all of them.
  const [chosen, setChosen] = useState<number[] | null>(null);
  const devices = chosen ? g.devices.filter((d) => chosen.includes(d.site)) : g.devices;
  const ids = devices.map((d) => d.id);
  const last = alike(g.devices.map((d) => d.last?.state ?? null)) ? (g.devices[0]?.last ?? null) : null;
  const which = chosen ? `${g.tag}, ${siteWords(devices)}` : g.tag;
  const say = (state: DeviceState, leftMl: number | null = null) =>
    see.send({ id: v7(), deviceIds: ids, at: phoneNow().toISOString(), state, leftMl }, () => {
      said({ sentence: `${which}: ${STATE_PRESSES[state].toLowerCase()}.` });
      onChanged();
    });
  return (
    <li className={`row py-3 ${urgent ? 'border-l-8 border-l-madder pl-3' : ''}`}>
      <div className="flex items-start gap-4 phone:flex-wrap">
        <Link href={`/trees/${g.treeId}`} className="plate-small flex-none">
          {g.tag}
        </Link>
        <div className="min-w-0 flex-1 phone:order-3 phone:basis-full">
          <p className={`text-lead font-bold ${urgent ? 'text-madder' : ''}`}>
            {TURN_WORDS[g.turn.why]}
            {where && ` (${where})`}
          </p>
          <p>
            {devicesWords(g)}, {g.labelName}
          </p>
          <p className="text-[0.9375rem] text-ink-2">
            {g.siteName}; hung {clock(g.installedAt, g.timeZone)} by {g.byName}, {GUARD_WORDS[g.guarded]}
            {last && `; seen ${clock(last.at, g.timeZone)}: ${seenWords(last)}`}
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
              className={`press min-h-14 ${wantsAHand(g.turn.why) ? 'press-main' : ''}`}
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
          <FormIssues issues={see.issues} known={[]} />
          {chosen && <OneByOne devices={g.devices} chosen={chosen} onChosen={setChosen} />}
          {open === 'read' && (
            <ReadOff
              devices={devices}
              busy={see.busy}
              onRead={(leftMl) => {
                setOpen(null);
                say('running', leftMl);
              }}
            />
          )}
          {open === 'pull' && (
            <RemoveForm
              key={ids.join()}
              tag={which}
              devices={devices}
              onDone={() => {
                setOpen(null);
                onChanged();
              }}
            />
          )}
          <p className="-ml-2.5 flex flex-wrap gap-x-1">
            {g.devices.length > 1 && !chosen && (
              <button
                type="button"
                className="press press-plain"
                onClick={() => {
                  setOpen(null);
                  setChosen([those[0]!.site]);
                }}
              >
                One by one
              </button>
            )}
            {open !== 'read' && (
              <button type="button" className="press press-plain" onClick={() => setOpen('read')}>
                Read off
              </button>
            )}
            {g.dark && !g.overnight && open !== 'night' && (
              <button type="button" className="press press-plain" onClick={() => setOpen('night')}>
                Through the night
              </button>
            )}
          </p>
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

/** Which of the devices of a trunk the presses are for, where somebody goes from one to the next. */
function OneByOne({
  devices,
  chosen,
  onChosen,
}: {
  devices: readonly BoardDevice[];
  chosen: readonly number[];
  onChosen: (sites: number[] | null) => void;
}) {
  return (
    <fieldset className="mt-3">
      <legend className="mb-1 font-semibold">That is for the one at site</legend>
      <div className="flex flex-wrap gap-2">
        {devices.map((d) => (
          <button
            key={d.id}
            type="button"
            className={`press min-h-14 min-w-14 flex-col gap-0 px-2 ${chosen.includes(d.site) ? 'border-4' : ''}`}
            aria-pressed={chosen.includes(d.site)}
            onClick={() => {
              const next = chosen.includes(d.site) ? chosen.filter((s) => s !== d.site) : [...chosen, d.site];
              onChosen(next.length ? next : null);
            }}
          >
            <b className="text-lead leading-none">{d.site}</b>
            <span className="text-small leading-none font-normal">{d.last ? seenWords(d.last) : 'not seen'}</span>
          </button>
        ))}
        <button type="button" className="press press-plain min-h-14" onClick={() => onChosen(null)}>
          All together
        </button>
      </div>
    </fieldset>
  );
}

/** What is left in a device, read off its scale: that tells its end better than any rule. */
function ReadOff({
  devices,
  busy,
  onRead,
}: {
  devices: readonly BoardDevice[];
  busy: boolean;
  onRead: (leftMl: number) => void;
}) {
  const [left, setLeft] = useState('');
  const [wrong, setWrong] = useState<Issue[]>([]);
  const put = Math.min(...devices.map((d) => d.putMl));
  const read = () => {
    const n = readNumber(left, { name: 'What is left', above: 0, max: Number(put.toFixed(3)), unit: 'mL' });
    if (n.ok) onRead(n.value);
    else setWrong([{ path: 'leftMl', message: n.sentence }]);
  };
  return (
    <div className="mt-2 border-l-4 border-line pl-4">
      <TextField
        label={devices.length > 1 ? 'Left in each of them, mL' : 'Left in it, mL'}
        path="leftMl"
        issues={wrong}
        inputMode="decimal"
        hint={`Put in: ${put.toFixed(1)} mL. Empty has its own press.`}
        value={left}
        onChange={setLeft}
      />
      <button type="button" className="press min-h-14 phone:w-full" disabled={busy} onClick={read}>
        So much is left
      </button>
    </div>
  );
}

/** What is left is measured over the chosen devices of a trunk together, and shared among them by what was put in. */
function RemoveForm({ tag, devices, onDone }: { tag: string; devices: readonly BoardDevice[]; onDone: () => void }) {
  const [left, setLeft] = useState('');
  const [lost, setLost] = useState('');
  const [wrong, setWrong] = useState<Issue[]>([]);
  const pull = useSend(removeDevices);
  const said = useNotify();
  const put = devices.reduce((a, d) => a + d.putMl, 0);
  const send = (leftMl: number, lostMl: number) =>
    pull.send(
      {
        id: v7(),
        at: phoneNow().toISOString(),
        devices: devices.map((d) => ({
          id: d.id,
          leftMl: (leftMl * d.putMl) / put,
          lostMl: (lostMl * d.putMl) / put,
        })),
      },
      () => {
        said({
          sentence: `${tag} is pulled; ${leftMl > 0 ? `${left} mL are left over` : 'all of it went in'}.`,
          undo: () => reinstallDevices({ deviceIds: devices.map((d) => d.id) }).then(onDone),
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
    setWrong(read.flatMap((r) => (r.ok ? [] : [{ path: r.path, message: r.sentence }])));
    const [l, o] = read;
    if (l?.ok && o?.ok) send(l.value, o.value);
  };
  const issues = [...wrong, ...pull.issues];
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
          label={devices.length > 1 ? 'Left in all of them, mL' : 'Left in it, mL'}
          path="left"
          issues={issues}
          inputMode="decimal"
          hint={`Put in: ${put.toFixed(1)} mL`}
          value={left}
          onChange={setLeft}
        />
        <TextField
          label="Lost by leaking, mL"
          path="lost"
          issues={issues}
          inputMode="decimal"
          value={lost}
          onChange={setLost}
        />
      </div>
      <button type="button" className="press min-h-14 phone:w-full" disabled={pull.busy} onClick={measured}>
        Pulled, with that left
      </button>
      <FormIssues issues={issues} known={['left', 'lost']} />
    </div>
  );
}

function Night({ ids, onDone }: { ids: string[]; onDone: () => void }) {
  const [because, setBecause] = useState('');
  const night = useSend(leaveDevicesOvernight);
  return (
    <div className="mt-2 border-l-4 border-line pl-4">
      <TextField
        label="Why it hangs through the night"
        path="because"
        issues={night.issues}
        value={because}
        maxLength={300}
        onChange={setBecause}
      />
      <FormIssues issues={night.issues} known={['because']} />
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
