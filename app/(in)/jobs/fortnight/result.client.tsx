'use client';

import Link from 'next/link';
import type { Placed, Problem } from '@/core/schedule/problem';
import { gapOf, type Answer, type Change } from '@/core/schedule/solve';
import { limitWords, minuteWords } from '@/core/schedule/words';
import { Section } from '@/ui/frame/pieces';
import { shortDay } from '@/ui/words';
import { namesOf, type Told } from './told';

/** How much is done, in how many rounds. */
export function headline({ rounds, left }: Answer): string {
  const jobs = rounds.reduce((sum, r) => sum + r.stops.reduce((a, s) => a + s.jobIds.length, 0), 0);
  if (!jobs && !left.length) return 'Nothing waits for a crew';
  const out = left.length ? `, ${left.length} left out` : '';
  return `${jobs} ${jobs === 1 ? 'job' : 'jobs'} in ${rounds.length} ${rounds.length === 1 ? 'round' : 'rounds'}${out}`;
}

/** What the plan costs, how far from a proven bound it is, and which hours bind. */
export function HowGood({
  answer,
  share,
  looking,
  told,
}: {
  answer: Answer | null;
  share: number;
  looking: boolean;
  told: Told;
}) {
  const gap = answer && gapOf(answer);
  return (
    <div className="mt-2" aria-live="polite">
      {looking && (
        <p className="figures text-ink-2">
          Looking on, {Math.round(share * 100)} %
          <progress
            className="ml-3 align-middle accent-cambium-deep"
            max={1}
            value={share}
            aria-label="Time spent looking"
          />
        </p>
      )}
      {answer && gap !== null && answer.rounds.length > 0 && (
        <p>
          Crews are out for <b className="figures">{minuteWords(answer.cost.out)}</b>,{' '}
          {minuteWords(answer.cost.driving)} of it on the road. With what is late, off its day or left out weighed in,
          no plan is more than <b className="figures">{Math.ceil(gap * 100)} %</b> better: that is proven.
        </p>
      )}
      {answer && answer.full.length > 0 && (
        <p className="text-[0.9375rem] text-ink-2">
          Full:{' '}
          {answer.full
            .map(
              (f) =>
                `${told.crews[f.crewId]} on ${shortDay(f.day)} (an hour more would save ${minuteWords(f.hourSaves)})`,
            )
            .join('; ')}
          .
        </p>
      )}
    </div>
  );
}

/** What moves, and whom to tell. */
export function Changes({
  changes,
  problem,
  told,
  kept,
}: {
  changes: readonly Change[];
  problem: Problem;
  told: Told;
  /** Against the rounds that are kept; else against what stood on the screen. */
  kept: boolean;
}) {
  const where = (p: Placed | null) => (p ? `${shortDay(p.day)}, ${told.crews[p.crewId]}` : 'left out');
  const job = (id: string) => problem.jobs.find((j) => j.id === id)!;
  const clients = [...new Set(changes.filter((c) => c.told).map((c) => told.places[job(c.jobId).siteId]!.client))];
  return (
    <Section
      title={`${changes.length} ${changes.length === 1 ? 'job moves' : 'jobs move'}`}
      aside={kept ? 'against the rounds that are kept' : 'against what stood here'}
    >
      {clients.length > 0 && <p className="font-semibold">Tell {clients.join(', ')}: they were told another day.</p>}
      <ul className="text-[0.9375rem]">
        {changes.slice(0, 12).map((c) => (
          <li key={c.jobId} className="row py-1.5">
            <b>{told.places[job(c.jobId).siteId]!.name}</b>: {told.jobs[c.jobId]!.title}, {told.jobs[c.jobId]!.tags}.{' '}
            <span className="figures">
              {where(c.from)} → {where(c.to)}
            </span>
          </li>
        ))}
      </ul>
      {changes.length > 12 && <p className="text-ink-2">and {changes.length - 12} more</p>}
    </Section>
  );
}

/** What has no day, and what keeps it from each. */
export function LeftOut({
  answer,
  told,
  open,
  setOpen,
  panel,
}: {
  answer: Answer;
  told: Told;
  open: string | null;
  setOpen: (id: string | null) => void;
  panel: React.ReactNode;
}) {
  if (!answer.left.length) return null;
  const names = namesOf(told);
  return (
    <Section title="Left out" aside="no day was found for these">
      <ul>
        {answer.left.map(({ jobId, why }) => (
          <li key={jobId} className="row py-2">
            <button
              className="press press-plain"
              aria-expanded={open === jobId}
              onClick={() => setOpen(open === jobId ? null : jobId)}
            >
              {told.jobs[jobId]!.title}, {told.jobs[jobId]!.tags}
            </button>{' '}
            <Link href={told.jobs[jobId]!.href} className="no-print">
              its sheet
            </Link>
            <ul className="text-[0.9375rem] text-ink-2">
              {why.slice(0, 3).map((w) => (
                <li key={JSON.stringify(w.limit)}>
                  {limitWords(w.limit, names)} ({w.days} {w.days === 1 ? 'day' : 'days'} of a crew)
                </li>
              ))}
            </ul>
            {open === jobId && panel}
          </li>
        ))}
      </ul>
    </Section>
  );
}
