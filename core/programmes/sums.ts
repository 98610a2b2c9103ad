import type { Prices } from '../cost/prices';
import { atTree, workAtTree } from '../prescribe/costs';
import { INSPECTION_MINUTES } from '../schedule/durations';
import type { LocalDate } from '../../lib/calendar/zone';
import { keyOf, type AssignedVisit } from './assign';

/** One visit of a programme over all its trees: when, how many, what it takes and what it costs at the trees. */
export interface VisitSum {
  step: string;
  year: number;
  nth: number;
  kind: 'treat' | 'work' | 'look';
  /** First and last day on which any of its trees has it. */
  from: LocalDate;
  to: LocalDate;
  trees: number;
  /** Trees on which it waits for a look. */
  expected: number;
  products: { name: string; amount: number; dimension: 'volume' | 'mass'; waterMl: number }[];
  /** Money at the trees, minor units; coming out is counted once for a day. */
  money: number;
}
export interface ProgrammeSums {
  visits: VisitSum[];
  /** What is planned takes so much of each product, and what waits for a look as much again. */
  products: { key: string; name: string; dimension: 'volume' | 'mass'; planned: number; expected: number }[];
  /** Days on which somebody comes out for what is planned, and what all of it costs, minor units. */
  days: number;
  planned: number;
  expected: number;
}

const stands = (v: AssignedVisit) => v.state === 'planned' || v.state === 'expected';

/** What a visit costs at its tree, minor units. */
export function costOf(v: AssignedVisit, prices: Prices): number {
  if (v.act?.kind === 'treat')
    return v.act.result.dose.ok ? atTree(v.act.label, v.act.use, v.act.result.dose, prices) : 0;
  if (v.act?.kind === 'work') return workAtTree(v.act.sheet.minutes, prices);
  return workAtTree(INSPECTION_MINUTES, prices);
}

/**
 * What a programme comes to over its trees: visit by visit, by product, and in money, with the coming out counted once for
 * each day at the place. What waits for a look is counted apart: it may never come.
 * @param trees the visits of each tree
 */
export function sumsOf(trees: readonly (readonly AssignedVisit[])[], prices: Prices): ProgrammeSums {
  const visits = new Map<string, VisitSum>();
  const products = new Map<string, ProgrammeSums['products'][number]>();
  const days = new Set<LocalDate>();
  let [planned, expected] = [0, 0];
  for (const v of trees.flat().filter(stands)) {
    if (!v.act) continue;
    const key = keyOf(v);
    const { step, year, nth, day } = v;
    const sum: VisitSum = visits.get(key) ?? {
      step,
      year,
      nth,
      kind: v.act.kind,
      from: day,
      to: day,
      trees: 0,
      expected: 0,
      products: [],
      money: 0,
    };
    const cost = costOf(v, prices);
    sum.trees++;
    sum.money += cost;
    if (day < sum.from) sum.from = day;
    if (day > sum.to) sum.to = day;
    if (v.state === 'expected') {
      sum.expected++;
      expected += cost;
    } else {
      planned += cost;
      days.add(day);
    }
    if (v.act.kind === 'treat' && v.act.result.dose.ok) addProduct(sum, products, v, v.act);
    visits.set(key, sum);
  }
  return {
    visits: [...visits.values()].sort((a, b) => a.from.localeCompare(b.from) || a.step.localeCompare(b.step)),
    products: [...products.values()],
    days: days.size,
    planned: planned + days.size * prices.visit,
    expected,
  };
}

function addProduct(
  sum: VisitSum,
  products: Map<string, ProgrammeSums['products'][number]>,
  v: AssignedVisit,
  { label, result: { dose } }: Extract<AssignedVisit['act'], { kind: 'treat' }>,
): void {
  if (!dose.ok) return;
  const of = sum.products.find((p) => p.name === label.name) ?? {
    name: label.name,
    amount: 0,
    dimension: dose.dimension,
    waterMl: 0,
  };
  of.amount += dose.product;
  of.waterMl += dose.carrier?.totalMl ?? 0;
  if (!sum.products.includes(of)) sum.products.push(of);
  const all = products.get(label.key) ?? {
    key: label.key,
    name: label.name,
    dimension: dose.dimension,
    planned: 0,
    expected: 0,
  };
  all[v.state === 'expected' ? 'expected' : 'planned'] += dose.product;
  products.set(label.key, all);
}
