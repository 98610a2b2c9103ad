'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Choices, FormFaults, TextArea, TextField, Tick } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { answerShared } from './actions';

const NONE = 'none of these';

/** One answer: a way or none, what was found while digging, a name. */
export function Answering({
  token,
  options,
  changes,
}: {
  token: string;
  options: { value: string; name: string }[];
  changes: { id: string; what: string; price: string }[];
}) {
  const router = useRouter();
  const [option, setOption] = useState<string | null>(null);
  const [agreed, setAgreed] = useState<string[]>([]);
  const [who, setWho] = useState('');
  const [word, setWord] = useState('');
  const { busy, faults, send } = useSend(answerShared);
  return (
    <form
      noValidate
      className="mt-6"
      onSubmit={(e) => {
        e.preventDefault();
        send({ token, option: option === NONE ? null : option, changes: agreed, who, word }, () => router.refresh());
      }}
    >
      <FormFaults faults={faults} known={['who', 'word']} />
      <Choices
        label="Which shall we do?"
        value={option}
        onChange={setOption}
        options={[
          ...options.map((o, i) => ({ value: o.value, name: `${i + 1}. ${o.name}` })),
          { value: NONE, name: NONE },
        ]}
      />
      {changes.length > 0 && (
        <fieldset className="mb-4">
          <legend className="font-semibold">Found while digging: do you agree?</legend>
          {changes.map((c) => (
            <Tick
              key={c.id}
              checked={agreed.includes(c.id)}
              onChange={(on) => setAgreed(on ? [...agreed, c.id] : agreed.filter((x) => x !== c.id))}
            >
              {c.what} <b className="figures">{c.price}</b>
            </Tick>
          ))}
        </fieldset>
      )}
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
      <button className="press press-main min-w-56" disabled={busy || option === null}>
        {busy ? 'Sending …' : 'Send this answer'}
      </button>
    </form>
  );
}
