import type { Cm, Ml, SquareM } from '../../lib/units/units';

/** Shapes of crown that a volume is worked out for. */
export const CROWN_SHAPES = ['ellipsoid', 'cone', 'cylinder', 'hedge'] as const;
export type CrownShape = (typeof CROWN_SHAPES)[number];

export interface Crown {
  shape: CrownShape;
  /** Width, m; for a hedge, its width. */
  widthM: number;
  /** Depth of the crown from its lowest leaves to its top, m; for a hedge, its height. */
  depthM: number;
  /** Length of a hedge, m. */
  lengthM?: number;
}

/**
 * The space that a crown fills, m³: ellipsoid π/6·W²·H, cone π/12·W²·H, cylinder π/4·W²·H, hedge L·W·H.
 * @example crownVolume({ shape: 'ellipsoid', widthM: 6.2, depthM: 7.5 }) // 150.95 m³
 */
export function crownVolume({ shape, widthM: w, depthM: h, lengthM = w }: Crown): number {
  if (shape === 'hedge') return lengthM * w * h;
  return (Math.PI / { ellipsoid: 6, cone: 12, cylinder: 4 }[shape]) * w * w * h;
}

/** The ground below a crown, m². */
export const crownGround = ({ shape, widthM: w, lengthM = w }: Crown): SquareM =>
  shape === 'hedge' ? lengthM * w : (Math.PI / 4) * w * w;

/** Litres that wet one cubic metre of crown to run-off at middling density: a first estimate, until the log knows better. */
const RUN_OFF_L_PER_M3 = 0.094;
/** How dense a crown hangs, from a thin birch to a clipped hedge. */
export const DENSITY = { sparse: 0.6, open: 0.8, middling: 1, dense: 1.15, closed: 1.3 } as const;
export type Density = keyof typeof DENSITY;

export interface SprayVolume {
  ml: Ml;
  /** Where the figure is from: the estimate, or the company's own log. */
  from: 'estimate' | 'own log';
  sum: string;
}

/**
 * Dilute spray for one crown to the point of run-off. Three and more logged trees of the same host replace the estimate by
 * their median, scaled by crown volume.
 * @param log litres used and crown volume of earlier trees of this host, from the company's book
 */
export function sprayVolume(crown: Crown, density: number, log: { litres: number; m3: number }[] = []): SprayVolume {
  const m3 = crownVolume(crown);
  const per = log
    .filter((e) => e.m3 > 0 && e.litres > 0)
    .map((e) => e.litres / e.m3)
    .sort((a, b) => a - b);
  if (per.length >= 3) {
    const mid = per.length >> 1;
    const median = per.length % 2 ? per[mid]! : (per[mid - 1]! + per[mid]!) / 2;
    return {
      ml: m3 * median * 1000,
      from: 'own log',
      sum: `${m3.toFixed(1)} m³ × ${median.toFixed(3)} L/m³, median of ${per.length} logged trees`,
    };
  }
  return {
    ml: m3 * RUN_OFF_L_PER_M3 * density * 1000,
    from: 'estimate',
    sum: `${m3.toFixed(1)} m³ × ${RUN_OFF_L_PER_M3} L/m³ × density ${density}`,
  };
}

/**
 * Bark to be wetted, m²: the trunk as a cone that ends at two thirds of the girth, and main limbs as a share of it.
 * @param girth cm at breast height
 * @param heightM to which the bark is sprayed
 * @param limbs bark of the main limbs, as a share of the trunk's: 0 for a trunk spray, about 1.5 for a whole dormant tree
 */
export function barkArea(girth: Cm, heightM: number, limbs = 0): SquareM {
  return (girth / 100) * ((1 + 2 / 3) / 2) * heightM * (1 + limbs);
}

/** Litres that a square metre of bark holds: wetted, or until it runs. Practice figures for a coarse spray. */
export const BARK_L_PER_M2 = { 'to wet': 0.3, 'to run-off': 0.6 } as const;
