'use client';

import { useEffect, useState } from 'react';
import type { AtTheTree } from '@/commands/facts/booking';
import type { RowGate } from '@/views/row';

/** What stands at the trees of a row; null until it is told, and again while something else was said. */
export interface AskedGates {
  gates: RowGate[] | null;
  failed: boolean;
}

/** How long somebody is let type before the gates are asked. */
const PAUSE_MS = 350;

/** Asks what stands at the trees whenever ground or air is said otherwise. @param at null where something cannot be read */
export function useRowGates(planIds: readonly string[], at: AtTheTree | null): AskedGates {
  const body = at && JSON.stringify({ planIds, at });
  const [told, setTold] = useState<{ body: string; asked: AskedGates } | null>(null);
  useEffect(() => {
    if (!body) return;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      fetch('/api/rounds/row', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body,
        signal: stop.signal,
      })
        .then(async (r) => {
          if (!r.ok) throw new Error(String(r.status));
          setTold({ body, asked: { gates: (await r.json()) as RowGate[], failed: false } });
        })
        .catch(() => !stop.signal.aborted && setTold({ body, asked: { gates: null, failed: true } }));
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [body]);
  return told && told.body === body ? told.asked : { gates: null, failed: false };
}
