import { v7 } from 'uuid';
import { doneBy, measuredFirst, ownCompany } from '@/commands/testing';
import { loadViewer } from '@/store/auth';
import { openVisits, plannedBetween } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { finishWork } from './finish-work';
import { moveWorks } from './move-works';
import { planWork } from './plan-work';

const made = ownCompany();
measuredFirst(made);

/** A work that waits for a day; the tests stand on the first of June. */
async function planned(workId: string, on: string) {
  const id = v7();
  expect(
    await doneBy(planWork, made.viewer, { id, treeId: made.o.treeId, workId, answers: {}, on, released: {} }),
  ).toMatchObject({ ok: true });
  return id;
}
const move = (workIds: string[], day: string, more: object = {}, who = made.viewer) =>
  doneBy(moveWorks, who, { workIds, day, ...more });
const stands = async (id: string) => (await openVisits(made.viewer)).works.find((w) => w.id === id)?.plannedFor;

it('moves a work to another day, and a calendar hears of it; to today it waits at once', async () => {
  const id = await planned('mulch', '2026-09-01');
  expect(await move([id], '2026-10-01')).toEqual({ ok: true, value: { moved: 1 } });
  expect(await stands(id)).toBe('2026-10-01');
  const told = async () => (await plannedBetween(made.viewer, '2026-10-01', '2026-10-01')).find((p) => p.id === id)!;
  expect(await told()).toMatchObject({ moves: 1 });
  expect((await told()).changedAt.getTime()).toBeGreaterThan(Date.now() - 60_000);
  expect(await move([id], '2026-06-01')).toMatchObject({ ok: true });
  expect(await stands(id)).toBeNull();
});

it('its gates answer for that day: a cut stays out of the closed season, and nothing of the others moves', async () => {
  const [cut, mulch] = [await planned('open-crown', '2026-11-10'), await planned('mulch', '2026-11-10')];
  const answer = await move([cut, mulch], '2027-05-02', { because: 'It suits the client.' });
  expect(answer).toMatchObject({ ok: false, issues: [{ path: `workIds.${cut}` }] });
  expect([await stands(cut), await stands(mulch)]).toEqual(['2026-11-10', '2026-11-10']);
  expect(await move([cut, mulch], '2026-12-01')).toMatchObject({ ok: true });
});

it.each([
  ['a day that has passed', '2026-05-30'],
  ['a day in three years', '2029-06-02'],
  ['what is no day', 'autumn'],
])('%s is refused beside its field', async (_, day) => {
  const id = await planned('mulch', '2026-09-01');
  expect(await move([id], day)).toMatchObject({ ok: false, issues: [{ path: 'day' }] });
  expect(await stands(id)).toBe('2026-09-01');
});

it('what is done, what is another company’s, and who may not prescribe, move nothing', async () => {
  const finished = await planned('mulch', '2026-09-01');
  expect(await doneBy(finishWork, made.viewer, { id: finished, done: true, note: '' })).toMatchObject({ ok: true });
  const own = await planned('mulch', '2026-09-01');
  expect(await move([finished, own], '2026-10-01')).toMatchObject({ ok: false, issues: [{ path: 'workIds' }] });
  expect(await move([own, v7()], '2026-10-01')).toMatchObject({ ok: false, issues: [{ path: 'workIds' }] });
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await move([own], '2026-10-01', {}, theirs)).toMatchObject({ ok: false });
  expect(await move([own], '2026-10-01', {}, { ...made.viewer, role: 'technician' })).toMatchObject({ ok: false });
  expect(await stands(own)).toBe('2026-09-01');
});
