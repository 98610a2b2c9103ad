import type { Scope, Tx } from './db';
import { acceptedAt } from './quotes';

/** How plans and sheets are written down: 1 in the units of whoever planned, 2 in both systems. */
export const DOCUMENT = 2;
/** What is kept in both systems of units, as this reader reads it; a document of before has but one. */
export const inReadersUnits = (tx: Tx, metric: Piece, us: Piece) =>
  tx`case when (select reader_reads_us()) then coalesce(${us}, ${metric}) else ${metric} end`;
type Piece = ReturnType<Tx>;

/** Whether the newest word on a tree (t) is that it is sound and only protected. */
export const sound = (tx: Tx) =>
  tx`coalesce((
    select v.decision = 'protect a sound tree'
    from diagnosis v
    where v.company_id = t.company_id and v.tree_id = t.id
    order by v.at desc, v.id desc
    limit 1), false)`;

/**
 * The tree (t) of each waiting row (n), looked up by itself: the database cannot know how few rows wait, and would rather walk
 * every tree of a company once.
 */
export const treeOfEach = (tx: Tx, companyId: string) => tx`
  cross join lateral (select x.* from tree x where x.company_id = ${companyId} and x.id = n.tree_id offset 0) t`;

/** What was accepted of the waiting rows (n) with their trees (t). */
export const acceptedOf = (tx: Tx, scope: Scope) => tx`
  accepted as (${acceptedAt(tx, scope.companyId, tx`array(select distinct site_id from n)`)})`;
export const isAccepted = (tx: Tx) => tx`coalesce(n.visit_id, n.id) in (select id from accepted) as accepted`;
