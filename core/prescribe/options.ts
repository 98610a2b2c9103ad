import type { Gate } from '../gates/gate';
import { blocked } from '../gates/rules';
import { usesHost } from '../label/match';
import { carriesOut } from '../label/methods';
import type { Label, LabelUse } from '../label/schema';
import type { LocalDate } from '../../lib/calendar/zone';
import { type TreatmentContext, type Choices } from '../gates/context';
import { whilePlanning } from './when';
import { waits, workOut, type Prescription } from './prescribe';

/**
 * How well a use serves what was decided: protection where a sound tree is to be protected, then what acts on the trouble in
 * hand, then on another open one; what answers nothing that was named comes last.
 */
export function serves(context: TreatmentContext, use: Pick<LabelUse, 'targets' | 'purpose'>): number {
  const inHand = context.condition !== null && use.targets.includes(context.condition.id);
  const other = context.problems?.some((t) => use.targets.includes(t.condition.id)) ?? false;
  if (!inHand) return other ? 1 : 0;
  if (context.decision !== 'protect a sound tree') return 2;
  return use.purpose === 'curative' ? 1 : 3;
}

/** Whether the field guide names this method against the trouble in hand: what was decided rests on it. */
const named = (s: TreatmentContext, use: Pick<LabelUse, 'method' | 'targets'>): boolean =>
  s.condition !== null &&
  use.targets.includes(s.condition.id) &&
  s.condition.options.some((o) => carriesOut(use.method, o.method));

export interface Option {
  label: Label;
  use: LabelUse;
  stops: number;
  holds: number;
  /** It waits for a later day: its window, or a day that somebody chose. */
  later: boolean;
  /** Worked out without its ring, for the comparison; null for what its label never allows here. */
  result: Prescription | null;
}

/**
 * What stands against a way on the day it is for, the gravest first; nothing while a question is only open, nor what only
 * a day ahead will tell.
 */
export const stopsOf = (result: Pick<Prescription, 'on' | 'gates'>, today: LocalDate): Gate[] =>
  whilePlanning(result, today).filter((g) => g.strength === 'stop' && g.state === 'tripped');

/** A way on the shelf against one trouble, an open one where there is any; null where no label names it for this host. */
export function wayAgainst(
  context: TreatmentContext,
  labels: readonly Label[],
  choices: Choices,
  condition: string,
): Option | null {
  let freest: Option | null = null;
  for (const label of labels)
    for (const use of label.uses) {
      if (!use.targets.includes(condition) || !meant(context, use)) continue;
      // A free way that waits is outdone by one that is open today alone; others that wait need not be worked out.
      if (freest && !freest.stops && waits(context, label, use, choices)) continue;
      const way = optionOf(context, label, use, choices);
      if (!way.stops && !way.later) return way;
      if (!freest || way.stops < freest.stops || (way.stops === freest.stops && freest.later && !way.later))
        freest = way;
    }
  return freest;
}

/** Whether a use is for this host and for what was named, and not for another. */
export const meant = (context: TreatmentContext, use: LabelUse) =>
  usesHost(use, context.host.id, context.host.groups) &&
  (!context.condition ||
    use.method === 'root-zone-feeding' ||
    use.method === 'repellent' ||
    [context.condition.id, ...(context.problems ?? []).map((t) => t.condition.id)].some((t) =>
      use.targets.includes(t),
    ));

function optionOf(context: TreatmentContext, label: Label, use: LabelUse, choices: Choices): Option {
  // Whether the sites fit is looked at once a use is chosen; here it would cost a ring for every product.
  const result = workOut({ given: context, label, use, asked: choices, withRing: false });
  const gates = whilePlanning(result, context.on);
  return {
    label,
    use,
    // A question that is open stops nothing yet; it stands beside what holds.
    stops: stopsOf(result, context.on).length,
    holds: blocked(gates, {}).filter((g) => g.strength === 'hold' || g.state === 'asked').length,
    later: result.on > context.on,
    result,
  };
}

/**
 * Every use on the shelf, the freest first. Those that the label never allows on this host or against what was named are
 * counted with one stop and come last; they are worked out once somebody opens one.
 */
export function options(context: TreatmentContext, labels: readonly Label[], choices: Choices): Option[] {
  const offered = labels.flatMap((label) =>
    label.uses.map((use): Option =>
      meant(context, use)
        ? optionOf(context, label, use, choices)
        : { label, use, stops: 1, holds: 0, later: false, result: null },
    ),
  );
  return offered.sort(
    (option, b) =>
      Number(b.result !== null) - Number(option.result !== null) ||
      serves(context, b.use) - serves(context, option.use) ||
      option.stops - b.stops ||
      Number(option.later) - Number(b.later) ||
      Number(named(context, b.use)) - Number(named(context, option.use)) ||
      option.holds - b.holds ||
      option.label.key.localeCompare(b.label.key),
  );
}
