import { v7 } from 'uuid';
import { doneBy, ownCompany } from '@/commands/testing';
import { loadViewer } from '@/store/auth';
import { dueBetween } from '@/store/follow-ups';
import { makeCompany } from '@/store/testing';
import { settleFollowUp } from './settle-follow-up';
import { skipVisit } from './skip-visit';

const made = ownCompany();
const leave = (input: object, who = made.viewer) =>
  doneBy(skipVisit, who, { because: 'The client does not want it.', ...input });
const open = () => dueBetween(made.viewer, '2020-01-01', '2046-12-31', 100);

/** A treatment that a work of last year asks for again. */
async function due(more: { kind?: string; worked?: boolean } = {}) {
  const { owner, o } = made;
  const [id, root] = [v7(), v7()];
  if (more.worked !== false)
    await owner`
      insert into work_plan
        (id, company_id, tree_id, work_id, answers, sheet, state, done_on, done_by, by_person)
      values (${root}, ${o.companyId}, ${o.treeId}, 'band', '{}', '{}', 'done', '2025-06-10', ${o.personId},
        ${o.personId})`;
  await owner`
    insert into follow_up (id, company_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest)
    values (${id}, ${o.companyId}, ${o.treeId}, ${root}, 'again', ${more.kind ?? 'treat-again'}, 'Inject again',
      'a year after', '2026-06-10', '2026-05-20', '2026-06-30')`;
  return { id, root };
}
beforeEach(() => made.owner`update follow_up set state = 'dropped' where company_id = ${made.o.companyId}`);

it('is left out with its reason, and stands a year later in the same span', async () => {
  const { id } = await due();
  expect(await leave({ id })).toEqual({ ok: true, value: { next: '2027-06-10' } });
  expect(await open()).toMatchObject([
    { what: 'Inject again', due: '2027-06-10', earliest: '2027-05-20', latest: '2027-06-30', kind: 'treat-again' },
  ]);
  const [row] = await made.owner`select state, because, settled_by from follow_up where id = ${id}`;
  expect(row).toEqual({ state: 'dropped', because: 'The client does not want it.', settled_by: made.o.personId });
});

it('once: sent again it is refused, and the next one stands alone; that one can be left out too', async () => {
  const { id } = await due();
  await leave({ id });
  expect(await leave({ id })).toMatchObject({ ok: false, issues: [{ path: 'id' }] });
  const [next, ...more] = await open();
  expect(more).toEqual([]);
  expect(await leave({ id: next!.id })).toEqual({ ok: true, value: { next: '2028-06-09' } });
});

it('“done” without a record is no way to close a treatment; a look is done as before', async () => {
  const { id } = await due();
  expect(await doneBy(settleFollowUp, made.viewer, { id, done: true })).toMatchObject({
    ok: false,
    issues: [{ message: expect.stringMatching(/by its record/) }],
  });
  expect((await open()).map((v) => v.id)).toEqual([id]);
  const look = await due({ kind: 'check-effect' });
  expect(await leave({ id: look.id })).toMatchObject({ ok: false, issues: [{ path: 'id' }] });
  expect(await doneBy(settleFollowUp, made.viewer, { id: look.id, done: true })).toMatchObject({ ok: true });
});

it('where nothing says how often it comes, nothing more comes', async () => {
  const { id } = await due({ worked: false });
  expect(await leave({ id })).toEqual({ ok: true, value: { next: null } });
  expect(await open()).toEqual([]);
});

it.each([
  ['no reason', { because: '   ' }, 'because'],
  ['a reason of a thousand signs', { because: 'x'.repeat(1000) }, 'because'],
  ['a visit that is not there', { id: v7() }, 'id'],
])('%s is refused', async (_, more, path) => {
  const { id } = await due();
  expect(await leave({ id, ...more })).toMatchObject({ ok: false, issues: [{ path }] });
  expect((await open()).map((v) => v.id)).toContain(id);
});

it('another company leaves nothing out here', async () => {
  const { id } = await due();
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await leave({ id }, theirs)).toMatchObject({ ok: false, issues: [{ path: 'id' }] });
  expect((await open()).map((v) => v.id)).toEqual([id]);
});
