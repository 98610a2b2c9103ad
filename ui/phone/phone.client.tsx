'use client';

import { useRouter } from 'next/navigation';
import { createContext, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react';
import { waitMs } from '@/core/phone/queue';
import { useSaid } from '../frame/undo.client';
import { countWaiting, hearWaiting, readWaiting, sendWaiting, type Waiting } from './outbox.client';
import { holdRounds, meet, type Holding } from './hold.client';

/** How this phone stands towards the server. */
export interface Phone {
  /** Null until it has tried once. */
  signal: boolean | null;
  /** Since when nothing was heard of the server, ms. */
  since: number | null;
  /** What waits to be sent, of whoever is signed in. */
  waiting: readonly Waiting[];
  /** All that waits here, whoever wrote it. */
  sealed: number;
  /** What was refused and waits on the server for somebody. */
  needsLook: number;
  aheadS: number;
  holding: Holding | null;
  /** Whether this phone was ended, or nobody is signed in on it any more. */
  shut: 'ended' | 'signed out' | null;
  /** Sends what waits and fetches what is held. */
  now: () => void;
}
const BLANK: Phone = {
  signal: null,
  since: null,
  waiting: [],
  sealed: 0,
  needsLook: 0,
  aheadS: 0,
  holding: null,
  shut: null,
  now: () => {},
};
const Context = createContext<Phone>(BLANK);
export const usePhone = () => useContext(Context);

/** Writes of some verbs that wait on this phone, oldest first: what a page shows beside what the server knew. */
export function useWaiting<I>(...verbs: string[]): (Omit<Waiting, 'input'> & { input: I })[] {
  const { waiting } = usePhone();
  const wanted = verbs.join(' ');
  return useMemo(
    () => waiting.filter((w) => wanted.split(' ').includes(w.verb)) as (Omit<Waiting, 'input'> & { input: I })[],
    [waiting, wanted],
  );
}

const BUILD = process.env.ELMHORN_BUILD ?? 'development';
/** The server is met at least as often, while the page is looked at. */
const MEET_MS = 10 * 60_000;

/** Keeps a phone in touch: it registers the worker, sends what waits, and holds the rounds of the coming days. */
export function PhoneKeeper({ personId, children }: { personId: string; children: React.ReactNode }) {
  const router = useRouter();
  const said = useSaid();
  const [state, set] = useState<Omit<Phone, 'now'>>(BLANK);
  const tries = useRef(0);
  const running = useRef(false);
  const again = useRef<ReturnType<typeof setTimeout>>(undefined);

  const listen = useCallback(async () => {
    const [waiting, sealed] = await Promise.all([readWaiting(), countWaiting()]);
    set((s) => ({ ...s, waiting, sealed }));
    return waiting.length;
  }, []);

  const go = useCallback(async () => {
    if (running.current) return;
    running.current = true;
    clearTimeout(again.current);
    let rest = MEET_MS;
    const silent = () => {
      set((s) => ({ ...s, signal: false, since: s.since ?? Date.now(), holding: null }));
      rest = waitMs(tries.current++);
    };
    try {
      const met = await meet(personId);
      if (met.how === 'no answer') silent();
      else if (met.how === 'met') {
        const { aheadS, needsLook, rounds } = met.met;
        tries.current = 0;
        set((s) => ({ ...s, signal: true, since: null, shut: null, aheadS, needsLook }));
        const sent = await sendWaiting();
        await listen();
        if (sent.how === 'no answer') silent();
        const changed = sent.landed + sent.refused > 0;
        if (changed) {
          set((s) => ({ ...s, needsLook: s.needsLook + sent.refused }));
          said({
            sentence:
              sent.refused > 0
                ? `Sent: ${sent.landed} landed, ${sent.refused} need${sent.refused === 1 ? 's' : ''} a look.`
                : `Sent: all ${sent.landed} landed.`,
          });
          router.refresh();
        }
        if (sent.how === 'empty') {
          await holdRounds(rounds, BUILD, changed, (holding) => set((s) => ({ ...s, holding })));
          set((s) => ({ ...s, holding: null }));
        }
      } else if (met.how !== 'cannot keep')
        set((s) => ({ ...s, signal: true, since: null, shut: met.how as Phone['shut'] }));
    } catch {
      silent();
    } finally {
      running.current = false;
      // eslint-disable-next-line react-hooks/immutability
      again.current = setTimeout(() => void go(), rest);
    }
  }, [personId, listen, router, said]);

  useEffect(() => {
    if ('serviceWorker' in navigator && BUILD !== 'development') void navigator.serviceWorker.register('/sw.js');
    // Asked once: what is held and what waits must not be swept away when the phone is short of room.
    void navigator.storage?.persist?.();
    // What waits is read from the phone, which the server cannot know.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    void listen().then(go);
    const on = () => {
      tries.current = 0;
      void go();
    };
    const off = () => set((s) => ({ ...s, signal: false, since: s.since ?? Date.now() }));
    const seen = () => document.visibilityState === 'visible' && on();
    const unhear = hearWaiting(() => void listen());
    window.addEventListener('online', on);
    window.addEventListener('offline', off);
    document.addEventListener('visibilitychange', seen);
    return () => {
      unhear();
      clearTimeout(again.current);
      window.removeEventListener('online', on);
      window.removeEventListener('offline', off);
      document.removeEventListener('visibilitychange', seen);
    };
  }, [go, listen]);

  const phone = useMemo(() => ({ ...state, now: () => void go() }), [state, go]);
  return <Context.Provider value={phone}>{children}</Context.Provider>;
}
