import fc from 'fast-check';
import { TURNS, type Turn } from './devices';
import { walkOf, wantsAHand } from './walk';

const on = (x: number, why: Turn, at = '2026-06-01T10:00:00.000Z') => ({ at: { x, y: 0 }, turn: { why, at } });

describe('the way from trunk to trunk', () => {
  it('goes to what leaks before what is nearer, and then by short ways', () => {
    const [near, leaks, far, middle] = [on(0, 'empty'), on(90, 'leaking'), on(10, 'due'), on(50, 'late')];
    expect(walkOf([near, leaks, far, middle])).toEqual([leaks, middle, far, near]);
  });

  it('comes to what runs last, in the order in which it is expected to be empty', () => {
    const [late, soon] = [on(0, 'running', '2026-06-01T12:00:00.000Z'), on(500, 'slow', '2026-06-01T11:00:00.000Z')];
    expect(walkOf([late, soon, on(900, 'stuck')]).map((x) => x.at.x)).toEqual([900, 500, 0]);
  });

  it('comes to each once, and to nothing that waits before what does not', () => {
    const trunk = fc
      .tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 0, max: 300 }), fc.constantFrom(...TURNS), fc.nat(999))
      .map(([x, y, why, m]) => ({ at: { x, y }, turn: { why, at: new Date(m * 60_000).toISOString() } }));
    fc.assert(
      fc.property(fc.array(trunk, { maxLength: 30 }), (of) => {
        const way = walkOf(of);
        expect(new Set(way).size).toBe(of.length);
        expect(of.every((x) => way.includes(x))).toBe(true);
        const kinds = way.map((x) => (wantsAHand(x.turn.why) ? 1 : 0));
        expect(kinds).toEqual([...kinds].sort((a, b) => b - a));
      }),
    );
  });
});
