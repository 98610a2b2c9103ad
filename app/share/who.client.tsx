'use client';

import type { Issue } from '@/lib/result';
import { TextArea, TextField } from '@/ui/controls/controls';

/** Who answers, and what they add: the same on every page that a client opens. */
export interface WhoSays {
  who: string;
  said: string;
}
export const NOBODY: WhoSays = { who: '', said: '' };

/** @param path the place of the added word among the issues */
export function WhoFields({
  value,
  onChange,
  issues,
  path,
}: {
  value: WhoSays;
  onChange: (next: WhoSays) => void;
  issues: Issue[];
  path: 'word' | 'said';
}) {
  return (
    <>
      <TextField
        label="Your name"
        path="who"
        issues={issues}
        maxLength={120}
        autoComplete="name"
        value={value.who}
        onChange={(who) => onChange({ ...value, who })}
      />
      <TextArea
        label="Anything to add"
        path={path}
        issues={issues}
        rows={2}
        value={value.said}
        onChange={(said) => onChange({ ...value, said })}
      />
    </>
  );
}
