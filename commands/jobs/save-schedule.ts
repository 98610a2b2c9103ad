import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { fortnightOf, type Fortnight } from '@/facts/fortnight';
import { limitsOf, titleOf } from '@/facts/about';
import { moveWith } from './move-with';
import { uuid } from '@/lib/ids';
import { dayInOrder } from '@/core/schedule/day';
import { broken } from '@/core/schedule/plan';
import type { JobOf } from '@/core/schedule/jobs';
import { indexed, placedAt, slotAt, type Indexed } from '@/core/schedule/problem';
import { formatDay } from '@/lib/calendar/days';
import { crewDaysBetween, writeCrewDays, type ItemPlaced, type CrewDayRow } from '@/store/crew-days';
import { v7 } from 'uuid';
import { z } from 'zod';

const crewDaysSchema = z.object({
  rounds: z
    .array(
      z.object({
        day: z.iso.date('Give the day like 2027-05-14.'),
        crewId: uuid,
        stops: z.array(z.object({ siteId: uuid, itemIds: z.array(uuid).min(1).max(400) })).max(60),
      }),
    )
    .max(200, 'At most 200 rounds at once.'),
  /** What was looked at and stands in no round any more; what nobody looked at stays where it is. */
  left: z.array(uuid).max(4000).default([]),
  /** What stays where it stands when the fortnight is worked out again. */
  locked: z.array(uuid).max(4000).default([]),
});
type CrewDays = z.output<typeof crewDaysSchema>;

const CHANGED = 'What waits has changed meanwhile. Look at the fortnight again; nothing was written.';

/** Where the jobs of a fortnight stand by what somebody sends. */
interface ReadPlan {
  slotOf: Int32Array;
  /** The order of places of each slot that was sent. */
  places: Map<number, number[]>;
  /** Jobs of which anything was sent. */
  named: Set<number>;
}
/**
 * Slots of jobs and the order of places, as somebody sends them, beside what crews are under way with; a sentence where something cannot be. What is done or dropped
 * meanwhile is nothing any more, and what was not looked at stays where it stands.
 */
function readPlan(
  x: Indexed,
  { rounds, left }: CrewDays,
  underWay: ReadonlySet<string>,
): { ok: true; value: ReadPlan } | ReturnType<typeof refuse> {
  const { problem, nDays } = x;
  const jobAt = new Map(problem.jobs.flatMap((j, i) => (j as JobOf).items.map((item) => [item.id, i] as const)));
  const slotOf = new Int32Array(problem.jobs.length).fill(-1);
  const places = new Map<number, number[]>();
  const named = new Set(left.flatMap((id) => jobAt.get(id) ?? []));
  const seen = new Set<string>();
  for (const [r, round] of rounds.entries()) {
    const [c, d] = [problem.crews.findIndex((k) => k.id === round.crewId), problem.days.indexOf(round.day)];
    if (c < 0) return refuse(`rounds.${r}.crewId`, 'There is no such crew that goes out.');
    if (d < 0) return refuse(`rounds.${r}.day`, 'This day lies outside the fortnight from today on.');
    const slot = c * nDays + d;
    if (places.has(slot)) return refuse(`rounds.${r}`, 'A crew has one round a day.');
    places.set(
      slot,
      round.stops.map((s) => problem.places.findIndex((p) => p.id === s.siteId)),
    );
    for (const [s, stop] of round.stops.entries())
      for (const id of stop.itemIds) {
        if (seen.has(id)) return refuse(`rounds.${r}.stops.${s}`, 'Something stands twice.');
        seen.add(id);
        const job = jobAt.get(id);
        if (job === undefined) continue;
        // What was one job then may be two now; two that became one cannot stand on two days.
        if (slotOf[job]! >= 0 && slotOf[job] !== slot) return refuse(`rounds.${r}.stops.${s}`, CHANGED);
        slotOf[job] = slot;
        named.add(job);
      }
  }
  // Of things that nobody here knows, something else was meant.
  if (seen.size && !named.size && ![...seen].some((id) => underWay.has(id))) return refuse('rounds', CHANGED);
  problem.jobs.forEach((j, i) => {
    if (!named.has(i)) slotOf[i] = slotAt(problem, j.now);
  });
  return { ok: true, value: { slotOf, places, named } };
}

/** What a crew has set out with stays with it; more is put on its day on its own page. */
function putBehind(x: Indexed, { slotOf, places }: ReadPlan, gone: readonly CrewDayRow[]) {
  for (const r of gone) {
    const slot = slotAt(x.problem, r);
    if (slot >= 0 && slotOf.includes(slot))
      return refuse('rounds', `${r.crewName} has set out: put more on its day on the page of its round.`);
    places.delete(slot);
  }
  return null;
}

/** What rounds break, in words. */
function issuesOf(f: Fortnight, x: Indexed, { slotOf, places, named }: ReadPlan): Issue[] {
  const says = limitsOf(f);
  const theirs = broken(x, slotOf, places).filter(({ job }) => named.has(job) || places.has(slotOf[job]!));
  return theirs.map(({ job, limit }) => {
    const j = f.problem.jobs[job]!;
    const slot = slotOf[job]!;
    const on = slot < 0 ? '' : `, ${formatDay(placedAt(x, slot).day)}`;
    return { path: `jobs.${j.id}`, message: `${titleOf(j)}${on}: ${says(limit)}` };
  });
}

/** Items in the order in which they are done, with the day, the crew and the hour. */
function placedItems({
  f,
  x,
  slotOf,
  places,
  locked,
}: {
  f: Fortnight;
  x: Indexed;
  slotOf: Int32Array;
  places: ReadonlyMap<number, number[]>;
  locked: Set<string>;
}) {
  const placed: ItemPlaced[] = [];
  for (const [slot, order] of places) {
    const jobs = [...slotOf.keys()].filter((j) => slotOf[j] === slot);
    if (!jobs.length) continue;
    const day = dayInOrder(x, slot, jobs, order);
    if (!day.ok) throw new Error('rounds were kept that cannot be made');
    let position = 0;
    for (const stop of day.stops)
      for (const j of stop.jobs)
        for (const item of f.problem.jobs[j]!.items)
          placed.push({
            itemId: item.id,
            kind: item.about.kind,
            siteId: item.siteId,
            ...placedAt(x, slot),
            position: position++,
            begins: Math.min(1440, Math.round(stop.begin)),
            locked: locked.has(item.id),
          });
  }
  return placed;
}

/** The rounds of a fortnight, as they were worked out or put by hand: every rule is asked again here, and all or nothing is kept. */
export const saveSchedule = command({
  name: 'save-schedule',
  right: 'plan rounds',
  schema: crewDaysSchema,
  run: async (context, p): Promise<Result<{ rounds: number; left: number }>> => {
    const { viewer, receivedAt, station } = context;
    const fortnight = await fortnightOf(viewer, station, receivedAt);
    // What is sent is the plan: what was locked before is locked where it says so now.
    const problem = {
      ...fortnight.problem,
      jobs: fortnight.problem.jobs.map((j) => ({ ...j, locked: false })),
    };
    const x = indexed(problem);
    const today = await crewDaysBetween(viewer, fortnight.today, fortnight.today);
    const gone = today.filter((r) => r.begunAt);
    const underWay = new Set(gone.flatMap((r) => r.items.map((i) => i.itemId)));
    const read = readPlan(x, p, underWay);
    if (!read.ok) return read;
    const { slotOf, places } = read.value;
    const behind = putBehind(x, read.value, gone);
    if (behind) return behind;
    const issues = issuesOf(fortnight, x, read.value);
    if (issues.length) return { ok: false, issues };
    const placed = placedItems({ f: fortnight, x, slotOf, places, locked: new Set(p.locked) });
    const stands = new Set(placed.map((i) => i.itemId));
    const left = p.left.filter((id) => !stands.has(id) && !underWay.has(id));
    await writeCrewDays(viewer, v7, placed, left);
    const kept = await moveWith(context, fortnight, placed, (id) => problem.crews.find((c) => c.id === id)!.name);
    // What is refused here is undone with all that was written before it.
    if (kept.length) return { ok: false, issues: kept };
    return {
      ok: true,
      value: {
        rounds: new Set(placed.map((i) => `${i.crewId} ${i.day}`)).size,
        left: slotOf.filter((s) => s < 0).length,
      },
    };
  },
});
