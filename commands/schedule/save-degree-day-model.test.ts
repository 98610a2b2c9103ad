import { v7 } from 'uuid';
import { yearOf } from '@/facts/season';
import { treeOf } from '@/facts/tree';
import { doneBy, NOW, ownCompany } from '@/commands/testing';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer } from '@/store/auth';
import { makeCompany } from '@/store/testing';
import { seasonView } from '@/views/schedule';
import { saveDegreeDayModel } from './save-degree-day-model';
import { noteStage } from './note-stage';

const made = ownCompany();
beforeAll(async () => {
  await made.owner`update tree set lat = 51.2, lon = 0.4, host_id = 'pear' where id = ${made.o.treeId}`;
});
const keep = (more: object = {}, who = made.viewer) =>
  doneBy(saveDegreeDayModel, who, {
    id: v7(),
    what: 'pear midge, adults fly',
    hosts: ['pear'],
    baseC: '6,5',
    ceilingC: '',
    method: 'average',
    sum: '80',
    from: '',
    basis: 'three springs of our own traps',
    ...more,
  });
const heat = async (id = 'own-pear-midge-adults-fly') =>
  (await yearOf(made.viewer, (await treeOf(made.viewer, made.o.treeId, NOW))!, fair, NOW)).heat.filter(
    (h) => h.modelId === id,
  );

it('a sum of one’s own is told beside those that ship, as it was last kept, and not at all once it is retired', async () => {
  expect(await heat()).toEqual([]);
  const id = v7();
  expect(await keep({ id })).toEqual({ ok: true, value: null });
  expect(await keep({ id })).toEqual({ ok: true, value: null });
  const [first] = await heat();
  expect(first).toMatchObject({ from: '2026-01-01', rests: 'measured' });
  expect(await keep({ sum: '140' })).toMatchObject({ ok: true });
  const [later] = await heat();
  expect(later!.day > first!.day).toBe(true);
  const season = await seasonView({
    viewer: made.viewer,
    now: NOW,
    stationFor: fair,
    from: '2026-05-01',
    to: '2027-05-01',
    siteId: made.o.siteId,
  });
  expect(season.at!.models.find((m) => m.id === 'own-pear-midge-adults-fly')).toMatchObject({ sum: 140, baseC: 6.5 });
  expect(await keep({ retired: true })).toMatchObject({ ok: true });
  expect(await heat()).toEqual([]);
});

it('may wait for a sighting of its own', async () => {
  expect(await keep({ what: 'psylla, first eggs', from: 'first adults on the bark' })).toMatchObject({ ok: true });
  expect(await heat('own-psylla-first-eggs')).toEqual([]);
  const seen = {
    id: v7(),
    siteId: made.o.siteId,
    treeId: null,
    what: { kind: 'biofix', modelId: 'own-psylla-first-eggs' },
    on: '2026-03-20',
  };
  expect(await doneBy(noteStage, made.viewer, seen)).toMatchObject({ ok: true });
  expect(await heat('own-psylla-first-eggs')).toMatchObject([{ from: '2026-03-20' }]);
});

it.each([
  ['nothing that it brings', { what: ' ' }, 'what'],
  ['no letters', { what: '???' }, 'what'],
  ['no host', { hosts: [] }, 'hosts'],
  ['a host that nobody knows', { hosts: ['triffid'] }, 'hosts'],
  ['a base in words', { baseC: 'ten' }, 'baseC'],
  ['a base below zero', { baseC: '-4' }, 'baseC'],
  ['a ceiling below its base', { baseC: '18', ceilingC: '16' }, 'ceilingC'],
  ['no sum', { sum: '0' }, 'sum'],
  ['nothing it rests on', { basis: '' }, 'basis'],
])('%s is refused beside its field', async (_, more, path) => {
  const before = await made.owner`select count(*)::int as n from knowledge_entry`;
  const answer = await keep(more);
  expect(answer.ok ? [] : answer.issues.map((f) => f.path)).toEqual([path]);
  expect(await made.owner`select count(*)::int as n from knowledge_entry`).toEqual(before);
});

it('it is the company’s own, and a technician does not write the guide', async () => {
  await keep({ what: 'ours alone' });
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  const season = await seasonView({
    viewer: theirs,
    now: NOW,
    stationFor: fair,
    from: '2026-05-01',
    to: '2027-05-01',
    siteId: null,
  });
  expect(season.at?.models.some((m) => m.id === 'own-ours-alone') ?? false).toBe(false);
  expect(await keep({}, { ...made.viewer, role: 'technician' })).toMatchObject({ ok: false });
});
