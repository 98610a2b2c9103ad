import { baseOf, type Base } from '@/core/decide/base';
import { decide } from '@/core/decide/decide';
import type { DecideInput, DecisionResult } from '@/core/decide/types';
import { shortFinding } from '@/core/decide/ask';
import type { Finding, Host, Knowledge, TestResult } from '@/core/diagnose/knowledge';
import { compile, type Model } from '@/core/diagnose/model';
import { evidenceOf, posterior, ranking, type Candidate } from '@/core/diagnose/rank';
import type { Vigour } from '@/core/diagnose/words';
import type { FieldCase } from '@/knowledge/vignettes/field';
import { northernMonth, southOfCase } from '@/lib/calendar/hemisphere';
import { harmsOf, type Harm, type Said } from './harm';

/** A case as it is put to the engine; months are those of the northern year. */
export interface Put {
  host: Host;
  month: number;
  south?: boolean;
  findings: readonly Finding[];
  tests: readonly TestResult[];
  crownLoss: number | null;
  vigour: Vigour | null;
  barkLoss: number | null;
  peopleBelow: boolean | null;
  nearby?: Readonly<Record<string, number>>;
  truth: readonly string[];
}
export interface Answer {
  candidates: Candidate[];
  result: DecisionResult;
  harms: Harm[];
}

/** The engine on one knowledge base, with its models kept: a base is compiled once a host and month. */
export class Engine {
  private readonly models = new Map<string, Model>();
  readonly base: Base;
  constructor(
    readonly knowledge: Knowledge,
    /** The whole base, where what is asked of is a part of it: harm is judged by what is true. */
    private readonly whole: Base = baseOf(knowledge),
  ) {
    this.base = baseOf(knowledge);
  }
  model(host: Host, month: number, nearby?: Readonly<Record<string, number>>): Model {
    const key = `${host.id}/${month}/${JSON.stringify(nearby ?? {})}`;
    let m = this.models.get(key);
    if (!m) this.models.set(key, (m = compile(this.knowledge, host, { month, ...(nearby ? { nearby } : {}) })));
    return m;
  }
  /** Ranks, decides, and holds the answer against the predicate of harm. */
  answer(p: Put, known?: Candidate[]): Answer {
    const model = this.model(p.host, p.month, p.nearby);
    const candidates =
      known ?? ranking(model, posterior(model, evidenceOf(model, { findings: p.findings, tests: p.tests })));
    const input: DecideInput = {
      host: p.host,
      month: p.month,
      south: p.south ?? false,
      candidates,
      findings: p.findings,
      tests: p.tests,
      crownLoss: p.crownLoss,
      vigour: p.vigour,
      barkLoss: p.barkLoss,
      roots: null,
      peopleBelow: p.peopleBelow,
      ...(p.nearby ? { nearby: p.nearby } : {}),
    };
    const result = decide(input, this.base);
    return { candidates, result, harms: this.judge(p, result) };
  }
  private judge(p: Put, r: DecisionResult): Harm[] {
    const said: Said = {
      decision: r.decision,
      condition: r.condition,
      now: r.options.filter((o) => o.status === 'now'),
      duties: r.duties.map((d) => d.id),
      tell: r.tell,
    };
    return harmsOf(
      said,
      {
        truth: p.truth,
        hostId: p.host.id,
        edible: p.host.edible,
        month: p.month,
        seen: p.findings
          .filter((f) => f.state === 'seen' && !f.lastSeason)
          .map((f) => ({ sign: f.sign, grade: f.grade ?? 2, sure: f.sure !== 'perhaps' })),
        tests: p.tests,
        crownLoss: p.crownLoss,
        vigour: p.vigour,
        barkLoss: p.barkLoss,
      },
      (id) => this.whole.condition(id)?.kind,
    );
  }
}

/** What was written in a line: findings, and tests as `test/outcome`. */
export function readSeen(text: string): Pick<Put, 'findings' | 'tests'> {
  const words = text.split(' ').filter(Boolean);
  return {
    findings: words.filter((w) => !w.includes('/')).map((w) => shortFinding(w.replace(':', '='))),
    tests: words
      .filter((w) => w.includes('/'))
      .map((w) => {
        const [test, outcome] = w.split('/') as [string, string];
        return { test, outcome };
      }),
  };
}

/** A told case as it is put. */
export function putField(c: FieldCase, knowledge: Knowledge): Put {
  const south = southOfCase({ lat: c.lat ?? null });
  return {
    host: knowledge.hosts.find((h) => h.id === c.host)!,
    month: northernMonth(c.month, south),
    south,
    ...readSeen(c.seen),
    crownLoss: c.crown ?? null,
    vigour: c.vigour ?? null,
    barkLoss: c.bark ?? null,
    peopleBelow: c.people ?? null,
    ...(c.nearby ? { nearby: c.nearby } : {}),
    truth: c.truth,
  };
}
