import type { Label } from '@/core/label/schema';
import type { Vessel } from '@/core/dose/vessels';
import type { Tank } from '@/core/spray/loads';
import type { Equipment } from '@/core/work/load-out';
import { withLabel } from './label-data';
import { asList, json, within, type Scope, type Tx } from './db';

export interface ShelfLabel {
  id: string;
  key: string;
  version: number;
  label: Label;
  checkedOn: string | null;
  checkedBy: string | null;
  /** It was taken off the shelf: nothing is prescribed by it. */
  off: boolean;
}
export interface Lot {
  id: string;
  labelKey: string;
  lotNumber: string;
  expiresOn: string;
  unit: 'mL' | 'g';
  onHand: number;
}

/** A label without what stands in it. */
type LabelRow = Omit<ShelfLabel, 'label'>;
const labels = (tx: Tx, scope: Scope, withOff = false) => tx`
  select distinct on (l.key) l.id, l.key, l.version, k.day as "checkedOn", k.name as "checkedBy",
    f.label_key is not null as off
  from label l
  left join retired_label f on f.company_id = l.company_id and f.label_key = l.key
  left join lateral (
    select k.at::date as day, p.name
    from label_check k
    join person p on p.id = k.by_person
    where k.company_id = l.company_id and k.label_id = l.id
    order by k.at desc
    limit 1) k on true
  where l.company_id = ${scope.companyId}
    ${withOff ? tx`` : tx`and f.label_key is null`}
  order by l.key, l.version desc`;
/** The newest version of every label, with its last check against the label in hand. */
export const shelfLabels = (scope: Scope): Promise<ShelfLabel[]> =>
  within(scope, async (tx) => withLabel(tx, scope, await tx<LabelRow[]>`${labels(tx, scope)}`));
/** The same, with those that were taken off the shelf. */
export const allLabels = (scope: Scope): Promise<ShelfLabel[]> =>
  within(scope, async (tx) => withLabel(tx, scope, await tx<LabelRow[]>`${labels(tx, scope, true)}`));
export const getLabel = (scope: Scope, id: string): Promise<{ label: Label; checkedOn: string | null } | null> =>
  within(
    scope,
    async (tx) =>
      (
        await tx<
          { label: Label; checkedOn: string | null }[]
        >`select data as label, (select max(at)::date from label_check k where k.company_id = l.company_id and k.label_id = l.id) as "checkedOn" from label l where id = ${id}`
      )[0] ?? null,
  );

/** What still rests on a label: plans that wait, and lots of it that hold something. */
export const labelStill = (scope: Scope, labelKey: string): Promise<{ plans: number; lots: string[] }> =>
  within(scope, async (tx) => {
    const [still] = await tx<{ plans: number; lots: string[] }[]>`
      select (
          select count(*)::int
          from treatment_plan n
          join label l on l.company_id = ${scope.companyId} and l.id = n.label_id
          where n.company_id = ${scope.companyId} and n.state = 'open' and l.key = ${labelKey}) as plans,
        array(select h."lotNumber" from (${lotsHeld(tx, scope, labelKey)}) h where h."onHand" > 0) as lots`;
    return still!;
  });
export const takeLabelOff = (scope: Scope, labelKey: string) =>
  within(
    scope,
    (tx) => tx`
      insert into retired_label (company_id, label_key, by_person)
      select distinct l.company_id, l.key, ${scope.personId}::uuid
      from label l
      where l.company_id = ${scope.companyId} and l.key = ${labelKey}
      on conflict do nothing`,
  );
export const putLabelBack = (scope: Scope, labelKey: string) =>
  within(
    scope,
    (tx) => tx`delete from retired_label where company_id = ${scope.companyId} and label_key = ${labelKey}`,
  );

/**
 * Adds a label as the next version of its key; the version in the data follows what the shelf holds. What says the same as
 * the newest version is that version, with its check.
 */
export const addLabel = (scope: Scope, id: string, label: Label): Promise<number> =>
  within(scope, async (tx) => {
    await tx`select pg_advisory_xact_lock(hashtextextended(${scope.companyId + label.key}, 0))`;
    // Whoever brings it in again wants it on the shelf.
    await tx`delete from retired_label where company_id = ${scope.companyId} and label_key = ${label.key}`;
    const [newest] = await tx<{ version: number; same: boolean }[]>`
      select version, data - 'version' = ${json(tx, label)}::jsonb - 'version' as same
      from label
      where company_id = ${scope.companyId} and key = ${label.key}
      order by version desc
      limit 1`;
    if (newest?.same) return newest.version;
    const next = (newest?.version ?? 0) + 1;
    await tx`insert into label (id, company_id, key, version, data) values (${id}, ${scope.companyId}, ${label.key}, ${next}, ${json(tx, { ...label, version: next })})`;
    return next;
  });

export const insertLabelCheck = (scope: Scope, labelId: string) =>
  within(
    scope,
    (tx) =>
      tx`insert into label_check (label_id, company_id, by_person) select id, company_id, ${scope.personId} from label where id = ${labelId} on conflict do nothing`,
  );

const lotColumns = (tx: Tx) =>
  tx`id, label_key as "labelKey", lot_number as "lotNumber", expires_on as "expiresOn", unit, on_hand as "onHand"`;
export const listLots = (scope: Scope): Promise<Lot[]> =>
  within(scope, async (tx) => [
    ...(await tx<
      Lot[]
    >`select ${lotColumns(tx)} from lot where company_id = ${scope.companyId} order by label_key, expires_on, lot_number limit 2000`),
  ]);
export const lotById = (scope: Scope, id: string): Promise<Lot | null> =>
  within(scope, async (tx) => (await tx<Lot[]>`select ${lotColumns(tx)} from lot where id = ${id}`)[0] ?? null);
export const lotsHeld = (tx: Tx, scope: Scope, labelKey: string) => tx`
  select ${lotColumns(tx)}
  from lot
  where company_id = ${scope.companyId} and label_key = ${labelKey} and on_hand > 0
  order by expires_on, lot_number
  limit 100`;
/** Lots of one product that hold something, the one that expires first in front. */
export const lotsOf = (scope: Scope, labelKey: string): Promise<Lot[]> =>
  within(scope, async (tx) => [...(await tx<Lot[]>`${lotsHeld(tx, scope, labelKey)}`)]);

/**
 * Takes a delivery in: the lot is made when it is new, and the amount is a move of its own.
 * @returns the day on which the lot of this number expires where it stands with another one, and nothing was taken in; else null
 */
export const receive = (
  scope: Scope,
  m: {
    moveId: string;
    lotId: string;
    labelKey: string;
    lotNumber: string;
    expiresOn: string;
    unit: 'mL' | 'g';
    amount: number;
    reason: string;
  },
): Promise<string | null> =>
  within(scope, async (tx) => {
    if ((await tx`select from stock_move where id = ${m.moveId}`).length) return null;
    await tx`
      insert into lot (id, company_id, label_key, lot_number, expires_on, unit)
      values (${m.lotId}, ${scope.companyId}, ${m.labelKey}, ${m.lotNumber}, ${m.expiresOn}, ${m.unit})
      on conflict (company_id, label_key, lot_number) do nothing`;
    const [lot] = await tx<{ id: string; expiresOn: string }[]>`
      select id, expires_on as "expiresOn"
      from lot
      where company_id = ${scope.companyId} and label_key = ${m.labelKey} and lot_number = ${m.lotNumber}`;
    if (lot!.expiresOn !== m.expiresOn) return lot!.expiresOn;
    await tx`
      insert into stock_move (id, company_id, lot_id, amount, against, reason, by_person)
      values (${m.moveId}, ${scope.companyId}, ${lot!.id}, ${m.amount}, 'supplier', ${m.reason}, ${scope.personId})`;
    return null;
  });

/** Puts the balance where a count found it; the difference is a move with its reason. */
export const countLot = (scope: Scope, c: { moveId: string; lotId: string; counted: number; reason: string }) =>
  within(scope, async (tx) => {
    const [lot] = await tx<{ onHand: number }[]>`select on_hand as "onHand" from lot where id = ${c.lotId} for update`;
    if (!lot || lot.onHand === c.counted) return;
    await tx`insert into stock_move (id, company_id, lot_id, amount, against, reason, by_person) values (${c.moveId}, ${scope.companyId}, ${c.lotId}, ${c.counted - lot.onHand}, 'count', ${`count: ${c.reason}`}, ${scope.personId}) on conflict (id) do nothing`;
  });

/** Takes an amount out of a lot that no tree got: spilled or thrown away, or given back to the supplier. */
export const takeOut = (
  scope: Scope,
  m: { moveId: string; lotId: string; amount: number; against: 'loss' | 'supplier'; reason: string },
) =>
  within(
    scope,
    (tx) => tx`insert into stock_move (id, company_id, lot_id, amount, against, reason, by_person)
      values (${m.moveId}, ${scope.companyId}, ${m.lotId}, ${-m.amount}, ${m.against}, ${m.reason}, ${scope.personId})
      on conflict (id) do nothing`,
  );

/**
 * The accounts that stand against the lots: what each has taken from them or given to them, by product; of lots that hold
 * something or ran out less than a year ago, so that the sum does not grow with the age of the company.
 */
export type StockAccount = 'supplier' | 'tree' | 'mix' | 'count' | 'loss';
export const stockBalances = (
  scope: Scope,
): Promise<{ labelKey: string; unit: 'mL' | 'g'; account: 'lot' | StockAccount; amount: number }[]> =>
  within(scope, async (tx) => [
    ...(await tx<{ labelKey: string; unit: 'mL' | 'g'; account: 'lot' | StockAccount; amount: number }[]>`
      select l.label_key as "labelKey", l.unit, e.account, sum(e.amount) as amount
      from stock_entry e
      join lot l on l.id = e.lot_id
      where l.company_id = ${scope.companyId} and e.company_id = ${scope.companyId}
        and (l.on_hand > 0 or l.expires_on > clock_today() - 366)
      group by 1, 2, 3
      order by 1, 3`),
  ]);

/** Amounts below which a product is to be ordered, by its key. */
export const stockLevels = (scope: Scope): Promise<Record<string, number>> =>
  within(scope, async (tx) =>
    Object.fromEntries(
      (
        await tx<
          { key: string; below: number }[]
        >`select label_key as key, warn_below as below from stock_level where company_id = ${scope.companyId}`
      ).map((r) => [r.key, r.below]),
    ),
  );
/** @param below null takes the warning away */
export const setStockLevel = (scope: Scope, labelKey: string, below: number | null) =>
  within(scope, (tx) =>
    below === null
      ? tx`delete from stock_level where company_id = ${scope.companyId} and label_key = ${labelKey}`
      : tx`insert into stock_level (company_id, label_key, warn_below) values (${scope.companyId}, ${labelKey}, ${below})
          on conflict (company_id, label_key) do update set warn_below = excluded.warn_below`,
  );

export interface Move {
  id: string;
  at: Date;
  amount: number;
  against: StockAccount;
  reason: string;
  byName: string;
  lotNumber: string;
  labelKey: string;
  unit: 'mL' | 'g';
}
export const lastMoves = (scope: Scope): Promise<Move[]> =>
  within(scope, async (tx) => [
    ...(await tx<
      Move[]
    >`select m.id, m.at, m.amount, m.against, m.reason, p.name as "byName", l.lot_number as "lotNumber", l.label_key as "labelKey", l.unit
      from stock_move m join lot l on l.id = m.lot_id join person p on p.id = m.by_person where m.company_id = ${scope.companyId} order by m.at desc, m.id desc limit 12`),
  ]);

const vessels = (tx: Tx, scope: Scope) => tx`
  select id, name, dimension, capacity, graduation, reserved
  from vessel
  where company_id = ${scope.companyId}
  order by dimension desc, capacity
  limit 200`;
export const listVessels = (scope: Scope): Promise<Vessel[]> =>
  within(scope, async (tx) => [...(await tx<Vessel[]>`${vessels(tx, scope)}`)]);
export const addVessel = (scope: Scope, vessel: Vessel) =>
  within(
    scope,
    (tx) =>
      tx`insert into vessel (id, company_id, name, dimension, capacity, graduation, reserved) values (${vessel.id}, ${scope.companyId}, ${vessel.name}, ${vessel.dimension}, ${vessel.capacity}, ${vessel.graduation}, ${vessel.reserved ?? true}) on conflict (id) do nothing`,
  );
export const removeVessel = (scope: Scope, id: string) =>
  within(scope, (tx) => tx`delete from vessel where id = ${id}`);

const sprayers = (tx: Tx, scope: Scope) => tx`
  select id, name, holds_ml as "holdsMl", flow_ml_min as "flowMlMin", calibrated_on as "calibratedOn",
    dead_ml as "deadMl"
  from sprayer
  where company_id = ${scope.companyId}
  order by holds_ml, name
  limit 100`;
export const listSprayers = (scope: Scope): Promise<Tank[]> =>
  within(scope, async (tx) => [...(await tx<Tank[]>`${sprayers(tx, scope)}`)]);
export const upsertSprayer = (scope: Scope, s: Tank) =>
  within(
    scope,
    (tx) => tx`insert into sprayer (id, company_id, name, holds_ml, flow_ml_min, calibrated_on, dead_ml)
      values (${s.id}, ${scope.companyId}, ${s.name}, ${s.holdsMl}, ${s.flowMlMin}, ${s.calibratedOn}, ${s.deadMl})
      on conflict (id) do update set name = excluded.name, holds_ml = excluded.holds_ml,
        flow_ml_min = excluded.flow_ml_min, calibrated_on = excluded.calibrated_on, dead_ml = excluded.dead_ml`,
  );
export const removeSprayer = (scope: Scope, id: string) =>
  within(scope, (tx) => tx`delete from sprayer where id = ${id}`);

export const listEquipment = (scope: Scope): Promise<Equipment[]> =>
  within(scope, async (tx) => [
    ...(await tx<
      Equipment[]
    >`select id, kind, name, size_mm as "sizeMm", holds_ml as "holdsMl", count, checked_on as "checkedOn" from equipment where company_id = ${scope.companyId} order by kind, size_mm, name limit 300`),
  ]);
export const upsertEquipment = (scope: Scope, e: Equipment) =>
  within(
    scope,
    (tx) => tx`insert into equipment (id, company_id, kind, name, size_mm, holds_ml, count, checked_on)
      values (${e.id}, ${scope.companyId}, ${e.kind}, ${e.name}, ${e.sizeMm}, ${e.holdsMl}, ${e.count}, ${e.checkedOn})
      on conflict (id) do update
      set kind = excluded.kind, name = excluded.name, size_mm = excluded.size_mm, holds_ml = excluded.holds_ml,
        count = excluded.count, checked_on = excluded.checked_on`,
  );
export const removeEquipment = (scope: Scope, id: string) =>
  within(scope, (tx) => tx`delete from equipment where id = ${id}`);

/** Every version of a key, newest first, with when it came. */
export const labelVersions = (
  scope: Scope,
  key: string,
): Promise<{ id: string; version: number; at: Date; label: Label }[]> =>
  within(scope, async (tx) => [
    ...(await tx<
      { id: string; version: number; at: Date; label: Label }[]
    >`select id, version, created_at as at, data as label from label where company_id = ${scope.companyId} and key = ${key} order by version desc limit 50`),
  ]);

/** What a prescription draws on: the shelf, what is mixed and sprayed with, and how fast the company's own injections went in. */
export interface Held {
  labels: ShelfLabel[];
  vessels: Vessel[];
  tanks: Tank[];
  /** Minutes from start to empty, by product, the newest fifty of each. */
  uptakeLog: Record<string, number[]>;
}
export const heldBy = (scope: Scope): Promise<Held> =>
  within(scope, async (tx) => {
    const [held] = await tx<(Omit<Held, 'labels'> & { labels: LabelRow[] })[]>`
      select
        ${asList(tx, labels(tx, scope))} as labels,
        ${asList(tx, vessels(tx, scope))} as vessels,
        ${asList(tx, sprayers(tx, scope))} as tanks,
        coalesce((select json_object_agg(u.key, u.minutes) from (${uptake(tx, scope)}) u), '{}') as "uptakeLog"`;
    return { ...held!, labels: await withLabel(tx, scope, held!.labels) };
  });

/** A sheet ends when all devices are empty, so that start to end is the time of uptake. */
const uptake = (tx: Tx, scope: Scope) => tx`
  select l.key, array_agg(r.minutes) as minutes
  from (select distinct key from label where company_id = ${scope.companyId}) l
  cross join lateral (
    select (extract(epoch from ended_at - started_at) / 60)::float8 as minutes
    from record
    where company_id = ${scope.companyId} and label_key = l.key and latest and not withdrawn
      and method = 'trunk-injection' and ended_at > started_at
    order by done_on desc, id desc
    limit 50) r
  group by l.key`;
