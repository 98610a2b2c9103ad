import { v7 } from 'uuid';
import { doneBy, NOW, measuredFirst, ownCompany } from '@/commands/testing';
import { loadViewer } from '@/store/auth';
import { openVisits } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { fair } from '@/stand-ins/weather/fair';
import { seasonView } from '@/views/schedule';
import { planWork } from './plan-work';

const made = ownCompany();
/** The tests stand on the first of June: elm is closed to cutting in this region until the end of August. */
const plan = (more: object = {}, who = made.viewer) =>
  doneBy(planWork, who, {
    id: v7(),
    treeId: made.o.treeId,
    workId: 'open-crown',
    answers: {},
    released: {},
    ...more,
  });
const paths = (answer: Awaited<ReturnType<typeof plan>>) => (answer.ok ? [] : answer.issues.map((f) => f.path));

measuredFirst(made);

it('a cut in the closed season is stopped today, and planned for the day on which it is open', async () => {
  expect(paths(await plan())).toContain('gates.closed-season');
  expect((await openVisits(made.viewer)).works).toEqual([]);
  const id = v7();
  expect(await plan({ id, on: '2026-11-10' })).toEqual({ ok: true, value: null });
  expect(await plan({ id, on: '2026-11-10' })).toEqual({ ok: true, value: null });
  expect((await openVisits(made.viewer)).works).toMatchObject([{ id, workId: 'open-crown', plannedFor: '2026-11-10' }]);
  const { works } = await seasonView({
    viewer: made.viewer,
    now: NOW,
    stationFor: fair,
    from: '2026-06-01',
    to: '2027-06-01',
    siteId: null,
  });
  expect(works.map((w) => w.id)).toEqual([id]);
});

it('another day in the closed season is stopped as well', async () => {
  expect(paths(await plan({ on: '2027-05-02' }))).toContain('gates.closed-season');
});

it.each([
  ['a day that is past', '2026-05-30'],
  ['a day in three years', '2029-06-02'],
  ['what is no day', 'autumn'],
])('%s is refused beside its field', async (_, on) => expect(paths(await plan({ on }))).toEqual(['on']));

it('what may be done at once is planned for no day, today’s date included', async () => {
  for (const on of [null, undefined, '2026-06-01']) {
    const id = v7();
    expect(await plan({ id, workId: 'mulch', on })).toMatchObject({ ok: true });
    expect((await openVisits(made.viewer)).works.find((w) => w.id === id)).toMatchObject({ plannedFor: null });
  }
});

it('other content under the same id, another company and a work that is none are refused', async () => {
  const id = v7();
  expect(await plan({ id, workId: 'water', on: '2026-10-01' })).toMatchObject({ ok: true });
  expect(await plan({ id, workId: 'water', on: '2026-10-02' })).toMatchObject({ ok: false, issues: [{ path: 'id' }] });
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await plan({ on: '2026-11-10' }, theirs)).toMatchObject({ ok: false });
  expect(paths(await plan({ workId: 'moonlight' }))).toEqual(['workId']);
});
