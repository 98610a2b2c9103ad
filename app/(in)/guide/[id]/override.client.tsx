'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import { OFTEN_WORDS, type Often } from '@/core/diagnose/words';
import { FormIssues, SelectField, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { setLikelihood } from '../actions';

/** A company's own word on how often this condition shows a sign; a shipped update keeps it. */
export function OverrideForm({ condition, signs }: { condition: string; signs: { id: string; words: string }[] }) {
  const [form, setForm] = useState({ sign: signs[0]!.id, often: 'usual' as Often | 'unrelated', note: '' });
  const { busy, issues, send } = useSend(setLikelihood);
  const said = useNotify();
  return (
    <form
      noValidate
      className="no-print mt-6 border-t border-line pt-4"
      onSubmit={(e) => {
        e.preventDefault();
        send(
          {
            id: v7(),
            condition,
            sign: form.sign,
            often: form.often === 'unrelated' ? null : form.often,
            note: form.note,
          },
          () => {
            said({ sentence: 'Kept. The ranking uses it from now on.' });
            setForm((f) => ({ ...f, note: '' }));
          },
        );
      }}
    >
      <h2 className="mb-2">We know better</h2>
      <FormIssues issues={issues} known={['sign', 'note']} />
      <div className="grid gap-x-5 desk:grid-cols-[2fr_1fr]">
        <SelectField
          label="Sign"
          path="sign"
          issues={issues}
          value={form.sign}
          onChange={(sign) => setForm((f) => ({ ...f, sign }))}
          options={signs.map((s) => ({ value: s.id, name: s.words }))}
        />
        <SelectField
          label="How often here"
          path="often"
          issues={issues}
          value={form.often}
          onChange={(often) => setForm((f) => ({ ...f, often }))}
          options={[
            ...OFTEN_WORDS.map((w) => ({ value: w as Often | 'unrelated', name: w })),
            { value: 'unrelated', name: 'has nothing to do with it' },
          ]}
        />
      </div>
      <TextField
        label="From what we saw"
        path="note"
        issues={issues}
        value={form.note}
        onChange={(note) => setForm((f) => ({ ...f, note }))}
        maxLength={500}
      />
      <button className="press" disabled={busy}>
        Keep our word on it
      </button>
    </form>
  );
}
