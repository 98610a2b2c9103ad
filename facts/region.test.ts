import { v7 } from 'uuid';
import { regionOf } from '@/knowledge';
import { loadViewer, type Viewer } from '@/store/auth';
import { insertRegion } from '@/store/people';
import { ownCompany } from '@/commands/testing';
import { regionFor } from './region';
import { workFactsOf } from './treatment-context';
import { treeOf } from './tree';

const made = ownCompany();
const viewer = async (): Promise<Viewer> => (await loadViewer(made.o))!;

it('a place has the region of its company until somebody says another', async () => {
  const v = await viewer();
  const here = async () => workFactsOf(v, (await treeOf(v, made.o.treeId, new Date()))!, new Date())!.region;
  await made.owner`
    insert into measurement (id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, method)
    values (${v7()}, ${made.o.companyId}, ${made.o.treeId}, now(), ${made.o.personId}, 30, 130, '[]', 'tape')`;
  expect(await here()).toBe(regionOf(v.region).name);
  await made.owner`update site set region = 'upland' where id = ${made.o.siteId}`;
  expect(await here()).toBe(regionOf('upland').name);
});

it('a company keeps its own version of each region; the newest holds', async () => {
  const named = (name: string) => ({ ...regionOf('upland'), name });
  await insertRegion(made.o, v7(), 'upland', named('Upland, first'));
  await insertRegion(made.o, v7(), 'upland', named('Upland, second'));
  const v = await viewer();
  expect(regionFor(v, 'upland').name).toBe('Upland, second');
  expect(regionFor(v, null)).toEqual(regionOf(v.region));
});
