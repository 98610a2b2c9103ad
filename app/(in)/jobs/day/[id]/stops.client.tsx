'use client';

import Link from 'next/link';
import { useState } from 'react';
import { ChevronDown, ChevronUp } from 'lucide-react';
import type { Stands } from '@/core/crew-day/day';
import type { HourOfDay } from '@/core/weather/by-hour';
import { FormIssues } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { orderStops } from '../../../offline-commands.client';
import { notifyClient } from '../actions';
import type { RowOf, ThingLine } from '../lines';
import { Leave } from './leave.client';
import { HoursStrip } from './weather';

export interface StopToGo {
  siteId: string;
  name: string;
  begins: string;
  arrival: string;
  told: boolean;
  hours: HourOfDay[];
  /** With the hours that suit each; null where any do. */
  lines: (ThingLine & { fit: string | null })[];
  rows: RowOf[];
}
interface Props {
  crewDayId: string;
  stops: StopToGo[];
  /** Where the crew goes next, once it is on its way. */
  nextSiteId: string | null;
  may: boolean;
  mayOrder: boolean;
  /** The day of which clients may be told; null for who does not plan. */
  mayTell: string | null;
  hasBegun: boolean;
}

const moved = <T,>(of: readonly T[], from: number, to: number): T[] => {
  const out = [...of];
  const [one] = out.splice(from, 1);
  out.splice(to, 0, one!);
  return out;
};

/** The stops of a day in their order, the next one large; moved by their handles or by steps. */
export function Stops({ crewDayId, stops, nextSiteId, may, mayOrder, mayTell, hasBegun }: Props) {
  const { busy, issues, send } = useSend(orderStops);
  const said = useNotify();
  const [held, setHeld] = useState<number | null>(null);
  const [over, setOver] = useState<number | null>(null);
  const ids = stops.map((s) => s.siteId);
  const put = (from: number, to: number) => {
    setHeld(null);
    setOver(null);
    if (from === to || to < 0 || to >= ids.length) return;
    send({ crewDayId, siteIds: moved(ids, from, to) }, () =>
      said({
        sentence: `${stops[from]!.name} is stop ${to + 1} now.`,
        undo: () => orderStops({ crewDayId, siteIds: ids }),
      }),
    );
  };
  return (
    <>
      <FormIssues issues={issues} known={[]} />
      <ol className="mt-4" aria-label="Stops">
        {stops.map((s, i) => (
          <li
            key={s.siteId}
            className={`${over === i && held !== null && held !== i ? 'bg-line-2' : ''}`}
            onDragOver={(e) => {
              if (held === null) return;
              e.preventDefault();
              setOver(i);
            }}
            onDrop={(e) => {
              e.preventDefault();
              if (held !== null) put(held, i);
            }}
          >
            <Stop
              stop={s}
              number={i + 1}
              next={s.siteId === nextSiteId}
              may={may}
              tell={mayTell && !s.told && !hasBegun ? mayTell : null}
              steps={
                mayOrder && stops.length > 1 ? (
                  <span className="no-print flex flex-none">
                    {[-1, 1].map((d) => (
                      <button
                        key={d}
                        type="button"
                        className="press press-plain min-h-hand min-w-hand px-2"
                        aria-label={`${s.name} ${d < 0 ? 'sooner' : 'later'}`}
                        disabled={busy || i + d < 0 || i + d >= stops.length}
                        onClick={() => put(i, i + d)}
                      >
                        {d < 0 ? <ChevronUp aria-hidden /> : <ChevronDown aria-hidden />}
                      </button>
                    ))}
                  </span>
                ) : null
              }
              hold={mayOrder ? () => setHeld(i) : null}
              letGo={() => {
                setHeld(null);
                setOver(null);
              }}
            />
          </li>
        ))}
      </ol>
    </>
  );
}

function Stop({
  stop: s,
  number,
  next,
  may,
  tell,
  steps,
  hold,
  letGo,
}: {
  stop: StopToGo;
  number: number;
  next: boolean;
  may: boolean;
  tell: string | null;
  steps: React.ReactNode;
  hold: (() => void) | null;
  letGo: () => void;
}) {
  const [leaving, setLeaving] = useState<string | null>(null);
  const telling = useSend(notifyClient);
  const open = s.lines.filter((l) => l.stands === 'open');
  const fits = [...new Set(s.lines.flatMap((l) => (l.stands === 'open' && l.fit !== null ? [l.fit] : [])))];
  return (
    <section className={`row mt-4 pb-3 ${next ? 'border-l-8 border-l-cambium-deep pl-3' : ''}`} aria-label={s.name}>
      <div
        className={`flex items-center gap-3 ${hold ? 'desk:cursor-grab' : ''}`}
        draggable={hold !== null}
        onDragStart={hold ?? undefined}
        onDragEnd={letGo}
      >
        <b className={`figures flex-none leading-none ${next ? 'text-tag' : 'text-[2rem]'}`}>{s.begins}</b>
        <div className="min-w-0 flex-1">
          {next && <p className="text-[0.9375rem] font-bold text-cambium-deep">Next</p>}
          <h2 className={next ? 'text-head' : 'text-lead'}>
            <span className="sr-only">Stop {number}: </span>
            {s.name}
          </h2>
        </div>
        {steps}
      </div>
      {s.arrival && <p className="text-[0.9375rem]">{s.arrival}</p>}
      {fits.length > 0 && (
        <p className="text-[0.9375rem]">
          Air and light suit it{' '}
          {fits.some(Boolean) ? (
            <b>{fits.filter(Boolean).join('; ')}</b>
          ) : (
            <b className="text-sap">at no hour of this day</b>
          )}
        </p>
      )}
      {(next || open.length > 0) && <HoursStrip hours={s.hours} name={s.name} />}
      {tell && (
        <p className="mt-1 flex flex-wrap items-center gap-3">
          <span className="text-[0.9375rem] text-sap">The client has not been told of this day.</span>
          <button
            type="button"
            className="press press-plain min-h-hand"
            disabled={telling.busy}
            onClick={() => telling.send({ siteId: s.siteId, day: tell }, () => {})}
          >
            Told now
          </button>
          <FormIssues issues={telling.issues} known={[]} />
        </p>
      )}
      {may && s.rows.length > 0 && (
        <p className="mt-2 flex flex-wrap gap-3">
          {s.rows.map((r) => (
            <Link
              key={r.planId}
              className={`press min-h-14 phone:w-full ${next ? 'press-main' : ''}`}
              href={`/jobs/row?plan=${r.planId}`}
            >
              {r.count} trees in one go: {r.label}
            </Link>
          ))}
        </p>
      )}
      {open.length === 0 && !s.lines.some((l) => l.stands === 'hangs') && !next ? (
        <details>
          <summary className="min-h-hand py-2">{s.lines.length} done or dropped</summary>
          <Lines {...{ stop: s, may, leaving, setLeaving }} />
        </details>
      ) : (
        <Lines {...{ stop: s, may, leaving, setLeaving }} />
      )}
      {may && open.length > 1 && (
        <button
          type="button"
          className="press press-plain min-h-hand"
          aria-expanded={leaving === 'all'}
          onClick={() => setLeaving(leaving === 'all' ? null : 'all')}
        >
          Leave all {open.length} of {s.name}
        </button>
      )}
      {leaving === 'all' && <Leave itemIds={open.map((l) => l.id)} name={s.name} onDone={() => setLeaving(null)} />}
    </section>
  );
}

/** What is done at a stop, line by line; each may be left with its reason. */
function Lines({
  stop,
  may,
  leaving,
  setLeaving,
}: {
  stop: StopToGo;
  may: boolean;
  leaving: string | null;
  setLeaving: (id: string | null) => void;
}) {
  return (
    <ul className="mt-1">
      {stop.lines.map((l) => (
        <li key={l.id} className="row py-1">
          <div className="flex min-h-16 items-center gap-4">
            <Link href={l.record ?? l.href} className="flex min-h-14 min-w-0 flex-1 items-center gap-4">
              <span className="plate-small flex-none">{l.tag}</span>
              <span className="min-w-0">
                <span className="block font-bold">{l.title}</span>
                <span className="block text-[0.9375rem] text-ink-2">{l.words}</span>
              </span>
            </Link>
            <span className="flex flex-none flex-col items-end">
              {l.stands === 'open' ? <b className="figures text-lead">{l.amount}</b> : <b>{STANDS_WORDS[l.stands]}</b>}
              {may && l.stands === 'open' && (
                <button
                  type="button"
                  className="-mr-2 min-h-hand px-2 text-[0.9375rem] underline underline-offset-3"
                  aria-expanded={leaving === l.id}
                  onClick={() => setLeaving(leaving === l.id ? null : l.id)}
                >
                  Leave it<span className="sr-only"> {l.tag}</span>
                </button>
              )}
            </span>
          </div>
          {leaving === l.id && <Leave itemIds={[l.id]} name={l.tag} onDone={() => setLeaving(null)} />}
        </li>
      ))}
    </ul>
  );
}

const STANDS_WORDS: Record<Exclude<Stands, 'open'>, string> = {
  done: 'done',
  hangs: 'hangs',
  unsettled: 'done, not recorded',
  left: 'left',
  dropped: 'dropped',
};
