import { within, type Scope } from './db';

export interface ToTreat {
  treeId: string;
  tag: string;
  hostId: string;
  siteName: string;
  conditionId: string;
  decision: 'treat now' | 'treat in its window' | 'protect a sound tree';
}
/**
 * Troubles whose newest decision wants a treatment, with no open plan against them and nothing done since; “treat now” first.
 * What protects a sound tree or waits for its window is done with where it was done within the season before the decision.
 * A tree may have several open; a later decision on one closes another only where it says that it was wrong.
 */
export const treatNotPlanned = (scope: Scope, limit: number): Promise<ToTreat[]> =>
  within(scope, async (tx) => [
    ...(await tx<ToTreat[]>`
      select t.id as "treeId", t.tag, t.host_id as "hostId", p.name as "siteName", v.condition_id as "conditionId",
        v.decision
      from (
        select *
        from diagnosis
        where company_id = ${scope.companyId}
          and decision in ('treat now', 'treat in its window', 'protect a sound tree')
        order by at desc
        limit 2000) v
      join tree t on t.id = v.tree_id and t.company_id = ${scope.companyId} and t.archived_at is null
      join site p on p.id = t.site_id and p.company_id = v.company_id
      where not exists (
          select from diagnosis n
          where n.company_id = v.company_id and n.tree_id = v.tree_id and n.at > v.at
            and (n.condition_id = v.condition_id or v.id = any (n.overturns)))
        and not exists (
          select from treatment_plan n
          where n.company_id = v.company_id and n.tree_id = v.tree_id and n.state = 'open'
            and n.condition_id = v.condition_id)
        and not exists (
          select from record r
          join treatment_plan n on n.id = r.plan_id and n.company_id = r.company_id
          where r.company_id = v.company_id and r.tree_id = v.tree_id and r.latest and not r.withdrawn
            and n.condition_id = v.condition_id
            and (r.ended_at > v.at or v.decision <> 'treat now' and r.ended_at > v.at - interval '300 days'))
      order by v.decision <> 'treat now', row_number() over (partition by v.condition_id order by v.at desc), t.tag
      limit ${limit}`),
  ]);
