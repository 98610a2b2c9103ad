import fc from 'fast-check';
import { dayAfter } from '../../lib/calendar/days';
import { followed, hasMoved, isOver } from './follow';
import type { Visit, Window } from './when';

const day = fc.integer({ min: 0, max: 300 }).map((n) => dayAfter('2027-01-01', n, 'days'));
const span = fc
  .tuple(day, fc.integer({ min: 0, max: 90 }))
  .map(([from, n]) => ({ from, to: dayAfter(from, n, 'days') }));
const window = span.map((s): Window => ({ ...s, opens: [], closes: [], spread: null }));
const visit = fc.tuple(span, fc.double({ min: 0, max: 1, noNaN: true })).map(([{ from, to }, share]): Visit => {
  const days = Math.round(share * ((Date.parse(to) - Date.parse(from)) / 864e5));
  return { plannedFor: dayAfter(from, days, 'days'), earliest: from, latest: to };
});
const alone = (v: Visit) => v.earliest === v.latest;

describe('a plan after its window has moved', () => {
  it('stands within it, and following again moves nothing', () => {
    fc.assert(
      fc.property(visit, window, (was, w) => {
        fc.pre(!alone(was));
        const now = followed(was, w)!;
        expect(now.plannedFor >= w.from && now.plannedFor <= w.to).toBe(true);
        expect([now.earliest, now.latest]).toEqual([w.from, w.to]);
        fc.pre(!alone(now));
        expect(hasMoved(now, followed(now, w))).toBe(false);
      }),
    );
  });

  it('opens with it where it waited for its opening, in either direction; keeps a day of its own that it leaves', () => {
    const w = (from: string, to: string): Window => ({ from, to, opens: [], closes: [], spread: null });
    const waits: Visit = { plannedFor: '2027-05-10', earliest: '2027-05-10', latest: '2027-08-31' };
    expect(followed(waits, w('2027-05-16', '2027-08-31'))!.plannedFor).toBe('2027-05-16');
    expect(followed(waits, w('2027-05-01', '2027-08-31'))!.plannedFor).toBe('2027-05-01');
    const own: Visit = { ...waits, plannedFor: '2027-06-14' };
    expect(followed(own, w('2027-05-01', '2027-08-31'))!.plannedFor).toBe('2027-06-14');
    expect(followed(own, w('2027-06-20', '2027-08-31'))!.plannedFor).toBe('2027-06-20');
    expect(followed(own, w('2027-05-01', '2027-06-01'))!.plannedFor).toBe('2027-06-01');
    expect(followed(own, null)).toBeNull();
  });

  it('that stood on a day outside any window stays where somebody put it', () => {
    const put: Visit = { plannedFor: '2027-02-01', earliest: '2027-02-01', latest: '2027-02-01' };
    expect(followed(put, null)).toEqual(put);
    expect(hasMoved(put, followed(put, null))).toBe(false);
  });
});

it.each([
  ['a span that ended yesterday', { latest: '2027-05-09', at: '2026-11-26' }, true],
  ['a span that ends today', { latest: '2027-05-10', at: '2026-11-26' }, false],
  ['planned for its own day, last week', { latest: null, at: '2027-05-03' }, false],
  ['planned for its own day, in the winter', { latest: null, at: '2027-01-15' }, true],
])('%s: over is %#', (_, plan, over) => expect(isOver(plan, '2027-05-10')).toBe(over));
