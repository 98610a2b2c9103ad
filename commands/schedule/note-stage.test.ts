import { v7 } from 'uuid';
import { doneBy, NOW, ownCompany } from '@/commands/testing';
import { yearOf } from '@/facts/season';
import { treeOf } from '@/facts/tree';
import { dayAfter } from '@/lib/calendar/days';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer } from '@/store/auth';
import { makeCompany } from '@/store/testing';
import { noteStage } from './note-stage';
import { voidStageNote } from './void-stage-note';

const made = ownCompany();
beforeAll(async () => {
  await made.owner`update tree set lat = 51.2, lon = 0.4 where id = ${made.o.treeId}`;
});
const hostId = async () => (await treeOf(made.viewer, made.o.treeId, NOW))!.hostId;
const note = async (more: object = {}, who = made.viewer) =>
  doneBy(noteStage, who, {
    id: v7(),
    siteId: made.o.siteId,
    treeId: made.o.treeId,
    what: { kind: 'stage', hostId: await hostId(), code: 9 },
    on: '2026-04-01',
    ...more,
  });
const year = async () => yearOf(made.viewer, (await treeOf(made.viewer, made.o.treeId, NOW))!, fair, NOW);
const stage = async (code: number) => (await year()).stages.find((s) => s.code === code && s.day.startsWith('2026'))!;

it('what is seen stands on its day and moves what follows; taken back, all is as it was', async () => {
  const [before, full] = [await stage(9), await stage(19)];
  expect(before.rests).toBe('measured');
  const id = v7();
  const on = dayAfter(before.day, 9, 'days');
  expect(await note({ id, on })).toEqual({ ok: true, value: null });
  expect(await note({ id, on })).toEqual({ ok: true, value: null });
  expect(await stage(9)).toMatchObject({ day: on, rests: 'seen' });
  const moved = await stage(19);
  expect(moved.day > full.day).toBe(true);
  expect(moved.by).toEqual({ kind: 'seen', code: 9, day: on });
  expect(await note({ id, on: '2026-03-01' })).toMatchObject({ ok: false, issues: [{ path: 'id' }] });
  expect(await doneBy(voidStageNote, made.viewer, { id })).toEqual({ ok: true, value: null });
  expect(await stage(9)).toEqual(before);
  expect(await stage(19)).toEqual(full);
  expect(await doneBy(voidStageNote, made.viewer, { id: v7() })).toMatchObject({ ok: false, issues: [{ path: 'id' }] });
});

it('what was seen last year is learned for this one', async () => {
  const full = await stage(19);
  const last = (await year()).stages.length;
  expect(last).toBeGreaterThan(0);
  const id = v7();
  // In the fair climate this stage came in spring of 2025 too; seen far later, this year runs later.
  expect(await note({ id, what: { kind: 'stage', hostId: await hostId(), code: 19 }, on: '2025-06-20' })).toMatchObject(
    {
      ok: true,
    },
  );
  const learned = await stage(19);
  expect(learned.day > full.day).toBe(true);
  expect(learned.by).toEqual({ kind: 'learned', seasons: 1 });
  await doneBy(voidStageNote, made.viewer, { id });
});

it('the last leaf that falls after New Year closes the year before, and says nothing of the autumn to come', async () => {
  const NEW_YEAR = new Date('2026-01-08T10:00:00Z');
  const tree = (await treeOf(made.viewer, made.o.treeId, NEW_YEAR))!;
  const bare = async () =>
    (await yearOf(made.viewer, tree, fair, NEW_YEAR)).stages.filter((s) => s.code === 97).map((s) => [s.day, s.rests]);
  const before = await bare();
  const id = v7();
  expect(await note({ id, what: { kind: 'stage', hostId: await hostId(), code: 97 }, on: '2026-01-05' })).toMatchObject(
    { ok: true },
  );
  expect((await bare()).some(([day]) => day === '2026-01-05')).toBe(false);
  expect((await bare()).length).toBe(before.length);
  expect((await bare()).every(([, rests]) => rests !== 'seen')).toBe(true);
  await doneBy(voidStageNote, made.viewer, { id });
});

it.each([
  ['a day to come', { on: '2026-06-02' }, 'on'],
  ['a day of years ago', { on: '2024-05-01' }, 'on'],
  ['no day', { on: 'spring' }, 'on'],
  ['a stage that this host has not got', { what: { kind: 'stage', hostId: 'norway-spruce', code: 65 } }, 'what.code'],
  ['a host that nobody knows', { what: { kind: 'stage', hostId: 'triffid', code: 9 } }, 'what.code'],
  ['a code that the scale has not got', { what: { kind: 'stage', hostId: 'wych-elm', code: 42 } }, 'what.code'],
  ['a sum that is counted from the new year', { what: { kind: 'biofix', modelId: 'ash-borer-first' } }, 'what.modelId'],
  ['a place that is not there', { siteId: v7() }, 'siteId'],
  ['a tree of another place', { treeId: v7() }, 'treeId'],
])('%s is refused beside its field', async (_, more, path) => {
  const before = await year();
  const answer = await note(more);
  expect(answer.ok ? [] : answer.issues.map((f) => f.path)).toEqual([path]);
  expect(await year()).toEqual(before);
});

it('a catch starts its sum of heat', async () => {
  await made.owner`update tree set host_id = 'apple' where id = ${made.o.treeId}`;
  const hatch = async () => (await year()).heat.find((h) => h.modelId === 'codling-moth-hatch') ?? null;
  expect(await hatch()).toBeNull();
  expect(
    await note({ treeId: null, what: { kind: 'biofix', modelId: 'codling-moth-hatch' }, on: '2026-05-20' }),
  ).toMatchObject({
    ok: true,
  });
  const found = (await hatch())!;
  expect(found).toMatchObject({ from: '2026-05-20', conditionId: 'codling-moth' });
  expect(found.earliest <= found.day && found.day <= found.latest && found.day > '2026-05-20').toBe(true);
});

it('another company neither notes at this place nor takes its notes back, and an office does not measure', async () => {
  const id = v7();
  expect(await note({ id, what: { kind: 'stage', hostId: 'apple', code: 7 } })).toMatchObject({ ok: true });
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await note({}, theirs)).toMatchObject({ ok: false, issues: [{ path: 'siteId' }] });
  expect(await doneBy(voidStageNote, theirs, { id })).toMatchObject({ ok: false });
  expect(await note({}, { ...made.viewer, role: 'office' })).toMatchObject({ ok: false });
});
