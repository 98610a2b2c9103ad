import fc from 'fast-check';
import { barkLossAdvice, barkLossShare } from './bark-loss';

const relative = (a: number, b: number) => Math.abs(a - b) / b;

it('unites arcs: the worked figure, across north, all round', () => {
  const arcs = [
    { from: 10, to: 60 },
    { from: 45, to: 95 },
    { from: 300, to: 330 },
  ];
  expect(relative(barkLossShare(arcs), 0.319444444444444)).toBeLessThan(1e-12);
  expect(barkLossShare([{ from: 350, to: 10 }])).toBeCloseTo(20 / 360, 12);
  expect(barkLossShare([{ from: 90, to: 90 }])).toBe(1);
  expect(barkLossShare([])).toBe(0);
});

it('never counts a degree twice, whatever the order', () => {
  const arc = fc.record({ from: fc.integer({ min: 0, max: 359 }), to: fc.integer({ min: 0, max: 359 }) });
  fc.assert(
    fc.property(fc.array(arc, { maxLength: 8 }), (arcs) => {
      const bare = new Set<number>();
      for (const a of arcs)
        for (let d = 0, w = a.from === a.to ? 360 : (a.to - a.from + 360) % 360; d < w; d++)
          bare.add((a.from + d) % 360);
      expect(barkLossShare(arcs)).toBeCloseTo(bare.size / 360, 9);
      expect(barkLossShare([...arcs].reverse())).toBeCloseTo(barkLossShare(arcs), 12);
    }),
  );
});

it('advises by the quarter and the half', () => {
  expect([0, 0.2, 0.3, 0.6, 1].map(barkLossAdvice).map((s) => s?.slice(0, 9))).toEqual([
    undefined,
    'Under a q',
    'A quarter',
    'More than',
    'Bare all ',
  ]);
});
