import fc from 'fast-check';
import { cuttingList, deerFence, guard, widenBy } from './guard';

const sapling = { d: 6.5, growth: 1.2, years: 4, clearance: 3, overlap: 4, voles: true, rabbits: false, snow: 70 };
it('the worked guard: 58.35 cm around, 98 cm high, 128 cm where rabbits stand on the snow', () => {
  expect(guard(sapling)).toMatchObject({ length: expect.closeTo(58.3495529070034, 9), height: 98, meshMm: 6.4 });
  expect(guard({ ...sapling, rabbits: true }).height).toBe(128);
  expect(guard({ ...sapling, voles: false, rabbits: true, snow: 0 })).toMatchObject({
    above: 60,
    height: 68,
    meshMm: 13,
  });
});
it('is widened before the trunk touches it', () => {
  expect(widenBy('2026-11-01', 3, 1.2) > '2026-11-01').toBe(true);
  expect(widenBy('2026-11-01', 3, 1.2)).toBe('2031-05-01');
});
it('every piece is cut once, from a roll that is long enough, or said to be too large', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(fc.integer({ min: 10, max: 400 }), fc.integer({ min: 40, max: 140 })), { maxLength: 40 }),
      (sizes) => {
        const pieces = sizes.map(([length, height], i) => ({ tree: String(i), length, height }));
        const list = cuttingList(pieces, { length: 300, height: 120 });
        const cut = list.rolls.flatMap((r) => r.pieces.map((p) => p.tree));
        expect([...cut, ...list.tooLarge.map((t) => t.tree)].sort()).toEqual(pieces.map((p) => p.tree).sort());
        for (const r of list.rolls) expect(r.pieces.reduce((a, p) => a + p.length, 0)).toBeLessThanOrEqual(300);
        const need = pieces.filter((p) => p.length <= 300 && p.height <= 120).reduce((a, p) => a + p.length, 0);
        // First fit by falling length stays under 11/9 of the best and a little.
        expect(list.rolls.length).toBeLessThanOrEqual(Math.ceil((2 * need) / 300) + 1);
      },
    ),
  );
});
it('a fence goes around the group with room for the crowns', () => {
  expect(
    deerFence(
      [
        { x: 0, y: 0 },
        { x: 10, y: 5 },
      ],
      2,
    ),
  ).toBe(46);
});
