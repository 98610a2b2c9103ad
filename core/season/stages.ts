import { memoize, memoizeEach } from '../../lib/memoize';
import type { LeafState } from './leaf-state';
import { isAutumn, trackOf, type Bbch } from './bbch';
import { dayAfter, daysBetween } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import { dayOfSeason, reachedIn, stagesOf, type Reached, type SeasonWeather } from './growth';
import type { Growth } from './growth-schema';

/** A stage that somebody saw on a host at a place, on the first day on which it was seen there. */
export interface SeenStage {
  code: Bbch;
  day: LocalDate;
}

/** When a stage is expected, and what that rests on. */
export interface StageDate {
  code: Bbch;
  day: LocalDate;
  /** Nine times in ten it comes between these. */
  earliest: LocalDate;
  latest: LocalDate;
  /** Somebody saw it; else the day is reached by what was measured, by the forecast, or in most of the other years. */
  rests: 'seen' | 'measured' | 'forecast' | 'years';
  /** Days by which the model's own day was moved by what was seen; later is positive. */
  moved: number;
  /** What moved it: a stage seen this season, or what this place taught in so many seasons. */
  by: { kind: 'seen'; code: Bbch; day: LocalDate } | { kind: 'learned'; seasons: number } | null;
}

/** By how many days something runs behind the model, and how many seasons taught so. */
export interface Behind {
  days: number;
  seasons: number;
}
/** What a place taught about a host: each stage that was watched, and both halves of the season for those that were not. */
export interface Learned {
  spring: Behind;
  autumn: Behind;
  stages: ReadonlyMap<Bbch, Behind>;
}
const NONE: Behind = { days: 0, seasons: 0 };
export const NOTHING_LEARNED: Learned = { spring: NONE, autumn: NONE, stages: new Map() };
const learnedOf = (learned: Learned, code: Bbch): Behind =>
  learned.stages.get(code) ?? (isAutumn(code) ? learned.autumn : learned.spring);

const quantile = (sorted: readonly number[], share: number) => sorted[Math.round((sorted.length - 1) * share)]!;

/** Middle day of a stage, by what most courses say; null where fewer than half reach it. */
function middle(runs: readonly Reached[], code: Bbch): number | null {
  const on = runs.flatMap((r) => r.get(code) ?? []).sort((a, b) => a - b);
  return on.length * 2 < runs.length || !on.length ? null : quantile(on, 0.5);
}

/** The stage of shoots that grow: what comes again in flushes. */
const FLUSH: Bbch = 31;
/** What was seen of a season's own stages, and the later flushes among it: each is itself, and moves no other. */
function flushesIn(growth: Growth, runs: readonly Reached[], start: LocalDate, seen: readonly SeenStage[]) {
  const on = growth.flushesApart === null ? null : middle(runs, FLUSH);
  if (on === null) return { first: seen, later: [] };
  const from = dayAfter(dayOfSeason(start, on), growth.flushesApart!, 'days');
  const isLater = (s: SeenStage) => s.code === FLUSH && s.day >= from;
  return { first: seen.filter((s) => !isLater(s)), later: seen.filter(isLater) };
}

/**
 * How differently two places of one host come out, against how differently one place does from year to year (variances of
 * about 7² and 3.5² days): what one season taught counts for four fifths, what four taught for all but a twentieth.
 */
const SHRINK = 0.25;

/**
 * What earlier seasons taught of a host at a place: by how many days it ran behind the model, shrunk towards none.
 * @param seasons the measured weather of each, with what was seen in it
 */
export function learn(
  growth: Growth,
  seasons: readonly { weather: SeasonWeather; seen: readonly SeenStage[] }[],
  lat: number,
): Learned {
  const behind = seasons.map(({ weather, seen }) => {
    const reached = reachedIn(growth, weather, lat);
    return flushesIn(growth, reached, weather.start, seen).first.flatMap((s) => {
      const on = middle(reached, s.code);
      return on === null ? [] : [{ code: s.code, days: daysBetween(dayOfSeason(weather.start, on), s.day) }];
    });
  });
  const taught = (of: (code: Bbch) => boolean): Behind => {
    const each = behind.flatMap((season) => {
      const days = season.filter((s) => of(s.code)).map((s) => s.days);
      return days.length ? [sum(days) / days.length] : [];
    });
    return each.length ? { days: sum(each) / (each.length + SHRINK), seasons: each.length } : NONE;
  };
  const watched = new Set(behind.flat().map((s) => s.code));
  return {
    spring: taught((code) => !isAutumn(code)),
    autumn: taught(isAutumn),
    stages: new Map([...watched].map((code) => [code, taught((c) => c === code)])),
  };
}
const sum = (of: readonly number[]) => of.reduce((a, b) => a + b, 0);

/** Days, either way, that remain unsure however near an earlier stage was seen. */
const LEAST_UNSURE = 2;
/** Days after which little is left of what a stage seen told: the same heat is fewer days as spring warms. */
const TOLD_DAYS = 40;

/** Days either way by which the model may be wrong about a stage: less where the place was watched, least soon after a sighting. */
function unsure(growth: Growth, { seasons }: Behind, sinceSeen: number | null): number {
  const usual = Math.max(LEAST_UNSURE + 1, growth.sureDays / Math.sqrt(1 + seasons));
  return sinceSeen === null ? usual : Math.max(LEAST_UNSURE, usual * (1 - Math.exp(-sinceSeen / TOLD_DAYS)));
}

/** By how many days a stage is moved: by the newest one seen before it this season, less the longer ago; else by what was learned. */
function movedBy({
  reached,
  start,
  learned,
  code,
  before,
  index,
}: {
  reached: readonly Reached[];
  start: LocalDate;
  learned: Learned;
  code: Bbch;
  before: SeenStage | null;
  index: number;
}): Pick<StageDate, 'moved' | 'by'> & { sinceSeen: number | null } {
  const own = learnedOf(learned, code);
  const on = before && middle(reached, before.code);
  if (before === null || on === null) {
    const moved = Math.round(own.days);
    return { moved, by: moved ? { kind: 'learned', seasons: own.seasons } : null, sinceSeen: null };
  }
  const off = daysBetween(dayOfSeason(start, on), before.day) - learnedOf(learned, before.code).days;
  const sinceSeen = Math.max(0, daysBetween(before.day, dayOfSeason(start, index)));
  const moved = Math.round(own.days + off * Math.exp(-sinceSeen / TOLD_DAYS));
  return { moved, by: { kind: 'seen', ...before }, sinceSeen };
}

/**
 * When the stages of a season come, in order. What was seen stands as it was seen, and moves what follows in the same half of
 * the season; where nothing was seen yet, what the place taught moves it.
 * @param seen what was seen in this season
 */
export function expectedStages({
  growth,
  weather,
  lat,
  seen,
  learned = NOTHING_LEARNED,
}: {
  growth: Growth;
  weather: SeasonWeather;
  lat: number;
  seen: readonly SeenStage[];
  learned?: Learned;
}): StageDate[] {
  const key = JSON.stringify([growth.id, lat, seen, learned.spring, learned.autumn, [...learned.stages]]);
  return told(weather, key, () => stagesIn({ growth, weather, lat, all: seen, learned }));
}
/** Trees of one host in one weather have the same stages. */
const told = memoizeEach<SeasonWeather, StageDate[]>();

function stagesIn({
  growth,
  weather,
  lat,
  all,
  learned,
}: {
  growth: Growth;
  weather: SeasonWeather;
  lat: number;
  all: readonly SeenStage[];
  learned: Learned;
}): StageDate[] {
  const runs = reachedIn(growth, weather, lat);
  const { first: seen, later } = flushesIn(growth, runs, weather.start, all);
  const order = stagesOf(growth);
  const out: StageDate[] = [];
  for (const code of order) {
    const own = seen
      .filter((s) => s.code === code)
      .map((s) => s.day)
      .sort()[0];
    if (own) {
      out.push(asSeen(code, own));
      continue;
    }
    const on = runs.flatMap((r) => r.get(code) ?? []).sort((a, b) => a - b);
    if (!on.length || on.length * 2 < runs.length) continue;
    const before = latestSeen(order, code, seen);
    const index = quantile(on, 0.5);
    const { moved, by, sinceSeen } = movedBy({ reached: runs, start: weather.start, learned, code, before, index });
    const model = unsure(growth, learnedOf(learned, code), sinceSeen);
    const last = out.at(-1);
    const expected = dayOfSeason(weather.start, index + moved);
    // What comes after comes no sooner.
    const day = last && sameHalf(last.code, code) && last.day > expected ? last.day : expected;
    const spread = (days: number) => Math.round(Math.hypot(days, model));
    out.push({
      code,
      day,
      earliest: dayAfter(day, -spread(index - quantile(on, 0.05)), 'days'),
      latest: dayAfter(day, spread(quantile(on, 0.95) - index), 'days'),
      rests: restsOn(weather, index),
      moved,
      by,
    });
  }
  return [...out, ...later.map((s) => asSeen(s.code, s.day))];
}

const asSeen = (code: Bbch, day: LocalDate): StageDate => ({
  code,
  day,
  earliest: day,
  latest: day,
  rests: 'seen',
  moved: 0,
  by: null,
});

const sameHalf = (a: Bbch, b: Bbch) => isAutumn(a) === isAutumn(b);

/** The newest stage seen that comes before another in its half of the season. */
function latestSeen(order: readonly Bbch[], code: Bbch, seen: readonly SeenStage[]): SeenStage | null {
  const at = order.indexOf(code);
  return (
    seen
      .filter((s) => sameHalf(s.code, code) && order.indexOf(s.code) >= 0 && order.indexOf(s.code) < at)
      .sort((a, b) => order.indexOf(b.code) - order.indexOf(a.code))[0] ?? null
  );
}

function restsOn(weather: SeasonWeather, index: number): StageDate['rests'] {
  if (index < weather.measured.length || !weather.courses.length) return 'measured';
  return index < weather.measured.length + weather.forecastDays ? 'forecast' : 'years';
}

/** The stages reached by a day, newest first, of leaves and of flowers. */
export const stagesOn = (stages: readonly StageDate[], day: LocalDate): StageDate[] =>
  (['leaf', 'flower'] as const).flatMap(
    (track) =>
      stages
        .filter((s) => s.day <= day && trackOf(s.code) === track && daysBetween(s.day, day) < SHOWN_DAYS[track])
        .sort((a, b) => a.day.localeCompare(b.day) || a.code - b.code)
        .at(-1) ?? [],
  );
/** What is longer ago belongs to a season before; of flowers, nobody speaks after some weeks. */
const SHOWN_DAYS = { leaf: 330, flower: 40 };

/** Stages that may be coming about on a day and that nobody has seen yet, the nearest first. */
export const stagesAbout = (stages: readonly StageDate[], day: LocalDate): StageDate[] =>
  stages
    .filter((s) => s.rests !== 'seen' && s.earliest <= day && day <= s.latest)
    .sort((a, b) => Math.abs(daysBetween(a.day, day)) - Math.abs(daysBetween(b.day, day)));

/** The stages of leaves alone, in order of date. */
const ofLeaves = memoize<readonly StageDate[], StageDate[]>((stages) =>
  stages.filter((s) => trackOf(s.code) === 'leaf').sort((a, b) => a.day.localeCompare(b.day) || a.code - b.code),
);

/** What the leaves are expected to be like on a day; null where the stages say nothing of it. */
export function leafOn(stages: readonly StageDate[], day: LocalDate): LeafState | null {
  const of = ofLeaves(stages);
  const newest = of.findLast((s) => s.day <= day);
  if (!newest) return of.length ? 'leafless' : null;
  if (newest.code >= 97 || newest.code < 10) return 'leafless';
  if (newest.code >= 93) return 'falling';
  return newest.code >= 19 ? 'full' : 'unfolding';
}
