import fc from 'fast-check';
import { batchCode, drawsOf, goodUntil, leftMlOf, readBatchCode, strengthOf, type Open } from './batch';

const anyMl = fc.double({ min: 1, max: 50_000, noNaN: true });
const anyOpen = fc
  .array(
    fc.record({
      id: fc.uuid(),
      totalMl: anyMl,
      part: fc.double({ min: 0.001, max: 0.9, noNaN: true }),
      full: fc.double({ min: 0, max: 1, noNaN: true }),
    }),
    { minLength: 1, maxLength: 5 },
  )
  .map((of) =>
    of.map(({ id, totalMl, part, full }): Open => ({ id, totalMl, product: totalMl * part, leftMl: totalMl * full })),
  );

it('draws give each tree what it wants, no batch more than it holds, and product is lost nowhere', () =>
  fc.assert(
    fc.property(
      anyOpen,
      fc.array(fc.double({ min: 0.1, max: 5_000, noNaN: true }), { maxLength: 30 }),
      (open, wanted) => {
        const held = open.reduce((sum, b) => sum + b.leftMl * strengthOf(b), 0);
        const asked = wanted.reduce((a, b) => a + b, 0);
        const draws = drawsOf(open, wanted);
        if (!draws) return expect(held).toBeLessThan(asked + 1e-3);
        draws.forEach((of, i) => {
          const got = of.reduce((sum, d) => sum + d.product, 0);
          expect(Math.abs(got - wanted[i]!)).toBeLessThan(1e-6 + 1e-9 * wanted[i]!);
        });
        for (const b of open) {
          const of = draws.flat().filter((d) => d.batchId === b.id);
          const drawn = of.reduce((sum, d) => sum + d.mixMl, 0);
          expect(drawn).toBeLessThanOrEqual(b.leftMl * (1 + 1e-9) + 1e-9);
          for (const d of of) expect(d.product).toBeCloseTo(d.mixMl * strengthOf(b), 6);
        }
      },
    ),
  ));

it('any sequence of making, drawing, giving back and ending conserves product to 1e-9', () =>
  fc.assert(
    fc.property(
      anyMl,
      fc.double({ min: 0.001, max: 0.9, noNaN: true }),
      fc.array(fc.record({ part: fc.double({ min: 0, max: 1, noNaN: true }), back: fc.boolean() }), { maxLength: 60 }),
      (totalMl, part, events) => {
        const mixed = { totalMl, product: totalMl * part };
        const takings: { mixMl: number }[] = [];
        for (const e of events) {
          const left = leftMlOf(mixed, takings);
          const out = totalMl - left;
          // Drawn of what is there, given back of what is out: never more.
          takings.push({ mixMl: e.back ? -out * e.part : left * e.part });
        }
        const left = leftMlOf(mixed, takings);
        const out = takings.reduce((sum, t) => sum + t.mixMl, 0) * strengthOf(mixed);
        expect(Math.abs(out + left * strengthOf(mixed) - mixed.product)).toBeLessThanOrEqual(
          1e-9 * mixed.product + 1e-9,
        );
        expect(left).toBeGreaterThanOrEqual(-1e-9 * totalMl);
      },
    ),
  ));

it('24 trees from a stock of 250 mL made up to 1,500: the product follows by proportion', () => {
  const bottle: Open = { id: 'b', product: 250, totalMl: 1500, leftMl: 1500 };
  const [first] = drawsOf([bottle], [46.8])!;
  expect(first![0]!.mixMl).toBeCloseTo(280.8, 9);
  expect(
    drawsOf(
      [bottle],
      Array.from({ length: 24 }, () => 10.5),
    ),
  ).toBeNull();
  expect(
    drawsOf(
      [bottle, { ...bottle, id: 'c' }],
      Array.from({ length: 24 }, () => 10.5),
    )!
      .at(-1)!
      .map((d) => d.batchId),
  ).toEqual(['b', 'c']);
});

it('a mix is good as long as its label says, and on its day where it says nothing', () => {
  const [made, night] = [new Date('2026-06-01T08:00:00Z'), new Date('2026-06-01T23:00:00Z')];
  expect(goodUntil(made, 24, night).toISOString()).toBe('2026-06-02T08:00:00.000Z');
  expect(goodUntil(made, undefined, night)).toBe(night);
});

it('a tag says five signs that are not mistaken for one another, the same for one batch', () =>
  fc.assert(
    fc.property(fc.uuid(), (id) => {
      expect(batchCode(id)).toMatch(/^[2-9A-HJ-NP-Z]{5}$/);
      expect(batchCode(id)).toBe(batchCode(id));
      expect(readBatchCode(` ${batchCode(id).toLowerCase()} `)).toBe(batchCode(id));
      expect(readBatchCode(batchCode(id).slice(1))).toBeNull();
    }),
  ));
