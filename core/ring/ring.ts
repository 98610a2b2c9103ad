import type { Cm } from '../../lib/units/units';
import { type Arc, type Bearing, type Flare } from '../measure/trunk-marks';

export interface OldSite {
  bearing: Bearing;
  heightCm: Cm;
  year: number;
}

/** A part of the crown and how much it suffers, 0 to 4. */
export interface Sector {
  from: Bearing;
  to: Bearing;
  severity: number;
}
/** What counts how much when sites are placed; each in units of the even spread, which has the weight 1. */
export interface Weights {
  /** Sites on flares: weight of the squared distance to the nearest crest, against squared unevenness. */
  flare: number;
  /** Sites below the suffering part of the crown, as a share of the ideal gap's square. */
  sector: number;
}
export const USUAL_WEIGHTS: Weights = { flare: 0.3, sector: 0.15 };

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
  flares?: Flare[];
  sectors?: Sector[];
  /** How far clockwise of a crown sector the flare stands that feeds it, where the grain spirals; degrees. */
  grainDeg?: number;
  weights?: Weights;
  /** Sites of another product on the same trunk today, with the clearance its label asks for. */
  others?: { bearing: Bearing; heightCm: Cm; clearCm: Cm }[];
  /** Rows one above the other that the label allows; 1 when it says nothing. */
  rows?: number;
}

export interface Ring {
  /** Bearings of the sites, clockwise from the first one after north. */
  sites: Bearing[];
  /** Height of each site above soil, in the order of the sites. */
  heights: Cm[];
  wanted: number;
  /** Sum over gaps of (gap − C/N)², cm²: 0 is perfectly even. */
  unevenness: number;
  /** Mean distance of a site to the nearest flare, cm along the bark; null when no flare is entered. */
  offFlareCm: number | null;
  /** Bearings that may not be drilled, as merged arcs, with clearances. */
  forbidden: { from: Bearing; to: Bearing; why: string }[];
  /** Old holes that still bar the bark at this height. */
  barring: OldSite[];
  sentence: string;
}

/** How high above soil it is drilled where nothing says so, cm. */
const USUAL_SITE_HEIGHT_CM = 20;
/**
 * The sites of a ring, each with its height. Rings that were kept before their heights were have all sites at that of their use.
 * @param useHeightCm height that the label's use asks for
 */
export const sitesWithHeights = (
  ring: { sites: readonly Bearing[]; heights?: readonly Cm[] } | null,
  useHeightCm: Cm | undefined,
): { bearing: Bearing; heightCm: Cm }[] =>
  (ring?.sites ?? []).map((bearing, i) => ({
    bearing,
    heightCm: ring?.heights?.[i] ?? useHeightCm ?? USUAL_SITE_HEIGHT_CM,
  }));

const turn = (a: number) => ((a % 360) + 360) % 360;
/** Degrees that an arc spans, clockwise; equal ends, and 0 to 360, are all round. */
const wide = (a: { from: Bearing; to: Bearing }) => turn(a.to - a.from) || 360;
/** Degrees between two bearings, 0 to 180. */
const apart = (a: Bearing, b: Bearing) => Math.min(turn(a - b), turn(b - a));
const STEPS = 360;

/** Why a bearing may not be drilled, or null when it may. */
export function barredAt(bearing: Bearing, r: Omit<RingInput, 'count' | 'minSpacingCm'>): string | null {
  const degPerCm = 360 / r.girthCm;
  for (const arc of r.arcs) {
    const clear = r.arcClearanceCm * degPerCm;
    const width = wide(arc);
    if (width + 2 * clear >= 360 || turn(bearing - (arc.from - clear)) <= width + 2 * clear)
      return `${arc.kind.replace('-', ' ')}, kept clear`;
  }
  for (const s of r.others ?? []) {
    if (Math.abs(s.heightCm - r.heightCm) >= r.oldSiteVerticalCm) continue;
    if (apart(bearing, s.bearing) / degPerCm < s.clearCm - 1e-9) return `site of the other product, ${s.clearCm} cm`;
  }
  for (const s of r.oldSites) {
    if (!bars(s, r)) continue;
    const off = apart(bearing, s.bearing) / degPerCm;
    if (off < r.oldSiteClearanceCm - 1e-9) return `hole of ${s.year}, ${r.oldSiteClearanceCm} cm clearance`;
  }
  return null;
}

/** An old hole bars its bark until it is old enough, or when the new height is far enough above or below it. */
const bars = (s: OldSite, r: Pick<RingInput, 'year' | 'heightCm' | 'oldSiteYears' | 'oldSiteVerticalCm'>) =>
  r.year - s.year < r.oldSiteYears && Math.abs(s.heightCm - r.heightCm) < r.oldSiteVerticalCm;

/**
 * The best ring of sites that keeps every clearance: among bearings one degree apart, the least sum of
 * (gap − C/N)² over the gaps, plus the weighted distance from flares and the weighted soundness of the crown above, found
 * exactly by dynamic programming over the ring. When `count` sites do not fit, as many as do; where the label allows more
 * rows, the rest goes into a row above.
 * @param input lengths in cm, bearings in degrees clockwise from north
 */
export function placeRing(input: RingInput): Ring {
  const first = siteRow(input, input.count);
  const rows = [{ ...first, heightCm: input.heightCm }];
  let placed = first.sites.length;
  for (let row = 1; placed < input.count && row < (input.rows ?? 1); row++) {
    const heightCm = input.heightCm + row * input.oldSiteVerticalCm;
    const next = siteRow({ ...input, heightCm }, input.count - placed);
    rows.push({ ...next, heightCm });
    placed += next.sites.length;
  }
  const all = rows
    .flatMap((row) => row.sites.map((bearing) => ({ bearing, heightCm: row.heightCm })))
    .sort((a, b) => a.bearing - b.bearing || a.heightCm - b.heightCm);
  const sites = all.map((s) => s.bearing);
  const used = rows.filter((row) => row.sites.length).length;
  return {
    sites,
    heights: all.map((s) => s.heightCm),
    wanted: input.count,
    unevenness: first.unevenness,
    offFlareCm: input.flares?.length
      ? sites.reduce((a, b) => a + toFlare(b, input.flares!), 0) * (input.girthCm / 360 / Math.max(1, sites.length))
      : null,
    forbidden: first.forbidden,
    barring: input.oldSites.filter((s) => bars(s, input)),
    sentence:
      placed === 0
        ? 'No site fits at this height: every bearing is a wound, a valley or too near an old hole.'
        : placed < input.count
          ? `Only ${placed} of ${input.count} sites fit: another height, fewer and larger doses if the label allows, or another method.`
          : used > 1
            ? `${placed} sites in ${used} rows, ${input.oldSiteVerticalCm} cm one above the other.`
            : `${placed} sites, ${(input.girthCm / placed).toFixed(1)} cm apart on average.`,
  };
}

const toFlare = (b: Bearing, flares: readonly Flare[]) => Math.min(...flares.map((f) => apart(b, f.bearing)));

/** What a site costs where it stands, cm²: away from flares, and below a part of the crown that does not suffer. */
function nodeCosts(input: RingInput, n: number): Float64Array {
  const cost = new Float64Array(STEPS);
  const w = input.weights ?? USUAL_WEIGHTS;
  const half = input.girthCm / n / 2;
  const strongest = Math.max(0, ...(input.sectors ?? []).map((s) => s.severity));
  for (let b = 0; b < STEPS; b++) {
    if (input.flares?.length) {
      // A weak flare counts as if it stood a little farther off.
      const cm = Math.min(
        ...input.flares.map((f) => (apart(b, f.bearing) * input.girthCm) / STEPS + (1 - f.strength) * half * 0.5),
      );
      cost[b]! += w.flare * Math.min(cm, half) ** 2;
    }
    if (strongest > 0) {
      const above = turn(b - (input.grainDeg ?? 0));
      const severity = Math.max(0, ...input.sectors!.map((s) => (turn(above - s.from) <= wide(s) ? s.severity : 0)));
      cost[b]! += w.sector * half ** 2 * (1 - severity / strongest);
    }
  }
  return cost;
}

/** One row of at most `count` sites at the height of `r`. */
function siteRow(input: RingInput, count: number): Pick<Ring, 'sites' | 'unevenness' | 'forbidden'> {
  const legal: number[] = [];
  const forbidden: Ring['forbidden'] = [];
  for (let b = 0; b < STEPS; b++) {
    const why = barredAt(b, input);
    if (why === null) legal.push(b);
    else {
      const last = forbidden[forbidden.length - 1];
      if (last && last.to === b - 1 && last.why === why) last.to = b;
      else forbidden.push({ from: b, to: b, why });
    }
  }
  const minGap = Math.ceil((input.minSpacingCm * STEPS) / input.girthCm - 1e-9);
  const { most, from } = mostThatFit(legal, minGap);
  for (let n = Math.min(count, most); n >= 1; n--) {
    const sites = best(legal, n, from, input);
    if (sites) return { sites, unevenness: unevenness(sites, input.girthCm), forbidden };
  }
  return { sites: [], unevenness: 0, forbidden };
}

/** Sum over gaps of (gap − C/N)², cm². */
export const unevenness = (sites: readonly Bearing[], girth: Cm): number =>
  sites.length < 2
    ? 0
    : sites.reduce((a, s, i) => {
        const gap = i + 1 < sites.length ? sites[i + 1]! - s : sites[0]! + 360 - s;
        return a + ((gap * girth) / 360 - girth / sites.length) ** 2;
      }, 0);

/**
 * Why site `index` may not be moved to a bearing: barred bark, or too near its neighbours in the same row.
 * @returns null when it may stand there
 */
export function whyNotAt(
  ring: Pick<Ring, 'sites' | 'heights'>,
  index: number,
  bearing: Bearing,
  input: RingInput,
): string | null {
  const heightCm = ring.heights[index] ?? input.heightCm;
  const barred = barredAt(bearing, { ...input, heightCm });
  if (barred) return barred;
  for (let i = 0; i < ring.sites.length; i++) {
    if (i === index || Math.abs((ring.heights[i] ?? input.heightCm) - heightCm) >= input.oldSiteVerticalCm) continue;
    const cm = (apart(bearing, ring.sites[i]!) * input.girthCm) / 360;
    if (cm < input.minSpacingCm - 1e-9)
      return `${cm.toFixed(1)} cm from site ${i + 1}; the label asks for ${input.minSpacingCm} cm`;
  }
  return null;
}

/** The ring with one site moved, sorted clockwise again; the move must have been found allowed. */
export function moved(ring: Ring, index: number, bearing: Bearing, girth: Cm): Ring {
  const all = ring.sites
    .map((b, i) => ({ b: i === index ? turn(bearing) : b, h: ring.heights[i]! }))
    .sort((x, y) => x.b - y.b || x.h - y.h);
  const sites = all.map((x) => x.b);
  return { ...ring, sites, heights: all.map((x) => x.h), unevenness: unevenness(sites, girth) };
}

/** How many sites fit at `minGap` degrees apart, and from which first site: packing as tightly as can be from each. */
function mostThatFit(legal: number[], minGap: number): { most: number; from: number } {
  let most = 0;
  let from = 0;
  for (let i = 0; i < legal.length; i++) {
    const start = legal[i]!;
    if (start >= legal[0]! + minGap && most > 0) break;
    let n = 0;
    let last = -Infinity;
    for (let j = i; j < i + legal.length; j++) {
      const b = j < legal.length ? legal[j]! : legal[j - legal.length]! + STEPS;
      if (b - last >= minGap && b <= start + STEPS - (n ? minGap : 0)) {
        n++;
        last = b;
      }
    }
    if (n > most) {
      most = n;
      from = i;
    }
  }
  return { most, from };
}

/**
 * The best `n` of the legal bearings, exactly. The cost of a gap is convex in its width, so that two best rings can be made
 * to interleave (the quadrangle inequality; Aggarwal, Schieber and Tokuyama 1994): one ring through a given site is found
 * by dynamic programming, and the best of all has one site in each of its gaps. Halving the first gap again and again
 * narrows the windows of all the others.
 * @param first index of a legal bearing from which `n` sites fit
 * @returns null when `n` do not fit after all
 */
function best(legal: number[], n: number, first: number, input: RingInput): Bearing[] | null {
  const m = legal.length;
  const node = nodeCosts(input, n);
  if (n === 1) return [legal.reduce((a, b) => (node[b]! < node[a]! - 1e-12 ? b : a))];
  const cmPerStep = input.girthCm / STEPS;
  const minGap = Math.ceil(input.minSpacingCm / cmPerStep - 1e-9);
  const ideal = STEPS / n;
  const gapCost = new Float64Array(2 * STEPS + 1).fill(Infinity);
  for (let g = Math.max(1, minGap); g <= STEPS; g++) gapCost[g] = ((g - ideal) * cmPerStep) ** 2;
  // Two turns, beginning at the first site.
  const at = new Int16Array(2 * m + 1);
  const stand = new Float64Array(2 * m + 1);
  for (let i = 0; i <= 2 * m; i++) {
    const b = legal[(first + i) % m]!;
    at[i] = turn(b - legal[first]!) + STEPS * Math.floor(i / m);
    stand[i] = node[b]!;
  }

  let cost = new Float64Array(2 * m + 1);
  let next = new Float64Array(2 * m + 1);
  const back = Array.from({ length: n }, () => new Int16Array(2 * m + 1));
  /** The best ring through `start` with its k-th site between `low[k]` and `high[k]`; all indices into `at`. */
  const through = (start: number, low: ArrayLike<number>, high: ArrayLike<number>) => {
    let from = start;
    let to = start;
    cost[start] = stand[start]!;
    for (let k = 1; k <= n; k++) {
      const last = k === n;
      const a = last ? start + m : Math.max(low[k]!, start + k);
      const z = last ? start + m : Math.min(high[k]!, start + m - (n - k));
      const by = back[k - 1]!;
      // The best site before moves on with the site, never back.
      let p = from;
      for (let o = a; o <= z; o++) {
        let least = Infinity;
        let best = -1;
        for (let q = p; q <= to && at[o]! - at[q]! >= minGap; q++) {
          const c = cost[q]! + gapCost[at[o]! - at[q]!]!;
          if (c < least) {
            least = c;
            best = q;
          }
        }
        next[o] = least + (last ? 0 : stand[o]!);
        by[o] = best;
        if (best >= 0) p = best;
      }
      [cost, next] = [next, cost];
      from = a;
      to = z;
    }
    const total = cost[start + m]!;
    if (!Number.isFinite(total)) return null;
    const path = [start + m];
    for (let k = n - 1; k >= 0; k--) path.unshift(back[k]![path[0]!]!);
    return { total, path };
  };
  const seed = through(
    0,
    Array.from({ length: n }, (_, k) => k),
    Array.from({ length: n }, (_, k) => m - (n - k)),
  );
  if (!seed) return null;
  let found = seed;
  /** The best ring from `start` with every other site within its window, or null when none fits. */
  const from = (start: number, low: number[], high: number[]) => {
    const ring = through(start, low, high);
    if (ring && ring.total < found.total - 1e-12) found = ring;
    return ring?.path ?? null;
  };
  const halve = (low: number[], high: number[]) => {
    if (high[0]! - low[0]! < 2) return;
    const mid = (low[0]! + high[0]!) >> 1;
    const ring = from(mid, low, high);
    halve(low, ring ?? [mid, ...high.slice(1)]);
    halve(ring ?? [mid, ...low.slice(1)], high);
  };
  const gapAfter = [...seed.path.slice(1), seed.path[1]! + m];
  const last = from(gapAfter[0]!, seed.path, gapAfter);
  halve(seed.path, last ?? gapAfter);
  return found.path
    .slice(0, n)
    .map((i) => turn(at[i]! + legal[first]!))
    .sort((a, b) => a - b);
}
