import { insertLeftOut, type NewLeftOut } from './left-out';
import type { Programme } from '@/core/season/programme';
import { json, within, type Scope, type Tx } from './db';
import { insertPlan, type NewPlan } from './plans';
import { insertProgramme } from './programme';
import type { Tree } from './tree';

/** Conditions named near by: the nearest in km, 0 on the same place. */
export type Finds = Readonly<Record<string, number>>;

/**
 * What was named near each of these trees in the last three years, by the tree's id; great-circle distance by the haversine.
 * A tree without a position counts only on its own place.
 */
export const nearbyFinds = (
  scope: Scope,
  trees: readonly Pick<Tree, 'id' | 'placeId' | 'lat' | 'lon'>[],
): Promise<Map<string, Finds>> =>
  within(scope, async (tx) => {
    const o = scope.companyId;
    const rows = await tx<{ treeId: string; id: string; km: number | null }[]>`
      select t.id as "treeId", v.condition_id as id,
        min(case when n.place_id = t.place_id then 0 else
          2 * 6371 * asin(least(1, sqrt(
            sin(radians(n.lat - t.lat) / 2) ^ 2
            + cos(radians(t.lat)) * cos(radians(n.lat)) * sin(radians(n.lon - t.lon) / 2) ^ 2))) end) as km
      from (
        select tree_id, condition_id
        from verdict
        where company_id = ${o} and at > clock_now() - interval '3 years'
          and decision not in ('leave it alone', 'protect a sound tree')
          and certainty in ('likely', 'near certain', 'confirmed by test')
        order by at desc, id
        limit 2000) v
      join tree n on n.id = v.tree_id and n.company_id = ${o}
      join tree t on t.id = any(${trees.map((t) => t.id)}) and t.company_id = ${o} and t.id <> v.tree_id
      group by 1, 2`;
    const found = new Map<string, Record<string, number>>(trees.map((t) => [t.id, {}]));
    for (const r of rows) if (r.km !== null) found.get(r.treeId)![r.id] = r.km;
    return found;
  });

export interface NewVerdict {
  id: string;
  treeId: string;
  at: Date;
  lookId: string | null;
  conditionId: string;
  certainty: string;
  decision: string;
  reason: string;
  ranking: { id: string; p: number }[];
  overturnedBy: string[];
  overturns: string[];
}
const insertVerdict = (tx: Tx, scope: Scope, verdict: NewVerdict) =>
  tx`
    insert into verdict (
      id, company_id, tree_id, look_id, at, by_person, condition_id,
      certainty, decision, reason, ranking, overturned_by, overturns)
    values (
      ${verdict.id}, ${scope.companyId}, ${verdict.treeId}, ${verdict.lookId}, ${verdict.at}, ${scope.personId},
        ${verdict.conditionId},
      ${verdict.certainty}, ${verdict.decision}, ${verdict.reason}, ${json(tx, verdict.ranking)},
        ${verdict.overturnedBy}, ${verdict.overturns})
    on conflict (id) do nothing`;
export const addVerdict = (scope: Scope, v: NewVerdict) => within(scope, (tx) => insertVerdict(tx, scope, v));

/** A tree and its like of the row: what is named on them, their plans and their programme, together or not at all. */
export const planRow = (
  scope: Scope,
  row: {
    plans: readonly NewPlan[];
    verdicts: readonly NewVerdict[];
    left: readonly NewLeftOut[];
    programme: { rows: readonly { id: string; treeId: string }[]; as: Programme } | null;
  },
) =>
  within(scope, async (tx) => {
    for (const v of row.verdicts) await insertVerdict(tx, scope, v);
    for (const p of row.plans) await insertPlan(tx, scope, p);
    await insertLeftOut(tx, scope, row.left);
    if (row.programme) await insertProgramme(tx, scope, row.programme.rows, row.programme.as);
  });
