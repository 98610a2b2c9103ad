import { within, type Scope, type Tx } from './db';
import { type TreeRow } from './tree-list';

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
export async function searchTrees(scope: Scope, search: TreeSearch): Promise<TreeRow[]> {
  return within(scope, async (tx) => {
    const o = scope.companyId;
    const sitesOfLoad: string[][] = [];
    for (const w of search.words) sitesOfLoad.push(await sitesNamed(tx, o, w));
    const page = search.after
      ? tx`and (t.tag collate natural_order, t.id) > (${search.after.tag}, ${search.after.id})`
      : tx``;
    const order = tx`order by t.tag collate natural_order, t.id limit ${search.limit + 1}`;
    const cols = tx`t.id, t.tag, t.host_id, t.site_id, t.walk_order`;
    const live = tx`t.company_id = ${o} and t.archived_at is null`;
    const matches = (i: number) =>
      tx`(
        t.host_id = any(${search.hostsOfWord[i]!})
        or t.site_id = any(${sitesOfLoad[i]!}::uuid[])
        or t.tag ilike ${`${escape(search.words[i]!)}%`}
        or (t.species <> '' and t.species ilike ${like(search.words[i]!)}))`;
    const meets = (skip: number) =>
      search.words.map((_, i) => (i === skip ? tx`` : tx`and ${matches(i)}`)).reduce((a, b) => tx`${a} ${b}`, tx``);
    // The word that narrows most leads: its scan follows an index, the others filter.
    const lead = search.words
      .map((w, i) => ({
        i,
        weight: (/\d/.test(w) ? 0 : 1000) + sitesOfLoad[i]!.length + search.hostsOfWord[i]!.length * 100,
      }))
      .sort((a, b) => a.weight - b.weight)[0];
    const prefixes = lead ? [...new Set([search.words[lead.i]!, search.words[lead.i]!.toUpperCase()])] : [];
    const range = (w: string) => tx`t.tag collate "C" >= ${w} and t.tag collate "C" < ${w + '\uffff'}`;
    const common =
      lead !== undefined &&
      (sitesOfLoad[lead.i]!.length > COMMON.places ||
        (
          await Promise.all(
            prefixes.map(
              async (w) =>
                (
                  await tx<
                    { n: number }[]
                  >`select count(*)::int as n from (select from tree t where t.company_id = ${o} and ${range(w)} limit ${COMMON.tags}) x`
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
        union (
          select ${cols}
          from tree t
          where ${live} and t.species <> '' and t.species ilike ${like(search.words[lead.i]!)} ${rest} ${page} ${order})
        union (
          select x.*
          from unnest(${search.hostsOfWord[lead.i]!}::text[]) h
          cross join lateral (select ${cols} from tree t where ${live} and t.host_id = h ${rest} ${page} ${order}) x)
        union (
          select x.*
          from unnest(${sitesOfLoad[lead.i]!}::uuid[]) pl
          cross join lateral (
            select ${cols}
            from tree t
            where ${live} and t.site_id = pl ${rest} ${page} ${order}) x)`;
    // Walking the list in its own order is what a common word needs; a sort of all its hits would be slow.
    if (common) await tx`select set_config('enable_sort', 'off', true), set_config('enable_bitmapscan', 'off', true)`;
    return [
      ...(await tx<TreeRow[]>`
        select t.id, t.tag, t.host_id as "hostId", t.site_id as "siteId", p.name as "siteName",
          t.walk_order as "walkOrder"
        from (${found}) t
        join site p on p.id = t.site_id and p.company_id = ${o}
        order by t.tag collate natural_order, t.id
        limit ${search.limit + 1}`),
    ];
  });
}

/** Places whose name, address or client holds a word. */
const sitesNamed = async (tx: Tx, companyId: string, word: string): Promise<string[]> =>
  (
    await tx<{ id: string }[]>`
      select p.id
      from site p
      join client c on c.id = p.client_id and c.company_id = p.company_id
      where p.company_id = ${companyId} and p.archived_at is null
        and (p.name ilike ${like(word)} or p.address ilike ${like(word)} or c.name ilike ${like(word)})
      limit 3000`
  ).map((p) => p.id);

const escape = (w: string) => w.replace(/[\\%_]/g, (c) => `\\${c}`);

const like = (w: string) => `%${escape(w)}%`;
