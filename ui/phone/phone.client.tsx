'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { useNotify } from '../frame/undo.client';
import { BLANK, Keeper, type PhoneState } from './sync.client';
import type { OfflineCommand } from '@/core/phone/command-names';
import type { Sent, QueuedWrite } from './outbox.client';

/** How this phone stands, and the press that meets the server now. */
export interface Phone extends PhoneState {
  now: () => void;
}
const Context = createContext<Phone>({ ...BLANK, now: () => {} });
export const usePhone = () => useContext(Context);

/** A write that waits, of a command whose input is known. */
export type QueuedOf<I> = Omit<QueuedWrite, 'input'> & { input: I };
/** Writes of some commands that wait on this phone, oldest first: what a page shows beside what the server knew. */
export function useQueued<I>(...verbs: OfflineCommand[]): QueuedOf<I>[] {
  const { waiting } = usePhone();
  const wanted = verbs.join(' ');
  return useMemo(() => waiting.filter((w) => wanted.split(' ').includes(w.verb)) as QueuedOf<I>[], [waiting, wanted]);
}

const sentWords = ({ synced, refused }: Sent): string =>
  refused > 0
    ? `Sent: ${synced} landed, ${refused} ${refused === 1 ? 'needs' : 'need'} a look.`
    : `Sent: ${synced === 1 ? 'it has' : `all ${synced} have`} landed.`;

/** Keeps a phone in touch as long as somebody is signed in on it. */
export function PhoneKeeper({ personId, children }: { personId: string; children: React.ReactNode }) {
  const router = useRouter();
  const said = useNotify();
  const [keeper] = useState(() => new Keeper(personId));
  useEffect(
    () =>
      keeper.start((sent) => {
        said({ sentence: sentWords(sent) });
        router.refresh();
      }),
    [keeper, said, router],
  );
  const state = useSyncExternalStore(keeper.hear, keeper.now, () => BLANK);
  const phone = useMemo(() => ({ ...state, now: () => void keeper.go() }), [state, keeper]);
  return <Context.Provider value={phone}>{children}</Context.Provider>;
}
