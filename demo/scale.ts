import postgres from 'postgres';
import { v7 } from 'uuid';
import { SAMPLE_PASSWORD } from '@/stand-ins/sample-people';
import { trainingLabels } from '@/knowledge';
import { hashPassword } from '@/store/auth';

/**
 * A large outfit for measuring: `count` trees with a reading each, one record for every second tree and a follow-up for
 * each record. Made by the database itself; signs in as city@scale.example.
 */
const count = Number(process.argv[2] ?? 200_000);
const sql = postgres(process.env.DATABASE_OWNER_URL!, { max: 1, onnotice: () => {} });
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
  const [there] = await sql<
    { n: number }[]
  >`select count(*)::int as n from tree t join person p on p.outfit_id = t.outfit_id where p.email = 'city@scale.example'`;
  if (there!.n >= count) return console.log(`The large outfit is there already, with ${there!.n} trees.`);
  const [outfit, person, client] = [v7(), v7(), v7()];
  const hash = await hashPassword(SAMPLE_PASSWORD);
  const label = trainingLabels[0]!;
  const email = there!.n ? `city-${Date.now()}@scale.example` : 'city@scale.example';
  await sql.begin(async (tx) => {
    await tx`insert into outfit (id, name) values (${outfit}, 'Large city outfit')`;
    await tx`insert into person (id, outfit_id, name, email, password_hash, role) values (${person}, ${outfit}, 'City arborist', ${email}, ${hash}, 'owner')`;
    await tx`insert into client (id, outfit_id, name) values (${client}, ${outfit}, 'The city')`;
    await tx`insert into label (id, outfit_id, key, version, data) values (${v7()}, ${outfit}, ${label.key}, 1, ${tx.json(label as never)})`;
    await tx`insert into place (id, outfit_id, client_id, name, address, time_zone, area_m2) select gen_random_uuid(), ${outfit}, ${client}, 'Street ' || g, g || ' Long Street', 'Europe/London', 5000 from generate_series(1, ${Math.ceil(count / 100)}::int) g`;
    await tx`insert into tree (id, outfit_id, place_id, tag, host_id, host_confirmed_at, lat, lon, walk_order)
      select gen_random_uuid(), ${outfit}, p.id, 'S' || p.n * 100 + g, (${HOSTS}::text[])[1 + (p.n + g) % ${HOSTS.length}::int], now(), 50 + p.n * 0.0001, -4 + g * 0.0001, g
      from (select id, row_number() over (order by id)::int as n from place where outfit_id = ${outfit}) p cross join generate_series(1, 100) g limit ${count}`;
    await tx`insert into reading (id, outfit_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m, method)
      select gen_random_uuid(), ${outfit}, id, now() - interval '200 days', ${person}, 20 + walk_order, 130, jsonb_build_array(jsonb_build_object('kind', 'diameter', 'typed', jsonb_build_object('value', 20 + walk_order, 'unit', 'cm'))), 15, 'tape' from tree where outfit_id = ${outfit}`;
    // One true record as the pattern; only who, where and when differ.
    const [pattern] = await tx`select data from record where outfit_id <> ${outfit} order by created_at limit 1`;
    if (!pattern) return;
    await tx`alter table record disable trigger newest_version`;
    await tx`insert into record (id, outfit_id, root_id, version, tree_id, place_id, label_key, method, started_at, ended_at, done_on, by_person, written_by, words, data)
      select r.id, ${outfit}, r.id, 1, r.tree_id, r.place_id, ${label.key}, 'soil-drench', r.day, r.day, r.day::date, ${person}, ${person}, r.tag || ' elm', ${tx.json(pattern.data)}::jsonb || jsonb_build_object('tree', jsonb_build_object('id', r.tree_id, 'tag', r.tag, 'diameterCm', 40, 'girthCm', 125.7, 'lat', null, 'lon', null))
      from (select gen_random_uuid() as id, id as tree_id, place_id, tag, now() - (walk_order * 7 || ' days')::interval as day from tree where outfit_id = ${outfit} and walk_order % 2 = 0) r`;
    await tx`alter table record enable trigger newest_version`;
    await tx`insert into follow_up (id, outfit_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest)
      select gen_random_uuid(), ${outfit}, tree_id, id, 'again', 'treat-again', 'Decide on the next drench', 'a year after', done_on + 365, done_on + 365, done_on + 400 from record where outfit_id = ${outfit}`;
  });
  for (const t of ['tree', 'reading', 'record', 'follow_up', 'place']) await sql`vacuum analyze ${sql(t)}`;
  console.log(`Built the large outfit: ${count} trees. Sign in as ${email}, password “${SAMPLE_PASSWORD}”.`);
}

main()
  .catch((error) => {
    console.error(error);
    process.exitCode = 1;
  })
  .finally(() => sql.end());
