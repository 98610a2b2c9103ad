import type { LocalDate } from '@/lib/calendar/zone';
import type { Sprayed } from '@/core/spray/covers';
import type { MeasuredHour } from '@/core/exchange/weather-csv';
import { WHOLE_DAY } from '@/core/season/year';
import type { HeatModel } from '@/core/season/heat-schema';
import { within, type Scope, type Tx } from './db';

/** What somebody saw of the year at a place. */
export interface StageNote {
  id: string;
  siteId: string;
  treeId: string | null;
  hostId: string | null;
  kind: 'stage' | 'biofix';
  /** BBCH code of a stage, or the heat model that counts from it. */
  what: string;
  day: LocalDate;
  byName: string;
}
/** A day that a station at the place itself has measured. */
export interface BroughtDay {
  day: LocalDate;
  min: number;
  max: number;
  rainMm: number;
}
export interface SiteYear {
  siteId: string;
  stageNotes: StageNote[];
  brought: BroughtDay[];
  /** Sums of heat of the company's own, as they were last kept. */
  ownHeat: HeatModel[];
}

/** Sums of heat of a company's own, as they were last kept. */
const ownHeatOf = (tx: Tx, companyId: ReturnType<Tx>) => tx`
  coalesce((
    select jsonb_agg(e.data order by e.key)
    from (
      select distinct on (x.key) x.key, x.data
      from knowledge_entry x
      where x.company_id = ${companyId} and x.kind = 'heat'
      order by x.key, x.version desc) e
    where not e.data ? 'retired'), '[]')`;
export const customHeatModels = (scope: Scope): Promise<HeatModel[]> =>
  within(
    scope,
    async (tx) =>
      (await tx<{ own: HeatModel[] }[]>`select ${ownHeatOf(tx, tx`${scope.companyId}::uuid`)} as own`)[0]!.own,
  );

/** What was seen and measured at places since a day: one statement, however many there are. */
export const siteYears = (scope: Scope, siteIds: readonly string[], from: string): Promise<SiteYear[]> =>
  within(
    scope,
    (tx) => tx<SiteYear[]>`
      select p.id as "siteId",
        coalesce((
          select jsonb_agg(to_jsonb(s) order by s.day, s.id)
          from (
            select s.id, s.site_id as "siteId", s.tree_id as "treeId", s.host_id as "hostId", s.kind, s.what,
              s.on_day as day, w.name as "byName"
            from stage_note s
            join person w on w.id = s.by_person
            where s.company_id = p.company_id and s.site_id = p.id
              and not exists (select from stage_note_void k where k.stage_note_id = s.id)
            order by s.on_day desc, s.id
            limit 400) s), '[]') as "stageNotes",
        coalesce((
          select jsonb_agg(
            jsonb_build_object('day', d.day, 'min', d.min_c, 'max', d.max_c, 'rainMm', d.rain_mm) order by d.day)
          from weather_day d
          where d.company_id = p.company_id and d.site_id = p.id and d.day >= ${from}), '[]') as brought,
        ${ownHeatOf(tx, tx`p.company_id`)} as "ownHeat"
      from site p
      where p.company_id = ${scope.companyId} and p.id = any(${[...new Set(siteIds)]})`,
  );

export const insertStageNote = (scope: Scope, s: Omit<StageNote, 'byName'> & { at: Date }): Promise<unknown> =>
  within(
    scope,
    (tx) => tx`
      insert into stage_note (id, company_id, site_id, tree_id, host_id, kind, what, on_day, at, by_person)
      values (${s.id}, ${scope.companyId}, ${s.siteId}, ${s.treeId}, ${s.hostId}, ${s.kind}, ${s.what}, ${s.day},
        ${s.at},
        ${scope.personId})
      on conflict (id) do nothing`,
  );

/** Takes a sighting back; false where there is none like it. */
export const voidStageNoteRow = (scope: Scope, id: string): Promise<boolean> =>
  within(scope, async (tx) => {
    const found = await tx`select from stage_note where id = ${id} and company_id = ${scope.companyId}`;
    if (!found.length) return false;
    await tx`
      insert into stage_note_void (stage_note_id, company_id, by_person)
      values (${id}, ${scope.companyId}, ${scope.personId})
      on conflict (stage_note_id) do nothing`;
    return true;
  });

/** A place as the year is told for it: where it lies, what stands there, and what covers its leaves. */
export interface SiteStand {
  id: string;
  name: string;
  timeZone: string;
  region: string | null;
  lat: number | null;
  lon: number | null;
  firstPicking: string | null;
  lastPicking: string | null;
  hosts: { hostId: string; trees: number }[];
  /** The newest sprays on leaves, one a product and day. */
  covers: (Sprayed & { product: string; targets: string[]; hostId: string; trees: number })[];
}

/** The year's ground at a place; the first by name where none is asked for, null where this company has none like it. */
export const siteStand = (scope: Scope, siteId: string | null, coversFrom: string): Promise<SiteStand | null> =>
  within(scope, async (tx) => {
    const [place] = await tx<SiteStand[]>`
      select p.id, p.name, p.time_zone as "timeZone", p.region,
        p.first_picking as "firstPicking", p.last_picking as "lastPicking",
        coalesce((p.site_map->'origin'->>'lat')::float8, at.lat, (p.outline->0->>'lat')::float8) as lat,
        coalesce((p.site_map->'origin'->>'lon')::float8, at.lon, (p.outline->0->>'lon')::float8) as lon,
        coalesce((
          select jsonb_agg(jsonb_build_object('hostId', h.host_id, 'trees', h.n) order by h.n desc, h.host_id)
          from (
            select t.host_id, count(*)::int as n
            from tree t
            where t.company_id = p.company_id and t.site_id = p.id and t.archived_at is null
            group by t.host_id) h), '[]') as hosts,
        coalesce((
          select jsonb_agg(jsonb_build_object(
            'doneOn', c.done_on, 'endedAt', c.ended, 'product', c.product, 'hostId', c.host_id, 'trees', c.n,
            'use', u, 'targets', u->'targets')
            order by c.done_on)
          from (
            select r.done_on, max(r.ended_at) as ended, r.data->'product'->>'name' as product, t.host_id,
              (r.data->'product'->>'labelId')::uuid as label_id, r.data->'use'->>'key' as use_key, count(*)::int as n
            from record r
            join tree t on t.id = r.tree_id and t.company_id = r.company_id
            where r.company_id = p.company_id and r.site_id = p.id and r.done_on >= ${coversFrom}
              and r.latest and not r.withdrawn and r.method = 'foliar-spray'
            group by r.done_on, product, t.host_id, label_id, use_key) c
          join label l on l.id = c.label_id and l.company_id = p.company_id
          cross join lateral jsonb_array_elements(l.data->'uses') u
          where u->>'key' = c.use_key), '[]') as covers
      from site p
      left join lateral (
        select t.lat, t.lon
        from tree t
        where t.company_id = p.company_id and t.site_id = p.id and t.lat is not null
        limit 1) at on true
      where p.company_id = ${scope.companyId} and p.archived_at is null
        ${siteId ? tx`and p.id = ${siteId}` : tx``}
      order by p.name, p.id
      limit 1`;
    return place ?? null;
  });

/** Hours in one statement: more of them would keep everybody waiting while they are written out. */
const HOURS_AT_ONCE = 2000;
const insertHours = (tx: Tx, scope: Scope, siteId: string, hours: readonly MeasuredHour[]) => {
  const column = <K extends keyof MeasuredHour>(key: K) => hours.map((h) => h[key]);
  return tx`
      insert into weather_hour (company_id, site_id, at, temperature_c, rain_mm, humidity, wind_ms, wet)
      select ${scope.companyId}, ${siteId}, h.*
      from unnest(
        ${column('at')}::timestamptz[], ${column('temperatureC')}::real[], ${column('rainMm')}::real[],
        ${column('humidity')}::real[], ${column('windMs')}::real[], ${column('wet')}::boolean[]) h
      on conflict (company_id, site_id, at) do update
      set temperature_c = excluded.temperature_c, rain_mm = excluded.rain_mm, humidity = excluded.humidity,
        wind_ms = excluded.wind_ms, wet = excluded.wet`;
};

/**
 * Keeps hours that a station measured at a place, and the days that they make whole; what was brought before for the same hour
 * is replaced. How the file was read is remembered for the next one.
 * @returns how many days are whole now among those touched
 */
export const keepHours = ({
  scope,
  siteId,
  timeZone,
  hours,
  reading,
}: {
  scope: Scope;
  siteId: string;
  timeZone: string;
  hours: readonly MeasuredHour[];
  reading: object;
}): Promise<number> =>
  within(scope, async (tx) => {
    for (let i = 0; i < hours.length; i += HOURS_AT_ONCE)
      await insertHours(tx, scope, siteId, hours.slice(i, i + HOURS_AT_ONCE));
    const [from, to] = [hours[0]!.at, hours.at(-1)!.at];
    const days = await tx`
      insert into weather_day (company_id, site_id, day, min_c, max_c, rain_mm)
      select ${scope.companyId}, ${siteId}, h.day, min(h.temperature_c), max(h.temperature_c), sum(h.rain_mm)
      from (
        select (at at time zone ${timeZone})::date as day, temperature_c, rain_mm
        from weather_hour
        where company_id = ${scope.companyId} and site_id = ${siteId}
          and at between ${from}::timestamptz - interval '2 days' and ${to}::timestamptz + interval '2 days') h
      where h.day between (${from}::timestamptz at time zone ${timeZone})::date
        and (${to}::timestamptz at time zone ${timeZone})::date
      group by h.day
      having count(*) >= ${WHOLE_DAY}
      on conflict (company_id, site_id, day) do update
      set min_c = excluded.min_c, max_c = excluded.max_c, rain_mm = excluded.rain_mm
      returning 1`;
    await tx`update site set station_columns = ${tx.json(reading as never)} where id = ${siteId}`;
    return days.length;
  });

/** Hours that stations at places measured since an instant, by their beginning. */
export const broughtHours = (
  scope: Scope,
  siteIds: readonly string[],
  from: Date,
): Promise<(MeasuredHour & { siteId: string })[]> =>
  within(scope, async (tx) => [
    ...(await tx<(MeasuredHour & { siteId: string })[]>`
      select h.site_id as "siteId", to_char(h.at at time zone 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"') as at,
        h.temperature_c as "temperatureC", h.rain_mm as "rainMm", h.humidity, h.wind_ms as "windMs", h.wet
      from weather_hour h
      where h.company_id = ${scope.companyId} and h.site_id = any(${[...siteIds]}) and h.at >= ${from}
      order by h.at`),
  ]);

/** How the last file of a place's station was read; null while none was. */
export const stationColumns = (scope: Scope, siteId: string): Promise<unknown> =>
  within(
    scope,
    async (tx) =>
      (await tx<{ columns: unknown }[]>`select station_columns as columns from site where id = ${siteId}`)[0]
        ?.columns ?? null,
  );
