import { ownCompany, NOW } from '@/commands/testing';
import { findSites, sitesToChoose } from '@/store/sites';
import { loadViewer } from '@/store/auth';
import { makeCompany } from '@/store/testing';
import { fair } from '@/stand-ins/weather/fair';
import { scheduleView } from './jobs';
import { todayView } from './today';

const made = ownCompany();
/** Open things of each kind, over so many sites: far more than any list of a page holds. */
const SITES = 250;
const [PLANS, OVER, WORKS, VISITS] = [800, 600, 300, 300];

beforeAll(async () => {
  const { owner, o } = made;
  await owner`update treatment_plan set state = 'dropped' where company_id = ${o.companyId}`;
  await owner`
    insert into site (id, company_id, client_id, name, address, time_zone)
    select gen_random_uuid(), ${o.companyId}, p.client_id, 'Site ' || lpad(g::text, 3, '0'), g || ' Quay Road', 'Europe/London'
    from site p cross join generate_series(1, ${SITES}::int) g
    where p.id = ${o.siteId}`;
  await owner`
    insert into tree (id, company_id, site_id, tag, host_id, walk_order)
    select gen_random_uuid(), p.company_id, p.id, 'D' || row_number() over (order by p.name, g), 'wych-elm', g
    from site p cross join generate_series(1, 8) g
    where p.company_id = ${o.companyId} and p.name like 'Site %'`;
  const open = (from: number, to: number) => owner`
    select id from (
      select id, row_number() over (order by id) as n from tree where company_id = ${o.companyId} and tag like 'D%') t
    where n > ${from} and n <= ${to}`;
  const dose = { dose: { ok: true, dimension: 'volume', product: 5, actives: [] }, gates: [] };
  const plans = (of: ReturnType<typeof open>, earliest: string, latest: string) => owner`
    insert into treatment_plan (id, company_id, tree_id, label_id, use_key, condition_id, facts, document, result, result_us, by_person,
      planned_for, earliest, latest)
    select gen_random_uuid(), ${o.companyId}, x.id, ${o.labelId}, 'drench', 'elm-leaf-beetle', '{}', 2,
      ${owner.json(dose)}, ${owner.json(dose)}, ${o.personId}, ${earliest}, ${earliest}, ${latest}
    from (${of}) x`;
  // What is over opened first: by the soonest alone it would fill every list.
  await plans(open(0, OVER), '2025-04-01', '2025-05-01');
  await plans(open(OVER, OVER + PLANS), '2026-05-20', '2026-06-30');
  await owner`
    insert into work_plan (id, company_id, tree_id, work_id, answers, document, sheet, sheet_us, by_person, planned_for)
    select gen_random_uuid(), ${o.companyId}, x.id, 'mulch', '{}', 2, '{"figures":[]}', '{"figures":[]}', ${o.personId}, '2026-05-30'
    from (${open(0, WORKS)}) x`;
  await owner`
    insert into follow_up (id, company_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest)
    select gen_random_uuid(), ${o.companyId}, x.id, gen_random_uuid(), 'own', 'look', 'Look again', 'asked for', '2026-05-25',
      '2026-05-25', '2026-06-10'
    from (${open(1400, 1400 + VISITS)}) x`;
  await owner`analyze treatment_plan, work_plan, follow_up, tree, site`;
});

const sum = <T>(of: readonly T[], n: (x: T) => number) => of.reduce((a, x) => a + n(x), 0);

it('of two thousand open things none is missing: the counts add up, and what is over hides nothing that is due', async () => {
  const viewer = (await loadViewer(made.o))!;
  const today = await todayView(viewer, NOW, fair);
  expect({
    plans: sum(today.sites, (s) => s.plans),
    over: sum(today.sites, (s) => s.over),
    works: sum(today.sites, (s) => s.works),
    visits: sum(today.sites, (s) => s.visits),
  }).toEqual({ plans: PLANS, over: OVER, works: WORKS, visits: VISITS });
  // The list of the page has room for some: all of them may be done today.
  expect(today.plans.length).toBe(120);
  expect(today.over).toEqual([]);
});

it('each of them is on the page of its site, one press from Today', async () => {
  const viewer = (await loadViewer(made.o))!;
  const { sites } = await todayView(viewer, NOW, fair);
  const seen = { plans: 0, works: 0, due: 0 };
  for (const s of [...sites.slice(0, 12), ...sites.slice(-12)]) {
    const page = await scheduleView(viewer, NOW, s.siteId);
    expect([page.plans.length, page.works.length, page.due.length]).toEqual([s.plans + s.over, s.works, s.visits]);
    expect([...page.plans, ...page.works, ...page.due].every((x) => x.siteId === s.siteId)).toBe(true);
    seen.plans += page.plans.length;
    seen.works += page.works.length;
    seen.due += page.due.length;
  }
  expect(Math.min(seen.plans, seen.works, seen.due)).toBeGreaterThan(0);
});

it('a site beyond the list is found by its name, street or client, and only by its own company', async () => {
  const viewer = (await loadViewer(made.o))!;
  const list = await sitesToChoose(viewer, null);
  expect(list.more).toBe(true);
  const [last] = await findSites(viewer, `Site ${SITES}`);
  expect(list.sites.some((s) => s.id === last!.id)).toBe(false);
  expect((await sitesToChoose(viewer, last!.id)).sites.map((s) => s.id)).toContain(last!.id);
  expect((await findSites(viewer, `${SITES} Quay`)).map((s) => s.id)).toEqual([last!.id]);
  expect((await findSites(viewer, 'client')).length).toBe(20);
  expect(await findSites(viewer, '%')).toEqual([]);
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await findSites(theirs, 'Site')).toEqual([]);
  expect((await sitesToChoose(theirs, last!.id)).sites.map((s) => s.id)).not.toContain(last!.id);
});
