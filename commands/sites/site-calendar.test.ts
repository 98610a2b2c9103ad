import { v7 } from 'uuid';
import { doneBy, ownCompany } from '@/commands/testing';
import { calendarVisits } from '@/store/follow-ups';
import { siteOfCalendar } from '@/store/site-calendar';
import { plannedBetween } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { deleteSiteCalendar } from './delete-site-calendar';
import { addSiteCalendar } from './add-site-calendar';

const t = ownCompany();
const tokenOf = (path: string) => path.split('/').pop()!.replace('.ics', '');
const made = async () => {
  const answer = await doneBy(addSiteCalendar, t.viewer, { siteId: t.o.siteId });
  if (!answer.ok) throw new Error('no address');
  return tokenOf(answer.value.path);
};

it('an address opens its place alone, a new one ends the one before, and it can be ended', async () => {
  const first = await made();
  expect(await siteOfCalendar(first)).toMatchObject({
    siteId: t.o.siteId,
    siteName: 'Place',
    timeZone: 'Europe/London',
  });
  const second = await made();
  expect(await siteOfCalendar(first)).toBeNull();
  expect(await siteOfCalendar(second)).not.toBeNull();
  expect(await siteOfCalendar(`${second}x`)).toBeNull();
  expect(await doneBy(deleteSiteCalendar, t.viewer, { siteId: t.o.siteId })).toMatchObject({ ok: true });
  expect(await siteOfCalendar(second)).toBeNull();
  expect(await doneBy(deleteSiteCalendar, t.viewer, { siteId: t.o.siteId })).toMatchObject({
    ok: false,
    issues: [{ message: 'This place has no calendar address.' }],
  });
});

it('another company’s place gives no address, and a technician makes none', async () => {
  const other = await makeCompany(t.owner);
  const answer = await doneBy(addSiteCalendar, t.viewer, { siteId: other.siteId });
  expect(answer).toMatchObject({ ok: false, issues: [{ message: 'There is no such place in this company.' }] });
  const technician = await doneBy(addSiteCalendar, { ...t.viewer, role: 'technician' }, { siteId: t.o.siteId });
  expect(technician.ok).toBe(false);
});

it('it tells what stands at the place, and nothing of another place of the same company', async () => {
  const [elsewhere, tree] = [v7(), v7()];
  const [{ client_id: clientId }] = (await t.owner`select client_id from site where id = ${t.o.siteId}`) as unknown as [
    { client_id: string },
  ];
  await t.owner`
    insert into site (id, company_id, client_id, name, time_zone)
    values (${elsewhere}, ${t.o.companyId}, ${clientId}, 'Elsewhere', 'Europe/London')`;
  await t.owner`
    insert into tree (id, company_id, site_id, tag, host_id)
    values (${tree}, ${t.o.companyId}, ${elsewhere}, 'E1', 'wych-elm')`;
  for (const treeId of [t.o.treeId, tree]) {
    const id = v7();
    await t.owner`
      insert into follow_up (id, company_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest)
      values (${id}, ${t.o.companyId}, ${treeId}, ${id}, 'own', 'look', 'Look again', 'Set by hand.', '2026-07-01',
        '2026-07-01', '2026-07-01')`;
    await t.owner`
      insert into work_plan (id, company_id, tree_id, work_id, answers, sheet, released, by_person, planned_for)
      values (${v7()}, ${t.o.companyId}, ${treeId}, 'mulch', '{}', '{}', '{}', ${t.o.personId}, '2026-07-02')`;
  }
  const opened = (await siteOfCalendar(await made()))!;
  const due = await calendarVisits({
    scope: opened,
    from: '2026-06-01',
    to: '2026-12-31',
    since: new Date(0),
    siteId: opened.siteId,
  });
  expect(due.map((v) => v.tag)).toEqual(['T1']);
  const planned = await plannedBetween(opened, '2026-06-01', '2026-12-31', opened.siteId);
  expect(planned.map((v) => v.tag)).toEqual(['T1']);
  expect((await plannedBetween(opened, '2026-06-01', '2026-12-31')).length).toBe(2);
});
