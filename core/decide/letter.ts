import type { LocalDate } from '../../lib/calendar/zone';
import type { Condition } from '../diagnose/knowledge';
import { certaintyWords, inSentence, type Certainty, type Decision } from '../diagnose/words';
import type { Duty } from './duties';
import { askedOfClient, tellOf } from './tell';

/** A treatment of the tree as its client should know it. */
export interface DoneForClient {
  day: LocalDate;
  /** What was done and why, in words. */
  what: string;
  by: string;
  /** What was put on: the product with its registration, and when people may be near again; null for other work. */
  put: { product: string; reEntry: string } | null;
  /** First day on which its fruit may be eaten; null where it bears none. */
  eatFrom: string | null;
}

/** What the letter to a client is written from: what was decided and kept, what stands in the book, what is planned. */
export interface LetterFacts {
  /** Null where nothing has been decided. */
  kept: { decision: Decision; certainty: Certainty; reason: string; by: string } | null;
  about: Condition | null;
  duties: readonly Duty[];
  /** Who writes, for which company, and where the tree stands. */
  from: { company: string; site: string };
  /** Done on this tree since it was decided, newest first; all of it where nothing is decided. */
  done: readonly DoneForClient[];
  /** Open plans and works, each with its day or span in words. */
  planned: readonly { what: string; when: string }[];
  /** What was taken for it before and proved wrong. */
  wasWrong: readonly { name: string; by: string }[];
  /** A dangerous candidate that was looked for and set aside, where what is left is harmless. */
  excluded: string | null;
}
export interface Letter {
  /** The decision in a few words, as the heading. */
  heading: string;
  /** The arborist's own sentence; empty where none was written. */
  own: string;
  /** What was decided, in plain words. */
  decided: string;
  /** What it is and how sure whoever decided was; null where nothing was named. */
  named: string | null;
  /** What has been and will be done. */
  doing: string[];
  /** What was wrong before, said plainly. */
  owned: string[];
}

const doneSentence = (d: DoneForClient, company: string, site: string): string =>
  [
    `${d.day}, ${site}: ${d.what}.`,
    ...(d.put ? [`Product: ${d.put.product}.`] : []),
    `Done by ${d.by}, ${company}.`,
    ...(d.put ? [`Keep off until ${d.put.reEntry}.`] : []),
    ...(d.eatFrom ? [`Fruit may be eaten from ${d.eatFrom}.`] : []),
  ].join(' ');

/** What a condition is told as, without the sentences that take the tree down, where that was not decided. */
const withoutRemoval = (tell: string, decision: Decision): string =>
  decision === 'manage or remove'
    ? tell
    : (tell.match(/[^.!?]+[.!?]+\s*/g) ?? [tell])
        .filter((s) => !/\b(fell|felled|remov|taken down|cut down)/i.test(s))
        .join('')
        .trim();

/**
 * The letter of a kept decision. Every sentence rests on the decision, the book or the plan, so that it cannot contradict
 * them: it lists no ways that might be taken, names no removal that was not decided, and says nothing is left off the tree that
 * was put on it.
 */
export function letterOf(f: LetterFacts): Letter {
  const { kept, about } = f;
  const doing = f.done.map((d) => doneSentence(d, f.from.company, f.from.site));
  doing.push(...f.planned.map((p) => `Planned, ${p.when}, ${f.from.site}: ${p.what}, by ${f.from.company}.`));
  const waits = !kept || kept.decision === 'test first' || kept.decision === 'laboratory first';
  if (waits && !f.done.length && !f.planned.length)
    doing.push(
      kept
        ? 'Until the answer is here nothing is put on the tree.'
        : 'Until something is decided nothing is put on the tree.',
    );
  const owned = f.wasWrong.map(
    (w) => `Earlier we took it for ${w.name.toLowerCase()}. That was wrong${w.by ? `, as ${w.by} showed` : ''}.`,
  );
  if (f.excluded && about?.kind === 'harmless')
    owned.push(`It is not ${f.excluded.toLowerCase()}, which looks alike: we looked for it.`);
  return {
    heading: kept?.decision ?? 'not decided yet',
    own: kept?.reason.trim() ?? '',
    decided: kept
      ? tellOf({
          decision: kept.decision,
          about: about && { ...about, tell: withoutRemoval(about.tell, kept.decision) },
          sure: certaintyWords(kept.certainty),
          now: [],
          next: null,
          waits: [],
          wrong: [],
          duties: f.duties,
          risk: kept.decision === 'protect a sound tree' ? (about?.name ?? null) : null,
        })
      : [...askedOfClient(f.duties), 'We have looked at the tree and have not decided yet what it is.'].join(' '),
    named: kept && about ? `${about.name}: ${certaintyWords(kept.certainty)}. ${about.about}` : null,
    doing,
    owned,
  };
}

/** @example doneWords('Foliar spray', ['sulphur'], 'apple scab') // 'foliar spray with sulphur against apple scab' */
export const doneWords = (method: string, actives: readonly string[], target: string | null): string =>
  `${inSentence(method)} with ${actives.join(' + ')}${target ? ` against ${target.toLowerCase()}` : ''}`;
