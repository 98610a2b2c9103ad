import type { LocalDate } from '@/lib/calendar/zone';
import { within, type Scope, type Tx } from './db';
import { clockNow } from './clock';

/** Something to be done at a place on a day, without a plan. */
export interface Task {
  id: string;
  siteId: string;
  siteName: string;
  /** Null for the whole place. */
  treeId: string | null;
  tag: string | null;
  who: 'company' | 'client';
  what: string;
  instructions: string;
  due: LocalDate;
  state: 'open' | 'done' | 'dropped';
  settledAt: Date | null;
  /** Whoever of the client said that it is done, and what they added. */
  doneBy: string | null;
  said: string;
  version: number;
  changedAt: Date;
  byName: string;
}

const rows = (tx: Tx, scope: Scope, of: ReturnType<Tx>, limit: number) => tx<Task[]>`
  select k.id, k.site_id as "siteId", p.name as "siteName", k.tree_id as "treeId", t.tag, k.who, k.what,
    k.instructions,
    k.due::text, k.state, k.settled_at as "settledAt", k.done_by as "doneBy", k.said, k.version,
      k.changed_at as "changedAt",
    w.name as "byName"
  from task k
  join site p on p.company_id = k.company_id and p.id = k.site_id
  join person w on w.id = k.by_person
  left join tree t on t.company_id = k.company_id and t.id = k.tree_id
  where k.company_id = ${scope.companyId} and ${of}
  order by k.due, k.id
  limit ${limit}`;

/** Tasks that are open and due by a day, the soonest first. */
export const tasksDue = (scope: Scope, until: LocalDate, limit: number): Promise<Task[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`k.state = 'open' and k.due <= ${until}`, limit))]);

/** Tasks of a place since a day, whatever became of them. */
export const tasksOfSite = (tx: Tx, scope: Scope, siteId: string, from: LocalDate) =>
  rows(tx, scope, tx`k.site_id = ${siteId} and (k.state = 'open' or k.due >= ${from})`, 300);
export const tasksAt = (scope: Scope, siteId: string, from: LocalDate): Promise<Task[]> =>
  within(scope, async (tx) => [...(await tasksOfSite(tx, scope, siteId, from))]);

/** Tasks of all places in a span of days, as a calendar follows them; for a client, those of one place. */
export const tasksBetween = (scope: Scope, from: LocalDate, to: LocalDate, siteId: string | null): Promise<Task[]> =>
  within(scope, async (tx) => [
    ...(await rows(
      tx,
      scope,
      tx`k.due between ${from} and ${to} ${siteId ? tx`and k.site_id = ${siteId}` : tx``}`,
      2000,
    )),
  ]);

export const getTask = (scope: Scope, id: string): Promise<Task | null> =>
  within(scope, async (tx) => (await rows(tx, scope, tx`k.id = ${id}`, 1))[0] ?? null);

export type NewTask = Pick<Task, 'id' | 'siteId' | 'treeId' | 'who' | 'what' | 'instructions' | 'due'>;
/** Sent twice, it lands once. */
export const insertTask = (scope: Scope, k: NewTask) =>
  within(
    scope,
    (tx) => tx`
      insert into task (id, company_id, site_id, tree_id, who, what, instructions, due, by_person)
      values (${k.id}, ${scope.companyId}, ${k.siteId}, ${k.treeId}, ${k.who}, ${k.what}, ${k.instructions}, ${k.due},
        ${scope.personId})
      on conflict (id) do nothing`,
  );

/** Settles a task, or opens it again; false where it was not in the state it is taken from. */
export const settleTask = (
  scope: Scope,
  id: string,
  to: Task['state'],
  client: { who: string; said: string } | null = null,
): Promise<boolean> =>
  within(scope, async (tx) => {
    const open = to === 'open';
    const { count } = await tx`
      update task
      set state = ${to}, settled_at = ${open ? null : clockNow()},
        settled_by = ${open || client ? null : scope.personId}, done_by = ${client?.who ?? null},
          said = ${client?.said ?? ''},
        version = version + 1, changed_at = clock_now()
      where company_id = ${scope.companyId} and id = ${id} and ${open ? tx`state <> 'open'` : tx`state = 'open'`}`;
    return count > 0;
  });

/** The tree of a place that wears a tag; null where none does. */
export const treeByTag = (scope: Scope, siteId: string, tag: string): Promise<string | null> =>
  within(
    scope,
    async (tx) =>
      (
        await tx<{ id: string }[]>`
          select id
          from tree
          where company_id = ${scope.companyId} and site_id = ${siteId} and lower(tag) = lower(${tag})
            and archived_at is null`
      )[0]?.id ?? null,
  );
