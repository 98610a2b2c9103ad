'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { money } from '@/core/cost/prices';
import { FormIssues, Checkbox } from '@/ui/controls/controls';
import { NOBODY, WhoFields } from '../who.client';
import { useSend } from '@/ui/controls/use.client';
import { answerShared } from './actions';

/** One answer: the ways wanted or none of them, what was found while digging, a name. */
export function Answering({
  token,
  currency,
  options,
  changes,
}: {
  token: string;
  currency: string;
  options: { value: string; name: string; now: number }[];
  changes: { id: string; what: string; price: string }[];
}) {
  const router = useRouter();
  const [taken, setTaken] = useState<string[]>([]);
  const [none, setNone] = useState(false);
  const [agreed, setAgreed] = useState<string[]>([]);
  const [says, setSays] = useState(NOBODY);
  const { busy, issues, send } = useSend(answerShared);
  return (
    <form
      noValidate
      className="mt-6"
      onSubmit={(e) => {
        e.preventDefault();
        send({ token, options: taken, changes: agreed, who: says.who, word: says.said }, () => router.refresh());
      }}
    >
      <FormIssues issues={issues} known={['who', 'word']} />
      <fieldset className="mb-4">
        <legend className="font-semibold">Which shall we do? They can be done together.</legend>
        {options.map((o, i) => (
          <Checkbox
            key={o.value}
            checked={taken.includes(o.value)}
            onChange={(on) => {
              setTaken(on ? [...taken, o.value] : taken.filter((x) => x !== o.value));
              setNone(false);
            }}
          >
            {i + 1}. {o.name} <b className="figures">{money(o.now, { currency })}</b>
          </Checkbox>
        ))}
        <Checkbox
          checked={none}
          onChange={(on) => {
            setNone(on);
            if (on) setTaken([]);
          }}
        >
          none of these
        </Checkbox>
        {taken.length > 1 && (
          <p className="mt-2">
            Together now:{' '}
            <b className="figures">
              {money(
                options.reduce((a, o) => a + (taken.includes(o.value) ? o.now : 0), 0),
                { currency },
              )}
            </b>
          </p>
        )}
      </fieldset>
      {changes.length > 0 && (
        <fieldset className="mb-4">
          <legend className="font-semibold">Found while digging: do you agree?</legend>
          {changes.map((c) => (
            <Checkbox
              key={c.id}
              checked={agreed.includes(c.id)}
              onChange={(on) => setAgreed(on ? [...agreed, c.id] : agreed.filter((x) => x !== c.id))}
            >
              {c.what} <b className="figures">{c.price}</b>
            </Checkbox>
          ))}
        </fieldset>
      )}
      <WhoFields value={says} onChange={setSays} issues={issues} path="word" />
      <button className="press press-main min-w-56" disabled={busy || (!taken.length && !none)}>
        {busy ? 'Sending …' : 'Send this answer'}
      </button>
    </form>
  );
}
