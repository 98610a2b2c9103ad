'use client';

import { useState } from 'react';
import { clockWords } from '@/core/schedule/hours';
import type { Placed, Problem } from '@/core/schedule/problem';
import { placedIn, whyNot, type Answer, type PlannedDay } from '@/core/schedule/solve';
import { minuteWords, whyNotWords } from '@/core/schedule/words';
import { longDay } from '@/ui/words';
import { namesOf, type Told } from './told';

/** What a day would say to the job that is held over it. */
interface Over {
  jobId: string;
  day: string;
  crewId: string;
  words: string;
  legal: boolean;
}

const EDGE: Record<string, string> = { none: 'border-line', true: 'border-cambium-deep', false: 'border-madder' };

/** The days of a fortnight, crew beside crew: stops in their order with their hours. */
export function Days({
  problem,
  answer,
  told,
  open,
  setOpen,
  panel,
  put,
  tell,
  standing,
}: {
  problem: Problem;
  answer: Answer;
  told: Told;
  open: string | null;
  setOpen: (id: string | null) => void;
  panel: React.ReactNode;
  /** Null for who may only look. */
  put: ((jobId: string, to: Placed) => void) | null;
  tell: ((siteId: string, day: string) => void) | null;
  standing: Answer['rounds'];
}) {
  const [held, setHeld] = useState<string | null>(null);
  const [over, setOver] = useState<Over | null>(null);
  const kept = placedIn({ rounds: standing });
  /** Asks what a day breaks while something is held over it. */
  const ask = (day: string, crewId: string) => {
    if (!held || (over?.jobId === held && over.day === day && over.crewId === crewId)) return;
    const why = whyNot(problem, answer, held, day).find((w) => w.crewId === crewId);
    const legal = (why?.against.length ?? 1) === 0;
    setOver({ jobId: held, day, crewId, words: why ? whyNotWords(why, namesOf(told)) : '', legal });
  };
  const drop = () => {
    if (over?.legal && held && put) put(held, { day: over.day, crewId: over.crewId });
    setHeld(null);
    setOver(null);
  };
  const busy = (d: number) => problem.crews.some((c) => c.hours[d]);
  return (
    <div className="mt-6">
      {problem.days.map((day, d) =>
        busy(d) ? (
          <section
            key={day}
            className={`row break-inside-avoid py-3 ${answer.rounds.some((r) => r.day === day) ? '' : 'md:grid md:grid-cols-[13rem_1fr]'}`}
            aria-label={longDay(day)}
          >
            <h2 className="text-body">{longDay(day)}</h2>
            <div className="mt-1 grid gap-x-6 gap-y-1 md:grid-cols-2">
              {problem.crews.map((crew) => {
                const here = over?.day === day && over.crewId === crew.id ? over : null;
                const edge = here ? String(here.legal) : 'none';
                return (
                  <div
                    key={crew.id}
                    className={`min-w-0 border-l-2 pl-3 ${here ? 'bg-line-2' : ''} ${EDGE[edge]}`}
                    onDragOver={(e) => {
                      if (!held) return;
                      e.preventDefault();
                      ask(day, crew.id);
                    }}
                    onDrop={(e) => {
                      e.preventDefault();
                      drop();
                    }}
                  >
                    <CrewDay
                      round={answer.rounds.find((r) => r.day === day && r.crewId === crew.id) ?? null}
                      name={told.crews[crew.id]!}
                      hours={crew.hours[d] ?? null}
                      problem={problem}
                      told={told}
                      open={open}
                      setOpen={setOpen}
                      panel={panel}
                      hold={put && setHeld}
                      letGo={() => {
                        setHeld(null);
                        setOver(null);
                      }}
                      tell={(siteId) =>
                        tell &&
                        [...kept].some(
                          ([id, p]) => p.day === day && problem.jobs.some((j) => j.id === id && j.siteId === siteId),
                        )
                          ? () => tell(siteId, day)
                          : null
                      }
                    />
                    {here && (
                      <p className={`text-[0.9375rem] font-semibold ${here.legal ? '' : 'text-madder'}`}>
                        {here.words}
                      </p>
                    )}
                  </div>
                );
              })}
            </div>
          </section>
        ) : null,
      )}
    </div>
  );
}

function CrewDay({
  round,
  name,
  hours,
  problem,
  told,
  open,
  setOpen,
  panel,
  hold,
  letGo,
  tell,
}: {
  round: PlannedDay | null;
  name: string;
  hours: { from: number; to: number } | null;
  problem: Problem;
  told: Told;
  open: string | null;
  setOpen: (id: string | null) => void;
  panel: React.ReactNode;
  hold: ((jobId: string) => void) | null;
  letGo: () => void;
  tell: (siteId: string) => (() => void) | null;
}) {
  return (
    <>
      <p className="flex flex-wrap justify-between gap-x-3 text-[0.9375rem]">
        <b>{name}</b>
        <span className="figures text-ink-2">
          {hours &&
            round &&
            `${clockWords(round.leave)} to ${clockWords(round.home)}, ${minuteWords(round.driving)} on the road`}
          {hours && !round && 'free'}
          {!hours && 'not out'}
        </span>
      </p>
      {round && (
        <ol>
          {round.stops.map((s) => {
            const jobs = s.jobIds.map((id) => problem.jobs.find((j) => j.id === id)!);
            const wasTold = jobs.some((j) => j.told === round.day);
            const say = tell(s.siteId);
            return (
              <li key={s.siteId} className="py-1">
                <p>
                  <span className="figures font-bold">{clockWords(s.begin)}</span> {told.places[s.siteId]!.name}
                  {wasTold && <span className="text-[0.875rem] text-ink-2">, client told</span>}
                  {say && !wasTold && (
                    <button
                      className="no-print ml-2 min-h-10 text-[0.875rem] underline underline-offset-3"
                      onClick={say}
                    >
                      client told
                    </button>
                  )}
                </p>
                <ul>
                  {jobs.map((j) => (
                    <li key={j.id}>
                      <button
                        className={`block min-h-10 w-full text-left text-[0.9375rem] underline-offset-3 hover:underline ${open === j.id ? 'font-bold' : ''}`}
                        aria-expanded={open === j.id}
                        draggable={hold !== null}
                        onDragStart={(e) => {
                          e.dataTransfer.effectAllowed = 'move';
                          e.dataTransfer.setData('text/plain', j.id);
                          hold?.(j.id);
                        }}
                        onDragEnd={letGo}
                        onClick={() => setOpen(open === j.id ? null : j.id)}
                      >
                        {j.locked && <span className="mr-1 font-bold">stays:</span>}
                        {told.jobs[j.id]!.title}, {told.jobs[j.id]!.tags}{' '}
                        <span className="figures text-ink-2">{minuteWords(j.minutes)}</span>
                      </button>
                      {open === j.id && panel}
                    </li>
                  ))}
                </ul>
              </li>
            );
          })}
        </ol>
      )}
    </>
  );
}
