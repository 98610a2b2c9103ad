import type { ApplicationRecord } from '@/core/records/record';
import type { Device } from '@/core/label/methods';
import type { Label } from '@/core/label/schema';
import type { Told, VolumeUnit } from '@/lib/units/units';
import type { Priced } from '@/core/prescribe/costs';
import type { Choices } from '@/core/gates/context';
import type { Prescription } from '@/core/prescribe/prescribe';
import type { Visit } from '@/core/prescribe/when';
import type { LocalDate } from '@/lib/calendar/zone';
import { asList, dated, json, within, type Scope, type Tx } from './db';
import { ofSite } from './follow-ups';
import { lastLeft, type LastLeft } from './day';
import { OWN_DAY_WAITS } from '@/core/prescribe/follow';
import { isUnsettled, unsettledPlans, unsettledWorks } from './unsettled';
import { DOCUMENT, inReadersUnits, isAccepted, acceptedOf, sound, treeOfEach } from './plan-parts';
import { worksForCrew, type OpenWork } from './works';

export interface Plan {
  id: string;
  treeId: string;
  tag: string;
  siteId: string;
  labelId: string;
  label: Label;
  useKey: string;
  conditionId: string;
  choices: Choices;
  result: Prescription;
  released: Record<string, string>;
  state: 'open' | 'done' | 'dropped';
  at: Date;
  byName: string;
  /** The day it was planned for and the span it may move in; null for what was planned for its own day. */
  plannedFor: LocalDate | null;
  earliest: LocalDate | null;
  latest: LocalDate | null;
  /** The visit of a programme that it carries out. */
  visitId: string | null;
}

/** Plans by their ids, in no order; what this company has not got is left out. */
export const getPlans = (scope: Scope, ids: readonly string[]): Promise<Plan[]> =>
  within(scope, async (tx) => [
    ...(await tx<Plan[]>`
      select n.id, n.tree_id as "treeId", t.tag, t.site_id as "siteId", n.label_id as "labelId", l.data as label,
        n.use_key as "useKey", n.condition_id as "conditionId", n.facts as choices, ${inReadersUnits(tx, tx`n.result`, tx`n.result_us`)} as result, n.released, n.state, n.at,
        p.name as "byName", n.planned_for::text as "plannedFor", n.earliest::text, n.latest::text,
          n.visit_id as "visitId"
      from treatment_plan n
      join label l on l.id = n.label_id
      join tree t on t.id = n.tree_id
      join person p on p.id = n.by_person
      where n.company_id = ${scope.companyId} and n.id = any(${[...ids]})
      order by array_position(${[...ids]}::uuid[], n.id)`),
  ]);
export const getPlan = async (scope: Scope, id: string): Promise<Plan | null> =>
  (await getPlans(scope, [id]))[0] ?? null;

/** Plans of their own that wait are for another day, with the span they may move in and what was gone on in spite of. */
export const movePlansTo = (
  scope: Scope,
  moves: readonly { planId: string; visit: Visit; released: Record<string, string> }[],
) =>
  within(
    scope,
    (tx) => tx`
      update treatment_plan n
      set planned_for = m.day, earliest = m.earliest, latest = m.latest, released = n.released || m.released::jsonb,
        moves = moves + 1
      from unnest(
        ${moves.map((m) => m.planId)}::uuid[], ${moves.map((m) => m.visit.plannedFor)}::date[],
        ${moves.map((m) => m.visit.earliest)}::date[], ${moves.map((m) => m.visit.latest)}::date[],
        ${moves.map((m) => JSON.stringify(m.released))}::text[]) as m (id, day, earliest, latest, released)
      where n.company_id = ${scope.companyId} and n.id = m.id and n.state = 'open' and n.visit_id is null`,
  );

/** Plans of their own that are open at a place. */
export const ownPlansAt = (scope: Scope, siteId: string): Promise<string[]> =>
  within(scope, async (tx) =>
    (
      await tx<{ id: string }[]>`
        select n.id
        from treatment_plan n
        where n.company_id = ${scope.companyId} and n.tree_id = any(array(
          select id
          from tree
          where site_id = ${siteId}))
          and n.state = 'open' and n.visit_id is null
        limit 5000`
    ).map((r) => r.id),
  );

/** Plans of their own at a place that wait for a day after `today` and stand in no round, the soonest first. */
export const aheadOfOwn = (scope: Scope, siteId: string, today: LocalDate, limit: number): Promise<string[]> =>
  within(scope, async (tx) =>
    (
      await tx<{ id: string }[]>`
        select n.id
        from treatment_plan n
        where n.company_id = ${scope.companyId} and n.tree_id = any(array(
          select id
          from tree
          where site_id = ${siteId}))
          and n.state = 'open' and n.visit_id is null and n.planned_for > ${today}
          and not exists (select from crew_day_item i where i.company_id = n.company_id and i.item_id = n.id)
        order by n.planned_for, n.id
        limit ${limit}`
    ).map((r) => r.id),
  );

export interface NewPlan {
  id: string;
  treeId: string;
  labelId: string;
  useKey: string;
  conditionId: string;
  /** When it was made; without signal that is before it came. */
  at: Date;
  choices: Choices;
  result: Told<Prescription>;
  released: Record<string, string>;
  price: Priced | null;
  /** Null for what is done on the day it is planned. */
  visit: Visit | null;
}
/**
 * Opens a plan; an open plan of the same product on the same tree gives way to it, but for the visits of a programme: each of
 * them has its own. Sent twice, it lands once.
 */
export async function insertPlan(tx: Tx, scope: Scope, plan: NewPlan) {
  if ((await tx`select from treatment_plan where id = ${plan.id}`).length) return;
  // A product is one product, whatever version of its label a plan was made from.
  await tx`
    update treatment_plan n
    set state = 'dropped'
    from label own, label other
    where n.company_id = ${scope.companyId} and n.tree_id = ${plan.treeId} and n.state = 'open'
      and n.visit_id is null
      and own.id = ${plan.labelId} and other.id = n.label_id and other.key = own.key`;
  await tx`
    insert into treatment_plan (
      id, company_id, tree_id, label_id, use_key, condition_id,
      facts, document, result, result_us, released, price, planned_for, earliest, latest, at, by_person)
    values (
      ${plan.id}, ${scope.companyId}, ${plan.treeId}, ${plan.labelId}, ${plan.useKey}, ${plan.conditionId},
      ${json(tx, plan.choices)}, ${DOCUMENT}, ${json(tx, plan.result.metric)}, ${json(tx, plan.result.us)},
        ${json(tx, plan.released)}, ${json(tx, plan.price)},
      ${plan.visit?.plannedFor ?? null}, ${plan.visit?.earliest ?? null}, ${plan.visit?.latest ?? null}, ${plan.at},
        ${scope.personId})`;
}

/** Opens the plans of new visits of a programme, many in one statement: there is nothing that they could take the place of. */
export const insertAssignedPlans = (scope: Scope, plans: readonly (NewPlan & { visitId: string })[]) =>
  within(scope, async (tx) => {
    for (let i = 0; i < plans.length; i += 100) {
      const rows = plans.slice(i, i + 100).map((plan) => ({
        id: plan.id,
        company_id: scope.companyId,
        tree_id: plan.treeId,
        label_id: plan.labelId,
        use_key: plan.useKey,
        condition_id: plan.conditionId,
        facts: json(tx, plan.choices),
        document: DOCUMENT,
        result: json(tx, plan.result.metric),
        result_us: json(tx, plan.result.us),
        released: json(tx, plan.released),
        price: json(tx, plan.price),
        planned_for: plan.visit?.plannedFor ?? null,
        earliest: plan.visit?.earliest ?? null,
        latest: plan.visit?.latest ?? null,
        at: plan.at,
        visit_id: plan.visitId,
        by_person: scope.personId,
      }));
      await tx`insert into treatment_plan ${tx(rows as never)}`;
    }
  });

export const setPlanState = (scope: Scope, id: string, from: 'open' | 'dropped', to: 'open' | 'dropped') =>
  within(scope, (tx) => tx`update treatment_plan set state = ${to} where id = ${id} and state = ${from}`);

/** Drops what waits as the rest of a treatment, by the record of what went in. @returns whether anything waited */
export const dropRestOf = (scope: Scope, tree: { treeId: string; rootId: string }): Promise<boolean> =>
  within(
    scope,
    async (tx) =>
      (
        await tx`
          update treatment_plan
          set state = 'dropped'
          where company_id = ${scope.companyId} and tree_id = ${tree.treeId} and state = 'open'
            and facts->'rest'->'of' ? ${tree.rootId}`
      ).count > 0,
  );

/** The same for many at once; those of a programme's visits are left to the programme. */
export const setPlanStates = (scope: Scope, ids: readonly string[], from: 'open' | 'dropped', to: 'open' | 'dropped') =>
  within(
    scope,
    (tx) => tx`
      update treatment_plan
      set state = ${to}
      where company_id = ${scope.companyId} and id = any(${[...ids]}) and state = ${from} and visit_id is null`,
  );

export interface OpenPlan {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  siteId: string;
  siteName: string;
  labelKey: string;
  labelName: string;
  useKey: string;
  method: ApplicationRecord['method'];
  unit: 'volume' | 'mass';
  product: number;
  mixMl: number | null;
  /** Stock solution that is made from it, mL; null where none is. */
  stockMl: number | null;
  sites: number | null;
  holes: number | null;
  drillMm: number | null;
  device: Device | null;
  deviceHolds: { value: number; unit: VolumeUnit } | null;
  girthCm: number | null;
  inStations: boolean;
  protection: string[];
  /** Sound, and only protected: its stop comes before those of sick trees. */
  sound: boolean;
  at: Date;
  state: 'open' | 'done' | 'dropped';
  /** When a crew last came to it and did not do it, and why; null: never. */
  left: LastLeft | null;
  /** The day it is planned for and the span it may move in; null for what may be done at once. */
  plannedFor: LocalDate | null;
  earliest: LocalDate | null;
  latest: LocalDate | null;
  /** The programme whose visit it carries out; null where it stands for itself. */
  assignmentId: string | null;
  /** The client has taken it. */
  accepted: boolean;
  /** It was done, and its record waits to be settled. */
  unsettled: boolean;
  /** Its tree was measured after it was planned: the newest trunk may give another dose. */
  remeasured: boolean;
}
/** Some plans (x) as a crew needs them, by place and walking order. */
const forCrew = (tx: Tx, scope: Scope, x: ReturnType<Tx>) => tx<OpenPlan[]>`
      with n as (
        select x.*, (select t.site_id from tree t where t.company_id = ${scope.companyId} and t.id = x.tree_id) as site_id
        from (${x}) x),
      ${acceptedOf(tx, scope)},
      ${unsettledPlans(tx, scope)}
      select n.id, n.tree_id as "treeId", t.tag, t.host_id as "hostId", p.id as "siteId", p.name as "siteName",
        l.key as "labelKey", l.data->>'name' as "labelName", n.use_key as "useKey", u->>'method' as method,
        n.result->'dose'->>'dimension' as unit,
        (n.result->'dose'->>'product')::float8 as product,
        (n.result->'dose'->'carrier'->>'totalMl')::float8 as "mixMl",
        (n.result->'dose'->>'stockMl')::float8 as "stockMl",
        (n.result->'dose'->'sites'->>'count')::int as sites,
        (n.result->'dose'->>'girthCm')::float8 as "girthCm",
        jsonb_array_length(n.result->'treated'->'grid'->'holes') as holes,
        (u->'sites'->>'drillMm')::float8 as "drillMm",
        u->'sites'->>'device' as device,
        u->'sites'->'deviceHolds' as "deviceHolds",
        coalesce((u->>'inStations')::boolean, false) as "inStations",
        array(select jsonb_array_elements_text(u->'protection')) as protection,
        ${sound(tx)} as sound, n.at, n.state, ${lastLeft(tx)} as left,
        n.planned_for::text as "plannedFor", n.earliest::text, n.latest::text,
        (select b.assignment_id from programme_visit b where b.company_id = n.company_id and b.id = n.visit_id) as "assignmentId",
        ${isAccepted(tx)}, ${isUnsettled(tx)},
        exists (
          select from measurement m
          where m.company_id = n.company_id and m.tree_id = n.tree_id and m.created_at > n.received_at) as remeasured
      from n
      ${treeOfEach(tx, scope.companyId)}
      join site p on p.id = n.site_id and p.company_id = n.company_id
      join label l on l.id = n.label_id
      cross join lateral (
        select x as u
        from jsonb_array_elements(l.data->'uses') x
        where x->>'key' = n.use_key
        limit 1) u
      order by p.name, t.walk_order, t.id, n.planned_for nulls first, n.id`;

/** Which open plans and works are asked for: the soonest of them where there are more than the limits. */
export interface OpenAsked {
  plans: number;
  works: number;
  /** Those of one place alone. */
  siteId?: string | null;
  /** The day on which what may be done stands before what lies ahead, and that before what is over. */
  today?: LocalDate;
}
/** More than any company has open at once; a list that is longer says how much it leaves out. */
const ALL_OPEN = { plans: 5000, works: 5000 };

/** Whether the time of a plan is over on a day: as `isOver` has it. */
const overOn = (tx: Tx, today: LocalDate) => tx`
  case when latest is null then (at at time zone 'UTC')::date + ${OWN_DAY_WAITS}::int < ${today}::date
    else latest < ${today}::date end`;
const dueFirst = (tx: Tx, today: LocalDate | undefined) =>
  today
    ? tx`case when ${overOn(tx, today)} then 2 when coalesce(earliest > ${today}::date, false) then 1 else 0 end,`
    : tx``;

/** Plans that wait for a crew; the soonest where there are more than the limit. */
const waitingPlans = (tx: Tx, scope: Scope, { plans, siteId, today }: Omit<OpenAsked, 'works'>) =>
  forCrew(
    tx,
    scope,
    tx`
      select *
      from treatment_plan
      where company_id = ${scope.companyId} and state = 'open' ${ofSite(tx, siteId ?? null)}
      order by ${dueFirst(tx, today)} coalesce(earliest, '-infinity'::date), at, id
      limit ${plans}`,
  );
export const openPlans = (scope: Scope, limit = ALL_OPEN.plans): Promise<OpenPlan[]> =>
  within(scope, async (tx) => [...(await waitingPlans(tx, scope, { plans: limit }))]);
/** Plans by their ids, whatever became of them; what this company has not got is left out. */
export const plansNamed = (scope: Scope, ids: readonly string[]): Promise<OpenPlan[]> =>
  within(scope, async (tx) => [
    ...(await forCrew(
      tx,
      scope,
      tx`select * from treatment_plan where company_id = ${scope.companyId} and id = any(${[...ids]})`,
    )),
  ]);

/** A plan or a work for a day of its own, as a calendar follows it. */
export interface PlannedVisit {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  siteName: string;
  /** What is put on, and how; null for a work. */
  put: { label: string; method: ApplicationRecord['method'] } | null;
  /** The work; null where something is put on. */
  workId: string | null;
  plannedFor: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  state: 'open' | 'done' | 'dropped';
  /** How often it was moved, and when it was planned or last moved. */
  moves: number;
  changedAt: Date;
}
/** When the visit that a plan or work (n) carries out was last moved. */
const lastMove = (tx: Tx) => tx`
  (select max(m.at) from visit_move m where m.company_id = n.company_id and m.visit_id = n.visit_id)`;
/** What was planned for days from `from` to `to`, what is done or dropped among it: a calendar must strike it out. */
export const plannedBetween = (
  scope: Scope,
  from: LocalDate,
  to: LocalDate,
  siteId: string | null = null,
): Promise<PlannedVisit[]> =>
  within(scope, async (tx) => [
    ...(await tx<PlannedVisit[]>`
      select n.id, n.tree_id as "treeId", t.tag, t.host_id as "hostId", p.name as "siteName",
        jsonb_build_object('label', l.data->>'name', 'method', u->>'method') as put, null as "workId",
        n.planned_for::text as "plannedFor", n.earliest::text, n.latest::text, n.state, n.moves,
        greatest(n.at, ${lastMove(tx)}) as "changedAt"
      from (
        select *
        from treatment_plan
        where company_id = ${scope.companyId} and planned_for between ${from} and ${to} ${ofSite(tx, siteId)}
        order by planned_for, id
        limit 5000) n
      join tree t on t.id = n.tree_id and t.company_id = ${scope.companyId}
      join site p on p.id = t.site_id and p.company_id = ${scope.companyId}
      join label l on l.id = n.label_id
      cross join lateral (
        select x as u
        from jsonb_array_elements(l.data->'uses') x
        where x->>'key' = n.use_key
        limit 1) u
      order by n.planned_for, n.id`),
    ...(await tx<PlannedVisit[]>`
      select n.id, n.tree_id as "treeId", t.tag, t.host_id as "hostId", p.name as "siteName", null as put,
        n.work_id as "workId", n.planned_for::text as "plannedFor",
          coalesce(b.earliest, n.planned_for)::text as earliest,
        coalesce(b.latest, n.planned_for)::text as latest, n.state,
        n.moves
          + (
            select count(*)::int
            from visit_move m
            where m.company_id = n.company_id and m.visit_id = n.visit_id) as moves,
        greatest(n.at, n.moved_at, ${lastMove(tx)}) as "changedAt"
      from (
        select *
        from work_plan
        where company_id = ${scope.companyId} and planned_for between ${from} and ${to} ${ofSite(tx, siteId)}
        order by planned_for, id
        limit 5000) n
      join tree t on t.id = n.tree_id and t.company_id = ${scope.companyId}
      join site p on p.id = t.site_id and p.company_id = ${scope.companyId}
      left join programme_visit b on b.company_id = n.company_id and b.id = n.visit_id
      order by n.planned_for, n.id`),
  ]);

/** How much is open at a place, each thing counted once. */
export interface SiteOpen {
  siteId: string;
  siteName: string;
  /** Plans and works that may be done on the day. */
  plans: number;
  works: number;
  /** Looks and visits due by then. */
  visits: number;
  /** Plans whose time is over. */
  over: number;
}
/**
 * What is open by a day at each place, all of it counted, the most first; nothing is left out of the counts. The place of each
 * thing is looked up by itself: as a join, the database, which cannot know how much a company has open, may walk all its trees.
 */
const openBySite = (tx: Tx, scope: Scope, today: LocalDate) => tx<SiteOpen[]>`
      with o as (
        select tree_id, 1 as plans, 0 as works, 0 as visits, 0 as over
        from treatment_plan
        where company_id = ${scope.companyId} and state = 'open'
          and coalesce(earliest, '-infinity'::date) <= ${today}::date and not (${overOn(tx, today)})
        union all
        select tree_id, 0, 0, 0, 1
        from treatment_plan
        where company_id = ${scope.companyId} and state = 'open'
          and coalesce(earliest, '-infinity'::date) <= ${today}::date and ${overOn(tx, today)}
        union all
        select tree_id, 0, 1, 0, 0
        from work_plan
        where company_id = ${scope.companyId} and state = 'open'
          and coalesce(planned_for, '-infinity'::date) <= ${today}::date
          and id not in (${unsettledWorks(tx, scope.companyId)})
        union all
        select tree_id, 0, 0, 1, 0
        from follow_up
        where company_id = ${scope.companyId} and state = 'open' and due <= ${today}::date),
      at_place as materialized (
        select (select t.site_id from tree t where t.company_id = ${scope.companyId} and t.id = o.tree_id) as site_id,
          sum(o.plans)::int as plans, sum(o.works)::int as works, sum(o.visits)::int as visits, sum(o.over)::int as over,
          count(*) as things
        from o
        group by 1)
      select p.id as "siteId", p.name as "siteName", o.plans, o.works, o.visits, o.over
      from at_place o
      join site p on p.company_id = ${scope.companyId} and p.id = o.site_id
      order by o.things desc, p.name, p.id`;

/**
 * All that waits for a crew, plans and works, in one statement; the soonest where there are more than the limits. With a day
 * comes what is open by it at each place, all of it counted.
 */
export const openVisits = (
  scope: Scope,
  most: OpenAsked = ALL_OPEN,
): Promise<{ plans: OpenPlan[]; works: OpenWork[]; sites: SiteOpen[] }> =>
  within(scope, async (tx) => {
    const sites = most.today ? asList(tx, openBySite(tx, scope, most.today)) : tx`'[]'::json`;
    const works = worksForCrew(
      tx,
      scope,
      tx`
        select *
        from work_plan
        where company_id = ${scope.companyId} and state = 'open' ${ofSite(tx, most.siteId ?? null)}
          and id not in (${unsettledWorks(tx, scope.companyId)})
        order by coalesce(planned_for, '-infinity'::date), at, id
        limit ${most.works}`,
    );
    const [row] = await tx<{ plans: OpenPlan[]; works: OpenWork[]; sites: SiteOpen[] }[]>`
      select ${asList(tx, waitingPlans(tx, scope, most))} as plans, ${asList(tx, works)} as works,
        ${sites} as sites`;
    return { plans: dated(row!.plans), works: row!.works, sites: row!.sites };
  });
