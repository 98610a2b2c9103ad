import type { Instant } from '@/lib/calendar/zone';
import type { Scope, Tx } from './db';

/** A treatment that was done, came from a phone and was refused: it happened, and waits to be settled. */
export interface Unsettled {
  /** The write that waits. */
  id: string;
  planId: string;
  recordId: string;
  labelKey: string;
  actives: string[];
  families: string[];
  groups: string[];
  doneAt: Instant;
  byName: string;
  /** The first reason why it is not in the book. */
  why: string;
}

const ID = '^[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}$';

/**
 * Writes of the book, and of what was hung, that wait to be settled (n), a row for each plan (planId) and record (recordId) that
 * they name: what hangs in a tree is in it, whether or not the server took it. What a phone sent may be anything: what is no id
 * names nothing.
 */
const named = (tx: Tx, companyId: string) => tx`
  select n.id, n.person_id, n.seen_at, n.input, n.issues,
    case when x.plan ~ ${ID} then x.plan::uuid end as plan_id,
    case when x.record ~ ${ID} then x.record::uuid end as record_id
  from sync_conflict n
  cross join lateral (
    select n.input->>'planId' as plan, n.input->>'id' as record
    where n.command in ('record-treatment', 'install-devices')
    union all
    select r->>'planId', r->>'recordId'
    from jsonb_array_elements(case when jsonb_typeof(n.input->'rows') = 'array' then n.input->'rows' else '[]' end) r
    where n.command = 'record-treatments') x
  where n.company_id = ${companyId} and n.settled is null and n.command in ('record-treatment', 'record-treatments', 'install-devices')`;

/** Those of the tree (t) of the statement around it, the newest first. */
export const unsettledOf = (tx: Tx, companyId: string) => tx`
  select u.id, u.plan_id as "planId", u.record_id as "recordId", l.key as "labelKey",
    array(select a->>'name' from jsonb_array_elements(l.data->'actives') a) as actives,
    array(select a->>'family' from jsonb_array_elements(l.data->'actives') a where a ? 'family') as families,
    '{}'::text[] as groups, coalesce(u.input->>'endedAt', u.input->>'at', u.seen_at::text) as "doneAt", w.name as "byName",
    coalesce(u.issues->0->>'message', '') as why
  from (${named(tx, companyId)}) u
  join treatment_plan n on n.company_id = ${companyId} and n.id = u.plan_id and n.tree_id = t.id
  join label l on l.company_id = ${companyId} and l.id = n.label_id
  join person w on w.company_id = ${companyId} and w.id = u.person_id
  order by u.seen_at desc, u.id`;

/** Works that were carried out so: nobody is sent to them again before it is settled. */
export const unsettledWorks = (tx: Tx, companyId: string) => tx`
  select case when n.input->>'id' ~ ${ID} then (n.input->>'id')::uuid end
  from sync_conflict n
  where n.company_id = ${companyId} and n.settled is null and n.command = 'finish-work' and n.input->>'done' = 'true'
    and n.input->>'id' ~ ${ID}`;

/** Plans (n) that were carried out so, as a part of a larger statement. */
export const unsettledPlans = (tx: Tx, scope: Scope) => tx`
  unsettled as (select plan_id as id from (${named(tx, scope.companyId)}) u where plan_id is not null)`;
export const isUnsettled = (tx: Tx) => tx`n.id in (select id from unsettled) as unsettled`;
