'use client';

import type { NextInspection } from '@/core/diagnose/next-look';
import { inWords } from '@/core/diagnose/sureness';

const WOUND = ['leaves no mark', 'one twig or scratch', 'opens the bark or a root'] as const;

/** The look that would tell most for its minute, with what each answer would do; one touch answers it. */
const SIGN_WORDS: Readonly<Record<string, string>> = { seen: 'There' };
/** What an outcome is called on its button: a sign is there or not, a test says what came out. */
const outcomeWords = (look: { kind: string }, outcome: { id: string; words: string }): string =>
  look.kind === 'sign' ? (SIGN_WORDS[outcome.id] ?? 'Not there') : outcome.words;

export function NextInspectionCard({
  look,
  others,
  nameOf,
  onAnswer,
  onSkip,
}: {
  look: NextInspection | undefined;
  others: NextInspection[];
  nameOf: (id: string) => string;
  onAnswer: (look: NextInspection, outcome: string) => void;
  onSkip: (look: NextInspection) => void;
}) {
  if (!look)
    return (
      <section aria-label="Next look" className="border border-ink p-4">
        <p className="font-bold">No look would tell much more now.</p>
        <p className="text-[0.9375rem] text-ink-2">Keep this look, and decide; or come back in another season.</p>
      </section>
    );
  const minutes = look.minutes < 1 ? 'under a minute' : `${Math.round(look.minutes)} min`;
  return (
    <section aria-label="Next look" className="border border-ink px-4 py-2.5">
      <p className="text-small font-semibold text-ink-2">
        Next look, {minutes}, {look.laboratory ? 'laboratory' : WOUND[look.wounds]}
      </p>
      <div className="flex flex-wrap items-center justify-between gap-3">
        <p className="flex-1 basis-64 text-lead leading-snug font-bold">
          {look.words}
          {look.kind === 'sign' ? '?' : ''}
        </p>
        <div className="flex flex-wrap gap-2">
          {look.outcomes.map((o, i) => (
            <button
              key={o.id}
              type="button"
              {...(i < 9 ? { 'data-answer': i + 1 } : {})}
              className="press bg-cambium text-on-cambium"
              onClick={() => onAnswer(look, o.id)}
            >
              {outcomeWords(look, o)}
            </button>
          ))}
        </div>
      </div>
      <p className="mt-2 text-small">
        {look.outcomes
          .filter((o) => o.chance > 0.04)
          .map((o) => `${outcomeWords(look, o)}: ${nameOf(o.leader)}, ${inWords(o.p)}`)
          .join('. ')}
        .
      </p>
      <p className="mt-1 flex flex-wrap items-baseline gap-x-3 text-small text-ink-2">
        <button
          type="button"
          className="min-h-hand font-semibold underline underline-offset-3"
          onClick={() => onSkip(look)}
        >
          Cannot look now
        </button>
        {others.length > 0 && (
          <span>
            After it:{' '}
            {others
              .map((o) => o.words.split('. ').at(-1)!.replace(/\?$/, ''))
              .slice(0, 2)
              .join(' · ')}
          </span>
        )}
      </p>
    </section>
  );
}
