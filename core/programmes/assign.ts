import { factsOn, readAnswers, type Answer, type WorkFacts, type WorkSheet } from '../work/work';
import { findWork } from '../work/works';
import { blocked, standing } from '../gates/rules';
import type { Gate } from '../gates/gate';
import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import { withYearsAhead } from '../season/year';
import { stepSpans, type DayReason } from './spans';
import type { ProgrammeStep, YearProgramme } from './schema';
import {
  countedGroups,
  treatmentOn,
  withTreatment,
  type Last,
  type Stop,
  type TreatContext,
  type Treatment,
} from './treat';
import { startOfMonth, yearOf } from '../../lib/calendar/months';
import { givesReason } from '../../lib/reason';

/** Which visit of a programme: the step, the year in which its time ends, and its place in the series. */
export interface VisitKey {
  step: string;
  year: number;
  nth: number;
}
export const keyOf = (v: VisitKey): string => `${v.step} ${v.year} ${v.nth}`;

/** A visit of this programme that stands already on the tree. */
export interface StandingVisit extends VisitKey {
  /** `waiting`: for the look that decides it; `off`: left out, or the look found no cause. */
  state: 'open' | 'waiting' | 'done' | 'off';
  /** The day it is planned for, or on which it was done. */
  day: LocalDate;
  /** What a look found; null while nobody has said. */
  found: boolean | null;
  /** Why somebody moved it by hand: its time is no bound for it, only the label is. */
  byHand: string | null;
  labelKey: string | null;
  useKey: string | null;
}

/** What a programme is laid on: one tree, with all that is known of it apart from this programme's own visits. */
export interface Ground extends TreatContext {
  work: WorkFacts | null;
  /** Conditions that were ever named on it. */
  had: readonly string[];
  from: LocalDate;
  until: LocalDate;
  standing: readonly StandingVisit[];
  /** Covers that rain wore out before their days were over: by the visit that put them on. */
  worn: readonly (VisitKey & { renewOn: LocalDate; mm: number })[];
}

export interface WorkAct {
  kind: 'work';
  work: string;
  answers: Record<string, Answer>;
  sheet: WorkSheet;
  holds: Gate[];
}
/** One visit of a programme on one tree. */
export interface AssignedVisit extends VisitKey {
  day: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  reasons: DayReason[];
  /** `expected`: it waits for a look; `stopped`: something stands against it on every day of its time; the rest as it stands. */
  state: 'planned' | 'expected' | 'stopped' | 'done' | 'off';
  act: Treatment | WorkAct | { kind: 'look' } | null;
  stop: Stop | null;
}

/** A visit that has no day yet. */
interface Wish extends VisitKey {
  of: ProgrammeStep;
  day: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  /** Last day of its time: a series ends with it. */
  to: LocalDate;
  reasons: DayReason[];
  waits: boolean;
}

/** Whether a step is for a tree of this history. */
const concerned = (of: ProgrammeStep, { had }: Ground): boolean =>
  of.onlyHad.length === 0 || of.onlyHad.some((id) => had.includes(id));

/** First wishes of a step that has a time of its own, one a year. */
function opening(of: ProgrammeStep, ground: Ground): Wish[] {
  if (of.when.by === 'after' || !concerned(of, ground)) return [];
  const { year, south, harvest } = ground.treatmentContext;
  const span = { from: ground.from, to: ground.until };
  return stepSpans(of.when, year, south, span, of.everyYears).map((s) => {
    const picked = of.toPicking && harvest && harvest.from > s.from ? dayAfter(harvest.from, -1, 'days') : s.to;
    const to = picked < ground.until ? picked : ground.until;
    // The first of a series is meant for the beginning of its time; what is done once may be done in all of it.
    const soon = of.again ? dayAfter(s.from, of.again.days[2], 'days') : to;
    return {
      step: of.key,
      year: s.year,
      nth: 1,
      of,
      day: s.from,
      earliest: s.earliest < ground.from ? ground.from : s.earliest < s.from && of.again ? s.earliest : s.from,
      latest: soon < to ? soon : to,
      to,
      reasons: s.reasons,
      waits: false,
    };
  });
}

/** The next of a series after one that has its day; null where it is over. */
function nextOf(
  wish: Wish,
  day: LocalDate,
  done: boolean,
  worn: { renewOn: LocalDate; mm: number } | undefined,
): Wish | null {
  const { again } = wish.of;
  if (!again || wish.nth >= again.most) return null;
  const [earliest, due, last] = again.days.map((n) => dayAfter(day, n, 'days')) as [LocalDate, LocalDate, LocalDate];
  const next = { ...wish, nth: wish.nth + 1, earliest };
  // Rain that wore the cover out brings the next one forward, never before its shortest time.
  if (worn && worn.renewOn < due) {
    const renewed = worn.renewOn < earliest ? earliest : worn.renewOn;
    const reasons: DayReason[] = [{ by: 'rain', day, mm: worn.mm }];
    return renewed > wish.to ? null : { ...next, day: renewed, latest: renewed, reasons };
  }
  if (due > wish.to) return null;
  const reasons: DayReason[] = [{ by: 'interval', day, days: again.days[1], done }];
  return { ...next, day: due, latest: last < wish.to ? last : wish.to, reasons };
}

/** What follows a visit that has its day, each counted from it. */
function following({
  programme,
  ground,
  wish,
  day,
  done,
  expected,
}: {
  programme: YearProgramme;
  ground: Ground;
  wish: Wish;
  day: LocalDate;
  done: boolean;
  expected: boolean;
}): Wish[] {
  return programme.steps.flatMap((of): Wish[] => {
    if (of.when.by !== 'after' || of.when.step !== wish.step || !concerned(of, ground)) return [];
    const { unit, span } = of.when;
    const [earliest, wished, latest] = span.map((n) => dayAfter(day, n, unit)) as [LocalDate, LocalDate, LocalDate];
    if (wished > ground.until) return [];
    return [
      {
        step: of.key,
        year: wish.year,
        nth: wish.nth,
        of,
        day: wished,
        earliest,
        latest,
        to: latest,
        reasons: [{ by: 'after', step: wish.step, day, done }],
        waits: expected,
      },
    ];
  });
}

type Placed = Pick<AssignedVisit, 'day' | 'act' | 'stop'>;

/** A work without a product on the first day of its time that the closed seasons leave. */
function workOn(
  act: Extract<ProgrammeStep['act'], { kind: 'work' }>,
  facts: WorkFacts | null,
  day: LocalDate,
  to: LocalDate,
): Placed {
  const work = facts && findWork(act.work, facts.customWorks);
  if (!facts || !work) return { day, act: null, stop: { why: 'not measured' } };
  const firsts = Array.from({ length: 12 }, (_, i) => dayAfter(startOfMonth(day), i + 1, 'months'));
  let against: Gate[] = [];
  for (const on of [day, ...firsts.filter((d) => d <= to)]) {
    const then = factsOn(facts, on);
    const read = readAnswers(work, then, act.answers);
    if (!read.ok) return { day, act: null, stop: { why: 'not measured' } };
    const sheet = work.workOut(then, read.answers);
    const open = blocked(standing(sheet.gates), {});
    const stops = open.filter((g) => g.strength === 'stop');
    if (!stops.length)
      return {
        day: on,
        act: { kind: 'work', work: work.id, answers: read.answers, sheet, holds: open },
        stop: null,
      };
    against = against.length ? against : stops;
  }
  return { day, act: null, stop: { why: 'work', gates: against } };
}

/** A programme while it is laid: what waits for its turn, what has its day, and the tree as it will be by then. */
interface Course {
  programme: YearProgramme;
  ground: Ground;
  context: Ground['treatmentContext'];
  stood: ReadonlyMap<string, StandingVisit>;
  queue: Wish[];
  out: AssignedVisit[];
  /** What was put on last, by step. */
  last: Map<string, Last>;
}

const baseOf = ({ step, year, nth, earliest, latest, reasons }: Wish) => ({
  step,
  year,
  nth,
  earliest,
  latest,
  reasons,
});

/** What comes after a visit that has its day joins those that wait. */
function enqueue(
  { programme, ground, queue }: Course,
  wish: Wish,
  day: LocalDate,
  done: boolean,
  expected: boolean,
): void {
  const worn = ground.worn.find((w) => keyOf(w) === keyOf(wish));
  const next = nextOf(wish, day, done, worn);
  queue.push(...(next ? [next] : []), ...following({ programme, ground, wish, day, done, expected }));
}

/** What a look said that decides a step: true where none decides it, null while nobody has said. */
function causeOf({ stood }: Course, { of, year, nth }: Wish): boolean | null {
  if (!of.onlyIf) return true;
  const look = (n: number) => stood.get(keyOf({ step: of.onlyIf!.after, year, nth: n }));
  return (look(nth) ?? look(1))?.found ?? null;
}

/** A visit that was done or left out stands on its day; what comes after is counted from there. */
function takeSettled(course: Course, wish: Wish, was: StandingVisit): void {
  const done = was.state === 'done';
  course.out.push({ ...baseOf(wish), day: was.day, state: done ? 'done' : 'off', act: null, stop: null });
  if (done) {
    const label = course.ground.shelf.find((l) => l.key === was.labelKey);
    if (label) course.last.set(wish.step, { labelKey: label.key, groups: countedGroups(label) });
    enqueue(course, wish, was.day, true, false);
    return;
  }
  // What was left out has no look after it, and the series goes on from its day.
  const next = nextOf(wish, was.day, false, undefined);
  if (next) course.queue.push(next);
}

/** A visit that is still ahead takes the first day that is free for it, or goes back into the queue for a later one. */
function takeAhead(course: Course, wish: Wish, was: StandingVisit | undefined, expected: boolean): void {
  const { programme, ground, context, queue, last, out } = course;
  const { of, earliest, latest } = wish;
  const byHand = was?.byHand ?? null;
  const reasons: DayReason[] = byHand === null ? wish.reasons : [{ by: 'hand', because: byHand }];
  const { on: today } = context;
  // What stands keeps its day as long as its time allows; what was moved by hand, as long as it may.
  const kept = was && (byHand !== null || (was.day >= earliest && was.day <= latest));
  const wished = kept ? was.day : wish.day;
  const day = wished < today ? today : wished;
  // Its time has passed before anybody planned it.
  if (!was && day > latest && day > wish.to) return;
  const end = latest < wish.to && !of.again ? latest : wish.to;
  const placed = place({
    of,
    programme,
    ground: { ...ground, treatmentContext: context },
    day,
    to: end < day ? day : end,
    last: last.get(wish.step),
    was,
  });
  const at = placed.day;
  const why = at > day ? moved(reasons, day, placed) : reasons;
  // Others may come before the day to which it had to move: it waits for its turn.
  if (at > day && queue.some((w) => w.day < at)) {
    queue.push({ ...wish, day: at, latest: at > latest ? at : latest, reasons: why });
    return;
  }
  const free = expected ? 'expected' : 'planned';
  out.push({
    ...baseOf(wish),
    day: at,
    earliest: at < earliest ? at : earliest,
    latest: at > latest ? at : latest,
    reasons: why,
    state: placed.stop ? 'stopped' : free,
    act: placed.act,
    stop: placed.stop,
  });
  if (placed.stop) return;
  if (placed.act?.kind === 'treat') {
    if (!expected) course.context = withTreatment(context, placed.act, at);
    last.set(wish.step, { labelKey: placed.act.label.key, groups: countedGroups(placed.act.label) });
  }
  enqueue(course, wish, at, false, expected);
}

function take(course: Course, wish: Wish): void {
  const was = course.stood.get(keyOf(wish));
  if (was?.state === 'done' || was?.state === 'off') return takeSettled(course, wish, was);
  const cause = causeOf(course, wish);
  if (cause === false) {
    course.out.push({ ...baseOf(wish), day: wish.day, state: 'off', act: null, stop: null });
    return;
  }
  // What is late stays where it was promised, until somebody does it or leaves it out.
  if (was?.state === 'open' && was.day < course.context.on) {
    course.out.push({ ...baseOf(wish), day: was.day, state: 'planned', act: null, stop: null });
    return enqueue(course, wish, was.day, false, false);
  }
  takeAhead(course, wish, was, wish.waits || cause === null);
}

/**
 * Lays a programme over one tree: every visit with its day, why it stands there, and what stands against it. The visits are
 * placed in the order of their days, and each counts those before it like what is done: intervals, yearly numbers, the
 * change of groups and partners that burn hold through the year. What stands already is kept as long as it may be.
 * @returns visits in order of day; the same tree and the same facts give the same visits
 */
export function assignVisits(programme: YearProgramme, ground: Ground): AssignedVisit[] {
  const order = new Map(programme.steps.map((s, i) => [s.key, i]));
  const soonest = (a: VisitKey & { day: LocalDate }, b: VisitKey & { day: LocalDate }) =>
    a.day.localeCompare(b.day) || order.get(a.step)! - order.get(b.step)! || a.nth - b.nth;
  const years = yearOf(ground.until) - yearOf(ground.treatmentContext.on);
  const context = { ...ground.treatmentContext, year: withYearsAhead(ground.treatmentContext.year, years) };
  const course: Course = {
    programme,
    ground,
    context,
    stood: new Map(ground.standing.map((v) => [keyOf(v), v])),
    queue: programme.steps.flatMap((of) => opening(of, { ...ground, treatmentContext: context })),
    out: [],
    last: new Map(),
  };
  while (course.queue.length) {
    course.queue.sort(soonest);
    take(course, course.queue.shift()!);
  }
  return course.out.sort(soonest);
}

/** The reasons of a visit that had to be moved from the day on which it was first wished for. */
function moved(reasons: readonly DayReason[], wished: LocalDate, { act }: Placed): DayReason[] {
  const before = reasons.find((r) => r.by === 'label');
  return [
    ...reasons.filter((r) => r !== before),
    before ?? { by: 'label', wished, product: act?.kind === 'treat' ? act.label.name : null },
  ];
}

function place({
  of,
  programme,
  ground,
  day,
  to,
  last,
  was,
}: {
  of: ProgrammeStep;
  programme: YearProgramme;
  ground: Ground;
  day: LocalDate;
  to: LocalDate;
  last: Last | undefined;
  was: StandingVisit | undefined;
}): Placed {
  if (of.act.kind === 'look') return { day, act: { kind: 'look' }, stop: null };
  if (of.act.kind === 'work') return workOn(of.act, ground.work, day, to);
  const keep = was?.labelKey && was.useKey ? { labelKey: was.labelKey, useKey: was.useKey } : null;
  const treated = treatmentOn({
    act: of.act,
    school: programme.school,
    ground,
    from: day,
    to,
    last: last ?? null,
    keep,
  });
  return 'act' in treated ? { ...treated, stop: null } : { day, act: null, stop: treated };
}

/** Holds of a visit gone on in spite of with one written reason; a reason is a few signs at least. */
export const releasing = (holds: readonly Gate[], reason: string): Record<string, string> =>
  givesReason(reason) ? Object.fromEntries(holds.map((g) => [g.id, reason.trim()])) : {};

/** Visits under the reason that was given for all of them: what holds one for which none was given keeps it from being planned. */
export const underReason = (visits: readonly AssignedVisit[], reason: string): AssignedVisit[] =>
  visits.map((v) => {
    if (v.state !== 'planned' || !v.act || v.act.kind === 'look') return v;
    const gates = blocked(v.act.holds, releasing(v.act.holds, reason));
    if (!gates.length) return v;
    const product = v.act.kind === 'treat' ? v.act.label.name : null;
    return { ...v, state: 'stopped', act: null, stop: { why: 'holds', product, gates } };
  });
