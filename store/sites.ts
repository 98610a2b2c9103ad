import type { HoursRule } from '@/core/schedule/hours';
import type { StemReading } from '@/core/measure/trunk';
import { json, within, type Scope, type Tx } from './db';
import { activesOfSite } from './others-applied';

export interface Client {
  id: string;
  name: string;
  contact: string;
  places: number;
}

export interface SiteRow {
  id: string;
  name: string;
  address: string;
  clientId: string;
  clientName: string;
  trees: number;
}

export interface Site {
  id: string;
  clientId: string;
  clientName: string;
  name: string;
  address: string;
  timeZone: string;
  /** The region whose rules are in force here; null where it is that of the company. */
  region: string | null;
  outline: { lat: number; lon: number }[] | null;
  areaM2: number | null;
  soilTexture: 'sandy' | 'loam' | 'clay';
  waterM: number | null;
  firstPicking: string | null;
  lastPicking: string | null;
  /** Spans of single varieties. */
  pickings: { variety: string; from: string; to: string }[];
  /** When one may be there; empty: at any hour. */
  hours: HoursRule[];
  access: string;
  hazards: string;
  dogs: string;
  notes: string;
  /** Counts the changes of what the form shows. */
  version: number;
}

export const listClients = (scope: Scope): Promise<Client[]> =>
  within(scope, async (tx) => [
    ...(await tx<
      Client[]
    >`select c.id, c.name, c.contact, (select count(*)::int from site p where p.client_id = c.id and p.company_id = c.company_id and p.archived_at is null) as places from client c order by c.name, c.id limit 500`),
  ]);

export const upsertClient = (scope: Scope, c: { id: string; name: string; contact: string }) =>
  within(
    scope,
    (
      tx,
    ) => tx`insert into client (id, company_id, name, contact) values (${c.id}, ${scope.companyId}, ${c.name}, ${c.contact})
    on conflict (id) do update set name = excluded.name, contact = excluded.contact`,
  );

/** Places by name, from `after` on; `limit + 1` rows tell whether there is more. */
export const listSites = (
  scope: Scope,
  after: { name: string; id: string } | null,
  limit: number,
): Promise<SiteRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<SiteRow[]>`
      select p.id, p.name, p.address, p.client_id as "clientId", c.name as "clientName",
        (
          select count(*)::int
          from tree t
          where t.company_id = p.company_id and t.site_id = p.id and t.archived_at is null) as trees
      from site p join client c on c.id = p.client_id and c.company_id = p.company_id
      where p.archived_at is null ${after ? tx`and (p.name, p.id) > (${after.name}, ${after.id})` : tx``}
      order by p.name, p.id limit ${limit + 1}`),
  ]);

/** Sites to choose from: the first by name, and the chosen one wherever it stands; `more` where others have to be searched. */
export interface SiteList {
  sites: { id: string; name: string }[];
  more: boolean;
}
/** As many sites as a list shows at once. */
export const LISTED_SITES = 200;
export const sitesToChoose = (scope: Scope, chosen: string | null, limit = LISTED_SITES): Promise<SiteList> =>
  within(scope, async (tx) => {
    const rows = await tx<{ id: string; name: string }[]>`
      (select id, name
       from site
       where company_id = ${scope.companyId} and archived_at is null
       order by name, id
       limit ${limit + 1})
      union
      select id, name
      from site
      where company_id = ${scope.companyId} and archived_at is null and id = ${chosen}
      order by name, id`;
    const more = rows.filter((r) => r.id !== chosen).length > limit;
    return { sites: [...rows], more };
  });

const FOUND_SITES = 20;
/** Sites whose name, address or client holds a text, those that begin with it first; every one of the company can be found. */
export const findSites = (scope: Scope, text: string): Promise<{ id: string; name: string }[]> =>
  within(scope, async (tx) => {
    const like = text.trim().replace(/[\\%_]/g, '\\$&');
    return [
      ...(await tx<{ id: string; name: string }[]>`
        select p.id, p.name || ', ' || c.name as name
        from site p
        join client c on c.company_id = p.company_id and c.id = p.client_id
        where p.company_id = ${scope.companyId} and p.archived_at is null
          and (p.name ilike ${`%${like}%`} or p.address ilike ${`%${like}%`} or c.name ilike ${`%${like}%`})
        order by p.name not ilike ${`${like}%`}, p.name, p.id
        limit ${FOUND_SITES}`),
    ];
  });

const siteColumns = (tx: Tx) => tx`
  p.id, p.client_id as "clientId", c.name as "clientName", p.name, p.address, p.time_zone as "timeZone", p.region,
  p.outline, p.area_m2 as "areaM2", p.soil_texture as "soilTexture", p.water_m as "waterM",
  p.first_picking as "firstPicking", p.last_picking as "lastPicking", p.pickings, p.hours,
  p.access, p.hazards, p.dogs, p.notes, p.version`;

export const getSite = (scope: Scope, id: string): Promise<Site | null> =>
  within(scope, async (tx) => {
    const [place] = await tx<
      Site[]
    >`select ${siteColumns(tx)} from site p join client c on c.id = p.client_id where p.id = ${id} and p.archived_at is null`;
    return place ?? null;
  });

/** Only for those whose role needs it; the caller asks core/people first. */
export const getGateCode = (scope: Scope, siteId: string): Promise<string | null> =>
  within(
    scope,
    async (tx) => (await tx<{ code: string }[]>`select code from gate_code where site_id = ${siteId}`)[0]?.code ?? null,
  );

/** What a crew must know at the gate; the code only for those whose role needs it. */
export interface Arrival {
  access: string;
  hazards: string;
  dogs: string;
  code: string | null;
}

/** The code of a place (p), for those whose role needs it. */
const gateCode = (tx: Tx, wanted: boolean) =>
  wanted ? tx`(select g.code from gate_code g where g.site_id = p.id and g.company_id = p.company_id)` : tx`null`;
/** A place that a crew drives to. */
export interface DaySite extends Arrival {
  id: string;
  name: string;
  address: string;
  clientName: string;
  contact: string;
  timeZone: string;
  region: string | null;
  hours: HoursRule[];
  notes: string;
  lat: number | null;
  lon: number | null;
}
export const daySites = (scope: Scope, ids: readonly string[], withCodes: boolean): Promise<DaySite[]> =>
  within(scope, async (tx) => [
    ...(await tx<DaySite[]>`
      select p.id, p.name, p.address, c.name as "clientName", c.contact, p.time_zone as "timeZone", p.region, p.hours,
        p.access, p.hazards, p.dogs, p.notes,
        coalesce((p.site_map->'origin'->>'lat')::float8, s.lat, (p.outline->0->>'lat')::float8) as lat,
        coalesce((p.site_map->'origin'->>'lon')::float8, s.lon, (p.outline->0->>'lon')::float8) as lon,
        ${gateCode(tx, withCodes)} as code
      from site p
      join client c on c.id = p.client_id and c.company_id = p.company_id
      left join lateral (
        select t.lat, t.lon
        from tree t
        where t.company_id = p.company_id and t.site_id = p.id and t.lat is not null
        order by t.walk_order, t.id
        limit 1) s on true
      where p.company_id = ${scope.companyId} and p.id = any(${[...ids]})`),
  ]);
/** How a place is reached: a part of the statement that `besideSheets` sends. */
export const arrivalOf = (tx: Tx, scope: Scope, siteId: string, withCode: boolean) => tx<Arrival[]>`
  select p.access, p.hazards, p.dogs, ${gateCode(tx, withCode)} as code
  from site p
  where p.id = ${siteId} and p.company_id = ${scope.companyId}`;

export type SiteInput = Omit<Site, 'clientName' | 'version'> & {
  gateCode: string | null;
  /** The version that the form rests on; null for a new place. */
  basedOn: number | null;
};

/** @returns false where the place has been changed since the version that this rests on; nothing is written then */
export const upsertSite = (scope: Scope, place: SiteInput): Promise<boolean> =>
  within(scope, async (tx) => {
    const [now] = await tx<{ version: number }[]>`select version from site where id = ${place.id} for update`;
    if (now && now.version !== place.basedOn) return false;
    const row = {
      client_id: place.clientId,
      name: place.name,
      address: place.address,
      time_zone: place.timeZone,
      region: place.region,
      outline: place.outline && json(tx, place.outline),
      area_m2: place.areaM2,
      soil_texture: place.soilTexture,
      water_m: place.waterM,
      first_picking: place.firstPicking,
      last_picking: place.lastPicking,
      pickings: json(tx, place.pickings),
      hours: json(tx, place.hours),
      access: place.access,
      hazards: place.hazards,
      dogs: place.dogs,
      notes: place.notes,
    };
    if (now) await tx`update site set ${tx(row as never)} where id = ${place.id}`;
    else await tx`insert into site ${tx({ id: place.id, company_id: scope.companyId, ...row } as never)}`;
    if (place.gateCode === null) return true;
    if (place.gateCode === '') await tx`delete from gate_code where site_id = ${place.id}`;
    else
      await tx`insert into gate_code (site_id, company_id, code) values (${place.id}, ${scope.companyId}, ${place.gateCode}) on conflict (site_id) do update set code = excluded.code`;
    return true;
  });

/** A tree of a place that must be known of before anybody walks there. */
export interface Alarm {
  treeId: string;
  tag: string;
  /** Signs of danger in its newest look. */
  signs: string[];
  /** What must be reported and has been neither named otherwise nor said to be wrong. */
  report: string | null;
}

/** Danger seen and reports due on the trees of a place. */
export const siteAlarms = (scope: Scope, siteId: string, dangerous: readonly string[]): Promise<Alarm[]> =>
  within(scope, async (tx) => [
    ...(await tx<Alarm[]>`
      select * from (
        select t.id as "treeId", t.tag, t.walk_order,
          array(select f.sign_id from finding f where f.company_id = ${scope.companyId} and f.state = 'seen' and f.sign_id = any (${[...dangerous]})
            and f.inspection_id = (
              select l.id
              from inspection l
              where l.company_id = ${scope.companyId} and l.tree_id = t.id and not exists (
                select
                from inspection_void w
                where w.company_id = ${scope.companyId} and w.inspection_id = l.id)
              order by l.at desc, l.id desc
              limit 1)
            order by f.sign_id) as signs,
          (select v.condition_id from diagnosis v where v.company_id = ${scope.companyId} and v.tree_id = t.id and v.decision = 'report'
            and not exists (
              select
              from diagnosis n
              where n.company_id = ${scope.companyId} and n.tree_id = t.id and n.at > v.at
                and (n.condition_id = v.condition_id or v.id = any (n.overturns)))
            order by v.at desc limit 1) as report
        from tree t where t.company_id = ${scope.companyId} and t.site_id = ${siteId} and t.archived_at is null) a
      where cardinality(a.signs) > 0 or a.report is not null order by a.walk_order, a.tag limit 40`),
  ]);

/** The trees of a place with what a choice among them rests on: trunk, host, the newest decision, crown loss. */
export interface StandTree {
  id: string;
  tag: string;
  hostId: string;
  stems: StemReading[] | null;
  crownLoss: number | null;
  conditionId: string | null;
  decision: string | null;
}

export const siteStand = (
  scope: Scope,
  siteId: string,
  year: string,
): Promise<{ trees: StandTree[]; used: Record<string, number> }> =>
  within(scope, async (tx) => {
    const o = scope.companyId;
    const trees = await tx<StandTree[]>`
      select t.id, t.tag, t.host_id as "hostId", r.stems, l.crown_loss as "crownLoss", v.condition_id as "conditionId",
        v.decision
      from tree t
      left join lateral (
        select stems
        from measurement
        where company_id = ${o} and tree_id = t.id
        order by at desc, id
        limit 1) r on true
      left join lateral (
        select crown_loss
        from inspection
        where company_id = ${o} and tree_id = t.id and crown_loss is not null
        order by at desc, id
        limit 1) l on true
      left join lateral (
        select condition_id, decision
        from diagnosis
        where company_id = ${o} and tree_id = t.id
        order by at desc, id
        limit 1) v on true
      where t.company_id = ${o} and t.site_id = ${siteId} and t.archived_at is null
      order by t.walk_order, t.id
      limit 1000`;
    const used = await tx<{ name: string; grams: number }[]>`
      select u.name, u.grams
      from site p
      cross join lateral (${activesOfSite(tx, year)}) u
      where p.company_id = ${o} and p.id = ${siteId}`;
    return { trees: [...trees], used: Object.fromEntries(used.map((u) => [u.name, u.grams])) };
  });
