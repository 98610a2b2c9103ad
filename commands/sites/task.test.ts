import { v7 } from 'uuid';
import { finishTask } from '@/commands/share/finish-task';
import { doneBy, NOW, ownCompany } from '@/commands/testing';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { getTask, tasksAt, tasksDue, type Task } from '@/store/tasks';
import { makeCompany } from '@/store/testing';
import { todayView } from '@/views/today';
import { deleteSiteCalendar } from './delete-site-calendar';
import { addSiteCalendar } from './add-site-calendar';
import { addTask } from './add-task';
import { settleTask } from './settle-task';

const made = ownCompany();
const watering = (more: object = {}) => ({
  id: v7(),
  siteId: made.o.siteId,
  who: 'client' as const,
  what: 'Water the new lime',
  instructions: 'Two cans at the foot, slowly, in the evening.',
  due: '2026-06-08',
  ...more,
});
const set = async (more: object = {}, who: Viewer = made.viewer) => {
  const input = watering(more);
  return { id: input.id, answer: await doneBy(addTask, who, input) };
};
const kept = async (id: string): Promise<Task> => (await getTask(made.viewer, id))!;
const address = async () => {
  const answer = await doneBy(addSiteCalendar, made.viewer, { siteId: made.o.siteId });
  if (!answer.ok) throw new Error('no address');
  return answer.value.path.split('/').pop()!;
};

describe('a task of a place', () => {
  it('stands on Today and at its place until it is done, left out, or open again', async () => {
    const { id, answer } = await set({ who: 'company', instructions: '', what: 'Look at the ties', tag: 't1' });
    expect(answer).toEqual({ ok: true, value: null });
    expect(await kept(id)).toMatchObject({
      who: 'company',
      treeId: made.o.treeId,
      tag: 'T1',
      state: 'open',
      due: '2026-06-08',
    });
    const onToday = async () => (await todayView(made.viewer, NOW, fair)).tasks.some((t) => t.id === id);
    expect(await onToday()).toBe(true);
    expect(await doneBy(settleTask, made.viewer, { id, to: 'done' })).toMatchObject({ ok: true });
    expect(await doneBy(settleTask, made.viewer, { id, to: 'done' })).toMatchObject({ ok: false });
    expect(await onToday()).toBe(false);
    expect((await tasksAt(made.viewer, made.o.siteId, '2026-01-01')).find((t) => t.id === id)?.state).toBe('done');
    expect(await doneBy(settleTask, made.viewer, { id, to: 'open' })).toMatchObject({ ok: true });
    expect(await onToday()).toBe(true);
    expect(await doneBy(settleTask, made.viewer, { id, to: 'dropped' })).toMatchObject({ ok: true });
    expect((await kept(id)).version).toBe(3);
  });

  it('sent twice is one', async () => {
    const input = watering();
    expect(await doneBy(addTask, made.viewer, input)).toEqual({ ok: true, value: null });
    expect(await doneBy(addTask, made.viewer, input)).toEqual({ ok: true, value: null });
    expect((await tasksDue(made.viewer, '2026-12-31', 100)).filter((t) => t.id === input.id)).toHaveLength(1);
  });

  it.each([
    ['a day that has passed', { due: '2026-05-01' }, 'due'],
    ['a day in thirty years', { due: '2056-05-01' }, 'due'],
    ['what is no day', { due: 'soon' }, 'due'],
    ['nothing to do', { what: ' ' }, 'what'],
    ['a client who is not told how', { instructions: 'ok' }, 'instructions'],
    ['a tag that hangs nowhere here', { tag: '999' }, 'tag'],
    ['nobody', { who: 'somebody' }, 'who'],
    ['a place of nobody', { siteId: v7() }, 'siteId'],
  ])('%s is refused beside its field, and nothing is kept', async (_, more, path) => {
    const { id, answer } = await set(more);
    expect(answer).toMatchObject({ ok: false, issues: [{ path }] });
    expect(await getTask(made.viewer, id)).toBeNull();
  });

  it('of another company is neither set nor settled', async () => {
    const theirs = (await loadViewer(await makeCompany(made.owner)))!;
    expect((await set({}, theirs)).answer).toMatchObject({ ok: false });
    const { id } = await set();
    expect(await doneBy(settleTask, theirs, { id, to: 'done' })).toMatchObject({ ok: false });
    expect((await kept(id)).state).toBe('open');
  });
});

describe('what is left to a client', () => {
  it('is done by their own word, once, with their name', async () => {
    const token = await address();
    const { id } = await set();
    const say = (more: object = {}) => finishTask({ token, id, who: 'J. Harbottle', said: 'Four cans.', ...more });
    expect(await say({ who: ' ' })).toMatchObject({ ok: false, issues: [{ path: 'who' }] });
    expect(await say()).toEqual({ ok: true, value: null });
    expect(await kept(id)).toMatchObject({ state: 'done', doneBy: 'J. Harbottle', said: 'Four cans.' });
    expect(await say()).toMatchObject({ ok: false, issues: [{ message: expect.stringMatching(/settled already/) }] });
    // Opened again, their word is gone with it.
    expect(await doneBy(settleTask, made.viewer, { id, to: 'open' })).toMatchObject({ ok: true });
    expect(await kept(id)).toMatchObject({ state: 'open', doneBy: null, said: '' });
  });

  it('is all that they can settle: not the company’s own, not another place’s, not by an address that has ended', async () => {
    const token = await address();
    const own = await set({ who: 'company', instructions: '' });
    const { id } = await set();
    const other = await makeCompany(made.owner);
    const theirs = (await loadViewer(other))!;
    const there = watering({ siteId: other.siteId });
    await doneBy(addTask, theirs, there);
    for (const foreign of [own.id, there.id, v7()])
      expect(await finishTask({ token, id: foreign, who: 'J. Harbottle' })).toMatchObject({
        ok: false,
        issues: [{ message: 'This was not left to you.' }],
      });
    await doneBy(deleteSiteCalendar, made.viewer, { siteId: made.o.siteId });
    expect(await finishTask({ token, id, who: 'J. Harbottle' })).toMatchObject({
      ok: false,
      issues: [{ message: expect.stringMatching(/does not work any more/) }],
    });
    expect((await kept(id)).state).toBe('open');
  });
});
