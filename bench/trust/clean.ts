import type { Condition, Finding, Host, Knowledge } from '@/core/diagnose/knowledge';
import { inLeaf, signInSeason } from '@/core/diagnose/model';
import { concerns, oftenOf } from '@/core/diagnose/reading';
import { OFTEN } from '@/core/diagnose/words';
import { allowedFor } from './allowed';
import type { Harm } from './harm';
import type { Engine, Put } from './put';

/** Hosts on which a condition is shown: those that suffer most first, three at most. */
export function mainHosts(c: Condition, knowledge: Knowledge): Host[] {
  const on = knowledge.hosts.filter((h) => concerns(c.groups, h));
  const worst = c.worseOn.length ? on.filter((h) => concerns(c.worseOn, h)) : [];
  const rest = on.filter((h) => !worst.includes(h));
  // Spread over the hosts, not the first three of the alphabet.
  const step = Math.max(1, Math.floor(rest.length / 3));
  return [...worst, ...rest.filter((_, i) => i % step === 0)].slice(0, 3);
}

/** A month in the middle of its season, in leaf where its signs sit on leaves. */
export function monthOf(c: Condition, host: Host): number {
  const [from, to] = c.season;
  const length = ((to - from + 12) % 12) + 1;
  const months = Array.from({ length }, (_, i) => ((from - 1 + i) % 12) + 1);
  const middle = months[Math.floor(length / 2)]!;
  return inLeaf(host, middle) ? middle : (months.find((m) => inLeaf(host, m)) ?? middle);
}

/** Three to five plain signs of a condition on a host, as somebody who stands there would report them. */
export function cleanSigns(c: Condition, host: Host, month: number, knowledge: Knowledge): Finding[] {
  const of = knowledge.signs
    .filter((s) => concerns(s.groups, host) && signInSeason(s, host, month))
    .map((s) => ({ s, often: oftenOf(c, s.id) }))
    .filter((x) => x.often !== undefined && x.often !== 'never' && x.often !== 'rare');
  const weight = (x: (typeof of)[number]) => OFTEN[x.often!] * (c.telling[x.s.id] ? 2 : 1) - x.s.idle;
  return of
    .sort((a, b) => weight(b) - weight(a) || (a.s.id < b.s.id ? -1 : 1))
    .slice(0, 4)
    .map((x) => ({ sign: x.s.id, state: 'seen', grade: 3 }));
}

export interface CleanTally {
  cases: number;
  first: number;
  firstThree: number;
  decided: number;
  harms: Partial<Record<Harm, number>>;
  /** Cases that fell short, with why. */
  short: string[];
}

/** One clean case for every condition on its main hosts. */
export function cleanCases(engine: Engine): CleanTally {
  const knowledge = engine.knowledge;
  const out: CleanTally = { cases: 0, first: 0, firstThree: 0, decided: 0, harms: {}, short: [] };
  for (const c of knowledge.conditions) {
    if (c.kind === 'unknown' || c.id === 'nothing-wrong') continue;
    for (const host of mainHosts(c, knowledge)) {
      const month = monthOf(c, host);
      const findings = cleanSigns(c, host, month, knowledge);
      if (!findings.length) continue;
      const put: Put = {
        host,
        month,
        findings,
        tests: [],
        crownLoss: 10,
        vigour: 'fair',
        barkLoss: null,
        peopleBelow: true,
        truth: [c.id],
      };
      const { candidates, result, harms } = engine.answer(put);
      // Beside something harmless “nothing wrong” is as true; beside what harms it is not.
      const place = candidates
        .filter((x) => c.kind !== 'harmless' || x.id !== 'nothing-wrong')
        .findIndex((x) => x.id === c.id);
      const right = allowedFor(c).includes(result.decision);
      out.cases++;
      if (place === 0) out.first++;
      if (place < 3) out.firstThree++;
      if (right) out.decided++;
      for (const h of harms) out.harms[h] = (out.harms[h] ?? 0) + 1;
      const why = [
        ...(place === 0
          ? []
          : [
              `stands ${place + 1}. behind ${candidates
                .slice(0, place)
                .map((x) => x.id)
                .slice(0, 3)
                .join(', ')}`,
            ]),
        ...(right ? [] : [`says “${result.decision}” (${result.condition ?? 'nothing named'})`]),
        ...harms.map((h) => `harm: ${h}`),
      ];
      if (why.length)
        out.short.push(
          `${c.id} on ${host.id} in month ${month} (${findings.map((f) => f.sign).join(', ')}): ${why.join('; ')}`,
        );
    }
  }
  return out;
}
