import { leaveOut } from './assignments';
import type { Scope, Tx } from './db';

/**
 * What a client has declined of an offer is due, priced and scheduled nowhere any more: its plans and works are dropped, its
 * visits and dates say why. Whoever wants it all the same plans it anew, or opens what was dropped.
 * @param because who declined it, and of which offer
 */
export async function declineItems(tx: Tx, scope: Scope, ids: readonly string[], because: string): Promise<void> {
  if (!ids.length) return;
  const all = [...ids];
  await tx`
    update treatment_plan
    set state = 'dropped'
    where company_id = ${scope.companyId} and id = any(${all}) and state = 'open' and visit_id is null`;
  await tx`
    update work_plan
    set state = 'dropped', note = ${because}
    where company_id = ${scope.companyId} and id = any(${all}) and state = 'open' and visit_id is null`;
  await tx`
    update follow_up
    set state = 'dropped', because = ${because}, settled_at = clock_now(), settled_by = ${scope.personId}
    where company_id = ${scope.companyId} and id = any(${all}) and state = 'open' and rule_id <> 'programme'`;
  const visits = await tx<{ id: string }[]>`
    select id
    from programme_visit
    where company_id = ${scope.companyId} and id = any(${all}) and state in ('planned', 'expected', 'stopped')`;
  if (visits.length)
    await leaveOut(
      scope,
      visits.map((v) => v.id),
      because,
    );
}
