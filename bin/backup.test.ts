import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect, db, within, type Sql } from '@/store/db';
import { makeCompany, ownerSql, ownerUrl, type TestCompany } from '@/store/testing';

const root = join(__dirname, '..');
const run = (file: string, args: string[], env: Record<string, string>) => {
  const done = spawnSync(process.execPath, ['--import', 'tsx', join('bin', file), ...args], {
    cwd: root,
    encoding: 'utf8',
    env: { PATH: process.env.PATH!, NODE_ENV: 'test', ...env },
  });
  return { status: done.status, out: done.stdout, err: done.stderr };
};

let folder: string;
let other: ChildProcess;
let fresh: { owner: string; app: string };
let owner: Sql;
let o: TestCompany;
/** A second server, as bare as a new machine's: neither the role nor a table is there. */
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'elmhorn-backup-'));
  // Where the server runs as a user of its own, it must reach its folder.
  chmodSync(folder, 0o755);
  const script = `
    const { openCluster } = await import(${JSON.stringify(join(root, 'bin/setup/cluster.mjs'))});
    const { default: postgres } = await import('postgres');
    const c = await openCluster(${JSON.stringify(join(folder, 'server'))});
    const sql = postgres(c.ownerUrl('postgres'), { max: 1 });
    await sql.unsafe("create database restored template template0 encoding 'UTF8'");
    await sql.end();
    console.log(JSON.stringify({ owner: c.ownerUrl('restored'), app: c.appUrl('restored'), password: c.password }));
    process.stdin.on('end', () => { c.stop(); process.exit(0); }).resume();`;
  other = spawn(process.execPath, ['--input-type=module', '-e', script], {
    cwd: root,
    stdio: ['pipe', 'pipe', 'inherit'],
  });
  fresh = await new Promise((done) => other.stdout!.once('data', (d: Buffer) => done(JSON.parse(d.toString()))));
  owner = ownerSql();
  o = await makeCompany(owner);
}, 60_000);
afterAll(async () => {
  await owner.end();
  await db().end();
  const stopped = new Promise((done) => other.once('exit', done));
  other.stdin!.end();
  await stopped;
  rmSync(folder, { recursive: true, force: true });
}, 60_000);

const restoreEnv = () => ({
  DATABASE_OWNER_URL: fresh.owner,
  DATABASE_APP_PASSWORD: new URL(fresh.app).password,
});

it('the whole server into a file while somebody writes, and onto a bare one with its walls, row for row', async () => {
  const file = join(folder, 'elmhorn.backup');
  let writing = true;
  const writer = (async () => {
    for (let i = 0; writing; i++)
      await within(o, (tx) => tx`update client set name = ${`Client ${i}`} where company_id = ${o.companyId}`);
  })();
  const backup = run('backup.ts', [file], { DATABASE_OWNER_URL: ownerUrl });
  writing = false;
  await writer;
  expect([backup.status, backup.err]).toEqual([0, '']);
  // It holds clients, licences and hashes of passwords: for its owner alone.
  for (const kept of [file, `${file}.contents.json`]) expect(statSync(kept).mode & 0o077).toBe(0);
  expect(backup.out).toMatch(/: \d+ tables, \d+ rows, schema \d+\.\n$/);

  const restored = run('restore.ts', [file], restoreEnv());
  expect([restored.status, restored.err]).toEqual([0, '']);
  expect(restored.out).toMatch(/^\d+ tables came back as they were, schema \d+\.\n$/);

  // The walls came along: the app's role sees nothing without its company, its own with it, and the book stays closed.
  const app = connect(fresh.app, 1);
  expect(await app`select from tree`).toHaveLength(0);
  const own = await app.begin(async (tx) => {
    await tx`select set_config('elmhorn.company', ${o.companyId}, true), set_config('elmhorn.person', ${o.personId}, true)`;
    return tx`select company_id from tree`;
  });
  expect([...own]).toEqual([{ company_id: o.companyId }]);
  await expect(app`delete from measurement`).rejects.toMatchObject({ code: '42501' });
  await app.end();
  const there = connect(fresh.owner, 1);
  const walls = (sql: Sql) => sql`
    select tablename, policyname, roles::text, cmd, qual, with_check from pg_policies order by tablename, policyname`;
  expect([...(await walls(there))]).toEqual([...(await walls(owner))]);
  await there.end();

  const twice = run('restore.ts', [file], restoreEnv());
  expect([twice.status, twice.err]).toEqual([1, expect.stringContaining('is not empty; a restore overwrites nothing')]);
  const over = run('backup.ts', [file], { DATABASE_OWNER_URL: ownerUrl });
  expect([over.status, over.err]).toEqual([1, expect.stringContaining('a backup overwrites nothing')]);
}, 120_000);

it('a file that was changed, or is not there, is one sentence', () => {
  const env = restoreEnv();
  expect(run('restore.ts', [join(folder, 'none')], env).err).toMatch(/^elmhorn: [^\n]* is not there\.\n$/);
  expect(run('backup.ts', [], env).err).toMatch(/^elmhorn: say one file[^\n]*\n$/);
  const file = join(folder, 'list.backup');
  writeFileSync(file, 'no backup');
  writeFileSync(`${file}.contents.json`, '{}');
  expect(run('restore.ts', [file], env).err).toMatch(/^elmhorn: [^\n]*not the list that a backup writes\.\n$/);
  expect(readFileSync(file, 'utf8')).toBe('no backup');
});
