import type { Instant, LocalDate } from '@/lib/calendar/zone';
import type { ApplicationRecord } from '@/core/records/record';
import type { FollowUp } from '@/core/season/follow-ups';
import { json, within, type Scope, type Tx } from './db';

export interface NewRecord {
  id: string;
  rootId: string;
  version: number;
  planId: string | null;
  startedAt: Instant;
  endedAt: Instant;
  doneOn: LocalDate;
  byPerson: string;
  withdrawn: boolean;
  correction: string | null;
  words: string;
  data: ApplicationRecord;
  followUps: FollowUp[];
  /** Stock moves that this version causes: negative takes from the lot. */
  moves: { id: string; lotId: string; amount: number; reason: string }[];
  /** What it takes from mixes; below zero gives back. */
  draws: { id: string; batchId: string; mixMl: number }[];
}

/**
 * Writes a record, takes the stock, sets the follow-ups and closes the plan: all of it or nothing. Sent twice, it lands
 * once.
 * @returns false when this very record was already there
 */
export const writeRecord = (scope: Scope, followUpId: () => string, r: NewRecord): Promise<boolean> =>
  within(scope, async (tx) => {
    const o = scope.companyId;
    const d = r.data;
    const made = await tx`
      insert into record (id, company_id, root_id, version, tree_id, site_id, plan_id, label_key, method, started_at,
        ended_at, done_on, by_person, written_by, withdrawn, words, data, correction)
      values (${r.id}, ${o}, ${r.rootId}, ${r.version}, ${d.tree.id}, ${d.place.id}, ${r.planId}, ${d.product.key},
        ${d.method}, ${r.startedAt}, ${r.endedAt}, ${r.doneOn}, ${r.byPerson}, ${scope.personId}, ${r.withdrawn},
        ${r.words}, ${json(tx, d)}, ${r.correction})
      on conflict (id) do nothing`;
    if (!made.count) return false;
    for (const m of r.moves)
      await tx`insert into stock_move (id, company_id, lot_id, amount, against, reason, record_id, by_person) values (${m.id}, ${o}, ${m.lotId}, ${m.amount}, 'tree', ${m.reason}, ${r.id}, ${scope.personId})`;
    for (const d of r.draws)
      await tx`
        insert into batch_draw (id, company_id, batch_id, record_root, mix_ml, by_person)
        values (${d.id}, ${o}, ${d.batchId}, ${r.rootId}, ${d.mixMl}, ${scope.personId})`;
    if (r.version === 1) {
      const closed = r.planId
        ? await tx`update treatment_plan set state = 'done' where id = ${r.planId} and state = 'open'`
        : null;
      if (closed && !closed.count) throw new PlanGone();
    }
    if (r.version > 1 && r.planId) await planFollows(tx, o, r.planId, r.withdrawn);
    await reopenSettled(tx, o, r.rootId);
    if (!r.withdrawn) await settleEarlier(tx, scope, r);
    await setFollowUps({
      tx,
      company: o,
      treeId: d.tree.id,
      rootId: r.rootId,
      wanted: r.withdrawn ? [] : r.followUps,
      newId: followUpId,
    });
    return true;
  });

/**
 * A plan follows its record: withdrawn it was not carried out and waits again, unless the same product waits on its tree by
 * another plan; stands it once more, it is done.
 */
const planFollows = (tx: Tx, company: string, planId: string, withdrawn: boolean) =>
  withdrawn
    ? tx`
      update treatment_plan n
      set state = 'open'
      from label own
      where n.company_id = ${company} and n.id = ${planId} and n.state = 'done' and own.id = n.label_id
        and not exists (
          select from treatment_plan x
          join label l on l.id = x.label_id
          where x.company_id = n.company_id and x.tree_id = n.tree_id and x.id <> n.id and x.state = 'open'
            and l.key = own.key and n.visit_id is null and x.visit_id is null)`
    : tx`update treatment_plan set state = 'done' where company_id = ${company} and id = ${planId} and state = 'open'`;

/** Visits that this record had settled stand open again; a newer version settles what it settles anew. */
const reopenSettled = (tx: Tx, company: string, rootId: string) => tx`
  update follow_up
  set state = 'open', settled_at = null, settled_by = null, settled_by_root = null
  where company_id = ${company} and settled_by_root = ${rootId}`;

/** What was due of this product is done by this; what was counted from an earlier visit is counted from this one instead. */
const settleEarlier = (tx: Tx, scope: Scope, r: NewRecord) => tx`
  update follow_up f
  set state = case when f.earliest <= ${r.doneOn} then 'done' else 'dropped' end,
    settled_at = clock_now(), settled_by = ${scope.personId}, settled_by_root = ${r.rootId}
  where f.company_id = ${scope.companyId} and f.tree_id = ${r.data.tree.id} and f.state = 'open'
    and f.kind = 'treat-again'
    and f.root_id <> ${r.rootId}
    and (f.earliest <= ${r.doneOn} or f.rule_id = any(${r.followUps.map((x) => x.ruleId)}))
    and exists (
      select from record x
      where x.company_id = ${scope.companyId} and x.root_id = f.root_id and x.label_key = ${r.data.product.key}
        and x.done_on <= ${r.doneOn}
    )`;

/** The plan was carried out or dropped by somebody else meanwhile. */
export class PlanGone extends Error {}

async function setFollowUps({
  tx,
  company,
  treeId,
  rootId,
  wanted,
  newId,
}: {
  tx: Tx;
  company: string;
  treeId: string;
  rootId: string;
  wanted: FollowUp[];
  newId: () => string;
}) {
  await tx`update follow_up set state = 'dropped', settled_at = clock_now() where company_id = ${company} and root_id = ${rootId} and state = 'open'
    and not split_part(rule_id, '+', 1) = any(${wanted.map((w) => w.ruleId)})`;
  for (const followUp of wanted)
    await tx`
      insert into follow_up (id, company_id, tree_id, root_id, rule_id, kind, what, reason, only_if, due, earliest,
        latest)
      values (${newId()}, ${company}, ${treeId}, ${rootId}, ${followUp.ruleId}, ${followUp.kind}, ${followUp.what},
        ${followUp.reason}, ${followUp.onlyIf ?? null}, ${followUp.due}, ${followUp.earliest}, ${followUp.latest})
      on conflict (company_id, root_id, rule_id) do update
      set due = excluded.due, earliest = excluded.earliest, latest = excluded.latest, reason = excluded.reason,
        state = 'open', settled_at = null
      where follow_up.state = 'open' or (follow_up.state = 'dropped' and follow_up.settled_by is null)`;
}

export interface RecordFilter {
  words: string | null;
  siteId: string | null;
  method: string | null;
  from: LocalDate | null;
  to: LocalDate | null;
  after: { doneOn: string; id: string } | null;
  limit: number;
}
/** A pattern that finds the words as they are; null where none are looked for. */
export const likeWords = (words: string | null): string | null =>
  words && `%${words.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;

export interface RecordRow {
  id: string;
  rootId: string;
  version: number;
  doneOn: LocalDate;
  withdrawn: boolean;
  words: string;
  treeId: string;
  data: ApplicationRecord;
  startedAt: Date;
  endedAt: Date;
  byName: string;
  /** Why this version was written, and by whom; null for the first. */
  correction: string | null;
  writtenBy: string;
  /** Zone of the place at which it was done. */
  timeZone: string;
}

/** The newest versions, latest day first, from `after` on; `limit + 1` rows tell whether there is more. */
export const listRecords = (scope: Scope, f: RecordFilter): Promise<RecordRow[]> =>
  within(scope, async (tx) => {
    const pattern = likeWords(f.words);
    const wanted = pattern
      ? tx`
        select x.*
        from record_by_words(
          ${pattern}, ${f.siteId}, ${f.method}, ${f.from}, ${f.to},
          ${f.after?.doneOn ?? null}, ${f.after?.id ?? null}, ${f.limit + 1}) b
        join record x on x.id = b.id and x.company_id = ${scope.companyId}`
      : tx`
        select *
        from record x
        where x.company_id = ${scope.companyId} and x.latest
          ${f.siteId ? tx`and x.site_id = ${f.siteId}` : tx``}
          ${f.method ? tx`and x.method = ${f.method}` : tx``}
          ${f.from ? tx`and x.done_on >= ${f.from}` : tx``}
          ${f.to ? tx`and x.done_on <= ${f.to}` : tx``}
          ${f.after ? tx`and (x.done_on, x.id) < (${f.after.doneOn}, ${f.after.id})` : tx``}
        order by x.done_on desc, x.id desc
        limit ${f.limit + 1}`;
    // The page is cut out before people are joined to it: they would make the planner doubt how few rows there are.
    return [
      ...(await tx<RecordRow[]>`
        select ${rowColumns(tx)}
        from (${wanted}) r
        join person p on p.id = r.by_person
        order by r.done_on desc, r.id desc`),
    ];
  });

const rowColumns = (tx: Tx) =>
  tx`
    r.id, r.root_id as "rootId", r.version, r.done_on as "doneOn", r.withdrawn, r.words, r.tree_id as "treeId", r.data,
    r.started_at as "startedAt", r.ended_at as "endedAt", p.name as "byName", r.correction,
    (select w.name from person w where w.company_id = r.company_id and w.id = r.written_by) as "writtenBy",
    (select g.time_zone from site g where g.company_id = r.company_id and g.id = r.site_id) as "timeZone"`;

export interface RecordVersion extends RecordRow {
  writtenAt: Date;
  planId: string | null;
  byPerson: string;
}
/** Every version of one record, newest first; empty when this company has none. Any version's id finds it. */
export const recordVersions = (scope: Scope, id: string): Promise<RecordVersion[]> =>
  within(scope, async (tx) => [
    ...(await tx<RecordVersion[]>`
      select ${rowColumns(tx)}, r.created_at as "writtenAt", r.plan_id as "planId", r.by_person as "byPerson"
      from record r join person p on p.id = r.by_person
      where r.company_id = ${scope.companyId} and r.root_id = (select root_id from record where id = ${id})
      order by r.version desc`),
  ]);

/** What was written of some plans, as far as a day and its client ask. */
export interface DoneRow {
  planId: string;
  rootId: string;
  treeId: string;
  tag: string;
  siteId: string;
  startedAt: Date;
  endedAt: Date;
  method: ApplicationRecord['method'];
  productName: string;
  targetName: string;
  unit: 'mL' | 'g';
  amount: number;
  reEntryUntil: Instant;
  eatFrom: string | null;
  byName: string;
}
export const recordsOfPlans = (scope: Scope, planIds: readonly string[]): Promise<DoneRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<DoneRow[]>`
      select r.plan_id as "planId", r.root_id as "rootId", r.tree_id as "treeId", r.data->'tree'->>'tag' as tag,
        r.site_id as "siteId", r.started_at as "startedAt", r.ended_at as "endedAt", r.method,
        r.data->'product'->>'name' as "productName", r.data->'target'->>'name' as "targetName", r.data->>'unit' as unit,
        (r.data->>'amount')::float8 as amount, r.data->>'reEntryUntil' as "reEntryUntil",
          r.data->>'eatFrom' as "eatFrom",
        r.data->'applicator'->>'name' as "byName"
      from record r
      where r.company_id = ${scope.companyId} and r.plan_id = any(${[...planIds]}) and r.plan_id is not null and r.latest
        and not r.withdrawn
      order by r.started_at, r.root_id`),
  ]);
