import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { assignProgramme } from '@/commands/programmes/assign-programme';
import { maritime, plantOrchard, type Orchard } from '@/commands/programmes/testing';
import { ownCompany } from '@/commands/testing';
import { counted, listenToStatements } from '@/store/testing';
import { assignmentView, assigningView, programmesView, type Chosen } from './programmes';

listenToStatements();
const made = ownCompany();
const now = new Date('2026-11-26T10:00:00Z');
let orchard: Orchard;
beforeAll(async () => {
  orchard = await plantOrchard(made, ['training-07-scab-cover'], { early: 6, late: 3 });
});
const asked = (more: Partial<Chosen> = {}): Chosen => ({
  siteId: orchard.siteId,
  host: null,
  sort: null,
  section: null,
  tags: '',
  without: '',
  from: '2026-11-26',
  until: '2027-11-25',
  reason: 'Scab in every spring here.',
  said: {},
  ...more,
});
const view = async (more: Partial<Chosen> = {}, programme = 'orchard-apple') =>
  (await assigningView({ viewer: orchard.viewer, stationFor: maritime, now, key: programme, asked: asked(more) }))!;

it.each([
  ['all that it is for', {}, ['E1', 'E2', 'E3', 'E4', 'E5', 'E6', 'S1', 'S2', 'S3']],
  ['one sort', { sort: 'Slowcoach' }, ['S1', 'S2', 'S3']],
  ['a range of tags, without some', { tags: 'E2-E5', without: 'E3' }, ['E2', 'E4', 'E5']],
  ['another kind of tree', { host: 'pear' }, []],
])('%s is chosen', async (_, more, tags) => {
  const { chosen, place, issue } = await view({ ...more, from: null });
  expect(chosen.map((t) => t.tag).sort()).toEqual(tags);
  expect(issue).toBe(tags.length ? null : 'No tree is chosen.');
  // The elm of the place is of a kind that it is not for.
  expect(place!.others).toBe(1);
});

it('the preview says what it takes of each product, what the shelf holds, and the money of it', async () => {
  const { preview, chosen } = await view({ tags: 'E1-E2' });
  expect(chosen).toHaveLength(2);
  const { sums, stock, already } = preview!;
  expect(already).toEqual([]);
  const planned = preview!.trees
    .flatMap((t) => t.visits)
    .flatMap((v) =>
      v.state === 'planned' && v.act?.kind === 'treat' && v.act.result.dose.ok ? [v.act.result.dose.product] : [],
    );
  expect(stock).toEqual([
    expect.objectContaining({ key: 'training-07-scab-cover', dimension: 'mass', onHand: 50_000 }),
  ]);
  expect(stock[0]!.planned).toBeCloseTo(
    planned.reduce((a, b) => a + b, 0),
    9,
  );
  const trees = sums.visits.reduce((sum, v) => sum + v.money, 0);
  // Coming out is counted once a day, whatever is done there that day.
  expect(sums.planned + sums.expected).toBeCloseTo(trees + sums.days * orchard.viewer.prices.visit, 6);
  expect(sums.visits.every((v) => v.trees === 2)).toBe(true);
});

it.each([
  ['tags that run backwards', { tags: '9-1' }, '“9-1” runs backwards.'],
  ['a time that is over', { until: '2026-11-01', from: '2026-10-20' }, 'All of it has passed; give a day to come.'],
])('%s: the sentence, and no preview', async (_, more, sentence) => {
  const { issue, preview } = await view(more);
  expect([issue, preview]).toEqual([sentence, null]);
});
it('a programme that nobody knows is none; one without a place is only read', async () => {
  expect(
    await assigningView({ viewer: orchard.viewer, stationFor: maritime, now, key: 'nothing', asked: asked() }),
  ).toBeNull();
  expect(await view({ siteId: null })).toMatchObject({ place: null, preview: null });
});

it('costs no statement a tree: neither the preview nor the page of what is laid', async () => {
  const one = await counted(() => view({ tags: 'E1' }));
  const all = await counted(() => view());
  expect(all).toEqual(one);
  const assignVisits = async (treeIds: string[]) => {
    const id = v7();
    const answer = await perform(
      assignProgramme,
      { viewer: orchard.viewer, receivedAt: now, station: maritime },
      {
        id,
        programme: 'orchard-apple',
        siteId: orchard.siteId,
        treeIds,
        from: '2026-11-26',
        until: '2027-11-25',
        reason: 'Scab in every spring here.',
      },
    );
    expect(answer).toMatchObject({ ok: true });
    return counted(() => assignmentView(orchard.viewer, maritime, now, id));
  };
  const few = await assignVisits([orchard.early[0]!]);
  expect(await assignVisits(orchard.late)).toEqual(few);
  expect(few.transactions).toBe(1);
  expect(few.statements).toBeLessThanOrEqual(10);
  const heads = await programmesView(orchard.viewer, null);
  expect(heads.assignment.map((l) => l.trees).sort()).toEqual([1, 3]);
});
