import { done, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { todayOf } from '@/facts/today';
import { numberAt, typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { EQUIPMENT_KINDS } from '@/core/work/load-out';
import { upsertEquipment } from '@/store/stock';
import { z } from 'zod';

/** Bits, devices, drills, probes and tools, with their number. */
export const saveEquipment = command({
  name: 'save-equipment',
  right: 'keep the shelf',
  schema: z.object({
    id: uuid,
    kind: z.enum(EQUIPMENT_KINDS),
    name: z.string().trim().min(1, 'Give it a name, as it is written on it.').max(80, 'At most 80 characters.'),
    sizeMm: typed,
    holdsMl: typed,
    count: typed,
    /** Looked over today: sharp, tight, complete. */
    checked: z.boolean(),
    checkedOn: z.iso.date().nullable(),
  }),
  run: async ({ viewer, receivedAt }, e): Promise<Result> => {
    const issues: Issue[] = [];
    const sizeMm =
      e.kind === 'bit'
        ? numberAt(issues, 'sizeMm', e.sizeMm, { name: 'The diameter', above: 0, max: 60, unit: 'mm' })
        : null;
    const holdsMl = numberAt(
      issues,
      'holdsMl',
      e.holdsMl,
      { name: 'What one holds', above: 0, max: 50_000, unit: 'mL' },
      true,
    );
    const count = numberAt(issues, 'count', e.count, { name: 'The number', min: 0, max: 100_000, whole: true });
    if (issues.length) return { ok: false, issues };
    await upsertEquipment(viewer, {
      id: e.id,
      kind: e.kind,
      name: e.name,
      sizeMm,
      holdsMl,
      count: count!,
      checkedOn: e.checked ? todayOf(viewer, receivedAt) : e.checkedOn,
    });
    return done;
  },
});
