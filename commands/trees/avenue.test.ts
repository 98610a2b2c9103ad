import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { planContexts } from '@/facts/plan-moves';
import { sendSiteQuote } from '@/commands/sites/send-site-quote';
import { maritime } from '@/commands/programmes/testing';
import { answerQuote } from '@/commands/share/answer-offer';
import { ownCompany } from '@/commands/testing';
import { standing } from '@/core/gates/rules';
import { prescribe } from '@/core/prescribe/prescribe';
import { dayAfter } from '@/lib/calendar/days';
import type { Viewer } from '@/store/auth';
import { getPlans, openPlans } from '@/store/plans';
import { yearVisits } from '@/store/year-visits';
import { quoteView } from '@/views/trees';
import { planDaysView, planMovesView } from '@/views/plan-days';
import { todayView } from '@/views/today';
import { followPlans } from './follow-plans';
import { planTreatment } from './plan-treatment';
import { colder, elmAvenue, NOVEMBER } from './testing';

const made = ownCompany();
const late = colder(3);
const at = (day: string) => new Date(`${day}T10:00:00Z`);
let viewer: Viewer;
let trees: string[];
const plans = async () => (await openPlans(viewer, 1000)).filter((p) => p.tag.startsWith('A'));

beforeAll(async () => {
  const avenue = await elmAvenue(made);
  viewer = avenue.viewer;
  trees = [];
  for (let i = 1; i <= 41; i++) trees.push(await avenue.soundElm(`A${String(i).padStart(2, '0')}`, 38 + (i % 9)));
  const [first, ...others] = trees as [string, ...string[]];
  const input = { ...avenue.asked(first), alike: others.map((treeId) => ({ id: v7(), treeId })) };
  // In November, with a bare crown, for the window: each by its own trunk, in one press.
  expect(await perform(planTreatment, { viewer, receivedAt: NOVEMBER, station: maritime }, input)).toEqual({
    ok: true,
    value: { left: [] },
  });
});

it('an avenue: planned in November for its window, sold online, moved by the heat of its spring, and done on a day that serves', async () => {
  const planned = await plans();
  expect(planned).toHaveLength(41);
  const [was] = [...new Set(planned.map((p) => p.plannedFor))];
  expect(was! > '2027-05-01' || was === '2027-05-01').toBe(true);
  expect(new Set(planned.map((p) => p.product)).size).toBeGreaterThan(3);

  // The client is offered the avenue as one thing, and takes it.
  const { lines } = (await quoteView(viewer, made.o.siteId, NOVEMBER))!;
  const line = lines.find((l) => l.count === 41)!;
  expect(line).toMatchObject({ trees: 'A01–A41', days: [was] });
  const offer = await perform(
    sendSiteQuote,
    { viewer, receivedAt: NOVEMBER, station: maritime },
    { id: v7(), siteId: made.o.siteId, keys: [line.key], message: '', days: '30' },
  );
  if (!offer.ok) throw new Error(JSON.stringify(offer.issues));
  const token = offer.value.path.split('/').pop()!;
  expect(await answerQuote({ token, options: [line.key], who: 'The parish' })).toMatchObject({ ok: true });
  const accepted = (
    await yearVisits({
      scope: viewer,
      siteId: made.o.siteId,
      from: '2027-01-01',
      to: '2027-12-31',
      today: '2026-11-26',
    })
  ).filter((v) => v.accepted);
  expect(accepted).toHaveLength(41);

  // The spring is late by three degrees: the leaf is there later, and so is the window; and later still as it goes on.
  let stands = was!;
  for (const day of ['2027-04-20', '2027-06-08']) {
    const now = at(day);
    const { moves, seen } = (await planMovesView(viewer, made.o.siteId, late, now))!;
    expect(moves).toHaveLength(41);
    for (const m of moves) expect(m.opens).toContainEqual({ by: 'leaf', expected: expect.anything() });
    expect(
      await perform(followPlans, { viewer, receivedAt: now, station: late }, { siteId: made.o.siteId, seen }),
    ).toEqual({
      ok: true,
      value: { moved: 41 },
    });
    const [plan] = await plans();
    expect(plan!.plannedFor! > stands).toBe(true);
    stands = plan!.plannedFor!;
  }

  // As the day nears, the forecast says on which days its own label lets it be done.
  const [plan] = await plans();
  const day = dayAfter(stands, 7, 'days');
  const days = (await planDaysView(viewer, plan!.id, late, at(stands)))!;
  expect(days.spans.find((s) => s.from <= day && day <= s.to)!.bounds).toEqual([]);
  expect(days.fits!.some((f) => f.day >= stands && f.chance > 0)).toBe(true);

  // On the day it waits on Today, and its sheet asks what only the day can tell; nothing that stands is against it.
  const now = at(day);
  expect((await todayView(viewer, now, late)).plans.some((p) => p.id === plan!.id)).toBe(true);
  const [full] = await getPlans(viewer, [plan!.id]);
  const [ground] = await planContexts(viewer, late, now, [full!]);
  const use = full!.label.uses.find((u) => u.key === full!.useKey)!;
  const sheet = prescribe(ground!.treatmentContext, full!.label, use, {
    ...full!.choices,
    when: { kind: 'now' },
    phase: 'apply',
    leaf: null,
    said: {},
    now: now.toISOString(),
  });
  expect(standing(sheet.gates).filter((g) => g.state === 'tripped' && g.strength === 'stop')).toEqual([]);
  const asks = sheet.gates.filter((g) => g.state === 'asked').map((g) => g.id);
  expect(asks).toEqual(expect.arrayContaining(['leaf-unknown']));
  expect(asks.length).toBeGreaterThan(3);
}, 120_000);
