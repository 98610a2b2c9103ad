import { crewAndDay, settingUp, sharedMinutes, WEIGHTS, type Indexed } from './problem';

/** A proof that no plan costs less than `value`: what each job may cost at most. Whoever doubts it works {@link provenBy} out. */
export interface Bound {
  value: number;
  worth: Float64Array;
  /** What an hour more of each slot would save at these prices. */
  hours: Float64Array;
}

/** What stays the same of a problem, whatever the prices. */
interface Frame {
  /**
   * A tour goes out to its farthest place and back, for which half of every leg counts; of each leg is left here what that
   * leaves, by crew. Yards first, then places.
   */
  rest: Float64Array[][];
  /** That half of the way there and back from each crew’s yard to each place. */
  far: Float64Array[];
  /** The minutes of each slot. */
  room: Float64Array;
  /** Minutes for which a place is open in a slot, without walking on and off. */
  open: Float64Array;
}

/** Shortest ways between all points (Floyd 1962): with these, a place more makes no tour shorter. */
function shortestWays(drive: readonly (readonly number[])[]): Float64Array[] {
  const out = drive.map((row) => Float64Array.from(row));
  for (const via of out.keys())
    for (const row of out)
      for (let to = 0; to < row.length; to++) row[to] = Math.min(row[to]!, row[via]! + out[via]![to]!);
  return out;
}

/** The share of a leg that counts for going out or coming home: any proves something, this one most. */
const OUTWARD = 0.5;
function frameOf({ problem, nDays, nSlots }: Indexed): Frame {
  const { crews, places } = problem;
  const ways = shortestWays(problem.drive);
  const out = crews.map((_, c) => ways[c]!.map((w) => OUTWARD * w));
  const home = crews.map((_, c) => Float64Array.from(ways, (row) => OUTWARD * row[c]!));
  return {
    rest: crews.map((_, c) => {
      const [o, h] = [out[c]!, home[c]!];
      return ways.map((row, i) => row.map((w, k) => w - Math.max(0, o[k]! - o[i]!) - Math.max(0, h[i]! - h[k]!)));
    }),
    far: crews.map((_, c) =>
      Float64Array.from(places, (_, p) => out[c]![crews.length + p]! + home[c]![crews.length + p]!),
    ),
    room: Float64Array.from({ length: nSlots }, (_, s) => {
      const [c, d] = crewAndDay({ nDays }, s);
      const { hours, rests } = crews[c]!;
      const h = hours[d];
      return h ? h.to - h.from - rests[d]!.reduce((sum, r) => sum + sharedMinutes([r], h), 0) : 0;
    }),
    open: openMinutes({ problem, nDays, nSlots }),
  };
}

/** The two least of some numbers, and at which of them the first stands. */
function twoLeast(of: readonly number[], value: (k: number) => number): { at: number; first: number; second: number } {
  let [at, first, second] = [-1, Infinity, Infinity];
  for (const k of of) {
    const v = value(k);
    if (v < first) [at, first, second] = [k, v, first];
    else if (v < second) second = v;
  }
  return { at, first, second };
}

/**
 * Half of what is left at least of the leg into a place and of the one out of it, among the points that a tour may have. One
 * comes from another point than one goes to, but for the yard, where there is no other place.
 */
function wayTo(rest: readonly Float64Array[], crew: number, p: number, among: readonly number[]): number {
  const others = among.filter((k) => k !== p);
  const [into, out] = [twoLeast(others, (k) => rest[k]![p]!), twoLeast(others, (k) => rest[p]![k]!)];
  const two = into.at === out.at ? Math.min(into.second + out.first, into.first + out.second) : into.first + out.first;
  return Math.min(two, rest[crew]![p]! + rest[p]![crew]!) / 2;
}
/** The same of a yard, where the first place may be the last. */
function wayHome(rest: readonly Float64Array[], crew: number, places: readonly number[]): number {
  if (!places.length) return 0;
  return (Math.min(...places.map((k) => rest[k]![crew]!)) + Math.min(...places.map((k) => rest[crew]![k]!))) / 2;
}

/** Minutes of each place and slot in which crew and place are both there, the longest span of a day. */
function openMinutes({ problem, nDays, nSlots }: Pick<Indexed, 'problem' | 'nDays' | 'nSlots'>): Float64Array {
  const out = new Float64Array(problem.places.length * nSlots);
  problem.places.forEach(({ open }, p) => {
    for (let s = 0; s < nSlots; s++) {
      const [c, d] = crewAndDay({ nDays }, s);
      const hours = problem.crews[c]!.hours[d];
      // A crew stops once at a place, so that one span of its hours holds all that is done there.
      out[p * nSlots + s] = hours ? Math.max(0, sharedMinutes(open[d]!, hours) - WEIGHTS.stop) : 0;
    }
  });
  return out;
}

/** A job that pays in a slot. */
interface Paying {
  job: number;
  sick: boolean;
  gain: number;
  minutes: number;
}
/** A place of a slot with what pays there: the best by the minute first. */
interface Paid {
  place: number;
  list: readonly Paying[];
  /** Minutes for which one may be at work there. */
  room: number;
  /** There and back, as far as that counts; and what coming there adds at least. */
  far: number;
  way: number;
}

/** The jobs of a slot that pay, by place. */
function payingAt(x: Indexed, worth: Float64Array, s: number): Map<number, Paying[]> {
  const out = new Map<number, Paying[]>();
  for (const job of x.jobsOfSlot[s]!) {
    const gain = worth[job]! - x.own[job]![s]!;
    if (gain <= 0) continue;
    const { minutes, sick } = x.problem.jobs[job]!;
    const list = out.get(x.siteOf[job]!);
    if (list) list.push({ job, sick, gain, minutes });
    else out.set(x.siteOf[job]!, [{ job, sick, gain, minutes }]);
  }
  for (const list of out.values()) list.sort((a, b) => b.gain * a.minutes - a.gain * b.minutes);
  return out;
}

/** The places of a slot that pay for walking on and off, the nearest first, and what leaving the yard adds at least. */
function paidAt(x: Indexed, f: Frame, worth: Float64Array, s: number): { paid: Paid[]; yard: number } {
  const [crew] = crewAndDay(x, s);
  const yards = x.problem.crews.length;
  const paid: Paid[] = [];
  for (const [place, list] of payingAt(x, worth, s))
    // Where nothing pays nobody comes, even on the way: that makes no tour shorter.
    if (list.reduce((sum, j) => sum + j.gain, 0) > WEIGHTS.stop)
      paid.push({ place, list, room: f.open[place * x.nSlots + s]!, far: f.far[crew]![place]!, way: 0 });
  paid.sort((a, b) => a.far - b.far);
  const points = paid.map((p) => yards + p.place);
  for (const p of paid) p.way = wayTo(f.rest[crew]!, crew, yards + p.place, [crew, ...points]);
  return { paid, yard: wayHome(f.rest[crew]!, crew, points) };
}

/** So many minutes at a place bring so much, with the jobs that are done in them; the last of these as far as it fits. */
interface Point {
  minutes: number;
  gain: number;
  jobs: readonly { job: number; share: number }[];
}

/** What a stop brings by its minutes if all of its jobs are sound, all sick, or whichever come. */
function pointsOf(x: Indexed, p: Paid, kits: number, only: boolean | null, cleaning: number): Point[] {
  let at: Point = { minutes: WEIGHTS.stop + p.way, gain: -WEIGHTS.stop - p.way - cleaning, jobs: [] };
  const out: Point[] = [];
  let room = p.room;
  for (const { job, sick, gain, minutes } of p.list) {
    if (room <= 0) break;
    if (only !== null && sick !== only) continue;
    if (x.kitOf[job]! >= 0 && !(kits & (1 << x.kitOf[job]!))) continue;
    const share = Math.min(1, room / minutes);
    room -= share * minutes;
    at = { minutes: at.minutes + share * minutes, gain: at.gain + share * gain, jobs: [...at.jobs, { job, share }] };
    out.push(at);
  }
  return out;
}

/** A piece of a stop: more minutes, what they bring, and the point at which it begins and ends. */
interface Piece {
  at: number;
  minutes: number;
  gain: number;
  from: Point;
  to: Point;
}
const NOWHERE: Point = { minutes: 0, gain: 0, jobs: [] };

/**
 * A stop as pieces of falling worth by the minute, the upper hull of its points: what is done of it in part is no dearer than
 * that. One for sound and sick is cleaned within, or before the next that begins with the sound: of two such stops in a row
 * once at least, of the last of a day perhaps never. Half a cleaning each, but for one.
 */
function piecesOf(x: Indexed, p: Paid, at: number, kits: number): Piece[] {
  const mixed = p.list.some((j) => j.sick !== p.list[0]!.sick);
  const points = mixed
    ? [
        ...pointsOf(x, p, kits, null, WEIGHTS.clean / 2),
        ...pointsOf(x, p, kits, false, 0),
        ...pointsOf(x, p, kits, true, 0),
      ]
    : pointsOf(x, p, kits, null, 0);
  const out: Piece[] = [];
  for (let from = NOWHERE; ;) {
    let best: Piece | null = null;
    for (const to of points) {
      const [minutes, gain] = [to.minutes - from.minutes, to.gain - from.gain];
      if (minutes <= 0 || gain <= 0) continue;
      if (!best || gain * best.minutes > best.gain * minutes) best = { at, minutes, gain, from, to };
    }
    if (!best) return out;
    out.push(best);
    from = best.to;
  }
}

/** What a slot does: what that brings, each job with the share of it, and what an hour more would bring. */
interface Taken {
  brings: number;
  jobs: { job: number; share: number }[];
  hour: number;
}
const NOTHING: Taken = { brings: 0, jobs: [], hour: 0 };

/** What pays a slot best: a choice of kits, how far it goes, what is done where, the last of it cut; or nobody goes out. */
function bestOf(x: Indexed, f: Frame, worth: Float64Array, s: number): Taken {
  const { paid, yard } = paidAt(x, f, worth, s);
  let brings = 0;
  let best: { pieces: Piece[]; room: number; until: number } | null = null;
  const used = paid.reduce(
    (a, p) => p.list.reduce((b, { job }) => (x.kitOf[job]! < 0 ? b : b | (1 << x.kitOf[job]!)), a),
    0,
  );
  for (let kits = 0; kits <= used; kits++) {
    if (kits & ~used) continue;
    const setUp = settingUp(x.problem, kits);
    const pieces = paid
      .flatMap((p, i) => piecesOf(x, p, i, kits))
      .sort((a, b) => b.gain * a.minutes - a.gain * b.minutes);
    const free = WEIGHTS.clean / 2 - WEIGHTS.out - setUp - yard;
    paid.forEach(({ far }, until) => {
      const room = f.room[s]! - setUp - yard - far;
      let [left, sum] = [room, free - far];
      for (const q of pieces) {
        if (left <= 0) break;
        if (q.at > until) continue;
        const share = Math.min(1, left / q.minutes);
        left -= share * q.minutes;
        sum += share * q.gain;
      }
      if (sum > brings) [brings, best] = [sum, { pieces, room, until }];
    });
  }
  return best ? { brings, ...fillIn(best) } : NOTHING;
}

/** The jobs of a day that is filled piece by piece, and what an hour more of it would bring. */
function fillIn({ pieces, room, until }: { pieces: Piece[]; room: number; until: number }): Omit<Taken, 'brings'> {
  const shares = new Map<number, number>();
  const add = ({ jobs }: Point, times: number) =>
    jobs.forEach(({ job, share }) => shares.set(job, (shares.get(job) ?? 0) + times * share));
  let [left, hour] = [room, 0];
  for (const q of pieces) {
    if (q.at > until) continue;
    if (left < q.minutes) hour ||= (60 * q.gain) / q.minutes;
    if (left <= 0) break;
    const share = Math.min(1, left / q.minutes);
    left -= share * q.minutes;
    add(q.to, share);
    add(q.from, -share);
  }
  return { jobs: [...shares].map(([job, share]) => ({ job, share })), hour };
}

/**
 * What prices prove: the Lagrangian of “each job once”. Every slot does what pays it best. Left out are the hour of the day,
 * re-entry, the order of jobs, numbers of kits, of driving all but the shortest ways; and the last thing of a day may be done
 * in part.
 * @returns the value, by how much each job is taken too rarely (below 0: too often), and what an hour more in a slot would bring
 */
function lagrangian(x: Indexed, f: Frame, worth: Float64Array) {
  let value = 0;
  const rare = Float64Array.from(worth, (w, j) => {
    value += Math.min(w, x.missed[j]!);
    // Left out where that is cheaper than its worth.
    return w > x.missed[j]! ? 0 : 1;
  });
  const hours = new Float64Array(x.nSlots);
  for (let s = 0; s < x.nSlots; s++) {
    const { brings, jobs, hour } = bestOf(x, f, worth, s);
    value -= brings;
    hours[s] = hour;
    for (const { job, share } of jobs) rare[job]! -= share;
  }
  return { value, rare, hours };
}

/** The value that prices prove, worked out from nothing else. */
export const provenBy = (x: Indexed, { worth }: Pick<Bound, 'worth'>): number => lagrangian(x, frameOf(x), worth).value;

/** How much of the last direction is kept (Camerini, Fratta and Maffioli 1975), and after how many rounds without gain steps are halved. */
const KEPT = 0.6;
const PATIENCE = 20;

/** A search for a bound: one round after another, for as long as somebody waits. */
export interface Bounding {
  best(): Bound;
  /** @param target cost of the best plan that is known; false once nothing more is won */
  round(target: number): boolean;
}
/** Prices by subgradients (Held and Karp 1971), from what each job costs at its cheapest. */
export function bounding(x: Indexed): Bounding {
  const f = frameOf(x);
  const n = x.missed.length;
  const worth = Float64Array.from({ length: n }, (_, j) =>
    x.slots[j]!.reduce((a, s) => Math.min(a, x.own[j]![s]!), x.missed[j]!),
  );
  const up = new Float64Array(n);
  let best: Bound = {
    value: -Infinity,
    worth: worth.slice(),
    hours: new Float64Array(x.nSlots),
  };
  let [step, still] = [1, 0];
  return {
    best: () => best,
    round(target) {
      const { value, rare, hours } = lagrangian(x, f, worth);
      if (value > best.value + 1e-9) {
        best = { value, worth: worth.slice(), hours };
        still = 0;
      } else if (++still >= PATIENCE) {
        [step, still] = [step / 2, 0];
        worth.set(best.worth);
        up.fill(0);
        return step > 1e-4;
      }
      let norm = 0;
      for (let j = 0; j < n; j++) norm += (up[j] = rare[j]! + KEPT * up[j]!) ** 2;
      if (norm < 1e-12) return false;
      const by = (step * Math.max(1, target - value)) / norm;
      for (let j = 0; j < n; j++) worth[j] = Math.min(x.missed[j]!, worth[j]! + by * up[j]!);
      return true;
    },
  };
}
