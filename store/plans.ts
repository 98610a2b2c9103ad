import type { ApplicationRecord } from '@/core/book/record';
import type { Device } from '@/core/label/methods';
import type { Label } from '@/core/label/schema';
import type { Told, VolumeUnit } from '@/core/units/units';
import type { FollowUp } from '@/core/season/follow-ups';
import type { Priced } from '@/core/prescribe/costs';
import type { Choices } from '@/core/prescribe/situation';
import type { Prescription } from '@/core/prescribe/prescribe';
import type { Visit } from '@/core/prescribe/when';
import type { Day } from '@/core/season/follow-ups';
import type { Programme } from '@/core/season/programme';
import type { Answers, WorkSheet } from '@/core/work/work';
import { asList, dated, json, within, type Scope, type Tx } from './db';
import { ofPlace } from './follow-ups';
import { lastLeft, type LastLeft } from './day';
import { soldAt } from './proposals';

/** How plans and sheets are written down: 1 in the units of whoever planned, 2 in both systems. */
const DOCUMENT = 2;
/** What is kept in both systems of units, as this reader reads it; a document of before has but one. */
export const inReadersUnits = (tx: Tx, metric: Piece, us: Piece) =>
  tx`case when (select reader_reads_us()) then coalesce(${us}, ${metric}) else ${metric} end`;
type Piece = ReturnType<Tx>;

export interface Plan {
  id: string;
  treeId: string;
  tag: string;
  placeId: string;
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
  plannedFor: Day | null;
  earliest: Day | null;
  latest: Day | null;
  /** The visit of a programme that it carries out. */
  visitId: string | null;
}

/** Plans by their ids, in no order; what this outfit has not got is left out. */
export const getPlans = (scope: Scope, ids: readonly string[]): Promise<Plan[]> =>
  within(scope, async (tx) => [
    ...(await tx<Plan[]>`
      select n.id, n.tree_id as "treeId", t.tag, t.place_id as "placeId", n.label_id as "labelId", l.data as label,
        n.use_key as "useKey", n.condition_id as "conditionId", n.facts as choices, ${inReadersUnits(tx, tx`n.result`, tx`n.result_us`)} as result, n.released, n.state, n.at,
        p.name as "byName", n.planned_for::text as "plannedFor", n.earliest::text, n.latest::text, n.visit_id as "visitId"
      from plan n
      join label l on l.id = n.label_id
      join tree t on t.id = n.tree_id
      join person p on p.id = n.by_person
      where n.outfit_id = ${scope.outfitId} and n.id = any(${[...ids]})`),
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
      update plan n
      set planned_for = m.day, earliest = m.earliest, latest = m.latest, released = n.released || m.released::jsonb,
        moves = moves + 1
      from unnest(
        ${moves.map((m) => m.planId)}::uuid[], ${moves.map((m) => m.visit.plannedFor)}::date[],
        ${moves.map((m) => m.visit.earliest)}::date[], ${moves.map((m) => m.visit.latest)}::date[],
        ${moves.map((m) => JSON.stringify(m.released))}::text[]) as m (id, day, earliest, latest, released)
      where n.outfit_id = ${scope.outfitId} and n.id = m.id and n.state = 'open' and n.visit_id is null`,
  );

/** Plans of their own that are open at a place. */
export const ownPlansAt = (scope: Scope, placeId: string): Promise<string[]> =>
  within(scope, async (tx) =>
    (
      await tx<{ id: string }[]>`
        select n.id
        from plan n
        where n.outfit_id = ${scope.outfitId} and n.tree_id = any(array(select id from tree where place_id = ${placeId}))
          and n.state = 'open' and n.visit_id is null
        limit 5000`
    ).map((r) => r.id),
  );

/** Plans of their own at a place that wait for a day after `today` and stand in no round, the soonest first. */
export const aheadOfOwn = (scope: Scope, placeId: string, today: Day, limit: number): Promise<string[]> =>
  within(scope, async (tx) =>
    (
      await tx<{ id: string }[]>`
        select n.id
        from plan n
        where n.outfit_id = ${scope.outfitId} and n.tree_id = any(array(select id from tree where place_id = ${placeId}))
          and n.state = 'open' and n.visit_id is null and n.planned_for > ${today}
          and not exists (select from round_item i where i.outfit_id = n.outfit_id and i.item_id = n.id)
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
  if ((await tx`select from plan where id = ${plan.id}`).length) return;
  // A product is one product, whatever version of its label a plan was made from.
  await tx`
    update plan n
    set state = 'dropped'
    from label own, label other
    where n.outfit_id = ${scope.outfitId} and n.tree_id = ${plan.treeId} and n.state = 'open'
      and n.visit_id is null
      and own.id = ${plan.labelId} and other.id = n.label_id and other.key = own.key`;
  await tx`
    insert into plan (
      id, outfit_id, tree_id, label_id, use_key, condition_id,
      facts, document, result, result_us, released, price, planned_for, earliest, latest, by_person)
    values (
      ${plan.id}, ${scope.outfitId}, ${plan.treeId}, ${plan.labelId}, ${plan.useKey}, ${plan.conditionId},
      ${json(tx, plan.choices)}, ${DOCUMENT}, ${json(tx, plan.result.metric)}, ${json(tx, plan.result.us)}, ${json(tx, plan.released)}, ${json(tx, plan.price)},
      ${plan.visit?.plannedFor ?? null}, ${plan.visit?.earliest ?? null}, ${plan.visit?.latest ?? null}, ${scope.personId})`;
}

/** Opens the plans of new visits of a programme, many in one statement: there is nothing that they could take the place of. */
export const insertLaidPlans = (scope: Scope, plans: readonly (NewPlan & { visitId: string })[]) =>
  within(scope, async (tx) => {
    for (let i = 0; i < plans.length; i += 100) {
      const rows = plans.slice(i, i + 100).map((plan) => ({
        id: plan.id,
        outfit_id: scope.outfitId,
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
        visit_id: plan.visitId,
        by_person: scope.personId,
      }));
      await tx`insert into plan ${tx(rows as never)}`;
    }
  });

export const setPlanState = (scope: Scope, id: string, from: 'open' | 'dropped', to: 'open' | 'dropped') =>
  within(scope, (tx) => tx`update plan set state = ${to} where id = ${id} and state = ${from}`);

/** The same for many at once; those of a programme's visits are left to the programme. */
export const setPlanStates = (scope: Scope, ids: readonly string[], from: 'open' | 'dropped', to: 'open' | 'dropped') =>
  within(
    scope,
    (tx) => tx`
      update plan
      set state = ${to}
      where outfit_id = ${scope.outfitId} and id = any(${[...ids]}) and state = ${from} and visit_id is null`,
  );

/** Whether the newest word on a tree (t) is that it is sound and only protected. */
export const sound = (tx: Tx) =>
  tx`coalesce((
    select v.decision = 'protect a sound tree'
    from verdict v
    where v.outfit_id = t.outfit_id and v.tree_id = t.id
    order by v.at desc, v.id desc
    limit 1), false)`;

export interface OpenPlan {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  placeId: string;
  placeName: string;
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
  plannedFor: Day | null;
  earliest: Day | null;
  latest: Day | null;
  /** The programme whose visit it carries out; null where it stands for itself. */
  laidId: string | null;
  /** The client has taken it. */
  sold: boolean;
}
/** What was sold of the waiting rows (n) with their trees (t). */
const soldOf = (tx: Tx, scope: Scope) => tx`
  sold as (${soldAt(tx, scope.outfitId, tx`array(select distinct place_id from n)`)})`;
const isSold = (tx: Tx) => tx`coalesce(n.visit_id, n.id) in (select id from sold) as sold`;

/** Some plans (x) as a crew needs them, by place and walking order. */
const forCrew = (tx: Tx, scope: Scope, x: ReturnType<Tx>) => tx<OpenPlan[]>`
      with n as (
        select x.*, t.place_id
        from (${x}) x
        join tree t on t.id = x.tree_id and t.outfit_id = x.outfit_id),
      ${soldOf(tx, scope)}
      select n.id, n.tree_id as "treeId", t.tag, t.host_id as "hostId", p.id as "placeId", p.name as "placeName",
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
        (select b.laid_id from laid_visit b where b.outfit_id = n.outfit_id and b.id = n.visit_id) as "laidId",
        ${isSold(tx)}
      from n
      join tree t on t.id = n.tree_id and t.outfit_id = n.outfit_id
      join place p on p.id = t.place_id and p.outfit_id = n.outfit_id
      join label l on l.id = n.label_id
      cross join lateral (
        select x as u
        from jsonb_array_elements(l.data->'uses') x
        where x->>'key' = n.use_key
        limit 1) u
      order by p.name, t.walk_order, t.id, n.planned_for nulls first, n.id`;

/** Plans that wait for a crew; the soonest where there are more than the limit. */
const waitingPlans = (tx: Tx, scope: Scope, limit: number) =>
  forCrew(
    tx,
    scope,
    tx`
      select *
      from plan
      where outfit_id = ${scope.outfitId} and state = 'open'
      order by coalesce(earliest, '-infinity'::date), at, id
      limit ${limit}`,
  );
export const openPlans = (scope: Scope, limit = 300): Promise<OpenPlan[]> =>
  within(scope, async (tx) => [...(await waitingPlans(tx, scope, limit))]);
/** Plans by their ids, whatever became of them; what this outfit has not got is left out. */
export const plansNamed = (scope: Scope, ids: readonly string[]): Promise<OpenPlan[]> =>
  within(scope, async (tx) => [
    ...(await forCrew(tx, scope, tx`select * from plan where outfit_id = ${scope.outfitId} and id = any(${[...ids]})`)),
  ]);

/** A plan or a work for a day of its own, as a calendar follows it. */
export interface PlannedVisit {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  placeName: string;
  /** What is put on, and how; null for a work. */
  put: { label: string; method: ApplicationRecord['method'] } | null;
  /** The work; null where something is put on. */
  workId: string | null;
  plannedFor: Day;
  earliest: Day;
  latest: Day;
  state: 'open' | 'done' | 'dropped';
  /** How often it was moved, and when it was planned or last moved. */
  moves: number;
  changedAt: Date;
}
/** When the visit that a plan or work (n) carries out was last moved. */
const lastMove = (tx: Tx) => tx`
  (select max(m.at) from visit_move m where m.outfit_id = n.outfit_id and m.visit_id = n.visit_id)`;
/** What was planned for days from `from` to `to`, what is done or dropped among it: a calendar must strike it out. */
export const plannedBetween = (
  scope: Scope,
  from: Day,
  to: Day,
  placeId: string | null = null,
): Promise<PlannedVisit[]> =>
  within(scope, async (tx) => [
    ...(await tx<PlannedVisit[]>`
      select n.id, n.tree_id as "treeId", t.tag, t.host_id as "hostId", p.name as "placeName",
        jsonb_build_object('label', l.data->>'name', 'method', u->>'method') as put, null as "workId",
        n.planned_for::text as "plannedFor", n.earliest::text, n.latest::text, n.state, n.moves,
        greatest(n.at, ${lastMove(tx)}) as "changedAt"
      from (
        select *
        from plan
        where outfit_id = ${scope.outfitId} and planned_for between ${from} and ${to} ${ofPlace(tx, placeId)}
        order by planned_for, id
        limit 5000) n
      join tree t on t.id = n.tree_id and t.outfit_id = n.outfit_id
      join place p on p.id = t.place_id and p.outfit_id = n.outfit_id
      join label l on l.id = n.label_id
      cross join lateral (
        select x as u
        from jsonb_array_elements(l.data->'uses') x
        where x->>'key' = n.use_key
        limit 1) u
      order by n.planned_for, n.id`),
    ...(await tx<PlannedVisit[]>`
      select n.id, n.tree_id as "treeId", t.tag, t.host_id as "hostId", p.name as "placeName", null as put,
        n.work_id as "workId", n.planned_for::text as "plannedFor", coalesce(b.earliest, n.planned_for)::text as earliest,
        coalesce(b.latest, n.planned_for)::text as latest, n.state,
        n.moves
          + (select count(*)::int from visit_move m where m.outfit_id = n.outfit_id and m.visit_id = n.visit_id) as moves,
        greatest(n.at, n.moved_at, ${lastMove(tx)}) as "changedAt"
      from (
        select *
        from work_plan
        where outfit_id = ${scope.outfitId} and planned_for between ${from} and ${to} ${ofPlace(tx, placeId)}
        order by planned_for, id
        limit 5000) n
      join tree t on t.id = n.tree_id and t.outfit_id = n.outfit_id
      join place p on p.id = t.place_id and p.outfit_id = n.outfit_id
      left join laid_visit b on b.outfit_id = n.outfit_id and b.id = n.visit_id
      order by n.planned_for, n.id`),
  ]);

/** A work without a label, planned for a tree. */
export interface WorkPlan {
  id: string;
  workId: string;
  conditionId: string | null;
  answers: Answers;
  sheet: WorkSheet;
  state: 'open' | 'done' | 'dropped';
  at: Date;
  byName: string;
  doneOn: string | null;
  note: string;
  price: Priced | null;
  plannedFor: Day | null;
  /** It carries out a visit of a programme that is laid over the tree. */
  laid: boolean;
}

export interface NewWork {
  id: string;
  treeId: string;
  workId: string;
  conditionId: string | null;
  answers: Answers;
  sheet: Told<WorkSheet>;
  released: Record<string, string>;
  price: Priced;
  /** Null for what may be done at once. */
  plannedFor: Day | null;
  /** The visit of a programme that it carries out; null where it stands for itself. */
  visitId: string | null;
}
const insertWorks = (tx: Tx, scope: Scope, works: readonly NewWork[]) =>
  tx`insert into work_plan ${tx(
    works.map((w) => ({
      id: w.id,
      outfit_id: scope.outfitId,
      tree_id: w.treeId,
      work_id: w.workId,
      condition_id: w.conditionId,
      answers: json(tx, w.answers),
      document: DOCUMENT,
      sheet: json(tx, w.sheet.metric),
      sheet_us: json(tx, w.sheet.us),
      released: json(tx, w.released),
      price: json(tx, w.price),
      planned_for: w.plannedFor,
      visit_id: w.visitId,
      by_person: scope.personId,
    })) as never,
  )}`;

/** Opens works for trees; an open one of the same kind on the same tree gives way, but for the visits of a programme. */
export const addWorkPlans = (
  scope: Scope,
  works: readonly NewWork[],
  programme: { rows: readonly { id: string; treeId: string }[]; as: Programme } | null = null,
) =>
  within(scope, async (tx) => {
    for (const w of works) {
      if ((await tx`select from work_plan where id = ${w.id}`).length) continue;
      await tx`
        update work_plan
        set state = 'dropped'
        where outfit_id = ${scope.outfitId} and tree_id = ${w.treeId} and work_id = ${w.workId} and state = 'open'
          and visit_id is null`;
      await insertWorks(tx, scope, [w]);
    }
    if (programme) await insertProgramme(tx, scope, programme.rows, programme.as);
  });
/** Opens the works of new visits of a programme, many in one statement. */
export const insertLaidWorks = (scope: Scope, works: readonly NewWork[]) =>
  within(scope, async (tx) => {
    for (let i = 0; i < works.length; i += 100) await insertWorks(tx, scope, works.slice(i, i + 100));
  });

/** Carries a work out or drops it; what follows from it is set in the same transaction. */
export const settleWork = (
  scope: Scope,
  w: { id: string; state: 'done' | 'dropped'; doneOn: string | null; note: string },
  followUpId: () => string,
  followUps: readonly FollowUp[],
): Promise<boolean> =>
  within(scope, async (tx) => {
    const [row] = await tx<{ tree_id: string }[]>`
      update work_plan
      set state = ${w.state}, done_on = ${w.doneOn}, note = ${w.note},
        done_by = ${w.state === 'done' ? scope.personId : null}
      where id = ${w.id} and state = 'open'
      returning tree_id`;
    if (!row) return false;
    for (const followUp of followUps)
      await tx`
        insert into follow_up (
          id, outfit_id, tree_id, root_id, rule_id, kind, what, reason,
          only_if, due, earliest, latest)
        values (
          ${followUpId()}, ${scope.outfitId}, ${row.tree_id}, ${w.id}, ${followUp.ruleId}, ${followUp.kind}, ${followUp.what}, ${followUp.reason},
          ${followUp.onlyIf ?? null}, ${followUp.due}, ${followUp.earliest}, ${followUp.latest})
        on conflict do nothing`;
    return true;
  });

/** A work that is asked for by its id. */
export type NamedWork = Pick<WorkPlan, 'id' | 'workId' | 'answers' | 'sheet' | 'state' | 'plannedFor'> & {
  treeId: string;
  visitId: string | null;
};
/** Works by their ids, in no order; what this outfit has not got is left out. */
export const getWorkPlans = (scope: Scope, ids: readonly string[]): Promise<NamedWork[]> =>
  within(scope, async (tx) => [
    ...(await tx<NamedWork[]>`
      select id, tree_id as "treeId", work_id as "workId", answers,
        ${inReadersUnits(tx, tx`sheet`, tx`sheet_us`)} as sheet, state, planned_for::text as "plannedFor", visit_id as "visitId"
      from work_plan
      where outfit_id = ${scope.outfitId} and id = any(${[...ids]})`),
  ]);
export const getWorkPlan = async (scope: Scope, id: string): Promise<NamedWork | null> =>
  (await getWorkPlans(scope, [id]))[0] ?? null;

/** Works of their own that wait are for another day, with the sheet of that day and what was gone on in spite of. */
export const moveWorksTo = (
  scope: Scope,
  moves: readonly { id: string; plannedFor: Day | null; sheet: Told<WorkSheet>; released: Record<string, string> }[],
) =>
  within(
    scope,
    (tx) => tx`
      update work_plan w
      set planned_for = m.day, document = ${DOCUMENT}, sheet = m.sheet::jsonb, sheet_us = m.us::jsonb,
        released = w.released || m.released::jsonb, moves = moves + 1, moved_at = now()
      from unnest(
        ${moves.map((m) => m.id)}::uuid[], ${moves.map((m) => m.plannedFor)}::date[],
        ${moves.map((m) => JSON.stringify(m.sheet.metric))}::text[], ${moves.map((m) => JSON.stringify(m.sheet.us))}::text[],
        ${moves.map((m) => JSON.stringify(m.released))}::text[]) as m (id, day, sheet, us, released)
      where w.outfit_id = ${scope.outfitId} and w.id = m.id and w.state = 'open' and w.visit_id is null`,
  );

export interface OpenWork {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  placeId: string;
  placeName: string;
  workId: string;
  sheet: WorkSheet;
  sound: boolean;
  state: 'open' | 'done' | 'dropped';
  /** When a crew last came to it and did not do it, and why; null: never. */
  left: LastLeft | null;
  /** The day it is planned for; null for what may be done at once. */
  plannedFor: Day | null;
  /** The client has taken it. */
  sold: boolean;
}
/** Some works (x) as a crew needs them, by place and walking order. */
const worksForCrew = (tx: Tx, scope: Scope, x: ReturnType<Tx>) => tx<OpenWork[]>`
      with n as (
        select x.*, t.place_id
        from (${x}) x
        join tree t on t.id = x.tree_id and t.outfit_id = x.outfit_id),
      ${soldOf(tx, scope)}
      select n.id, n.tree_id as "treeId", t.tag, t.host_id as "hostId", p.id as "placeId", p.name as "placeName",
        n.work_id as "workId", ${inReadersUnits(tx, tx`n.sheet`, tx`n.sheet_us`)} as sheet, ${sound(tx)} as sound, n.state, ${lastLeft(tx)} as left,
        n.planned_for::text as "plannedFor", ${isSold(tx)}
      from n
      join tree t on t.id = n.tree_id and t.outfit_id = n.outfit_id
      join place p on p.id = t.place_id and p.outfit_id = n.outfit_id
      order by p.name, t.walk_order, t.id`;

/** All that waits for a crew, plans and works, in one statement; the soonest where there are more than the limits. */
export const openVisits = (
  scope: Scope,
  most = { plans: 300, works: 300 },
): Promise<{ plans: OpenPlan[]; works: OpenWork[] }> =>
  within(scope, async (tx) => {
    const works = worksForCrew(
      tx,
      scope,
      tx`
        select *
        from work_plan
        where outfit_id = ${scope.outfitId} and state = 'open'
        order by coalesce(planned_for, '-infinity'::date), at, id
        limit ${most.works}`,
    );
    const [row] = await tx<{ plans: OpenPlan[]; works: OpenWork[] }[]>`
      select ${asList(tx, waitingPlans(tx, scope, most.plans))} as plans, ${asList(tx, works)} as works`;
    return { plans: dated(row!.plans), works: row!.works };
  });
/** Works by their ids, whatever became of them. */
export const worksNamed = (scope: Scope, ids: readonly string[]): Promise<OpenWork[]> =>
  within(scope, async (tx) => [
    ...(await worksForCrew(
      tx,
      scope,
      tx`select * from work_plan where outfit_id = ${scope.outfitId} and id = any(${[...ids]})`,
    )),
  ]);

export const programmeOf = (scope: Scope, treeId: string): Promise<Programme | null> =>
  within(scope, async (tx) => {
    const [newest] = await tx<Programme[]>`
      select school, every_years as "everyYears", years
      from programme
      where outfit_id = ${scope.outfitId} and tree_id = ${treeId}
      order by at desc, id desc
      limit 1`;
    return newest ?? null;
  });

/** Sets the programme of trees; sent twice, it lands once. */
export async function insertProgramme(
  tx: Tx,
  scope: Scope,
  rows: readonly { id: string; treeId: string }[],
  programme: Programme,
) {
  for (const r of rows)
    await tx`insert into programme (id, outfit_id, tree_id, school, every_years, years, by_person)
      values (${r.id}, ${scope.outfitId}, ${r.treeId}, ${programme.school}, ${programme.everyYears}, ${programme.years}, ${scope.personId}) on conflict (id) do nothing`;
}
export const setProgramme = (scope: Scope, rows: readonly { id: string; treeId: string }[], p: Programme) =>
  within(scope, (tx) => insertProgramme(tx, scope, rows, p));
