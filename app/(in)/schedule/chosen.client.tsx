'use client';

import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { Bound } from '@/core/prescribe/when';
import { dayAfter } from '@/lib/calendar/days';
import { FormIssues, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { boundWords, byWeight, spanWords } from '@/ui/season-words';
import { fromToday, shortDay } from '@/ui/words';
import { moveInspections, movePlans, moveVisits, moveWorks } from './actions';
import type { AskedDays } from './days.client';
import { tagsOf, type RibbonData, type VisitGroup } from './ribbon';

const STATES: Record<VisitGroup['state'], string> = {
  planned: 'planned',
  missed: 'missed: its time is over',
  expected: 'waits for a look',
  again: 'comes again as its label and the plan of the tree have it; not planned yet',
  done: 'done',
  left: 'left out: on no day of its time',
};

interface Props {
  data: RibbonData;
  group: VisitGroup;
  on: VisitGroup['on'];
  /** The day over which it is held. */
  day: string;
  today: string;
  days: AskedDays;
  mayMove: boolean;
  onDay: (day: string) => void;
  onClose: () => void;
}

/** A visit in hand: what it is, on which trees, and what becomes of it on the day over which it is held. */
export function Chosen(p: Props) {
  const { data, group, on, day, today } = p;
  const about = data.abouts[group.about]!;
  const [first] = on;
  const tree = data.trees[first!.tree]!;
  const moves = p.mayMove && group.moves !== null;
  return (
    <section className="mt-3 border-y border-line py-3 print:hidden" aria-label="The visit in hand">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <h2 className="text-lead font-bold">{about.words}</h2>
        <button type="button" className="press press-plain" onClick={p.onClose}>
          Put it down
        </button>
      </div>
      <p>
        {on.length === 1 ? `${tree.tag} ${tree.host}` : `${on.length} trees: ${tagsOf(data, { ...group, on })}`}
        {about.programme ? `, ${about.programme}` : ''}
        {about.problem ? `, against ${about.problem}` : ''}
      </p>
      <p className="figures">
        <b>{shortDay(group.day)}</b> {group.state === 'done' ? '' : `(${fromToday(group.day, today)})`},{' '}
        {STATES[group.state]}
        {group.accepted && group.state !== 'done' && ', sold'}
        {group.earliest !== group.latest && `; may stand ${spanWords(group.earliest, group.latest)}`}
      </p>
      {moves && <Move {...p} />}
      <p className="mt-2 flex flex-wrap gap-x-6">
        <Link href={first!.planId ? `/trees/${tree.id}/treat?plan=${first!.planId}` : `/trees/${tree.id}`}>
          {first!.planId ? `Its sheet on ${tree.tag}` : `Tree ${tree.tag}`}
        </Link>
        {group.assignmentId && (
          <Link href={`/schedule/programmes/assigned/${group.assignmentId}`}>Its programme here</Link>
        )}
      </p>
      {day !== group.day && !moves && <p role="status">It is moved where it comes from.</p>}
    </section>
  );
}

/** What the day over which it is held breaks, as far as is known before anything is sent. */
export function breaksOn({ told }: AskedDays, day: string): Bound[] | null {
  const span = told?.spans.find((s) => s.from <= day && day <= s.to);
  return span ? byWeight(span.bounds) : null;
}

/** How a visit is moved, by whatever moves it. */
function useMove(
  { moves }: VisitGroup,
  on: VisitGroup['on'],
  to: { day: string; because: string },
  synced: (more: string) => void,
) {
  const byPlan = useSend(movePlans);
  const byWork = useSend(moveWorks);
  const byInspection = useSend(moveInspections);
  const byProgramme = useSend(moveVisits);
  const ids = on.map((o) => o.id);
  switch (moves) {
    case 'plan':
      return [byPlan, () => byPlan.send({ planIds: ids, ...to }, () => synced(''))] as const;
    case 'work':
      return [byWork, () => byWork.send({ workIds: ids, ...to }, () => synced(''))] as const;
    case 'look':
      return [byInspection, () => byInspection.send({ ids, ...to }, () => synced(''))] as const;
    default:
      return [
        byProgramme,
        () =>
          byProgramme.send({ visitIds: ids, ...to }, ({ followed }) =>
            synced(followed ? `; ${followed} later visits follow` : ''),
          ),
      ] as const;
  }
}

function Move({ group, on, day, today, days, onDay, onClose }: Props) {
  const router = useRouter();
  const said = useNotify();
  const [because, setBecause] = useState('');
  const [by, move] = useMove(group, on, { day, because }, (more) => {
    said({ sentence: `Moved to ${shortDay(day)}${more}.` });
    onClose();
    router.refresh();
  });
  const { busy, issues } = by;
  const breaks = breaksOn(days, day);
  const chance = days.told?.fits?.find((f) => f.day === day)?.chance;
  return (
    <div className="mt-3">
      <div className="flex flex-wrap items-end gap-2">
        {[-7, -1].map((n) => (
          <Step key={n} n={n} day={day} today={today} onDay={onDay} />
        ))}
        <div className="w-48 phone:order-first phone:w-full">
          <TextField
            label="Move to"
            path="day"
            issues={issues}
            type="date"
            min={today}
            value={day}
            onChange={(d) => d && onDay(d)}
          />
        </div>
        {[1, 7].map((n) => (
          <Step key={n} n={n} day={day} today={today} onDay={onDay} />
        ))}
      </div>
      <div aria-live="polite">
        {day === group.day ? (
          <p className="text-ink-2">Drag it, or step it to another day; what that breaks is told at once.</p>
        ) : (
          <>
            {breaks?.map((b) => (
              <p key={b.by} className="font-semibold text-madder">
                <span aria-hidden>▮ </span>
                {shortDay(day)}: {boundWords(b)}
              </p>
            ))}
            {breaks?.length === 0 && <p>By book, label and season it may stand on {shortDay(day)}.</p>}
            {breaks === null && (
              <p className="text-ink-2">
                {days.failed
                  ? 'What stands against this day could not be asked; it is asked when you move it.'
                  : 'What stands against this day is asked when you move it.'}
              </p>
            )}
            {chance !== undefined && (
              <p>The air suits it in {Math.round(chance * 100)} of 100 courses of the forecast.</p>
            )}
          </>
        )}
      </div>
      {day !== group.day && (
        <>
          <TextField label="Why it is moved" path="because" issues={issues} value={because} onChange={setBecause} />
          <FormIssues issues={issues} known={['day', 'because']} />
          <button type="button" className="press press-main" disabled={busy} onClick={move}>
            Move {on.length === 1 ? 'it' : `these ${on.length}`} to {shortDay(day)}
          </button>
        </>
      )}
    </div>
  );
}

const STEPS: Record<number, string> = {
  [-7]: 'A week earlier',
  [-1]: 'A day earlier',
  1: 'A day later',
  7: 'A week later',
};
function Step({ n, day, today, onDay }: { n: number; day: string; today: string; onDay: (d: string) => void }) {
  const to = dayAfter(day, n, 'days');
  return (
    <button
      type="button"
      className="press mb-4 px-3"
      aria-label={STEPS[n]}
      title={STEPS[n]}
      disabled={to < today}
      onClick={() => onDay(to)}
    >
      {n > 0 ? `+${n}` : `−${-n}`}
    </button>
  );
}
