import { createHash, randomBytes } from 'node:crypto';
import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { bringLabel } from '@/commands/shelf/bring-label';
import { signLabel } from '@/commands/shelf/check-label';
import { doneBy, ownOutfit } from '@/commands/testing';
import { trainingLabels } from '@/knowledge';
import { fair } from '@/stand-ins/weather/fair';
import { floorOf, loadViewer, type Viewer } from '@/store/auth';
import { openPlans, plannedBetween } from '@/store/plans';
import { makeOutfit } from '@/store/testing';
import { todayView } from '@/views/today';
import { book } from './book';
import { makePlan } from './plan';

const made = ownOutfit();
const NOVEMBER = new Date('2026-11-26T10:00:00Z');
const infusion = trainingLabels.find((l) => l.key === 'training-02-elm-infusion')!;
const asked = (treeId: string, labelId: string, more: object = {}) => ({
  id: v7(),
  treeId,
  labelId,
  useKey: 'protect',
  choices: { soil: 'moist', leaf: 'leafless', said: { collar: 'sound' }, when: { kind: 'window' }, ...more },
  released: {},
});

const token = randomBytes(32).toString('base64url');
let labelId: string;
let viewer: Viewer;
const trees: string[] = [];
const planIt = (input: object, now = NOVEMBER, who = viewer) =>
  perform(makePlan, { viewer: who, now, station: fair }, input);

/** A sound elm near a find, measured, its host confirmed. */
async function soundElm(tag: string) {
  const { owner, o } = made;
  const id = v7();
  await owner`
    insert into tree (id, outfit_id, place_id, tag, host_id, host_confirmed_at, lat, lon)
    values (${id}, ${o.outfitId}, ${o.placeId}, ${tag}, 'wych-elm', now(), 50.3, -4.1)`;
  await owner`
    insert into reading (id, outfit_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m, method)
    values (${v7()}, ${o.outfitId}, ${id}, '2026-09-01', ${o.personId}, 46.2, 130,
      ${owner.json([{ kind: 'diameter', typed: { value: 46.2, unit: 'cm' } }])}, 15, 'tape')`;
  await owner`
    insert into look (id, outfit_id, tree_id, at, by_person, crown_loss, vigour)
    values (${v7()}, ${o.outfitId}, ${id}, '2026-09-01', ${o.personId}, 2, 'good')`;
  await owner`
    insert into verdict
      (id, outfit_id, tree_id, at, by_person, condition_id, certainty, decision, reason, ranking, overturned_by)
    values (${v7()}, ${o.outfitId}, ${id}, '2026-09-02', ${o.personId}, 'dutch-elm-disease', 'possible',
      'protect a sound tree', 'Finds near by.', '[]', '{}')`;
  trees.push(id);
  return id;
}

beforeAll(async () => {
  const { owner, o } = made;
  await owner`
    update person
    set licence_number = 'L1', licence_categories = ${['tree injection', 'ornamental']}, licence_expires = '2028-01-01'
    where id = ${o.personId}`;
  await owner`update place set area_m2 = 6000 where id = ${o.placeId}`;
  viewer = (await loadViewer(o))!;
  await owner`
    insert into session (token_hash, outfit_id, person_id, expires_at)
    values (${createHash('sha256').update(token).digest()}, ${o.outfitId}, ${o.personId}, now() + interval '1 day')`;
  expect(await doneBy(bringLabel, viewer, { text: JSON.stringify(infusion) })).toMatchObject({ ok: true });
  const [row] = await owner<{ id: string }[]>`
    select id from label where outfit_id = ${o.outfitId} and key = ${infusion.key}`;
  labelId = row!.id;
  expect(await doneBy(signLabel, viewer, { labelId })).toMatchObject({ ok: true });
});

describe('planning for the window, in November', () => {
  it('stands for May with the span it may move in, waits off the crew’s list, and comes on it when its time is there', async () => {
    const id = await soundElm('E1');
    const input = asked(id, labelId);
    // The figure on every page counts what waits on that day.
    const waiting = async (day: string) => (await floorOf(token, new Date(`${day}T09:00:00Z`)))!.waiting;
    const before = [await waiting('2026-11-26'), await waiting('2027-05-03')];
    expect(await planIt(input)).toEqual({ ok: true, value: { left: [] } });
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
    const id = await soundElm('E2');
    const input = asked(id, labelId);
    await planIt(input);
    expect(await planIt(input)).toEqual({ ok: true, value: { left: [] } });
    const moved = asked(id, labelId, { when: { kind: 'day', day: '2027-06-14' } });
    expect(await planIt(moved)).toMatchObject({ ok: true });
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
    const first = await soundElm('R0');
    const others = await Promise.all(Array.from({ length: 39 }, (_, i) => soundElm(`R${i + 1}`)));
    const input = { ...asked(first, labelId), alike: others.map((treeId) => ({ id: v7(), treeId })) };
    expect(await planIt(input)).toEqual({ ok: true, value: { left: [] } });
    const open = (await openPlans(viewer)).filter((p) => p.tag.startsWith('R'));
    expect(open).toHaveLength(40);
    expect(new Set(open.map((p) => p.plannedFor))).toEqual(new Set(['2027-05-01']));
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
    const id = await soundElm(`X${trees.length}`);
    const answer = await planIt(asked(id, labelId, more));
    expect(answer).toMatchObject({ ok: false });
    expect(answer.ok ? [] : answer.faults.map((f) => f.path)).toContain(path);
    expect((await openPlans(viewer)).filter((p) => p.treeId === id)).toEqual([]);
  });

  it('belongs to whoever may prescribe, and to their outfit', async () => {
    const id = await soundElm('W1');
    const theirs = (await loadViewer(await makeOutfit(made.owner)))!;
    expect(await planIt(asked(id, labelId), NOVEMBER, theirs)).toMatchObject({ ok: false });
    expect(await planIt(asked(id, labelId), NOVEMBER, { ...viewer, role: 'technician' })).toMatchObject({ ok: false });
    expect((await openPlans(viewer)).filter((p) => p.treeId === id)).toEqual([]);
  });
});

it('on the day the leaf is asked anew: what was expected in November releases nothing', async () => {
  const { owner, o } = made;
  const id = await soundElm('B1');
  const plan = asked(id, labelId);
  await planIt(plan);
  const lotId = v7();
  await owner`
    insert into lot (id, outfit_id, label_key, lot_number, expires_on, unit)
    values (${lotId}, ${o.outfitId}, ${infusion.key}, 'L9', '2099-01-01', 'mL')`;
  await owner`
    insert into stock_move (id, outfit_id, lot_id, amount, against, reason, by_person)
    values (${v7()}, ${o.outfitId}, ${lotId}, 5000, 'supplier', 'delivery', ${o.personId})`;
  const now = new Date('2027-05-20T10:00:00Z');
  const [dose] = await owner<{ amount: number }[]>`
    select (result->'dose'->>'product')::float8 as amount from plan where id = ${plan.id}`;
  const booking = (more: object) => ({
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
    protection: infusion.uses[0]!.protection,
    deviation: '',
    mark: '',
    photoIds: [],
    ...more,
  });
  const bookIt = (more: object) => perform(book, { viewer, now, station: fair }, booking(more));
  const told = (answer: Awaited<ReturnType<typeof bookIt>>) => (answer.ok ? '' : JSON.stringify(answer.faults));
  expect(told(await bookIt({}))).toMatch(/[Ll]ea/);
  expect(told(await bookIt({ leaf: 'unfolding' }))).toMatch(/full leaf/);
  expect(told(await bookIt({ leaf: 'full' }))).not.toMatch(/full leaf|Leaf state/);
});
