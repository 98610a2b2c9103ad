import type { Condition, TreatmentOption } from '../diagnose/knowledge';
import { inSeason, type NorthernMonth } from '../../lib/calendar/months';
import type { Certainty } from '../diagnose/words';
import { against, type Against, type CrownLimit, type TreeState } from './eligible';
import type { Schools } from './schools';
import { atLeast, needsOf } from './stakes';

/** A method with what stands between it and being done today. */
export interface Action extends TreatmentOption {
  /** Its months are open. */
  open: boolean;
  /** `now` may be done; `later` waits for its window; `unsure` for a test or a fact; `not here` is not for this tree. */
  status: 'now' | 'later' | 'unsure' | 'not here';
  /** How sure one must be for it; null where it rests on being at risk. */
  needs: Certainty | null;
  against: Against[];
}

const PRODUCT_METHODS: readonly TreatmentOption['method'][] = [
  'trunk injection',
  'infusion',
  'soil drench',
  'soil injection',
  'bark spray',
  'foliar spray',
  'dormant spray',
  'dust',
];
/** A protectant for sound trees and for next season: on a tree that has it, it cures nothing. */
export const onlyPrevents = (o: TreatmentOption): boolean =>
  o.use === 'protect' && !o.covers && PRODUCT_METHODS.includes(o.method);

/** What a school leaves of the methods: organic-listed ones, or those that answer what was found. */
const allowed = (o: TreatmentOption, s: Pick<Schools, 'programme'>) =>
  (s.programme !== 'organic' || o.organic) && (s.programme !== 'threshold' || o.use !== 'protect');

/**
 * The methods of a condition on this tree, each with its status.
 * @param certainty how sure one is of what a method answers: of the condition, or of all that ask for the same
 */
export function actionsOf({
  c,
  certainty,
  present,
  month,
  tree,
  limits,
  schools,
}: {
  c: Condition;
  certainty: (o: TreatmentOption) => Certainty;
  present: boolean;
  month: NorthernMonth;
  tree: TreeState;
  limits: readonly CrownLimit[];
  schools: Pick<Schools, 'programme'>;
}): Action[] {
  return c.options
    .filter((o) => allowed(o, schools))
    .map((o): Action => {
      const open = inSeason(month, [o.from, o.to]);
      const needs = o.use === 'protect' ? null : needsOf(o, c);
      const no = against(o, tree, present ? c : null, limits);
      const status = no.some((a) => !a.open)
        ? 'not here'
        : !open || (present && onlyPrevents(o))
          ? 'later'
          : no.length || (present && needs !== null && !atLeast(certainty(o), needs))
            ? 'unsure'
            : 'now';
      return { ...o, open, needs, against: no, status };
    });
}

/**
 * The methods that answer a trouble that is there: what cures; relief only where relief is all that is wanted; and where
 * nothing cures, the first that keeps it from going on. Teeth and antlers come back tomorrow: whatever keeps them off is
 * the answer to them, before any bait; a fence is for groups, and stands among the methods.
 */
export function answering(c: Condition, actions: readonly Action[]): Action[] {
  const cures = actions.filter((a) => a.use === 'cure');
  if (c.kind === 'vertebrate') return [...actions.filter((a) => a.use === 'protect' && a.method !== 'fence'), ...cures];
  return [
    ...cures,
    ...(c.policy === 'relieve' ? actions.filter((a) => a.use === 'relief') : []),
    ...(cures.length ? [] : actions.filter((a) => a.use === 'protect').slice(0, 1)),
  ];
}
