import type { Condition } from '../diagnose/knowledge';
import { inSentence, type Decision } from '../diagnose/words';
import type { Duty } from './duties';

/** What the sentence for the client is made from: the decision itself, never more than is known. */
export interface Tellable {
  decision: Decision;
  about: Condition | null;
  /** How sure it is, in words. */
  sure: string;
  /** What is done today, in words; empty where nothing is. */
  now: readonly string[];
  /** Months and words of the next window; null where there is none. */
  next: string | null;
  /** What a laboratory or a test must say before more is done. */
  waits: readonly string[];
  /** Danger or trouble that nothing named explains, in words. */
  wrong: readonly string[];
  duties: readonly Pick<Duty, 'id'>[];
  /** Name of what a sound tree is protected from. */
  risk: string | null;
}

const list = (of: readonly string[]) =>
  of.length < 2 ? (of[0] ?? '') : `${of.slice(0, -1).join(', ')} and ${of.at(-1)}`;

/** What a client is asked to keep to, whatever was decided. */
export function askedOfClient(duties: readonly Pick<Duty, 'id'>[]): string[] {
  const out: string[] = [];
  const owed = (id: Duty['id']) => duties.some((d) => d.id === id);
  if (owed('gas')) out.push('Please keep away, no flame, no digging: there may be gas in the soil.');
  if (owed('risk')) out.push('Please keep clear of the tree until we have spoken.');
  if (owed('hairs')) out.push('Keep people and dogs away: the hairs hurt.');
  if (owed('report') && owed('no-cut'))
    out.push('This may have to be reported: please cut and move nothing until the authority has answered.');
  else if (owed('report'))
    // What is cut all the same, as a strike of fire blight is, stays where it was cut.
    out.push('This may have to be reported: please take nothing away from here until the authority has answered.');
  else if (owed('no-cut')) out.push('Please cut nothing here until we have spoken.');
  return out;
}

/** What the client is told: built from the decision, so that it cannot say another thing. */
export function tellOf(t: Tellable): string {
  const out = askedOfClient(t.duties);
  const { about } = t;
  const name = about && about.kind !== 'unknown' ? about.name.toLowerCase() : null;
  switch (t.decision) {
    case 'look further':
      out.push('We have not looked at enough of the tree to say how it is, and come back to look.');
      break;
    case 'not yet named':
      out.push(
        `Something is wrong${t.wrong.length ? ` (${list(t.wrong.map(inSentence))})` : ''}, and we do not know yet what. No product is used on a guess.`,
      );
      break;
    case 'test first':
    case 'laboratory first':
      out.push(
        `We are not sure yet. ${name ? `The likeliest is ${name} (${t.sure}). ` : ''}${t.decision === 'laboratory first' ? 'We send a sample to the laboratory' : 'A test will tell'}${about ? `: ${inSentence(about.decidingTest)}` : ''}.`,
      );
      break;
    case 'leave it alone':
      out.push(
        about?.id === 'nothing-wrong'
          ? 'A sound tree. We come by again.'
          : about && (about.kind === 'harmless' || about.policy === 'leave')
            ? `${about.name}: nothing needs to be done about it. ${about.tell}`
            : `${about ? `${about.name}: there` : 'There'} is less of it than is worth acting on. We look again.`,
      );
      break;
    case 'protect a sound tree':
      out.push(
        `A sound tree${t.risk ? `, with ${t.risk.toLowerCase()} about` : ''}. It is protected${t.next ? ` ${t.next}` : t.now.length ? ' now' : ' in its season'}.`,
      );
      break;
    case 'treat now':
      if (about && about.kind !== 'harmless') out.push(about.tell);
      if (t.now.length) out.push(`Now: ${list(t.now.map(inSentence))}.`);
      // A client is never sent an empty page, whatever is not known yet.
      else if (!about || about.kind === 'harmless') out.push('It is treated. We tell you how before we begin.');
      break;
    case 'treat in its window':
      if (about && about.kind !== 'harmless') out.push(about.tell);
      out.push(t.next ? `It is done in its season: ${t.next}.` : 'It is done in its season.');
      break;
    case 'restore vigour first':
      out.push(
        `${about ? `${about.name}. ` : ''}The tree itself is helped first${t.now.length ? `: ${list(t.now.map(inSentence))}` : ''}; then we look again.`,
      );
      break;
    case 'manage or remove':
      out.push(
        `${about ? `${about.name}: ` : ''}nothing brings this tree back to what it was. We speak about how long it may stand, and what comes after it.`,
      );
      break;
    case 'report':
      out.push(`${about ? `${about.name}. ` : ''}The authority has the next word; it takes its own sample.`);
      break;
  }
  if (t.waits.length && t.decision !== 'laboratory first' && t.decision !== 'test first')
    out.push(`What waits for a test: ${list(t.waits.map(inSentence))}.`);
  return out.join(' ');
}
