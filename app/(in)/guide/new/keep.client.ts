'use client';

import { useRouter } from 'next/navigation';
import type { z } from 'zod';
import type { AddedKind, OWN_SCHEMAS } from '@/core/diagnose/overlay';
import { useMadeId, useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { keepOwn } from '../actions';

/** Sends an entry of one's own to be checked and kept; its faults have the places of the entry, after `text.`. */
export function useKeepOwn<K extends AddedKind>(kind: K) {
  const router = useRouter();
  const said = useSaid();
  const made = useMadeId(`own-${kind}`);
  const { busy, faults, send } = useSend(keepOwn, made);
  const keep = (data: z.input<(typeof OWN_SCHEMAS)[K]> | string, note: string, then: () => void) =>
    send({ id: made.id, kind, text: typeof data === 'string' ? data : JSON.stringify(data), note }, () => {
      made.renew();
      said({ sentence: 'Kept. It takes part from now on.' });
      then();
      router.refresh();
    });
  return { busy, faults, keep };
}
