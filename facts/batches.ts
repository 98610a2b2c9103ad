import { refuse, type Result } from '@/lib/result';
import type { Drawn } from '@/core/records/write';
import type { Dose } from '@/core/dose/dose';
import type { Label } from '@/core/label/schema';
import { drawsOf, type Draw } from '@/core/mix/batch';
import { isServed } from '@/core/mix/recipe';
import type { Viewer } from '@/store/auth';
import { batchesNamed, stockOf, type BatchRow, type Stock } from '@/store/batches';

/** What is asked of a mix: by which label, and as strong as the plan has it. */
export interface Wanted {
  labelId: string;
  label: Label;
  dose: Extract<Dose, { ok: true }>;
  /** The plans that draw on it. */
  planIds: readonly string[];
}
/** A mix serves what is given by its own label, as strong as it is. */
const serves = (b: BatchRow, { labelId, label, dose, planIds }: Wanted): boolean =>
  b.labelId === labelId && isServed(b, label, dose, planIds);

/** What a plan may be given from: lots, and mixes that serve it, are good and hold something. */
export const stockFor = async (viewer: Viewer, of: Wanted, now: Date): Promise<Stock> =>
  stockAmong(await stockOf(viewer, of.label.key), of, now);

/** The same among all that there is: no statement a plan. */
export const stockAmong = ({ lots, mixes }: Stock, of: Wanted, now: Date): Stock => ({
  lots: lots.filter((l) => l.labelKey === of.label.key && l.onHand > 0),
  mixes: mixes.filter((b) => b.goodUntil > now && serves(b, of)),
});

/** What trees take from mixes, one after another, and what stands in their records. */
export interface FromMixes {
  /** Of each tree in its order. */
  draws: Draw[][];
  drawn: Drawn[][];
  /** The lot that gave most of it: a record names one, and beside it every lot by its part. */
  lot: { id: string; labelKey: string; lotNumber: string; expiresOn: string; onHand: number };
}

/** Draws the product of some trees from mixes in the order in which they are named. */
export async function fromMixes(
  viewer: Viewer,
  batchIds: readonly string[],
  of: Wanted,
  wanted: readonly number[],
): Promise<Result<FromMixes>> {
  const found = await batchesNamed(viewer, batchIds);
  const mixes = batchIds.flatMap((id) => found.find((b) => b.id === id) ?? []);
  if (!mixes.length || mixes.length < new Set(batchIds).size)
    return refuse('batchIds', 'A mix among them is not in this company.');
  if (!mixes.every((b) => serves(b, of)))
    return refuse('batchIds', 'A mix among them is of another product, or not as strong as was planned.');
  const draws = drawsOf(mixes, wanted);
  if (!draws) {
    const left = mixes.reduce((sum, b) => sum + (b.leftMl * b.product) / b.totalMl, 0);
    return refuse(
      'batchIds',
      `The mix holds only ${Number(left.toPrecision(4))} ${mixes[0]!.unit} of the product; add another mix, or write what it gave.`,
    );
  }
  const byId = new Map(mixes.map((b) => [b.id, b]));
  const first = mixes[0]!;
  const most = first.lots[0]!;
  return {
    ok: true,
    value: {
      draws,
      drawn: draws.map((of) =>
        of.map(({ batchId, mixMl, product }): Drawn => {
          const b = byId.get(batchId)!;
          return {
            id: b.id,
            code: b.code,
            mixMl,
            product,
            goodUntil: b.goodUntil.toISOString(),
            lots: b.lots.map((l) => ({ number: l.number, part: l.amount / b.product })),
          };
        }),
      ),
      lot: { id: most.id, labelKey: first.labelKey, lotNumber: most.number, expiresOn: most.expires, onHand: 0 },
    },
  };
}
