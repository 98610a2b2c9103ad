import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { installDevices } from '@/commands/devices/install-devices';
import { removeDevices } from '@/commands/devices/remove-devices';
import { receiveLot } from '@/commands/stock/receive-lot';
import { doneBy, ownCompany } from '@/commands/testing';
import { cancelPlan } from '@/commands/trees/cancel-plan';
import { AIR, elmAvenue, elmInfusion } from '@/commands/trees/testing';
import { fair } from '@/stand-ins/weather/fair';
import type { Viewer } from '@/store/auth';
import { installedDevicesOf } from '@/store/devices';
import { getPlan, openPlans } from '@/store/plans';
import { applyView } from '@/views/tree';
import { todayView } from '@/views/today';
import { amendRecord } from '@/commands/records/amend-record';
import { recordTreatment } from './record-treatment';

const made = ownCompany();
let avenue: Awaited<ReturnType<typeof elmAvenue>>;
let viewer: Viewer;
const lotId = v7();
beforeAll(async () => {
  avenue = await elmAvenue(made);
  viewer = avenue.viewer;
  const lot = { labelKey: elmInfusion.key, lotNumber: 'E-1', expiresOn: '2031-01-01', amount: '100', unit: 'L' };
  expect(await doneBy(receiveLot, viewer, { moveId: v7(), lotId, ...lot })).toMatchObject({ ok: true });
});

const MORNING = new Date('2027-06-14T08:00:00Z');
const at = (minutes: number) => new Date(MORNING.getTime() + minutes * 60_000);
const by = (now: Date) => ({ viewer, receivedAt: now, station: fair });
const DAY = 24 * 60;

/** Hangs a plan and pulls it after an hour with such a part of it left; what is sent to book what went in. */
async function removedWith(planId: string, leftPart: number, from: number) {
  const hangs = {
    id: v7(),
    planId,
    at: at(from).toISOString(),
    guarded: 'signed',
    said: { collar: 'sound' },
    soil: 'moist',
  };
  const why = { leaf: 'full', weather: { ...AIR, at: at(from).toISOString() }, deviation: 'Asked by word of mouth.' };
  expect(await perform(installDevices, by(at(from)), { ...hangs, ...why })).toMatchObject({ ok: true });
  const devices = (await installedDevicesOf(viewer, planId)).map((d) => ({ id: d.id, leftMl: d.putMl * leftPart }));
  const removed = { id: v7(), at: at(from + 60).toISOString(), devices };
  expect(await perform(removeDevices, by(at(from + 60)), removed)).toMatchObject({ ok: true });
  const plan = (await getPlan(viewer, planId))!;
  if (!plan.result.dose.ok) throw new Error('no dose');
  const whole = plan.result.dose.product;
  const input = {
    id: v7(),
    planId,
    amount: whole * (1 - leftPart),
    startedAt: at(from).toISOString(),
    endedAt: at(from + 60).toISOString(),
    lotId,
    weather: { ...AIR, at: at(from).toISOString() },
    soil: 'moist',
    leaf: 'full',
    said: { collar: 'sound' },
    released: {},
    protection: plan.label.uses[0]!.protection,
    deviation: 'It took no more before dark.',
    mark: '',
    note: '',
    photoIds: [],
  };
  return { whole, input, now: at(from + 61) };
}
/** An infusion on a sound elm that waits for its window. */
async function planned(tag: string) {
  const input = avenue.asked(await avenue.soundElm(tag));
  expect(await avenue.planIt(input)).toMatchObject({ ok: true });
  return { planId: input.id, treeId: input.treeId };
}
const openOf = async (treeId: string) => (await openPlans(viewer)).filter((p) => p.treeId === treeId);

it('half of it pulled unfinished: the other half waits as a visit of the next day, dosed as the rest, and nothing more', async () => {
  const { planId, treeId } = await planned('R1');
  const { whole, input, now } = await removedWith(planId, 0.5, 0);
  expect(await perform(recordTreatment, by(now), input)).toMatchObject({
    ok: true,
    value: { rest: { planned: '2027-06-15' } },
  });
  const [rest, ...more] = await openOf(treeId);
  expect(more).toEqual([]);
  expect(rest).toMatchObject({ plannedFor: '2027-06-15', earliest: '2027-06-15', latest: '2027-06-28' });
  expect(rest!.product! / whole).toBeCloseTo(0.5, 2);
  // Sent again, there is one.
  await perform(recordTreatment, by(now), input);
  expect(await openOf(treeId)).toHaveLength(1);
  // On its day it is on Today, and its sheet asks what the label says of it, and of nothing else that the first half brought.
  expect((await todayView(viewer, at(DAY), fair)).plans.map((p) => p.id)).toContain(rest!.id);
  const { sheet } = (await applyView(viewer, treeId, at(DAY), fair, rest!.id))!;
  const asked = sheet!.plan.result.gates.map((g) => g.id);
  expect(asked).toContain('rest-of-treatment');
  expect(asked).not.toContain('interval');

  // A quarter of the whole is left of that: the next visit is for a quarter.
  const second = await removedWith(rest!.id, 0.5, DAY);
  expect(await perform(recordTreatment, by(second.now), second.input)).toMatchObject({
    ok: true,
    value: { rest: { planned: '2027-06-16' } },
  });
  const [last] = await openOf(treeId);
  expect(last!.product! / whole).toBeCloseTo(0.25, 2);
  const done = await removedWith(last!.id, 0, 2 * DAY);
  expect(await perform(recordTreatment, by(done.now), done.input)).toMatchObject({ ok: true, value: { rest: null } });
  expect(await openOf(treeId)).toEqual([]);
  const [{ sum } = { sum: NaN }] = await made.owner<{ sum: number }[]>`
    select sum((data->>'amount')::float8)::float8 as sum from record where tree_id = ${treeId} and latest`;
  expect(sum).toBeLessThanOrEqual(whole * 1.001);
});

it('what all went in, or nearly, leaves nothing to come back for; a rest is dropped with a press', async () => {
  const all = await planned('R2');
  const whole = await removedWith(all.planId, 0.05, 0);
  expect(await perform(recordTreatment, by(whole.now), whole.input)).toMatchObject({ ok: true, value: { rest: null } });
  expect(await openOf(all.treeId)).toEqual([]);
  const half = await planned('R3');
  const part = await removedWith(half.planId, 0.4, 0);
  await perform(recordTreatment, by(part.now), part.input);
  const [rest] = await openOf(half.treeId);
  expect(await perform(cancelPlan, by(part.now), { id: rest!.id, drop: true })).toMatchObject({ ok: true });
  expect(await openOf(half.treeId)).toEqual([]);
});

it('what another put on counts: where the label leaves no room for the rest, it is said and nothing is planned', async () => {
  const { planId, treeId } = await planned('R4');
  const { input, now } = await removedWith(planId, 0.5, 0);
  // Somebody else has put its active on this tree the day before.
  await made.owner`
    insert into others_applied (id, company_id, tree_id, site_id, active, grams, on_day, who, by_person)
    values (${v7()}, ${made.o.companyId}, ${treeId}, ${made.o.siteId}, 'thiabendazole', 10, '2027-06-13', 'The town', ${made.o.personId})`;
  expect(await perform(recordTreatment, by(now), input)).toMatchObject({
    ok: true,
    value: { rest: { stopped: expect.stringMatching(/^Too soon: /) } },
  });
  expect(await openOf(treeId)).toEqual([]);
});

it('a correction of what went in drops the visit for its rest: never two of it, and what is still out is asked', async () => {
  const corrected = async (tag: string, more: (whole: number) => object) => {
    const { planId, treeId } = await planned(tag);
    const { whole, input, now } = await removedWith(planId, 0.5, 0);
    expect(await perform(recordTreatment, by(now), input)).toMatchObject({ ok: true });
    expect(await openOf(treeId)).toHaveLength(1);
    const { id: rootId, amount, startedAt, endedAt } = input;
    const same = { rootId, amount, startedAt, endedAt, lotId, note: '', mark: '', deviation: '', withdrawn: false };
    const correction = { ...same, id: v7(), reason: 'Read off the wrong mark.', ...more(whole) };
    expect(await perform(amendRecord, by(now), correction)).toMatchObject({ ok: true });
    const asked = await made.owner<{ what: string }[]>`
      select what from follow_up where tree_id = ${treeId} and rule_id = 'own' and state = 'open'`;
    return { planId, open: await openOf(treeId), asked: asked.map((f) => f.what) };
  };
  expect(await corrected('R5', (whole) => ({ amount: whole * 0.95 }))).toMatchObject({
    open: [],
    asked: ['Plan what is still out of the dose'],
  });
  // Withdrawn, none of it went in: the whole waits again by its own plan, and nothing beside it.
  const { planId, open, asked } = await corrected('R6', () => ({ withdrawn: true }));
  expect([open.map((p) => p.id), asked]).toEqual([[planId], []]);
  // A word in the note changes nothing of the rest.
  expect((await corrected('R7', () => ({ note: 'By the gate.' }))).open).toHaveLength(1);
});
