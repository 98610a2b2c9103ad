import type { WhyLeft } from '@/core/crew-day/day';
import type { Home } from '@/core/crew-day/home-schema';
import type { About } from '@/core/schedule/jobs';
import type { LocalDate } from '@/lib/calendar/zone';
import { json, within, type Scope, type Tx } from './db';

/** A crew's day by itself: who goes out, and how far it is. */
export interface CrewDayHead {
  id: string;
  crewId: string;
  crewName: string;
  people: string[];
  day: LocalDate;
  byName: string;
  begunAt: Date | null;
  begunBy: string | null;
  closedAt: Date | null;
  closedBy: string | null;
  home: Home | null;
}
export const crewDayHead = (scope: Scope, id: string): Promise<CrewDayHead | null> =>
  within(scope, async (tx) => {
    const [found] = await tx<CrewDayHead[]>`
      select r.id, r.crew_id as "crewId", c.name as "crewName", r.day::text as day, p.name as "byName",
        array(
          select q.name
          from crew_person x
          join person q on q.company_id = x.company_id and q.id = x.person_id and q.active
          where x.company_id = r.company_id and x.crew_id = r.crew_id
          order by q.name) as people,
        r.begun_at as "begunAt", b.name as "begunBy", r.closed_at as "closedAt", k.name as "closedBy", r.home
      from crew_day r
      join crew c on c.company_id = r.company_id and c.id = r.crew_id
      join person p on p.company_id = r.company_id and p.id = r.by_person
      left join person b on b.company_id = r.company_id and b.id = r.begun_by
      left join person k on k.company_id = r.company_id and k.id = r.closed_by
      where r.company_id = ${scope.companyId} and r.id = ${id}`;
    return found ?? null;
  });

/** What stands on a round, in its order. */
export interface CrewDayEntry {
  itemId: string;
  kind: About['kind'];
  siteId: string;
  position: number;
  begins: number;
}
export const crewDayEntries = (scope: Scope, crewDayId: string): Promise<CrewDayEntry[]> =>
  within(scope, async (tx) => [
    ...(await tx<CrewDayEntry[]>`
      select item_id as "itemId", kind, site_id as "siteId", position, begins
      from crew_day_item
      where company_id = ${scope.companyId} and crew_day_id = ${crewDayId}
      order by position, item_id`),
  ]);

/** Rounds in which some items stand, with how far each is. */
export const crewDaysOfItems = (
  scope: Scope,
  itemIds: readonly string[],
): Promise<{ itemId: string; crewDayId: string; begun: boolean }[]> =>
  within(scope, async (tx) => [
    ...(await tx<{ itemId: string; crewDayId: string; begun: boolean }[]>`
      select i.item_id as "itemId", i.crew_day_id as "crewDayId", r.begun_at is not null as begun
      from crew_day_item i
      join crew_day r on r.company_id = i.company_id and r.id = i.crew_day_id
      where i.company_id = ${scope.companyId} and i.item_id = any(${[...itemIds]})`),
  ]);

/** Rounds off which some items were left on a day: whoever leaves one again, without having heard of it, was on the same. */
export const crewDaysLeft = (
  scope: Scope,
  itemIds: readonly string[],
  day: LocalDate,
): Promise<{ itemId: string; crewDayId: string }[]> =>
  within(scope, async (tx) => [
    ...(await tx<{ itemId: string; crewDayId: string }[]>`
      select distinct on (item_id) item_id as "itemId", crew_day_id as "crewDayId"
      from not_done
      where company_id = ${scope.companyId} and item_id = any(${[...itemIds]}) and on_day = ${day} and not withdrawn
        and crew_day_id is not null
      order by item_id, at desc`),
  ]);

/** A round is begun, or was by a slip not yet. @returns false where it is closed or is not there */
export const setBegun = (scope: Scope, id: string, at: Date | null): Promise<boolean> =>
  within(
    scope,
    async (tx) =>
      (
        await tx`
          update crew_day
          set begun_at = ${at}, begun_by = ${at ? scope.personId : null}
          where company_id = ${scope.companyId} and id = ${id} and closed_at is null`
      ).count > 0,
  );

/** A day is closed. @returns false where somebody has closed it already */
export const setClosed = (scope: Scope, id: string, home: Home, at: Date): Promise<boolean> =>
  within(
    scope,
    async (tx) =>
      (
        await tx`
          update crew_day
          set closed_at = ${at}, closed_by = ${scope.personId}, home = ${json(tx, home)}
          where company_id = ${scope.companyId} and id = ${id} and closed_at is null and begun_at is not null`
      ).count > 0,
  );

/** The order of a round, by hand: positions from 0, and the hour of each. */
export const orderCrewDay = (
  scope: Scope,
  crewDayId: string,
  order: readonly { itemId: string; begins: number }[],
): Promise<unknown> =>
  within(
    scope,
    (tx) => tx`
      update crew_day_item i
      set position = m.position - 1, begins = m.begins
      from unnest(${order.map((o) => o.itemId)}::uuid[], ${order.map((o) => o.begins)}::int[])
        with ordinality as m (id, begins, position)
      where i.company_id = ${scope.companyId} and i.crew_day_id = ${crewDayId} and i.item_id = m.id`,
  );

/** Lines of the load sheet that were seen on the truck, with the amounts that they said then. */
export const ticksOf = (scope: Scope, crewDayId: string): Promise<Map<string, string>> =>
  within(
    scope,
    async (tx) =>
      new Map(
        (
          await tx<{ line: string; amount: string }[]>`
            select line, amount
            from load_check
            where company_id = ${scope.companyId} and crew_day_id = ${crewDayId}`
        ).map((t) => [t.line, t.amount]),
      ),
  );
export const setTicks = (
  scope: Scope,
  crewDayId: string,
  ticks: readonly { line: string; amount: string; on: boolean }[],
  /** When they were ticked. */
  at: Date,
) =>
  within(scope, async (tx) => {
    const off = ticks.filter((t) => !t.on).map((t) => t.line);
    const on = ticks.filter((t) => t.on);
    if (off.length)
      await tx`delete from load_check where company_id = ${scope.companyId} and crew_day_id = ${crewDayId} and line = any(${off})`;
    if (on.length)
      await tx`
        insert into load_check ${tx(
          on.map((t) => ({
            company_id: scope.companyId,
            crew_day_id: crewDayId,
            line: t.line,
            amount: t.amount,
            by_person: scope.personId,
            at,
          })),
        )}
        on conflict (company_id, crew_day_id, line) do update
        set amount = excluded.amount, at = excluded.at, by_person = excluded.by_person`;
  });

/** Something that a crew came to and did not do. */
export interface LeftRow {
  id: string;
  itemId: string;
  kind: About['kind'];
  treeId: string;
  tag: string;
  siteId: string;
  siteName: string;
  why: WhyLeft;
  words: string;
  day: LocalDate;
  at: Date;
  byName: string;
}
const lefts = (scope: Scope, where: 'crew_day_id' | 'tree_id', id: string, limit: number): Promise<LeftRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<LeftRow[]>`
      select x.id, x.item_id as "itemId", x.kind, x.tree_id as "treeId", t.tag, x.site_id as "siteId",
        p.name as "siteName", x.why, x.words, x.on_day::text as day, x.at, w.name as "byName"
      from not_done x
      join tree t on t.company_id = x.company_id and t.id = x.tree_id
      join site p on p.company_id = x.company_id and p.id = x.site_id
      join person w on w.company_id = x.company_id and w.id = x.by_person
      where x.company_id = ${scope.companyId} and ${tx(`x.${where}`)} = ${id} and not x.withdrawn
      order by x.at desc, x.position, x.item_id
      limit ${limit}`),
  ]);
export const leftOnCrewDay = (scope: Scope, crewDayId: string) => lefts(scope, 'crew_day_id', crewDayId, 400);
export const leftAtTree = (scope: Scope, treeId: string) => lefts(scope, 'tree_id', treeId, 20);

export interface NewLeft extends Pick<LeftRow, 'itemId' | 'kind' | 'treeId' | 'siteId' | 'day'> {
  crewDayId: string | null;
}
/** Items are left undone together, for one reason: each goes off its round, and where it stood is kept. */
export const leaveItems = (
  scope: Scope,
  l: { id: string; why: WhyLeft; words: string; at: Date },
  items: readonly NewLeft[],
) =>
  within(scope, async (tx) => {
    for (const i of items)
      await tx`
        insert into not_done (
          id, company_id, item_id, kind, tree_id, site_id, crew_day_id, position, begins, why, words, on_day, by_person, at)
        select ${l.id}, ${scope.companyId}, ${i.itemId}, ${i.kind}, ${i.treeId}, ${i.siteId}, ${i.crewDayId}, x.position,
          x.begins, ${l.why}, ${l.words}, ${i.day}, ${scope.personId}, ${l.at}
        from (select 1) one
        left join lateral (
          select position, begins
          from crew_day_item
          where company_id = ${scope.companyId} and item_id = ${i.itemId}
          union all
          -- It was left there by somebody else before: it stood where that one found it.
          (select position, begins
          from not_done
          where company_id = ${scope.companyId} and item_id = ${i.itemId} and crew_day_id = ${i.crewDayId} and not withdrawn
          order by at desc
          limit 1)
          limit 1) x on true`;
    await tx`
      delete from crew_day_item
      where company_id = ${scope.companyId} and item_id = any(${items.map((i) => i.itemId)})`;
  });

/** Taken back, items stand where they stood. @returns how many; 0 where it was taken back already, or its day is closed */
export const takeBackItems = (scope: Scope, id: string): Promise<number> =>
  within(scope, async (tx) => {
    const rows = await tx<{ itemId: string }[]>`
      update not_done x
      set withdrawn = true
      where x.company_id = ${scope.companyId} and x.id = ${id} and not x.withdrawn
        and not exists (
          select from crew_day r
          where r.company_id = x.company_id and r.id = x.crew_day_id and r.closed_at is not null)
      returning x.item_id as "itemId"`;
    await tx`
      insert into crew_day_item (company_id, crew_day_id, item_id, kind, site_id, position, begins)
      select company_id, crew_day_id, item_id, kind, site_id, position, begins
      from not_done
      where company_id = ${scope.companyId} and id = ${id} and crew_day_id is not null and position is not null
        and item_id = any(${rows.map((r) => r.itemId)})
        -- What somebody else left too stays off it.
        and not exists (
          select from not_done o
          where o.company_id = not_done.company_id and o.item_id = not_done.item_id
            and o.crew_day_id = not_done.crew_day_id and o.id <> not_done.id and not o.withdrawn)
      on conflict (company_id, item_id) do nothing`;
    return rows.length;
  });

/** The newest time that something which waits (n) was left undone, and why; null where it never was. */
export const lastLeft = (tx: Tx) => tx`(
  select jsonb_build_object('why', x.why, 'words', x.words, 'day', x.on_day, 'crewDayId', x.crew_day_id)
  from not_done x
  where x.company_id = n.company_id and x.item_id = n.id and not x.withdrawn
  order by x.at desc
  limit 1)`;
export interface LastLeft {
  why: WhyLeft;
  words: string;
  day: LocalDate;
  /** The round off which it went; null where it stood on none. */
  crewDayId: string | null;
}
