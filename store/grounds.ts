import type { GroundsPlan } from '@/core/grounds/plan';
import type { StemReading } from '@/core/measure/trunk';
import { json, within, type Scope, type Tx } from './db';

export interface Client {
  id: string;
  name: string;
  contact: string;
  places: number;
}
export interface PlaceRow {
  id: string;
  name: string;
  address: string;
  clientId: string;
  clientName: string;
  trees: number;
}
export interface Place {
  id: string;
  clientId: string;
  clientName: string;
  name: string;
  address: string;
  timeZone: string;
  outline: { lat: number; lon: number }[] | null;
  areaM2: number | null;
  soilTexture: 'sandy' | 'loam' | 'clay';
  waterM: number | null;
  firstPicking: string | null;
  lastPicking: string | null;
  /** Spans of single varieties. */
  pickings: { variety: string; from: string; to: string }[];
  access: string;
  hazards: string;
  dogs: string;
  notes: string;
  /** Counts the changes of what the form shows. */
  version: number;
}
export interface TreeRow {
  id: string;
  tag: string;
  hostId: string;
  placeId: string;
  placeName: string;
  walkOrder: number;
}

export const listClients = (scope: Scope): Promise<Client[]> =>
  within(scope, async (tx) => [
    ...(await tx<
      Client[]
    >`select c.id, c.name, c.contact, (select count(*)::int from place p where p.client_id = c.id and p.outfit_id = c.outfit_id and p.archived_at is null) as places from client c order by c.name, c.id limit 500`),
  ]);

export const saveClient = (scope: Scope, c: { id: string; name: string; contact: string }) =>
  within(
    scope,
    (
      tx,
    ) => tx`insert into client (id, outfit_id, name, contact) values (${c.id}, ${scope.outfitId}, ${c.name}, ${c.contact})
    on conflict (id) do update set name = excluded.name, contact = excluded.contact`,
  );

/** Places by name, from `after` on; `limit + 1` rows tell whether there is more. */
export const listPlaces = (
  scope: Scope,
  after: { name: string; id: string } | null,
  limit: number,
): Promise<PlaceRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<PlaceRow[]>`
      select p.id, p.name, p.address, p.client_id as "clientId", c.name as "clientName",
        (select count(*)::int from tree t where t.outfit_id = p.outfit_id and t.place_id = p.id and t.archived_at is null) as trees
      from place p join client c on c.id = p.client_id and c.outfit_id = p.outfit_id
      where p.archived_at is null ${after ? tx`and (p.name, p.id) > (${after.name}, ${after.id})` : tx``}
      order by p.name, p.id limit ${limit + 1}`),
  ]);

const placeColumns = (
  tx: Tx,
) => tx`p.id, p.client_id as "clientId", c.name as "clientName", p.name, p.address, p.time_zone as "timeZone", p.outline, p.area_m2 as "areaM2",
  p.soil_texture as "soilTexture", p.water_m as "waterM", p.first_picking as "firstPicking", p.last_picking as "lastPicking", p.pickings, p.access, p.hazards, p.dogs, p.notes, p.version`;

export const getPlace = (scope: Scope, id: string): Promise<Place | null> =>
  within(scope, async (tx) => {
    const [p] = await tx<
      Place[]
    >`select ${placeColumns(tx)} from place p join client c on c.id = p.client_id where p.id = ${id} and p.archived_at is null`;
    return p ?? null;
  });

/** Only for those whose role needs it; the caller asks core/people first. */
export const getGateCode = (scope: Scope, placeId: string): Promise<string | null> =>
  within(
    scope,
    async (tx) =>
      (await tx<{ code: string }[]>`select code from gate_code where place_id = ${placeId}`)[0]?.code ?? null,
  );

/** What a crew must know at the gate; the code only for those whose role needs it. */
export interface Arrival {
  access: string;
  hazards: string;
  dogs: string;
  code: string | null;
}
export const arrivalAt = (scope: Scope, placeId: string, withCode: boolean): Promise<Arrival | null> =>
  within(scope, async (tx) => {
    const [found] = await tx<Arrival[]>`
      select p.access, p.hazards, p.dogs,
        ${withCode ? tx`(select g.code from gate_code g where g.place_id = p.id and g.outfit_id = p.outfit_id)` : tx`null`} as code
      from place p
      where p.id = ${placeId} and p.outfit_id = ${scope.outfitId}`;
    return found ?? null;
  });

export type PlaceInput = Omit<Place, 'clientName' | 'version'> & {
  gateCode: string | null;
  /** The version that the form rests on; null for a new place. */
  basedOn: number | null;
};

/** @returns false where the place has been changed since the version that this rests on; nothing is written then */
export const savePlace = (scope: Scope, p: PlaceInput): Promise<boolean> =>
  within(scope, async (tx) => {
    const [now] = await tx<{ version: number }[]>`select version from place where id = ${p.id} for update`;
    if (now && now.version !== p.basedOn) return false;
    await tx`
      insert into place (id, outfit_id, client_id, name, address, time_zone, outline, area_m2, soil_texture, water_m, first_picking, last_picking, pickings, access, hazards, dogs, notes)
      values (${p.id}, ${scope.outfitId}, ${p.clientId}, ${p.name}, ${p.address}, ${p.timeZone}, ${p.outline ? json(tx, p.outline) : null}, ${p.areaM2}, ${p.soilTexture}, ${p.waterM}, ${p.firstPicking}, ${p.lastPicking}, ${json(tx, p.pickings)}, ${p.access}, ${p.hazards}, ${p.dogs}, ${p.notes})
      on conflict (id) do update set client_id = excluded.client_id, name = excluded.name, address = excluded.address, time_zone = excluded.time_zone, outline = excluded.outline, area_m2 = excluded.area_m2,
        soil_texture = excluded.soil_texture, water_m = excluded.water_m, first_picking = excluded.first_picking, last_picking = excluded.last_picking, pickings = excluded.pickings, access = excluded.access, hazards = excluded.hazards, dogs = excluded.dogs, notes = excluded.notes`;
    if (p.gateCode === null) return true;
    if (p.gateCode === '') await tx`delete from gate_code where place_id = ${p.id}`;
    else
      await tx`insert into gate_code (place_id, outfit_id, code) values (${p.id}, ${scope.outfitId}, ${p.gateCode}) on conflict (place_id) do update set code = excluded.code`;
    return true;
  });

export const placeTrees = (
  scope: Scope,
  placeId: string,
  after: { walkOrder: number; id: string } | null,
  limit: number,
): Promise<TreeRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<TreeRow[]>`
      select t.id, t.tag, t.host_id as "hostId", t.place_id as "placeId", '' as "placeName", t.walk_order as "walkOrder" from tree t
      where t.place_id = ${placeId} and t.outfit_id = ${scope.outfitId} and t.archived_at is null ${after ? tx`and (t.walk_order, t.id) > (${after.walkOrder}, ${after.id})` : tx``}
      order by t.walk_order, t.id limit ${limit + 1}`),
  ]);

export interface TreeSearch {
  /** Words; each must be the start of the tag, or be in the place, street, client or host name. */
  words: string[];
  /** Host ids whose names contain each word, in the order of `words`. */
  hostsOfWord: string[][];
  after: { tag: string; id: string } | null;
  limit: number;
}

/** Above this many hits a word is common: walking the list in order meets the next ones at once. */
const COMMON = { tags: 2000, places: 40 };

/**
 * Trees by tag in natural order. Words are first resolved against the small tables (places, clients, hosts). A rare
 * lead word is looked up along an index for each way it can match (tag prefix, host, place); a common one is met soon
 * by walking the list itself in order.
 */
export async function searchTrees(scope: Scope, s: TreeSearch): Promise<TreeRow[]> {
  return within(scope, async (tx) => {
    const o = scope.outfitId;
    const placesOf: string[][] = [];
    for (const w of s.words)
      placesOf.push(
        (
          await tx<{ id: string }[]>`
            select p.id from place p join client c on c.id = p.client_id and c.outfit_id = p.outfit_id
            where p.outfit_id = ${o} and p.archived_at is null and (p.name ilike ${like(w)} or p.address ilike ${like(w)} or c.name ilike ${like(w)}) limit 3000`
        ).map((p) => p.id),
      );
    const page = s.after ? tx`and (t.tag collate natural_order, t.id) > (${s.after.tag}, ${s.after.id})` : tx``;
    const order = tx`order by t.tag collate natural_order, t.id limit ${s.limit + 1}`;
    const cols = tx`t.id, t.tag, t.host_id, t.place_id, t.walk_order`;
    const live = tx`t.outfit_id = ${o} and t.archived_at is null`;
    const matches = (i: number) =>
      tx`(t.host_id = any(${s.hostsOfWord[i]!}) or t.place_id = any(${placesOf[i]!}::uuid[]) or t.tag ilike ${`${escape(s.words[i]!)}%`})`;
    const meets = (skip: number) =>
      s.words.map((_, i) => (i === skip ? tx`` : tx`and ${matches(i)}`)).reduce((a, b) => tx`${a} ${b}`, tx``);
    // The word that narrows most leads: its scan follows an index, the others filter.
    const lead = s.words
      .map((w, i) => ({
        i,
        weight: (/\d/.test(w) ? 0 : 1000) + placesOf[i]!.length + s.hostsOfWord[i]!.length * 100,
      }))
      .sort((a, b) => a.weight - b.weight)[0];
    const prefixes = lead ? [...new Set([s.words[lead.i]!, s.words[lead.i]!.toUpperCase()])] : [];
    const range = (w: string) => tx`t.tag collate "C" >= ${w} and t.tag collate "C" < ${w + '\uffff'}`;
    const common =
      lead !== undefined &&
      (placesOf[lead.i]!.length > COMMON.places ||
        (
          await Promise.all(
            prefixes.map(
              async (w) =>
                (
                  await tx<
                    { n: number }[]
                  >`select count(*)::int as n from (select from tree t where t.outfit_id = ${o} and ${range(w)} limit ${COMMON.tags}) x`
                )[0]!.n,
            ),
          )
        ).some((n) => n >= COMMON.tags));
    const rest = meets(lead?.i ?? -1);
    const byPrefix = (w: string) =>
      // The inner select is fenced off, so that the few tags are fetched by their prefix before they are put in order.
      tx`(select ${cols} from (select * from tree t where ${live} and ${range(w)} offset 0) t where true ${rest} ${page} ${order})`;
    const found = !lead
      ? tx`select ${cols} from tree t where ${live} ${page} ${order}`
      : common
        ? tx`select ${cols} from tree t where ${live} and ${matches(lead.i)} ${rest} ${page} ${order}`
        : tx`${prefixes.map(byPrefix).reduce((a, b) => tx`${a} union ${b}`)}
        union (select x.* from unnest(${s.hostsOfWord[lead.i]!}::text[]) h cross join lateral (select ${cols} from tree t where ${live} and t.host_id = h ${rest} ${page} ${order}) x)
        union (select x.* from unnest(${placesOf[lead.i]!}::uuid[]) pl cross join lateral (select ${cols} from tree t where ${live} and t.place_id = pl ${rest} ${page} ${order}) x)`;
    // Walking the list in its own order is what a common word needs; a sort of all its hits would be slow.
    if (common) await tx`select set_config('enable_sort', 'off', true), set_config('enable_bitmapscan', 'off', true)`;
    return [
      ...(await tx<TreeRow[]>`
        select t.id, t.tag, t.host_id as "hostId", t.place_id as "placeId", p.name as "placeName", t.walk_order as "walkOrder"
        from (${found}) t join place p on p.id = t.place_id and p.outfit_id = ${o} order by t.tag collate natural_order, t.id limit ${s.limit + 1}`),
    ];
  });
}

const escape = (w: string) => w.replace(/[\\%_]/g, (c) => `\\${c}`);
const like = (w: string) => `%${escape(w)}%`;

export interface NewTree {
  id: string;
  placeId: string;
  tag: string;
  hostId: string;
  lat: number | null;
  lon: number | null;
  walkOrder: number;
  note: string;
  diameterCm?: number;
  stems?: unknown;
  heightM?: number | null;
}

/** Inserts trees, with a first reading where there is one; `onProgress` hears how many are in. All or nothing. */
export const addTrees = (
  scope: Scope,
  trees: NewTree[],
  breastHeightCm: number,
  readingId: () => string,
  onProgress?: (done: number) => void,
) =>
  within(scope, async (tx) => {
    for (let i = 0; i < trees.length; i += 500) {
      const part = trees.slice(i, i + 500);
      await tx`insert into tree ${tx(part.map((t) => ({ id: t.id, outfit_id: scope.outfitId, place_id: t.placeId, tag: t.tag, host_id: t.hostId, lat: t.lat, lon: t.lon, walk_order: t.walkOrder, note: t.note })))}`;
      const read = part.filter((t) => t.diameterCm !== undefined);
      if (read.length)
        await tx`insert into reading ${tx(read.map((t) => ({ id: readingId(), outfit_id: scope.outfitId, tree_id: t.id, at: new Date(), by_person: scope.personId, diameter_cm: t.diameterCm!, at_height_cm: breastHeightCm, stems: json(tx, t.stems), tree_height_m: t.heightM ?? null, method: 'import' })) as never)}`;
      onProgress?.(Math.min(i + 500, trees.length));
    }
  });

export const takenTags = (scope: Scope, placeId: string, tags: string[]): Promise<string[]> =>
  within(scope, async (tx) =>
    (await tx<{ tag: string }[]>`select tag from tree where place_id = ${placeId} and tag = any(${tags})`).map(
      (r) => r.tag,
    ),
  );

export const nextWalkOrder = (scope: Scope, placeId: string): Promise<number> =>
  within(
    scope,
    async (tx) =>
      (
        await tx<
          { n: number }[]
        >`select coalesce(max(walk_order), 0)::int + 1 as n from tree where place_id = ${placeId} and outfit_id = ${scope.outfitId}`
      )[0]!.n,
  );

export interface ExportRow {
  tag: string;
  hostId: string;
  client: string;
  place: string;
  address: string;
  lat: number | null;
  lon: number | null;
  walkOrder: number;
  note: string;
  diameterCm: number | null;
  heightM: number | null;
}
/** Every tree of the outfit (or of one place), in batches, for exports that must not fill the memory. */
export async function* exportTrees(scope: Scope, placeId: string | null): AsyncGenerator<ExportRow[]> {
  let after: string | null = null;
  for (;;) {
    const rows: (ExportRow & { id: string })[] = await within(scope, async (tx) => [
      ...(await tx<(ExportRow & { id: string })[]>`
        select t.id, t.tag, t.host_id as "hostId", c.name as client, p.name as place, p.address, t.lat, t.lon, t.walk_order as "walkOrder", t.note, r.diameter_cm as "diameterCm", r.tree_height_m as "heightM"
        from tree t join place p on p.id = t.place_id join client c on c.id = p.client_id
        left join lateral (select diameter_cm, tree_height_m from reading where outfit_id = t.outfit_id and tree_id = t.id order by at desc, id limit 1) r on true
        where t.outfit_id = ${scope.outfitId} and t.archived_at is null ${placeId ? tx`and t.place_id = ${placeId}` : tx``} ${after ? tx`and t.id > ${after}` : tx``}
        order by t.id limit 2000`),
    ]);
    if (rows.length) yield rows;
    if (rows.length < 2000) return;
    after = rows.at(-1)!.id;
  }
}

export const setTreeArchived = (scope: Scope, id: string, archived: boolean) =>
  within(scope, (tx) => tx`update tree set archived_at = ${archived ? new Date() : null} where id = ${id}`);

/** The plan of a place, with its trees: on the plan, on the globe, or nowhere yet. */
export interface PlacePlan {
  grounds: GroundsPlan | null;
  trees: {
    id: string;
    tag: string;
    hostId: string;
    lat: number | null;
    lon: number | null;
    x: number | null;
    y: number | null;
    diameterCm: number | null;
    crownWidthM: number | null;
  }[];
}
export const placePlan = (scope: Scope, placeId: string): Promise<PlacePlan | null> =>
  within(scope, async (tx) => {
    const [p] = await tx<
      { grounds: GroundsPlan | null }[]
    >`select grounds from place where id = ${placeId} and outfit_id = ${scope.outfitId}`;
    if (!p) return null;
    const trees = await tx<PlacePlan['trees']>`
      select t.id, t.tag, t.host_id as "hostId", t.lat, t.lon, t.plan_x as x, t.plan_y as y, r.diameter_cm as "diameterCm", r.crown_width_m as "crownWidthM"
      from tree t left join lateral (select diameter_cm, crown_width_m from reading r where r.outfit_id = t.outfit_id and r.tree_id = t.id order by at desc, id limit 1) r on true
      where t.outfit_id = ${scope.outfitId} and t.place_id = ${placeId} and t.archived_at is null order by t.walk_order, t.id limit 600`;
    return { grounds: p.grounds, trees: [...trees] };
  });

/** Keeps the plan and where its trees stand, together; area and distance to water follow from what is drawn. */
export const savePlan = (
  scope: Scope,
  placeId: string,
  grounds: GroundsPlan,
  areaM2: number | null,
  trees: readonly { id: string; x: number; y: number; lat: number | null; lon: number | null }[],
): Promise<boolean> =>
  within(scope, async (tx) => {
    const done =
      await tx`update place set grounds = ${json(tx, grounds)}, area_m2 = coalesce(${areaM2}, area_m2) where id = ${placeId}`;
    for (const t of trees)
      await tx`update tree set plan_x = ${t.x}, plan_y = ${t.y}, lat = coalesce(${t.lat}, lat), lon = coalesce(${t.lon}, lon) where id = ${t.id} and place_id = ${placeId}`;
    return done.count > 0;
  });

export interface OthersApplied {
  id: string;
  active: string;
  grams: number;
  onDay: string;
  who: string;
}
/** What somebody else put on this tree. */
export interface ByOthers extends Pick<OthersApplied, 'onDay' | 'active' | 'who'> {
  family: string;
  resistance: string;
  conditionId: string | null;
  effect: 'none' | 'some' | 'good' | null;
}
export const othersApplied = (scope: Scope, placeId: string): Promise<OthersApplied[]> =>
  within(scope, async (tx) => [
    ...(await tx<
      OthersApplied[]
    >`select id, active, grams, on_day as "onDay", who from others_applied where outfit_id = ${scope.outfitId} and place_id = ${placeId} order by on_day desc, id limit 40`),
  ]);
/** What others put down on a place, or on one of its trees, where it may also be evidence. */
export const addOthersApplied = (
  scope: Scope,
  x: OthersApplied & Partial<ByOthers> & { placeId: string; treeId?: string },
) =>
  within(
    scope,
    (tx) => tx`
      insert into others_applied (id, outfit_id, place_id, tree_id, active, family, resistance, condition_id, effect, grams, on_day, who, by_person)
      values (${x.id}, ${scope.outfitId}, ${x.placeId}, ${x.treeId ?? null}, ${x.active}, ${x.family ?? ''}, ${x.resistance ?? ''},
        ${x.conditionId ?? null}, ${x.effect ?? null}, ${x.grams}, ${x.onDay}, ${x.who}, ${scope.personId})
      on conflict (id) do nothing`,
  );

/** A tree of a place that must be known of before anybody walks there. */
export interface Alarm {
  treeId: string;
  tag: string;
  /** Signs of danger in its newest look. */
  signs: string[];
  /** What must be reported and has been neither named otherwise nor said to be wrong. */
  report: string | null;
}
/** Danger seen and reports due on the trees of a place. */
export const placeAlarms = (scope: Scope, placeId: string, dangerous: readonly string[]): Promise<Alarm[]> =>
  within(scope, async (tx) => [
    ...(await tx<Alarm[]>`
      select * from (
        select t.id as "treeId", t.tag, t.walk_order,
          array(select f.sign_id from finding f where f.outfit_id = ${scope.outfitId} and f.state = 'seen' and f.sign_id = any (${[...dangerous]})
            and f.look_id = (select l.id from look l where l.outfit_id = ${scope.outfitId} and l.tree_id = t.id and not exists (select from look_withdrawal w where w.outfit_id = ${scope.outfitId} and w.look_id = l.id) order by l.at desc, l.id desc limit 1)
            order by f.sign_id) as signs,
          (select v.condition_id from verdict v where v.outfit_id = ${scope.outfitId} and v.tree_id = t.id and v.decision = 'report'
            and not exists (select from verdict n where n.outfit_id = ${scope.outfitId} and n.tree_id = t.id and n.at > v.at and (n.condition_id = v.condition_id or v.id = any (n.overturns)))
            order by v.at desc limit 1) as report
        from tree t where t.outfit_id = ${scope.outfitId} and t.place_id = ${placeId} and t.archived_at is null) a
      where cardinality(a.signs) > 0 or a.report is not null order by a.walk_order, a.tag limit 40`),
  ]);

/** The trees of a place with what a choice among them rests on: trunk, host, the newest decision, crown loss. */
export interface StandTree {
  id: string;
  tag: string;
  hostId: string;
  stems: StemReading[] | null;
  crownLoss: number | null;
  conditionId: string | null;
  decision: string | null;
}
export const placeStand = (
  scope: Scope,
  placeId: string,
  year: string,
): Promise<{ trees: StandTree[]; used: Record<string, number> }> =>
  within(scope, async (tx) => {
    const o = scope.outfitId;
    const trees = await tx<StandTree[]>`
      select t.id, t.tag, t.host_id as "hostId", r.stems, l.crown_loss as "crownLoss", v.condition_id as "conditionId", v.decision
      from tree t
      left join lateral (select stems from reading where outfit_id = ${o} and tree_id = t.id order by at desc, id limit 1) r on true
      left join lateral (select crown_loss from look where outfit_id = ${o} and tree_id = t.id and crown_loss is not null order by at desc, id limit 1) l on true
      left join lateral (select condition_id, decision from verdict where outfit_id = ${o} and tree_id = t.id order by at desc, id limit 1) v on true
      where t.outfit_id = ${o} and t.place_id = ${placeId} and t.archived_at is null order by t.walk_order, t.id limit 1000`;
    const used = await tx<{ name: string; grams: number }[]>`
      select u.name, u.grams
      from place p
      cross join lateral (${activesOfPlace(tx, year)}) u
      where p.outfit_id = ${o} and p.id = ${placeId}`;
    return { trees: [...trees], used: Object.fromEntries(used.map((u) => [u.name, u.grams])) };
  });

/**
 * Grams of each active put on the place `p` of the statement around it in a year, by this outfit and, as far as it is told, by
 * others: rows of name and grams.
 */
export const activesOfPlace = (tx: Tx, year: string) => tx`
  select name, sum(grams)::float8 as grams from (
    select a->>'name' as name, (a->>'grams')::float8 as grams
    from record r
    cross join lateral jsonb_array_elements(r.data->'actives') a
    where r.outfit_id = p.outfit_id and r.place_id = p.id and r.latest and not r.withdrawn
      and r.done_on between ${`${year}-01-01`} and ${`${year}-12-31`}
    union all
    select b.active, b.grams::float8
    from others_applied b
    where b.outfit_id = p.outfit_id and b.place_id = p.id and b.on_day between ${`${year}-01-01`} and ${`${year}-12-31`}
  ) x
  group by name`;
