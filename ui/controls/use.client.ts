'use client';

import type { Issue } from '@/lib/result';
import { toTheWork } from '@/ui/frame/focus.client';
import { useCallback, useEffect, useRef, useState, useTransition } from 'react';
import { v7 } from 'uuid';

const PREFIX = 'elmhorn-draft:';

/**
 * State that is kept on this device while somebody types, and forgotten once it is saved. Browsers without storage
 * only lose the keeping.
 * @param stillGood whether what was kept still holds; yesterday's ground and weather must not speak for today
 */
export function useDraft<T>(
  key: string,
  initial: T,
  stillGood?: (kept: Partial<T>) => boolean,
): [T, (next: T | ((was: T) => T)) => void, () => void] {
  const [value, setValue] = useState<T>(initial);
  const check = useRef(stillGood);
  useEffect(() => {
    try {
      const kept = localStorage.getItem(PREFIX + key);
      const parsed = kept ? (JSON.parse(kept) as Partial<T>) : null;
      // The server cannot know what this device keeps, so the draft comes in after the first paint.
      // eslint-disable-next-line react-hooks/set-state-in-effect
      if (parsed && (check.current?.(parsed) ?? true)) setValue((was) => ({ ...was, ...parsed }));
    } catch {}
  }, [key]);
  // The same form in another tab is the same draft: both show what was typed last, and neither overwrites the other.
  const blank = useRef(initial);
  useElsewhere(PREFIX + key, (kept) => {
    const typed = kept === null ? blank.current : (JSON.parse(kept) as Partial<T>);
    setValue((was) => ({ ...was, ...typed }));
  });
  const set = useCallback(
    (next: T | ((was: T) => T)) =>
      setValue((was) => {
        const now = typeof next === 'function' ? (next as (w: T) => T)(was) : next;
        try {
          localStorage.setItem(PREFIX + key, JSON.stringify(now));
        } catch {}
        return now;
      }),
    [key],
  );
  const forget = useCallback(() => {
    try {
      localStorage.removeItem(PREFIX + key);
    } catch {}
  }, [key]);
  return [value, set, forget];
}

/** Hears what another tab of this browser writes under a name; null when it takes it away. */
function useElsewhere(place: string, hear: (kept: string | null) => void) {
  const latest = useRef(hear);
  useEffect(() => {
    latest.current = hear;
  });
  useEffect(() => {
    const onStorage = (e: StorageEvent) => {
      if (e.key !== place) return;
      try {
        latest.current(e.newValue);
      } catch {}
    };
    window.addEventListener('storage', onStorage);
    return () => window.removeEventListener('storage', onStorage);
  }, [place]);
}

/**
 * The id of what a form makes, kept on this device beside its draft: sent again after a lost answer or a reload, it is the
 * same thing and lands once. It is renewed when it has landed, or when something else has landed under it.
 * @param key as of the draft
 */
export function useMadeId(key: string): { id: string; renew: () => void } {
  const [id, setId] = useState(() => v7());
  const place = `${PREFIX}id:${key}`;
  useEffect(() => {
    try {
      const kept = localStorage.getItem(place);
      // The server cannot know what this device keeps.
      // eslint-disable-next-line react-hooks/set-state-in-effect
      if (kept) setId(kept);
      else localStorage.setItem(place, id);
    } catch {}
    // Only when the form is another one; the id itself changes by `renew`.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [place]);
  useElsewhere(place, (kept) => kept && setId(kept));
  const renew = useCallback(() => {
    const next = v7();
    try {
      localStorage.setItem(place, next);
    } catch {}
    setId(next);
  }, [place]);
  return { id, renew };
}

/** Removes every draft of this device, when somebody signs out. */
export function forgetDrafts() {
  try {
    for (const key of Object.keys(localStorage)) if (key.startsWith(PREFIX)) localStorage.removeItem(key);
  } catch {}
}

/**
 * Sends something to the server: busy while it runs, the issues that came back, and a sentence when the network is gone.
 * @param on the id of what is made, where the form makes something; what to do when what the form rests on has changed
 */
export function useSend<I, T>(
  action: (
    input: I,
    shown?: unknown,
  ) => Promise<{ ok: true; value: T; kept?: boolean } | { ok: false; issues: Issue[] }>,
  on?: { renew?: () => void; stale?: () => void },
) {
  const [busy, start] = useTransition();
  const [issues, setIssues] = useState<Issue[]>([]);
  /**
   * @param then what is done once it landed, or waits on this phone to be sent
   * @param shown what pages show of it while it waits
   */
  const send = (input: I, then?: (value: T, kept: boolean) => void, shown?: unknown) =>
    start(async () => {
      try {
        const answer = await (shown === undefined ? action(input) : action(input, shown));
        setIssues(answer.ok ? [] : answer.issues);
        if (answer.ok || answer.issues.some((f) => f.path === 'id')) on?.renew?.();
        if (!answer.ok && answer.issues.some((f) => f.path === 'version')) on?.stale?.();
        if (answer.ok) then?.(answer.value, answer.kept ?? false);
        // A form that closes takes the focus with it; a frame later it is gone.
        if (answer.ok) setTimeout(toTheWork, 50);
      } catch (error) {
        if ((error as { digest?: string }).digest?.startsWith('NEXT_')) throw error;
        setIssues([
          {
            path: '',
            // Only a form that makes something keeps a draft.
            message: `No answer from the server. What you typed is ${on?.renew ? 'kept on this device' : 'still here'}; try again.`,
          },
        ]);
      }
    });
  return { busy, issues, setIssues, send };
}
