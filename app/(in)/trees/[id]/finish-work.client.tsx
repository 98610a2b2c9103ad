'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormIssues } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { Input } from '@/ui/controls/input.client';
import { useNotify } from '@/ui/frame/undo.client';
import { finishWork } from '../../offline-commands.client';

/** A work without a label: done today, with a word about it, or dropped. */
export function FinishWork({ id, name }: { id: string; name: string }) {
  const router = useRouter();
  const said = useNotify();
  const [note, setNote] = useState('');
  const [minutes, setMinutes] = useState('');
  const { busy, issues, send } = useSend(finishWork);
  const end = (done: boolean) =>
    send({ id, done, note, minutes: minutes.trim() === '' ? null : Number(minutes) }, (_, kept) => {
      said({ sentence: done ? `Done: ${name}. What follows is on Schedule.` : `Dropped: ${name}.` });
      if (!kept) router.refresh();
    });
  return (
    <div className="mt-2 flex flex-wrap items-end gap-2">
      <div className="w-full">
        <FormIssues issues={issues} />
      </div>
      <Input
        className="box max-w-72"
        aria-label={`A word on ${name}`}
        placeholder="How it went"
        maxLength={2000}
        value={note}
        onChange={(e) => setNote(e.target.value)}
      />
      <Input
        className="box w-36"
        aria-label={`Minutes for ${name}`}
        placeholder="Minutes"
        inputMode="numeric"
        maxLength={4}
        value={minutes}
        onChange={(e) => setMinutes(e.target.value)}
      />
      <button type="button" className="press" disabled={busy} aria-label={`Done: ${name}`} onClick={() => end(true)}>
        Done today
      </button>
      <button
        type="button"
        className="press press-plain"
        disabled={busy}
        aria-label={`Drop: ${name}`}
        onClick={() => end(false)}
      >
        Drop
      </button>
    </div>
  );
}
