import { v7 } from 'uuid';
import { detailSchema } from '@/core/diagnose/inspection';
import type { Finding } from '@/core/diagnose/knowledge';
import { db, type Sql } from './db';
import {
  addEntry,
  insertPracticeSession,
  closedCases,
  findingsOfSite,
  overturned,
  customEntries,
  practiceSessions,
} from './knowledge';
import { makeCompany, ownerSql, type TestCompany } from './testing';
import { insertInspections } from './inspections';
import { insertDiagnosis, nearbyDetections } from './diagnoses';
import { alikeTrees, getTree } from './tree';

let owner: Sql;
let o: TestCompany;
beforeAll(() => (owner = ownerSql()));
beforeEach(async () => (o = await makeCompany(owner)));
afterAll(async () => {
  await owner.end();
  await db().end();
});

const seen = (sign: string, grade = 3): Finding => ({ sign, state: 'seen', grade });
const look = async (findings: Finding[], tests: { test: string; outcome: string }[] = [], treeId = o.treeId) => {
  const id = v7();
  await insertInspections(o, [
    {
      id,
      treeId,
      crownLoss: 5,
      vigour: 'good',
      hostKey: [],
      at: new Date(),
      hostConfirmed: false,
      findings,
      tests,
      detail: detailSchema.parse({}),
      note: '',
      today: '2026-06-01',
      change: null,
    },
  ]);
  return id;
};
const savedDiagnosis = (conditionId: string, more: object = {}) =>
  insertDiagnosis(o, {
    id: v7(),
    treeId: o.treeId,
    inspectionId: null,
    conditionId,
    certainty: 'near certain',
    decision: 'treat now',
    at: new Date(),
    reason: '',
    ranking: [{ id: conditionId, p: 0.95 }],
    overturnedBy: [],
    overturns: [],
    ...more,
  });

describe('a company’s own knowledge', () => {
  const usual = (often: string) => ({
    id: v7(),
    kind: 'likelihood' as const,
    key: 'apple-scab/mummies',
    data: { condition: 'apple-scab', sign: 'mummies', often },
    note: 'seen',
  });
  it('keeps versions and gives the newest; the same entry sent twice stands once', async () => {
    const first = usual('rare');
    await addEntry(o, first);
    await addEntry(o, first);
    await addEntry(o, usual('usual'));
    const entries = await customEntries(o);
    expect(entries.map((e) => [e.version, (e.data as { often: string }).often])).toEqual([[2, 'usual']]);
  });
  it('stays with the company that wrote it', async () => {
    await addEntry(o, usual('usual'));
    expect(await customEntries(await makeCompany(owner))).toEqual([]);
  });
});

it('practice rounds are one’s own, newest first, each once', async () => {
  const round = (score: number) => ({
    id: v7(),
    seed: 1,
    level: 1,
    score,
    data: { truth: 'lime-aphid', said: 'lime-aphid', minutes: 2, wounds: 0 },
  });
  const r = round(80);
  await insertPracticeSession(o, r);
  await insertPracticeSession(o, r);
  await insertPracticeSession(o, round(90));
  expect((await practiceSessions(o)).map((x) => x.score)).toEqual([90, 80]);
  await expect(insertPracticeSession(o, round(120))).rejects.toMatchObject({ code: '23514' });
});

it('a diagnosis that another name follows is overturned, by what was looked at; the same name again is not', async () => {
  await savedDiagnosis('drought-stress');
  await savedDiagnosis('drought-stress');
  await savedDiagnosis('elm-leaf-beetle', { overturnedBy: ['beat-branch/beetles-fall'] });
  const rows = await overturned(o);
  expect(rows.map((r) => [r.was, r.became, r.by, r.treatments])).toEqual([
    ['drought-stress', 'elm-leaf-beetle', ['beat-branch/beetles-fall'], 0],
  ]);
});

it('a closed case holds what was seen and nothing of where or whose', async () => {
  const inspectionId = await look(
    [seen('skeletons'), seen('beetles-leaf', 2), { sign: 'tips-hook', state: 'absent' }],
    [{ test: 'beat-branch', outcome: 'beetles-fall' }],
  );
  await savedDiagnosis('elm-leaf-beetle', { inspectionId });
  await savedDiagnosis('elm-leaf-beetle', { inspectionId, certainty: 'possible' });
  const cases = await closedCases(o);
  expect(cases).toHaveLength(1);
  expect(cases[0]).toMatchObject({
    hostId: 'wych-elm',
    conditionId: 'elm-leaf-beetle',
    tests: [{ test: 'beat-branch', outcome: 'beetles-fall' }],
  });
  expect(cases[0]!.findings).toHaveLength(3);
  expect(Object.keys(cases[0]!).sort()).toEqual(['at', 'conditionId', 'findings', 'hostId', 'id', 'tests']);
});

it('the findings of a place are told now and the time before', async () => {
  await look([{ sign: 'honeydew', state: 'absent' }]);
  await look([seen('honeydew', 4)]);
  const [tree] = await findingsOfSite(o, o.siteId);
  expect([tree!.before!.findings, tree!.now!.findings]).toEqual([{ honeydew: 0 }, { honeydew: 4 }]);
});

it('what is named on another tree counts as near by: none on this one, 0 on the same place, km elsewhere', async () => {
  const [near, far] = [v7(), v7()];
  const place = v7();
  await owner`update tree set lat = 50, lon = -4 where id = ${o.treeId}`;
  await owner`insert into tree (id, company_id, site_id, tag, host_id, lat, lon) values (${near}, ${o.companyId}, ${o.siteId}, 'T2', 'wych-elm', 50, -4)`;
  await owner`insert into site (id, company_id, client_id, name, time_zone) select ${place}, company_id, client_id, 'Far', 'Europe/London' from site where id = ${o.siteId}`;
  await owner`insert into tree (id, company_id, site_id, tag, host_id, lat, lon) values (${far}, ${o.companyId}, ${place}, 'T3', 'wych-elm', 50.1, -4)`;
  const year = String(new Date().getUTCFullYear());
  const nearby = async () => (await nearbyDetections(o, [(await getTree(o, o.treeId, year))!])).get(o.treeId)!;
  await savedDiagnosis('elm-leaf-beetle');
  expect(await nearby()).toEqual({});
  await savedDiagnosis('dutch-elm-disease', { treeId: far });
  await savedDiagnosis('apple-scab', { treeId: near });
  await savedDiagnosis('smooth-patch', { treeId: near, decision: 'leave it alone' });
  await savedDiagnosis('elm-bark-beetle', { treeId: near, certainty: 'possible' });
  const found = await nearby();
  expect(Object.keys(found).sort()).toEqual(['apple-scab', 'dutch-elm-disease']);
  expect(found['apple-scab']).toBe(0);
  // A tenth of a degree of latitude is 11.12 km on a sphere of 6371 km.
  expect(found['dutch-elm-disease']).toBeCloseTo(11.119, 2);
  expect(
    (await alikeTrees(o, { id: o.treeId, siteId: o.siteId, hostId: 'wych-elm', walkOrder: 0 })).map((t) => t.tag),
  ).toEqual(['T2']);
});
