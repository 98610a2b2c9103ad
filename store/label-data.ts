import type { Label } from '@/core/label/schema';
import type { Scope, Tx } from './db';

/**
 * A version of a label is written once and never changed (the app may not update the table), so what was read of it is kept: a
 * shelf of thirty labels is some hundred kilobytes that nearly every page rests on. Which labels a company has is asked of the
 * database each time, by the ids that its own walls let through; only what stands in them is kept.
 */
const kept = new Map<string, Label>();
/** Some hundred companies with a full shelf. */
const MOST = 5000;

/** Nobody changes what several requests share; who tries is told at once. */
function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null) for (const part of Object.values(Object.freeze(value))) frozen(part);
  return value;
}

/** Rows of labels with what stands in each of them, in their order. */
export async function withLabel<Row extends { id: string }>(
  tx: Tx,
  scope: Scope,
  rows: readonly Row[],
): Promise<(Row & { label: Label })[]> {
  const missing = rows.map((r) => r.id).filter((id) => !kept.has(id));
  const read = new Map<string, Label>();
  if (missing.length)
    for (const { id, data } of await tx<{ id: string; data: Label }[]>`
      select id, data
      from label
      where company_id = ${scope.companyId} and id = any(${missing}::uuid[])`)
      read.set(id, frozen(data));
  const out = rows.map((row) => ({ ...row, label: kept.get(row.id) ?? read.get(row.id)! }));
  for (const [id, label] of read) {
    const [oldest] = kept.keys();
    if (kept.size >= MOST && oldest !== undefined) kept.delete(oldest);
    kept.set(id, label);
  }
  return out;
}
