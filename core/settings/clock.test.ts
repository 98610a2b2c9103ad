import fc from 'fast-check';
import { clockAheadS } from './clock';
import { readSettings } from './settings';

const MACHINE = new Date('2026-12-01T14:30:00Z');
const base = { DATABASE_URL: 'postgres://elmhorn_app:x@127.0.0.1:5432/elmhorn' };

it('a day is nine in the morning of it, an instant is itself, and an offset is kept', () => {
  expect(clockAheadS(undefined, MACHINE)).toBe(0);
  expect(clockAheadS('2026-12-02', new Date('2026-12-01T09:00:00Z'))).toBe(86_400);
  expect(clockAheadS('2026-11-30T14:30:00Z', MACHINE)).toBe(-86_400);
  fc.assert(
    fc.property(fc.integer({ min: -4e8, max: 4e8 }), (seconds) => {
      const there = new Date(MACHINE.getTime() + seconds * 1000).toJSON();
      expect(clockAheadS(there, MACHINE)).toBe(seconds);
      expect(clockAheadS(`${seconds < 0 ? '' : '+'}${seconds}s`, MACHINE)).toBe(seconds);
    }),
  );
});

it.each(['tomorrow', '2027-02-30', '2027-13-01', '10/06/2027', '+1h', '2027-06-10T25:00:00Z', '2027-06-10T09:00:00'])(
  '%s is no clock',
  (setting) => expect(clockAheadS(setting, MACHINE)).toBeNull(),
);

it('a server with real data refuses a set clock; the demo takes one that can be read', () => {
  expect(readSettings({ ...base, ELMHORN_CLOCK: '2027-06-10' })).toMatchObject({
    ok: false,
    sentence: expect.stringContaining('ELMHORN_CLOCK'),
  });
  expect(readSettings({ ...base, ELMHORN_CLOCK: '2027-06-10', ELMHORN_DEMO: '1' })).toMatchObject({ ok: true });
  expect(readSettings({ ...base, ELMHORN_CLOCK: 'soon', ELMHORN_DEMO: '1' })).toMatchObject({
    ok: false,
    sentence: expect.stringContaining('2027-06-10'),
  });
});
