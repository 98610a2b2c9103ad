import type { Finding, Knowledge, TestResult } from '@/core/diagnose/knowledge';
import { UNKNOWN, type Model, type Observable } from '@/core/diagnose/model';
import { priorWeights, ranking, sharpen, type Candidate, type Evidence } from '@/core/diagnose/rank';
import { chanceFrom, pick } from '@/lib/random';
import { complaint, drawCase, type DrawnCase } from '@/core/practice/draw-case';
import { ITSELF } from '@/knowledge/conditions/telling';
import type { Harm } from './harm';
import { Engine, type Put } from './put';

/** Somebody who looks: how much of the list, how often wrong, and how wrong sightings are told. */
export interface Observer {
  looked: number;
  tested: number;
  mistakes: number;
  /** Share of right sightings told as sure; of mistaken ones; of mistaken ones of a telling sign. */
  sure: { right: number; mistaken: number; telling: number };
}
/** Careful: nine of ten right sightings are told as sure, a quarter of the mistaken ones, and hardly ever a telling sign. */
export const CAREFUL: Observer = {
  looked: 0.5,
  tested: 0.3,
  mistakes: 0.1,
  sure: { right: 0.9, mistaken: 0.25, telling: 0.02 },
};
/** Sloppy: sure of everything, wrong twice as often. */
export const SLOPPY: Observer = {
  looked: 0.3,
  tested: 0.2,
  mistakes: 0.2,
  sure: { right: 0.95, mistaken: 0.6, telling: 0.2 },
};

/** Extents as they are told: of what a cause makes, of what is there by chance, of what is not there at all. */
const EXTENT = { caused: [0.22, 0.3, 0.3, 0.18], chance: [0.5, 0.3, 0.14, 0.06], mistaken: [0.6, 0.27, 0.1, 0.03] };

interface Looked {
  findings: Finding[];
  tests: TestResult[];
  /** The same, with the true chances of this world and this observer: what the best reader would weigh. */
  best: Evidence[];
}

/** What an observer brings home from a drawn case. */
function examine(d: DrawnCase, who: Observer, chance: () => number): Looked {
  const out: Looked = { findings: [], tests: [], best: [] };
  const called = complaint(d);
  for (const o of d.model.observables) {
    const share = o.kind === 'sign' ? who.looked : o.laboratory || o.wounds === 2 ? who.tested / 3 : who.tested;
    if (o !== called && chance() >= share) continue;
    const there = d.shows.get(`${o.kind}:${o.id}`)!;
    const wrong = o !== called && chance() < (o.laboratory ? who.mistakes / 50 : who.mistakes);
    if (o.kind === 'test') {
      const others = o.outcomes.filter((x) => x.id !== there);
      const outcome = wrong ? others[Math.floor(chance() * others.length)]!.id : there;
      out.tests.push({ test: o.id, outcome });
      out.best.push({ observable: o, likelihood: testLikelihood(o, outcome, who) });
      continue;
    }
    const seen = (there === 'seen') !== wrong;
    if (!seen) out.findings.push({ sign: o.id, state: 'absent' });
    else {
      const from = wrong ? EXTENT.mistaken : EXTENT[d.byChance.has(`sign:${o.id}`) ? 'chance' : 'caused'];
      const grade = o === called ? 3 : pick([1, 2, 3, 4], (g) => from[g - 1]!, chance);
      const mistaken = o.telling ? who.sure.telling : who.sure.mistaken;
      const sureShare = wrong ? mistaken : who.sure.right;
      const sure = o === called || chance() < sureShare;
      out.findings.push({ sign: o.id, state: 'seen', grade, ...(sure ? {} : { sure: 'perhaps' }) });
    }
    out.best.push({ observable: o, likelihood: signLikelihood(o, out.findings.at(-1)!, who) });
  }
  return out;
}

function signLikelihood(o: Observable, f: Finding, who: Observer): Float64Array {
  const q0 = o.chances[0]![0]!;
  const m = who.mistakes;
  if (f.state === 'absent') return Float64Array.of(...o.chances[0]!.map((q) => q * m + (1 - q) * (1 - m)));
  const g = (f.grade ?? 2) - 1;
  const sure = f.sure !== 'perhaps';
  const told = (s: number) => (sure ? s : 1 - s);
  const wrong = told(o.telling ? who.sure.telling : who.sure.mistaken) * EXTENT.mistaken[g]!;
  return Float64Array.of(
    ...o.chances[0]!.map((q) => {
      const idle = Math.min(1, q0 / q) * q;
      const there = (q - idle) * EXTENT.caused[g]! + idle * EXTENT.chance[g]!;
      return there * (1 - m) * told(who.sure.right) + (1 - q) * m * wrong;
    }),
  );
}
function testLikelihood(o: Observable, outcome: string, who: Observer): Float64Array {
  const m = o.laboratory ? who.mistakes / 50 : who.mistakes;
  const k = o.outcomes.findIndex((x) => x.id === outcome);
  const n = o.outcomes.length - 1;
  return Float64Array.of(...o.chances[k]!.map((q) => q * (1 - m) + ((1 - q) * m) / n));
}

/** Every odds moved by a factor of up to three either way: the world is not as the base says. */
export const perturbed = (model: Model, chance: () => number): Model => ({
  ...model,
  conditions: model.conditions.map((c) => ({ ...c, odds: c.odds * 3 ** (2 * chance() - 1) })),
  observables: model.observables.map((o) => {
    const moved = Array.from({ length: o.profiles * o.profiles }, () => 3 ** (2 * chance() - 1));
    const shift = (p: number, f: number) => {
      const odds = (Math.min(0.9999, Math.max(1e-5, p)) / (1 - Math.min(0.9999, Math.max(1e-5, p)))) * f;
      return odds / (1 + odds);
    };
    // A telling sign stays one: what names a thing by its nature does not lose it by chance.
    const first = o.chances[0]!.map((p, i) => (o.telling && p < 0.01 ? p : shift(p, moved[i]!)));
    if (o.kind === 'sign') return { ...o, chances: [first, first.map((p) => 1 - p)] };
    const rows = o.chances.map((row, r) => row.map((p, i) => (r === 0 ? first[i]! : p)));
    const sums = rows[0]!.map((_, i) => rows.reduce((s, row) => s + row[i]!, 0));
    return { ...o, chances: rows.map((row) => row.map((p, i) => p / sums[i]!)) };
  }),
});

export interface DrawnTally {
  cases: number;
  first: number;
  firstThree: number;
  best: number;
  bestThree: number;
  /** Ten bins of the leader's chance, where a leader is named: cases, right ones, sum of what was said. */
  bins: { n: number; right: number; said: number }[];
  /** Cases in which “something else” leads: nobody is named. */
  unnamed: number;
  /** Of "nine in ten or more": how many, and how many wrong. */
  sure: { n: number; wrong: number };
  /** Leaders above six in ten. */
  named: number;
  /** Decisions that open the case instead of closing it. */
  cautious: number;
  harms: Partial<Record<Harm, number>>;
  examples: string[];
}
const zero = (): DrawnTally => ({
  cases: 0,
  first: 0,
  firstThree: 0,
  best: 0,
  bestThree: 0,
  bins: Array.from({ length: 10 }, () => ({ n: 0, right: 0, said: 0 })),
  unnamed: 0,
  sure: { n: 0, wrong: 0 },
  named: 0,
  cautious: 0,
  harms: {},
  examples: [],
});

/** Two shares of one set as one. */
export function mergeTallies(a: DrawnTally, b: DrawnTally): DrawnTally {
  const harms = { ...a.harms };
  for (const [k, n] of Object.entries(b.harms) as [Harm, number][]) harms[k] = (harms[k] ?? 0) + n;
  return {
    cases: a.cases + b.cases,
    first: a.first + b.first,
    firstThree: a.firstThree + b.firstThree,
    best: a.best + b.best,
    bestThree: a.bestThree + b.bestThree,
    bins: a.bins.map((x, i) => ({
      n: x.n + b.bins[i]!.n,
      right: x.right + b.bins[i]!.right,
      said: x.said + b.bins[i]!.said,
    })),
    unnamed: a.unnamed + b.unnamed,
    sure: { n: a.sure.n + b.sure.n, wrong: a.sure.wrong + b.sure.wrong },
    named: a.named + b.named,
    cautious: a.cautious + b.cautious,
    harms,
    examples: [...a.examples, ...b.examples],
  };
}

export interface DrawnSet {
  who: Observer;
  world?: (model: Model, chance: () => number) => Model;
  /** The truth is taken out of the base before it is read. */
  removed?: boolean;
}

/** Whether a condition is there: drawn, or its own sign really stands there, where the sign is the condition itself. */
const isThere = (knowledge: Knowledge, d: DrawnCase, id: string) =>
  d.truth.includes(id) ||
  Object.entries(knowledge.conditions.find((c) => c.id === id)?.telling ?? {}).some(
    ([sign, basis]) => basis === ITSELF && d.shows.get(`sign:${sign}`) === 'seen',
  );

const right = (truth: readonly string[], of: readonly Candidate[], within: number) =>
  of.slice(0, within).some((c) => truth.includes(c.id));

/** Draws cases by their seeds in a world, has them looked at by an observer, and puts them to the engine. */
export function drawnCases(knowledge: Knowledge, seeds: Iterable<number>, set: DrawnSet): DrawnTally {
  const out = zero();
  const whole = new Engine(knowledge);
  for (const seed of seeds) {
    const d = drawCase({ knowledge, seed, options: {}, fixed: {}, world: set.world });
    const real = d.truth.filter((t) => t !== 'nothing-wrong');
    // What stands on a sound tree cannot be taken from the base.
    if (set.removed && !real.length) continue;
    const chance = chanceFrom(seed * 31 + 7);
    const looked = examine(d, set.who, chance);
    const host = knowledge.hosts.find((h) => h.id === d.hostId)!;
    const engine = set.removed
      ? new Engine({ ...knowledge, conditions: knowledge.conditions.filter((c) => !real.includes(c.id)) }, whole.base)
      : whole;
    const put: Put = {
      host,
      month: d.month,
      findings: looked.findings,
      tests: looked.tests,
      crownLoss: 10,
      vigour: 'fair',
      barkLoss: null,
      peopleBelow: true,
      truth: d.truth,
    };
    const { candidates, result, harms } = engine.answer(put);
    out.cases++;
    const leader = candidates[0]!;
    const good = right(d.truth, candidates, 1);
    if (good) out.first++;
    if (right(d.truth, candidates, 3)) out.firstThree++;
    if (!set.removed) {
      const best = ranking(d.model, sharpen(priorWeights(d.model), looked.best));
      if (right(d.truth, best, 1)) out.best++;
      if (right(d.truth, best, 3)) out.bestThree++;
    }
    // “Something else” claims nothing: it is the answer of who does not know.
    if (leader.id === UNKNOWN) out.unnamed++;
    else {
      const stands = good || isThere(knowledge, d, leader.id);
      const bin = out.bins[Math.min(9, Math.floor(leader.p * 10))]!;
      bin.n++;
      bin.said += leader.p;
      if (stands) bin.right++;
      if (leader.p >= 0.9) {
        out.sure.n++;
        if (!stands) {
          out.sure.wrong++;
          if (out.examples.length < 12)
            out.examples.push(
              `sure and wrong: ${d.truth.join('+')} on ${d.hostId} → ${leader.id} ${leader.p.toFixed(2)}`,
            );
        }
      }
    }
    const claims = leader.id !== UNKNOWN && leader.id !== 'nothing-wrong';
    if (claims && leader.p > 0.6 && !(set.removed && isThere(knowledge, d, leader.id))) out.named++;
    if (['look further', 'not yet named', 'test first', 'laboratory first'].includes(result.decision)) out.cautious++;
    for (const h of harms) {
      out.harms[h] = (out.harms[h] ?? 0) + 1;
      if (out.examples.length < 40)
        out.examples.push(
          `${h}: ${d.truth.join('+')} on ${d.hostId} in ${d.month} → ${result.decision}, ${result.condition}`,
        );
    }
  }
  return out;
}
