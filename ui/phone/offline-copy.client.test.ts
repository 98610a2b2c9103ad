/** @jest-environment node */
import 'fake-indexeddb/auto';
import { webcrypto } from 'node:crypto';
import { downloadCrewDays, letGo, meet } from './offline-copy.client';
import { phoneStore } from './store.client';

/** Pages as a browser keeps them, and a page that parses to nothing. */
const kept = new Map<string, Map<string, Response>>();
const cacheOf = (name: string) => kept.get(name) ?? kept.set(name, new Map()).get(name)!;
const storage = new Map<string, string>();
Object.assign(globalThis, {
  crypto: webcrypto,
  localStorage: {
    getItem: (k: string) => storage.get(k) ?? null,
    setItem: (k: string, v: string) => void storage.set(k, v),
    removeItem: (k: string) => void storage.delete(k),
  },
  caches: {
    open: async (name: string) => ({
      put: async (path: string, answer: Response) => void cacheOf(name).set(path, answer),
      delete: async (path: string) => cacheOf(name).delete(path),
    }),
    delete: async (name: string) => kept.delete(name),
  },
  DOMParser: class {
    parseFromString = () => ({ title: 'A page', querySelectorAll: () => [] });
  },
});
Object.assign(globalThis, {
  navigator: { userAgent: 'Linux Firefox' },
  document: { documentElement: { dataset: {} } },
});

const [WREN, IDRIS] = ['01900000-0000-7000-8000-000000000001', '01900000-0000-7000-8000-000000000002'];
const met = (personId: string) => ({
  personId,
  key: Buffer.alloc(32, 7).toString('base64'),
  aheadS: 0,
  rounds: [],
  syncConflicts: 0,
});
/** A line that answers when it is told to, and not before. */
function slowLine(answer: (url: string) => Response) {
  const open: (() => void)[] = [];
  globalThis.fetch = ((url: string) =>
    new Promise<Response>((done) => open.push(() => done(answer(String(url)))))) as typeof fetch;
  return {
    asked: () => open.length,
    answerAll: () => open.splice(0).forEach((go) => go()),
  };
}
const html = () => new Response('<title>A page</title>', { headers: { 'content-type': 'text/html' } });
const settled = () => new Promise((done) => setTimeout(done, 20));
const all = async () => {
  const db = await phoneStore();
  return { holder: await db.getAll('holder'), keys: await db.getAll('keys'), held: await db.getAll('held') };
};
const pages = () => [...kept.values()].flatMap((c) => [...c.keys()]);

beforeEach(async () => {
  await letGo();
  globalThis.fetch = (async () => Response.json(met(WREN))) as typeof fetch;
  expect((await meet(WREN)).how).toBe('met');
});

it('a page that comes while somebody signs out is not kept, and neither is anything after it', async () => {
  const line = slowLine(html);
  const holding = downloadCrewDays([], 'build', true, () => {});
  await settled();
  expect(line.asked()).toBeGreaterThan(0);
  await letGo();
  line.answerAll();
  await settled();
  line.answerAll();
  await holding;
  expect(pages()).toEqual([]);
  expect(await all()).toEqual({ holder: [], keys: [], held: [] });
});

it('a meeting that is answered after the sign-out brings back neither holder nor key', async () => {
  const line = slowLine(() => Response.json(met(WREN)));
  const meeting = meet(WREN);
  await settled();
  await letGo();
  line.answerAll();
  expect((await meeting).how).toBe('signed out');
  expect(await all()).toEqual({ holder: [], keys: [], held: [] });
});

it('what is held goes before the pages of another person come, and where nobody knows whose it is', async () => {
  globalThis.fetch = (async () => html()) as typeof fetch;
  await downloadCrewDays([], 'build', true, () => {});
  expect(pages().length).toBeGreaterThan(0);
  const db = await phoneStore();
  // The holder is gone, as after a browser that was killed in the middle of it; the pages are there.
  await db.clear('holder');
  globalThis.fetch = (async () => Response.json(met(IDRIS))) as typeof fetch;
  expect((await meet(IDRIS)).how).toBe('met');
  expect(pages()).toEqual([]);
  expect((await all()).holder.map((h) => h.personId)).toEqual([IDRIS]);
});
