import { command, refuse, sentBefore, type Answer } from '@/commands/command';
import { situationOfPlan, weighingOf } from '@/commands/facts/situation';
import { saidSchema } from '@/commands/said';
import { findsNear, treeOf } from '@/commands/facts/tree';
import { STILL_HANGS } from '@/commands/hanging/then';
import { settleAnew } from '@/commands/programme/settle';
import { bookingSchema, weatherSchema } from '@/core/book/record';
import { writeUp } from '@/core/book/write';
import { stillSaid } from '@/core/gates/said';
import { enteredOf } from '@/core/hanging/hanging';
import { stepOfUse } from '@/core/prescribe/costs';
import { prescribe } from '@/core/prescribe/prescribe';
import { NO_YEAR } from '@/core/season/year';
import { soilState } from '@/core/weather/air';
import { findCondition } from '@/knowledge';
import { PlanGone, writeRecord } from '@/store/book';
import { laidBehind } from '@/store/laid';
import { hangingOf } from '@/store/hanging';
import { getPlan } from '@/store/plans';
import { lotsOf, heldBy } from '@/store/shelf';
import { v7 } from 'uuid';

/** What is read off a device is not truer than this. */
const READING = 0.02;

/** Booking: the record, the stock, the follow-ups and the end of the plan, together or not at all. */
export const book = command({
  name: 'book',
  right: 'apply',
  schema: bookingSchema,
  once: (x) => x.id,
  run: async (
    { viewer, now, station },
    b,
  ): Promise<Answer<{ recordId: string; due: { what: string; due: string }[] }>> => {
    const plan = await getPlan(viewer, b.planId);
    if (!plan) return refuse('planId', 'This plan is not in this outfit.');
    const [tree, held, lots] = await Promise.all([
      treeOf(viewer, plan.treeId, now),
      heldBy(viewer),
      lotsOf(viewer, plan.label.key),
    ]);
    const hung = await hangingOf(viewer, plan.id);
    if (hung.some((d) => !d.pulledAt)) return refuse('planId', STILL_HANGS);
    const use = plan.label.uses.find((u) => u.key === plan.useKey);
    const condition = findCondition(plan.conditionId);
    if (!tree || !use || !condition || !plan.result.dose.ok)
      return refuse('planId', 'What this plan rests on is gone; prescribe anew.');
    if (hung.length) {
      const pulled = hung.map((d) => ({ putMl: d.putMl, leftMl: d.leftMl ?? 0, lostMl: d.lostMl }));
      const entered = enteredOf(plan.result.dose.product, pulled);
      if (b.amount > entered * (1 + READING) + 1e-6)
        return refuse(
          'amount',
          `Only ${Number(entered.toPrecision(4))} ${plan.result.dose.dimension === 'volume' ? 'mL' : 'g'} of the product went in: the rest was pulled with its device.`,
        );
    }
    const saidNow = saidSchema.safeParse(b.said);
    if (!saidNow.success) return refuse('said', 'An answer was given that was not offered.');
    const said = weatherSchema.parse(b.weather);
    const finds = await findsNear(viewer, tree);
    // At the tree it is today, and the leaf is what is seen: the seasons have nothing to add.
    const situation = situationOfPlan(viewer, tree, held, finds, now, plan, NO_YEAR);
    // The same gates once more, with the ground and air of the hour in which it was done.
    const fresh = prescribe(situation, plan.label, use, {
      ...plan.choices,
      // What passes from day to day was asked again at the tree; what was said when it was planned does not count.
      said: { ...stillSaid(plan.choices.said), ...saidNow.data },
      phase: 'apply',
      now: b.startedAt,
      soil: b.soil ?? soilState(said),
      // The leaf of the day on which it was planned says nothing months later: it is seen at the tree, or open.
      leaf: b.leaf === undefined && plan.plannedFor === null ? plan.choices.leaf : (b.leaf ?? null),
      // Null is “not timed”, said at the tree; only a sheet that does not ask leaves it to the plan.
      intakeMmH: b.intakeMmH === undefined ? plan.choices.intakeMmH : b.intakeMmH,
      temperatureC: said.temperatureC,
      windMs: said.windMs,
      rainNext24Mm: said.rainNext24Mm,
      rainByHour: said.rainByHour ?? null,
      humidity: said.humidity,
      windFromDeg: said.windFromDeg,
    });
    const up = writeUp(
      {
        now,
        timeZone: tree.timeZone,
        applicator: { id: viewer.personId, name: viewer.name, licence: viewer.licence },
        labelId: plan.labelId,
        label: plan.label,
        use,
        step: stepOfUse(use, weighingOf(viewer, tree, now)),
        condition,
        host: situation.host,
        tree: { id: tree.id, tag: tree.tag, lat: tree.lat, lon: tree.lon },
        place: { id: tree.placeId, name: tree.placeName, address: tree.address, client: tree.clientName },
        dose: plan.result.dose,
        ring: plan.result.ring,
        treated: plan.result.treated,
        gates: fresh.gates,
        released: { ...plan.released, ...b.released },
        lot: lots.find((l) => l.id === b.lotId) ?? null,
      },
      b,
    );
    if (!up.ok) return { ok: false, faults: up.faults };
    // Under a programme the next one is a visit of the programme, counted from this record; the label's own would be a second.
    const laid = plan.visitId === null ? null : await laidBehind(viewer, { planId: plan.id });
    const due = up.followUps.filter((f) => !laid || f.kind !== 'treat-again');
    try {
      const written = await writeRecord(viewer, v7, {
        id: b.id,
        rootId: b.id,
        version: 1,
        planId: plan.id,
        startedAt: b.startedAt,
        endedAt: b.endedAt,
        doneOn: up.doneOn,
        byPerson: viewer.personId,
        withdrawn: false,
        correction: null,
        words: up.words,
        data: up.data,
        followUps: due,
        moves: [{ id: v7(), lotId: b.lotId, amount: -b.amount, reason: `used on ${tree.tag}, ${tree.placeName}` }],
      });
      // A record that came here by another way than a verb has this id: it stands, and this is not it.
      if (!written) return sentBefore;
    } catch (error) {
      if (error instanceof PlanGone)
        return refuse('planId', 'Somebody else has carried out or dropped this plan meanwhile. Nothing was written.');
      if ((error as { code?: string }).code === '23514')
        return refuse('lotId', 'Somebody else took from this lot meanwhile; there is not enough left.');
      throw error;
    }
    if (laid) await settleAnew({ viewer, now, station }, laid.laidId, [laid.treeId]);
    return { ok: true, value: { recordId: b.id, due: due.map((f) => ({ what: f.what, due: f.due })) } };
  },
});
