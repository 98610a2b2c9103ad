import type { Finding, Host, Knowledge, TestResult } from './knowledge';
import { concerns } from './reading';
import { inSentence } from './words';

/** Something about what was entered that a person must be told. */
export interface Doubt {
  id: 'two answers' | 'cannot be both' | 'not on this host' | 'not its host' | 'not this test';
  sentence: string;
}
/** Observations that exclude one another, as `sign` or `test/outcome`. */
export type Exclusion = readonly [a: string, b: string, sentence: string];

/**
 * What contradicts itself or cannot be, in sentences: two answers to one test, observations that exclude one another, signs
 * that cannot be on this host, and a pest that does not attack it, whatever is feared.
 * @param feared conditions that the client asks about, or whose find near by alarms people
 */
export function observationDoubts({
  host,
  observed,
  feared,
  knowledge,
  exclusions,
}: {
  host: Host;
  observed: { findings: readonly Finding[]; tests: readonly TestResult[] };
  feared: readonly string[];
  knowledge: Knowledge;
  exclusions: readonly Exclusion[];
}): Doubt[] {
  const out: Doubt[] = [];
  const say = (id: Doubt['id'], sentence: string) => {
    if (!out.some((d) => d.sentence === sentence)) out.push({ id, sentence });
  };
  for (const f of observed.findings) {
    const s = f.state === 'seen' ? knowledge.signs.find((x) => x.id === f.sign) : undefined;
    if (s && !concerns(s.groups, host))
      say(
        'not on this host',
        `“${s.words}” is not made on ${host.name.toLowerCase()}: is it another tree, or another sign? It was not weighed.`,
      );
  }
  for (const t of observed.tests) {
    const test = knowledge.tests.find((x) => x.id === t.test);
    if (!test) continue;
    if (!concerns(test.groups, host))
      say('not this test', `${test.name} says nothing on ${host.name.toLowerCase()}. It was not weighed.`);
    const other = observed.tests.find((x) => x.test === t.test && x.outcome !== t.outcome);
    const words = (o: string) => inSentence(test.outcomes.find((x) => x.id === o)?.words ?? o);
    if (other && t.outcome < other.outcome)
      say(
        'two answers',
        `${test.name} has two answers, “${words(t.outcome)}” and “${words(other.outcome)}”: do it again. Neither was weighed.`,
      );
  }
  const there = (x: string) =>
    x.includes('/')
      ? observed.tests.some((t) => `${t.test}/${t.outcome}` === x)
      : observed.findings.some(
          (f) => f.sign === x && f.state === 'seen' && f.sure !== 'perhaps' && (f.grade ?? 2) >= 2,
        );
  for (const [a, b, sentence] of exclusions) if (there(a) && there(b)) say('cannot be both', sentence);
  const strangers = strangersTo(host, feared, knowledge);
  if (strangers) say('not its host', strangers);
  return out;
}

/** That what is feared does not attack this host; null where all of it may. */
export function strangersTo(host: Host, feared: readonly string[], knowledge: Knowledge): string | null {
  const names = feared
    .flatMap((id) => knowledge.conditions.find((x) => x.id === id) ?? [])
    .filter((c) => !concerns(c.groups, host))
    .map((c) => c.name);
  return names.length
    ? `${names.join(', ')} ${names.length > 1 ? 'do' : 'does'} not attack ${host.name.toLowerCase()}, whatever is about near by.`
    : null;
}

/** Finds near by that people speak of, and ask about for every tree: what must be reported. */
export const alarming = (nearby: Readonly<Record<string, number>>, k: Knowledge): string[] =>
  k.conditions.filter((c) => c.reportable && nearby[c.id] !== undefined).map((c) => c.id);
