import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import postgres from 'postgres';

const folder = join(process.cwd(), 'store', 'migrations');

export interface Migration {
  version: number;
  name: string;
  sql: string;
  checksum: string;
}

/** The numbered files of store/migrations, in order. */
export function migrations(): Migration[] {
  return readdirSync(folder)
    .filter((f) => /^\d{4}_.*\.sql$/.test(f))
    .sort()
    .map((name) => {
      const sql = readFileSync(join(folder, name), 'utf8');
      return { version: Number(name.slice(0, 4)), name, sql, checksum: createHash('sha256').update(sql).digest('hex') };
    });
}

/** The schema version this code was written for. */
export const codeVersion = (): number => migrations().at(-1)!.version;

/** A reason why the schema cannot be brought up to date, as a sentence. */
export class MigrationRefused extends Error {}

/**
 * Applies what is missing, each file in its own transaction, all under one advisory lock, so that several servers may
 * start at once. A changed file or a database from a newer Elmhorn is refused.
 * @param ownerUrl connection string of the role that owns the schema
 * @param appPassword set for elmhorn_app when given
 * @returns the names applied
 */
export async function migrate(ownerUrl: string, appPassword?: string): Promise<string[]> {
  const sql = postgres(ownerUrl, { max: 1, onnotice: () => {} });
  try {
    await sql`select pg_advisory_lock(727201)`;
    await sql`create table if not exists schema_migration (version int primary key, name text not null, checksum text not null, applied_at timestamptz not null default now())`;
    const done = new Map(
      (await sql<{ version: number; checksum: string }[]>`select version, checksum from schema_migration`).map((r) => [
        r.version,
        r.checksum,
      ]),
    );
    const all = migrations();
    const newest = Math.max(0, ...done.keys());
    if (newest > all.at(-1)!.version)
      throw new MigrationRefused(
        `the database has schema ${newest}, newer than this Elmhorn knows (${all.at(-1)!.version}); start the newer Elmhorn.`,
      );
    const applied: string[] = [];
    for (const m of all) {
      const was = done.get(m.version);
      if (was === m.checksum) continue;
      if (was)
        throw new MigrationRefused(`migration ${m.name} was changed after it had been applied; restore the file.`);
      await sql
        .begin(async (tx) => {
          await tx.unsafe(m.sql);
          await tx`insert into schema_migration (version, name, checksum) values (${m.version}, ${m.name}, ${m.checksum})`;
        })
        .catch((error: Error) => {
          throw new MigrationRefused(`migration ${m.name} failed, and nothing of it was kept: ${error.message}.`);
        });
      applied.push(m.name);
    }
    if (appPassword) await sql.unsafe(`alter role elmhorn_app password '${appPassword.replaceAll("'", "''")}'`);
    return applied;
  } finally {
    await sql.end({ timeout: 5 });
  }
}
