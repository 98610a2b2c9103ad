import type { HoursRule } from '@/core/schedule/hours';
import type { Item } from '@/core/schedule/jobs';
import type { Piece, Timed } from '@/core/schedule/durations';
import type { Home } from '@/core/crew-day/home-schema';
import type { Label, LabelUse } from '@/core/label/schema';
import type { LocalDate } from '@/lib/calendar/zone';
import { sound } from './plan-parts';
import { json, within, type Scope, type Tx } from './db';

/** Somebody of a crew, with the licence that they bring. */
export interface CrewPerson {
  id: string;
  name: string;
  licenceCategories: string[];
  licenceExpires: LocalDate | null;
}
export interface CrewRow {
  id: string;
  name: string;
  hours: HoursRule[];
  yardLat: number | null;
  yardLon: number | null;
  least: number;
  active: boolean;
  version: number;
  people: CrewPerson[];
}
/** Crews by name, those that are no more last. */
export const listCrews = (scope: Scope): Promise<CrewRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<CrewRow[]>`
      select c.id, c.name, c.hours, c.yard_lat as "yardLat", c.yard_lon as "yardLon", c.least, c.active, c.version,
        coalesce((
          select jsonb_agg(jsonb_build_object('id', p.id, 'name', p.name, 'licenceCategories', p.licence_categories,
            'licenceExpires', case when p.licence_number is null then null else p.licence_expires end) order by p.name, p.id)
          from crew_person x
          join person p on p.id = x.person_id and p.company_id = x.company_id and p.active
          where x.company_id = c.company_id and x.crew_id = c.id), '[]') as people
      from crew c
      where c.company_id = ${scope.companyId}
      order by c.active desc, c.name, c.id
      limit 60`),
  ]);

export interface CrewInput extends Omit<CrewRow, 'people' | 'version'> {
  personIds: string[];
  /** The version that the form rests on; null for a new crew. */
  basedOn: number | null;
}
/** Keeps a crew; whoever is in it leaves the crew of before. @returns false where it was changed meanwhile */
export const upsertCrew = (scope: Scope, c: CrewInput): Promise<boolean> =>
  within(scope, async (tx) => {
    const [now] = await tx<{ version: number }[]>`
      select version from crew where company_id = ${scope.companyId} and id = ${c.id} for update`;
    if (now ? now.version !== c.basedOn : c.basedOn !== null) return false;
    const row = {
      name: c.name,
      hours: json(tx, c.hours),
      yard_lat: c.yardLat,
      yard_lon: c.yardLon,
      least: c.least,
      active: c.active,
    };
    if (now) await tx`update crew set ${tx(row as never)} where company_id = ${scope.companyId} and id = ${c.id}`;
    else await tx`insert into crew ${tx({ id: c.id, company_id: scope.companyId, ...row } as never)}`;
    await tx`
      delete from crew_person
      where company_id = ${scope.companyId} and crew_id = ${c.id} and not person_id = any(${c.personIds})`;
    for (const personId of c.personIds)
      await tx`
        insert into crew_person (company_id, crew_id, person_id)
        values (${scope.companyId}, ${c.id}, ${personId})
        on conflict (company_id, person_id) do update set crew_id = excluded.crew_id`;
    return true;
  });

/** Days on which somebody does not work. */
export interface Absence {
  id: string;
  personId: string;
  name: string;
  from: LocalDate;
  to: LocalDate;
  why: string;
}
export const absentSince = (scope: Scope, from: LocalDate): Promise<Absence[]> =>
  within(scope, async (tx) => [
    ...(await tx<Absence[]>`
      select a.id, a.person_id as "personId", p.name, a.from_day::text as from, a.to_day::text as to, a.why
      from absence a
      join person p on p.id = a.person_id and p.company_id = a.company_id
      where a.company_id = ${scope.companyId} and not a.withdrawn and a.to_day >= ${from}
      order by a.from_day, p.name
      limit 200`),
  ]);
/** Sent twice, it lands once. */
export const insertAbsence = (scope: Scope, a: Omit<Absence, 'name'>) =>
  within(
    scope,
    (tx) => tx`
      insert into absence (id, company_id, person_id, from_day, to_day, why, by_person)
      values (${a.id}, ${scope.companyId}, ${a.personId}, ${a.from}, ${a.to}, ${a.why}, ${scope.personId})
      on conflict (id) do nothing`,
  );
export const deleteAbsenceRow = (scope: Scope, id: string) =>
  within(scope, (tx) => tx`update absence set withdrawn = true where company_id = ${scope.companyId} and id = ${id}`);

/** What waits for a crew before it is an item of a problem: what the store knows of it. */
interface QueuedWrite {
  id: string;
  treeId: string;
  tag: string;
  walk: number;
  siteId: string;
  section: string;
  sound: boolean;
  /** The round in which it stands. */
  crewId: string | null;
  crewDayOf: LocalDate | null;
  locked: boolean | null;
  /** Its crew has set out with it. */
  begun: boolean;
  /** The programme whose visit it is. */
  assignmentId: string | null;
  visitId: string | null;
}
export interface WaitingPlan extends QueuedWrite {
  conditionId: string;
  label: Pick<Label, 'key' | 'name' | 'restricted' | 'licenceCategory' | 'actives'>;
  use: LabelUse;
  sites: number | null;
  mixMl: number | null;
  /** Minutes until what hangs is empty, as they were expected. */
  uptake: number | null;
  plannedFor: LocalDate | null;
  earliest: LocalDate | null;
  latest: LocalDate | null;
}
export interface WaitingWork extends QueuedWrite {
  workId: string;
  minutes: number;
  plannedFor: LocalDate | null;
  earliest: LocalDate | null;
  latest: LocalDate | null;
}
export interface OpenInspection extends QueuedWrite {
  kind: string;
  what: string;
  due: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
}
export interface WaitingSite {
  id: string;
  name: string;
  clientName: string;
  hours: HoursRule[];
  timeZone: string;
  region: string | null;
  lat: number | null;
  lon: number | null;
  /** Days of which its client was told. */
  told: LocalDate[];
}
export interface AllWaiting {
  plans: WaitingPlan[];
  works: WaitingWork[];
  looks: OpenInspection[];
  places: WaitingSite[];
  /** There is more than is read at once; the soonest are here. */
  more: boolean;
}
/** So many of each kind are read at once. */
const MOST = 2000;

/** The round in which an item (x) stands. */
const standing = (tx: Tx) => tx`
  left join crew_day_item i on i.company_id = x.company_id and i.item_id = x.id
  left join crew_day r on r.company_id = i.company_id and r.id = i.crew_day_id`;
const standingColumns = (tx: Tx) => tx`
  r.crew_id as "crewId", r.day::text as "crewDayOf", i.locked, r.begun_at is not null as begun`;

/** Everything that waits for a crew up to a day, with its places: plans, works, dates. In four statements, however much it is. */
export const waitingUntil = (scope: Scope, last: LocalDate): Promise<AllWaiting> =>
  within(scope, async (tx) => {
    const o = scope.companyId;
    const [plans, works, looks] = await Promise.all([
      tx<WaitingPlan[]>`
        select x.id, x.tree_id as "treeId", t.tag, t.walk_order as walk, t.site_id as "siteId", t.section,
          ${sound(tx)} as sound, ${standingColumns(tx)}, b.assignment_id as "assignmentId", x.visit_id as "visitId",
          x.condition_id as "conditionId",
          jsonb_build_object('key', l.data->'key', 'name', l.data->'name', 'restricted', l.data->'restricted',
            'licenceCategory', l.data->'licenceCategory', 'actives', l.data->'actives') as label,
          u as use, (x.result->'dose'->'sites'->>'count')::int as sites,
          (x.result->'dose'->'carrier'->>'totalMl')::float8 as "mixMl",
          (x.result->'uptake'->>'minutes')::float8 as uptake,
          x.planned_for::text as "plannedFor", x.earliest::text, x.latest::text
        from (
          select *
          from treatment_plan
          where company_id = ${o} and state = 'open' and coalesce(earliest, '-infinity'::date) <= ${last}
          order by coalesce(earliest, '-infinity'::date), at, id
          limit ${MOST}) x
        join tree t on t.id = x.tree_id and t.company_id = ${o} and t.archived_at is null
        join label l on l.id = x.label_id and l.company_id = x.company_id
        cross join lateral (
          select y as u
          from jsonb_array_elements(l.data->'uses') y
          where y->>'key' = x.use_key
          limit 1) u
        left join programme_visit b on b.company_id = x.company_id and b.id = x.visit_id
        ${standing(tx)}`,
      tx<WaitingWork[]>`
        select x.id, x.tree_id as "treeId", t.tag, t.walk_order as walk, t.site_id as "siteId", t.section,
          ${sound(tx)} as sound, ${standingColumns(tx)}, b.assignment_id as "assignmentId", x.visit_id as "visitId",
          x.work_id as "workId", (x.sheet->>'minutes')::float8 as minutes, x.planned_for::text as "plannedFor",
          b.earliest::text, b.latest::text
        from (
          select *
          from work_plan
          where company_id = ${o} and state = 'open' and coalesce(planned_for, '-infinity'::date) <= ${last}
          order by coalesce(planned_for, '-infinity'::date), at, id
          limit ${MOST}) x
        join tree t on t.id = x.tree_id and t.company_id = ${o} and t.archived_at is null
        left join programme_visit b on b.company_id = x.company_id and b.id = x.visit_id
        ${standing(tx)}`,
      tx<OpenInspection[]>`
        select x.id, x.tree_id as "treeId", t.tag, t.walk_order as walk, t.site_id as "siteId", t.section,
          ${sound(tx)} as sound, ${standingColumns(tx)}, b.assignment_id as "assignmentId", b.id as "visitId",
          x.kind, x.what, x.due::text, x.earliest::text, x.latest::text
        from (
          select *
          from follow_up
          where company_id = ${o} and state = 'open' and due <= ${last}
          order by due, id
          limit ${MOST}) x
        join tree t on t.id = x.tree_id and t.company_id = ${o} and t.archived_at is null
        left join programme_visit b on b.company_id = x.company_id and b.id = x.root_id and x.rule_id = 'programme'
        ${standing(tx)}`,
    ]);
    const ids = [...new Set([...plans, ...works, ...looks].map((w) => w.siteId))];
    const places = await tx<WaitingSite[]>`
      select p.id, p.name, c.name as "clientName", p.hours, p.time_zone as "timeZone", p.region,
        coalesce((p.site_map->'origin'->>'lat')::float8, s.lat) as lat,
        coalesce((p.site_map->'origin'->>'lon')::float8, s.lon) as lon,
        array(select d.day::text from client_notice d where d.company_id = p.company_id and d.site_id = p.id
          order by d.day desc limit 60) as told
      from site p
      join client c on c.id = p.client_id and c.company_id = p.company_id
      left join lateral (
        select t.lat, t.lon
        from tree t
        where t.company_id = p.company_id and t.site_id = p.id and t.lat is not null
        order by t.walk_order, t.id
        limit 1) s on true
      where p.company_id = ${o} and p.id = any(${ids})
      order by p.name, p.id`;
    const more = [plans, works, looks].some((of) => of.length === MOST);
    return { plans: [...plans], works: [...works], looks: [...looks], places: [...places], more };
  });

/** Pieces of work on record since a day, for the pace at which a company works. */
export const timedSince = (scope: Scope, since: LocalDate): Promise<Timed[]> =>
  within(scope, async (tx) => [
    ...(await tx<Timed[]>`
      select method, extract(epoch from ended_at - started_at)::float8 / 60 as minutes,
        jsonb_array_length(data->'sites') as holes
      from record
      where company_id = ${scope.companyId} and latest and not withdrawn and done_on >= ${since}
      order by done_on desc
      limit 1000`),
  ]);

/** The newest days that crews have closed since one, with what of them is in the book; a day of other work too tells nothing of it. */
export const closedDays = (scope: Scope, since: LocalDate): Promise<ClosedDay[]> =>
  within(scope, async (tx) => [
    ...(await tx<ClosedDay[]>`
      select r.begun_at as "begunAt", r.home, c.yard_lat as "yardLat", c.yard_lon as "yardLon", x.pieces
      from (
        select id, company_id, crew_id, begun_at, home
        from crew_day
        where company_id = ${scope.companyId} and day >= ${since} and closed_at is not null and home is not null
        order by day desc, id
        limit 60) r
      join crew c on c.company_id = r.company_id and c.id = r.crew_id
      join lateral (
        select jsonb_agg(jsonb_build_object(
            'siteId', i.site_id, 'method', k.method, 'startedAt', k.started_at, 'endedAt', k.ended_at,
            'lat', (p.site_map->'origin'->>'lat')::float8, 'lon', (p.site_map->'origin'->>'lon')::float8)) as pieces,
          bool_and(i.kind = 'plan') as "onlyPlans"
        from crew_day_item i
        join site p on p.company_id = i.company_id and p.id = i.site_id
        left join record k on k.company_id = i.company_id and k.plan_id = i.item_id and k.latest and not k.withdrawn
        where i.company_id = r.company_id and i.crew_day_id = r.id
          and (i.kind <> 'plan' or k.id is not null)) x on x."onlyPlans"`),
  ]);

/** A day as it was closed, with its records. */
export interface ClosedDay {
  begunAt: Date;
  home: Home;
  yardLat: number | null;
  yardLon: number | null;
  pieces: Piece[];
}

/** An item of a round as it stands. */
export interface CrewDayItemRow {
  itemId: string;
  kind: Item['about']['kind'];
  siteId: string;
  siteName: string;
  begins: number;
  locked: boolean;
}
export interface CrewDayRow {
  id: string;
  crewId: string;
  crewName: string;
  day: LocalDate;
  byName: string;
  begunAt: Date | null;
  closedAt: Date | null;
  items: CrewDayItemRow[];
}
/** Crews' days from `from` to `to`, with what stands in them in its order. */
export const crewDaysBetween = (scope: Scope, from: LocalDate, to: LocalDate): Promise<CrewDayRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<CrewDayRow[]>`
      select r.id, r.crew_id as "crewId", c.name as "crewName", r.day::text as day, p.name as "byName",
        r.begun_at as "begunAt", r.closed_at as "closedAt", coalesce(x.items, '[]') as items
      from crew_day r
      join crew c on c.id = r.crew_id and c.company_id = r.company_id
      join person p on p.id = r.by_person and p.company_id = r.company_id
      cross join lateral (
        select jsonb_agg(jsonb_build_object('itemId', i.item_id, 'kind', i.kind, 'siteId', i.site_id,
          'siteName', q.name, 'begins', i.begins, 'locked', i.locked) order by i.position) as items
        from crew_day_item i
        join site q on q.id = i.site_id and q.company_id = i.company_id
        where i.company_id = r.company_id and i.crew_day_id = r.id) x
      where r.company_id = ${scope.companyId} and r.day between ${from} and ${to}
        and (x.items is not null or r.begun_at is not null)
      order by r.day, c.name, r.id`),
  ]);

/** Where an item goes: the day, the crew, its place in their order. */
export interface ItemPlaced extends Omit<CrewDayItemRow, 'siteName'> {
  crewId: string;
  day: LocalDate;
  position: number;
}
/** Puts items into rounds, each in one; those that are left out stand in none. Rounds that do not exist are made. */
export const writeCrewDays = (
  scope: Scope,
  newId: () => string,
  placed: readonly ItemPlaced[],
  out: readonly string[],
) =>
  within(scope, async (tx) => {
    const days = [...new Map(placed.map((p) => [`${p.crewId} ${p.day}`, p])).values()];
    for (let i = 0; i < days.length; i += 100)
      await tx`
        insert into crew_day ${tx(
          days.slice(i, i + 100).map((d) => ({
            id: newId(),
            company_id: scope.companyId,
            crew_id: d.crewId,
            day: d.day,
            by_person: scope.personId,
          })),
        )}
        on conflict (company_id, crew_id, day) do nothing`;
    const rounds = await tx<{ id: string; crewId: string; day: LocalDate }[]>`
      select id, crew_id as "crewId", day::text as day
      from crew_day
      where company_id = ${scope.companyId} and day = any(${[...new Set(days.map((d) => d.day))]}::date[])`;
    const at = new Map(rounds.map((r) => [`${r.crewId} ${r.day}`, r.id]));
    if (out.length)
      await tx`delete from crew_day_item where company_id = ${scope.companyId} and item_id = any(${[...out]})`;
    for (let i = 0; i < placed.length; i += 200)
      await tx`
        insert into crew_day_item ${tx(
          placed.slice(i, i + 200).map((p) => ({
            company_id: scope.companyId,
            crew_day_id: at.get(`${p.crewId} ${p.day}`)!,
            item_id: p.itemId,
            kind: p.kind,
            site_id: p.siteId,
            position: p.position,
            begins: p.begins,
            locked: p.locked,
          })),
        )}
        on conflict (company_id, item_id) do update
        set crew_day_id = excluded.crew_day_id, position = excluded.position, begins = excluded.begins,
          locked = excluded.locked`;
  });

/** Plans of their own that stand in a round are for its day. */
export const planFor = (scope: Scope, moved: readonly { planId: string; day: LocalDate }[]) =>
  within(
    scope,
    (tx) => tx`
      update treatment_plan n
      set planned_for = m.day, moves = moves + 1
      from unnest(${moved.map((m) => m.planId)}::uuid[], ${moved.map((m) => m.day)}::date[]) as m (id, day)
      where n.company_id = ${scope.companyId} and n.id = m.id and n.state = 'open'
        and m.day between n.earliest and n.latest`,
  );

/** The client of a place was told of a day. */
export const tellDay = (scope: Scope, siteId: string, day: LocalDate) =>
  within(
    scope,
    (tx) => tx`
      insert into client_notice (company_id, site_id, day, by_person)
      values (${scope.companyId}, ${siteId}, ${day}, ${scope.personId})
      on conflict do nothing`,
  );
/** Crews that have set out on a day, home again or not. */
export const setOutOn = (scope: Scope, day: LocalDate): Promise<Set<string>> =>
  within(
    scope,
    async (tx) =>
      new Set(
        (
          await tx<{ id: string }[]>`
            select crew_id as id
            from crew_day
            where company_id = ${scope.companyId} and day = ${day} and begun_at is not null`
        ).map((r) => r.id),
      ),
  );
/** Places whose clients were told of a day. */
export const toldOf = (scope: Scope, day: LocalDate): Promise<Set<string>> =>
  within(
    scope,
    async (tx) =>
      new Set(
        (
          await tx<{ id: string }[]>`
            select site_id as id
            from client_notice
            where company_id = ${scope.companyId} and day = ${day}`
        ).map((r) => r.id),
      ),
  );
