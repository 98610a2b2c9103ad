import fc from 'fast-check';
import { findCondition, trainingLabels } from '@/knowledge';
import { USUAL_PRICES } from '../cost/prices';
import { presentValue } from '../cost/value';
import type { Dose } from '../dose/dose';
import { weightOf, yearsInto } from '../season/programme';
import {
  expectedOfUse,
  courses,
  keepOrReplace,
  lossUntreated,
  onceOfUse,
  overTheYears,
  priced,
  stepOfUse,
  stepOfWork,
} from './costs';
import { type Weighing } from '../gates/context';

const by = (more: Partial<Weighing> = {}): Weighing => ({
  prices: USUAL_PRICES,
  system: 'metric',
  on: '2026-05-20',
  programme: null,
  school: 'conventional',
  options: null,
  south: false,
  ...more,
});
const injection = trainingLabels.find((l) => l.key === 'training-03-borer-injection')!;
const use = injection.uses[0]!;
const programme = (everyYears: number | null, years = 12) => ({ school: null, everyYears, years });
const dose = (product: number, count: number) =>
  ({ ok: true, product, dimension: 'volume', sites: { count } }) as unknown as Dose;

it('one time is the product, coming out, hands and devices', () => {
  const { visit, hour, device } = USUAL_PRICES;
  const once = onceOfUse({ ...injection, priceMinor: 20_000 }, use, dose(50, 10), USUAL_PRICES);
  // 50 mL at 200.00 a litre; 25 minutes and 3 a site.
  expect(once).toBeCloseTo(1000 + visit + (55 / 60) * hour + 10 * device, 9);
});

it('a programme sets how often an injection comes, within what the label allows', () => {
  const times = (p: ReturnType<typeof programme> | null) =>
    overTheYears(stepOfUse(use, by({ programme: p })), 100, by({ programme: p })).times;
  expect(times(programme(3))).toBe(4);
  expect(times(programme(1))).toBeGreaterThan(times(programme(4)));
  const least = use.intervals.minDays ?? 0;
  expect(times(programme(1))).toBeLessThanOrEqual(Math.ceil((12 * 365.25) / Math.max(365, least)));
});

it('money over the years is the sum of its visits, discounted by their year, and grows with the years', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...trainingLabels),
      fc.integer({ min: 100, max: 100_000 }),
      fc.integer({ min: 1, max: 19 }),
      fc.constantFrom('conventional' as const, 'threshold' as const),
      (label, once, years, school) => {
        const w = (n: number) => by({ programme: { school, everyYears: null, years: n } });
        const step = stepOfUse(label.uses[0]!, w(years));
        const got = overTheYears(step, once, w(years));
        const sum = presentValue(
          got.visits
            .filter((v) => v.kind === 'treat')
            .map((v) => ({ year: yearsInto('2026-05-20', v.day), amount: once * weightOf(v) })),
          USUAL_PRICES.discount,
        );
        expect(got.overYears).toBe(Math.round(sum));
        expect(overTheYears(step, once, w(years + 1)).overYears).toBeGreaterThanOrEqual(got.overYears);
        expect(priced({ now: once, overYears: got.overYears }, w(years))).toEqual({
          now: once,
          overYears: got.overYears,
          years,
        });
      },
    ),
    { numRuns: 60 },
  );
});

it('a work without rules is looked at after a year, and counted as one that may not be needed', () => {
  const got = overTheYears(stepOfWork('Wash', [], undefined, by()), 100, by({ programme: programme(null, 3) }));
  expect(got.visits.map((v) => v.onlyIf === null)).toEqual([true, false, false]);
  expect(got.visitsAYear).toBeCloseTo(2 / 3, 9);
});

it('treating lowers the chance of loss by what it controls; a new tree is paid once; leaving costs only the loss', () => {
  const [treat, remove, leave] = courses({ overYears: 50_000, control: { likely: 0.8 } }, by(), 0.1);
  expect(treat!.stands).toBeCloseTo(0.98 ** 10, 9);
  expect(leave!.stands).toBeCloseTo(0.9 ** 10, 9);
  expect(remove!.planned).toBe(USUAL_PRICES.removeAndReplant);
  expect(leave!.planned).toBe(0);
  expect(leave!.expected).toBeGreaterThan(0);
  const { keep, remove: anew } = keepOrReplace({ label: injection, use, dose: dose(50, 10), by: by(), lossWithout: 0 });
  expect(keep).toBeGreaterThan(0);
  expect(anew).toBeGreaterThan(USUAL_PRICES.removeAndReplant);
  expect(lossUntreated(0.15, 60)).toBeGreaterThan(lossUntreated(0.15, 0));
  // Crossing branches, scab and aphids lose hardly a tree in a hundred years.
  expect(lossUntreated(null, 0)).toBeLessThan(0.005);
  expect(lossUntreated(0.5, 100)).toBeLessThanOrEqual(0.6);
});

it('the window of the field guide is the window of the place: half a year later south of the equator', () => {
  const condition = findCondition('elm-leaf-beetle')!;
  const at = (day: string, south: boolean) => expectedOfUse(use, day, by({ options: condition.options, south })).from;
  expect(at('2026-06-15', false)).not.toMatch(/outside its window/);
  expect(at('2026-06-15', true)).toMatch(/outside its window/);
  expect(at('2026-12-15', true)).not.toMatch(/outside its window/);
});
