import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import type { HoursAt } from '@/facts/season';
import { calendarOf, forClient, movedByRain, plannedVisit } from './calendar';

const visit = {
  id: 'v1',
  treeId: 't1',
  tag: '110',
  hostId: 'wych-elm',
  siteName: 'Quay Avenue',
  what: 'Count live stages',
  reason: 'r',
  onlyIf: null,
  due: '2026-10-25',
  earliest: '2026-10-20',
  latest: '2026-10-30',
  state: 'open' as const,
  version: 2,
  changedAt: new Date('2026-10-01T08:30:00Z'),
};

// A day is that day east and west of Greenwich, at the date line, and when clocks change.
it.each([
  'UTC',
  'Europe/Berlin',
  'America/Los_Angeles',
  'Pacific/Kiritimati',
  'Pacific/Pago_Pago',
  'Australia/Lord_Howe',
])('a visit stands on its own day when the server lives in %s', (TZ) => {
  const told = `[${JSON.stringify(visit)}].map((v) => ({ ...v, changedAt: new Date(v.changedAt) }))`;
  const code = `require('./app/_server/calendar').calendarOf('x', ${told}, 'https://e.example')`;
  const r = spawnSync(process.execPath, ['--import', 'tsx', '-e', `process.stdout.write(${code})`], {
    cwd: join(__dirname, '../..'),
    encoding: 'utf8',
    env: { ...process.env, TZ },
  });
  expect(r.stdout).toMatch(/DTSTART;VALUE=DATE:20261025\r\n/);
  expect(r.stdout).toMatch(/DTEND;VALUE=DATE:20261026\r\n/);
  expect(r.stdout).toMatch(/URL;VALUE=URI:https:\/\/e\.example\/trees\/t1/);
});

it('a calendar learns of a move by its number and its instant, and of what is off by its being struck out', () => {
  const text = calendarOf('x', [visit, { ...visit, id: 'v2', state: 'dropped', version: 5 }], '').replace(/\r\n /g, '');
  const [open, off] = text.split('BEGIN:VEVENT').slice(1);
  expect(open).toMatch(/SEQUENCE:2\r\n/);
  expect(open).toMatch(/LAST-MODIFIED:20261001T083000Z\r\n/);
  expect(open).toMatch(/STATUS:CONFIRMED\r\n/);
  expect(open).toMatch(/TRANSP:TRANSPARENT\r\n/);
  expect(off).toMatch(/SEQUENCE:5\r\n/);
  expect(off).toMatch(/STATUS:CANCELLED\r\n/);
  expect(text).toMatch(/REFRESH-INTERVAL;VALUE=DURATION:PT6H\r\n/);
});

it('a plan for a later day stands on that day, and is struck out once it is done or dropped', () => {
  const plan = {
    id: 'p1',
    treeId: 't1',
    tag: '114',
    hostId: 'wych-elm',
    siteName: 'Quay Avenue',
    put: { label: 'Training label 2', method: 'trunk-injection' as const },
    workId: null,
    plannedFor: '2027-05-15',
    earliest: '2027-05-15',
    latest: '2027-08-31',
    state: 'open' as const,
    moves: 0,
    changedAt: new Date('2026-11-26T10:00:00Z'),
  };
  const told = (state: 'open' | 'dropped') =>
    calendarOf('x', [plannedVisit({ ...plan, state })], '').replace(/\r\n /g, '');
  expect(told('open')).toMatch(/DTSTART;VALUE=DATE:20270515\r\n/);
  expect(told('open')).toMatch(/SUMMARY:114 Wych elm: Trunk injection\\, Training label 2\r\n/);
  expect(told('open')).toMatch(/Makes sense from 2027-05-15 to 2027-08-31/);
  expect(told('open')).toMatch(/SEQUENCE:0\r\n/);
  // A move is told by its number; what is off afterwards has the next one.
  expect(calendarOf('x', [plannedVisit({ ...plan, moves: 2 })], '')).toMatch(/SEQUENCE:2\r\n/);
  expect(calendarOf('x', [plannedVisit({ ...plan, moves: 2, state: 'dropped' })], '')).toMatch(/SEQUENCE:3\r\n/);
  expect(told('dropped')).toMatch(/STATUS:CANCELLED\r\n/);
  expect(told('dropped')).toMatch(/SEQUENCE:1\r\n/);
  // A work stands there like what is put on.
  const work = calendarOf('x', [plannedVisit({ ...plan, put: null, workId: 'mulch' })], '').replace(/\r\n /g, '');
  expect(work).toMatch(/SUMMARY:114 Wych elm: Mulch ring\r\n/);
});

it('a client reads one entry for the trees that have the same on one day, and nothing of why', () => {
  const row = [3, 1, 2].map((n) => ({
    ...visit,
    id: `v${n}`,
    tag: String(n),
    version: n,
    reason: 'Beetles were found.',
  }));
  const [one, ...more] = forClient(row);
  expect(more).toEqual([]);
  expect(one).toMatchObject({ id: 'v1', tag: '3 trees', reason: '' });
  const text = calendarOf('x', [one!], '').replace(/\r\n /g, '');
  expect(text).toMatch(/UID:v1@elmhorn\r\n/);
  expect(text).not.toContain('Beetles');
  // One that is moved has an entry of its own from then on; the others keep theirs.
  const moved = forClient([row[0]!, { ...row[1]!, due: '2027-01-02', version: 9 }, row[2]!]);
  expect(moved.map((v) => [v.id, v.tag])).toEqual([
    ['v2', '2 trees'],
    ['v1', '1'],
  ]);
  // A change anywhere counts every entry up, and nothing ever counts one down.
  const later = new Date('2026-10-02T08:30:00Z');
  const [after] = forClient([{ ...row[0]!, changedAt: later }, row[1]!]);
  expect(after!.version - one!.version).toBe(24 * 60);
});

describe('rain in a calendar', () => {
  const cover = {
    ...visit,
    id: 'c1',
    kind: 'treat-again',
    siteId: 'p',
    lat: 51,
    lon: 0,
    timeZone: 'Europe/London',
    due: '2026-10-25',
    earliest: '2026-10-22',
    latest: '2026-10-29',
    version: 1,
    sprayed: {
      doneOn: '2026-10-15',
      endedAt: '2026-10-15T09:00:00Z',
      use: {
        method: 'foliar-spray' as const,
        purpose: 'preventive' as const,
        intervals: { minDays: 5, reEntryHours: 48, text: 'x' },
        conditions: { rainFreeHours: 6, text: 'x' },
        followUps: [],
      },
    },
  };
  /** So many millimetres in one hour of a day. */
  const raining =
    (mm: number, on: string): HoursAt =>
    () =>
    (from, to) =>
      Array.from({ length: Math.floor((+to - +from) / 36e5) }, (_, i) => {
        const at = new Date(+from + i * 36e5).toISOString();
        return { at, temperatureC: 10, humidity: 70, rainMm: at.startsWith(`${on}T12`) ? mm : 0 };
      });
  const told = (hours: HoursAt, now: string, more: object = {}) =>
    movedByRain([{ ...cover, ...more } as never], hours, new Date(now))[0]!;

  it('brings a cover forward and says so by a higher number; a look is what it was', () => {
    const dry = told(raining(0, ''), '2026-10-18T10:00:00Z');
    const wet = told(raining(30, '2026-10-17'), '2026-10-18T10:00:00Z');
    expect([dry.due, wet.due]).toEqual(['2026-10-25', '2026-10-20']);
    expect(wet.version).toBeGreaterThan(dry.version);
    expect(wet.changedAt > dry.changedAt).toBe(true);
    expect(told(raining(30, '2026-10-17'), '2026-10-18T10:00:00Z', { sprayed: null }).due).toBe('2026-10-25');
  });

  it('once it is done, its number is higher than rain ever made it', () => {
    const wet = told(raining(60, '2026-10-15'), '2026-10-18T10:00:00Z');
    const done = told(raining(60, '2026-10-15'), '2026-10-19T10:00:00Z', { state: 'done', version: 2, sprayed: null });
    expect(done.version).toBeGreaterThan(wet.version);
  });
});
