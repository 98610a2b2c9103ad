import type { LocalDate } from '../../lib/calendar/zone';
import { keyOf, type AssignedVisit, type VisitKey } from './assign';

/** A visit of a laid programme as it is kept. */
export interface KeptVisit extends VisitKey {
  id: string;
  state: 'expected' | 'stopped' | 'planned' | 'done' | 'off';
  /** It was planned: where it is off all the same, somebody left it out by hand. */
  promised: boolean;
  day: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  labelKey: string | null;
  useKey: string | null;
}

/** What has become of a programme on one tree since it was last settled: each with the visit as it is now worked out. */
export type Change =
  /** It was not there before. */
  | { kind: 'new'; now: AssignedVisit; was: null }
  /** It may be planned now: a look found cause, or what stood against it is gone. */
  | { kind: 'plan'; now: AssignedVisit; was: KeptVisit }
  /** It stands on another day. */
  | { kind: 'move'; now: AssignedVisit; was: KeptVisit }
  /** Another product carries it out. */
  | { kind: 'product'; now: AssignedVisit; was: KeptVisit }
  /** Something stands against it on every day of its time. */
  | { kind: 'stop'; now: AssignedVisit; was: KeptVisit }
  /** It waits for a look again, or its look found no cause, or nothing leads to it any more. */
  | { kind: 'wait' | 'off'; now: AssignedVisit | null; was: KeptVisit };

/** How far ahead of the visits that stand a new one may be told of: what was never planned and is over is not. */
export function changesOf(
  kept: readonly KeptVisit[],
  assignment: readonly AssignedVisit[],
  today: LocalDate,
): Change[] {
  const now = new Map(assignment.map((v) => [keyOf(v), v]));
  const was = new Map(kept.map((v) => [keyOf(v), v]));
  const changed = kept.flatMap((v): Change[] => change(v, now.get(keyOf(v)) ?? null, today));
  const added = assignment
    .filter((v) => !was.has(keyOf(v)) && v.state !== 'done' && v.state !== 'off' && v.latest >= today)
    .map((v): Change => ({ kind: 'new', now: v, was: null }));
  return [...changed, ...added];
}

function change(was: KeptVisit, now: AssignedVisit | null, today: LocalDate): Change[] {
  if (was.state === 'done' || (was.state === 'off' && (was.promised || !now || now.state === 'off'))) return [];
  if (!now || now.state === 'off' || now.state === 'done')
    // What was promised and is late stays until somebody does it or leaves it out.
    return was.state === 'planned' && was.day < today ? [] : [{ kind: 'off', now, was }];
  if (now.state === 'stopped') return was.state === 'stopped' ? [] : [{ kind: 'stop', now, was }];
  if (now.state === 'expected')
    return was.state === 'expected' && was.day === now.day ? [] : [{ kind: 'wait', now, was }];
  if (was.state !== 'planned') return [{ kind: 'plan', now, was }];
  // What is late has no act: it stays as it was promised.
  if (now.act === null) return [];
  const product = now.act.kind === 'treat' && (now.act.label.key !== was.labelKey || now.act.use.key !== was.useKey);
  if (product) return [{ kind: 'product', now, was }];
  return now.day === was.day ? [] : [{ kind: 'move', now, was }];
}
