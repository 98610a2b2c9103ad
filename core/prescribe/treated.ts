import { treatedGround } from './treated-ground';
import { driftSector, nearest, overlap, type SiteMap, type Near } from '../site-map/site-map';
import { AIRBORNE } from '../label/methods';
import type { LabelUse } from '../label/schema';
import { girthFromDiameter } from '../measure/trunk';
import {
  innerRadius,
  inside,
  probeGrid,
  ringArea,
  type Point,
  type Polygon,
  type ProbeGrid,
  covers,
  type Ground,
} from '../rootzone/probe-grid';
import { BARK_L_PER_M2, barkArea, crownGround, crownVolume, DENSITY, sprayVolume } from '../spray/crown';
import { LENGTH, type Ml, type SquareM } from '../../lib/units/units';
import type { Choices, TreatmentContext } from '../gates/context';

/** Where a use goes: the ground, the holes, the crown or the bark that it treats, and what lies near. */
export interface Treated {
  /** Ring of ground around the trunk, m from its middle. */
  ring: { innerM: number; outerM: number } | null;
  areaM2: SquareM | null;
  grid: ProbeGrid | null;
  spray: { ml: Ml; sum: string; from: 'estimate' | 'own log' } | null;
  /** What is near on the plan of the grounds; null when nothing is drawn. */
  near: Near[] | null;
  drift: Polygon | null;
  driftsOver: string[];
  words: string;
}

/** As high as the bark of a trunk is sprayed where the label is silent, m. */
const BARK_UP_TO_M = 3;
const PAVED = ['building', 'paving', 'water'];
const SEEN = ['water', 'well', 'drain', 'hive', 'flowers', 'neighbour', 'bed', 'play'] as const;

/** Trunk diameter in cm, or null while it has not been measured: the largest stem stands for the trunk on the ground. */
const trunkOf = (s: TreatmentContext) => (s.reading?.diameters.length ? Math.max(...s.reading.diameters) : null);

/**
 * The ground, crown or bark that a use treats on this tree. What has not been measured stays null, and the dose asks for it.
 */
export function treatedBy(context: TreatmentContext, use: LabelUse, choices: Choices): Treated {
  const d = trunkOf(context);
  const out: Treated = {
    ring: null,
    areaM2: null,
    grid: null,
    spray: null,
    near: null,
    drift: null,
    driftsOver: [],
    words: '',
  };
  const at = context.siteMap?.at ?? null;
  const plan = context.siteMap?.plan ?? null;
  if (plan && at) out.near = nearest(plan, at, SEEN);
  const crownRadius = context.crown ? context.crown.widthM / 2 : null;

  if (use.method === 'soil-drench' && d !== null) {
    const basin = treatedGround(use, d);
    out.ring = { innerM: (d / 2 + basin.inner) / 100, outerM: (d / 2 + basin.outer) / 100 };
    out.areaM2 = basin.m2;
    out.words = basin.words;
  }
  if ((use.method === 'soil-injection' || use.method === 'root-zone-feeding') && d !== null) {
    const rz = use.rootzone;
    const set = rz && rz.outer !== 'drip-line' ? (rz.outer.value * LENGTH[rz.outer.unit]) / 100 : null;
    const outerM = set ?? crownRadius;
    const innerM = innerRadius(d);
    if (outerM !== null && outerM > innerM) {
      out.ring = { innerM, outerM };
      const trunk = at ?? { x: 0, y: 0 };
      const kept = plan && at ? plan.areas.filter((a) => PAVED.includes(a.kind)) : [];
      const outline = plan && at ? (plan.outline ?? undefined) : undefined;
      if (use.method === 'soil-injection') {
        out.grid = probeGrid({
          trunk,
          innerM,
          outerM,
          spacingM: (rz?.spacingCm ?? 75) / 100,
          pattern: rz?.pattern ?? 'triangular',
          outline,
          kept,
          trunks: context.siteMap?.others,
        });
        out.areaM2 = out.grid.coveredM2;
        out.words = `${out.grid.holes.length} holes, ${innerM.toFixed(1)} to ${outerM.toFixed(1)} m from the trunk`;
      } else {
        const open = openShare({ trunk, innerM, outerM, outline, kept });
        out.areaM2 = ringArea(innerM, outerM) * open;
        out.words = `${innerM.toFixed(1)} to ${outerM.toFixed(1)} m from the trunk${open < 1 ? `, ${Math.round(100 * open)} % of it open ground` : ''}`;
      }
    }
  }
  if (use.method === 'bait' && use.rootzone && use.rootzone.outer !== 'drip-line' && d !== null) {
    const outerM = (use.rootzone.outer.value * LENGTH[use.rootzone.outer.unit]) / 100;
    out.ring = { innerM: d / 200, outerM };
    out.areaM2 = ringArea(d / 200, outerM);
    out.words = `around the stem to ${outerM.toFixed(1)} m`;
  }
  if (use.rate.basis.per === 'area' && use.rate.basis.ground === 'canopy' && context.crown) {
    out.areaM2 = crownGround(context.crown);
    out.words = 'ground below the crown';
  }
  if (use.method === 'foliar-spray' || use.method === 'repellent') {
    if (context.crown) {
      const v = sprayVolume(context.crown, DENSITY[choices.density ?? 'middling'], context.sprayLog);
      out.spray = v;
      out.words = `crown of ${crownVolume(context.crown).toFixed(0)} m³`;
    }
  } else if ((use.method === 'bark-spray' || use.method === 'dormant-spray') && d !== null) {
    const dormant = use.method === 'dormant-spray';
    // A whole tree is sprayed as high as it was measured; up to a height that the label names only where the tree reaches it.
    const to = use.spray?.upToM ?? (dormant ? Infinity : BARK_UP_TO_M);
    const up = context.heightM === null ? null : Math.min(to, context.heightM);
    if (up !== null) {
      const m2 = barkArea(girthFromDiameter(d), up, dormant ? 1.5 : 0);
      const wet = use.spray?.to ?? 'to run-off';
      out.spray = {
        ml: m2 * BARK_L_PER_M2[wet] * 1000,
        from: 'estimate',
        sum: `${m2.toFixed(1)} m² of bark up to ${up.toFixed(1)} m × ${BARK_L_PER_M2[wet]} L/m² ${wet}`,
      };
      out.areaM2 = m2;
      out.words = `bark up to ${up.toFixed(1)} m`;
    }
  }
  const { windFromDeg: from } = choices;
  if (AIRBORNE.includes(use.method) && at && choices.windMs !== null && from !== null && from !== undefined) {
    out.drift = driftSector({
      trunk: at,
      crownRadiusM: crownRadius ?? 2,
      from,
      wind: choices.windMs,
      height: context.heightM ?? 5,
    });
    out.driftsOver = plan ? reached(plan, out.drift) : [];
  }
  return out;
}

/** Names of what must not be hit that the drift reaches. */
function reached(plan: SiteMap, drift: Polygon): string[] {
  const areas = plan.areas
    .filter((a) => ['neighbour', 'water', 'flowers', 'bed'].includes(a.kind) && overlap(drift, a.corners))
    .map((a) => a.name || a.kind);
  const points = plan.points.filter((p) => p.kind !== 'drain' && inside(p.at, drift)).map((p) => p.name || p.kind);
  return [...new Set([...areas, ...points])];
}

/** Share of a ring around the trunk that is open ground, by points a quarter of a metre apart. */
function openShare({
  trunk,
  innerM,
  outerM,
  outline,
  kept,
}: {
  trunk: Point;
  innerM: number;
  outerM: number;
  outline: Polygon | undefined;
  kept: readonly Ground[];
}) {
  if (!outline && !kept.length) return 1;
  let all = 0;
  let open = 0;
  for (let dx = -outerM; dx <= outerM; dx += 0.25)
    for (let dy = -outerM; dy <= outerM; dy += 0.25) {
      const r = Math.hypot(dx, dy);
      if (r < innerM || r > outerM) continue;
      all++;
      const p = { x: trunk.x + dx, y: trunk.y + dy };
      if ((!outline || inside(p, outline)) && !kept.some((k) => covers(k, p))) open++;
    }
  return all ? open / all : 1;
}
