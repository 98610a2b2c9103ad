import type { Finding, TestResult } from './knowledge';
import { SOUND, type Model, type Observable } from './model';
import { memoize } from '../../lib/memoize';
import type { Sure } from './words';

/** What has been looked at: signs with their state and grade, and tests with their outcome. Order does not matter. */
export interface Observed {
  findings: readonly Pick<Finding, 'sign' | 'state' | 'grade' | 'sure' | 'lastSeason'>[];
  tests: readonly TestResult[];
}

/** Extents 1 to 4 of a sign: made by its cause, there by chance, and taken for it by mistake (mostly a trace). */
const CAUSED = [0, 0.22, 0.3, 0.3, 0.18] as const;
const BY_CHANCE = [0, 0.5, 0.3, 0.14, 0.06] as const;
const MISTAKEN = [0, 0.6, 0.27, 0.1, 0.03] as const;
/** Share of what is there that is reported with these words, and of what is not there that is taken for it. */
const REPORTED: Readonly<Record<Sure, { there: number; mistaken: number; mistakenTelling: number }>> = {
  sure: { there: 0.78, mistaken: 0.012, mistakenTelling: 0.0006 },
  perhaps: { there: 0.12, mistaken: 0.05, mistakenTelling: 0.02 },
};
/** Share of signs that are there and overlooked. */
const OVERLOOKED = 0.1;
/** What was seen last season is told from memory. */
const FROM_MEMORY = 0.8;

/** How likely a sighting of so much, so sure, is where the sign is there with chance q; q0 is its chance where nothing makes it. */
function stageNote(q: number, q0: number, extent: number, sure: Sure, telling: boolean): number {
  const r = REPORTED[sure];
  const caused = q > q0 ? (q - q0) / (1 - q0) : 0;
  const idle = (1 - caused) * Math.min(q, q0);
  const error = telling ? r.mistakenTelling : r.mistaken;
  return r.there * (caused * CAUSED[extent]! + idle * BY_CHANCE[extent]!) + (1 - q) * error * MISTAKEN[extent]!;
}

/** All single candidates and all pairs, with their weights after what was observed. Weights sum to one. */
export interface Posterior {
  /** First and second member by index; the second is -1 for a single candidate. */
  first: Int16Array;
  second: Int16Array;
  weight: Float64Array;
  /** How likely each candidate is there, alone or with another. */
  marginal: Float64Array;
}

/** Chances of every outcome by pair of profiles, with the mistakes of people and tests in them. */
export const reported = memoize((o: Observable): Float64Array[] => {
  if (o.kind === 'sign') {
    const seen = Float64Array.of(...o.chances[0]!.map((q) => q * (1 - OVERLOOKED) + (1 - q) * o.error));
    return [seen, seen.map((p) => 1 - p)];
  }
  // Chances travel rounded; what people report of them sums to one again.
  const sums = o.chances[0]!.map((_, cell) => o.chances.reduce((t, row) => t + row[cell]!, 0));
  return o.chances.map((row) =>
    Float64Array.of(...row.map((q, cell) => (q / sums[cell]!) * (1 - o.error) + o.error / o.outcomes.length)),
  );
});

const observablesOf = memoize((model: Model) => new Map(model.observables.map((o) => [`${o.kind}:${o.id}`, o])));
const profileOf = memoize((o: Observable) => Uint8Array.of(...o.profile));

/** What one observation says: how likely it is by pair of profiles. */
export interface Evidence {
  observable: Observable;
  likelihood: Float64Array;
}

/** What was observed, as likelihoods; "not looked" and what this host has not are left out. */
export function evidenceOf(model: Model, observed: Observed): Evidence[] {
  const by = observablesOf(model);
  const out: Evidence[] = [];
  const taken = new Set<Observable>();
  const add = (o: Observable, likelihood: Float64Array) => {
    taken.add(o);
    out.push({ observable: o, likelihood });
  };
  for (const f of observed.findings) {
    const o = by.get(`sign:${f.sign}`);
    if (!o || f.state === 'not looked' || taken.has(o)) continue;
    const q0 = o.chances[0]![0]!;
    const extent = Math.min(4, Math.max(1, f.grade || 2));
    const of =
      f.state === 'seen'
        ? (q: number) => stageNote(q, q0, extent, f.sure ?? 'sure', o.telling)
        : (q: number) => 1 - q + q * OVERLOOKED;
    const weight = o.weight * (f.lastSeason ? FROM_MEMORY : 1);
    add(o, Float64Array.of(...o.chances[0]!.map((q) => of(q) ** weight)));
  }
  const outcomes = new Map<string, Set<string>>();
  for (const t of observed.tests) outcomes.set(t.test, (outcomes.get(t.test) ?? new Set<string>()).add(t.outcome));
  for (const t of observed.tests) {
    // Two answers to one test say nothing until it is done again; they are told, not weighed.
    if (outcomes.get(t.test)!.size > 1) continue;
    const o = by.get(`test:${t.test}`);
    const k = o?.outcomes.findIndex((x) => x.id === t.outcome) ?? -1;
    if (!o || k < 0 || taken.has(o)) continue;
    add(o, reported(o)[k]!);
  }
  return out;
}

/** Weights of all hypotheses before anything was looked at; worked out once a model, and never changed. */
export const priorWeights = memoize((model: Model): Posterior => {
  const n = model.conditions.length;
  const sound = model.conditions.findIndex((c) => c.id === SOUND);
  const size = n + ((n - 1) * (n - 2)) / 2;
  const first = new Int16Array(size);
  const second = new Int16Array(size).fill(-1);
  const weight = new Float64Array(size);
  const chain = new Map(
    model.chains.map(([d, f, share]) => [Math.min(d, f) * n + Math.max(d, f), [d, share] as const]),
  );
  let k = 0;
  for (let a = 0; a < n; a++) {
    first[k] = a;
    weight[k++] = model.conditions[a]!.odds;
    // A sound tree has nothing else; whatever is there stands alone then.
    if (a === sound) continue;
    for (let b = a + 1; b < n; b++) {
      if (b === sound) continue;
      first[k] = a;
      second[k] = b;
      const joined = chain.get(a * n + b);
      const apart = model.conditions[a]!.odds * model.conditions[b]!.odds;
      weight[k++] = joined ? Math.max(apart, model.conditions[joined[0]]!.odds * joined[1]) : apart;
    }
  }
  return settled({ first, second, weight, marginal: new Float64Array(n) });
});

/** Makes the weights sum to one, and the marginals follow from them; in place. */
function settled(post: Posterior): Posterior {
  const { first, second, weight, marginal } = post;
  let total = 0;
  for (let i = 0; i < weight.length; i++) total += weight[i]!;
  marginal.fill(0);
  for (let i = 0; i < weight.length; i++) {
    const w = (weight[i]! /= total);
    marginal[first[i]!]! += w;
    if (second[i]! >= 0) marginal[second[i]!]! += w;
  }
  return post;
}

/** Where in the tables of an observable a hypothesis stands. */
export function cell(post: Pick<Posterior, 'first' | 'second'>, o: Observable, i: number): number {
  const b = post.second[i]!;
  return o.profile[post.first[i]!]! * o.profiles + (b < 0 ? 0 : o.profile[b]!);
}

/** The weights after some more evidence; what was given stays as it is. */
export function sharpen(post: Posterior, evidence: readonly Evidence[]): Posterior {
  const next = { ...post, weight: post.weight.slice(), marginal: post.marginal.slice() };
  const { first, second, weight } = next;
  for (const { observable, likelihood } of evidence) {
    const n = observable.profiles;
    const profile = profileOf(observable);
    let total = 0;
    for (let i = 0; i < weight.length; i++) {
      const b = second[i]!;
      total += weight[i]! *= likelihood[profile[first[i]!]! * n + (b < 0 ? 0 : profile[b]!)]!;
    }
    // Kept near one, so that a long examination does not run into nothing.
    for (let i = 0; i < weight.length; i++) weight[i]! /= total;
  }
  return settled(next);
}

/** Weights of all hypotheses in the light of the evidence. */
export const posterior = (model: Model, evidence: readonly Evidence[]): Posterior =>
  sharpen(priorWeights(model), evidence);

export interface Candidate {
  id: string;
  name: string;
  kind: Model['conditions'][number]['kind'];
  harmless: boolean;
  /** Chance that it is there, alone or with another; 0–1. */
  p: number;
}

/** Candidates by how likely they are; equal ones in the order of the base, so that the same looks give the same list. */
export const ranking = (model: Model, post: Posterior): Candidate[] =>
  model.conditions
    .map((c, i) => ({ id: c.id, name: c.name, kind: c.kind, harmless: c.harmless, p: post.marginal[i]! }))
    .sort((x, y) => y.p - x.p);
