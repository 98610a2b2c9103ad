'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { FormFaults, TextArea, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { addOwnCondition } from '../actions';

export function OwnConditionForm({ example }: { example: string }) {
  const [text, setText] = useState(example);
  const [note, setNote] = useState('');
  const { busy, faults, send } = useSend(addOwnCondition);
  const router = useRouter();
  return (
    <form
      noValidate
      className="mt-6"
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: v7(), text, note }, ({ key }) => router.push(`/guide/${key}`));
      }}
    >
      <h2 className="mb-1">A condition of our own</h2>
      <p className="mb-3 text-ink-2">
        An example stands here; change it. Its id begins with “own-”. It is checked as everything that ships is.
      </p>
      <FormFaults faults={faults.filter((f) => f.path === '' || f.path === 'text')} />
      <TextArea label="The entry, as JSON" path="entry" rows={18} value={text} onChange={setText} />
      <TextField label="What it rests on" path="note" faults={faults} value={note} onChange={setNote} maxLength={500} />
      <button className="press press-main" disabled={busy}>
        Check and keep it
      </button>
    </form>
  );
}
