import { within, type Scope, type Tx } from './db';

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

export const othersApplied = (scope: Scope, siteId: string): Promise<OthersApplied[]> =>
  within(scope, async (tx) => [
    ...(await tx<
      OthersApplied[]
    >`select id, active, grams, on_day as "onDay", who from others_applied where company_id = ${scope.companyId} and site_id = ${siteId} order by on_day desc, id limit 40`),
  ]);

/** What others put down on a place, or on one of its trees, where it may also be evidence. */
export const addOthersApplied = (
  scope: Scope,
  x: OthersApplied & Partial<ByOthers> & { siteId: string; treeId?: string },
) =>
  within(
    scope,
    (tx) => tx`
      insert into others_applied (id, company_id, site_id, tree_id, active, family, resistance, condition_id, effect,
        grams, on_day, who, by_person)
      values (${x.id}, ${scope.companyId}, ${x.siteId}, ${x.treeId ?? null}, ${x.active}, ${x.family ?? ''},
        ${x.resistance ?? ''},
        ${x.conditionId ?? null}, ${x.effect ?? null}, ${x.grams}, ${x.onDay}, ${x.who}, ${scope.personId})
      on conflict (id) do nothing`,
  );

/**
 * Grams of each active put on the place `p` of the statement around it in a year, by this company and, as far as it is told, by
 * others: rows of name and grams.
 */
export const activesOfSite = (tx: Tx, year: string) => tx`
  select name, sum(grams)::float8 as grams from (
    select a->>'name' as name, (a->>'grams')::float8 as grams
    from record r
    cross join lateral jsonb_array_elements(r.data->'actives') a
    where r.company_id = p.company_id and r.site_id = p.id and r.latest and not r.withdrawn
      and r.done_on between ${`${year}-01-01`} and ${`${year}-12-31`}
    union all
    select b.active, b.grams::float8
    from others_applied b
    where b.company_id = p.company_id and b.site_id = p.id and b.on_day between ${`${year}-01-01`} and ${`${year}-12-31`}
  ) x
  group by name`;
