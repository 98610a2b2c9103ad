import { v7 } from 'uuid';
import { fair } from '@/stand-ins/weather/fair';
import { floorOf, hashPassword, loadViewer, signIn, type Viewer } from '@/store/auth';
import { db, type Sql } from '@/store/db';
import { counted, listenToStatements, makeCompany, ownerSql, type TestCompany } from '@/store/testing';
import { openPlans, openVisits } from '@/store/plans';
import { recordsView, overturnedView, recordView } from './records';
import { dayView, toPutView } from './day';
import { chooseView, treesView, siteView, planView, spreadView } from './trees';
import { batchView, mixView } from './mix';
import { practiceView } from './practice';
import { labelView, stockView, toolsView } from './stock';
import { crewsView, fortnightView, scheduleView } from './jobs';
import { boardView } from './devices';
import { offlineDayView, offlineTreeView } from './offline';
import { phoneView } from './phone';
import { seasonView } from './schedule';
import { todayView } from './today';
import { applyView, examineView, overviewOf, prescribeView, treeView } from './tree';

const NOW = new Date('2026-06-12T10:00:00Z');
let owner: Sql;
let o: TestCompany;
let v: Viewer;
listenToStatements();
beforeAll(async () => {
  owner = ownerSql();
  o = await makeCompany(owner);
  v = (await loadViewer(o))!;
  const crewId = v7();
  await owner`insert into crew (id, company_id, name) values (${crewId}, ${o.companyId}, 'Crew')`;
  await owner`
    insert into crew_day (id, company_id, crew_id, day, by_person)
    values (${crewDayId}, ${o.companyId}, ${crewId}, '2026-06-12', ${o.personId})`;
  await owner`
    insert into crew_day_item (company_id, crew_day_id, item_id, kind, site_id, position, begins)
    values (${o.companyId}, ${crewDayId}, ${o.planId}, 'plan', ${o.siteId}, 0, 480)`;
});
const crewDayId = v7();
afterAll(async () => {
  await owner.end();
  await db().end();
});

const everything = { words: null, siteId: null, method: null, from: null, to: null, after: null, limit: 50 };
/** What begins every page: who is signed in, and how much waits. */
const FLOOR = 2;

/** Every view that stands behind a page, with the most statements its page may cost beside the floor. */
const VIEWS: Record<string, [most: number, read: () => Promise<unknown>]> = {
  today: [10, () => todayView(v, NOW, fair)],
  tree: [8, () => overviewOf(v, o.treeId, NOW, fair)],
  'measure, decide, letter': [8, () => treeView(v, o.treeId, NOW)],
  examine: [8, () => examineView(v, o.treeId, NOW)],
  prescribe: [8, () => prescribeView(v, o.treeId, NOW, fair)],
  apply: [8, () => applyView(v, o.treeId, NOW, fair, null)],
  book: [8, () => recordsView(v, everything)],
  record: [8, () => recordView(v, v7(), NOW)],
  overturned: [8, () => overturnedView(v)],
  siteMap: [8, () => treesView(v, { words: [], hostsOfWord: [], after: null, limit: 50 }, { after: null, limit: 40 })],
  place: [10, () => siteView({ viewer: v, id: o.siteId, after: null, limit: 50, tasksFrom: '2026-01-01' })],
  choose: [8, () => chooseView(v, o.siteId, '2026')],
  spread: [8, () => spreadView(v, o.siteId)],
  plan: [8, () => planView(v, o.siteId)],
  shelf: [10, () => stockView(v)],
  label: [8, () => labelView(v, o.labelId)],
  rounds: [8, () => scheduleView(v, NOW, null)],
  fortnight: [13, () => fortnightView(v, NOW, fair)],
  crews: [8, () => crewsView(v, NOW)],
  board: [5, () => boardView(v, NOW)],
  // Read by a crew whose phone has little signal, in one answer with everything that its day needs.
  day: [18, () => dayView(v, crewDayId, NOW, fair)],
  // What a phone takes along: fetched beforehand, for a day on which nothing can be fetched.
  'a day that is held': [22, () => offlineDayView(v, crewDayId, NOW, fair)],
  'a tree that is held': [18, () => offlineTreeView(v, o.treeId, NOW, fair)],
  phone: [5, () => phoneView(v)],
  'to put on a day': [8, () => toPutView(v, NOW)],
  mix: [9, () => mixView(v, o.planId, null, NOW)],
  batch: [4, () => batchView(v, v7())],
  tools: [8, () => toolsView(v)],
  season: [
    8,
    () => seasonView({ viewer: v, now: NOW, stationFor: fair, from: '2026-05-01', to: '2027-05-01', siteId: null }),
  ],
  practice: [8, () => practiceView(v, null)],
};

describe('what a page reads', () => {
  it.each(Object.entries(VIEWS))('%s: one transaction, and no more statements than it may', async (_, [most, read]) => {
    const cost = await counted(read);
    expect(cost.transactions).toBe(1);
    expect(cost.statements).toBeLessThanOrEqual(most);
    // Setting the company and one query at least: a view that reads nothing has been counted wrongly.
    expect(cost.statements).toBeGreaterThanOrEqual(2);
  });

  it('who is signed in and how much waits are one transaction of two statements', async () => {
    const email = `${o.personId}@test.example`;
    await owner`update person set password_hash = ${await hashPassword('a long pass phrase 7')} where id = ${o.personId}`;
    const opened = await signIn(email, 'a long pass phrase 7', 'here');
    if (!('token' in opened)) throw new Error(opened.sentence);
    let seen: Awaited<ReturnType<typeof floorOf>> = null;
    expect(await counted(async () => (seen = await floorOf(opened.token, NOW)))).toEqual({
      statements: FLOOR,
      transactions: 1,
    });
    expect(seen).toMatchObject({ viewer: { ...v }, waiting: 1 });
  });

  it('no row costs a statement: one decided tree or five, one tree of a place or twenty', async () => {
    const cost = () => Promise.all([counted(VIEWS.today![1])]).then(([c]) => c!.statements);
    await decide(o.treeId);
    const [one, place] = [await cost(), await counted(VIEWS.place![1])];
    // What is decided and not planned costs the most of a day, and fits all the same.
    expect(one).toBeLessThanOrEqual(VIEWS.today![0]);
    for (let i = 0; i < 20; i++) {
      const id = v7();
      await owner`insert into tree (id, company_id, site_id, tag, host_id) values (${id}, ${o.companyId}, ${o.siteId}, ${`R${i}`}, 'wych-elm')`;
      if (i < 4) await decide(id);
    }
    const today = await todayView(v, NOW, fair);
    expect(today.undecided).toHaveLength(5);
    expect(await cost()).toBe(one);
    expect(await counted(VIEWS.place![1])).toEqual(place);
  });
});

const decide = (treeId: string) => owner`
  insert into diagnosis (id, company_id, tree_id, at, by_person, condition_id, certainty, decision, reason, ranking,
    overturned_by)
  values (${v7()}, ${o.companyId}, ${treeId}, ${NOW}, ${o.personId}, 'scale-insect', 'near certain', 'treat now', '',
    '[]', '{}')`;

describe('today', () => {
  it('what waits, read in one statement, is what it is read alone: instants, numbers and days', async () => {
    const { plans } = await openVisits(v);
    expect(plans).not.toEqual([]);
    expect(plans).toEqual(await openPlans(v));
    expect((await openVisits(v, { plans: 0, works: 0 })).plans).toEqual([]);
  });

  it('says of each decision whether anything on the shelf may be done against it today', async () => {
    const today = await todayView(v, NOW, fair);
    for (const u of today.undecided)
      expect(u.state).toBe(u.stop ? 'stopped' : u.state === 'open' ? 'open' : 'no product');
    const other = await makeCompany(owner);
    const theirs = (await loadViewer(other))!;
    expect((await todayView(theirs, NOW, fair)).undecided).toEqual([]);
  });
});
