import type { NorthernMonth } from '../../lib/calendar/months';
import type { Base } from '../decide/base';
import type { Host, Knowledge } from '../diagnose/knowledge';
import { compile, type Model, type Observable } from '../diagnose/model';
import { nextInspections } from '../diagnose/next-look';
import { evidenceOf, posterior, ranking, type Observed } from '../diagnose/rank';
import type { Decision } from '../diagnose/words';
import { chanceFrom } from '../../lib/random';
import { rightDecision } from './right-decision';
import { complaint, drawCase, report } from './draw-case';

export const LEVELS = [
  { level: 1, name: 'First season', about: 'One common cause; what you look at is as it is.' },
  { level: 2, name: 'Journeyman', about: 'Any cause of the base, sometimes with its follower.' },
  { level: 3, name: 'Old hand', about: 'Two causes often, and one look in ten misleads.' },
] as const;
export type Level = (typeof LEVELS)[number]['level'];

/** A case to practise on: what every look shows, by `kind:id`; a look that nobody recorded is missing. Plain data. */
export interface PracticeCase {
  seed: number;
  level: Level;
  hostId: string;
  month: NorthernMonth;
  model: Model;
  truth: string[];
  shows: Record<string, { outcome: string; grade: number }>;
  /** The sign for which somebody was called. */
  complaint: string | null;
}

/** Draws a case by seed and level; the same seed and level give the same case. */
export function practiceCase(knowledge: Knowledge, seed: number, level: Level): PracticeCase {
  const common = new Set(
    knowledge.conditions.filter((c) => c.common === 'very' || c.common === 'often').map((c) => c.id),
  );
  const drawn = drawCase({
    knowledge,
    seed,
    options: {
      evenness: 0.5,
      second: [0, 0.2, 0.45][level - 1]!,
      ...(level === 1 ? { only: common } : {}),
    },
  });
  const chance = chanceFrom(seed * 13 + level);
  const called = complaint(drawn);
  return {
    seed,
    level,
    hostId: drawn.hostId,
    month: drawn.month,
    model: drawn.model,
    truth: drawn.truth,
    shows: Object.fromEntries(
      drawn.model.observables.map((o) => [
        `${o.kind}:${o.id}`,
        o === called ? { outcome: 'seen', grade: 3 } : report(drawn, o, chance, level === 3 ? 0.1 : 0),
      ]),
    ),
    complaint: called?.id ?? null,
  };
}

/** A closed case of a company's own as a practice case: only what was written down can be asked. */
export function closedCase(
  knowledge: Knowledge,
  host: Host,
  closed: { month: NorthernMonth; truth: string; observed: Observed; seed: number },
): PracticeCase {
  const shows: PracticeCase['shows'] = {};
  for (const f of closed.observed.findings)
    if (f.state !== 'not looked')
      shows[`sign:${f.sign}`] = { outcome: f.state === 'seen' ? 'seen' : 'absent', grade: f.grade ?? 0 };
  for (const t of closed.observed.tests) shows[`test:${t.test}`] = { outcome: t.outcome, grade: 0 };
  const first = closed.observed.findings.find((f) => f.state === 'seen');
  return {
    seed: closed.seed,
    level: 2,
    hostId: host.id,
    month: closed.month,
    model: compile(knowledge, host, { month: closed.month }),
    truth: [closed.truth],
    shows,
    complaint: first?.sign ?? null,
  };
}

/** What has been learnt by the looks asked for, in their order. */
export function learnt(c: PracticeCase, asked: readonly string[]): Observed {
  const findings: Observed['findings'][number][] = [];
  const tests: Observed['tests'][number][] = [];
  for (const key of [...(c.complaint ? [`sign:${c.complaint}`] : []), ...asked]) {
    const shown = c.shows[key];
    const [kind, id] = key.split(':') as [string, string];
    if (!shown || findings.some((f) => kind === 'sign' && f.sign === id)) continue;
    if (kind === 'sign')
      findings.push(
        shown.outcome === 'seen' ? { sign: id, state: 'seen', grade: shown.grade || 2 } : { sign: id, state: 'absent' },
      );
    else tests.push({ test: id, outcome: shown.outcome });
  }
  return { findings, tests };
}

export interface Score {
  /** 0–100. */
  points: number;
  parts: { name: string; points: number; most: number; why: string }[];
  minutes: number;
  wounds: number;
  truth: string[];
  decision: Decision;
  /** The way the engine would have gone, and how the leader stood after each look. */
  path: { words: string; outcome: string; leader: string; p: number; minutes: number }[];
}

const observable = (c: PracticeCase, key: string): Observable | undefined =>
  c.model.observables.find((o) => `${o.kind}:${o.id}` === key);
const PATIENCE = 14;

/** The engine's own path through a case. */
function enginePath(c: PracticeCase): Score['path'] {
  const path: Score['path'] = [];
  const asked: string[] = [];
  while (path.length < PATIENCE) {
    const seen = learnt(c, asked);
    const post = posterior(c.model, evidenceOf(c.model, seen));
    if (Math.max(...post.marginal) >= 0.9) break;
    const next = nextInspections({
      model: c.model,
      post,
      observed: seen,
      most: 1,
      allowed: (o) => `${o.kind}:${o.id}` in c.shows,
    })[0];
    if (!next) break;
    const key = `${next.kind}:${next.id}`;
    asked.push(key);
    const leader = ranking(c.model, posterior(c.model, evidenceOf(c.model, learnt(c, asked))))[0]!;
    path.push({
      words: next.words,
      outcome: next.outcomes.find((o) => o.id === c.shows[key]!.outcome)!.words,
      leader: leader.name,
      p: leader.p,
      minutes: next.minutes,
    });
  }
  return path;
}

/** Decisions that do harm where the truth asks for another: treating what needs none, or leaving what must not wait. */
const HARM: Partial<Record<Decision, readonly Decision[]>> = {
  'leave it alone': ['treat now', 'treat in its window', 'manage or remove', 'protect a sound tree'],
  'restore vigour first': ['treat now', 'manage or remove'],
  report: ['leave it alone', 'treat now'],
  'manage or remove': ['treat now', 'leave it alone'],
};

/**
 * Scores a round on truth, on minutes wasted beside the engine's own path, and on harm: wounds, and a decision that hurts.
 * The server runs it from the seed and what was asked; the browser's own sum is never taken.
 */
export function scorePractice({
  c,
  asked,
  said,
  host,
  base,
}: {
  c: PracticeCase;
  asked: readonly string[];
  said: { condition: string; decision: Decision };
  host: Host;
  base: Base;
}): Score {
  const find = base.condition;
  const path = enginePath(c);
  const looks = asked.map((k) => observable(c, k)).filter((o) => o !== undefined);
  const minutes = looks.reduce((s, o) => s + o.minutes, 0);
  const wounds = looks.reduce((s, o) => s + o.wounds, 0);
  const own = path.reduce((s, x) => s + x.minutes, 0);
  const right = rightDecision({ ...c, host }, learnt(c, Object.keys(c.shows)), base);
  const named = said.condition === c.truth[0] ? 50 : c.truth.includes(said.condition) ? 35 : 0;
  const alike = !named && find(c.truth[0]!)?.lookalikes.includes(said.condition);
  const truth = named || (alike ? 10 : 0);
  const decision =
    said.decision === right
      ? 20
      : ['test first', 'laboratory first', 'not yet named', 'look further'].includes(said.decision)
        ? 10
        : 0;
  const wasted = Math.max(0, minutes - own - 2);
  const waste = Math.max(0, Math.round(15 - wasted / 2));
  const hurts = HARM[right]?.includes(said.decision) ?? false;
  const harm = Math.max(0, 15 - wounds * 3 - (hurts ? 15 : 0));
  const name = (id: string) => find(id)?.name ?? id;
  return {
    points: truth + decision + waste + harm,
    parts: [
      { name: 'Truth', points: truth, most: 50, why: `It was ${c.truth.map(name).join(' with ')}.` },
      { name: 'Decision', points: decision, most: 20, why: `It asks for “${right}”.` },
      {
        name: 'Minutes',
        points: waste,
        most: 15,
        why: `${minutes.toFixed(1)} min; the engine’s way takes ${own.toFixed(1)}.`,
      },
      {
        name: 'No harm',
        points: harm,
        most: 15,
        why: hurts
          ? `“${said.decision}” does harm here.`
          : wounds
            ? `${wounds} wounds to the tree.`
            : 'No wound, no harm.',
      },
    ],
    minutes,
    wounds,
    truth: c.truth,
    decision: right,
    path,
  };
}
