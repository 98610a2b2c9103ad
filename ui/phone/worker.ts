/// <reference lib="webworker" />
import { registerRoute, setCatchHandler, setDefaultHandler } from 'workbox-routing';
import { CacheFirst, NetworkOnly } from 'workbox-strategies';
import { inTime } from './in-time';
import { ANSWERS, PAGES, phoneStore } from './store.client';
import { machineMs } from '@/ui/clock.client';

/**
 * The worker between the pages and the network: it gives the shell from this phone, and pages that are held where there is
 * no signal. It is bundled after the build, which tells it the files of the shell.
 */
declare const self: ServiceWorkerGlobalScope;
declare const ELMHORN_BUILD: string;
declare const ELMHORN_SHELL: string[];

const SHELL = 'elmhorn-shell';
const LISTS = 'elmhorn-lists';
/** Where nothing else is held: says what is. */
const NOTHING = '/phone/offline';
/** A line that has not answered by then is none, where the page is held. */
const PATIENCE_MS = 4000;

const listOf = async (name: string): Promise<{ build: string; files: string[] } | null> =>
  ((await (await caches.open(LISTS)).match(`/${name}`))?.json() as Promise<{ build: string; files: string[] }>) ?? null;
const keepList = async (name: string, list: { build: string; files: string[] }) =>
  (await caches.open(LISTS)).put(`/${name}`, Response.json(list));

self.addEventListener('install', (event) => {
  event.waitUntil(
    (async () => {
      const cache = await caches.open(SHELL);
      const have = new Set((await cache.keys()).map((r) => new URL(r.url).pathname));
      const missing = ELMHORN_SHELL.filter((f) => !have.has(f));
      for (let i = 0; i < missing.length; i += 6) await cache.addAll(missing.slice(i, i + 6));
      await self.skipWaiting();
    })(),
  );
});

self.addEventListener('activate', (event) => {
  event.waitUntil(
    (async () => {
      // Pages that were held under the release before still ask for its files.
      const now = await listOf('now');
      if (now && now.build !== ELMHORN_BUILD) await keepList('before', now);
      await keepList('now', { build: ELMHORN_BUILD, files: ELMHORN_SHELL });
      const keep = new Set([...ELMHORN_SHELL, ...((await listOf('before'))?.files ?? [])]);
      const cache = await caches.open(SHELL);
      for (const r of await cache.keys()) if (!keep.has(new URL(r.url).pathname)) await cache.delete(r);
      await self.clients.claim();
    })(),
  );
});

/** Whether somebody may look at what is held here: who it is signed in for, and not longer than the lease. */
async function mayShow(): Promise<boolean> {
  try {
    const holder = await (await phoneStore()).get('holder', 'me');
    return holder !== undefined && holder.until > machineMs();
  } catch {
    return false;
  }
}

/** A held answer as the browser wants it: what was made small is made as it was, and it says that it is held. */
function whole(held: Response): Response {
  const headers = new Headers(held.headers);
  const small = headers.has('x-elmhorn-gzip');
  headers.delete('x-elmhorn-gzip');
  headers.set('x-elmhorn-held', '1');
  const body = small && held.body ? held.body.pipeThrough(new DecompressionStream('gzip')) : held.body;
  return new Response(body, { headers });
}

/** A step at a tree and a crew's day are drawn on the phone, each from one page that holds all that it rests on. */
const STEP = /^\/trees\/([0-9a-f-]{36})\/(measure|inspect|diagnose|prescribe|treat)$/;
const DAY = /^\/jobs\/day\/([0-9a-f-]{36})(\/finish)?$/;
function drawnFrom(url: URL): string | null {
  const asked = new URLSearchParams(url.search);
  const [, tree, step] = STEP.exec(url.pathname) ?? [];
  if (tree && step) {
    asked.set('step', step);
    return `/phone/tree/${tree}?${asked}`;
  }
  const [, day, close] = DAY.exec(url.pathname) ?? [];
  return day ? `/phone/day/${day}?view=${close ? 'close' : 'day'}` : null;
}

async function offlinePage(url: URL): Promise<Response | null> {
  const cache = await caches.open(PAGES);
  const drawn = drawnFrom(url);
  if (drawn && (await cache.match(drawn, { ignoreSearch: true }))) return Response.redirect(drawn);
  const exact = await cache.match(url.pathname + url.search);
  // The same page asked for in another way is nearer than none.
  const found = exact ?? (await cache.match(url.pathname)) ?? (await cache.match(url.pathname, { ignoreSearch: true }));
  return found ? whole(found) : null;
}

/** What is answered where nothing is held; it tells what is, or that this phone shows nothing any more. */
async function nothing(): Promise<Response> {
  const page = (await mayShow()) ? await (await caches.open(PAGES)).match(NOTHING) : undefined;
  return page
    ? Response.redirect(NOTHING)
    : new Response(
        '<!doctype html><html lang="en-GB"><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Elmhorn</title><body style="font:20px/1.4 system-ui;padding:24px;background:#e9ece3;color:#221f1a"><h1 style="font-size:28px">No signal</h1><p>This phone shows nothing without signal: nobody is signed in on it, or it has not met the server for more than seven days.</p><p>What was written on it is kept, sealed, and is sent once the same person signs in here again.</p></body></html>',
        { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } },
      );
}

const shell = new CacheFirst({ cacheName: SHELL });
// The bundler hands a web worker what it starts with behind the # of its address. An answer that has an address of its own takes
// its place, and that part is lost; one that is made here has none.
registerRoute(
  ({ url, request }) => url.pathname.startsWith('/_next/static/') && request.destination === 'worker',
  async (asked) => {
    const { body, status, headers } = await shell.handle(asked);
    return new Response(body, { status, headers });
  },
);
registerRoute(({ url }) => url.pathname.startsWith('/_next/static/'), shell);

registerRoute(
  ({ request }) => request.mode === 'navigate',
  async ({ request, url }) => {
    const held = (await mayShow()) ? await offlinePage(url) : null;
    try {
      return await inTime(fetch(request), held ? PATIENCE_MS : 60_000);
    } catch {
      return held ?? nothing();
    }
  },
);

// Photos never change; what pages ask for while they are looked at is as good as it was when it was last heard.
registerRoute(
  ({ url, request }) => request.method === 'GET' && url.pathname.startsWith('/api/photos/'),
  async ({ request, url }) => {
    const held = await (await caches.open(PAGES)).match(url.pathname + url.search);
    return held && (await mayShow()) ? held : fetch(request);
  },
);
registerRoute(
  ({ url, request }) => request.method === 'GET' && /^\/api\/(hanging|labels|rounds)\b/.test(url.pathname),
  async ({ request }) => {
    const cache = await caches.open(ANSWERS);
    try {
      const answer = await inTime(fetch(request), 8000);
      if (answer.ok && (await mayShow())) {
        await cache.put(request, answer.clone());
        // Somebody may have signed out while it was written.
        if (!(await mayShow())) await cache.delete(request);
      }
      return answer;
    } catch (error) {
      const held = (await mayShow()) ? await cache.match(request) : undefined;
      if (held) return whole(held);
      throw error;
    }
  },
);
setDefaultHandler(new NetworkOnly());
setCatchHandler(async () => Response.error());
