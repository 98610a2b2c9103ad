import { json, within, type Scope, type Tx } from './db';

/** Why a tree was left out of a row that was planned: a gate, or what was missing. */
export type LeftStop =
  { why: 'gate'; id: string; title: string; satisfy: string } | { why: 'no dose' | 'nothing named' };

export interface NewLeftOut {
  id: string;
  treeId: string;
  labelId: string;
  useKey: string;
  stop: LeftStop;
  at: Date;
}
/** Notes what a row was planned without; a tree that waits with the same product already is noted once. */
export const insertLeftOut = async (tx: Tx, scope: Scope, rows: readonly NewLeftOut[]) => {
  if (!rows.length) return;
  await tx`
    update skipped_tree x
    set settled = true
    from label own, label other
    where x.company_id = ${scope.companyId} and not x.settled and x.tree_id = any(${rows.map((r) => r.treeId)})
      and own.id = ${rows[0]!.labelId} and other.id = x.label_id and other.key = own.key`;
  await tx`insert into skipped_tree ${tx(
    rows.map((r) => ({
      id: r.id,
      company_id: scope.companyId,
      tree_id: r.treeId,
      label_id: r.labelId,
      use_key: r.useKey,
      stop: json(tx, r.stop),
      at: r.at,
      by_person: scope.personId,
    })) as never,
  )}`;
};

/** A tree that was left out and that nobody has dealt with: neither planned with that product since, nor set aside. */
export interface LeftOut {
  id: string;
  treeId: string;
  tag: string;
  walk: number;
  label: string;
  stop: LeftStop;
  at: Date;
}
/** A part of the statement that `besideVisits` sends. */
export const leftOutRows = (tx: Tx, scope: Scope, siteId: string) =>
  tx<LeftOut[]>`
  select x.id, x.tree_id as "treeId", t.tag, t.walk_order as walk, l.data->>'name' as label, x.stop, x.at
  from skipped_tree x
  join tree t on t.company_id = x.company_id and t.id = x.tree_id and t.archived_at is null
  join label l on l.company_id = x.company_id and l.id = x.label_id
  where x.company_id = ${scope.companyId} and not x.settled
    and x.tree_id = any(array(select id from tree where site_id = ${siteId}))
    and not exists (
      select from treatment_plan n
      join label m on m.id = n.label_id
      where n.company_id = x.company_id and n.tree_id = x.tree_id and n.at >= x.at and n.state <> 'dropped'
        and m.key = l.key)
  order by l.key, t.walk_order, t.id
  limit 500`;
export const settleLeftOut = (scope: Scope, ids: readonly string[], settled: boolean) =>
  within(
    scope,
    (tx) => tx`
      update skipped_tree
      set settled = ${settled}
      where company_id = ${scope.companyId} and id = any(${[...ids]}) and settled <> ${settled}`,
  );
