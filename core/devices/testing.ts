import { chanceFrom } from '../../lib/random';
import { DEVICES } from '../label/methods';
import { emptyAt, habitOf, type Emptied } from './devices';

/** A normal number from two even ones (Box and Muller 1958). */
const normal = (roll: () => number) => Math.sqrt(-2 * Math.log(1 - roll())) * Math.cos(2 * Math.PI * roll());

/**
 * For tests and the bench: a company whose devices run by a habit of their own, seen day by day.
 * @param count devices that it hangs, one after another, each expected by what those before taught
 * @param read whether somebody reads each off on the way
 * @returns of so many how many were empty within what was told four times in five
 */
export function seasonOf(count: number, seed: number, read: boolean): { within: number; of: number } {
  const roll = chanceFrom(seed);
  const own = DEVICES.map(() => 0.35 * normal(roll));
  const noise = 0.3 + 0.3 * roll();
  const log: Emptied[] = [];
  let within = 0;
  const installedAt = '2026-06-01T08:00:00.000Z';
  for (let i = 0; i < count; i++) {
    const k = Math.floor(roll() * DEVICES.length);
    const device = DEVICES[k]!;
    const expectedMinutes = 10 + 170 * roll();
    const minutes = expectedMinutes * Math.exp(own[k]! + noise * normal(roll));
    // It runs faster at first or at last, and what is left is read off a scale by eye.
    const way = 0.3 + 0.5 * roll();
    const at = new Date(Date.parse(installedAt) + minutes * 60_000 * way).toISOString();
    const left = (1 - way) ** Math.exp(0.2 * normal(roll)) + 0.02 * normal(roll);
    const leftMl = Math.max(0.1, Math.min(9.9, 10 * left));
    const seen = read ? [{ at, state: 'running' as const, leftMl }] : [];
    const h = { id: '', device, putMl: 10, installedAt, expectedMinutes, seen, overnight: false, dark: null };
    const told = emptyAt(h, habitOf(device, log), installedAt);
    const end = new Date(Date.parse(installedAt) + minutes * 60_000).toISOString();
    if (told.earliest <= end && end <= told.latest) within += 1;
    log.push({ device, expectedMinutes, minutes });
  }
  return { within, of: count };
}
