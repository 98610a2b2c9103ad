import { useState } from 'react';
import { v7 } from 'uuid';
import type { Weighed } from '@/core/prescribe/compare';
import { FormIssues, CheckboxTag } from '@/ui/controls/controls';
import { QuoteTermsForm } from '@/ui/controls/offer-terms.client';
import { useSend } from '@/ui/controls/use.client';
import { sendQuote } from './actions';

/** Ways ticked, a word to the client, and an address to send: it opens without a sign-in, until it runs out or is taken back. */
export function Quoted({ treeId, weighed }: { treeId: string; weighed: Weighed[] }) {
  const [keys, setKeys] = useState<string[]>([]);
  const { busy, issues, send } = useSend(sendQuote);
  return (
    <details className="mt-4">
      <summary className="min-h-hand py-3 font-bold">Offer these to the client</summary>
      <FormIssues issues={issues} known={['days', 'message']} />
      <div className="flex flex-wrap gap-2 pt-2">
        {weighed
          .filter((w) => !w.forbidden)
          .map((w) => (
            <CheckboxTag
              key={w.key}
              checked={keys.includes(w.key)}
              onChange={(on) => setKeys(on ? [...keys, w.key] : keys.filter((k) => k !== w.key))}
            >
              {w.method}
              {w.name !== 'no product' && `, ${w.name}`}
            </CheckboxTag>
          ))}
      </div>
      <QuoteTermsForm
        issues={issues}
        busy={busy}
        ready={keys.length > 0}
        onMake={(terms, made) => send({ id: v7(), treeId, keys, ...terms }, ({ path }) => made(path))}
      />
    </details>
  );
}
