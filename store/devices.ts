import type { Guard, Sight } from '@/core/devices/devices';
import type { Stands } from '@/core/site-map/site-map';
import type { Device } from '@/core/label/methods';
import { within, type Scope, type Tx } from './db';

/** A device on a trunk with where it hangs and what of. */
export interface InstallationRow {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  walk: number;
  siteId: string;
  siteName: string;
  timeZone: string;
  lat: number | null;
  lon: number | null;
  /** Where its tree itself stands, and the point on the globe from which the plan of the place is measured. */
  spot: Stands & { origin: { lat: number; lon: number } | null };
  planId: string;
  labelName: string;
  site: number;
  device: Device;
  putMl: number;
  expectedMinutes: number;
  guarded: Guard;
  overnight: string | null;
  /** Why it was hung in spite of a stop, or by the planned dose where the newest facts give another. */
  because: string | null;
  installedAt: Date;
  byName: string;
  removedAt: Date | null;
  leftMl: number | null;
  lostMl: number;
  seen: Sight[];
}

const rows = (tx: Tx, scope: Scope, of: ReturnType<Tx>, limit: number) => tx<InstallationRow[]>`
  select h.id, h.tree_id as "treeId", t.tag, t.host_id as "hostId", t.walk_order as walk, p.id as "siteId",
    p.name as "siteName", p.time_zone as "timeZone",
    coalesce(t.lat, (p.site_map->'origin'->>'lat')::float8) as lat,
    coalesce(t.lon, (p.site_map->'origin'->>'lon')::float8) as lon,
    jsonb_build_object('x', t.plan_x, 'y', t.plan_y, 'lat', t.lat, 'lon', t.lon, 'origin', p.site_map->'origin') as spot,
    h.plan_id as "planId", l.data->>'name' as "labelName", h.site, h.device, h.put_ml as "putMl",
    h.expected_minutes as "expectedMinutes", h.guarded, h.overnight, h.because, h.installed_at as "installedAt", w.name as "byName",
    h.removed_at as "removedAt", h.left_ml as "leftMl", h.lost_ml as "lostMl",
    coalesce((
      select jsonb_agg(jsonb_build_object('at', s.at, 'state', s.state, 'leftMl', s.left_ml) order by s.at, s.id)
      from device_reading s
      where s.company_id = h.company_id and s.installation_id = h.id), '[]') as seen
  from device_installation h
  join tree t on t.company_id = h.company_id and t.id = h.tree_id
  join site p on p.company_id = t.company_id and p.id = t.site_id
  join treatment_plan n on n.company_id = h.company_id and n.id = h.plan_id
  join label l on l.company_id = n.company_id and l.id = n.label_id
  join person w on w.company_id = h.company_id and w.id = h.by_person
  where h.company_id = ${scope.companyId} and ${of}
  order by h.installed_at, h.id
  limit ${limit}`;

/** More than a crew can ever look after. */
const MOST = 2000;

/** What hangs now, the longest first. */
export const installedNow = (scope: Scope): Promise<InstallationRow[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`h.removed_at is null`, MOST))]);

/** What was pulled since an instant and whose plan is still to be written up. */
export const removedUnrecorded = (scope: Scope, since: Date): Promise<InstallationRow[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`h.removed_at >= ${since} and n.state = 'open'`, MOST))]);

/** The newest that were pulled, for what a company's own devices teach. */
export const removedBefore = (scope: Scope, limit: number): Promise<InstallationRow[]> =>
  within(scope, async (tx) => [
    ...(await rows(
      tx,
      scope,
      tx`h.id = any(array(
        select x.id
        from device_installation x
        where x.company_id = ${scope.companyId} and x.removed_at is not null
        order by x.removed_at desc
        limit ${limit}))`,
      limit,
    )),
  ]);

/** Devices of plans, whatever became of them: the statement alone, or a part of a larger one. */
export const devicesOf = (tx: Tx, scope: Scope, planIds: readonly string[]) =>
  rows(tx, scope, tx`h.plan_id = any(${[...planIds]})`, MOST);
export const installedDevicesOf = (scope: Scope, planId: string): Promise<InstallationRow[]> =>
  within(scope, async (tx) => [...(await devicesOf(tx, scope, [planId]))]);

/** Devices by their ids; what this company has not got is left out. */
export const installationsNamed = (scope: Scope, ids: readonly string[]): Promise<InstallationRow[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`h.id = any(${[...ids]})`, MOST))]);

/** How many devices hang, and on how many trunks. */
export const installedCount = (scope: Scope): Promise<{ devices: number; trunks: number }> =>
  within(
    scope,
    async (tx) =>
      (
        await tx<{ devices: number; trunks: number }[]>`
          select count(*)::int as devices, count(distinct tree_id)::int as trunks
          from device_installation
          where company_id = ${scope.companyId} and removed_at is null`
      )[0]!,
  );

/** How many devices hang on the trees of some plans. */
export const installedOn = (scope: Scope, planIds: readonly string[]): Promise<number> =>
  within(
    scope,
    async (tx) =>
      (
        await tx<{ n: number }[]>`
          select count(*)::int as n
          from device_installation
          where company_id = ${scope.companyId} and plan_id = any(${[...planIds]}) and removed_at is null`
      )[0]!.n,
  );

/** Those of some plans of which devices hang. */
export const plansWithDevices = (scope: Scope, planIds: readonly string[]): Promise<Set<string>> =>
  within(
    scope,
    async (tx) =>
      new Set(
        (
          await tx<{ id: string }[]>`
            select distinct plan_id as id
            from device_installation
            where company_id = ${scope.companyId} and plan_id = any(${[...planIds]}) and removed_at is null`
        ).map((r) => r.id),
      ),
  );

export type NewInstallation = Pick<
  InstallationRow,
  | 'id'
  | 'treeId'
  | 'planId'
  | 'site'
  | 'device'
  | 'putMl'
  | 'expectedMinutes'
  | 'guarded'
  | 'overnight'
  | 'because'
  | 'installedAt'
>;
export const insertInstallations = (scope: Scope, devices: readonly NewInstallation[]) =>
  within(
    scope,
    (tx) =>
      tx`insert into device_installation ${tx(
        devices.map((d) => ({
          id: d.id,
          company_id: scope.companyId,
          tree_id: d.treeId,
          plan_id: d.planId,
          site: d.site,
          device: d.device,
          put_ml: d.putMl,
          expected_minutes: d.expectedMinutes,
          guarded: d.guarded,
          overnight: d.overnight,
          because: d.because,
          installed_at: d.installedAt,
          by_person: scope.personId,
        })) as never,
      )}`,
  );

export const addSights = (
  scope: Scope,
  sights: readonly { id: string; installationId: string; at: string; state: Sight['state']; leftMl: number | null }[],
) =>
  within(
    scope,
    (tx) =>
      tx`insert into device_reading ${tx(
        sights.map((s) => ({
          id: s.id,
          company_id: scope.companyId,
          installation_id: s.installationId,
          at: s.at,
          state: s.state,
          left_ml: s.leftMl,
          by_person: scope.personId,
        })) as never,
      )}`,
  );

/** Says why devices hang through the night. */
export const keepOvernight = (scope: Scope, ids: readonly string[], because: string) =>
  within(
    scope,
    (tx) => tx`
      update device_installation
      set overnight = ${because}
      where company_id = ${scope.companyId} and id = any(${[...ids]}) and removed_at is null`,
  );

/** Pulls devices with what is left in each; how many were still hanging. */
export const removeRows = (
  scope: Scope,
  at: Date,
  devices: readonly { id: string; leftMl: number; lostMl: number }[],
): Promise<number> =>
  within(
    scope,
    async (tx) =>
      (
        await tx`
          update device_installation h
          set removed_at = ${at}, removed_by = ${scope.personId}, left_ml = d.left_ml, lost_ml = d.lost_ml
          from unnest(
            ${devices.map((d) => d.id)}::uuid[], ${devices.map((d) => d.leftMl)}::float8[],
            ${devices.map((d) => d.lostMl)}::float8[]) as d (id, left_ml, lost_ml)
          where h.company_id = ${scope.companyId} and h.id = d.id and h.removed_at is null`
      ).count,
  );
/** Hangs again what was pulled by a slip. */
export const reinstallRows = (scope: Scope, ids: readonly string[]) =>
  within(
    scope,
    (tx) => tx`
      update device_installation
      set removed_at = null, removed_by = null, left_ml = null, lost_ml = 0
      where company_id = ${scope.companyId} and id = any(${[...ids]}) and removed_at is not null`,
  );
