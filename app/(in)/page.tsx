import { showFine, showTemperature, showVolume, showWind, type UnitSystem } from '@/lib/units/units';
import { METHOD_NAMES } from '@/core/label/methods';
import { inZone } from '@/lib/calendar/zone';
import { groupBy } from '@/core/work/load-out';
import { soilState } from '@/core/weather/air';
import { findHost } from '@/knowledge';
import { Frame } from '@/ui/frame/frame';
import { GateLine } from '@/ui/frame/gates';
import { Section, Accepted, TagLine, TagRow } from '@/ui/frame/pieces';
import { fromToday, longDay, shortDay } from '@/ui/words';
import type { WeatherStation } from '@/core/weather/station';
import { airWords } from '@/ui/air-words';
import { todayView } from '@/views/today';
import { stationFor } from '../_server/station';
import { allows, viewer } from '../_server/viewer';
import { DevicesOnTrees } from './jobs/devices/devices-on-trees';
import { Sites } from './jobs/sites';
import { Ahead, Coming, QueuedWrite, WaitingWork } from './waiting';
import { STAGE_NAMES } from '@/core/season/bbch';
import { byRain, coverWords, spanWords } from '@/ui/season-words';
import { NoteStage } from './schedule/note.client';
import { NotPlanned } from './not-planned';
import { TaskList } from './tasks';
import { ToSettle } from './to-settle';
import { Settle } from './trees/[id]/overview.client';
import type { Gate } from '@/core/gates/gate';
import { clockNow } from '@/store/clock';

const hour = inZone('en-GB', { hour: '2-digit' });
const WORDS = [
  'Nothing wants',
  'One thing wants',
  'Two things want',
  'Three things want',
  'Four things want',
  'Five things want',
  'Six things want',
  'Seven things want',
  'Eight things want',
  'Nine things want',
];

/** Wind and rain of the next hours as bars; nothing where no station tells of them. */
function WindAhead({
  station,
  from,
  timeZone,
  units,
}: {
  station: WeatherStation;
  from: string;
  timeZone: string;
  units: UnitSystem;
}) {
  const hours = Array.from({ length: 8 }, (_, i) => station.at(new Date(Date.parse(from) + i * 2 * 3_600_000))).flatMap(
    ({ at, windMs, rainMm }) => (windMs === null || rainMm === null ? [] : [{ at, windMs, rainMm }]),
  );
  if (!hours.length) return null;
  return (
    <>
      <h2 className="mt-5 mb-1 text-small font-semibold text-ink-2">Wind in the hours ahead</h2>
      <ul className="figures text-small">
        {hours.map(({ at, windMs, rainMm }) => (
          <li key={at} className="flex h-6 items-center gap-2">
            <span className="w-9">{hour(at, timeZone)} h</span>
            <span
              className={`h-3 border border-ink-2 ${windMs <= 4.5 && rainMm < 0.1 ? 'bg-cambium' : 'bg-line-2'}`}
              style={{ width: Math.min(78, 6 + windMs * 11) }}
            />
            <span>{showWind(windMs, units).replace(/ .*/, '')}</span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-small text-ink-2">Green: calm and dry enough to spray.</p>
    </>
  );
}

export default async function Today() {
  const v = await viewer();
  const at = clockNow();
  const s = stationFor(v.spot);
  const now = s.at(at);
  const {
    unsettled,
    today,
    horizon,
    plans,
    works,
    ahead,
    over,
    late,
    due,
    soon,
    tasks,
    hanging,
    undecided,
    moreUndecided,
    look,
    sites,
  } = await todayView(v, at, stationFor);
  const stops = new Map<string, { gate: Gate; tags: string[] }>();
  for (const { stop, tag } of undecided)
    if (stop) stops.set(stop.id, { gate: stop, tags: [...(stops.get(stop.id)?.tags ?? []), tag] });
  // All of it is counted, whatever the lists below have room for.
  const dueTasks = tasks.filter((t) => t.due <= today).length;
  const n = sites.reduce((a, x) => a + x.plans + x.works + x.visits, dueTasks);
  const overAll = sites.reduce((a, x) => a + x.over, 0);
  const near = ahead.filter((p) => p.earliest! <= horizon);
  const name = (hostId: string) => findHost(hostId)?.name ?? hostId;

  const tag = (
    <>
      <p className="text-tag leading-none font-extrabold">{longDay(today).slice(0, 3)}</p>
      <p className="mt-2 text-lead font-bold">{shortDay(today).replace(/ \d{4}$/, '')}</p>
      <p className="text-[0.9375rem] text-ink-2">{v.companyName}</p>
      <dl className="mt-3 border-t border-line-2">
        {now.temperatureC !== null && <TagLine name="Air">{showTemperature(now.temperatureC, v.units)}</TagLine>}
        {now.windMs !== null && <TagLine name="Wind">{showWind(now.windMs, v.units)}</TagLine>}
        {soilState(now) && <TagLine name="Soil">{soilState(now)}</TagLine>}
        {now.rainNext24Mm !== null && (
          <TagLine name="Rain, 24 h">{now.rainNext24Mm ? showFine(now.rainNext24Mm, v.units).text : 'none'}</TagLine>
        )}
      </dl>
      <WindAhead station={s} from={now.at} timeZone={v.timeZone} units={v.units} />
    </>
  );
  const margin = (
    <>
      <section>
        <h2 className="text-body">Forbidden today, and why</h2>
        {stops.size === 0 && <p className="text-[0.9375rem] text-ink-2">Nothing that was decided is stopped.</p>}
        <ul>
          {[...stops.values()].map(({ gate, tags }) => (
            <GateLine key={gate.id} gate={gate}>
              <p className="text-[0.9375rem]">Trees {tags.join(', ')}</p>
            </GateLine>
          ))}
        </ul>
      </section>
      <section>
        <h2 className="text-body">On the truck</h2>
        <p className="text-[0.9375rem]">
          {plans.length === 0
            ? 'Nothing is planned.'
            : `${plans.length} ${plans.length === 1 ? 'plan' : 'plans'} at ${new Set(plans.map((p) => p.siteId)).size} ${new Set(plans.map((p) => p.siteId)).size === 1 ? 'place' : 'places'}, ${
                showVolume(
                  plans.reduce((a, p) => a + (p.mixMl ?? 0), 0),
                  v.units,
                ).text
              } of mix. `}
          {plans.length > 0 && <a href="/jobs">Load sheet</a>}
        </p>
      </section>
      <section>
        <h2 className="text-body">Station</h2>
        <p className="text-[0.9375rem]">
          {s.basis === 'usual'
            ? 'No station measures here. The sheets ask for air, wind and rain; windows rest on the usual year of the climate. Readings of a station of your own are brought in under Schedule.'
            : `${s.name}: ${airWords(now, v.units)}. ${s.basis === 'simulated' ? 'Simulated weather of the demo' : 'Measured'}; say on the sheet what you find on the spot.`}
        </p>
      </section>
    </>
  );
  const head = (
    <div className="flex min-h-[66px] items-center justify-between px-4">
      <b className="text-head">{longDay(today)}</b>
      {now.temperatureC !== null && <span className="text-small">{showTemperature(now.temperatureC, v.units)}</span>}
    </div>
  );
  const settle = allows(v, 'settle a follow-up');
  /** Looks of a programme that fall on one day are one row; what they found is said on its page. */
  const sameInspection = (f: (typeof due)[number]) =>
    f.assignmentId ? `${f.assignmentId} ${f.what} ${f.due} ${f.accepted}` : f.id;
  const rows = (of: typeof due, right: (f: (typeof due)[number]) => React.ReactNode) =>
    [...groupBy(of, sameInspection).values()].map((same) => row(same[0]!, right(same[0]!), same.length));
  const row = (f: (typeof due)[number], right: React.ReactNode, trees: number) => (
    <TagRow
      key={f.id}
      href={f.assignmentId ? `/schedule/programmes/assigned/${f.assignmentId}` : `/trees/${f.treeId}`}
      tag={f.tag}
      title={`${trees > 1 ? `${trees} trees` : name(f.hostId)}, ${f.siteName}`}
      right={
        <div className="flex items-center gap-4 phone:w-full phone:justify-between">
          {right}
          {settle && !f.assignmentId && <Settle id={f.id} kind={f.kind} what={f.what} onlyIf={f.onlyIf} />}
        </div>
      }
    >
      {f.what}
      {f.onlyIf ? ` (only if ${f.onlyIf})` : ''}
      <Accepted accepted={f.accepted} />
      {byRain(f.cover) && <b className="block">{coverWords(f.cover)}</b>}
    </TagRow>
  );
  return (
    <Frame
      tag={tag}
      head={head}
      margin={margin}
      handle={
        stops.size ? `${stops.size} ${stops.size === 1 ? 'thing' : 'things'} forbidden today` : 'Weather and load'
      }
    >
      <h1>{n < WORDS.length ? WORDS[n] : `${n} things want`} you today</h1>
      <DevicesOnTrees {...hanging} />
      <ToSettle done={unsettled} />
      <Section title="Late" aside="counted from what was done" empty={late.length === 0 && 'Nothing is late.'}>
        <ul>
          {rows(late, (f) => (
            <span className="font-bold text-madder">{fromToday(f.due, today)}</span>
          ))}
        </ul>
      </Section>
      <Section title="Due today" empty={due.length === 0 && 'Nothing falls due today.'}>
        <ul>
          {rows(due, (f) => (
            <span className="font-bold">{f.kind === 'treat-again' ? 'treat again' : f.kind.replace('-', ' ')}</span>
          ))}
        </ul>
      </Section>
      {tasks.length > 0 && (
        <Section title="At places, without a plan">
          <TaskList tasks={tasks} today={today} may={settle} place />
        </Section>
      )}
      <Section
        title="Waiting for a crew"
        aside={ahead.length ? <Ahead plans={ahead} /> : 'planned and gated'}
        empty={plans.length + works.length === 0 && 'No plan waits for today. Prescribe on a tree, and it waits here.'}
      >
        <ul>
          {[
            ...groupBy(plans, (p) =>
              p.assignmentId ? [p.assignmentId, p.labelKey, p.plannedFor, p.latest, p.accepted].join() : p.id,
            ).values(),
          ].map((same) => (
            <QueuedWrite key={same[0]!.id} same={same} today={today} units={v.units} />
          ))}
          {[...groupBy(works, (w) => [w.siteId, w.workId, w.plannedFor, w.accepted].join()).values()].map((same) => (
            <WaitingWork key={same[0]!.id} same={same} />
          ))}
        </ul>
      </Section>
      {Math.max(over.length, overAll) > 0 && (
        <p className="mt-3">
          The time of {Math.max(over.length, overAll) === 1 ? 'a plan' : `${Math.max(over.length, overAll)} plans`} is
          over: <a href="/jobs">plan anew, or drop {Math.max(over.length, overAll) === 1 ? 'it' : 'them'}</a>.
        </p>
      )}
      <Sites
        sites={sites}
        shown={{ plans: plans.length, works: works.length, over: Infinity, visits: late.length + due.length }}
      />
      <NotPlanned undecided={undecided} more={moreUndecided} />
      {look.length > 0 && allows(v, 'measure') && (
        <Section title="What is it at?" aside="what you see moves what waits for it">
          <ul>
            {look.map((l) => (
              <li key={`${l.siteId}${l.hostId}`} className="row flex flex-wrap items-center gap-x-6 gap-y-1 py-2.5">
                <p className="min-w-0 flex-1 basis-60">
                  <b>
                    {name(l.hostId)}, {l.siteName}
                  </b>
                  <span className="block first-letter:uppercase text-[0.9375rem] text-ink-2">
                    {STAGE_NAMES[l.stages[0]!.code]} expected {spanWords(l.stages[0]!.earliest, l.stages[0]!.latest)}
                  </span>
                </p>
                <NoteStage
                  siteId={l.siteId}
                  treeId={null}
                  today={today}
                  hostId={l.hostId}
                  hostName={name(l.hostId)}
                  likely={l.stages.slice(0, 3).map((s) => s.code)}
                  others={[]}
                />
              </li>
            ))}
          </ul>
        </Section>
      )}
      <Section
        title="In the next four weeks"
        aside={<a href="/schedule">Schedule</a>}
        empty={soon.length + near.length === 0 && 'Nothing until then.'}
      >
        <ul>
          {[
            ...groupBy(near, (p) =>
              [p.siteId, p.labelKey, p.plannedFor, p.earliest, p.latest, p.accepted].join(),
            ).values(),
          ].map((same) => {
            const p = same[0]!;
            return (
              <Coming
                key={p.id}
                trees={same.map((x) => ({ ...x, href: `/trees/${x.treeId}/treat?plan=${x.id}` }))}
                span={{ from: today, to: horizon, earliest: p.earliest!, latest: p.latest!, due: p.plannedFor! }}
              >
                {METHOD_NAMES[p.method]}, {p.labelName}, {shortDay(p.plannedFor!)}
                <Accepted accepted={p.accepted} />
              </Coming>
            );
          })}
          {[...groupBy(soon, sameInspection).values()].map((same) => {
            const f = same[0]!;
            return (
              <Coming
                key={f.id}
                trees={same.map((x) => ({ ...x, href: `/trees/${x.treeId}` }))}
                span={{ from: today, to: horizon, earliest: f.earliest, latest: f.latest, due: f.due }}
              >
                {f.what}, {shortDay(f.due)}
                <Accepted accepted={f.accepted} />
                {byRain(f.cover) && <b className="block">{coverWords(f.cover)}</b>}
              </Coming>
            );
          })}
        </ul>
      </Section>
    </Frame>
  );
}
