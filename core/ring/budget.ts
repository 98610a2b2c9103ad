import { girthFromDiameter } from '../measure/trunk';
import type { Cm } from '../../lib/units/units';
import { barredAt, placeRing, type OldSite, type RingInput } from './ring';

/**
 * Years until a drilled hole has closed over. Wood grows over a hole from both sides, each by about the yearly radial
 * growth of that trunk; slow trees carry a hole for a decade. A practice estimate, replaced by the look at earlier holes.
 * @param drillMm bit @param growthCm yearly growth in diameter
 */
export const yearsToClose = (drillMm: number, growthCm: Cm): number =>
  Math.min(15, Math.max(1, Math.ceil(drillMm / 2 / Math.max(0.5, growthCm * 5))));

export interface Visit {
  year: number;
  placed: number;
  wanted: number;
  girthCm: Cm;
}
export interface WoundBudget {
  everyYears: number;
  visits: Visit[];
  /** The year in which not all sites find room any more; null when room lasts to the end. */
  runsOut: number | null;
  holes: number;
  /** Part of the girth at the end that holes of the last years still bar, 0 to 1. */
  barred: number;
  sentence: string;
}

/**
 * The ring carried through a programme: each visit is placed among the holes of the visits before, on a trunk that grows.
 * @param input the ring of the first visit
 * @param p `everyYears` between visits, over `years`; a hole bars its bark until the label's years are over and it has closed
 */
export function woundBudget(
  input: RingInput,
  p: { everyYears: number; years: number; growthCm: Cm; drillMm: number; sitesPerCm: number },
): WoundBudget {
  const hold = Math.max(input.oldSiteYears, yearsToClose(p.drillMm, p.growthCm));
  let oldSites: OldSite[] = [...input.oldSites];
  const visits: Visit[] = [];
  let runsOut: number | null = null;
  let barred = 0;
  for (let t = 0; t < p.years; t += p.everyYears) {
    const girthCm = input.girthCm + girthFromDiameter(p.growthCm) * t;
    const year = input.year + t;
    // The dose grows with the trunk, and with it the number of sites.
    const count = Math.max(input.count, Math.ceil(girthCm * p.sitesPerCm - 1e-9));
    const ring = placeRing({ ...input, girthCm, year, count, oldSites, oldSiteYears: hold });
    visits.push({ year, placed: ring.sites.length, wanted: count, girthCm });
    if (ring.sites.length < count && runsOut === null) runsOut = year;
    oldSites = [
      ...oldSites.filter((s) => year - s.year < hold),
      ...ring.sites.map((bearing, i) => ({ bearing, heightCm: ring.heights[i]!, year })),
    ];
    if (t + p.everyYears >= p.years)
      barred = barredShare({ ...input, girthCm, year: year + 1, oldSites, oldSiteYears: hold });
  }
  const holes = visits.reduce((a, v) => a + v.placed, 0);
  return {
    everyYears: p.everyYears,
    visits,
    runsOut,
    holes,
    barred,
    sentence: runsOut
      ? `Every ${span(p.everyYears)}: room runs out in ${runsOut}, after ${holes} holes.`
      : `Every ${span(p.everyYears)}: room for all ${visits.length} visits, ${holes} holes by ${input.year + p.years - 1}.`,
  };
}
const span = (n: number) => (n === 1 ? 'year' : `${n} years`);

/** Part of the girth that may not be drilled, 0 to 1. */
const barredShare = (input: RingInput): number =>
  Array.from({ length: 360 }, (_, bearing) => bearing).filter((b) => barredAt(b, input) !== null).length / 360;
