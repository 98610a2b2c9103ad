import type { Instant } from '../../lib/calendar/zone';
import type { Dose } from '../dose/dose';
import type { Device } from '../label/methods';

/** What somebody can say of a device at a glance. */
export const DEVICE_STATES = ['running', 'slow', 'stuck', 'leaking', 'empty'] as const;
export type DeviceState = (typeof DEVICE_STATES)[number];
/** What keeps people from a device. */
export const GUARDS = ['attended', 'fenced', 'signed'] as const;
export type Guard = (typeof GUARDS)[number];

export interface Sight {
  at: Instant;
  state: DeviceState;
  /** What is left in it, mL, where somebody read it off. */
  leftMl: number | null;
}
/** A device on a trunk. Instants are ISO; amounts in mL of what is poured. */
export interface Installed {
  id: string;
  device: Device;
  putMl: number;
  installedAt: Instant;
  /** Minutes from start to empty by device, amount, air, soil and leaf (ring/uptake.ts). */
  expectedMinutes: number;
  /** In order of time. */
  seen: readonly Sight[];
  /** It hangs through the night, and somebody has said why. */
  overnight: boolean;
  /** When it gets dark there; null where nobody can tell. */
  dark: string | null;
}

/** One device of the past: what was expected, and the minutes that it took. */
export interface Emptied {
  device: Device;
  expectedMinutes: number;
  minutes: number;
}
/** How a kind of device runs in this company's hands, against what is expected of it: logarithms of the ratio. */
export interface Habit {
  mean: number;
  sd: number;
  n: number;
}

/** Before a company has seen any: half as long to nearly twice, four times in five; a practice figure that counts as so many. */
const USUAL = { sd: 0.5, weight: 5 };

/** What a company's own devices taught, drawn towards the practice figure while they are few. */
export function habitOf(device: Device, log: readonly Emptied[]): Habit {
  const of = log
    .filter((e) => e.device === device && e.minutes > 0 && e.expectedMinutes > 0)
    .map((e) => Math.log(e.minutes / e.expectedMinutes));
  const n = of.length;
  const mean = of.reduce((a, x) => a + x, 0) / (n + USUAL.weight);
  const off = of.reduce((a, x) => a + (x - mean) ** 2, 0);
  const spread = Math.sqrt((off + USUAL.weight * USUAL.sd ** 2) / (n + USUAL.weight));
  // The mean itself is not known better than so many devices tell.
  return { mean, sd: spread * Math.sqrt(1 + 1 / (n + USUAL.weight)), n };
}

/** When a device is empty: the middle, and four times in five between the two others. */
export interface EmptyAt {
  at: Instant;
  earliest: string;
  latest: string;
}

const minutesBetween = (a: string, b: string) => (Date.parse(b) - Date.parse(a)) / 60_000;
const after = (at: string, minutes: number) => new Date(Date.parse(at) + minutes * 60_000).toISOString();
/** A logistic distribution of this scale holds four in five within the same bounds as a normal one of deviation one. */
const LOGISTIC = 1.2816 / Math.log(9);
/** How well a reading tells the end, in logarithms: badly while little has gone in, well when little is left. */
const readingSd = (gone: number) => READ.least + READ.more * (1 - gone);
const READ = { least: 0.045, more: 0.205 };
/** Less than this share gone in says nothing about the end. */
const TELLS = 0.05;

/** When somebody first saw it empty; what was seen to run after that was no end, but a slip of the thumb. */
const emptyFrom = ({ seen }: Pick<Installed, 'seen'>): Sight | undefined =>
  seen[seen.findLastIndex((s) => s.state !== 'empty') + 1];

/**
 * When a device is expected to be empty, by what is usual, what the company's own devices taught, the last amount that was read
 * off, and that it was not empty when it was last seen. Minutes are taken as log-logistic: long ones happen.
 * @param now it is not known to be empty yet
 */
export function emptyAt(h: Installed, habit: Habit, now: string): EmptyAt {
  let [mean, sd] = [Math.log(h.expectedMinutes) + habit.mean, habit.sd];
  const read = h.seen.findLast((s) => s.leftMl !== null && s.leftMl < h.putMl * (1 - TELLS) && s.leftMl > 0);
  if (read) {
    const gone = 1 - read.leftMl! / h.putMl;
    const told = Math.log(Math.max(1, minutesBetween(h.installedAt, read.at)) / gone);
    const [own, one] = [1 / sd ** 2, 1 / readingSd(gone) ** 2];
    [mean, sd] = [(mean * own + told * one) / (own + one), Math.sqrt(1 / (own + one))];
  }
  const scale = sd * LOGISTIC;
  // What was seen to hang still has not ended by then.
  const lastSeen = h.seen.findLast((s) => s.state !== 'empty');
  const still = lastSeen ? Math.max(0, minutesBetween(h.installedAt, lastSeen.at)) : 0;
  const odds = still > 0 ? Math.exp(Math.min(500, (Math.log(still) - mean) / scale)) : 0;
  const when = (share: number) => {
    const minutes = Math.exp(mean + scale * Math.log((1 + odds) / (1 - share) - 1));
    return after(h.installedAt, Math.max(still, Math.min(minutes, 3 * 1440)));
  };
  const empty = emptyFrom(h);
  if (empty && empty.at <= now) return { at: empty.at, earliest: empty.at, latest: empty.at };
  return { at: when(0.5), earliest: when(0.1), latest: when(0.9) };
}

/** Why somebody goes to a device next, the most urgent first. */
export const TURNS = ['leaking', 'dark', 'empty', 'late', 'stuck', 'due', 'slow', 'running'] as const;
export type Turn = (typeof TURNS)[number];
/** Whose turn it is: why, and when. */
export interface TurnOf {
  why: Turn;
  at: Instant;
  empty: EmptyAt;
}

/** Minutes before dark in which what may not hang through the night is pulled. */
const BEFORE_DARK = 45;

/** What a device needs next. */
export function turnOf(h: Installed, habit: Habit, now: string): TurnOf {
  const empty = emptyAt(h, habit, now);
  const state = h.seen.at(-1)?.state ?? 'running';
  const removeBy = h.dark === null || h.overnight ? null : after(h.dark, -BEFORE_DARK);
  const turn = (why: Turn, at = now): TurnOf => ({ why, at, empty });
  if (state === 'leaking') return turn('leaking');
  if (removeBy !== null && removeBy <= now) return turn('dark');
  if (state === 'empty') return turn('empty');
  if (empty.latest <= now) return turn('late');
  if (state === 'stuck') return turn('stuck');
  if (empty.at <= now) return turn('due');
  const next = removeBy !== null && removeBy < empty.at ? removeBy : empty.at;
  return turn(state === 'slow' ? 'slow' : 'running', next);
}

/** The order in which devices want a hand: by why, then by when, then in the order in which they were given. */
export const byTurn = (a: TurnOf, b: TurnOf): number =>
  TURNS.indexOf(a.why) - TURNS.indexOf(b.why) || a.at.localeCompare(b.at);

/** What one device brought in: by what was put in, what is left and what was lost. */
export interface Removed {
  putMl: number;
  leftMl: number;
  lostMl: number;
}
/** Devices as they were pulled; nothing is said to be left in one that hangs still. */
export const removalsOf = (devices: readonly { putMl: number; leftMl: number | null; lostMl: number }[]): Removed[] =>
  devices.map((d) => ({ putMl: d.putMl, leftMl: d.leftMl ?? 0, lostMl: d.lostMl }));
/**
 * What is hung for a dose, mL over all devices: its mix, its stock solution, or the product itself; null where that is no volume.
 */
export const fillOf = (dose: Pick<Dose, 'carrier' | 'stockMl' | 'dimension' | 'product'>): number | null =>
  dose.carrier?.totalMl ?? dose.stockMl ?? (dose.dimension === 'volume' ? dose.product : null);
/** What went in of what is hung, mL. */
export const wentIn = (devices: readonly Removed[]): number =>
  devices.reduce((a, d) => a + Math.max(0, d.putMl - d.leftMl - d.lostMl), 0);
/**
 * Product that entered the tree, in the unit of `product`, however often something was hung.
 * @param fillMl what is hung for the whole of it
 */
export const enteredOf = (product: number, fillMl: number, devices: readonly Removed[]): number =>
  (product * wentIn(devices)) / fillMl;

/** An amount as it can be read off marks: four figures, never more than it is. */
export function readOff(amount: number): number {
  if (!(amount > 0)) return 0;
  const mark = 10 ** (Math.floor(Math.log10(amount)) - 3);
  return Number((Math.floor(amount / mark + 1e-9) * mark).toPrecision(4));
}

/** Share of a device that must have gone in for the rest to tell how long all would have taken. */
const MOSTLY = 0.5;
/** What a pulled device teaches: its own end where it was seen, else what its rate comes to; null where it tells nothing. */
export function taughtBy(h: Installed & { removedAt: string; leftMl: number }): Emptied | null {
  const { device, expectedMinutes } = h;
  const empty = emptyFrom(h);
  if (empty) return { device, expectedMinutes, minutes: Math.max(1, minutesBetween(h.installedAt, empty.at)) };
  const gone = 1 - h.leftMl / h.putMl;
  // Pulled empty without anybody having seen the end, it took at most so long: that is no time.
  if (h.leftMl <= 0 || gone < MOSTLY || h.seen.some((s) => s.state === 'stuck' || s.state === 'leaking')) return null;
  return { device, expectedMinutes, minutes: Math.max(1, minutesBetween(h.installedAt, h.removedAt)) / gone };
}
