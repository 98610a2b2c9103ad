import { clockAhead, keepClockAhead, phoneNow, watchClock } from './clock.client';

const kept = new Map<string, string>();
Object.assign(globalThis, {
  window: globalThis,
  localStorage: {
    getItem: (k: string) => kept.get(k) ?? null,
    setItem: (k: string, v: string) => kept.set(k, v),
    clear: () => kept.clear(),
  },
});
const TRUE = Date.parse('2026-06-01T10:00:00Z');
const HOUR = 3_600_000;
/** A phone at a moment: what its clock shows, and the steady clock beside it, ms since the page was opened. */
const at = (shown: number, steady: number) => {
  jest.spyOn(Date, 'now').mockReturnValue(shown);
  jest.spyOn(performance, 'now').mockReturnValue(steady);
};
beforeEach(() => {
  localStorage.clear();
  at(TRUE, 0);
});
afterEach(() => jest.restoreAllMocks());

it('a clock that was an hour ahead and is put right in mid-day writes the right time from then on, without signal', () => {
  at(TRUE + HOUR, 0);
  keepClockAhead(3600);
  at(TRUE + HOUR + 5000, 5000);
  expect(phoneNow().getTime()).toBe(TRUE + 5000);
  at(TRUE + 9000, 9000);
  expect(phoneNow().getTime()).toBe(TRUE + 9000);
  expect(clockAhead()).toBe(0);
});

it('one that was behind is learnt as well; a night of sleep is not taken for it', () => {
  at(TRUE - 2 * HOUR, 0);
  keepClockAhead(-7200);
  at(TRUE + 4000, 4000);
  expect(phoneNow().getTime()).toBe(TRUE + 4000);
  // The steady clock stands still in sleep.
  at(TRUE + 9 * HOUR, 6000);
  expect(phoneNow().getTime()).toBe(TRUE + 9 * HOUR);
});

it('what the server or another page has learnt meanwhile is not put right twice', () => {
  at(TRUE + HOUR, 0);
  keepClockAhead(3600);
  // Another page notices first.
  localStorage.setItem('elmhorn:clock-ahead', '0');
  at(TRUE + 5000, 5000);
  watchClock();
  expect(clockAhead()).toBe(0);
  watchClock();
  expect(phoneNow().getTime()).toBe(TRUE + 5000);
});
