import type { ApplicationRecord } from '@/core/book/record';
import type { Label } from '@/core/label/schema';
import type { Choices, Prescription } from '@/core/prescribe/prescribe';
import { json, within, type Scope } from './db';

export interface Plan {
  id: string;
  treeId: string;
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
}

export const getPlan = (scope: Scope, id: string): Promise<Plan | null> =>
  within(scope, async (tx) => {
    const [p] = await tx<Plan[]>`
      select n.id, n.tree_id as "treeId", t.place_id as "placeId", n.label_id as "labelId", l.data as label, n.use_key as "useKey", n.condition_id as "conditionId", n.facts as choices, n.result, n.released, n.state, n.at, p.name as "byName"
      from plan n join label l on l.id = n.label_id join tree t on t.id = n.tree_id join person p on p.id = n.by_person where n.id = ${id}`;
    return p ?? null;
  });

/** Opens a plan; an open plan of the same product on the same tree gives way to it. */
export const addPlan = (
  scope: Scope,
  p: {
    id: string;
    treeId: string;
    labelId: string;
    useKey: string;
    conditionId: string;
    choices: Choices;
    result: Prescription;
    released: Record<string, string>;
  },
) =>
  within(scope, async (tx) => {
    if ((await tx`select from plan where id = ${p.id}`).length) return;
    await tx`update plan set state = 'dropped' where outfit_id = ${scope.outfitId} and tree_id = ${p.treeId} and label_id = ${p.labelId} and state = 'open'`;
    await tx`insert into plan (id, outfit_id, tree_id, label_id, use_key, condition_id, facts, result, released, by_person)
      values (${p.id}, ${scope.outfitId}, ${p.treeId}, ${p.labelId}, ${p.useKey}, ${p.conditionId}, ${json(tx, p.choices)}, ${json(tx, p.result)}, ${json(tx, p.released)}, ${scope.personId})`;
  });

export const setPlanState = (scope: Scope, id: string, from: 'open' | 'dropped', to: 'open' | 'dropped') =>
  within(scope, (tx) => tx`update plan set state = ${to} where id = ${id} and state = ${from}`);

export interface OpenPlan {
  id: string;
  treeId: string;
  tag: string;
  hostId: string;
  placeId: string;
  placeName: string;
  labelKey: string;
  labelName: string;
  method: ApplicationRecord['method'];
  unit: 'volume' | 'mass';
  product: number;
  mixMl: number | null;
  sites: number | null;
  drillMm: number | null;
  protection: string[];
  at: Date;
}
/** Plans that wait for a crew, by place and walking order. */
export const openPlans = (scope: Scope, limit = 300): Promise<OpenPlan[]> =>
  within(scope, async (tx) => [
    ...(await tx<OpenPlan[]>`
      select n.id, n.tree_id as "treeId", t.tag, t.host_id as "hostId", p.id as "placeId", p.name as "placeName", l.key as "labelKey", l.data->>'name' as "labelName", u->>'method' as method,
        n.result->'dose'->>'dimension' as unit, (n.result->'dose'->>'product')::float8 as product, (n.result->'dose'->'carrier'->>'totalMl')::float8 as "mixMl", (n.result->'dose'->'sites'->>'count')::int as sites,
        (u->'sites'->>'drillMm')::float8 as "drillMm", array(select jsonb_array_elements_text(u->'protection')) as protection, n.at
      from (select * from plan where outfit_id = ${scope.outfitId} and state = 'open' order by at, id limit ${limit}) n
      join tree t on t.id = n.tree_id and t.outfit_id = ${scope.outfitId} join place p on p.id = t.place_id and p.outfit_id = ${scope.outfitId} join label l on l.id = n.label_id
      cross join lateral (select x as u from jsonb_array_elements(l.data->'uses') x where x->>'key' = n.use_key limit 1) u
      order by p.name, t.walk_order, t.id`),
  ]);
