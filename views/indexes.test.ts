import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { calendarVisits, dueBetween } from '@/store/follow-ups';
import { listClients, listSites, sitesToChoose } from '@/store/sites';
import { db, within, type Sql } from '@/store/db';
import { plannedBetween } from '@/store/plans';
import { listenToStatements, makeCompany, ownerSql, walkedWhole, type TestCompany } from '@/store/testing';
import { takenTags } from '@/store/tree-list';
import { searchTrees } from '@/store/tree-search';
import { heldBy } from '@/store/stock';
import { recordsView, recordView } from './records';
import { chooseView, treesView, siteView, planView, spreadView } from './trees';
import { crewsView, fortnightView, scheduleView } from './jobs';
import { stockView } from './stock';
import { seasonView } from './schedule';
import { todayView } from './today';
import { applyView, examineView, overviewOf, prescribeView } from './tree';

const TREES = 100_000;
/** Small companies beside it: what the database thinks of any company that it cannot see in a statement is their mean. */
const SMALL = 300;
/** Of so many trees one was looked at, treated and planned. */
const ONE_IN = 5;
const NOW = new Date('2026-06-12T10:00:00Z');
/** What grows with the trees of a company: none of these is ever walked from end to end. */
const LARGE = ['tree', 'measurement', 'inspection', 'finding', 'diagnosis', 'treatment_plan', 'record', 'follow_up'];

let owner: Sql;
let o: TestCompany;
let viewer: Viewer;
listenToStatements();

/** A large company with small ones beside it, as the database's own statistics will see them. */
async function grow() {
  const { companyId, personId, siteId, labelId } = o;
  for (let i = 0; i < 20; i++) await makeCompany(owner);
  const [{ clientId } = { clientId: '' }] = await owner<
    { clientId: string }[]
  >`select client_id as "clientId" from site where id = ${siteId}`;
  await owner.begin(async (tx) => {
    // Keys are right by construction; checking each would take longer than the test.
    await tx`set local session_replication_role = replica`;
    await tx`set local statement_timeout = 0`;
    await tx`
    with o as (
      insert into company (id, name) select gen_random_uuid(), 'Small' from generate_series(1, ${SMALL}::int) returning id),
    c as (
      insert into client (id, company_id, name) select gen_random_uuid(), o.id, 'Client' from o returning id, company_id),
    p as (
      insert into site (id, company_id, client_id, name, time_zone)
      select gen_random_uuid(), c.company_id, c.id, 'Place', 'Europe/London' from c
      returning id, company_id)
    insert into tree (id, company_id, site_id, tag, host_id)
    select gen_random_uuid(), p.company_id, p.id, 'N' || g, 'wych-elm' from p cross join generate_series(1, 8) g`;
    await tx`
    insert into site (id, company_id, client_id, name, address, time_zone)
    select gen_random_uuid(), ${companyId}, ${clientId}, 'Street ' || g, '', 'Europe/London'
    from generate_series(1, ${TREES / 100}::int) g`;
    await tx`
    insert into tree (id, company_id, site_id, tag, host_id, walk_order, lat, lon)
    select gen_random_uuid(), ${companyId}, p.id, 'S' || p.n * 100 + g,
      (array['wych-elm', 'common-ash', 'common-lime', 'silver-birch'])[1 + g % 4], g, 50 + p.n * 0.001, -4 + g * 0.001
    from (
      select id, row_number() over (order by id) as n
      from site
      where company_id = ${companyId} and id <> ${siteId}) p
    cross join generate_series(1, 100) g`;
    const ofTrees = tx`select t.id, t.site_id, t.tag, t.walk_order from tree t where t.company_id = ${companyId} and t.walk_order % ${ONE_IN} = 0`;
    await tx`
    insert into measurement (
      id, company_id, tree_id, at, created_at, by_person, diameter_cm, at_height_cm, stems, method)
    select gen_random_uuid(), ${companyId}, t.id, now() - make_interval(days => 20 * k),
      now() - make_interval(days => 20 * k), ${personId}, 30, 130, '[]', 'tape'
    from (${ofTrees}) t
    cross join generate_series(1, 2) k`;
    await tx`
    insert into inspection (id, company_id, tree_id, at, by_person, crown_loss, vigour)
    select gen_random_uuid(), ${companyId}, t.id, now() - interval '40 days', ${personId}, 5, 'good'
    from (${ofTrees}) t`;
    await tx`
    insert into finding (company_id, inspection_id, sign_id, state, grade)
    select ${companyId}, l.id, s, 'absent', null
    from inspection l
    cross join unnest(array['honeydew', 'mines', 'webbing']) s
    where l.company_id = ${companyId}`;
    await tx`
    insert into diagnosis (id, company_id, tree_id, at, by_person, condition_id, certainty, decision, reason, ranking,
      overturned_by)
    select gen_random_uuid(), ${companyId}, t.id, now() - interval '40 days', ${personId}, 'elm-leaf-beetle', 'likely',
      'wait and watch', '', '[]', '{}'
    from (${ofTrees}) t`;
    await tx`
    insert into record (
      id, company_id, root_id, version, tree_id, site_id, label_key, method, started_at, ended_at, done_on,
      by_person, written_by, words, data)
    select r.id, ${companyId}, r.id, 1, r.tree_id, r.site_id, 'training-01-drench', 'soil-drench', r.at, r.at,
      r.at::date,
      ${personId}, ${personId}, r.tag || ' elm of the town', '{"amount": 10, "unit": "mL"}'
    from (
      select gen_random_uuid() as id, t.id as tree_id, t.site_id, t.tag,
        now() - make_interval(days => 3 * t.walk_order) as at
      from (${ofTrees}) t) r`;
    await tx`
    insert into follow_up (id, company_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest)
    select gen_random_uuid(), ${companyId}, r.tree_id, r.id, 'again', 'treat-again', 'Again', '', r.done_on + 365,
      r.done_on + 365, r.done_on + 400
    from record r
    where r.company_id = ${companyId}`;
    await tx`
    insert into treatment_plan (
      id, company_id, tree_id, label_id, use_key, condition_id, facts, result, state, by_person)
    select gen_random_uuid(), ${companyId}, t.id, ${labelId}, 'drench', 'elm-leaf-beetle', '{}',
      '{"dose": {"ok": true}}',
      case when t.walk_order % 50 = 0 and t.id <> ${o.treeId} then 'open' else 'done' end, ${personId}
    from (${ofTrees}) t`;
  });
  for (const t of LARGE) await owner.unsafe(`analyze ${t}`);
}

beforeAll(async () => {
  owner = ownerSql();
  o = await makeCompany(owner);
  viewer = (await loadViewer(o))!;
  await grow();
}, 120_000);
afterAll(async () => {
  await owner.end();
  await db().end();
});

const find = (words: string[], hosts: string[][] = words.map(() => [])) =>
  searchTrees(o, { words, hostsOfWord: hosts, after: null, limit: 50 });
const book = { words: null, siteId: null, method: null, from: null, to: null, after: null, limit: 50 };

const READ: Record<string, () => Promise<unknown>> = {
  today: () => todayView(viewer, NOW, fair),
  'a tree': () => overviewOf(viewer, o.treeId, NOW, fair),
  'the year of a place': () =>
    seasonView({ viewer, now: NOW, stationFor: fair, from: '2026-05-01', to: '2027-05-01', siteId: o.siteId }),
  examine: () => examineView(viewer, o.treeId, NOW),
  prescribe: () => prescribeView(viewer, o.treeId, NOW, fair),
  apply: () => applyView(viewer, o.treeId, NOW, fair, null),
  'the book': () => recordsView(viewer, book),
  'the book, further down': () =>
    recordsView(viewer, { ...book, after: { doneOn: '2026-01-01', id: '00000000-0000-7000-8000-000000000000' } }),
  'the book of one place': () => recordsView(viewer, { ...book, siteId: o.siteId }),
  'the book by a word': () => recordsView(viewer, { ...book, words: 'S1234' }),
  record: () => recordView(viewer, o.treeId, NOW),
  siteMap: () => treesView(viewer, { words: [], hostsOfWord: [], after: null, limit: 50 }, { after: null, limit: 40 }),
  'a tag': () => find(['S1234']),
  'a host': () => find(['lime'], [['common-lime']]),
  'a street': () => find(['Street 7']),
  'two words': () => find(['S1', 'elm'], [[], ['wych-elm']]),
  'a species without an entry': () => find(['paulownia']),
  place: () => siteView({ viewer, id: o.siteId, after: null, limit: 50, tasksFrom: '2026-01-01' }),
  choose: () => chooseView(viewer, o.siteId, '2026'),
  spread: () => spreadView(viewer, o.siteId),
  plan: () => planView(viewer, o.siteId),
  shelf: () => stockView(viewer),
  rounds: () => scheduleView(viewer, NOW, null),
  fortnight: () => fortnightView(viewer, NOW, fair),
  crews: () => crewsView(viewer, NOW),
  season: () => dueBetween(o, '2026-06-01', '2026-07-01', 200),
  calendar: () => calendarVisits({ scope: o, from: '2026-01-01', to: '2027-01-01', since: NOW }),
  'calendar of plans': () => plannedBetween(o, '2026-01-01', '2027-01-01'),
  'tags taken': () => takenTags(o, o.siteId, ['T1']),
  clients: () => listClients(o),
  places: () => listSites(o, null, 50),
  'names of places': () => sitesToChoose(o, null),
  'own uptake times': () => heldBy(o),
};

it.each(Object.entries(READ))('%s: no large table is walked from end to end', async (_, read) => {
  const walked = await walkedWhole(o, read);
  expect(walked.filter((w) => LARGE.includes(w.split(':')[0]!))).toEqual([]);
});

it('a word of the book is looked up along its index, behind the wall', async () => {
  const [row] = await owner.begin(async (tx) => {
    await tx`select set_config('elmhorn.company', ${o.companyId}, true)`;
    return tx<{ 'QUERY PLAN': unknown }[]>`
      explain (format json)
      select r.id
      from record r
      where r.company_id = company_now() and r.latest and r.words ilike '%S12345%'
      order by r.done_on desc, r.id desc
      limit 51`;
  });
  expect(JSON.stringify(row)).toContain('record_words');
  const theirs = await makeCompany(owner);
  const found = (who: TestCompany) =>
    within(who, async (tx) => [
      ...(await tx`select * from record_by_words('%S12%', null, null, null, null, null, null, 60)`),
    ]);
  expect((await found(o)).length).toBeGreaterThan(5);
  expect(await found(theirs)).toEqual([]);
});

it('what is walked is noticed', async () => {
  const walked = await walkedWhole(o, () =>
    within(o, async (tx) => {
      await tx`select count(*) from inspection where length(note) > 3`;
    }),
  );
  expect(walked.some((w) => w.startsWith('inspection:'))).toBe(true);
});
