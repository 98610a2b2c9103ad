'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import { BATCH_ENDS, type BatchEnd } from '@/core/mix/batch';
import { readNumber } from '@/lib/units/numbers';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { finishBatch } from '../../../offline-commands.client';

const PRESSES: Record<BatchEnd, string> = {
  kept: 'It is kept, labelled and locked',
  'handed in': 'It is handed in',
  spilled: 'It was spilled',
};

/** What becomes of the rest; on a labelled tree it is drawn by that tree's own sheet. */
export function EndMix({ batchId, good, leftMl }: { batchId: string; good: boolean; leftMl: number }) {
  const [how, setHow] = useState<BatchEnd | null>(null);
  const [amount, setAmount] = useState('');
  const [words, setWords] = useState('');
  const { busy, issues, setIssues, send } = useSend(finishBatch);
  const said = useNotify();
  const end = (as: BatchEnd) => {
    const read = amount.trim() ? readNumber(amount, { name: 'The amount', above: 0, max: leftMl, unit: 'mL' }) : null;
    if (read && !read.ok) return setIssues([{ path: 'mixMl', message: read.sentence }]);
    send({ id: v7(), batchId, how: as, mixMl: as === 'kept' ? null : read?.ok ? read.value : null, words }, () => {
      said({ sentence: as === 'kept' ? 'It is kept until its end.' : 'What became of it is written.' });
      setHow(null);
      setAmount('');
      setWords('');
    });
  };
  return (
    <section className="mt-5" aria-label="The rest of it">
      <h2>What becomes of the rest</h2>
      <p className="text-[0.9375rem] text-ink-2">
        Onto another tree that its label allows: write it on that tree’s sheet. Never into a drain, never onto the
        ground.
      </p>
      <div className="mt-2 grid gap-2 desk:grid-cols-3">
        {BATCH_ENDS.map((e) => (
          <button
            key={e}
            type="button"
            className={`press min-h-14 ${how === e ? 'border-4 font-extrabold' : ''}`}
            aria-pressed={e === 'kept' ? undefined : how === e}
            disabled={busy || (e === 'kept' && !good)}
            onClick={() => (e === 'kept' ? end('kept') : setHow(e))}
          >
            {PRESSES[e]}
          </button>
        ))}
      </div>
      {how && (
        <div className="mt-3 max-w-lg">
          <TextField
            label="How much, mL"
            path="mixMl"
            issues={issues}
            hint="Empty: all that is left."
            inputMode="decimal"
            maxLength={12}
            value={amount}
            onChange={setAmount}
          />
          <TextField
            label={how === 'spilled' ? 'Where, and what was done' : 'To whom'}
            path="words"
            issues={issues}
            maxLength={600}
            value={words}
            onChange={setWords}
          />
          <button
            type="button"
            data-confirm
            className="press press-main min-h-14 phone:w-full"
            disabled={busy}
            onClick={() => end(how)}
          >
            Write it
          </button>
        </div>
      )}
      <FormIssues issues={issues} known={how ? ['mixMl', 'words'] : []} />
    </section>
  );
}
