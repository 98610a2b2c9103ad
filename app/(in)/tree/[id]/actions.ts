'use server';

import { v7 } from 'uuid';
import { z } from 'zod';
import { FACT_KEYS, SAID } from '@/core/gates/said';
import { dayIn, followUps } from '@/core/season/follow-ups';
import { PROGRAMME_LIMITS, USUAL_PROGRAMME } from '@/core/season/programme';
import { DENSITY } from '@/core/spray/crown';
import { readAnswers, usualAnswers } from '@/core/work/work';
import { weighUse, weighWork } from '@/core/prescribe/compare';
import { priced, stepOfUse, stepOfWork } from '@/core/prescribe/costs';
import { DAYS_OPEN, offer } from '@/core/proposal/proposal';
import { addProposal, revokeProposal } from '@/store/proposals';
import { findWork } from '@/core/work/works';
import { bookingSchema, uuid, weatherSchema } from '@/core/book/record';
import { writeUp } from '@/core/book/write';
import { LEAF_STATES } from '@/core/diagnose/words';
import { blocked } from '@/core/gates/rules';
import { combinedDiameter, stemDiameters } from '@/core/measure/trunk';
import { prescribe, type Choices } from '@/core/prescribe/prescribe';
import { LENGTH } from '@/core/units/units';
import { soilState, SOIL_WORDS } from '@/core/weather/air';
import { findCondition, findHost } from '@/knowledge';
import { PlanGone, writeRecord } from '@/store/book';
import { settle } from '@/store/follow-ups';
import { setTreeArchived } from '@/store/grounds';
import {
  addPlan,
  addWorkPlans,
  getPlan,
  getWorkPlan,
  setPlanState,
  setProgramme as saveProgramme,
  settleWork,
} from '@/store/plans';
import { getLabel, listSprayers, listVessels, lotsOf, shelfLabels } from '@/store/shelf';
import { addReading, changeTree, type Tree } from '@/store/tree';
import { act, done, refuse, type Answer } from '@/app/_server/act';
import { noTree, seen, treeOf } from './acting';
import { numberAt, typed } from '@/app/_server/typed';
import { situationOf, usualChoices, weighingOf, workFactsOf } from '@/app/_server/situation';
import { station } from '@/app/_server/station';
import type { Fault } from '@/core/book/write';

export const settleFollowUp = act(
  'settle a follow-up',
  z.object({ id: uuid, done: z.boolean() }),
  async (v, { id, done: to }): Promise<Answer> => {
    const changed = await settle(v, id, to ? 'open' : 'done', to ? 'done' : 'open');
    seen();
    return changed.count ? done : refuse('', 'This visit was settled meanwhile, or it is not in this outfit.');
  },
);

export const editTree = act(
  'edit grounds',
  z.object({
    id: uuid,
    tag: z.string().trim().min(1, 'A tree needs its tag.').max(24, 'A tag has at most 24 signs.'),
    hostId: z.string().refine((h) => findHost(h) !== null, 'Choose a host from the list.'),
    note: z.string().max(2000, 'At most 2000 signs.'),
    walkOrder: typed,
    lat: typed,
    lon: typed,
  }),
  async (v, t) => {
    const faults: Fault[] = [];
    const walkOrder = numberAt(faults, 'walkOrder', t.walkOrder, {
      name: 'The walking order',
      min: 0,
      max: 1_000_000,
      whole: true,
    });
    const lat = numberAt(faults, 'lat', t.lat, { name: 'The latitude', min: -90, max: 90 }, true);
    const lon = numberAt(faults, 'lon', t.lon, { name: 'The longitude', min: -180, max: 180 }, true);
    if (!faults.length && (lat === null) !== (lon === null))
      faults.push({ path: lat === null ? 'lat' : 'lon', sentence: 'A position needs both numbers.' });
    if (faults.length) return { ok: false, faults };
    const changed = await changeTree(v, { ...t, walkOrder: walkOrder!, lat, lon });
    seen();
    return changed.count ? done : noTree;
  },
);

export const archiveTree = act('edit grounds', z.object({ id: uuid, archived: z.boolean() }), async (v, t) => {
  const changed = await setTreeArchived(v, t.id, t.archived);
  seen();
  return changed.count ? done : noTree;
});

const lengthUnits = Object.keys(LENGTH) as [keyof typeof LENGTH];
/** Measuring: every stem as typed, the height it was read at, what was in the way. */
export const measure = act(
  'measure',
  z.object({
    id: uuid,
    treeId: uuid,
    stems: z
      .array(z.object({ kind: z.enum(['girth', 'diameter']), value: typed, unit: z.enum(lengthUnits) }))
      .min(1, 'Measure at least one stem.')
      .max(12, 'More than twelve stems: measure the largest twelve.'),
    atHeight: typed,
    height: typed,
    heightUnit: z.enum(['m', 'ft']),
    /** In the unit of the height. */
    crownWidth: typed,
    crownBase: typed,
    flares: z
      .array(z.strictObject({ bearing: z.number().min(0).max(360), strength: z.number().min(0).max(1) }))
      .max(24, 'At most 24 flares.'),
    atHeightUnit: z.enum(['cm', 'in']),
    /** Empty for a straight grain. */
    grain: typed,
    obstacles: z.string().max(500, 'At most 500 signs.'),
    arcs: z
      .array(
        z.object({ kind: z.enum(['wound', 'dead-bark', 'canker', 'valley', 'inclusion']), from: typed, to: typed }),
      )
      .max(24),
    method: z.enum(['tape', 'diameter tape', 'sent by tape']),
  }),
  async (v, m): Promise<Answer<{ next: string }>> => {
    const faults: Fault[] = [];
    const stems = m.stems.map((s, i) => {
      const max = Math.round((s.kind === 'girth' ? 3000 : 1000) / LENGTH[s.unit]);
      const value = numberAt(faults, `stems.${i}`, s.value, {
        name: s.kind === 'girth' ? 'The girth' : 'The diameter',
        above: 0,
        max,
        unit: s.unit,
      });
      return { kind: s.kind, typed: { value: value ?? 0, unit: s.unit } };
    });
    const atHeight = numberAt(
      faults,
      'atHeight',
      m.atHeight,
      m.atHeightUnit === 'cm'
        ? { name: 'The height of measurement', min: 0, max: 300, unit: 'cm' }
        : { name: 'The height of measurement', min: 0, max: 118, unit: 'in' },
    );
    const height = numberAt(
      faults,
      'height',
      m.height,
      m.heightUnit === 'm'
        ? { name: 'The tree’s height', above: 0, max: 130, unit: 'm' }
        : { name: 'The tree’s height', above: 0, max: 426, unit: 'ft' },
      true,
    );
    const large = m.heightUnit === 'm' ? 1 : 100 / LENGTH.ft;
    const crownWidth = numberAt(
      faults,
      'crownWidth',
      m.crownWidth,
      { name: 'The crown’s width', above: 0, max: Math.round(60 * large), unit: m.heightUnit },
      true,
    );
    const crownBase = numberAt(
      faults,
      'crownBase',
      m.crownBase,
      { name: 'The height of the lowest leaves', min: 0, max: Math.round(100 * large), unit: m.heightUnit },
      true,
    );
    const grainDeg = numberAt(
      faults,
      'grain',
      m.grain,
      { name: 'The spiral of the grain', min: -180, max: 180, unit: '°', whole: true },
      true,
    );
    if (height !== null && crownBase !== null && crownBase >= height)
      faults.push({ path: 'crownBase', sentence: 'The lowest leaves hang below the top of the tree.' });
    const arcs = m.arcs.map((a, i) => {
      const rule = { name: 'A bearing', min: 0, max: 360, unit: '°' };
      return {
        kind: a.kind,
        from: numberAt(faults, `arcs.${i}`, a.from, rule) ?? 0,
        to: numberAt(faults, `arcs.${i}`, a.to, rule) ?? 0,
      };
    });
    if (faults.length) return { ok: false, faults };
    const tree = await treeOf(v, m.treeId);
    if (!tree) return noTree;
    await addReading(v, {
      id: m.id,
      treeId: tree.id,
      diameterCm: combinedDiameter(stemDiameters(stems), 'basal-area'),
      atHeightCm: atHeight! * LENGTH[m.atHeightUnit],
      stems,
      treeHeightM: height === null ? null : (height * LENGTH[m.heightUnit]) / 100,
      crownWidthM: crownWidth === null ? null : crownWidth / large,
      crownBaseM: crownBase === null ? null : crownBase / large,
      obstacles: m.obstacles,
      arcs,
      flares: m.flares,
      grainDeg: grainDeg ?? 0,
      method: m.method,
    });
    seen();
    const next = !tree.looks.length ? 'examine' : !tree.verdicts.length ? 'decide' : 'prescribe';
    return { ok: true, value: { next: `/tree/${tree.id}/${next}` } };
  },
);

/** What somebody at the tree has said: each answer is one of those the question offers; the stage comes from the label. */
const saidSchema = z
  .partialRecord(z.enum(FACT_KEYS), z.string().max(60))
  .refine(
    (said) =>
      FACT_KEYS.every(
        (k) => said[k] === undefined || k === 'stage' || (SAID[k].answers as readonly string[]).includes(said[k]),
      ),
    'This answer was not offered.',
  );
const choicesSchema = z.object({
  soil: z.enum(SOIL_WORDS).nullable(),
  leaf: z.enum(LEAF_STATES).nullable(),
  stemRule: z.enum(['sum', 'basal-area', 'each', 'largest']).optional(),
  rangePoint: z.number().min(0).max(1).optional(),
  rangeReason: z.string().max(200).optional(),
  said: saidSchema.optional(),
  density: z.enum(Object.keys(DENSITY) as [keyof typeof DENSITY]).optional(),
  bearings: z.array(z.number().int().min(0).max(359)).max(200).optional(),
  tankId: uuid.optional(),
  weights: z.strictObject({ flare: z.number().min(0).max(3), sector: z.number().min(0).max(3) }).optional(),
});

/** Prescribing: the sum and every gate run again here; only what they allow becomes a plan. */
export const makePlan = act(
  'prescribe',
  z.object({
    id: uuid,
    treeId: uuid,
    labelId: uuid,
    useKey: z.string().max(60),
    choices: choicesSchema,
    released: z.record(z.string().max(60), z.string().max(600)),
    /** Like trees of the same row that get the same, each dosed by its own trunk. */
    alike: z
      .array(z.object({ id: uuid, treeId: uuid }))
      .max(60, 'At most 60 trees at once.')
      .default([]),
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
    const one = async (treeId: string, like: Tree | null) => {
      const tree = await treeOf(v, treeId);
      if (!tree) return null;
      // Sites moved by hand are those of the tree in hand.
      const { bearings, ...shared } = p.choices;
      const choices: Choices = {
        ...usualChoices(tree, now),
        ...shared,
        ...(!like && bearings ? { bearings } : {}),
        system: v.units,
      };
      const s = situationOf(v, tree, labels, vessels, { tanks });
      const result = prescribe(s, held.label, use, choices);
      const by = weighingOf(v, { ...tree, programme: like?.programme ?? tree.programme });
      const weighed = weighUse(held.label, use, result, 0, by);
      return {
        tree,
        s,
        choices,
        result,
        open: blocked(result.gates, p.released),
        price: weighed && priced(weighed, by),
      };
    };
    const chosen = await one(p.treeId, null);
    if (!chosen) return noTree;
    const { tree, s, choices, result, open, price } = chosen;
    if (!result.dose.ok || open.length)
      return {
        ok: false,
        faults: open.length
          ? open.map((g) => ({ path: `gates.${g.id}`, sentence: `${g.title}: ${g.sentence}` }))
          : [{ path: '', sentence: 'There is no dose for this tree.' }],
      };
    await addPlan(v, {
      id: p.id,
      treeId: tree.id,
      labelId: p.labelId,
      useKey: use.key,
      conditionId: s.condition!.id,
      choices,
      result,
      released: p.released,
      price,
    });
    const left: { tag: string; why: string }[] = [];
    const taken: { id: string; treeId: string }[] = [];
    for (const a of p.alike) {
      const other = await one(a.treeId, tree);
      if (!other) continue;
      const stands = other.open[0]?.title ?? (other.result.dose.ok ? null : 'no dose');
      if (stands || !other.s.condition) left.push({ tag: other.tree.tag, why: stands ?? 'nothing named' });
      else {
        taken.push({ id: v7(), treeId: a.treeId });
        await addPlan(v, {
          id: a.id,
          treeId: a.treeId,
          labelId: p.labelId,
          useKey: use.key,
          conditionId: other.s.condition.id,
          choices: other.choices,
          result: other.result,
          released: p.released,
          price: other.price,
        });
      }
    }
    if (tree.programme) await saveProgramme(v, taken, tree.programme);
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
    await addWorkPlans(v, plans);
    const programme = first?.programme;
    if (programme)
      await saveProgramme(
        v,
        plans.flatMap(({ treeId }) => (treeId === p.treeId ? [] : [{ id: v7(), treeId }])),
        programme,
      );
    seen();
    return done;
  },
);

/** A work carried out today, or dropped; its follow-ups are counted from today. */
export const finishWork = act(
  'apply',
  z.object({ id: uuid, done: z.boolean(), note: z.string().trim().max(2000, 'At most 2000 signs.') }),
  async (v, p): Promise<Answer> => {
    const plan = await getWorkPlan(v, p.id);
    const tree = plan && (await treeOf(v, plan.treeId));
    if (!plan || !tree) return refuse('', 'This work is not in this outfit.');
    const today = dayIn(new Date(), tree.timeZone);
    const settled = await settleWork(
      v,
      { id: p.id, state: p.done ? 'done' : 'dropped', doneOn: p.done ? today : null, note: p.note },
      v7,
      p.done ? followUps(stepOfWork(plan.workId, plan.sheet.followUps, weighingOf(v, tree)).rules, today) : [],
    );
    seen();
    return settled ? done : refuse('', 'This work was carried out or dropped meanwhile.');
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

/** Booking: the record, the stock, the follow-ups and the end of the plan, together or not at all. */
export const book = act(
  'apply',
  bookingSchema,
  async (v, b): Promise<Answer<{ recordId: string; due: { what: string; due: string }[] }>> => {
    const plan = await getPlan(v, b.planId);
    if (!plan) return refuse('planId', 'This plan is not in this outfit.');
    const [tree, labels, vessels, lots] = await Promise.all([
      treeOf(v, plan.treeId),
      shelfLabels(v),
      listVessels(v),
      lotsOf(v, plan.label.key),
    ]);
    const use = plan.label.uses.find((u) => u.key === plan.useKey);
    const condition = findCondition(plan.conditionId);
    if (!tree || !use || !condition || !plan.result.dose.ok)
      return refuse('planId', 'What this plan rests on is gone; prescribe anew.');
    const saidNow = saidSchema.safeParse(b.said);
    if (!saidNow.success) return refuse('said', 'An answer was given that was not offered.');
    const said = weatherSchema.parse(b.weather);
    const s = situationOf(v, tree, labels, vessels);
    // The same gates once more, with the ground and air of the hour in which it was done.
    const fresh = prescribe(s, plan.label, use, {
      ...plan.choices,
      said: { ...plan.choices.said, ...saidNow.data },
      phase: 'apply',
      now: b.startedAt,
      soil: b.soil ?? soilState(said),
      temperatureC: said.temperatureC,
      windMs: said.windMs,
      rainNext24Mm: said.rainNext24Mm,
      humidity: said.humidity,
      windFromDeg: said.windFromDeg,
    });
    const up = writeUp(
      {
        now: new Date(),
        timeZone: tree.timeZone,
        applicator: { id: v.personId, name: v.name, licence: v.licence },
        labelId: plan.labelId,
        label: plan.label,
        use,
        rules: stepOfUse(use, weighingOf(v, tree)).rules,
        condition,
        host: s.host,
        tree: { id: tree.id, tag: tree.tag, lat: tree.lat, lon: tree.lon },
        place: { id: tree.placeId, name: tree.placeName, address: tree.address, client: tree.clientName },
        dose: plan.result.dose,
        ring: plan.result.ring,
        treated: plan.result.treated,
        gates: fresh.gates,
        released: plan.released,
        lot: lots.find((l) => l.id === b.lotId) ?? null,
      },
      b,
    );
    if (!up.ok) {
      // The same booking sent twice finds its plan done; the first one stands.
      if (plan.state === 'done' && tree.records.some((r) => r.rootId === b.id))
        return { ok: true, value: { recordId: b.id, due: [] } };
      return { ok: false, faults: up.faults };
    }
    try {
      await writeRecord(v, v7, {
        id: b.id,
        rootId: b.id,
        version: 1,
        planId: plan.id,
        startedAt: b.startedAt,
        endedAt: b.endedAt,
        doneOn: up.doneOn,
        byPerson: v.personId,
        withdrawn: false,
        correction: null,
        words: up.words,
        data: up.data,
        followUps: up.followUps,
        moves: [{ id: v7(), lotId: b.lotId, amount: -b.amount, reason: `used on ${tree.tag}, ${tree.placeName}` }],
      });
    } catch (error) {
      if (error instanceof PlanGone)
        return refuse('planId', 'Somebody else has carried out or dropped this plan meanwhile. Nothing was written.');
      if ((error as { code?: string }).code === '23514')
        return refuse('lotId', 'Somebody else took from this lot meanwhile; there is not enough left.');
      throw error;
    }
    seen();
    return { ok: true, value: { recordId: b.id, due: up.followUps.map((f) => ({ what: f.what, due: f.due })) } };
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

export const revoke = act('prescribe', z.object({ id: uuid }), async (v, { id }): Promise<Answer> => {
  const changed = await revokeProposal(v, id);
  seen();
  return changed.count ? done : refuse('', 'This proposal was taken back before.');
});
