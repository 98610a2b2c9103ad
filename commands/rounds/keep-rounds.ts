import { command, refuse, type Answer, type Context } from '@/commands/command';
import { fortnightOf, type Fortnight } from '@/commands/facts/rounds';
import { titleOf } from '@/commands/facts/about';
import { moveTo } from '@/commands/programme/move-to';
import { uuid } from '@/core/book/record';
import type { Fault } from '@/core/book/write';
import { dayInOrder } from '@/core/schedule/day';
import { broken } from '@/core/schedule/plan';
import { indexed, placedAt, type Indexed } from '@/core/schedule/problem';
import { limitWords } from '@/core/schedule/words';
import { dayWords, type Day } from '@/core/season/follow-ups';
import { getLaid } from '@/store/laid';
import { planFor, writeRounds, type ItemPlaced } from '@/store/rounds';
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
  const named =
    <T extends { id: string; name: string }>(of: readonly T[]) =>
    (id: string) =>
      of.find((o) => o.id === id)?.name ?? 'another one';
  const jobNamed = (id: string) => titleOf(f.problem.jobs.find((j) => j.id === id)!);
  const names = {
    crew: named(x.problem.crews),
    place: named(x.problem.places),
    job: jobNamed,
    kit: (key: string) => `What ${key} needs`,
  };
  return broken(x, slotOf, places).map(({ job, limit }) => {
    const j = f.problem.jobs[job]!;
    const slot = slotOf[job]!;
    const on = slot < 0 ? '' : `, ${dayWords(placedAt(x, slot).day)}`;
    return { path: `jobs.${j.id}`, sentence: `${titleOf(j)}${on}: ${limitWords(limit, names)}` };
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

/**
 * Plans and visits of programmes are for the day of their round from now on; calendars follow. A visit of a programme is moved
 * by its own laying, which knows what its label leaves and takes what comes after it along.
 */
async function moveWith(
  context: Context,
  f: Fortnight,
  placed: readonly ItemPlaced[],
  crewName: (id: string) => string,
) {
  const own: { planId: string; day: Day }[] = [];
  const moves = new Map<string, { treeIds: Set<string>; byHand: Map<string, { day: Day; because: string | null }> }>();
  for (const p of placed) {
    const plan = f.plans.get(p.itemId);
    if (plan !== undefined && plan !== p.day) own.push({ planId: p.itemId, day: p.day });
    const visit = f.visits.get(p.itemId);
    if (!visit || visit.day === p.day) continue;
    const of = moves.get(visit.laidId) ?? { treeIds: new Set(), byHand: new Map() };
    const inTime = p.day >= visit.earliest && p.day <= visit.latest;
    of.byHand.set(visit.visitId, { day: p.day, because: inTime ? null : `The round of ${crewName(p.crewId)}` });
    of.treeIds.add(visit.treeId);
    moves.set(visit.laidId, of);
  }
  await planFor(context.viewer, own);
  const faults: Fault[] = [];
  for (const [laidId, { treeIds, byHand }] of moves) {
    const laid = await getLaid(context.viewer, laidId);
    if (!laid || laid.endedOn) continue;
    const moved = await moveTo(context, laid, [...treeIds], byHand);
    if (!moved.ok)
      faults.push(...moved.faults.map((x) => ({ ...x, sentence: `${laid.programme.name}. ${x.sentence}` })));
  }
  return faults;
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
    const placed = placedItems(fortnight, x, slotOf, places, new Set(p.locked));
    const stands = new Set(placed.map((i) => i.itemId));
    const out = fortnight.problem.jobs.flatMap((j) => j.items.map((i) => i.id)).filter((id) => !stands.has(id));
    await writeRounds(viewer, v7, placed, out);
    const kept = await moveWith(context, fortnight, placed, (id) => problem.crews.find((c) => c.id === id)!.name);
    // What is refused here is undone with all that was written before it.
    if (kept.length) return { ok: false, faults: kept };
    return {
      ok: true,
      value: {
        rounds: new Set(placed.map((i) => `${i.crewId} ${i.day}`)).size,
        left: slotOf.filter((s) => s < 0).length,
      },
    };
  },
});
