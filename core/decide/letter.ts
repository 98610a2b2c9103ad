import type { Condition } from '../diagnose/knowledge';
import { inSentence, type Certainty, type Decision } from '../diagnose/words';
import type { Duty } from './duties';
import { tellOf } from './tell';

/** What the letter to a client is written from: what was decided and kept, what stands in the book, what is planned. */
export interface LetterFacts {
  kept: { decision: Decision; certainty: Certainty; reason: string; by: string } | null;
  about: Condition | null;
  /** How likely the ranking stood at it when it was decided, 0–1. */
  p: number;
  duties: readonly Duty[];
  /** Done on this tree since it was decided, in words, newest first. */
  done: readonly { day: string; what: string; eatFrom: string | null }[];
  /** Open plans, in words. */
  planned: readonly string[];
  /** What was taken for it before and proved wrong. */
  wasWrong: readonly { name: string; by: string }[];
  /** A dangerous candidate that was looked for and set aside, where what is left is harmless. */
  excluded: string | null;
  /** Months and words of the next window; null where there is none. */
  next: string | null;
}
export interface Letter {
  /** The arborist's own sentence; empty where none was written. */
  own: string;
  /** What was decided, in plain words. */
  decided: string;
  /** What has been and will be done. */
  doing: string[];
  /** What was wrong before, said plainly. */
  owned: string[];
}

/**
 * The letter of a kept decision. Every sentence rests on the decision, the book or the plan, so that it cannot contradict
 * them: nothing is said to be left off the tree that was put on it.
 */
export function letterOf(f: LetterFacts): Letter {
  const { kept, about } = f;
  const doing = f.done.map((d) => `${d.day}: ${d.what}.${d.eatFrom ? ` Fruit may be eaten from ${d.eatFrom}.` : ''}`);
  if (f.planned.length) doing.push(`Planned: ${f.planned.join('; ')}.`);
  const waits = kept && (kept.decision === 'test first' || kept.decision === 'laboratory first');
  if (waits && !f.done.length && !f.planned.length) doing.push('Until the answer is here nothing is put on the tree.');
  const owned = f.wasWrong.map(
    (w) => `Earlier we took it for ${w.name.toLowerCase()}. That was wrong${w.by ? `, as ${w.by} showed` : ''}.`,
  );
  if (f.excluded && about?.kind === 'harmless')
    owned.push(`It is not ${f.excluded.toLowerCase()}, which looks alike: we looked for it.`);
  return {
    own: kept?.reason.trim() ?? '',
    decided: kept
      ? tellOf({
          decision: kept.decision,
          about,
          p: f.p,
          now: [],
          next: f.next,
          waits: [],
          wrong: [],
          duties: f.duties,
          risk: kept.decision === 'protect a sound tree' ? (about?.name ?? null) : null,
        })
      : 'Nothing has been decided yet.',
    doing,
    owned,
  };
}

/** @example doneWords('Foliar spray', ['sulphur'], 'apple scab') // 'foliar spray with sulphur against apple scab' */
export const doneWords = (method: string, actives: readonly string[], target: string | null): string =>
  `${inSentence(method)} with ${actives.join(' + ')}${target ? ` against ${target.toLowerCase()}` : ''}`;
