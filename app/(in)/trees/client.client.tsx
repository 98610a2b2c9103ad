'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { saveClient } from './actions';

export function NewClient() {
  const [form, setForm] = useState({ name: '', contact: '' });
  const { busy, issues, send } = useSend(saveClient);
  const said = useNotify();
  return (
    <form
      className="mt-4"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: v7(), ...form }, () => {
          said({ sentence: `${form.name} is a client now.` });
          setForm({ name: '', contact: '' });
        });
      }}
    >
      <FormIssues issues={issues} known={['name', 'contact']} />
      <TextField
        label="New client"
        path="name"
        issues={issues}
        maxLength={120}
        value={form.name}
        onChange={(name) => setForm((f) => ({ ...f, name }))}
      />
      <TextField
        label="How to reach them"
        path="contact"
        issues={issues}
        maxLength={400}
        value={form.contact}
        onChange={(contact) => setForm((f) => ({ ...f, contact }))}
      />
      <button className="press w-full" disabled={busy}>
        Add this client
      </button>
    </form>
  );
}
