import { baseOf } from '../decide/base';
import { decide } from '../decide/decide';
import type { Knowledge } from '../diagnose/knowledge';
import type { Observable } from '../diagnose/model';
import { nextInspections } from '../diagnose/next-look';
import {
  evidenceOf,
  posterior,
  priorWeights,
  ranking,
  sharpen,
  type Candidate,
  type Observed,
  type Posterior,
} from '../diagnose/rank';
import { PARTS_OF_TREE, type Decision } from '../diagnose/words';
import { chanceFrom } from '../../lib/random';
import { ORDINARY, rightDecision } from './right-decision';
import { complaint, drawCase, report, type DrawnCase, type DrawOptions } from './draw-case';

/** What a simulation of many cases found. */
export interface Tally {
  cases: number;
  /** All signs looked at that a thorough look would find, some left out. */
  first: number;
  firstThree: number;
  /** Looks and minutes until the leader stood at the mark, and whether it was right. */
  guided: { looks: number; minutes: number; right: number };
  checklist: { looks: number; minutes: number; right: number };
  /** "what the truth asks for → what was decided": how often. */
  decisions: Record<string, number>;
  /** "truth → taken for": how often. */
  confused: Record<string, number>;
}
export interface SimulateOptions extends DrawOptions {
  /** Share of wrong observations. */
  mistakes?: number;
  /** Share of signs, and of tests, that are looked at in the full examination. */
  looked?: number;
  tested?: number;
  /** The leader's share at which an examination ends. */
  mark?: number;
  mostInspections?: number;
}

const EMPTY: Observed = { findings: [], tests: [] };

function add(o: Observed, x: Observable, { outcome, grade }: { outcome: string; grade: number }): Observed {
  return x.kind === 'sign'
    ? {
        ...o,
        findings: [
          ...o.findings,
          outcome === 'seen' ? { sign: x.id, state: 'seen', grade } : { sign: x.id, state: 'absent' },
        ],
      }
    : { ...o, tests: [...o.tests, { test: x.id, outcome }] };
}

/** The order of somebody who goes through the whole list: signs from the ground up, then the tests by time. */
export const checklistOrder = (observables: readonly Observable[]): Observable[] => [
  ...observables
    .filter((o) => o.kind === 'sign')
    .sort((a, b) => PARTS_OF_TREE.indexOf(a.place!) - PARTS_OF_TREE.indexOf(b.place!)),
  ...observables.filter((o) => o.kind === 'test').sort((a, b) => a.minutes - b.minutes || (a.id < b.id ? -1 : 1)),
];

interface Walk {
  looks: number;
  minutes: number;
  post: Posterior;
}
/** Looks until the leader stands at the mark, nothing is left, or patience ends. */
function walk(
  drawn: DrawnCase,
  choose: (post: Posterior, seen: Observed) => Observable | null,
  o: Required<SimulateOptions>,
): Walk {
  const chance = chanceFrom(drawn.seed * 7 + 3);
  const called = complaint(drawn);
  let seen = called ? add(EMPTY, called, { outcome: 'seen', grade: 3 }) : EMPTY;
  let post = sharpen(priorWeights(drawn.model), evidenceOf(drawn.model, seen));
  let looks = 0;
  let minutes = 0;
  while (looks < o.mostInspections && Math.max(...post.marginal) < o.mark) {
    const next = choose(post, seen);
    if (!next) break;
    const said = report(drawn, next, chance, o.mistakes);
    const one = add(EMPTY, next, said);
    seen = add(seen, next, said);
    post = sharpen(post, evidenceOf(drawn.model, one));
    looks++;
    minutes += next.minutes;
  }
  return { looks, minutes, post };
}

/** Whether the leader is one of what is there; a sound tree may be called by any harmless name that is there. */
const right = (drawn: DrawnCase, candidates: readonly Candidate[], within = 1) =>
  candidates.slice(0, within).some((c) => drawn.truth.includes(c.id));

/**
 * Draws cases by their seeds and examines each three times: thoroughly with gaps and mistakes, guided by the next look,
 * and down the checklist. Deterministic.
 */
export function simulate(knowledge: Knowledge, seeds: Iterable<number>, options: SimulateOptions = {}): Tally {
  const o: Required<SimulateOptions> = {
    mistakes: 0.1,
    looked: 0.7,
    tested: 0.35,
    mark: 0.9,
    mostInspections: 400,
    evenness: 1,
    second: 0.15,
    only: options.only ?? new Set(knowledge.conditions.map((c) => c.id)),
    ...options,
  };
  const base = baseOf(knowledge);
  const zero = () => ({ looks: 0, minutes: 0, right: 0 });
  const tally: Tally = {
    cases: 0,
    first: 0,
    firstThree: 0,
    guided: zero(),
    checklist: zero(),
    decisions: {},
    confused: {},
  };
  const count = (table: Record<string, number>, key: string) => (table[key] = (table[key] ?? 0) + 1);
  for (const seed of seeds) {
    const drawn = drawCase({ knowledge, seed, options: o });
    const { model } = drawn;
    tally.cases++;

    const chance = chanceFrom(seed * 11 + 5);
    const called = complaint(drawn);
    let seen = called ? add(EMPTY, called, { outcome: 'seen', grade: 3 }) : EMPTY;
    for (const x of model.observables)
      if (x !== called)
        if (chance() < (x.kind === 'sign' ? o.looked : x.laboratory || x.wounds === 2 ? o.tested / 2 : o.tested))
          seen = add(seen, x, report(drawn, x, chance, o.mistakes));
    const candidates = ranking(model, posterior(model, evidenceOf(model, seen)));
    if (right(drawn, candidates)) tally.first++;
    else count(tally.confused, `${drawn.truth[0]} → ${candidates[0]!.id}`);
    if (right(drawn, candidates, 3)) tally.firstThree++;

    const host = knowledge.hosts.find((h) => h.id === drawn.hostId)!;
    const decided = decide(
      {
        host,
        month: drawn.month,
        ...seen,
        candidates,
        ...ORDINARY,
      },
      base,
    ).decision;
    const truth = rightDecision({ ...drawn, host }, seen, base);
    const cautious: Decision[] = ['test first', 'laboratory first', 'not yet named', 'look further'];
    count(
      tally.decisions,
      decided === truth
        ? 'as the truth asks'
        : cautious.includes(decided)
          ? 'asks for a test first'
          : `${truth} → ${decided}`,
    );

    const byKey = new Map(model.observables.map((x) => [`${x.kind}:${x.id}`, x]));
    const order = checklistOrder(model.observables).filter((x) => x !== called);
    let at = 0;
    for (const [to, w] of [
      [
        tally.guided,
        walk(
          drawn,
          (post, s) => {
            const next = nextInspections({ model, post, observed: s, most: 1 })[0];
            return next ? byKey.get(`${next.kind}:${next.id}`)! : null;
          },
          o,
        ),
      ],
      [tally.checklist, walk(drawn, () => order[at++] ?? null, o)],
    ] as const) {
      to.looks += w.looks;
      to.minutes += w.minutes;
      if (right(drawn, ranking(model, w.post))) to.right++;
    }
  }
  return tally;
}
