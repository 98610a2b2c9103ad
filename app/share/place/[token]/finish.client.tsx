'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormIssues } from '@/ui/controls/controls';
import { NOBODY, WhoFields } from '../../who.client';
import { useSend } from '@/ui/controls/use.client';
import { finishShared } from './actions';

/** The client's own “done”: a name, a word if they like. */
export function FinishTask({ token, id, what }: { token: string; id: string; what: string }) {
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const [says, setSays] = useState(NOBODY);
  const { busy, issues, send } = useSend(finishShared);
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
        send({ token, id, ...says }, () => router.refresh());
      }}
    >
      <FormIssues issues={issues} known={['who', 'said']} />
      <WhoFields value={says} onChange={setSays} issues={issues} path="said" />
      <button className="press press-main" disabled={busy}>
        {busy ? 'Sending …' : 'Say that it is done'}
      </button>
    </form>
  );
}
