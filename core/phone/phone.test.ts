import fc from 'fast-check';
import { aheadAfter, aheadBy, clockWords, isWrong, putRight } from './clock';
import { MOST_BYTES, nextOf, stillQueued, waitMs } from './queue';
import { MOST_TOGETHER } from './limits';

const waiting = fc
  .array(fc.record({ bytes: fc.integer({ min: 1, max: 2 * MOST_BYTES }), id: fc.uuid() }), { maxLength: 120 })
  .map((of) => of.map((w, i) => ({ ...w, seq: i * 3 + 1 })));

describe('what is sent next', () => {
  it('is the first of what waits, in its order, as much as travels together, and always something', () => {
    fc.assert(
      fc.property(waiting, fc.infiniteStream(fc.integer()), (all, noise) => {
        const shuffled = [...all].sort(() => (noise.next().value! % 3) - 1);
        const next = nextOf(shuffled);
        expect(next).toEqual(all.slice(0, next.length));
        if (all.length) expect(next.length).toBeGreaterThan(0);
        expect(next.length).toBeLessThanOrEqual(MOST_TOGETHER);
        if (next.length > 1) expect(next.reduce((sum, w) => sum + w.bytes, 0)).toBeLessThanOrEqual(MOST_BYTES);
      }),
    );
  });
  it('sent until nothing waits, each goes exactly once whatever is answered on the way', () => {
    fc.assert(
      fc.property(waiting, fc.array(fc.boolean(), { minLength: 1, maxLength: 40 }), (all, answers) => {
        let left = all;
        const seen: string[] = [];
        for (let i = 0; left.length && i < 1000; i++) {
          const batch = nextOf(left);
          // The answer is lost, or speaks of the first half alone.
          if (!answers[i % answers.length] && i < 200) continue;
          const spoken = batch.slice(0, Math.max(1, Math.ceil(batch.length / 2)));
          seen.push(...spoken.map((w) => w.id));
          left = stillQueued(
            left,
            spoken.map(({ id }) => ({ id, ok: true as const })),
          );
        }
        expect(left).toEqual([]);
        expect(seen).toEqual(all.map((w) => w.id));
      }),
    );
  });
});

it('waits longer each time, and never longer than five minutes', () => {
  expect([0, 1, 2, 3].map(waitMs)).toEqual([2000, 4000, 8000, 16_000]);
  expect(waitMs(60)).toBe(300_000);
});

describe('a clock', () => {
  const TRUE = Date.parse('2026-06-01T10:00:00Z');
  it('that is wrong by anything is put right to the second, however long the question took', () => {
    fc.assert(
      fc.property(fc.integer({ min: -86_400, max: 86_400 }), fc.integer({ min: 0, max: 8000 }), (off, tookMs) => {
        const ahead = aheadBy(TRUE + off * 1000 + tookMs / 2, TRUE, tookMs);
        const right = putRight(TRUE + off * 1000, ahead).getTime();
        // What the way between them could explain is no fault of the clock.
        expect(Math.abs(right - TRUE)).toBeLessThanOrEqual(Math.max(5000 + tookMs / 2, 1000));
        if (Math.abs(off) > 20) expect(Math.abs(right - TRUE)).toBeLessThanOrEqual(500);
      }),
    );
  });
  it('that is set while the app runs is learnt at once; sleep is not taken for it', () => {
    fc.assert(
      fc.property(fc.integer({ min: -86_400, max: 86_400 }), fc.integer({ min: -19, max: 19 }), (off, drift) => {
        // Put right by hand, to the second or nearly.
        if (Math.abs(off) > 40) expect(Math.abs(aheadAfter(off, -off + drift))).toBeLessThanOrEqual(20);
        expect(aheadAfter(off, drift)).toBe(off);
      }),
    );
    // A nap of eight hours on a phone that was right, ahead, or a little behind.
    for (const off of [0, 3600, -600]) expect(aheadAfter(off, 8 * 3600)).toBe(off);
    expect(aheadAfter(0, -3600)).toBe(-3600);
  });
  it('is told of where it is more than two minutes off, with which way', () => {
    expect([0, 119, 120].some(isWrong)).toBe(false);
    expect([121, -2400].every(isWrong)).toBe(true);
    expect(clockWords(2400)).toMatch(/40 minutes ahead/);
    expect(clockWords(-7200)).toMatch(/2 hours behind/);
    expect(clockWords(3 * 86_400)).toMatch(/3 days ahead/);
  });
});
