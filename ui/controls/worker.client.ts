'use client';

import { useEffect, useRef, useState } from 'react';

/** What a worker is asked and what it answers: the same number, so that an answer to an older question is let go. */
export interface Asked<A> {
  n: number;
  asked: A;
}
export interface Answered<R> {
  n: number;
  answer: R;
}

/**
 * Leaves a long sum to a worker of its own, so that typing never waits for it.
 * @param start makes the worker; it answers {@link Asked} with {@link Answered}
 * @param here the same sum in this thread, for a browser that gives no worker
 * @param asked what is to be worked out; a new object is a new question
 * @returns the last answer, null until the first one is there; `behind` while a newer question is under way
 */
export function useWorked<A, R>(
  start: () => Worker,
  here: () => Promise<(asked: A) => R>,
  asked: A,
): { answer: R | null; behind: boolean } {
  const [got, setGot] = useState<{ to: A; answer: R } | null>(null);
  const worker = useRef<Worker | null>(null);
  const latest = useRef({ n: 0, asked });
  const ways = useRef({ start, here });
  useEffect(() => {
    const question = { n: latest.current.n + 1, asked };
    latest.current = question;
    const take = (n: number, answer: R) => {
      if (n === latest.current.n) setGot({ to: latest.current.asked, answer });
    };
    const inThisThread = () =>
      void ways.current.here().then((sum) => question.n === latest.current.n && take(question.n, sum(question.asked)));
    try {
      worker.current ??= ways.current.start();
      worker.current.onmessage = (e: MessageEvent<Answered<R>>) => take(e.data.n, e.data.answer);
      worker.current.onerror = inThisThread;
      worker.current.postMessage(question satisfies Asked<A>);
    } catch {
      inThisThread();
    }
  }, [asked]);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = null;
    },
    [],
  );
  return { answer: got?.answer ?? null, behind: got?.to !== asked };
}
