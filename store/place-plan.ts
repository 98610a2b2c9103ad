import type { GroundsPlan } from '@/core/grounds/plan';
import { json, within, type Scope } from './db';

/** The plan of a place, with its trees: on the plan, on the globe, or nowhere yet. */
export interface PlacePlan {
  grounds: GroundsPlan | null;
  /** Counts the changes of what is drawn. */
  version: number;
  trees: {
    id: string;
    tag: string;
    hostId: string;
    lat: number | null;
    lon: number | null;
    x: number | null;
    y: number | null;
    diameterCm: number | null;
    crownWidthM: number | null;
  }[];
}

export const placePlan = (scope: Scope, placeId: string): Promise<PlacePlan | null> =>
  within(scope, async (tx) => {
    const [p] = await tx<
      Pick<PlacePlan, 'grounds' | 'version'>[]
    >`select grounds, grounds_version as version from place where id = ${placeId} and company_id = ${scope.companyId}`;
    if (!p) return null;
    const trees = await tx<PlacePlan['trees']>`
      select t.id, t.tag, t.host_id as "hostId", t.lat, t.lon, t.plan_x as x, t.plan_y as y,
        r.diameter_cm as "diameterCm", r.crown_width_m as "crownWidthM"
      from tree t
      left join lateral (
        select diameter_cm, crown_width_m
        from reading r
        where r.company_id = t.company_id and r.tree_id = t.id
        order by at desc, id
        limit 1) r on true
      where t.company_id = ${scope.companyId} and t.place_id = ${placeId} and t.archived_at is null
      order by t.walk_order, t.id
      limit 600`;
    return { ...p, trees: [...trees] };
  });

/** Keeps the plan and where its trees stand, together, unless somebody drew it anew meanwhile; the area follows from what is drawn. */
export const upsertSiteMap = (
  scope: Scope,
  placeId: string,
  grounds: GroundsPlan,
  areaM2: number | null,
  trees: readonly { id: string; x: number; y: number; lat: number | null; lon: number | null }[],
  /** The version of the plan that this rests on. */
  basedOn: number,
): Promise<'kept' | 'stale' | 'no place'> =>
  within(scope, async (tx) => {
    const [now] = await tx<
      { version: number }[]
    >`select grounds_version as version from place where id = ${placeId} for update`;
    if (!now) return 'no place';
    if (now.version !== basedOn) return 'stale';
    await tx`
      update place
      set grounds = ${json(tx, grounds)}, area_m2 = coalesce(${areaM2}, area_m2)
      where id = ${placeId}`;
    for (const t of trees)
      await tx`
        update tree
        set plan_x = ${t.x}, plan_y = ${t.y}, lat = coalesce(${t.lat}, lat), lon = coalesce(${t.lon}, lon)
        where id = ${t.id} and place_id = ${placeId}`;
    return 'kept';
  });
