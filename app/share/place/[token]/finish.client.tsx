'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormFaults, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { finishShared } from './actions';

/** The client's own “done”: a name, a word if they like. */
export function FinishTask({ token, id, what }: { token: string; id: string; what: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [who, setWho] = useState('');
  const [said, setSaid] = useState('');
  const { busy, faults, send } = useSend(finishShared);
  if (!open)
    return (
      <button type="button" className="press mt-2" aria-label={`It is done: ${what}`} onClick={() => setOpen(true)}>
        It is done
      </button>
    );
  return (
    <form
      noValidate
      className="mt-2"
      onSubmit={(e) => {
        e.preventDefault();
        send({ token, id, who, said }, () => router.refresh());
      }}
    >
      <FormFaults faults={faults} known={['who', 'said']} />
      <TextField
        label="Your name"
        path="who"
        faults={faults}
        maxLength={120}
        autoComplete="name"
        value={who}
        onChange={setWho}
      />
      <TextField label="Anything to add" path="said" faults={faults} maxLength={1000} value={said} onChange={setSaid} />
      <button className="press press-main" disabled={busy}>
        {busy ? 'Sending …' : 'Say that it is done'}
      </button>
    </form>
  );
}
