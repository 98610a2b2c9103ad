import type { DayReason } from '@/core/programmes/spans';
import type { ProgrammeStep, YearProgramme } from '@/core/programmes/schema';
import type { Change } from '@/core/programmes/changes';
import { METHOD_NAMES } from '@/core/label/methods';
import { STAGE_NAMES } from '@/core/season/bbch';
import { localMonth } from '@/lib/calendar/hemisphere';
import { monthName } from '@/lib/calendar/months';
import { showAmount, type UnitSystem } from '@/lib/units/units';
import { findWork } from '@/knowledge/works';
import { findCondition, findHost, heatModels } from '@/knowledge';
import type { StopTold, VisitRow } from '@/store/assignments';
import { boundWords, spanWords } from '@/ui/season-words';
import { shortDay } from '@/ui/words';

const listed = (of: readonly string[]): string =>
  of.length < 2 ? (of[0] ?? '') : `${of.slice(0, -1).join(', ')} or ${of.at(-1)}`;
const conditionName = (id: string) => findCondition(id)?.name.toLowerCase() ?? id;
const heatName = (id: string) =>
  heatModels.find((m) => m.id === id)?.what ?? id.replace(/^own-/, '').replace(/-/g, ' ');
export const stepName = (programme: Pick<YearProgramme, 'steps'>, key: string): string =>
  programme.steps.find((s) => s.key === key)?.name ?? key;

export const SCHOOL_WORDS: Record<YearProgramme['school'], string> = {
  conventional: 'all methods',
  organic: 'organic only',
  threshold: 'by threshold',
};

/** Hosts that a programme is for, in a line. */
export function groupsWords({ groups }: Pick<YearProgramme, 'groups'>): string {
  if (!groups.length) return 'any tree';
  const names = groups.map((g) => findHost(g)?.name.toLowerCase() ?? g.replace(/-/g, ' '));
  return names.length > 7 ? `${names.slice(0, 6).join(', ')} and ${names.length - 6} more` : listed(names);
}

/** When a step is done. @example timeWords(…) // 'from green tip to fruit set' */
export function timeWords(step: ProgrammeStep, programme: Pick<YearProgramme, 'steps'>, south = false): string {
  const { when } = step;
  switch (when.by) {
    case 'stage':
      return `from ${STAGE_NAMES[when.from]} to ${STAGE_NAMES[when.to]}`;
    case 'heat':
      return `${heatName(when.model)}, and ${when.days} days from then`;
    case 'months': {
      const [from, to] = [localMonth(when.from, south), localMonth(when.to, south)].map(monthName);
      return from === to ? `in ${from}` : `${from} to ${to}`;
    }
    case 'after': {
      const [min, usual, max] = when.span;
      const about = min === max ? '' : ` (${min} to ${max})`;
      return usual === 0 && max === 0
        ? `with “${stepName(programme, when.step)}”`
        : `${usual} ${when.unit}${about} after “${stepName(programme, when.step)}”`;
    }
  }
}

/** What a step does. */
export function actWords({ act }: Pick<ProgrammeStep, 'act'>): string {
  switch (act.kind) {
    case 'treat': {
      const by = act.methods.length ? listed(act.methods.map((m) => METHOD_NAMES[m])) : 'A product';
      const of = act.families.length ? `, ${listed(act.families)}` : '';
      return `${by}${of}, against ${listed(act.against.map(conditionName))}`;
    }
    case 'work':
      return findWork(act.work)?.name ?? act.work;
    case 'look':
      return act.how;
  }
}

/** The rest of what a step says: how often, on which trees, on what condition. */
export function termsWords(step: ProgrammeStep): string[] {
  const { again, onlyIf, onlyHad, everyYears, toPicking, act } = step;
  return [
    ...(again
      ? [`again after ${again.days[1]} days (${again.days[0]} to ${again.days[2]}), ${again.most} times at most`]
      : []),
    ...(toPicking ? ['on to the picking'] : []),
    ...(act.kind === 'treat' && act.rotate ? ['another group each time'] : []),
    ...(onlyIf ? [`only if ${onlyIf.found}`] : []),
    ...(onlyHad.length ? [`only where there was ${listed(onlyHad.map(conditionName))}`] : []),
    ...(everyYears > 1 ? [`every ${everyYears} years`] : []),
  ];
}

/** Why a visit stands on its day. */
export function reasonWords(r: DayReason, programme: Pick<YearProgramme, 'steps'>): string {
  switch (r.by) {
    case 'stage':
      return r.rests === 'seen'
        ? `${STAGE_NAMES[r.code]} as it was seen`
        : `${STAGE_NAMES[r.code]} expected ${spanWords(r.earliest, r.latest)}`;
    case 'heat':
      return `${heatName(r.model)}, expected ${spanWords(r.earliest, r.latest)}`;
    case 'months':
      return r.from === r.to ? `in ${monthName(r.from)}` : `${monthName(r.from)} to ${monthName(r.to)}`;
    case 'begun':
      return `its time had begun by ${shortDay(r.from)}`;
    case 'after':
      return `counted from “${stepName(programme, r.step)}” ${r.done ? 'done' : 'planned'} on ${shortDay(r.day)}`;
    case 'interval':
      return `${r.days} days after the one ${r.done ? 'done' : 'planned'} on ${shortDay(r.day)}`;
    case 'rain':
      return `${Math.round(r.mm)} mm of rain since ${shortDay(r.day)} wore the cover out`;
    case 'hand':
      return `moved by hand: ${r.because}`;
    case 'label':
      return `wished for ${shortDay(r.wished)}; ${r.product ? `${r.product} may not be put on before` : 'not allowed before'}`;
  }
}
export const reasonsWords = (reasons: readonly DayReason[], programme: Pick<YearProgramme, 'steps'>): string =>
  reasons.map((r) => reasonWords(r, programme)).join('; ');

/** What stands against a step on every day of its time, and what would satisfy it. */
export function stopWords(stop: StopTold): string {
  switch (stop.why) {
    case 'no product':
      return 'Nothing on the shelf is labelled for this host and this trouble.';
    case 'no day':
      return `${stop.product}: ${stop.bounds.map(boundWords).join('; ') || 'no day of its time is free'}.`;
    case 'no dose':
      return `${stop.product}: ${stop.sentence}`;
    case 'not measured':
      return 'The trunk has not been measured.';
    case 'gates':
    case 'work':
    case 'holds': {
      const what = stop.gates.map((g) => `${g.title}: ${g.satisfy}`).join(' ');
      return stop.product ? `${stop.product}. ${what}` : what;
    }
  }
}

/** A change as people read it. */
export function changeWords({ kind, now, was }: Change): string {
  switch (kind) {
    case 'new':
      return `new, on ${shortDay(now.day)}`;
    case 'plan':
      return `may be planned, for ${shortDay(now.day)}`;
    case 'move':
      return `from ${shortDay(was.day)} to ${shortDay(now.day)}`;
    case 'product':
      return `with another product, on ${shortDay(now.day)}`;
    case 'stop':
      return 'can be done on no day any more';
    case 'wait':
      return `waits for its look, for about ${shortDay((now ?? was).day)}`;
    case 'off':
      return now
        ? 'is off: its look found no cause'
        : 'is off: its time ends before it, or nothing leads to it any more';
  }
}

export const STATE_WORDS: Record<VisitRow['state'], string> = {
  planned: 'planned',
  expected: 'waits for a look',
  stopped: 'left out',
  done: 'done',
  off: 'off',
};

/** Amount of a product, in the reader's units. */
export const amountWords = (amount: number, dimension: 'volume' | 'mass', units: UnitSystem): string => {
  const shown = showAmount(amount, dimension, units);
  return shown.text;
};
