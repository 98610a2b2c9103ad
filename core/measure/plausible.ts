import { figure, showDistance, showTrunk, type Cm, type UnitSystem } from '../../lib/units/units';

export interface Doubt {
  id: 'girth-diameter' | 'shrunk' | 'jumped' | 'slender' | 'stout' | 'beyond-species';
  /** True when the reading should not be used for a dose until somebody has looked again. */
  mixup: boolean;
  sentence: string;
}

export interface Plausibility {
  /** Diameter just read, cm. */
  diameterCm: Cm;
  /** Earlier reading of the same tree at the same height, if any. */
  last?: { diameterCm: Cm; yearsAgo: number };
  /** Height of the tree, m, if known. */
  heightM?: number;
  /** Yearly diameter growth that this host can reach, cm. */
  growthCmPerYear?: number;
  /** Largest diameter this host reaches, cm. */
  largestCm?: number;
  /** The units in which a doubt is told. */
  system?: UnitSystem;
}

/** Tape error allowed before a reading is called smaller than the last one: 1 cm or 2 %. */
const slack = (cm: number) => Math.max(1, cm * 0.02);
const nearPi = (ratio: number) => ratio > 2.6 && ratio < 3.7;

/**
 * Doubts about a trunk reading: it shrank, grew faster than the host can, or looks like a girth entered as a diameter
 * (a ratio near pi to the last reading, or a trunk impossible for the tree's height). Nothing is corrected.
 * @returns no entry when the reading is plausible
 */
export function doubts(reading: Plausibility): Doubt[] {
  const out: Doubt[] = [];
  const trunk = (cm: Cm) => showTrunk(cm, reading.system ?? 'metric').text;
  const height = (m: number) => showDistance(m, reading.system ?? 'metric').text;
  const d = reading.diameterCm;
  if (reading.last) {
    const was = reading.last.diameterCm;
    const growth = (reading.growthCmPerYear ?? 2) * Math.max(reading.last.yearsAgo, 0.25) + slack(was);
    if (nearPi(d / was))
      out.push({
        id: 'girth-diameter',
        mixup: true,
        sentence: `This is ${figure(d / was, 2)} times the last diameter (${trunk(was)}): was a girth entered as a diameter?`,
      });
    else if (nearPi(was / d))
      out.push({
        id: 'girth-diameter',
        mixup: true,
        sentence: `This is a third of the last diameter (${trunk(was)}): was a diameter entered as a girth?`,
      });
    else if (d < was - slack(was))
      out.push({
        id: 'shrunk',
        mixup: false,
        sentence: `The last reading was ${trunk(was)} across; trunks do not shrink. Same height, same stem?`,
      });
    else if (d > was + growth)
      out.push({
        id: 'jumped',
        mixup: false,
        sentence: `${trunk(d - was)} more than last time is faster than this host grows (about ${trunk(growth)}).`,
      });
  }
  if (reading.heightM && reading.heightM > 0) {
    // Height over diameter of standing trees runs from about 15 (squat veterans) to 130 (drawn-up poles).
    const ratio = (reading.heightM * 100) / d;
    if (ratio > 160)
      out.push({
        id: 'slender',
        mixup: ratio / Math.PI < 160,
        sentence: `A tree ${height(reading.heightM)} tall on a ${trunk(d)} trunk would not stand: is this a diameter entered as a girth?`,
      });
    else if (ratio < 9)
      out.push({
        id: 'stout',
        mixup: ratio * Math.PI >= 9,
        sentence: `${trunk(d)} across is very stout for ${height(reading.heightM)} of height: is this a girth entered as a diameter?`,
      });
  }
  if (reading.largestCm && d > reading.largestCm)
    out.push({
      id: 'beyond-species',
      mixup: d / Math.PI <= reading.largestCm,
      sentence: `This host rarely passes ${trunk(reading.largestCm)} across: is this a girth entered as a diameter?`,
    });
  return out;
}
