import type { Instant } from '@/lib/calendar/zone';
import type { z } from 'zod';
import type { markNotDone } from '@/commands/jobs/mark-not-done';
import type { reinstallDevices } from '@/commands/devices/reinstall-devices';
import type { leaveDevicesOvernight } from '@/commands/devices/leave-devices-overnight';
import type { removeDevices } from '@/commands/devices/remove-devices';
import type { readDevices } from '@/commands/devices/read-devices';
import type { finishBatch } from '@/commands/mixes/finish-batch';
import type { recordTreatments } from '@/commands/trees/record-treatments';
import type { TreatmentInput } from '@/core/records/record';
import type { OfflineCommand } from '@/core/phone/command-names';
import { drawsOf } from '@/core/mix/batch';
import type { BatchRow, Stock } from '@/store/batches';
export type { BatchRow };
import type { InstallationRow } from '@/store/devices';

/** What was written on a phone and waits to be sent. */
export interface Written {
  id: string;
  verb: OfflineCommand;
  input: unknown;
  /** When it was done. */
  at: Instant;
}
/** The same with what pages show of it until then. */
export interface Shown extends Written {
  shown: unknown;
}
/** What a command is told. */
export type Input<C extends { schema: z.ZodType }> = z.input<C['schema']>;

/** Devices as they come over the network or out of the phone's store: instants are text there. */
export const datedInstallations = (rows: readonly InstallationRow[]): InstallationRow[] =>
  rows.map((h) => ({
    ...h,
    installedAt: new Date(h.installedAt),
    removedAt: h.removedAt ? new Date(h.removedAt) : null,
  }));
/** Devices that were hung on this phone. */
export const installedHere = (waiting: readonly Shown[]): InstallationRow[] =>
  waiting.flatMap((w) =>
    w.verb === 'install-devices' ? datedInstallations((w.shown as InstallationRow[] | null) ?? []) : [],
  );
/** The mix that a write has made on this phone; null where its page showed none. */
export const mixHere = (w: Shown): BatchRow | null => {
  const made = w.shown as BatchRow | null;
  return made && { ...made, madeAt: new Date(made.madeAt), goodUntil: new Date(made.goodUntil) };
};

/** Devices as they hang with what was seen, said and pulled on this phone since. @param rows pulled ones among them */
export const installedWith = (rows: readonly InstallationRow[], waiting: readonly Written[]): InstallationRow[] =>
  waiting.reduce<InstallationRow[]>(
    (all, w) => {
      switch (w.verb) {
        case 'read-devices': {
          const s = w.input as Input<typeof readDevices>;
          const sight = { at: s.at, state: s.state, leftMl: s.leftMl ?? null };
          return all.map((h) => (s.deviceIds.includes(h.id) ? { ...h, seen: [...h.seen, sight] } : h));
        }
        case 'remove-devices': {
          const p = w.input as Input<typeof removeDevices>;
          return all.map((h) => {
            const d = p.devices.find((x) => x.id === h.id);
            return d ? { ...h, removedAt: new Date(p.at), leftMl: d.leftMl, lostMl: d.lostMl ?? 0 } : h;
          });
        }
        case 'reinstall-devices': {
          const a = w.input as Input<typeof reinstallDevices>;
          return all.map((h) => (a.deviceIds.includes(h.id) ? { ...h, removedAt: null, leftMl: null, lostMl: 0 } : h));
        }
        case 'leave-devices-overnight': {
          const o = w.input as Input<typeof leaveDevicesOvernight>;
          return all.map((h) => (o.deviceIds.includes(h.id) ? { ...h, overnight: o.because } : h));
        }
        default:
          return all;
      }
    },
    [...rows],
  );

/** What pages show of records while they wait: how much of which product they take, and what each tree's client is told. */
export interface TakenShown {
  labelKey: string;
  product: number;
  done: { planId: string; amount: number; targetName: string; reEntryUntil: string; eatFrom: string | null }[];
}

const drawDown = (mixes: readonly BatchRow[], ids: readonly string[], product: number): BatchRow[] => {
  const named = ids.flatMap((id) => mixes.find((m) => m.id === id) ?? []);
  const held = named.reduce((sum, m) => sum + (m.leftMl * m.product) / m.totalMl, 0);
  const [draws] = drawsOf(named, [Math.min(product, held)]) ?? [[]];
  return mixes.map((m) => {
    const taken = draws!.filter((d) => d.batchId === m.id).reduce((sum, d) => sum + d.mixMl, 0);
    return taken ? { ...m, leftMl: Math.max(0, m.leftMl - taken) } : m;
  });
};

/**
 * Lots and mixes of a product with what was mixed, taken and ended on this phone since. A figure on a phone is no promise: two
 * may take the last bottle, and the server says so.
 */
export const stockWith = (stock: Stock, labelKey: string, waiting: readonly Shown[]): Stock =>
  waiting.reduce<Stock>((now, w) => {
    switch (w.verb) {
      case 'make-batch': {
        const mix = mixHere(w);
        if (mix?.labelKey !== labelKey || now.mixes.some((m) => m.id === mix.id)) return now;
        const from = (id: string) => mix.lots.find((l) => l.id === id)?.amount ?? 0;
        return { lots: now.lots.map((l) => ({ ...l, onHand: l.onHand - from(l.id) })), mixes: [...now.mixes, mix] };
      }
      case 'finish-batch': {
        const e = w.input as Input<typeof finishBatch>;
        if (e.how === 'kept') return now;
        const gone = (m: BatchRow) =>
          m.id === e.batchId ? { ...m, leftMl: Math.max(0, m.leftMl - (e.mixMl ?? m.leftMl)) } : m;
        return { ...now, mixes: now.mixes.map(gone) };
      }
      case 'record-treatment':
      case 'record-treatments': {
        const b = w.input as { lotId: string; batchIds?: string[] };
        const taken = w.shown as TakenShown | null;
        if (taken?.labelKey !== labelKey) return now;
        return b.batchIds?.length
          ? { ...now, mixes: drawDown(now.mixes, b.batchIds, taken.product) }
          : { ...now, lots: now.lots.map((l) => (l.id === b.lotId ? { ...l, onHand: l.onHand - taken.product } : l)) };
      }
      default:
        return now;
    }
  }, stock);

/** Items of a round that a write leaves undone. */
export const itemsLeftBy = (w: Written): string[] =>
  w.verb === 'mark-not-done' ? (w.input as Input<typeof markNotDone>).itemIds : [];

/** Plans that a write carries out, drops or leaves. */
export function plansDoneBy(w: Written): string[] {
  if (w.verb === 'record-treatment') return [(w.input as TreatmentInput).planId];
  return w.verb === 'record-treatments' ? (w.input as Input<typeof recordTreatments>).rows.map((r) => r.planId) : [];
}
