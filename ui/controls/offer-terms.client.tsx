'use client';

import type { Issue } from '@/lib/result';
import { useState } from 'react';
import { TextArea, TextField } from './controls';

/** What every offer says beside what it offers: a word to the client, and for how long it is open. */
export interface QuoteTerms {
  message: string;
  days: string;
}

/** The terms of an offer, its press, and its address once it is made: it is shown only then. */
export function QuoteTermsForm({
  issues,
  busy,
  ready,
  className = 'press',
  onMake,
}: {
  issues: Issue[];
  busy: boolean;
  /** Something is chosen to offer. */
  ready: boolean;
  className?: string;
  onMake: (terms: QuoteTerms, made: (path: string) => void) => void;
}) {
  const [terms, setTerms] = useState<QuoteTerms>({ message: '', days: '21' });
  const [address, setAddress] = useState<string | null>(null);
  return (
    <>
      <div className="mt-3 grid gap-x-5 desk:grid-cols-[1fr_140px]">
        <TextArea
          label="A word to the client"
          path="message"
          issues={issues}
          rows={2}
          value={terms.message}
          onChange={(message) => setTerms({ ...terms, message })}
        />
        <TextField
          label="Open for, days"
          path="days"
          issues={issues}
          inputMode="numeric"
          maxLength={4}
          value={terms.days}
          onChange={(days) => setTerms({ ...terms, days })}
        />
      </div>
      <button
        type="button"
        className={className}
        disabled={busy || !ready}
        onClick={() => onMake(terms, (path) => setAddress(`${window.location.origin}${path}`))}
      >
        {busy ? 'One moment …' : 'Make the offer'}
      </button>
      {address && (
        <p className="mt-3">
          Send this address; it is shown only now:{' '}
          <a className="font-bold break-all underline" href={address} data-offer>
            {address}
          </a>
        </p>
      )}
    </>
  );
}
