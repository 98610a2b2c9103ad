import { createHash, randomBytes } from 'node:crypto';
import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { ownCompany } from '@/commands/testing';
import { fair } from '@/stand-ins/weather/fair';
import { floorOf, loadViewer, type Viewer } from '@/store/auth';
import { openPlans, plannedBetween } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { todayView } from '@/views/today';
import { recordTreatment } from './record-treatment';
import { elmAvenue, elmInfusion, NOVEMBER } from './testing';

const made = ownCompany();
const token = randomBytes(32).toString('base64url');
let avenue: Awaited<ReturnType<typeof elmAvenue>>;
let viewer: Viewer;

beforeAll(async () => {
  avenue = await elmAvenue(made);
  viewer = avenue.viewer;
  const { owner, o } = made;
  await owner`
    insert into session (token_hash, company_id, person_id, expires_at)
    values (${createHash('sha256').update(token).digest()}, ${o.companyId}, ${o.personId}, now() + interval '1 day')`;
});

describe('planning for the window, in November', () => {
  it('stands for May with the span it may move in, waits off the crew’s list, and comes on it when its time is there', async () => {
    const id = await avenue.soundElm('E1');
    const input = avenue.asked(id);
    // The figure on every page counts what waits on that day.
    const waiting = async (day: string) => (await floorOf(token, new Date(`${day}T09:00:00Z`)))!.waiting;
    const before = [await waiting('2026-11-26'), await waiting('2027-05-03')];
    expect(await avenue.planIt(input)).toEqual({ ok: true, value: { left: [] } });
    expect([await waiting('2026-11-26'), await waiting('2027-05-03')]).toEqual([before[0], before[1]! + 1]);
    const plan = (await openPlans(viewer)).find((p) => p.id === input.id)!;
    expect(plan).toMatchObject({ plannedFor: '2027-05-01', earliest: '2027-05-01' });
    expect(plan.latest! > '2027-05-20').toBe(true);
    const seen = async (day: string) => {
      const now = new Date(`${day}T09:00:00Z`);
      const view = await todayView(viewer, now, fair);
      return { now: view.plans.some((p) => p.id === input.id), ahead: view.ahead.some((p) => p.id === input.id) };
    };
    expect(await seen('2026-11-26')).toEqual({ now: false, ahead: true });
    expect(await seen('2027-05-03')).toEqual({ now: true, ahead: false });
  });

  it('the same again is the same plan; another day replaces it', async () => {
    const id = await avenue.soundElm('E2');
    const input = avenue.asked(id);
    await avenue.planIt(input);
    expect(await avenue.planIt(input)).toEqual({ ok: true, value: { left: [] } });
    const moved = avenue.asked(id, { when: { kind: 'day', day: '2027-06-14' } });
    expect(await avenue.planIt(moved)).toMatchObject({ ok: true });
    const open = (await openPlans(viewer)).filter((p) => p.treeId === id);
    expect(open.map((p) => [p.id, p.plannedFor])).toEqual([[moved.id, '2027-06-14']]);
    // A calendar has to hear of both: the one that is off, and the one that stands.
    const told = (await plannedBetween(viewer, '2027-01-01', '2027-12-31')).filter((p) => p.treeId === id);
    expect(told.map((p) => [p.id, p.state])).toEqual([
      [input.id, 'dropped'],
      [moved.id, 'open'],
    ]);
  });

  it('forty like it go in the same press, each for its own window', async () => {
    const first = await avenue.soundElm('R0');
    const others = await Promise.all(Array.from({ length: 39 }, (_, i) => avenue.soundElm(`R${i + 1}`)));
    const input = { ...avenue.asked(first), alike: others.map((treeId) => ({ id: v7(), treeId })) };
    expect(await avenue.planIt(input)).toEqual({ ok: true, value: { left: [] } });
    const open = (await openPlans(viewer)).filter((p) => p.tag.startsWith('R'));
    expect(open).toHaveLength(40);
    expect(new Set(open.map((p) => p.plannedFor))).toEqual(new Set(['2027-05-01']));
  });

  it('a tree that stands twice in one press is refused, and nothing is planned', async () => {
    const [first, other] = [await avenue.soundElm('D0'), await avenue.soundElm('D1')];
    for (const alike of [[{ id: v7(), treeId: first }], [other, other].map((treeId) => ({ id: v7(), treeId }))])
      expect(await avenue.planIt({ ...avenue.asked(first), alike })).toMatchObject({
        ok: false,
        issues: [{ path: 'alike' }],
      });
    expect((await openPlans(viewer)).filter((p) => p.tag.startsWith('D'))).toEqual([]);
  });

  it.each([
    ['today, with a bare crown', { when: { kind: 'now' } }, 'gates.no-uptake'],
    ['a day that is past', { when: { kind: 'day', day: '2026-11-01' } }, 'choices.when'],
    ['a day in three years', { when: { kind: 'day', day: '2029-11-01' } }, 'choices.when'],
    ['what is no day', { when: { kind: 'day', day: 'June' } }, 'choices.when.day'],
    ['a day on which the licence has run out', { when: { kind: 'day', day: '2028-06-01' } }, 'gates.licence-expired'],
    [
      'a day outside the label’s months, without a reason',
      { when: { kind: 'day', day: '2027-02-01' } },
      'gates.window-closed',
    ],
  ])('%s is refused, and nothing is written', async (_, more, path) => {
    const id = await avenue.soundElm(`X${v7().slice(-8)}`);
    const answer = await avenue.planIt(avenue.asked(id, more));
    expect(answer).toMatchObject({ ok: false });
    expect(answer.ok ? [] : answer.issues.map((f) => f.path)).toContain(path);
    expect((await openPlans(viewer)).filter((p) => p.treeId === id)).toEqual([]);
  });

  it('belongs to whoever may prescribe, and to their company', async () => {
    const id = await avenue.soundElm('W1');
    const theirs = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await avenue.planIt(avenue.asked(id), NOVEMBER, theirs)).toMatchObject({ ok: false });
    expect(await avenue.planIt(avenue.asked(id), NOVEMBER, { ...viewer, role: 'technician' })).toMatchObject({
      ok: false,
    });
    expect((await openPlans(viewer)).filter((p) => p.treeId === id)).toEqual([]);
  });
});

it('on the day the leaf is asked anew: what was expected in November releases nothing', async () => {
  const { owner, o } = made;
  const id = await avenue.soundElm('B1');
  const plan = avenue.asked(id);
  await avenue.planIt(plan);
  const lotId = v7();
  await owner`
    insert into lot (id, company_id, label_key, lot_number, expires_on, unit)
    values (${lotId}, ${o.companyId}, ${elmInfusion.key}, 'L9', '2099-01-01', 'mL')`;
  await owner`
    insert into stock_move (id, company_id, lot_id, amount, against, reason, by_person)
    values (${v7()}, ${o.companyId}, ${lotId}, 5000, 'supplier', 'delivery', ${o.personId})`;
  const now = new Date('2027-05-20T10:00:00Z');
  const [dose] = await owner<{ amount: number }[]>`
    select (result->'dose'->>'product')::float8 as amount from treatment_plan where id = ${plan.id}`;
  const treatmentInput = (more: object) => ({
    id: v7(),
    planId: plan.id,
    startedAt: '2027-05-20T08:00:00Z',
    endedAt: '2027-05-20T09:00:00Z',
    amount: dose!.amount,
    lotId,
    weather: {
      ...fair({ lat: null, lon: null }).at(now),
      temperatureC: 17,
      windMs: 1.5,
      rainNext24Mm: 0,
      humidity: 60,
    },
    soil: 'moist',
    said: { collar: 'sound', bloom: 'over', eyes: 'worn', tools: 'disinfected', attendance: 'attended or fenced' },
    released: {},
    protection: elmInfusion.uses[0]!.protection,
    deviation: '',
    mark: '',
    photoIds: [],
    ...more,
  });
  const bookIt = (more: object) =>
    perform(recordTreatment, { viewer, receivedAt: now, station: fair }, treatmentInput(more));
  const told = (answer: Awaited<ReturnType<typeof bookIt>>) => (answer.ok ? '' : JSON.stringify(answer.issues));
  expect(told(await bookIt({}))).toMatch(/[Ll]ea/);
  expect(told(await bookIt({ leaf: 'unfolding' }))).toMatch(/full leaf/);
  expect(told(await bookIt({ leaf: 'full' }))).not.toMatch(/full leaf|Leaf state/);
});
