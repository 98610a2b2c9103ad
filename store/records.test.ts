import { fork } from 'node:child_process';
import { join } from 'node:path';
import { v7 } from 'uuid';
import type { FollowUp } from '@/core/season/follow-ups';
import { listRecords, PlanGone, recordVersions, writeRecord, type NewRecord } from './records';
import { heldBy } from './stock';
import { db, type Sql } from './db';
import { calendarVisits, dueBetween, settle } from './follow-ups';
import { makeCompany, ownerSql, type TestCompany } from './testing';

let owner: Sql;
let o: TestCompany;
beforeAll(() => (owner = ownerSql()));
beforeEach(async () => (o = await makeCompany(owner)));
afterAll(async () => {
  await owner.end();
  await db().end();
});

const due = (ruleId: string, day: string): FollowUp => ({
  ruleId,
  kind: 'treat-again',
  what: 'Again',
  due: day,
  earliest: day,
  latest: day,
  reason: 'r',
});
const record = (more: Partial<NewRecord> = {}, amount = 40): NewRecord => {
  const id = v7();
  return {
    id,
    rootId: id,
    version: 1,
    planId: o.planId,
    startedAt: '2026-06-01T10:00:00Z',
    endedAt: '2026-06-01T11:00:00Z',
    doneOn: '2026-06-01',
    byPerson: o.personId,
    withdrawn: false,
    correction: null,
    words: 'T1 elm',
    data: {
      tree: { id: o.treeId },
      place: { id: o.siteId },
      product: { key: 'training-01-drench' },
      method: 'soil-drench',
      amount,
    } as NewRecord['data'],
    followUps: [due('again', '2027-06-01')],
    draws: [],
    moves: [{ id: v7(), lotId: o.lotId, amount: -amount, reason: 'used' }],
    ...more,
  };
};
const onHand = async () => Number((await owner`select on_hand from lot where id = ${o.lotId}`)[0]!.on_hand);
const state = async () => ({
  records: (
    await listRecords(o, { words: null, siteId: null, method: null, from: null, to: null, after: null, limit: 50 })
  ).length,
  onHand: await onHand(),
  plan: (await owner`select state from treatment_plan where id = ${o.planId}`)[0]!.state,
  due: (await dueBetween(o, '2000-01-01', '2100-01-01', 50)).length,
});

it('books record, stock, follow-up and plan together; sent three times it lands once', async () => {
  const r = record();
  expect(
    await Promise.all([
      writeRecord(o, v7, r),
      writeRecord(o, v7, r).catch(() => 'late'),
      writeRecord(o, v7, r).catch(() => 'late'),
    ]),
  ).toContain(true);
  expect(await writeRecord(o, v7, r)).toBe(false);
  expect(await state()).toEqual({ records: 1, onHand: 60, plan: 'done', due: 1 });
});

it('two crews and the last bottle: one gets it, the other hears so, and nothing is half-written', async () => {
  const other = { ...record({}, 70), planId: null };
  const [a, b] = await Promise.allSettled([writeRecord(o, v7, record({}, 70)), writeRecord(o, v7, other)]);
  const failed = [a, b].filter((x) => x.status === 'rejected');
  expect(failed).toHaveLength(1);
  expect((failed[0] as PromiseRejectedResult).reason).toMatchObject({ code: '23514' });
  expect(await onHand()).toBe(30);
  expect((await state()).records).toBe(1);
});

it('a plan that is done or dropped meanwhile takes no second record', async () => {
  await writeRecord(o, v7, record());
  await expect(writeRecord(o, v7, record())).rejects.toBeInstanceOf(PlanGone);
  expect(await state()).toMatchObject({ records: 1, onHand: 60 });
});

it('a correction is the next version; stock and dates follow it, and an older version cannot be slipped in', async () => {
  const r = record();
  await writeRecord(o, v7, r);
  const fix = {
    ...r,
    id: v7(),
    version: 2,
    correction: 'misread',
    moves: [{ id: v7(), lotId: o.lotId, amount: 10, reason: 'correction' }],
    followUps: [due('again', '2027-05-01')],
  };
  expect(await writeRecord(o, v7, fix)).toBe(true);
  expect((await recordVersions(o, r.id)).map((x) => [x.version, x.correction])).toEqual([
    [2, 'misread'],
    [1, null],
  ]);
  expect(await state()).toMatchObject({ records: 1, onHand: 70, due: 1 });
  expect((await dueBetween(o, '2000-01-01', '2100-01-01', 9))[0]!.due).toBe('2027-05-01');
  await expect(writeRecord(o, v7, { ...fix, id: v7(), moves: [] })).rejects.toMatchObject({ code: '23505' });
  await writeRecord(o, v7, { ...fix, id: v7(), version: 3, withdrawn: true, moves: [] });
  expect((await state()).due).toBe(0);
});

it('doing it again closes what was due, and a settled visit can be taken back', async () => {
  const r = record();
  await writeRecord(o, v7, { ...r, followUps: [due('again', '2026-05-01')] });
  const [visit] = await dueBetween(o, '2000-01-01', '2100-01-01', 9);
  expect((await settle(o, visit!.id, 'open', 'done')).count).toBe(1);
  expect((await settle(o, visit!.id, 'open', 'done')).count).toBe(0);
  expect((await settle(o, visit!.id, 'done', 'open')).count).toBe(1);
  await writeRecord(o, v7, { ...record({ planId: null, followUps: [] }, 5) });
  expect((await state()).due).toBe(0);
});

it('a visit counted from an earlier treatment is counted anew from the later one, and never stands twice', async () => {
  await writeRecord(o, v7, {
    ...record(),
    followUps: [due('leaf-fall', '2099-10-01'), due('bud-swell', '2026-02-01')],
  });
  await writeRecord(o, v7, { ...record({ planId: null, followUps: [due('leaf-fall', '2099-10-01')] }, 5) });
  const open = await dueBetween(o, '2000-01-01', '2100-01-01', 9);
  expect(open.map((f) => f.due)).toEqual(['2099-10-01']);
});

it('a record that is taken back opens the visits it had settled, and one that is put back settles them again', async () => {
  await writeRecord(o, v7, { ...record(), followUps: [due('again', '2026-05-01')] });
  const second = record({ planId: null, followUps: [due('again', '2027-06-01')] }, 5);
  await writeRecord(o, v7, second);
  const open = async () => (await dueBetween(o, '2000-01-01', '2100-01-01', 9)).map((f) => f.due);
  expect(await open()).toEqual(['2027-06-01']);
  const version = (n: number, withdrawn: boolean) =>
    writeRecord(o, v7, {
      ...second,
      id: v7(),
      version: n,
      withdrawn,
      planId: null,
      correction: 'booked on the wrong tree',
      moves: [],
    });
  await version(2, true);
  expect(await open()).toEqual(['2026-05-01']);
  await version(3, false);
  expect(await open()).toEqual(['2027-06-01']);
});

it('a server killed in the middle of booking leaves the whole record or none', async () => {
  // The child books records in an endless loop and is killed at a moment nobody chose.
  for (const wait of [3, 17, 40, 90]) {
    const child = fork(
      join(__dirname, 'book.victim.ts'),
      [JSON.stringify({ ...o, seed: record({ planId: null }, 0.01) })],
      { execArgv: ['--import', 'tsx'], env: { ...process.env } },
    );
    await new Promise((go) => child.once('message', go));
    await new Promise((go) => setTimeout(go, wait));
    child.kill('SIGKILL');
    await new Promise((go) => child.once('exit', go));
  }
  // PostgreSQL notices the lost connection and rolls back what was open.
  for (let i = 0; i < 100; i++)
    if (
      !(
        await owner`select from pg_stat_activity where state <> 'idle' and query ilike '%record%' and pid <> pg_backend_pid()`
      ).length
    )
      break;
  const [n] = await owner<
    { records: number; moves: number; due: number }[]
  >`select (select count(*)::int from record where company_id = ${o.companyId}) as records, (select count(*)::int from stock_move where company_id = ${o.companyId} and record_id is not null) as moves, (select count(*)::int from follow_up where company_id = ${o.companyId}) as due`;
  expect(n!.records).toBeGreaterThan(0);
  expect(n).toEqual({ records: n!.records, moves: n!.records, due: n!.records });
  expect(await onHand()).toBeCloseTo(100 - n!.records * 0.01, 6);
}, 30_000);

it('the log of uptake holds the minutes of injections that stand, by product', async () => {
  const injected = (method: string, minutes: number, more: Partial<NewRecord> = {}) => {
    const r = record({ planId: null, ...more }, 5);
    r.endedAt = new Date(Date.parse(r.startedAt) + minutes * 60_000).toISOString();
    r.data = { ...r.data, method: method as 'trunk-injection' };
    return writeRecord(o, v7, r);
  };
  await injected('trunk-injection', 40);
  await injected('trunk-injection', 25);
  await injected('soil-drench', 90);
  await injected('trunk-injection', 600, { withdrawn: true });
  const log = (await heldBy(o)).uptakeLog;
  expect(Object.keys(log)).toEqual(['training-01-drench']);
  expect(log['training-01-drench']!.sort((a, b) => a - b)).toEqual([25, 40]);
});

it('a visit counts its moves and its end for the calendars that follow it; what was long off is no longer sent', async () => {
  await writeRecord(o, v7, record());
  const visits = (since: string) =>
    calendarVisits({ scope: o, from: '1900-01-01', to: '2999-01-01', since: new Date(since) });
  const [first] = await visits('2020-01-01');
  expect(first).toMatchObject({ state: 'open', version: 0 });
  await owner`update follow_up set due = due + 1, latest = latest + 1 where id = ${first!.id}`;
  await owner`update follow_up set settled_by = settled_by where id = ${first!.id}`;
  expect((await visits('2020-01-01')).find((f) => f.id === first!.id)).toMatchObject({ state: 'open', version: 1 });
  await settle(o, first!.id, 'open', 'done');
  expect((await visits('2020-01-01')).find((f) => f.id === first!.id)).toMatchObject({ state: 'done', version: 2 });
  expect((await visits('2999-01-01')).find((f) => f.id === first!.id)).toBeUndefined();
});
