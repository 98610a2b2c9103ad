import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

const visit = {
  id: 'v1',
  treeId: 't1',
  tag: '110',
  hostId: 'wych-elm',
  placeName: 'Quay Avenue',
  what: 'Count live stages',
  reason: 'r',
  onlyIf: null,
  due: '2026-10-25',
  earliest: '2026-10-20',
  latest: '2026-10-30',
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
  const code = `require('./app/_server/calendar').calendarOf('x', ${JSON.stringify([visit])}, 'https://e.example')`;
  const r = spawnSync(process.execPath, ['--import', 'tsx', '-e', `process.stdout.write(${code})`], {
    cwd: join(__dirname, '../..'),
    encoding: 'utf8',
    env: { ...process.env, TZ },
  });
  expect(r.stdout).toMatch(/DTSTART;VALUE=DATE:20261025\r\n/);
  expect(r.stdout).toMatch(/DTEND;VALUE=DATE:20261026\r\n/);
  expect(r.stdout).toMatch(/URL;VALUE=URI:https:\/\/e\.example\/tree\/t1/);
});
