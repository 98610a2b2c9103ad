import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { ownCompany } from '@/commands/testing';
import { dayAfter } from '@/lib/calendar/days';
import type { StationFor } from '@/core/weather/station';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { simulatedStation } from '@/stand-ins/weather/station';
import { EMPTY_SITE_MAP } from '@/core/site-map/site-map';
import { loadViewer } from '@/store/auth';
import { dueBetween } from '@/store/follow-ups';
import { assignedVisits, type VisitRow } from '@/store/assignments';
import { openPlans } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { assignOver, markOf } from '@/facts/assigning';
import { getAssignment } from '@/store/assignments';
import { answerInspection } from './answer-inspection';
import { endAssignment } from './end-assignment';
import { followSeason } from './follow-season';
import { recordTreatments } from '@/commands/trees/record-treatments';
import { rowView } from '@/views/row';
import { byDay } from '@/views/today';
import { assignProgramme } from './assign-programme';
import { carryOut, EARLY, maritime, plantOrchard, withRain, type Orchard } from './testing';

const made = ownCompany();
const NOVEMBER = new Date('2026-11-26T10:00:00Z');
const SPAN = { from: '2026-11-26', until: '2027-11-25' };
let orchard: Orchard;
beforeAll(async () => {
  orchard = await plantOrchard(
    made,
    ['training-07-scab-cover', 'training-21-triazole-leaf', 'training-22-dormant-oil'],
    { early: 28, late: 14 },
  );
});

const assignIt = (input: object = {}, now = NOVEMBER, viewer = orchard.viewer) => {
  const id = v7();
  return perform(
    assignProgramme,
    { viewer, receivedAt: now, station: maritime },
    {
      id,
      programme: 'orchard-apple',
      siteId: orchard.siteId,
      treeIds: [...orchard.early, ...orchard.late],
      ...SPAN,
      reason: 'Scab in every spring here.',
      ...input,
    },
  ).then((answer) => ({ id: (input as { id?: string }).id ?? id, answer }));
};
const of = (rows: readonly VisitRow[], step: string, treeId: string) =>
  rows.filter((v) => v.step === step && v.treeId === treeId).sort((a, b) => a.nth - b.nth);

describe('an orchard’s season over 42 trees of two sorts', () => {
  let assignmentId: string;
  const rows = (trees: string[] | null = null) => assignedVisits(orchard.viewer, assignmentId, trees);
  const season = async (station: StationFor, now: Date) => {
    const assignment = (await getAssignment(orchard.viewer, assignmentId))!;
    return (
      await assignOver({
        viewer: orchard.viewer,
        stationFor: station,
        now,
        assigning: assignment,
        assignmentId,
        treeIds: [...orchard.early, ...orchard.late],
      })
    ).trees;
  };

  it('is planned in one press: covers from green tip, each its interval after the one before', async () => {
    const { id, answer } = await assignIt();
    assignmentId = id;
    expect(answer).toMatchObject({ ok: true });
    const [tree] = orchard.early;
    const covers = of(await rows(), 'scab-cover', tree!);
    expect(covers.length).toBeGreaterThanOrEqual(4);
    expect(covers.every((v) => v.state === 'planned' && v.planId !== null)).toBe(true);
    for (let i = 1; i < covers.length; i++) {
      const days = (Date.parse(covers[i]!.day) - Date.parse(covers[i - 1]!.day)) / 864e5;
      expect(days).toBeGreaterThanOrEqual(7);
      expect(days).toBeLessThanOrEqual(14);
    }
    // Every tree of it, and what the crew opens is a plan like any other.
    const plans = (await openPlans(orchard.viewer, 1000)).filter((p) => p.treeId === tree);
    expect(plans.map((p) => p.plannedFor)).toEqual(covers.map((v) => v.day));
    expect(new Set((await rows()).map((v) => v.treeId)).size).toBe(42);
  });

  it('takes no group twice in a row, whatever was given as a reason', async () => {
    for (const tree of [orchard.early[0]!, orchard.late[0]!]) {
      const covers = of(await rows([tree]), 'scab-cover', tree).map((v) => v.labelKey);
      const triazole = covers.filter((k) => k === 'training-21-triazole-leaf');
      expect(triazole.length).toBeLessThanOrEqual(1);
    }
  });

  it('what waits for a look has no plan; its answer plans it, and the picking of each sort ends it', async () => {
    const june = new Date('2027-06-02T10:00:00Z');
    const both = [orchard.early[0]!, orchard.late[0]!];
    const before = await rows(both);
    const waiting = before.filter((v) => v.step === 'summer-cover');
    expect(new Set(waiting.map((v) => v.state))).toEqual(new Set(['expected', 'stopped']));
    expect(waiting.every((v) => v.planId === null)).toBe(true);
    const looks = before.filter((v) => v.step === 'fruit-look');
    expect((await dueBetween(orchard.viewer, '2027-05-01', '2027-07-01', 400)).map((f) => f.id)).toEqual(
      expect.arrayContaining(looks.map((v) => v.followUpId)),
    );
    const answer = (found: boolean, visitIds: string[]) =>
      perform(answerInspection, { viewer: orchard.viewer, receivedAt: june, station: maritime }, { visitIds, found });
    expect(
      await answer(
        true,
        looks.map((v) => v.id),
      ),
    ).toMatchObject({ ok: true });
    const answered = await rows(both);
    const [early, late] = both.map((t) => of(answered, 'summer-cover', t));
    const planned = (of: VisitRow[]) => of.filter((v) => v.state === 'planned').map((v) => v.day);
    expect(planned(early!).length).toBeGreaterThan(0);
    // The label keeps 21 days before the first picking of the sort.
    expect(planned(early!).every((d) => d <= '2027-07-15')).toBe(true);
    expect(early!.at(-1)).toMatchObject({ state: 'stopped', stop: { why: 'no day' } });
    expect(JSON.stringify(early!.at(-1)!.stop)).toContain('"picking"');
    expect(planned(late!).at(-1)! > planned(early!).at(-1)!).toBe(true);
    // Nothing found on the rest: nothing is planned there.
    const others = (await rows()).filter((v) => v.step === 'fruit-look' && !both.includes(v.treeId));
    await answer(
      false,
      others.map((v) => v.id),
    );
    expect(
      (await rows()).filter((v) => v.step === 'summer-cover' && !both.includes(v.treeId)).map((v) => v.state),
    ).not.toContain('planned');
  });

  it('a late cover and the next one are one: Today and the row have the tree once, and a row refuses it twice', async () => {
    const [tree] = orchard.late;
    const [first, second] = of(await rows([tree!]), 'scab-cover', tree!);
    const label = (await openPlans(orchard.viewer, 5000)).find((p) => p.id === first!.planId)!.labelKey;
    const now = new Date(`${second!.day}T10:00:00Z`);
    const both = [first!.planId!, second!.planId!];
    // The first is late, its window long enough that it may still be done.
    await made.owner`
      update treatment_plan set latest = ${dayAfter(second!.day, 5, 'days')}, label_id = (select label_id from treatment_plan where id = ${both[1]!})
      where id = ${both[0]!}`;
    const today = byDay(await openPlans(orchard.viewer, 5000), second!.day);
    expect(today.plans.filter((p) => p.treeId === tree).map((p) => p.id)).toEqual([both[1]]);
    expect(today.over.map((p) => p.id)).toContain(both[0]);
    const row = (await rowView(orchard.viewer, both[1]!, now))!;
    expect(new Set(row.trees.map((t) => t.treeId)).size).toBe(row.trees.length);
    const input = { rows: both.map((planId) => ({ planId, recordId: v7() })) };
    const sent = await perform(
      recordTreatments,
      { viewer: orchard.viewer, receivedAt: now, station: maritime },
      {
        id: v7(),
        ...input,
        total: null,
        startedAt: now.toISOString(),
        endedAt: now.toISOString(),
        lotId: v7(),
        weather: maritime({ lat: 50, lon: -4 }).at(now),
        soil: 'moist',
        leaf: 'full',
        protection: [],
        deviation: '',
        mark: '',
      },
    );
    expect(sent).toMatchObject({ ok: false, issues: [{ path: 'rows', message: expect.stringMatching(/twice/) }] });
    await made.owner`
      update treatment_plan set latest = ${first!.latest}, label_id = (select id from label where company_id = ${made.o.companyId} and key = ${label} order by version desc limit 1)
      where id = ${both[0]!}`;
  });

  it('28 mm of rain bring the next cover forward, and every move says why', async () => {
    const tree = orchard.early[1]!;
    const [first, second] = of(await rows([tree]), 'scab-cover', tree);
    const booked = await carryOut(made, orchard.viewer, first!.planId!, first!.day);
    expect(booked.ok ? [] : booked.issues).toEqual([]);
    // No second date by the label’s own rule: the programme has its own.
    const due = (await dueBetween(orchard.viewer, '2027-03-01', '2027-06-30', 400)).filter((f) => f.treeId === tree);
    expect(due.map((f) => f.kind)).not.toContain('treat-again');
    const rainy = (days: number) => dayAfter(first!.day, days, 'days');
    const wet = withRain({ [rainy(2)]: 16, [rainy(5)]: 12 });
    const now = new Date(`${rainy(6)}T10:00:00Z`);
    const moved = (await season(wet, now)).find((t) => t.tree.id === tree)!.changes;
    const change = moved.find((c) => c.now?.step === 'scab-cover' && c.now.nth === 2)!;
    expect(change).toMatchObject({ kind: 'move', now: { reasons: [{ by: 'rain', mm: 28 }] } });
    expect(change.now!.day).toBe(rainy(7));
    expect(change.now!.day < second!.day).toBe(true);
    const trees = await season(wet, now);
    const go = (seen: string) =>
      perform(followSeason, { viewer: orchard.viewer, receivedAt: now, station: wet }, { assignmentId, seen });
    expect(await go('0'.repeat(64))).toMatchObject({ ok: false, issues: [{ path: 'seen' }] });
    expect(await go(markOf(trees))).toMatchObject({ ok: true });
    const renewed = of(await rows([tree]), 'scab-cover', tree)[1]!;
    expect(renewed).toMatchObject({ day: rainy(7), moves: [{ from: second!.day, to: rainy(7) }] });
    expect((await openPlans(made.o, 1000)).find((p) => p.id === renewed.planId)?.plannedFor).toBe(rainy(7));
    expect((await season(wet, now)).flatMap((t) => t.changes)).toEqual([]);
    for (const v of await rows()) for (const m of v.moves) expect(m.reasons.length).toBeGreaterThan(0);
  });

  it('is the same when it is sent again, and ends with a reason: what is to come is dropped, what is done stays', async () => {
    const open = async () => (await rows()).filter((v) => v.state === 'planned').length;
    const done = (await rows()).filter((v) => v.state === 'done').length;
    // The one spray, and the looks.
    expect(done).toBe(43);
    const end = (because: string) =>
      perform(
        endAssignment,
        { viewer: orchard.viewer, receivedAt: NOVEMBER, station: maritime },
        { id: assignmentId, because },
      );
    expect(await end('no')).toMatchObject({ ok: false, issues: [{ path: 'because' }] });
    expect(await end('The orchard is let.')).toMatchObject({ ok: true });
    expect(await open()).toBe(0);
    expect((await rows()).filter((v) => v.state === 'done')).toHaveLength(done);
    expect(await end('Again.')).toMatchObject({ ok: false });
  });
});

describe('what is refused leaves nothing', () => {
  it.each([
    ['an unknown programme', { programme: 'nothing' }, 'programme'],
    ['a span that is over', { from: '2026-11-01', until: '2026-11-20' }, 'until'],
    ['a span that ends before it begins', { from: '2027-02-01', until: '2027-01-01' }, 'until'],
    ['six years', { until: '2032-12-31' }, 'until'],
    ['no tree', { treeIds: [] }, 'treeIds'],
    ['a programme for other hosts', { programme: 'elm-protection' }, 'treeIds'],
    ['an answer that nobody offers', { said: { bloom: 'purple' } }, 'said'],
    ['holds without a reason, on every visit', { programme: 'leaf-curl' }, 'treeIds'],
  ])('%s', async (_, more, path) => {
    const { id, answer } = await assignIt({ treeIds: [orchard.late[1]!], ...more });
    expect(answer).toMatchObject({ ok: false });
    expect(answer.ok ? [] : answer.issues.map((f) => f.path)).toContain(path);
    expect(await getAssignment(orchard.viewer, id)).toBeNull();
    expect((await openPlans(orchard.viewer, 1000)).filter((p) => p.treeId === orchard.late[1])).toEqual([]);
  });
  it('a tree has a programme once: a second laying of it waits until the first has ended', async () => {
    const [a, b] = [orchard.late[5]!, orchard.late[6]!];
    const first = await assignIt({ treeIds: [a] });
    expect(first.answer).toMatchObject({ ok: true });
    expect((await assignIt({ treeIds: [b, a] })).answer).toMatchObject({ ok: false, issues: [{ path: 'treeIds' }] });
    expect((await openPlans(orchard.viewer, 1000)).filter((p) => p.treeId === b)).toEqual([]);
    await perform(
      endAssignment,
      { viewer: orchard.viewer, receivedAt: NOVEMBER, station: maritime },
      { id: first.id, because: 'Over.' },
    );
    expect((await assignIt({ treeIds: [b, a] })).answer).toMatchObject({ ok: true });
  });
  it('belongs to whoever may prescribe, and to their company', async () => {
    const theirs = (await loadViewer(await makeCompany(made.owner)))!;
    expect((await assignIt({ treeIds: [orchard.late[2]!] }, NOVEMBER, theirs)).answer).toMatchObject({ ok: false });
    const technician = { ...orchard.viewer, role: 'technician' as const };
    expect((await assignIt({ treeIds: [orchard.late[2]!] }, NOVEMBER, technician)).answer).toMatchObject({ ok: false });
  });
  it('the same press twice is one; other content under its id is told', async () => {
    const id = v7();
    const asked = { id, treeIds: [orchard.late[3]!] };
    const once = await assignIt(asked);
    const twice = await assignIt(asked);
    expect(twice.answer).toEqual(once.answer);
    expect((await assignIt({ id, treeIds: [orchard.late[4]!] })).answer).toMatchObject({ ok: false });
    const plans = (await openPlans(orchard.viewer, 1000)).filter((p) => p.treeId === orchard.late[3]);
    expect(new Set(plans.map((p) => p.plannedFor)).size).toBe(plans.length);
    expect(EARLY.from < '2027-09-01').toBe(true);
  });
});

it('south of the equator the same orchard is covered from September, and picked in autumn there', async () => {
  const { owner, o } = made;
  await owner`
    update site
    set time_zone = 'Pacific/Auckland',
      site_map = ${owner.json({ ...EMPTY_SITE_MAP, origin: { lat: -41.3, lon: 173.2 } } as never)}
    where id = ${o.siteId}`;
  await owner`update tree set lat = -41.3, lon = 173.2 where id = ${orchard.late[8]!}`;
  const station = simulatedStation(7, { climate: CLIMATES.estuary, lat: -41.3 });
  const now = new Date('2027-06-20T10:00:00Z');
  const id = v7();
  const answer = await perform(
    assignProgramme,
    { viewer: orchard.viewer, receivedAt: now, station: () => station },
    {
      id,
      programme: 'orchard-apple',
      siteId: orchard.siteId,
      treeIds: [orchard.late[8]!],
      from: '2027-06-20',
      until: '2028-06-19',
      reason: 'Scab in every spring here.',
    },
  );
  expect(answer).toMatchObject({ ok: true });
  const covers = of(await assignedVisits(orchard.viewer, id, null), 'scab-cover', orchard.late[8]!);
  const planned = covers.filter((v) => v.state === 'planned').map((v) => v.day);
  expect(planned.length).toBeGreaterThan(1);
  // The label’s April to July are October to January there.
  expect(planned.every((d) => d >= '2027-10-01' && d < '2028-01-31')).toBe(true);
  const winter = (await assignedVisits(orchard.viewer, id, null)).find((v) => v.step === 'winter-cut')!;
  expect(winter.day.slice(5, 7) >= '06' && winter.day.slice(5, 7) <= '09').toBe(true);
});
