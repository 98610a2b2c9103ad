'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { Choices } from '@/ui/controls/controls';
import { Ribbons } from '@/ui/figures/ribbons.client';
import type { InHand, YearDay, YearFit, YearRow } from '@/ui/figures/year';
import { BOUND_BRIEF, spanWords } from '@/ui/season-words';
import { shortDay } from '@/ui/words';
import { breaksOn, Chosen } from './chosen.client';
import { ORDERS, rowsBy, visitAt, type Order, type RibbonData } from './ribbon';
import { useDays, type AskedDays } from './days.client';

/** Rows that are shown of a table at first. */
const TABLE_ROWS = 200;

/** The year of a place as ribbons, ordered as somebody wants; a visit is taken in hand, and moved where it may be. */
export function SeasonRibbon({
  data,
  days,
  fits,
  today,
  loaded,
  shown,
  spans,
  more,
  mayMove,
}: {
  data: RibbonData;
  days: YearDay[];
  fits: YearFit[];
  today: string;
  loaded: { from: string; to: string };
  shown: { from: string; to: string };
  spans: Record<string, { from: string; to: string }>;
  /** Where so many years are told that cannot be told at once. */
  more: { href: string; words: string };
  mayMove: boolean;
}) {
  const [order, setOrder] = useState<Order>('place');
  const [inHand, setInHand] = useState<InHand | null>(null);
  const at = inHand && visitAt(data, inHand.id);
  const asked = useDays(at?.on[0]?.planId ?? null);
  // Rows that stay what they are are not drawn again while one of them is dragged.
  const rows = useMemo(() => rowsBy(data, order), [data, order]);
  const to = (next: Order) => {
    setOrder(next);
    setInHand(null);
  };
  const hold = (day: string) => setInHand((h) => h && { ...h, day: day < today ? today : day });
  return (
    <figure className="m-0">
      <div className="mb-2 print:hidden">
        <Choices
          label="Ordered by"
          hideLabel
          small
          options={Object.entries(ORDERS).map(([value, name]) => ({ value: value as Order, name }))}
          value={order}
          onChange={to}
        />
      </div>
      <Ribbons
        rows={rows}
        kind={order === 'tree' ? 'low' : 'tall'}
        days={days}
        fits={fits}
        today={today}
        loaded={loaded}
        shown={shown}
        spans={spans}
        label="The year as a drawing; the same stands in the table below"
        inHand={inHand && { ...inHand, says: at ? saysOf(asked, at.group.day, inHand.day) : null }}
        shut={asked.shut}
        onHand={(m) => setInHand(m?.id === undefined ? null : { id: m.id, day: m.day })}
        {...(mayMove ? { onDrag: hold } : {})}
      >
        <Link className="press px-3" href={more.href}>
          {more.words}
        </Link>
      </Ribbons>
      {at && inHand && (
        <Chosen
          key={inHand.id}
          data={data}
          group={at.group}
          on={at.on}
          day={inHand.day}
          today={today}
          days={asked}
          mayMove={mayMove}
          onDay={hold}
          onClose={() => setInHand(null)}
        />
      )}
      <figcaption className="text-small text-ink-2">
        Striped: leaves unfold or fall; green: full leaf; dotted: bloom; brown: its time. A stroke is expected within
        its bar, a triangle was seen, a cross infected. A ring is to do, a broken one waits for a look or comes again, a
        full one is done, one with a stop was missed, a barred one is left out. Above: the day’s warmth and its rain,
        the forecast hollow; come closer and see which days and hours serve.
      </figcaption>
      <RibbonTable rows={rows} loaded={loaded} />
    </figure>
  );
}

/** What stands beside a mark while it is held over another day. */
function saysOf(asked: AskedDays, was: string, day: string): InHand['says'] {
  if (day === was) return null;
  const breaks = breaksOn(asked, day) ?? [];
  return {
    words: [shortDay(day), ...breaks.slice(0, 1).map((b) => BOUND_BRIEF[b.by])].join(': '),
    breaks: breaks.length > 0,
  };
}

/** All that the ribbons show, as a table; made when somebody opens it. */
function RibbonTable({ rows, loaded }: { rows: readonly YearRow[]; loaded: { from: string; to: string } }) {
  const [open, setOpen] = useState(false);
  const [most, setMost] = useState(TABLE_ROWS);
  const lines = open ? linesOf(rows, loaded) : [];
  return (
    <details
      className="mt-1"
      // Whoever pressed before the page had its script has opened it all the same.
      ref={(d) => void (d?.open && setOpen(true))}
      onToggle={(e) => setOpen(e.currentTarget.open)}
    >
      <summary className="min-h-hand font-semibold">The same as a table</summary>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The year as a table">
        <table className="figures w-full text-[0.9375rem]">
          <thead>
            <tr>
              <th className="text-left">What</th>
              <th className="text-left">From</th>
              <th className="text-left">To</th>
              <th className="text-left">What it rests on</th>
            </tr>
          </thead>
          <tbody>
            {lines.slice(0, most).map((l) => (
              <tr key={l.key} className="border-t border-line-2 align-top">
                <td className="pr-4">{l.what}</td>
                <td className="pr-4 whitespace-nowrap">{l.from}</td>
                <td className="pr-4 whitespace-nowrap">{l.to}</td>
                <td>{l.rests}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {lines.length > most && (
        <button type="button" className="press mt-2" onClick={() => setMost(most + 1000)}>
          Show more ({lines.length - most})
        </button>
      )}
    </details>
  );
}

function linesOf(rows: readonly YearRow[], { from, to }: { from: string; to: string }) {
  const within = (a: string, b: string) => b >= from && a <= to;
  return rows.flatMap((row) => [
    ...row.bands
      .filter((b) => within(b.from, b.to))
      .map((b) => ({
        key: `${row.id}${b.from}${b.words}`,
        what: `${row.label}: ${b.words}`,
        from: shortDay(b.from),
        to: shortDay(b.to),
        rests: '',
      })),
    ...row.marks
      .filter((m) => within(m.earliest, m.latest))
      .map((m) => ({
        key: `${row.id}${m.id ?? `${m.day}${m.words}`}`,
        what: row.label,
        from: shortDay(m.day),
        to: m.earliest === m.latest ? '' : spanWords(m.earliest, m.latest),
        rests: m.tone === 'visit' ? m.words : `${TONE_WORDS[m.tone] ?? ''}${m.words}`,
      })),
    ...(row.curves ?? []).map((c) => ({
      key: `${row.id}curve${c[0]!.day}`,
      what: `${row.label}: heat`,
      from: shortDay(c[0]!.day),
      to: shortDay(c.at(-1)!.day),
      rests: `${Math.round(c.at(-1)!.share * 100)} % of what it takes`,
    })),
  ]);
}
const TONE_WORDS: Partial<Record<YearRow['marks'][number]['tone'], string>> = {
  done: 'done, ',
  missed: 'missed, ',
  maybe: 'waits for a look, ',
  left: 'left out, ',
};
