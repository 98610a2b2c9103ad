'use client';

import { waitMs } from '@/core/phone/queue';
import { downloadCrewDays, meet, type Holding } from './offline-copy.client';
import { watchClock } from './clock.client';
import { countQueue, onQueueChange, readQueue, sendQueue, type Sent, type QueuedWrite } from './outbox.client';

/** How this phone stands towards the server. */
export interface PhoneState {
  /** Whether what waits has been read from the phone. */
  ready: boolean;
  /** Null until it has tried once. */
  signal: boolean | null;
  /** What waits to be sent, of whoever is signed in. */
  waiting: readonly QueuedWrite[];
  /** All that waits here, whoever wrote it. */
  sealed: number;
  /** What was refused and waits on the server for somebody. */
  syncConflicts: number;
  aheadS: number;
  holding: Holding | null;
  /** Whether this phone was ended, or nobody is signed in on it any more. */
  shut: 'ended' | 'signed out' | null;
}
export const BLANK: PhoneState = {
  ready: false,
  signal: null,
  waiting: [],
  sealed: 0,
  syncConflicts: 0,
  aheadS: 0,
  holding: null,
  shut: null,
};

const BUILD = process.env.ELMHORN_BUILD ?? 'development';
/** The server is met at least as often, while the page is looked at. */
const HANDSHAKE_MS = 10 * 60_000;

/** What was written while there is signal is sent after so long. */
const SOON_MS = 1000;
/** The clock of the phone is looked at so often: somebody may set it. */
const WATCH_MS = 10_000;

/** Keeps a phone in touch while a page is open: sends what waits, in its turn, and holds the rounds of the coming days. */
export class Keeper {
  private state = BLANK;
  private ears = new Set<() => void>();
  private tries = 0;
  private running = false;
  private timer: ReturnType<typeof setTimeout> | undefined;

  private onSent: (sent: Sent) => void = () => {};

  constructor(private readonly personId: string) {}

  now = (): PhoneState => this.state;
  hear = (ear: () => void): (() => void) => {
    this.ears.add(ear);
    return () => void this.ears.delete(ear);
  };
  private set(change: Partial<PhoneState>) {
    this.state = { ...this.state, ...change };
    for (const ear of this.ears) ear();
  }

  /** Reads what waits. */
  private async listen() {
    const [waiting, sealed] = await Promise.all([readQueue(), countQueue()]);
    this.set({ ready: true, waiting, sealed });
  }

  /**
   * @param onSent hears what became of what was sent
   * @returns lets go again
   */
  start(onSent: (sent: Sent) => void): () => void {
    this.onSent = onSent;
    if ('serviceWorker' in navigator && BUILD !== 'development') void navigator.serviceWorker.register('/sw.js');
    // Asked once: what is held and what waits must not be swept away when the phone is short of room.
    void navigator.storage?.persist?.();
    void this.listen().then(this.go, this.go);
    const on = () => {
      this.tries = 0;
      void this.go();
    };
    const off = () => this.set({ signal: false });
    const seen = () => document.visibilityState === 'visible' && on();
    // What was written behind something that waits goes as soon as that has gone.
    const unhear = onQueueChange(() => void this.listen().then(() => this.state.waiting.length && this.soon()));
    const watch = setInterval(() => watchClock(), WATCH_MS);
    window.addEventListener('online', on);
    window.addEventListener('offline', off);
    document.addEventListener('visibilitychange', seen);
    return () => {
      unhear();
      clearTimeout(this.timer);
      clearInterval(watch);
      window.removeEventListener('online', on);
      window.removeEventListener('offline', off);
      document.removeEventListener('visibilitychange', seen);
    };
  }

  private soon() {
    if (!this.state.signal || this.running) return;
    clearTimeout(this.timer);
    this.timer = setTimeout(() => void this.go(), SOON_MS);
  }

  /** Meets the server, sends what waits, and fetches what is held; then waits for the next time. */
  go = async (): Promise<void> => {
    if (this.running) return;
    this.running = true;
    clearTimeout(this.timer);
    let heard = false;
    try {
      heard = await this.handshakeAndSend();
    } catch {
      // What a browser refuses here (no room, no storage) is no reason to stop trying.
      this.set({ holding: null });
    } finally {
      this.running = false;
      this.timer = setTimeout(() => void this.go(), heard ? HANDSHAKE_MS : waitMs(this.tries++));
    }
  };

  /** @returns whether the server was heard to the end */
  private async handshakeAndSend(): Promise<boolean> {
    const met = await meet(this.personId);
    if (met.how === 'cannot keep') return true;
    if (met.how !== 'met') {
      if (met.how === 'no answer') this.set({ signal: false });
      else this.set({ signal: true, shut: met.how });
      await this.listen();
      return met.how !== 'no answer';
    }
    this.tries = 0;
    const { aheadS, syncConflicts, rounds } = met.met;
    this.set({ signal: true, shut: null, aheadS, syncConflicts });
    const sent = await sendQueue();
    await this.listen();
    const changed = sent.synced + sent.refused > 0;
    if (changed) {
      this.set({ syncConflicts: syncConflicts + sent.refused });
      this.onSent(sent);
    }
    if (sent.how === 'no answer') {
      this.set({ signal: false });
      return false;
    }
    if (sent.how === 'empty') {
      // Pages without the worker that gives them would be held for nobody.
      if (BUILD !== 'development') await navigator.serviceWorker?.ready;
      await downloadCrewDays(rounds, BUILD, changed, (holding) => this.set({ holding }));
      this.set({ holding: null });
    }
    return true;
  }
}
