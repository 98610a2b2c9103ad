import { command, refuse, type Answer } from '@/commands/command';
import { fortnightOf, type Fortnight } from '@/commands/facts/rounds';
import { limitsOf, titleOf } from '@/commands/facts/about';
import { moveWith } from './move-with';
import { uuid } from '@/core/book/record';
import type { Fault } from '@/core/book/write';
import { dayInOrder } from '@/core/schedule/day';
import { broken } from '@/core/schedule/plan';
import { indexed, placedAt, type Indexed } from '@/core/schedule/problem';
import { dayWords } from '@/core/season/follow-ups';
import { roundsBetween, writeRounds, type ItemPlaced } from '@/store/rounds';
import { v7 } from 'uuid';
import { z } from 'zod';

const roundsSchema = z.object({
  rounds: z
    .array(
      z.object({
        day: z.iso.date('Give the day like 2027-05-14.'),
        crewId: uuid,
        stops: z.array(z.object({ placeId: uuid, jobIds: z.array(uuid).min(1).max(200) })).max(60),
      }),
    )
    .max(200, 'At most 200 rounds at once.'),
  /** Jobs that stay where they stand when the fortnight is worked out again. */
  locked: z.array(uuid).max(2000).default([]),
});
type Rounds = z.output<typeof roundsSchema>;

const CHANGED = 'What waits has changed meanwhile. Look at the fortnight again; nothing was written.';

/** Slots of jobs and the order of places, as somebody sends them; a sentence where something is not there. */
function readPlan(x: Indexed, { rounds }: Rounds) {
  const { problem, nDays } = x;
  const jobAt = new Map(problem.jobs.map((j, i) => [j.id, i]));
  const slotOf = new Int32Array(problem.jobs.length).fill(-1);
  const places = new Map<number, number[]>();
  for (const [r, round] of rounds.entries()) {
    const [c, d] = [problem.crews.findIndex((k) => k.id === round.crewId), problem.days.indexOf(round.day)];
    if (c < 0) return refuse(`rounds.${r}.crewId`, 'There is no such crew that goes out.');
    if (d < 0) return refuse(`rounds.${r}.day`, 'This day lies outside the fortnight from today on.');
    const slot = c * nDays + d;
    if (places.has(slot)) return refuse(`rounds.${r}`, 'A crew has one round a day.');
    places.set(
      slot,
      round.stops.map((s) => problem.places.findIndex((p) => p.id === s.placeId)),
    );
    for (const [s, stop] of round.stops.entries())
      for (const id of stop.jobIds) {
        const job = jobAt.get(id);
        if (job === undefined) return refuse(`rounds.${r}.stops.${s}`, CHANGED);
        if (slotOf[job]! >= 0) return refuse(`rounds.${r}.stops.${s}`, 'Something stands twice.');
        slotOf[job] = slot;
      }
  }
  return { ok: true as const, slotOf, places };
}

/** What rounds break, in words. */
function faultsOf(f: Fortnight, x: Indexed, slotOf: Int32Array, places: ReadonlyMap<number, number[]>): Fault[] {
  const says = limitsOf(f);
  return broken(x, slotOf, places).map(({ job, limit }) => {
    const j = f.problem.jobs[job]!;
    const slot = slotOf[job]!;
    const on = slot < 0 ? '' : `, ${dayWords(placedAt(x, slot).day)}`;
    return { path: `jobs.${j.id}`, sentence: `${titleOf(j)}${on}: ${says(limit)}` };
  });
}

/** Items in the order in which they are done, with the day, the crew and the hour. */
function placedItems(
  f: Fortnight,
  x: Indexed,
  slotOf: Int32Array,
  places: ReadonlyMap<number, number[]>,
  locked: Set<string>,
) {
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
            placeId: item.placeId,
            ...placedAt(x, slot),
            position: position++,
            begins: Math.min(1440, Math.round(stop.begin)),
            locked: locked.has(f.problem.jobs[j]!.id),
          });
  }
  return placed;
}

/** The rounds of a fortnight, as they were worked out or put by hand: every rule is asked again here, and all or nothing is kept. */
export const keepRounds = command({
  name: 'keep-rounds',
  right: 'plan rounds',
  schema: roundsSchema,
  run: async (context, p): Promise<Answer<{ rounds: number; left: number }>> => {
    const { viewer, now, station } = context;
    const fortnight = await fortnightOf(viewer, station, now);
    // What is sent is the plan: what was locked before is locked where it says so now.
    const problem = {
      ...fortnight.problem,
      jobs: fortnight.problem.jobs.map((j) => ({ ...j, locked: false })),
    };
    const x = indexed(problem);
    const read = readPlan(x, p);
    if (!read.ok) return read;
    const { slotOf, places } = read;
    const faults = faultsOf(fortnight, x, slotOf, places);
    if (faults.length) return { ok: false, faults };
    const all = placedItems(fortnight, x, slotOf, places, new Set(p.locked));
    // A crew that has set out goes by its own round; what is planned here leaves that as it is.
    const out = (await roundsBetween(viewer, fortnight.today, fortnight.today)).filter((r) => r.begunAt);
    const gone = new Map(out.flatMap((r) => r.items.map((i) => [i.itemId, r] as const)));
    const at = new Map(all.map((i) => [i.itemId, i]));
    const items = fortnight.problem.jobs.flatMap((j) => j.items.map((i) => i.id));
    const torn = items.flatMap((id) => {
      const r = gone.get(id);
      return r && (at.get(id)?.crewId !== r.crewId || at.get(id)?.day !== r.day) ? [r] : [];
    });
    if (torn.length)
      return refuse('rounds', `${torn[0]!.crewName} has set out: change its day on the page of its round.`);
    const placed = all.filter((i) => !gone.has(i.itemId));
    const left = items.filter((id) => !at.has(id));
    await writeRounds(viewer, v7, placed, left);
    const kept = await moveWith(context, fortnight, placed, (id) => problem.crews.find((c) => c.id === id)!.name);
    // What is refused here is undone with all that was written before it.
    if (kept.length) return { ok: false, faults: kept };
    return {
      ok: true,
      value: {
        rounds: new Set(all.map((i) => `${i.crewId} ${i.day}`)).size,
        left: slotOf.filter((s) => s < 0).length,
      },
    };
  },
});
