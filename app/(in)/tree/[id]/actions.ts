'use server';

import { revalidatePath } from 'next/cache';
import { v7 } from 'uuid';
import { z } from 'zod';
import { bookingSchema, uuid, weatherSchema } from '@/core/book/record';
import { writeUp } from '@/core/book/write';
import { detailSchema, lookSchema } from '@/core/diagnose/look';
import { CERTAINTIES, DECISIONS, LEAF_STATES, TREATS } from '@/core/diagnose/words';
import { blocked } from '@/core/gates/rules';
import { combinedDiameter, stemDiameters } from '@/core/measure/trunk';
import { prescribe, type Choices } from '@/core/prescribe/prescribe';
import { readNumber } from '@/core/units/numbers';
import { LENGTH } from '@/core/units/units';
import { soilState, SOIL_WORDS } from '@/core/weather/air';
import { findCondition, findHost, findTest, signsFor } from '@/knowledge';
import { PlanGone, writeRecord } from '@/store/book';
import { settle } from '@/store/follow-ups';
import { setTreeArchived } from '@/store/grounds';
import { addPlan, getPlan, setPlanState } from '@/store/plans';
import { getLabel, listVessels, lotsOf, shelfLabels } from '@/store/shelf';
import { addLooks, addReading, addVerdict, alikeTrees, changeTree, getTree, settleChange } from '@/store/tree';
import { act, done, refuse, type Answer } from '@/app/_server/act';
import { diagnose } from '@/app/_server/diagnosis';
import { situationOf, usualChoices } from '@/app/_server/situation';
import { station } from '@/app/_server/station';
import { todayOf } from '@/app/_server/viewer';
import type { Viewer } from '@/store/auth';
import type { Fault } from '@/core/book/write';

const typed = z.string('This must be text.').max(40, 'That is too long for a number.');
const noTree = refuse('', 'There is no such tree in this outfit.');
const seen = (...paths: string[]) => ['/', ...paths].forEach((p) => revalidatePath(p, 'layout'));
const treeOf = (v: Viewer, id: string) => getTree(v, id, todayOf(v).slice(0, 4));

/** Reads one typed number; null for an empty optional field; faults go to `out`. */
function numberAt(
  out: Fault[],
  path: string,
  text: string,
  rule: Parameters<typeof readNumber>[1],
  optional = false,
): number | null {
  if (optional && text.trim() === '') return null;
  const read = readNumber(text, rule);
  if (read.ok) return read.value;
  out.push({ path, sentence: read.sentence });
  return null;
}

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
    atHeightUnit: z.enum(['cm', 'in']),
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
      obstacles: m.obstacles,
      arcs,
      method: m.method,
    });
    seen();
    const next = !tree.looks.length ? 'examine' : !tree.verdicts.length ? 'decide' : 'prescribe';
    return { ok: true, value: { next: `/tree/${tree.id}/${next}` } };
  },
);

/** Examining: the key, the signs, the tests, crown and vigour; on one tree, or on a row of trees that look alike. */
export const examine = act('examine', lookSchema, async (v, l): Promise<Answer> => {
  const faults: Fault[] = [];
  const crownLoss = numberAt(
    faults,
    'crownLoss',
    l.crownLoss,
    { name: 'Crown loss', min: 0, max: 100, unit: '%', whole: true },
    true,
  );
  const price = numberAt(faults, 'changePrice', l.changePrice, { name: 'The price', min: 0, max: 1_000_000 }, true);
  if (l.alike.length > 1 && new Set(l.alike.map((a) => a.treeId)).size !== l.alike.length)
    faults.push({ path: 'alike', sentence: 'A tree stands twice in the row.' });
  if (faults.length) return { ok: false, faults };
  const tree = await treeOf(v, l.treeId);
  const host = tree && findHost(tree.hostId);
  if (!tree || !host) return noTree;
  const record = l.detail.check?.recordId;
  if (record && !tree.records.some((r) => r.rootId === record))
    return refuse('detail.check', 'The treatment that this look checks is not in the book of this tree.');
  const known = new Set(signsFor(host).map((s) => s.id));
  const strange = l.findings.findIndex((f) => !known.has(f.sign));
  if (strange >= 0) return refuse(`findings.${strange}`, 'This sign is not in the vocabulary for this host.');
  for (const [i, t] of l.tests.entries())
    if (!findTest(t.test)?.outcomes.some((o) => o.id === t.outcome))
      return refuse(`tests.${i}`, 'This test has no such outcome.');
  const row = await alikeTrees(v, tree);
  const stranger = l.alike.findIndex((a) => !row.some((t) => t.id === a.treeId));
  if (stranger >= 0)
    return refuse(`alike.${stranger}`, 'This tree is not of the same kind in the same row; examine it by itself.');
  const looked = l.findings.filter((f) => f.state !== 'not looked');
  const one = {
    crownLoss,
    vigour: l.vigour,
    hostKey: l.hostKey.map((k) => k === true),
    hostConfirmed: l.hostKey.length === host.key.length && l.hostKey.every((k) => k === true),
    note: l.note,
    today: todayOf(v),
  };
  const bare = detailSchema.parse({ soilMoisture: l.detail.soilMoisture });
  await addLooks(v, [
    {
      ...one,
      id: l.id,
      treeId: tree.id,
      findings: looked,
      tests: l.tests,
      detail: l.detail,
      change: l.change.trim()
        ? { id: v7(), what: l.change.trim(), priceMinor: price === null ? null : Math.round(price * 100) }
        : null,
    },
    // What was tested, dug or drawn was so on one tree; the signs speak for the row, but for the exceptions.
    ...l.alike.map((a) => ({
      ...one,
      id: a.id,
      treeId: a.treeId,
      hostConfirmed: false,
      hostKey: [],
      findings: [
        ...looked.filter((f) => !a.except.some((x) => x.sign === f.sign)),
        ...a.except.filter((x) => x.state !== 'not looked' && known.has(x.sign)),
      ].map(({ bearing: _, ...f }) => f),
      tests: [],
      detail: bare,
      change: null,
    })),
  ]);
  seen();
  return done;
});

/** The client's word on what was found while digging. */
export const answerChange = act(
  'edit grounds',
  z.object({
    id: uuid,
    approved: z.boolean(),
    how: z.string().trim().min(3, 'Say who agreed, and how.').max(400, 'At most 400 signs.'),
  }),
  async (v, c) => {
    const changed = await settleChange(v, c.id, c.approved ? 'approved' : 'declined', c.how);
    seen();
    return changed.count ? done : refuse('', 'This was settled meanwhile, or it is not in this outfit.');
  },
);

export const decide = act(
  'examine',
  z.object({
    id: uuid,
    treeId: uuid,
    conditionId: z.string('Name what ails the tree.').min(1, 'Name what ails the tree, or “Something else”.').max(60),
    certainty: z.enum(CERTAINTIES, 'Say how sure you are.'),
    decision: z.enum(DECISIONS, 'Say what is to be done.'),
    reason: z.string().max(2000, 'At most 2000 signs.'),
  }),
  async (v, d): Promise<Answer<{ next: string }>> => {
    const tree = await treeOf(v, d.treeId);
    const found = tree && (await diagnose(v, tree));
    if (!tree || !found) return noTree;
    if (!found.candidates.some((c) => c.id === d.conditionId))
      return refuse('conditionId', `That does not happen to ${findHost(tree.hostId)!.name}. Choose from the list.`);
    const own = found.decide(d.conditionId);
    if (!d.reason.trim() && d.decision !== own.decision)
      return refuse('reason', `The ranking would say “${own.decision}”. Say in a sentence why it is otherwise.`);
    const before = tree.verdicts[0];
    // What overturned the earlier name: what was looked at since, and speaks for the new one.
    const since = tree.looks.filter((l) => !before || l.at > before.at);
    const overturnedBy =
      before && before.conditionId !== d.conditionId
        ? [
            ...since.flatMap((l) => l.tests.map((t) => `${t.test}/${t.outcome}`)),
            ...since.flatMap((l) => (l.detail.check ? ['check of effect'] : [])),
          ].slice(0, 12)
        : [];
    await addVerdict(v, {
      ...d,
      treeId: tree.id,
      lookId: tree.looks[0]?.id ?? null,
      ranking: found.candidates.slice(0, 12).map((c) => ({ id: c.id, p: Math.round(c.p * 1e4) / 1e4 })),
      overturnedBy: [...new Set(overturnedBy)],
    });
    seen();
    return {
      ok: true,
      value: { next: TREATS.includes(d.decision) ? `/tree/${tree.id}/prescribe` : `/tree/${tree.id}` },
    };
  },
);

const choicesSchema = z.object({
  soil: z.enum(SOIL_WORDS).nullable(),
  leaf: z.enum(LEAF_STATES).nullable(),
  stemRule: z.enum(['sum', 'basal-area', 'each', 'largest']).optional(),
  rangePoint: z.number().min(0).max(1).optional(),
  rangeReason: z.string().max(200).optional(),
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
  }),
  async (v, p): Promise<Answer> => {
    const [tree, labels, vessels, held] = await Promise.all([
      treeOf(v, p.treeId),
      shelfLabels(v),
      listVessels(v),
      getLabel(v, p.labelId),
    ]);
    if (!tree) return noTree;
    const use = held?.label.uses.find((u) => u.key === p.useKey);
    if (!held || !use) return refuse('labelId', 'This product is not on the shelf.');
    const choices: Choices = { ...usualChoices(tree, station().at(new Date())), ...p.choices, system: v.units };
    const s = situationOf(v, tree, labels, vessels);
    const result = prescribe(s, held.label, use, choices);
    const open = blocked(result.gates, p.released);
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
    });
    seen();
    return done;
  },
);

export const dropPlan = act('prescribe', z.object({ id: uuid, drop: z.boolean() }), async (v, { id, drop }) => {
  const changed = await setPlanState(v, id, drop ? 'open' : 'dropped', drop ? 'dropped' : 'open');
  seen();
  return changed.count ? done : refuse('', 'This plan was carried out or dropped meanwhile.');
});

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
    const said = weatherSchema.parse(b.weather);
    const s = situationOf(v, tree, labels, vessels);
    // The same gates once more, with the ground and air of the hour in which it was done.
    const fresh = prescribe(s, plan.label, use, {
      ...plan.choices,
      soil: b.soil ?? soilState(said),
      temperatureC: said.temperatureC,
      windMs: said.windMs,
      rainNext24Mm: said.rainNext24Mm,
    });
    const up = writeUp(
      {
        now: new Date(),
        timeZone: tree.timeZone,
        applicator: { id: v.personId, name: v.name, licence: v.licence },
        labelId: plan.labelId,
        label: plan.label,
        use,
        condition,
        host: s.host,
        tree: { id: tree.id, tag: tree.tag, lat: tree.lat, lon: tree.lon },
        place: { id: tree.placeId, name: tree.placeName, address: tree.address, client: tree.clientName },
        dose: plan.result.dose,
        ring: plan.result.ring,
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
