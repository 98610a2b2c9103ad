import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { doneBy, NOW, ownCompany } from '@/commands/testing';
import { settleFollowUp } from '@/commands/trees/settle-follow-up';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer } from '@/store/auth';
import { dueBetween } from '@/store/follow-ups';
import { makeCompany } from '@/store/testing';
import { addReminder } from './add-reminder';

const made = ownCompany();
const ask = (more: object = {}, who = made.viewer) =>
  doneBy(addReminder, who, { id: v7(), treeId: made.o.treeId, on: '2026-09-01', what: 'Look at the graft', ...more });
const due = (from = '2026-06-01', to = '2046-12-31') => dueBetween(made.viewer, from, to, 100);

it('stands on its day with what it is for and who set it, once however often it is sent, and is settled like any visit', async () => {
  const id = v7();
  expect(await ask({ id })).toEqual({ ok: true, value: null });
  expect(await ask({ id })).toEqual({ ok: true, value: null });
  const [visit, ...others] = await due();
  expect(others).toEqual([]);
  expect(visit).toMatchObject({ id, tag: 'T1', due: '2026-09-01', earliest: '2026-09-01', what: 'Look at the graft' });
  expect(visit!.reason).toBe('Set by Tester.');
  expect(await ask({ id, on: '2026-09-02' })).toMatchObject({ ok: false, issues: [{ path: 'id' }] });
  expect(await doneBy(settleFollowUp, made.viewer, { id, done: true })).toMatchObject({ ok: true });
  expect(await due()).toEqual([]);
});

it('two on one tree, and on one day, stand beside each other', async () => {
  await ask({ what: 'Measure the crack' });
  await ask({ what: 'Loosen the tie' });
  expect((await due()).map((v) => v.what).sort()).toEqual(['Loosen the tie', 'Measure the crack']);
});

it.each([
  ['a day that is past', { on: '2026-05-31' }, 'on'],
  ['a day in a generation', { on: '2060-01-01' }, 'on'],
  ['no day', { on: 'soon' }, 'on'],
  ['the thirtieth of February', { on: '2027-02-30' }, 'on'],
  ['nothing to come for', { what: '  ' }, 'what'],
  ['a tree that is not there', { treeId: v7() }, ''],
])('%s is refused beside its field', async (_, more, path) => {
  const before = await due();
  const answer = await ask(more);
  expect(answer).toMatchObject({ ok: false });
  expect(answer.ok ? [] : answer.issues.map((f) => f.path)).toEqual([path || expect.any(String)]);
  expect(await due()).toEqual(before);
});

it('today counts as a day to come, by the clock of the place', async () => {
  const late = { ...made, now: new Date('2026-06-01T23:30:00Z') };
  const at = (on: string) =>
    perform(
      addReminder,
      { viewer: late.viewer, receivedAt: late.now, station: fair },
      { id: v7(), treeId: made.o.treeId, on, what: 'Look' },
    );
  // In Europe/London it is the second of June already.
  expect(await at('2026-06-01')).toMatchObject({ ok: false });
  expect(await at('2026-06-02')).toMatchObject({ ok: true });
  expect(NOW < late.now).toBe(true);
});

it('is nobody else’s: not another company’s tree, nor a role that settles nothing', async () => {
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await ask({}, theirs)).toMatchObject({ ok: false });
  expect(await dueBetween(theirs, '2026-01-01', '2046-12-31', 9)).toEqual([]);
});
