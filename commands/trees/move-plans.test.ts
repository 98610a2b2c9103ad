import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { ownCompany } from '@/commands/testing';
import { treatmentContextFor } from '@/facts/treatment-context';
import { detectionsNear, treeOf } from '@/facts/tree';
import { NO_YEAR } from '@/core/season/year';
import { fair } from '@/stand-ins/weather/fair';
import { heldBy } from '@/store/stock';
import { todayView } from '@/views/today';
import { loadViewer, type Viewer } from '@/store/auth';
import { openPlans, plannedBetween } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { yearVisits } from '@/store/year-visits';
import { seasonView } from '@/views/schedule';
import { planDaysView } from '@/views/plan-days';
import { cancelPlan } from './cancel-plan';
import { movePlans } from './move-plans';
import { elmAvenue, NOVEMBER } from './testing';

const made = ownCompany();
let avenue: Awaited<ReturnType<typeof elmAvenue>>;
let viewer: Viewer;
beforeAll(async () => {
  avenue = await elmAvenue(made);
  viewer = avenue.viewer;
});

/** A plan on a new elm, in its window: from the first of May. */
async function planned(tag: string) {
  const input = avenue.asked(await avenue.soundElm(tag));
  expect(await avenue.planIt(input)).toMatchObject({ ok: true });
  return input.id;
}
const move = (planIds: string[], day: string, more: object = {}, who = viewer) =>
  perform(movePlans, { viewer: who, receivedAt: NOVEMBER, station: fair }, { planIds, day, ...more });
const stands = async (id: string) => (await openPlans(viewer, 1000)).find((p) => p.id === id);

it('moves plans to another day with the span they may move in; the sheet stays, and a calendar hears of it', async () => {
  const ids = [await planned('M1'), await planned('M2')];
  const [was] = [await stands(ids[0]!)];
  expect(await move(ids, '2027-06-14')).toEqual({ ok: true, value: { moved: 2 } });
  for (const id of ids)
    expect(await stands(id)).toMatchObject({ plannedFor: '2027-06-14', earliest: '2027-05-01', product: was!.product });
  const told = await plannedBetween(viewer, '2027-06-14', '2027-06-14');
  expect(told.filter((p) => ids.includes(p.id)).map((p) => p.moves)).toEqual([1, 1]);
  // Sent again it moves once more to where it stands, and breaks nothing.
  expect(await move(ids, '2027-06-14')).toMatchObject({ ok: true });
});

it('to today too: what the day itself will tell is asked on the sheet', async () => {
  const id = await planned('N1');
  expect(await move([id], '2026-11-26', { because: 'The client is here only now.' })).toMatchObject({ ok: true });
  expect(await stands(id)).toMatchObject({ plannedFor: '2026-11-26', earliest: '2026-11-26', latest: '2026-11-26' });
});

it('what holds wants a reason, which is kept with the plan', async () => {
  const id = await planned('H1');
  // February lies outside the label’s months.
  const answer = await move([id], '2027-02-01');
  expect(answer).toMatchObject({
    ok: false,
    issues: [{ path: 'because', message: expect.stringMatching(/H1 on 1 Feb/) }],
  });
  expect(await stands(id)).toMatchObject({ plannedFor: '2027-05-01' });
  expect(await move([id], '2027-02-01', { because: 'A trial, agreed with the regulator.' })).toMatchObject({
    ok: true,
  });
  const [row] = await made.owner<{ released: object }[]>`select released from treatment_plan where id = ${id}`;
  expect(Object.values(row!.released)).toContain('A trial, agreed with the regulator.');
});

it.each([
  ['a day that has passed', '2026-11-01', 'day'],
  ['a day in three years', '2029-11-01', 'day'],
  ['what is no day', 'June', 'day'],
])('%s is refused, and nothing moves', async (_, day, path) => {
  const id = await planned(`X${v7().slice(-8)}`);
  expect(await move([id], day)).toMatchObject({ ok: false, issues: [{ path }] });
  expect(await stands(id)).toMatchObject({ plannedFor: '2027-05-01' });
});

it('a day on which the licence has run out stops it, whatever the reason; and none of the others move', async () => {
  const ids = [await planned('L1'), await planned('L2')];
  const answer = await move(ids, '2028-06-01', { because: 'It suits everybody.' });
  expect(answer).toMatchObject({ ok: false });
  expect(answer.ok ? [] : answer.issues.map((f) => f.path)).toContain(`planIds.${ids[0]}`);
  for (const id of ids) expect(await stands(id)).toMatchObject({ plannedFor: '2027-05-01' });
});

it('what is done or dropped, what is another company’s, and who may not prescribe, move nothing', async () => {
  const [dropped, own] = [await planned('D1'), await planned('D2')];
  await perform(cancelPlan, { viewer, receivedAt: NOVEMBER, station: fair }, { id: dropped, drop: true });
  expect(await move([dropped, own], '2027-06-01')).toMatchObject({ ok: false, issues: [{ path: 'planIds' }] });
  expect(await move([own, v7()], '2027-06-01')).toMatchObject({ ok: false, issues: [{ path: 'planIds' }] });
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await move([own], '2027-06-01', {}, theirs)).toMatchObject({ ok: false });
  expect(await move([own], '2027-06-01', {}, { ...viewer, role: 'technician' })).toMatchObject({ ok: false });
  expect(await stands(own)).toMatchObject({ plannedFor: '2027-05-01' });
});

describe('on which days it may stand', () => {
  it('is told for the coming year: shut until the label’s months and the leaf open it; it does not stand in its own way', async () => {
    const id = await planned('S1');
    const days = (await planDaysView(viewer, id, fair, NOVEMBER))!;
    const on = (day: string) => days.spans.find((s) => s.from <= day && day <= s.to)!.bounds;
    expect(on('2027-02-01').map((b) => b.by)).toEqual(expect.arrayContaining(['months', 'leaf']));
    expect(on('2027-06-14')).toEqual([]);
    expect(on('2027-05-01')).toEqual([]);
    expect(days.fits!.length).toBeGreaterThan(5);
  });

  it('of what does not wait here, nothing is told', async () => {
    const id = await planned('S2');
    const theirs = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await planDaysView(theirs, id, fair, NOVEMBER)).toBeNull();
    await perform(cancelPlan, { viewer, receivedAt: NOVEMBER, station: fair }, { id, drop: true });
    expect(await planDaysView(viewer, id, fair, NOVEMBER)).toBeNull();
  });
});

describe('the visits of a place', () => {
  it('planned for its own day it waits today; long ago, it stands where it was planned, and is over', async () => {
    const { owner, o } = made;
    const [fresh, old] = [await planned('Y1'), await planned('Y2')];
    await owner`update treatment_plan set planned_for = null, earliest = null, latest = null, at = '2026-11-20' where id = ${fresh}`;
    await owner`update treatment_plan set planned_for = null, earliest = null, latest = null, at = '2026-02-03' where id = ${old}`;
    const all = await yearVisits({
      scope: viewer,
      siteId: o.siteId,
      from: '2026-01-01',
      to: '2026-12-31',
      today: '2026-11-26',
    });
    const on = (id: string) => all.filter((v) => v.id === id).map((v) => [v.day, v.latest]);
    expect(on(fresh)).toEqual([['2026-11-26', '2026-11-26']]);
    expect(on(old)).toEqual([['2026-02-03', '2026-02-03']]);
    expect((await todayView(viewer, NOVEMBER, fair)).over.map((p) => p.id)).toContain(old);
  });

  it('go on after the next one as the plan of the tree has it, in ten years that are asked for; nothing of them is moved or sold', async () => {
    const id = await planned('W1');
    const read = async (to: string) =>
      (
        await seasonView({ viewer, now: NOVEMBER, stationFor: fair, from: '2026-11-26', to, siteId: made.o.siteId })
      ).at!.visits.filter((v) => v.tag === 'W1');
    expect((await read('2027-12-31')).map((v) => [v.state, v.day])).toEqual([['planned', '2027-05-01']]);
    const ten = await read('2036-11-25');
    expect(ten[0]).toMatchObject({ id, state: 'planned' });
    expect(ten.length).toBeGreaterThan(1);
    expect(ten.slice(1).every((v) => v.state === 'again' && v.day > '2028-01-01' && !v.accepted)).toBe(true);
    // What is dropped does not come again.
    await perform(cancelPlan, { viewer, receivedAt: NOVEMBER, station: fair }, { id, drop: true });
    expect(await read('2036-11-25')).toEqual([]);
  });

  it('are what waits and what is done, within the days that are asked for; what is dropped is none', async () => {
    const { o } = made;
    const [kept, dropped] = [await planned('V1'), await planned('V2')];
    await perform(cancelPlan, { viewer, receivedAt: NOVEMBER, station: fair }, { id: dropped, drop: true });
    const read = (from: string, to: string, who = viewer) =>
      yearVisits({ scope: who, siteId: o.siteId, from, to, today: '2026-11-26' });
    const found = (await read('2027-01-01', '2027-12-31')).find((v) => v.id === kept);
    expect(found).toMatchObject({
      kind: 'plan',
      tag: 'V1',
      state: 'planned',
      day: '2027-05-01',
      conditionId: 'dutch-elm-disease',
      put: { method: 'trunk-injection' },
      assignment: null,
    });
    const all = await read('2020-01-01', '2030-12-31');
    expect(all.some((v) => v.id === dropped)).toBe(false);
    // It may be done from May on: a span that ends before that has nothing of it.
    expect((await read('2027-01-01', '2027-04-30')).some((v) => v.id === kept)).toBe(false);
    expect(await read('2020-01-01', '2030-12-31', (await loadViewer(await makeCompany(made.owner)))!)).toEqual([]);
  });
});

it('a plan whose time is over stands on no crew’s list, is told apart, and stops no other plan', async () => {
  const { owner } = made;
  const id = await planned('Z1');
  await owner`update treatment_plan set planned_for = '2026-06-01', earliest = '2026-05-01', latest = '2026-08-31' where id = ${id}`;
  const today = await todayView(viewer, NOVEMBER, fair);
  expect(today.over.map((p) => p.id)).toContain(id);
  expect(today.plans.map((p) => p.id)).not.toContain(id);
  const tree = (await treeOf(viewer, (await stands(id))!.treeId, NOVEMBER))!;
  const held = await heldBy(viewer);
  const s = treatmentContextFor(viewer, tree, {
    held,
    detections: await detectionsNear(viewer, tree),
    now: NOVEMBER,
    problem: null,
    year: NO_YEAR,
  });
  expect(s.alsoPlanned).toEqual([]);
});
