'use client';

import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

/** Who holds rounds on this phone. */
export interface Holder {
  personId: string;
  phoneId: string;
  /** When it last met the server, ms. */
  metAt: number;
  /** Until when it may show what it holds without meeting it again, ms. */
  until: number;
}
/** A page that is held. */
export interface OfflinePage {
  path: string;
  at: number;
  bytes: number;
  build: string;
  /** The round that it belongs to; null for what is held whatever the rounds are. */
  crewDayId: string | null;
  /** Its title, where it has one of its own. */
  name?: string;
}
/** A write that waits, sealed. */
export interface Sealed {
  seq?: number;
  id: string;
  personId: string;
  phoneId: string;
  at: number;
  bytes: number;
  iv: Uint8Array<ArrayBuffer>;
  data: ArrayBuffer;
  /** It was on its way once and no answer came: the server may have it. */
  tried?: boolean;
  /** What pages show of it until it is sent. */
  beside: { iv: Uint8Array<ArrayBuffer>; data: ArrayBuffer };
}
interface Kept extends DBSchema {
  holder: { key: 'me'; value: Holder };
  phones: { key: string; value: string };
  keys: { key: string; value: CryptoKey };
  waiting: { key: number; value: Sealed };
  held: { key: string; value: OfflinePage };
}

/** Pages that are held, by their address. The worker reads them. */
export const PAGES = 'elmhorn-pages';
/** Answers to what pages ask for while they are looked at. */
export const ANSWERS = 'elmhorn-answers';

let opened: Promise<IDBPDatabase<Kept>> | null = null;
/** What this phone keeps, beside its pages. */
export const phoneStore = (): Promise<IDBPDatabase<Kept>> =>
  (opened ??= openDB<Kept>('elmhorn', 1, {
    upgrade(db) {
      db.createObjectStore('holder');
      db.createObjectStore('phones');
      db.createObjectStore('keys');
      db.createObjectStore('waiting', { keyPath: 'seq', autoIncrement: true });
      db.createObjectStore('held', { keyPath: 'path' });
    },
    // Another tab with a newer Elmhorn may go on; this one opens it again when it needs it.
    blocking(_, __, event) {
      (event.target as IDBDatabase).close();
      opened = null;
    },
    terminated() {
      opened = null;
    },
  }));

/** Whether this browser can keep anything: not in a private window of some, nor without a safe address. */
export const canKeep = (): boolean =>
  typeof indexedDB !== 'undefined' && typeof crypto !== 'undefined' && crypto.subtle !== undefined;
