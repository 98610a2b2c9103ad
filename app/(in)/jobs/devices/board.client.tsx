'use client';

import Link from 'next/link';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { walkOf, wantsAHand } from '@/core/devices/walk';
import type { UnitSystem } from '@/lib/units/units';
import { groupBy } from '@/core/work/load-out';
import { WalkFigure } from '@/ui/figures/walk';
import { Section } from '@/ui/frame/pieces';
import { useNotify } from '@/ui/frame/undo.client';
import { boardOf, type Board, type BoardFacts, type BoardGroup } from '@/facts/board';
import { datedInstallations, installedHere, installedWith, plansDoneBy } from '@/facts/queued';
import { clock } from '@/ui/words';
import { phoneNow } from '@/ui/phone/clock.client';
import { useQueued } from '@/ui/phone/phone.client';
import { BoardRow } from './row.client';
import { SHORT_TURN, TURN_WORDS, URGENT, devicesWords } from './words';

/** How often the board is asked for anew while it is looked at. */
const EVERY_MS = 20_000;

/**
 * The board as it is now: asked again every so often, when somebody comes back to it, and after each press; with what was
 * written on this phone since, and by its own clock where there is no signal.
 */
function useBoard(first: BoardFacts, at: string): { board: Board; stale: boolean; again: () => void } {
  const [facts, setFacts] = useState(first);
  const [now, setNow] = useState(() => new Date(at));
  const [stale, setStale] = useState(false);
  const waiting = useQueued<unknown>(
    'install-devices',
    'read-devices',
    'remove-devices',
    'reinstall-devices',
    'leave-devices-overnight',
    'record-treatment',
  );
  const ask = useCallback(async () => {
    try {
      const r = await fetch('/api/devices');
      if (!r.ok) throw new Error(String(r.status));
      const told = (await r.json()) as BoardFacts;
      setFacts({ ...told, hanging: datedInstallations(told.hanging), removed: datedInstallations(told.removed) });
      // An answer that this phone held is as good as it was when it was heard, and no better.
      setStale(r.headers.has('x-elmhorn-held'));
    } catch {
      setStale(true);
    }
    setNow(phoneNow());
  }, []);
  useEffect(() => {
    const each = setInterval(() => void ask(), EVERY_MS);
    const seen = () => document.visibilityState === 'visible' && void ask();
    document.addEventListener('visibilitychange', seen);
    // A page that this phone held may be of yesterday.
    const late = setTimeout(() => void ask(), 50);
    return () => {
      clearInterval(each);
      clearTimeout(late);
      document.removeEventListener('visibilitychange', seen);
    };
  }, [ask]);
  const board = useMemo(() => {
    const all = installedWith([...facts.hanging, ...facts.removed, ...installedHere(waiting)], waiting);
    const written = waiting.flatMap(plansDoneBy);
    return boardOf(
      {
        hanging: all.filter((h) => !h.removedAt),
        removed: all.filter((h) => h.removedAt && !written.includes(h.planId)),
        log: facts.log,
      },
      now,
    );
  }, [facts, waiting, now]);
  return { board, stale, again: () => void ask() };
}

/** Tells of a trunk whose turn has come, where that is allowed; a locked phone may keep it to itself. */
function useBell(groups: readonly BoardGroup[], on: boolean) {
  const told = useRef(new Set<string>());
  useEffect(() => {
    for (const g of groups) {
      const key = `${g.planId} ${g.turn.why}`;
      if (!wantsAHand(g.turn.why) || told.current.has(key)) continue;
      told.current.add(key);
      if (on && 'Notification' in window && Notification.permission === 'granted')
        new Notification(`${g.tag}: ${TURN_WORDS[g.turn.why]}`, { body: `${g.siteName}, ${devicesWords(g)}` });
    }
  }, [groups, on]);
}

/** The way round of each place on which more than one trunk hangs. */
function Ways({ groups, units }: { groups: readonly BoardGroup[]; units: UnitSystem }) {
  return [...groupBy(groups, (g) => g.siteId).values()].map((of) => {
    // Two products on one trunk are one stop, for whichever of them is more urgent: they come in that order.
    const trunks = [
      ...new Map(of.toReversed().flatMap((g) => (g.at ? [[g.treeId, { ...g, at: g.at }]] : []))).values(),
    ];
    if (trunks.length < 2) return null;
    return (
      <Section key={of[0]!.siteId} title={`The way round, ${of[0]!.siteName}`}>
        <WalkFigure
          units={units}
          stops={walkOf(trunks).map((g) => ({
            key: g.treeId,
            tag: g.tag,
            at: g.at,
            says: wantsAHand(g.turn.why) ? SHORT_TURN[g.turn.why] : clock(g.turn.empty.at, g.timeZone),
            now: wantsAHand(g.turn.why),
            urgent: URGENT.includes(g.turn.why),
          }))}
        />
      </Section>
    );
  });
}

export function DeviceBoard({
  first,
  at,
  units,
  refused,
}: {
  first: BoardFacts;
  at: string;
  units: UnitSystem;
  refused: string | null;
}) {
  const { board, stale, again } = useBoard(first, at);
  const [bell, setBell] = useState(false);
  const said = useNotify();
  useBell(board.groups, bell);
  const want = board.groups.filter((g) => wantsAHand(g.turn.why)).length;
  const ask = async () => {
    const may = 'Notification' in window ? await Notification.requestPermission() : 'denied';
    setBell(may === 'granted');
    said({
      sentence:
        may === 'granted'
          ? 'This device tells you while the board is open; when it is locked, look for yourself.'
          : 'This device does not let Elmhorn tell you.',
    });
  };
  return (
    <>
      <h1>{headline(board, want)}</h1>
      <p className="mt-1 text-ink-2" role="status">
        {stale
          ? 'No signal: the times go on by the clock of this phone, and what others do is not seen here.'
          : 'Kept up to date on every device.'}{' '}
        {!bell && board.groups.length > 0 && (
          <button type="button" className="no-print min-h-hand underline underline-offset-3" onClick={() => void ask()}>
            Tell me on this device
          </button>
        )}
      </p>
      {refused && <p className="mt-2 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
      <ol className="mt-2">
        {board.groups.map((g) => (
          <BoardRow key={g.planId} group={g} may={refused === null} onChanged={again} />
        ))}
      </ol>
      <Ways groups={board.groups} units={units} />
      {board.unwritten.length > 0 && (
        <Section title="Pulled, to be written" aside="the sheet has its times and what went in">
          <ul>
            {board.unwritten.map((u) => (
              <li key={u.planId} className="row flex min-h-16 flex-wrap items-center justify-between gap-3 py-2">
                <span className="flex items-center gap-4">
                  <span className="plate-small flex-none">{u.tag}</span>
                  <span>
                    <b className="block">{u.siteName}</b>
                    <span className="text-[0.9375rem] text-ink-2">{u.labelName}</span>
                  </span>
                </span>
                <Link className="press phone:w-full" href={`/trees/${u.treeId}/treat?plan=${u.planId}`}>
                  Write it
                </Link>
              </li>
            ))}
          </ul>
        </Section>
      )}
    </>
  );
}

function headline({ groups, unwritten }: Board, want: number): string {
  if (want) return want === 1 ? 'One trunk wants a hand now' : `${want} trunks want a hand now`;
  if (groups.length) return groups.length === 1 ? 'One trunk, and it runs' : `${groups.length} trunks, all running`;
  return unwritten.length ? 'Nothing hangs; some of it is to be written' : 'Nothing hangs';
}
