import type { Cm, SquareM } from '../../lib/units/units';

/** A point in metres: x to the east, y to the north. */
export interface Point {
  x: number;
  y: number;
}
export type Polygon = readonly Point[];
/** A piece of ground: its edge, and what is left out of it, like a tree pit in paving or an island in a pond. */
export interface Ground {
  corners: Polygon;
  holes?: readonly Polygon[] | undefined;
}

/** Whether a point lies inside a polygon; a point on an edge counts as inside. Even-odd rule. */
export function inside(point: Point, polygon: Polygon): boolean {
  let odd = false;
  for (let i = 0, j = polygon.length - 1; i < polygon.length; j = i++) {
    const a = polygon[i]!;
    const b = polygon[j]!;
    if (distanceToSegment(point, a, b) < 1e-9) return true;
    if (a.y > point.y !== b.y > point.y && point.x < ((b.x - a.x) * (point.y - a.y)) / (b.y - a.y) + a.x) odd = !odd;
  }
  return odd;
}

/** Whether a point lies on a piece of ground, and not in one of its holes. */
export const covers = (ground: Ground, p: Point): boolean =>
  inside(p, ground.corners) && !ground.holes?.some((hole) => inside(p, hole));

/** Metres from a point to a stretch between two points. */
export function distanceToSegment(point: Point, a: Point, b: Point): number {
  const dx = b.x - a.x;
  const dy = b.y - a.y;
  const length = dx * dx + dy * dy;
  const t = length === 0 ? 0 : Math.max(0, Math.min(1, ((point.x - a.x) * dx + (point.y - a.y) * dy) / length));
  return Math.hypot(point.x - a.x - t * dx, point.y - a.y - t * dy);
}

/** Area of a ring around the trunk, m². @example ringArea(0.6, 5.5) // 93.90 m² */
export const ringArea = (innerM: number, outerM: number): SquareM => Math.PI * (outerM ** 2 - innerM ** 2);

/** Nearest to the trunk that a probe goes, m: 0.6, and more on a big trunk, whose buttress roots reach out. */
export const innerRadius = (diameter: Cm): number => Math.max(0.6, (diameter / 100) * 1.2);

export interface GridInput {
  trunk: Point;
  innerM: number;
  outerM: number;
  /** Distance between two holes, m; 0.6 to 0.9 is usual. */
  spacingM: number;
  pattern: 'square' | 'triangular';
  /** The boundary of the grounds; holes outside are dropped. */
  outline?: Polygon;
  /** Paving, buildings, water: no hole goes here. */
  kept: readonly Ground[];
  /** Other trunks, kept clear by the same inner radius. */
  trunks?: readonly Point[];
}

export interface ProbeGrid {
  holes: Point[];
  /** How many points of the pattern were dropped, and why. */
  dropped: { why: 'on paving or a building' | 'beyond the boundary' | 'near another trunk'; count: number }[];
  /** Ground that the pattern covers, m²: holes × the share of each. */
  coveredM2: SquareM;
}

/**
 * Probe holes for soil injection: a square or triangular pattern in the ring between two radii, without those on paving,
 * in buildings, beyond the boundary or near another trunk.
 * @example probeGrid({ trunk: { x: 0, y: 0 }, innerM: 0.6, outerM: 5.5, spacingM: 0.75, pattern: 'triangular', kept: [] })
 */
export function probeGrid(grid: GridInput): ProbeGrid {
  const rowStep = grid.pattern === 'square' ? grid.spacingM : (grid.spacingM * Math.sqrt(3)) / 2;
  const holes: Point[] = [];
  const dropped = { paving: 0, outside: 0, trunk: 0 };
  const rows = Math.floor(grid.outerM / rowStep);
  const columns = Math.ceil(grid.outerM / grid.spacingM) + 1;
  for (let row = -rows; row <= rows; row++) {
    const shift = grid.pattern === 'triangular' && row % 2 !== 0 ? 0.5 : 0;
    for (let column = -columns; column <= columns; column++) {
      const dx = (column + shift) * grid.spacingM;
      const dy = row * rowStep;
      const r = Math.hypot(dx, dy);
      if (r < grid.innerM - 1e-9 || r > grid.outerM + 1e-9) continue;
      const p = { x: grid.trunk.x + dx, y: grid.trunk.y + dy };
      if (grid.outline && !inside(p, grid.outline)) dropped.outside++;
      else if (grid.kept.some((k) => covers(k, p))) dropped.paving++;
      else if (grid.trunks?.some((t) => Math.hypot(t.x - p.x, t.y - p.y) < grid.innerM)) dropped.trunk++;
      else holes.push(p);
    }
  }
  return {
    holes,
    coveredM2: holes.length * grid.spacingM * rowStep,
    dropped: [
      { why: 'on paving or a building' as const, count: dropped.paving },
      { why: 'beyond the boundary' as const, count: dropped.outside },
      { why: 'near another trunk' as const, count: dropped.trunk },
    ].filter((d) => d.count > 0),
  };
}
