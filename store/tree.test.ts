import { v7 } from 'uuid';
import { detailSchema } from '@/core/diagnose/inspection';
import { db, json, within, type Sql } from './db';
import { dueBetween } from './follow-ups';
import { addPhoto, getPhoto } from './photos';
import { getPlan, openPlans, setPlanState } from './plans';
import { programmeOf, writeProgramme } from './programme';
import { insertQuote, insertQuoteAnswer, sharedQuote } from './quotes';
import { makeCompany, ownerSql, type TestCompany } from './testing';
import { treatNotPlanned } from './today';
import { addOthersApplied, othersApplied } from './others-applied';
import { siteAlarms } from './sites';
import {
  insertInspections,
  addReading,
  insertSampleAnswer,
  insertSample,
  updateChange,
  voidInspectionRow,
} from './inspections';
import { insertDiagnosis, planRow } from './diagnoses';
import { changeTree, getTree } from './tree';

let owner: Sql;
let o: TestCompany;
beforeAll(() => (owner = ownerSql()));
beforeEach(async () => (o = await makeCompany(owner)));
afterAll(async () => {
  await owner.end();
  await db().end();
});
const year = String(new Date().getUTCFullYear());
const tree = async () => (await getTree(o, o.treeId, year))!;
const reading = (diameterCm: number) => ({
  id: v7(),
  treeId: o.treeId,
  diameterCm,
  atHeightCm: 130,
  stems: [],
  treeHeightM: 12,
  crownWidthM: null,
  crownBaseM: null,
  flares: [],
  grainDeg: 0,
  obstacles: '',
  arcs: [],
  method: 'tape',
  at: new Date(),
});
const dose = {
  dose: { ok: true, dimension: 'volume', product: 12, carrier: { totalMl: 3000 }, sites: null },
  ring: null,
  gates: [],
} as never;
const plan = () => ({
  id: v7(),
  treeId: o.treeId,
  labelId: o.labelId,
  useKey: 'drench',
  conditionId: 'elm-leaf-beetle',
  at: new Date(),
  choices: { soil: 'moist' } as never,
  result: { metric: dose, us: dose },
  released: { hold: 'why' },
  price: { now: 9000, overYears: 30_000, years: 10 },
  visit: null,
});

/** A decision on one condition, which says that earlier ones were wrong only where they are given. */
const naming = (conditionId: string, decision: string, overturns: string[] = []) => ({
  id: v7(),
  treeId: o.treeId,
  inspectionId: null,
  conditionId,
  certainty: 'likely' as const,
  decision: decision as never,
  reason: '',
  at: new Date(),
  ranking: [],
  overturnedBy: [],
  overturns,
});

describe('a tree', () => {
  it('shows its readings newest first, each once though sent twice', async () => {
    const r = reading(30);
    await addReading(o, r);
    await addReading(o, r);
    await addReading(o, reading(31));
    expect((await tree()).readings.map((x) => x.diameterCm)).toEqual([31, 30]);
  });
  it('a look keeps its findings, confirms the host, and settles the looks that were due by then', async () => {
    const due = (kind: string, rule: string, day: string) =>
      owner`insert into follow_up (id, company_id, tree_id, root_id, rule_id, kind, what, reason, due, earliest, latest) values (${v7()}, ${o.companyId}, ${o.treeId}, ${o.treeId}, ${rule}, ${kind}, 'What', 'Why', ${day}, ${day}, ${day})`;
    await due('check-effect', 'a', '2026-05-01');
    await due('look', 'b', '2026-07-01');
    await due('treat-again', 'c', '2026-05-01');
    await insertInspections(o, [
      {
        id: v7(),
        treeId: o.treeId,
        crownLoss: 10,
        vigour: 'fair',
        hostKey: [true],
        at: new Date(),
        hostConfirmed: true,
        findings: [
          { sign: 'honeydew', state: 'seen', grade: 3 },
          { sign: 'mines', state: 'absent' },
        ],
        note: '',
        today: '2026-06-01',
        tests: [{ test: 'wipe', outcome: 'wipes-off' }],
        detail: detailSchema.parse({}),
        change: { id: v7(), what: 'Cut the girdling root', priceMinor: 4200 },
      },
    ]);
    const t = await tree();
    expect(t.hostConfirmedAt).not.toBeNull();
    expect(t.looks[0]!.tests).toEqual([{ test: 'wipe', outcome: 'wipes-off' }]);
    expect(t.changes.map((c) => [c.state, c.priceMinor])).toEqual([['open', 4200]]);
    expect((await updateChange(o, t.changes[0]!.id, 'approved', 'by phone')).count).toBe(1);
    expect((await updateChange(o, t.changes[0]!.id, 'declined', 'again')).count).toBe(0);
    expect(t.looks[0]!.findings).toEqual(
      expect.arrayContaining([
        { sign: 'honeydew', state: 'seen', grade: 3 },
        { sign: 'mines', state: 'absent' },
      ]),
    );
    expect((await dueBetween(o, '2000-01-01', '2100-01-01', 9)).map((f) => f.kind).sort()).toEqual([
      'look',
      'treat-again',
    ]);
  });
  it('its neighbours on the place come with where they stand; no list holds anything but rows', async () => {
    const [drawn, located] = [v7(), v7()];
    await owner`
      insert into tree (id, company_id, site_id, tag, host_id, plan_x, plan_y, lat, lon)
      values
        (${drawn}, ${o.companyId}, ${o.siteId}, 'N1', 'wych-elm', 4.5, -2, null, null),
        (${located}, ${o.companyId}, ${o.siteId}, 'N2', 'wych-elm', null, null, 50.33, -4.1)`;
    const read = (await getTree(o, o.treeId, '2026'))!;
    expect(read.others).toHaveLength(2);
    expect(read.others).toEqual(
      expect.arrayContaining([
        { x: 4.5, y: -2, lat: null, lon: null },
        { x: null, y: null, lat: 50.33, lon: -4.1 },
      ]),
    );
    const lists = Object.entries(read).filter(([, value]) => Array.isArray(value)) as [string, unknown[]][];
    expect(lists.length).toBeGreaterThan(10);
    for (const [name, rows] of lists)
      for (const row of rows) expect([name, typeof row, Array.isArray(row)]).toEqual([name, 'object', false]);
    await owner`update tree set archived_at = now() where id = any(${[drawn, located]})`;
  });
  it('what is planned on the place counts in the year it can be done in, however long ago it was planned', async () => {
    const neighbour = v7();
    await owner`
      insert into tree (id, company_id, site_id, tag, host_id)
      values (${neighbour}, ${o.companyId}, ${o.siteId}, 'P1', 'wych-elm')`;
    const [old, ahead] = [v7(), v7()];
    const result = (grams: number) => owner.json({ dose: { actives: [{ name: 'imidacloprid', grams }] } });
    await owner`
      insert into treatment_plan (id, company_id, tree_id, label_id, use_key, condition_id, facts, result, at, by_person)
      values (${old}, ${o.companyId}, ${neighbour}, ${o.labelId}, 'drench', 'elm-leaf-beetle', '{}', ${result(3)},
        '2025-12-20', ${o.personId})`;
    const planned = async (at: string) => (await getTree(o, o.treeId, at))!.sitePlanned;
    expect(await planned('2025')).toEqual({ '2025': { imidacloprid: 3 } });
    expect(await planned('2026')).toEqual({ '2026': { imidacloprid: 3 } });
    await owner`update treatment_plan set state = 'dropped' where id = ${old}`;
    await owner`
      insert into treatment_plan (id, company_id, tree_id, label_id, use_key, condition_id, facts, result, by_person,
        planned_for, earliest, latest)
      values (${ahead}, ${o.companyId}, ${neighbour}, ${o.labelId}, 'drench', 'elm-leaf-beetle', '{}', ${result(5)},
        ${o.personId}, '2027-05-10', '2027-05-01', '2027-06-30')`;
    expect(await planned('2026')).toEqual({ '2027': { imidacloprid: 5 } });
    // Missed, it can still be done in the year that runs.
    expect(await planned('2028')).toEqual({ '2028': { imidacloprid: 5 } });
    await owner`update treatment_plan set state = 'dropped' where id = ${ahead}`;
    await owner`update tree set archived_at = now() where id = ${neighbour}`;
  });
  it('another host has to be confirmed again', async () => {
    const head = {
      id: o.treeId,
      tag: 'T1',
      note: '',
      species: '',
      walkOrder: 1,
      lat: null,
      lon: null,
      variety: '',
      eaten: null,
    };
    const basedOn = async () => (await tree()).version;
    await owner`update tree set host_confirmed_at = now() where id = ${o.treeId}`;
    await changeTree(o, { ...head, hostId: 'wych-elm', basedOn: await basedOn() });
    expect((await tree()).hostConfirmedAt).not.toBeNull();
    await changeTree(o, { ...head, hostId: 'common-ash', basedOn: await basedOn() });
    expect((await tree()).hostConfirmedAt).toBeNull();
  });
  it('a form that rests on an older version overwrites nothing; a look makes no form stale', async () => {
    const head = {
      id: o.treeId,
      tag: 'T1',
      hostId: 'wych-elm',
      species: '',
      walkOrder: 1,
      lat: null,
      lon: null,
      variety: '',
      eaten: null,
    };
    const { version } = await tree();
    await owner`update tree set host_confirmed_at = now(), plan_x = 3, plan_y = 4 where id = ${o.treeId}`;
    expect((await tree()).version).toBe(version);
    expect((await changeTree(o, { ...head, note: 'by the gate', basedOn: version })).count).toBe(1);
    expect((await changeTree(o, { ...head, note: 'of a stale form', basedOn: version })).count).toBe(0);
    expect(await tree()).toMatchObject({ note: 'by the gate', version: version + 1 });
  });
  it.each([
    ['a diameter of nothing', () => addReading(o, reading(0))],
    [
      'half a position',
      () =>
        changeTree(o, {
          id: o.treeId,
          tag: 'T1',
          hostId: 'x',
          note: '',
          species: '',
          walkOrder: 1,
          lat: 50,
          lon: null,
          variety: '',
          eaten: null,
          basedOn: 1,
        }),
    ],
    [
      'a tag of nothing',
      () =>
        changeTree(o, {
          id: o.treeId,
          tag: '',
          hostId: 'x',
          note: '',
          species: '',
          walkOrder: 1,
          lat: null,
          lon: null,
          variety: '',
          eaten: null,
          basedOn: 1,
        }),
    ],
    [
      'a grade for what was absent',
      () =>
        within(
          o,
          (tx) =>
            tx`insert into finding (company_id, inspection_id, sign_id, state, grade) select ${o.companyId}, id, 'x', 'absent', 2 from inspection where tree_id = ${o.treeId}`,
        ),
    ],
    [
      'a record that ends before it starts',
      () =>
        within(
          o,
          (tx) =>
            tx`insert into record (id, company_id, root_id, version, tree_id, site_id, label_key, method, started_at, ended_at, done_on, by_person, written_by, words, data) values (${v7()}, ${o.companyId}, ${v7()}, 1, ${o.treeId}, ${o.siteId}, 'x', 'soil-drench', now(), now() - interval '1 hour', current_date, ${o.personId}, ${o.personId}, '', ${json(tx, {})})`,
        ),
    ],
  ])('the database itself refuses %s', async (_, write) => expect(write()).rejects.toMatchObject({ code: '23514' }));
  it('photos belong to their tree and come back as they went in', async () => {
    const id = v7();
    expect(
      await addPhoto(o, {
        id,
        treeId: o.treeId,
        width: 2,
        height: 2,
        locationKept: false,
        bytes: Buffer.from([1, 2, 3]),
      }),
    ).toBe(true);
    expect(
      await addPhoto(o, { id: v7(), treeId: v7(), width: 2, height: 2, locationKept: false, bytes: Buffer.from([1]) }),
    ).toBe(false);
    expect([...(await getPhoto(o, id))!]).toEqual([1, 2, 3]);
  });
});

const openPlan = (p: ReturnType<typeof plan>) =>
  planRow(o, { plans: [p], savedDiagnoses: [], left: [], programme: null });

describe('a plan', () => {
  it('is told in the units of whoever reads it; one of before stays as it was written', async () => {
    const as = (units: string) => owner`update person set units = ${units} where id = ${o.personId}`;
    const words = (steps: string) => ({ dose: { ok: true, steps }, ring: null, gates: [] }) as never;
    const p = { ...plan(), result: { metric: words('40 cm'), us: words('15.7 in') } };
    await openPlan(p);
    const read = async () => {
      const [one] = (await tree()).plans.filter((x) => x.id === p.id);
      return [one!.result, (await getPlan(o, p.id))!.result].map((r) => (r.dose as never as { steps: string }).steps);
    };
    expect(await read()).toEqual(['40 cm', '40 cm']);
    await as('us');
    expect(await read()).toEqual(['15.7 in', '15.7 in']);
    await owner`update treatment_plan set document = 1, result_us = null where id = ${p.id}`;
    expect(await read()).toEqual(['40 cm', '40 cm']);
    await as('metric');
  });
  it('gives way to a newer one of the same product, is read back whole, and can be dropped and taken back', async () => {
    const first = plan();
    await openPlan(first);
    const second = plan();
    await openPlan(second);
    await openPlan(second);
    const open = await openPlans(o);
    expect(open.map((p) => p.id)).toEqual([second.id]);
    expect(open[0]).toMatchObject({
      tag: 'T1',
      product: 12,
      mixMl: 3000,
      sites: null,
      method: 'soil-drench',
      protection: expect.arrayContaining(['Nitrile gloves']),
    });
    expect(await getPlan(o, second.id)).toMatchObject({
      choices: { soil: 'moist' },
      released: { hold: 'why' },
      state: 'open',
      label: { key: 'training-01-drench' },
    });
    expect((await setPlanState(o, second.id, 'open', 'dropped')).count).toBe(1);
    expect((await setPlanState(o, second.id, 'open', 'dropped')).count).toBe(0);
    expect((await setPlanState(o, second.id, 'dropped', 'open')).count).toBe(1);
  });
  it('gives way to one of the same product made from another version of its label', async () => {
    const [was] = await owner`select company_id, key, data from label where id = ${o.labelId}`;
    const next = v7();
    await owner`insert into label (id, company_id, key, version, data) values (${next}, ${o.companyId}, ${was!.key}, 2, ${was!.data})`;
    const first = plan();
    await openPlan(first);
    const second = { ...plan(), labelId: next };
    await openPlan(second);
    expect((await openPlans(o)).map((p) => p.id)).toEqual([second.id]);
  });
  it('the newest programme of a tree holds, and its plans and works keep the price they were planned at', async () => {
    await writeProgramme(o, [{ id: v7(), treeId: o.treeId }], { school: 'organic', everyYears: null, years: 10 });
    const last = { school: null, everyYears: 3, years: 12 };
    const id = v7();
    await writeProgramme(o, [{ id, treeId: o.treeId }], last);
    await writeProgramme(o, [{ id, treeId: o.treeId }], { ...last, years: 1 });
    expect(await programmeOf(o, o.treeId)).toEqual(last);
    await openPlan(plan());
    const read = await tree();
    expect(read.programme).toEqual(last);
    expect(read.plans[0]!.price).toEqual({ now: 9000, overYears: 30_000, years: 10 });
  });
  it('a row is planned together or not at all: a plan that cannot stand takes the verdicts and the others with it', async () => {
    const savedDiagnosis = {
      id: v7(),
      treeId: o.treeId,
      inspectionId: null,
      conditionId: 'elm-leaf-beetle',
      certainty: 'possible',
      decision: 'treat now',
      at: new Date(),
      reason: 'As T0 in the same row.',
      ranking: [],
      overturnedBy: [],
      overturns: [],
    };
    const good = plan();
    const rows = [{ id: v7(), treeId: o.treeId }];
    const as = { school: null, everyYears: 2, years: 5 };
    const bad = { ...plan(), labelId: v7() };
    const row = (plans: ReturnType<typeof plan>[]) =>
      planRow(o, { plans, savedDiagnoses: [savedDiagnosis], left: [], programme: { rows, as } });
    await expect(row([good, bad])).rejects.toMatchObject({ code: '23503' });
    const before = await tree();
    expect(before.savedDiagnoses).toHaveLength(0);
    expect(before.programme).toBeNull();
    expect(await getPlan(o, good.id)).toBeNull();
    await row([good]);
    await row([good]);
    const read = await tree();
    expect(read.savedDiagnoses.map((x) => x.reason)).toEqual(['As T0 in the same row.']);
    expect(read.programme).toEqual(as);
    expect((await openPlans(o)).filter((x) => x.id === good.id)).toHaveLength(1);
  });
  it('a client may take several ways of an offer, none that was not offered, and answers once', async () => {
    const token = await insertQuote(o, {
      id: v7(),
      treeId: o.treeId,
      days: 3,
      data: { options: [{ key: 'a' }, { key: 'b' }, { key: 'c' }], changes: [] } as never,
    });
    const answer = (options: string[]) =>
      insertQuoteAnswer(token, { options, changes: [], who: 'A. Client', word: '' });
    expect(await answer(['a', 'x'])).toBe('unknown option');
    expect(await answer(['c', 'a', 'a'])).toBe('kept');
    expect(await answer([])).toBe('answered');
    expect((await sharedQuote(token))!.answer!.options).toEqual(['c', 'a']);
  });
  it('a tree to be treated waits on Today until it is planned', async () => {
    await setPlanState(o, o.planId, 'open', 'dropped');
    await insertDiagnosis(o, {
      id: v7(),
      treeId: o.treeId,
      inspectionId: null,
      conditionId: 'elm-leaf-beetle',
      certainty: 'likely',
      decision: 'treat now',
      at: new Date(),
      reason: '',
      ranking: [],
      overturnedBy: [],
      overturns: [],
    });
    expect((await treatNotPlanned(o, 9)).map((t) => t.tag)).toEqual(['T1']);
    await openPlan(plan());
    expect(await treatNotPlanned(o, 9)).toEqual([]);
    // A second trouble stands beside the first; planning one leaves the other on Today.
    const second = v7();
    await insertDiagnosis(o, { ...naming('powdery-mildew', 'treat now'), id: second });
    expect((await treatNotPlanned(o, 9)).map((t) => t.conditionId)).toEqual(['powdery-mildew']);
    // It goes only where somebody says that it was wrong.
    await insertDiagnosis(o, naming('lacebug', 'leave it alone', [second]));
    expect(await treatNotPlanned(o, 9)).toEqual([]);
    await owner`update treatment_plan set state = 'dropped' where tree_id = ${o.treeId}`;
    await insertDiagnosis(o, {
      id: v7(),
      treeId: o.treeId,
      inspectionId: null,
      conditionId: 'elm-leaf-beetle',
      certainty: 'likely',
      decision: 'leave it alone',
      at: new Date(),
      reason: '',
      ranking: [],
      overturnedBy: [],
      overturns: [],
    });
    expect(await treatNotPlanned(o, 9)).toEqual([]);
  });
});

describe('evidence that comes, goes, and was made by others', () => {
  const look = (
    findings: { sign: string; state: 'seen'; grade: number }[],
    tests: { test: string; outcome: string }[] = [],
  ) => ({
    id: v7(),
    treeId: o.treeId,
    crownLoss: null,
    vigour: null,
    hostKey: [],
    at: new Date(),
    hostConfirmed: false,
    findings,
    note: '',
    today: '2026-06-20',
    tests,
    detail: detailSchema.parse({}),
    change: null,
  });
  it('danger stands on the place until the look is taken back, with a reason; once taken back it stays so', async () => {
    const bad = look([{ sign: 'base-brackets', state: 'seen', grade: 2 }]);
    await insertInspections(o, [bad]);
    const alarms = () => siteAlarms(o, o.siteId, ['base-brackets']);
    expect(await alarms()).toMatchObject([{ treeId: o.treeId, tag: 'T1', signs: ['base-brackets'], report: null }]);
    expect(await siteAlarms(o, o.siteId, ['base-rocks'])).toEqual([]);
    await expect(voidInspectionRow(o, bad.id, 'x')).rejects.toMatchObject({ code: '23514' });
    expect((await voidInspectionRow(o, bad.id, 'It was the neighbour')).count).toBe(1);
    expect((await voidInspectionRow(o, bad.id, 'Again')).count).toBe(0);
    expect(await alarms()).toEqual([]);
    const read = await tree();
    expect(read.looks.some((l) => l.id === bad.id)).toBe(false);
    expect(read.withdrawn).toMatchObject([{ id: bad.id, reason: 'It was the neighbour' }]);
  });
  it('a report stands on the place until it is answered or was wrong', async () => {
    const report = { ...naming('fire-blight', 'report'), id: v7() };
    await insertDiagnosis(o, report);
    expect(await siteAlarms(o, o.siteId, [])).toMatchObject([{ report: 'fire-blight' }]);
    await insertDiagnosis(o, naming('lacebug', 'leave it alone'));
    expect(await siteAlarms(o, o.siteId, [])).toMatchObject([{ report: 'fire-blight' }]);
    await insertDiagnosis(o, naming('lacebug', 'leave it alone', [report.id]));
    expect(await siteAlarms(o, o.siteId, [])).toEqual([]);
  });
  it('a sample is under way until its answer, which is evidence as a look of its own, once', async () => {
    const id = v7();
    await insertSample(o, {
      id,
      treeId: o.treeId,
      what: 'Twig with streaks',
      sentTo: 'County laboratory',
      testId: 'lab-wilt',
      sentOn: '2026-06-20',
    });
    expect((await tree()).samples).toMatchObject([{ id, sentTo: 'County laboratory', answer: null }]);
    const answered = look([], [{ test: 'lab-wilt', outcome: 'dutch-elm' }]);
    const answer = (text: string) =>
      insertSampleAnswer(o, { sampleId: id, answer: text, onDay: '2026-06-28', look: answered });
    await answer('Positive');
    await answer('Positive, sent twice');
    const read = await tree();
    expect(read.samples).toMatchObject([{ id, answer: 'Positive' }]);
    expect(read.looks.filter((l) => l.id === answered.id)).toMatchObject([
      { tests: [{ test: 'lab-wilt', outcome: 'dutch-elm' }] },
    ]);
  });
  it('what others put on it counts on the tree and on the place', async () => {
    const by = {
      active: 'imidacloprid',
      family: 'neonicotinoid',
      resistance: 'IRAC 4A',
      conditionId: 'elm-leaf-beetle',
      effect: 'none' as const,
      onDay: '2026-05-02',
      who: 'A neighbour’s contractor',
    };
    await addOthersApplied(o, { ...by, id: v7(), siteId: o.siteId, treeId: o.treeId, grams: 12 });
    const read = await tree();
    expect(read.byOthers).toMatchObject([{ active: 'imidacloprid', effect: 'none' }]);
    expect((await othersApplied(o, o.siteId)).map((x) => [x.active, x.grams])).toEqual([['imidacloprid', 12]]);
  });
});
