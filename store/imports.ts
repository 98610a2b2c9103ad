import { within, type Scope } from './db';

/** A list of trees that came in. */
export interface TreeImport {
  id: string;
  name: string;
  siteId: string;
  siteName: string;
  trees: number;
  at: Date;
  byName: string;
  takenBackAt: Date | null;
}

export const noteImport = (
  scope: Scope,
  list: { id: string; siteId: string; name: string; trees: number },
): Promise<unknown> =>
  within(
    scope,
    (tx) => tx`
      insert into tree_import (id, company_id, site_id, name, trees, by_person)
      values (${list.id}, ${scope.companyId}, ${list.siteId}, ${list.name}, ${list.trees}, ${scope.personId})`,
  );

/** Lists that came in, the newest first. */
export const listImports = (scope: Scope, most = 30): Promise<TreeImport[]> =>
  within(scope, async (tx) => [
    ...(await tx<TreeImport[]>`
      select i.id, i.name, i.site_id as "siteId", p.name as "siteName", i.trees, i.at, w.name as "byName",
        i.voided_at as "takenBackAt"
      from tree_import i
      join site p on p.company_id = ${scope.companyId} and p.id = i.site_id
      join person w on w.company_id = ${scope.companyId} and w.id = i.by_person
      where i.company_id = ${scope.companyId}
      order by i.at desc, i.id
      limit ${most}`),
  ]);

/** Tags of trees of a list on which something rests: whatever is of a tree beside the measurement that the list itself brought. */
export const restsOnImport = (scope: Scope, id: string): Promise<string[]> =>
  within(scope, async (tx) => {
    const o = scope.companyId;
    const rows = await tx<{ tag: string }[]>`
      select t.tag
      from tree t
      where t.company_id = ${o} and t.import_id = ${id} and (
        exists (select from measurement x where x.company_id = ${o} and x.tree_id = t.id and x.method <> 'import')
        or exists (select from inspection x where x.company_id = ${o} and x.tree_id = t.id)
        or exists (select from diagnosis x where x.company_id = ${o} and x.tree_id = t.id)
        or exists (select from sample x where x.company_id = ${o} and x.tree_id = t.id)
        or exists (select from photo x where x.company_id = ${o} and x.tree_id = t.id)
        or exists (select from treatment_plan x where x.company_id = ${o} and x.tree_id = t.id)
        or exists (select from work_plan x where x.company_id = ${o} and x.tree_id = t.id)
        or exists (select from record x where x.company_id = ${o} and x.tree_id = t.id)
        or exists (select from others_applied x where x.company_id = ${o} and x.tree_id = t.id)
        or exists (select from follow_up x where x.company_id = ${o} and x.tree_id = t.id)
        or exists (select from programme_visit x where x.company_id = ${o} and x.tree_id = t.id))
      order by t.walk_order, t.id
      limit 50`;
    return rows.map((r) => r.tag);
  });

/** Takes the trees of a list off. @returns false where it was taken back before, or is not of this company */
export const takeImportBack = (scope: Scope, id: string): Promise<boolean> =>
  within(scope, async (tx) => {
    const back = await tx`
      update tree_import
      set voided_at = clock_now(), voided_by = ${scope.personId}
      where company_id = ${scope.companyId} and id = ${id} and voided_at is null`;
    if (!back.count) return false;
    await tx`
      update tree
      set archived_at = clock_now()
      where company_id = ${scope.companyId} and import_id = ${id} and archived_at is null`;
    return true;
  });
