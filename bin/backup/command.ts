import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { fail } from '../setup/fail';

/** The file that the command line names, and the address of the owning role. */
export function asked(verb: string): { file: string; url: string } {
  const [file, ...more] = process.argv.slice(2);
  if (!file || more.length) return fail(`say one file: npm run ${verb} -- FILE`);
  const url = process.env.DATABASE_OWNER_URL;
  if (!url) return fail('DATABASE_OWNER_URL is not set; give the connection string of the role that owns the schema.');
  return { file, url };
}

/** Runs one of PostgreSQL's own tools. @returns what it printed */
export async function tool(name: 'pg_dump' | 'pg_restore', args: string[]): Promise<string> {
  // Plain JavaScript, shared with what runs before any package is installed.
  const { ensurePostgres } = (await import(join(process.cwd(), 'bin/setup/install.mjs'))) as {
    ensurePostgres: () => string;
  };
  const done = spawnSync(join(ensurePostgres(), name), args, { encoding: 'utf8', maxBuffer: 1 << 26 });
  if (done.status !== 0)
    fail(`${name} did not finish: ${(done.stderr || String(done.error)).trim().split('\n').slice(-2).join(' ')}`);
  return done.stdout;
}

/** A refusal of the database or of a file in words. */
export const refused = (error: unknown): never => {
  const { code, message } = error as { code?: string; message: string };
  return fail(code === 'ECONNREFUSED' ? 'the database does not answer; start it and try again.' : message);
};
