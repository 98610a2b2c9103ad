import type { Gate } from '@/core/gates/gate';
import { METHOD_NAMES } from '@/core/label/methods';
import { STAGE_NAMES } from '@/core/season/bbch';
import { groupBy } from '@/core/work/load-out';
import { findHost } from '@/knowledge';
import { showVolume, type UnitSystem } from '@/lib/units/units';
import { GateLine } from '@/ui/frame/gates';
import { Accepted, Section, TagRow } from '@/ui/frame/pieces';
import { byRain, coverWords, spanWords } from '@/ui/season-words';
import { shortDay } from '@/ui/words';
import type { todayView } from '@/views/today';
import { NoteStage } from './schedule/note.client';
import { Settle } from './trees/[id]/overview.client';
import { Ahead, Coming, PlanRow, WaitingWork } from './waiting';

/** What Today reads. */
export type Day = Awaited<ReturnType<typeof todayView>>;
type Due = Day['due'][number];

const THINGS = [
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

/** How many things want doing, in words. @example wanted(2) // 'Two things want' */
export const wanted = (count: number): string => THINGS[count] ?? `${count} things want`;

const hostName = (hostId: string) => findHost(hostId)?.name ?? hostId;

/** What is stopped today of what was decided, each stop with the trees that it holds. */
export function stopsToday(undecided: Day['undecided']): { gate: Gate; tags: string[] }[] {
  const stops = new Map<string, { gate: Gate; tags: string[] }>();
  for (const { stop, tag } of undecided)
    if (stop) stops.set(stop.id, { gate: stop, tags: [...(stops.get(stop.id)?.tags ?? []), tag] });
  return [...stops.values()];
}

/** Why something is forbidden today. */
export function ForbiddenToday({ stops }: { stops: ReturnType<typeof stopsToday> }) {
  return (
    <section>
      <h2 className="text-body">Forbidden today, and why</h2>
      {stops.length === 0 && <p className="text-[0.9375rem] text-ink-2">Nothing that was decided is stopped.</p>}
      <ul>
        {stops.map(({ gate, tags }) => (
          <GateLine key={gate.id} gate={gate}>
            <p className="text-[0.9375rem]">Trees {tags.join(', ')}</p>
          </GateLine>
        ))}
      </ul>
    </section>
  );
}

/** How much is planned for the truck. */
export function OnTheTruck({ plans, units }: Pick<Day, 'plans'> & { units: UnitSystem }) {
  const sites = new Set(plans.map((p) => p.siteId)).size;
  return (
    <section>
      <h2 className="text-body">On the truck</h2>
      <p className="text-[0.9375rem]">
        {plans.length === 0
          ? 'Nothing is planned.'
          : `${plans.length} ${plans.length === 1 ? 'plan' : 'plans'} at ${sites} ${sites === 1 ? 'place' : 'places'}, ${
              showVolume(
                plans.reduce((a, p) => a + (p.mixMl ?? 0), 0),
                units,
              ).text
            } of mix. `}
        {plans.length > 0 && <a href="/jobs">Load sheet</a>}
      </p>
    </section>
  );
}

/** Inspections of a programme that fall on one day are one row; what they found is said on its page. */
const sameInspection = (f: Due) => (f.assignmentId ? `${f.assignmentId} ${f.what} ${f.due} ${f.accepted}` : f.id);

/** Visits that fall due, those of a programme on one day as one row. */
export function DueRows({
  visits,
  settle,
  right,
}: {
  visits: readonly Due[];
  /** The reader may settle them here. */
  settle: boolean;
  /** What stands at the end of a row. */
  right: (f: Due) => React.ReactNode;
}) {
  return (
    <ul>
      {[...groupBy(visits, sameInspection).values()].map((same) => (
        <DueRow key={same[0]!.id} visit={same[0]!} trees={same.length} settle={settle} right={right(same[0]!)} />
      ))}
    </ul>
  );
}

function DueRow({
  visit: f,
  trees,
  settle,
  right,
}: {
  visit: Due;
  trees: number;
  settle: boolean;
  right: React.ReactNode;
}) {
  return (
    <TagRow
      href={f.assignmentId ? `/schedule/programmes/assigned/${f.assignmentId}` : `/trees/${f.treeId}`}
      tag={f.tag}
      title={`${trees > 1 ? `${trees} trees` : hostName(f.hostId)}, ${f.siteName}`}
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
}

/** What waits for a crew: plans and works, those alike at one site as one row. */
export function WaitingForCrew({
  day: { plans, works, ahead, today },
  units,
}: {
  day: Pick<Day, 'plans' | 'works' | 'ahead' | 'today'>;
  units: UnitSystem;
}) {
  return (
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
          <PlanRow key={same[0]!.id} same={same} today={today} units={units} />
        ))}
        {[...groupBy(works, (w) => [w.siteId, w.workId, w.plannedFor, w.accepted].join()).values()].map((same) => (
          <WaitingWork key={same[0]!.id} same={same} />
        ))}
      </ul>
    </Section>
  );
}

/** Plans whose time is over, with the way to them. */
export function TimeOver({ count }: { count: number }) {
  return (
    <p className="mt-3">
      The time of {count === 1 ? 'a plan' : `${count} plans`} is over:{' '}
      <a href="/jobs">plan anew, or drop {count === 1 ? 'it' : 'them'}</a>.
    </p>
  );
}

/** What the hosts of the sites are expected to be at: whoever sees it says it, and what waits for it moves. */
export function StagesToNote({ look, today }: Pick<Day, 'look' | 'today'>) {
  return (
    <Section title="What is it at?" aside="what you see moves what waits for it">
      <ul>
        {look.map((l) => (
          <li key={`${l.siteId}${l.hostId}`} className="row flex flex-wrap items-center gap-x-6 gap-y-1 py-2.5">
            <p className="min-w-0 flex-1 basis-60">
              <b>
                {hostName(l.hostId)}, {l.siteName}
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
              hostName={hostName(l.hostId)}
              likely={l.stages.slice(0, 3).map((s) => s.code)}
              others={[]}
            />
          </li>
        ))}
      </ul>
    </Section>
  );
}

/** What comes in the next four weeks: plans in their window and visits. */
export function NextWeeks({
  near,
  soon,
  today,
  horizon,
}: Pick<Day, 'soon' | 'today' | 'horizon'> & { near: Day['ahead'] }) {
  return (
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
  );
}
