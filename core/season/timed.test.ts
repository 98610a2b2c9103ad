import { findCondition, findHost, heatModels } from '@/knowledge';
import { trainingLabels, regionOf } from '@/knowledge';
import { expectedLeaf, heatDate, NO_YEAR, type HostYear } from './year';
import { dayAfter } from '../../lib/calendar/days';
import { lifeSpans } from './life';
import { timedSpans } from './timed';
import type { TreatmentOption } from '../diagnose/knowledge';
import type { StageDate } from './stages';
import { nextWindow, workDay } from '../prescribe/when';
import type { TreatmentContext } from '../gates/context';
import { UNSAID } from '../prescribe/unsaid';

const stage = (code: StageDate['code'], day: string, spread = 5): StageDate => ({
  code,
  day,
  earliest: dayAfter(day, -spread, 'days'),
  latest: dayAfter(day, spread, 'days'),
  rests: 'years',
  moved: 0,
  by: null,
});
const year = (stages: StageDate[]): HostYear => ({ stages, heat: [] });
const elmYear = year([
  stage(11, '2027-04-18'),
  stage(19, '2027-05-14', 8),
  stage(92, '2027-10-08'),
  stage(93, '2027-10-22'),
  stage(97, '2027-11-14'),
]);
const elm: TreatmentContext = {
  ...UNSAID,
  supervised: true,
  on: '2026-11-26',
  host: findHost('wych-elm')!,
  hostConfirmed: true,
  condition: findCondition('dutch-elm-disease'),
  decision: 'protect a sound tree',
  soilTexture: 'loam',
  region: regionOf('estuary'),
};
const use = (label: string, key: string) => {
  const found = trainingLabels.find((l) => l.key.startsWith(label))!;
  return [found, found.uses.find((u) => u.key === key)!] as const;
};

describe('a window that waits for leaves', () => {
  it('opens on the day on which they are expected full, with its spread and its reason', () => {
    const window = nextWindow({ ...elm, year: elmYear }, ...use('training-02', 'protect'))!;
    expect(window.from).toBe('2027-05-14');
    expect(window.spread).toEqual({ earliest: '2027-05-06', latest: '2027-05-22' });
    expect(window.opens).toContainEqual({ by: 'leaf', expected: elmYear.stages[1] });
  });
  it('moves by as many days as the stage does, and by the calendar where nobody knows more', () => {
    const later = year(elmYear.stages.map((s) => (s.code === 19 ? stage(19, '2027-05-23', 2) : s)));
    expect(nextWindow({ ...elm, year: later }, ...use('training-02', 'protect'))!.from).toBe('2027-05-23');
    expect(nextWindow({ ...elm, year: NO_YEAR }, ...use('training-02', 'protect'))!.from).toBe('2027-05-01');
  });
  it('a leaf state is that of the stages, of the calendar without them, and always full on an evergreen', () => {
    const host = { evergreen: false };
    expect(expectedLeaf(host, elmYear, '2027-05-10', false)).toBe('unfolding');
    expect(expectedLeaf(host, NO_YEAR, '2027-05-10', false)).toBe('full');
    expect(expectedLeaf(host, NO_YEAR, '2027-11-20', true)).toBe('full');
    expect(expectedLeaf({ evergreen: true }, elmYear, '2027-01-10', false)).toBe('full');
  });
});

describe('times by stage and by heat', () => {
  const apple = year([
    stage(7, '2027-03-14'),
    stage(60, '2027-04-22'),
    stage(69, '2027-05-11'),
    stage(71, '2027-05-20'),
  ]);
  const spray: TreatmentContext = {
    ...elm,
    host: findHost('apple')!,
    condition: findCondition('apple-scab'),
    year: apple,
    on: '2027-01-10',
  };
  it('a cover against scab begins at green tip where the label’s months allow it', () => {
    expect(timedSpans({ by: 'stage', from: 7, to: 71 }, apple)).toEqual([
      { from: { kind: 'stage', date: apple.stages[0] }, to: '2027-05-20' },
    ]);
    const window = nextWindow(spray, ...use('training-07', 'cover'))!;
    // The label's months begin in April; the guide's time ends at fruit set.
    expect([window.from, window.to]).toEqual(['2027-04-01', '2027-05-20']);
    expect(window.closes).toContainEqual({ by: 'stage', from: 7, to: 71, expected: null });
  });
  it('a span across the new year holds on both sides of it', () => {
    const peach = year([stage(97, '2026-11-28'), stage(1, '2027-01-29'), stage(97, '2027-11-26')]);
    expect(timedSpans({ by: 'stage', from: 97, to: 1 }, peach)).toEqual([
      { from: { kind: 'stage', date: peach.stages[0] }, to: '2027-01-29' },
    ]);
  });
  it('heat opens it for its days, and nothing is told where the sum waits for a sighting', () => {
    const hatch = heatModels.find((m) => m.id === 'codling-moth-hatch')!;
    const weather = {
      start: '2027-01-01',
      measured: [],
      courses: [Array.from({ length: 427 }, () => ({ min: 10, max: 24 }))],
      forecastDays: 0,
    };
    expect(heatDate(hatch, weather, null)).toBeNull();
    const date = heatDate(hatch, weather, '2027-05-20')!;
    // Seven degree-days a day: 139 are reached on the 20th day.
    expect(date).toMatchObject({ from: '2027-05-20', day: '2027-06-08' });
    expect(timedSpans({ by: 'heat', model: 'codling-moth-hatch', days: 21 }, { stages: [], heat: [date] })).toEqual([
      { from: { kind: 'heat', date }, to: '2027-06-29' },
    ]);
  });
  it('a work without a product waits for its stage too', () =>
    expect(workDay({ ...spray, on: '2027-01-10' }, 'foliar spray')).toBe('2027-03-14'));
});

describe('times so many days after a stage or a sum', () => {
  const at = (days: { fromDays?: number; toDays?: number }, from: 19 | 92 = 19, to: 19 | 92 | 97 = 19) =>
    timedSpans({ by: 'stage', from, to, ...days }, elmYear).map((s) => [s.from?.date.day ?? null, s.to]);
  it('are moved with their spread, at either end', () => {
    expect(at({ fromDays: 30, toDays: 75 })).toEqual([['2027-06-13', '2027-07-28']]);
    expect(at({ fromDays: -10, toDays: 0 }, 19, 92)).toEqual([['2027-05-04', '2027-10-08']]);
    const [span] = timedSpans({ by: 'stage', from: 19, to: 19, fromDays: 30, toDays: 75 }, elmYear);
    expect([span!.from!.date.earliest, span!.from!.date.latest]).toEqual(['2027-06-05', '2027-06-21']);
  });
  it('are none where what ends them comes first', () => {
    expect(at({ fromDays: 160 }, 19, 92)).toEqual([]);
    expect(at({ fromDays: 140 }, 19, 92)).toEqual([['2027-10-01', '2027-10-08']]);
  });
  it('a host that lacks a stage has the one next to it on the same track, and none where there is none', () => {
    const pine = year([stage(31, '2027-05-01'), stage(39, '2027-07-10')]);
    expect(timedSpans({ by: 'stage', from: 9, to: 19 }, pine).map((s) => s.from?.date.day)).toEqual(['2027-05-01']);
    expect(timedSpans({ by: 'stage', from: 97, to: 1 }, pine)).toEqual([]);
    expect(timedSpans({ by: 'stage', from: 60, to: 69 }, pine)).toEqual([]);
  });
  it('a way with two times is open in either, and waits for the nearer one', () => {
    const option = (timed: TreatmentOption['timed']) => ({
      ...elm,
      today: '2027-02-01',
      year: elmYear,
      condition: {
        ...findCondition('elm-leaf-beetle')!,
        options: findCondition('elm-leaf-beetle')!.options.map((o) =>
          o.method === 'wash' || o.method === 'foliar spray' ? { ...o, timed } : o,
        ),
      },
    });
    const twice = option([
      { by: 'stage', from: 19, to: 19, fromDays: 60, toDays: 80 },
      { by: 'stage', from: 11, to: 19 },
    ]);
    expect(workDay(twice, 'foliar spray')).toBe('2027-04-18');
    expect(workDay({ ...twice, on: '2027-06-01' }, 'foliar spray')).toBe('2027-07-13');
  });
});

describe('a life', () => {
  const life = [
    { stage: 'eggs', time: { by: 'stage', from: 97, to: 11 } },
    { stage: 'young', time: { by: 'stage', from: 11, to: 19, toDays: 30 } },
    { stage: 'harm', time: { by: 'months', from: 11, to: 2 } },
  ] as const;
  const spans = (south: boolean) =>
    lifeSpans([...life], elmYear, south, { from: '2027-01-01', to: '2027-12-31' }).map((s) => [
      s.stage,
      s.first,
      s.last,
    ]);
  it('is cut to what was asked for; what had begun before is there from its first day', () => {
    expect(spans(false)).toEqual([
      ['eggs', '2027-01-01', '2027-04-18'],
      ['young', '2027-04-18', '2027-06-13'],
      ['harm', '2027-01-01', '2027-02-28'],
      ['harm', '2027-11-01', '2027-12-31'],
    ]);
  });
  it('turns its months with the hemisphere', () =>
    expect(spans(true).filter(([stage]) => stage === 'harm')).toEqual([['harm', '2027-05-01', '2027-08-31']]));
});
