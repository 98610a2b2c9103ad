import { SOUND, UNKNOWN, type Model } from './model';
import { inWords } from './sureness';
import { inSentence } from './words';
import {
  cell,
  evidenceOf,
  posterior,
  priorWeights,
  ranking,
  type Candidate,
  type Observed,
  type Posterior,
} from './rank';

/** One observation as it weighs for or against a candidate. */
export interface Weight {
  kind: 'sign' | 'test';
  id: string;
  /** Words of the sign, with "not there" before one that was looked for and absent; of a test its outcome. */
  words: string;
  /** Bits for (positive) or against (negative) the candidate, beside all that contend with it. */
  bits: number;
}

/** Words of an observation, as they stand in a beam. */
function wordsOf(model: Model, observed: Observed, kind: 'sign' | 'test', id: string): string {
  const o = model.observables.find((x) => x.kind === kind && x.id === id)!;
  if (kind === 'test') {
    const outcome = observed.tests.find((t) => t.test === id)!.outcome;
    return o.outcomes.find((x) => x.id === outcome)!.words;
  }
  const f = observed.findings.find((x) => x.sign === id)!;
  return f.state === 'absent' ? `not there: ${inSentence(o.words)}` : o.words;
}

/**
 * What speaks for and against one candidate: for each observation, how much likelier it is if the candidate is there
 * than it is on average among all others that contend, weighted as they stand. Strongest first.
 */
export function scoreOption(model: Model, observed: Observed, post: Posterior, candidate: number): Weight[] {
  const evidence = evidenceOf(model, observed);
  const prior = priorWeights(model);
  return evidence
    .map(({ observable: o, likelihood }): Weight => {
      // Rivals as they stand now, with a little of how they stood before anything was seen: a beam must not shrink to
      // nothing only because its rivals are already out of the running.
      let own = 0;
      let ownShare = 0;
      let others = 0;
      let othersShare = 0;
      for (let i = 0; i < post.weight.length; i++) {
        const a = post.first[i]!;
        const b = post.second[i]!;
        const w = post.weight[i]! + 0.3 * prior.weight[i]!;
        const l = likelihood[cell(post, o, i)]! * w;
        if (a === candidate || b === candidate) {
          own += l;
          ownShare += w;
        } else {
          others += l;
          othersShare += w;
        }
      }
      const bits = ownShare && othersShare ? Math.log2(own / ownShare / (others / othersShare)) : 0;
      return { kind: o.kind, id: o.id, words: wordsOf(model, observed, o.kind, o.id), bits };
    })
    .filter((w) => Math.abs(w.bits) > 0.05)
    .sort((x, y) => Math.abs(y.bits) - Math.abs(x.bits) || (x.id < y.id ? -1 : 1));
}

/** An observation that, were it otherwise, would put another candidate first. */
export interface WouldChange {
  kind: 'sign' | 'test';
  id: string;
  /** "if there were none of: …", "if … were there". */
  words: string;
  leader: string;
}

/** Which single observation, had it come out otherwise, would change the leader; the most telling first. */
export function wouldChange(model: Model, observed: Observed, most = 3): WouldChange[] {
  const after = (o: Observed) => posterior(model, evidenceOf(model, o));
  const post = after(observed);
  const now = ranking(model, post)[0]!.id;
  const out: WouldChange[] = [];
  const order = scoreOption(
    model,
    observed,
    post,
    model.conditions.findIndex((c) => c.id === now),
  );
  for (const w of order.slice(0, 8)) {
    const other: Observed =
      w.kind === 'sign'
        ? {
            ...observed,
            findings: observed.findings.map((f) =>
              f.sign !== w.id
                ? f
                : f.state === 'seen'
                  ? { sign: f.sign, state: 'absent' }
                  : { sign: f.sign, state: 'seen', grade: 3 },
            ),
          }
        : { ...observed, tests: observed.tests.filter((t) => t.test !== w.id) };
    const leader = ranking(model, after(other))[0]!.id;
    if (leader === now) continue;
    const o = model.observables.find((x) => x.kind === w.kind && x.id === w.id)!;
    const f = observed.findings.find((x) => x.sign === w.id);
    out.push({
      kind: w.kind,
      id: w.id,
      words:
        w.kind === 'test'
          ? `without the test “${w.words}”`
          : f?.state === 'seen'
            ? `if this were a mistake: ${o.words}`
            : `if this were there after all: ${o.words}`,
      leader,
    });
    if (out.length === most) break;
  }
  return out;
}

/** A candidate with what speaks for and against it: one beam of the balance. */
export interface Beam extends Candidate {
  sure: string;
  for: Weight[];
  against: Weight[];
}

/** The beams of the likeliest candidates; the sound tree and the unknown always among them, and a named one too. */
export function balance({
  model,
  observed,
  post,
  most = 4,
  named,
}: {
  model: Model;
  observed: Observed;
  post: Posterior;
  most?: number;
  named?: string;
}): Beam[] {
  const all = ranking(model, post);
  const kept = all.filter((c, i) => i < most || c.id === SOUND || c.id === UNKNOWN || c.id === named);
  return kept.map((c) => {
    const weights = scoreOption(
      model,
      observed,
      post,
      model.conditions.findIndex((x) => x.id === c.id),
    );
    return {
      ...c,
      sure: inWords(c.p),
      for: weights.filter((w) => w.bits > 0),
      against: weights.filter((w) => w.bits < 0),
    };
  });
}
