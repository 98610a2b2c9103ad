import Link from 'next/link';
import { may, refusal } from '@/core/people/rights';
import { workedMinutes } from '@/core/crew-day/home';
import { clockWords } from '@/core/schedule/hours';
import { minuteWords } from '@/core/schedule/words';
import { Frame } from '@/ui/frame/frame';
import { Section, TagLine } from '@/ui/frame/pieces';
import { PrintButton } from '@/ui/controls/print.client';
import { clock, longDay, shortDay } from '@/ui/words';
import type { Viewer } from '@/store/auth';
import type { CrewsDay } from '@/facts/crews-day';
import { arrivalWords, isMixed, lineOf, rowsOf } from '../lines';
import { MixRows } from '../../mixes/mix-rows';
import { LeftRows } from '../left-rows';
import { Begin } from './begin.client';
import { LoadSheet } from './load.client';
import { CrewSheets } from './sheets';
import { ToSettle } from '../../../to-settle';
import { Stops, type StopToGo } from './stops.client';

/** What a crew's day is drawn from: the server reads it; a phone without signal has it with what was written on it since. */
export interface SeenDay {
  viewer: Viewer;
  now: Date;
  day: CrewsDay;
}
/** A crew's day on one page. */
export function DayPage({ seen: { viewer: v, now, day } }: { seen: SeenDay }) {
  const { round } = day;
  const refused = may(v.role, 'apply') ? null : refusal(v.role, 'apply');
  const open = round.closedAt === null;
  const counts = {
    done: 0,
    hangs: 0,
    unsettled: 0,
    open: 0,
    dropped: 0,
    left: new Set(day.lefts.map((l) => l.itemId)).size,
  };
  for (const s of day.stops) for (const i of s.items) if (i.stands !== 'left') counts[i.stands] += 1;
  const unsettled = day.stops
    .flatMap((s) => s.items)
    .flatMap((i): { tag: string }[] => {
      if (i.stands !== 'unsettled' || i.kind === 'look') return [];
      return i.kind === 'plan' ? [i.plan] : [i.work];
    });
  const plans = day.stops.flatMap((s) =>
    s.items.flatMap((i) => (i.kind === 'plan' && i.stands === 'open' ? [i.plan] : [])),
  );
  const stops = day.stops.map((s): StopToGo => {
    const here = s.items.flatMap((i) => (i.kind === 'plan' && i.stands === 'open' ? [i.plan] : []));
    return {
      siteId: s.siteId,
      name: s.place.name,
      begins: clockWords(s.begins),
      arrival: arrivalWords(s.place),
      told: s.told,
      hours: s.weather,
      lines: s.items.map((i) => ({
        ...lineOf(i, v.units, day.done, round.id),
        fit: (s.fit[i.id] ?? null)?.map((h) => `${clockWords(h.from)}–${clockWords(h.to)}`).join(', ') ?? null,
      })),
      rows: rowsOf(here, 'use').filter((r) => r.count > 1 && !r.hangs),
    };
  });
  const mixes = rowsOf(plans.filter(isMixed), 'mix');
  const ticked = day.load.flatMap((g) => g.lines).filter((l) => l.ticked).length;
  const lines = day.load.reduce((n, g) => n + g.lines.length, 0);
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">{round.crewName}</p>
      <p className="font-bold">{shortDay(round.day)}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Stops">{stops.length}</TagLine>
        <TagLine name="Open">{counts.open}</TagLine>
        {counts.hangs > 0 && <TagLine name="Hanging">{counts.hangs}</TagLine>}
        <TagLine name="Done">{counts.done}</TagLine>
        {counts.unsettled > 0 && <TagLine name="To settle">{counts.unsettled}</TagLine>}
        <TagLine name="Left">{counts.left}</TagLine>
        <TagLine name="Loaded">
          {ticked} of {lines}
        </TagLine>
      </dl>
      {round.people.length > 0 && <p className="mt-3 text-[0.9375rem] text-ink-2">{round.people.join(', ')}</p>}
    </>
  );
  const load = <LoadSheet crewDayId={round.id} groups={day.load} may={open && refused === null} />;
  return (
    <Frame
      tag={tag}
      handle={`Load sheet, ${ticked} of ${lines}`}
      margin={
        <>
          {load}
          <PrintButton />
        </>
      }
    >
      <div className="print:hidden">
        <h1>
          {round.crewName}, {longDay(round.day)}
        </h1>
        <p className="mt-1 text-ink-2">
          {!open && round.begunAt && round.closedAt
            ? `Closed by ${round.closedBy}; ${minuteWords(workedMinutes(round.begunAt, round.home!))} worked.`
            : round.begunAt
              ? `Set out ${clock(round.begunAt, v.timeZone)} with ${round.begunBy}.`
              : `${stops.length} ${stops.length === 1 ? 'stop' : 'stops'}; put together by ${round.byName}.`}
        </p>
        <ToSettle done={unsettled} />
        {refused && <p className="mt-2 border-l-4 border-sap pl-3 font-semibold text-sap">{refused}</p>}
        {mixes.length > 0 && open && (
          <p className="mt-3 flex flex-wrap gap-3">
            {mixes.map((m) => (
              <Link
                key={m.planId}
                className="press min-h-14 phone:w-full"
                href={`/jobs/mixes?plan=${m.planId}&round=${round.id}`}
              >
                Mix {m.label} for {m.count} {m.count === 1 ? 'tree' : 'trees'}
              </Link>
            ))}
          </p>
        )}
        {day.batches.length > 0 && (
          <Section title="Mixes of the day">
            <MixRows mixes={day.batches} units={v.units} timeZone={v.timeZone} now={now} />
          </Section>
        )}
        {open && !round.begunAt && <div className="mt-4 hidden phone:block">{load}</div>}
        <Stops
          crewDayId={round.id}
          stops={stops}
          nextSiteId={round.begunAt ? day.nextSiteId : null}
          may={open && refused === null}
          mayOrder={open}
          mayTell={open && may(v.role, 'plan rounds') ? round.day : null}
          hasBegun={round.begunAt !== null}
        />
        {stops.length === 0 && day.lefts.length === 0 && (
          <p className="mt-3">
            Nothing stands on this round any more. <Link href="/jobs/new">Put something on a day</Link>
          </p>
        )}
        {day.lefts.length > 0 && (
          <Section title="Left undone" aside="waits for another day">
            <LeftRows lefts={day.lefts} timeZone={v.timeZone} />
            {may(v.role, 'plan rounds') && (
              <p className="mt-2">
                <Link className="press" href={`/jobs/new?left=${round.id}`}>
                  Put what was left on another day
                </Link>
              </p>
            )}
          </Section>
        )}
        <Begin
          crewDayId={round.id}
          begun={round.begunAt !== null}
          closed={!open}
          may={refused === null && round.day <= day.today}
        />
      </div>
      <CrewSheets day={day} units={v.units} />
    </Frame>
  );
}
