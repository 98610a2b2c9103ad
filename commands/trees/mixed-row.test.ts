import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { ownCompany } from '@/commands/testing';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { openPlans } from '@/store/plans';
import { makeCompany } from '@/store/testing';
import { rowTrees } from '@/store/tree';
import { besideVisits } from '@/store/year-visits';
import { seasonView } from '@/views/schedule';
import { settleSkippedTrees } from './settle-skipped-trees';
import { elmAvenue, NOVEMBER } from './testing';

const made = ownCompany();
let avenue: Awaited<ReturnType<typeof elmAvenue>>;
let viewer: Viewer;
const trees: Record<string, string> = {};
const left = (who = viewer) => besideVisits(who, made.o.siteId, '2026-01-01').then((b) => b.left);
const settle = (ids: string[], settled: boolean, who = viewer) =>
  perform(settleSkippedTrees, { viewer: who, receivedAt: NOVEMBER, station: fair }, { ids, settled });

beforeAll(async () => {
  avenue = await elmAvenue(made);
  viewer = avenue.viewer;
  for (const tag of ['R1', 'R2', 'R3']) trees[tag] = await avenue.soundElm(tag);
  const { owner, o } = made;
  for (const [tag, host] of [
    ['R4', 'common-lime'],
    ['R5', 'wych-elm'],
  ] as const) {
    trees[tag] = v7();
    await owner`
      insert into tree (id, company_id, site_id, tag, host_id, host_confirmed_at, lat, lon, walk_order)
      values (${trees[tag]!}, ${o.companyId}, ${o.siteId}, ${tag}, ${host}, now(), 50.3, -4.1, 90)`;
  }
});

it('a row of any kind, anywhere on the place, is planned in one press; what does not pass is left out by name and reason', async () => {
  const offered = await rowTrees(viewer, { id: trees.R1!, siteId: made.o.siteId });
  expect(offered.map((t) => t.tag)).toEqual(expect.arrayContaining(['R2', 'R3', 'R4', 'R5']));
  expect(offered.some((t) => t.id === trees.R1)).toBe(false);
  const alike = ['R2', 'R3', 'R4', 'R5'].map((tag) => ({ id: v7(), treeId: trees[tag]! }));
  const input = { ...avenue.asked(trees.R1!), alike };
  const answer = await avenue.planIt(input);
  if (!answer.ok) throw new Error(JSON.stringify(answer.issues));
  // A lime is on no line of this label; an elm that nobody measured has no dose.
  expect(answer.value.left.map((l) => l.tag)).toEqual(['R4', 'R5']);
  const planned = (await openPlans(viewer, 500)).filter((p) => p.tag.startsWith('R'));
  expect(planned.map((p) => p.tag).sort()).toEqual(['R1', 'R2', 'R3']);
  expect((await left()).map((l) => [l.tag, l.stop.why])).toEqual([
    ['R4', 'gate'],
    ['R5', expect.stringMatching(/gate|no dose/)],
  ]);
  // Sent again it is the same row.
  expect(await avenue.planIt(input)).toEqual(answer);
  expect(await left()).toHaveLength(2);
});

it('it stays listed on the year of the place until it is set aside, planned, or left out anew', async () => {
  const onSeason = async () =>
    (
      await seasonView({
        viewer,
        now: NOVEMBER,
        stationFor: fair,
        from: '2026-11-01',
        to: '2027-11-01',
        siteId: made.o.siteId,
      })
    ).at!.left.map((l) => l.tag);
  expect(await onSeason()).toEqual(['R4', 'R5']);
  const [lime, elm] = await left();
  expect(await settle([lime!.id], true)).toEqual({ ok: true, value: null });
  expect(await onSeason()).toEqual(['R5']);
  expect(await settle([lime!.id], true)).toMatchObject({ ok: false });
  expect(await settle([lime!.id], false)).toEqual({ ok: true, value: null });
  expect(await onSeason()).toEqual(['R4', 'R5']);

  // Measured and planned by itself, the elm is dealt with.
  const { owner, o } = made;
  await owner`
    insert into measurement (id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m, method)
    values (${v7()}, ${o.companyId}, ${elm!.treeId}, '2026-11-20', ${o.personId}, 40, 130,
      ${owner.json([{ kind: 'diameter', typed: { value: 40, unit: 'cm' } }])}, 15, 'tape')`;
  await owner`
    insert into inspection (id, company_id, tree_id, at, by_person, crown_loss, vigour)
    values (${v7()}, ${o.companyId}, ${elm!.treeId}, '2026-11-20', ${o.personId}, 2, 'good')`;
  await owner`
    insert into diagnosis
      (id, company_id, tree_id, at, by_person, condition_id, certainty, decision, reason, ranking, overturned_by)
    values (${v7()}, ${o.companyId}, ${elm!.treeId}, '2026-11-21', ${o.personId}, 'dutch-elm-disease', 'possible',
      'protect a sound tree', 'Finds near by.', '[]', '{}')`;
  expect(await avenue.planIt(avenue.asked(elm!.treeId))).toMatchObject({ ok: true });
  expect(await onSeason()).toEqual(['R4']);
});

it('another company sees and settles none of it', async () => {
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  const [lime] = await left();
  expect(await left(theirs)).toEqual([]);
  expect(await settle([lime!.id], true, theirs)).toMatchObject({ ok: false });
  expect(await settle([lime!.id], true, { ...viewer, role: 'technician' })).toMatchObject({ ok: false });
  expect(await left()).toHaveLength(1);
});
