import { v7 } from 'uuid';
import { doneBy, NOW, ownCompany, pathsOf } from '@/commands/testing';
import { treeOf } from '@/facts/tree';
import { shipped } from '@/knowledge';
import { loadViewer } from '@/store/auth';
import { othersApplied } from '@/store/others-applied';
import { makeCompany } from '@/store/testing';
import { answerSample } from './answer-sample';
import { recordOthersOnTree } from './record-others-on-tree';
import { sendSample } from './send-sample';
import { setTreeProgramme } from './set-tree-programme';
import { voidInspection } from './void-inspection';

const made = ownCompany();
const tree = async () => (await treeOf(made.viewer, made.o.treeId, NOW))!;
const test = shipped.tests.find((t) => t.cost === 'laboratory')!;
const sample = (more: object = {}) => ({
  id: v7(),
  treeId: made.o.treeId,
  what: 'two twigs with streaks',
  sentTo: 'the county laboratory',
  testId: test.id,
  sentOn: '2026-05-20',
  ...more,
});
const answered = (sampleId: string, more: object = {}) => ({
  treeId: made.o.treeId,
  sampleId,
  inspectionId: v7(),
  outcome: test.outcomes[0]!.id,
  answer: 'found in culture',
  onDay: '2026-05-30',
  ...more,
});

describe('a sample', () => {
  it('waits, is answered once, and what the laboratory found is evidence from then on', async () => {
    const sent = sample();
    expect(await doneBy(sendSample, made.viewer, sent)).toMatchObject({ ok: true });
    expect(await doneBy(sendSample, made.viewer, sent)).toMatchObject({ ok: true });
    expect((await tree()).samples.map((s) => [s.id, s.answer])).toEqual([[sent.id, null]]);
    for (const [more, path] of [
      [{ outcome: null }, 'outcome'],
      [{ outcome: 'blue' }, 'outcome'],
      [{ onDay: '2026-05-19' }, 'onDay'],
      [{ onDay: '2026-06-02' }, 'onDay'],
      [{ answer: ' ' }, 'answer'],
    ] as const)
      expect(pathsOf(await doneBy(answerSample, made.viewer, answered(sent.id, more)))).toEqual([path]);
    const looks = (await tree()).looks.length;
    expect(await doneBy(answerSample, made.viewer, answered(sent.id))).toMatchObject({ ok: true });
    const now = await tree();
    expect(now.samples[0]).toMatchObject({ answer: 'found in culture' });
    expect(now.looks).toHaveLength(looks + 1);
    expect(now.looks.flatMap((l) => l.tests)).toEqual([{ test: test.id, outcome: test.outcomes[0]!.id }]);
    expect(pathsOf(await doneBy(answerSample, made.viewer, answered(sent.id)))).toEqual(['sampleId']);
  });
  it('for a colleague’s word has no test, and makes no evidence', async () => {
    const photo = sample({ testId: null, what: 'a photograph of the crown', sentTo: 'a colleague' });
    expect(await doneBy(sendSample, made.viewer, photo)).toMatchObject({ ok: true });
    const looks = (await tree()).looks.length;
    const word = answered(photo.id, { outcome: null, answer: 'drought, most likely' });
    expect(await doneBy(answerSample, made.viewer, word)).toMatchObject({ ok: true });
    expect((await tree()).looks).toHaveLength(looks);
  });
  it.each([
    ['for a test by eye', { testId: shipped.tests.find((t) => t.cost === 'nothing')!.id }, 'testId'],
    ['for a test that is not there', { testId: 'tasting' }, 'testId'],
    ['tomorrow', { sentOn: '2026-06-02' }, 'sentOn'],
    ['of nothing', { what: '' }, 'what'],
    ['to nobody', { sentTo: '' }, 'sentTo'],
  ])('%s is refused', async (_, more, path) =>
    expect(pathsOf(await doneBy(sendSample, made.viewer, sample(more)))).toEqual([path]),
  );
  it('of another company’s tree is neither sent nor answered', async () => {
    const other = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await doneBy(sendSample, other, sample())).toMatchObject({ ok: false });
    const mine = sample();
    await doneBy(sendSample, made.viewer, mine);
    expect(await doneBy(answerSample, other, answered(mine.id))).toMatchObject({ ok: false });
    expect((await tree()).samples.find((s) => s.id === mine.id)!.answer).toBeNull();
  });
});

it('a look that was taken back stays in the book with its reason and is no evidence any more', async () => {
  const [look] = (await tree()).looks;
  expect(
    pathsOf(await doneBy(voidInspection, made.viewer, { treeId: made.o.treeId, inspectionId: look!.id, reason: '' })),
  ).toEqual(['reason']);
  const back = { treeId: made.o.treeId, inspectionId: look!.id, reason: 'the wrong tree' };
  expect(await doneBy(voidInspection, made.viewer, back)).toMatchObject({ ok: true });
  expect((await tree()).looks.map((l) => l.id)).not.toContain(look!.id);
  expect(pathsOf(await doneBy(voidInspection, made.viewer, back))).toEqual(['inspectionId']);
  const [row] = await made.owner`select reason from inspection_void where inspection_id = ${look!.id}`;
  expect(row!.reason).toBe('the wrong tree');
});

describe('what others put on a tree', () => {
  const put = (more: object = {}) => ({
    id: v7(),
    treeId: made.o.treeId,
    active: 'testide',
    grams: '3',
    onDay: '2026-05-01',
    who: 'the crew before us',
    family: 'oil',
    resistance: '',
    conditionId: 'elm-leaf-beetle',
    effect: 'none',
    ...more,
  });
  it('counts once against the limits of its place, and tells how it went', async () => {
    const sent = put();
    expect(await doneBy(recordOthersOnTree, made.viewer, sent)).toMatchObject({ ok: true });
    expect(await doneBy(recordOthersOnTree, made.viewer, sent)).toMatchObject({ ok: true });
    expect((await othersApplied(made.viewer, made.o.siteId)).filter((o) => o.grams === 3)).toHaveLength(1);
    const [row] = await made.owner`select condition_id as c, effect from others_applied where id = ${sent.id}`;
    expect(row).toEqual({ c: 'elm-leaf-beetle', effect: 'none' });
  });
  it.each([
    ['tomorrow', { onDay: '2026-06-02' }, 'onDay'],
    ['nothing of it', { grams: '0' }, 'grams'],
    ['against what nobody knows', { conditionId: 'triffid' }, 'conditionId'],
    ['on a tree that is not there', { treeId: v7() }, ''],
  ])('%s is refused', async (_, more, path) =>
    expect(pathsOf(await doneBy(recordOthersOnTree, made.viewer, put(more)))).toEqual([path]),
  );
});

it('how a tree is treated over the years is set by its newest word', async () => {
  const set = (more: object = {}) =>
    doneBy(setTreeProgramme, made.viewer, {
      id: v7(),
      treeId: made.o.treeId,
      school: 'organic',
      everyYears: 2,
      years: 6,
      ...more,
    });
  expect(await set()).toMatchObject({ ok: true });
  expect(await set({ everyYears: 3 })).toMatchObject({ ok: true });
  expect((await tree()).programme).toMatchObject({ school: 'organic', everyYears: 3, years: 6 });
  for (const more of [{ years: 0 }, { everyYears: 1.5 }, { school: 'magic' }, { treeId: v7() }])
    expect(await set(more)).toMatchObject({ ok: false });
  expect((await tree()).programme).toMatchObject({ everyYears: 3 });
});
