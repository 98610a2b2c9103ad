import { v7 } from 'uuid';
import { SAMPLE_PASSWORD } from '@/stand-ins/sample-people';
import { trainingLabels } from '@/knowledge';
import { hashPassword } from '@/store/auth';
import { clockNow } from '@/store/clock';
import { connect, type Tx } from '@/store/db';

/**
 * A large company for measuring, and small ones beside it: each tree with a reading, five records over five years and what is due
 * after the last. Made by the database itself, beside its triggers and its checks of keys, so that a million records take
 * minutes; signs in as city@scale.example.
 */
const count = Number(process.argv[2] ?? 200_000);
const BESIDE = 500;
const TREES_BESIDE = 200;
const RECORDS_A_TREE = 5;
/** Ids in the order of the rows: a million of them at random would send every index to and fro. */
const ID = `overlay(gen_random_uuid()::text placing lpad(to_hex(row_number() over ()), 8, '0') from 1 for 8)::uuid`;
const sql = connect(process.env.DATABASE_OWNER_URL!, 1);
const HOSTS = [
  'wych-elm',
  'field-elm',
  'common-lime',
  'london-plane',
  'silver-birch',
  'common-ash',
  'pedunculate-oak',
  'horse-chestnut',
];

async function main() {
  const began = performance.now();
  const [there] = await sql<
    { n: number }[]
  >`select count(*)::int as n from tree t join person p on p.company_id = t.company_id where p.email = 'city@scale.example'`;
  if (there!.n >= count) return console.log(`The large company is there already, with ${there!.n} trees.`);
  const hash = await hashPassword(SAMPLE_PASSWORD);
  const label = trainingLabels[0]!;
  const email = there!.n ? `city-${clockNow().getTime()}@scale.example` : 'city@scale.example';
  // Where the large one stands already, its neighbours do too.
  const beside = there!.n ? 0 : BESIDE;
  const made = [
    { company: v7(), person: v7(), client: v7(), email, trees: count },
    ...Array.from({ length: beside }, (_, i) => ({
      company: v7(),
      person: v7(),
      client: v7(),
      email: `crew-${i}@scale.example`,
      trees: TREES_BESIDE,
    })),
  ];
  await sql.begin(async (tx) => {
    await tx`set local session_replication_role = replica`;
    // A million rows in one statement take longer than any request may.
    await tx`set local statement_timeout = 0`;
    await tx`set local maintenance_work_mem = '512MB'`;
    await tx`create temp table made (company uuid, person uuid, client uuid, email text, trees int) on commit drop`;
    await tx`insert into made ${tx(made, 'company', 'person', 'client', 'email', 'trees')}`;
    await tx`insert into company (id, name) select company, 'Company of ' || trees || ' trees' from made`;
    await tx`
      insert into person (id, company_id, name, email, password_hash, role)
      select person, company, 'City arborist', email, ${hash}, 'owner' from made`;
    await tx`insert into client (id, company_id, name) select client, company, 'The city' from made`;
    await tx`
      insert into label (id, company_id, key, version, data)
      select gen_random_uuid(), company, ${label.key}, 1, ${tx.json(label as never)} from made`;
    await tx`
      insert into site (id, company_id, client_id, name, address, time_zone, area_m2)
      select gen_random_uuid(), company, client, 'Street ' || n, n || ' Long Street', 'Europe/London', 5000
      from made cross join lateral generate_series(1, ceil(trees / 100.0)::int) n`;
    await tx`
      insert into tree (id, company_id, site_id, tag, host_id, host_confirmed_at, lat, lon, walk_order)
      select
        ${tx.unsafe(ID)}, p.company_id, p.id, 'S' || p.n * 100 + g,
        (${HOSTS}::text[])[1 + (p.n + g) % ${HOSTS.length}::int], now(), 50 + p.n * 0.0001, -4 + g * 0.0001, g
      from (select p.id, p.company_id, m.trees, row_number() over (partition by m.company order by p.id)::int as n
            from site p join made m on m.company = p.company_id) p
      cross join generate_series(1, 100) g
      where (p.n - 1) * 100 + g <= p.trees`;
    await tx`
      insert into measurement
        (id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m, method)
      select
        ${tx.unsafe(ID)}, t.company_id, t.id, clock_now() - interval '200 days', m.person, 20 + t.walk_order, 130,
        jsonb_build_array(jsonb_build_object(
          'kind', 'diameter', 'typed', jsonb_build_object('value', 20 + t.walk_order, 'unit', 'cm'))),
        15, 'tape'
      from tree t join made m on m.company = t.company_id`;
    await records(tx, label.key);
  });
  await sql`analyze`;
  for (const t of ['tree', 'measurement', 'record', 'follow_up', 'site', 'person', 'company'])
    await sql`vacuum analyze ${sql(t)}`;
  const [rows] = await sql<{ n: number }[]>`select count(*)::int as n from record`;
  const seconds = Math.round((performance.now() - began) / 1000);
  console.log(
    `Built the large company in ${seconds} s: ${count} trees, ${beside} companies beside it, ${rows!.n} records. Sign in as ${email}, password “${SAMPLE_PASSWORD}”.`,
  );
}

/** One true record is the pattern of all; only who, where and when differ. */
async function records(tx: Tx, labelKey: string) {
  const [pattern] = await tx`
    select data from record where company_id not in (select company from made) order by created_at limit 1`;
  if (!pattern) return;
  // Built once over all rows, and not row by row; what a constraint rests on stays.
  const indexes = await tx<{ name: string; made: string }[]>`
    select i.indexname as name, i.indexdef as made from pg_indexes i
    where i.schemaname = 'public' and i.tablename = 'record'
      and not exists (select from pg_constraint c where c.conname = i.indexname)`;
  for (const { name } of indexes) await tx`drop index ${tx(name)}`;
  await tx`
    insert into record
      (id, company_id, root_id, version, tree_id, site_id, label_key, method, started_at, ended_at, done_on,
       by_person, written_by, words, data)
    select
      r.id, r.company_id, r.id, 1, r.tree_id, r.site_id, ${labelKey}, 'soil-drench', r.day, r.day, r.day::date,
      r.person, r.person, r.tag || ' elm',
      ${tx.json(pattern.data)}::jsonb || jsonb_build_object('tree', jsonb_build_object(
        'id', r.tree_id, 'tag', r.tag, 'diameterCm', 40, 'girthCm', 125.7, 'lat', null, 'lon', null))
    from (
      select
        ${tx.unsafe(ID)} as id, t.company_id, t.id as tree_id, t.site_id, t.tag, m.person,
        clock_now() - (t.walk_order * 7 + k * 365 || ' days')::interval as day
      from tree t
      join made m on m.company = t.company_id
      cross join generate_series(0, ${RECORDS_A_TREE - 1}::int) k) r`;
  for (const { made } of indexes) await tx.unsafe(made);
  await tx`
    insert into follow_up (id, company_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest)
    select
      gen_random_uuid(), r.company_id, r.tree_id, r.id, 'again', 'treat-again', 'Decide on the next drench',
      'a year after', r.done_on + 365, r.done_on + 365, r.done_on + 400
    from (select distinct on (r.tree_id) r.company_id, r.tree_id, r.id, r.done_on
          from record r join made m on m.company = r.company_id
          order by r.tree_id, r.done_on desc) r`;
}

main()
  .catch((error) => {
    console.error(error);
    process.exitCode = 1;
  })
  .finally(() => sql.end());
