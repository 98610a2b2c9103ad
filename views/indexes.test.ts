import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { calendarVisits, dueBetween } from '@/store/follow-ups';
import { listClients, listPlaces, sitesToChoose } from '@/store/grounds';
import { db, within, type Sql } from '@/store/db';
import { plannedBetween } from '@/store/plans';
import { listenToStatements, makeOutfit, ownerSql, walkedWhole, type TestOutfit } from '@/store/testing';
import { takenTags } from '@/store/tree-list';
import { searchTrees } from '@/store/tree-search';
import { heldBy } from '@/store/shelf';
import { bookView, recordView } from './book';
import { chooseView, groundsView, placeView, planView, spreadView } from './grounds';
import { crewsView, fortnightView, roundsView } from './rounds';
import { shelfView } from './shelf';
import { seasonView } from './season';
import { todayView } from './today';
import { applyView, examineView, overviewOf, prescribeView } from './tree';

const TREES = 100_000;
/** Small outfits beside it: what the database thinks of any outfit that it cannot see in a statement is their mean. */
const SMALL = 300;
/** Of so many trees one was looked at, treated and planned. */
const ONE_IN = 5;
const NOW = new Date('2026-06-12T10:00:00Z');
/** What grows with the trees of an outfit: none of these is ever walked from end to end. */
const LARGE = ['tree', 'reading', 'look', 'finding', 'verdict', 'plan', 'record', 'follow_up'];

let owner: Sql;
let o: TestOutfit;
let viewer: Viewer;
listenToStatements();

/** A large outfit with small ones beside it, as the database's own statistics will see them. */
async function grow() {
  const { outfitId, personId, placeId, labelId } = o;
  for (let i = 0; i < 20; i++) await makeOutfit(owner);
  const [{ clientId } = { clientId: '' }] = await owner<
    { clientId: string }[]
  >`select client_id as "clientId" from place where id = ${placeId}`;
  await owner.begin(async (tx) => {
    // Keys are right by construction; checking each would take longer than the test.
    await tx`set local session_replication_role = replica`;
    await tx`set local statement_timeout = 0`;
    await tx`
    with o as (
      insert into outfit (id, name) select gen_random_uuid(), 'Small' from generate_series(1, ${SMALL}::int) returning id),
    c as (
      insert into client (id, outfit_id, name) select gen_random_uuid(), o.id, 'Client' from o returning id, outfit_id),
    p as (
      insert into place (id, outfit_id, client_id, name, time_zone)
      select gen_random_uuid(), c.outfit_id, c.id, 'Place', 'Europe/London' from c
      returning id, outfit_id)
    insert into tree (id, outfit_id, place_id, tag, host_id)
    select gen_random_uuid(), p.outfit_id, p.id, 'N' || g, 'wych-elm' from p cross join generate_series(1, 8) g`;
    await tx`
    insert into place (id, outfit_id, client_id, name, address, time_zone)
    select gen_random_uuid(), ${outfitId}, ${clientId}, 'Street ' || g, '', 'Europe/London'
    from generate_series(1, ${TREES / 100}::int) g`;
    await tx`
    insert into tree (id, outfit_id, place_id, tag, host_id, walk_order, lat, lon)
    select gen_random_uuid(), ${outfitId}, p.id, 'S' || p.n * 100 + g,
      (array['wych-elm', 'common-ash', 'common-lime', 'silver-birch'])[1 + g % 4], g, 50 + p.n * 0.001, -4 + g * 0.001
    from (
      select id, row_number() over (order by id) as n
      from place
      where outfit_id = ${outfitId} and id <> ${placeId}) p
    cross join generate_series(1, 100) g`;
    const ofTrees = tx`select t.id, t.place_id, t.tag, t.walk_order from tree t where t.outfit_id = ${outfitId} and t.walk_order % ${ONE_IN} = 0`;
    await tx`
    insert into reading (
      id, outfit_id, tree_id, at, created_at, by_person, diameter_cm, at_height_cm, stems, method)
    select gen_random_uuid(), ${outfitId}, t.id, now() - make_interval(days => 20 * k),
      now() - make_interval(days => 20 * k), ${personId}, 30, 130, '[]', 'tape'
    from (${ofTrees}) t
    cross join generate_series(1, 2) k`;
    await tx`
    insert into look (id, outfit_id, tree_id, at, by_person, crown_loss, vigour)
    select gen_random_uuid(), ${outfitId}, t.id, now() - interval '40 days', ${personId}, 5, 'good'
    from (${ofTrees}) t`;
    await tx`
    insert into finding (outfit_id, look_id, sign_id, state, grade)
    select ${outfitId}, l.id, s, 'absent', null
    from look l
    cross join unnest(array['honeydew', 'mines', 'webbing']) s
    where l.outfit_id = ${outfitId}`;
    await tx`
    insert into verdict (id, outfit_id, tree_id, at, by_person, condition_id, certainty, decision, reason, ranking,
      overturned_by)
    select gen_random_uuid(), ${outfitId}, t.id, now() - interval '40 days', ${personId}, 'elm-leaf-beetle', 'likely',
      'wait and watch', '', '[]', '{}'
    from (${ofTrees}) t`;
    await tx`
    insert into record (
      id, outfit_id, root_id, version, tree_id, place_id, label_key, method, started_at, ended_at, done_on,
      by_person, written_by, words, data)
    select r.id, ${outfitId}, r.id, 1, r.tree_id, r.place_id, 'training-01-drench', 'soil-drench', r.at, r.at,
      r.at::date,
      ${personId}, ${personId}, r.tag || ' elm of the town', '{"amount": 10, "unit": "mL"}'
    from (
      select gen_random_uuid() as id, t.id as tree_id, t.place_id, t.tag,
        now() - make_interval(days => 3 * t.walk_order) as at
      from (${ofTrees}) t) r`;
    await tx`
    insert into follow_up (id, outfit_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest)
    select gen_random_uuid(), ${outfitId}, r.tree_id, r.id, 'again', 'treat-again', 'Again', '', r.done_on + 365,
      r.done_on + 365, r.done_on + 400
    from record r
    where r.outfit_id = ${outfitId}`;
    await tx`
    insert into plan (
      id, outfit_id, tree_id, label_id, use_key, condition_id, facts, result, state, by_person)
    select gen_random_uuid(), ${outfitId}, t.id, ${labelId}, 'drench', 'elm-leaf-beetle', '{}',
      '{"dose": {"ok": true}}',
      case when t.walk_order % 50 = 0 and t.id <> ${o.treeId} then 'open' else 'done' end, ${personId}
    from (${ofTrees}) t`;
  });
  for (const t of LARGE) await owner.unsafe(`analyze ${t}`);
}

beforeAll(async () => {
  owner = ownerSql();
  o = await makeOutfit(owner);
  viewer = (await loadViewer(o))!;
  await grow();
}, 120_000);
afterAll(async () => {
  await owner.end();
  await db().end();
});

const find = (words: string[], hosts: string[][] = words.map(() => [])) =>
  searchTrees(o, { words, hostsOfWord: hosts, after: null, limit: 50 });
const book = { words: null, placeId: null, method: null, from: null, to: null, after: null, limit: 50 };

const READ: Record<string, () => Promise<unknown>> = {
  today: () => todayView(viewer, NOW, fair),
  'a tree': () => overviewOf(viewer, o.treeId, NOW, fair),
  'the year of a place': () => seasonView(viewer, NOW, fair, '2026-05-01', '2027-05-01', o.placeId),
  examine: () => examineView(viewer, o.treeId, NOW),
  prescribe: () => prescribeView(viewer, o.treeId, NOW, fair),
  apply: () => applyView(viewer, o.treeId, NOW, fair, null),
  'the book': () => bookView(viewer, book),
  'the book, further down': () =>
    bookView(viewer, { ...book, after: { doneOn: '2026-01-01', id: '00000000-0000-7000-8000-000000000000' } }),
  'the book of one place': () => bookView(viewer, { ...book, placeId: o.placeId }),
  'the book by a word': () => bookView(viewer, { ...book, words: 'S1234' }),
  record: () => recordView(viewer, o.treeId, NOW),
  grounds: () =>
    groundsView(viewer, { words: [], hostsOfWord: [], after: null, limit: 50 }, { after: null, limit: 40 }),
  'a tag': () => find(['S1234']),
  'a host': () => find(['lime'], [['common-lime']]),
  'a street': () => find(['Street 7']),
  'two words': () => find(['S1', 'elm'], [[], ['wych-elm']]),
  'a species without an entry': () => find(['paulownia']),
  place: () => placeView(viewer, o.placeId, null, 50, '2026-01-01'),
  choose: () => chooseView(viewer, o.placeId, '2026'),
  spread: () => spreadView(viewer, o.placeId),
  plan: () => planView(viewer, o.placeId),
  shelf: () => shelfView(viewer),
  rounds: () => roundsView(viewer, NOW, null),
  fortnight: () => fortnightView(viewer, NOW, fair),
  crews: () => crewsView(viewer, NOW),
  season: () => dueBetween(o, '2026-06-01', '2026-07-01', 200),
  calendar: () => calendarVisits(o, '2026-01-01', '2027-01-01', NOW),
  'calendar of plans': () => plannedBetween(o, '2026-01-01', '2027-01-01'),
  'tags taken': () => takenTags(o, o.placeId, ['T1']),
  clients: () => listClients(o),
  places: () => listPlaces(o, null, 50),
  'names of places': () => sitesToChoose(o, null),
  'own uptake times': () => heldBy(o),
};

it.each(Object.entries(READ))('%s: no large table is walked from end to end', async (_, read) => {
  const walked = await walkedWhole(o, read);
  expect(walked.filter((w) => LARGE.includes(w.split(':')[0]!))).toEqual([]);
});

it('a word of the book is looked up along its index, behind the wall', async () => {
  const [row] = await owner.begin(async (tx) => {
    await tx`select set_config('elmhorn.outfit', ${o.outfitId}, true)`;
    return tx<{ 'QUERY PLAN': unknown }[]>`
      explain (format json)
      select r.id
      from record r
      where r.outfit_id = outfit_now() and r.latest and r.words ilike '%S12345%'
      order by r.done_on desc, r.id desc
      limit 51`;
  });
  expect(JSON.stringify(row)).toContain('record_words');
  const theirs = await makeOutfit(owner);
  const found = (who: TestOutfit) =>
    within(who, async (tx) => [
      ...(await tx`select * from book_by_words('%S12%', null, null, null, null, null, null, 60)`),
    ]);
  expect((await found(o)).length).toBeGreaterThan(5);
  expect(await found(theirs)).toEqual([]);
});

it('what is walked is noticed', async () => {
  const walked = await walkedWhole(o, () =>
    within(o, async (tx) => {
      await tx`select count(*) from look where length(note) > 3`;
    }),
  );
  expect(walked.some((w) => w.startsWith('look:'))).toBe(true);
});
