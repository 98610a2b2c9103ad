import type { Decision, Vigour } from '@/core/diagnose/words';

/**
 * A case told in a line, as somebody who stood there would tell it. Several decisions may be right; what is never right is
 * held against it by the harm predicate, not by this list.
 */
export interface FieldCase {
  id: string;
  host: string;
  month: number;
  /** `sign:3` how much of it (1 a trace to 4 everywhere), `sign:3?` perhaps, `sign:3<` seen last season, `sign:0` absent, `test/outcome`. */
  seen: string;
  /** What it is; several where no look could tell them apart; none where it must not be named. */
  truth: string[];
  decisions: Decision[];
  why: string;
  crown?: number;
  vigour?: Vigour;
  /** Share of the girth without bark. */
  bark?: number;
  lat?: number;
  nearby?: Record<string, number>;
  people?: boolean;
  duties?: string[];
  table?: string;
}

type More = Pick<FieldCase, 'crown' | 'vigour' | 'bark' | 'lat' | 'nearby' | 'people' | 'duties' | 'table'>;
/** One case: truth and decisions may name several, parted by "|"; "-" is not to be named. */
export const told = (
  id: string,
  host: string,
  month: number,
  seen: string,
  truth: string,
  decisions: string,
  why: string,
  more: More = {},
): FieldCase => ({
  id,
  host,
  month,
  seen,
  truth: truth === '-' ? [] : truth.split('|'),
  decisions: decisions.split('|') as Decision[],
  why,
  ...more,
});

/** A walk round a tree that found nothing: collar, trunk, branches and crown. */
export const WALK =
  'flare-buried:0 bark-sunken-base:0 base-brackets:0 canker-sunken:0 brackets-trunk:0 bleeding:0 dead-twigs:0 top-dieback:0 crown-thin:0 crown-full:4';
