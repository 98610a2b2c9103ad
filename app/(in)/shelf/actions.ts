'use server';

import { revalidatePath } from 'next/cache';
import { v7 } from 'uuid';
import { z } from 'zod';
import { uuid } from '@/core/book/record';
import type { Fault } from '@/core/book/write';
import { isLiquid } from '@/core/label/liquid';
import { labelSchema } from '@/core/label/schema';
import { readNumber } from '@/core/units/numbers';
import { MASS, VOLUME } from '@/core/units/units';
import { EQUIPMENT_KINDS } from '@/core/work/load-out';
import { pgCode } from '@/store/db';
import {
  addLabel,
  addVessel,
  checkLabel,
  countLot,
  lotById,
  receive,
  removeEquipment,
  removeSprayer,
  removeVessel,
  saveEquipment,
  saveSprayer,
  setStockLevel,
  shelfLabels,
  takeOut,
} from '@/store/shelf';
import { act, done, faultsOf, refuse, type Answer } from '@/app/_server/act';
import { todayOf } from '@/app/_server/viewer';
import { numberAt, typed } from '@/app/_server/typed';

const amountUnit = z.enum(['mL', 'L', 'fl oz', 'gal', 'g', 'kg', 'oz', 'lb']);
const factor = (unit: z.infer<typeof amountUnit>) => ({ ...VOLUME, ...MASS })[unit];
const all = () => revalidatePath('/', 'layout');

export const signLabel = act('keep the shelf', z.object({ labelId: uuid }), async (v, { labelId }) => {
  const made = await checkLabel(v, labelId);
  all();
  return made.count ? done : refuse('', 'There is no such label in this outfit.');
});

/** A label from its file: the schema's own sentences name the place of every fault. */
export const bringLabel = act(
  'keep the shelf',
  z.object({ text: z.string().max(400_000, 'A label file has at most 400 kB.') }),
  async (v, { text }): Promise<Answer<{ name: string; version: number }>> => {
    let data: unknown;
    try {
      data = JSON.parse(text);
    } catch {
      return refuse('label', 'This file is not JSON. docs/label-format.md shows what a label looks like.');
    }
    const read = labelSchema.safeParse(data);
    if (!read.success)
      return {
        ok: false,
        faults: faultsOf(read.error)
          .slice(0, 12)
          .map((f) => ({ path: 'label', sentence: `${f.path || 'The file'}: ${f.sentence}` })),
      };
    const version = await addLabel(v, v7(), read.data);
    all();
    return { ok: true, value: { name: read.data.name, version } };
  },
);

export const receiveLot = act(
  'keep the shelf',
  z.object({
    moveId: uuid,
    lotId: uuid,
    labelKey: z.string().max(60),
    lotNumber: z.string().trim().min(1, 'The lot number is missing.').max(60, 'At most 60 signs.'),
    expiresOn: z.iso.date('Give the expiry as a day that exists.'),
    amount: typed,
    unit: amountUnit,
  }),
  async (v, r): Promise<Answer> => {
    const held = (await shelfLabels(v)).find((l) => l.key === r.labelKey);
    if (!held) return refuse('labelKey', 'Choose the product.');
    const read = readNumber(r.amount, { name: 'The amount', above: 0, max: 1_000_000 });
    if (!read.ok) return refuse('amount', read.sentence);
    const liquid = isLiquid(held.label);
    if (liquid !== r.unit in VOLUME)
      return refuse(
        'unit',
        liquid ? 'This product is a liquid: take it in by volume.' : 'This product is a powder: take it in by weight.',
      );
    if (r.expiresOn < todayOf(v)) return refuse('expiresOn', 'This lot has expired already; do not take it in.');
    await receive(v, { ...r, unit: liquid ? 'mL' : 'g', amount: read.value * factor(r.unit), reason: 'delivery' });
    all();
    return done;
  },
);

export const count = act(
  'keep the shelf',
  z.object({
    moveId: uuid,
    lotId: uuid,
    /** Counted anew: what is there. Spilled or given back: what went. */
    what: z.enum(['counted', 'loss', 'supplier']),
    counted: typed,
    unit: amountUnit,
    reason: z.string().trim().min(3, 'Say why, in a word or two.').max(180, 'At most 180 signs.'),
  }),
  async (v, c): Promise<Answer> => {
    const lot = await lotById(v, c.lotId);
    if (!lot) return refuse('', 'There is no such lot in this outfit.');
    const read = readNumber(c.counted, {
      name: c.what === 'counted' ? 'What you counted' : 'What went',
      ...(c.what === 'counted' ? { min: 0 } : { above: 0 }),
      max: 1_000_000,
    });
    if (!read.ok) return refuse('counted', read.sentence);
    if ((lot.unit === 'mL') !== c.unit in VOLUME)
      return refuse('unit', 'This lot is counted in the other kind of unit.');
    const amount = read.value * factor(c.unit);
    if (c.what === 'counted') await countLot(v, { ...c, counted: amount });
    else if (amount > lot.onHand) return refuse('counted', 'There is not so much in this lot.');
    else
      try {
        await takeOut(v, { ...c, amount, against: c.what });
      } catch (error) {
        if (pgCode(error) === '23514')
          return refuse('counted', 'Somebody took from this lot meanwhile; count it again.');
        throw error;
      }
    all();
    return done;
  },
);

export const keepVessel = act(
  'keep the shelf',
  z.object({
    id: uuid,
    name: z.string().trim().min(1, 'Give it a name, as it is written on it.').max(80, 'At most 80 signs.'),
    dimension: z.enum(['volume', 'mass']),
    capacity: typed,
    graduation: typed,
    /** Marked, and used for nothing else. */
    reserved: z.boolean().default(true),
  }),
  async (v, x): Promise<Answer> => {
    const unit = x.dimension === 'volume' ? 'mL' : 'g';
    const capacity = readNumber(x.capacity, { name: 'What it holds', above: 0, max: 1_000_000, unit });
    if (!capacity.ok) return refuse('capacity', capacity.sentence);
    const graduation = readNumber(x.graduation, {
      name: 'The distance between marks',
      above: 0,
      max: capacity.value,
      unit,
    });
    if (!graduation.ok) return refuse('graduation', graduation.sentence);
    if (/\b(cup|mug|bottle of|drink|milk|juice|food)\b/i.test(x.name))
      return refuse('name', 'Never a food or drink container. Take a vessel kept for pesticides.');
    await addVessel(v, {
      id: x.id,
      name: x.name,
      dimension: x.dimension,
      capacity: capacity.value,
      graduation: graduation.value,
      reserved: x.reserved,
    });
    all();
    return done;
  },
);

export const dropVessel = act('keep the shelf', z.object({ id: uuid }), async (v, { id }) => {
  await removeVessel(v, id);
  all();
  return done;
});

/** A sprayer, with its flow as measured: fill, spray for a minute, measure what is gone. */
export const keepSprayer = act(
  'keep the shelf',
  z.object({
    id: uuid,
    name: z.string().trim().min(1, 'Give it a name, as it is written on it.').max(80, 'At most 80 signs.'),
    holds: typed,
    flow: typed,
  }),
  async (v, x): Promise<Answer> => {
    const holds = readNumber(x.holds, { name: 'What the tank holds', above: 0, max: 5000, unit: 'L' });
    if (!holds.ok) return refuse('holds', holds.sentence);
    const flow = x.flow.trim() ? readNumber(x.flow, { name: 'The flow', above: 0, max: 1000, unit: 'L/min' }) : null;
    if (flow && !flow.ok) return refuse('flow', flow.sentence);
    await saveSprayer(v, {
      id: x.id,
      name: x.name,
      holdsMl: holds.value * 1000,
      flowMlMin: flow?.ok ? flow.value * 1000 : null,
      calibratedOn: flow?.ok ? todayOf(v) : null,
    });
    all();
    return done;
  },
);

export const dropSprayer = act('keep the shelf', z.object({ id: uuid }), async (v, { id }) => {
  await removeSprayer(v, id);
  all();
  return done;
});

/** Below this much a product is to be ordered; an empty field takes the warning away. */
export const warnBelow = act(
  'keep the shelf',
  z.object({ labelKey: z.string().max(60), below: typed, unit: amountUnit }),
  async (v, l): Promise<Answer> => {
    const held = (await shelfLabels(v)).find((x) => x.key === l.labelKey);
    if (!held) return refuse('below', 'This product is not on the shelf.');
    if (isLiquid(held.label) !== l.unit in VOLUME)
      return refuse('below', 'This product is counted in the other kind of unit.');
    const faults: Fault[] = [];
    const below = numberAt(
      faults,
      'below',
      l.below,
      { name: 'The amount', above: 0, max: 1_000_000, unit: l.unit },
      true,
    );
    if (faults.length) return { ok: false, faults };
    await setStockLevel(v, l.labelKey, below === null ? null : below * factor(l.unit));
    all();
    return done;
  },
);

/** Bits, devices, drills, probes and tools, with their number. */
export const keepEquipment = act(
  'keep the shelf',
  z.object({
    id: uuid,
    kind: z.enum(EQUIPMENT_KINDS),
    name: z.string().trim().min(1, 'Give it a name, as it is written on it.').max(80, 'At most 80 signs.'),
    sizeMm: typed,
    holdsMl: typed,
    count: typed,
    /** Looked over today: sharp, tight, complete. */
    checked: z.boolean(),
    checkedOn: z.iso.date().nullable(),
  }),
  async (v, e): Promise<Answer> => {
    const faults: Fault[] = [];
    const sizeMm =
      e.kind === 'bit'
        ? numberAt(faults, 'sizeMm', e.sizeMm, { name: 'The diameter', above: 0, max: 60, unit: 'mm' })
        : null;
    const holdsMl = numberAt(
      faults,
      'holdsMl',
      e.holdsMl,
      { name: 'What one holds', above: 0, max: 50_000, unit: 'mL' },
      true,
    );
    const count = numberAt(faults, 'count', e.count, { name: 'The number', min: 0, max: 100_000, whole: true });
    if (faults.length) return { ok: false, faults };
    await saveEquipment(v, {
      id: e.id,
      kind: e.kind,
      name: e.name,
      sizeMm,
      holdsMl,
      count: count!,
      checkedOn: e.checked ? todayOf(v) : e.checkedOn,
    });
    all();
    return done;
  },
);

export const dropEquipment = act('keep the shelf', z.object({ id: uuid }), async (v, { id }) => {
  await removeEquipment(v, id);
  all();
  return done;
});
