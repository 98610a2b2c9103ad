import type { Instant } from '@/lib/calendar/zone';
import type { BatchEnd, BatchKind } from '@/core/mix/batch';
import type { Label } from '@/core/label/schema';
import { asList, within, type Scope, type Tx } from './db';
import { lotsHeld, type Lot } from './stock';

/** A lot that went into a mix, and how much of it. */
export interface BatchLot {
  id: string;
  number: string;
  expires: string;
  amount: number;
}
/** What was taken out of a mix: by whom, for which record, or to what end. */
export interface BatchTaken {
  batchId: string;
  recordRoot: string | null;
  tag: string | null;
  siteName: string | null;
  ended: BatchEnd | 'never made' | null;
  mixMl: number;
  words: string;
  at: Instant;
  byName: string;
}
export interface BatchRow {
  id: string;
  crewDayId: string | null;
  labelId: string;
  labelKey: string;
  labelName: string;
  kind: BatchKind;
  code: string;
  vessel: string;
  unit: 'mL' | 'g';
  product: number;
  totalMl: number;
  leftMl: number;
  planIds: string[];
  madeAt: Date;
  goodUntil: Date;
  byName: string;
  lots: BatchLot[];
  /** Somebody has said that the rest is kept. */
  kept: boolean;
}
const mixes = (tx: Tx, scope: Scope, of: ReturnType<Tx>) => tx`
  select b.id, b.crew_day_id as "crewDayId", b.label_id as "labelId", b.label_key as "labelKey",
    l.data->>'name' as "labelName",
    b.kind, b.code, b.vessel, b.unit, b.product::float8, b.total_ml::float8 as "totalMl",
    b.left_ml::float8 as "leftMl", b.plan_ids as "planIds", b.made_at as "madeAt", b.good_until as "goodUntil",
    p.name as "byName",
    (select jsonb_agg(jsonb_build_object('id', t.id, 'number', t.lot_number, 'expires', t.expires_on, 'amount', x.amount)
      order by x.amount desc, t.lot_number)
     from batch_lot x
     join lot t on t.company_id = x.company_id and t.id = x.lot_id
     where x.company_id = b.company_id and x.batch_id = b.id) as lots,
    exists (
      select from batch_draw k
      where k.company_id = b.company_id and k.batch_id = b.id and k.ended = 'kept') as kept
  from batch b
  join label l on l.company_id = b.company_id and l.id = b.label_id
  join person p on p.company_id = b.company_id and p.id = b.by_person
  where b.company_id = ${scope.companyId} and ${of}
  order by b.made_at, b.id
  limit 200`;
const rows = (tx: Tx, scope: Scope, of: ReturnType<Tx>) => tx<BatchRow[]>`${mixes(tx, scope, of)}`;

/** Mixes by their ids, as they were made; what this company has not got is left out. */
export const batchesNamed = (scope: Scope, ids: readonly string[]): Promise<BatchRow[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`b.id = any(${[...ids]})`))]);
export const batchesOfCrewDay = (scope: Scope, crewDayId: string): Promise<BatchRow[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`b.crew_day_id = ${crewDayId}`))]);
/** What a product may be taken from: lots that hold something, the one that expires first in front, and mixes, as they were made. */
export interface Stock {
  lots: Lot[];
  mixes: BatchRow[];
}
export const stockOf = (scope: Scope, labelKey: string): Promise<Stock> =>
  within(scope, async (tx) => {
    const [held] = await tx<Stock[]>`
      select ${asList(tx, lotsHeld(tx, scope, labelKey))} as lots,
        ${asList(tx, mixes(tx, scope, tx`b.label_key = ${labelKey} and b.left_ml > 0`))} as mixes`;
    // What comes as a list has its instants as text.
    const dated = held!.mixes.map((b) => ({ ...b, madeAt: new Date(b.madeAt), goodUntil: new Date(b.goodUntil) }));
    return { lots: held!.lots, mixes: dated };
  });
/** Everything that stands about and holds something, whatever it is. */
export const batchesAbout = (scope: Scope): Promise<BatchRow[]> =>
  within(scope, async (tx) => [...(await rows(tx, scope, tx`b.left_ml > 0`))]);
/** The mix that has a tag. */
export const batchByCode = (scope: Scope, code: string): Promise<BatchRow | null> =>
  within(scope, async (tx) => (await rows(tx, scope, tx`b.code = ${code}`))[0] ?? null);

/** What was taken out of mixes, the first in front. */
export const takenFrom = (scope: Scope, batchIds: readonly string[]): Promise<BatchTaken[]> =>
  within(scope, async (tx) => [
    ...(await tx<BatchTaken[]>`
      select k.batch_id as "batchId", k.record_root as "recordRoot", t.tag, q.name as "siteName", k.ended,
        k.mix_ml::float8 as "mixMl", k.words,
        k.at::text as at, p.name as "byName"
      from batch_draw k
      join person p on p.company_id = k.company_id and p.id = k.by_person
      left join record r on r.company_id = k.company_id and r.root_id = k.record_root and r.version = 1
      left join tree t on t.company_id = r.company_id and t.id = r.tree_id
      left join site q on q.company_id = t.company_id and q.id = t.site_id
      where k.company_id = ${scope.companyId} and k.batch_id = any(${[...batchIds]})
      order by k.at, k.id
      limit ${400 * batchIds.length}`),
  ]);

export interface NewBatch extends Pick<
  BatchRow,
  'id' | 'crewDayId' | 'labelId' | 'kind' | 'code' | 'vessel' | 'product' | 'totalMl' | 'planIds'
> {
  label: Pick<Label, 'key'>;
  unit: 'mL' | 'g';
  madeAt: Date;
  goodUntil: Date;
  lots: readonly { moveId: string; lotId: string; amount: number }[];
}
/** A mix is made: its product leaves its lots, both sides in one transaction. */
export const addBatch = (scope: Scope, b: NewBatch) =>
  within(scope, async (tx) => {
    const o = scope.companyId;
    await tx`
      insert into batch (
        id, company_id, crew_day_id, label_id, label_key, kind, code, vessel, unit, product, total_ml, left_ml, plan_ids,
        made_at, good_until, by_person)
      values (
        ${b.id}, ${o}, ${b.crewDayId}, ${b.labelId}, ${b.label.key}, ${b.kind}, ${b.code}, ${b.vessel}, ${b.unit},
        ${b.product}, ${b.totalMl}, ${b.totalMl}, ${b.planIds}, ${b.madeAt}, ${b.goodUntil}, ${scope.personId})`;
    for (const l of b.lots) {
      await tx`insert into batch_lot (company_id, batch_id, lot_id, amount) values (${o}, ${b.id}, ${l.lotId}, ${l.amount})`;
      await tx`
        insert into stock_move (id, company_id, lot_id, amount, against, reason, batch_id, by_person)
        values (${l.moveId}, ${o}, ${l.lotId}, ${-l.amount}, 'mix', ${`mixed as ${b.code}`}, ${b.id}, ${scope.personId})`;
    }
  });

/** Part of a mix is taken out of use, or somebody says that it is kept. */
export const endBatch = (
  scope: Scope,
  e: { id: string; batchId: string; ended: BatchEnd; mixMl: number; words: string; at: Date },
) =>
  within(
    scope,
    (tx) => tx`
      insert into batch_draw (id, company_id, batch_id, ended, mix_ml, words, at, by_person)
      values (${e.id}, ${scope.companyId}, ${e.batchId}, ${e.ended}, ${e.mixMl}, ${e.words}, ${e.at}, ${scope.personId})`,
  );

/** A mix was never made: all of it is out of use, and its product is back in its lots. */
export const unmakeBatch = (
  scope: Scope,
  u: { id: string; batch: BatchRow; at: Date; lots: readonly { moveId: string; lotId: string; amount: number }[] },
) =>
  within(scope, async (tx) => {
    const { batch } = u;
    await tx`
      insert into batch_draw (id, company_id, batch_id, ended, mix_ml, at, by_person)
      values (${u.id}, ${scope.companyId}, ${batch.id}, 'never made', ${batch.totalMl}, ${u.at}, ${scope.personId})`;
    for (const l of u.lots)
      await tx`
        insert into stock_move (id, company_id, lot_id, amount, against, reason, batch_id, by_person)
        values (${l.moveId}, ${scope.companyId}, ${l.lotId}, ${l.amount}, 'mix', ${`${batch.code} was never made`},
          ${batch.id}, ${scope.personId})`;
  });
