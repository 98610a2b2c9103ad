import type { Problem } from '@/core/schedule/problem';
import { gapOf, solving, type Answer, type Solving } from '@/core/schedule/solve';

/** What a worker is asked: a fortnight, and for how long it may look. */
export interface SearchAsked {
  problem: Problem;
  ms: number;
}
/** What it has by now. */
export interface Found {
  answer: Answer;
  /** Share of the time that is spent; 1 once it has ended. */
  share: number;
}

/** So close to the bound nobody looks further. */
const ENOUGH = 0.005;
/** How many changes are tried between two looks at the clock. */
const AT_ONCE = 20;

export const begin = ({ problem }: SearchAsked): Solving => solving(problem);

/** Looks on until the clock says stop. @returns what it has then */
export function inspectionOn(search: Solving, ms: number, began: number, until: number, now: () => number): Found {
  const share = () => Math.min(1, (now() - began) / ms);
  do {
    for (let i = 0; i < AT_ONCE; i++) search.step(share());
  } while (now() < until && share() < 1);
  const answer = search.answer();
  const near = (gapOf(answer) ?? 1) < ENOUGH;
  return { answer, share: near || !search.x.problem.jobs.length ? 1 : share() };
}

/** The same in the page's own thread, for a browser that gives no worker: a short look. */
export function inspectionBriefly({ problem }: SearchAsked): Found {
  const search = solving(problem);
  const steps = 400;
  for (let i = 0; i < steps; i++) search.step(i / steps);
  return { answer: search.answer(), share: 1 };
}
