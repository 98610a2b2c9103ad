import { spawnSync } from 'node:child_process';
import postgres from 'postgres';
import { ownerUrl } from '@/store/testing';
import { migrate } from '@/store/migrate';

/** The demo is begun on days of the whole year, a leap day, the turn of a year and both clock changes among them. */
const DAYS = [
  '2027-01-15',
  '2027-02-14',
  '2028-02-29',
  '2027-03-28',
  '2027-04-20',
  '2027-05-16',
  '2027-06-10',
  '2027-07-18',
  '2027-08-22',
  '2027-09-25',
  '2027-10-31',
  '2027-11-20',
  '2026-12-01',
  '2026-12-31',
];
const MADE = `elmhorn_days_${process.pid}`;
const database = (name: string) => ownerUrl.replace(/\/[^/?]+(\?|$)/, `/${name}$1`);
const admin = postgres(database('postgres'), { max: 1, onnotice: () => {} });

beforeAll(async () => {
  await admin.unsafe(`drop database if exists ${MADE} with (force)`);
  await admin.unsafe(`create database ${MADE} template template0 encoding 'UTF8'`);
  await migrate(database(MADE));
});
afterAll(async () => {
  await admin.unsafe(`drop database if exists ${MADE} with (force)`);
  await admin.end();
});

it.each(DAYS)('on %s it starts, and there is something to do and to look at', async (day) => {
  const own = `${MADE}_one`;
  await admin.unsafe(`drop database if exists ${own} with (force)`);
  await admin.unsafe(`create database ${own} template ${MADE}`);
  const done = spawnSync(process.execPath, ['--import', 'tsx', 'demo/load.ts'], {
    env: { ...process.env, ELMHORN_CLOCK: day, DATABASE_OWNER_URL: database(own) },
    encoding: 'utf8',
  });
  expect([done.status, done.stderr]).toEqual([0, '']);
  const sql = postgres(database(own), { max: 1, onnotice: () => {} });
  try {
    const [found] = await sql<{ due: number; works: number; rounds: number; ahead: number; later: number }[]>`
      select
        (select count(*)::int from follow_up where state = 'open' and due <= ${day}) as due,
        (select count(*)::int from work_plan where state = 'open' and coalesce(planned_for, ${day}) <= ${day}) as works,
        (select count(*)::int from crew_day where day between ${day} and ${day}::date + 7) as rounds,
        (select count(*)::int from treatment_plan where state = 'open') as ahead,
        (select count(*)::int from record where done_on > ${day}) as later`;
    // Every season has work of its own: enough that a crew's morning is full.
    expect(found!.works).toBeGreaterThanOrEqual(3);
    expect(found!.due + found!.works).toBeGreaterThanOrEqual(8);
    expect(found!.rounds).toBeGreaterThan(0);
    expect(found!.ahead).toBeGreaterThan(0);
    // Nothing is in the book before it was done.
    expect(found!.later).toBe(0);
  } finally {
    await sql.end();
    await admin.unsafe(`drop database if exists ${own} with (force)`);
  }
});
