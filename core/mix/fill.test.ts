import fc from 'fast-check';
import { fillingsOf, fillsOf, fromLots, usualFill } from './fill';
import { asStrong, recipeOf } from './recipe';
import type { Vessel } from '../dose/vessels';

const syringe: Vessel = { id: 's', name: '60 mL syringe', dimension: 'volume', capacity: 60, graduation: 1 };
const jug: Vessel = { id: 'j', name: 'Jug', dimension: 'volume', capacity: 1000, graduation: 10, reserved: true };
const kitchen: Vessel = {
  id: 'k',
  name: 'Kitchen jug',
  dimension: 'volume',
  capacity: 500,
  graduation: 10,
  reserved: false,
};
const scale: Vessel = { id: 'w', name: 'Scale', dimension: 'mass', capacity: 500, graduation: 0.1 };
const knapsack = { id: 'n', name: 'Knapsack', holdsMl: 10_000, deadMl: 300 };

it('mixed in what is kept for it, never in a food vessel or a syringe; the smallest that takes a few fillings, else the largest', () => {
  const fills = fillsOf([syringe, jug, kitchen, scale], [knapsack]);
  expect(fills.map((f) => f.id)).toEqual(['j', 'n']);
  expect(usualFill(fills, 700)?.id).toBe('j');
  expect(usualFill(fills, 3_100)?.id).toBe('n');
  expect(usualFill(fills, 40_000)?.id).toBe('n');
  expect(usualFill([], 40)).toBeNull();
});

it('fillings are never stronger than the recipe, whatever the vessels show', () => {
  const ml = (max: number) => fc.double({ min: 50, max, noNaN: true });
  fc.assert(
    fc.property(
      ml(60_000),
      fc.double({ min: 0.0005, max: 0.4, noNaN: true }),
      fc.subarray([syringe, jug]),
      fc.boolean(),
      (wanted, strength, vessels, tank) => {
        const recipe = { kind: 'tank' as const, mixMl: wanted, strength };
        const [fill] = fillsOf([], tank ? [knapsack] : []);
        const fillings = fillingsOf({ recipe, wantedMl: wanted, fill: fill ?? null, vessels, dimension: 'volume' });
        expect(fillings.reduce((a, f) => a + f.spray, 0)).toBeGreaterThanOrEqual(wanted * (1 - 1e-9));
        for (const f of fillings) {
          expect(asStrong(recipe, { product: f.put, totalMl: f.spray })).toBe(true);
          expect(f.put).toBeLessThanOrEqual(f.spray * strength * (1 + 1e-9));
        }
      },
    ),
  );
});

it('product comes from the lot that was chosen, then from what expires soonest; an expired one gives nothing', () => {
  const lots = [
    { id: 'old', onHand: 50, expiresOn: '2026-05-01' },
    { id: 'late', onHand: 30, expiresOn: '2028-01-01' },
    { id: 'soon', onHand: 40, expiresOn: '2026-12-01' },
  ];
  expect(fromLots(lots, null, 60, '2026-06-01')).toEqual([
    { lotId: 'soon', amount: 40 },
    { lotId: 'late', amount: 20 },
  ]);
  expect(fromLots(lots, 'late', 60, '2026-06-01')!.map((l) => l.lotId)).toEqual(['late', 'soon']);
  expect(fromLots(lots, null, 71, '2026-06-01')).toBeNull();
  expect(fromLots(lots, 'old', 10, '2026-06-01')!.map((l) => l.lotId)).toEqual(['soon']);
});

it('a stock is as strong as its label says; trees that are given it undiluted, or as strong as no other, share no mix', () => {
  const dose = (product: number, more: object) =>
    ({ ok: true, product, stockMl: null, carrier: null, ...more }) as never;
  const label = {
    stock: {
      concentrate: { value: 250, unit: 'mL' as const },
      madeUpTo: { value: 1500, unit: 'mL' as const },
      text: 'x',
    },
  };
  const recipe = recipeOf(label, [dose(46.8, { stockMl: 280.8 }), dose(20, { stockMl: 120 })])!;
  expect(recipe).toMatchObject({ kind: 'stock', mixMl: 400.8 });
  expect(recipe.strength).toBeCloseTo(1 / 6, 12);
  expect(
    recipeOf({}, [dose(10, { carrier: { totalMl: 1000 } }), dose(20, { carrier: { totalMl: 2000 } })]),
  ).toMatchObject({ kind: 'tank', mixMl: 3000, strength: 0.01 });
  expect(recipeOf({}, [dose(10, { carrier: { totalMl: 1000 } }), dose(20, { carrier: { totalMl: 1000 } })])).toBeNull();
  expect(recipeOf({}, [dose(10, {})])).toBeNull();
  expect(recipeOf({}, [])).toBeNull();
});
