import type { Programme } from '@/core/season/programme';
import { within, type Scope, type Tx } from './db';

export const programmeOf = (scope: Scope, treeId: string): Promise<Programme | null> =>
  within(scope, async (tx) => {
    const [newest] = await tx<Programme[]>`
      select school, every_years as "everyYears", years
      from programme
      where company_id = ${scope.companyId} and tree_id = ${treeId}
      order by at desc, id desc
      limit 1`;
    return newest ?? null;
  });

/** Sets the programme of trees; sent twice, it lands once. */
export async function insertProgramme(
  tx: Tx,
  scope: Scope,
  rows: readonly { id: string; treeId: string }[],
  programme: Programme,
) {
  for (const r of rows)
    await tx`
      insert into programme (id, company_id, tree_id, school, every_years, years, by_person)
      values (
        ${r.id}, ${scope.companyId}, ${r.treeId}, ${programme.school}, ${programme.everyYears}, ${programme.years},
        ${scope.personId})
      on conflict (id) do nothing`;
}
export const writeProgramme = (scope: Scope, rows: readonly { id: string; treeId: string }[], p: Programme) =>
  within(scope, (tx) => insertProgramme(tx, scope, rows, p));
