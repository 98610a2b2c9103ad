import { v7 } from 'uuid';
import { doneBy, ownCompany, pathsOf } from '@/commands/testing';
import { trainingLabels } from '@/knowledge';
import {
  lastMoves,
  listEquipment,
  listLots,
  listSprayers,
  listVessels,
  shelfLabels,
  stockBalances,
  stockLevels,
} from '@/store/stock';
import { makeCompany } from '@/store/testing';
import { loadViewer } from '@/store/auth';
import { importLabel } from './import-label';
import { checkLabel } from './check-label';
import { adjustStock } from './adjust-stock';
import { deleteEquipment } from './delete-equipment';
import { deleteSprayer } from './delete-sprayer';
import { deleteVessel } from './delete-vessel';
import { saveEquipment } from './save-equipment';
import { saveSprayer } from './save-sprayer';
import { saveVessel } from './save-vessel';
import { receiveLot } from './receive-lot';
import { restoreLabel } from './restore-label';
import { retireLabel } from './retire-label';
import { setReorderLevel } from './set-reorder-level';

const made = ownCompany();
const label = trainingLabels[0]!;
const delivery = (more: object = {}) => ({
  moveId: v7(),
  lotId: v7(),
  labelKey: label.key,
  lotNumber: 'Q-77',
  expiresOn: '2028-01-31',
  amount: '2,5',
  unit: 'L',
  ...more,
});

describe('a delivery', () => {
  it('comes in once, in the product’s own unit, with its other side at the supplier', async () => {
    const sent = delivery();
    expect(await doneBy(receiveLot, made.viewer, sent)).toMatchObject({ ok: true });
    expect(await doneBy(receiveLot, made.viewer, sent)).toMatchObject({ ok: true });
    const lot = (await listLots(made.viewer)).find((l) => l.lotNumber === 'Q-77')!;
    expect([lot.onHand, lot.unit]).toEqual([2500, 'mL']);
    const sides = (await stockBalances(made.viewer)).filter((s) => s.labelKey === label.key);
    expect(sides.map((s) => s.account)).toEqual(expect.arrayContaining(['lot', 'supplier']));
    expect(sides.reduce((sum, s) => sum + Number(s.amount), 0)).toBeCloseTo(0, 9);
    expect((await lastMoves(made.viewer)).filter((m) => m.lotNumber === 'Q-77')).toHaveLength(1);
  });
  it.each([
    ['of no product', { labelKey: 'nothing' }, 'labelKey'],
    ['of nothing', { amount: '0' }, 'amount'],
    ['of not a number', { amount: 'NaN' }, 'amount'],
    ['of a liquid by weight', { unit: 'kg' }, 'unit'],
    ['past its day', { expiresOn: '2026-05-31' }, 'expiresOn'],
    ['of a day that is not there', { expiresOn: '2027-02-30' }, 'expiresOn'],
    ['without its number', { lotNumber: '  ' }, 'lotNumber'],
  ])('%s is refused beside its field, and nothing comes in', async (_, more, path) => {
    const before = await listLots(made.viewer);
    expect(pathsOf(await doneBy(receiveLot, made.viewer, delivery({ lotNumber: 'X', ...more })))).toEqual([path]);
    expect(await listLots(made.viewer)).toEqual(before);
  });
  it('of a lot that stands there with another day is refused: one of the two was misread', async () => {
    const again = delivery({ expiresOn: '2029-01-31' });
    expect(pathsOf(await doneBy(receiveLot, made.viewer, again))).toEqual(['expiresOn']);
    expect((await listLots(made.viewer)).find((l) => l.lotNumber === 'Q-77')).toMatchObject({
      onHand: 2500,
      expiresOn: '2028-01-31',
    });
  });
  it('on its last day is still good', async () =>
    expect(
      await doneBy(receiveLot, made.viewer, delivery({ lotNumber: 'Q-78', expiresOn: '2026-06-01' })),
    ).toMatchObject({
      ok: true,
    }));
});

describe('a lot that is counted', () => {
  const anew = (more: object = {}) => ({
    moveId: v7(),
    lotId: made.o.lotId,
    what: 'counted',
    counted: '80',
    unit: 'mL',
    reason: 'stocktaking',
    ...more,
  });
  const onHand = async () => (await listLots(made.viewer)).find((l) => l.id === made.o.lotId)!.onHand;
  it('stands at what was counted; what was spilled or given back goes from it, never below nothing', async () => {
    expect(await doneBy(adjustStock, made.viewer, anew())).toMatchObject({ ok: true });
    expect(await onHand()).toBe(80);
    expect(await doneBy(adjustStock, made.viewer, anew({ what: 'loss', counted: '0,02', unit: 'L' }))).toMatchObject({
      ok: true,
    });
    expect(await onHand()).toBe(60);
    expect(pathsOf(await doneBy(adjustStock, made.viewer, anew({ what: 'supplier', counted: '61' })))).toEqual([
      'counted',
    ]);
    expect(await onHand()).toBe(60);
    expect(await doneBy(adjustStock, made.viewer, anew({ counted: '100' }))).toMatchObject({ ok: true });
    expect(await onHand()).toBe(100);
  });
  it.each([
    ['without a reason', { reason: '' }, 'reason'],
    ['in the other kind of unit', { unit: 'g' }, 'unit'],
    ['below nothing', { counted: '-1' }, 'counted'],
    ['in words', { counted: 'some' }, 'counted'],
    ['of no such lot', { lotId: v7() }, ''],
  ])('%s is refused', async (_, more, path) =>
    expect(pathsOf(await doneBy(adjustStock, made.viewer, anew(more)))).toEqual([path]),
  );
});

it('what is to be ordered is told below its mark; an empty field takes the mark away', async () => {
  const warn = (below: string, unit = 'L') =>
    doneBy(setReorderLevel, made.viewer, { labelKey: label.key, below, unit });
  expect(await warn('0,5')).toMatchObject({ ok: true });
  expect(await stockLevels(made.viewer)).toEqual({ [label.key]: 500 });
  expect(pathsOf(await warn('5', 'kg'))).toEqual(['below']);
  expect(pathsOf(await warn('-1'))).toEqual(['below']);
  expect(await stockLevels(made.viewer)).toEqual({ [label.key]: 500 });
  expect(await warn('')).toMatchObject({ ok: true });
  expect(await stockLevels(made.viewer)).toEqual({});
});

describe('a vessel', () => {
  const vessel = (more: object = {}) => ({
    id: v7(),
    name: 'Syringe, blue',
    dimension: 'volume',
    capacity: '60',
    graduation: '1',
    ...more,
  });
  it('is kept with its marks, and goes again', async () => {
    const blue = vessel();
    expect(await doneBy(saveVessel, made.viewer, blue)).toMatchObject({ ok: true });
    expect(await listVessels(made.viewer)).toEqual([
      expect.objectContaining({ id: blue.id, capacity: 60, graduation: 1, reserved: true }),
    ]);
    expect(await doneBy(deleteVessel, made.viewer, { id: blue.id })).toMatchObject({ ok: true });
    expect(await listVessels(made.viewer)).toEqual([]);
  });
  it.each([
    ['for food', { name: 'Milk can' }, 'name'],
    ['of no size', { capacity: '' }, 'capacity'],
    ['whose marks are farther apart than it is large', { graduation: '80' }, 'graduation'],
    ['without marks', { graduation: '0' }, 'graduation'],
  ])('%s is refused', async (_, more, path) =>
    expect(pathsOf(await doneBy(saveVessel, made.viewer, vessel(more)))).toEqual([path]),
  );
});

describe('a sprayer', () => {
  const sprayer = (more: object = {}) => ({ id: v7(), name: 'Tank 400', holds: '400', flow: '', dead: '', ...more });
  it('counts as calibrated from the day on which its flow was measured', async () => {
    const tank = sprayer();
    expect(await doneBy(saveSprayer, made.viewer, tank)).toMatchObject({ ok: true });
    expect(await listSprayers(made.viewer)).toEqual([
      expect.objectContaining({ holdsMl: 400_000, flowMlMin: null, calibratedOn: null, deadMl: 0 }),
    ]);
    expect(await doneBy(saveSprayer, made.viewer, { ...tank, flow: '12,5', dead: '3' })).toMatchObject({ ok: true });
    expect(await listSprayers(made.viewer)).toEqual([
      expect.objectContaining({ flowMlMin: 12_500, calibratedOn: '2026-06-01', deadMl: 3000 }),
    ]);
    expect(await doneBy(deleteSprayer, made.viewer, { id: tank.id })).toMatchObject({ ok: true });
    expect(await listSprayers(made.viewer)).toEqual([]);
  });
  it.each([
    ['of no size', { holds: '0' }, 'holds'],
    ['with a flow in words', { flow: 'fast' }, 'flow'],
    ['that keeps more than half of its tank', { dead: '201' }, 'dead'],
  ])('%s is refused', async (_, more, path) =>
    expect(pathsOf(await doneBy(saveSprayer, made.viewer, sprayer(more)))).toEqual([path]),
  );
});

describe('a tool', () => {
  const bit = (more: object = {}) => ({
    id: v7(),
    kind: 'bit',
    name: 'Bit 6',
    sizeMm: '6',
    holdsMl: '',
    count: '12',
    checked: true,
    checkedOn: null,
    ...more,
  });
  it('is counted, and dated when somebody looked it over', async () => {
    const six = bit();
    expect(await doneBy(saveEquipment, made.viewer, six)).toMatchObject({ ok: true });
    expect(await listEquipment(made.viewer)).toEqual([
      expect.objectContaining({ sizeMm: 6, count: 12, checkedOn: '2026-06-01' }),
    ]);
    // Not looked over anew: the day of the last time stays.
    const again = { ...six, count: '9', checked: false, checkedOn: '2026-05-02' };
    expect(await doneBy(saveEquipment, made.viewer, again)).toMatchObject({ ok: true });
    expect(await listEquipment(made.viewer)).toEqual([expect.objectContaining({ count: 9, checkedOn: '2026-05-02' })]);
    expect(await doneBy(deleteEquipment, made.viewer, { id: six.id })).toMatchObject({ ok: true });
    expect(await listEquipment(made.viewer)).toEqual([]);
  });
  it.each([
    ['a bit without its size', { sizeMm: '' }, 'sizeMm'],
    ['half a tool', { count: '1.5' }, 'count'],
    ['fewer than none', { count: '-1' }, 'count'],
    ['one without a name', { name: '' }, 'name'],
  ])('%s is refused', async (_, more, path) =>
    expect(pathsOf(await doneBy(saveEquipment, made.viewer, bit(more)))).toEqual([path]),
  );
});

describe('a label', () => {
  const bring = (x: unknown) =>
    doneBy(importLabel, made.viewer, { text: typeof x === 'string' ? x : JSON.stringify(x) });
  const soap = trainingLabels.find((l) => l.key === 'training-08-soap')!;
  const held = async () => (await shelfLabels(made.viewer)).find((l) => l.key === soap.key);
  it('comes in as the next version of its key; what says the same is that version, with its check', async () => {
    expect(await bring(soap)).toMatchObject({ ok: true, value: { name: soap.name, version: 1 } });
    const first = (await held())!;
    expect(await doneBy(checkLabel, made.viewer, { labelId: first.id })).toMatchObject({ ok: true });
    expect(await bring({ ...soap, version: 12 })).toMatchObject({ ok: true, value: { version: 1 } });
    expect(await held()).toMatchObject({ version: 1, checkedBy: 'Tester' });
    // Another rule is another label: nobody has held it against the one in hand.
    expect(await bring({ ...soap, restricted: !soap.restricted })).toMatchObject({ ok: true, value: { version: 2 } });
    expect(await held()).toMatchObject({ version: 2, checkedOn: null });
  });
  it.each([
    ['no JSON', '{', /not JSON/],
    ['a list', '[]', /^The file/],
    ['a use without its rate', { ...soap, uses: soap.uses.map((u) => ({ ...u, rate: undefined })) }, /^uses\.0\.rate/],
    ['a word that no label has', { ...soap, colour: 'green' }, /colour|The file/],
  ])('%s is refused with its place, and the shelf stays', async (_, x, sentence) => {
    const before = await held();
    const answer = await bring(x);
    expect(answer.ok ? '' : answer.issues[0]!.message).toMatch(sentence);
    expect(await held()).toEqual(before);
  });
  it('that is not on one’s own shelf is not signed', async () => {
    const other = (await loadViewer(await makeCompany(made.owner)))!;
    expect(await doneBy(checkLabel, other, { labelId: (await held())!.id })).toMatchObject({ ok: false });
  });
});

it('nothing on a shelf can be taken away by another company', async () => {
  const mine = { id: v7(), name: 'Jug', dimension: 'volume', capacity: '1000', graduation: '50' };
  await doneBy(saveVessel, made.viewer, mine);
  const other = (await loadViewer(await makeCompany(made.owner)))!;
  await doneBy(deleteVessel, other, { id: mine.id });
  expect((await listVessels(made.viewer)).map((v) => v.id)).toContain(mine.id);
  // A lot that names another's is its own, or is refused: it never moves what stands there.
  await doneBy(receiveLot, other, delivery({ lotId: made.o.lotId })).catch(() => null);
  expect((await listLots(made.viewer)).find((l) => l.id === made.o.lotId)!.onHand).toBe(100);
});

describe('a label off the shelf', () => {
  const onShelf = async (key: string) => (await shelfLabels(made.viewer)).some((l) => l.key === key);
  const oil = trainingLabels.find((l) => l.key === 'training-22-dormant-oil')!;
  it('is not prescribed by, and comes back as it was or is entered again', async () => {
    const entered = { text: JSON.stringify(oil) };
    expect(await doneBy(importLabel, made.viewer, entered)).toMatchObject({ ok: true });
    for (const back of [
      () => doneBy(restoreLabel, made.viewer, { labelKey: oil.key }),
      () => doneBy(importLabel, made.viewer, entered),
    ]) {
      expect(await doneBy(retireLabel, made.viewer, { labelKey: oil.key })).toMatchObject({ ok: true });
      expect(await onShelf(oil.key)).toBe(false);
      expect(await back()).toMatchObject({ ok: true });
      expect(await onShelf(oil.key)).toBe(true);
    }
  });
  it('stays while something of it is in stock', async () => {
    expect(await doneBy(receiveLot, made.viewer, delivery({ lotNumber: 'Q-90', labelKey: oil.key }))).toMatchObject({
      ok: true,
    });
    const refused = await doneBy(retireLabel, made.viewer, { labelKey: oil.key });
    expect(refused).toMatchObject({ ok: false, issues: [{ message: expect.stringContaining('Q-90') }] });
    expect(await onShelf(oil.key)).toBe(true);
  });
});
