'use client';

import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';
import type { Placed, Problem } from '@/core/schedule/problem';
import { changesBetween, placedIn, type Answer } from '@/core/schedule/solve';
import { FormIssues } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useWorked } from '@/ui/controls/worker.client';
import { useNotify } from '@/ui/frame/undo.client';
import { saveSchedule, notifyClient } from '../actions';
import { Days } from './days.client';
import { JobPanel } from './job.client';
import { inspectionBriefly, type Found, type SearchAsked } from './found';
import { Changes, headline, HowGood, LeftOut } from './result.client';
import type { Told } from './told';
import { changed, WhatIfForm, type WhatIf } from './what-if.client';

/** How long is looked for a plan, and for another one when something turns. */
const FIRST_MS = 12_000;
const AGAIN_MS = 6_000;

const worker = () => new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' });
const here = async () => inspectionBriefly;

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
  const said = useNotify();
  const [byHand, setByHand] = useState<ReadonlyMap<string, Placed | null>>(new Map());
  const [whatIf, setWhatIf] = useState<WhatIf>({ kind: 'as it is' });
  const [base, setBase] = useState<Answer['rounds'] | null>(null);
  const [open, setOpen] = useState<string | null>(null);
  const asked = useMemo<SearchAsked>(
    () => ({ problem: changed(problem, byHand, whatIf, base), ms: base ? AGAIN_MS : FIRST_MS }),
    [problem, byHand, whatIf, base],
  );
  const { answer: found, behind } = useWorked<SearchAsked, Found>(worker, here, asked);
  const { send, busy, issues } = useSend(saveSchedule);
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
  const itemsOf = (jobId: string) => [...(told.jobs[jobId]?.itemIds ?? [])];
  const placed = answer ? placedIn(answer) : new Map<string, Placed>();
  const keep = () =>
    answer &&
    send(
      {
        rounds: answer.rounds.map(({ day, crewId, stops }) => ({
          day,
          crewId,
          stops: stops.map(({ siteId, jobIds }) => ({ siteId, itemIds: jobIds.flatMap(itemsOf) })),
        })),
        left: problem.jobs.flatMap((j) => (placed.has(j.id) ? [] : itemsOf(j.id))),
        locked: locked.filter((id) => placed.has(id)).flatMap(itemsOf),
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
      <FormIssues issues={issues} />
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
            tell={may ? (siteId, day) => void notifyClient({ siteId, day }).then(() => router.refresh()) : null}
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
