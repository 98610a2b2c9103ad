import type { Finding } from '@/core/diagnose/knowledge';
import { concerns, signsOf } from '@/core/diagnose/reading';
import type { Vigour } from '@/core/diagnose/words';
import type { Harm } from './harm';
import { readSeen, type Engine, type Put } from './put';

const MONTHS = Array.from({ length: 12 }, (_, i) => i + 1);
const EMPTY: Omit<Put, 'host' | 'month'> = {
  findings: [],
  tests: [],
  crownLoss: null,
  vigour: null,
  barkLoss: null,
  peopleBelow: true,
  truth: [],
};
const WALKED = readSeen(
  'flare-buried:0 bark-sunken-base:0 base-brackets:0 canker-sunken:0 brackets-trunk:0 bleeding:0 dead-twigs:0 top-dieback:0 crown-thin:0 crown-full:4',
);

/** One harmful sign alone: of so many cases, in how many the tree was called sound, and what harm was done. */
export interface SweepTally {
  cases: number;
  sound: number;
  harms: Partial<Record<Harm, number>>;
  examples: string[];
}

/** Two shares of a sweep together. */
export function mergeSweeps(a: SweepTally, b: SweepTally): SweepTally {
  const harms = { ...a.harms };
  for (const [harm, n] of Object.entries(b.harms) as [Harm, number][]) harms[harm] = (harms[harm] ?? 0) + n;
  return {
    cases: a.cases + b.cases,
    sound: a.sound + b.sound,
    harms,
    examples: [...a.examples, ...b.examples].slice(0, 20),
  };
}

/**
 * Each sign that a harmful condition makes, alone, on each host, at each extent, in each month; people below.
 * @param everyNth of so many cases, one is put
 * @param share the hosts of one process among several: every `of`th from the `nth` on
 */
export function oneSignAlone(engine: Engine, everyNth = 1, share = { nth: 0, of: 1 }): SweepTally {
  const knowledge = engine.knowledge;
  const out: SweepTally = { cases: 0, sound: 0, harms: {}, examples: [] };
  const harmful = new Set(
    knowledge.conditions.filter((c) => c.kind !== 'harmless' && c.kind !== 'unknown').flatMap((c) => signsOf(c)),
  );
  let n = 0;
  // By host and month first: what can be looked at there is worked out once for all that follow.
  for (const host of knowledge.hosts.filter((_, i) => i % share.of === share.nth)) {
    const signs = knowledge.signs.filter((s) => harmful.has(s.id) && !s.setting && concerns(s.groups, host));
    for (const month of MONTHS)
      for (const s of signs)
        for (const grade of [1, 2, 3, 4]) {
          if (n++ % everyNth) continue;
          // Health is good, and the rest of the floor was walked: nothing but the sign speaks against calm.
          const findings: Finding[] = [
            ...WALKED.findings.filter((f) => f.sign !== s.id && f.sign !== 'crown-full'),
            { sign: s.id, state: 'seen', grade },
          ];
          const { result, harms } = engine.answer({ ...EMPTY, host, month, findings, crownLoss: 5, vigour: 'good' });
          out.cases++;
          const sound =
            (result.decision === 'leave it alone' && result.condition === 'nothing-wrong') ||
            result.decision === 'protect a sound tree';
          if (sound) {
            out.sound++;
            if (out.examples.length < 20) out.examples.push(`${s.id} at ${grade} on ${host.id} in ${month}`);
          }
          for (const h of harms) {
            out.harms[h] = (out.harms[h] ?? 0) + 1;
            if (out.examples.length < 20) out.examples.push(`${h}: ${s.id} at ${grade} on ${host.id} in ${month}`);
          }
        }
  }
  return out;
}

/** Every host in every month with nothing looked at: nothing may be said but “look further”. */
export function nothingLooked(engine: Engine): { cases: number; other: string[] } {
  const other: string[] = [];
  for (const host of engine.knowledge.hosts)
    for (const month of MONTHS) {
      const { result } = engine.answer({ ...EMPTY, host, month });
      if (result.decision !== 'look further') other.push(`${host.id} in ${month}: ${result.decision}`);
    }
  return { cases: engine.knowledge.hosts.length * 12, other };
}

/**
 * Crown loss, bark loss and vigour in steps on a walked tree: where the decision changes from one step to the next, a new
 * sentence must say why, and once calm has ended it must not come back.
 */
export function steps(engine: Engine): { cases: number; jumps: string[] } {
  const jumps: string[] = [];
  let cases = 0;
  const vigours: Vigour[] = ['good', 'fair', 'poor', 'failing'];
  for (const host of engine.knowledge.hosts) {
    const put: Put = { ...EMPTY, ...WALKED, host, month: 7, crownLoss: 0, vigour: 'good', barkLoss: 0 };
    const rows: [string, Put[]][] = [
      ['crown loss', Array.from({ length: 21 }, (_, i) => ({ ...put, crownLoss: i * 5 }))],
      ['bark loss', Array.from({ length: 21 }, (_, i) => ({ ...put, barkLoss: i / 20 }))],
      ['vigour', vigours.map((vigour) => ({ ...put, vigour }))],
    ];
    for (const [what, row] of rows) {
      let before: { decision: string; said: Set<string>; calm: boolean } | null = null;
      for (const [i, p] of row.entries()) {
        cases++;
        const { result } = engine.answer(p);
        const said = [...result.reasons, ...result.duties].map((r) => r.sentence).concat(result.tell);
        const calm = result.decision === 'leave it alone';
        if (before && before.decision !== result.decision && said.every((s) => before!.said.has(s)))
          jumps.push(`${host.id}, ${what} step ${i}: “${before.decision}” → “${result.decision}” without a word`);
        if (before && calm && !before.calm) jumps.push(`${host.id}, ${what} step ${i}: calm again`);
        before = { decision: result.decision, said: new Set(said), calm };
      }
    }
  }
  return { cases, jumps };
}
