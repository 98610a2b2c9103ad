import { crewAndDay, settingUp, WEIGHTS, type Hours, type Indexed, type Limit, type Problem } from './problem';

/** One place on a crew's day, in minutes since midnight. */
export interface Stop {
  place: number;
  /** Jobs in the order in which they are done: what hangs first, sound before sick, what closes the place last. */
  jobs: readonly number[];
  arrive: number;
  begin: number;
  end: number;
}
/** A crew's day as it would go. `cost` is in minutes of the crew: going out, setting up, driving, walking on, cleaning. */
export type CrewDay =
  | {
      ok: true;
      stops: Stop[];
      /** The same stops as they were put together. */
      pieces: readonly Piece[];
      driving: number;
      cleaning: number;
      cost: number;
      /** When it leaves at the latest for its first stop, loading included; when it is back. */
      leave: number;
      home: number;
    }
  | { ok: false; limit: Limit };

/** What is done at one place. */
interface Piece {
  place: number;
  jobs: readonly number[];
  /** From walking on to walking off, cleaning between its own jobs included. */
  minutes: number;
  cleaning: number;
  /** Begins and ends with something that travels on tools. */
  sickFirst: boolean;
  sickLast: boolean;
  /** Kits that it needs, a bit each. */
  kits: number;
  /** Jobs of it that have hours of their own, with the minutes from walking on until they begin. */
  timed: readonly { job: number; from: number }[];
}

/** Where the hours of one stop go: hands one after the other, and the longest that something hangs after it was set. */
function pieceOf({ problem: { jobs }, kitOf }: Indexed, place: number, of: readonly number[]): Piece {
  const sorted = [...of].sort((a, b) => {
    const [x, y] = [jobs[a]!, jobs[b]!];
    return (
      Number(x.reEntryHours > 0) - Number(y.reEntryHours > 0) ||
      y.hangs - x.hangs ||
      Number(x.sick) - Number(y.sick) ||
      a - b
    );
  });
  let [hands, until, cleaning] = [0, 0, 0];
  const timed: { job: number; from: number }[] = [];
  sorted.forEach((j, i) => {
    const { minutes, hangs, sick, daytimes } = jobs[j]!;
    if (i > 0 && !sick && jobs[sorted[i - 1]!]!.sick) cleaning += WEIGHTS.clean;
    if (daytimes) timed.push({ job: j, from: WEIGHTS.stop / 2 + hands + cleaning });
    hands += minutes;
    until = Math.max(until, hands + hangs);
  });
  return {
    place,
    jobs: sorted,
    minutes: until + cleaning + WEIGHTS.stop,
    cleaning,
    sickFirst: jobs[sorted[0]!]!.sick,
    sickLast: jobs[sorted.at(-1)!]!.sick,
    kits: of.reduce((a, j) => (kitOf[j]! < 0 ? a : a | (1 << kitOf[j]!)), 0),
    timed,
  };
}

/** When something is over that begins at a moment and is not gone on with while the crew rests. */
function over(rests: readonly Hours[], from: number, minutes: number): number {
  let [at, left] = [from, minutes];
  for (const r of rests) {
    if (r.to <= at) continue;
    const until = Math.max(0, r.from - at);
    if (left <= until) break;
    left -= until;
    at = r.to;
  }
  return at + left;
}

/** First moment from `at` on from which hours hold all of a span; −1 where none do that day. */
function heldFrom(hours: readonly Hours[], at: number, from: number, to: number): number {
  for (const h of hours) if (to <= h.to) return at + Math.max(0, h.from - from);
  return -1;
}

/** When a piece begins at the soonest, by the hours of its place, of its jobs and of the crew; or whose hours do not hold it. */
function beginning(
  problem: Problem,
  crew: number,
  d: number,
  piece: Piece,
  from: number,
): { at: number } | { limit: Limit } {
  const rests = problem.crews[crew]!.rests[d]!;
  const { id, open } = problem.places[piece.place]!;
  // Each round begins later, by what one of the hours asks; when none asks for more, all hold it.
  for (let at = over(rests, from, 0); ;) {
    const resting = rests.find((r) => r.from <= at && at < r.to);
    if (resting) at = resting.to;
    let next = heldFrom(open[d]!, at, at, over(rests, at, piece.minutes));
    if (next < 0) return { limit: { by: 'opening', siteId: id } };
    for (const { job, from: since } of piece.timed) {
      const { daytimes, minutes, id: jobId } = problem.jobs[job]!;
      const hours = daytimes![d];
      if (!hours) continue;
      const begins = over(rests, at, since);
      const held = heldFrom(hours, at, begins, over(rests, begins, minutes));
      if (held < 0) return { limit: { by: 'daytime', jobId } };
      next = Math.max(next, held);
    }
    if (next <= at + 1e-9) return { at };
    at = next;
  }
}

/** How a walk over pieces in an order ends. */
interface Walked {
  /** Null where it can be made. */
  limit: Limit | null;
  driving: number;
  cleaning: number;
  home: number;
}
/** A piece that is tried at a position of an order, between what stands there or in the place of it. */
interface Tried {
  piece: Piece;
  at: number;
  instead: boolean;
}
/** Walks pieces in an order; `seen` hears of each stop. */
function walk(
  { problem }: Indexed,
  crew: number,
  d: number,
  order: readonly Piece[],
  setUp: number,
  tried: Tried | null = null,
  seen: ((piece: Piece, arrive: number, begin: number) => void) | null = null,
): Walked {
  const hours = problem.crews[crew]!.hours[d]!;
  const rests = problem.crews[crew]!.rests[d]!;
  const yards = problem.crews.length;
  let [at, clock, driving, cleaning, dirty] = [crew, over(rests, hours.from, setUp), 0, 0, false];
  const count = order.length + (tried && !tried.instead ? 1 : 0);
  for (let i = 0; i < count; i++) {
    const p = !tried || i < tried.at ? order[i]! : i === tried.at ? tried.piece : order[tried.instead ? i : i - 1]!;
    const way = problem.drive[at]![yards + p.place]!;
    const clean = dirty && !p.sickFirst ? WEIGHTS.clean : 0;
    const arrive = over(rests, clock, way);
    const begins = beginning(problem, crew, d, p, over(rests, arrive, clean));
    if ('limit' in begins) return { limit: begins.limit, driving, cleaning, home: Infinity };
    if (seen) seen(p, arrive, begins.at);
    at = yards + p.place;
    clock = over(rests, begins.at, p.minutes);
    driving += way;
    cleaning += clean + p.cleaning;
    dirty = p.sickLast;
  }
  const back = problem.drive[at]![crew]!;
  const home = over(rests, clock, back);
  const limit: Limit | null =
    home > hours.to ? { by: 'hours', crewId: problem.crews[crew]!.id, short: Math.ceil(home - hours.to) } : null;
  return { limit, driving: driving + back, cleaning, home };
}

/** A walk before another: what can be made at all, then short ways, then early home. */
function better(a: Walked, b: Walked): boolean {
  if (a.limit || b.limit) return (!a.limit && !!b.limit) || (!!a.limit && a.home < b.home - 1e-9);
  const [x, y] = [a.driving + a.cleaning, b.driving + b.cleaning];
  return x < y - 1e-9 || (x < y + 1e-9 && a.home < b.home - 1e-9);
}

/** Minutes of loading and setting up what jobs need. */
function setUpOf(x: Indexed, jobs: readonly number[]): number {
  let kits = 0;
  for (const j of jobs) if (x.kitOf[j]! >= 0) kits |= 1 << x.kitOf[j]!;
  return settingUp(x.problem, kits);
}
function setUpWith(x: Indexed, pieces: readonly Piece[], job: number): number {
  let kits = x.kitOf[job]! < 0 ? 0 : 1 << x.kitOf[job]!;
  for (const p of pieces) kits |= p.kits;
  return settingUp(x.problem, kits);
}
/** Pieces of jobs, in the order of places that is given; what stands at no place of it comes last. */
function piecesOf(x: Indexed, jobs: readonly number[], places: readonly number[]): Piece[] {
  const at = new Map<number, number[]>();
  for (const j of jobs) {
    const list = at.get(x.siteOf[j]!);
    if (list) list.push(j);
    else at.set(x.siteOf[j]!, [j]);
  }
  const first = places.filter((p) => at.has(p));
  const rest = [...at.keys()].filter((p) => !first.includes(p)).sort((a, b) => a - b);
  return [...first, ...rest].map((p) => pieceOf(x, p, at.get(p)!));
}

/** Where a piece lengthens the way least. */
function placed(x: Indexed, crew: number, d: number, order: readonly Piece[], piece: Piece, setUp: number) {
  let best: { at: number; walked: Walked } | null = null;
  for (let at = 0; at <= order.length; at++) {
    const walked = walk(x, crew, d, order, setUp, { piece, at, instead: false });
    if (!best || better(walked, best.walked)) best = { at, walked };
  }
  return best!;
}

/** Each piece from `from` on put where it lengthens the day least. */
function inserted(x: Indexed, crew: number, d: number, pieces: readonly Piece[], from: number, setUp: number) {
  let order = pieces.slice(0, from);
  let now = walk(x, crew, d, order, setUp);
  for (const p of pieces.slice(from)) {
    const { at, walked } = placed(x, crew, d, order, p, setUp);
    [order, now] = [[...order.slice(0, at), p, ...order.slice(at)], walked];
  }
  return { order, now };
}

/** Pieces of the way turned round while that is better (2-opt, Croes 1958). */
function turned(x: Indexed, crew: number, d: number, start: { order: Piece[]; now: Walked }, setUp: number) {
  let { order, now } = start;
  for (let again = order.length > 1; again;) {
    again = false;
    for (let i = 0; i < order.length - 1; i++)
      for (let k = i + 1; k < order.length; k++) {
        const tried = [...order.slice(0, i), ...order.slice(i, k + 1).reverse(), ...order.slice(k + 1)];
        const walked = walk(x, crew, d, tried, setUp);
        if (better(walked, now)) [order, now, again] = [tried, walked, true];
      }
  }
  return { order, now };
}

const costOf = (stops: number, setUp: number, now: Walked) =>
  WEIGHTS.out + setUp + now.driving + now.cleaning + WEIGHTS.stop * stops;

/** Stops of a day whose order is sought anew for a job more. */
const FEW_STOPS = 3;

/** What a day would cost with one job more, its place put where it lengthens the way least; null where it cannot be made. */
export function costWith(x: Indexed, slot: number, day: CrewDay | null, job: number): number | null {
  const [crew, d] = crewAndDay(x, slot);
  const pieces = day?.ok ? day.pieces : [];
  const at = pieces.findIndex((p) => p.place === x.siteOf[job]);
  const setUp = setUpWith(x, pieces, job);
  const piece = pieceOf(x, x.siteOf[job]!, at < 0 ? [job] : [...pieces[at]!.jobs, job]);
  const walked =
    at < 0
      ? placed(x, crew, d, pieces, piece, setUp).walked
      : walk(x, crew, d, pieces, setUp, { piece, at, instead: true });
  if (!walked.limit) return costOf(pieces.length + (at < 0 ? 1 : 0), setUp, walked);
  // Where jobs have hours of their own, another order may hold what this one does not; on a full day hardly ever.
  if (pieces.length > FEW_STOPS || (!piece.timed.length && !pieces.some((p) => p.timed.length))) return null;
  const anew = crewDay(x, slot, [...pieces.flatMap((p) => p.jobs), job]);
  return anew.ok ? anew.cost : null;
}

/**
 * A crew's day with some jobs: stops in their order with their times, or what it breaks. What other crews do on that day is
 * not its matter.
 * @param jobs numbers of jobs, at least one
 * @param places the order of places to begin from; it is bettered
 */
export function crewDay(x: Indexed, slot: number, jobs: readonly number[], places: readonly number[] = []): CrewDay {
  const [crew, d] = crewAndDay(x, slot);
  if (!x.problem.crews[crew]!.hours[d]) return crewOff(x, crew);
  const setUp = setUpOf(x, jobs);
  const pieces = piecesOf(x, jobs, places);
  const given = pieces.filter((p) => places.includes(p.place)).length;
  const { order } = turned(x, crew, d, inserted(x, crew, d, pieces, given, setUp), setUp);
  return dayOf(x, slot, order, setUp);
}

/** A crew's day in the order in which somebody wants it, bettered by nobody. */
export function dayInOrder(x: Indexed, slot: number, jobs: readonly number[], places: readonly number[]): CrewDay {
  const [crew, d] = crewAndDay(x, slot);
  if (!x.problem.crews[crew]!.hours[d]) return crewOff(x, crew);
  return dayOf(x, slot, piecesOf(x, jobs, places), setUpOf(x, jobs));
}
const crewOff = (x: Indexed, crew: number): CrewDay => ({
  ok: false,
  limit: { by: 'crew off', crewId: x.problem.crews[crew]!.id },
});

function dayOf(x: Indexed, slot: number, order: readonly Piece[], setUp: number): CrewDay {
  const [crew, d] = crewAndDay(x, slot);
  const stops: Stop[] = [];
  const now = walk(x, crew, d, order, setUp, null, ({ place, jobs, minutes }, arrive, begin) =>
    stops.push({ place, jobs, arrive, begin, end: over(x.problem.crews[crew]!.rests[d]!, begin, minutes) }),
  );
  if (now.limit) return { ok: false, limit: now.limit };
  const { driving, cleaning, home } = now;
  const [first] = stops;
  const leave = first ? first.begin - x.problem.drive[crew]![x.problem.crews.length + first.place]! - setUp : home;
  return { ok: true, stops, pieces: order, driving, cleaning, cost: costOf(order.length, setUp, now), leave, home };
}
