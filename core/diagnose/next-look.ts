import type { Model, Observable } from './model';
import { cell, reported, type Observed, type Posterior } from './rank';

/** A look that would tell something: what it is worth, and what each outcome would do. */
export interface NextInspection {
  kind: 'sign' | 'test';
  id: string;
  words: string;
  minutes: number;
  wounds: 0 | 1 | 2;
  laboratory: boolean;
  /** Bits that it is expected to tell about which candidate leads. */
  bits: number;
  outcomes: { id: string; words: string; chance: number; leader: string; p: number }[];
}

/** How much a wound, or a week of waiting, weighs against a look that leaves no mark. */
const WOUND = [1, 0.4, 0.12] as const;
const LABORATORY = 0.15;
/** A hypothesis below this share has no say in what to look at next. */
const FLOOR = 5e-4;
/** A look that tells less than this many bits is not worth a step. */
const LEAST = 0.015;

/** The candidate that a hypothesis is about: of two, the likelier; what harms before what does not. */
function subject(model: Model, post: Posterior, i: number): number {
  const a = post.first[i]!;
  const b = post.second[i]!;
  if (b < 0) return a;
  const [ha, hb] = [model.conditions[a]!.harmless, model.conditions[b]!.harmless];
  if (ha !== hb) return ha ? b : a;
  return post.marginal[a]! >= post.marginal[b]! ? a : b;
}

/** Entropy in bits: log2(total) − Σ p·log2(p) / total. */
function bitsOf(p: Float64Array, total: number): number {
  let h = 0;
  for (let i = 0; i < p.length; i++) if (p[i]! > 0) h += p[i]! * Math.log2(p[i]!);
  return Math.log2(total) - h / total;
}

/** Observables that make no sense on what was seen: nobody rubs a white that nobody saw, nor opens a window on what is seen. */
function senselessOn(observed: Observed): (o: Observable) => boolean {
  const seen = observed.findings.filter((f) => f.state === 'seen');
  const there = new Set(seen.map((f) => f.sign));
  const sure = new Set(seen.filter((f) => f.sure !== 'perhaps' && !f.lastSeason).map((f) => f.sign));
  return (o) => (o.presumes.length > 0 && !o.presumes.some((s) => there.has(s))) || o.said.some((s) => sure.has(s));
}

interface InspectionAsked {
  model: Model;
  post: Posterior;
  observed: Observed;
  /** How many to give. */
  most?: number;
  /** Which observables can be looked at now (season, tools in hand); all by default. */
  allowed?: (o: Observable) => boolean;
}

/** What to look at next: expected information per minute about which candidate it is, looks that leave no mark first. */
export function nextInspections(asked: InspectionAsked): NextInspection[] {
  const { model, post, observed, most = 5, allowed = () => true } = asked;
  const done = new Set([
    ...observed.findings.filter((f) => f.state !== 'not looked').map((f) => `sign:${f.sign}`),
    ...observed.tests.map((t) => `test:${t.test}`),
  ]);
  const senseless = senselessOn(observed);
  const kept: number[] = [];
  for (let i = 0; i < post.weight.length; i++) if (post.weight[i]! > FLOOR) kept.push(i);
  const subjects = kept.map((i) => subject(model, post, i));
  const groups = [...new Set(subjects)];
  const groupOf = new Map(groups.map((g, i) => [g, i]));
  const size = groups.length;
  // Plain arrays of numbers: this loop runs for everything that could be looked at.
  const group = Int32Array.from(subjects, (s) => groupOf.get(s)!);
  const weight = Float64Array.from(kept, (i) => post.weight[i]!);
  const now = new Float64Array(size);
  let total = 0;
  for (let j = 0; j < kept.length; j++) {
    now[group[j]!]! += weight[j]!;
    total += weight[j]!;
  }
  const before = bitsOf(now, total);
  const spots = new Int32Array(kept.length);
  const p = new Float64Array(size);

  const looks: (NextInspection & { value: number })[] = [];
  for (const o of model.observables) {
    if (done.has(`${o.kind}:${o.id}`) || !allowed(o) || senseless(o)) continue;
    // Nothing that is still in the running has anything to do with it.
    if (!groups.some((g) => o.profile[g] !== 0)) continue;
    for (let j = 0; j < kept.length; j++) spots[j] = cell(post, o, kept[j]!);
    let after = 0;
    const outcomes = reported(o).map((chances, k) => {
      p.fill(0);
      for (let j = 0; j < spots.length; j++) p[group[j]!]! += weight[j]! * chances[spots[j]!]!;
      let sum = 0;
      let best = 0;
      for (let g = 0; g < size; g++) {
        sum += p[g]!;
        if (p[g]! > p[best]!) best = g;
      }
      after += (sum / total) * bitsOf(p, sum || 1);
      return {
        ...o.outcomes[k]!,
        chance: sum / total,
        leader: model.conditions[groups[best]!]!.id,
        p: sum > 0 ? p[best]! / sum : 0,
      };
    });
    const bits = Math.max(0, before - after) * o.weight;
    if (bits < LEAST) continue;
    looks.push({
      kind: o.kind,
      id: o.id,
      words: o.words,
      minutes: o.minutes,
      wounds: o.wounds,
      laboratory: o.laboratory,
      bits,
      outcomes,
      value: (bits / (o.minutes + 0.4)) * WOUND[o.wounds] * (o.laboratory ? LABORATORY : 1),
    });
  }
  return looks
    .sort((x, y) => y.value - x.value || (x.id < y.id ? -1 : 1))
    .slice(0, most)
    .map(({ value: _, ...look }) => look);
}
