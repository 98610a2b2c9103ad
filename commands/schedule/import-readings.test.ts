import { v7 } from 'uuid';
import { doneBy, NOW, ownCompany } from '@/commands/testing';
import { yearOf } from '@/facts/season';
import { treeOf } from '@/facts/tree';
import { guessWeather } from '@/core/exchange/weather-csv';
import { hoursAt } from '@/facts/season';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer } from '@/store/auth';
import { broughtHours, siteYears, stationColumns } from '@/store/season';
import { makeCompany } from '@/store/testing';
import { seasonView } from '@/views/schedule';
import { importReadings } from './import-readings';

const made = ownCompany();
beforeAll(async () => {
  await made.owner`update tree set lat = 51.2, lon = 0.4, host_id = 'apple' where id = ${made.o.treeId}`;
});
const HEADER = 'time,temp,rain,rh';
/** Hours from the first of January, UTC. */
const file = (hours: number, of: (i: number) => string = () => '3,0,80', from = '2026-01-01T00:00:00Z') =>
  [
    HEADER,
    ...Array.from({ length: hours }, (_, i) => `${new Date(Date.parse(from) + i * 3_600_000).toISOString()},${of(i)}`),
  ].join('\n');
const reading = guessWeather(HEADER.split(','));
const bring = (csv: string, more: object = {}, who = made.viewer) =>
  doneBy(importReadings, who, { id: v7(), siteId: made.o.siteId, reading, csv, ...more });
const bloom = async () =>
  (await yearOf(made.viewer, (await treeOf(made.viewer, made.o.treeId, NOW))!, fair, NOW)).stages.find(
    (s) => s.code === 65 && s.day.startsWith('2026'),
  )!;

it('keeps hours and the days they make whole, moves the stages that rest on heat, and remembers how it was read', async () => {
  const before = await bloom();
  expect(before.rests).toBe('measured');
  // Five months at three degrees: no heat that counts.
  const csv = file(24 * 150);
  const id = v7();
  expect(await bring(csv, { id })).toEqual({ ok: true, value: { hours: 3600, days: 150, missing: 0 } });
  expect(await bring(csv, { id })).toEqual({ ok: true, value: { hours: 3600, days: 150, missing: 0 } });
  const after = await bloom();
  expect(after.day > before.day).toBe(true);
  expect(await stationColumns(made.viewer, made.o.siteId)).toEqual(reading);
  const [year] = await siteYears(made.viewer, [made.o.siteId], '2026-01-01');
  expect(year!.brought).toHaveLength(150);
  expect(year!.brought[0]).toEqual({ day: '2026-01-01', min: 3, max: 3, rainMm: 0 });
  const season = await seasonView({
    viewer: made.viewer,
    now: NOW,
    stationFor: fair,
    from: '2026-05-01',
    to: '2027-05-01',
    siteId: made.o.siteId,
  });
  expect(season.at!.brought).toBeGreaterThan(100);
  expect(season.at!.days.find((d) => d.day === '2026-05-20')).toMatchObject({ min: 3, max: 3, told: 'measured' });
});

it('hours brought again are replaced, and a day is whole only with nearly all of its hours', async () => {
  expect(await bring(file(20, () => '9,1,90', '2026-05-31T00:00:00Z'))).toMatchObject({ ok: true, value: { days: 0 } });
  const hours = await broughtHours(made.viewer, [made.o.siteId], new Date('2026-05-31T00:00:00Z'));
  expect(hours).toHaveLength(20);
  const [year] = await siteYears(made.viewer, [made.o.siteId], '2026-05-01');
  expect(year!.brought.some((d) => d.day === '2026-05-31')).toBe(false);
  expect(await bring(file(24, () => '9,1,90', '2026-05-30T23:00:00Z'))).toMatchObject({ ok: true });
  const [again] = await siteYears(made.viewer, [made.o.siteId], '2026-05-01');
  expect(again!.brought.find((d) => d.day === '2026-05-31')).toEqual({ day: '2026-05-31', min: 9, max: 9, rainMm: 24 });
});

it('a missing stretch is counted', async () =>
  expect(await bring([HEADER, '2026-02-01T00:00Z,1,0,80', '2026-02-01T05:00Z,1,0,80'].join('\n'))).toMatchObject({
    ok: true,
    value: { hours: 2, missing: 4 },
  }));

it.each<[string, string, object, RegExp | string]>([
  ['a line that is wrong', file(3, (i) => (i === 1 ? 'warm,0,80' : '3,0,80')), {}, 'csv.3.temp'],
  ['an empty file', HEADER, {}, 'csv'],
  ['no text', 'a\0b', {}, 'csv'],
  ['times without a clock', `${HEADER}\n2026-05-01 10:00,3,0,80`, {}, 'csv.2.time'],
  ['a place that is not there', file(3), { siteId: v7() }, 'siteId'],
])('%s leaves nothing behind', async (_, csv, more, path) => {
  const count = async () => (await made.owner`select count(*)::int as n from weather_hour`)[0]!.n as number;
  const before = await count();
  const answer = await bring(csv, more);
  expect(answer.ok ? [] : answer.issues.map((f) => f.path)).toEqual([path]);
  expect(await count()).toBe(before);
});

it('another company does not write here, and a technician brings no lists', async () => {
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await bring(file(3), {}, theirs)).toMatchObject({ ok: false, issues: [{ path: 'siteId' }] });
  expect(await bring(file(3), {}, { ...made.viewer, role: 'technician' })).toMatchObject({ ok: false });
});

it('what its own station measured goes before the installation’s, hour by hour, and only at its place', async () => {
  const from = new Date('2026-05-31T00:00:00Z');
  const to = new Date('2026-05-31T06:00:00Z');
  const at = await hoursAt(made.viewer, fair, [made.o.siteId], from);
  const here = { lat: null, lon: null, siteId: made.o.siteId };
  expect(at(here)(from, to).map((h) => h.temperatureC)).toEqual([9, 9, 9, 9, 9, 9]);
  const elsewhere = at({ ...here, siteId: made.o.treeId })(from, to);
  expect(elsewhere).toEqual(fair(here).hours(from, to));
  expect(elsewhere.some((h) => h.temperatureC !== 9)).toBe(true);
});
