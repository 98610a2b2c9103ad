'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { setNewPassword } from './actions';

export function NewPassword({ token, name }: { token: string; name: string }) {
  const [password, setPassword] = useState('');
  const { busy, issues, send } = useSend(setNewPassword);
  const router = useRouter();
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ token, password }, () => router.replace('/sign-in'));
      }}
    >
      <FormIssues issues={issues} known={['password']} />
      <TextField
        label={`New password for ${name}`}
        path="password"
        issues={issues}
        hint="At least ten signs; four words that do not belong together serve well."
        type="password"
        autoComplete="new-password"
        maxLength={200}
        value={password}
        onChange={setPassword}
      />
      <button className="press press-main w-full" disabled={busy}>
        Set it
      </button>
    </form>
  );
}
