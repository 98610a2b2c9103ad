import type { Cm } from '../units/units';

/** Degrees clockwise from north, 0 to 360. */
export type Bearing = number;

/** A stretch of trunk that must not be drilled: a wound, a canker, dead bark, a valley between flares. */
export interface Arc {
  kind: 'wound' | 'dead-bark' | 'canker' | 'valley' | 'inclusion';
  from: Bearing;
  to: Bearing;
}

export interface OldSite {
  bearing: Bearing;
  heightCm: Cm;
  year: number;
}

export interface RingInput {
  girthCm: Cm;
  count: number;
  heightCm: Cm;
  year: number;
  /** Smallest distance between two new sites along the bark. */
  minSpacingCm: Cm;
  /** Distance kept from arcs. */
  arcClearanceCm: Cm;
  oldSiteClearanceCm: Cm;
  oldSiteVerticalCm: Cm;
  oldSiteYears: number;
  arcs: Arc[];
  oldSites: OldSite[];
}

export interface Ring {
  /** Bearings of the sites, clockwise from the first one after north. */
  sites: Bearing[];
  wanted: number;
  /** Sum over gaps of (gap − C/N)², cm²: 0 is perfectly even. */
  unevenness: number;
  /** Bearings that may not be drilled, as merged arcs, with clearances. */
  forbidden: { from: Bearing; to: Bearing; why: string }[];
  /** Old holes that still bar the bark at this height. */
  barring: OldSite[];
  sentence: string;
}

const turn = (a: number) => ((a % 360) + 360) % 360;
const STEPS = 360;

/** Why a bearing may not be drilled, or null when it may. */
export function barredAt(bearing: Bearing, r: Omit<RingInput, 'count' | 'minSpacingCm'>): string | null {
  const degPerCm = 360 / r.girthCm;
  for (const arc of r.arcs) {
    const clear = r.arcClearanceCm * degPerCm;
    const width = arc.from === arc.to ? 360 : turn(arc.to - arc.from);
    if (width + 2 * clear >= 360 || turn(bearing - (arc.from - clear)) <= width + 2 * clear)
      return `${arc.kind.replace('-', ' ')}, kept clear`;
  }
  for (const s of r.oldSites) {
    if (!bars(s, r)) continue;
    const off = Math.min(turn(bearing - s.bearing), turn(s.bearing - bearing)) / degPerCm;
    if (off < r.oldSiteClearanceCm - 1e-9) return `hole of ${s.year}, ${r.oldSiteClearanceCm} cm clearance`;
  }
  return null;
}

/** An old hole bars its bark until it is old enough, or when the new height is far enough above or below it. */
const bars = (s: OldSite, r: Pick<RingInput, 'year' | 'heightCm' | 'oldSiteYears' | 'oldSiteVerticalCm'>) =>
  r.year - s.year < r.oldSiteYears && Math.abs(s.heightCm - r.heightCm) < r.oldSiteVerticalCm;

/**
 * The most even ring of sites that keeps every clearance: among bearings one degree apart, the least sum over gaps of
 * (gap − C/N)², found exactly by dynamic programming over the ring. When `count` sites do not fit, as many as do.
 * @param r lengths in cm, bearings in degrees clockwise from north
 */
export function placeRing(r: RingInput): Ring {
  const legal: number[] = [];
  const forbidden: Ring['forbidden'] = [];
  for (let b = 0; b < STEPS; b++) {
    const why = barredAt(b, r);
    if (why === null) legal.push(b);
    else {
      const last = forbidden[forbidden.length - 1];
      if (last && last.to === b - 1 && last.why === why) last.to = b;
      else forbidden.push({ from: b, to: b, why });
    }
  }
  const barring = r.oldSites.filter((s) => bars(s, r));
  const minGap = Math.ceil((r.minSpacingCm * STEPS) / r.girthCm - 1e-9);
  for (let n = Math.min(r.count, mostThatFit(legal, minGap)); n >= 1; n--) {
    const best = evenest(legal, n, r);
    if (!best) continue;
    const short =
      n < r.count
        ? `Only ${n} of ${r.count} sites fit: another height, fewer and larger doses if the label allows, or another method.`
        : `${n} sites, ${(r.girthCm / n).toFixed(1)} cm apart on average.`;
    return { sites: best.sites, wanted: r.count, unevenness: best.cost, forbidden, barring, sentence: short };
  }
  return {
    sites: [],
    wanted: r.count,
    unevenness: 0,
    forbidden,
    barring,
    sentence: 'No site fits at this height: every bearing is a wound, a valley or too near an old hole.',
  };
}

/** How many sites fit at `minGap` degrees apart: packing as tightly as can be from each possible first site. */
function mostThatFit(legal: number[], minGap: number): number {
  let most = 0;
  for (const start of legal) {
    if (start >= legal[0]! + minGap && most > 0) break;
    let n = 0;
    let last = -Infinity;
    for (const b of [...legal.filter((x) => x >= start), ...legal.filter((x) => x < start).map((x) => x + STEPS)])
      if (b - last >= minGap && b <= start + STEPS - (n ? minGap : 0)) {
        n++;
        last = b;
      }
    most = Math.max(most, n);
  }
  return most;
}

/** A stretch of barred bark: the last legal bearing before it and the first after it, in degrees from the ring's zero. */
interface Run {
  before: number;
  after: number;
}

/**
 * The best `n` of the legal bearings, exactly. A gap may differ from the ideal by up to `reach` degrees, or must cross
 * barred bark wider than the ideal gap, and then exceed that by up to `reach`. A ring that breaks this costs more than
 * reach² on top of what the barred bark forces upon every ring; so once the ring found costs no more than that, it is
 * the best of all. Else the reach doubles.
 */
function evenest(legal: number[], n: number, r: RingInput): { sites: Bearing[]; cost: number } | null {
  const cmPerStep = r.girthCm / STEPS;
  const minGap = Math.ceil(r.minSpacingCm / cmPerStep - 1e-9);
  if (n === 1) return { sites: [legal[0]!], cost: 0 };
  const ideal = STEPS / n;
  // Turned so that the widest barred stretch ends at zero: every ring has a gap across it, and its next site soon after.
  const widest = legal
    .map((b, j) => ({ b, width: j ? b - legal[j - 1]! : b + STEPS - legal.at(-1)! }))
    .reduce((a, x) => (x.width > a.width ? x : a));
  const zero = widest.b;
  const turned = legal.map((b) => turn(b - zero)).sort((a, b) => a - b);
  const runs: Run[] = turned.flatMap((b, j) =>
    j && b - turned[j - 1]! > ideal ? [{ before: turned[j - 1]!, after: b }] : [],
  );
  if (widest.width > ideal) runs.unshift({ before: turned.at(-1)! - STEPS, after: 0 });
  const forced = runs.reduce((a, x) => a + ((x.after - x.before - ideal) * cmPerStep) ** 2, 0);
  const gapCost = Float64Array.from({ length: STEPS + 1 }, (_, g) => ((g - ideal) * cmPerStep) ** 2);
  for (let reach = 2; ; reach *= 2) {
    const best = search(turned, n, minGap, ideal, reach, runs, gapCost);
    if (best && (best.cost <= (reach * cmPerStep) ** 2 + forced + 1e-9 || reach >= STEPS))
      return { cost: best.cost, sites: best.sites.map((b) => turn(b + zero)).sort((a, b) => a - b) };
    if (reach >= STEPS) return null;
  }
}

/** Dynamic programming from each possible first site: the least cost with k + 1 sites placed, the last at o. */
function search(
  legal: number[],
  n: number,
  minGap: number,
  ideal: number,
  reach: number,
  runs: Run[],
  gapCost: Float64Array,
): { sites: Bearing[]; cost: number } | null {
  const low = Math.max(minGap, Math.ceil(ideal - reach));
  const high = Math.min(STEPS, Math.floor(ideal + reach));
  const ok = new Uint8Array(STEPS * 2);
  for (const b of legal) ok[b] = ok[b + STEPS] = 1;
  // The widest gap that may end at each bearing of two turns; one gap may cross several runs that stand close together.
  const widestTo = new Int16Array(STEPS * 2).fill(high);
  const twice = [...runs, ...runs.map((x) => ({ before: x.before + STEPS, after: x.after + STEPS }))];
  twice.forEach((run, j) => {
    let first = j;
    while (first > 0 && twice[first]!.before - twice[first - 1]!.after + ideal <= reach) first--;
    for (let b = run.after; b < STEPS * 2 && b - run.after <= reach; b++)
      widestTo[b] = Math.min(STEPS, Math.max(widestTo[b]!, b - twice[first]!.before + reach));
  });
  const starts = runs.length === 0 ? legal.filter((b) => b < high) : legal.filter((b) => b <= reach || reach >= ideal);
  let bestCost = Infinity;
  let best: Bearing[] | null = null;
  let cost = new Float64Array(STEPS);
  let next = new Float64Array(STEPS);
  const back = Array.from({ length: n - 1 }, () => new Int16Array(STEPS));
  for (const start of starts) {
    cost.fill(Infinity);
    cost[0] = 0;
    let from = 0;
    let to = 0;
    for (let k = 1; k < n; k++) {
      next.fill(Infinity);
      const by = back[k - 1]!;
      let seenFrom = STEPS;
      let seenTo = -1;
      for (let o = from + low; o <= STEPS - (n - k) * low; o++) {
        if (!ok[start + o]) continue;
        const nearest = Math.min(o - low, to);
        let least = bestCost;
        let at = -1;
        for (let p = Math.max(from, o - widestTo[start + o]!); p <= nearest; p++) {
          const c = cost[p]! + gapCost[o - p]!;
          if (c < least) {
            least = c;
            at = p;
          }
        }
        if (at < 0) continue;
        next[o] = least;
        by[o] = at;
        seenFrom = Math.min(seenFrom, o);
        seenTo = o;
      }
      [cost, next] = [next, cost];
      from = seenFrom;
      to = seenTo;
      if (to < 0) break;
    }
    if (to < 0) continue;
    for (let o = Math.max(from, STEPS - widestTo[start + STEPS]!); o <= Math.min(to, STEPS - low); o++) {
      const c = cost[o]! + gapCost[STEPS - o]!;
      if (c >= bestCost) continue;
      bestCost = c;
      best = [o];
      for (let k = n - 2; k >= 0; k--) best.unshift(back[k]![best[0]!]!);
      best = best.map((x) => turn(start + x));
    }
  }
  return best && { sites: best, cost: bestCost };
}
