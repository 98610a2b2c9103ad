import { root } from './install.mjs';
import { program } from './program.mjs';
import { Plain } from './say.mjs';

/** Runs a TypeScript file of the repository; a failure is a sentence with the file's own last words. */
export async function tsx(args, env, what) {
  const { good, words } = await program(process.execPath, ['--import', 'tsx', ...args], {
    cwd: root,
    env: { ...process.env, ...env },
    stdio: ['ignore', 'inherit', 'pipe'],
  });
  if (!good) throw new Plain(`${what}: ${words.trim().replace(/^elmhorn: /, '')}`);
}

/** Makes the database when it is missing (or anew on `reset`), and brings its schema up to date. */
export async function prepareDatabase(cluster, name, { reset = false } = {}) {
  const { default: postgres } = await import('postgres');
  const sql = postgres(cluster.ownerUrl('postgres'), { max: 1, onnotice: () => {} });
  try {
    if (reset) await sql.unsafe(`drop database if exists ${name} with (force)`);
    const there = await sql`select from pg_database where datname = ${name}`;
    if (!there.length) await sql.unsafe(`create database ${name} template template0 encoding 'UTF8'`);
  } finally {
    await sql.end();
  }
  await tsx(
    ['bin/migrate.ts'],
    { DATABASE_OWNER_URL: cluster.ownerUrl(name), DATABASE_APP_PASSWORD: cluster.password },
    'the schema could not be brought up to date',
  );
}

/** The sample company, in a database that is made and brought up to date for it. */
export async function prepareSample(cluster, name, { reset = false, env = {} } = {}) {
  await prepareDatabase(cluster, name, { reset });
  await tsx(
    ['demo/load.ts'],
    { ...env, DATABASE_OWNER_URL: cluster.ownerUrl(name) },
    'the sample company could not be loaded',
  );
}

/** Copies of a prepared database, each under its name with a number from 1 on. */
export async function copyDatabase(cluster, name, count) {
  const { default: postgres } = await import('postgres');
  const sql = postgres(cluster.ownerUrl('postgres'), { max: 1, onnotice: () => {} });
  try {
    for (let i = 1; i <= count; i++) {
      await sql.unsafe(`drop database if exists ${name}_${i} with (force)`);
      await sql.unsafe(`create database ${name}_${i} template ${name}`);
    }
  } finally {
    await sql.end();
  }
}
