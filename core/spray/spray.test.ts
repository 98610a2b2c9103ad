import fc from 'fast-check';
import { crownGround, crownVolume, sprayVolume } from './crown';
import { loads, markStep, mixingOrder } from './loads';

const crown = { shape: 'ellipsoid', widthM: 6.2, depthM: 7.5 } as const;
it('the worked crown: 150.95 m³, 14.19 L to run-off, three trees in three equal knapsacks', () => {
  expect(crownVolume(crown)).toBeCloseTo(150.95352700499, 9);
  expect(sprayVolume(crown, 1).ml / 1000).toBeCloseTo(14.189631538469, 9);
  const three = loads(3 * sprayVolume(crown, 1).ml, 100, { holdsMl: 15_000 });
  expect(three.map((l) => Math.round(l.spray))).toEqual([14190, 14190, 14190]);
});
it('a crown half as wide holds a quarter; a cone half of an ellipsoid', () => {
  expect(crownVolume({ ...crown, widthM: 3.1 }) * 4).toBeCloseTo(crownVolume(crown), 9);
  expect(crownVolume({ ...crown, shape: 'cone' }) * 2).toBeCloseTo(crownVolume(crown), 9);
  expect(crownVolume({ shape: 'hedge', widthM: 1, depthM: 2, lengthM: 10 })).toBe(20);
});
it('the ground below a crown is its circle, below a hedge its rectangle', () => {
  expect(crownGround(crown)).toBeCloseTo(Math.PI * 3.1 ** 2, 9);
  expect(crownGround({ shape: 'cylinder', widthM: 2, depthM: 9 })).toBeCloseTo(Math.PI, 9);
  expect(crownGround({ shape: 'hedge', widthM: 1.5, depthM: 2, lengthM: 10 })).toBe(15);
  // A hedge whose length nobody gave is as long as it is wide.
  expect(crownGround({ shape: 'hedge', widthM: 1.5, depthM: 2 })).toBe(2.25);
});
it('the own log replaces the estimate from three trees on, by its median', () => {
  const log = [8, 12, 40].map((litres) => ({ litres, m3: 100 }));
  expect(sprayVolume(crown, 1, log.slice(0, 2)).from).toBe('estimate');
  expect(sprayVolume(crown, 1, log)).toMatchObject({
    from: 'own log',
    ml: expect.closeTo(crownVolume(crown) * 120, 6),
  });
});
it('loads add up to the whole, none is over the tank, and each is as strong as the mix', () => {
  const positive = (max: number) => fc.double({ min: 1, max, noNaN: true });
  fc.assert(
    fc.property(positive(2e6), positive(1e5), positive(1e6), (total, product, tank) => {
      fc.pre(total / tank < 500);
      const all = loads(total, product, { holdsMl: tank });
      const sum = (f: (l: (typeof all)[number]) => number) => all.reduce((a, l) => a + f(l), 0);
      expect(all.map((l) => l.number)).toEqual(all.map((_, i) => i + 1));
      expect(Math.abs(sum((l) => l.spray) - total)).toBeLessThanOrEqual(2e-6 * total);
      expect(Math.abs(sum((l) => l.product) - product)).toBeLessThanOrEqual(2e-6 * product);
      for (const l of all) {
        expect(l.spray).toBeLessThanOrEqual(tank);
        expect(l.spray).toBe(all[0]!.spray);
        expect(l.product / l.spray).toBeCloseTo(product / total, 9);
      }
    }),
  );
});
it('filled to marks, loads reach the job and what the sprayer keeps back, by less than a mark each, in no filling more than it takes', () => {
  const ml = (min: number, max: number) => fc.integer({ min, max });
  fc.assert(
    fc.property(ml(100, 200_000), ml(200, 20_000), ml(0, 900), (total, holdsMl, deadMl) => {
      const stepMl = markStep(holdsMl);
      const all = loads(total, 100, { holdsMl, stepMl, deadMl });
      const sum = all.reduce((a, l) => a + l.spray, 0);
      const full = Math.floor(holdsMl / stepMl) * stepMl;
      expect(sum).toBeGreaterThanOrEqual(total + deadMl - 1e-6);
      expect(sum - total - deadMl).toBeLessThan(stepMl * all.length + 1e-6);
      expect((all.length - 1) * full).toBeLessThan(total + deadMl + 1e-6);
      for (const l of all) {
        expect(l.spray).toBeLessThanOrEqual(holdsMl);
        expect(l.spray / stepMl).toBeCloseTo(Math.round(l.spray / stepMl), 6);
        expect(l.product / l.spray).toBeCloseTo(100 / total, 9);
      }
    }),
  );
});
it.each([
  [50, 1],
  [99, 1],
  [100, 2],
  [249, 2],
  [250, 5],
  [499, 5],
  [500, 10],
  [10_000, 200],
])('a vessel of %d mL has a mark every %d mL', (holds, step) => expect(markStep(holds)).toBeCloseTo(step, 9));
it('powders go in before emulsions, oils last', () => {
  const order = mixingOrder(['OIL', 'EC', 'WP', 'SL', 'SC'].map((formulation) => ({ formulation })));
  expect(order.map((o) => o.product.formulation)).toEqual(['WP', 'SC', 'EC', 'SL', 'OIL']);
});
