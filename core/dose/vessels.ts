import { figure } from '../../lib/units/units';

/** A measuring vessel of the company, in base units: mL for liquids, g for powders. */
export interface Vessel {
  id: string;
  name: string;
  dimension: 'volume' | 'mass';
  capacity: number;
  /** Distance between two marks. */
  graduation: number;
  /** Kept for pesticides alone; never a food or drink container. */
  reserved?: boolean;
}

export interface Measured {
  /** What is really poured, never above the exact amount of a single-value rate. */
  amount: number;
  vessel: Vessel | null;
  /** How often the vessel is filled: full ones, then the mark of the last. */
  fullFills: number;
  lastMark: number;
  /** (measured − exact) / exact, in percent. */
  differencePercent: number;
  /** Set when no vessel of the company reads the amount within 5 %. */
  advice?: string;
}

/** Largest multiple of `step` not above `x`, and never a hair above it either. */
const floorTo = (x: number, step: number) => Math.min(x, Math.floor(x / step + 1e-9) * step);

/** A graduation of the 1-2-5 series that reads `amount` within 5 %. */
function betterGraduation(amount: number): number {
  const want = amount * 0.05;
  const decade = 10 ** Math.floor(Math.log10(want));
  return decade * (want / decade >= 5 ? 5 : want / decade >= 2 ? 2 : 1);
}

/**
 * Rounds an amount to the marks of the company's vessels. A single-value rate is the maximum, so it is rounded down; in
 * a range, to the nearest mark that stays in it.
 * @param exact mL or g, above zero
 * @param range what may be poured; equal ends for a single value
 * @param ceiling never exceeded, whatever the range says (limits of the label)
 */
export function toMarks(
  exact: number,
  range: { low: number; high: number },
  vessels: Vessel[],
  ceiling = range.high,
): Measured {
  const top = Math.min(range.high, ceiling);
  const nothing: Measured = { amount: 0, vessel: null, fullFills: 0, lastMark: 0, differencePercent: -100 };
  type Fit = { m: Measured; cost: number };
  let best: Fit | null = null;
  // Below the low end only when no vessel of the company has a mark inside the range.
  let below: Fit | null = null;
  for (const vessel of vessels) {
    const whole = floorTo(vessel.capacity, vessel.graduation);
    if (whole <= 0) continue;
    const fit = (target: number) => {
      const fullFills = Math.floor(target / whole + 1e-9);
      const lastMark = floorTo(Math.max(0, target - fullFills * whole), vessel.graduation);
      return { fullFills, lastMark, amount: Math.min(target, fullFills * whole + lastMark) };
    };
    const tries = [fit(exact), fit(Math.min(top, exact + vessel.graduation))].filter(
      (t) => t.amount > 0 && t.amount <= top,
    );
    for (const t of tries) {
      if (t.amount > exact && range.low >= range.high) continue;
      const short = range.low < range.high && t.amount < range.low - 1e-9 * range.low;
      const fills = t.fullFills + (t.lastMark > 0 ? 1 : 0);
      const off = (100 * (t.amount - exact)) / exact;
      // A fill more is worth about one percent of exactness: nobody fills a syringe forty times.
      const cost = Math.abs(off) + (fills - 1) + (fills > 6 ? 1000 : 0);
      const now: Fit | null = short ? below : best;
      if (
        now &&
        cost >= now.cost - 1e-12 &&
        !(Math.abs(cost - now.cost) <= 1e-12 && vessel.capacity < now.m.vessel!.capacity)
      )
        continue;
      const found = { cost, m: { ...t, vessel, differencePercent: off } };
      if (short) below = found;
      else best = found;
    }
  }
  const m = ((best ?? below) as Fit | null)?.m ?? nothing;
  if (m.vessel && Math.abs(m.differencePercent) <= 5) return m;
  const step = betterGraduation(exact);
  return {
    ...m,
    advice: `None of your vessels reads this within 5 %: take one marked every ${figure(step)} or finer that holds ${figure(exact, 3)}.`,
  };
}
