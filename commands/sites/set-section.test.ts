import { v7 } from 'uuid';
import { doneBy, ownCompany } from '@/commands/testing';
import { loadViewer } from '@/store/auth';
import { siteTrees, sectionsOf } from '@/store/tree-list';
import { makeCompany } from '@/store/testing';
import { setSection } from './set-section';

const made = ownCompany();
const put = (more: object = {}, who = made.viewer) =>
  doneBy(setSection, who, { siteId: made.o.siteId, section: 'Terrace', tags: 'S1–S3', ...more });
const sections = () => sectionsOf(made.viewer, made.o.siteId);

beforeAll(async () => {
  const { owner, o } = made;
  for (let i = 1; i <= 5; i++)
    await owner`
      insert into tree (id, company_id, site_id, tag, host_id, walk_order)
      values (${v7()}, ${o.companyId}, ${o.siteId}, ${`S${i}`}, 'wych-elm', ${i + 10})`;
});

it('puts trees there by their tags, in walking order, moves them, and takes them out again', async () => {
  expect(await put()).toEqual({ ok: true, value: { trees: 3 } });
  expect(await put({ section: 'Row by the wall', tags: 'S3-S5' })).toEqual({ ok: true, value: { trees: 3 } });
  expect(await sections()).toEqual([
    { section: 'Terrace', tags: ['S1', 'S2'] },
    { section: 'Row by the wall', tags: ['S3', 'S4', 'S5'] },
  ]);
  const rows = await siteTrees(made.viewer, made.o.siteId, null, 50);
  expect(rows.filter((t) => t.section === 'Terrace').map((t) => t.tag)).toEqual(['S1', 'S2']);
  expect(await put({ section: '', tags: 'S1-S2' })).toEqual({ ok: true, value: { trees: 2 } });
  expect((await sections()).map((s) => s.section)).toEqual(['Row by the wall']);
});

it.each([
  ['no tags', { tags: '' }, 'tags'],
  ['tags that hang nowhere here', { tags: 'Z1–Z9' }, 'tags'],
  ['what is no list of tags', { tags: 'S9–S1' }, 'tags'],
  ['a name of a hundred signs', { section: 'x'.repeat(100) }, 'section'],
  ['a place of nobody', { siteId: v7() }, 'siteId'],
])('%s is refused beside its field', async (_, more, path) => {
  const before = await sections();
  expect(await put(more)).toMatchObject({ ok: false, issues: [{ path }] });
  expect(await sections()).toEqual(before);
});

it('another company’s place is left alone, and a technician divides nothing', async () => {
  const before = await sections();
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await put({}, theirs)).toMatchObject({ ok: false });
  expect(await put({}, { ...made.viewer, role: 'technician' })).toMatchObject({ ok: false });
  expect(await sections()).toEqual(before);
});
