import { LENGTH, type Cm, type Length } from '../../lib/units/units';

/** Diameter of a round trunk from its girth: d = G / pi. */
export const diameterFromGirth = (girth: Cm): Cm => girth / Math.PI;
/** Girth of a round trunk from its diameter: G = pi · d. */
export const girthFromDiameter = (diameter: Cm): Cm => diameter * Math.PI;

/** How several stems count as one size; the label says which, and the schools differ widely. */
export type StemRule = 'sum' | 'basal-area' | 'each' | 'largest';

/** What was put around or across the trunk, with the unit that was typed. */
export interface StemReading {
  kind: 'girth' | 'diameter';
  typed: Length;
}

/** Diameters in cm of the stems read; girths are divided by pi exactly. */
export const stemDiameters = (stems: StemReading[]): Cm[] =>
  stems.map(({ kind, typed }) => {
    const cm = typed.value * LENGTH[typed.unit];
    return kind === 'girth' ? diameterFromGirth(cm) : cm;
  });

/**
 * The one diameter that stands for several stems.
 * @param diameters stem diameters, cm, at least one
 * @param rule `sum`: added up; `basal-area`: sqrt(sum d²), the single stem of the same cross-section; `largest`: the
 *   thickest stem alone. `each` has no single diameter, so it is not accepted here.
 * @returns cm
 * @example combinedDiameter([18.4, 22.1, 9.7], 'basal-area') // 30.3489703284971
 */
export function combinedDiameter(diameters: Cm[], rule: Exclude<StemRule, 'each'>): Cm {
  if (rule === 'sum') return diameters.reduce((a, b) => a + b, 0);
  if (rule === 'largest') return Math.max(...diameters);
  return Math.sqrt(diameters.reduce((a, d) => a + d * d, 0));
}
