import { perform } from '@/commands/command';
import { NOW, ownCompany } from '@/commands/testing';
import { unmeasured } from '@/core/weather/air';
import { usualStation } from '@/core/weather/usual';
import { prescribe } from '@/core/prescribe/prescribe';
import { whilePlanning } from '@/core/prescribe/when';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { usualChoices } from '@/facts/treatment-context';
import { planContexts } from '@/facts/plan-moves';
import { getPlans } from '@/store/plans';
import { todayView } from '@/views/today';
import { seasonView } from '@/views/schedule';
import { scheduleView } from '@/views/jobs';
import { recordTreatment } from './record-treatment';
import { drenchRow } from './testing';

const made = ownCompany();
const row = drenchRow(made);
const none = usualStation(CLIMATES.estuary, 51);
const station = () => none;
const by = () => ({ viewer: row.viewer, receivedAt: NOW, station });
const recordOf = async (planId: string) =>
  (await made.owner<{ data: { weather: object } }[]>`select data from record where plan_id = ${planId}`)[0]!.data;

it('a record where nothing measures holds what somebody said at the tree, and nothing else', async () => {
  await row.restock(500);
  const planId = await row.planned('S1', 40);
  const said = { ...unmeasured('2026-06-01T08:00:00Z'), temperatureC: 16, windMs: 2 };
  const [plan] = await getPlans(row.viewer, [planId]);
  const amount = plan!.result.dose.ok ? plan!.result.dose.product : 0;
  const booked = row.booked(planId, amount, { weather: said });
  expect(await perform(recordTreatment, by(), booked)).toMatchObject({ ok: true });
  expect((await recordOf(planId)).weather).toEqual(said);
});

it('planning for today asks at the desk for no air that only whoever stands there can tell; the sheet does', async () => {
  const planId = await row.planned('S2', 40);
  const [plan] = await getPlans(row.viewer, [planId]);
  const [ground] = await planContexts(row.viewer, station, NOW, [plan!]);
  const tree = { hostId: 'wych-elm', lat: 51, siteMap: null, others: [], timeZone: 'Europe/London' };
  const choices = usualChoices(tree, none.at(NOW), ground!.treatmentContext.year);
  expect(choices).toMatchObject({ temperatureC: null, windMs: null, rainNext24Mm: null, soil: null });
  const use = plan!.label.uses.find((u) => u.key === plan!.useKey)!;
  const limits = { text: 'In mild, dry air.', minC: 5, maxC: 30, rainFreeHours: 12 };
  const limited = { ...use, conditions: limits };
  const air = ['temperature-unknown', 'rain-unknown'];
  const planned = prescribe(ground!.treatmentContext, plan!.label, limited, { ...choices, soil: 'moist' });
  expect(whilePlanning(planned, ground!.treatmentContext.on).filter((g) => air.includes(g.id))).toEqual([]);
  const sheet = prescribe(ground!.treatmentContext, plan!.label, limited, {
    ...choices,
    soil: 'moist',
    phase: 'apply',
  });
  expect(sheet.gates.filter((g) => air.includes(g.id)).map((g) => [g.id, g.state])).toEqual([
    ['temperature-unknown', 'asked'],
    ['rain-unknown', 'asked'],
  ]);
});

it('every view stands without a station, and the season says what it rests on', async () => {
  await todayView(row.viewer, NOW, station);
  await scheduleView(row.viewer, NOW, null);
  const { at } = await seasonView({
    viewer: row.viewer,
    now: NOW,
    stationFor: station,
    from: '2026-05-01',
    to: '2027-05-01',
    siteId: made.o.siteId,
  });
  expect(at!.basis).toBe('usual');
  expect(at!.days).toEqual([]);
  expect(at!.events).toEqual([]);
  expect(at!.fitness.every((f) => f.days.length === 0)).toBe(true);
});
