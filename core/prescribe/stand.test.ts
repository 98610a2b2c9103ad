import { findHost } from '@/knowledge';
import { USUAL_PRICES } from '../cost/prices';
import { testLabel, perDiameter } from '../testing';
import { capLeft, chooseTrees, type Standing } from './stand';

const label = testLabel(
  {
    rate: perDiameter(46.8, 'mL', 31.2, 'cm'),
    limits: [
      {
        limit: 'per-area-year',
        active: 'testide',
        amount: { value: 450, unit: 'g' },
        each: { value: 1, unit: 'ha' },
        text: 'x',
      },
    ],
  },
  { priceMinor: 10_000 },
);
const use = label.uses[0]!;
const elm = (tag: string, d = 31.2, more: Partial<Standing> = {}): Standing => ({
  id: tag,
  tag,
  host: findHost('wych-elm')!,
  diameters: [d],
  crownLoss: 0,
  conditionId: 'elm-leaf-beetle',
  ...more,
});
const cap = capLeft(use, 6200, {})!;

it('the cap of a place: 279 g, less what anyone has put down', () => {
  expect(cap).toMatchObject({ active: 'testide', whole: 279, left: 279 });
  expect(capLeft(use, 6200, { testide: 80 })!.left).toBe(199);
  expect(capLeft(use, null, {})).toBeNull();
});

it('24 like trees, not 25; the others are left, and the answer is proven', () => {
  const got = chooseTrees({
    trees: Array.from({ length: 30 }, (_, i) => elm(String(i))),
    label,
    use,
    by: { kind: 'cap', ...cap },
    likely: 0.8,
  });
  expect(got.choice.chosen).toHaveLength(24);
  expect(got.choice.gap).toBe(0);
  expect(got.considered[0]!.takes).toBeCloseTo(11.232, 9);
});

it('a tree that keeps more living trunk for its grams comes first; what the use is not for is named', () => {
  const got = chooseTrees({
    trees: [
      elm('thin', 20),
      elm('thick', 80),
      elm('bare', 80, { crownLoss: 90 }),
      elm('other', 30, { conditionId: null }),
      elm('lime', 30, { host: findHost('common-lime')! }),
    ],
    label,
    use,
    by: { kind: 'cap', active: 'testide', left: 30 },
    likely: 0.8,
  });
  expect(got.choice.chosen).toEqual(['thick']);
  expect(got.outside.map((o) => o.tag)).toEqual(['other', 'lime']);
});

it('a sum of money buys most living trunk', () => {
  const trees = [elm('a', 30), elm('b', 60), elm('c', 45)];
  const cost = (d: number) => (10_000 * 1.5 * d) / 1000 + USUAL_PRICES.hour / 2;
  const got = chooseTrees({
    trees,
    label,
    use,
    by: { kind: 'budget', left: cost(60) + 1, prices: USUAL_PRICES },
    likely: 0.8,
  });
  expect(got.choice.chosen).toEqual(['b']);
  expect(got.choice.takes).toBeCloseTo(cost(60), 6);
});
