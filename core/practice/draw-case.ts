import type { NorthernMonth } from '../../lib/calendar/months';
import type { Host, Knowledge } from '../diagnose/knowledge';
import { compile, SOUND, UNKNOWN, type Model, type Observable } from '../diagnose/model';
import { chanceFrom, pick } from '../../lib/random';

/** A case drawn from the base: what is there, and what every look would show. */
export interface DrawnCase {
  seed: number;
  hostId: string;
  month: NorthernMonth;
  model: Model;
  /** Conditions that are there; the first is what the case is about. */
  truth: string[];
  /** What stands on the tree, by `kind:id`: the outcome that a faultless look finds. */
  shows: ReadonlyMap<string, string>;
  /** Signs that stand there by chance: nothing that is there makes them. */
  byChance: ReadonlySet<string>;
}

export interface DrawOptions {
  /** Exponent on the odds: 1 draws as often as in life, 0 every condition alike. */
  evenness?: number;
  /** Share of cases with a second condition. */
  second?: number;
  /** Only cases about one of these. */
  only?: ReadonlySet<string>;
}

/**
 * Draws a case from the base by its seed: a host, a month, one or two conditions (a follower beside its driver where the
 * chain says so), and what each sign and test would show. The same seed gives the same case.
 */
export function drawCase({
  knowledge,
  seed,
  options = {},
  fixed = {},
  world = (m) => m,
}: {
  knowledge: Knowledge;
  seed: number;
  options?: DrawOptions;
  fixed?: {
    host?: Host;
    month?: NorthernMonth;
  }; /** What stands between the base and the world the case is drawn from; none by default. */
  world?: (model: Model, chance: () => number) => Model;
}): DrawnCase {
  const chance = chanceFrom(seed * 2654435761 + 97);
  const listed = knowledge.hosts.filter((h) => !h.unlisted);
  const host = fixed.host ?? listed[Math.floor(chance() * listed.length)]!;
  const month = fixed.month ?? 4 + Math.floor(chance() * 7);
  const model = world(compile(knowledge, host, { month }), chance);
  const index = new Map(model.conditions.map((c, i) => [c.id, i]));
  const able = model.conditions.filter((c) => c.id !== UNKNOWN && (!options.only || options.only.has(c.id)));
  const evenness = options.evenness ?? 1;
  const weight = (c: Model['conditions'][number]) => c.odds ** evenness;
  const first = pick(able.length ? able : model.conditions.filter((c) => c.id === SOUND), weight, chance);
  const truth = [first.id];
  if (first.id !== SOUND && chance() < (options.second ?? 0.15)) {
    const i = index.get(first.id)!;
    const follows = model.chains.filter(([d]) => d === i);
    const second =
      follows.length && chance() < 0.7
        ? model.conditions[pick(follows, (c) => c[2], chance)[1]]!
        : pick(
            model.conditions.filter((c) => c.id !== first.id && c.id !== SOUND && c.id !== UNKNOWN),
            (c) => c.odds,
            chance,
          );
    truth.push(second.id);
  }
  // A follower that never comes alone brings its driver.
  const only = knowledge.conditions.find((c) => c.id === first.id);
  if (only?.onlyFollows && truth.length === 1) {
    const drivers = only.drivers.filter((d) => index.has(d));
    if (drivers.length && chance() < 0.7)
      truth.unshift(pick(drivers, (d) => model.conditions[index.get(d)!]!.odds, chance));
  }
  const [a, b] = [index.get(truth[0]!)!, truth[1] === undefined ? -1 : index.get(truth[1])!];
  const shows = new Map<string, string>();
  const byChance = new Set<string>();
  for (const o of model.observables) {
    const key = `${o.kind}:${o.id}`;
    shows.set(key, show(o, a, b, chance));
    // Of all that stand there, as many by chance as would stand there anyway.
    const q = o.chances[0]![o.profile[a]! * o.profiles + (b < 0 ? 0 : o.profile[b]!)]!;
    if (o.kind === 'sign' && shows.get(key) === 'seen' && chance() < Math.min(1, o.chances[0]![0]! / q))
      byChance.add(key);
  }
  // Signs that echo one another come together more often than by chance alone.
  for (const s of knowledge.signs)
    if (s.echoes && shows.has(`sign:${s.id}`) && shows.has(`sign:${s.echoes}`) && chance() < 0.5) {
      const { profile } = model.observables.find((o) => o.kind === 'sign' && o.id === s.id)!;
      if (profile[a] || (b >= 0 && profile[b])) shows.set(`sign:${s.id}`, shows.get(`sign:${s.echoes}`)!);
    }
  return { seed, hostId: host.id, month, model, truth, shows, byChance };
}

const show = (o: Observable, a: number, b: number, chance: () => number): string =>
  pick(
    o.outcomes.map((x, k) => [x.id, o.chances[k]![o.profile[a]! * o.profiles + (b < 0 ? 0 : o.profile[b]!)]!] as const),
    (x) => x[1],
    chance,
  )[0];

/** Grades as people give them: what is there is mostly plain to see, what is not there is mostly taken for a trace. */
const GRADES_THERE = [0.15, 0.3, 0.35, 0.2] as const;
const GRADES_MISTAKEN = [0.65, 0.25, 0.08, 0.02] as const;

/** What somebody reports who looks: mostly what is there, with a share of mistakes; laboratories make a fifth of them. */
export function report(
  drawn: DrawnCase,
  o: Observable,
  chance: () => number,
  mistakes: number,
): { outcome: string; grade: number } {
  const truth = drawn.shows.get(`${o.kind}:${o.id}`)!;
  const mistaken = chance() < (o.laboratory ? mistakes / 5 : mistakes);
  const others = o.outcomes.filter((x) => x.id !== truth);
  const outcome = mistaken ? others[Math.floor(chance() * others.length)]!.id : truth;
  const grades = mistaken ? GRADES_MISTAKEN : GRADES_THERE;
  return { outcome, grade: pick([1, 2, 3, 4], (g) => grades[g - 1]!, chance) };
}

/** The sign for which somebody was called: the commonest of what the case is about and shows; null on a sound tree. */
export function complaint(drawn: DrawnCase): Observable | null {
  const i = drawn.model.conditions.findIndex((c) => c.id === drawn.truth[0]);
  const own = drawn.model.observables.filter(
    (o) =>
      o.kind === 'sign' &&
      drawn.shows.get(`sign:${o.id}`) === 'seen' &&
      o.profile[i] !== 0 &&
      o.chances[0]![o.profile[i]! * o.profiles]! > o.chances[0]![0]!,
  );
  // What many conditions make is what an owner sees; the telling signs are for whoever looks closer.
  const idle = (o: Observable) => o.chances[0]![0]!;
  return own.sort((a, b) => idle(b) - idle(a) || (a.id < b.id ? -1 : 1))[0] ?? null;
}
