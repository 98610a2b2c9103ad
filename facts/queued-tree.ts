import { v5 } from 'uuid';
import { installedWith, plansDoneBy, stockWith, type Input, type Shown } from '@/facts/queued';
import { hostOf, spotOf } from '@/facts/diagnosis';
import { treatmentContextFor, usualChoices } from '@/facts/treatment-context';
import type { installDevices } from '@/commands/devices/install-devices';
import type { saveDiagnosis } from '@/commands/trees/save-diagnosis';
import type { finishWork } from '@/commands/trees/finish-work';
import type { planTreatment } from '@/commands/trees/plan-treatment';
import { eatFrom, reEntryUntil } from '@/core/records/eat';
import type { TreatmentInput } from '@/core/records/record';
import type { CustomEntry } from '@/core/custom/overlay';
import { inspectionSchema, readCrownLoss } from '@/core/diagnose/inspection';
import { groupWords } from '@/core/label/group';
import { removalsOf } from '@/core/devices/devices';
import { toInstall } from '@/core/devices/hang-on';
import { readReading, typedReading } from '@/core/measure/reading';
import { isServed } from '@/core/mix/recipe';
import { prescribe } from '@/core/prescribe/prescribe';
import { aimedAt } from '@/core/gates/context';
import { visitOn } from '@/core/prescribe/when';
import { dayIn } from '@/lib/calendar/zone';
import type { HostYear } from '@/core/season/year';
import { weatherAt, type ExpectedHour } from '@/core/weather/expected';
import type { Weather } from '@/core/weather/air';
import type { Viewer } from '@/store/auth';
export type { Viewer };
import type { Stock } from '@/store/batches';
import type { Arrival } from '@/store/sites';
import type { InstallationRow } from '@/store/devices';
import type { Hand } from '@/store/people';
import type { Plan } from '@/store/plans';
import type { Held } from '@/store/stock';
import type { Inspection, PlanHead, RowTree, Tree, TreeRecord } from '@/store/tree';
import type { Detections } from '@/store/diagnoses';
import { sitesWithHeights } from '@/core/ring/ring';

/** A plan with what its sheet needs. */
export interface SheetFacts {
  plan: Plan;
  stock: Stock;
  installed: InstallationRow[];
}
/** All that the steps at a tree rest on, as a phone takes it along. */
export interface OfflineTree {
  tree: Tree;
  detections: Detections;
  entries: CustomEntry[];
  held: Held;
  alike: readonly { id: string; tag: string }[];
  row: readonly RowTree[];
  year: HostYear;
  arrival: Arrival | null;
  sheets: SheetFacts[];
  /** Who may have a hand in it; missing in what a phone holds since the release before. */
  hands?: Hand[];
  /** What is on hand of every product, by its label's key. */
  lots: Readonly<Record<string, Stock['lots']>>;
  air: { measured: Weather; hours: readonly ExpectedHour[] };
}

/** Devices that a plan hangs, as they stand from then on; their ids are those that the server will give them. */
export function installedBy(
  tree: Tree,
  { plan, installed }: Pick<SheetFacts, 'plan' | 'installed'>,
  h: Input<typeof installDevices>,
  air: OfflineTree['air'],
  byName: string,
): InstallationRow[] {
  const { dose } = plan.result;
  const hangs = dose.ok
    ? toInstall({ ...plan, dose }, removalsOf(installed), weatherAt(air.measured, air.hours, new Date(h.at)))
    : null;
  if (!hangs?.ok) return [];
  const { count, ...each } = hangs.value;
  return Array.from({ length: count }, (_, i) => ({
    id: v5(String(i + 1), h.id),
    treeId: tree.id,
    tag: tree.tag,
    hostId: tree.hostId,
    walk: tree.walkOrder,
    siteId: tree.siteId,
    siteName: tree.siteName,
    timeZone: tree.timeZone,
    ...spotOf(tree),
    spot: { x: tree.planX, y: tree.planY, lat: tree.lat, lon: tree.lon, origin: tree.siteMap?.origin ?? null },
    planId: plan.id,
    labelName: plan.label.name,
    site: i + 1,
    ...each,
    guarded: h.guarded,
    overnight: h.overnight || null,
    because: h.deviation || null,
    installedAt: new Date(h.at),
    byName,
    removedAt: null,
    leftMl: null,
    lostMl: 0,
    seen: [],
  }));
}

/** A record as the tree will have it, as far as its own steps ask. */
function recordOf({
  plan,
  b,
  id,
  amount,
  tree,
  by,
}: {
  plan: Plan;
  b: Pick<TreatmentInput, 'startedAt' | 'endedAt'>;
  id: string;
  amount: number;
  tree: Tree;
  by: string;
}): TreeRecord {
  const use = plan.label.uses.find((u) => u.key === plan.useKey);
  const { dose, ring } = plan.result;
  const host = hostOf(tree);
  const doneOn = dayIn(b.endedAt, tree.timeZone);
  const part = dose.ok && dose.product > 0 ? amount / dose.product : 1;
  return {
    id,
    rootId: id,
    doneOn,
    words: '',
    method: use?.method ?? '',
    labelKey: plan.label.key,
    amount,
    unit: dose.ok && dose.dimension === 'mass' ? 'g' : 'mL',
    withdrawn: false,
    actives: dose.ok ? dose.actives.map((a) => ({ name: a.name, grams: a.grams * part })) : [],
    product: plan.label.name,
    registration: plan.label.registration,
    by,
    groups: plan.label.actives.map((a) => groupWords(a.group)),
    families: plan.label.actives.flatMap((a) => a.family ?? []),
    reEntryUntil: use ? reEntryUntil(use, b.endedAt) : b.endedAt,
    mixMl: dose.ok ? (dose.carrier?.totalMl ?? null) : null,
    sites: sitesWithHeights(ring, use?.sites?.heightCm),
    target: plan.conditionId,
    eatFrom: use && host ? eatFrom(host, use, doneOn) : null,
  };
}

/** A tree after one write; what is not of this tree changes nothing. */
function after(f: OfflineTree, w: Shown, viewer: Viewer): OfflineTree {
  const { tree } = f;
  const on = (change: Partial<Tree>): OfflineTree => ({ ...f, tree: { ...tree, ...change } });
  const by = { at: new Date(w.at), byName: viewer.name };
  switch (w.verb) {
    case 'measure-tree': {
      const typed = typedReading.safeParse(w.input);
      const read = typed.success && typed.data.treeId === tree.id ? readReading(typed.data) : null;
      return read?.ok ? on({ readings: [{ id: w.id, ...by, ...read.value }, ...tree.readings] }) : f;
    }
    case 'save-inspection': {
      const look = inspectionSchema.safeParse(w.input);
      if (!look.success || look.data.treeId !== tree.id) return f;
      const { findings, tests, detail, vigour, note, hostKey } = look.data;
      const seen: Inspection = {
        id: w.id,
        ...by,
        crownLoss: readCrownLoss([], look.data.crownLoss),
        vigour,
        note,
        findings: findings.filter((x) => x.state !== 'not looked'),
        tests,
        detail,
      };
      const confirmed = hostKey.length > 0 && hostKey.every((k) => k === true);
      return on({
        looks: [seen, ...tree.looks],
        ...(confirmed ? { hostConfirmedAt: by.at } : {}),
        keyContradicted: hostKey.includes(false),
      });
    }
    case 'save-diagnosis': {
      const d = w.input as Input<typeof saveDiagnosis>;
      if (d.treeId !== tree.id) return f;
      const { conditionId, certainty, decision, reason, overturns = [] } = d;
      const own = { conditionId, certainty, decision, reason, overturns: [...overturns] };
      const savedDiagnosis = {
        id: w.id,
        ...by,
        ...own,
        ranking: [],
        overturnedBy: [],
        inspectionId: tree.looks[0]?.id ?? null,
      };
      return on({ savedDiagnoses: [savedDiagnosis, ...tree.savedDiagnoses] });
    }
    case 'plan-treatment':
      return planned(f, w, viewer);
    case 'install-devices': {
      const h = w.input as Input<typeof installDevices>;
      const sheet = f.sheets.find((s) => s.plan.id === h.planId);
      if (!sheet) return f;
      const installed = [...sheet.installed, ...installedBy(tree, sheet, h, f.air, viewer.name)];
      return { ...f, sheets: f.sheets.map((s) => (s === sheet ? { ...s, installed } : s)) };
    }
    case 'record-treatment':
    case 'record-treatments': {
      const done = plansDoneBy(w);
      const sheet = f.sheets.find((s) => done.includes(s.plan.id));
      if (!sheet) return f;
      const b = w.input as TreatmentInput;
      const { dose } = sheet.plan.result;
      const amount = w.verb === 'record-treatment' ? b.amount : dose.ok ? dose.product : 0;
      const plans = tree.plans.map((p) => (p.id === sheet.plan.id ? { ...p, state: 'done' as const } : p));
      const records = [recordOf({ plan: sheet.plan, b, id: w.id, amount, tree, by: viewer.name }), ...tree.records];
      return { ...on({ plans, records }), sheets: f.sheets.filter((s) => s !== sheet) };
    }
    case 'finish-work': {
      const { id, done, note, minutes } = w.input as Input<typeof finishWork>;
      const state = done ? ('done' as const) : ('dropped' as const);
      const ended = {
        state,
        doneOn: done ? dayIn(new Date(w.at), tree.timeZone) : null,
        note,
        minutes: minutes ?? null,
      };
      return on({ works: tree.works.map((k) => (k.id === id ? { ...k, ...ended } : k)) });
    }
    default:
      return f;
  }
}

/** A plan that was made on this phone: worked out here as the server will work it out. */
function planned(f: OfflineTree, w: Shown, viewer: Viewer): OfflineTree {
  const p = w.input as Input<typeof planTreatment>;
  const { tree, held, detections, year, air } = f;
  const own = held.labels.find((l) => l.id === p.labelId);
  const use = own?.label.uses.find((u) => u.key === p.useKey);
  if (p.treeId !== tree.id || !own || !use) return f;
  const at = new Date(w.at);
  const s = treatmentContextFor(viewer, tree, { held, detections, now: at, problem: p.problem ?? null, year });
  const choices = {
    ...usualChoices(tree, weatherAt(air.measured, air.hours, at), year),
    ...(p.choices as Plan['choices']),
    system: viewer.units,
  };
  const result = prescribe(s, own.label, use, choices);
  const conditionId = aimedAt(s, use).condition?.id ?? s.condition?.id ?? 'nothing-wrong';
  const visit = visitOn(result, s.on) ?? { plannedFor: null, earliest: null, latest: null };
  const shared = {
    id: w.id,
    at,
    byName: viewer.name,
    state: 'open' as const,
    labelId: own.id,
    useKey: use.key,
    conditionId,
    result,
    ...visit,
  };
  const head: PlanHead = { ...shared, labelKey: own.key, labelName: own.label.name, price: null, assignment: false };
  const plan: Plan = {
    ...shared,
    treeId: tree.id,
    tag: tree.tag,
    siteId: tree.siteId,
    label: own.label,
    choices,
    released: p.released,
    visitId: null,
  };
  // What is on the shelf of this product is known where another plan of the tree draws on it; else the server says.
  const stock = f.sheets.find((x) => x.plan.label.key === own.key)?.stock ?? { lots: f.lots[own.key] ?? [], mixes: [] };
  return {
    ...f,
    tree: { ...tree, plans: [head, ...tree.plans] },
    sheets: [{ plan, stock, installed: [] }, ...f.sheets],
  };
}

/**
 * A tree as it stands with what was written on this phone since it was taken along, in the order in which it was written.
 * Nothing here is kept: the server works all of it out anew when it is sent.
 */
export function withQueued(held: OfflineTree, waiting: readonly Shown[], viewer: Viewer): OfflineTree {
  const f = waiting.reduce((x, w) => after(x, w, viewer), held);
  return {
    ...f,
    sheets: f.sheets.map((s) => {
      const { lots, mixes } = stockWith(s.stock, s.plan.label.key, waiting);
      const { dose } = s.plan.result;
      return {
        ...s,
        installed: installedWith(s.installed, waiting),
        stock: { lots, mixes: mixes.filter((m) => dose.ok && isServed(m, s.plan.label, dose, [s.plan.id])) },
      };
    }),
  };
}
