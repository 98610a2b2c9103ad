import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { momentOf, newestDoses } from '@/facts/recording';
import { notThen } from '@/facts/not-then';
import { instant } from '@/core/records/record';
import { uuid } from '@/lib/ids';
import { batchCode, goodUntil } from '@/core/mix/batch';
import { asStrong, recipeOf } from '@/core/mix/recipe';
import { dayIn, nightAfter } from '@/lib/calendar/zone';
import { figure, showAmount, showVolume } from '@/lib/units/units';
import { addBatch } from '@/store/batches';
import { pgCode } from '@/store/db';
import { crewDayHead } from '@/store/day';
import { getPlans } from '@/store/plans';
import { lotsOf, type Lot } from '@/store/stock';
import { v7 } from 'uuid';
import { z } from 'zod';

/** What is wrong with the lots of a mix. */
function lotIssues({
  lots,
  held,
  product,
  unit,
  day,
}: {
  lots: readonly { lotId: string; amount: number }[];
  held: readonly Lot[];
  product: number;
  unit: 'mL' | 'g';
  day: string;
}): Issue[] {
  const sum = lots.reduce((a, l) => a + l.amount, 0);
  const issues: Issue[] = [];
  if (Math.abs(sum - product) > 1e-6 * product)
    issues.push({ path: 'lots', message: `The lots give ${figure(sum)} ${unit}, the mix takes ${figure(product)}.` });
  if (new Set(lots.map((l) => l.lotId)).size < lots.length)
    issues.push({ path: 'lots', message: 'A lot stands in it twice.' });
  for (const [i, l] of lots.entries()) {
    const lot = held.find((h) => h.id === l.lotId);
    const path = `lots.${i}`;
    if (!lot) issues.push({ path, message: 'This lot is not of the product, or is empty.' });
    else if (l.amount > lot.onHand + 1e-9)
      issues.push({
        path,
        message: `Lot ${lot.lotNumber} holds only ${figure(lot.onHand)} ${unit}; book a delivery, count it, or take another beside it.`,
      });
    else if (lot.expiresOn < day)
      issues.push({ path, message: `Lot ${lot.lotNumber} expired on ${lot.expiresOn}: nothing is mixed from it.` });
  }
  return issues;
}

/** A mix is made: from its lots, as strong as planned, meant for these trees. What they get is drawn from it. */
export const makeBatch = command({
  name: 'make-batch',
  right: 'apply',
  schema: z.object({
    id: uuid,
    crewDayId: uuid.nullable(),
    planIds: z.array(uuid).min(1, 'Choose one tree at least.').max(300, 'At most 300 trees.'),
    vessel: z.string().trim().min(1, 'Say what it is mixed in.').max(80, 'At most 80 characters.'),
    /** mL of the mix, and product in it. */
    totalMl: z
      .number('Say how much is mixed.')
      .positive('Say how much is mixed.')
      .max(5e6, 'That is more than any tank.'),
    product: z.number('Say how much product.').positive('Say how much product.').max(1e6, 'That cannot be right.'),
    lots: z
      .array(z.strictObject({ lotId: uuid, amount: z.number().positive() }))
      .min(1, 'Say which lot.')
      .max(10),
    madeAt: instant,
  }),
  once: (x) => x.id,
  run: async ({ viewer, receivedAt }, b): Promise<Result<{ code: string; goodUntil: string }>> => {
    const ids = [...new Set(b.planIds)];
    const never = notThen(b.madeAt, receivedAt);
    if (never) return refuse('madeAt', never);
    const [plans, round] = await Promise.all([
      getPlans(viewer, ids),
      b.crewDayId ? crewDayHead(viewer, b.crewDayId) : null,
    ]);
    if (b.crewDayId && !round) return refuse('crewDayId', 'There is no such round in this company.');
    if (round?.closedAt) return refuse('crewDayId', 'This day is closed.');
    const [first] = plans;
    if (!first || plans.length < ids.length) return refuse('planIds', 'A plan among them is not in this company.');
    if (plans.some((p) => p.labelId !== first.labelId)) return refuse('planIds', 'One mix is of one product.');
    const newest = await newestDoses(viewer, momentOf(b.madeAt, receivedAt), plans);
    const doses = plans.flatMap((p) => newest.get(p.id) ?? []);
    const recipe = doses.length === plans.length ? recipeOf(first.label, doses) : null;
    if (!recipe)
      return refuse(
        'planIds',
        'These trees are not served from one mix: they are given it undiluted, or as strong as no other.',
      );
    const { dimension } = doses[0]!;
    if (!asStrong(recipe, b))
      return refuse(
        'product',
        `${showAmount(recipe.strength * b.totalMl, dimension, 'metric').text} belongs into ${showVolume(b.totalMl, 'metric').text}: no more, and hardly less.`,
      );
    const unit = dimension === 'volume' ? 'mL' : 'g';
    const day = dayIn(b.madeAt, viewer.timeZone);
    const issues = lotIssues({
      lots: b.lots,
      held: await lotsOf(viewer, first.label.key),
      product: b.product,
      unit,
      day,
    });
    if (issues.length) return { ok: false, issues };
    const code = batchCode(b.id);
    const madeAt = new Date(b.madeAt);
    const until = goodUntil(madeAt, first.label.mixKeepsHours, nightAfter(madeAt, viewer.timeZone));
    try {
      await addBatch(viewer, {
        id: b.id,
        crewDayId: b.crewDayId,
        labelId: first.labelId,
        label: first.label,
        kind: recipe.kind,
        code,
        vessel: b.vessel,
        unit,
        product: b.product,
        totalMl: b.totalMl,
        planIds: ids,
        madeAt,
        goodUntil: until,
        lots: b.lots.map((l) => ({ ...l, moveId: v7() })),
      });
    } catch (error) {
      if (pgCode(error) === '23514')
        return refuse('lots', 'Somebody else took from this lot meanwhile; there is not enough left.');
      throw error;
    }
    return { ok: true, value: { code, goodUntil: until.toISOString() } };
  },
});
