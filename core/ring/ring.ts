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
    if (width + 2 * clear >= 360 || turn(bearing - (arc.from - clear)) <= width + 2 * clear) return `${arc.kind.replace('-', ' ')}, kept clear`;
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
  for (let n = Math.min(r.count, legal.length, Math.floor(r.girthCm / r.minSpacingCm + 1e-9)); n >= 1; n--) {
    const best = evenest(legal, n, r);
    if (!best) continue;
    const short = n < r.count ? `Only ${n} of ${r.count} sites fit: another height, fewer and larger doses if the label allows, or another method.` : `${n} sites, ${(r.girthCm / n).toFixed(1)} cm apart on average.`;
    return { sites: best.sites, wanted: r.count, unevenness: best.cost, forbidden, barring, sentence: short };
  }
  return { sites: [], wanted: r.count, unevenness: 0, forbidden, barring, sentence: 'No site fits at this height: every bearing is a wound, a valley or too near an old hole.' };
}

function evenest(legal: number[], n: number, r: RingInput): { sites: Bearing[]; cost: number } | null {
  const cmPerStep = r.girthCm / STEPS;
  const minGap = Math.ceil(r.minSpacingCm / cmPerStep - 1e-9);
  if (n * minGap > STEPS) return null;
  if (n === 1) return { sites: [legal[0]!], cost: 0 };
  const ideal = STEPS / n;
  const ok = new Uint8Array(STEPS * 2);
  for (const b of legal) ok[b] = ok[b + STEPS] = 1;
  const gapCost = (g: number) => ((g - ideal) * cmPerStep) ** 2;
  let best: { sites: Bearing[]; cost: number } | null = null;
  // Some site lies within the first ideal gap unless that stretch is barred; then the next legal ones start the ring.
  const starts = Math.max(Math.ceil(ideal), minGap);
  const startList = legal.filter((b) => b < starts).length ? legal.filter((b) => b < starts || legal[0] === b) : legal.slice(0, starts);
  for (const start of startList) {
    // cost[k][o]: least cost with k+1 sites placed, the last at start + o.
    let cost = new Float64Array(STEPS).fill(Infinity);
    cost[0] = 0;
    const back: Int16Array[] = [];
    for (let k = 1; k < n; k++) {
      const next = new Float64Array(STEPS).fill(Infinity);
      const from = new Int16Array(STEPS).fill(-1);
      const middle = k * ideal;
      // Gaps far from the ideal never win while legal bark is near; the window still covers half the ring.
      const lo = Math.max(k * minGap, Math.floor(middle - STEPS / 2));
      const hi = Math.min(STEPS - (n - k) * minGap, Math.ceil(middle + STEPS / 2));
      for (let o = lo; o <= hi; o++) {
        if (!ok[start + o]) continue;
        for (let p = Math.max(0, o - Math.ceil(ideal * 4)); p <= o - minGap; p++) {
          const c = cost[p]! + gapCost(o - p);
          if (c < next[o]!) {
            next[o] = c;
            from[o] = p;
          }
        }
      }
      cost = next;
      back.push(from);
      if (best && Math.min(...cost) >= best.cost) break;
    }
    if (back.length < n - 1) continue;
    for (let o = (n - 1) * minGap; o <= STEPS - minGap; o++) {
      const c = cost[o]! + gapCost(STEPS - o);
      if (c < (best?.cost ?? Infinity)) {
        const sites = [o];
        for (let k = n - 2; k >= 0; k--) sites.unshift(back[k]![sites[0]!]!);
        best = { cost: c, sites: sites.map((s) => turn(start + s)).sort((a, b) => a - b) };
      }
    }
  }
  return best;
}
