'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import { WANTS_WORDS, WHY_LEFT, type WhyLeft } from '@/core/crew-day/day';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { markNotDone, reopenNotDone } from '../../../offline-commands.client';
import { LEFT_PRESSES } from '../words';

/** Why something is left, by one press; a reason that says nothing by itself wants a word more. */
export function Leave({ itemIds, name, onDone }: { itemIds: string[]; name: string; onDone: () => void }) {
  const [why, setWhy] = useState<WhyLeft | null>(null);
  const [words, setWords] = useState('');
  const { busy, issues, send } = useSend(markNotDone);
  const said = useNotify();
  const leave = (because: WhyLeft) => {
    const id = v7();
    send({ id, itemIds, why: because, words }, () => {
      said({ sentence: `${name} is left for another day.`, undo: () => reopenNotDone({ id }) });
      onDone();
    });
  };
  return (
    <div className="my-2 border-l-4 border-sap pl-3" role="group" aria-label={`Why ${name} is left`}>
      <p className="font-semibold">Why is it left?</p>
      <div className="mt-2 grid grid-cols-2 gap-2 desk:grid-cols-5">
        {WHY_LEFT.map((w) => (
          <button
            key={w}
            type="button"
            className={`press min-h-14 ${why === w ? 'border-4 font-extrabold' : ''}`}
            aria-pressed={WANTS_WORDS.includes(w) ? why === w : undefined}
            disabled={busy}
            onClick={() => (WANTS_WORDS.includes(w) ? setWhy(w) : leave(w))}
          >
            {LEFT_PRESSES[w]}
          </button>
        ))}
      </div>
      {why && (
        <div className="mt-3 max-w-lg">
          <TextField
            label="In a few words"
            path="words"
            issues={issues}
            maxLength={600}
            value={words}
            onChange={setWords}
          />
          <button
            type="button"
            className="press press-main min-h-14 phone:w-full"
            disabled={busy}
            onClick={() => leave(why)}
          >
            Leave it
          </button>
        </div>
      )}
      <FormIssues issues={issues} known={why ? ['words'] : []} />
    </div>
  );
}
