'use client';

import Link from 'next/link';
import { useState } from 'react';
import { chanceOn, type Placed, type Problem } from '@/core/schedule/problem';
import { placedIn, whyNot, type Answer, type WhyNot } from '@/core/schedule/solve';
import { minuteWords, whyNotWords } from '@/core/schedule/words';
import { SelectField } from '@/ui/controls/controls';
import { longDay, shortDay } from '@/ui/words';
import { namesOf, type Told } from './told';

/** One job: its span, what the air says, what another day would mean, and whether it stays. */
export function JobPanel({
  jobId,
  problem,
  answer,
  told,
  may,
  close,
  put,
}: {
  jobId: string;
  problem: Problem;
  answer: Answer;
  told: Told;
  may: boolean;
  close: () => void;
  put: (jobId: string, to: Placed | null) => void;
}) {
  const job = problem.jobs.find((j) => j.id === jobId)!;
  const at = placedIn(answer).get(jobId) ?? null;
  const [day, setDay] = useState(at?.day ?? problem.days[0]!);
  const asked = whyNot(problem, answer, jobId, day);
  const d = problem.days.indexOf(at?.day ?? '');
  const names = namesOf(told);
  return (
    <div className="my-2 border-l-4 border-ink bg-sheet py-2 pl-3">
      <p className="text-[0.9375rem]">
        From {shortDay(job.earliest)} to {shortDay(job.latest)}
        {job.firm ? ', not after' : ', later if it must be'}
        {job.wanted && `; planned for ${shortDay(job.wanted)}`}
        {job.told && `; the client was told ${shortDay(job.told)}`}
        {job.hangs > 0 && `; hangs for about ${minuteWords(job.hangs)}`}
        {job.reEntryHours > 0 && `; nobody enters for ${job.reEntryHours} h`}
        {job.chances && d >= 0 && `; the air suits it in ${Math.round(chanceOn(job, d) * 100)} of 100 courses`}.{' '}
        <Link href={told.jobs[jobId]!.href} className="inline-block min-h-10 py-2">
          Its sheet
        </Link>
      </p>
      <SelectField
        label="Why not on"
        path="day"
        value={day}
        onChange={setDay}
        options={problem.days.map((x) => ({ value: x, name: longDay(x) }))}
      />
      <ul>
        {asked.map((w) => (
          <OtherDay
            key={w.crewId}
            why={w}
            name={told.crews[w.crewId]!}
            words={whyNotWords(w, names)}
            stands={at?.day === day && at.crewId === w.crewId}
            put={may ? () => put(jobId, { day, crewId: w.crewId }) : null}
          />
        ))}
      </ul>
      <p className="no-print flex flex-wrap gap-2">
        {may && job.locked && (
          <button className="press press-plain" onClick={() => put(jobId, null)}>
            It may move again
          </button>
        )}
        {may && !job.locked && at && (
          <button className="press press-plain" onClick={() => put(jobId, at)}>
            It stays where it is
          </button>
        )}
        <button className="press press-plain" onClick={close}>
          Close
        </button>
      </p>
    </div>
  );
}

function OtherDay({
  why,
  name,
  words,
  stands,
  put,
}: {
  why: WhyNot;
  name: string;
  words: string;
  stands: boolean;
  put: (() => void) | null;
}) {
  return (
    <li className="row flex flex-wrap items-center justify-between gap-3 py-1.5">
      <span>
        <b>{name}</b>: {stands ? 'stands here' : words}
      </span>
      {!stands && why.against.length === 0 && put && (
        <button className="press press-plain" onClick={put}>
          Put it there
        </button>
      )}
    </li>
  );
}
