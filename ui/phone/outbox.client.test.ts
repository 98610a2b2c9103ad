/** @jest-environment node */
import 'fake-indexeddb/auto';
import { createDecipheriv, randomBytes, webcrypto } from 'node:crypto';
import { z } from 'zod';
import { transferSchema } from '@/core/phone/transfer';
import { sendSchema, sendsSchema } from '@/core/phone/send';
import { issuesBy, sendOrQueue } from './send-or-queue.client';
import { handOver, onQueueChange, queueWrite, readQueue, sendQueue, countQueue, takeBack } from './outbox.client';
import { phoneStore } from './store.client';

const line = { up: true };
// A channel would keep the test running after its end.
Object.assign(globalThis, { BroadcastChannel: undefined });
Object.assign(globalThis, {
  crypto: webcrypto,
  navigator: {
    get onLine() {
      return line.up;
    },
  },
});
const [WREN, IDRIS] = ['01900000-0000-7000-8000-000000000001', '01900000-0000-7000-8000-000000000002'];
const PHONE = { [WREN]: '01900000-0000-7000-8000-0000000000a1', [IDRIS]: '01900000-0000-7000-8000-0000000000a2' };
const keys = { [WREN]: randomBytes(32), [IDRIS]: randomBytes(32) };
const id = (n: number) => `01900000-0000-7000-8000-${String(n).padStart(12, '0')}`;

async function signIn(personId: string) {
  const db = await phoneStore();
  const key = await crypto.subtle.importKey('raw', keys[personId]!, 'AES-GCM', false, ['encrypt', 'decrypt']);
  await db.put('keys', key, personId);
  const now = Date.now();
  await db.put('holder', { personId, phoneId: PHONE[personId]!, metAt: now, until: now + 1000 }, 'me');
}
async function signOut() {
  const db = await phoneStore();
  await db.clear('holder');
  await db.clear('keys');
}
const write = (n: number, more: object = {}) =>
  queueWrite({ id: id(n), verb: 'measure-tree', what: `Reading ${n}`, input: { girth: 100 + n }, ...more });
/** A server that answers each message by this. */
function server(answer: (sends: { id: string }[]) => Response | Promise<Response>) {
  const heard: { phoneId: string; ids: string[] }[] = [];
  globalThis.fetch = jest.fn(async (_: unknown, init?: RequestInit) => {
    const sent = sendsSchema.parse(JSON.parse(String(init!.body)));
    heard.push({ phoneId: sent.phoneId, ids: sent.sends.map((s) => s.id) });
    return answer(sent.sends);
  });
  return heard;
}
const synced = (sends: { id: string }[], ok = true) =>
  Response.json({ synced: sends.map((s) => (ok ? { id: s.id, ok } : { id: s.id, ok, issues: [] })), aheadS: 0 });
const waitingIds = async () => (await readQueue()).map((w) => w.id);

beforeEach(async () => {
  line.up = true;
  await (await phoneStore()).clear('waiting');
  await signOut();
  await signIn(WREN);
});

it('keeps what is written in its order, with what pages show of it, and tells every page', async () => {
  const ear = jest.fn();
  const unhear = onQueueChange(ear);
  for (const n of [3, 1, 2]) await write(n, { shown: { tag: `T${n}` } });
  unhear();
  expect(ear).toHaveBeenCalledTimes(3);
  expect((await readQueue()).map((w) => [w.what, w.input, w.shown])).toEqual([
    ['Reading 3', { girth: 103 }, { tag: 'T3' }],
    ['Reading 1', { girth: 101 }, { tag: 'T1' }],
    ['Reading 2', { girth: 102 }, { tag: 'T2' }],
  ]);
});

it('is sealed: nothing of it can be read on the phone without the key, nor by whoever signs in next', async () => {
  await write(1, { shown: 'secret words' });
  const raw = await (await phoneStore()).getAll('waiting');
  const bytes = Buffer.concat([Buffer.from(raw[0]!.data), Buffer.from(raw[0]!.beside.data)]).toString('latin1');
  expect(bytes).not.toMatch(/girth|Reading|secret/);
  await signOut();
  expect(await readQueue()).toEqual([]);
  expect(await countQueue()).toBe(1);
  expect(await write(2)).toBe(false);
  await signIn(IDRIS);
  expect(await readQueue()).toEqual([]);
  const heard = server((s) => synced(s));
  await write(5);
  expect(await sendQueue()).toMatchObject({ how: 'empty', synced: 1 });
  expect(heard).toEqual([{ phoneId: PHONE[IDRIS], ids: [id(5)] }]);
  // It waits, untouched, until the same person signs in here again.
  await signOut();
  await signIn(WREN);
  expect(await waitingIds()).toEqual([id(1)]);
});

it('lets go only of what the server has spoken of, in as many messages as it takes', async () => {
  for (let n = 1; n <= 95; n++) await write(n);
  let messages = 0;
  const heard = server((s) => (++messages === 2 ? new Response(null, { status: 503 }) : synced(s)));
  expect(await sendQueue()).toEqual({ how: 'no answer', synced: 40, refused: 0 });
  expect(await waitingIds()).toEqual(Array.from({ length: 55 }, (_, i) => id(41 + i)));
  expect(await sendQueue()).toMatchObject({ how: 'empty', synced: 55 });
  expect(heard.flatMap((h) => h.ids).slice(40, 80)).toEqual(heard[1]!.ids);
  expect(await waitingIds()).toEqual([]);
});

it('a server that speaks of nothing, signs nobody in, or ends this phone takes nothing away', async () => {
  await write(1);
  for (const [answer, how] of [
    [() => Response.json({ synced: [], aheadS: 0 }), 'no answer'],
    [() => new Response(null, { status: 401 }), 'signed out'],
    [() => new Response(null, { status: 410 }), 'ended'],
    [() => Promise.reject(new TypeError('Failed to fetch')), 'no answer'],
  ] as const) {
    server(answer);
    expect((await sendQueue()).how).toBe(how);
    expect(await waitingIds()).toEqual([id(1)]);
  }
  // What was refused is with the server, and waits there for somebody.
  server((s) => synced(s, false));
  expect(await sendQueue()).toMatchObject({ how: 'empty', synced: 0, refused: 1 });
  expect(await waitingIds()).toEqual([]);
});

it('hands over a file for each phone that wrote here, which its own key opens and no other', async () => {
  await write(1);
  await write(2);
  await signOut();
  await signIn(IDRIS);
  await write(3);
  await signOut();
  const files = await Promise.all(
    (await handOver()).map(async (f) => transferSchema.parse(JSON.parse(await f.file.text()))),
  );
  expect(files.map((f) => [f.phoneId, f.sealed.length])).toEqual([
    [PHONE[WREN], 2],
    [PHONE[IDRIS], 1],
  ]);
  const open = (key: Buffer, { iv, data }: { iv: string; data: string }) => {
    const bytes = Buffer.from(data, 'base64');
    const d = createDecipheriv('aes-256-gcm', key, Buffer.from(iv, 'base64'));
    d.setAuthTag(bytes.subarray(-16));
    return JSON.parse(Buffer.concat([d.update(bytes.subarray(0, -16)), d.final()]).toString()) as unknown;
  };
  expect(sendSchema.parse(open(keys[WREN]!, files[0]!.sealed[0]!))).toMatchObject({ id: id(1), input: { girth: 101 } });
  expect(() => open(keys[IDRIS]!, files[0]!.sealed[0]!)).toThrow();
});

it('what is sealed is what the server parses: nothing else is in it', async () => {
  await write(1, { shown: { much: 'more' } });
  const [file] = await handOver();
  const { sealed } = transferSchema.parse(JSON.parse(await file!.file.text()));
  expect(Object.keys(sealed[0]!).sort()).toEqual(['data', 'iv']);
});

describe('an action that may be kept', () => {
  const action = jest.fn(async (x: { id: string; girth: number }) => ({ ok: true as const, value: x.id }));
  const measure = sendOrQueue('measure-tree', action, {
    what: (x) => `Girth ${x.girth}`,
    value: (x) => x.id,
    makes: (x) => x.id,
    wrong: async (x) => issuesBy(z.object({ girth: z.number().max(3000, 'That is no girth.') }))(x),
  });
  beforeEach(() => action.mockClear());

  it('goes to the server while there is one, under an id by which it lands once', async () => {
    expect(await measure({ id: id(1), girth: 150 })).toEqual({ ok: true, value: id(1) });
    expect(action).toHaveBeenCalledWith({ id: id(1), girth: 150, sentAs: id(1) });
    expect(await waitingIds()).toEqual([]);
  });
  it('is kept where the line is down or the answer is lost, and goes on as if it had synced', async () => {
    line.up = false;
    expect(await measure({ id: id(1), girth: 150 })).toEqual({ ok: true, value: id(1), kept: true });
    line.up = true;
    await (await phoneStore()).clear('waiting');
    action.mockRejectedValueOnce(new TypeError('Failed to fetch'));
    expect(await measure({ id: id(2), girth: 150 })).toEqual({ ok: true, value: id(2), kept: true });
    expect(await waitingIds()).toEqual([id(2)]);
  });
  it('goes behind what waits, never past it', async () => {
    await write(1);
    server(() => new Response(null, { status: 503 }));
    await measure({ id: id(2), girth: 150 });
    expect(action).not.toHaveBeenCalled();
    expect(await waitingIds()).toEqual([id(1), id(2)]);
    server((s) => synced(s));
    await measure({ id: id(3), girth: 150 });
    expect(action).toHaveBeenCalledTimes(1);
    expect(await waitingIds()).toEqual([]);
  });
  it('is refused at once where the phone knows better, and nothing is kept', async () => {
    line.up = false;
    expect(await measure({ id: id(1), girth: 9e9 })).toEqual({
      ok: false,
      issues: [{ path: 'girth', message: 'That is no girth.' }],
    });
    expect(await waitingIds()).toEqual([]);
  });
  it('throws as before where nothing can be kept: nobody has signed in on this phone', async () => {
    await signOut();
    action.mockRejectedValueOnce(new TypeError('Failed to fetch'));
    await expect(measure({ id: id(1), girth: 150 })).rejects.toThrow('Failed to fetch');
  });
  it('a slip is taken off the phone before it was sent; afterwards it is taken back on the server', async () => {
    const back = jest.fn(async (_: { id: string }) => ({ ok: true as const, value: null }));
    const reopenNotDone = sendOrQueue('reopen-not-done', back, {
      what: () => '',
      value: () => null,
      takesBack: (x) => x.id,
    });
    line.up = false;
    await measure({ id: id(1), girth: 150 });
    line.up = true;
    expect(await reopenNotDone({ id: id(1) })).toMatchObject({ ok: true });
    expect(await waitingIds()).toEqual([]);
    expect(back).not.toHaveBeenCalled();
    expect(await reopenNotDone({ id: id(1) })).toEqual({ ok: true, value: null });
    expect(back).toHaveBeenCalledTimes(1);
    expect(await takeBack(id(1))).toBe(false);
  });
  it('a slip whose answer was lost is taken back on the server, behind itself: it may have landed', async () => {
    const back = jest.fn(async (_: { id: string }) => ({ ok: true as const, value: null }));
    const reopenNotDone = sendOrQueue('reopen-not-done', back, {
      what: () => '',
      value: () => null,
      takesBack: (x) => x.id,
    });
    action.mockRejectedValueOnce(new TypeError('Failed to fetch'));
    expect(await measure({ id: id(1), girth: 150 })).toMatchObject({ ok: true, kept: true });
    line.up = false;
    expect(await reopenNotDone({ id: id(1) })).toMatchObject({ ok: true, kept: true });
    expect((await readQueue()).map((w) => w.verb)).toEqual(['measure-tree', 'reopen-not-done']);
    // The same where it left in a batch that broke on its way.
    await (await phoneStore()).clear('waiting');
    await write(3);
    globalThis.fetch = jest.fn(async () => {
      throw new TypeError('Failed to fetch');
    });
    line.up = true;
    expect(await sendQueue()).toMatchObject({ how: 'no answer' });
    expect(await takeBack(id(3))).toBe(false);
    await write(4);
    expect(await takeBack(id(4))).toBe(true);
  });
});
