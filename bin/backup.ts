import { existsSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { connect } from '@/store/db';
import { asked, refused, tool } from './backup/command';
import { fail } from './setup/fail';
import { contentsOf, type Contents } from './backup/contents';

/**
 * `npm run backup -- FILE`: the whole database into one file while the server runs, and beside it what every table held at that
 * very instant, so that a restore can be compared.
 */
async function main() {
  const { file, url } = asked('backup');
  for (const f of [file, `${file}.contents.json`])
    if (existsSync(f)) fail(`${f} is there already; a backup overwrites nothing.`);
  const sql = connect(url, 1);
  const part = `${file}.part`;
  // Clients, licences and hashes of passwords: the file is for its owner alone, from its first byte.
  process.umask(0o077);
  const held = (await sql
    .begin('isolation level repeatable read, read only', async (tx) => {
      // The dump and the count see one and the same instant.
      const [{ snapshot } = { snapshot: '' }] = await tx<
        { snapshot: string }[]
      >`select pg_export_snapshot() as snapshot`;
      await tx`set local statement_timeout to 0`;
      await tx`set local idle_in_transaction_session_timeout to 0`;
      await tool('pg_dump', ['--format=custom', `--snapshot=${snapshot}`, `--file=${part}`, `--dbname=${url}`]);
      return contentsOf(tx as unknown as Parameters<typeof contentsOf>[0]);
    })
    .catch((error: Error) => {
      rmSync(part, { force: true });
      return refused(error);
    })) as Contents;
  await sql.end();
  writeFileSync(`${file}.contents.json`, `${JSON.stringify(held, null, 1)}\n`);
  renameSync(part, file);
  const rows = held.tables.reduce((n, t) => n + Number(t.rows), 0);
  console.log(`${file}: ${held.tables.length} tables, ${rows} rows, schema ${held.schema}.`);
}
void main();
