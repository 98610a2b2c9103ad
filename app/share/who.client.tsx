'use client';

import { TextArea, TextField } from '@/ui/controls/controls';
import type { FormFault } from '@/ui/controls/controls';

/** Who answers, and what they add: the same on every page that a client opens. */
export interface WhoSays {
  who: string;
  said: string;
}
export const NOBODY: WhoSays = { who: '', said: '' };

/** @param path the place of the added word among the faults */
export function WhoFields({
  value,
  onChange,
  faults,
  path,
}: {
  value: WhoSays;
  onChange: (next: WhoSays) => void;
  faults: FormFault[];
  path: 'word' | 'said';
}) {
  return (
    <>
      <TextField
        label="Your name"
        path="who"
        faults={faults}
        maxLength={120}
        autoComplete="name"
        value={value.who}
        onChange={(who) => onChange({ ...value, who })}
      />
      <TextArea
        label="Anything to add"
        path={path}
        faults={faults}
        rows={2}
        value={value.said}
        onChange={(said) => onChange({ ...value, said })}
      />
    </>
  );
}
