import { monthOf } from '@/lib/calendar/months';
import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { receiveLot } from '@/commands/stock/receive-lot';
import { doneBy, ownCompany } from '@/commands/testing';
import { recordTreatment } from '@/commands/trees/record-treatment';
import { AIR, elmAvenue, elmInfusion } from '@/commands/trees/testing';
import { zonedInstant } from '@/lib/calendar/zone';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer } from '@/store/auth';
import { getPlan } from '@/store/plans';
import { todayView } from '@/views/today';
import { overviewOf } from '@/views/tree';

/** Days of a whole year, a leap day, the turn of a year and both clock changes of each half among them. */
const DAYS = [
  '2027-01-15',
  '2027-02-14',
  '2028-02-29',
  '2027-03-28',
  '2027-04-04',
  '2027-05-16',
  '2027-06-10',
  '2027-07-18',
  '2027-08-22',
  '2027-10-03',
  '2027-10-31',
  '2027-11-20',
  '2026-12-01',
  '2026-12-31',
];
/** The label lets elms be infused from May to August, or half a year later south of the equator. */
const HALVES = [
  { name: 'north', lat: 50.3, lon: -4.1, zone: 'Europe/London', months: [5, 6, 7, 8] },
  { name: 'south', lat: -37.8, lon: 144.9, zone: 'Australia/Melbourne', months: [11, 12, 1, 2] },
];

const CASES = HALVES.flatMap((half) => DAYS.map((day) => [half.name, day, half] as const));

const made = ownCompany();
let avenue: Awaited<ReturnType<typeof elmAvenue>>;
const lotId = v7();
beforeAll(async () => {
  avenue = await elmAvenue(made);
  await made.owner`update person set licence_expires = '2031-01-01' where id = ${made.o.personId}`;
  const lot = { labelKey: elmInfusion.key, lotNumber: 'E-1', expiresOn: '2031-01-01', amount: '100', unit: 'L' };
  expect(await doneBy(receiveLot, avenue.viewer, { moveId: v7(), lotId, ...lot })).toMatchObject({ ok: true });
});

it.each(CASES)('in the %s, planned on %s: done on its day, with what comes next', async (name, day, half) => {
  const { lat, lon, zone, months } = half;
  const at = (on: string, time = '10:00') => new Date(zonedInstant(`${on}T${time}`, zone)!);
  const { owner, o } = made;
  await owner`update company set time_zone = ${zone} where id = ${o.companyId}`;
  await owner`update site set time_zone = ${zone} where id = ${o.siteId}`;
  const viewer = (await loadViewer(o))!;
  const treeId = await avenue.soundElm(`${name} ${day}`);
  await owner`update tree set lat = ${lat}, lon = ${lon} where id = ${treeId}`;
  // Within its season the window is today, and the tree is as it stands: in leaf.
  const input = avenue.asked(treeId, months.includes(monthOf(day)) ? { leaf: 'full' } : {});
  expect(await avenue.planIt(input, at(day), viewer)).toEqual({ ok: true, value: { left: [] } });
  // The database of the test runs on another day than the test.
  await owner`update treatment_plan set at = ${at(day)} where id = ${input.id}`;
  const plan = (await getPlan(viewer, input.id))!;
  const on = plan.plannedFor ?? day;
  expect(on >= day).toBe(true);
  expect(months).toContain(monthOf(on));

  // On the first and on the last minute of its day it is to be done, and the day before it is not yet.
  for (const time of ['00:01', '23:59'])
    expect((await todayView(viewer, at(on, time), fair)).plans.some((p) => p.id === input.id)).toBe(true);
  if (on > day) expect((await todayView(viewer, at(day), fair)).plans.some((p) => p.id === input.id)).toBe(false);

  const { dose } = plan.result;
  if (!dose.ok) throw new Error('no dose');
  const done = {
    id: v7(),
    planId: input.id,
    amount: dose.product,
    startedAt: at(on, '09:00').toISOString(),
    endedAt: at(on, '09:50').toISOString(),
    lotId,
    weather: { ...AIR, at: at(on, '09:00').toISOString() },
    soil: 'moist',
    leaf: 'full',
    said: { collar: 'sound' },
    released: {},
    protection: plan.label.uses[0]!.protection,
    deviation: 'What is asked on the day was answered by word of mouth.',
    mark: '',
    note: '',
    photoIds: [],
  };
  expect(await perform(recordTreatment, { viewer, receivedAt: at(on), station: fair }, done)).toMatchObject({
    ok: true,
  });
  const [record] = await owner<{ day: string; hours: number }[]>`
      select done_on::text as day, extract(epoch from ended_at - started_at)::int / 60 as hours
      from record where id = ${done.id}`;
  expect(record).toEqual({ day: on, hours: 50 });
  const { tree } = (await overviewOf(viewer, treeId, at(on, '12:00'), fair))!;
  const next = tree.followUps.filter((f) => f.state === 'open');
  expect(next.length).toBeGreaterThan(0);
  expect(next.every((f) => f.due >= on)).toBe(true);
  expect(next.some((f) => f.due > on)).toBe(true);
});
