import { findHost } from '@/knowledge';
import type { Hour, StationFor, WeatherStation } from '@/core/weather/station';
import { fair } from '@/stand-ins/weather/fair';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { simulatedStation } from '@/stand-ins/weather/station';
import type { DueRow } from '@/store/follow-ups';
import type { StageNote } from '@/store/season';
import { dayAfter } from '@/lib/calendar/days';
import { hostYear, underRain, weatherOf, type HoursAt, type YearAsked } from './season';

const NOW = new Date('2026-11-26T10:00:00Z');
const [north, south] = [47, -44].map((lat) => simulatedStation(5, { climate: CLIMATES.continental, lat }));
const continental: StationFor = ({ lat }) => ((lat ?? 0) < 0 ? south! : north!);
const yearOf = (hostId: string, lat: number | null, zone: string, more: Partial<YearAsked['seen']> = {}, now = NOW) =>
  hostYear(findHost(hostId)!, {
    spot: { lat, lon: 0 },
    timeZone: zone,
    seen: { stageNotes: [], brought: [], ownHeat: [], ...more },
    stationFor: continental,
    now,
    presence: {},
  });
const seen = (code: number, day: string): StageNote => ({
  id: day,
  siteId: 'p',
  treeId: null,
  hostId: 'wych-elm',
  kind: 'stage',
  what: String(code),
  day,
  byName: 'Tester',
});
const of = (year: ReturnType<typeof yearOf>, code: number) => year.stages.filter((s) => s.code === code);

describe('the year of a host', () => {
  it('holds this season and the next, measured before now and from other years after', () => {
    const full = of(yearOf('wych-elm', 47, 'Europe/Berlin'), 19);
    expect(full.map((s) => [s.day.slice(0, 4), s.rests])).toEqual([
      ['2026', 'measured'],
      ['2027', 'years'],
    ]);
    expect(full.every((s) => s.day.slice(5) > '04-20' && s.day.slice(5) < '06-10')).toBe(true);
  });
  it('is turned in the south: leaves are full in November and fall in autumn there', () => {
    const year = yearOf('wych-elm', -44, 'Pacific/Auckland');
    expect(of(year, 19).every((s) => s.day.slice(5, 7) >= '10' || s.day.slice(5, 7) === '01')).toBe(true);
    expect(of(year, 97).every((s) => s.day.slice(5, 7) >= '04' && s.day.slice(5, 7) <= '07')).toBe(true);
  });
  it('says nothing where nobody has said where it stands, nor of a host of which nobody can say how it grows', () => {
    expect(yearOf('wych-elm', null, 'UTC')).toEqual({ stages: [], heat: [] });
    expect(yearOf('mango', 47, 'UTC').stages).toEqual([]);
  });
  it('what was seen this season stands in it, and is learned for the next; of another host it says nothing', () => {
    const plain = of(yearOf('wych-elm', 47, 'Europe/Berlin'), 19)[1]!;
    const [last] = of(yearOf('wych-elm', 47, 'Europe/Berlin'), 19);
    const late = seen(19, dayAfter(last!.day, 12, 'days'));
    const taught = of(yearOf('wych-elm', 47, 'Europe/Berlin', { stageNotes: [late] }), 19)[1]!;
    expect(taught.day > plain.day).toBe(true);
    expect(taught.by).toEqual({ kind: 'learned', seasons: 1 });
    const other = yearOf('wych-elm', 47, 'Europe/Berlin', { stageNotes: [{ ...late, hostId: 'common-ash' }] });
    expect(of(other, 19)[1]).toEqual(plain);
  });
  it('forecast days stand between what was measured and the other years', () => {
    const weather = weatherOf({
      station: fair({ lat: 51, lon: 0 }),
      start: '2026-01-01',
      timeZone: 'Europe/London',
      now: NOW,
      brought: [],
    });
    expect(weather.forecastDays).toBeGreaterThanOrEqual(9);
    expect(weather.courses.length).toBeGreaterThanOrEqual(20);
    // From the first of November to yesterday, a day each.
    expect(weather.measured).toHaveLength(390);
  });
});

describe('a visit that renews a cover', () => {
  const raining = (mm: number, on: string): StationFor => {
    const hours = (from: Date, to: Date): Hour[] =>
      Array.from({ length: Math.max(0, Math.floor((to.getTime() - from.getTime()) / 3_600_000)) }, (_, i) => {
        const at = new Date(from.getTime() + i * 3_600_000).toISOString();
        return { at, temperatureC: 12, rainMm: at.startsWith(`${on}T12`) ? mm : 0, humidity: 70 };
      });
    return () => ({ ...fair({ lat: 51, lon: 0 }), hours }) as WeatherStation;
  };
  const row = (more: Partial<DueRow> = {}): DueRow => ({
    id: 'a',
    treeId: 't',
    tag: '7',
    hostId: 'apple',
    siteId: 'p',
    siteName: 'Orchard',
    kind: 'treat-again',
    what: 'Cover again',
    reason: '',
    onlyIf: null,
    due: '2026-05-11',
    earliest: '2026-05-08',
    latest: '2026-05-15',
    timeZone: 'Europe/London',
    lat: 51,
    lon: 0,
    assignmentId: null,
    accepted: false,
    sprayed: {
      doneOn: '2026-05-01',
      endedAt: '2026-05-01T09:00:00Z',
      use: {
        method: 'foliar-spray',
        purpose: 'preventive',
        intervals: { minDays: 7, reEntryHours: 48, text: 'x' },
        conditions: { rainFreeHours: 6, text: 'x' },
        followUps: [
          {
            id: 'again',
            kind: 'treat-again',
            what: 'Cover again',
            after: { count: 10, unit: 'days' },
            why: 'it wears off',
          },
        ],
      },
    },
    ...more,
  });
  const now = new Date('2026-05-09T10:00:00Z');
  const at =
    (station: StationFor): HoursAt =>
    (where) =>
    (from, to) =>
      station(where).hours(from, to);

  it('is due on the day on which rain took half of it, with the figures that say so', () => {
    const [visit] = underRain([row()], at(raining(28, '2026-05-08')), now);
    expect(visit).toMatchObject({ due: '2026-05-08', earliest: '2026-05-08', latest: '2026-05-15' });
    expect(visit!.cover).toMatchObject({ why: 'half-gone', rainMm: 28 });
  });
  it('keeps its day where it stayed dry, and is never later for it', () => {
    expect(underRain([row()], at(raining(3, '2026-05-08')), now)[0]).toMatchObject({ due: '2026-05-11' });
    expect(
      underRain([row({ due: '2026-05-05', earliest: '2026-05-05' })], at(raining(28, '2026-05-08')), now)[0]!.due,
    ).toBe('2026-05-05');
  });
  it('stands in order with what renews nothing', () => {
    const look = row({ id: 'b', kind: 'look', sprayed: null, due: '2026-05-09', earliest: '2026-05-09' });
    const visits = underRain([look, row()], at(raining(28, '2026-05-08')), now);
    expect(visits.map((v) => [v.id, v.due])).toEqual([
      ['a', '2026-05-08'],
      ['b', '2026-05-09'],
    ]);
    expect(visits[1]!.cover).toBeNull();
  });
});
