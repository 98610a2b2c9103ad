import { perform } from '@/commands/command';
import { maritime } from '@/commands/programmes/testing';
import { ownCompany } from '@/commands/testing';
import type { StationFor } from '@/core/weather/station';
import { loadViewer, type Viewer } from '@/store/auth';
import { openPlans } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { planMovesView } from '@/views/plan-days';
import { followPlans } from './follow-plans';
import { movePlans } from './move-plans';
import { planTreatment } from './plan-treatment';
import { colder, elmAvenue, NOVEMBER } from './testing';

const made = ownCompany();
const APRIL = new Date('2027-04-20T10:00:00Z');
let avenue: Awaited<ReturnType<typeof elmAvenue>>;
let viewer: Viewer;
const planned: string[] = [];
const at = (now: Date, station: StationFor, who = viewer) => ({ viewer: who, receivedAt: now, station });
const stands = async (id: string) => (await openPlans(viewer, 1000)).find((p) => p.id === id)!;
const seen = (station: StationFor) => planMovesView(viewer, made.o.siteId, station, APRIL);
const late = colder(3);

beforeAll(async () => {
  avenue = await elmAvenue(made);
  viewer = avenue.viewer;
  for (const tag of ['F1', 'F2', 'F3', 'F4']) {
    const input = avenue.asked(await avenue.soundElm(tag));
    expect(await perform(planTreatment, at(NOVEMBER, maritime), input)).toMatchObject({ ok: true });
    planned.push(input.id);
  }
  // One is put on a day of its own, far from the opening.
  expect(await perform(movePlans, at(NOVEMBER, maritime), { planIds: [planned[3]], day: '2027-07-20' })).toMatchObject({
    ok: true,
  });
});

it('the heat of a late spring moves the plans that waited for the leaf, by days, with the reason; and none before a press', async () => {
  const was = (await stands(planned[0]!)).plannedFor!;
  const view = (await seen(late))!;
  expect(view.moves.map((m) => m.tag)).toEqual(['F1', 'F2', 'F3']);
  for (const m of view.moves) {
    expect(m.was.plannedFor).toBe(was);
    const days = (Date.parse(m.now!.plannedFor) - Date.parse(was)) / 864e5;
    expect(days).toBeGreaterThan(2);
    expect(days).toBeLessThan(60);
    expect(m.opens).toContainEqual({ by: 'leaf', expected: expect.objectContaining({ code: 19 }) });
  }
  expect((await stands(planned[0]!)).plannedFor).toBe(was);

  expect(await perform(followPlans, at(APRIL, late), { siteId: made.o.siteId, seen: view.seen })).toEqual({
    ok: true,
    value: { moved: 3 },
  });
  const to = view.moves[0]!.now!;
  for (const id of planned.slice(0, 3))
    expect(await stands(id)).toMatchObject({ plannedFor: to.plannedFor, earliest: to.earliest });
  expect((await stands(planned[3]!)).plannedFor).toBe('2027-07-20');
  // Followed once, everything stands.
  expect((await seen(late))!.moves).toEqual([]);
});

it('what somebody saw is what is made: when the season has moved on since, it is shown again', async () => {
  const view = (await seen(maritime))!;
  expect(view.moves.length).toBeGreaterThan(0);
  const answer = await perform(followPlans, at(APRIL, colder(6)), { siteId: made.o.siteId, seen: view.seen });
  expect(answer).toMatchObject({ ok: false, issues: [{ path: 'seen' }] });
});

it('is the company’s own, and for whoever may prescribe', async () => {
  const view = (await seen(maritime))!;
  const input = { siteId: made.o.siteId, seen: view.seen };
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await planMovesView(theirs, made.o.siteId, maritime, APRIL)).toBeNull();
  expect(await perform(followPlans, at(APRIL, maritime, theirs), input)).toMatchObject({ ok: false });
  expect(await perform(followPlans, at(APRIL, maritime, { ...viewer, role: 'technician' }), input)).toMatchObject({
    ok: false,
  });
});
