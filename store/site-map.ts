import type { SiteMap } from '@/core/site-map/site-map';
import { json, within, type Scope } from './db';

/** The plan of a place, with its trees: on the plan, on the globe, or nowhere yet. */
export interface SiteMapRow {
  siteMap: SiteMap | null;
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

export const getSiteMap = (scope: Scope, siteId: string): Promise<SiteMapRow | null> =>
  within(scope, async (tx) => {
    const [p] = await tx<
      Pick<SiteMapRow, 'siteMap' | 'version'>[]
    >`select site_map as "siteMap", site_map_version as version from site where id = ${siteId} and company_id = ${scope.companyId}`;
    if (!p) return null;
    const trees = await tx<SiteMapRow['trees']>`
      select t.id, t.tag, t.host_id as "hostId", t.lat, t.lon, t.plan_x as x, t.plan_y as y,
        r.diameter_cm as "diameterCm", r.crown_width_m as "crownWidthM"
      from tree t
      left join lateral (
        select diameter_cm, crown_width_m
        from measurement r
        where r.company_id = t.company_id and r.tree_id = t.id
        order by at desc, id
        limit 1) r on true
      where t.company_id = ${scope.companyId} and t.site_id = ${siteId} and t.archived_at is null
      order by t.walk_order, t.id
      limit 600`;
    return { ...p, trees: [...trees] };
  });

/** Keeps the plan and where its trees stand, together, unless somebody drew it anew meanwhile; the area follows from what is drawn. */
export const upsertSiteMap = ({
  scope,
  siteId,
  siteMap,
  areaM2,
  trees,
  basedOn,
}: {
  scope: Scope;
  siteId: string;
  siteMap: SiteMap;
  areaM2: number | null;
  trees: readonly {
    id: string;
    x: number;
    y: number;
    lat: number | null;
    lon: number | null;
  }[]; /** The version of the plan that this rests on. */
  basedOn: number;
}): Promise<'kept' | 'stale' | 'no place'> =>
  within(scope, async (tx) => {
    const [now] = await tx<
      { version: number }[]
    >`select site_map_version as version from site where id = ${siteId} for update`;
    if (!now) return 'no place';
    if (now.version !== basedOn) return 'stale';
    await tx`
      update site
      set site_map = ${json(tx, siteMap)}, area_m2 = coalesce(${areaM2}, area_m2)
      where id = ${siteId}`;
    for (const t of trees)
      await tx`
        update tree
        set plan_x = ${t.x}, plan_y = ${t.y}, lat = coalesce(${t.lat}, lat), lon = coalesce(${t.lon}, lon)
        where id = ${t.id} and site_id = ${siteId}`;
    return 'kept';
  });
