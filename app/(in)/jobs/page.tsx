import Link from 'next/link';
import { METHOD_NAMES } from '@/core/label/methods';
import { showAmount, showFill, showVolume } from '@/lib/units/units';
import { findHost } from '@/knowledge';
import { clockWords } from '@/core/schedule/hours';
import type { OpenPlan } from '@/store/plans';
import type { OpenWork } from '@/store/works';
import type { CrewDayRow } from '@/store/crew-days';
import { dayOrder, groupBy, loadOut } from '@/core/work/load-out';
import { findWork } from '@/knowledge/works';
import { scheduleView } from '@/views/jobs';
import { byDay } from '@/views/today';
import { Frame } from '@/ui/frame/frame';
import { MoreTrees, Section, Accepted, TagLine, TagRow } from '@/ui/frame/pieces';
import { allows, todayOf, viewer } from '../../_server/viewer';
import { DevicesOnTrees } from './devices/devices-on-trees';
import { rowsOf } from './day/lines';
import { leftWords } from './day/words';
import { MixRows } from './mixes/mix-rows';
import { OverPlans } from './over';
import { Sites } from './sites';
import { ToSettle } from '../to-settle';
import { Coming } from '../waiting';
import { dayAfter } from '@/lib/calendar/days';
import { z } from 'zod';
import { InvalidatedJobs } from './invalidated.client';
import { shortDay } from '@/ui/words';
import { PrintButton } from '@/ui/controls/print.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'Jobs' };

export default async function CrewDays({ searchParams }: { searchParams: Promise<{ place?: string | string[] }> }) {
  const v = await viewer();
  const { place } = await searchParams;
  const now = clockNow();
  const {
    plans: open,
    works: openWorks,
    equipment,
    stock,
    rounds,
    ahead: days,
    hanging,
    mixes,
    sites,
    due,
  } = await scheduleView(v, now, z.uuid().safeParse(place).data ?? null);
  const today = todayOf(v);
  const { plans: allPlans, ahead, over, unsettled } = byDay(open, today);
  const allWorks = openWorks.filter((w) => !w.plannedFor || w.plannedFor <= today);
  const worksAhead = openWorks.filter((w) => w.plannedFor && w.plannedFor > today);
  const here = sites.find((p) => p.siteId === place) ?? null;
  // One place alone: its stops and its load, on the screen and on paper.
  const wanted = <T extends { siteId: string }>(of: T[]) => (here ? of.filter((x) => x.siteId === here.siteId) : of);
  const [plans, works] = [wanted(allPlans), wanted(allWorks)];
  const workSites = [...groupBy(works, (w) => w.siteId).values()];
  const places = groupBy(plans, (p) => p.siteId);
  const mix = plans.reduce((a, p) => a + (p.mixMl ?? 0), 0);
  const groups = loadOut(plans, works, equipment, v.units, stock);
  const later = wanted(ahead).length + wanted(worksAhead).length;
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">Jobs</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Places">{places.size}</TagLine>
        <TagLine name="Sheets">{plans.length}</TagLine>
        <TagLine name="Works">{works.length}</TagLine>
        {later > 0 && <TagLine name="Later">{later}</TagLine>}
        <TagLine name="Mix">{showVolume(mix, v.units).text}</TagLine>
      </dl>
    </>
  );
  const load = (
    <section>
      <h2 className="text-body">{here ? `Load for ${here.siteName}` : 'Load'}</h2>
      {here && (
        <p className="no-print">
          <Link href="/jobs" className="underline underline-offset-3">
            For all places
          </Link>
        </p>
      )}
      {groups.length === 0 && <p className="text-ink-2">Nothing to load.</p>}
      {groups.map((g) => (
        <div key={g.title} className="mt-3 break-inside-avoid">
          <h3>{g.title}</h3>
          <ul className="text-[0.9375rem]">
            {g.lines.map((l) => (
              <li key={l.what} className="row flex flex-wrap items-baseline justify-between gap-x-3 py-1">
                <span>
                  <span aria-hidden className="mr-2 inline-block size-3 border border-ink-2 align-baseline" />
                  {l.what}
                  {l.short && <b className="block text-madder">{l.short}</b>}
                </span>
                <b className="figures ml-auto text-right">{l.amount}</b>
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  );
  return (
    <Frame
      tag={tag}
      handle="Load sheet"
      margin={
        <>
          {load}
          <PrintButton />
        </>
      }
    >
      <h1>{plans.length + works.length ? 'What waits, place by place' : 'Nothing waits for a crew'}</h1>
      <p className="no-print mt-2">
        {allows(v, 'plan rounds') && (
          <Link href="/jobs/new" className="mr-6 inline-block min-h-hand py-2 underline underline-offset-3">
            Put on a day
          </Link>
        )}
        <Link href="/jobs/fortnight" className="inline-block min-h-hand py-2 underline underline-offset-3">
          Days and crews for the fortnight
        </Link>
      </p>
      <DevicesOnTrees {...hanging} />
      <ToSettle done={unsettled} />
      {mixes.length > 0 && (
        <Section title="Mixed, and not used up" aside="drawn from, kept or handed in">
          <MixRows mixes={mixes} units={v.units} timeZone={v.timeZone} now={now} />
        </Section>
      )}
      {rounds.length + days.length > 0 && <InvalidatedJobs drawnAt={now.toISOString()} />}
      {rounds.map((r) => (
        <TodaysCrewDay key={r.id} round={r} plans={open} works={openWorks} />
      ))}
      {days.length > 0 && (
        <Section title="Days that stand" aside="each with its load">
          <ul>
            {days.map((r) => (
              <li key={r.id} className="row">
                <Link href={`/jobs/day/${r.id}`} className="flex min-h-14 items-center justify-between gap-4 py-2">
                  <b>
                    {shortDay(r.day)}, {r.crewName}
                  </b>
                  <span className="text-ink-2">{[...new Set(r.items.map((i) => i.siteName))].join(', ')}</span>
                </Link>
              </li>
            ))}
          </ul>
        </Section>
      )}
      {plans.length + works.length === 0 && (
        <p className="mt-3">
          Prescribe on a tree, and its plan waits here with what to load. <Link href="/trees">Find a tree</Link>
        </p>
      )}
      {[...places.values()].map((of) => (
        <Section
          key={of[0]!.siteId}
          title={of[0]!.siteName}
          aside={<Aside of={of} here={here?.siteId} words="in walking order" />}
        >
          <InOneGo of={of} />
          <Stops
            stops={of}
            row={(p) => (
              <TagRow
                key={p.id}
                href={`/trees/${p.treeId}/treat?plan=${p.id}`}
                tag={p.tag}
                title={findHost(p.hostId)?.name ?? p.hostId}
                right={
                  <span className="figures text-right font-bold">
                    {p.mixMl ? `${showFill(p.mixMl, v.units).text} mix` : `${p.sites} sites`}
                  </span>
                }
              >
                {METHOD_NAMES[p.method]}: {showAmount(p.product, p.unit, v.units).text} {p.labelName}
                <Accepted accepted={p.accepted} />
                <Left left={p.left} />
              </TagRow>
            )}
          />
        </Section>
      ))}
      {workSites.map((of) => (
        <Section
          key={`w${of[0]!.siteId}`}
          title={of[0]!.siteName}
          aside={<Aside of={of} here={here?.siteId} words="works without a product" />}
        >
          <Stops
            stops={of}
            row={(w) => (
              <TagRow
                key={w.id}
                href={`/trees/${w.treeId}#works`}
                tag={w.tag}
                title={findHost(w.hostId)?.name ?? w.hostId}
                right={
                  <span className="figures text-right font-bold">
                    {w.sheet.figures[0]!.value} {w.sheet.figures[0]!.unit}
                  </span>
                }
              >
                {findWork(w.workId)?.name ?? w.workId}
                <Accepted accepted={w.accepted} />
                <Left left={w.left} />
              </TagRow>
            )}
          />
        </Section>
      ))}
      {later > 0 && (
        <Section title="Planned for later" aside="loaded when their time comes">
          <ul>
            {laterOf(wanted(ahead), wanted(worksAhead)).map((same) => (
              <Later key={same[0]!.id} same={same} />
            ))}
          </ul>
        </Section>
      )}
      {due.length > 0 && (
        <Section title="Looks and visits due here" aside={`${due.length}`}>
          <ul>
            {[...groupBy(due, (f) => `${f.what} ${f.due}`).values()].map((same) => (
              <Coming
                key={same[0]!.id}
                trees={same.map((x) => ({ ...x, href: `/trees/${x.treeId}` }))}
                span={{ from: today, to: dayAfter(today, 28, 'days'), ...same[0]! }}
              >
                {same[0]!.what}, {shortDay(same[0]!.due)}
              </Coming>
            ))}
          </ul>
        </Section>
      )}
      {!here && <Sites sites={sites} shown={{ plans: allPlans.length, works: allWorks.length, over: over.length }} />}
      <OverPlans
        plans={wanted(over).map((p) => ({ ...p, label: `${METHOD_NAMES[p.method]}, ${p.labelName}` }))}
        may={allows(v, 'prescribe')}
      />
      <div className="hidden print:block">{load}</div>
    </Frame>
  );
}

/** A crew's round of today: its places in order, each with its hour. */
function TodaysCrewDay({
  round,
  plans,
  works,
}: {
  round: CrewDayRow;
  plans: readonly OpenPlan[];
  works: readonly OpenWork[];
}) {
  const waiting = new Map([...plans, ...works].map((w) => [w.id, w]));
  const stops = [...groupBy(round.items, (i) => i.siteId).values()];
  return (
    <Section title={`${round.crewName} today`} aside={crewDayAside(round)}>
      <p className="no-print mt-1">
        <Link
          href={`/jobs/day/${round.id}`}
          className={`press min-h-14 phone:w-full ${round.closedAt ? '' : 'press-main'}`}
        >
          {round.closedAt ? 'What was done' : round.begunAt ? 'Go on with the round' : 'Load and set out'}
        </Link>
      </p>
      <ol>
        {stops.map((of) => {
          const still = of.flatMap((i) => waiting.get(i.itemId) ?? []);
          return (
            <li key={of[0]!.siteId} className="row flex flex-wrap items-baseline justify-between gap-x-4 py-2">
              <span>
                <b className="figures mr-3">{clockWords(of[0]!.begins)}</b>
                <Link href={`/jobs?place=${of[0]!.siteId}`} className="inline-block min-h-10 py-2">
                  {of[0]!.siteName}
                </Link>
              </span>
              <span className="text-ink-2">
                {still.length ? `${still.length} of ${of.length} to treat or work on` : 'looks, or all done'}
              </span>
            </li>
          );
        })}
      </ol>
    </Section>
  );
}

const crewDayAside = ({ begunAt, closedAt, items }: CrewDayRow): string =>
  closedAt ? 'closed' : begunAt ? 'on its way' : `${items.length} on its round`;

interface LaterStop {
  id: string;
  href: string;
  tag: string;
  hostId: string;
  siteName: string;
  day: string;
  words: string;
  accepted: boolean;
}
/** What waits for a later day, the trees that have the same on one day together. */
function laterOf(plans: readonly OpenPlan[], works: readonly OpenWork[]): LaterStop[][] {
  const each: LaterStop[] = [
    ...plans.map((p) => ({
      ...p,
      href: `/trees/${p.treeId}/treat?plan=${p.id}`,
      day: p.plannedFor!,
      words: `${METHOD_NAMES[p.method]}: ${p.labelName}, from ${shortDay(p.earliest!)} to ${shortDay(p.latest!)}`,
    })),
    ...works.map((w) => ({
      ...w,
      href: `/trees/${w.treeId}#works`,
      day: w.plannedFor!,
      words: findWork(w.workId)?.name ?? w.workId,
    })),
  ];
  return [...groupBy(each, (s) => [s.siteName, s.day, s.words, s.accepted].join()).values()].sort((a, b) =>
    a[0]!.day.localeCompare(b[0]!.day),
  );
}

function Later({ same }: { same: readonly LaterStop[] }) {
  const s = same[0]!;
  const what = same.length > 1 ? `${same.length} trees` : (findHost(s.hostId)?.name ?? s.hostId);
  return (
    <>
      <TagRow
        href={s.href}
        tag={s.tag}
        title={`${what}, ${s.siteName}`}
        right={<span className="figures text-right font-bold">{shortDay(s.day)}</span>}
      >
        {s.words}
        <Accepted accepted={s.accepted} />
      </TagRow>
      <MoreTrees trees={same.slice(1)} />
    </>
  );
}

/** Told where a crew came to it before and did not do it. */
const Left = ({ left }: { left: OpenPlan['left'] }) =>
  left && (
    <b className="block text-sap">
      left on {shortDay(left.day)}: {leftWords(left)}
    </b>
  );

/** Rows of a place that are done from one mix and written in one go; what hangs is gone to tree by tree. */
const InOneGo = ({ of }: { of: readonly OpenPlan[] }) => (
  <p className="no-print flex flex-wrap gap-3">
    {rowsOf(of, 'use')
      .filter((r) => r.count > 1 && !r.hangs)
      .map((r) => (
        <Link key={r.planId} className="press min-h-14 phone:w-full" href={`/jobs/row?plan=${r.planId}`}>
          {r.count} trees in one go: {r.label}
        </Link>
      ))}
  </p>
);

/** How many trees, and the way to this place alone. */
const Aside = ({ of, here, words }: { of: { siteId: string }[]; here: string | undefined; words: string }) => (
  <>
    {of.length} {of.length === 1 ? 'tree' : 'trees'}, {words}
    {here !== of[0]!.siteId && (
      <Link href={`/jobs?place=${of[0]!.siteId}`} className="no-print ml-3 underline underline-offset-3">
        this place alone
      </Link>
    )}
  </>
);

/** The stops of one place: sound trees before sick ones, and what must happen between them. */
function Stops<T extends OpenPlan | OpenWork>({ stops, row }: { stops: T[]; row: (stop: T) => React.ReactNode }) {
  const day = dayOrder(stops);
  return (
    <ul>
      {day.stops.slice(0, day.soundFirst).map(row)}
      {day.soundFirst > 0 && (
        <li className="row border-l-4 border-ink py-2 pl-3 font-semibold">
          Sound trees until here. Now those that have something infectious, or that nobody has examined: other bits and
          blades, or 70 % alcohol and dry, and again between trees.
        </li>
      )}
      {day.stops.slice(day.soundFirst).map(row)}
    </ul>
  );
}
