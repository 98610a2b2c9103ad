import type { Told } from '@/lib/units/units';
import type { Priced } from '@/core/prescribe/costs';
import type { LocalDate } from '@/lib/calendar/zone';
import type { FollowUp } from '@/core/season/follow-ups';
import type { Programme } from '@/core/season/programme';
import type { Answers, WorkSheet } from '@/core/work/work';
import { likeWords, type RecordFilter } from './records';
import { json, within, type Scope, type Tx } from './db';
import { insertProgramme } from './programme';
import { lastLeft, type LastLeft } from './day';
import { DOCUMENT, inReadersUnits, isAccepted, acceptedOf, sound, treeOfEach } from './plan-parts';
import { unsettledWorks } from './unsettled';

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
  doneOn: LocalDate | null;
  /** How long it took; null where nobody said. */
  minutes: number | null;
  note: string;
  price: Priced | null;
  plannedFor: LocalDate | null;
  /** It carries out a visit of a programme that is laid over the tree. */
  assignment: boolean;
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
  plannedFor: LocalDate | null;
  /** The visit of a programme that it carries out; null where it stands for itself. */
  visitId: string | null;
}
const insertWorks = (tx: Tx, scope: Scope, works: readonly NewWork[]) =>
  tx`insert into work_plan ${tx(
    works.map((w) => ({
      id: w.id,
      company_id: scope.companyId,
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
        where company_id = ${scope.companyId} and tree_id = ${w.treeId} and work_id = ${w.workId} and state = 'open'
          and visit_id is null`;
      await insertWorks(tx, scope, [w]);
    }
    if (programme) await insertProgramme(tx, scope, programme.rows, programme.as);
  });
/** Opens the works of new visits of a programme, many in one statement. */
export const insertAssignedWorks = (scope: Scope, works: readonly NewWork[]) =>
  within(scope, async (tx) => {
    for (let i = 0; i < works.length; i += 100) await insertWorks(tx, scope, works.slice(i, i + 100));
  });

/** Carries a work out or drops it; what follows from it is set in the same transaction. */
export const settleWork = (
  scope: Scope,
  w: {
    id: string;
    state: 'done' | 'dropped';
    doneOn: LocalDate | null;
    doneAt: Date | null;
    minutes: number | null;
    note: string;
  },
  followUpId: () => string,
  followUps: readonly FollowUp[],
): Promise<boolean> =>
  within(scope, async (tx) => {
    const [row] = await tx<{ tree_id: string }[]>`
      update work_plan
      set state = ${w.state}, done_on = ${w.doneOn}, done_at = ${w.doneAt}, minutes = ${w.minutes}, note = ${w.note},
        done_by = ${w.state === 'done' ? scope.personId : null}
      where id = ${w.id} and state = 'open'
      returning tree_id`;
    if (!row) return false;
    for (const followUp of followUps)
      await tx`
        insert into follow_up (
          id, company_id, tree_id, root_id, rule_id, kind, what, reason,
          only_if, due, earliest, latest)
        values (
          ${followUpId()}, ${scope.companyId}, ${row.tree_id}, ${w.id}, ${followUp.ruleId}, ${followUp.kind},
            ${followUp.what}, ${followUp.reason},
          ${followUp.onlyIf ?? null}, ${followUp.due}, ${followUp.earliest}, ${followUp.latest})
        on conflict do nothing`;
    return true;
  });

/** A work that was carried out, as the book tells it. */
export interface DoneWork {
  id: string;
  workId: string;
  treeId: string;
  tag: string;
  hostId: string;
  siteName: string;
  clientName: string;
  doneOn: LocalDate;
  /** When it was said to be done; null for works of before. */
  doneAt: Date | null;
  minutes: number | null;
  byName: string;
  note: string;
  /** Zone of the place at which it was done. */
  timeZone: string;
}
/**
 * Works that were carried out, latest day first, from `after` on; `limit + 1` rows tell whether there is more.
 * @param named works whose name holds the words that are looked for
 */
export const listDoneWorks = (
  scope: Scope,
  f: Omit<RecordFilter, 'method'> & { named: readonly string[] },
): Promise<DoneWork[]> =>
  within(scope, async (tx) => {
    const pattern = likeWords(f.words);
    return [
      ...(await tx<DoneWork[]>`
        select k.id, k.work_id as "workId", k.tree_id as "treeId", t.tag, t.host_id as "hostId", p.name as "siteName",
          c.name as "clientName", k.done_on::text as "doneOn", k.done_at as "doneAt", k.minutes, w.name as "byName",
          k.note, p.time_zone as "timeZone"
        from work_plan k
        join tree t on t.company_id = k.company_id and t.id = k.tree_id
        join site p on p.company_id = k.company_id and p.id = t.site_id
        join client c on c.company_id = k.company_id and c.id = p.client_id
        join person w on w.company_id = k.company_id and w.id = k.done_by
        where k.company_id = ${scope.companyId} and k.state = 'done'
          ${f.siteId ? tx`and t.site_id = ${f.siteId}` : tx``}
          ${f.from ? tx`and k.done_on >= ${f.from}` : tx``}
          ${f.to ? tx`and k.done_on <= ${f.to}` : tx``}
          ${f.after ? tx`and (k.done_on, k.id) < (${f.after.doneOn}, ${f.after.id})` : tx``}
          ${
            pattern
              ? tx`and (t.tag ilike ${pattern} or p.name ilike ${pattern} or c.name ilike ${pattern} or w.name ilike ${pattern}
                or k.note ilike ${pattern} or k.work_id = any(${[...f.named]}))`
              : tx``
          }
        order by k.done_on desc, k.id desc
        limit ${f.limit + 1}`),
    ];
  });

/** A work that is asked for by its id. */
export type NamedWork = Pick<WorkPlan, 'id' | 'workId' | 'answers' | 'sheet' | 'state' | 'plannedFor'> & {
  treeId: string;
  visitId: string | null;
};
/** Works by their ids, in no order; what this company has not got is left out. */
export const getWorkPlans = (scope: Scope, ids: readonly string[]): Promise<NamedWork[]> =>
  within(scope, async (tx) => [
    ...(await tx<NamedWork[]>`
      select id, tree_id as "treeId", work_id as "workId", answers,
        ${inReadersUnits(tx, tx`sheet`, tx`sheet_us`)} as sheet, state, planned_for::text as "plannedFor", visit_id as "visitId"
      from work_plan
      where company_id = ${scope.companyId} and id = any(${[...ids]})`),
  ]);
export const getWorkPlan = async (scope: Scope, id: string): Promise<NamedWork | null> =>
  (await getWorkPlans(scope, [id]))[0] ?? null;

/** Works of their own that wait are for another day, with the sheet of that day and what was gone on in spite of. */
export const moveWorksTo = (
  scope: Scope,
  moves: readonly {
    id: string;
    plannedFor: LocalDate | null;
    sheet: Told<WorkSheet>;
    released: Record<string, string>;
  }[],
) =>
  within(
    scope,
    (tx) => tx`
      update work_plan w
      set planned_for = m.day, document = ${DOCUMENT}, sheet = m.sheet::jsonb, sheet_us = m.us::jsonb,
        released = w.released || m.released::jsonb, moves = moves + 1, moved_at = clock_now()
      from unnest(
        ${moves.map((m) => m.id)}::uuid[], ${moves.map((m) => m.plannedFor)}::date[],
        ${moves.map((m) => JSON.stringify(m.sheet.metric))}::text[],
          ${moves.map((m) => JSON.stringify(m.sheet.us))}::text[],
        ${moves.map((m) => JSON.stringify(m.released))}::text[]) as m (id, day, sheet, us, released)
      where w.company_id = ${scope.companyId} and w.id = m.id and w.state = 'open' and w.visit_id is null`,
  );

export interface OpenWork {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  siteId: string;
  siteName: string;
  workId: string;
  sheet: WorkSheet;
  sound: boolean;
  state: 'open' | 'done' | 'dropped';
  /** When a crew last came to it and did not do it, and why; null: never. */
  left: LastLeft | null;
  /** The day it is planned for; null for what may be done at once. */
  plannedFor: LocalDate | null;
  /** The client has taken it. */
  accepted: boolean;
  /** It was carried out, and what said so was refused and waits to be settled. */
  unsettled: boolean;
}
/** Some works (x) as a crew needs them, by place and walking order. */
export const worksForCrew = (tx: Tx, scope: Scope, x: ReturnType<Tx>) => tx<OpenWork[]>`
      with n as (
        select x.*, (select t.site_id from tree t where t.company_id = ${scope.companyId} and t.id = x.tree_id) as site_id
        from (${x}) x),
      ${acceptedOf(tx, scope)}
      select n.id, n.tree_id as "treeId", t.tag, t.host_id as "hostId", p.id as "siteId", p.name as "siteName",
        n.work_id as "workId", ${inReadersUnits(tx, tx`n.sheet`, tx`n.sheet_us`)} as sheet, ${sound(tx)} as sound, n.state, ${lastLeft(tx)} as left,
        n.planned_for::text as "plannedFor", ${isAccepted(tx)},
        n.id in (${unsettledWorks(tx, scope.companyId)}) as unsettled
      from n
      ${treeOfEach(tx, scope.companyId)}
      join site p on p.id = n.site_id and p.company_id = n.company_id
      order by p.name, t.walk_order, t.id`;

/** Works by their ids, whatever became of them. */
export const worksNamed = (scope: Scope, ids: readonly string[]): Promise<OpenWork[]> =>
  within(scope, async (tx) => [
    ...(await worksForCrew(
      tx,
      scope,
      tx`select * from work_plan where company_id = ${scope.companyId} and id = any(${[...ids]})`,
    )),
  ]);
