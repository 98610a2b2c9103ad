'use client';

import { useEffect, useState } from 'react';

/** What a page asked for after it stood: null until it is told. */
export interface Asked<T> {
  told: T | null;
  /** It was asked and there was no answer. */
  failed: boolean;
}

/**
 * Asks our own server for what a page can do without at first.
 * @param url null where nothing is asked
 * @param again whatever changes when it has to be asked anew
 */
export function useAsked<T>(url: string | null, again: unknown = null): Asked<T> {
  const [answer, setAnswer] = useState<{ url: string; again: unknown; asked: Asked<T> } | null>(null);
  useEffect(() => {
    if (url === null) return;
    let here = true;
    const tell = (asked: Asked<T>) => here && setAnswer({ url, again, asked });
    fetch(url)
      .then(async (r) => tell(r.ok ? { told: (await r.json()) as T, failed: false } : { told: null, failed: true }))
      .catch(() => tell({ told: null, failed: true }));
    return () => {
      here = false;
    };
  }, [url, again]);
  // What was told of something else, or before, is no answer to this.
  return answer && answer.url === url && answer.again === again ? answer.asked : { told: null, failed: false };
}
