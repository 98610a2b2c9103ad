import type { Cm, SquareM } from '../../lib/units/units';

/** The two schools of the critical root zone: 12 × the diameter, or 18 × for old and sensitive trees. */
export const ROOT_ZONE_SCHOOLS = { '12': 12, '18': 18 } as const;
export type RootZoneSchool = keyof typeof ROOT_ZONE_SCHOOLS;
/** Radius of the critical root zone, m. @param diameter cm at breast height */
export const rootZoneRadius = (diameter: Cm, school: RootZoneSchool): number =>
  (diameter * ROOT_ZONE_SCHOOLS[school]) / 100;

export interface Trenches {
  count: number;
  lengthM: number;
  totalLengthM: number;
  /** Ground opened, m², and soil moved, m³; the backfill is the same volume. */
  areaM2: SquareM;
  backfillM3: number;
  /** Share of the critical root zone that is opened, 0 to 1. */
  shareOfZone: number;
  /** Distance between the outer ends, m. */
  endSpacingM: number;
  sentence: string;
}

/**
 * Radial trenches, opened with air or by hand, from beyond the buttress roots outward.
 * @param t lengths in m
 * @returns null when the end lies inside the start
 */
export function trenches(t: {
  count: number;
  startM: number;
  endM: number;
  widthM: number;
  depthM: number;
  zoneM: number;
}): Trenches | null {
  const lengthM = t.endM - t.startM;
  if (lengthM <= 0 || t.count < 1) return null;
  const areaM2 = t.count * lengthM * t.widthM;
  const inZone = t.count * Math.max(0, Math.min(t.endM, t.zoneM) - t.startM) * t.widthM;
  const shareOfZone = inZone / (Math.PI * t.zoneM ** 2);
  return {
    count: t.count,
    lengthM,
    totalLengthM: t.count * lengthM,
    areaM2,
    backfillM3: areaM2 * t.depthM,
    shareOfZone,
    endSpacingM: (2 * Math.PI * t.endM) / t.count,
    sentence:
      shareOfZone > 0.25
        ? 'More than a quarter of the root zone would be opened: fewer or narrower trenches, or over two years.'
        : `${(100 * shareOfZone).toFixed(1)} % of the root zone is opened.`,
  };
}

/** Chips in a layer, cm: less lets the weeds through, more keeps the air out; and how far they stay off the bark. */
export const MULCH_DEPTH_CM = [5, 10] as const;
export const MULCH_CLEAR_CM: Cm = 10;

export interface MulchRing {
  areaM2: SquareM;
  m3: number;
  bags: number;
}
/** Ground of a ring that stays clear of the bark; null where its outer edge lies within the clearance. */
export function clearRing(diameter: Cm, outerM: number, clear: Cm = MULCH_CLEAR_CM): SquareM | null {
  const inner = (diameter / 2 + clear) / 100;
  return outerM > inner ? Math.PI * (outerM ** 2 - inner ** 2) : null;
}
/** Mulch for a ring that stays clear of the bark. @param depth cm, within {@link MULCH_DEPTH_CM} @param bagL litres in one bag */
export function mulchRing({
  diameter,
  outerM,
  depth,
  bagL = 50,
  clear = MULCH_CLEAR_CM,
}: {
  diameter: Cm;
  outerM: number;
  depth: Cm;
  bagL?: number;
  clear?: Cm;
}): MulchRing | null {
  const areaM2 = clearRing(diameter, outerM, clear);
  if (areaM2 === null || depth < MULCH_DEPTH_CM[0] || depth > MULCH_DEPTH_CM[1]) return null;
  const m3 = (areaM2 * depth) / 100;
  return { areaM2, m3, bags: Math.ceil((m3 * 1000) / bagL - 1e-9) };
}

/** A root met at the collar: where it lies and what sounding and probe said. */
export interface MainRoot {
  bearing: number;
  state: 'sound' | 'doubtful' | 'decayed';
}
/** Anchor roots in one sentence, and whether a qualified risk assessor should be called. */
export function anchorage(roots: readonly MainRoot[]): { sentence: string; callAssessor: boolean } {
  if (!roots.length) return { sentence: 'No main root has been looked at.', callAssessor: false };
  const count = (s: MainRoot['state']) => roots.filter((r) => r.state === s).length;
  const bad = count('decayed');
  const sentence = `${roots.length} main roots: ${count('sound')} sound, ${count('doubtful')} doubtful, ${bad} decayed.`;
  const callAssessor = bad > 0 || count('doubtful') > roots.length / 3;
  return { sentence, callAssessor };
}

export interface GirdlingRoot {
  /** Diameter, cm, and the share of the girth that it presses on, 0 to 1. */
  diameter: Cm;
  shareOfGirth: number;
  /** Grown into the stem: cutting it out would wound the trunk. */
  grownIn: boolean;
}
/** When a girdling root is cut: at once, or a gap now and the rest once it has dried, or never. */
export function girdlingCut(r: GirdlingRoot, trunk: Cm): { when: 'now' | 'in stages' | 'leave'; sentence: string } {
  if (r.diameter > trunk / 3)
    return {
      when: 'leave',
      sentence: 'Over a third of the trunk: it feeds and holds the tree. Leave it, watch the crown.',
    };
  if (r.grownIn)
    return {
      when: 'in stages',
      sentence: 'Grown in: cut a gap at both ends, let the piece dry for a season, take it out then.',
    };
  return r.shareOfGirth < 0.05
    ? { when: 'leave', sentence: 'It barely touches; uncover it and look again next year.' }
    : { when: 'now', sentence: 'Cut flush at both ends with a clean chisel or saw; no wound on the trunk.' };
}
