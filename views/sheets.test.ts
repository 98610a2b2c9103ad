import { perform } from '@/commands/command';
import { makeBatch } from '@/commands/mixes/make-batch';
import { NOW, ownCompany } from '@/commands/testing';
import { recordTreatments } from '@/commands/trees/record-treatments';
import { drenchRow } from '@/commands/trees/testing';
import { fair } from '@/stand-ins/weather/fair';
import { getPlans } from '@/store/plans';
import { counted, listenToStatements } from '@/store/testing';
import { recordView } from './records';
import { offlineTreeView } from './offline';
import { batchView, mixView } from './mix';
import { rowView } from './row';
import { applyView } from './tree';

listenToStatements();
const made = ownCompany();
const row = drenchRow(made);
const here = () => ({ viewer: row.viewer, receivedAt: NOW, station: fair });
const read = async <T>(view: () => Promise<T | null>): Promise<{ seen: T; statements: number }> => {
  let seen: T | null = null;
  const { statements } = await counted(async () => (seen = await view()));
  if (!seen) throw new Error('nothing was read');
  return { seen, statements };
};
const treeOfPlan = async (id: string) => (await getPlans(row.viewer, [id]))[0]!.treeId;

it('a sheet that can be carried out, its row, its mix and its record stay within what a page may ask', async () => {
  const { o } = made;
  await row.restock(400);
  const [first, second] = [await row.planned('A1', 20), await row.planned('A2', 30)];
  const treeId = await treeOfPlan(first);

  const sheet = await read(() => applyView(row.viewer, treeId, NOW, fair, first));
  expect(sheet.seen.sheet).toMatchObject({ plan: { id: first }, arrival: { code: '1234' }, hands: [], installed: [] });
  expect(sheet.seen.sheet!.stock.lots.map((l) => l.id)).toEqual([o.lotId]);
  expect(sheet.statements).toBeLessThanOrEqual(8);

  const [whole, mix] = [
    await read(() => rowView(row.viewer, first, NOW)),
    await read(() => mixView(row.viewer, first, null, NOW)),
  ];
  expect(whole.seen.trees.map((t) => t.tag)).toEqual(['A1', 'A2']);
  expect(whole.statements).toBeLessThanOrEqual(10);
  expect(mix.statements).toBeLessThanOrEqual(9);

  const batch = await row.mixFor([first, second]);
  expect(await perform(makeBatch, here(), batch)).toMatchObject({ ok: true });
  const input = row.sent([first, second], { batchIds: [batch.id] });
  const held = await read(() => offlineTreeView(row.viewer, treeId, NOW, fair));
  expect(held.seen.sheets).toMatchObject([{ plan: { id: first }, stock: { lots: [{}], mixes: [{ id: batch.id }] } }]);
  expect(await perform(recordTreatments, here(), input)).toMatchObject({ ok: true });

  const taken = await read(() => batchView(row.viewer, batch.id));
  expect(taken.seen.taken.map((t) => t.tag)).toEqual(['A1', 'A2']);
  expect(taken.statements).toBeLessThanOrEqual(4);
  const record = await read(() => recordView(row.viewer, input.rows[0]!.recordId, NOW));
  expect(record.statements).toBeLessThanOrEqual(8);

  // A plan that waits costs a phone that takes its tree along not one statement more.
  const none = await read(() => offlineTreeView(row.viewer, treeId, NOW, fair));
  expect(none.seen.sheets).toEqual([]);
  expect(none.statements).toBe(held.statements);
});
