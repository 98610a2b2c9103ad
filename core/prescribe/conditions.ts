import { USUAL_WIND } from '../gates/rules/weather';
import { AIRBORNE, IN_SOIL } from '../label/methods';
import { anyAir, fitDays, isLikely, type AirLimits, type FitDay } from '../weather/fitness';
import type { Forecast } from '../weather/station';
import type { Label, LabelUse } from '../label/schema';

/** What must be so on the day of a visit; answered there, and not while it is planned. */
export type Condition =
  | { what: 'full leaf' }
  | { what: 'air'; minC: number | null; maxC: number | null }
  | { what: 'soil warmth'; minC: number }
  | { what: 'soil' }
  | { what: 'dry spell'; hours: number }
  | { what: 'wind'; minMs: number; maxMs: number; usual: boolean }
  | { what: 'dry leaves' }
  | { what: 'low sun' }
  | { what: 'bloom'; days: number }
  | { what: 'stage'; stages: readonly string[] };

/** What the air must be for a use, as its label sets it, and practice where it is silent on wind. */
export function airLimitsOf(use: LabelUse): AirLimits {
  const c = use.conditions;
  const wind = AIRBORNE.includes(use.method) || c?.maxWindMs !== undefined || c?.minWindMs !== undefined;
  return {
    minC: c?.minC ?? null,
    maxC: c?.maxC ?? null,
    minWindMs: wind ? (c?.minWindMs ?? USUAL_WIND.minMs) : null,
    maxWindMs: wind ? (c?.maxWindMs ?? USUAL_WIND.maxMs) : null,
    dryHours: c?.rainFreeHours ?? (AIRBORNE.includes(use.method) ? 0 : null),
    dryLeaves: c?.leafDry ?? false,
  };
}

/** Hours of work on end that a visit is looked for. */
export const VISIT_HOURS = 2;
/** Days of the forecast on which the air is likely to suit a use, the soonest first; null where its label has no limits of air. */
export function likelyDays(use: LabelUse, { members }: Forecast, timeZone: string): FitDay[] | null {
  const limits = airLimitsOf(use);
  return anyAir(limits) ? null : fitDays(members, limits, VISIT_HOURS, timeZone).filter(isLikely);
}

/** The conditions of a visit, as the label's use sets them, and practice where it is silent on wind. */
export function conditionsOf(label: Label, use: LabelUse): Condition[] {
  const c = use.conditions ?? null;
  const air = c && (c.minC !== undefined || c.maxC !== undefined);
  const wind = AIRBORNE.includes(use.method) || c?.maxWindMs !== undefined || c?.minWindMs !== undefined;
  return [
    ...(use.needsLeaf ? [{ what: 'full leaf' as const }] : []),
    ...(air ? [{ what: 'air' as const, minC: c.minC ?? null, maxC: c.maxC ?? null }] : []),
    ...(c?.minSoilC === undefined ? [] : [{ what: 'soil warmth' as const, minC: c.minSoilC }]),
    ...(IN_SOIL.includes(use.method) ? [{ what: 'soil' as const }] : []),
    ...(c?.rainFreeHours ? [{ what: 'dry spell' as const, hours: c.rainFreeHours }] : []),
    ...(wind
      ? [
          {
            what: 'wind' as const,
            minMs: c?.minWindMs ?? USUAL_WIND.minMs,
            maxMs: c?.maxWindMs ?? USUAL_WIND.maxMs,
            usual: c?.maxWindMs === undefined,
          },
        ]
      : []),
    ...(c?.leafDry ? [{ what: 'dry leaves' as const }] : []),
    ...(c?.lowSun ? [{ what: 'low sun' as const }] : []),
    ...(label.beeHazard === 'none' ? [] : [{ what: 'bloom' as const, days: c?.bloomDays ?? 0 }]),
    ...(use.stages.length ? [{ what: 'stage' as const, stages: use.stages }] : []),
  ];
}
