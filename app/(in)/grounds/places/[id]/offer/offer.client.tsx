'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { money, type Prices } from '@/core/cost/prices';
import { totalOf, type OfferLine } from '@/core/proposal/property';
import { FormFaults, TextArea, TextField, Tick } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { whenWords } from '@/app/share/[token]/lines';
import { offerProperty, revokeOffer } from '../../../actions';

/** What is planned on a property, ticked line by line, what it comes to, and an address for its client. */
export function OfferForm({ placeId, lines, prices }: { placeId: string; lines: OfferLine[]; prices: Prices }) {
  const router = useRouter();
  const [keys, setKeys] = useState(lines.map((l) => l.key));
  const [message, setMessage] = useState('');
  const [days, setDays] = useState('21');
  const [address, setAddress] = useState<string | null>(null);
  const { busy, faults, send } = useSend(offerProperty);
  const sum = totalOf({ lines, comingOut: prices.visit }, keys);
  const make = () =>
    send({ id: v7(), placeId, keys, message, days }, ({ path }) => {
      setAddress(`${window.location.origin}${path}`);
      router.refresh();
    });
  return (
    <div>
      <FormFaults faults={faults} known={['days', 'message']} />
      {lines.map((l) => (
        <Tick
          key={l.key}
          checked={keys.includes(l.key)}
          onChange={(on) => setKeys(on ? [...keys, l.key] : keys.filter((k) => k !== l.key))}
        >
          <span className="block">
            <b>{l.what}</b>
            {l.against && `, against ${l.against}`} <b className="figures">{money(l.price, prices)}</b>
            {l.maybe && ', only if a look finds it'}
          </span>
          <span className="block text-[0.9375rem] text-ink-2">
            {l.count === 1 ? 'Tree' : `${l.count} trees:`} {l.trees}; {whenWords(l.days)}
          </span>
        </Tick>
      ))}
      <p className="mt-4 figures" aria-live="polite">
        Work and material {money(sum.work, prices)}, coming out on {sum.days} {sum.days === 1 ? 'day' : 'days'}{' '}
        {money(sum.comingOut, prices)}: <b className="text-lead">{money(sum.total, prices)}</b>
        {sum.maybe > 0 && `; what waits for a look would be ${money(sum.maybe, prices)} more`}
      </p>
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
      <button type="button" className="press press-main phone:w-full" disabled={busy || !keys.length} onClick={make}>
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
    </div>
  );
}

/** Takes an offer back before it is answered. */
export function TakeBack({ id }: { id: string }) {
  const router = useRouter();
  const said = useSaid();
  const { busy, faults, send } = useSend(revokeOffer);
  return (
    <>
      <FormFaults faults={faults} known={[]} />
      <button
        type="button"
        className="press press-plain"
        disabled={busy}
        onClick={() =>
          send({ id }, () => {
            said({ sentence: 'Taken back: the address opens nothing any more.' });
            router.refresh();
          })
        }
      >
        Take it back
      </button>
    </>
  );
}
