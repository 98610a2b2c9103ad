'use client';

import { DAY_MS } from '@/lib/calendar/days';
import { LEASE_DAYS } from '@/core/phone/limits';
import { v7 } from 'uuid';
import { keepClockAhead } from './clock.client';
import { countQueue } from './outbox.client';
import { ANSWERS, canKeep, PAGES, phoneStore, type OfflinePage } from './store.client';
import { browserNow, machineMs } from '@/ui/clock.client';
import { endEpoch, epochNow } from './epoch.client';

/** What the server gives a phone that meets it. */
interface Met {
  personId: string;
  key: string;
  aheadS: number;
  rounds: { id: string }[];
  syncConflicts: number;
}
export type Handshake = { how: 'met'; met: Met } | { how: 'no answer' | 'signed out' | 'ended' | 'cannot keep' };

/** Pages that a phone holds whatever its rounds are. */
const ALWAYS = ['/', '/jobs', '/jobs/devices', '/jobs/mixes', '/phone', '/phone/offline'];
/** Pages of a round that are led to from its day. */
const LEADS = /^\/(jobs\/(row|mixes)([/?]|$)|trees\/[0-9a-f-]{36}(\/treat)?(\?|$))/;
const TREE = /^\/trees\/([0-9a-f-]{36})/;
/** A page that is older is fetched anew while there is signal. */
const FRESH_MS = 4 * 3_600_000;
/** Photos of a tree that are held: those of its last look. */
const PHOTOS_OF_TREE = 2;
/** Pages that are fetched at the same time, so that whoever works on this phone does not wait for them. */
const AT_ONCE = 3;

const phoneName = () => {
  const agent = navigator.userAgent;
  const system = /Android|iPhone|iPad|Windows|Mac OS|Linux/.exec(agent)?.[0] ?? 'Browser';
  return `${system}, ${/Firefox|Edg|Chrome|Safari/.exec(agent)?.[0] ?? 'browser'}`;
};

/** This phone says how it stands; what it is given is kept, and what another person held here is let go. */
export async function meet(personId: string): Promise<Handshake> {
  if (!canKeep()) return { how: 'cannot keep' };
  const epoch = epochNow();
  const db = await phoneStore();
  let phoneId = await db.get('phones', personId);
  if (!phoneId) await db.put('phones', (phoneId = v7()), personId);
  let answer: Response;
  try {
    answer = await fetch('/api/phone', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        phoneId,
        name: phoneName(),
        clockNow: browserNow().toISOString(),
        waiting: await countQueue(),
      }),
      signal: AbortSignal.timeout(20_000),
    });
  } catch {
    return { how: 'no answer' };
  }
  if (answer.status === 401) {
    // Signed out elsewhere, or nobody of this company any more: nothing is given away; what waits stays, sealed.
    await letGo();
    return { how: 'signed out' };
  }
  if (answer.status === 410) {
    await letGo();
    return { how: 'ended' };
  }
  if (!answer.ok) return { how: 'no answer' };
  const met = (await answer.json()) as Met;
  // Somebody signed out while this was on its way: neither holder nor key comes back.
  if (epochNow() !== epoch) return { how: 'signed out' };
  keepClockAhead(met.aheadS);
  const before = await db.get('holder', 'me');
  // Whatever is held here and is not known to be theirs is nobody's: it goes before theirs comes.
  if (before?.personId !== met.personId) await letGo();
  const mine = epochNow();
  const bytes = Uint8Array.from(atob(met.key), (c) => c.charCodeAt(0));
  // It can seal and open on this phone, and cannot be read out of it.
  const key = await crypto.subtle.importKey('raw', bytes, 'AES-GCM', false, ['encrypt', 'decrypt']);
  await db.put('keys', key, met.personId);
  const metAt = browserNow().getTime();
  // The worker counts a lease by the machine's own clock: it has no page to read another from.
  const until = machineMs() + LEASE_DAYS * DAY_MS;
  await db.put('holder', { personId: met.personId, phoneId, metAt, until }, 'me');
  if (epochNow() !== mine) {
    await letGo();
    return { how: 'signed out' };
  }
  return { how: 'met', met };
}

/** Lets go of all that is held and of the key. What waits stays, sealed, until the same person signs in here again. */
export async function letGo(): Promise<void> {
  // First of all: what is being fetched now must not be kept after this.
  endEpoch();
  if (!canKeep()) return;
  const db = await phoneStore();
  const tx = db.transaction(['holder', 'keys', 'held'], 'readwrite');
  await Promise.all([
    tx.objectStore('holder').clear(),
    tx.objectStore('keys').clear(),
    tx.objectStore('held').clear(),
    tx.done,
  ]);
  await Promise.all([caches.delete(PAGES), caches.delete(ANSWERS)]);
}

const small = async (body: Blob): Promise<Blob> =>
  new Response(body.stream().pipeThrough(new CompressionStream('gzip'))).blob();

async function pageOf(path: string): Promise<{ html: Blob; page: Document; policy: string | null } | null> {
  const answer = await fetch(path, { headers: { accept: 'text/html' }, redirect: 'manual' });
  if (answer.status !== 200) return null;
  const html = await answer.blob();
  const page = new DOMParser().parseFromString(await html.text(), 'text/html');
  return { html, page, policy: answer.headers.get('content-security-policy') };
}

/** Fetches a page and holds it, made small. @returns it; null where it was not given */
async function hold(path: string, build: string, crewDayId: string | null, epoch: string): Promise<Document | null> {
  const got = await pageOf(path);
  if (!got || epochNow() !== epoch) return null;
  const body = await small(got.html);
  const headers = new Headers({ 'content-type': 'text/html; charset=utf-8', 'x-elmhorn-gzip': '1' });
  if (got.policy) headers.set('content-security-policy', got.policy);
  const cache = await caches.open(PAGES);
  await cache.put(path, new Response(body, { headers }));
  await (
    await phoneStore()
  ).put('held', { path, at: browserNow().getTime(), bytes: body.size, build, crewDayId, name: got.page.title });
  return (await keptUnder(epoch, path)) ? got.page : null;
}

/** Takes back what was kept while somebody let go of the phone. @returns whether it may stay */
async function keptUnder(epoch: string, path: string): Promise<boolean> {
  if (epochNow() === epoch) return true;
  await (await caches.open(PAGES)).delete(path);
  await (await phoneStore()).delete('held', path);
  return false;
}

const linksOf = (page: Document): string[] => [
  ...new Set(
    [...page.querySelectorAll<HTMLAnchorElement>('a[href^="/"]')]
      .map((a) => a.getAttribute('href')!.split('#')[0]!)
      .filter((href) => LEADS.test(href)),
  ),
];
const photosOf = (page: Document): string[] =>
  [...page.querySelectorAll<HTMLImageElement>('img[src^="/api/photos/"]')]
    .slice(0, PHOTOS_OF_TREE)
    .map((i) => i.getAttribute('src')!);

async function downloadPhoto(src: string, crewDayId: string | null, build: string, epoch: string) {
  const db = await phoneStore();
  if (await db.get('held', src)) return;
  const answer = await fetch(src);
  if (!answer.ok) return;
  const body = await answer.blob();
  if (epochNow() !== epoch) return;
  await (await caches.open(PAGES)).put(src, new Response(body, { headers: { 'content-type': body.type } }));
  await db.put('held', { path: src, at: browserNow().getTime(), bytes: body.size, build, crewDayId });
  await keptUnder(epoch, src);
}

export interface Holding {
  done: number;
  of: number;
}
/**
 * Holds the rounds of the coming days with all that their days lead to, and lets go of what belongs to none of them any
 * more. What is fresh is left as it is.
 * @param all everything anew: what stands on this phone has been changed by what it sent
 */
export async function downloadCrewDays(
  rounds: readonly { id: string }[],
  build: string,
  all: boolean,
  progress: (p: Holding) => void,
): Promise<void> {
  const epoch = epochNow();
  const db = await phoneStore();
  const now = browserNow().getTime();
  const isFresh = async (path: string) => {
    const was = await db.get('held', path);
    // A day is what changes most, and small.
    if (path.startsWith('/phone/day/')) return false;
    return was !== undefined && !all && was.build === build && now - was.at < FRESH_MS;
  };
  const wanted = new Map<string, string | null>(ALWAYS.map((p) => [p, null]));
  for (const r of rounds) wanted.set(`/phone/day/${r.id}`, r.id);
  const done = new Set<string>();
  // What belongs to a round is what its day leads to.
  for (const r of rounds) {
    const day = await pageOf(`/jobs/day/${r.id}`);
    for (const href of day ? linksOf(day.page) : []) {
      const tree = TREE.exec(href)?.[1];
      for (const to of tree ? [`/trees/${tree}`, `/phone/tree/${tree}`] : [href])
        if (!wanted.has(to)) wanted.set(to, r.id);
    }
  }
  const take = async (path: string): Promise<void> => {
    if (await isFresh(path)) return;
    const crewDayId = wanted.get(path) ?? null;
    const page = await hold(path, build, crewDayId, epoch);
    for (const src of page && crewDayId ? photosOf(page) : []) {
      wanted.set(src, crewDayId);
      done.add(src);
      await downloadPhoto(src, crewDayId, build, epoch);
    }
  };
  for (;;) {
    const next = [...wanted.keys()].filter((p) => !done.has(p)).slice(0, AT_ONCE);
    if (!next.length || epochNow() !== epoch) break;
    next.forEach((p) => done.add(p));
    await Promise.all(next.map(take));
    progress({ done: done.size, of: wanted.size });
  }
  if (epochNow() === epoch) await dropOthers(rounds, wanted);
}

/** Lets go of what no round wants any more; a round whose day was not given just now keeps what it has. */
async function dropOthers(rounds: readonly { id: string }[], wanted: ReadonlyMap<string, string | null>) {
  const db = await phoneStore();
  const all = await db.getAll('held');
  const gone = all.filter((p) => !wanted.has(p.path) && !rounds.some((r) => r.id === p.crewDayId));
  const cache = await caches.open(PAGES);
  for (const p of gone) {
    await cache.delete(p.path);
    await db.delete('held', p.path);
  }
}

/** What is held, and how much room it takes. */
export async function offlinePages(): Promise<OfflinePage[]> {
  return canKeep() ? (await phoneStore()).getAll('held') : [];
}
