import { v7 } from 'uuid';
import { perform, type AnyCommand } from '@/commands/command';
import { doneBy, NOW, ownCompany } from '@/commands/testing';
import { recordTreatment } from '@/commands/trees/record-treatment';
import { drenchRow } from '@/commands/trees/testing';
import { fair } from '@/stand-ins/weather/fair';
import { recordVersions } from '@/store/records';
import { getPlan, openPlans } from '@/store/plans';
import { lotsOf } from '@/store/stock';
import { amendRecord } from './amend-record';

const made = ownCompany();
const row = drenchRow(made);
const said = (verb: AnyCommand, input: unknown) =>
  perform(verb, { viewer: row.viewer, receivedAt: NOW, station: fair }, input);
const onHand = async () => (await lotsOf(row.viewer, row.label.key)).find((l) => l.id === made.o.lotId)!.onHand;
beforeAll(() => row.restock(1000));

/** A treatment as planned, in the book. */
async function booked(tag: string) {
  const planId = await row.planned(tag, 30);
  const dose = (await getPlan(row.viewer, planId))!.result.dose;
  if (!dose.ok) throw new Error('no dose');
  const input = row.booked(planId, dose.product);
  expect(await said(recordTreatment, input)).toMatchObject({ ok: true });
  const correction = (more: object = {}) => ({
    id: v7(),
    rootId: input.id,
    amount: dose.product,
    lotId: made.o.lotId,
    startedAt: input.startedAt,
    endedAt: input.endedAt,
    note: '',
    mark: '',
    deviation: '',
    withdrawn: false,
    reason: 'Written on the wrong tree.',
    ...more,
  });
  return { planId, input, product: dose.product, correction };
}
const stateOf = async (planId: string) => (await getPlan(row.viewer, planId))!.state;

it('withdrawn it was never done: its stock is back, and its plan waits again; restored, it is done', async () => {
  const before = await onHand();
  const { planId, product, correction } = await booked('C1');
  expect(await stateOf(planId)).toBe('done');
  expect(await said(amendRecord, correction({ withdrawn: true }))).toMatchObject({ ok: true });
  expect(await stateOf(planId)).toBe('open');
  expect((await openPlans(row.viewer)).map((p) => p.id)).toContain(planId);
  expect(await onHand()).toBeCloseTo(before, 6);
  expect(await said(amendRecord, correction())).toMatchObject({ ok: true });
  expect(await stateOf(planId)).toBe('done');
  expect(await onHand()).toBeCloseTo(before - product, 6);
});

it('withdrawn and written anew by its plan, the first is not restored: the tree has it once', async () => {
  const { planId, input, product, correction } = await booked('C2');
  await said(amendRecord, correction({ withdrawn: true }));
  const again = row.booked(planId, product);
  expect(await said(recordTreatment, again)).toMatchObject({ ok: true });
  expect(await said(amendRecord, correction())).toMatchObject({ ok: false, issues: [{ path: 'withdrawn' }] });
  expect((await recordVersions(row.viewer, input.id))[0]).toMatchObject({ withdrawn: true });
  expect(await stateOf(planId)).toBe('done');
});

it('where the same product was planned anew meanwhile, the old plan does not wait beside it', async () => {
  const { planId, correction } = await booked('C3');
  const plan = (await getPlan(row.viewer, planId))!;
  await made.owner`
    insert into treatment_plan (id, company_id, tree_id, label_id, use_key, condition_id, facts, document, result, result_us, by_person)
    select ${v7()}, company_id, tree_id, label_id, use_key, condition_id, facts, document, result, result_us, by_person
    from treatment_plan where id = ${planId}`;
  await said(amendRecord, correction({ withdrawn: true }));
  expect(await stateOf(planId)).toBe('done');
  expect((await openPlans(row.viewer)).filter((p) => p.treeId === plan.treeId)).toHaveLength(1);
});

it('the amount carries its mix, water, strength and active with it', async () => {
  const { input, product, correction } = await booked('C4');
  const [was] = await recordVersions(row.viewer, input.id);
  expect(await said(amendRecord, correction({ amount: product / 2 }))).toMatchObject({ ok: true });
  const [is] = await recordVersions(row.viewer, input.id);
  expect(is!.data.mixMl).toBeCloseTo(was!.data.mixMl! / 2, 6);
  expect(is!.data.waterMl).toBeCloseTo(was!.data.waterMl! / 2, 6);
  expect(is!.data.actives[0]!.grams).toBeCloseTo(was!.data.actives[0]!.grams / 2, 9);
  const strength = (words: string) => /\((.*%)\)/.exec(words)![1];
  expect(strength(is!.data.concentration)).toBe(strength(was!.data.concentration));
  expect(is!.data.concentration).not.toBe(was!.data.concentration);
});

it('nobody without the right corrects', async () => {
  const { correction } = await booked('C5');
  expect(await doneBy(amendRecord, { ...row.viewer, role: 'technician' }, correction())).toMatchObject({ ok: false });
});
