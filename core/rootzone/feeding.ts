import type { NorthernMonth } from '../../lib/calendar/months';
import type { Grams, SquareM } from '../../lib/units/units';

/** Label figures for phosphorus and potassium are oxides. */
export const P_TO_P2O5 = 2.2915;
export const K_TO_K2O = 1.2046;

export interface Fertiliser {
  /** Mass fractions as the label prints them: nitrogen, phosphorus as P₂O₅, potassium as K₂O. */
  n: number;
  p2o5: number;
  k2o: number;
}

export interface Feeding {
  fertiliser: Grams;
  nitrogen: Grams;
  /** Elemental, worked back from the label's oxides. */
  phosphorus: Grams;
  potassium: Grams;
}

/**
 * Fertiliser for an area by the nitrogen it is to get, with the phosphorus and potassium that come with it.
 * @param gPerM2 nitrogen, g/m²; 5 to 15 is the usual span, never over the label
 * @example feed(93.902, 10, { n: 0.18, p2o5: 0, k2o: 0 }) // 5,216.8 g of an 18 % N fertiliser
 */
export function feed(area: SquareM, gPerM2: number, f: Fertiliser): Feeding {
  const nitrogen = area * gPerM2;
  const fertiliser = nitrogen / f.n;
  return {
    fertiliser,
    nitrogen,
    phosphorus: (fertiliser * f.p2o5) / P_TO_P2O5,
    potassium: (fertiliser * f.k2o) / K_TO_K2O,
  };
}

/** Whether a feed may go out now; restoring water comes before feeding. */
export interface FeedingFacts {
  release: 'slow' | 'quick';
  month: NorthernMonth;
  /** Planted within the last two seasons. */
  young: boolean;
  drought: boolean;
  hot: boolean;
  soilDry: boolean;
  /** A soil or leaf test has been read. */
  tested: boolean;
}

/** Why a feed must wait, or what to know about it; an empty list when nothing speaks against it. */
export function feedingDoubts(f: FeedingFacts): { strength: 'hold' | 'note'; sentence: string }[] {
  const { month } = f;
  const out: { strength: 'hold' | 'note'; sentence: string }[] = [];
  const hold = (sentence: string) => out.push({ strength: 'hold', sentence });
  if (f.drought || f.hot) hold('None to a tree in drought or heat: water first, feed when it grows again.');
  if (f.soilDry) hold('Not onto dry soil: the salts burn fine roots. Water the day before.');
  if (f.young && (month < 3 || month > 5)) hold('A new tree is fed in spring only.');
  if (f.release === 'quick' && !((month >= 3 && month <= 5) || (month >= 9 && month <= 11)))
    hold('Quick-release feed goes out in spring or autumn only.');
  if (!f.tested) out.push({ strength: 'note', sentence: 'No soil or leaf test: what the tree lacks is a guess.' });
  return out;
}

/** What is given beside fertiliser, with the strength of the evidence for it on established trees. */
export const AMENDMENTS = [
  { name: 'Mycorrhizal inoculant', evidence: 'weak', why: 'most soils hold fungi of their own; trials disagree' },
  { name: 'Worm castings, compost', evidence: 'fair', why: 'feeds soil life and holds water; acts over years' },
  { name: 'Kelp extract', evidence: 'weak', why: 'root growth in pots; little shown on grown trees' },
  { name: 'Biochar, charged', evidence: 'fair', why: 'helps compacted and sandy soils when mixed in with compost' },
  { name: 'Wood-chip mulch', evidence: 'strong', why: 'keeps water, cools soil, feeds it; clear of the bark' },
] as const;
