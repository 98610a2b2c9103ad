import { insertLeftOut, type NewLeftOut } from './skipped-trees';
import type { Programme } from '@/core/season/programme';
import { json, within, type Scope, type Tx } from './db';
import { insertPlan, type NewPlan } from './plans';
import { insertProgramme } from './programme';
import type { Tree } from './tree';

/** Conditions named near by: the nearest in km, 0 on the same place. */
export type Detections = Readonly<Record<string, number>>;

/**
 * What was named near each of these trees in the last three years, by the tree's id; great-circle distance by the haversine.
 * A tree without a position counts only on its own place.
 */
export const nearbyDetections = (
  scope: Scope,
  trees: readonly Pick<Tree, 'id' | 'siteId' | 'lat' | 'lon'>[],
): Promise<Map<string, Detections>> =>
  within(scope, async (tx) => {
    const o = scope.companyId;
    const rows = await tx<{ treeId: string; id: string; km: number | null }[]>`
      select t.id as "treeId", v.condition_id as id,
        min(case when n.site_id = t.site_id then 0 else
          2 * 6371 * asin(least(1, sqrt(
            sin(radians(n.lat - t.lat) / 2) ^ 2
            + cos(radians(t.lat)) * cos(radians(n.lat)) * sin(radians(n.lon - t.lon) / 2) ^ 2))) end) as km
      from (
        select tree_id, condition_id
        from diagnosis
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

export interface NewDiagnosis {
  id: string;
  treeId: string;
  at: Date;
  inspectionId: string | null;
  conditionId: string;
  certainty: string;
  decision: string;
  reason: string;
  ranking: { id: string; p: number }[];
  overturnedBy: string[];
  overturns: string[];
}
const insertDiagnosisRow = (tx: Tx, scope: Scope, savedDiagnosis: NewDiagnosis) =>
  tx`
    insert into diagnosis (
      id, company_id, tree_id, inspection_id, at, by_person, condition_id,
      certainty, decision, reason, ranking, overturned_by, overturns)
    values (
      ${savedDiagnosis.id}, ${scope.companyId}, ${savedDiagnosis.treeId}, ${savedDiagnosis.inspectionId}, ${savedDiagnosis.at}, ${scope.personId},
        ${savedDiagnosis.conditionId},
      ${savedDiagnosis.certainty}, ${savedDiagnosis.decision}, ${savedDiagnosis.reason}, ${json(tx, savedDiagnosis.ranking)},
        ${savedDiagnosis.overturnedBy}, ${savedDiagnosis.overturns})
    on conflict (id) do nothing`;
export const insertDiagnosis = (scope: Scope, v: NewDiagnosis) =>
  within(scope, (tx) => insertDiagnosisRow(tx, scope, v));

/** A tree and its like of the row: what is named on them, their plans and their programme, together or not at all. */
export const planRow = (
  scope: Scope,
  row: {
    plans: readonly NewPlan[];
    savedDiagnoses: readonly NewDiagnosis[];
    left: readonly NewLeftOut[];
    programme: { rows: readonly { id: string; treeId: string }[]; as: Programme } | null;
  },
) =>
  within(scope, async (tx) => {
    for (const v of row.savedDiagnoses) await insertDiagnosisRow(tx, scope, v);
    for (const p of row.plans) await insertPlan(tx, scope, p);
    await insertLeftOut(tx, scope, row.left);
    if (row.programme) await insertProgramme(tx, scope, row.programme.rows, row.programme.as);
  });
