import { stepOfUse } from '@/core/prescribe/costs';
import { indexed } from '@/core/schedule/problem';
import { search } from '@/core/schedule/search';
import { gapOf, inForce, rainsUntil, solving } from '@/core/schedule/solve';
import { drawProblem } from '@/core/schedule/testing';
import { visitsOf } from '@/core/season/programme';
import { trainingLabels } from '@/knowledge';
import type { Table } from './table';

/** A fortnight of a busy company: 300 visits, three crews, forty places of a town. */
const BUSY = { jobs: 300, crews: 3, days: 14, places: 40, hours: 10, orderly: true };
const SEEDS = [1, 2, 3, 4, 5];
const SECONDS = 30;

const middle = (of: number[]) => [...of].sort((a, b) => a - b)[of.length >> 1]!;
const timed = <T>(work: () => T): [T, number] => {
  const t = performance.now();
  const got = work();
  return [got, performance.now() - t];
};

/** The visits of the years, and the assignment of a fortnight. */
export function schedule({ report, row }: Pick<Table, 'report' | 'row'>) {
  const planner = { programme: null, school: 'conventional' as const, south: false };
  const steps = trainingLabels.flatMap((l) => l.uses.map((u) => stepOfUse(u, planner)));
  const years = (trees: number) => {
    let visits = 0;
    for (let i = 0; i < trees; i++) visits += visitsOf(steps[i % steps.length]!, '2027-01-01', 5).length;
    return visits;
  };
  years(1000);
  const [, some] = timed(() => years(2000));
  const [visits, all] = timed(() => years(10_000));
  report(`visits of 10,000 trees over five years (${visits} of them)`, all, 'ms', 1000);
  row('five times as many trees take', `${(all / some).toFixed(1)} times as long`, '≤ 6', all / some <= 6);

  const firsts: number[] = [];
  const agains: number[] = [];
  const gaps: number[] = [];
  for (const seed of SEEDS) {
    const problem = drawProblem(BUSY, seed);
    firsts.push(timed(() => search(indexed(problem)))[1]);
    const s = solving(problem);
    const began = performance.now();
    for (let spent = 0; spent < 1; spent = (performance.now() - began) / (SECONDS * 1000)) s.step(spent);
    const answer = s.answer();
    gaps.push(gapOf(answer)!);
    const wet = rainsUntil(inForce(problem, answer), problem.days[3]!);
    agains.push(timed(() => search(indexed(wet)))[1]);
  }
  report(
    'a fortnight of 300 visits and 3 crews: first legal plan, the slowest of five',
    Math.max(...firsts),
    'ms',
    2000,
  );
  report('another legal plan after the weather has turned, the slowest of five', Math.max(...agains), 'ms', 2000);
  report(`gap to the bound after ${SECONDS} s, median of five`, 100 * middle(gaps), '%', 5);
}
