import { within, type Scope } from './db';

export interface ToTreat {
  treeId: string;
  tag: string;
  hostId: string;
  placeName: string;
  conditionId: string;
}
/** Trees whose newest decision is “treat now”, with no open plan and nothing done since; newest decisions first. */
export const treatNotPlanned = (scope: Scope, limit: number): Promise<ToTreat[]> =>
  within(scope, async (tx) => [
    ...(await tx<ToTreat[]>`
      select t.id as "treeId", t.tag, t.host_id as "hostId", p.name as "placeName", v.condition_id as "conditionId"
      from (select * from verdict where outfit_id = ${scope.outfitId} and decision = 'treat now' order by at desc limit 200) v
      join tree t on t.id = v.tree_id and t.outfit_id = ${scope.outfitId} and t.archived_at is null join place p on p.id = t.place_id and p.outfit_id = ${scope.outfitId}
      where not exists (select from verdict n where n.outfit_id = ${scope.outfitId} and n.tree_id = v.tree_id and n.at > v.at)
        and not exists (select from plan n where n.outfit_id = ${scope.outfitId} and n.tree_id = v.tree_id and n.state = 'open')
        and not exists (select from record r where r.outfit_id = ${scope.outfitId} and r.tree_id = v.tree_id and r.latest and not r.withdrawn and r.ended_at > v.at)
      order by row_number() over (partition by v.condition_id order by v.at desc), t.tag limit ${limit}`),
  ]);
