import type { YearProgramme } from '@/core/programmes/schema';
import type { KeptVisit } from '@/core/programmes/changes';
import type { DayReason } from '@/core/programmes/spans';
import type { Stop } from '@/core/programmes/treat';
import type { Said } from '@/core/gates/said';
import type { Sprayed } from '@/core/spray/covers';
import type { LocalDate } from '@/lib/calendar/zone';
import { json, within, type Scope, type Tx } from './db';
import { clockNow } from './clock';

/** A programme that was laid over trees of a place. */
export interface Assignment {
  id: string;
  siteId: string;
  siteName: string;
  timeZone: string;
  programme: YearProgramme;
  from: LocalDate;
  until: LocalDate;
  reason: string;
  said: Said;
  carriedFrom: string | null;
  at: Date;
  byName: string;
  endedOn: LocalDate | null;
  endedBecause: string | null;
}
/** A visit of it on one tree, as it stands: what became of its plan or its look is told with it. */
export interface VisitRow extends KeptVisit {
  treeId: string;
  tag: string;
  hostId: string;
  walkOrder: number;
  kind: 'treat' | 'work' | 'look';
  reasons: DayReason[];
  stop: StopTold | null;
  labelName: string | null;
  /** The plan that carries it out, the newest; for a look, the date among what is due. */
  planId: string | null;
  followUpId: string | null;
  found: boolean | null;
  byHand: string | null;
  /** Why it was left out by hand. */
  because: string | null;
  settled: boolean;
  /** The spray of a visit that is done, for what rain leaves of it. */
  sprayed: Sprayed | null;
  moves: { from: LocalDate; to: LocalDate; reasons: DayReason[] }[];
}
/** Why a step has no day, as it is kept: gates by their id, title and what would satisfy them. */
export type StopTold =
  | Exclude<Stop, { gates: unknown }>
  | {
      why: 'gates' | 'work' | 'holds';
      product: string | null;
      gates: { id: string; title: string; satisfy: string }[];
    };

const assignmentColumns = (tx: Tx) => tx`
  l.id, l.site_id as "siteId", p.name as "siteName", p.time_zone as "timeZone", l.programme,
    l.from_day::text as from,
  l.until_day::text as until, l.reason, l.said, l.carried_from as "carriedFrom", l.at, w.name as "byName",
  l.ended_on::text as "endedOn", l.ended_because as "endedBecause"`;

export const getAssignment = (scope: Scope, id: string): Promise<Assignment | null> =>
  within(scope, async (tx) => {
    const [assignment] = await tx<Assignment[]>`
      select ${assignmentColumns(tx)}
      from programme_assignment l
      join site p on p.id = l.site_id and p.company_id = l.company_id
      join person w on w.id = l.by_person
      where l.company_id = ${scope.companyId} and l.id = ${id}`;
    return assignment ?? null;
  });

/** How a laid programme stands: its visits by what became of them. */
export interface AssignmentHead extends Assignment {
  trees: number;
  open: number;
  done: number;
  waiting: number;
  left: number;
  next: LocalDate | null;
}
/** Laid programmes, those in force first; at one place, or everywhere. */
export const assignmentHeads = (scope: Scope, siteId: string | null, limit = 60): Promise<AssignmentHead[]> =>
  within(scope, async (tx) => [
    ...(await tx<AssignmentHead[]>`
      select ${assignmentColumns(tx)}, v.*
      from (
        select *
        from programme_assignment
        where company_id = ${scope.companyId} ${siteId ? tx`and site_id = ${siteId}` : tx``}
        order by (ended_on is null) desc, at desc
        limit ${limit}) l
      join site p on p.id = l.site_id and p.company_id = l.company_id
      join person w on w.id = l.by_person
      cross join lateral (
        select count(distinct x.tree_id)::int as trees,
          (count(*) filter (where x.now = 'planned'))::int as open,
          (count(*) filter (where x.now = 'done'))::int as done,
          (count(*) filter (where x.now = 'expected'))::int as waiting,
          (count(*) filter (where x.now = 'stopped' and not x.settled))::int as left,
          (min(x.day) filter (where x.now = 'planned'))::text as next
        from (
          select b.tree_id, b.day, b.settled, ${standing(tx)} as now
          from programme_visit b
          ${carriedOut(tx)}
          where b.company_id = l.company_id and b.assignment_id = l.id) x) v
      order by (l.ended_on is null) desc, l.at desc`),
  ]);

/** Trees on which a programme of this key is in force for any of these days, with the day on which that ends. */
export const assignedAlready = (
  scope: Scope,
  key: string,
  treeIds: readonly string[],
  span: { from: LocalDate; until: LocalDate },
) =>
  within(
    scope,
    (tx) => tx<{ treeId: string; tag: string; until: LocalDate }[]>`
      select distinct on (t.id) t.id as "treeId", t.tag, l.until_day::text as until
      from programme_visit b
      join programme_assignment l on l.id = b.assignment_id and l.company_id = b.company_id
      join tree t on t.id = b.tree_id and t.company_id = b.company_id
      where b.company_id = ${scope.companyId} and b.tree_id = any(${[...treeIds]}) and l.ended_on is null
        and l.programme->>'key' = ${key} and l.from_day <= ${span.until} and l.until_day >= ${span.from}
      order by t.id`,
  );

/** The plan, work or date that carries a visit (b) out, the newest of each. */
const carriedOut = (tx: Tx) => tx`
  left join lateral (
    select n.id, n.state, n.label_id, n.use_key
    from treatment_plan n
    where n.company_id = b.company_id and n.visit_id = b.id and b.kind = 'treat'
    order by n.at desc, n.id desc
    limit 1) n on true
  left join lateral (
    select k.id, k.state, k.done_on
    from work_plan k
    where k.company_id = b.company_id and k.visit_id = b.id and b.kind = 'work'
    order by k.at desc, k.id desc
    limit 1) k on true
  left join follow_up f on f.company_id = b.company_id and f.root_id = b.id and f.rule_id = 'programme' and b.kind = 'look'`;
/** What has become of a visit (b). */
const standing = (tx: Tx) => tx`
  case when b.state <> 'planned' then b.state
    else case coalesce(n.state, k.state, f.state) when 'done' then 'done' when 'dropped' then 'off' else 'planned' end
  end`;

/** Every visit of a laid programme, or those of some of its trees, in order of day and walk. */
export const assignedVisits = (
  scope: Scope,
  assignmentId: string,
  treeIds: readonly string[] | null,
): Promise<VisitRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<VisitRow[]>`
      select b.id, b.tree_id as "treeId", t.tag, t.host_id as "hostId", t.walk_order as "walkOrder", b.step, b.year,
        b.nth,
        b.kind, ${standing(tx)} as state, b.state = 'planned' as promised,
        coalesce(r.done_on, k.done_on, b.day)::text as day, b.earliest::text, b.latest::text, b.reasons, b.stop,
          l.key as "labelKey", coalesce(n.use_key, b.use_key) as "useKey",
        l.data->>'name' as "labelName", n.id as "planId", f.id as "followUpId",
        b.found, b.by_hand as "byHand", b.because, b.settled,
        r.sprayed,
        coalesce((
          select jsonb_agg(jsonb_build_object('from', m.from_day, 'to', m.to_day, 'reasons', m.reasons) order by m.at, m.id)
          from visit_move m
          where m.company_id = b.company_id and m.visit_id = b.id), '[]') as moves
      from programme_visit b
      join tree t on t.id = b.tree_id and t.company_id = b.company_id
      ${carriedOut(tx)}
      left join label l on l.id = coalesce(n.label_id, b.label_id) and l.company_id = b.company_id
      left join lateral (
        select r.done_on, jsonb_build_object('doneOn', r.done_on, 'endedAt', r.ended_at, 'use', u) as sprayed
        from record r
        cross join lateral jsonb_array_elements(l.data->'uses') u
        where r.company_id = b.company_id and r.plan_id = n.id and r.latest and not r.withdrawn
          and u->>'key' = n.use_key
        limit 1) r on n.state = 'done'
      where b.company_id = ${scope.companyId} and b.assignment_id = ${assignmentId}
        ${treeIds ? tx`and b.tree_id = any(${[...treeIds]})` : tx``}
      order by b.day, t.walk_order, t.id, b.id`),
  ]);

/** A visit of a programme as a page about its tree tells it. */
export interface TreeVisit {
  id: string;
  assignmentId: string;
  programme: string;
  step: string;
  nth: number;
  kind: VisitRow['kind'];
  state: VisitRow['state'];
  day: LocalDate;
  found: boolean | null;
  planId: string | null;
}
/** Visits of the programmes in force on a tree that are still to come, and those that were done, in order of day. */
export const visitsOnTree = (scope: Scope, treeId: string): Promise<TreeVisit[]> =>
  within(scope, async (tx) => [
    ...(await tx<TreeVisit[]>`
      select x.id, x."assignmentId", x.programme, x.step, x.nth, x.kind, x.state, x.day, x.found, x."planId"
      from (
        select b.id, l.id as "assignmentId", l.programme->>'name' as programme, b.nth, b.kind, ${standing(tx)} as state,
          b.day::text as day, b.found, n.id as "planId",
          (select s->>'name' from jsonb_array_elements(l.programme->'steps') s where s->>'key' = b.step) as step
        from programme_visit b
        join programme_assignment l on l.id = b.assignment_id and l.company_id = b.company_id and l.ended_on is null
        ${carriedOut(tx)}
        where b.company_id = ${scope.companyId} and b.tree_id = ${treeId}
        order by b.day, b.id
        limit 200) x
      where x.state <> 'off'
      order by x.day, x.id`),
  ]);

export const insertAssignment = (
  scope: Scope,
  assignment: Pick<Assignment, 'id' | 'siteId' | 'programme' | 'from' | 'until' | 'reason' | 'said' | 'carriedFrom'>,
) =>
  within(
    scope,
    (tx) => tx`
      insert into programme_assignment (
        id, company_id, site_id, programme, from_day, until_day, reason, said, carried_from, by_person)
      values (
        ${assignment.id}, ${scope.companyId}, ${assignment.siteId}, ${json(tx, assignment.programme)}, ${assignment.from}, ${assignment.until},
        ${assignment.reason}, ${json(tx, assignment.said)}, ${assignment.carriedFrom}, ${scope.personId})
      on conflict (id) do nothing`,
  );

/** A visit as it is written down. */
export interface VisitWritten {
  id: string;
  assignmentId: string;
  treeId: string;
  step: string;
  year: number;
  nth: number;
  kind: VisitRow['kind'];
  state: 'expected' | 'stopped' | 'planned' | 'off';
  day: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  reasons: DayReason[];
  /** Why somebody moved it by hand. */
  byHand: string | null;
  stop: StopTold | null;
  labelId: string | null;
  useKey: string | null;
}
/** Writes visits down, many in one statement; one that stands already takes the new state and day. */
export const writeVisits = (scope: Scope, visits: readonly VisitWritten[]) =>
  within(scope, async (tx) => {
    for (let i = 0; i < visits.length; i += 500) {
      const rows = visits.slice(i, i + 500).map((v) => ({
        id: v.id,
        company_id: scope.companyId,
        assignment_id: v.assignmentId,
        tree_id: v.treeId,
        step: v.step,
        year: v.year,
        nth: v.nth,
        kind: v.kind,
        state: v.state,
        day: v.day,
        earliest: v.earliest,
        latest: v.latest,
        reasons: json(tx, v.reasons),
        by_hand: v.byHand,
        stop: v.stop === null ? null : json(tx, v.stop),
        label_id: v.labelId,
        use_key: v.useKey,
      }));
      await tx`
        insert into programme_visit ${tx(rows as never)}
        on conflict (id) do update
        set state = excluded.state, day = excluded.day, earliest = excluded.earliest, latest = excluded.latest,
          reasons = excluded.reasons, by_hand = excluded.by_hand, stop = excluded.stop, label_id = excluded.label_id,
          use_key = excluded.use_key`;
    }
  });

/** A visit moves: its plan, work or date with it, and why is kept. */
export const moveVisit = (
  scope: Scope,
  move: {
    id: string;
    visitId: string;
    from: LocalDate;
    to: LocalDate;
    earliest: LocalDate;
    latest: LocalDate;
    reasons: DayReason[];
    /** Why somebody moved it by hand; null where the season did. */
    byHand: string | null;
  },
) =>
  within(scope, async (tx) => {
    const { visitId, to, earliest, latest } = move;
    await tx`
      update programme_visit
      set day = ${to}, earliest = ${earliest}, latest = ${latest}, reasons = ${json(tx, move.reasons)},
        by_hand = ${move.byHand}
      where company_id = ${scope.companyId} and id = ${visitId}`;
    await tx`
      update treatment_plan
      set planned_for = ${to}, earliest = ${earliest}, latest = ${latest}, moves = moves + 1
      where company_id = ${scope.companyId} and visit_id = ${visitId} and state = 'open'`;
    await tx`
      update work_plan
      set planned_for = ${to}
      where company_id = ${scope.companyId} and visit_id = ${visitId} and state = 'open'`;
    await tx`
      update follow_up
      set due = ${to}, earliest = ${earliest}, latest = ${latest}
      where company_id = ${scope.companyId} and root_id = ${visitId} and rule_id = 'programme' and state = 'open'`;
    await tx`
      insert into visit_move (id, company_id, visit_id, from_day, to_day, reasons, by_person)
      values (
        ${move.id}, ${scope.companyId}, ${visitId}, ${move.from}, ${to}, ${json(tx, move.reasons)}, ${scope.personId})`;
  });

/** What carried visits out is dropped; what is done stays done. */
export const dropCarried = (scope: Scope, visitIds: readonly string[]) =>
  within(scope, async (tx) => {
    const ids = [...visitIds];
    await tx`
      update treatment_plan
      set state = 'dropped'
      where company_id = ${scope.companyId} and visit_id = any(${ids}) and state = 'open'`;
    await tx`
      update work_plan
      set state = 'dropped'
      where company_id = ${scope.companyId} and visit_id = any(${ids}) and state = 'open'`;
    await tx`
      update follow_up
      set state = 'dropped', settled_at = clock_now(), settled_by = ${scope.personId}
      where company_id = ${scope.companyId} and root_id = any(${ids}) and rule_id = 'programme' and state = 'open'`;
  });

/** Visits that are left out say why; what carried them out is dropped. */
export const leaveOut = (scope: Scope, visitIds: readonly string[], because: string) =>
  within(scope, async (tx) => {
    await tx`
      update programme_visit
      set because = ${because}
      where company_id = ${scope.companyId} and id = any(${[...visitIds]})`;
    await dropCarried(scope, visitIds);
  });

/** A look of a programme as a date among what is due. */
export const insertInspectionsDue = (
  scope: Scope,
  looks: readonly {
    id: string;
    visitId: string;
    treeId: string;
    what: string;
    reason: string;
    due: LocalDate;
    earliest: LocalDate;
    latest: LocalDate;
  }[],
) =>
  within(scope, async (tx) => {
    for (let i = 0; i < looks.length; i += 500) {
      const rows = looks.slice(i, i + 500).map((l) => ({
        id: l.id,
        company_id: scope.companyId,
        tree_id: l.treeId,
        root_id: l.visitId,
        rule_id: 'programme',
        kind: 'look',
        what: l.what,
        reason: l.reason,
        due: l.due,
        earliest: l.earliest,
        latest: l.latest,
      }));
      await tx`
        insert into follow_up ${tx(rows as never)}
        on conflict (company_id, root_id, rule_id) do update
        set state = 'open', settled_at = null, settled_by = null, due = excluded.due, earliest = excluded.earliest,
          latest = excluded.latest`;
    }
  });

/** What looks found, and that they were made; an answer that is taken back opens them again. */
export const answerInspections = (
  scope: Scope,
  visitIds: readonly string[],
  found: boolean | null,
  made = found !== null,
) =>
  within(scope, async (tx) => {
    const ids = [...visitIds];
    await tx`update programme_visit set found = ${found} where company_id = ${scope.companyId} and id = any(${ids})`;
    await tx`
      update follow_up
      set state = ${made ? 'done' : 'open'}, settled_at = ${made ? clockNow() : null},
        settled_by = ${made ? scope.personId : null}
      where company_id = ${scope.companyId} and root_id = any(${ids}) and rule_id = 'programme'`;
  });

/** The laid programme and the tree of visits; what this company has not got is left out. */
export const visitsNamed = (scope: Scope, ids: readonly string[]) =>
  within(
    scope,
    (tx) => tx<{ id: string; assignmentId: string; treeId: string; step: string; kind: VisitRow['kind'] }[]>`
      select id, assignment_id as "assignmentId", tree_id as "treeId", step, kind
      from programme_visit
      where company_id = ${scope.companyId} and id = any(${[...ids]})`,
  );

/** Looks of programmes on a tree that are open on a day, with the laid programme of each. */
export const openInspections = (scope: Scope, treeIds: readonly string[], today: LocalDate) =>
  within(
    scope,
    (tx) => tx<{ id: string; assignmentId: string; treeId: string; step: string; programme: YearProgramme }[]>`
      select b.id, b.assignment_id as "assignmentId", b.tree_id as "treeId", b.step, l.programme
      from programme_visit b
      join programme_assignment l on l.id = b.assignment_id and l.company_id = b.company_id and l.ended_on is null
      join follow_up f on f.company_id = b.company_id and f.root_id = b.id and f.rule_id = 'programme' and f.state = 'open'
      where b.company_id = ${scope.companyId} and b.tree_id = any(${[...treeIds]}) and b.kind = 'look'
        and b.earliest <= ${today}`,
  );

/** The laid programme behind a plan or a work; null where none is. */
export const assignmentBehind = (scope: Scope, of: { planId: string } | { workPlanId: string }) =>
  within(scope, async (tx) => {
    const [found] = await tx<{ assignmentId: string; treeId: string }[]>`
      select b.assignment_id as "assignmentId", b.tree_id as "treeId"
      from programme_visit b
      join programme_assignment l on l.id = b.assignment_id and l.company_id = b.company_id and l.ended_on is null
      where b.company_id = ${scope.companyId} and b.id = (
        ${
          'planId' in of
            ? tx`select visit_id from treatment_plan where company_id = ${scope.companyId} and id = ${of.planId}`
            : tx`select visit_id from work_plan where company_id = ${scope.companyId} and id = ${of.workPlanId}`
        })`;
    return found ?? null;
  });

/** Why to go on in spite of what only holds, for all trees of a laid programme. */
export const reasonFor = (scope: Scope, id: string, reason: string) =>
  within(
    scope,
    (tx) => tx`update programme_assignment set reason = ${reason} where company_id = ${scope.companyId} and id = ${id}`,
  );

/** Nothing more is planned from a laid programme; false where it was ended before. */
export const endAssignmentRow = (scope: Scope, id: string, on: LocalDate, because: string): Promise<boolean> =>
  within(scope, async (tx) => {
    const { count } = await tx`
      update programme_assignment
      set ended_on = ${on}, ended_because = ${because}
      where company_id = ${scope.companyId} and id = ${id} and ended_on is null`;
    return count > 0;
  });

/** Somebody has dealt with what was left out. */
export const settleSkipped = (scope: Scope, visitIds: readonly string[], settled: boolean) =>
  within(
    scope,
    (tx) => tx`
      update programme_visit
      set settled = ${settled}
      where company_id = ${scope.companyId} and id = any(${[...visitIds]}) and state = 'stopped'`,
  );

/** A company's own programmes, each as it was last kept. */
export const ownProgrammes = (scope: Scope): Promise<{ programme: YearProgramme; version: number; byName: string }[]> =>
  within(scope, async (tx) => [
    ...(await tx<{ programme: YearProgramme; version: number; byName: string }[]>`
      select e.data as programme, e.version, w.name as "byName"
      from (
        select distinct on (key) key, version, data, by_person
        from knowledge_entry
        where company_id = ${scope.companyId} and kind = 'programme'
        order by key, version desc) e
      join person w on w.id = e.by_person
      where not e.data ? 'retired'
      order by e.key`),
  ]);
