import { v7 } from 'uuid';
import { doneBy, ownCompany } from '@/commands/testing';
import { COLUMNS } from '@/core/exchange/trees-csv';
import { loadViewer } from '@/store/auth';
import { makeCompany } from '@/store/testing';
import { archiveTree } from '@/commands/trees/archive-tree';
import { listImports } from '@/store/imports';
import { importTrees } from './import-trees';
import { voidTreeImport } from './void-tree-import';

const made = ownCompany();

const nothing = Object.fromEntries(COLUMNS.map((c) => [c, null])) as Record<(typeof COLUMNS)[number], string | null>;
const list = (csv: string, more: object = {}) => ({
  id: v7(),
  siteId: made.o.siteId,
  mapping: { ...nothing, tag: 'Tag', host: 'Host', girth: 'Girth' },
  units: { trunk: 'cm', height: 'm' },
  measuredOn: '2025-07-14',
  csv,
  ...more,
});
const send = (input: unknown, who = made.viewer) => doneBy(importTrees, who, input);
const hanging = async (prefix: string) =>
  made.owner<{ tag: string; host: string; species: string; at: Date | null; cm: number | null }[]>`
    select t.tag, t.host_id as host, t.species, r.at, r.diameter_cm as cm
    from tree t
    left join measurement r on r.tree_id = t.id
    where t.site_id = ${made.o.siteId} and t.tag like ${`${prefix}%`}
    order by t.tag`;

it('hangs every tree, each measured on the day that was given, at noon of the place', async () => {
  const heard: number[][] = [];
  const input = list('Tag,Host,Girth\nA1,Quercus robur L.,145\nA2,wych elm,\n');
  const answer = await doneBy(importTrees, made.viewer, input, (...p) => heard.push(p));
  expect(answer).toEqual({ ok: true, value: { written: 2 } });
  expect(heard).toEqual([[2, 2]]);
  const rows = await hanging('A');
  expect(rows.map((r) => [r.tag, r.host, r.at?.toISOString() ?? null])).toEqual([
    ['A1', 'pedunculate-oak', '2025-07-14T11:00:00.000Z'],
    ['A2', 'wych-elm', null],
  ]);
  expect(rows[0]!.cm).toBeCloseTo(145 / Math.PI, 9);
});

it('sent twice it lands once; another list under the same id is refused', async () => {
  const input = list('Tag,Host,Girth\nB1,wych elm,90\n');
  const first = await send(input);
  expect(await send(input)).toEqual(first);
  expect(await hanging('B')).toHaveLength(1);
  expect(await send({ ...input, csv: 'Tag,Host,Girth\nB2,wych elm,90\n' })).toMatchObject({
    ok: false,
    issues: [{ path: 'id' }],
  });
  expect(await hanging('B')).toHaveLength(1);
});

it('one fault, and nothing comes in; mended, it goes under the same id', async () => {
  const input = list('Tag,Host,Girth\nC1,wych elm,90\nC2,Paulownia tomentosa,80\nC3,wych elm,-4\n');
  expect(await send(input)).toMatchObject({
    ok: false,
    issues: [{ path: 'csv.3.Host' }, { path: 'csv.4.Girth', message: expect.stringMatching(/more than 0/) }],
  });
  expect(await hanging('C')).toEqual([]);
  const mended = {
    ...input,
    csv: input.csv.replace('-4', '74'),
    species: { 'Paulownia tomentosa': 'other-broadleaf' },
  };
  expect(await send(mended)).toEqual({ ok: true, value: { written: 3 } });
  expect((await hanging('C')).map((r) => [r.host, r.species])).toEqual([
    ['wych-elm', ''],
    ['other-broadleaf', 'Paulownia tomentosa'],
    ['wych-elm', ''],
  ]);
});

it.each([
  ['a day nobody gave', { measuredOn: '' }, /Say on which day/],
  ['a day to come', { measuredOn: '2026-06-02' }, /has not come yet/],
  ['a species said to be what is not there', { species: { oak: 'constructor' } }, /Choose a host/],
  ['a grid that is not known', { system: '9999' }, /not known/],
  ['noise', { csv: '\0\0\0' }, /not a text file/],
  ['a place of nobody', { siteId: v7() }, /no such place/],
])('%s is a fault with its place', async (_, more, sentence) => {
  const answer = await send(list('Tag,Host,Girth\nD1,wych elm,90\n', more));
  expect(answer).toMatchObject({ ok: false, issues: [{ message: expect.stringMatching(sentence) }] });
  expect(await hanging('D')).toEqual([]);
});

it('nobody brings trees into a place of another company', async () => {
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await send(list('Tag,Host,Girth\nE1,wych elm,90\n'), theirs)).toMatchObject({
    ok: false,
    issues: [{ path: 'siteId' }],
  });
  expect(await hanging('E')).toEqual([]);
});

it('rows that are no trees stay out by their line, and an inch is never read as a centimetre', async () => {
  const csv = 'Tag,Host,Trunk (in),Note\nZ1,wych elm,11,\nTotal,,26,\nZ2,wych elm,15,\n';
  const mapping = { tag: 'Tag', host: 'Host', diameter: 'Trunk (in)', note: 'Note' };
  const asked = (more: object) =>
    send({ ...list(csv), mapping: { ...list(csv).mapping, girth: null, ...mapping }, ...more });
  expect(await asked({ leaveOut: [3] })).toMatchObject({ ok: false, issues: [{ path: 'units.trunk' }] });
  const inches = { units: { trunk: 'in', height: 'm' } };
  expect(await asked(inches)).toMatchObject({ ok: false, issues: [{ path: expect.stringMatching(/^csv\.3/) }] });
  expect(await asked({ ...inches, leaveOut: [3], id: v7() })).toEqual({ ok: true, value: { written: 2 } });
  const rows = await made.owner<{ tag: string; cm: number }[]>`
    select t.tag, r.diameter_cm as cm from tree t join measurement r on r.tree_id = t.id where t.company_id = ${made.o.companyId} and t.tag in ('Z1', 'Z2')
    order by 1`;
  expect(rows.map((r) => r.cm)).toEqual([expect.closeTo(27.94, 6), expect.closeTo(38.1, 6)]);
});

describe('a list that came in', () => {
  const standing = async (prefix: string) =>
    (
      await made.owner<{ tag: string }[]>`
      select tag from tree
      where site_id = ${made.o.siteId} and tag like ${`${prefix}%`} and archived_at is null order by tag`
    ).map((t) => t.tag);

  it('has a name, goes back whole, and its tags are free again', async () => {
    const input = list('Tag,Host,Girth\nV1,wych elm,90\nV2,wych elm,95\n', { name: 'survey.csv' });
    expect(await send(input)).toMatchObject({ ok: true });
    expect((await listImports(made.viewer)).find((l) => l.id === input.id)).toMatchObject({
      name: 'survey.csv',
      trees: 2,
      takenBackAt: null,
    });
    expect(await doneBy(voidTreeImport, made.viewer, { id: input.id })).toMatchObject({ ok: true });
    expect(await standing('V')).toEqual([]);
    expect(await doneBy(voidTreeImport, made.viewer, { id: input.id })).toMatchObject({ ok: false });
    // The same tags come in anew, and an archived tree does not come back under one that hangs.
    expect(await send(list('Tag,Host,Girth\nV1,wych elm,91\n'))).toMatchObject({ ok: true });
    const [gone] = await made.owner<{ id: string }[]>`select id from tree where import_id = ${input.id} and tag = 'V1'`;
    expect(await doneBy(archiveTree, made.viewer, { id: gone!.id, archived: false })).toMatchObject({
      ok: false,
      issues: [{ message: expect.stringMatching(/another tree/) }],
    });
    expect(await standing('V')).toEqual(['V1']);
  });

  it('stays once something rests on one of its trees, and is nobody else’s to take back', async () => {
    const input = list('Tag,Host,Girth\nY1,wych elm,90\nY2,wych elm,95\n');
    expect(await send(input)).toMatchObject({ ok: true });
    const theirs = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await doneBy(voidTreeImport, theirs, { id: input.id })).toMatchObject({ ok: false });
    const [tree] = await made.owner<{ id: string }[]>`select id from tree where import_id = ${input.id} and tag = 'Y2'`;
    await made.owner`
      insert into inspection (id, company_id, tree_id, at, by_person, crown_loss, vigour)
      values (${v7()}, ${made.o.companyId}, ${tree!.id}, '2026-05-01T10:00:00Z', ${made.o.personId}, 5, 'good')`;
    expect(await doneBy(voidTreeImport, made.viewer, { id: input.id })).toMatchObject({
      ok: false,
      issues: [{ message: expect.stringMatching(/Y2/) }],
    });
    expect(await standing('Y')).toEqual(['Y1', 'Y2']);
  });

  it('is asked as a whole where its positions lie far apart or its trunks are too large, and comes in once it was answered', async () => {
    const mapping = { ...nothing, tag: 'Tag', host: 'Host', diameter: 'Trunk', lat: 'Lat', lon: 'Lon' };
    const rows = Array.from({ length: 6 }, (_, i) => `X${i},wych elm,${i ? 900 : 40},${i ? 50.3 : 0},${i ? -4.1 : 0}`);
    const input = list(`Tag,Host,Trunk,Lat,Lon\n${rows.join('\n')}\n`, { mapping });
    const asked = await send(input);
    expect((asked as { issues: { path: string }[] }).issues.map((f) => f.path)).toEqual([
      'sure.positions',
      'sure.sizes',
    ]);
    expect(await standing('X')).toEqual([]);
    expect(await send({ ...input, sure: ['positions', 'sizes'] })).toMatchObject({ ok: true });
    expect(await standing('X')).toHaveLength(6);
  });
});
