import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { ownCompany } from '@/commands/testing';
import { dayAfter } from '@/lib/calendar/days';
import { loadViewer } from '@/store/auth';
import { assignedVisits, type VisitRow } from '@/store/assignments';
import { openPlans, plannedBetween } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { endAssignment } from './end-assignment';
import { skipVisits } from './skip-visits';
import { assignProgramme } from './assign-programme';
import { moveVisits } from './move-visits';
import { maritime, plantOrchard, type Orchard } from './testing';

const made = ownCompany();
const now = new Date('2026-11-26T10:00:00Z');
let orchard: Orchard;
let assignmentId: string;
beforeAll(async () => {
  orchard = await plantOrchard(made, ['training-07-scab-cover'], { early: 2, late: 0 });
  assignmentId = v7();
  const answer = await perform(
    assignProgramme,
    { viewer: orchard.viewer, receivedAt: now, station: maritime },
    {
      id: assignmentId,
      programme: 'orchard-apple',
      siteId: orchard.siteId,
      treeIds: orchard.early,
      from: '2026-11-26',
      until: '2027-11-25',
      reason: 'Scab in every spring here.',
    },
  );
  expect(answer).toMatchObject({ ok: true });
});
const rows = async (step: string, nth: number): Promise<VisitRow[]> =>
  (await assignedVisits(orchard.viewer, assignmentId, null)).filter((v) => v.step === step && v.nth === nth);
const move = (
  visits: readonly { id: string }[],
  day: string,
  because = 'A wedding in the orchard.',
  viewer = orchard.viewer,
) =>
  perform(
    moveVisits,
    { viewer, receivedAt: now, station: maritime },
    { visitIds: visits.map((v) => v.id), day, because },
  );

it('moves a visit on all its trees, with its plans; what comes after follows, and why is kept', async () => {
  const second = await rows('scab-cover', 2);
  const [was] = second;
  const to = dayAfter(was!.day, 5, 'days');
  expect(await move(second, to)).toEqual({ ok: true, value: { followed: expect.any(Number) } });
  const moved = await rows('scab-cover', 2);
  expect(moved.map((v) => [v.day, v.byHand, v.moves.length])).toEqual([
    [to, 'A wedding in the orchard.', 1],
    [to, 'A wedding in the orchard.', 1],
  ]);
  const plans = await openPlans(orchard.viewer, 1000);
  for (const v of moved) expect(plans.find((p) => p.id === v.planId)?.plannedFor).toBe(to);
  for (const v of await rows('scab-cover', 3)) expect(v.day >= dayAfter(to, 7, 'days')).toBe(true);
});

it('a work and a look move as well', async () => {
  for (const step of ['winter-cut', 'moth-trap']) {
    const of = await rows(step, 1);
    const to = dayAfter(of[0]!.day, 3, 'days');
    expect(await move(of, to)).toMatchObject({ ok: true });
    expect((await rows(step, 1)).map((v) => v.day)).toEqual([to, to]);
  }
  // A calendar learns of both works by the number of their moves.
  const planned = await plannedBetween(orchard.viewer, '2026-11-26', '2027-11-25');
  expect(planned.filter((p) => p.workId === 'open-crown').map((p) => p.moves)).toEqual([1, 1]);
  expect(planned.filter((p) => p.workId === 'sanitation').map((p) => p.moves)).not.toContain(1);
});

it('what waits for a look is moved with its reason, and stays there when something else is settled', async () => {
  const [a] = await rows('summer-cover', 1);
  const to = dayAfter(a!.day, 4, 'days');
  expect(await move([a!], to)).toMatchObject({ ok: true });
  const winter = await rows('winter-cut', 1);
  await move(winter, dayAfter(winter[0]!.day, 1, 'days'));
  expect((await rows('summer-cover', 1)).find((v) => v.id === a!.id)).toMatchObject({ state: 'expected', day: to });
});

it('what is left out says why, has no plan any more, and its series goes on from its day', async () => {
  const second = await rows('scab-cover', 2);
  const third = (await rows('scab-cover', 3)).map((v) => v.day);
  const leave = (because: string, visitIds = second.map((v) => v.id)) =>
    perform(skipVisits, { viewer: orchard.viewer, receivedAt: now, station: maritime }, { visitIds, because });
  expect(await leave('no')).toMatchObject({ ok: false, issues: [{ path: 'because' }] });
  expect(await leave('Dry for three weeks.')).toMatchObject({ ok: true });
  expect((await rows('scab-cover', 2)).map((v) => [v.state, v.because])).toEqual([
    ['off', 'Dry for three weeks.'],
    ['off', 'Dry for three weeks.'],
  ]);
  const open = new Set((await openPlans(orchard.viewer, 1000)).map((p) => p.id));
  expect(second.some((v) => open.has(v.planId!))).toBe(false);
  expect((await rows('scab-cover', 3)).map((v) => v.day)).toEqual(third);
  expect(await leave('Dry for three weeks.')).toMatchObject({ ok: false });
  expect(await leave('Not ours.', [v7()])).toMatchObject({ ok: false });
});

describe('what a move breaks is told, and nothing is moved', () => {
  it.each([
    ['the label’s interval', (v: VisitRow) => dayAfter(v.day, -60, 'days'), /^visitIds\..*/, /not before/],
    ['a day that is past', () => '2026-11-01', /^day$/, /has passed/],
    ['a day after the programme', () => '2028-01-01', /^day$/, /ends on/],
    ['a day in the picking', () => '2027-08-10', /^visitIds\..*/, /E1: /],
  ])('%s', async (_, day, path, words) => {
    const visits = await rows('scab-cover', 3);
    const before = visits.map((v) => v.day);
    const answer = await move(visits, day(visits[0]!));
    expect(answer.ok ? [] : answer.issues.map((f) => [f.path, f.message])).toContainEqual([
      expect.stringMatching(path),
      expect.stringMatching(words),
    ]);
    expect((await rows('scab-cover', 3)).map((v) => v.day)).toEqual(before);
  });
  it('without a reason, by another company, by one who may not prescribe, or once it has ended', async () => {
    const visits = await rows('scab-cover', 3);
    const day = dayAfter(visits[0]!.day, 2, 'days');
    expect(await move(visits, day, 'no')).toMatchObject({ ok: false, issues: [{ path: 'because' }] });
    const theirs = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await move(visits, day, 'A wedding.', theirs)).toMatchObject({ ok: false });
    expect(await move(visits, day, 'A wedding.', { ...orchard.viewer, role: 'technician' })).toMatchObject({
      ok: false,
    });
    await perform(
      endAssignment,
      { viewer: orchard.viewer, receivedAt: now, station: maritime },
      { id: assignmentId, because: 'The orchard is let.' },
    );
    expect(await move(visits, day)).toMatchObject({ ok: false, issues: [{ path: 'visitIds' }] });
  });
});
