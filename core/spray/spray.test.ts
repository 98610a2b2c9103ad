import fc from 'fast-check';
import { crownVolume, sprayVolume } from './crown';
import { loads, mixingOrder } from './loads';

const crown = { shape: 'ellipsoid', widthM: 6.2, depthM: 7.5 } as const;
it('the worked crown: 150.95 m³, 14.19 L to run-off, three trees in two knapsacks and one of 12.57 L', () => {
  expect(crownVolume(crown)).toBeCloseTo(150.95352700499, 9);
  expect(sprayVolume(crown, 1).ml / 1000).toBeCloseTo(14.189631538469, 9);
  const three = loads(3 * sprayVolume(crown, 1).ml, 100, 15_000);
  expect(three.map((l) => Math.round(l.spray))).toEqual([15000, 15000, 12569]);
});
it('a crown half as wide holds a quarter; a cone half of an ellipsoid', () => {
  expect(crownVolume({ ...crown, widthM: 3.1 }) * 4).toBeCloseTo(crownVolume(crown), 9);
  expect(crownVolume({ ...crown, shape: 'cone' }) * 2).toBeCloseTo(crownVolume(crown), 9);
  expect(crownVolume({ shape: 'hedge', widthM: 1, depthM: 2, lengthM: 10 })).toBe(20);
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
      const all = loads(total, product, tank);
      const sum = (f: (l: (typeof all)[number]) => number) => all.reduce((a, l) => a + f(l), 0);
      expect(Math.abs(sum((l) => l.spray) - total)).toBeLessThanOrEqual(2e-6 * total);
      expect(Math.abs(sum((l) => l.product) - product)).toBeLessThanOrEqual(2e-6 * product);
      for (const l of all) {
        expect(l.spray).toBeLessThanOrEqual(tank);
        expect(l.product / l.spray).toBeCloseTo(product / total, 9);
      }
    }),
  );
});
it('powders go in before emulsions, oils last', () => {
  const order = mixingOrder(['OIL', 'EC', 'WP', 'SL', 'SC'].map((formulation) => ({ formulation })));
  expect(order.map((o) => o.product.formulation)).toEqual(['WP', 'SC', 'EC', 'SL', 'OIL']);
});
