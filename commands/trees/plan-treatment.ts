import { refuse, type Result } from '@/lib/result';
import { told } from '@/lib/units/units';
import { command } from '@/commands/command';
import { treatmentContextFor, usualChoices } from '@/facts/treatment-context';
import { saidSchema } from '@/facts/answers';
import { treesOf } from '@/facts/tree';
import { noTree } from '@/commands/trees/no-tree';
import { uuid } from '@/lib/ids';
import { LEAF_STATES } from '@/core/season/leaf-state';
import type { Gate } from '@/core/gates/gate';
import { blocked } from '@/core/gates/rules';
import { scoreUse } from '@/core/prescribe/compare';
import { priced } from '@/core/prescribe/costs';
import { added, prescribe } from '@/core/prescribe/prescribe';
import { noDayAhead, visitOn, whilePlanning } from '@/core/prescribe/when';
import { whenSchema } from '@/core/prescribe/when-schema';
import { aimedAt, type Choices, type TreatmentContext } from '@/core/gates/context';
import { DENSITY } from '@/core/spray/crown';
import { SOIL_WORDS } from '@/core/weather/air';
import { getLabel, heldBy } from '@/store/stock';
import type { LeftStop, NewLeftOut } from '@/store/skipped-trees';
import { nearbyDetections, planRow, type NewDiagnosis } from '@/store/diagnoses';
import { type Tree, type SavedDiagnosis } from '@/store/tree';
import { v7 } from 'uuid';
import { spotOf } from '@/facts/diagnosis';
import { yearsOf } from '@/facts/season';
import { z } from 'zod';
import { yearOf } from '@/lib/calendar/months';

const choicesSchema = z.object({
  when: whenSchema.default({ kind: 'now' }),
  soil: z.enum(SOIL_WORDS).nullable(),
  leaf: z.enum(LEAF_STATES).nullable(),
  intakeMmH: z.number().min(0.1).max(1000).nullable().default(null),
  stemRule: z.enum(['sum', 'basal-area', 'each', 'largest']).optional(),
  rangePoint: z.number().min(0).max(1).optional(),
  rangeReason: z.string().max(200).optional(),
  said: saidSchema.optional(),
  density: z.enum(Object.keys(DENSITY) as [keyof typeof DENSITY]).optional(),
  bearings: z.array(z.number().int().min(0).max(359)).max(200).optional(),
  tankId: uuid.optional(),
  weights: z.strictObject({ flare: z.number().min(0).max(3), sector: z.number().min(0).max(3) }).optional(),
});

/**
 * What is named on a like tree of the row on which nothing is named yet: as on the tree in hand, and no surer than a tree
 * that nobody has looked at can be.
 */
const diagnosisLike = (like: Tree, own: Tree, now: Date): SavedDiagnosis | null => {
  const [given] = like.savedDiagnoses;
  return given
    ? {
        ...given,
        id: v7(),
        at: now,
        inspectionId: own.looks[0]?.id ?? null,
        certainty: own.looks.length ? given.certainty : 'possible',
        reason: `As ${like.tag} in the same row. ${given.reason}`.slice(0, 2000),
        ranking: [],
        overturnedBy: [],
        overturns: [],
      }
    : null;
};

/** What this press plans on the place so far, by the year it is planned for, beside what was planned before. */
const withPressed = (
  planned: TreatmentContext['sitePlanned'],
  pressed: TreatmentContext['sitePlanned'],
): TreatmentContext['sitePlanned'] =>
  Object.fromEntries(
    [...new Set([...Object.keys(planned), ...Object.keys(pressed)])].map((year) => [
      year,
      added(planned[year] ?? {}, pressed[year] ?? {}),
    ]),
  );

/** Holds that a certified person may go on in spite of, each with the reason given for the row; questions stay open. */
const holdsReleased = (gates: Gate[], reason: string): Record<string, string> =>
  reason ? Object.fromEntries(gates.filter((g) => g.strength === 'hold' && !g.asks).map((g) => [g.id, reason])) : {};

/** Why a tree of a row is planned without; null where it is planned. */
function stopOf(open: readonly Gate[], dosed: boolean, named: boolean): LeftStop | null {
  const [gate] = open;
  if (gate) return { why: 'gate', id: gate.id, title: gate.title, satisfy: gate.satisfy };
  if (!dosed) return { why: 'no dose' };
  return named ? null : { why: 'nothing named' };
}

/** What was planned without signal takes the place of nothing that was planned on its tree after it; null where nothing was. */
const plannedSince = (tree: Tree, labelKey: string, at: Date): string | null => {
  const newer = tree.plans.find((p) => p.state === 'open' && p.labelKey === labelKey && !p.assignment && p.at > at);
  return newer
    ? `${newer.byName} planned the same product on ${tree.tag} after this was planned without signal. That plan stands; look at it.`
    : null;
};

/** Prescribing: the sum and every gate run again here; only what they allow becomes a plan. */
export const planTreatment = command({
  name: 'plan-treatment',
  right: 'prescribe',
  schema: z.object({
    id: uuid,
    treeId: uuid,
    /** The trouble in hand, by its condition. */
    problem: z.string().max(60).optional(),
    labelId: uuid,
    useKey: z.string().max(60),
    choices: choicesSchema,
    released: z.record(z.string().max(60), z.string().max(600)),
    /** Like trees of the same row that get the same, each dosed by its own trunk. */
    alike: z
      .array(z.object({ id: uuid, treeId: uuid }))
      .max(200, 'At most 200 trees at once.')
      .default([]),
    /** Why to go on in spite of holds that only the like trees have. */
    alikeReason: z.string().trim().max(600, 'At most 600 characters.').default(''),
  }),
  once: (x) => x.id,
  run: async ({ viewer, occurredAt, station }, p): Promise<Result<{ left: { tag: string; why: string }[] }>> => {
    const row = [p.treeId, ...p.alike.map((a) => a.treeId)];
    const ids = [p.id, ...p.alike.map((a) => a.id)];
    if (new Set(row).size < row.length || new Set(ids).size < ids.length)
      return refuse('alike', 'A tree stands in this row twice. Each tree is planned once.');
    const [all, held] = await Promise.all([heldBy(viewer), getLabel(viewer, p.labelId)]);
    const use = held?.label.uses.find((u) => u.key === p.useKey);
    if (!held || !use) return refuse('labelId', 'This product is not on the shelf.');
    // The row is planned as the tree in hand is: its programme goes with the plan.
    // What this press plans on the place counts against its cap, tree by tree.
    let pressed: TreatmentContext['sitePlanned'] = {};
    const trees = await treesOf(viewer, row, occurredAt);
    const [detections, years] = await Promise.all([
      nearbyDetections(viewer, trees),
      yearsOf(viewer, trees, station, occurredAt),
    ]);
    const one = (treeId: string, like: Tree | null) => {
      const own = trees.find((t) => t.id === treeId);
      if (!own) return null;
      const savedDiagnosis = own.savedDiagnoses.length || !like ? null : diagnosisLike(like, own, occurredAt);
      const tree = savedDiagnosis ? { ...own, savedDiagnoses: [savedDiagnosis] } : own;
      // Sites moved by hand are those of the tree in hand.
      const { bearings, ...shared } = p.choices;
      const year = years.get(tree.id)!;
      const choices: Choices = {
        ...usualChoices(tree, station(spotOf(tree)).at(occurredAt), year),
        ...shared,
        ...(!like && bearings ? { bearings } : {}),
        system: viewer.units,
      };
      const seenAlone = treatmentContextFor(viewer, tree, {
        held: all,
        detections: detections.get(tree.id)!,
        now: occurredAt,
        problem: p.problem ?? null,
        year,
      });
      const s = { ...seenAlone, sitePlanned: withPressed(seenAlone.sitePlanned, pressed) };
      const result = prescribe(s, held.label, use, choices);
      const by = { ...s.money!.by, programme: like?.programme ?? tree.programme };
      const weighed = scoreUse({ label: held.label, use, result, held: 0, weighing: by });
      // What only the day will tell is a condition of the visit, and answered there.
      const gates = whilePlanning(result, s.on);
      const released = like ? { ...holdsReleased(gates, p.alikeReason), ...p.released } : p.released;
      return {
        tree,
        savedDiagnosis,
        s,
        choices,
        result,
        released,
        open: blocked(gates, released),
        price: weighed && priced(weighed, by),
      };
    };
    const chosen = one(p.treeId, null);
    if (!chosen) return noTree;
    const { when } = p.choices;
    const never = when.kind === 'day' && noDayAhead(when.day, chosen.s.on);
    if (never) return refuse('choices.when', never);
    const { tree, result, open } = chosen;
    const newer = plannedSince(chosen.tree, held.label.key, occurredAt);
    if (newer) return refuse('', newer);
    if (!result.dose.ok || open.length)
      return {
        ok: false,
        issues: open.length
          ? open.map((g) => ({ path: `gates.${g.id}`, message: `${g.title}: ${g.sentence}` }))
          : [{ path: '', message: 'There is no dose for this tree.' }],
      };
    const count = (r: typeof result) => {
      if (!r.dose.ok) return;
      const grams = Object.fromEntries(r.dose.actives.map((a) => [a.name, a.grams]));
      pressed = withPressed(pressed, { [yearOf(r.on)]: grams });
    };
    count(result);
    const planned = (x: NonNullable<ReturnType<typeof one>>, planId: string) => ({
      id: planId,
      treeId: x.tree.id,
      at: occurredAt,
      labelId: p.labelId,
      useKey: use.key,
      // The trouble that the product acts on, which need not be the one named last.
      conditionId: aimedAt(x.s, use).condition?.id ?? x.s.condition?.id ?? 'nothing-wrong',
      choices: x.choices,
      result: told((system) =>
        system === viewer.units ? x.result : prescribe(x.s, held.label, use, { ...x.choices, system }),
      ),
      released: x.released,
      price: x.price,
      visit: visitOn(x.result, x.s.on),
    });
    const plans = [planned(chosen, p.id)];
    const savedDiagnoses: NewDiagnosis[] = [];
    const left: { tag: string; why: string }[] = [];
    const leftOut: NewLeftOut[] = [];
    for (const a of p.alike) {
      const other = one(a.treeId, tree);
      if (!other) continue;
      if (plannedSince(other.tree, held.label.key, occurredAt)) {
        left.push({ tag: other.tree.tag, why: 'planned by somebody else since' });
        continue;
      }
      const stop = stopOf(other.open, other.result.dose.ok, other.s.condition !== null);
      if (stop) {
        left.push({ tag: other.tree.tag, why: stop.why === 'gate' ? stop.title : stop.why });
        leftOut.push({ id: v7(), treeId: a.treeId, labelId: p.labelId, useKey: use.key, stop, at: occurredAt });
      } else {
        plans.push(planned(other, a.id));
        count(other.result);
        if (other.savedDiagnosis) savedDiagnoses.push({ ...other.savedDiagnosis, treeId: a.treeId });
      }
    }
    const rows = plans.slice(1).map(({ treeId }) => ({ id: v7(), treeId }));
    await planRow(viewer, {
      plans,
      savedDiagnoses,
      left: leftOut,
      programme: tree.programme && { rows, as: tree.programme },
    });
    return { ok: true, value: { left } };
  },
});
