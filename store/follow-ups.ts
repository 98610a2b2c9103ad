import type { LocalDate } from '@/lib/calendar/zone';
import type { Sprayed } from '@/core/spray/covers';
import { within, type Scope, type Tx } from './db';
import { acceptedAt } from './quotes';
import { clockNow } from './clock';

export interface DueRow {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  siteId: string;
  siteName: string;
  kind: string;
  what: string;
  reason: string;
  onlyIf: string | null;
  due: LocalDate;
  earliest: string;
  latest: string;
  timeZone: string;
  lat: number | null;
  lon: number | null;
  /** What a spray on leaves left there, where this visit renews it. */
  sprayed: Sprayed | null;
  /** The programme whose look this is: what it finds is said there. */
  assignmentId: string | null;
  /** The client has taken it. */
  accepted: boolean;
}

/** Open follow-ups due from `from` to `to`, in order of date. */
export const dueBetween = (scope: Scope, from: string, to: string, limit: number): Promise<DueRow[]> =>
  dueWithin(scope, [{ from, to, most: limit }]);
/** Open follow-ups due in spans of days that do not overlap, of each the soonest, in order of date. */
export const dueWithin = (
  scope: Scope,
  spans: readonly { from: string; to: string; most: number }[],
  siteId: string | null = null,
): Promise<DueRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<DueRow[]>`
      with f as (
        select x.*, t.site_id
        from unnest(
          ${spans.map((s) => s.from)}::date[], ${spans.map((s) => s.to)}::date[],
          ${spans.map((s) => s.most)}::int[]) as s (first, last, most)
        cross join lateral (
          select *
          from follow_up
          where company_id = ${scope.companyId} and state = 'open' and due between s.first and s.last ${ofSite(tx, siteId)}
          order by due, id
          limit s.most) x
        join tree t on t.id = x.tree_id and t.company_id = ${scope.companyId}),
      accepted as (${acceptedAt(tx, scope.companyId, tx`array(select distinct site_id from f)`)})
      select f.id, f.tree_id as "treeId", t.tag, t.host_id as "hostId", p.id as "siteId", p.name as "siteName",
        f.kind,
        f.what, f.reason, f.only_if as "onlyIf", f.due, f.earliest, f.latest, p.time_zone as "timeZone",
        coalesce(t.lat, (p.site_map->'origin'->>'lat')::float8) as lat,
        coalesce(t.lon, (p.site_map->'origin'->>'lon')::float8) as lon,
        ${sprayed(tx)} as sprayed,
        (select b.assignment_id from programme_visit b
         where b.company_id = f.company_id and b.id = f.root_id and f.rule_id = 'programme') as "assignmentId",
        case f.rule_id when 'programme' then f.root_id else f.id end in (select id from accepted) as accepted
      from f
      join tree t on t.id = f.tree_id and t.company_id = f.company_id
      join site p on p.id = t.site_id and p.company_id = f.company_id
      order by f.due, f.id`),
  ]);

/** A look or visit that stands on a round, as far as its crew needs it. */
export type NamedInspection = Pick<
  DueRow,
  'id' | 'treeId' | 'tag' | 'hostId' | 'siteId' | 'siteName' | 'kind' | 'what'
> & {
  state: 'open' | 'done' | 'dropped';
};
/** Looks by their ids, whatever became of them. */
export const inspectionsNamed = (scope: Scope, ids: readonly string[]): Promise<NamedInspection[]> =>
  within(scope, async (tx) => [
    ...(await tx<NamedInspection[]>`
      select f.id, f.tree_id as "treeId", t.tag, t.host_id as "hostId", p.id as "siteId", p.name as "siteName",
        f.kind,
        f.what, f.state
      from follow_up f
      join tree t on t.id = f.tree_id and t.company_id = f.company_id
      join site p on p.id = t.site_id and p.company_id = f.company_id
      where f.company_id = ${scope.companyId} and f.id = any(${[...ids]})`),
  ]);

/** The spray that a visit renews, with its label's use; null where it renews none. */
const sprayed = (tx: Tx) => tx`(
  select jsonb_build_object('doneOn', r.done_on, 'endedAt', r.ended_at, 'use', u)
  from record r
  join label l on l.id = (r.data->'product'->>'labelId')::uuid and l.company_id = r.company_id
  cross join lateral jsonb_array_elements(l.data->'uses') u
  where f.kind = 'treat-again' and r.company_id = f.company_id and r.root_id = f.root_id and r.latest and not r.withdrawn
    and r.method = 'foliar-spray' and u->>'key' = r.data->'use'->>'key'
  limit 1)`;

/** A visit as a calendar follows it. */
export interface CalendarVisit extends Omit<DueRow, 'assignmentId' | 'accepted'> {
  state: 'open' | 'done' | 'dropped';
  /** Counts its changes, and when the last one was. */
  version: number;
  changedAt: Date;
}
/** Only what stands on trees of one place, where one is named. */
export const ofSite = (tx: Tx, siteId: string | null) =>
  siteId ? tx`and tree_id = any(array(select id from tree where site_id = ${siteId}))` : tx``;

/** Open visits from `from` to `to`, and those that were done or dropped since `since`: a calendar must strike them out. */
export const calendarVisits = ({
  scope,
  from,
  to,
  since,
  siteId = null,
}: {
  scope: Scope;
  from: string;
  to: string;
  since: Date;
  siteId?: string | null;
}): Promise<CalendarVisit[]> =>
  within(scope, async (tx) => [
    ...(await tx<CalendarVisit[]>`
      select f.id, f.tree_id as "treeId", t.tag, t.host_id as "hostId", p.id as "siteId", p.name as "siteName",
        f.kind,
        f.what, f.reason, f.only_if as "onlyIf", f.due, f.earliest, f.latest, f.state, f.version,
        f.changed_at as "changedAt", p.time_zone as "timeZone",
        coalesce(t.lat, (p.site_map->'origin'->>'lat')::float8) as lat,
        coalesce(t.lon, (p.site_map->'origin'->>'lon')::float8) as lon,
        case when f.state = 'open' then ${sprayed(tx)} end as sprayed
      from (
        (select *
         from follow_up
         where company_id = ${scope.companyId} and state = 'open'
           and due between ${from} and ${to} ${ofSite(tx, siteId)}
         order by due, id
         limit 5000)
        union all
        (select *
         from follow_up
         where company_id = ${scope.companyId} and state <> 'open' and settled_at >= ${since}
           and due between ${from} and ${to} ${ofSite(tx, siteId)}
         order by settled_at desc
         limit 2000)) f
      join tree t on t.id = f.tree_id and t.company_id = ${scope.companyId}
      join site p on p.id = t.site_id and p.company_id = f.company_id
      order by f.due, f.id`),
  ]);

/** One visit, with the day of the work that it was counted from; null where it is counted from none. */
export interface Visit extends Omit<DueRow, 'tag' | 'hostId' | 'siteName' | 'assignmentId' | 'accepted'> {
  ruleId: string;
  rootId: string;
  state: 'open' | 'done' | 'dropped';
  doneOn: LocalDate | null;
  timeZone: string;
}
export const getVisit = (scope: Scope, id: string): Promise<Visit | null> =>
  within(scope, async (tx) => {
    const [visit] = await tx<Visit[]>`
      select f.id, f.tree_id as "treeId", f.root_id as "rootId", f.rule_id as "ruleId", f.kind, f.what, f.reason,
        f.only_if as "onlyIf", f.due, f.earliest, f.latest, f.state, p.time_zone as "timeZone",
        coalesce(
          (select r.done_on from record r
           where r.company_id = f.company_id and r.root_id = f.root_id and r.latest),
          (select w.done_on from work_plan w where w.company_id = f.company_id and w.id = f.root_id)) as "doneOn"
      from follow_up f
      join tree t on t.id = f.tree_id and t.company_id = f.company_id
      join site p on p.id = t.site_id and p.company_id = f.company_id
      where f.company_id = ${scope.companyId} and f.id = ${id}`;
    return visit ?? null;
  });

/** Visits that are named, in no order; what this company has not got is left out. */
export const visitsById = (
  scope: Scope,
  ids: readonly string[],
): Promise<
  (Pick<Visit, 'id' | 'treeId' | 'ruleId' | 'kind' | 'what' | 'due' | 'earliest' | 'latest' | 'state' | 'timeZone'> & {
    tag: string;
  })[]
> =>
  within(scope, async (tx) => [
    ...(await tx<(Visit & { tag: string })[]>`
      select f.id, f.tree_id as "treeId", t.tag, f.rule_id as "ruleId", f.kind, f.what, f.due, f.earliest, f.latest,
        f.state,
        p.time_zone as "timeZone"
      from follow_up f
      join tree t on t.id = f.tree_id and t.company_id = f.company_id
      join site p on p.id = t.site_id and p.company_id = f.company_id
      where f.company_id = ${scope.companyId} and f.id = any(${[...ids]})`),
  ]);

/** Open visits are for another day; the span they may stand in grows to hold it; what somebody asked for has no other. */
export const moveVisitsTo = (scope: Scope, ids: readonly string[], day: string, because: string) =>
  within(
    scope,
    (tx) => tx`
      update follow_up
      set due = ${day},
        earliest = case rule_id when 'own' then ${day} else least(earliest, ${day}) end,
        latest = case rule_id when 'own' then ${day} else greatest(latest, ${day}) end,
        moved_because = nullif(${because}, '')
      where company_id = ${scope.companyId} and id = any(${[...ids]}) and state = 'open' and rule_id <> 'programme'`,
  );

/** Leaves a treatment out with its reason, and sets the next one; false where it was settled meanwhile. */
export const skipFollowUp = (
  scope: Scope,
  visit: Visit,
  because: string,
  next: { id: string; ruleId: string; due: string; earliest: string; latest: string } | null,
): Promise<boolean> =>
  within(scope, async (tx) => {
    const { count } = await tx`
      update follow_up
      set state = 'dropped', because = ${because}, settled_at = clock_now(), settled_by = ${scope.personId}
      where company_id = ${scope.companyId} and id = ${visit.id} and state = 'open'`;
    if (!count) return false;
    if (next)
      await tx`
        insert into follow_up (
          id, company_id, tree_id, root_id, rule_id, kind, what, reason, only_if, due, earliest, latest)
        values (
          ${next.id}, ${scope.companyId}, ${visit.treeId}, ${visit.rootId}, ${next.ruleId}, ${visit.kind}, ${visit.what},
          ${visit.reason}, ${visit.onlyIf}, ${next.due}, ${next.earliest}, ${next.latest})
        on conflict (company_id, root_id, rule_id) do nothing`;
    return true;
  });

/** A visit that somebody asked for; it comes from no record. */
export const insertReminder = (
  scope: Scope,
  r: { id: string; treeId: string; on: string; what: string; reason: string },
) =>
  within(
    scope,
    (tx) => tx`
      insert into follow_up (id, company_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest)
      values (${r.id}, ${scope.companyId}, ${r.treeId}, ${r.id}, 'own', 'look', ${r.what}, ${r.reason}, ${r.on}, ${r.on},
        ${r.on})
      on conflict (id) do nothing`,
  );

export const settle = (scope: Scope, id: string, from: 'open' | 'done', to: 'open' | 'done') =>
  within(
    scope,
    (tx) =>
      tx`
        update follow_up
        set state = ${to}, settled_at = ${to === 'open' ? null : clockNow()},
          settled_by = ${to === 'open' ? null : scope.personId}
        where id = ${id} and state = ${from}`,
  );
