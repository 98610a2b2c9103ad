import { aboutWords } from '@/facts/about';
import type { CrewDayItem } from '@/facts/crew-day-ends';
import { oneMix } from '@/core/mix/one-mix';
import type { Stands } from '@/core/crew-day/day';
import { showAmount, showFill, type UnitSystem } from '@/lib/units/units';
import { groupBy } from '@/core/work/load-out';
import { findHost } from '@/knowledge';
import type { OpenPlan } from '@/store/plans';
import type { DoneRow } from '@/store/records';
import type { DaySite } from '@/store/sites';
import { sheetPath } from '../../trees/[id]/treat/path';

/** Something on a round as a crew reads it. */
export interface ThingLine {
  id: string;
  siteId: string;
  stands: Stands;
  tag: string;
  title: string;
  words: string;
  /** As it is poured, sprayed or cut: the largest thing on its line. */
  amount: string;
  href: string;
  /** Its record, where it is done. */
  record: string | null;
  sound: boolean;
}
const planAmount = (p: OpenPlan, units: UnitSystem): string =>
  p.stockMl !== null
    ? showFill(p.stockMl, units).text
    : p.mixMl
      ? showFill(p.mixMl, units).text
      : p.sites
        ? `${p.sites} sites`
        : showAmount(p.product, p.unit, units).text;

const hostName = (id: string) => findHost(id)?.name ?? id;
/** @param crewDayId the round on which it stands, so that whoever has done it comes back to it */
export function lineOf(t: CrewDayItem, units: UnitSystem, done: readonly DoneRow[], crewDayId: string): ThingLine {
  const common = { id: t.id, siteId: t.siteId, stands: t.stands };
  if (t.kind === 'plan') {
    const { plan: p } = t;
    const record = done.find((d) => d.planId === p.id);
    return {
      ...common,
      tag: p.tag,
      title: hostName(p.hostId),
      words: `${aboutWords({ kind: 'plan', method: p.method, label: p.labelName })}, ${showAmount(p.product, p.unit, units).text}`,
      amount: planAmount(p, units),
      href: sheetPath(p.treeId, p.id, crewDayId),
      record: record?.rootId ? `/records/${record.rootId}` : null,
      sound: p.sound,
    };
  }
  if (t.kind === 'work') {
    const { work: w } = t;
    const [figure] = w.sheet.figures;
    return {
      ...common,
      tag: w.tag,
      title: hostName(w.hostId),
      words: aboutWords({ kind: 'work', workId: w.workId }),
      amount: figure ? `${figure.value} ${figure.unit}` : '',
      href: sheetPath(w.treeId, null, crewDayId),
      record: null,
      sound: w.sound,
    };
  }
  const { look: l } = t;
  return {
    ...common,
    tag: l.tag,
    title: hostName(l.hostId),
    words: l.what,
    amount: '',
    href: `/trees/${l.treeId}/inspect`,
    record: null,
    sound: true,
  };
}

/** A row of like trees that is done from one mix: done in one go, or mixed for. */
export interface RowOf {
  planId: string;
  count: number;
  label: string;
  /** Done tree by tree, as devices hang; only mixed for together. */
  hangs: boolean;
}
/** Rows among what is still open at a place or on a whole round: of one use, to be done in one go; of one mix, to be mixed for. */
export function rowsOf(plans: readonly OpenPlan[], by: 'use' | 'mix'): RowOf[] {
  const rows: OpenPlan[][] = [];
  for (const of of groupBy(
    plans,
    (p) => `${p.labelKey} ${by === 'use' ? p.useKey : p.method} ${p.stockMl !== null}`,
  ).values())
    for (const p of of) {
      const row = rows.find((r) => of.includes(r[0]!) && (p.stockMl !== null || oneMix(r[0]!, p)));
      if (row) row.push(p);
      else rows.push([p]);
    }
  return rows.map((r) => ({
    planId: r[0]!.id,
    count: r.length,
    label: r[0]!.labelName,
    hangs: r[0]!.method === 'trunk-injection',
  }));
}
/** What is mixed before it is given. */
export const isMixed = (p: OpenPlan): boolean => p.mixMl !== null || p.stockMl !== null;

/** What must be known at the gate, each as its own sentence. */
export const arrivalWords = (p: DaySite): string =>
  [p.address, p.access, p.code && `Gate ${p.code}`, p.hazards, p.dogs]
    .filter((x): x is string => Boolean(x))
    .map((x) => `${x.trim().replace(/\.+$/, '')}.`)
    .join(' ');
