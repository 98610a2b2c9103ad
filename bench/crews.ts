import { v7 } from 'uuid';
import { connect, type Sql } from '@/store/db';
import { cpuOf } from './cpu';
import { sessionFor } from './session';
import type { Table } from './table';

/**
 * Many crews at once: each opens a tree, keeps a reading of its trunk, and looks at the book, again and again. Every fifth
 * reading is sent twice, as after a lost answer. The server's own CPU is told apart from client and database.
 */
const url = process.env.ELMHORN_BENCH_URL!;
const SERVER = process.env.ELMHORN_BENCH_PID!;
const CREWS = 50;
const SECONDS = 30;

export async function crews({ report, row }: Table): Promise<void> {
  const owner = connect(process.env.DATABASE_OWNER_URL!, 2);
  const people = await peopleOf(owner, CREWS);
  const trees = await owner<{ id: string }[]>`
    select t.id
    from tree t
    join person p on p.company_id = t.company_id
    where p.email = 'maren@oxmere.example' and t.archived_at is null
    order by t.id`;
  const told: string[] = [];
  const times: number[] = [];
  let requests = 0;
  let errors = 0;
  const ask = async (path: string, init: RequestInit) => {
    const began = performance.now();
    const answer = await fetch(url + path, init);
    await answer.text();
    requests++;
    if (!answer.ok) errors++;
    return { ok: answer.ok, ms: performance.now() - began };
  };
  const before = cpuOf(SERVER);
  const began = performance.now();
  const until = began + SECONDS * 1000;
  await Promise.all(
    people.map(async (cookie, crew) => {
      for (let i = crew; performance.now() < until; i += CREWS) {
        const tree = trees[i % trees.length]!.id;
        await ask(`/trees/${tree}`, { headers: { cookie } });
        const id = v7();
        const reading = {
          method: 'POST',
          headers: { cookie, 'content-type': 'application/json' },
          body: measured(id, tree),
        };
        const kept = await ask('/api/v1/commands/measure', reading);
        if (i % 5 === 0) await ask('/api/v1/commands/measure', reading);
        if (kept.ok) told.push(id);
        times.push(kept.ms);
        await ask('/records', { headers: { cookie } });
      }
    }),
  );
  const seconds = (performance.now() - began) / 1000;
  const cores = (cpuOf(SERVER) - before) / 1000 / seconds;
  const [{ kept, twice } = { kept: 0, twice: 0 }] = await owner<{ kept: number; twice: number }[]>`
    select count(*)::int as kept, (count(*) - count(distinct id))::int as twice
    from measurement
    where id = any(${told}::uuid[])`;
  times.sort((a, b) => a - b);
  row(
    `${CREWS} crews: requests a second`,
    `${(requests / seconds).toFixed(1)} on ${cores.toFixed(2)} cores`,
    'reported',
    true,
  );
  const rate = requests / seconds / cores;
  row(`${CREWS} crews: requests a second for each core of the server`, rate.toFixed(1), '≥ 20', rate >= 20);
  report(`${CREWS} crews: acknowledged and lost`, told.length - kept, '', 0);
  report(`${CREWS} crews: kept twice`, twice, '', 0);
  report(`${CREWS} crews: errors`, errors, '', 0);
  report(`${CREWS} crews: a reading kept, p95`, times[Math.floor(times.length * 0.95)] ?? 0, 'ms', 250);
  await owner.end();
}

const measured = (id: string, treeId: string) =>
  JSON.stringify({
    id,
    treeId,
    stems: [{ kind: 'girth', value: 145.1, unit: 'cm' }],
    atHeight: 130,
    atHeightUnit: 'cm',
    height: null,
    heightUnit: 'm',
    crownWidth: null,
    crownBase: null,
    flares: [],
    grain: null,
    obstacles: '',
    arcs: [],
    method: 'tape',
  });

/** Arborists of the sample company, one a crew, each signed in. */
async function peopleOf(owner: Sql, count: number): Promise<string[]> {
  await owner`
    insert into person (id, company_id, name, email, password_hash, role)
    select gen_random_uuid(), p.company_id, 'Crew ' || n, 'crew' || n || '@oxmere.example', 'x', 'arborist'
    from person p
    cross join generate_series(1, ${count}::int) n
    where p.email = 'maren@oxmere.example'
    on conflict (email) do nothing`;
  return Promise.all(Array.from({ length: count }, (_, i) => sessionFor(owner, `crew${i + 1}@oxmere.example`)));
}
