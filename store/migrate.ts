import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import postgres, { type Sql } from 'postgres';

const FOLDER = join(process.cwd(), 'store', 'migrations');

export interface Migration {
  version: number;
  name: string;
  sql: string;
  checksum: string;
  /** Built while others go on: its statements run one by one, outside a transaction. */
  concurrent: boolean;
  /** It takes away what the release before rests on. */
  contracts: boolean;
}

/** The numbered files of store/migrations, in order. */
export function migrations(folder = FOLDER): Migration[] {
  return readdirSync(/* turbopackIgnore: true */ folder)
    .filter((f) => /^\d{4}_.*\.sql$/.test(f))
    .sort()
    .map((name) => {
      const sql = readFileSync(/* turbopackIgnore: true */ join(/* turbopackIgnore: true */ folder, name), 'utf8');
      return {
        version: Number(name.slice(0, 4)),
        name,
        sql,
        checksum: createHash('sha256').update(sql).digest('hex'),
        concurrent: /^-- concurrent\b/m.test(sql),
        contracts: /^-- contracts\b/m.test(sql),
      };
    });
}

/** The schema version this code was written for. */
export const codeVersion = (): number => migrations().at(-1)!.version;

/** A reason why the schema cannot be brought up to date, as a sentence. */
export class MigrationRefused extends Error {}

/** Sets the password of the role that the app signs in as; every sign of it is kept. */
export const setAppPassword = (sql: Sql, password: string) =>
  sql.unsafe(`alter role elmhorn_app password '${password.replaceAll("'", "''")}'`);

/**
 * Makes an empty database from store/schema.sql; then applies what is missing, each file in its own transaction, all under one advisory lock, so that several servers may
 * start at once. A file that begins with `-- concurrent` is built while others go on, statement by statement; what is left
 * of one that broke off is built anew. A changed file or a database from a newer Elmhorn is refused.
 * @param ownerUrl connection string of the role that owns the schema
 * @param appPassword set for elmhorn_app when given
 * @returns the names applied
 */
export async function migrate(ownerUrl: string, appPassword?: string, folder = FOLDER): Promise<string[]> {
  const sql = postgres(ownerUrl, { max: 1, onnotice: () => {} });
  try {
    await sql`select pg_advisory_lock(727201)`;
    await sql`
      create table if not exists schema_migration (
        version int primary key, name text not null, checksum text not null,
        applied_at timestamptz not null default now(), contracts boolean not null default false)`;
    await sql`alter table schema_migration add column if not exists contracts boolean not null default false`;
    const done = new Map(
      (await sql<{ version: number; checksum: string }[]>`select version, checksum from schema_migration`).map((r) => [
        r.version,
        r.checksum,
      ]),
    );
    const all = migrations(folder);
    const newest = Math.max(0, ...done.keys());
    if (newest > all.at(-1)!.version)
      throw new MigrationRefused(
        `the database has schema ${newest}, newer than this Elmhorn knows (${all.at(-1)!.version}); start the newer Elmhorn.`,
      );
    const applied: string[] = [];
    if (!done.size && folder === FOLDER)
      for (const m of await makeWhole(sql, all)) {
        done.set(m.version, m.checksum);
        applied.push(m.name);
      }
    for (const m of all) {
      const was = done.get(m.version);
      if (was === m.checksum) continue;
      if (was)
        throw new MigrationRefused(`migration ${m.name} was changed after it had been applied; restore the file.`);
      await apply(sql, m).catch((error: Error) => {
        throw new MigrationRefused(`migration ${m.name} failed, and nothing of it was kept: ${error.message}.`);
      });
      applied.push(m.name);
    }
    if (appPassword) await setAppPassword(sql, appPassword);
    return applied;
  } finally {
    await sql.end({ timeout: 5 });
  }
}

const note = (sql: Sql, m: Migration) => sql`
  insert into schema_migration (version, name, checksum, contracts)
  values (${m.version}, ${m.name}, ${m.checksum}, ${m.contracts})`;

/**
 * Makes an empty database from store/schema.sql in one go, as the migrations up to its version would leave it.
 * @returns the migrations that it stands for; none where anything is in the database already
 */
async function makeWhole(sql: Sql, all: readonly Migration[]): Promise<Migration[]> {
  const [there] = await sql`
    select from pg_class where relnamespace = 'public'::regnamespace and relkind = 'r' and relname <> 'schema_migration' limit 1`;
  if (there) return [];
  const text = readFileSync(/* turbopackIgnore: true */ join(FOLDER, '..', 'schema.sql'), 'utf8');
  const version = Number(/^-- version (\d+)$/m.exec(text)![1]);
  const part = all.filter((m) => m.version <= version);
  await sql
    .begin(async (tx) => {
      await tx.unsafe(text);
      for (const m of part) await note(tx as unknown as Sql, m);
    })
    .catch((error: Error) => {
      throw new MigrationRefused(`store/schema.sql failed, and nothing of it was kept: ${error.message}.`);
    });
  return part;
}

async function apply(sql: Sql, m: Migration): Promise<void> {
  if (!m.concurrent) {
    await sql.begin(async (tx) => {
      await tx.unsafe(m.sql);
      await note(tx as unknown as Sql, m);
    });
    return;
  }
  for (const statement of m.sql
    .replace(/^--.*$/gm, '')
    .split(';')
    .map((s) => s.trim())
    .filter(Boolean)) {
    // An index whose building broke off stays behind, fills, and serves nobody.
    const [, name] = /index concurrently if not exists (\w+)/i.exec(statement) ?? [];
    const [broken] = name
      ? await sql`select from pg_index where indexrelid = to_regclass(${name}) and not indisvalid`
      : [];
    if (broken) await sql.unsafe(`drop index concurrently ${name}`);
    await sql.unsafe(statement);
  }
  await note(sql, m);
}
