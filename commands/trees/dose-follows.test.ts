import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { makeBatch } from '@/commands/mixes/make-batch';
import { NOW, ownCompany } from '@/commands/testing';
import { dose } from '@/core/dose/dose';
import { fair } from '@/stand-ins/weather/fair';
import { mixView } from '@/views/mix';
import { scheduleView } from '@/views/jobs';
import { rowView } from '@/views/row';
import { recordTreatment } from './record-treatment';
import { recordTreatments } from './record-treatments';
import { drenchRow } from './testing';

const made = ownCompany();
const row = drenchRow(made);
const by = () => ({ viewer: row.viewer, receivedAt: NOW, station: fair });
const productAt = (diameterCm: number) => {
  const worked = dose({
    label: row.label,
    useKey: 'drench',
    diameters: [diameterCm],
    vessels: [],
    siteAreaM2: 60_000,
  });
  if (!worked.ok) throw new Error('no dose');
  return worked.product;
};
const KEPT = 'Half the root zone is paved; agreed with the client.';

/** The trunk of a planned tree is measured again, thinner or thicker than it was when it was planned. */
const measured = async (planId: string, diameterCm: number) => {
  const { owner, o } = made;
  const [plan] = await owner<{ tree: string }[]>`select tree_id as tree from treatment_plan where id = ${planId}`;
  await owner`
    insert into measurement (id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m, method)
    values (${v7()}, ${o.companyId}, ${plan!.tree}, '2026-06-01T07:00:00Z', ${o.personId}, ${diameterCm}, 130,
      ${owner.json([{ kind: 'diameter', typed: { value: diameterCm, unit: 'cm' } }])}, 15, 'tape')`;
};
const recordOf = async (planId: string) =>
  (await made.owner<{ data: Record<string, unknown> }[]>`select data from record where plan_id = ${planId}`)[0]?.data;
const atBasis = (answer: unknown) =>
  expect(answer).toMatchObject({ ok: false, issues: [{ path: 'basis', message: expect.stringMatching(/→/) }] });

it('a tree that was measured again is not booked by the old girth until somebody says which dose was used', async () => {
  await row.restock(500);
  const planId = await row.planned('N1', 40);
  await measured(planId, 20);
  atBasis(await perform(recordTreatment, by(), row.booked(planId, productAt(40))));
  expect(await recordOf(planId)).toBeUndefined();
  const newest = row.booked(planId, productAt(20), { basis: 'newest' });
  expect(await perform(recordTreatment, by(), newest)).toMatchObject({ ok: true });
  expect(await recordOf(planId)).toMatchObject({
    planned: expect.closeTo(productAt(40), 6),
    amount: expect.closeTo(productAt(20), 6),
    tree: { diameterCm: 20 },
    doseChange: { followed: 'newest', newest: expect.closeTo(productAt(20), 6) },
  });
});

it('the planned dose is kept with a reason alone, and the record holds what was read and why', async () => {
  await row.restock(500);
  const planId = await row.planned('N2', 40);
  await measured(planId, 20);
  const kept = { basis: 'planned', deviation: '' };
  expect(await perform(recordTreatment, by(), row.booked(planId, productAt(40), kept))).toMatchObject({
    ok: false,
    issues: [{ path: 'deviation', message: expect.stringMatching(/planned dose was kept/i) }],
  });
  const why = row.booked(planId, productAt(40), { ...kept, deviation: KEPT });
  expect(await perform(recordTreatment, by(), why)).toMatchObject({ ok: true });
  expect(await recordOf(planId)).toMatchObject({
    amount: expect.closeTo(productAt(40), 6),
    deviation: expect.stringContaining(KEPT),
    doseChange: { followed: 'planned', newestGirthCm: expect.closeTo(20 * Math.PI, 6) },
  });
});

it('a row asks tree by tree: the changed one is named, the others go as planned', async () => {
  await row.restock(500);
  const [same, changed] = [await row.planned('N3', 30), await row.planned('N4', 40)];
  await measured(changed, 25);
  const input = row.sent([same, changed]);
  const refused = await perform(recordTreatments, by(), input);
  expect(refused).toMatchObject({ ok: false, issues: [{ path: 'basis', message: expect.stringMatching(/^N4: /) }] });
  expect(await recordOf(same)).toBeUndefined();
  const answered = {
    ...input,
    id: v7(),
    rows: input.rows.map((r) => ({ ...r, ...(r.planId === changed ? { basis: 'newest' } : {}) })),
  };
  expect(await perform(recordTreatments, by(), answered)).toMatchObject({ ok: true });
  expect(await recordOf(same)).toMatchObject({ amount: expect.closeTo(productAt(30), 6) });
  expect(await recordOf(changed)).toMatchObject({ amount: expect.closeTo(productAt(25), 6), tree: { diameterCm: 25 } });
});

it('the mix that is proposed is as much as the newest trunks ask, and is taken by its own book', async () => {
  await row.restock(500);
  const ids = [await row.planned('N5', 30), await row.planned('N6', 40)];
  await measured(ids[1]!, 20);
  const view = (await mixView(row.viewer, ids[0]!, null, NOW))!;
  const of = view.trees.filter((t) => ids.includes(t.planId));
  expect(of).toHaveLength(2);
  const mixMl = view.trees.reduce((a, t) => a + t.mixMl, 0);
  expect(view.recipe.mixMl).toBeCloseTo(mixMl, 6);
  expect(view.recipe.mixMl * view.recipe.strength).toBeLessThan(productAt(30) + productAt(40));
  const planIds = view.trees.map((t) => t.planId);
  const product = Number((view.recipe.mixMl * view.recipe.strength).toFixed(6));
  const batch = {
    id: v7(),
    crewDayId: null,
    planIds,
    vessel: 'Blue can',
    totalMl: view.recipe.mixMl,
    product,
    lots: [{ lotId: made.o.lotId, amount: product }],
    madeAt: '2026-06-01T07:30:00Z',
  };
  expect(await perform(makeBatch, by(), batch)).toMatchObject({ ok: true });
  // Whatever the order of the rows, and for one of them alone.
  const rows = row.sent([...ids].reverse(), { batchIds: [batch.id] });
  const answered = rows.rows.map((r) => (r.planId === ids[1] ? { ...r, basis: 'newest' } : r));
  expect(await perform(recordTreatments, by(), { ...rows, rows: answered })).toMatchObject({ ok: true });
  expect(await rowView(row.viewer, ids[0]!, NOW)).toBeNull();
});

it('what is loaded is what the newest trunks ask, and a tree that was not measured since stands as planned', async () => {
  const [same, changed] = [await row.planned('N7', 30), await row.planned('N8', 40)];
  await measured(changed, 20);
  const { plans } = await scheduleView(row.viewer, NOW, made.o.siteId);
  const of = (id: string) => plans.find((p) => p.id === id)!;
  expect([of(same).remeasured, of(changed).remeasured]).toEqual([false, true]);
  expect(of(same).product).toBeCloseTo(productAt(30), 6);
  expect(of(changed).product).toBeCloseTo(productAt(20), 6);
  expect(of(changed).girthCm).toBeCloseTo(20 * Math.PI, 6);
});
