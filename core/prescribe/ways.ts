import { blocked } from '../gates/rules';
import { METHOD_NAMES } from '../label/methods';
import type { LabelUse } from '../label/schema';
import type { LocalDate } from '../../lib/calendar/zone';
import { usualAnswers, type Work, type WorkFacts } from '../work/work';
import { worksFor } from '../work/works';
import { scoreUse, scoreWork, type Weighed } from './compare';
import type { CustomResults } from './costs';
import { options, serves, type Option } from './options';
import { nameOf, WORK, type HeldLabel } from './shelf';
import type { Choices, TreatmentContext } from '../gates/context';

/** One use on the shelf, as a list names it. */
export interface Way {
  key: string;
  method: LabelUse['method'];
  title: string;
  label: string;
  actives: string[];
  stops: number;
  holds: number;
  /** The day it is for, where that is not today. */
  on: LocalDate | null;
  /** For this host and what was named; the rest is for others. */
  meant: boolean;
}

const wayOf = (o: Option): Way => ({
  key: nameOf(o),
  method: o.use.method,
  title: o.use.title,
  label: o.label.name,
  actives: o.label.actives.map((a) => a.name),
  stops: o.stops,
  holds: o.holds,
  on: o.later ? o.result!.on : null,
  meant: o.result !== null,
});

/** Ends the tree: open in every month, and offered first only where that was decided. */
const LAST: readonly Work['method'][] = ['removal', 'replanting'];
/** Whether a work is what a decision asks for, or at least does not end what it means to keep. */
export const servesDecision = (work: Pick<Work, 'method'>, decision: TreatmentContext['decision']): boolean =>
  decision === 'manage or remove' || !LAST.includes(work.method);

/** What may be done today while the way in hand waits for its window: a work, and uses that act on what was named. */
export function meanwhile(
  context: TreatmentContext,
  offered: readonly Option[],
  openWorks: readonly Pick<Work, 'id' | 'name'>[],
  pick: string,
): { key: string; name: string }[] {
  const inHand = offered.find((o) => nameOf(o) === pick);
  if (!inHand?.later) return [];
  return [
    ...offered
      .filter((o) => o.result && !o.later && !o.stops && serves(context, o.use) > 0)
      .map((o) => ({ key: nameOf(o), name: `${METHOD_NAMES[o.use.method]}: ${o.label.name}` })),
    ...openWorks.map((w) => ({ key: WORK + w.id, name: w.name })),
  ].filter((w) => w.key !== pick);
}

/**
 * The way that is first in hand when somebody comes to prescribe: the freest that serves the decision, a work where every
 * product is forbidden today.
 * @param openWork a work that may be done today
 * @returns the name of a use, a work behind {@link WORK}, or null where there is neither
 */
export function firstWay(
  context: TreatmentContext,
  offered: readonly Option[],
  openWork: string | null,
): string | null {
  // What answers nothing that was named (a feed, a repellent) is not what somebody came for.
  const freest = offered.find((o) => o.result && (!context.condition || serves(context, o.use) > 0));
  // Protection in its window is what a sound tree at risk is for, though today its months are closed.
  const protects = context.decision === 'protect a sound tree' && freest && serves(context, freest.use) === 3;
  // What is forbidden, or waits for another month, is not offered first while a work that was decided may be done today.
  if (freest && (protects || (freest.stops === 0 && !freest.later) || !openWork)) return nameOf(freest);
  if (openWork) return WORK + openWork;
  return !context.condition && offered[0] ? nameOf(offered[0]) : null;
}

export interface WaysAsked {
  treatmentContext: TreatmentContext;
  shelf: HeldLabel[];
  choices: Choices;
  workFacts: WorkFacts | null;
  /** Effects seen at own checks, by method or by work. */
  own: Record<string, CustomResults>;
}

export interface WaysAnswer {
  ways: Way[];
  /** Works without a product: those that the guide names against the trouble, and the rest. */
  works: Record<'fit' | 'other', Pick<Work, 'id' | 'name'>[]>;
  weighed: Weighed[];
}

/**
 * Every way to act on one tree: those of the shelf, the freest first, and those that act on what was named weighed against
 * each other, works without a product among them. Many sums: the browser leaves it to a worker.
 */
export function waysOf({ treatmentContext: context, shelf, choices, workFacts, own }: WaysAsked): WaysAnswer {
  const { by } = context.money!;
  const offered = options(
    context,
    shelf.map((s) => s.label),
    choices,
  );
  const named = ({ id, name }: Work) => ({ id, name });
  const works = workFacts ? worksFor(workFacts, context.condition?.options ?? []) : { fit: [], other: [] };
  return {
    ways: offered.map(wayOf),
    works: { fit: works.fit.map(named), other: works.other.map(named) },
    weighed: [
      // Only what acts on what was named is weighed as a way against it; a feed or a repellent stands on the shelf alone.
      ...offered
        .filter((o) => o.result && (!context.condition || serves(context, o.use) > 0))
        .flatMap(
          (o) =>
            scoreUse({
              label: o.label,
              use: o.use,
              result: o.result!,
              held: o.holds,
              weighing: by,
              own: own[o.use.method],
            }) ?? [],
        ),
      ...works.fit.map((work) => {
        const sheet = work.workOut(workFacts!, usualAnswers(work, workFacts!));
        return scoreWork({
          work,
          sheet,
          held: blocked(sheet.gates, {}).length,
          weighing: by,
          own: own[WORK + work.id],
        });
      }),
    ],
  };
}
