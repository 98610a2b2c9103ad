import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import postgres from 'postgres';
import { migrate } from './migrate';
import { ownerUrl } from './testing';

const server = postgres(ownerUrl, { max: 1, onnotice: () => {} });
const names = ['steps', 'whole'].map((n) => `elmhorn_schema_${n}_${process.pid}`);
const urlOf = (name: string) => Object.assign(new URL(ownerUrl), { pathname: `/${name}` }).href;

afterAll(async () => {
  for (const n of names) await server.unsafe(`drop database if exists ${n} with (force)`);
  await server.end();
});

/** The schema of a database as the command writes it. */
const written = (url: string) => {
  const done = spawnSync(process.execPath, ['--import', 'tsx', 'bin/schema-sql.ts', '--print'], {
    env: { ...process.env, DATABASE_OWNER_URL: url },
    encoding: 'utf8',
    maxBuffer: 1 << 26,
  });
  if (done.status !== 0) throw new Error(done.stderr);
  return done.stdout;
};

it('is what the migrations lead to, one by one; after a new migration: npm run schema:sql', async () => {
  for (const n of names) await server.unsafe(`create database ${n} template template0 encoding 'UTF8'`);
  const [steps, whole] = names.map(urlOf) as [string, string];
  // A folder of its own: only that of the repository has the whole beside it.
  const folder = mkdtempSync(join(tmpdir(), 'elmhorn-steps-'));
  cpSync(join(process.cwd(), 'store', 'migrations'), folder, { recursive: true });
  const one = await migrate(steps, undefined, folder);
  expect(await migrate(whole)).toEqual(one);
  const file = readFileSync(join(process.cwd(), 'store', 'schema.sql'), 'utf8');
  expect(written(steps)).toBe(file);
  expect(written(whole)).toBe(file);
});
