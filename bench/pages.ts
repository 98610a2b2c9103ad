import { readFileSync, statSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { connect, type Sql } from '@/store/db';
import { cpuOf } from './cpu';
import { sessionFor } from './session';
import type { Table } from './table';

/**
 * What a page costs on the sample company: statements and transactions as the database logs them, the server's own CPU, and the
 * size of what it sends. The server stands already; its process and the database's log are told by the environment.
 */
const url = process.env.ELMHORN_BENCH_URL!;
const LOG = process.env.ELMHORN_BENCH_LOG!;
const SERVER = process.env.ELMHORN_BENCH_PID!;
/** A server that has run for a minute: its code is compiled, its statements are planned. */
const WARM = 150;
const TIMES = 80;

/** Each page with the statements and the milliseconds of CPU that it may cost; null where only the figure is wanted. */
const BUDGETS: [name: string, path: (tree: string, plan: string) => string, statements: number, cpu: number | null][] =
  [
    ['Today', () => '/', 12, 40],
    ['tree', (t) => `/trees/${t}`, 10, 25],
    ['measure', (t) => `/trees/${t}/measure`, 10, null],
    ['examine', (t) => `/trees/${t}/inspect`, 10, 50],
    ['decide', (t) => `/trees/${t}/diagnose`, 10, null],
    ['prescribe', (t) => `/trees/${t}/prescribe`, 10, 60],
    ['apply', (_, p) => p, 10, null],
    ['book', () => '/records', 10, 35],
    ['rounds', () => '/jobs', 10, null],
    ['season', () => '/schedule', 10, null],
    ['grounds', () => '/trees', 10, null],
    ['shelf', () => '/stock', 12, null],
    ['field guide', () => '/guide', 10, null],
    ['me', () => '/settings', 2, null],
  ];

/** What the database logged since `from`: statements that do something, and transactions. */
function logged(from: number) {
  const lines = readFileSync(LOG, 'utf8').slice(from).split('\n');
  const sent = lines.flatMap((l) => /(?:statement|execute [^:]*): (.*)/.exec(l)?.[1] ?? []);
  return {
    statements: sent.filter((s) => !/^\s*(begin|commit|rollback)/i.test(s)).length,
    transactions: sent.filter((s) => /^\s*begin/i.test(s)).length,
  };
}

export async function pages({ report, row }: Table): Promise<void> {
  const owner = connect(process.env.DATABASE_OWNER_URL!, 1);
  const cookie = await sessionFor(owner, 'maren@oxmere.example');
  const { tree, plan } = await subjects(owner);
  const ask = async (path: string) => {
    const r = await fetch(url + path, { headers: { cookie } });
    const text = await r.text();
    if (!r.ok) throw new Error(`${path}: ${r.status}`);
    return text;
  };
  await logStatements(owner, true);
  const counts = new Map<string, ReturnType<typeof logged>>();
  for (const [name, path] of BUDGETS) {
    await ask(path(tree, plan));
    const from = statSync(LOG).size;
    await ask(path(tree, plan));
    await new Promise((done) => setTimeout(done, 150));
    counts.set(name, logged(from));
  }
  await logStatements(owner, false);
  for (const [name, path, statements, cpu] of BUDGETS) {
    const { statements: n, transactions } = counts.get(name)!;
    report(`${name}: statements (in ${transactions} transactions)`, n, '', statements);
    for (let i = 0; i < WARM; i++) await ask(path(tree, plan));
    const before = cpuOf(SERVER);
    let text = '';
    for (let i = 0; i < TIMES; i++) text = await ask(path(tree, plan));
    const spent = (cpuOf(SERVER) - before) / TIMES;
    if (cpu === null) row(`${name}: CPU of the server a request`, `${spent.toFixed(0)} ms`, 'reported', true);
    else report(`${name}: CPU of the server a request`, spent, 'ms', cpu);
    const kB = Buffer.byteLength(text) / 1024;
    const size = `${name}: HTML before compression (${(gzipSync(text).length / 1024).toFixed(0)} kB after)`;
    if (name === 'examine') report(size, kB, 'kB', 120);
    else row(size, `${kB.toFixed(0)} kB`, 'reported', true);
  }
  await owner.end();
}

/**
 * A tree of the avenue that was inspected and decided, and an open plan; of the avenue, since other measurements bring long
 * lists of trees to other sites of the sample.
 */
async function subjects(owner: Sql) {
  const [row] = await owner<{ tree: string; plan: string }[]>`
    select
      (select v.tree_id from diagnosis v join person w on w.id = v.by_person
       join tree t on t.id = v.tree_id join site s on s.id = t.site_id and s.name = 'Quay Avenue'
       where w.email like '%@oxmere.example'
       order by v.decision = 'treat now' desc, v.at desc limit 1) as tree,
      (select '/trees/' || n.tree_id || '/treat?plan=' || n.id from treatment_plan n join person w on w.id = n.by_person
       where w.email like '%@oxmere.example' and n.state = 'open' order by n.id limit 1) as plan`;
  return row!;
}

/** The app's sessions begin anew, so that what is set for them counts at once. */
async function logStatements(owner: Sql, on: boolean) {
  const [{ name } = { name: '' }] = await owner<{ name: string }[]>`select current_database() as name`;
  await owner.unsafe(`alter database "${name}" ${on ? `set log_statement = 'all'` : 'reset log_statement'}`);
  await owner`select pg_terminate_backend(pid) from pg_stat_activity where usename = 'elmhorn_app' and datname = ${name}`;
  await new Promise((done) => setTimeout(done, 500));
}
