import { v7 } from 'uuid';
import { answerQuote } from '@/commands/share/answer-offer';
import { perform } from '@/commands/command';
import { ownCompany } from '@/commands/testing';
import { cancelPlan } from '@/commands/trees/cancel-plan';
import { elmAvenue, NOVEMBER } from '@/commands/trees/testing';
import { isProperty } from '@/core/quotes/property';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { sharedQuote } from '@/store/quotes';
import { makeCompany } from '@/store/testing';
import { openPlans, openVisits } from '@/store/plans';
import { todayView } from '@/views/today';
import { yearVisits } from '@/store/year-visits';
import { quoteView } from '@/views/trees';
import { sendSiteQuote } from './send-site-quote';

const made = ownCompany();
let viewer: Viewer;
const plans: string[] = [];
const at = (who = viewer) => ({ viewer: who, receivedAt: NOVEMBER, station: fair });
const view = async () => (await quoteView(viewer, made.o.siteId, NOVEMBER))!;
const offered = async (more: object = {}, who = viewer) =>
  perform(sendSiteQuote, at(who), {
    id: v7(),
    siteId: made.o.siteId,
    keys: (await view()).lines.map((l) => l.key),
    message: 'As we said in the avenue.',
    days: '21',
    ...more,
  });

beforeAll(async () => {
  const avenue = await elmAvenue(made);
  viewer = avenue.viewer;
  for (const tag of ['O1', 'O2', 'O3']) {
    const input = avenue.asked(await avenue.soundElm(tag));
    expect(await avenue.planIt(input)).toMatchObject({ ok: true });
    plans.push(input.id);
  }
});

it('is one line for like trees, with its day, its price without coming out, and coming out once for the day', async () => {
  const lines = (await view()).lines.filter((l) => l.what.startsWith('Trunk injection'));
  expect(lines).toHaveLength(1);
  expect(lines[0]).toMatchObject({
    what: expect.stringMatching(/^Trunk injection with Training label 2/),
    trees: 'O1–O3',
    count: 3,
    days: ['2027-05-01'],
    maybe: false,
  });
  expect([...lines[0]!.covers].sort()).toEqual([...plans].sort());
  expect(lines[0]!.price).toBeGreaterThan(0);
});

it('opens without a sign-in, names what is planned, and says nothing of the company’s ids; the first answer stands, and its plans are sold', async () => {
  const answer = await offered();
  if (!answer.ok) throw new Error(JSON.stringify(answer.issues));
  const token = answer.value.path.split('/').pop()!;
  const shared = (await sharedQuote(token))!;
  if (!isProperty(shared.data)) throw new Error('an offer for a tree');
  const line = shared.data.lines.find((l) => l.what.startsWith('Trunk injection'));
  expect(shared.data).toMatchObject({ place: expect.any(String), comingOut: viewer.prices.visit });
  const accepted = async () =>
    (
      await yearVisits({
        scope: viewer,
        siteId: made.o.siteId,
        from: '2027-01-01',
        to: '2027-12-31',
        today: '2026-11-26',
      })
    )
      .filter((v) => plans.includes(v.id))
      .map((v) => v.accepted);
  expect(await accepted()).toEqual([false, false, false]);
  const say = (more: object) => answerQuote({ token, options: [line!.key], who: 'A. Client', ...more });
  expect(await say({ options: ['something else'] })).toMatchObject({ ok: false, issues: [{ path: 'options' }] });
  expect(await say({})).toEqual({ ok: true, value: null });
  expect(await say({ options: [] })).toMatchObject({ ok: false });
  expect(await accepted()).toEqual([true, true, true]);
  // Whoever reads what waits is told the same.
  const waiting = (await openPlans(viewer)).filter((p) => plans.includes(p.id));
  expect(waiting.map((p) => p.accepted)).toEqual([true, true, true]);
  const [before] = (await view()).before;
  expect(before!.answer).toMatchObject({ who: 'A. Client', options: [line!.key] });
});

it('what a client declines is due, priced and planned nowhere, until somebody opens it again', async () => {
  const work = v7();
  await made.owner`
    insert into work_plan (id, company_id, tree_id, work_id, answers, document, sheet, sheet_us, by_person, planned_for, price)
    select ${work}, ${made.o.companyId}, tree_id, 'mulch', '{}', 2, '{"figures":[]}', '{"figures":[]}', ${made.o.personId},
      '2027-04-01', '{"now":2000,"overYears":2000,"years":1}'
    from treatment_plan where id = ${plans[0]!}`;
  const answer = await offered();
  if (!answer.ok) throw new Error(JSON.stringify(answer.issues));
  const token = answer.value.path.split('/').pop()!;
  const { data } = (await sharedQuote(token))!;
  if (!isProperty(data)) throw new Error('an offer for a tree');
  const taken = data.lines.filter((l) => l.covers.includes(work)).map((l) => l.key);
  expect(taken).toHaveLength(1);
  expect(await answerQuote({ token, options: taken, who: 'A. Client' })).toMatchObject({ ok: true });
  const open = async () => {
    const { plans: own, works } = await openVisits(viewer);
    return [...own, ...works].map((x) => x.id);
  };
  expect(await open()).toContain(work);
  expect((await open()).filter((id) => plans.includes(id))).toEqual([]);
  expect((await view()).lines.flatMap((l) => l.covers).filter((id) => plans.includes(id))).toEqual([]);
  expect((await todayView(viewer, NOVEMBER, fair)).ahead.filter((p) => plans.includes(p.id))).toEqual([]);
  expect(await perform(cancelPlan, at(), { id: plans[0]!, drop: false })).toMatchObject({ ok: true });
  expect((await open()).filter((id) => plans.includes(id))).toEqual([plans[0]]);
  for (const id of plans.slice(1)) await perform(cancelPlan, at(), { id, drop: false });
});

it('what changed since it was looked at is not offered as it was', async () => {
  const { keys } = { keys: (await view()).lines.map((l) => l.key) };
  for (const id of plans) await perform(cancelPlan, at(), { id, drop: true });
  expect(await offered({ keys })).toMatchObject({ ok: false, issues: [{ path: 'keys' }] });
  for (const id of plans) await perform(cancelPlan, at(), { id, drop: false });
});

it.each([
  ['nothing', { keys: [] }, 'keys'],
  ['no number of days', { days: 'some' }, 'days'],
  ['a year of days', { days: '400' }, 'days'],
  ['no such place', { siteId: v7() }, 'siteId'],
])('%s is refused beside its field', async (_, more, path) => {
  const answer = await offered(more);
  expect(answer).toMatchObject({ ok: false });
  expect(answer.ok ? [] : answer.issues.map((f) => f.path)).toContain(path);
});

it('is for whoever may prescribe, and for their own places', async () => {
  expect(await offered({}, { ...viewer, role: 'technician' })).toMatchObject({ ok: false });
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await offered({}, theirs)).toMatchObject({ ok: false });
  expect(await quoteView(theirs, made.o.siteId, NOVEMBER)).toBeNull();
});
