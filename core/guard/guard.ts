import { dayAfter } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import type { Cm } from '../../lib/units/units';

/** Who gnaws: voles below the snow, mice, rabbits that stand on it. */
export interface Gnawers {
  voles: boolean;
  rabbits: boolean;
  /** Deer that browse and rub above the snow. */
  deer?: boolean;
  /** Usual depth of snow, cm. */
  snow: Cm;
}
/** Widest mesh, mm: voles go through what holds mice and rabbits. */
export const MESH_MM = { voles: 6.4, others: 13 } as const;
/** How far a guard stands above the usual snow, cm: rabbits stand on it, and gnaw so high without any. */
export const ABOVE_SNOW = { voles: 20, rabbits: 50, leastForRabbits: 60 } as const;
/** Of the mesh, this much goes into the soil. */
export const IN_SOIL: Cm = 8;
/** Deer reach so high with teeth and antlers. */
export const DEER_ABOVE: Cm = 180;

export interface Guard {
  /** Above soil and in all, cm. */
  above: Cm;
  height: Cm;
  /** Around the trunk, cm. */
  length: Cm;
  /** Widest mesh that holds them out, mm. */
  meshMm: number;
  reasons: string[];
}

/**
 * A trunk guard: snow depth + 20 cm against voles, + 50 cm where rabbits live (they stand on the snow) and at least 60 cm;
 * 8 cm into the soil; around the trunk π × (d + growth + 2 × clearance) + overlap.
 * @param d trunk diameter, cm, at the soil
 * @param growth cm a year that the trunk gains in diameter, over `years`
 * @example guard({ d: 6.5, growth: 1.2, years: 4, clearance: 3, overlap: 4, voles: true, rabbits: false, snow: 70 }) // 58.35 × 98 cm
 */
export function guard(
  g: Gnawers & { d: Cm; growth: Cm; years: number; clearance: Cm; overlap: Cm; rabbitAllowance?: Cm },
): Guard {
  const over = g.rabbits ? Math.min(60, Math.max(45, g.rabbitAllowance ?? ABOVE_SNOW.rabbits)) : ABOVE_SNOW.voles;
  const gnawed = g.rabbits ? Math.max(ABOVE_SNOW.leastForRabbits, g.snow + over) : g.snow + over;
  const above = g.deer ? Math.max(gnawed, DEER_ABOVE) : gnawed;
  return {
    above,
    height: above + IN_SOIL,
    length: Math.PI * (g.d + g.growth * g.years + 2 * g.clearance) + g.overlap,
    meshMm: g.voles ? MESH_MM.voles : MESH_MM.others,
    reasons: [
      `snow ${g.snow} cm + ${over} cm${g.rabbits ? `, rabbits stand on it; ${ABOVE_SNOW.leastForRabbits} cm at least` : ''}`,
      ...(g.deer ? [`${DEER_ABOVE} cm against browsing and rubbing deer`] : []),
      `${IN_SOIL} cm into the soil`,
      g.voles
        ? `mesh of ${MESH_MM.voles} mm and finer holds voles`
        : `mesh up to ${MESH_MM.others} mm holds mice and rabbits`,
    ],
  };
}

/** The day by which a guard must be opened, before the trunk touches it. @param growth cm a year in diameter */
export const widenBy = (put: LocalDate, clearance: Cm, growth: Cm): LocalDate =>
  dayAfter(put, Math.max(1, Math.floor((2 * clearance * 12) / growth) - 6), 'months');

export interface CutPiece {
  tree: string;
  height: Cm;
  length: Cm;
}
export interface CuttingList {
  rolls: { pieces: CutPiece[]; used: Cm; left: Cm }[];
  /** Pieces that no roll can give, with the reason. */
  tooLarge: { tree: string; why: string }[];
}

/**
 * Pieces of mesh cut from rolls across their length, longest first into the first roll with room for them.
 * @param roll length, cm, and the height (width) of the roll, cm
 */
export function cuttingList(pieces: readonly CutPiece[], roll: { length: Cm; height: Cm }): CuttingList {
  const rolls: CuttingList['rolls'] = [];
  const tooLarge: CuttingList['tooLarge'] = [];
  for (const p of [...pieces].sort((a, b) => b.length - a.length)) {
    if (p.height > roll.height + 1e-9)
      tooLarge.push({ tree: p.tree, why: `needs ${Math.ceil(p.height)} cm of height, the roll has ${roll.height} cm` });
    else if (p.length > roll.length + 1e-9)
      tooLarge.push({ tree: p.tree, why: `needs ${Math.ceil(p.length)} cm, the roll is ${roll.length} cm long` });
    else {
      let into = rolls.find((r) => r.left >= p.length - 1e-9);
      if (!into) rolls.push((into = { pieces: [], used: 0, left: roll.length }));
      into.pieces.push(p);
      into.used += p.length;
      into.left -= p.length;
    }
  }
  return { rolls, tooLarge };
}

/** Days after which the paste of a band has dried or fouled. */
export const BAND_LASTS_DAYS = [90, 120] as const;

/** A sticky band: its wrap, and what makes it useless or dangerous. */
export function band(girth: Cm, overlap: Cm = 5): { wrap: Cm; rules: string[] } {
  return {
    wrap: girth + overlap,
    rules: [
      'Tight on the bark, grooves padded, the bead without a gap. Never sticky stuff on bare bark.',
      'Every plant, wall, wire or prop that bridges it must go, or the ants walk around it.',
      'Fasten it so that it gives with growth.',
      `Replace after ${BAND_LASTS_DAYS.join(' to ')} days or when fouled; off at the end of the season.`,
      'Look for trapped birds and bats at every visit; a cage of coarse mesh keeps them off.',
    ],
  };
}

/** Fence around a group against deer: the perimeter of the rectangle about the trunks, m. */
export const deerFence = (trunks: readonly { x: number; y: number }[], clearM = 2): number => {
  const xs = trunks.map((t) => t.x);
  const ys = trunks.map((t) => t.y);
  if (!trunks.length) return 0;
  return 2 * (Math.max(...xs) - Math.min(...xs) + Math.max(...ys) - Math.min(...ys) + 4 * clearM);
};
