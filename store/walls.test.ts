import { v7 } from 'uuid';
import { db, pgCode, within, type Sql } from './db';
import { fillEveryTable, makeCompany, ownerSql, type TestCompany } from './testing';

let owner: Sql;
let mine: TestCompany;
let theirs: TestCompany;
let tables: string[];
beforeAll(async () => {
  owner = ownerSql();
  mine = await makeCompany(owner);
  theirs = await makeCompany(owner);
  tables = (
    await owner<
      { t: string }[]
    >`select table_name as t from information_schema.columns join information_schema.tables using (table_schema, table_name) where table_schema = 'public' and column_name = 'company_id' and table_type = 'BASE TABLE'`
  ).map((r) => r.t);
  // A wall before an empty room proves nothing.
  await fillEveryTable(owner, theirs, tables);
});
afterAll(async () => {
  await owner.end();
  await db().end();
});

it('every table with a company stands behind a wall, and the role that the app uses cannot pass it', async () => {
  expect(tables.length).toBeGreaterThan(18);
  const open = await owner`select relname from pg_class where relname = any(${tables}) and not relrowsecurity`;
  expect([...open]).toEqual([]);
  // A view looks through the eyes of whoever asks, so the wall of its tables holds for it too.
  const views =
    await owner`select relname from pg_class where relkind = 'v' and relnamespace = 'public'::regnamespace and not coalesce(reloptions @> '{security_invoker=true}', false)`;
  expect([...views]).toEqual([]);
  const [role] =
    await db()`select rolsuper, rolbypassrls, exists (select from pg_class where relowner = r.oid) as owns from pg_roles r where rolname = current_user`;
  expect(role).toEqual({ rolsuper: false, rolbypassrls: false, owns: false });
});

it('a query that forgets its company sees nothing', async () => {
  for (const t of [...tables, 'company']) expect([t, (await db()`select * from ${db()(t)}`).length]).toEqual([t, 0]);
});

it('another company’s rows cannot be read, changed, erased or added to, in any table', async () => {
  for (const t of tables) {
    const seen = await within(mine, (tx) => tx`select * from ${tx(t)} where company_id = ${theirs.companyId}`);
    expect([t, seen.length]).toEqual([t, 0]);
    for (const change of ['update', 'delete'] as const) {
      const before = await owner<
        { n: number }[]
      >`select count(*)::int as n from ${owner(t)} where company_id = ${theirs.companyId}`;
      expect([t, before[0]!.n > 0]).toEqual([t, true]);
      const done = await within(mine, (tx) =>
        change === 'delete'
          ? tx`delete from ${tx(t)} where company_id = ${theirs.companyId}`
          : tx`update ${tx(t)} set company_id = ${mine.companyId} where company_id = ${theirs.companyId}`,
      ).then(
        (r) => r.count,
        (error) => pgCode(error),
      );
      // Either the role may not do this at all, or it finds nothing to do it to.
      expect([t, change, done === 0 || done === '42501']).toEqual([t, change, true]);
      expect(await owner`select count(*)::int as n from ${owner(t)} where company_id = ${theirs.companyId}`).toEqual(
        before,
      );
    }
  }
  const smuggled = within(
    mine,
    (tx) => tx`insert into client (id, company_id, name) values (${v7()}, ${theirs.companyId}, 'smuggled')`,
  );
  await expect(smuggled).rejects.toMatchObject({ code: '42501' });
});

it('nothing of one’s own can be tied to another company’s rows', async () => {
  const reading = within(
    mine,
    (tx) =>
      tx`insert into measurement (id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, method) values (${v7()}, ${mine.companyId}, ${theirs.treeId}, now(), ${mine.personId}, 30, 130, '[]', 'tape')`,
  );
  await expect(reading).rejects.toMatchObject({ code: '23503' });
});

/** A table is emptied by whoever holds it alone; other tests write meanwhile, and that is waited for. */
async function refusedTruncating(table: string): Promise<string | null> {
  for (let tries = 0; ; tries++) {
    const code = await owner.unsafe(`truncate ${table} cascade`).then(() => null, pgCode);
    if (code !== '55P03' || tries === 9) return code ?? null;
  }
}

it('what has been written into the book stays, even for the role that owns it', async () => {
  for (const t of [
    'measurement',
    'inspection',
    'finding',
    'diagnosis',
    'label',
    'label_check',
    'stock_move',
    'record',
    'photo',
    'programme',
    'quote_answer',
    'region_profile',
  ] as const) {
    for (const sql of [`update ${t} set company_id = company_id`, `delete from ${t}`, `truncate ${t} cascade`]) {
      const refused = await within(mine, (tx) => tx.unsafe(sql)).then(() => null, pgCode);
      expect([sql, refused]).toEqual([sql, '42501']);
    }
    const rows = await owner<{ n: number }[]>`select count(*)::int as n from ${owner(t)}`;
    if (rows[0]!.n) await expect(owner.unsafe(`delete from ${t}`)).rejects.toMatchObject({ code: '23001' });
    expect([t, await refusedTruncating(t)]).toEqual([t, '23001']);
  }
});
