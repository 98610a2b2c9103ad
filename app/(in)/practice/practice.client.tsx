'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { inWords } from '@/core/diagnose/sureness';
import { DECISIONS, PARTS_OF_TREE, type Decision } from '@/core/diagnose/words';
import type { Level, PracticeCase, Score } from '@/core/practice/round';
import { Choices, FormIssues, SelectField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { finishPractice } from './actions';

interface Props {
  seed: number;
  level: Level;
  own: string | null;
  host: string;
  month: string;
  drawn: PracticeCase;
  names: Record<string, string>;
}

/** A round: ask for looks at their price in minutes and wounds, name it, decide; then the score and the engine's way. */
export function PracticeBench({ seed, level, own, host, month, drawn, names }: Props) {
  const router = useRouter();
  const [id] = useState(() => v7());
  const [asked, setAsked] = useState<string[]>([]);
  const [place, setPlace] = useState<string>('ground');
  const [condition, setCondition] = useState('');
  const [decision, setDecision] = useState<Decision | null>(null);
  const [score, setScore] = useState<Score | null>(null);
  const { busy, issues, send } = useSend(finishPractice);
  const of = drawn.model.observables;
  const key = (o: (typeof of)[number]) => `${o.kind}:${o.id}`;
  const looks = asked.map((k) => of.find((o) => key(o) === k)!);
  const minutes = looks.reduce((s, o) => s + o.minutes, 0);
  const wounds = looks.reduce((s, o) => s + o.wounds, 0);
  const called = of.find((o) => o.kind === 'sign' && o.id === drawn.complaint);
  const told = (o: (typeof of)[number]) => {
    const shown = drawn.shows[key(o)];
    if (!shown) return 'nobody wrote it down';
    if (o.kind === 'test') return o.outcomes.find((x) => x.id === shown.outcome)?.words ?? shown.outcome;
    return shown.outcome === 'seen' ? `there, ${shown.grade} of 4` : 'not there';
  };
  const places = [...PARTS_OF_TREE.filter((p) => of.some((o) => o.place === p)), 'tests'];
  const open = of.filter(
    (o) => (place === 'tests' ? o.kind === 'test' : o.place === place) && !asked.includes(key(o)) && o !== called,
  );

  if (score)
    return (
      <section aria-label="How it went">
        <h1>
          <span className="figures text-pour leading-none">{score.points}</span> of 100
        </h1>
        <dl className="mt-2">
          {score.parts.map((p) => (
            <div key={p.name} className="row grid grid-cols-[110px_80px_1fr] gap-3 py-2">
              <dt className="font-bold">{p.name}</dt>
              <dd className="figures">
                {p.points} of {p.most}
              </dd>
              <dd>{p.why}</dd>
            </div>
          ))}
        </dl>
        <h2 className="mt-6">The engine’s way</h2>
        <p className="text-ink-2">
          {called ? `Called for: ${called.words.toLowerCase()}. ` : ''}
          {score.path.length === 0 && 'It would have named it at once.'}
        </p>
        <ol>
          {score.path.map((s, i) => (
            <li key={i} className="row grid grid-cols-[28px_1fr_200px] gap-3 py-2 phone:grid-cols-[28px_1fr]">
              <b className="figures">{i + 1}</b>
              <span>
                {s.words} <b>{s.outcome}</b>
              </span>
              <span className="text-[0.9375rem] phone:col-start-2">
                {s.leader}, {inWords(s.p)}
              </span>
            </li>
          ))}
        </ol>
        <button
          type="button"
          className="press press-main mt-5"
          onClick={() => router.push(`/practice?level=${level}&seed=${seed + 17}`)}
        >
          Another case
        </button>
      </section>
    );

  return (
    <div>
      <h1>
        {host}, {month}: what is it?
      </h1>
      <p className="mt-1 text-lead">
        {called
          ? `You were called because of this: ${called.words.toLowerCase()}.`
          : 'The owner only wants to know that it is well.'}
      </p>
      <p className="figures mt-2 text-lead">
        <b>{minutes.toFixed(1)}</b> min spent, <b>{wounds}</b> {wounds === 1 ? 'wound' : 'wounds'}
      </p>
      <div className="mt-4 grid gap-x-8 desk:grid-cols-2">
        <section aria-label="Ask for a look">
          <h2>Ask for a look</h2>
          <nav aria-label="Places" className="my-2 flex flex-wrap">
            {places.map((p) => (
              <button
                key={p}
                type="button"
                aria-pressed={p === place}
                onClick={() => setPlace(p)}
                className={`-mr-px -mb-px min-h-dense border border-ink-2 px-3 text-small capitalize ${p === place ? 'bg-ink font-bold text-sheet' : ''}`}
              >
                {p}
              </button>
            ))}
          </nav>
          <ul className="max-h-[46vh] overflow-y-auto" tabIndex={0} aria-label="Looks to ask for">
            {open.map((o) => (
              <li key={key(o)} className="row">
                <button
                  type="button"
                  className="flex min-h-hand w-full items-center justify-between gap-3 text-left hover:underline"
                  onClick={() => setAsked((a) => [...a, key(o)])}
                >
                  <span>{o.words}</span>
                  <span className="figures text-small whitespace-nowrap text-ink-2">
                    {o.minutes < 1 ? '< 1' : Math.round(o.minutes)} min
                    {o.wounds > 0 && `, ${o.wounds} wound${o.wounds > 1 ? 's' : ''}`}
                  </span>
                </button>
              </li>
            ))}
          </ul>
        </section>
        <section aria-label="What you found" aria-live="polite">
          <h2>What you found</h2>
          {asked.length === 0 && (
            <p className="py-2 text-ink-2">Nothing yet. Ask at the left; each look costs its minutes.</p>
          )}
          <ul>
            {[...looks].reverse().map((o) => (
              <li key={key(o)} className="row flex justify-between gap-4 py-2">
                <span>{o.words}</span> <b className="text-right">{told(o)}</b>
              </li>
            ))}
          </ul>
        </section>
      </div>
      <form
        noValidate
        className="mt-6 border-t-2 border-bark pt-4"
        onSubmit={(e) => {
          e.preventDefault();
          send({ id, seed, level, own, asked, condition, decision: decision as Decision }, setScore);
        }}
      >
        <h2 className="mb-2">Name it, and decide</h2>
        <FormIssues issues={issues} known={['condition', 'decision']} />
        <SelectField
          label="It is"
          path="condition"
          issues={issues}
          value={condition}
          onChange={setCondition}
          options={[
            { value: '', name: '–' },
            ...Object.entries(names)
              .map(([value, name]) => ({ value, name }))
              .sort((a, b) => a.name.localeCompare(b.name)),
          ]}
        />
        <Choices
          label="Decision"
          path="decision"
          issues={issues}
          value={decision}
          onChange={setDecision}
          options={DECISIONS.map((d) => ({ value: d, name: d }))}
        />
        <button data-confirm className="press press-main min-w-64" disabled={busy}>
          {busy ? 'Scoring …' : 'That is my answer'}
        </button>
      </form>
    </div>
  );
}
