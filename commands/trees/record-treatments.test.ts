import { rowGatesOf } from '@/facts/at-the-tree';
import { rowContexts } from '@/facts/recording';
import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { NOW, ownCompany } from '@/commands/testing';
import { trainingLabels } from '@/knowledge';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { getPlans, openPlans } from '@/store/plans';
import { lotsOf } from '@/store/stock';
import { makeCompany } from '@/store/testing';
import { rowView } from '@/views/row';
import { recordTreatments } from './record-treatments';
import { AIR, drenchRow } from './testing';

const made = ownCompany();
const row = drenchRow(made);
const planned = (tag: string, diameterCm: number) => row.planned(tag, diameterCm);
const sent = (planIds: readonly string[], more: object = {}) => row.sent(planIds, more);
const write = (input: object, who = row.viewer) =>
  perform(recordTreatments, { viewer: who, receivedAt: NOW, station: fair }, input);
const waiting = async () => (await openPlans(row.viewer, 1000)).map((p) => p.id);
const onHand = async () => (await lotsOf(row.viewer, trainingLabels[0]!.key))[0]!.onHand;
interface Kept {
  plan_id: string;
  amount: number;
  planned: number;
  started_at: Date;
  ended_at: Date;
}
const kept = (planIds: readonly string[]) => made.owner<Kept[]>`
  select plan_id, (data->>'amount')::float8 as amount, (data->>'planned')::float8 as planned, started_at, ended_at
  from record
  where company_id = ${made.o.companyId} and plan_id = any(${[...planIds]})
  order by started_at`;
const total = (rows: readonly Kept[]) => rows.reduce((a, r) => a + r.amount, 0);
it('a record each, from one lot, one after another in their order; sent twice they are written once', async () => {
  const ids = [await planned('A1', 20), await planned('A2', 40), await planned('A3', 30)];
  expect((await rowView(row.viewer, ids[1]!, NOW))!.trees.map((t) => t.tag)).toEqual(['A1', 'A2', 'A3']);
  const before = await onHand();
  const input = sent(ids);
  const answer = { ok: true, value: { recordIds: input.rows.map((r) => r.recordId) } };
  expect(await write(input)).toEqual(answer);
  expect(await write(input)).toEqual(answer);
  const rows = await kept(ids);
  expect(rows.map((r) => r.plan_id)).toEqual(ids);
  expect(rows.map((r) => r.amount)).toEqual(rows.map((r) => r.planned));
  expect(before - (await onHand())).toBeCloseTo(total(rows), 6);
  expect(rows[0]!.started_at.toISOString()).toBe('2026-06-01T08:00:00.000Z');
  expect(rows.map((r) => r.ended_at)).toEqual([rows[1]!.started_at, rows[2]!.started_at, rows[2]!.ended_at]);
  expect(rows[2]!.ended_at.toISOString()).toBe('2026-06-01T09:00:00.000Z');
  expect((await waiting()).filter((id) => ids.includes(id))).toEqual([]);
  expect(await rowView(row.viewer, ids[0]!, NOW)).toBeNull();
  expect(await write({ ...input, note: 'other' })).toMatchObject({ ok: false, issues: [{ path: 'id' }] });
});

it('less than was planned is shared by what was planned, with its reason', async () => {
  await row.restock(100);
  const ids = [await planned('B1', 20), await planned('B2', 40)];
  const used = 10;
  expect(await write(sent(ids, { total: used, deviation: '' }))).toMatchObject({
    ok: false,
    issues: [{ path: 'deviation', message: expect.stringMatching(/^B1–B2: /) }],
  });
  expect(await kept(ids)).toEqual([]);
  expect(await write(sent(ids, { total: used }))).toMatchObject({ ok: true });
  const [a, b] = await kept(ids);
  expect(a!.amount + b!.amount).toBeCloseTo(used, 9);
  expect(b!.amount / a!.amount).toBeCloseTo(b!.planned / a!.planned, 9);
});

it('one that does not go stops all of them, and nothing is half-written', async () => {
  await row.restock(100);
  const ids = [await planned('C1', 20), await planned('C2', 30)];
  const before = await onHand();
  const none = async (input: object, path: string, who = row.viewer) => {
    expect(await write(input, who)).toMatchObject({ ok: false, issues: [expect.objectContaining({ path })] });
    expect(await kept(ids)).toEqual([]);
    expect(await onHand()).toBe(before);
  };
  await none(sent([...ids, v7()]), 'rows');
  await none(sent([ids[0]!, ids[0]!]), 'rows');
  await none(sent(ids, { total: 5000 }), 'lotId');
  await none(sent(ids, { lotId: v7() }), 'lotId');
  await none(sent(ids, { endedAt: '2026-06-01T07:00:00Z' }), 'endedAt');
  await none(sent(ids, { total: 0 }), 'total');
  await none(sent([]), 'rows');
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  await none(sent(ids), 'rows', theirs);
  expect(await write(sent(ids), { ...row.viewer, role: 'office' })).toMatchObject({ ok: false });
  // Dropped meanwhile by somebody else: none of the others is written either.
  await made.owner`update treatment_plan set state = 'dropped' where id = ${ids[1]!}`;
  await none(sent(ids), 'planId');
});

it('what stands against it is told once, with the trees at which it stands', async () => {
  const ids = [await planned('G1', 20), await planned('G2', 30)];
  const at = (more: object = {}) => ({
    weather: AIR,
    soil: 'moist' as const,
    leaf: 'full' as const,
    intakeMmH: null,
    said: {},
    startedAt: '2026-06-01T08:00:00Z',
    ...more,
  });
  const gatesFor = async (who: Viewer, said: ReturnType<typeof at>) =>
    rowGatesOf(await rowContexts(who, NOW, await getPlans(who, ids)), said);
  const asked = await gatesFor(row.viewer, at());
  const edibles = asked.filter((g) => g.gate.asks === 'edibles');
  expect(edibles.map((g) => [...g.planIds].sort())).toEqual([[...ids].sort()]);
  const said = await gatesFor(row.viewer, at({ said: { edibles: 'nothing' } }));
  expect(said.some((g) => g.gate.asks === 'edibles')).toBe(false);
  const frozen = await gatesFor(row.viewer, at({ soil: 'frozen' }));
  expect(frozen.some((g) => g.gate.strength === 'stop' && g.gate.state === 'tripped' && g.planIds.length === 2)).toBe(
    true,
  );
  const theirs = (await loadViewer(await makeCompany(made.owner)))!;
  expect(await gatesFor(theirs, at())).toEqual([]);
});

it('who worked together stands in every record; somebody of another company is refused, and nothing is written', async () => {
  const ids = [await planned('W1', 20), await planned('W2', 24)];
  await row.restock(100);
  const [hand, stranger] = [v7(), (await makeCompany(made.owner)).personId];
  await made.owner`
    insert into person (id, company_id, name, email, role, password_hash, licence_number, licence_categories,
      licence_expires)
    values (${hand}, ${made.o.companyId}, 'Idris', ${`${hand}@hands.example`}, 'technician', 'x', 'L-77', ${['ornamental']}, '2028-01-01')`;
  expect(await write(sent(ids, { withIds: [stranger] }))).toMatchObject({
    ok: false,
    issues: [{ path: 'withIds', message: expect.stringContaining('Somebody named beside you') }],
  });
  expect(await kept(ids)).toEqual([]);
  const input = sent(ids, { withIds: [hand, made.o.personId, hand] });
  expect(await write(input)).toMatchObject({ ok: true });
  const besides = await made.owner<{ beside: unknown }[]>`
    select data->'beside' as beside from record where company_id = ${made.o.companyId} and plan_id = any(${ids})`;
  const told = [{ id: hand, name: 'Idris', licence: 'L-77', categories: ['ornamental'], licenceExpires: '2028-01-01' }];
  expect(besides.map((b) => b.beside)).toEqual([told, told]);
});
