'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { money } from '@/core/cost/prices';
import { totalOf, type OfferLine } from '@/core/proposal/property';
import { FormFaults, TextArea, TextField, Tick } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { answerShared } from './actions';
import { whenWords } from './lines';

/** One answer for a property: line by line, with what it comes to, coming out counted once a day. */
export function AnsweringProperty({
  token,
  currency,
  comingOut,
  lines,
}: {
  token: string;
  currency: string;
  comingOut: number;
  lines: Omit<OfferLine, 'covers'>[];
}) {
  const router = useRouter();
  const [taken, setTaken] = useState<string[]>(lines.map((l) => l.key));
  const [who, setWho] = useState('');
  const [word, setWord] = useState('');
  const { busy, faults, send } = useSend(answerShared);
  const cost = (minor: number) => money(minor, { currency });
  const sum = totalOf({ lines, comingOut }, taken);
  const answer = taken.length ? 'Send this answer' : 'Send: none of these';
  const press = busy ? 'Sending …' : answer;
  return (
    <form
      noValidate
      className="mt-6"
      onSubmit={(e) => {
        e.preventDefault();
        send({ token, options: taken, changes: [], who, word }, () => router.refresh());
      }}
    >
      <FormFaults faults={faults} known={['who', 'word']} />
      <fieldset className="mb-4">
        <legend className="font-semibold">What shall we do? Take away what you do not want.</legend>
        {lines.map((l) => (
          <Tick
            key={l.key}
            checked={taken.includes(l.key)}
            onChange={(on) => setTaken(on ? [...taken, l.key] : taken.filter((x) => x !== l.key))}
          >
            <span className="block">
              <b>{l.what}</b>
              {l.against && `, against ${l.against}`} <b className="figures">{cost(l.price)}</b>
              {l.maybe && ', only if a look finds it'}
            </span>
            <span className="block text-[0.9375rem] text-ink-2">
              {l.count === 1 ? 'Tree' : `${l.count} trees:`} {l.trees}; {whenWords(l.days)}
            </span>
          </Tick>
        ))}
      </fieldset>
      <dl className="mb-5 border-y border-line py-2" aria-live="polite">
        {[
          ['Work and material', cost(sum.work)],
          [`Coming out, ${sum.days} ${sum.days === 1 ? 'day' : 'days'}`, cost(sum.comingOut)],
          ['Together', cost(sum.total)],
          ...(sum.maybe ? [['What waits for a look, if it comes', cost(sum.maybe)]] : []),
        ].map(([name, value]) => (
          <div key={name} className="flex justify-between gap-4 py-1">
            <dt className={name === 'Together' ? 'font-bold' : 'text-ink-2'}>{name}</dt>
            <dd className="figures font-bold">{value}</dd>
          </div>
        ))}
      </dl>
      <TextField
        label="Your name"
        path="who"
        faults={faults}
        maxLength={120}
        autoComplete="name"
        value={who}
        onChange={setWho}
      />
      <TextArea label="Anything to add" path="word" faults={faults} rows={2} value={word} onChange={setWord} />
      <button className="press press-main min-w-56" disabled={busy}>
        {press}
      </button>
    </form>
  );
}
