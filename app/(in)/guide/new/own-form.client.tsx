'use client';

import type { ReactNode } from 'react';
import { monthName } from '@/core/season/months';
import { FormFaults, TextField } from '@/ui/controls/controls';
import type { useKeepOwn } from './keep.client';

/** Months of the northern year, as entries hold them. */
export const MONTHS = Array.from({ length: 12 }, (_, i) => ({ value: String(i + 1), name: monthName(i + 1) }));

/** The form of an entry of one's own: its fields, what it rests on, and the press that has it checked. */
export function OwnForm({
  own: { busy, faults },
  known = [],
  note,
  onNote,
  onKeep,
  children,
}: {
  own: Pick<ReturnType<typeof useKeepOwn>, 'busy' | 'faults'>;
  /** Places of faults that its fields tell themselves. */
  known?: string[];
  note: string;
  onNote: (note: string) => void;
  onKeep: () => void;
  children: ReactNode;
}) {
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        onKeep();
      }}
    >
      <FormFaults faults={faults} known={[...known, 'note']} />
      {children}
      <TextField label="What it rests on" path="note" faults={faults} value={note} onChange={onNote} maxLength={500} />
      <button className="press press-main" disabled={busy}>
        Check and keep it
      </button>
    </form>
  );
}
