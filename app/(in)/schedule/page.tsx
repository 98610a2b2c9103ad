import { format, parseISO } from 'date-fns';
import Link from 'next/link';
import { z } from 'zod';
import { STAGE_NAMES } from '@/core/season/bbch';
import { dayAfter } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import { groupBy } from '@/core/work/load-out';
import { findWork } from '@/knowledge/works';
import { findHost } from '@/knowledge';
import { METHOD_NAMES } from '@/core/label/methods';
import { seasonView, type Season as SeasonOf } from '@/views/schedule';
import { Ribbon } from '@/ui/figures/ribbon';
import { Frame } from '@/ui/frame/frame';
import { MoreTrees, Section, TagLine, TagRow } from '@/ui/frame/pieces';
import { byRain, coverWords } from '@/ui/season-words';
import { shortDay } from '@/ui/words';
import { stationFor } from '../../_server/station';
import { allows, todayOf, viewer } from '../../_server/viewer';
import { DaysAhead, Heat, Infections, Stages, FIT_NAMES } from './place';
import { LeftOutTrees } from './left-out';
import { MovedPlans } from './moved.client';
import { SeasonRibbon } from './ribbon.client';
import { ribbonOf } from './rows';
import { clockNow } from '@/store/clock';
import { SiteChoice } from '@/ui/controls/site-choice.client';
import { startOfMonth } from '@/lib/calendar/months';

export const metadata = { title: 'Schedule' };
const asked = z.object({
  place: z.uuid().optional().catch(undefined),
  years: z.literal('10').optional().catch(undefined),
});

/** A visit to come, whatever it comes from. */
interface Ahead {
  id: string;
  tag: string;
  hostId: string;
  siteName: string;
  due: string;
  earliest: string;
  latest: string;
  href: string;
  words: string;
}

/** What is to come, in order of date, whatever it comes from. */
function visitsOf({ due, ahead, works }: SeasonOf): Ahead[] {
  return [
    ...due.map((f) => ({
      ...f,
      href: `/trees/${f.treeId}`,
      words: `${f.what}${f.onlyIf ? ` (only if ${f.onlyIf})` : ''}`,
      moved: byRain(f.cover) ? coverWords(f.cover) : null,
    })),
    ...ahead.map((p) => ({
      ...p,
      due: p.plannedFor!,
      earliest: p.earliest!,
      latest: p.latest!,
      href: `/trees/${p.treeId}/treat?plan=${p.id}`,
      words: `Planned: ${METHOD_NAMES[p.method]}, ${p.labelName}`,
    })),
    ...works.map((w) => ({
      ...w,
      due: w.plannedFor!,
      earliest: w.plannedFor!,
      latest: w.plannedFor!,
      href: `/trees/${w.treeId}#works`,
      words: `Planned: ${findWork(w.workId)?.name ?? w.workId}`,
    })),
  ].sort((a, b) => a.due.localeCompare(b.due));
}

/** The days that are drawn at first, those that are a press away, and those that can be moved and zoomed over. */
function spansOf(today: LocalDate, ten: boolean) {
  const month = startOfMonth(today);
  const months = (from: number, to: number) => ({
    from: dayAfter(month, from, 'months'),
    to: dayAfter(month, to, 'months'),
  });
  const year = months(-2, 11);
  const spans = { Fortnight: { from: dayAfter(today, -4, 'days'), to: dayAfter(today, 10, 'days') }, Year: year };
  return ten
    ? { shown: months(-60, 60), loaded: months(-60, 60), spans }
    : { shown: year, loaded: months(-12, 24), spans };
}

/** What the days of a place come from that no station of its own measured. */
const WEATHER_FROM = {
  measured: 'From the station nearest to it.',
  simulated: 'From the simulated weather of the demo.',
  usual:
    'Nothing measures here: dates and windows rest on the usual year of the climate at its latitude, and move with every year that differs. Hours of rain and infections are told only where readings come in.',
} as const;

export default async function Season({ searchParams }: { searchParams: Promise<Record<string, string | string[]>> }) {
  const v = await viewer();
  const now = clockNow();
  const today = todayOf(v);
  const { place, years } = asked.parse(await searchParams);
  const { shown, loaded, spans } = spansOf(today, years === '10');
  const season = await seasonView({
    viewer: v,
    now,
    stationFor,
    from: dayAfter(today, -90, 'days'),
    to: dayAfter(today, 1, 'years'),
    siteId: place ?? null,
    drawn: loaded,
  });
  const { at } = season;
  const visits = visitsOf(season);
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Schedule</p>
      {at && <p className="mt-2 text-[0.9375rem] text-ink-2">{at.place.name}</p>}
      <dl className="mt-3 border-t border-line-2">
        {at?.hosts.slice(0, 5).map((h) => (
          <TagLine key={h.host.id} name={h.host.name}>
            {h.now.length ? STAGE_NAMES[h.now[0]!.code] : '–'}
          </TagLine>
        ))}
        <TagLine name="Visits ahead">{visits.filter((f) => f.due >= today).length}</TagLine>
        <TagLine name="Late">{season.due.filter((f) => f.due < today).length}</TagLine>
      </dl>
    </>
  );
  const mayNote = allows(v, 'measure');
  return (
    <Frame tag={tag} margin={<Margin at={at} />} handle="Calendar and how dates come about">
      <h1>{at ? `The year at ${at.place.name}` : 'The year ahead'}</h1>
      <form className="mt-3 flex flex-wrap items-end gap-3">
        <SiteChoice name="place" list={season.places} chosen={at?.place.id ?? ''} />
        <button type="submit" className="press">
          Show
        </button>
      </form>
      {at && (
        <>
          <div className="mt-4">
            <SeasonRibbon
              key={`${at.place.id} ${years}`}
              data={ribbonOf(at, loaded.to)}
              days={at.days}
              fits={at.fitness.map((f) => ({ ...f, name: FIT_NAMES[f.id] }))}
              today={at.today}
              loaded={loaded}
              shown={shown}
              spans={spans}
              more={
                years
                  ? { href: `/schedule?place=${at.place.id}`, words: 'Back to three years' }
                  : { href: `/schedule?place=${at.place.id}&years=10`, words: 'Ten years' }
              }
              mayMove={allows(v, 'prescribe')}
            />
          </div>
          {season.ahead.some((p) => p.siteId === at.place.id && p.assignmentId === null) && (
            <MovedPlans siteId={at.place.id} drawnAt={now.toISOString()} may={allows(v, 'prescribe')} />
          )}
          <LeftOutTrees rows={at.left} may={allows(v, 'prescribe')} />
          <Stages at={at} mayNote={mayNote} />
          <Infections at={at} />
          <DaysAhead at={at} />
          <Heat at={at} mayNote={mayNote} mayAdd={allows(v, 'edit the guide')} />
        </>
      )}
      <Section title="Programmes" aside={<Link href="/schedule/programmes">all programmes</Link>}>
        <p className="py-2">
          A whole season laid over many trees in one go: covers by days and rain, sprays by stage and heat, looks that
          decide what follows.{' '}
          <a href={`/schedule/programmes${at ? `?place=${at.place.id}` : ''}`}>
            {at ? `Lay one at ${at.place.name}` : 'Lay one'}
          </a>
        </p>
      </Section>
      <VisitsAhead visits={visits} today={today} />
    </Frame>
  );
}

type Told = Ahead & { moved?: string | null };
/** Trees that have the same visit on the same day at one place are told in one line. */
const together = (visits: readonly Told[]): Told[][] => [
  ...groupBy([...visits], (v) => [v.siteName, v.words, v.due, v.earliest, v.latest, v.moved].join()).values(),
];

/** Every visit to come, of all places, month by month. */
function VisitsAhead({ visits, today }: { visits: Told[]; today: LocalDate }) {
  const months = new Map<string, Told[]>();
  for (const f of visits) months.set(f.due.slice(0, 7), [...(months.get(f.due.slice(0, 7)) ?? []), f]);
  if (!visits.length)
    return (
      <p className="mt-4 text-ink-2">
        Nothing is due or planned in the coming year. Dates appear once work has been planned or booked.
      </p>
    );
  return (
    <>
      <h2 className="mt-8 text-lead font-bold">Visits of all places</h2>
      {[...months].map(([m, of]) => (
        <Section
          key={m}
          title={format(parseISO(`${m}-01`), 'MMMM yyyy')}
          aside={`${of.length} ${of.length === 1 ? 'visit' : 'visits'}`}
        >
          <ul>
            {together(of).map((same) => (
              <VisitLine key={same[0]!.id} same={same} month={`${m}-01`} today={today} />
            ))}
          </ul>
        </Section>
      ))}
    </>
  );
}

function VisitLine({ same, month, today }: { same: readonly Told[]; month: LocalDate; today: LocalDate }) {
  const f = same[0]!;
  const what = same.length > 1 ? `${same.length} trees` : (findHost(f.hostId)?.name ?? f.hostId);
  return (
    <>
      <TagRow
        href={f.href}
        tag={f.tag}
        title={`${what}, ${f.siteName}`}
        right={
          <Ribbon
            from={month}
            to={dayAfter(month, 1, 'months')}
            earliest={f.earliest}
            latest={f.latest}
            due={f.due}
            today={today}
          />
        }
      >
        {f.words}, {shortDay(f.due)}
        {f.moved && <b className="block">{f.moved}</b>}
      </TagRow>
      <MoreTrees trees={same.slice(1)} />
    </>
  );
}

function Margin({ at }: { at: SeasonOf['at'] }) {
  return (
    <>
      <section>
        <h2 className="text-body">Calendar</h2>
        <p className="mt-2">
          <a className="press w-full" href="/api/calendar/mine.ics" download>
            Take it as iCalendar
          </a>
        </p>
        <p className="mt-2 text-[0.9375rem]">
          To subscribe, make your own address under <a href="/settings">your name</a>.
        </p>
      </section>
      <section>
        <h2 className="text-body">How the dates come about</h2>
        <p className="text-[0.9375rem]">
          Stages follow from the heat since the new year after enough chill, the fall of leaves from short days and
          cold: what was measured, then the forecast, then ten other years. What somebody sees stands, moves what
          follows this season, and is learned for the next.
        </p>
        <p className="text-[0.9375rem]">
          What is planned stands on the day it was planned for. The rest comes from a rule of the label’s use, counted
          from the day the work was done; a label’s minimum interval moves a date and says so, and rain brings a cover
          forward.
        </p>
      </section>
      {at && (
        <>
          <section>
            <h2 className="text-body">Its weather</h2>
            <p className="text-[0.9375rem]">
              {at.brought > 0 &&
                `${at.brought} of the last 120 days are readings of its own station; of the other days: `}
              {at.place.lat === null ? (
                <>
                  Without a position nobody knows its climate: no stage, window or sum of heat is told.{' '}
                  <a href={`/sites/${at.place.id}`}>Give the site its position</a>.
                </>
              ) : (
                WEATHER_FROM[at.basis]
              )}{' '}
              <a href={`/schedule/readings?place=${at.place.id}`}>Bring readings in</a>
            </p>
          </section>
          <section>
            <h2 className="text-body">What was seen here</h2>
            {at.stageNotes.length === 0 && <p className="text-[0.9375rem] text-ink-2">Nothing yet this year.</p>}
            <ul className="text-[0.9375rem]">
              {at.stageNotes
                .slice(-8)
                .reverse()
                .map((s) => (
                  <li key={s.id} className="py-0.5">
                    {shortDay(s.day)}: {s.hostId ? (findHost(s.hostId)?.name ?? s.hostId) : ''}{' '}
                    {s.kind === 'stage'
                      ? STAGE_NAMES[Number(s.what) as keyof typeof STAGE_NAMES]
                      : (at.models.find((m) => m.id === s.what)?.from ?? s.what)}
                    , {s.byName}
                  </li>
                ))}
            </ul>
          </section>
        </>
      )}
    </>
  );
}
