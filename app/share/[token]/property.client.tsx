'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { money } from '@/core/cost/prices';
import { totalOf, type QuoteLine } from '@/core/quotes/property';
import { FormIssues } from '@/ui/controls/controls';
import { NOBODY, WhoFields } from '../who.client';
import { useSend } from '@/ui/controls/use.client';
import { answerShared } from './actions';
import { LineTicks } from './lines';

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
  lines: Omit<QuoteLine, 'covers'>[];
}) {
  const router = useRouter();
  const [taken, setTaken] = useState<string[]>(lines.map((l) => l.key));
  const [says, setSays] = useState(NOBODY);
  const { busy, issues, send } = useSend(answerShared);
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
        send({ token, options: taken, changes: [], who: says.who, word: says.said }, () => router.refresh());
      }}
    >
      <FormIssues issues={issues} known={['who', 'word']} />
      <fieldset className="mb-4">
        <legend className="font-semibold">What shall we do? Take away what you do not want.</legend>
        <LineTicks lines={lines} currency={currency} keys={taken} onKeys={setTaken} />
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
      <WhoFields value={says} onChange={setSays} issues={issues} path="word" />
      <button className="press press-main min-w-56" disabled={busy}>
        {press}
      </button>
    </form>
  );
}
