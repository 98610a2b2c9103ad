import { v7 } from 'uuid';
import { doneBy, ownCompany, pathsOf } from '@/commands/testing';
import { loadViewer } from '@/store/auth';
import { othersApplied } from '@/store/others-applied';
import { getSiteMap } from '@/store/site-map';
import { makeCompany } from '@/store/testing';
import { recordOthersOnSite } from './record-others-on-site';
import { importSiteMap } from './import-site-map';
import { saveSiteMap } from './save-site-map';

const made = ownCompany();
const square = [
  { x: 0, y: 0 },
  { x: 40, y: 0 },
  { x: 40, y: 25 },
  { x: 0, y: 25 },
];
const PLAN = { origin: { lon: 0.4, lat: 51.2 }, outline: square, areas: [], points: [], slope: null };
const drawn = (more: object = {}) => ({
  siteId: made.o.siteId,
  plan: PLAN,
  trees: [{ id: made.o.treeId, x: 10, y: 5 }],
  basedOn: 1,
  ...more,
});

describe('a plan of the grounds', () => {
  it('is kept with its trees, whose place on the globe and whose area follow from what is drawn', async () => {
    expect(await doneBy(saveSiteMap, made.viewer, drawn())).toMatchObject({ ok: true });
    const plan = (await getSiteMap(made.viewer, made.o.siteId))!;
    expect([plan.version, plan.siteMap?.outline]).toEqual([2, square]);
    const tree = plan.trees.find((t) => t.id === made.o.treeId)!;
    expect([tree.x, tree.y]).toEqual([10, 5]);
    // Ten metres east and five north of its origin.
    expect(tree.lat).toBeCloseTo(51.2 + 5 / 111_195, 5);
    expect(tree.lon).toBeCloseTo(0.4 + 10 / (111_195 * Math.cos((51.2 * Math.PI) / 180)), 5);
    const [place] = await made.owner`select area_m2 as area from site where id = ${made.o.siteId}`;
    expect(place!.area).toBeCloseTo(1000, 6);
  });
  it('that somebody drew anew meanwhile is not gone over in silence', async () => {
    expect(pathsOf(await doneBy(saveSiteMap, made.viewer, drawn()))).toEqual(['version']);
    expect((await getSiteMap(made.viewer, made.o.siteId))!.version).toBe(2);
    expect(await doneBy(saveSiteMap, made.viewer, drawn({ basedOn: 2, trees: [] }))).toMatchObject({ ok: true });
  });
  it.each([
    ['an outline of two corners', { plan: { ...PLAN, outline: square.slice(0, 2) } }],
    ['a tree that stands nowhere', { trees: [{ id: '018f0000-0000-7000-8000-000000000000', x: Number.NaN, y: 0 }] }],
    ['a tree beyond the county', { trees: [{ id: '018f0000-0000-7000-8000-000000000000', x: 90_000, y: 0 }] }],
  ])('with %s is refused, and nothing is written', async (_, more) => {
    const before = await getSiteMap(made.viewer, made.o.siteId);
    expect(await doneBy(saveSiteMap, made.viewer, drawn({ basedOn: 3, ...more }))).toMatchObject({ ok: false });
    expect(await getSiteMap(made.viewer, made.o.siteId)).toEqual(before);
  });
  it('of another company is not drawn on', async () => {
    const other = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await doneBy(saveSiteMap, other, drawn({ basedOn: 3, trees: [] }))).toMatchObject({ ok: false });
  });
  it('comes from a file that is shown before it is kept: nothing is written by reading', async () => {
    const before = await getSiteMap(made.viewer, made.o.siteId);
    const file = {
      type: 'FeatureCollection',
      features: [
        {
          type: 'Feature',
          properties: { kind: 'outline' },
          geometry: {
            type: 'Polygon',
            coordinates: [
              [
                [0.4, 51.2],
                [0.401, 51.2],
                [0.401, 51.201],
                [0.4, 51.2],
              ],
            ],
          },
        },
      ],
    };
    const bring = (text: string) => doneBy(importSiteMap, made.viewer, { siteId: made.o.siteId, text });
    expect(await bring(JSON.stringify(file))).toMatchObject({ ok: true });
    for (const text of ['{', '{"type":"Feature"}', JSON.stringify({ type: 'FeatureCollection', features: 'none' })])
      expect(await bring(text)).toMatchObject({ ok: false });
    expect(await getSiteMap(made.viewer, made.o.siteId)).toEqual(before);
  });
});

describe('what others put down', () => {
  const put = (more: object = {}) => ({
    id: v7(),
    siteId: made.o.siteId,
    active: ' Testide ',
    grams: '12,5',
    onDay: '2026-05-14',
    who: 'the client',
    ...more,
  });
  it('counts once, under the name that every label is held against', async () => {
    const sent = put();
    expect(await doneBy(recordOthersOnSite, made.viewer, sent)).toMatchObject({ ok: true });
    expect(await doneBy(recordOthersOnSite, made.viewer, sent)).toMatchObject({ ok: true });
    expect(await othersApplied(made.viewer, made.o.siteId)).toEqual([
      expect.objectContaining({ active: 'testide', grams: 12.5, onDay: '2026-05-14', who: 'the client' }),
    ]);
  });
  it.each([
    ['tomorrow', { onDay: '2026-06-02' }, 'onDay'],
    ['on no day', { onDay: 'in May' }, 'onDay'],
    ['nothing of it', { grams: '0' }, 'grams'],
    ['by nobody', { who: '' }, 'who'],
    ['of what', { active: '' }, 'active'],
    ['on another’s place', { siteId: v7() }, ''],
  ])('%s is refused', async (_, more, path) =>
    expect(pathsOf(await doneBy(recordOthersOnSite, made.viewer, put(more)))).toEqual([path]),
  );
});
