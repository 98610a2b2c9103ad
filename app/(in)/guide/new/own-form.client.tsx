'use client';

import type { Issue } from '@/lib/result';
import { useRouter } from 'next/navigation';
import type { ReactNode } from 'react';
import type { z } from 'zod';
import type { AddedKind, CUSTOM_SCHEMAS } from '@/core/custom/overlay';
import { monthName } from '@/lib/calendar/months';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useDraft, useMadeId, useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { saveCustomEntry } from '../actions';

/** Months of the northern year, as entries hold them. */
export const MONTHS = Array.from({ length: 12 }, (_, i) => ({ value: String(i + 1), name: monthName(i + 1) }));

export type Options = readonly { value: string; name: string }[];
/** The choices, and one that an entry from elsewhere holds beside them. */
export const withTyped = (choices: Options, value: string): Options =>
  choices.some((c) => c.value === value) ? choices : [...choices, { value, name: value }];

/** What every form of an own entry is given: under what its draft is kept, and the entry that is changed, if one is. */
export interface CustomFormOf<E> {
  /** Another for each version: a draft of the one before is never laid over what stands now. */
  draft: string;
  begin: E | null;
}

/**
 * What is typed of an own entry, kept on this device until it is sent to be checked and kept; its issues have the places of
 * the entry, after `text.`.
 * @param first the form before anybody has typed
 * @param changes whether an entry is changed that stands: its next version begins from what was kept
 */
export function useCustomForm<K extends AddedKind, F extends { note: string }>(
  kind: K,
  draft: string,
  first: F,
  changes: boolean,
) {
  const [form, setForm, forget] = useDraft(`own-${draft}`, first);
  const router = useRouter();
  const said = useNotify();
  const made = useMadeId(`own-${kind}`);
  const { busy, issues, send } = useSend(saveCustomEntry, made);
  const set = (more: Partial<F>) => setForm((f) => ({ ...f, ...more }));
  const keep = (data: z.input<(typeof CUSTOM_SCHEMAS)[K]>) =>
    send({ id: made.id, kind, text: JSON.stringify(data), note: form.note }, () => {
      made.renew();
      said({ sentence: 'Kept. It takes part from now on.' });
      if (changes) forget();
      else setForm(first);
      router.refresh();
    });
  const own = { busy, issues, note: form.note, onNote: (note: string) => setForm((f) => ({ ...f, note })) };
  return { form, set, issues, keep, own };
}

/** The form of an entry of one's own: its fields, what it rests on, and the press that has it checked. */
export function CustomForm({
  own: { busy, issues, note, onNote },
  known,
  onSave,
  children,
}: {
  own: { busy: boolean; issues: Issue[]; note: string; onNote: (note: string) => void };
  /** Places within the entry of issues that its fields tell themselves. */
  known: readonly string[];
  onSave: () => void;
  children: ReactNode;
}) {
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        onSave();
      }}
    >
      <FormIssues issues={issues} known={[...known.map((k) => `text.${k}`), 'note']} />
      {children}
      <TextField label="What it rests on" path="note" issues={issues} value={note} onChange={onNote} maxLength={500} />
      <button className="press press-main" disabled={busy}>
        Check and keep it
      </button>
    </form>
  );
}
