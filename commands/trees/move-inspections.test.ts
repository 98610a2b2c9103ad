import { v7 } from 'uuid';
import { doneBy, ownCompany } from '@/commands/testing';
import { loadViewer } from '@/store/auth';
import { calendarVisits, dueBetween } from '@/store/follow-ups';
import { makeCompany } from '@/store/testing';
import { moveInspections } from './move-inspections';
import { addReminder } from './add-reminder';
import { settleFollowUp } from './settle-follow-up';

const made = ownCompany();
/** A visit that a rule asked for, with a span of ten days about its day. */
async function asked(kind: string, ruleId = `r-${v7()}`) {
  const { owner, o } = made;
  const id = v7();
  await owner`
    insert into follow_up (id, company_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest)
    values (${id}, ${o.companyId}, ${o.treeId}, ${v7()}, ${ruleId}, ${kind}, 'Come back', 'By rule.', '2026-09-05',
      '2026-09-01', '2026-09-10')`;
  return id;
}
const move = (ids: string[], day: string, more: object = {}, who = made.viewer) =>
  doneBy(moveInspections, who, { ids, day, ...more });
const stands = async (id: string) =>
  (await dueBetween(made.viewer, '2026-01-01', '2040-01-01', 500)).find((v) => v.id === id)!;

it('moves within its time without a word, and a calendar hears of it', async () => {
  const ids = [await asked('look'), await asked('treat-again')];
  expect(await move(ids, '2026-09-10')).toEqual({ ok: true, value: { moved: 2 } });
  for (const id of ids) expect(await stands(id)).toMatchObject({ due: '2026-09-10', earliest: '2026-09-01' });
  const told = await calendarVisits({
    scope: made.viewer,
    from: '2026-09-10',
    to: '2026-09-10',
    since: new Date('2026-01-01'),
  });
  expect(told.filter((v) => ids.includes(v.id)).map((v) => v.version)).toEqual([1, 1]);
});

it('out of its time it wants a reason, which is kept; its time then holds that day', async () => {
  const id = await asked('look');
  expect(await move([id], '2026-10-02')).toMatchObject({ ok: false, issues: [{ path: 'because' }] });
  expect(await stands(id)).toMatchObject({ due: '2026-09-05' });
  expect(await move([id], '2026-10-02', { because: 'The gate is shut until then.' })).toMatchObject({ ok: true });
  expect(await stands(id)).toMatchObject({ due: '2026-10-02', earliest: '2026-09-01', latest: '2026-10-02' });
  const [row] = await made.owner`select moved_because from follow_up where id = ${id}`;
  expect(row).toEqual({ moved_because: 'The gate is shut until then.' });
});

it.each([
  ['a treatment sooner than its label lets it', 'treat-again', '2026-08-20', /on 1 Sep 2026 at the soonest/],
  ['a device that would hang too long', 'pull-device', '2026-09-11', /is pulled by/],
])('%s is refused whatever the reason, and nothing beside it moves', async (_, kind, day, sentence) => {
  const [id, look] = [await asked(kind), await asked('look')];
  expect(await move([id, look], day, { because: 'It suits the client.' })).toMatchObject({
    ok: false,
    issues: [{ path: `ids.${id}`, message: expect.stringMatching(sentence) }],
  });
  expect(await stands(look)).toMatchObject({ due: '2026-09-05' });
});

it('what somebody asked for goes to any day, and has no other', async () => {
  const id = v7();
  await doneBy(addReminder, made.viewer, { id, treeId: made.o.treeId, on: '2026-09-01', what: 'Look at the graft' });
  expect(await move([id], '2026-07-01')).toMatchObject({ ok: true });
  expect(await stands(id)).toMatchObject({ due: '2026-07-01', earliest: '2026-07-01', latest: '2026-07-01' });
});

it('what is settled, a programme’s, another company’s or past moves nothing', async () => {
  const [own, settled, assignment] = [await asked('look'), await asked('look'), await asked('look', 'programme')];
  await doneBy(settleFollowUp, made.viewer, { id: settled, done: true });
  for (const wrong of [settled, assignment, v7()])
    expect(await move([own, wrong], '2026-09-06')).toMatchObject({ ok: false, issues: [{ path: 'ids' }] });
  expect(await move([own], '2026-05-31')).toMatchObject({ ok: false, issues: [{ path: 'day' }] });
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await move([own], '2026-09-06', {}, theirs)).toMatchObject({ ok: false });
  expect(await stands(own)).toMatchObject({ due: '2026-09-05' });
});
