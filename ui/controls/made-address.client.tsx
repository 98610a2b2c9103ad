'use client';

import type { Issue } from '@/lib/result';
import { useState } from 'react';
import { FormIssues, TextField } from './controls';
import { useSend } from './use.client';

type Made = { ok: true; value: { path: string } } | { ok: false; issues: Issue[] };

/** Makes a secret address when it is pressed, and shows it once, to be copied. */
export function MadeAddress<I>({
  label,
  press,
  className = 'press',
  input,
  action,
}: {
  label: string;
  press: string;
  className?: string;
  input: I;
  action: (input: I) => Promise<Made>;
}) {
  const { busy, issues, send } = useSend(action);
  const [address, setAddress] = useState('');
  return (
    <>
      {address ? (
        <TextField
          label={label}
          path="address"
          readOnly
          value={address}
          onChange={() => {}}
          onFocus={(e) => e.currentTarget.select()}
        />
      ) : (
        <button
          type="button"
          className={className}
          disabled={busy}
          onClick={() => send(input, ({ path }) => setAddress(window.location.origin + path))}
        >
          {press}
        </button>
      )}
      <FormIssues issues={issues} />
    </>
  );
}
