import type { OfflineCommand } from '@/core/phone/command-names';
import { v7 } from 'uuid';
import { commandNamed } from '@/commands';
import { boardOf } from '@/facts/board';
import type { BatchRow } from '@/facts/queued';
import { installedWith, stockWith, type Shown } from '@/facts/queued';
import { dayWith } from '@/facts/queued-day';
import { withQueued, type OfflineTree } from '@/facts/queued-tree';
import { ownCompany } from '@/commands/testing';
import { drenchRow, elmAvenue } from '@/commands/trees/testing';
import { addToDay } from '@/commands/jobs/add-to-day';
import { saveCrew } from '@/commands/jobs/save-crew';
import { perform } from '@/commands/command';
import { enteredOf } from '@/core/devices/devices';
import { findHost, signsFor } from '@/knowledge';
import { fair } from '@/stand-ins/weather/fair';
import type { Viewer } from '@/store/auth';
import { boardView } from '@/views/devices';
import { offlineDayView, offlineTreeView } from '@/views/offline';
import { handshake } from './handshake';
import { receive } from './receive';

/**
 * What a phone shows of what it wrote is what the server has once it is sent: the same facts are laid over what was taken
 * along, and are compared with what is read afterwards.
 */
const made = ownCompany();
const MORNING = new Date('2027-06-14T08:00:00Z');
const later = (minutes: number) => new Date(MORNING.getTime() + minutes * 60_000);
let avenue: Awaited<ReturnType<typeof elmAvenue>>;
let viewer: Viewer;
let phoneId: string;
beforeAll(async () => {
  avenue = await elmAvenue(made);
  viewer = avenue.viewer;
  phoneId = v7();
  await handshake(viewer, MORNING, { phoneId, name: 'P', clockNow: MORNING.toISOString(), waiting: 0 });
});

const wrote = (
  verb: OfflineCommand | 'plan-work',
  input: { id?: string },
  at = later(1),
  shown: unknown = null,
): Shown => ({
  id: input.id ?? v7(),
  verb: verb as OfflineCommand,
  input,
  at: at.toISOString(),
  shown,
});
async function land(waiting: readonly Shown[]) {
  const got = await receive({ viewer, receivedAt: later(600), station: fair }, commandNamed, {
    phoneId,
    clockNow: later(600).toISOString(),
    sends: waiting.map(({ id, verb, input, at }) => ({ id, verb, input, at, clockAt: at, what: verb })),
  });
  expect(got!.synced.filter((l) => !l.ok)).toEqual([]);
}
const held = async (treeId: string) => (await offlineTreeView(viewer, treeId, MORNING, fair))!;
const reading = (treeId: string, girth: string) => ({
  id: v7(),
  treeId,
  stems: [{ kind: 'girth', value: girth, unit: 'cm' }],
  atHeight: '130',
  atHeightUnit: 'cm',
  height: '16',
  heightUnit: 'm',
  crownWidth: '8',
  crownBase: '',
  flares: [],
  grain: '',
  obstacles: '',
  arcs: [],
  method: 'tape',
});
const look = (treeId: string) => ({
  id: v7(),
  treeId,
  hostKey: [],
  crownLoss: '3',
  vigour: 'fair',
  findings: [{ sign: signsFor(findHost('wych-elm')!)[0]!.id, state: 'absent' }],
  tests: [],
  detail: {},
  note: 'By the water.',
  change: '',
  changePrice: '',
  alike: [],
});
/** What stands on a tree, without who and when it was received. */
const standing = ({ tree, sheets }: OfflineTree) => ({
  readings: tree.readings.map(({ id, at, diameterCm, treeHeightM, stems, arcs }) => ({
    id,
    at,
    diameterCm,
    treeHeightM,
    stems,
    arcs,
  })),
  looks: tree.looks.map(({ id, at, crownLoss, vigour, findings, note }) => ({
    id,
    at,
    crownLoss,
    vigour,
    findings,
    note,
  })),
  savedDiagnoses: tree.savedDiagnoses.map(({ id, at, conditionId, decision, reason, overturns }) => ({
    id,
    at,
    conditionId,
    decision,
    reason,
    overturns,
  })),
  open: tree.plans
    .filter((p) => p.state === 'open')
    .map(({ id, labelKey, useKey, conditionId, plannedFor, result }) => ({
      id,
      labelKey,
      useKey,
      conditionId,
      plannedFor,
      product: result.dose.ok && result.dose.product,
      sites: result.ring?.sites,
    })),
  works: tree.works.map(({ id, workId, state, doneOn, note }) => ({ id, workId, state, doneOn, note })),
  records: tree.records.map(
    ({ doneOn, method, labelKey, amount, unit, actives, groups, families, reEntryUntil, target, eatFrom, sites }) => ({
      doneOn,
      method,
      labelKey,
      amount,
      unit,
      actives,
      groups,
      families,
      reEntryUntil,
      target,
      eatFrom,
      sites: sites.map((s) => s.bearing),
    }),
  ),
  installed: sheets.map((s) => ({
    plan: s.plan.id,
    installed: s.installed.map(
      ({
        id,
        site,
        putMl,
        installedAt,
        removedAt,
        leftMl,
        lostMl,
        guarded,
        labelName,
        tag,
        seen,
        expectedMinutes,
      }) => ({
        id,
        site,
        putMl,
        installedAt,
        removedAt,
        leftMl,
        lostMl,
        guarded,
        labelName,
        tag,
        seen: seen.map((x) => ({ state: x.state, leftMl: x.leftMl })),
        expectedMinutes: Math.round(expectedMinutes),
      }),
    ),
  })),
});
/** The phone and the server say the same of a tree, before and after the phone has sent. */
async function agree(treeId: string, waiting: readonly Shown[]) {
  const before = await held(treeId);
  const shown = standing(withQueued(before, waiting, viewer));
  await land(waiting);
  expect(standing(await held(treeId))).toEqual(shown);
  return shown;
}

it('measured, looked at, decided and prescribed without signal: the dose is that of the new girth', async () => {
  const treeId = await avenue.soundElm('W1');
  const id = v7();
  const asked = avenue.asked(treeId, { when: { kind: 'now' }, leaf: 'full' });
  const stands = await agree(treeId, [
    wrote('measure-tree', reading(treeId, '200'), later(1)),
    wrote('save-inspection', look(treeId), later(3)),
    wrote(
      'save-diagnosis',
      {
        id,
        treeId,
        conditionId: 'dutch-elm-disease',
        certainty: 'possible',
        decision: 'protect a sound tree',
        reason: 'Finds near by, still.',
        overturns: [],
      } as never,
      later(5),
    ),
    wrote('plan-treatment', asked, later(7)),
  ]);
  expect(stands.readings[0]!.diameterCm).toBeCloseTo(200 / Math.PI, 9);
  expect(stands.open).toHaveLength(1);
  const small = await avenue.soundElm('W2');
  const input = avenue.asked(small, { when: { kind: 'now' }, leaf: 'full' });
  const [less] = (await agree(small, [wrote('plan-treatment', input, later(8))])).open;
  expect(stands.open[0]!.product as number).toBeGreaterThan(less!.product as number);
});

it('hung, seen, pulled half full and written without signal: what went in is what the server books', async () => {
  const treeId = await avenue.soundElm('W3');
  const input = avenue.asked(treeId, { when: { kind: 'now' }, leaf: 'full' });
  await land([wrote('plan-treatment', input, later(0))]);
  const before = await held(treeId);
  const hang = wrote(
    'install-devices',
    { id: v7(), planId: input.id, at: later(10).toISOString(), guarded: 'fenced' } as never,
    later(10),
  );
  const installed = withQueued(before, [hang], viewer).sheets[0]!.installed;
  expect(installed.length).toBeGreaterThan(0);
  const see = wrote(
    'read-devices',
    { id: v7(), deviceIds: installed.map((h) => h.id), at: later(20).toISOString(), state: 'slow' } as never,
    later(20),
  );
  const pull = wrote(
    'remove-devices',
    {
      id: v7(),
      at: later(90).toISOString(),
      devices: installed.map((h, i) => ({ id: h.id, leftMl: i ? 0 : h.putMl / 2, lostMl: 0 })),
    } as never,
    later(90),
  );
  const shown = await agree(treeId, [hang, see, pull]);
  expect(shown.installed[0]!.installed.every((h) => h.removedAt !== null)).toBe(true);
  const { sheets } = await held(treeId);
  const dose = sheets[0]!.plan.result.dose;
  const removed = sheets[0]!.installed.map((h) => ({ putMl: h.putMl, leftMl: h.leftMl!, lostMl: h.lostMl }));
  const fill = installed.reduce((sum, h) => sum + h.putMl, 0);
  expect(dose.ok && enteredOf(dose.product, fill, removed)).toBeGreaterThan(0);
});

it('a work without a product is done without signal, and another dropped', async () => {
  const treeId = await avenue.soundElm('W9');
  await land([wrote('measure-tree', reading(treeId, '141'))]);
  const work = (workId: string) => ({ id: v7(), treeId, workId, answers: {}, released: {} });
  const [mulch, water] = [work('mulch'), work('water')];
  await land([wrote('plan-work', mulch), wrote('plan-work', water)]);
  // What is ended has its own id; what was sent has another.
  const ended = (id: string, done: boolean, note: string, minutes: number) => ({
    ...wrote('finish-work', { id, done, note } as never, later(minutes)),
    id: v7(),
  });
  await agree(treeId, [ended(mulch.id, true, 'Half a bag.', 15), ended(water.id, false, '', 16)]);
  const { tree } = await held(treeId);
  expect(tree.works.map((w) => [w.workId, w.state]).sort()).toEqual([
    ['mulch', 'done'],
    ['water', 'dropped'],
  ]);
});

it('the board goes on by the clock of the phone, with what was hung and pulled on it', async () => {
  const treeId = await avenue.soundElm('W4');
  const input = avenue.asked(treeId, { when: { kind: 'now' }, leaf: 'full' });
  await land([wrote('plan-treatment', input, later(0))]);
  const facts = await boardView(viewer, MORNING);
  const at = later(10).toISOString();
  const hang = wrote('install-devices', { id: v7(), planId: input.id, at, guarded: 'fenced' } as never, later(10));
  const rows = withQueued(await held(treeId), [hang], viewer).sheets[0]!.installed;
  const seen = (waiting: Shown[], now: Date) => {
    const all = installedWith([...facts.hanging, ...rows], waiting);
    return boardOf({ ...facts, hanging: all.filter((h) => !h.removedAt) }, now).groups.find(
      (g) => g.planId === input.id,
    );
  };
  const [soon, late] = [seen([], later(12)), seen([], later(3000))];
  expect(soon!.turn.why).toBe('running');
  expect(['due', 'late', 'dark']).toContain(late!.turn.why);
  await land([hang]);
  const now = boardOf(await boardView(viewer, later(12)), later(12)).groups.find((g) => g.planId === input.id)!;
  expect(now.devices.map((d) => d.id)).toEqual(soon!.devices.map((d) => d.id));
  expect(now.turn.why).toBe('running');
  const pull = wrote('remove-devices', { id: v7(), at, devices: rows.map((r) => ({ id: r.id, leftMl: 0 })) } as never);
  expect(seen([pull], later(12))).toBeUndefined();
});

describe('a drench from the can', () => {
  const own = ownCompany();
  const row = drenchRow(own);
  const JUNE = new Date('2026-06-01T10:00:00Z');
  let phone: string;
  beforeAll(async () => {
    phone = v7();
    await handshake(row.viewer, JUNE, { phoneId: phone, name: 'P', clockNow: JUNE.toISOString(), waiting: 0 });
  });
  const send = (waiting: readonly Shown[]) =>
    receive({ viewer: row.viewer, receivedAt: new Date('2026-06-02T06:00:00Z'), station: fair }, commandNamed, {
      phoneId: phone,
      clockNow: '2026-06-02T06:00:00Z',
      sends: waiting.map(({ id, verb, input, at }) => ({ id, verb, input, at, clockAt: at, what: verb })),
    });
  const onCrewDay = async (planIds: string[]) => {
    const crewId = v7();
    const by = { viewer: row.viewer, receivedAt: JUNE, station: fair };
    // A person goes out with one crew: the last one that took them.
    const crew = {
      id: crewId,
      name: `Crew ${crewId.slice(-6)}`,
      personIds: [row.viewer.personId],
      hours: 'Mon–Fri 07:00–17:00',
      yard: '50.33, −4.12',
      least: 1,
      active: true,
      basedOn: null,
    };
    expect(await perform(saveCrew, by, crew)).toMatchObject({ ok: true });
    const put = await perform(addToDay, by, { crewId, day: '2026-06-01', itemIds: planIds, anyway: true });
    if (!put.ok) throw new Error(JSON.stringify(put));
    const { crewDayId } = put.value;
    return crewDayId;
  };

  it('a record and what is left of its lot, its tree and its day: the phone shows what the server will', async () => {
    const planId = await row.planned('D1', 25);
    const other = await row.planned('D2', 25);
    const crewDayId = await onCrewDay([planId, other]);
    const [plan] = await own.owner<{ tree_id: string }[]>`select tree_id from treatment_plan where id = ${planId}`;
    const tree = (await offlineTreeView(row.viewer, plan!.tree_id, JUNE, fair))!;
    const dose = tree.sheets[0]!.plan.result.dose;
    const amount = dose.ok ? dose.product : 0;
    const input = row.booked(planId, amount);
    const shown = {
      labelKey: row.label.key,
      product: amount,
      done: [{ planId, amount, targetName: 'Leaf beetle', reEntryUntil: '2026-06-01T10:00:00.000Z', eatFrom: null }],
    };
    const begin = wrote('start-day', { crewDayId, at: '2026-06-01T07:30:00Z' } as never, JUNE);
    const done = wrote('record-treatment', input, JUNE, shown);
    const left = wrote('mark-not-done', { id: v7(), itemIds: [other], why: 'rain', words: '' } as never, JUNE);
    const waiting = [begin, done, left];
    const treeNow = withQueued(tree, waiting, row.viewer);
    const day = (await offlineDayView(row.viewer, crewDayId, JUNE, fair))!;
    const dayNow = dayWith(day, waiting, row.viewer, JUNE);
    expect((await send(waiting))!.synced.filter((l) => !l.ok)).toEqual([]);

    const treeThen = (await offlineTreeView(row.viewer, plan!.tree_id, JUNE, fair))!;
    expect(standing(treeNow)).toEqual(standing(treeThen));
    const before = tree.sheets[0]!.stock;
    const [lotNow] = stockWith(before, row.label.key, waiting).lots;
    const lotThen = treeThen.lots[row.label.key]!.find((l) => l.id === lotNow!.id)!;
    // Stock is kept to a millionth.
    expect(lotNow!.onHand).toBeCloseTo(lotThen.onHand, 5);

    const { day: dayThen } = (await offlineDayView(row.viewer, crewDayId, JUNE, fair))!;
    const ofDay = (d: typeof dayThen) => ({
      begun: d.round.begunAt?.toISOString(),
      stands: d.stops.flatMap((s) => s.items.map((i) => [i.id, i.stands])),
      next: d.nextSiteId,
      lefts: d.lefts.map((l) => [l.itemId, l.tag, l.why, l.siteName, l.day]),
      done: d.done.map((r) => [r.planId, r.tag, r.amount, r.unit, r.method, r.startedAt.toISOString(), r.eatFrom]),
      ends: d.ends,
    });
    expect(ofDay(dayNow)).toEqual(ofDay(dayThen));
    expect(ofDay(dayNow).ends).toEqual([]);
  });

  it('a mix that was made on the phone serves its trees, gives what is drawn from it, and keeps the day open until its rest has an end', async () => {
    const planId = await row.planned('D3', 30);
    const crewDayId = await onCrewDay([planId]);
    const day = (await offlineDayView(row.viewer, crewDayId, JUNE, fair))!;
    const mix: BatchRow = {
      id: v7(),
      crewDayId,
      labelId: own.o.labelId,
      labelKey: row.label.key,
      labelName: row.label.name,
      kind: 'tank',
      code: 'ABCDE',
      vessel: 'Can',
      unit: 'mL',
      product: 10,
      totalMl: 1000,
      leftMl: 1000,
      planIds: [planId],
      madeAt: JUNE,
      goodUntil: new Date('2026-06-02T00:00:00Z'),
      byName: '',
      lots: [{ id: own.o.lotId, number: 'L1', expires: '2099-01-01', amount: 10 }],
      kept: false,
    };
    // As it comes back from the phone's own store: instants as text.
    const shown = JSON.parse(JSON.stringify(mix)) as unknown;
    const make = wrote('make-batch', { id: mix.id, crewDayId } as never, JUNE, shown);
    const draw = wrote(
      'record-treatment',
      {
        id: v7(),
        planId,
        lotId: own.o.lotId,
        batchIds: [mix.id],
        startedAt: JUNE.toISOString(),
        endedAt: JUNE.toISOString(),
      } as never,
      JUNE,
      { labelKey: row.label.key, product: 4, done: [] },
    );
    const lots = [
      { id: own.o.lotId, labelKey: row.label.key, lotNumber: 'L1', expiresOn: '2099-01-01', unit: 'mL', onHand: 50 },
    ] as never;
    const stock = stockWith({ lots, mixes: [] }, row.label.key, [make, draw]);
    expect(stock.lots[0]!.onHand).toBe(40);
    expect(stock.mixes[0]!.leftMl).toBeCloseTo(600, 9);
    const end = wrote(
      'finish-batch',
      { id: v7(), batchId: mix.id, how: 'handed in', mixMl: null, words: 'To the depot.' } as never,
      JUNE,
    );
    const ends = (waiting: Shown[]) => dayWith(day, waiting, row.viewer, JUNE).ends.map((e) => e.by);
    expect(ends([make, draw])).toEqual(['batch']);
    expect(ends([make, draw, end])).toEqual([]);
    // Another product is another shelf.
    expect(stockWith({ lots, mixes: [] }, 'something-else', [make, draw])).toEqual({ lots, mixes: [] });
  });
});
