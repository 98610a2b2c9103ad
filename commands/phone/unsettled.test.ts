import { v7 } from 'uuid';
import { commandNamed } from '@/commands';
import { perform } from '@/commands/command';
import { NOW, ownCompany } from '@/commands/testing';
import { startDay } from '@/commands/jobs/start-day';
import { finishDay } from '@/commands/jobs/finish-day';
import { markNotDone } from '@/commands/jobs/mark-not-done';
import { addToDay } from '@/commands/jobs/add-to-day';
import { saveCrew } from '@/commands/jobs/save-crew';
import { planWork } from '@/commands/trees/plan-work';
import { dayView } from '@/views/day';
import { crewDaysBetween } from '@/store/crew-days';
import { recordTreatment } from '@/commands/trees/record-treatment';
import { finishWork } from '@/commands/trees/finish-work';
import { drenchRow } from '@/commands/trees/testing';
import { treatmentContextFor } from '@/facts/treatment-context';
import { detectionsNear, treeOf } from '@/facts/tree';
import type { Send } from '@/core/phone/send';
import { NO_YEAR } from '@/core/season/year';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer } from '@/store/auth';
import { getPlan, openVisits } from '@/store/plans';
import { syncConflicts } from '@/store/phones';
import { heldBy } from '@/store/stock';
import { rowView } from '@/views/row';
import { todayView } from '@/views/today';
import { handshake } from './handshake';
import { receive } from './receive';
import { settle } from './settle-conflict';

const made = ownCompany();
const row = drenchRow(made);
const phoneId = v7();
const DAY = 86_400_000;
const at = (now = NOW) => ({ viewer: row.viewer, receivedAt: now, station: fair });
const sends = (verb: string, input: { id: string }, doneAt = NOW): Send => ({
  id: input.id,
  verb,
  what: `A ${verb}`,
  input,
  at: doneAt.toISOString(),
  clockAt: doneAt.toISOString(),
});
const sent = (of: Send[], now = new Date(NOW.getTime() + 60_000)) =>
  receive(at(now), commandNamed, { phoneId, clockNow: now.toISOString(), sends: of });
const records = async (planIds: readonly string[]) =>
  made.owner<{ plan_id: string; amount: number; gates: { id: string; strength: string }[] }[]>`
    select plan_id, (data->>'amount')::float8 as amount, data->'gates' as gates
    from record where plan_id = any(${[...planIds]})`;
beforeAll(async () => {
  await handshake(row.viewer, NOW, { phoneId, name: 'P', clockNow: NOW.toISOString(), waiting: 0 });
});
/** A row as a phone sends it: what each tree was given is a figure. */
const rowOf = async (planIds: string[]) => {
  const input = row.sent(planIds);
  const amounts = await Promise.all(
    planIds.map(async (id) => {
      const { dose } = (await getPlan(row.viewer, id))!.result;
      return dose.ok ? dose.product : 0;
    }),
  );
  return { ...input, rows: input.rows.map((r, i) => ({ ...r, amount: amounts[i]! })) };
};

it('one tree of a row that does not go takes no other with it: what was done lands, and waits to be settled by itself', async () => {
  await row.restock(500);
  const ids = [await row.planned('U1', 20), await row.planned('U2', 30), await row.planned('U3', 25)];
  const input = await rowOf(ids);
  // The office dropped one of them while the crew was out of reach.
  await made.owner`update treatment_plan set state = 'dropped' where id = ${ids[1]!}`;
  const [synced] = (await sent([sends('record-treatments', input)]))!.synced;
  expect(synced).toMatchObject({ ok: false });
  const kept = await records(ids);
  expect(kept.map((r) => r.plan_id).sort()).toEqual([ids[0], ids[2]].sort());
  expect(kept.find((r) => r.plan_id === ids[0])!.amount).toBeCloseTo(input.rows[0]!.amount, 9);
  const waits = (await syncConflicts(row.viewer)).filter((n) => JSON.stringify(n.input).includes(ids[1]!));
  expect(waits).toHaveLength(1);
  // Sent once more, since the answer was lost: nothing is doubled.
  await sent([sends('record-treatments', input)]);
  expect(await records(ids)).toHaveLength(2);
  expect((await syncConflicts(row.viewer)).filter((n) => JSON.stringify(n.input).includes(ids[1]!))).toHaveLength(1);
});

it('a treatment that was done and refused is done: no page offers it, nobody books it again, and the interval counts it', async () => {
  await row.restock(500);
  const [planId, other] = [await row.planned('U4', 30), await row.planned('U5', 30)];
  const dose = (await getPlan(row.viewer, planId))!.result.dose;
  if (!dose.ok) throw new Error('no dose');
  // A bottle that the shelf does not know: refused, and done all the same.
  const refused = row.booked(planId, dose.product, { lotId: v7() });
  expect((await sent([sends('record-treatment', refused)]))!.synced[0]).toMatchObject({ ok: false });
  const today = await todayView(row.viewer, NOW, fair);
  expect(today.unsettled.map((p) => p.id)).toContain(planId);
  expect(today.plans.map((p) => p.id)).not.toContain(planId);
  expect((await rowView(row.viewer, other, NOW))!.trees.map((t) => t.planId)).not.toContain(planId);
  const treeId = (await getPlan(row.viewer, planId))!.treeId;
  expect((await treeOf(row.viewer, treeId, NOW))!.unsettled).toMatchObject([{ planId, byName: row.viewer.name }]);
  const again = await perform(recordTreatment, at(), row.booked(planId, dose.product));
  expect(again).toMatchObject({ ok: false, issues: [{ path: 'planId', message: expect.stringMatching(/settle/i) }] });
  expect(await records([planId])).toEqual([]);
  // Another plan of the same tree meets the interval of what was done.
  const { earlier } = await treatmentContextAt(treeId);
  expect(earlier).toEqual(expect.arrayContaining([expect.objectContaining({ unsettledPlan: planId })]));
  // Settled by whoever did it, it is in the book, once.
  await made.owner`update sync_conflict set input = jsonb_set(input, '{lotId}', to_jsonb(${made.o.lotId}::text)) where id = ${refused.id}`;
  expect(await settle({ ...at(), occurredAt: NOW }, commandNamed, { how: 'send again', id: refused.id })).toMatchObject(
    {
      ok: true,
    },
  );
  expect(await records([planId])).toHaveLength(1);
  expect((await treeOf(row.viewer, treeId, NOW))!.unsettled).toEqual([]);
});

async function treatmentContextAt(treeId: string) {
  const tree = (await treeOf(row.viewer, treeId, NOW))!;
  return treatmentContextFor(row.viewer, tree, {
    held: await heldBy(row.viewer),
    detections: await detectionsNear(row.viewer, tree),
    now: NOW,
    problem: null,
    year: NO_YEAR,
  });
}

it('what a phone sent and nobody can read names no plan, and stops no page', async () => {
  await sent([
    sends('record-treatment', { id: v7(), planId: 'nonsense' } as { id: string }),
    sends('record-treatments', { id: v7(), rows: 5 } as never),
  ]);
  expect((await todayView(row.viewer, NOW, fair)).plans.length).toBeGreaterThanOrEqual(0);
  expect((await treeOf(row.viewer, made.o.treeId, NOW))!.unsettled).toEqual([]);
});

it('a job is judged by the day on which it was done: a licence that ended since, and one that had not begun to', async () => {
  await row.restock(500);
  const [before, after] = [await row.planned('U6', 20), await row.planned('U7', 20)];
  const dose = (await getPlan(row.viewer, before))!.result.dose;
  if (!dose.ok) throw new Error('no dose');
  await made.owner`update person set licence_expires = '2026-05-30' where id = ${made.o.personId}`;
  const who = (await loadViewer(made.o))!;
  const on = (day: string, planId: string) =>
    row.booked(planId, dose.product, { startedAt: `${day}T08:00:00Z`, endedAt: `${day}T09:00:00Z` });
  const lands = (input: { id: string }, day: string) =>
    perform(
      recordTreatment,
      { viewer: who, receivedAt: new Date(NOW.getTime() + 2 * DAY), station: fair },
      { ...input, occurredAt: `${day}T09:00:00Z` },
    );
  expect(await lands(on('2026-05-28', before), '2026-05-28')).toMatchObject({ ok: true });
  expect((await records([before]))[0]!.gates.filter((g) => /licence/.test(g.id) && g.strength === 'stop')).toEqual([]);
  await lands(on('2026-05-31', after), '2026-05-31');
  expect((await records([after]))[0]!.gates.filter((g) => /licence/.test(g.id) && g.strength === 'stop').length).toBe(
    1,
  );
  await made.owner`update person set licence_expires = '2028-01-01' where id = ${made.o.personId}`;
});

it.each([
  ['three days late', '2026-06-01T15:00:00Z', 3 * DAY, '2026-06-01'],
  ['over a New Year', '2026-12-31T22:00:00Z', 2 * DAY, '2026-12-31'],
  ['over a clock change, by the clock of the site', '2026-10-24T23:30:00Z', 2 * DAY, '2026-10-25'],
])('a work that was finished without signal is of its own day, %s', async (_, doneAt, late, day) => {
  const [id, treeId] = [v7(), (await getPlan(row.viewer, await row.planned(`W${day}`, 20)))!.treeId];
  await made.owner`
    insert into work_plan (id, company_id, tree_id, work_id, answers, document, sheet, sheet_us, by_person, at)
    values (${id}, ${made.o.companyId}, ${treeId}, 'mulch', '{}', 2, '{"figures":[],"followUps":[]}',
      '{"figures":[],"followUps":[]}', ${made.o.personId}, '2026-05-01')`;
  const now = new Date(Date.parse(doneAt) + late);
  const answer = await perform(finishWork, at(now), { id, done: true, note: '', occurredAt: doneAt });
  expect(answer).toMatchObject({ ok: true });
  const [work] = await made.owner<{ on: string }[]>`select done_on::text as on from work_plan where id = ${id}`;
  expect(work!.on).toBe(day);
});

it('what was hung and refused hangs all the same: nobody is sent to hang it again', async () => {
  await row.restock(500);
  const planId = await row.planned('U8', 20);
  const installed = { id: v7(), planId, at: NOW.toISOString(), guarded: 'signed' };
  // A drench has nothing that hangs: the server takes it for a mistake, and somebody has to look.
  expect((await sent([sends('install-devices', installed)]))!.synced[0]).toMatchObject({ ok: false });
  const today = await todayView(row.viewer, NOW, fair);
  expect(today.unsettled.map((p) => p.id)).toContain(planId);
  expect(today.plans.map((p) => p.id)).not.toContain(planId);
});

it('a work that was finished and refused is offered nowhere before it is settled', async () => {
  const [id, treeId] = [v7(), (await getPlan(row.viewer, await row.planned('U9', 20)))!.treeId];
  await made.owner`
    insert into work_plan (id, company_id, tree_id, work_id, answers, document, sheet, sheet_us, by_person, at)
    values (${id}, ${made.o.companyId}, ${treeId}, 'mulch', '{}', 2, '{"figures":[],"followUps":[]}',
      '{"figures":[],"followUps":[]}', ${made.o.personId}, '2026-05-01')`;
  const offered = async () => (await openVisits(row.viewer)).works.some((w) => w.id === id);
  expect(await offered()).toBe(true);
  const finished = { ...sends('finish-work', { id }), id: v7(), input: { id, done: true, note: 'x'.repeat(2001) } };
  expect((await sent([finished]))!.synced[0]).toMatchObject({ ok: false });
  expect(await offered()).toBe(false);
  await made.owner`
    update sync_conflict set settled = 'set aside', settled_at = now(), settled_by = ${made.o.personId}
    where id = ${finished.id}`;
  expect(await offered()).toBe(true);
});

it('on a day of a crew it stands as done and not recorded: not left, not gone to again, and it keeps no day open', async () => {
  await row.restock(500);
  const day = '2026-06-01';
  const [planId, workId, crewId] = [await row.planned('U20', 30), v7(), v7()];
  const treeId = (await getPlan(row.viewer, planId))!.treeId;
  const work = { id: workId, treeId, workId: 'mulch', answers: {}, on: day, released: {} };
  expect(await perform(planWork, at(), work)).toMatchObject({ ok: true });
  const crew = { id: crewId, name: 'Crew', personIds: [made.o.personId], hours: 'Mon–Fri 08:00–16:00' };
  const rest = { yard: '50.33, −4.12', least: 1, active: true, basedOn: null };
  expect(await perform(saveCrew, at(), { ...crew, ...rest })).toMatchObject({ ok: true });
  const onCrewDay = { day, crewId, itemIds: [planId, workId], anyway: true };
  expect(await perform(addToDay, at(), onCrewDay)).toMatchObject({ ok: true });
  const crewDayId = (await crewDaysBetween(row.viewer, day, day)).find((r) => r.crewId === crewId)!.id;
  expect(await perform(startDay, at(), { crewDayId, at: NOW.toISOString() })).toMatchObject({ ok: true });
  const dose = (await getPlan(row.viewer, planId))!.result.dose;
  if (!dose.ok) throw new Error('no dose');
  // A bottle that nobody knows, and a note that is longer than the book takes.
  await sent([
    sends('record-treatment', row.booked(planId, dose.product, { lotId: v7() })),
    sends('finish-work', { id: workId, done: true, note: 'x'.repeat(2001) } as never),
  ]);
  const seen = (await dayView(row.viewer, crewDayId, NOW, fair))!;
  expect(seen.stops.flatMap((s) => s.items.map((i) => i.stands))).toEqual(['unsettled', 'unsettled']);
  expect(seen.nextSiteId).toBeNull();
  for (const id of [planId, workId])
    expect(await perform(markNotDone, at(), { id: v7(), itemIds: [id], why: 'rain', words: '' })).toMatchObject({
      ok: false,
      issues: [{ message: expect.stringMatching(/was done.*Settle it first/) }],
    });
  const home = { homeAt: NOW.toISOString(), restMinutes: 0, toolsClean: true, bits: 0, stockCounted: true, note: '' };
  expect(
    await perform(finishDay, at(), { id: v7(), crewDayId, home: { ...home, rinse: null }, tell: [] }),
  ).toMatchObject({
    ok: true,
  });
});
