import { json, within, type Scope } from './db';
import { clockNow } from './clock';

export interface TreeRow {
  id: string;
  tag: string;
  hostId: string;
  siteId: string;
  siteName: string;
  walkOrder: number;
}

/** A tree of one place; its sort or variety and the section it stands in, where somebody named them, else empty. */
export interface SiteTree extends TreeRow {
  variety: string;
  section: string;
}
export const siteTrees = (
  scope: Scope,
  siteId: string,
  after: { walkOrder: number; id: string } | null,
  limit: number,
): Promise<SiteTree[]> =>
  within(scope, async (tx) => [
    ...(await tx<SiteTree[]>`
      select t.id, t.tag, t.host_id as "hostId", t.site_id as "siteId", '' as "siteName",
        t.walk_order as "walkOrder",
        t.variety, t.section
      from tree t
      where t.site_id = ${siteId} and t.company_id = ${scope.companyId} and t.archived_at is null ${after ? tx`and (t.walk_order, t.id) > (${after.walkOrder}, ${after.id})` : tx``}
      order by t.walk_order, t.id limit ${limit + 1}`),
  ]);

export interface NewTree {
  id: string;
  siteId: string;
  tag: string;
  hostId: string;
  /** The species as it was written, where the host does not say it. */
  species: string;
  lat: number | null;
  lon: number | null;
  walkOrder: number;
  note: string;
  section: string;
  /** The list that brought it; left out where it was hung by hand. */
  importId?: string;
  /** Its first reading, with the instant at which the trunk was measured. */
  reading: { at: Date; diameterCm: number; stems: unknown; heightM: number | null; method: string } | null;
}

/** Trees in one statement: writing it out keeps everybody waiting. */
const AT_ONCE = 200;
/** Inserts trees, with a first reading where there is one; `onProgress` hears how many are in. All or nothing. */
export const addTrees = ({
  scope,
  trees,
  breastHeightCm,
  readingId,
  onProgress,
}: {
  scope: Scope;
  trees: NewTree[];
  breastHeightCm: number;
  readingId: () => string;
  onProgress?: (done: number) => void;
}) =>
  within(scope, async (tx) => {
    for (let i = 0; i < trees.length; i += AT_ONCE) {
      const part = trees.slice(i, i + AT_ONCE);
      const rows = part.map((t) => ({
        id: t.id,
        company_id: scope.companyId,
        site_id: t.siteId,
        tag: t.tag,
        host_id: t.hostId,
        species: t.species,
        lat: t.lat,
        lon: t.lon,
        walk_order: t.walkOrder,
        note: t.note,
        section: t.section,
        import_id: t.importId ?? null,
      }));
      await tx`insert into tree ${tx(rows)}`;
      const readings = part.flatMap((t) =>
        t.reading === null
          ? []
          : [
              {
                id: readingId(),
                company_id: scope.companyId,
                tree_id: t.id,
                at: t.reading.at,
                by_person: scope.personId,
                diameter_cm: t.reading.diameterCm,
                at_height_cm: breastHeightCm,
                stems: json(tx, t.reading.stems),
                tree_height_m: t.reading.heightM,
                method: t.reading.method,
              },
            ],
      );
      if (readings.length) await tx`insert into measurement ${tx(readings as never)}`;
      onProgress?.(Math.min(i + AT_ONCE, trees.length));
    }
  });

export const takenTags = (scope: Scope, siteId: string, tags: string[]): Promise<string[]> =>
  within(scope, async (tx) =>
    (
      await tx<
        { tag: string }[]
      >`select tag from tree where company_id = ${scope.companyId} and site_id = ${siteId} and archived_at is null and tag = any(${tags})`
    ).map((r) => r.tag),
  );

export const nextWalkOrder = (scope: Scope, siteId: string): Promise<number> =>
  within(
    scope,
    async (tx) =>
      (
        await tx<
          { n: number }[]
        >`select coalesce(max(walk_order), 0)::int + 1 as n from tree where site_id = ${siteId} and company_id = ${scope.companyId}`
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
  section: string;
  species: string;
  diameterCm: number | null;
  heightM: number | null;
}

/** Trees at once: few enough that whoever waits beside an export is not kept. */
const PART = 500;

/** Every tree of the company (or of one place), in batches, for exports that must not fill the memory. */
export async function* exportTrees(scope: Scope, siteId: string | null): AsyncGenerator<ExportRow[]> {
  let after: string | null = null;
  for (;;) {
    const rows: (ExportRow & { id: string })[] = await within(scope, async (tx) => [
      ...(await tx<(ExportRow & { id: string })[]>`
        select t.id, t.tag, t.host_id as "hostId", t.species, c.name as client, p.name as place, p.address,
          t.lat, t.lon, t.walk_order as "walkOrder", t.note, t.section,
          r.diameter_cm as "diameterCm", r.tree_height_m as "heightM"
        from tree t
        join site p on p.id = t.site_id
        join client c on c.id = p.client_id
        left join lateral (
          select diameter_cm, tree_height_m
          from measurement
          where company_id = t.company_id and tree_id = t.id
          order by at desc, id
          limit 1) r on true
        where t.company_id = ${scope.companyId} and t.archived_at is null
          ${siteId ? tx`and t.site_id = ${siteId}` : tx``}
          ${after ? tx`and t.id > ${after}` : tx``}
        order by t.id
        limit ${PART}`),
    ]);
    if (rows.length) yield rows;
    if (rows.length < PART) return;
    after = rows.at(-1)!.id;
  }
}

/** Whether the tag of an archived tree hangs on another one at its place by now. */
export const tagTakenSince = (scope: Scope, id: string): Promise<boolean> =>
  within(
    scope,
    async (tx) =>
      (
        await tx`
          select from tree t
          join tree x on x.company_id = ${scope.companyId} and x.site_id = t.site_id and x.tag = t.tag
            and x.archived_at is null and x.id <> t.id
          where t.company_id = ${scope.companyId} and t.id = ${id}`
      ).length > 0,
  );
export const setTreeArchived = (scope: Scope, id: string, archived: boolean) =>
  within(scope, (tx) => tx`update tree set archived_at = ${archived ? clockNow() : null} where id = ${id}`);

/** A section of a place with its trees, in walking order. */
export interface SiteSection {
  section: string;
  tags: string[];
}
export const sectionsOf = (scope: Scope, siteId: string): Promise<SiteSection[]> =>
  within(scope, async (tx) => [
    ...(await tx<SiteSection[]>`
      select t.section, array_agg(t.tag order by t.walk_order, t.id) as tags
      from tree t
      where t.company_id = ${scope.companyId} and t.site_id = ${siteId} and t.archived_at is null and t.section <> ''
      group by t.section
      order by min(t.walk_order), t.section
      limit 200`),
  ]);

/** Tags of a place with their trees. */
export const tagsAt = (scope: Scope, siteId: string): Promise<{ id: string; tag: string }[]> =>
  within(scope, async (tx) => [
    ...(await tx<{ id: string; tag: string }[]>`
      select id, tag
      from tree
      where company_id = ${scope.companyId} and site_id = ${siteId} and archived_at is null`),
  ]);

/** Puts trees into a section; empty takes them out of theirs. */
export const putIntoSection = (scope: Scope, treeIds: readonly string[], section: string) =>
  within(
    scope,
    (tx) => tx`
      update tree
      set section = ${section}
      where company_id = ${scope.companyId} and id = any(${[...treeIds]}) and section <> ${section}`,
  );
