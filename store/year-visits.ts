import type { Method } from '@/core/label/methods';
import { OWN_DAY_WAITS } from '@/core/prescribe/follow';
import type { Series } from '@/core/prescribe/series';
import type { LocalDate } from '@/lib/calendar/zone';
import { asList, dated, within, type Scope, type Tx } from './db';
import { leftOutRows, type LeftOut } from './skipped-trees';
import { acceptedAt } from './quotes';
import { tasksOfSite, type Task } from './tasks';

/** Something on a tree that is done or to come, of whatever kind: a mark of the year. */
export interface YearVisit {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  /** Where the tree stands on the walk. */
  walk: number;
  kind: 'plan' | 'work' | 'look' | 'step';
  /** What is put on; null for all else. */
  put: { label: string; method: Method } | null;
  workId: string | null;
  /** What is looked for, or what a step of a programme is called. */
  what: string | null;
  onlyIf: string | null;
  conditionId: string | null;
  /** The visit of a programme that it is. */
  assignment: { id: string; visitId: string; programme: string; step: string } | null;
  day: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  /** One that comes again is the next of a series whose time nobody has planned yet. */
  state: 'planned' | 'expected' | 'again' | 'done' | 'left';
  /** The client has taken it. */
  accepted: boolean;
}

/** Only what stands on trees of the place: each by its own index. */
const ofHere = (tx: Tx, treeId: ReturnType<Tx>) => tx`${treeId} = any(array(select h.id from here h))`;

/** The most that is read of a place at once: the soonest. */
export const MOST_VISITS = 12_000;

interface SpanAsked {
  scope: Scope;
  siteId: string;
  from: LocalDate;
  to: LocalDate;
  /** The day on which what has no day of its own waits. */
  today: LocalDate;
}

/**
 * What was done and what is to come at a place in a span of days, of whatever it comes from, by day and walk: plans and works
 * that wait, records, visits of programmes, looks.
 */
export const yearVisits = ({ scope, siteId, from, to, today }: SpanAsked): Promise<YearVisit[]> =>
  within(scope, async (tx) => [
    ...(await tx<YearVisit[]>`
      with here as (
        select t.id, t.tag, t.host_id, t.walk_order, p.time_zone
        from tree t
        join site p on p.id = t.site_id and p.company_id = t.company_id
        where t.company_id = ${scope.companyId} and t.site_id = ${siteId} and t.archived_at is null),
      step as (
        select b.company_id, b.id, b.tree_id, b.assignment_id, b.kind, b.state, b.day, b.earliest, b.latest, b.settled,
          l.programme->>'name' as programme, s->>'name' as name, l.ended_on
        from programme_assignment l
        join programme_visit b on b.company_id = l.company_id and b.assignment_id = l.id
        left join lateral jsonb_array_elements(l.programme->'steps') s on s->>'key' = b.step
        where l.company_id = ${scope.companyId} and l.site_id = ${siteId}),
      accepted as (${acceptedAt(tx, scope.companyId, tx`array[${siteId}::uuid]`)}),
      mark as (
        select n.id, n.tree_id, 'plan' as kind, n.label_id, n.use_key, null as method, null as work_id, null as what,
          null as only_if, n.condition_id, n.visit_id, coalesce(n.planned_for, w.day) as day,
          coalesce(n.earliest, w.day) as earliest, coalesce(n.latest, w.day) as latest, 'planned' as state
        from treatment_plan n
        join here h on h.id = n.tree_id
        -- What was planned for its own day waits today; where its time is over, it stands where it was planned.
        cross join lateral (select (n.at at time zone h.time_zone)::date as planned) a
        cross join lateral (
          select case when a.planned < ${today}::date - ${OWN_DAY_WAITS}::int then a.planned else ${today} end as day) w
        where n.company_id = ${scope.companyId} and n.state = 'open' and ${ofHere(tx, tx`n.tree_id`)}
        union all
        select r.id, r.tree_id, 'plan', (r.data->'product'->>'labelId')::uuid, r.data->'use'->>'key', r.method, null,
          null, null, n.condition_id, n.visit_id, r.done_on, r.done_on, r.done_on, 'done'
        from record r
        left join treatment_plan n on n.company_id = r.company_id and n.id = r.plan_id
        where r.company_id = ${scope.companyId} and r.site_id = ${siteId} and r.latest and not r.withdrawn
          and r.done_on between ${from} and ${to}
        union all
        select k.id, k.tree_id, 'work', null, null, null, k.work_id, null,
          null, k.condition_id, k.visit_id, coalesce(k.done_on, k.planned_for, ${today}),
          coalesce(k.done_on, b.earliest, k.planned_for, ${today}),
          coalesce(k.done_on, b.latest, k.planned_for, ${today}),
          case k.state when 'done' then 'done' else 'planned' end
        from work_plan k
        left join step b on b.id = k.visit_id
        where k.company_id = ${scope.companyId} and k.state <> 'dropped' and ${ofHere(tx, tx`k.tree_id`)}
        union all
        select f.id, f.tree_id, 'look', null, null, null, null, f.what,
          f.only_if, null, case when f.rule_id = 'programme' then f.root_id end,
          case f.state when 'done' then s.day else f.due end,
          case f.state when 'done' then s.day else f.earliest end,
          case f.state when 'done' then s.day else f.latest end,
          case f.state when 'done' then 'done' else 'planned' end
        from follow_up f
        join here h on h.id = f.tree_id
        cross join lateral (select (f.settled_at at time zone h.time_zone)::date as day) s
        where f.company_id = ${scope.companyId} and f.state <> 'dropped' and ${ofHere(tx, tx`f.tree_id`)}
          and (f.state = 'open' or f.settled_by_root is null)
        union all
        select b.id, b.tree_id, 'step', null, null, null, null, b.name,
          null, null, b.id, b.day, b.earliest, b.latest, case b.state when 'stopped' then 'left' else 'expected' end
        from step b
        where b.ended_on is null and (b.state = 'expected' or b.state = 'stopped' and not b.settled))
      select m.id, m.tree_id as "treeId", h.tag, h.host_id as "hostId", h.walk_order as walk, m.kind,
        case when m.kind = 'plan' then jsonb_build_object('label', l.data->>'name', 'method', coalesce(m.method, (
          select u->>'method'
          from jsonb_array_elements(l.data->'uses') u
          where u->>'key' = m.use_key
          limit 1))) end as put,
        m.work_id as "workId", m.what, m.only_if as "onlyIf", m.condition_id as "conditionId",
        case when b.id is not null then jsonb_build_object(
          'id', b.assignment_id, 'visitId', b.id, 'programme', b.programme, 'step', b.name) end as assignment,
        m.day::text, m.earliest::text, m.latest::text, m.state,
        coalesce(m.visit_id, m.id) in (select id from accepted) as accepted
      from mark m
      join here h on h.id = m.tree_id
      left join label l on l.company_id = ${scope.companyId} and l.id = m.label_id
      left join step b on b.id = m.visit_id
      where m.latest >= ${from} and m.earliest <= ${to}
      order by m.day, h.walk_order, h.id, m.id
      limit ${MOST_VISITS}`),
  ]);

/** What a plan or a work costs to carry out, as far as its document says. */
export interface VisitCost {
  id: string;
  /** What is put on: the price of a litre or kilogram, mL or g, the method and the holes; null for a work. */
  put: { priceMinor: number; product: number; method: Method; holes: number } | null;
  /** Minutes of a work. */
  minutes: number | null;
}
/** Costs of plans and works by their ids, many in one statement. */
export const visitCosts = (scope: Scope, ids: readonly string[]): Promise<VisitCost[]> =>
  within(scope, async (tx) => [
    ...(await tx<VisitCost[]>`
      select n.id, null::float8 as minutes, jsonb_build_object(
        'priceMinor', coalesce((l.data->>'priceMinor')::float8, 0),
        'product', coalesce((n.result->'dose'->>'product')::float8, 0), 'method', u->>'method',
        'holes', coalesce((n.result->'dose'->'sites'->>'count')::int, 0)) as put
      from treatment_plan n
      join label l on l.company_id = n.company_id and l.id = n.label_id
      cross join lateral (
        select x as u
        from jsonb_array_elements(l.data->'uses') x
        where x->>'key' = n.use_key
        limit 1) u
      where n.company_id = ${scope.companyId} and n.id = any(${[...ids]})
      union all
      select k.id, coalesce((k.sheet->>'minutes')::float8, 0), null
      from work_plan k
      where k.company_id = ${scope.companyId} and k.id = any(${[...ids]})`),
  ]);

/** Uses of labels that go on at a place, each with its plans and next treatments by their ids. */
export type SeriesAt = Series & { ids: string[] };
/**
 * What stands at a place for itself and comes again: open plans, and treatments that are due again where no plan of the same
 * product stands already. Those of one use and one programme are one.
 */
const seriesRows = (tx: Tx, scope: Scope, siteId: string) =>
  tx<SeriesAt[]>`
  with here as (
    select id
    from tree
    where company_id = ${scope.companyId} and site_id = ${siteId} and archived_at is null),
  own as (
    select n.id, n.tree_id, n.label_id, n.use_key
    from treatment_plan n
    where n.company_id = ${scope.companyId} and n.state = 'open' and n.visit_id is null and ${ofHere(tx, tx`n.tree_id`)}),
  going as (
    select *
    from own
    union all
    select f.id, f.tree_id, (r.data->'product'->>'labelId')::uuid, r.data->'use'->>'key'
    from follow_up f
    join record r on r.company_id = f.company_id and r.root_id = f.root_id and r.latest and not r.withdrawn
    where f.company_id = ${scope.companyId} and f.state = 'open' and f.kind = 'treat-again' and f.rule_id <> 'programme'
      and ${ofHere(tx, tx`f.tree_id`)}
      and not exists (
        select
        from own
        where own.tree_id = f.tree_id and own.label_id = (r.data->'product'->>'labelId')::uuid)),
  each as (
    select g.*, (
      select jsonb_build_object('school', p.school, 'everyYears', p.every_years, 'years', p.years)
      from programme p
      where p.company_id = ${scope.companyId} and p.tree_id = g.tree_id
      order by p.at desc, p.id desc
      limit 1) as programme
    from going g)
  select u as use, e.programme, array_agg(e.id) as ids
  from each e
  join label l on l.company_id = ${scope.companyId} and l.id = e.label_id
  cross join lateral (
    select x as u
    from jsonb_array_elements(l.data->'uses') x
    where x->>'key' = e.use_key
    limit 1) u
  group by e.label_id, u.u, e.programme`;

/** What stands at a place beside the visits of its year, in one statement: its series, its tasks, and what rows left out. */
export const besideVisits = (
  scope: Scope,
  siteId: string,
  tasksFrom: LocalDate,
): Promise<{ series: SeriesAt[]; left: LeftOut[]; tasks: Task[] }> =>
  within(scope, async (tx) => {
    const [row] = await tx<{ series: SeriesAt[]; left: LeftOut[]; tasks: Task[] }[]>`
      select ${asList(tx, seriesRows(tx, scope, siteId))} as series,
        ${asList(tx, leftOutRows(tx, scope, siteId))} as left,
        ${asList(tx, tasksOfSite(tx, scope, siteId, tasksFrom))} as tasks`;
    const tasks = row!.tasks.map((k) => ({
      ...k,
      settledAt: k.settledAt && new Date(k.settledAt),
      changedAt: new Date(k.changedAt),
    }));
    return { series: row!.series, left: dated(row!.left), tasks };
  });
