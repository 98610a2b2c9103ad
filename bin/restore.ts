import { existsSync, readFileSync } from 'node:fs';
import { z } from 'zod';
import { connect } from '@/store/db';
import { setAppPassword } from '@/store/migrate';
import { asked, refused, tool } from './backup/command';
import { fail } from './setup/fail';
import { contentsOf, differences, type Contents } from './backup/contents';

const contentsSchema = z.object({
  form: z.literal(1),
  schema: z.number().int(),
  tables: z.array(z.object({ table: z.string(), rows: z.string(), hash: z.string() })).min(1),
});

/** What a text holds as JSON; nothing where it is none. */
function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}

/**
 * `npm run restore -- FILE`: a backup into an empty database, with the role that the app uses, the policies and the triggers;
 * then every table is compared with what it held when the backup was made.
 */
async function main() {
  const { file, url } = asked('restore');
  const beside = `${file}.contents.json`;
  for (const f of [file, beside]) if (!existsSync(f)) fail(`${f} is not there.`);
  const read = contentsSchema.safeParse(jsonOf(readFileSync(beside, 'utf8')));
  const was: Contents = read.success ? read.data : fail(`${beside} is not the list that a backup writes.`);
  const sql = connect(url, 1);
  try {
    const [found] = await sql<{ n: number }[]>`
      select count(*)::int as n from information_schema.tables where table_schema = 'public'`;
    if (found!.n)
      fail('the database is not empty; a restore overwrites nothing. Make a new one and restore into that.');
    // Without the role its policies could not be written, and every wall would be missing.
    await sql.unsafe(
      `do $$ begin if not exists (select from pg_roles where rolname = 'elmhorn_app') then create role elmhorn_app login; end if; end $$`,
    );
    const password = process.env.DATABASE_APP_PASSWORD;
    if (password) await setAppPassword(sql, password);
    await tool('pg_restore', ['--no-owner', '--exit-on-error', '--single-transaction', `--dbname=${url}`, file]);
    await sql`analyze`;
    const wrong = (await sql.begin(async (tx) => {
      await tx`set local statement_timeout to 0`;
      return differences(was, await contentsOf(tx as unknown as Parameters<typeof contentsOf>[0]));
    })) as string[];
    if (wrong.length) fail(`not everything came back: ${wrong.slice(0, 5).join('; ')}.`);
    console.log(`${was.tables.length} tables came back as they were, schema ${was.schema}.`);
  } catch (error) {
    refused(error);
  } finally {
    await sql.end({ timeout: 5 });
  }
}
void main();
