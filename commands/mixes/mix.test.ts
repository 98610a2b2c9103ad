import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { amendRecord } from '@/commands/records/amend-record';
import { NOW, ownCompany } from '@/commands/testing';
import { recordTreatments } from '@/commands/trees/record-treatments';
import { drenchRow } from '@/commands/trees/testing';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer } from '@/store/auth';
import { batchesNamed, takenFrom } from '@/store/batches';
import { recordVersions } from '@/store/records';
import { lotsOf } from '@/store/stock';
import { makeCompany } from '@/store/testing';
import { finishBatch } from './finish-batch';
import { makeBatch } from './make-batch';
import { voidBatch } from './void-batch';

const made = ownCompany();
const row = drenchRow(made);
const at = (hours = 0) => ({
  viewer: row.viewer,
  receivedAt: new Date(NOW.getTime() + hours * 3_600_000),
  station: fair,
});
const sentences = (a: { ok: boolean; issues?: { path: string; message: string }[] }) =>
  (a.issues ?? []).map((f) => `${f.path}: ${f.message}`);
const onHand = async () => (await lotsOf(row.viewer, row.label.key)).find((l) => l.id === made.o.lotId)?.onHand ?? 0;
const batchNow = async (id: string) => (await batchesNamed(row.viewer, [id]))[0]!;

/** Both sides of everything that ever moved come to nothing. */
const entries = async () =>
  (
    await made.owner<{ sum: number }[]>`
      select sum(amount)::float8 as sum from stock_entry where company_id = ${made.o.companyId}`
  )[0]!.sum;

it('product leaves its lot into the mix, trees draw from the mix, and the record says which lots were in it', async () => {
  await row.restock(200);
  const ids = [await row.planned('M1', 20), await row.planned('M2', 40)];
  const before = await onHand();
  const mix = await row.mixFor(ids, {}, 1.25);
  const answer = await perform(makeBatch, at(), mix);
  expect(answer).toMatchObject({ ok: true, value: { code: expect.stringMatching(/^[2-9A-Z]{5}$/) } });
  expect(await perform(makeBatch, at(), mix)).toEqual(answer);
  expect(await onHand()).toBeCloseTo(before - mix.product, 5);
  const input = row.sent(ids, { batchIds: [mix.id] });
  expect(await perform(recordTreatments, at(), input)).toMatchObject({ ok: true });
  // Nothing leaves the lot a second time.
  expect(await onHand()).toBeCloseTo(before - mix.product, 5);
  const now = await batchNow(mix.id);
  const records = await Promise.all(input.rows.map((r) => recordVersions(row.viewer, r.recordId)));
  const drawn = records.reduce((sum, [r]) => sum + r!.data.batches![0]!.mixMl, 0);
  expect(now.leftMl).toBeCloseTo(mix.totalMl - drawn, 4);
  expect(now.leftMl).toBeCloseTo(mix.totalMl / 5, 0);
  for (const [r] of records) {
    expect(r!.data.batches).toEqual([
      { id: mix.id, code: now.code, mixMl: expect.any(Number), lots: [{ number: 'L1', part: 1 }] },
    ]);
    expect((r!.data.batches![0]!.mixMl * mix.product) / mix.totalMl).toBeCloseTo(r!.data.amount, 5);
  }
  expect((await takenFrom(row.viewer, [mix.id])).map((t) => t.tag)).toEqual(['M1', 'M2']);
  expect(Math.abs(await entries())).toBeLessThan(1e-9);
});

it('a mix never gives more than it holds, by one row or by two at once', async () => {
  await row.restock(200);
  const ids = [await row.planned('N1', 30), await row.planned('N2', 30)];
  const mix = await row.mixFor([ids[0]!]);
  expect(await perform(makeBatch, at(), mix)).toMatchObject({ ok: true });
  const both = await perform(recordTreatments, at(), row.sent(ids, { batchIds: [mix.id] }));
  expect(sentences(both)[0]).toMatch(/^batchIds: The mix holds only/);
  expect((await batchNow(mix.id)).leftMl).toBeCloseTo(mix.totalMl, 5);
  const two = await Promise.all(
    ids.map((id) => perform(recordTreatments, at(), row.sent([id], { batchIds: [mix.id] }))),
  );
  expect(two.filter((a) => a.ok)).toHaveLength(1);
  expect((await batchNow(mix.id)).leftMl).toBeCloseTo(0, 4);
});

it('a correction gives back to the mix or draws from it, and leaves its lots alone', async () => {
  await row.restock(200);
  const id = await row.planned('K1', 30);
  const mix = await row.mixFor([id], {}, 2);
  await perform(makeBatch, at(), mix);
  const input = row.sent([id], { batchIds: [mix.id] });
  await perform(recordTreatments, at(), input);
  const [was] = await recordVersions(row.viewer, input.rows[0]!.recordId);
  const left = (await batchNow(mix.id)).leftMl;
  const held = await onHand();
  const correction = (more: object) => ({
    id: v7(),
    rootId: was!.rootId,
    amount: was!.data.amount / 2,
    lotId: made.o.lotId,
    startedAt: input.startedAt,
    endedAt: input.endedAt,
    note: '',
    mark: '',
    deviation: was!.data.deviation,
    withdrawn: false,
    reason: 'Read off the wrong mark.',
    ...more,
  });
  expect(await perform(amendRecord, at(), correction({}))).toMatchObject({ ok: true });
  const halved = (await batchNow(mix.id)).leftMl;
  expect(halved - left).toBeCloseTo(was!.data.batches![0]!.mixMl / 2, 3);
  expect(await perform(amendRecord, at(), correction({ withdrawn: true, id: v7() }))).toMatchObject({ ok: true });
  expect((await batchNow(mix.id)).leftMl).toBeCloseTo(mix.totalMl, 3);
  expect(await onHand()).toBe(held);
});

it('a mix is as strong as planned, from lots that hold it and have not expired', async () => {
  await row.restock(300);
  const id = await row.planned('S1', 30);
  const refused = async (mix: object, sentence: RegExp) => {
    const before = await onHand();
    const answer = await perform(makeBatch, at(), mix);
    expect(sentences(answer).join(' ')).toMatch(sentence);
    expect(await onHand()).toBe(before);
  };
  const good = await row.mixFor([id]);
  const twice = { product: good.product * 2, lots: [{ lotId: made.o.lotId, amount: good.product * 2 }] };
  await refused({ ...good, ...twice }, /^product: .* belongs into .*: no more, and hardly less\./);
  await refused({ ...good, lots: [{ lotId: made.o.lotId, amount: good.product / 2 }] }, /^lots: The lots give/);
  await refused({ ...good, lots: [{ lotId: v7(), amount: good.product }] }, /^lots\.0: This lot is not of the product/);
  await refused({ ...good, planIds: [v7()] }, /^planIds: A plan among them is not in this company/);
  await refused({ ...good, totalMl: Number.NaN }, /^totalMl: Say how much is mixed/);
  await refused({ ...good, madeAt: '2026-06-02T10:00:00Z' }, /^madeAt: /);
  const big = await row.mixFor([id], {}, 100);
  await refused(big, /^lots\.0: Lot L1 holds only/);
  await made.owner`update lot set expires_on = '2026-05-30' where id = ${made.o.lotId}`;
  await refused(good, /^lots\.0: Lot L1 expired on 2026-05-30: nothing is mixed from it\./);
  await made.owner`update lot set expires_on = '2099-01-01' where id = ${made.o.lotId}`;
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  const elsewhere = await perform(makeBatch, { ...at(), viewer: theirs }, good);
  expect(sentences(elsewhere)[0]).toMatch(/not in this company/);
});

it('what is left is kept while it is good, handed in or told of as spilled; nothing is poured away', async () => {
  await row.restock(200);
  const mix = await row.mixFor([await row.planned('E1', 30)]);
  await perform(makeBatch, at(), mix);
  const end = (more: object, hours = 0) =>
    perform(finishBatch, at(hours), { id: v7(), batchId: mix.id, how: 'kept', mixMl: null, words: '', ...more });
  expect(sentences(await end({ how: 'spilled' }))[0]).toMatch(/^words: Say where it went/);
  expect(sentences(await end({ how: 'drain', words: 'down it went' }))[0]).toMatch(/^how: /);
  expect(await end({})).toMatchObject({ ok: true });
  expect(await batchNow(mix.id)).toMatchObject({ kept: true, leftMl: mix.totalMl });
  // The label gives no life: it is good on its day.
  const { goodUntil } = await batchNow(mix.id);
  expect(goodUntil.toISOString()).toBe('2026-06-01T23:00:00.000Z');
  expect(sentences(await end({}, 20))[0]).toMatch(/^how: It is good no longer/);
  expect(sentences(await end({ how: 'spilled', mixMl: mix.totalMl + 1, words: 'tipped over' }))[0]).toMatch(
    /^mixMl: Only/,
  );
  expect(await end({ how: 'spilled', mixMl: 100, words: 'tipped over, taken up with sand' })).toMatchObject({
    ok: true,
  });
  expect(await end({ how: 'handed in', words: 'to the yard’s waste drum' })).toMatchObject({ ok: true });
  expect((await batchNow(mix.id)).leftMl).toBe(0);
  expect(sentences(await end({ how: 'handed in', words: 'again' }))[0]).toMatch(/Nothing is left/);
  expect(
    sentences(
      await perform(
        finishBatch,
        { ...at(), viewer: { ...row.viewer, role: 'office' } },
        { id: v7(), batchId: mix.id, how: 'kept', mixMl: null },
      ),
    )[0],
  ).toMatch(/To apply takes/);
});

it('drawn after it was good is written with its reason', async () => {
  await row.restock(200);
  const id = await row.planned('O1', 30);
  const mix = await row.mixFor([id], { madeAt: '2026-05-31T07:30:00Z' });
  expect(await perform(makeBatch, at(), mix)).toMatchObject({ ok: true });
  const answer = await perform(recordTreatments, at(), row.sent([id], { batchIds: [mix.id], deviation: '' }));
  expect(sentences(answer).join(' ')).toMatch(/was good no longer/);
  expect(await perform(recordTreatments, at(), row.sent([id], { batchIds: [mix.id] }))).toMatchObject({ ok: true });
});

it('a mix written by a slip was never made: its product is back in its lots, unless something was taken from it', async () => {
  await row.restock(200);
  const id = await row.planned('U1', 30);
  const before = await onHand();
  const slip = await row.mixFor([id]);
  await perform(makeBatch, at(), slip);
  const undo = { id: v7(), batchId: slip.id };
  expect(await perform(voidBatch, at(), undo)).toMatchObject({ ok: true });
  expect(await perform(voidBatch, at(), undo)).toMatchObject({ ok: true });
  expect(await onHand()).toBeCloseTo(before, 6);
  expect((await batchNow(slip.id)).leftMl).toBe(0);
  expect(Math.abs(await entries())).toBeLessThan(1e-9);
  expect(sentences(await perform(voidBatch, at(), { ...undo, id: v7() }))[0]).toMatch(/taken from it already/);
  const meant = await row.mixFor([id], {}, 2);
  await perform(makeBatch, at(), meant);
  await perform(recordTreatments, at(), row.sent([id], { batchIds: [meant.id] }));
  expect(sentences(await perform(voidBatch, at(), { id: v7(), batchId: meant.id }))[0]).toMatch(
    /say what becomes of the rest/,
  );
});
