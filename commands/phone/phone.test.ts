import { createCipheriv, randomBytes } from 'node:crypto';
import { v7 } from 'uuid';
import { commandNamed } from '@/commands';
import { NOW, ownCompany } from '@/commands/testing';
import { drenchRow } from '@/commands/trees/testing';
import { lotsOf } from '@/store/stock';
import { trainingLabels } from '@/knowledge';
import type { Send } from '@/core/phone/send';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { syncConflicts, syncConflictCount, phoneNamed } from '@/store/phones';
import { changePerson } from '@/store/people';
import { makeCompany } from '@/store/testing';
import { phoneView } from '@/views/phone';
import { perform } from '@/commands/command';
import { endPhone } from './end-phone';
import { handshake } from './handshake';
import { receive } from './receive';
import { receiveTransfer } from './receive-transfer';
import { settle } from './settle-conflict';

const made = ownCompany();
const row = drenchRow(made);
const later = (minutes: number) => new Date(NOW.getTime() + minutes * 60_000);
const met = async (who: Viewer, phoneId = v7(), now = NOW, clockNow = now) =>
  (await handshake(who, now, { phoneId, name: 'Test phone', clockNow: clockNow.toISOString(), waiting: 0 })) && phoneId;
const write = (verb: string, input: object, at = NOW, clockAt = at): Send => ({
  id: 'id' in input && typeof input.id === 'string' ? input.id : v7(),
  verb,
  what: `A ${verb}`,
  input,
  at: at.toISOString(),
  clockAt: clockAt.toISOString(),
});
const sent = (who: Viewer, phoneId: string, sends: Send[], now = later(1), clockNow = now) =>
  receive({ viewer: who, receivedAt: now, station: fair }, commandNamed, {
    phoneId,
    clockNow: clockNow.toISOString(),
    sends,
  });
const reading = (girth = '152.3', more: object = {}) => ({
  id: v7(),
  treeId: made.o.treeId,
  stems: [{ kind: 'girth', value: girth, unit: 'cm' }],
  atHeight: '130',
  atHeightUnit: 'cm',
  height: '',
  heightUnit: 'm',
  crownWidth: '',
  crownBase: '',
  flares: [],
  grain: '',
  obstacles: '',
  arcs: [],
  method: 'tape',
  ...more,
});
const onHand = async () => (await lotsOf(row.viewer, trainingLabels[0]!.key))[0]!.onHand;
const readings = async () =>
  (
    await made.owner<{ id: string; at: Date }[]>`
      select id, at from measurement where tree_id = ${made.o.treeId} order by at, id`
  ).map((r) => r);

it('what a phone wrote lands in its order, of the hour in which it was done, and once however often it is sent', async () => {
  const phoneId = (await met(row.viewer))!;
  const [a, b] = [write('measure-tree', reading(), later(-300)), write('measure-tree', reading('153'), later(-200))];
  const before = (await readings()).length;
  expect(await sent(row.viewer, phoneId, [a, b])).toEqual({
    synced: [
      { id: a.id, ok: true },
      { id: b.id, ok: true },
    ],
    aheadS: 0,
  });
  // The answer was lost; one of them goes alone, then both once more, much later.
  expect((await sent(row.viewer, phoneId, [b], later(5)))!.synced).toEqual([{ id: b.id, ok: true }]);
  expect((await sent(row.viewer, phoneId, [a, b], later(9 * 1440)))!.synced.every((l) => l.ok)).toBe(true);
  const now = await readings();
  expect(now).toHaveLength(before + 2);
  expect(now.find((r) => r.id === a.id)!.at).toEqual(later(-300));
});

it('a verb that makes nothing is done once as well, by the id under which it was sent', async () => {
  const phoneId = (await met(row.viewer))!;
  const planId = await row.planned('P1', 20);
  const drop = write('cancel-plan', { id: planId, drop: true });
  const send = { ...drop, id: v7() };
  expect((await sent(row.viewer, phoneId, [send]))!.synced).toEqual([{ id: send.id, ok: true }]);
  // Somebody brings it back; the phone, which never heard the answer, sends the same again: it is not dropped twice.
  await made.owner`update treatment_plan set state = 'open' where id = ${planId}`;
  expect((await sent(row.viewer, phoneId, [send]))!.synced).toEqual([{ id: send.id, ok: true }]);
  const [plan] = await made.owner<{ state: string }[]>`select state from treatment_plan where id = ${planId}`;
  expect(plan!.state).toBe('open');
});

it('what is refused is kept for a look and holds nothing up; sent again it is the same one', async () => {
  const phoneId = (await met(row.viewer))!;
  const count = await syncConflictCount(row.viewer);
  const [bad, good, strange] = [
    write('measure-tree', reading('thick')),
    write('measure-tree', reading('154')),
    write('no-such-verb', { id: v7() }),
  ];
  const synced = (await sent(row.viewer, phoneId, [bad, good, strange]))!.synced;
  expect(synced.map((l) => l.ok)).toEqual([false, true, false]);
  expect(synced[0]).toMatchObject({ issues: [{ path: 'stems.0', message: expect.stringMatching(/girth/i) }] });
  expect((await sent(row.viewer, phoneId, [bad, good, strange]))!.synced.map((l) => l.ok)).toEqual([
    false,
    true,
    false,
  ]);
  expect(await syncConflictCount(row.viewer)).toBe(count + 2);
  const kept = (await syncConflicts(row.viewer, bad.id))[0]!;
  expect(kept).toMatchObject({ verb: 'measure-tree', what: 'A measure-tree', input: { treeId: made.o.treeId } });
});

it('whoever looks at what was refused is told of which trees it speaks, by whatever of them it names', async () => {
  const phoneId = (await met(row.viewer))!;
  const planId = await row.planned('N7', 20);
  await made.owner`update treatment_plan set state = 'dropped' where id = ${planId}`;
  const left = write('mark-not-done', { id: v7(), itemIds: [planId], why: 'rain' });
  const seen = write('read-devices', { id: v7(), deviceIds: [v7()], at: NOW.toISOString(), state: 'empty' });
  expect((await sent(row.viewer, phoneId, [left, seen]))!.synced.map((l) => l.ok)).toEqual([false, false]);
  const { looks } = await phoneView(row.viewer);
  const of = (id: string) => looks.find((l) => l.id === id)!.trees.map((t) => t.tag);
  expect([of(left.id), of(seen.id)]).toEqual([['N7'], []]);
});

it('work that went otherwise is written once its reason is given, in the name of whoever did it; stock is taken once', async () => {
  const wren = v7();
  await made.owner`
    insert into person (id, company_id, name, email, password_hash, role, licence_number, licence_categories,
      licence_expires)
    values (${wren}, ${made.o.companyId}, 'Wren', ${`${wren}@test.example`}, 'x', 'technician', 'L7', ${['ornamental']}, '2028-01-01')`;
  const tech = (await loadViewer({ companyId: made.o.companyId, personId: wren }))!;
  const phoneId = (await met(tech))!;
  const planId = await row.planned('P2', 20);
  const before = await onHand();
  const record = write('record-treatment', row.booked(planId, 4, { typed: '4 mL', deviation: '' }), later(-10));
  expect((await sent(tech, phoneId, [record]))!.synced[0]).toMatchObject({
    ok: false,
    issues: [{ path: 'deviation' }],
  });
  expect(await onHand()).toBe(before);
  const context = { viewer: row.viewer, receivedAt: later(60), occurredAt: later(60), station: fair };
  const [look] = (await phoneView(row.viewer)).looks.filter((l) => l.id === record.id);
  expect(look).toMatchObject({ mine: true, personName: 'Wren' });
  // Neither what was done nor anything but a reason is changed afterwards.
  expect(
    await settle(context, commandNamed, { how: 'send again', id: record.id, reasons: { amount: '9' } }),
  ).toMatchObject({ ok: false });
  expect(await settle(context, commandNamed, { how: 'send again', id: record.id })).toMatchObject({ ok: false });
  const again = { how: 'send again', id: record.id, reasons: { deviation: 'The can ran dry.' } };
  expect(await settle(context, commandNamed, again)).toMatchObject({ ok: true });
  expect(await settle(context, commandNamed, again)).toMatchObject({ ok: false });
  const [kept] = await made.owner<{ data: { applicator: { name: string }; deviation: string } }[]>`
    select data from record where plan_id = ${planId}`;
  expect(kept!.data.applicator.name).toBe('Wren');
  expect(kept!.data.deviation).toMatch(/The can ran dry/);
  expect(before - (await onHand())).toBeCloseTo(4, 9);
  expect((await syncConflicts(row.viewer, record.id)).length).toBe(0);
});

it('what is set aside is kept with its reason, and whoever neither did it nor corrects the book settles nothing', async () => {
  const phoneId = (await met(row.viewer))!;
  const bad = write('measure-tree', reading('thick'));
  await sent(row.viewer, phoneId, [bad]);
  const aside = { how: 'set aside', id: bad.id, words: 'Typed into the wrong field.' };
  const context = (viewer: Viewer) => ({ viewer, receivedAt: NOW, occurredAt: NOW, station: fair });
  const other = { ...row.viewer, personId: v7(), role: 'technician' as const };
  expect(await settle(context(other), commandNamed, aside)).toMatchObject({ ok: false });
  expect(await settle(context(row.viewer), commandNamed, { ...aside, words: '' })).toMatchObject({ ok: false });
  expect(await settle(context(row.viewer), commandNamed, aside)).toMatchObject({ ok: true });
  const [kept] = await made.owner<{ settled: string; words: string; input: object }[]>`
    select settled, words, input from sync_conflict where id = ${bad.id}`;
  expect(kept).toMatchObject({ settled: 'set aside', words: aside.words, input: { treeId: made.o.treeId } });
});

it('a clock that is wrong is told of, and both times are kept', async () => {
  const phoneId = (await met(row.viewer, v7(), NOW, later(40)))!;
  expect(
    await handshake(row.viewer, NOW, { phoneId, name: 'P', clockNow: later(40).toISOString(), waiting: 1 }),
  ).toMatchObject({ aheadS: 2400 });
  const a = write('measure-tree', reading('155'), later(-30), later(10));
  expect(await sent(row.viewer, phoneId, [a], later(1), later(41))).toMatchObject({
    aheadS: 2400,
    synced: [{ ok: true }],
  });
  const [both] = await made.owner<{ seen_at: Date; clock_at: Date; phone_id: string }[]>`
    select seen_at, clock_at, phone_id from command_done where id = ${a.id}`;
  expect(both).toEqual({ seen_at: later(-30), clock_at: later(10), phone_id: phoneId });
});

it('a phone that was ended is given nothing and sends nothing, until it is let in again; nobody else speaks for it', async () => {
  const phoneId = (await met(row.viewer))!;
  const a = write('measure-tree', reading('156'));
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await sent(theirs, phoneId, [a])).toBeNull();
  expect(await sent({ ...row.viewer, personId: v7() }, phoneId, [a])).toBeNull();
  const by = { viewer: row.viewer, receivedAt: NOW, station: fair };
  expect(await perform(endPhone, { ...by, viewer: theirs }, { phoneId, ended: true })).toMatchObject({ ok: false });
  expect(
    await perform(
      endPhone,
      { ...by, viewer: { ...row.viewer, personId: v7(), role: 'arborist' } },
      { phoneId, ended: true },
    ),
  ).toMatchObject({ ok: false });
  expect(await perform(endPhone, by, { phoneId, ended: true })).toMatchObject({ ok: true });
  expect(await met(row.viewer, phoneId)).toBeNull();
  expect(await sent(row.viewer, phoneId, [a])).toBeNull();
  expect(await perform(endPhone, by, { phoneId, ended: false })).toMatchObject({ ok: true });
  expect((await sent(row.viewer, phoneId, [a]))!.synced).toEqual([{ id: a.id, ok: true }]);
});

describe('handed over in a file', () => {
  const seal = (key: Buffer, s: Send) => {
    const iv = randomBytes(12);
    const cipher = createCipheriv('aes-256-gcm', key, iv);
    const data = Buffer.concat([cipher.update(JSON.stringify(s)), cipher.final(), cipher.getAuthTag()]);
    return { iv: iv.toString('base64'), data: data.toString('base64') };
  };
  const fileOf = async (phoneId: string, sends: Send[], key?: Buffer) => ({
    format: 'elmhorn-handed',
    formatVersion: 1,
    phoneId,
    sealed: sends.map((s) => seal(key ?? Buffer.from(keyOf.get(phoneId)!, 'base64'), s)),
  });
  const keyOf = new Map<string, string>();
  const phone = async (who: Viewer) => {
    const phoneId = v7();
    const m = await handshake(who, NOW, { phoneId, name: 'P', clockNow: NOW.toISOString(), waiting: 0 });
    keyOf.set(phoneId, m!.key);
    return phoneId;
  };
  const bring = (who: Viewer, file: unknown) =>
    receiveTransfer({ viewer: who, receivedAt: NOW, station: fair }, commandNamed, file);

  it('lands once, whoever brings it, and by the phone itself as well', async () => {
    const phoneId = await phone(row.viewer);
    const [a, bad] = [write('measure-tree', reading('157')), write('measure-tree', reading('thick'))];
    const file = await fileOf(phoneId, [a, bad]);
    const colleague = { ...row.viewer, personId: v7(), name: 'Somebody' };
    expect(await bring(colleague, file)).toEqual({ ok: true, value: { synced: 1, refused: 1, by: row.viewer.name } });
    const before = (await readings()).length;
    expect(await bring(colleague, file)).toMatchObject({ ok: true, value: { synced: 1 } });
    expect((await sent(row.viewer, phoneId, [a, bad]))!.synced.map((l) => l.ok)).toEqual([true, false]);
    expect(await readings()).toHaveLength(before);
    const [done] = await made.owner<{ person_id: string }[]>`select person_id from command_done where id = ${a.id}`;
    expect(done!.person_id).toBe(row.viewer.personId);
  });

  it('is not believed where it was changed, sealed by another key, of another company, or of a phone that was ended', async () => {
    const phoneId = await phone(row.viewer);
    const a = write('measure-tree', reading('158'));
    const file = await fileOf(phoneId, [a]);
    const before = (await readings()).length;
    const bytes = Buffer.from(file.sealed[0]!.data, 'base64');
    bytes[3]! ^= 1;
    for (const wrong of [
      { ...file, sealed: [{ ...file.sealed[0]!, data: bytes.toString('base64') }] },
      await fileOf(phoneId, [a], randomBytes(32)),
      { ...file, phoneId: v7() },
      { ...file, format: 'something' },
      { ...file, sealed: [] },
      null,
      'x',
    ])
      expect(await bring(row.viewer, wrong)).toMatchObject({ ok: false, issues: [{ message: expect.any(String) }] });
    const theirs = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await bring(theirs, file)).toMatchObject({ ok: false });
    await perform(endPhone, { viewer: row.viewer, receivedAt: NOW, station: fair }, { phoneId, ended: true });
    expect(await bring(row.viewer, file)).toMatchObject({ ok: false, issues: [{ path: 'phoneId' }] });
    expect(await readings()).toHaveLength(before);
  });
});

it('the key of a phone stays the same however often it meets the server, and is nobody else’s', async () => {
  const phoneId = (await met(row.viewer))!;
  const key = (await phoneNamed(row.viewer, phoneId))!.key;
  await met(row.viewer, phoneId, later(1440));
  expect((await phoneNamed(row.viewer, phoneId))!.key).toEqual(key);
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await phoneNamed(theirs, phoneId)).toBeNull();
  expect(await met({ ...row.viewer, personId: v7() }, phoneId)).toBeNull();
});

it('one write that cannot be kept stops no queue: it is kept cleaned, and what stands behind it lands', async () => {
  const phoneId = (await met(row.viewer))!;
  const poison = [
    write('measure-tree', reading('zero \u0000 sign')),
    { ...write('measure-tree', reading('half \ud800 pair')), what: 'A \ud800 reading' },
    { ...write('measure-tree', reading('no year')), at: '0000-01-01T00:00:00Z', clockAt: '0000-01-01T00:00:00Z' },
    { ...write('no\u0000verb', { id: v7() }) },
  ];
  const good = write('measure-tree', reading('155'));
  const synced = (await sent(row.viewer, phoneId, [...poison, good]))!.synced;
  expect(synced.map((l) => l.ok)).toEqual([false, false, false, false, true]);
  for (const p of poison) expect((await syncConflicts(row.viewer, p.id)).length).toBe(1);
});

it('whoever is not of the company any more has no phone: it is given nothing, and what it holds waits for an owner', async () => {
  const id = v7();
  await made.owner`
    insert into person (id, company_id, name, email, password_hash, role)
    values (${id}, ${made.o.companyId}, 'Leaver', ${`${id}@test.example`}, 'x', 'technician')`;
  const leaver = (await loadViewer({ companyId: made.o.companyId, personId: id }))!;
  const phoneId = (await met(leaver))!;
  expect(
    await changePerson(row.viewer, {
      id,
      role: 'technician',
      licenceNumber: null,
      licenceCategories: [],
      licenceExpires: null,
      active: false,
      basedOn: 1,
    }),
  ).toBe('kept');
  expect((await phoneNamed(row.viewer, phoneId))!.endedAt).not.toBeNull();
  expect(await sent(leaver, phoneId, [write('measure-tree', reading('156'))])).toBeNull();
});
