import { mkdtempSync, cpSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import { migrate, migrations, MigrationRefused } from './migrate';
import { ownerUrl } from './testing';

// A database of its own, so that a schema can be broken here while other tests go on.
const name = `elmhorn_migrate_${process.pid}`;
const own = new URL(ownerUrl);
own.pathname = `/${name}`;
const url = own.href;
const folder = mkdtempSync(join(tmpdir(), 'elmhorn-migrations-'));
const server = postgres(ownerUrl, { max: 1, onnotice: () => {} });
let sql: postgres.Sql;

beforeAll(async () => {
  cpSync(join(process.cwd(), 'store', 'migrations'), folder, { recursive: true });
  await server.unsafe(`create database ${name}`);
  await migrate(url);
  sql = postgres(url, { max: 1, onnotice: () => {} });
});
afterAll(async () => {
  await sql.end();
  await server.unsafe(`drop database ${name} with (force)`);
  await server.end();
});

const next = (n: number, text: string) =>
  writeFileSync(join(folder, `${String(migrations().length + n).padStart(4, '0')}_next_${n}.sql`), text);
const serves = async (code: number) =>
  (await sql<{ serves: boolean }[]>`select serves_code(${code}) as serves`)[0]!.serves;
const run = () => migrate(url, undefined, folder);

it('a second run changes nothing', async () => expect(await migrate(url)).toEqual([]));

it('code of the release before goes on beside a schema that only grew, and not beside one that took something away', async () => {
  const code = migrations().at(-1)!.version;
  next(1, 'alter table tree add column nickname text;');
  expect(await run()).toHaveLength(1);
  expect(await serves(code)).toBe(true);
  expect(await serves(code + 2)).toBe(false);
  next(2, '-- contracts\nalter table tree drop column nickname;');
  await run();
  expect(await serves(code)).toBe(false);
  expect(await serves(code + 2)).toBe(true);
});

it('one that fails is named, and nothing of it is kept', async () => {
  next(3, 'create table half (id int); select no_such_function();');
  await expect(run()).rejects.toThrow(/_next_3\.sql failed, and nothing of it was kept/);
  expect((await sql`select to_regclass('half') as t`)[0]!.t).toBeNull();
  next(3, 'create table whole (id int primary key, a int);');
  await run();
});

it('an index is built while others write; one whose building broke off is built anew', async () => {
  await sql`insert into whole values (1, 7), (2, 7)`;
  next(4, '-- concurrent\ncreate unique index concurrently if not exists whole_a on whole (a);');
  await expect(run()).rejects.toBeInstanceOf(MigrationRefused);
  const valid = async () =>
    (await sql<{ v: boolean }[]>`select indisvalid as v from pg_index where indexrelid = to_regclass('whole_a')`)[0]?.v;
  expect(await valid()).toBe(false);
  await sql`update whole set a = id`;
  expect(await run()).toHaveLength(1);
  expect(await valid()).toBe(true);
  expect(await run()).toEqual([]);
});

it('no migration that stands takes a column or a table away without saying so', () => {
  // The first fifteen were applied before a server could go on beside a newer schema.
  for (const m of migrations().filter((x) => x.version > 15))
    expect([m.name, /\bdrop (column|table)\b/i.test(m.sql) && !m.contracts]).toEqual([m.name, false]);
  expect(readdirSync(folder).length).toBeGreaterThan(15);
});
