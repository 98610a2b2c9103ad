import type { Guard, Sight } from '@/core/hanging/hanging';
import type { Stands } from '@/core/grounds/plan';
import type { Device } from '@/core/label/methods';
import { within, type Scope, type Tx } from './db';

/** A device on a trunk with where it hangs and what of. */
export interface HungRow {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  walk: number;
  placeId: string;
  placeName: string;
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
  hungAt: Date;
  byName: string;
  pulledAt: Date | null;
  leftMl: number | null;
  lostMl: number;
  seen: Sight[];
}

const rows = (tx: Tx, scope: Scope, of: ReturnType<Tx>, limit: number) => tx<HungRow[]>`
  select h.id, h.tree_id as "treeId", t.tag, t.host_id as "hostId", t.walk_order as walk, p.id as "placeId",
    p.name as "placeName", p.time_zone as "timeZone",
    coalesce(t.lat, (p.grounds->'origin'->>'lat')::float8) as lat,
    coalesce(t.lon, (p.grounds->'origin'->>'lon')::float8) as lon,
    jsonb_build_object('x', t.plan_x, 'y', t.plan_y, 'lat', t.lat, 'lon', t.lon, 'origin', p.grounds->'origin') as spot,
    h.plan_id as "planId", l.data->>'name' as "labelName", h.site, h.device, h.put_ml as "putMl",
    h.expected_minutes as "expectedMinutes", h.guarded, h.overnight, h.because, h.hung_at as "hungAt", w.name as "byName",
    h.pulled_at as "pulledAt", h.left_ml as "leftMl", h.lost_ml as "lostMl",
    coalesce((
      select jsonb_agg(jsonb_build_object('at', s.at, 'state', s.state, 'leftMl', s.left_ml) order by s.at, s.id)
      from hanging_seen s
      where s.company_id = h.company_id and s.hanging_id = h.id), '[]') as seen
  from hanging h
  join tree t on t.company_id = h.company_id and t.id = h.tree_id
  join place p on p.company_id = t.company_id and p.id = t.place_id
  join plan n on n.company_id = h.company_id and n.id = h.plan_id
  join label l on l.company_id = n.company_id and l.id = n.label_id
  join person w on w.company_id = h.company_id and w.id = h.by_person
  where h.company_id = ${scope.companyId} and ${of}
  order by h.hung_at, h.id
  limit ${limit}`;

/** More than a crew can ever look after. */
const MOST = 2000;

/** What hangs now, the longest first. */
export const hangingNow = (scope: Scope): Promise<HungRow[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`h.pulled_at is null`, MOST))]);

/** What was pulled since an instant and whose plan is still to be written up. */
export const pulledUnwritten = (scope: Scope, since: Date): Promise<HungRow[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`h.pulled_at >= ${since} and n.state = 'open'`, MOST))]);

/** The newest that were pulled, for what an company's own devices teach. */
export const pulledBefore = (scope: Scope, limit: number): Promise<HungRow[]> =>
  within(scope, async (tx) => [
    ...(await rows(
      tx,
      scope,
      tx`h.id = any(array(
        select x.id
        from hanging x
        where x.company_id = ${scope.companyId} and x.pulled_at is not null
        order by x.pulled_at desc
        limit ${limit}))`,
      limit,
    )),
  ]);

/** Devices of plans, whatever became of them: the statement alone, or a part of a larger one. */
export const devicesOf = (tx: Tx, scope: Scope, planIds: readonly string[]) =>
  rows(tx, scope, tx`h.plan_id = any(${[...planIds]})`, MOST);
export const hangingOf = (scope: Scope, planId: string): Promise<HungRow[]> =>
  within(scope, async (tx) => [...(await devicesOf(tx, scope, [planId]))]);

/** Devices by their ids; what this company has not got is left out. */
export const hangingNamed = (scope: Scope, ids: readonly string[]): Promise<HungRow[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`h.id = any(${[...ids]})`, MOST))]);

/** How many devices hang, and on how many trunks. */
export const hangingCount = (scope: Scope): Promise<{ devices: number; trunks: number }> =>
  within(
    scope,
    async (tx) =>
      (
        await tx<{ devices: number; trunks: number }[]>`
          select count(*)::int as devices, count(distinct tree_id)::int as trunks
          from hanging
          where company_id = ${scope.companyId} and pulled_at is null`
      )[0]!,
  );

/** How many devices hang on the trees of some plans. */
export const hangingOn = (scope: Scope, planIds: readonly string[]): Promise<number> =>
  within(
    scope,
    async (tx) =>
      (
        await tx<{ n: number }[]>`
          select count(*)::int as n
          from hanging
          where company_id = ${scope.companyId} and plan_id = any(${[...planIds]}) and pulled_at is null`
      )[0]!.n,
  );

/** Those of some plans of which devices hang. */
export const hangingPlans = (scope: Scope, planIds: readonly string[]): Promise<Set<string>> =>
  within(
    scope,
    async (tx) =>
      new Set(
        (
          await tx<{ id: string }[]>`
            select distinct plan_id as id
            from hanging
            where company_id = ${scope.companyId} and plan_id = any(${[...planIds]}) and pulled_at is null`
        ).map((r) => r.id),
      ),
  );

export type NewHung = Pick<
  HungRow,
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
  | 'hungAt'
>;
export const addHung = (scope: Scope, devices: readonly NewHung[]) =>
  within(
    scope,
    (tx) =>
      tx`insert into hanging ${tx(
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
          hung_at: d.hungAt,
          by_person: scope.personId,
        })) as never,
      )}`,
  );

export const addSights = (
  scope: Scope,
  sights: readonly { id: string; hangingId: string; at: string; state: Sight['state']; leftMl: number | null }[],
) =>
  within(
    scope,
    (tx) =>
      tx`insert into hanging_seen ${tx(
        sights.map((s) => ({
          id: s.id,
          company_id: scope.companyId,
          hanging_id: s.hangingId,
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
      update hanging
      set overnight = ${because}
      where company_id = ${scope.companyId} and id = any(${[...ids]}) and pulled_at is null`,
  );

/** Pulls devices with what is left in each; how many were still hanging. */
export const pullHung = (
  scope: Scope,
  at: Date,
  devices: readonly { id: string; leftMl: number; lostMl: number }[],
): Promise<number> =>
  within(
    scope,
    async (tx) =>
      (
        await tx`
          update hanging h
          set pulled_at = ${at}, pulled_by = ${scope.personId}, left_ml = d.left_ml, lost_ml = d.lost_ml
          from unnest(
            ${devices.map((d) => d.id)}::uuid[], ${devices.map((d) => d.leftMl)}::float8[],
            ${devices.map((d) => d.lostMl)}::float8[]) as d (id, left_ml, lost_ml)
          where h.company_id = ${scope.companyId} and h.id = d.id and h.pulled_at is null`
      ).count,
  );
/** Hangs again what was pulled by a slip. */
export const unpullHung = (scope: Scope, ids: readonly string[]) =>
  within(
    scope,
    (tx) => tx`
      update hanging
      set pulled_at = null, pulled_by = null, left_ml = null, lost_ml = 0
      where company_id = ${scope.companyId} and id = any(${[...ids]}) and pulled_at is not null`,
  );
