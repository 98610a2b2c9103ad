'use server';

import { v7 } from 'uuid';
import { z } from 'zod';
import { PROGRAMME_LIMITS, USUAL_PROGRAMME } from '@/core/season/programme';
import { DENSITY } from '@/core/spray/crown';
import { readAnswers, usualAnswers } from '@/core/work/work';
import { weighUse, weighWork } from '@/core/prescribe/compare';
import { priced } from '@/core/prescribe/costs';
import { DAYS_OPEN, offer } from '@/core/proposal/proposal';
import { addProposal } from '@/store/proposals';
import { findWork } from '@/core/work/works';
import { uuid } from '@/core/book/record';
import { LEAF_STATES } from '@/core/diagnose/words';
import { blocked } from '@/core/gates/rules';
import { added, aimedAt, prescribe, type Choices } from '@/core/prescribe/prescribe';
import { SOIL_WORDS } from '@/core/weather/air';
import { addWorkPlans, setPlanState, setProgramme as saveProgramme } from '@/store/plans';
import { getLabel, listSprayers, listVessels, shelfLabels } from '@/store/shelf';
import { planRow, type NewVerdict, type Tree, type Verdict } from '@/store/tree';
import type { Gate } from '@/core/gates/gate';
import { act, done, refuse, type Answer } from '@/app/_server/act';
import { noTree, seen, treeOf } from '../acting';
import { saidSchema } from '../said';
import { numberAt, typed } from '@/app/_server/typed';
import { situationOf, usualChoices, weighingOf, workFactsOf } from '@/app/_server/situation';
import { station } from '@/app/_server/station';
import type { Fault } from '@/core/book/write';

const choicesSchema = z.object({
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
const verdictLike = (like: Tree, own: Tree): Verdict | null => {
  const [given] = like.verdicts;
  return given
    ? {
        ...given,
        id: v7(),
        at: new Date(),
        lookId: own.looks[0]?.id ?? null,
        certainty: own.looks.length ? given.certainty : 'possible',
        reason: `As ${like.tag} in the same row. ${given.reason}`.slice(0, 2000),
        ranking: [],
        overturnedBy: [],
        overturns: [],
      }
    : null;
};
/** Holds that a certified person may go on in spite of, each with the reason given for the row; questions stay open. */
const holdsReleased = (gates: Gate[], reason: string): Record<string, string> =>
  reason ? Object.fromEntries(gates.filter((g) => g.strength === 'hold' && !g.asks).map((g) => [g.id, reason])) : {};

/** Prescribing: the sum and every gate run again here; only what they allow becomes a plan. */
export const makePlan = act(
  'prescribe',
  z.object({
    id: uuid,
    treeId: uuid,
    /** The trouble in hand, by its condition. */
    trouble: z.string().max(60).optional(),
    labelId: uuid,
    useKey: z.string().max(60),
    choices: choicesSchema,
    released: z.record(z.string().max(60), z.string().max(600)),
    /** Like trees of the same row that get the same, each dosed by its own trunk. */
    alike: z
      .array(z.object({ id: uuid, treeId: uuid }))
      .max(60, 'At most 60 trees at once.')
      .default([]),
    /** Why to go on in spite of holds that only the like trees have. */
    alikeReason: z.string().trim().max(600, 'At most 600 signs.').default(''),
  }),
  async (v, p): Promise<Answer<{ left: { tag: string; why: string }[] }>> => {
    const [labels, vessels, tanks, held] = await Promise.all([
      shelfLabels(v),
      listVessels(v),
      listSprayers(v),
      getLabel(v, p.labelId),
    ]);
    const use = held?.label.uses.find((u) => u.key === p.useKey);
    if (!held || !use) return refuse('labelId', 'This product is not on the shelf.');
    const now = station().at(new Date());
    // The row is planned as the tree in hand is: its programme goes with the plan.
    // What this press plans on the place counts against its cap, tree by tree.
    let pressed: Record<string, number> = {};
    const one = async (treeId: string, like: Tree | null) => {
      const own = await treeOf(v, treeId);
      if (!own) return null;
      const verdict = own.verdicts.length || !like ? null : verdictLike(like, own);
      const tree = verdict ? { ...own, verdicts: [verdict] } : own;
      // Sites moved by hand are those of the tree in hand.
      const { bearings, ...shared } = p.choices;
      const choices: Choices = {
        ...usualChoices(tree, now),
        ...shared,
        ...(!like && bearings ? { bearings } : {}),
        system: v.units,
      };
      const seenAlone = situationOf(v, tree, labels, vessels, { tanks });
      const s = { ...seenAlone, sitePlannedActive: added(seenAlone.sitePlannedActive ?? {}, pressed) };
      const result = prescribe(s, held.label, use, choices);
      const by = { ...s.money!.by, programme: like?.programme ?? tree.programme };
      const weighed = weighUse(held.label, use, result, 0, by);
      const released = like ? { ...holdsReleased(result.gates, p.alikeReason), ...p.released } : p.released;
      return {
        tree,
        verdict,
        s,
        choices,
        result,
        released,
        open: blocked(result.gates, released),
        price: weighed && priced(weighed, by),
      };
    };
    const chosen = await one(p.treeId, null);
    if (!chosen) return noTree;
    const { tree, result, open } = chosen;
    if (!result.dose.ok || open.length)
      return {
        ok: false,
        faults: open.length
          ? open.map((g) => ({ path: `gates.${g.id}`, sentence: `${g.title}: ${g.sentence}` }))
          : [{ path: '', sentence: 'There is no dose for this tree.' }],
      };
    const count = (r: typeof result) => {
      if (r.dose.ok) pressed = added(pressed, Object.fromEntries(r.dose.actives.map((a) => [a.name, a.grams])));
    };
    count(result);
    const planned = (x: NonNullable<Awaited<ReturnType<typeof one>>>, planId: string) => ({
      id: planId,
      treeId: x.tree.id,
      labelId: p.labelId,
      useKey: use.key,
      // The trouble that the product acts on, which need not be the one named last.
      conditionId: aimedAt(x.s, use).condition?.id ?? x.s.condition?.id ?? 'nothing-wrong',
      choices: x.choices,
      result: x.result,
      released: x.released,
      price: x.price,
    });
    const plans = [planned(chosen, p.id)];
    const verdicts: NewVerdict[] = [];
    const left: { tag: string; why: string }[] = [];
    for (const a of p.alike) {
      const other = await one(a.treeId, tree);
      if (!other) continue;
      const stands = other.open[0]?.title ?? (other.result.dose.ok ? null : 'no dose');
      if (stands || !other.s.condition) left.push({ tag: other.tree.tag, why: stands ?? 'nothing named' });
      else {
        plans.push(planned(other, a.id));
        count(other.result);
        if (other.verdict) verdicts.push({ ...other.verdict, treeId: a.treeId });
      }
    }
    const rows = plans.slice(1).map(({ treeId }) => ({ id: v7(), treeId }));
    await planRow(v, { plans, verdicts, programme: tree.programme && { rows, as: tree.programme } });
    seen();
    return { ok: true, value: { left } };
  },
);

/** Planning a work without a label: its arithmetic and gates run again here, for the tree in hand and its like. */
export const planWork = act(
  'prescribe',
  z.object({
    id: uuid,
    treeId: uuid,
    workId: z.string().max(60),
    answers: z.record(z.string().max(40), z.union([z.string().max(60), z.number(), z.boolean()])),
    released: z.record(z.string().max(60), z.string().max(600)),
    alike: z
      .array(z.object({ id: uuid, treeId: uuid }))
      .max(60, 'At most 60 trees at once.')
      .default([]),
  }),
  async (v, p): Promise<Answer> => {
    const work = findWork(p.workId);
    if (!work) return refuse('workId', 'There is no such work.');
    const plans: Parameters<typeof addWorkPlans>[1][number][] = [];
    let first: Tree | null = null;
    for (const t of [{ id: p.id, treeId: p.treeId }, ...p.alike]) {
      const tree = await treeOf(v, t.treeId);
      const facts = tree && workFactsOf(v, tree);
      if (!tree || !facts) {
        if (t.id === p.id) return tree ? refuse('', 'Measure the trunk first.') : noTree;
        continue;
      }
      const read = readAnswers(work, facts, p.answers);
      if (!read.ok) return { ok: false, faults: read.faults };
      const sheet = work.workOut(facts, read.answers);
      first ??= tree;
      const by = weighingOf(v, { ...tree, programme: first.programme ?? tree.programme });
      const open = blocked(sheet.gates, p.released);
      if (open.length) {
        if (t.id === p.id)
          return {
            ok: false,
            faults: open.map((g) => ({ path: `gates.${g.id}`, sentence: `${g.title}: ${g.sentence}` })),
          };
        continue;
      }
      plans.push({
        id: t.id,
        treeId: tree.id,
        workId: work.id,
        conditionId: facts.condition?.id ?? null,
        answers: read.answers,
        sheet,
        released: p.released,
        price: priced(weighWork(work, sheet, 0, by), by),
      });
    }
    const programme = first?.programme;
    const rows = plans.flatMap(({ treeId }) => (treeId === p.treeId ? [] : [{ id: v7(), treeId }]));
    await addWorkPlans(v, plans, programme ? { rows, as: programme } : null);
    seen();
    return done;
  },
);

export const dropPlan = act('prescribe', z.object({ id: uuid, drop: z.boolean() }), async (v, { id, drop }) => {
  const changed = await setPlanState(v, id, drop ? 'open' : 'dropped', drop ? 'dropped' : 'open');
  seen();
  return changed.count ? done : refuse('', 'This plan was carried out or dropped meanwhile.');
});

/** How this tree is to be treated over the years; what is booked from now on follows it. */
export const setProgramme = act(
  'prescribe',
  z.object({
    id: uuid,
    treeId: uuid,
    school: z.enum(['conventional', 'organic', 'threshold']).nullable(),
    everyYears: z.number().int().min(PROGRAMME_LIMITS.everyYears.min).max(PROGRAMME_LIMITS.everyYears.max).nullable(),
    years: z.number().int().min(PROGRAMME_LIMITS.years.min).max(PROGRAMME_LIMITS.years.max),
  }),
  async (v, { id, treeId, ...programme }): Promise<Answer> => {
    if (!(await treeOf(v, treeId))) return noTree;
    await saveProgramme(v, [{ id, treeId }], programme);
    seen();
    return done;
  },
);

/** Offers ways to the client: each weighed again here, as the tree and the shelf stand now. */
export const propose = act(
  'prescribe',
  z.object({
    id: uuid,
    treeId: uuid,
    keys: z.array(z.string().max(200)).min(1, 'Offer one way at least.').max(12, 'At most twelve ways.'),
    message: z.string().trim().max(2000, 'At most 2000 signs.'),
    days: typed,
  }),
  async (v, p): Promise<Answer<{ path: string }>> => {
    const faults: Fault[] = [];
    const days = numberAt(faults, 'days', p.days, { name: 'The days', ...DAYS_OPEN, whole: true });
    if (faults.length) return { ok: false, faults };
    const [tree, labels, vessels, tanks] = await Promise.all([
      treeOf(v, p.treeId),
      shelfLabels(v),
      listVessels(v),
      listSprayers(v),
    ]);
    if (!tree) return noTree;
    const now = station().at(new Date());
    const s = situationOf(v, tree, labels, vessels, { tanks });
    const choices = { ...usualChoices(tree, now), system: v.units };
    const facts = workFactsOf(v, tree);
    const by = weighingOf(v, tree);
    const weighed = p.keys.flatMap((key) => {
      const work = key.startsWith('work:') ? findWork(key.slice(5)) : null;
      if (work) return facts ? weighWork(work, work.workOut(facts, usualAnswers(work, facts)), 0, by) : [];
      const held = labels.find((l) => l.label.uses.some((u) => `${l.key}/${u.key}` === key));
      const use = held?.label.uses.find((u) => `${held.key}/${u.key}` === key);
      return held && use ? (weighUse(held.label, use, prescribe(s, held.label, use, choices), 0, by) ?? []) : [];
    });
    const never = weighed.find((w) => w.forbidden);
    if (never)
      return refuse('keys', `${never.method}, ${never.name}: ${never.forbidden}. What is forbidden is not offered.`);
    if (!weighed.length) return refuse('keys', 'None of these ways can be worked out for this tree.');
    const token = await addProposal(v, {
      id: p.id,
      treeId: tree.id,
      days: days!,
      data: {
        outfit: v.outfitName,
        by: v.name,
        client: tree.clientName,
        place: tree.placeName,
        tag: tree.tag,
        host: s.host.name,
        found: s.condition ? `${s.condition.name}. ${s.condition.tell}` : 'Nothing has been named yet.',
        message: p.message,
        currency: v.prices.currency,
        years: (by.programme ?? USUAL_PROGRAMME).years,
        options: weighed.map(offer),
        changes: tree.changes
          .filter((c) => c.state === 'open')
          .map((c) => ({ id: c.id, what: c.what, price: c.priceMinor })),
      },
    });
    seen();
    return { ok: true, value: { path: `/share/${token}` } };
  },
);
