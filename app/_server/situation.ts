import { doubts } from '@/core/measure/plausible';
import { stemDiameters } from '@/core/measure/trunk';
import type { Choices, Situation } from '@/core/prescribe/prescribe';
import type { UnitSystem } from '@/core/units/units';
import { dayIn } from '@/core/season/follow-ups';
import { usualLeaf } from '@/core/season/leaf';
import { soilState, type Weather } from '@/core/weather/air';
import type { Vessel } from '@/core/mix/vessels';
import { findCondition, findHost, regionOf } from '@/knowledge';
import { checksOf } from './diagnosis';
import type { Viewer } from '@/store/auth';
import type { ShelfLabel } from '@/store/shelf';
import type { Reading, Tree } from '@/store/tree';

const YEAR = 365.25 * 864e5;

/** What is doubtful about a reading, in the light of the ones before it, its height and its host. */
export function doubtsOf(
  reading: Pick<Reading, 'diameterCm' | 'treeHeightM' | 'at'>,
  before: Pick<Reading, 'diameterCm' | 'at'> | undefined,
  hostId: string,
  system: UnitSystem,
) {
  const host = findHost(hostId);
  return doubts({
    diameterCm: reading.diameterCm,
    ...(before
      ? { last: { diameterCm: before.diameterCm, yearsAgo: (reading.at.getTime() - before.at.getTime()) / YEAR } }
      : {}),
    ...(reading.treeHeightM ? { heightM: reading.treeHeightM } : {}),
    system,
    growthCmPerYear: host?.growthCmPerYear,
    largestCm: host?.largestCm,
  });
}

/** Everything a prescription for this tree rests on, from what the store holds. */
export function situationOf(viewer: Viewer, tree: Tree, labels: ShelfLabel[], vessels: Vessel[]): Situation {
  const host = findHost(tree.hostId);
  if (!host) throw new Error(`unknown host ${tree.hostId}`);
  const today = dayIn(new Date(), tree.timeZone);
  const verdict = tree.verdicts[0];
  const [reading, before] = tree.readings;
  const crown = tree.looks.find((l) => l.crownLoss !== null);
  const done = tree.records.filter((r) => !r.withdrawn);
  const year = today.slice(0, 4);
  const treeYearProduct: Record<string, number> = {};
  for (const r of done)
    if (r.doneOn.startsWith(year)) treeYearProduct[r.labelKey] = (treeYearProduct[r.labelKey] ?? 0) + r.amount;
  return {
    today,
    host,
    hostConfirmed: tree.hostConfirmedAt !== null,
    condition: verdict ? findCondition(verdict.conditionId) : null,
    certainty: verdict?.certainty ?? null,
    decision: verdict?.decision ?? null,
    liveDrivers: verdict
      ? verdict.ranking
          .filter((r) => r.p >= 0.3 && findCondition(verdict.conditionId)?.drivers.includes(r.id))
          .map((r) => findCondition(r.id)!.name)
      : [],
    withoutEffect: checksOf(tree)
      .filter((c) => c.verdict.kind === 'no effect')
      .map((c) => ({ condition: c.condition, labelKey: c.labelKey })),
    crownLoss: crown?.crownLoss ?? null,
    vigour: tree.looks.find((l) => l.vigour !== null)?.vigour ?? null,
    reading: reading
      ? {
          day: dayIn(reading.at, tree.timeZone),
          diameters: stemDiameters(reading.stems),
          heightCm: reading.atHeightCm,
          doubts: doubtsOf(reading, before, tree.hostId, viewer.units),
          arcs: reading.arcs,
        }
      : null,
    earlier: done
      .map((r) => ({ day: r.doneOn, labelKey: r.labelKey, actives: r.actives.map((a) => a.name) }))
      .reverse(),
    treeYearProduct,
    siteAreaM2: tree.areaM2,
    siteYearActive: tree.siteYearActive,
    water: tree.waterM === -1 ? 'none within 100 m' : tree.waterM,
    harvest: tree.firstPicking,
    soilTexture: tree.soilTexture,
    oldSites: done.flatMap((r) =>
      r.sites.map((s) => ({ bearing: s.bearing, heightCm: s.heightCm, year: Number(r.doneOn.slice(0, 4)) })),
    ),
    vessels,
    region: regionOf(viewer.region),
    licence: viewer.licence,
    checked: Object.fromEntries(labels.map((l) => [l.key, l.checkedOn])),
  };
}

/** Soil, leaf and air as the station and the calendar have them; the person at the tree may say otherwise. */
export function usualChoices(tree: Pick<Tree, 'hostId' | 'lat' | 'timeZone'>, weather: Weather): Choices {
  const month = Number(dayIn(weather.at, tree.timeZone).slice(5, 7));
  return {
    soil: soilState(weather),
    leaf: usualLeaf(month, findHost(tree.hostId)?.evergreen ?? false, tree.lat ?? 50),
    temperatureC: weather.temperatureC,
    windMs: weather.windMs,
    rainNext24Mm: weather.rainNext24Mm,
  };
}
