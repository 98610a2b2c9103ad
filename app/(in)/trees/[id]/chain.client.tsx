'use client';

import { useState } from 'react';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { settleChange } from './inspect/actions';

/** The client's word on something found while digging: who agreed, and how. */
export function ChangeAnswer({ id }: { id: string }) {
  const [how, setHow] = useState('');
  const { busy, issues, send } = useSend(settleChange);
  const said = useNotify();
  const answer = (approved: boolean) =>
    send({ id, approved, how }, () =>
      said({ sentence: approved ? 'Approved by the client.' : 'Declined by the client.' }),
    );
  return (
    <div className="mt-2 max-w-xl">
      <FormIssues issues={issues} known={['how']} />
      <TextField
        label="Who answered, and how"
        path="how"
        issues={issues}
        value={how}
        onChange={setHow}
        maxLength={400}
      />
      <div className="flex gap-3">
        <button type="button" className="press" disabled={busy} onClick={() => answer(true)}>
          The client agrees
        </button>
        <button type="button" className="press" disabled={busy} onClick={() => answer(false)}>
          The client declines
        </button>
      </div>
    </div>
  );
}
