import { v7 } from 'uuid';
import type { Equipment } from '@/core/work/load-out';
import { trainingLabels } from '@/knowledge';
import { db, type Sql } from './db';
import {
  addLabel,
  addVessel,
  insertLabelCheck,
  countLot,
  listEquipment,
  removeEquipment,
  upsertEquipment,
  setStockLevel,
  stockBalances,
  stockLevels,
  takeOut,
  lastMoves,
  listLots,
  listVessels,
  lotsOf,
  receive,
  removeVessel,
  shelfLabels,
} from './stock';
import { makeCompany, ownerSql, type TestCompany } from './testing';

let owner: Sql;
let o: TestCompany;
beforeAll(() => (owner = ownerSql()));
beforeEach(async () => (o = await makeCompany(owner)));
afterAll(async () => {
  await owner.end();
  await db().end();
});

describe('the shelf', () => {
  const delivery = () => ({
    moveId: v7(),
    lotId: v7(),
    labelKey: 'training-01-drench',
    lotNumber: 'L1',
    expiresOn: '2099-01-01',
    unit: 'mL' as const,
    amount: 50,
    reason: 'delivery',
  });
  const loss = (amount: number) => ({ moveId: v7(), amount, against: 'loss' as const, reason: 'spilt' });
  it('a label brought in again is its next version; a check belongs to one version', async () => {
    const [first] = trainingLabels;
    // The same again is the same version; what says anything else is the next.
    expect(await addLabel(o, v7(), first!)).toBe(1);
    expect(await addLabel(o, v7(), { ...first!, signalWord: 'Danger' })).toBe(2);
    expect(await addLabel(o, v7(), { ...first!, signalWord: 'Danger', version: 9 })).toBe(2);
    const [held] = await shelfLabels(o);
    expect(held).toMatchObject({ version: 2, label: { version: 2 }, checkedOn: null });
    await insertLabelCheck(o, held!.id);
    expect((await shelfLabels(o))[0]!.checkedBy).toBe('Tester');
    expect((await insertLabelCheck(o, v7())).count).toBe(0);
  });
  it('what stands in a version is kept for later readers, of its own company alone, and cannot be changed by them', async () => {
    const [first] = trainingLabels;
    await addLabel(o, v7(), first!);
    const [held] = await shelfLabels(o);
    expect((await shelfLabels(o))[0]!.label).toBe(held!.label);
    expect(() => held!.label.actives.push(held!.label.actives[0]!)).toThrow(TypeError);
    expect(() => (held!.label.uses[0]!.intervals.reEntryHours = 0)).toThrow(TypeError);
    const other = await makeCompany(owner);
    expect((await shelfLabels(other)).map((l) => l.id)).not.toContain(held!.id);
    // A newer version has an id of its own, and is read.
    await addLabel(o, v7(), { ...first!, signalWord: 'Danger' });
    expect((await shelfLabels(o))[0]!.label).toMatchObject({ version: 2, signalWord: 'Danger' });
  });
  it('a delivery adds to its lot once, a count puts the balance right, an empty lot is not offered', async () => {
    const d = delivery();
    await receive(o, d);
    await receive(o, d);
    expect((await listLots(o))[0]!.onHand).toBe(150);
    await countLot(o, { moveId: v7(), lotId: o.lotId, counted: 0, reason: 'spilt' });
    expect(await lotsOf(o, 'training-01-drench')).toEqual([]);
    await expect(takeOut(o, { ...loss(1), lotId: o.lotId })).rejects.toMatchObject({ code: '23514' });
    expect((await lastMoves(o)).map((m) => m.amount)).toEqual([-150, 50, 100]);
    await countLot(o, { moveId: v7(), lotId: o.lotId, counted: 0, reason: 'again' });
    expect(await lastMoves(o)).toHaveLength(3);
  });
  it('every move has two sides: lots and the accounts against them add up to nothing, and a loss only takes', async () => {
    await receive(o, delivery());
    await countLot(o, { moveId: v7(), lotId: o.lotId, counted: 140, reason: 'shelf count' });
    await takeOut(o, { ...loss(30), lotId: o.lotId });
    await takeOut(o, { ...loss(20), lotId: o.lotId, against: 'supplier', reason: 'wrong product' });
    const sides = await stockBalances(o);
    expect(Object.fromEntries(sides.map((s) => [s.account, s.amount]))).toEqual({
      lot: 90,
      supplier: -130,
      count: 10,
      loss: 30,
    });
    expect(sides.reduce((a, s) => a + s.amount, 0)).toBe(0);
    await expect(takeOut(o, { ...loss(-5), lotId: o.lotId })).rejects.toMatchObject({ code: '23514' });
  });
  it('a level for ordering is set and taken away; equipment is kept by its kind, a bit by its size', async () => {
    await setStockLevel(o, 'training-01-drench', 500);
    await setStockLevel(o, 'training-01-drench', 400);
    expect(await stockLevels(o)).toEqual({ 'training-01-drench': 400 });
    await setStockLevel(o, 'training-01-drench', null);
    expect(await stockLevels(o)).toEqual({});
    const bit: Equipment = { id: v7(), kind: 'bit', name: 'bit', sizeMm: 6, holdsMl: null, count: 2, checkedOn: null };
    await upsertEquipment(o, bit);
    await upsertEquipment(o, { ...bit, count: 1, checkedOn: '2026-05-01' });
    expect(await listEquipment(o)).toEqual([{ ...bit, count: 1, checkedOn: '2026-05-01' }]);
    await expect(upsertEquipment(o, { ...bit, id: v7(), sizeMm: null })).rejects.toMatchObject({ code: '23514' });
    await expect(upsertEquipment(o, { ...bit, id: v7(), count: -1 })).rejects.toMatchObject({ code: '23514' });
    await removeEquipment(o, bit.id);
    expect(await listEquipment(o)).toEqual([]);
  });
  it('vessels come and go; a mark wider than the vessel is refused', async () => {
    const jug = { id: v7(), name: 'jug', dimension: 'volume' as const, capacity: 500, graduation: 10 };
    await addVessel(o, jug);
    expect(await listVessels(o)).toEqual([{ ...jug, reserved: true }]);
    await expect(addVessel(o, { ...jug, id: v7(), graduation: 600 })).rejects.toMatchObject({ code: '23514' });
    await removeVessel(o, jug.id);
    expect(await listVessels(o)).toEqual([]);
  });
});
