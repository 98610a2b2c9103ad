import { within, type Scope } from './db';

export const addPhoto = (
  scope: Scope,
  p: {
    id: string;
    treeId: string;
    width: number;
    height: number;
    locationKept: boolean;
    bytes: Buffer;
    sign?: string | null;
  },
): Promise<boolean> =>
  within(scope, async (tx) => {
    if (!(await tx`select from tree where id = ${p.treeId}`).length) return false;
    await tx`insert into photo (id, company_id, tree_id, by_person, mime, width, height, location_kept, bytes, sign_id)
      values (${p.id}, ${scope.companyId}, ${p.treeId}, ${scope.personId}, 'image/jpeg', ${p.width}, ${p.height},
        ${p.locationKept}, ${p.bytes}, ${p.sign ?? null})
      on conflict (id) do nothing`;
    return true;
  });

export const getPhoto = (scope: Scope, id: string): Promise<Buffer | null> =>
  within(
    scope,
    async (tx) => (await tx<{ bytes: Buffer }[]>`select bytes from photo where id = ${id}`)[0]?.bytes ?? null,
  );
