import { inSeason, type NorthernMonth } from '../../lib/calendar/months';
import type { Condition, Host, Knowledge, QuickTest, Sign } from './knowledge';
import { commonOn, concerns, oftenOf } from './reading';
import { memoizeRecent, memoize } from '../../lib/memoize';
import { SIGN_OF_HEALTH, OFTEN, type PartOfTree } from './words';

/** What is known before anybody looks: where, when, and what stood here or near by before. */
export interface Setting {
  month: NorthernMonth;
  /** How present a condition is in the region: 0.03 absent, 0.3 rare, 1 as usual, 2 spreading. */
  presence?: Readonly<Record<string, number>>;
  /** Finds of a condition near by: the nearest in km; 0 is on the same place. */
  nearby?: Readonly<Record<string, number>>;
  /** Conditions that this tree had before. */
  history?: readonly string[];
  /** Treatments that were looked at again: what they were for, and whether they did anything. */
  outcomes?: readonly Outcome[];
}
/** The effect of an earlier treatment, as a later look found it. */
export interface Outcome {
  condition: string;
  effect: 'none' | 'some' | 'good';
}

/** Odds of a condition against a sound tree, by how common it is on its hosts. */
const COMMON = { very: 0.08, often: 0.03, 'now and then': 0.012, rare: 0.003 } as const;
/** How an outcome moves the odds of what was treated: a proper treatment that did nothing speaks against its target. */
const OUTCOME = { none: 0.2, some: 1, good: 3 } as const;
/** How likely a follower joins its driver; a mould on honeydew nearly always does. */
const JOINS = 0.2;
const JOINS_ALWAYS = 0.5;
/** A follower without any driver: less likely; a film that outlasts its pest is found alone often enough. */
const ALONE = 0.5;
const ALONE_ONLY_FOLLOWS = 0.6;

/** A tree is looked at because somebody was called: sound ones are fewer than in the street. */
const SOUND_ODDS = 0.3;

/** What no base holds is always possible. */
const UNKNOWN_ODDS = 0.2;
/** How the unknown shows a sign: it may show anything, what is often there by chance more often. */
const UNKNOWN_SHOWS = { least: 0.12, most: 0.35, telling: 0.003 } as const;
/** A telling sign on a tree that has nothing which makes it. */
const TELLING_IDLE = 0.0004;

/** The sound tree and the unknown stand among the candidates of every tree. */
export const SOUND = 'nothing-wrong';
export const UNKNOWN = 'something-else';

export interface ModelCondition {
  id: string;
  name: string;
  kind: Condition['kind'];
  harmless: boolean;
  odds: number;
}
/** One thing to look at or to do: its outcomes, and how likely each candidate makes each of them. */
export interface Observable {
  id: string;
  /** `sign`: outcomes are seen and absent. */
  kind: 'sign' | 'test';
  place: PartOfTree | null;
  words: string;
  outcomes: { id: string; words: string }[];
  minutes: number;
  wounds: 0 | 1 | 2;
  laboratory: boolean;
  /** 1, or less for a sign that tells mostly what another one tells. */
  weight: number;
  /** Share of observations of this kind that are wrong. */
  error: number;
  /** A sign that practically names what makes it: hardly ever there by chance, hardly ever mistaken. */
  telling: boolean;
  /** A sign that stands in every month. */
  lasts: boolean;
  /** A test: signs of which one must have been seen, and signs that say the same as one of its outcomes. */
  presumes: readonly string[];
  said: readonly string[];
  /** By outcome, how often it comes by chance; and by profile, how often it comes under it, null where it has nothing to do with it. */
  idle: readonly number[];
  rows: readonly (readonly (number | null)[])[];
  /** Candidates that make this observable alike share a profile; profile of each candidate, 0 for those it has nothing to do with. */
  profile: number[];
  profiles: number;
  /** By outcome: how likely a set of two profiles shows it, mistakes aside; entry a × profiles + b, 0 for "nobody else". */
  chances: number[][];
}
/** What the engine works on: one host in one month; plain data, so that it can travel to the browser. */
export interface Model {
  conditions: ModelCondition[];
  observables: Observable[];
  /** Pairs [driver, follower, share] by index. */
  chains: [number, number, number][];
}

/** Minutes that a look at one sign takes, by place; digging is counted apart. */
const MINUTES: Record<PartOfTree, number> = {
  ground: 0.2,
  collar: 0.3,
  trunk: 0.25,
  bark: 0.4,
  branches: 0.3,
  crown: 0.2,
  shoots: 0.25,
  leaves: 0.2,
  undersides: 0.3,
  flowers: 0.25,
  fruit: 0.25,
  visitors: 0.3,
  neighbours: 0.4,
};
const DIG_MINUTES = 8;
const CROWN_SIGNS = ['top-dieback', 'crown-thin', 'sudden-collapse', 'crown-grey'];

/** Leaves that can be looked at: on evergreens always, else from April to October. */
export const inLeaf = (host: Pick<Host, 'evergreen'>, month: NorthernMonth): boolean =>
  host.evergreen || (month >= 4 && month <= 10);

/**
 * Whether a sign can be looked at in a month: what lasts, always; leaves while there are any; flowers in spring; fruit from
 * June, and on evergreens, whose fruit hangs through winter, always.
 */
export function signInSeason(
  sign: Pick<Sign, 'place' | 'lasts'>,
  host: Pick<Host, 'evergreen'>,
  month: NorthernMonth,
): boolean {
  if (sign.lasts) return true;
  if (sign.place === 'leaves' || sign.place === 'undersides') return inLeaf(host, month);
  if (sign.place === 'flowers') return month >= 3 && month <= 7;
  return sign.place !== 'fruit' || host.evergreen || month >= 6;
}

/** The odds of one condition on this host in this setting, against a sound tree. */
function oddsOf(c: Condition, host: Host, s: Setting, leavesMarks: boolean): number {
  if (c.id === SOUND) return SOUND_ODDS;
  if (c.id === UNKNOWN) return UNKNOWN_ODDS;
  let odds: number = COMMON[commonOn(c, host)];
  // What is said of the host itself knows whether it suffers more.
  const told = Object.keys(c.commonOn ?? {}).some((group) => concerns([group], host));
  if (c.worseOn.length && !told) odds *= concerns(c.worseOn, host) ? 2 : 0.5;
  if (!inSeason(s.month, c.season) && !leavesMarks) odds *= 0.4;
  odds *= s.presence?.[c.id] ?? 1;
  const km = s.nearby?.[c.id];
  if (km !== undefined) odds *= 1 + 5 * Math.exp(-km / (c.protect?.withinKm ?? 2));
  if (s.history?.includes(c.id)) odds *= 4;
  for (const o of s.outcomes ?? []) if (o.condition === c.id) odds *= OUTCOME[o.effect];
  return odds;
}

/** Chance that a candidate shows a sign; null where it has nothing to do with it. */
function chance(c: Condition, sign: Sign, idle: number, telling: boolean, month: NorthernMonth): number | null {
  if (c.id === UNKNOWN)
    return telling ? UNKNOWN_SHOWS.telling : Math.min(UNKNOWN_SHOWS.most, Math.max(UNKNOWN_SHOWS.least, sign.idle * 2));
  const often = oftenOf(c, sign.id);
  if (often === undefined) {
    if (sign.id !== SIGN_OF_HEALTH || c.kind === 'harmless') return null;
    return CROWN_SIGNS.some((x) => c.signs.always.includes(x) || c.signs.usual.includes(x)) ? OFTEN.rare : null;
  }
  const p = OFTEN[often];
  return p > idle && !sign.lasts && !inSeason(month, c.season) ? idle + (p - idle) * 0.7 : p;
}

/**
 * How likely a set of one or two candidates shows an outcome: those that make it likelier join as independent causes;
 * one that says "never" holds only while no other makes it; else it comes by chance.
 */
export function chanceOf(idle: number, a: number | null, b: number | null): number {
  const up = (p: number | null) => p !== null && p >= idle;
  if (up(a)) return up(b) ? 1 - (1 - a!) * (1 - b!) : a!;
  if (up(b)) return b!;
  if (a !== null) return b !== null ? Math.min(a, b) : a;
  return b ?? idle;
}

/** Five places are more than any word of a likelihood can claim, and a model has to travel to a phone. */
const short = (p: number) => Math.round(p * 1e5) / 1e5;

type Rows = readonly (readonly (number | null)[])[];

/**
 * The profiles of an observable: `by[k][c]` is how likely candidate c shows outcome k, null where it has nothing to do with
 * it. Signs have one outcome, "seen"; the last outcome of a test is what is left over.
 */
function profilesOf(by: Rows, count: number): { rows: Rows; profile: number[] } {
  const kinds = new Map<string, number>();
  const rows: (number | null)[][] = [by.map(() => null)];
  const profile = Array.from({ length: count }, (_, c) => {
    // Most candidates have nothing to do with most that can be looked at.
    if (by.every((r) => r[c] === null)) return 0;
    const row = by.map((r) => short(r[c]!));
    const key = row.join();
    const known = kinds.get(key);
    if (known !== undefined) return known;
    kinds.set(key, rows.length);
    return rows.push(row) - 1;
  });
  return { rows, profile };
}

/** Chances of every outcome by pair of profiles. */
export function withChances(
  kind: Observable['kind'],
  idle: readonly number[],
  { rows, profile }: { rows: Rows; profile: number[] },
): Pick<Observable, 'idle' | 'rows' | 'profile' | 'profiles' | 'chances'> {
  const n = rows.length;
  const outcomes = kind === 'sign' ? 2 : idle.length;
  const chances = Array.from({ length: outcomes }, () => new Array<number>(n * n));
  // A pair is the same in both orders.
  const set = (k: number, a: number, b: number, p: number) => {
    chances[k]![a * n + b] = chances[k]![b * n + a] = short(p);
  };
  for (let a = 0; a < n; a++)
    for (let b = a; b < n; b++) {
      if (kind === 'sign') {
        const seen = chanceOf(idle[0]!, rows[a]![0]!, rows[b]![0]!);
        set(0, a, b, seen);
        set(1, a, b, 1 - seen);
        continue;
      }
      const raw = idle.map((x, k) => chanceOf(x, rows[a]![k]!, rows[b]![k]!));
      const last = outcomes - 1;
      const others = raw.slice(0, last).reduce((x, y) => x + y, 0);
      raw[last] = Math.max(rows[a]![last] ?? 0, rows[b]![last] ?? 0, 1 - others, 0.03);
      for (let k = 0; k < outcomes; k++) set(k, a, b, raw[k]! / (others + raw[last]));
    }
  return { idle, rows, profile, profiles: n, chances };
}

/** How often an outcome comes out where nothing that it names is there: its own idle rate, never more than the specificity leaves. */
const falsely = (t: QuickTest, o: QuickTest['outcomes'][number]): number =>
  o.id === 'none' ? o.idle : t.cost === 'laboratory' ? 1 - t.specificity : o.idle;

/** How often an outcome comes out under a candidate; null where the candidate has nothing to do with it. */
function comesOut(c: Condition, t: QuickTest, o: QuickTest['outcomes'][number]): number | null {
  // The unknown makes a positive answer only as often as the test errs: a laboratory is believed by its specificity.
  if (c.id === UNKNOWN) return o.id === 'none' ? null : Math.min(0.08, 2 * (1 - t.specificity));
  const often = c.tests[t.id]?.[o.id];
  if (often === undefined) return null;
  return often === 'always' ? t.sensitivity : OFTEN[often];
}

/**
 * The knowledge of one host in one setting as the engine reads it.
 * @param knowledge all that is known, a company's own entries already laid over it
 * @returns candidates (the sound tree and the unknown always among them), everything that can be looked at, and the chains
 */
export function compile(knowledge: Known, host: Host, setting: Setting): Model {
  const { here, observables, chains } = groundOf(knowledge, host, setting.month);
  const lasting = lastingIn(knowledge);
  return {
    conditions: here.map((c) => {
      const marks = [...c.signs.always, ...c.signs.usual].some((x) => lasting.has(x));
      const alone = c.onlyFollows ? ALONE_ONLY_FOLLOWS : c.drivers.length ? ALONE : 1;
      return conditionIn(c, oddsOf(c, host, setting, marks) * alone);
    }),
    observables,
    chains,
  };
}

type Known = Pick<Knowledge, 'signs' | 'tests' | 'conditions'>;
/** What a model of a host in a month has whatever the setting: plain data that nobody changes. */
interface Ground extends Pick<Model, 'observables' | 'chains'> {
  here: Condition[];
}
/** Hosts and months whose ground is kept at hand: a crew's day asks for few, and each is some hundred kilobytes. */
const KEPT = 24;
const groundsOf = memoize((_: Known) => memoizeRecent<Ground>(KEPT));
const groundOf = (knowledge: Known, host: Host, month: NorthernMonth): Ground =>
  groundsOf(knowledge)([month, host.id, host.evergreen, ...host.groups].join(), () =>
    workOutGround(knowledge, host, month),
  );
const lastingIn = memoize((k: Known): ReadonlySet<string> => new Set(k.signs.filter((s) => s.lasts).map((s) => s.id)));

/** A sign as something to look at; what follows from its kind alone is set here. */
export const signAsObservable = (
  s: Pick<Sign, 'id' | 'place' | 'words' | 'dig' | 'lasts'> & { echoes: boolean; telling: boolean },
  idle: readonly number[],
  profiles: { rows: Rows; profile: number[] },
): Observable => ({
  id: s.id,
  kind: 'sign',
  place: s.place,
  words: s.words,
  outcomes: [
    { id: 'seen', words: 'seen' },
    { id: 'absent', words: 'absent' },
  ],
  minutes: s.dig ? DIG_MINUTES : MINUTES[s.place],
  wounds: 0,
  laboratory: false,
  weight: s.echoes ? 0.6 : 1,
  error: s.telling ? 0.003 : 0.06,
  telling: s.telling,
  lasts: s.lasts,
  presumes: [],
  said: [],
  ...withChances('sign', idle, profiles),
});

/** A quick test or a laboratory's as something to do; what follows from its kind alone is set here. */
export const testAsObservable = (
  t: Pick<Observable, 'id' | 'words' | 'outcomes' | 'minutes' | 'wounds' | 'laboratory' | 'presumes' | 'said'>,
  idle: readonly number[],
  profiles: { rows: Rows; profile: number[] },
): Observable => ({
  ...t,
  kind: 'test',
  place: null,
  weight: 1,
  error: t.laboratory ? 0.002 : 0.05,
  telling: false,
  lasts: false,
  ...withChances('test', idle, profiles),
});

/** A candidate with its odds against a sound tree. */
export const conditionIn = (c: Pick<Condition, 'id' | 'name' | 'kind'>, odds: number): ModelCondition => ({
  id: c.id,
  name: c.name,
  kind: c.kind,
  harmless: c.kind === 'harmless',
  odds,
});

function workOutGround(knowledge: Known, host: Host, month: NorthernMonth): Ground {
  const here = knowledge.conditions.filter((c) => concerns(c.groups, host));
  const leaf = inLeaf(host, month);
  const named = new Set(here.flatMap((c) => Object.keys(c.tests)));
  const telling = new Set(here.flatMap((c) => Object.keys(c.telling)));
  const signs = knowledge.signs
    .filter((s) => concerns(s.groups, host))
    .map((s): Observable => {
      const tells = telling.has(s.id);
      const idle = tells ? TELLING_IDLE : s.idle;
      return signAsObservable(
        { ...s, echoes: s.echoes !== undefined, telling: tells },
        [idle],
        profilesOf([here.map((c) => chance(c, s, idle, tells, month))], here.length),
      );
    });
  const tests = knowledge.tests
    .filter((t) => named.has(t.id) && concerns(t.groups, host) && (leaf || !t.leaf))
    .map((t) =>
      testAsObservable(
        {
          id: t.id,
          words: t.ask,
          outcomes: t.outcomes.map((o) => ({ id: o.id, words: o.words })),
          minutes: t.minutes + t.waitDays * 2 + (t.cost === 'kit' ? 0.5 : 0),
          wounds: t.wounds,
          laboratory: t.cost === 'laboratory',
          presumes: t.presumes,
          said: t.outcomes.flatMap((o) => (o.sameAs ? [o.sameAs] : [])),
        },
        t.outcomes.map((o) => falsely(t, o)),
        profilesOf(
          t.outcomes.map((o) => here.map((c) => comesOut(c, t, o))),
          here.length,
        ),
      ),
    );
  const index = new Map(here.map((c, i) => [c.id, i]));
  const chains = here.flatMap((f, i) =>
    f.drivers.flatMap((d): [number, number, number][] => {
      const j = index.get(d);
      return j === undefined ? [] : [[j, i, f.onlyFollows ? JOINS_ALWAYS : JOINS]];
    }),
  );
  return { here, observables: [...signs, ...tests], chains };
}
