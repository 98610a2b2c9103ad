import { v7 } from 'uuid';
import { doneBy, NOW, ownCompany } from '@/commands/testing';
import { addReminder } from '@/commands/trees/add-reminder';
import { fortnightOf } from '@/facts/fortnight';
import { cancelPlans } from '@/commands/trees/cancel-plans';
import { saveSite } from '@/commands/sites/save-site';
import { solving, type Answer } from '@/core/schedule/solve';
import { fair } from '@/stand-ins/weather/fair';
import { together } from '@/store/db';
import { getSite } from '@/store/sites';
import { insertPerson } from '@/store/people';
import { absentSince, listCrews, crewDaysBetween } from '@/store/crew-days';
import { saveCrew } from './save-crew';
import { saveSchedule } from './save-schedule';
import { addAbsence } from './add-absence';
import { notifyClient } from './notify-client';
import { deleteAbsence } from './delete-absence';

const t = ownCompany();
const TODAY = '2026-06-01';
const crew = (more: object = {}) => ({
  id: v7(),
  name: 'First crew',
  personIds: [t.o.personId],
  hours: 'Mon–Fri 08:00–16:00',
  yard: '50.33, −4.12',
  least: 1,
  active: true,
  basedOn: null,
  ...more,
});
const fortnight = () => together(t.viewer, () => fortnightOf(t.viewer, fair, NOW));
const solved = async (): Promise<Answer> => {
  const s = solving((await fortnight()).problem);
  for (let i = 0; i < 60; i++) s.step(i / 60);
  return s.answer();
};
/** Every job of these tests is one item, and has its id. */
const sent = (a: Answer, locked: string[] = []) => ({
  rounds: a.rounds.map(({ day, crewId, stops }) => ({
    day,
    crewId,
    stops: stops.map(({ siteId, jobIds }) => ({ siteId, itemIds: jobIds })),
  })),
  locked,
});
const sentences = (a: { ok: boolean; issues?: { message: string }[] }) => (a.issues ?? []).map((f) => f.message);

describe('crews', () => {
  it('are kept with their people, and a form that rests on an older one is told', async () => {
    const first = crew();
    expect(await doneBy(saveCrew, t.viewer, first)).toEqual({ ok: true, value: { id: first.id } });
    const [now] = await listCrews(t.viewer);
    expect(now).toMatchObject({ name: 'First crew', yardLat: 50.33, yardLon: -4.12, version: 1 });
    expect(now!.people.map((p) => p.id)).toEqual([t.o.personId]);
    expect(await doneBy(saveCrew, t.viewer, { ...first, name: 'Early crew', basedOn: 1 })).toMatchObject({ ok: true });
    const stale = await doneBy(saveCrew, t.viewer, { ...first, name: 'Other', basedOn: 1 });
    expect(sentences(stale)[1]).toBe('The name is now: Early crew.');
  });
  it.each([
    [{ hours: '' }, 'Say when it works, like “Mon–Fri 07:30–16:30”.'],
    [{ hours: 'weekdays' }, /Line 1: days of the week and hours are needed/],
    [{ yard: 'the quay' }, /Write where it starts as latitude, longitude/],
    [{ yard: '95, 0' }, /Write where it starts/],
    [{ personIds: [v7()] }, /Somebody among them does not work here/],
    [{ least: 2 }, 'It goes out with 2, and has 1.'],
    [{ name: '' }, /name/i],
  ])('%j is refused in words, and nothing is written', async (more, sentence) => {
    const before = (await listCrews(t.viewer)).length;
    const answer = await doneBy(saveCrew, t.viewer, crew(more));
    expect(sentences(answer).join(' ')).toMatch(sentence);
    expect((await listCrews(t.viewer)).length).toBe(before);
  });
  it('somebody belongs to one crew, and a technician plans no rounds', async () => {
    const id = v7();
    await insertPerson(t.viewer, {
      id,
      name: 'Second',
      email: `${id}@test.example`,
      role: 'technician',
      password: 'a long one to test with',
    });
    const other = crew({ name: 'Second crew', personIds: [id] });
    await doneBy(saveCrew, t.viewer, other);
    await doneBy(saveCrew, t.viewer, { ...other, personIds: [id, t.o.personId], basedOn: 1 });
    const people = (await listCrews(t.viewer)).map((c) => c.people.length);
    expect(people.sort()).toEqual([0, 2]);
    const refused = await doneBy(saveCrew, { ...t.viewer, role: 'technician' }, crew());
    expect(sentences(refused)[0]).toMatch(/^To plan rounds takes/);
    // Back again: the tests below send them out apart.
    const [first] = (await listCrews(t.viewer)).filter((c) => c.name === 'Early crew');
    await doneBy(saveCrew, t.viewer, crew({ id: first!.id, name: 'Early crew', basedOn: first!.version }));
  });
});

it('who is away is told with its days, taken back, and sent twice lands once', async () => {
  const a = { id: v7(), personId: t.o.personId, from: '2026-06-03', to: '2026-06-04', why: 'a course' };
  await doneBy(addAbsence, t.viewer, a);
  await doneBy(addAbsence, t.viewer, a);
  expect(await absentSince(t.viewer, TODAY)).toMatchObject([{ from: '2026-06-03', to: '2026-06-04', why: 'a course' }]);
  const { problem } = await fortnight();
  const early = problem.crews.find((c) => c.name === 'Early crew')!;
  expect(early.hours.slice(0, 6).map((h) => h !== null)).toEqual([true, true, false, false, true, false]);
  expect(sentences(await doneBy(addAbsence, t.viewer, { ...a, id: v7(), to: '2026-06-01' }))).toEqual([
    'The last day lies before the first.',
  ]);
  expect(sentences(await doneBy(addAbsence, t.viewer, { ...a, id: v7(), personId: v7() }))).toEqual([
    'There is no such person in this company.',
  ]);
  expect(await doneBy(deleteAbsence, t.viewer, { id: a.id })).toMatchObject({ ok: true });
  expect(await absentSince(t.viewer, TODAY)).toEqual([]);
});

describe('rounds', () => {
  const look = (on: string, what: string) => doneBy(addReminder, t.viewer, { id: v7(), treeId: t.o.treeId, on, what });

  it('hours of a place decide, and are kept with it as they are typed', async () => {
    const place = (await getSite(t.viewer, t.o.siteId))!;
    const form = {
      ...place,
      region: '',
      outline: '',
      area: '',
      areaUnit: 'm²',
      water: '',
      noWater: false,
      distanceUnit: 'm',
      firstPicking: '',
      lastPicking: '',
      pickings: '',
      gateCode: null,
      basedOn: place.version,
    };
    expect(sentences(await doneBy(saveSite, t.viewer, { ...form, hours: 'after four' }))[0]).toMatch(/^Line 1/);
    expect(await doneBy(saveSite, t.viewer, { ...form, hours: 'Tue, Thu 09:00–12:00' })).toMatchObject({ ok: true });
    expect((await getSite(t.viewer, t.o.siteId))!.hours).toEqual([
      { days: [2, 4], hours: { from: 540, to: 720 }, between: null },
    ]);
  });

  it('are worked out, kept, told to the client, and stand where they were locked', async () => {
    expect(await look('2026-06-01', 'Look at the stakes')).toMatchObject({ ok: true });
    expect(await look('2026-06-02', 'Look at the ties')).toMatchObject({ ok: true });
    const answer = await solved();
    const placed = answer.rounds.flatMap((r) => r.stops.flatMap((s) => s.jobIds));
    expect(placed.length).toBeGreaterThanOrEqual(2);
    // The first of the hours of that place: Tuesday morning.
    expect(answer.rounds[0]).toMatchObject({ day: '2026-06-02' });
    expect(answer.rounds[0]!.stops[0]!.begin).toBeGreaterThanOrEqual(540);
    expect(await doneBy(saveSchedule, t.viewer, sent(answer, [placed[0]!]))).toMatchObject({ ok: true });
    const [round] = await crewDaysBetween(t.viewer, TODAY, '2026-06-14');
    expect(round!.items.map((i) => i.begins)).toEqual([...round!.items.map((i) => i.begins)].sort((a, b) => a - b));
    expect(await doneBy(notifyClient, t.viewer, { siteId: t.o.siteId, day: '2026-06-02' })).toMatchObject({ ok: true });
    expect(sentences(await doneBy(notifyClient, t.viewer, { siteId: t.o.siteId, day: '2026-06-09' }))).toEqual([
      'No round goes there on that day.',
    ]);
    const { problem } = await fortnight();
    const standing = problem.jobs.filter((j) => j.now);
    expect(standing.map((j) => j.id).sort()).toEqual([...placed].sort());
    expect(standing.every((j) => j.now!.day === '2026-06-02' && j.told === '2026-06-02')).toBe(true);
    expect(problem.jobs.filter((j) => j.locked).map((j) => j.id)).toEqual([placed[0]]);
  });

  it('what breaks a rule is told with its day, and nothing of it is kept', async () => {
    const before = await crewDaysBetween(t.viewer, TODAY, '2026-06-14');
    const answer = await solved();
    const monday = sent(answer);
    const broken = { ...monday, rounds: monday.rounds.map((r) => ({ ...r, day: '2026-06-03' })) };
    const answered = await doneBy(saveSchedule, t.viewer, broken);
    expect(sentences(answered).join(' ')).toMatch(/3 Jun 2026: Place is closed\./);
    const strange = {
      rounds: [{ ...monday.rounds[0]!, stops: [{ siteId: t.o.siteId, itemIds: [v7()] }] }],
      locked: [],
    };
    expect(sentences(await doneBy(saveSchedule, t.viewer, strange))[0]).toMatch(/^What waits has changed meanwhile/);
    const late = { rounds: [{ ...monday.rounds[0]!, day: '2026-07-30' }], locked: [] };
    expect(sentences(await doneBy(saveSchedule, t.viewer, late))).toEqual([
      'This day lies outside the fortnight from today on.',
    ]);
    const nobody = { rounds: [{ ...monday.rounds[0]!, crewId: v7() }], locked: [] };
    expect(sentences(await doneBy(saveSchedule, t.viewer, nobody))).toEqual(['There is no such crew that goes out.']);
    const twice = { rounds: [monday.rounds[0]!, monday.rounds[0]!], locked: [] };
    expect(sentences(await doneBy(saveSchedule, t.viewer, twice))).toEqual(['A crew has one round a day.']);
    expect(await crewDaysBetween(t.viewer, TODAY, '2026-06-14')).toEqual(before);
  });

  it('plans whose time is over are told apart, dropped together, and brought back together', async () => {
    const plan = () => fortnight().then((f) => f.passed.map((p) => p.id));
    expect(await plan()).toEqual([]);
    await t.owner`
      update treatment_plan set planned_for = '2026-05-10', earliest = '2026-05-01', latest = '2026-05-31'
      where id = ${t.o.planId}`;
    expect(await plan()).toEqual([t.o.planId]);
    expect((await fortnight()).problem.jobs.flatMap((j) => j.items.map((i) => i.id))).not.toContain(t.o.planId);
    expect(await doneBy(cancelPlans, t.viewer, { ids: [t.o.planId], drop: true })).toMatchObject({ ok: true });
    expect(await plan()).toEqual([]);
    // Dropped already: told, and what else was named stays as it was.
    expect(sentences(await doneBy(cancelPlans, t.viewer, { ids: [t.o.planId], drop: true }))).toEqual([
      'One of these plans was carried out or dropped meanwhile. Nothing was changed.',
    ]);
    expect(await doneBy(cancelPlans, t.viewer, { ids: [t.o.planId], drop: false })).toMatchObject({ ok: true });
    expect(await plan()).toEqual([t.o.planId]);
    await t.owner`update treatment_plan set planned_for = null, earliest = null, latest = null where id = ${t.o.planId}`;
  });

  it('what is done meanwhile is left away, and what nobody looked at stays where it stands', async () => {
    const answer = await solved();
    const ids = answer.rounds.flatMap((r) => r.stops.flatMap((s) => s.jobIds));
    const before = await crewDaysBetween(t.viewer, TODAY, '2026-06-14');
    const [one] = ids;
    const more = sent(answer);
    more.rounds[0]!.stops[0]!.itemIds = [...more.rounds[0]!.stops[0]!.itemIds, v7()];
    expect(await doneBy(saveSchedule, t.viewer, more)).toMatchObject({ ok: true });
    // Only one of them is spoken of: the others stand as they stood.
    const only = { rounds: [], left: [one!] };
    expect(await doneBy(saveSchedule, t.viewer, only)).toMatchObject({ ok: true });
    const now = await crewDaysBetween(t.viewer, TODAY, '2026-06-14');
    const standing = (of: typeof now) => of.flatMap((r) => r.items.map((i) => i.itemId)).sort();
    expect(standing(now)).toEqual(standing(before).filter((id) => id !== one));
    expect(await doneBy(saveSchedule, t.viewer, sent(answer))).toMatchObject({ ok: true });
  });

  it('left out of what is kept is in no round any more', async () => {
    const { problem } = await fortnight();
    const left = problem.jobs.flatMap((j) => j.items.map((i) => i.id));
    expect(await doneBy(saveSchedule, t.viewer, { rounds: [], left, locked: [] })).toEqual({
      ok: true,
      value: { rounds: 0, left: problem.jobs.length },
    });
    expect(await crewDaysBetween(t.viewer, TODAY, '2026-06-14')).toEqual([]);
  });
});
