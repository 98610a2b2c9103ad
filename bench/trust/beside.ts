import { chanceFrom } from '@/lib/random';
import { decide } from '@/core/decide/decide';
import { dutyAgainst, inspectionForbidden } from '@/core/decide/forbids';
import { gravity, isTrivial } from '@/core/decide/gravity';
import type { DecideInput, DecisionResult } from '@/core/decide/types';
import type { Condition, Finding, Host } from '@/core/diagnose/knowledge';
import { concerns, oftenOf } from '@/core/diagnose/reading';
import { evidenceOf, posterior, ranking } from '@/core/diagnose/rank';
import { signInSeason } from '@/core/diagnose/model';
import { cleanSigns, mainHosts, monthOf } from './clean';
import type { Engine } from './put';

/** What a sweep found: how many cases it put, and those that broke its rule. */
export interface Sweep {
  cases: number;
  broken: string[];
}

const put = (
  engine: Engine,
  host: Host,
  month: number,
  findings: readonly Finding[],
  more: Partial<DecideInput> = {},
): DecisionResult => {
  const model = engine.model(host, month, more.nearby);
  const candidates = ranking(model, posterior(model, evidenceOf(model, { findings, tests: [] })));
  return decide(
    {
      host,
      month,
      south: false,
      candidates,
      findings,
      tests: [],
      crownLoss: null,
      vigour: null,
      barkLoss: null,
      roots: null,
      peopleBelow: null,
      ...more,
    },
    engine.base,
  );
};

/** Decisions that a history and a find near by may lead to, where nothing was found on the tree. */
const LOOKS = ['look further', 'test first', 'laboratory first'];
/** Every condition on its main host with its own history and a find on the place, and nothing found: a look, and one is named. */
export function historyAlone(engine: Engine, months: readonly number[] = [1, 4, 7, 10]): Sweep {
  const out: Sweep = { cases: 0, broken: [] };
  for (const c of engine.knowledge.conditions)
    for (const host of mainHosts(c, engine.knowledge).slice(0, 1))
      for (const month of months)
        for (const looked of [false, true]) {
          const more: Partial<DecideInput> = { nearby: { [c.id]: 0 }, history: [c.id] };
          const r = put(engine, host, month, [], looked ? { ...more, crownLoss: 5, vigour: 'good' } : more);
          out.cases++;
          if (!LOOKS.includes(r.decision) || !r.look.length)
            out.broken.push(`${c.id} on ${host.id} in ${month}: ${r.decision}, ${r.look.length} looks`);
        }
  return out;
}

/** A sign of a trivial condition on a host, at the lowest extent: its own where it has one. */
function sideSign(c: Condition, host: Host, month: number, engine: Engine): Finding[] {
  const own = engine.knowledge.signs.filter(
    (s) =>
      concerns(s.groups, host) && signInSeason(s, host, month) && ['always', 'usual'].includes(oftenOf(c, s.id) ?? ''),
  );
  const best = own.sort((a, b) => (c.telling[b.id] ? 1 : 0) - (c.telling[a.id] ? 1 : 0) || a.idle - b.idle)[0];
  return best ? [{ sign: best.id, state: 'seen', grade: 1 }] : [];
}

/**
 * A plain case of every grave condition, and beside it one sign of each trivial one: no duty falls out, and nothing that was not
 * calm becomes calm.
 * @param step every so many of the pairs
 */
export function harmlessBeside(engine: Engine, step = 1): Sweep {
  const out: Sweep = { cases: 0, broken: [] };
  const { conditions } = engine.knowledge;
  const trivial = conditions.filter((c) => isTrivial(c) && c.id !== 'nothing-wrong');
  let n = 0;
  for (const c of conditions.filter((x) => gravity(x) >= 2 && x.kind !== 'unknown'))
    for (const host of mainHosts(c, engine.knowledge).slice(0, 1)) {
      const month = monthOf(c, host);
      const findings = cleanSigns(c, host, month, engine.knowledge);
      if (!findings.length) continue;
      const alone = put(engine, host, month, findings, { crownLoss: 10, vigour: 'fair' });
      for (const t of trivial.filter((x) => concerns(x.groups, host))) {
        const side = sideSign(t, host, month, engine).filter((f) => !findings.some((x) => x.sign === f.sign));
        if (!side.length || n++ % step) continue;
        out.cases++;
        const both = put(engine, host, month, [...findings, ...side], { crownLoss: 10, vigour: 'fair' });
        const lost = alone.duties.filter((d) => !both.duties.some((x) => x.id === d.id));
        if (lost.length || (both.decision === 'leave it alone' && alone.decision !== 'leave it alone'))
          out.broken.push(
            `${c.id} with ${t.id} on ${host.id}: ${alone.decision} → ${both.decision} (${both.condition}), lost ${lost.map((d) => d.id)}`,
          );
      }
    }
  return out;
}

/** A plain case of every condition in some months: no look, no method that may be done now, and no word is forbidden by a duty. */
export function dutiesHeld(engine: Engine, months: readonly number[] = [2, 5, 8, 11]): Sweep {
  const out: Sweep = { cases: 0, broken: [] };
  for (const c of engine.knowledge.conditions)
    for (const host of mainHosts(c, engine.knowledge).slice(0, 1))
      for (const month of months) {
        const findings = cleanSigns(c, host, monthOf(c, host), engine.knowledge);
        if (!findings.length) continue;
        for (const named of [undefined, c.id]) {
          const r = put(engine, host, month, findings, { vigour: 'fair', crownLoss: 10, ...(named ? { named } : {}) });
          out.cases++;
          const acts = r.options.filter((o) => o.status === 'now' && dutyAgainst(r.duties, o));
          const looks = r.look.filter((l) => inspectionForbidden(r.duties, l.id));
          const has = (id: string) => r.duties.some((d) => d.id === id);
          const cut = has('no-cut') && /now: [^.]*\b(cut|prune|saw)/i.test(r.tell);
          const dig = has('gas') && r.meanwhile.some((m) => /feel the soil|dig|probe/i.test(m));
          const both =
            /cut and move nothing/i.test(r.tell) && r.options.some((o) => o.status === 'now' && o.method === 'pruning');
          if (acts.length || looks.length || cut || dig || both)
            out.broken.push(
              `${c.id} on ${host.id} in ${month}: ${[...acts.map((a) => a.what), ...looks.map((l) => l.what)].join('; ') || r.tell}`,
            );
        }
      }
  return out;
}

/**
 * Drawn pairs of two troubles on one host, each with its plain signs: together they owe what each owes for itself, and are not calm
 * where one of them is not.
 */
export function drawnPairs(engine: Engine, pairs = 300, seed = 20261201): Sweep {
  const out: Sweep = { cases: 0, broken: [] };
  const random = chanceFrom(seed);
  const draw = <T>(of: readonly T[]): T => of[Math.floor(random() * of.length)]!;
  const { knowledge } = engine;
  const problems = knowledge.conditions.filter((c) => c.kind !== 'unknown' && c.id !== 'nothing-wrong');
  const state = { crownLoss: 10, vigour: 'fair' } as const;
  for (let tries = 0; out.cases < pairs && tries < pairs * 20; tries++) {
    const a = draw(problems);
    const host = draw(mainHosts(a, knowledge));
    const b = draw(problems.filter((x) => x.id !== a.id && concerns(x.groups, host)));
    const month = monthOf(a, host);
    const [one, other] = [cleanSigns(a, host, month, knowledge), cleanSigns(b, host, month, knowledge)];
    if (!one.length || !other.length) continue;
    out.cases++;
    const both = put(engine, host, month, [...one, ...other.filter((f) => !one.some((x) => x.sign === f.sign))], state);
    const each = [one, other].map((findings) => put(engine, host, month, findings, state));
    // A third suspect that neither of them is may weigh less once both are known to be there.
    const own = (d: DecisionResult['duties'][number]) => d.condition === a.id || d.condition === b.id;
    const lost = each.flatMap((r) => r.duties).filter((d) => own(d) && !both.duties.some((x) => x.id === d.id));
    const calm = both.decision === 'leave it alone' && each.some((r) => r.decision !== 'leave it alone');
    if (lost.length || calm)
      out.broken.push(
        `${a.id} with ${b.id} on ${host.id} in ${month}: ${each.map((r) => r.decision).join(' + ')} → ${both.decision} (${both.condition}), lost ${lost.map((d) => `${d.id} of ${d.condition}`)}`,
      );
  }
  return out;
}
