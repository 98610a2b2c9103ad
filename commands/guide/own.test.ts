import { v7 } from 'uuid';
import { withCustomKnowledge } from '@/facts/custom-knowledge';
import { knowledgeOf } from '@/facts/knowledge';
import { workFactsOf } from '@/facts/treatment-context';
import { diagnose } from '@/facts/diagnosis';
import { detectionsNear, treeOf } from '@/facts/tree';
import { saveDiagnosis } from '@/commands/trees/save-diagnosis';
import { saveInspection } from '@/commands/trees/save-inspection';
import { planWork } from '@/commands/trees/plan-work';
import { addTree } from '@/commands/sites/add-tree';
import { doneBy, NOW, ownCompany } from '@/commands/testing';
import { detailSchema } from '@/core/diagnose/inspection';
import { customFile } from '@/core/custom/custom-file';
import { worksFor } from '@/core/work/works';
import { findCondition, findHost, findSign, growthOf, hostsNow, shipped } from '@/knowledge';
import { loadViewer, type Viewer } from '@/store/auth';
import { saveDegreeDayModel } from '@/commands/schedule/save-degree-day-model';
import { customEntries, customHeatEntries } from '@/store/knowledge';
import { makeCompany } from '@/store/testing';
import { importCustomEntries } from './import-custom-entries';
import { saveCustomEntry } from './save-custom-entry';
import { setLikelihood } from './set-likelihood';
import { voidCustomEntry } from './void-custom-entry';

const made = ownCompany();
/** Whoever acts, as the next request would find them. */
const now = async (who: Viewer = made.viewer): Promise<Viewer> => (await loadViewer(who))!;
const keep = async (kind: string, data: unknown, note = 'seen on the quay, three years') =>
  doneBy(saveCustomEntry, await now(), { id: v7(), kind, text: JSON.stringify(data), note });

const elm = shipped.hosts.find((h) => h.id === 'wych-elm')!;
const HOST = {
  ...elm,
  id: 'own-harbour-elm',
  name: 'Harbour elm',
  latin: 'Ulmus portuensis',
  also: ['quay elm'],
  growsLike: 'wych-elm',
};
const SIGN = {
  id: 'own-silver-crumbs',
  place: 'bark',
  words: 'Silver crumbs in the cracks of the bark',
  worst: 'In every crack, on the whole trunk',
  groups: ['elm'],
  idle: 0.01,
  lasts: true,
};
const TEST = {
  id: 'own-crumb-rub',
  name: 'Rub the crumbs',
  how: 'Between two wetted fingers, for ten counts.',
  ask: 'What do the crumbs do between the fingers?',
  minutes: 2,
  cost: 'nothing',
  sensitivity: 0.93,
  specificity: 0.96,
  wounds: 0,
  groups: ['elm'],
  outcomes: [
    { id: 'grey', words: 'They smear grey', says: 'Frass of the silver bark moth.' },
    { id: 'wet', words: 'They drip', says: 'Rain alone.' },
    { id: 'none', words: 'None of these', says: 'Nothing.' },
  ],
  tells: { grey: { 'own-bark-moth': 'always', 'elm-bark-beetle': 'rare' } },
};
const WORK = {
  id: 'own-crumb-brushing',
  name: 'Brush the crumbs out',
  method: 'wash',
  conditions: ['own-bark-moth'],
  counted: { what: 'Cracks', usual: 12 },
  steps: ['Brush from the top down into a sheet.', 'Burn what is in the sheet.'],
  take: [{ what: 'Brush and sheet', amount: '1' }],
  before: ['Nobody parks below'],
  months: [3, 10],
  cuts: false,
  minutes: { once: 10, each: 2 },
  again: { what: 'Look for fresh crumbs', days: 30 },
  basis: 'three years on the quay',
};
const MOTH = {
  ...shipped.conditions.find((c) => c.id === 'beech-scale')!,
  id: 'own-bark-moth',
  name: 'Silver bark moth',
  groups: ['elm'],
  worseOn: [],
  kind: 'chewer',
  signs: { always: ['own-silver-crumbs'], usual: [], sometimes: ['crown-thin'], rare: [], never: [] },
  telling: { 'own-silver-crumbs': 'nothing else on elm leaves silver crumbs; three years of rearing' },
  tests: {},
  deciding: null,
  drivers: [],
  followers: [],
  lookalikes: [],
  policy: 'treat',
  actFrom: 1,
  options: [
    {
      method: 'wash',
      what: 'Brush the crumbs out',
      when: 'any dry day',
      from: 1,
      to: 12,
      use: 'cure',
      organic: true,
    },
  ],
  beside: { life: [{ stage: 'young', time: { by: 'stage', from: 19, to: 93 } }] },
};

it('a sign may be kept before anybody knows what makes it, then a condition, a work and a host of one’s own', async () => {
  expect(await keep('sign', SIGN)).toEqual({ ok: true, value: { key: SIGN.id } });
  expect(await keep('condition', MOTH)).toMatchObject({ ok: true });
  expect(await keep('test', TEST)).toMatchObject({ ok: true });
  expect(await keep('work', WORK)).toMatchObject({ ok: true });
  expect(await keep('host', HOST)).toMatchObject({ ok: true });
  expect((await customEntries(await now())).map((e) => e.kind).sort()).toEqual([
    'condition',
    'host',
    'sign',
    'test',
    'work',
  ]);
});

it('they take part: hung, examined, ranked, decided, planned with its gates', async () => {
  const v = await now();
  const treeId = v7();
  const installed = { id: treeId, siteId: made.o.siteId, tag: 'Q1', hostId: HOST.id, girth: '120', unit: 'cm' };
  expect(await doneBy(addTree, v, installed)).toMatchObject({ ok: true });
  const look = {
    ...{ id: v7(), treeId, crownLoss: '5', vigour: 'good', hostKey: [], hostConfirmed: true, alike: [] },
    ...{ tests: [], detail: detailSchema.parse({}), note: '', change: '', changePrice: '' },
  };
  const findings = [{ sign: SIGN.id, state: 'seen', grade: 3 }];
  expect(await doneBy(saveInspection, v, { ...look, findings })).toEqual({ ok: true, value: null });
  await withCustomKnowledge(v, async () => {
    const { knowledge } = await knowledgeOf(v);
    const host = findHost(HOST.id)!;
    expect([host.name, findSign(SIGN.id)?.words, findCondition(MOTH.id)?.name]).toEqual([
      'Harbour elm',
      SIGN.words,
      'Silver bark moth',
    ]);
    expect(growthOf(host)?.id).toBe('elm');
    const tree = (await treeOf(v, treeId, NOW))!;
    const found = diagnose({ viewer: v, tree, knowledge, nearby: await detectionsNear(v, tree), now: NOW })!;
    expect([found.candidates[0]!.id, found.decide().decision]).toEqual([MOTH.id, 'treat now']);
  });
  const decision = { id: v7(), treeId, conditionId: MOTH.id, certainty: 'near certain', reason: 'silver crumbs' };
  expect(await doneBy(saveDiagnosis, v, { ...decision, decision: 'treat now' })).toMatchObject({ ok: true });
  await withCustomKnowledge(v, async () => {
    const facts = workFactsOf(v, (await treeOf(v, treeId, NOW))!, NOW)!;
    expect(worksFor(facts, findCondition(MOTH.id)!.options).fit.map((w) => w.id)).toContain(WORK.id);
  });
  const plan = { id: v7(), treeId, workId: WORK.id, released: {}, alike: [] };
  expect(await doneBy(planWork, v, { ...plan, answers: { count: 20 } })).toMatchObject({ ok: false });
  expect(await doneBy(planWork, v, { ...plan, answers: { count: 20, 'before-0': true } })).toEqual({
    ok: true,
    value: null,
  });
  const [work] = (await treeOf(v, treeId, NOW))!.works;
  expect(work!.sheet.minutes).toBe(10 + 2 * 20);
  expect(work!.sheet.followUps.map((f) => f.what)).toEqual(['Look for fresh crumbs']);
});

it('a test of one’s own is asked for, answered, believed, and speaks of what ships as well', async () => {
  const v = await now();
  const treeId = v7();
  const installed = { id: treeId, siteId: made.o.siteId, tag: 'Q2', hostId: HOST.id, girth: '90', unit: 'cm' };
  expect(await doneBy(addTree, v, installed)).toMatchObject({ ok: true });
  const look = (tests: { test: string; outcome: string }[]) =>
    doneBy(saveInspection, v, {
      ...{ id: v7(), treeId, crownLoss: '5', vigour: 'good', hostKey: [], hostConfirmed: true, alike: [] },
      ...{ detail: detailSchema.parse({}), note: '', change: '', changePrice: '' },
      findings: [{ sign: 'crown-thin', state: 'seen', grade: 2 }],
      tests,
    });
  expect(await look([{ test: TEST.id, outcome: 'blue' }])).toMatchObject({ ok: false });
  expect(await look([])).toMatchObject({ ok: true });
  const chance = async () =>
    withCustomKnowledge(v, async () => {
      const { knowledge } = await knowledgeOf(v);
      const tree = (await treeOf(v, treeId, NOW))!;
      const found = diagnose({ viewer: v, tree, knowledge, nearby: await detectionsNear(v, tree), now: NOW })!;
      return found.candidates.find((c) => c.id === MOTH.id)?.p ?? 0;
    });
  const before = await chance();
  expect(await look([{ test: TEST.id, outcome: 'grey' }])).toMatchObject({ ok: true });
  expect(await chance()).toBeGreaterThan(3 * before);
  const { knowledge, own } = await knowledgeOf(v);
  expect(knowledge.conditions.find((c) => c.id === 'elm-bark-beetle')!.tests[TEST.id]).toEqual({ grey: 'rare' });
  expect(own.tests.get(TEST.id)).not.toHaveProperty('tells');
  // What trees were asked by stays, so that the look can be read.
  const back = { id: v7(), kind: 'test', key: TEST.id, note: 'no longer done' };
  expect(await doneBy(voidCustomEntry, v, back)).toMatchObject({ ok: false, issues: [{ path: 'key' }] });
});

it('how often a shipped condition shows an own sign can be said', async () => {
  const said = { id: v7(), condition: 'elm-leaf-beetle', sign: SIGN.id, often: 'rare', note: 'now and then with it' };
  expect(await doneBy(setLikelihood, await now(), said)).toEqual({ ok: true, value: null });
  const { knowledge, own } = await knowledgeOf(await now());
  expect(knowledge.conditions.find((c) => c.id === 'elm-leaf-beetle')!.signs.rare).toContain(SIGN.id);
  expect(own.conditions.has('elm-leaf-beetle')).toBe(true);
  expect(await doneBy(setLikelihood, await now(), { ...said, id: v7(), sign: 'own-nothing' })).toMatchObject({
    ok: false,
    issues: [{ path: 'sign' }],
  });
});

it.each([
  ['an id of what ships', 'host', { ...HOST, id: 'wych-elm' }, 'text.id'],
  ['a host of no group that is known', 'host', { ...HOST, id: 'own-x', groups: ['sea'] }, 'text'],
  ['a host that grows like nothing', 'host', { ...HOST, id: 'own-x', growsLike: 'sea' }, 'text'],
  ['a sign of no place', 'sign', { ...SIGN, id: 'own-x', place: 'cellar' }, 'text.place'],
  [
    'a condition with a sign that is not there',
    'condition',
    { ...MOTH, id: 'own-y', signs: { ...MOTH.signs, always: ['own-none'] } },
    'text',
  ],
  [
    'a condition that nothing tells from what it is taken for',
    'condition',
    { ...MOTH, id: 'own-twin', lookalikes: [MOTH.id], tests: { [TEST.id]: { grey: 'always' } } },
    'text',
  ],
  [
    'a condition whose way says days',
    'condition',
    { ...MOTH, id: 'own-z', options: [{ ...MOTH.options[0], what: 'Brush them out, again after 7 days' }] },
    'text',
  ],
  ['a test that speaks of nothing', 'test', { ...TEST, id: 'own-t', tells: {} }, 'text.tells'],
  [
    'a test of a condition that is not there',
    'test',
    { ...TEST, id: 'own-t', tells: { grey: { none: 'rare' } } },
    'text',
  ],
  [
    'a test without its last outcome',
    'test',
    { ...TEST, id: 'own-t', outcomes: TEST.outcomes.slice(0, 2) },
    'text.outcomes',
  ],
  [
    'a test of an outcome that it has not',
    'test',
    { ...TEST, id: 'own-t', tells: { blue: { 'own-bark-moth': 'rare' } } },
    'text.tells.blue',
  ],
  ['a work against nothing', 'work', { ...WORK, id: 'own-x', conditions: ['own-none'] }, 'text'],
  ['a work of no step', 'work', { ...WORK, id: 'own-x', steps: [] }, 'text.steps'],
  ['a work of no time', 'work', { ...WORK, id: 'own-x', minutes: { once: Number.NaN, each: 1 } }, 'text.minutes.once'],
])('%s is refused with its place, and nothing is kept', async (_, kind, data, path) => {
  const before = await customEntries(await now());
  const answer = await keep(kind, data);
  expect(answer).toMatchObject({ ok: false });
  expect((answer as { issues: { path: string }[] }).issues.map((f) => f.path)).toContain(path);
  expect(await customEntries(await now())).toEqual(before);
});

describe('to another company', () => {
  const theirs = async () => now((await loadViewer(await makeCompany(made.owner)))!);
  const file = async () => JSON.stringify(customFile('Quay Trees', await customEntries(await now())));
  it('a sum of heat travels with the hosts that it names, and in no file that leaves one of them out', async () => {
    const heat = {
      ...{ id: v7(), what: 'bark moth, crumbs fall', hosts: [HOST.id], baseC: '8', ceilingC: '' },
      ...{ method: 'average', sum: '210', from: '', basis: 'three springs on the quay' },
    };
    expect(await doneBy(saveDegreeDayModel, await now(), heat)).toMatchObject({ ok: true });
    const told = await customHeatEntries(made.viewer);
    expect(told.map((e) => e.key)).toEqual(['own-bark-moth-crumbs-fall']);
    const them = await theirs();
    const alone = JSON.stringify(customFile('Quay Trees', told));
    expect(await doneBy(importCustomEntries, them, { id: v7(), text: alone })).toMatchObject({
      ok: false,
      issues: [{ message: `heat own-bark-moth-crumbs-fall: no host or group ${HOST.id}` }],
    });
    expect(await customHeatEntries(them)).toEqual([]);
    const host = (await customEntries(await now())).filter((e) => e.key === HOST.id);
    const both = { id: v7(), text: JSON.stringify(customFile('Quay Trees', [...host, ...told])) };
    expect(await doneBy(importCustomEntries, them, both)).toEqual({ ok: true, value: { added: 2, newer: 0, same: 0 } });
    expect((await customHeatEntries(them)).map((e) => [e.data.sum, e.data.hosts])).toEqual([[210, [HOST.id]]]);
    expect(await doneBy(importCustomEntries, await now(them), { ...both, id: v7() })).toEqual({
      ok: true,
      value: { added: 0, newer: 0, same: 2 },
    });
  });

  it('a file brings all of them with what they rest on; brought again, nothing changes', async () => {
    const them = await theirs();
    const text = await file();
    expect(await doneBy(importCustomEntries, them, { id: v7(), text })).toEqual({
      ok: true,
      value: { added: 6, newer: 0, same: 0 },
    });
    expect(await doneBy(importCustomEntries, await now(them), { id: v7(), text })).toEqual({
      ok: true,
      value: { added: 0, newer: 0, same: 6 },
    });
    const moth = (await customEntries(them)).find((e) => e.key === MOTH.id)!;
    expect([moth.version, moth.note]).toEqual([1, 'seen on the quay, three years (Quay Trees)']);
    await withCustomKnowledge(await now(them), async () => expect(findHost(HOST.id)?.name).toBe('Harbour elm'));
  });

  it.each([
    ['no JSON', () => 'x', 'text'],
    ['another format', () => JSON.stringify({ format: 'x' }), 'text.format'],
    [
      'an entry twice',
      (f: string) =>
        JSON.stringify({ ...JSON.parse(f), entries: [SIGN, SIGN].map((data) => ({ kind: 'sign', data })) }),
      'text',
    ],
    [
      'a condition without its sign',
      (f: string) => JSON.stringify({ ...JSON.parse(f), entries: [{ kind: 'condition', data: MOTH }] }),
      'text',
    ],
    ['one bad entry among good ones', (f: string) => f.replace('"bark"', '"cellar"'), null],
  ])('%s: nothing of it comes in', async (_, change, path) => {
    const them = await theirs();
    const answer = await doneBy(importCustomEntries, them, { id: v7(), text: change(await file()) });
    expect(answer).toMatchObject({ ok: false });
    if (path) expect((answer as { issues: { path: string }[] }).issues[0]!.path).toBe(path);
    expect(await customEntries(them)).toEqual([]);
  });
});

it('two companies with the same key at once see each their own, and nobody sees it without being asked for', async () => {
  const them = (await loadViewer(await makeCompany(made.owner)))!;
  const other = { ...HOST, name: 'Their elm' };
  await doneBy(saveCustomEntry, them, { id: v7(), kind: 'host', text: JSON.stringify(other), note: 'theirs' });
  const [mine, their] = [await now(), await now(them)];
  const named = (v: Viewer) =>
    withCustomKnowledge(v, async () => {
      const first = findHost(HOST.id)?.name;
      await new Promise((r) => setImmediate(r));
      return [first, findHost(HOST.id)?.name, hostsNow().filter((h) => h.id === HOST.id).length];
    });
  expect(await Promise.all([mine, their, mine, their].map(named))).toEqual([
    ['Harbour elm', 'Harbour elm', 1],
    ['Their elm', 'Their elm', 1],
    ['Harbour elm', 'Harbour elm', 1],
    ['Their elm', 'Their elm', 1],
  ]);
  expect(findHost(HOST.id)).toBeNull();
});

it('what trees or the book name is not taken back; what nobody names is, and stays on record', async () => {
  const back = async (kind: string, key: string) =>
    doneBy(voidCustomEntry, await now(), { id: v7(), kind, key, note: 'no longer believed' });
  for (const [kind, key] of [
    ['host', HOST.id],
    ['sign', SIGN.id],
    ['condition', MOTH.id],
    ['work', WORK.id],
  ] as const)
    expect(await back(kind, key)).toMatchObject({ ok: false, issues: [{ path: 'key' }] });
  expect(await keep('sign', { ...SIGN, id: 'own-idle-sign' })).toMatchObject({ ok: true });
  expect(await back('sign', 'own-idle-sign')).toEqual({ ok: true, value: null });
  expect(await back('sign', 'own-idle-sign')).toMatchObject({ ok: false });
  const entry = (await customEntries(await now())).find((e) => e.key === 'own-idle-sign')!;
  expect([entry.version, entry.data]).toEqual([2, null]);
});

it('a technician writes nothing of it', async () => {
  const v = { ...(await now()), role: 'technician' as const };
  for (const verb of [saveCustomEntry, importCustomEntries, voidCustomEntry])
    expect(await doneBy(verb as typeof saveCustomEntry, v, { id: v7() })).toMatchObject({
      ok: false,
      issues: [{ path: '' }],
    });
});
