import { useState } from 'react';
import { v7 } from 'uuid';
import type { Weighed } from '@/core/prescribe/compare';
import { FormFaults, TextArea, TextField, TickTag } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { propose } from './actions';

/** Ways ticked, a word to the client, and an address to send: it opens without a sign-in, until it runs out or is taken back. */
export function Offer({ treeId, weighed }: { treeId: string; weighed: Weighed[] }) {
  const [keys, setKeys] = useState<string[]>([]);
  const [message, setMessage] = useState('');
  const [days, setDays] = useState('21');
  const [address, setAddress] = useState<string | null>(null);
  const { busy, faults, send } = useSend(propose);
  return (
    <details className="mt-4">
      <summary className="flex min-h-12 items-center font-bold">Offer these to the client</summary>
      <FormFaults faults={faults} known={['days', 'message']} />
      <div className="flex flex-wrap gap-2 pt-2">
        {weighed
          .filter((w) => !w.forbidden)
          .map((w) => (
            <TickTag
              key={w.key}
              checked={keys.includes(w.key)}
              onChange={(on) => setKeys(on ? [...keys, w.key] : keys.filter((k) => k !== w.key))}
            >
              {w.method}
              {w.name !== 'no product' && `, ${w.name}`}
            </TickTag>
          ))}
      </div>
      <div className="mt-3 grid gap-x-5 desk:grid-cols-[1fr_140px]">
        <TextArea
          label="A word to the client"
          path="message"
          faults={faults}
          rows={2}
          value={message}
          onChange={setMessage}
        />
        <TextField
          label="Open for, days"
          path="days"
          faults={faults}
          inputMode="numeric"
          maxLength={4}
          value={days}
          onChange={setDays}
        />
      </div>
      <button
        type="button"
        className="press"
        disabled={busy || keys.length === 0}
        onClick={() =>
          send({ id: v7(), treeId, keys, message, days }, ({ path }) => setAddress(`${window.location.origin}${path}`))
        }
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
    </details>
  );
}
