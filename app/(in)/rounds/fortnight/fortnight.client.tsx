'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Placed, Problem } from '@/core/schedule/problem';
import {
  changesBetween,
  gapOf,
  inForce,
  placedIn,
  rainsUntil,
  withoutCrew,
  type Answer,
  type Change,
} from '@/core/schedule/solve';
import { limitWords, minuteWords } from '@/core/schedule/words';
import { FormFaults, SelectField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useWorked } from '@/ui/controls/worker.client';
import { Section } from '@/ui/frame/pieces';
import { useSaid } from '@/ui/frame/undo.client';
import { longDay, shortDay } from '@/ui/words';
import { keepRounds, tellClient } from '../actions';
import { Days } from './days.client';
import { JobPanel } from './job.client';
import { lookBriefly, type Found, type SearchAsked } from './found';
import { namesOf, type Told } from './told';

/** How long is looked for a plan, and for another one when something turns. */
const FIRST_MS = 12_000;
const AGAIN_MS = 6_000;

type WhatIf =
  { kind: 'as it is' } | { kind: 'rain'; until: string } | { kind: 'away'; crewId: string; from: string; to: string };

const worker = () => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' });
const here = async () => lookBriefly;

/** The fortnight as somebody has changed it: put by hand, under another weather, without a crew. */
function changed(
  problem: Problem,
  byHand: ReadonlyMap<string, Placed | null>,
  whatIf: WhatIf,
  base: Answer['rounds'] | null,
) {
  const from = base ? inForce(problem, { rounds: base }) : problem;
  const jobs = from.jobs.map((j) => {
    const put = byHand.get(j.id);
    return put === undefined ? j : { ...j, now: put ?? j.now, locked: put !== null };
  });
  const own = { ...from, jobs };
  if (whatIf.kind === 'rain') return rainsUntil(own, whatIf.until);
  if (whatIf.kind === 'away') return withoutCrew(own, whatIf.crewId, whatIf.from, whatIf.to);
  return own;
}

/** Finds days and crews for what waits, lets a hand move them, and keeps them. */
export function PlanFortnight({
  problem,
  standing,
  told,
  may,
}: {
  problem: Problem;
  standing: Answer['rounds'];
  told: Told;
  may: boolean;
}) {
  const router = useRouter();
  const said = useSaid();
  const [byHand, setByHand] = useState<ReadonlyMap<string, Placed | null>>(new Map());
  const [whatIf, setWhatIf] = useState<WhatIf>({ kind: 'as it is' });
  const [base, setBase] = useState<Answer['rounds'] | null>(null);
  const [open, setOpen] = useState<string | null>(null);
  const asked = useMemo<SearchAsked>(
    () => ({ problem: changed(problem, byHand, whatIf, base), ms: base ? AGAIN_MS : FIRST_MS }),
    [problem, byHand, whatIf, base],
  );
  const { answer: found, behind } = useWorked<SearchAsked, Found>(worker, here, asked);
  const { send, busy, faults } = useSend(keepRounds);
  // What came for jobs that have been put together anew meanwhile says nothing of these.
  const answer = found && speaksOf(asked.problem, found.answer) ? found.answer : null;
  const openHere = open !== null && asked.problem.jobs.some((j) => j.id === open);
  const was = base ?? (standing.length ? standing : null);
  const changes = answer && was ? changesBetween(asked.problem, { rounds: was }, answer) : [];
  const locked = asked.problem.jobs.filter((j) => j.locked).map((j) => j.id);

  const put = (jobId: string, to: Placed | null) => {
    // From here on as little as pays is changed of what stands on the screen.
    if (answer) setBase(answer.rounds);
    setByHand((m) => new Map(m).set(jobId, to));
  };
  const keep = () =>
    answer &&
    send(
      {
        rounds: answer.rounds.map(({ day, crewId, stops }) => ({
          day,
          crewId,
          stops: stops.map(({ placeId, jobIds }) => ({ placeId, jobIds })),
        })),
        locked: locked.filter((id) => placedIn(answer).has(id)),
      },
      ({ rounds, left }) => {
        setByHand(new Map());
        setWhatIf({ kind: 'as it is' });
        setBase(null);
        said({
          sentence: `${rounds} ${rounds === 1 ? 'round is' : 'rounds are'} kept${left ? `, ${left} left out` : ''}.`,
        });
        router.refresh();
      },
    );
  const looking = behind || (found?.share ?? 0) < 1;
  const panel = openHere && answer && (
    <JobPanel
      key={open}
      jobId={open}
      problem={asked.problem}
      answer={answer}
      told={told}
      may={may}
      close={() => setOpen(null)}
      put={put}
    />
  );

  return (
    <>
      <h1>{answer ? headline(answer) : 'Looking for days and crews'}</h1>
      <HowGood answer={answer} share={found?.share ?? 0} looking={looking} told={told} />
      {may && (
        <div className="no-print mt-3 flex flex-wrap items-end gap-3">
          <button data-confirm className="press press-main" disabled={busy || !answer} onClick={keep}>
            Keep these rounds
          </button>
        </div>
      )}
      <FormFaults faults={faults} />
      <WhatIfForm
        problem={problem}
        told={told}
        value={whatIf}
        onChange={(next) => {
          if (answer && whatIf.kind === 'as it is') setBase(answer.rounds);
          setWhatIf(next);
        }}
      />
      {changes.length > 0 && <Changes changes={changes} problem={problem} told={told} kept={base === null} />}
      {answer && (
        <>
          <Days
            problem={asked.problem}
            answer={answer}
            told={told}
            open={open}
            setOpen={setOpen}
            panel={panel}
            put={may ? put : null}
            tell={may ? (placeId, day) => void tellClient({ placeId, day }).then(() => router.refresh()) : null}
            standing={standing}
          />
          <LeftOut answer={answer} told={told} open={open} setOpen={setOpen} panel={panel} />
        </>
      )}
    </>
  );
}

/** Whether an answer names jobs of a problem alone. */
function speaksOf(problem: Problem, { rounds, left }: Answer): boolean {
  const here = new Set(problem.jobs.map((j) => j.id));
  return left.every((l) => here.has(l.jobId)) && [...placedIn({ rounds }).keys()].every((id) => here.has(id));
}

function headline({ rounds, left }: Answer): string {
  const jobs = rounds.reduce((sum, r) => sum + r.stops.reduce((a, s) => a + s.jobIds.length, 0), 0);
  if (!jobs && !left.length) return 'Nothing waits for a crew';
  const out = left.length ? `, ${left.length} left out` : '';
  return `${jobs} ${jobs === 1 ? 'job' : 'jobs'} in ${rounds.length} ${rounds.length === 1 ? 'round' : 'rounds'}${out}`;
}

/** What the plan costs, how far from a proven bound it is, and which hours bind. */
function HowGood({
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
      {answer && gap && answer.bound && answer.rounds.length > 0 && (
        <p>
          Crews are out for <b className="figures">{minuteWords(answer.cost.out)}</b>,{' '}
          {minuteWords(answer.cost.driving)} of it on the road. With what is late, off its day or left out weighed in,
          no plan is more than <b className="figures">{Math.ceil(gap.whole * 100)} %</b> better (
          {Math.ceil(gap.withoutDriving * 100)} % apart from driving): that is proven.
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

function WhatIfForm({
  problem,
  told,
  value,
  onChange,
}: {
  problem: Problem;
  told: Told;
  value: WhatIf;
  onChange: (next: WhatIf) => void;
}) {
  const days = problem.days.map((d) => ({ value: d, name: longDay(d) }));
  const [first, second] = [problem.days[0]!, problem.days[Math.min(2, problem.days.length - 1)]!];
  const kinds = [
    { value: 'as it is', name: 'As the forecast has it' },
    { value: 'rain', name: 'It rains until …' },
    ...problem.crews.map((c) => ({ value: c.id, name: `${told.crews[c.id]} does not go out` })),
  ];
  return (
    <fieldset className="no-print mt-5 flex flex-wrap items-end gap-x-4 border-t border-line pt-3">
      <legend className="sr-only">What if</legend>
      <SelectField
        label="What if"
        path="whatIf"
        value={value.kind === 'away' ? value.crewId : value.kind}
        onChange={(k) =>
          onChange(
            k === 'as it is'
              ? { kind: 'as it is' }
              : k === 'rain'
                ? { kind: 'rain', until: second }
                : { kind: 'away', crewId: k, from: first, to: first },
          )
        }
        options={kinds}
      />
      {value.kind === 'rain' && (
        <SelectField
          label="Until"
          path="until"
          value={value.until}
          onChange={(until) => onChange({ ...value, until })}
          options={days}
        />
      )}
      {value.kind === 'away' && (
        <>
          <SelectField
            label="From"
            path="from"
            value={value.from}
            onChange={(from) => onChange({ ...value, from })}
            options={days}
          />
          <SelectField
            label="To"
            path="to"
            value={value.to}
            onChange={(to) => onChange({ ...value, to })}
            options={days}
          />
        </>
      )}
    </fieldset>
  );
}

/** What moves, and whom to tell. */
function Changes({
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
  const clients = [...new Set(changes.filter((c) => c.told).map((c) => told.places[job(c.jobId).placeId]!.client))];
  return (
    <Section
      title={`${changes.length} ${changes.length === 1 ? 'job moves' : 'jobs move'}`}
      aside={kept ? 'against the rounds that are kept' : 'against what stood here'}
    >
      {clients.length > 0 && <p className="font-semibold">Tell {clients.join(', ')}: they were told another day.</p>}
      <ul className="text-[0.9375rem]">
        {changes.slice(0, 12).map((c) => (
          <li key={c.jobId} className="row py-1.5">
            <b>{told.places[job(c.jobId).placeId]!.name}</b>: {told.jobs[c.jobId]!.title}, {told.jobs[c.jobId]!.tags}.{' '}
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
function LeftOut({
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
