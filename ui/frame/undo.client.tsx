'use client';

import { createContext, useCallback, useContext, useEffect, useState } from 'react';
import { browserNow } from '@/ui/clock.client';

interface Quoted {
  sentence: string;
  undo?: () => Promise<unknown>;
}
const Context = createContext<(offer: Quoted) => void>(() => {});

/** What came of an undo: only what the server says was undone is called so. */
async function undone(undo: () => Promise<unknown>): Promise<string> {
  try {
    const answer = (await undo()) as { ok: boolean; issues?: { message: string }[] } | undefined;
    return answer?.ok === false ? `Not undone. ${answer.issues?.[0]?.message ?? ''}` : 'Undone.';
  } catch {
    return 'Not undone: no answer from the server. It stands as it was; try again where it was done.';
  }
}

/** Says what was just done, and offers to undo it. */
export const useNotify = () => useContext(Context);

const PLACE = 'elmhorn:said';
/** What was said lately is said on the next page too: without signal that page is another document. */
const LATELY_MS = 5000;
const keepSaid = (sentence: string) => {
  try {
    sessionStorage.setItem(PLACE, JSON.stringify({ sentence, at: browserNow().getTime() }));
  } catch {}
};
function saidLately(): string | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(PLACE) ?? 'null') as { sentence: string; at: number } | null;
    sessionStorage.removeItem(PLACE);
    return kept && browserNow().getTime() - kept.at < LATELY_MS ? kept.sentence : null;
  } catch {
    return null;
  }
}

/** The line at the foot of the page: what was done, and Undo for as long as it stands there. */
export function UndoBar({ children }: { children: React.ReactNode }) {
  const [offer, setQuote] = useState<Quoted | null>(null);
  const say = useCallback((o: Quoted) => {
    keepSaid(o.sentence);
    setQuote(o);
  }, []);
  useEffect(() => {
    const sentence = saidLately();
    // The server cannot know what was said before this page.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    if (sentence) setQuote({ sentence });
  }, []);
  useEffect(() => {
    if (!offer) return;
    const timer = setTimeout(() => setQuote(null), offer.undo ? 12_000 : 5_000);
    return () => clearTimeout(timer);
  }, [offer]);
  return (
    <Context.Provider value={say}>
      {children}
      <div
        aria-live="polite"
        className="no-print pointer-events-none fixed inset-x-0 bottom-0 z-30 flex justify-center phone:bottom-20"
      >
        {offer && (
          <div className="pointer-events-auto m-3 flex min-h-14 items-center gap-6 bg-bark px-5 text-on-bark">
            <span>{offer.sentence}</span>
            {offer.undo && (
              <button
                type="button"
                className="min-h-hand px-2 font-bold underline underline-offset-3"
                onClick={() => {
                  const undo = offer.undo!;
                  setQuote({ sentence: 'One moment …' });
                  void undone(undo).then((sentence) => setQuote({ sentence }));
                }}
              >
                Undo
              </button>
            )}
          </div>
        )}
      </div>
    </Context.Provider>
  );
}
