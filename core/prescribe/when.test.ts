import { northernMonth } from '../../lib/calendar/hemisphere';
import fc from 'fast-check';
import { blocked, CHAPTERS, standing } from '../gates/rules';
import { PASSING } from '../gates/said';
import { inSeason, monthOf } from '../../lib/calendar/months';
import { dayAfter } from '../../lib/calendar/days';
import { findCondition, findHost, hosts, regionOf, trainingLabels } from '@/knowledge';
import { options } from './options';
import { prescribe } from './prescribe';
import type { Choices, TreatmentContext } from '../gates/context';
import { UNSAID } from './unsaid';
import { dayOf, daysOpen, firstOpen, nextWindow, contextOn, visitOn, whenOf, workDay } from './when';

const elm: TreatmentContext = {
  ...UNSAID,
  supervised: true,
  on: '2026-11-26',
  host: findHost('wych-elm')!,
  hostConfirmed: true,
  condition: findCondition('dutch-elm-disease'),
  certainty: 'possible',
  decision: 'protect a sound tree',
  atRisk: true,
  findKm: 0.8,
  crownLoss: 3,
  vigour: 'good',
  reading: { day: '2026-06-01', diameters: [46.2], heightCm: 130, doubts: [], arcs: [] },
  siteAreaM2: 6200,
  water: 40,
  soilTexture: 'loam',
  vessels: [{ id: 'a', name: '60 mL syringe', dimension: 'volume', capacity: 60, graduation: 1 }],
  region: regionOf('estuary'),
  licence: { number: 'L', categories: ['tree injection', 'ornamental'], expires: '2030-01-01' },
  checked: Object.fromEntries(trainingLabels.map((l) => [l.key, '2026-11-01'])),
};
/** What a station says in November: bare, cold, windy, wet. */
const november: Choices = {
  soil: 'saturated',
  leaf: 'leafless',
  temperatureC: 3,
  windMs: 9,
  rainNext24Mm: 12,
  said: { collar: 'sound', bloom: 'in flower' },
};
const wayOf = (key: string, which: string) => {
  const label = trainingLabels.find((l) => l.key.startsWith(key))!;
  return [label, label.uses.find((u) => u.key === which)!] as const;
};
const infusion = wayOf('training-02', 'protect');
const cover = wayOf('training-07', 'cover');

describe('the next window', () => {
  it('of an infusion seen in November: from May, for the label’s months and the leaf, until September is over', () => {
    expect(nextWindow(elm, ...infusion)).toEqual({
      from: '2027-05-01',
      to: expect.stringMatching(/^2027-0[5-9]-/),
      opens: expect.arrayContaining([
        { by: 'months', months: [5, 6, 7, 8, 9] },
        { by: 'leaf', expected: null },
      ]),
      // By the calendar alone nobody knows how sure it is.
      spread: null,
      closes: expect.anything(),
    });
  });
  it('is today’s where it is open today', () => {
    const window = nextWindow({ ...elm, on: '2027-06-14' }, ...infusion)!;
    expect(window).toMatchObject({ from: '2027-06-14', opens: [] });
  });
  it('comes half a year later in the south', () => {
    const window = nextWindow({ ...elm, south: true, on: '2026-07-01' }, ...infusion)!;
    expect(window.from).toBe('2026-11-01');
  });
  it('waits for the interval of anything with the same active, and for the yearly number', () => {
    const [label, which] = infusion;
    const active = label.actives[0]!.name;
    const earlier = [{ day: '2026-07-10', labelKey: 'another', actives: [active], byOthers: true }];
    const window = nextWindow({ ...elm, earlier }, label, which);
    // 700 days after 10 July 2026 lie further ahead than a year.
    expect(window).toBeNull();
    const later = nextWindow({ ...elm, earlier, on: '2027-11-01' }, label, which)!;
    expect(later.from).toBe(dayAfter('2026-07-10', 700, 'days'));
    expect(later.opens).toEqual([{ by: 'interval', until: '2028-06-09' }]);
  });
  it('keeps the days before picking free, and opens again after the last', () => {
    const apple: TreatmentContext = {
      ...elm,
      host: { ...findHost('apple')!, edible: true },
      condition: findCondition('apple-scab'),
      on: '2026-06-01',
      harvest: { from: '2026-06-20', to: '2026-07-05' },
    };
    const [label, which] = cover;
    const wait = which.intervals.preHarvestDays!;
    const window = nextWindow({ ...apple, harvest: { from: '2026-06-28', to: '2026-07-02' } }, label, which)!;
    expect(window.from).toBe('2026-06-01');
    expect(window.to).toBe(dayAfter('2026-06-28', -wait, 'days'));
    expect(window.closes).toContainEqual({ by: 'picking', until: '2026-07-03' });
    const during = nextWindow({ ...apple, on: '2026-07-01' }, label, which)!;
    expect(during.from >= '2026-07-06').toBe(true);
  });
  it('property: no day before it is open, every start is one, and past its end it is closed', () => {
    const ways = trainingLabels.flatMap((label) => label.uses.map((u) => [label, u] as const));
    fc.assert(
      fc.property(
        fc.constantFrom(...ways),
        fc.constantFrom(...hosts),
        fc.boolean(),
        fc.integer({ min: 0, max: 900 }),
        fc.option(fc.integer({ min: 1, max: 800 }), { nil: null }),
        ([label, which], host, south, plus, ago) => {
          const today = dayAfter('2026-01-01', plus, 'days');
          const earlier =
            ago === null ? [] : [{ day: dayAfter(today, -ago, 'days'), labelKey: label.key, actives: [] as string[] }];
          const here = { ...elm, host, south, on: today, earlier, condition: null };
          const window = nextWindow(here, label, which);
          if (!window) return;
          expect(window.from >= today && window.to >= window.from).toBe(true);
          expect(window.opens.length > 0).toBe(window.from > today);
          const at = (day: string) => nextWindow({ ...here, on: day }, label, which);
          expect(at(window.from)?.from).toBe(window.from);
          for (let d = today; d < window.from; d = dayAfter(d, 17, 'days')) expect(at(d)?.from).toBe(window.from);
          if (window.from > today) expect(at(dayAfter(window.from, -1, 'days'))!.from).toBe(window.from);
          if (window.closes.length)
            expect(at(dayAfter(window.to, 1, 'days'))?.from).not.toBe(dayAfter(window.to, 1, 'days'));
        },
      ),
      { numRuns: 120 },
    );
  });
});

describe('a prescription for its window', () => {
  const planned = prescribe(elm, ...infusion, { ...november, when: { kind: 'window' } });
  it('is dosed, and no standing gate stands in its way, though today everything does', () => {
    expect(planned.on).toBe('2027-05-01');
    expect(planned.dose.ok).toBe(true);
    expect(standing(planned.gates).filter((g) => g.strength === 'stop')).toEqual([]);
    const today = prescribe(elm, ...infusion, november);
    expect(today.on).toBe('2026-11-26');
    expect(today.gates.some((g) => g.id === 'no-uptake' && g.strength === 'stop')).toBe(true);
  });
  it('takes nothing that passes from this day: what the air, the soil and the flowers do is open', () => {
    expect(planned.gates.find((g) => g.id === 'temperature-unknown')).toMatchObject({ day: true, state: 'asked' });
    for (const g of planned.gates.filter((x) => x.day)) expect(['asked', 'tripped']).toContain(g.state);
    expect(planned.gates.some((g) => g.id === 'temperature' || g.id === 'bloom')).toBe(false);
  });
  it('asks the licence of that day, not of this', () => {
    const runsOut = { ...elm, licence: { ...elm.licence!, expires: '2027-03-01' } };
    const ids = (when: Choices['when']) =>
      standing(prescribe(runsOut, ...infusion, { ...november, when }).gates).map((g) => g.id);
    expect(ids({ kind: 'window' })).toContain('licence-expired');
    expect(ids({ kind: 'now' })).not.toContain('licence-expired');
  });
  it('at the tree it is today, whatever it was planned for: a plan ahead never opens a gate of the day', () => {
    for (const when of [{ kind: 'window' }, { kind: 'day', day: '2027-06-01' }, { kind: 'now' }] as const) {
      const applied = prescribe(elm, ...infusion, { ...november, when, phase: 'apply' });
      expect(applied.on).toBe(elm.on);
      expect(applied.gates).toEqual(prescribe(elm, ...infusion, { ...november, phase: 'apply' }).gates);
      expect(blocked(applied.gates, {}).map((g) => g.id)).toContain('no-uptake');
    }
  });
  it('counts the caps of the year that holds the visit', () => {
    const [label, which] = wayOf('training-01', 'drench');
    const active = label.actives[0]!.name;
    const cap = label.uses[0]!.limits.length;
    const beetle = { ...elm, condition: findCondition('elm-leaf-beetle'), decision: 'treat now' as const };
    const full = { ...beetle, siteYearActive: { [active]: 1e6 } };
    const grams = (s: TreatmentContext, day?: string) => {
      const { dose } = prescribe(s, label, which, {
        ...november,
        ...(day ? { when: { kind: 'day', day } } : {}),
      });
      return dose.ok ? dose.product : null;
    };
    expect(cap).toBeGreaterThan(0);
    expect(grams(full)).toBeNull();
    expect(grams(full, '2027-05-10')).toBe(grams(beetle, '2027-05-10'));
    expect(grams({ ...beetle, sitePlanned: { '2027': { [active]: 1e6 } } }, '2027-05-10')).toBeNull();
    expect(grams({ ...beetle, sitePlanned: { '2028': { [active]: 1e6 } } }, '2027-05-10')).not.toBeNull();
  });
  it('the shelf offers the protection in its window first, in whatever month it is looked at', () => {
    for (let m = 1; m <= 12; m++) {
      const here = { ...elm, on: `2027-${String(m).padStart(2, '0')}-15` };
      const [first] = options(here, trainingLabels, { ...november, when: { kind: 'window' } });
      expect(first!.use.purpose).toBe('preventive');
      expect(first!.use.targets).toContain('dutch-elm-disease');
      // Open today, it is today's weather that stops it, and that is said.
      expect(first!.stops > 0).toBe(!first!.later);
      expect(first!.later).toBe(first!.result!.on > here.on);
      if (m < 5 || m > 9) expect(first!.later).toBe(true);
    }
  });
});

describe('the day that is meant', () => {
  const window = nextWindow(elm, ...infusion);
  it.each([
    [undefined, '2026-11-26'],
    [{ kind: 'now' } as const, '2026-11-26'],
    [{ kind: 'window' } as const, '2027-05-01'],
    [{ kind: 'day', day: '2027-08-02' } as const, '2027-08-02'],
    [{ kind: 'day', day: '2020-01-01' } as const, '2026-11-26'],
  ])('%j is %s', (when, day) => expect(dayOf(elm, window?.from ?? null, when)).toBe(day));
  it('without a window there is nothing to wait for', () => {
    expect(dayOf(elm, null, { kind: 'window' })).toBe(elm.on);
  });
  it('makes a visit with the span it may move in; a day outside any window is that day alone', () => {
    expect(visitOn({ on: '2026-11-26', window }, elm.on)).toBeNull();
    expect(visitOn({ on: '2027-06-01', window }, elm.on)).toEqual({
      plannedFor: '2027-06-01',
      earliest: window!.from,
      latest: window!.to,
    });
    expect(visitOn({ on: '2027-01-09', window }, elm.on)).toEqual({
      plannedFor: '2027-01-09',
      earliest: '2027-01-09',
      latest: '2027-01-09',
    });
    expect(whenOf({ plannedFor: '2027-06-01' }, '2026-11-26')).toEqual({ kind: 'day', day: '2027-06-01' });
    expect(whenOf({ plannedFor: '2027-06-01' }, '2027-06-01')).toEqual({ kind: 'now' });
    expect(whenOf({ plannedFor: null }, '2027-06-01')).toEqual({ kind: 'now' });
  });
  it('the sums of this year do not count in another', () => {
    const spent = { ...elm, siteYearActive: { a: 5 }, treeYearProduct: { b: 6 } };
    expect(contextOn(spent, '2026-12-31')).toMatchObject({ siteYearActive: { a: 5 }, treeYearProduct: { b: 6 } });
    expect(contextOn(spent, '2027-01-01')).toMatchObject({ siteYearActive: {}, treeYearProduct: {} });
  });
});

it('a work waits for the months that the field guide names, and for nothing where it names none', () => {
  const named = elm.condition!.options.filter((o) => o.from !== 1 || o.to !== 12);
  for (const { method, from } of elm.condition!.options) {
    const on = workDay(elm, method);
    const open = elm.condition!.options.find((o) => o.method === method)!;
    const month = monthOf(on);
    expect([method, from, inSeason(northernMonth(month, false), [open.from, open.to])]).toEqual([method, from, true]);
    expect(on >= elm.on).toBe(true);
  }
  expect(named.length).toBeGreaterThan(0);
  expect(workDay({ ...elm, condition: null }, 'trunk injection')).toBe(elm.on);
});

it('every gate that asks what passes from day to day is one of the day, and none that asks what stays', () => {
  const dayIds = new Set(CHAPTERS.flatMap((c) => c.rules.filter((r) => r.day).flatMap((r) => r.ids)));
  const asked = new Map<string, string>();
  for (const label of trainingLabels)
    for (const u of label.uses)
      for (const host of hosts)
        for (const g of prescribe({ ...elm, host, decision: 'treat now' }, label, u, {
          ...november,
          said: {},
          phase: 'apply',
        }).gates)
          if (g.asks) asked.set(g.id, g.asks);
  expect(asked.size).toBeGreaterThan(10);
  for (const [id, fact] of asked) if (PASSING.some((p) => p === fact)) expect([id, dayIds.has(id)]).toEqual([id, true]);
});

describe('the days of a year, as a hand that moves a plan is told them', () => {
  const done = (day: string, labelKey: string) => ({ day, labelKey, actives: [], families: [], groups: [] });
  const picked = {
    ...elm,
    host: findHost('cider-apple')!,
    condition: null,
    problems: [],
    harvest: { from: '2027-09-10', to: '2027-10-05' },
  };

  it('lie one after the other without a gap, and say of each what the window says', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(elm, picked, { ...elm, earlier: [done('2026-11-20', 'training-02-elm-infusion')] }),
        fc.constantFrom(...trainingLabels.flatMap((l) => l.uses.map((u) => [l, u] as const))),
        (context, [label, use]) => {
          const spans = daysOpen(context, label, use);
          expect(spans[0]!.from).toBe(context.on);
          for (const [i, s] of spans.entries()) {
            expect(s.from <= s.to).toBe(true);
            if (i > 0) expect(s.from).toBe(dayAfter(spans[i - 1]!.to, 1, 'days'));
          }
          const window = nextWindow(context, label, use);
          const open = spans.find((s) => !s.bounds.length);
          expect(open?.from).toBe(window?.from);
          if (window?.closes.length) expect(dayAfter(open!.to, 1, 'days')).toBe(dayAfter(window.to, 1, 'days'));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('a day of it is open exactly where a window that begins on it is', () => {
    const spans = daysOpen(elm, ...infusion);
    for (let n = 0; n < 360; n += 3) {
      const day = dayAfter(elm.on, n, 'days');
      const open = firstOpen({ ...elm, on: day }, ...infusion, day) === day;
      expect([day, spans.find((s) => s.from <= day && day <= s.to)!.bounds.length === 0]).toEqual([day, open]);
    }
  });
});

it('a systemic that harms bees waits for the end of bloom, and one that spares them does not', () => {
  const flower = (code: 60 | 69, day: string) => ({
    code,
    day,
    earliest: day,
    latest: day,
    rests: 'years' as const,
    moved: 0,
    by: null,
  });
  const lime: TreatmentContext = {
    ...elm,
    on: '2027-05-01',
    host: { ...findHost('common-lime')!, beePlant: 'strongly' },
    condition: null,
    year: { heat: [], stages: [flower(60, '2027-06-22'), flower(69, '2027-07-12')] },
  };
  const [label, use] = wayOf('training-03', 'inject');
  const any = { ...use, months: [], needsLeaf: false };
  expect(nextWindow(lime, label, any)).toMatchObject({
    from: '2027-07-13',
    opens: [{ by: 'bloom', until: '2027-07-13' }],
  });
  expect(nextWindow(lime, { ...label, inFlowersDays: 20 }, any)).toMatchObject({
    from: '2027-05-01',
    to: '2027-06-01',
  });
  expect(nextWindow(lime, { ...label, beeHazard: 'none' }, any)).toMatchObject({ from: '2027-05-01', closes: [] });
  // Where nobody knows when it flowers, no date is made up: the day asks.
  expect(nextWindow({ ...lime, year: { heat: [], stages: [] } }, label, any)).toMatchObject({ from: '2027-05-01' });
});
