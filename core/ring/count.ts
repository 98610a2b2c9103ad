import type { SiteRule } from '../label/schema';
import { pickClass } from '../label/match';
import { figure, showTrunk, showVolume, toCm, toMl, type Cm, type Ml, type UnitSystem } from '../../lib/units/units';

export interface SiteCount {
  count: number;
  /** The sum in words. */
  sum: string;
}

/** Rounds up, but not for a hair: 10.0000000001 sites are 10. */
const up = (x: number) => Math.max(1, Math.ceil(x - 1e-9));

/**
 * How many injection sites a label asks for.
 * @param diameter cm at the height the rate names
 * @param girthAtInjection cm at injection height
 * @param total mL to be injected, for labels that count by volume per device
 * @returns null when the label's class table has no class for this size, or the total is not known yet
 * @example countSites(perTwoInches, 46.2, 145, null) // 46.2 cm = 18.19 in, ÷ 2 = 9.09, so 10
 */
export function countSites({
  rule,
  diameter,
  girthAtInjection,
  total,
  system = 'metric',
  measuredThere,
}: {
  rule: SiteRule;
  diameter: Cm;
  girthAtInjection: Cm;
  total: Ml | null;
  system?: UnitSystem; /** Girth that was really measured at injection height: class tables go by it. */
  measuredThere?: Cm;
}): SiteCount | null {
  const c = rule.count;
  switch (c.rule) {
    case 'per-diameter': {
      const n = diameter / toCm(c.each);
      return {
        count: up(n),
        sum: `${showTrunk(diameter, system).text} diameter ÷ ${figure(c.each.value)} ${c.each.unit} = ${figure(n)}, rounded up`,
      };
    }
    case 'per-girth': {
      const n = girthAtInjection / toCm(c.each);
      return {
        count: up(n),
        sum: `${showTrunk(girthAtInjection, system).text} girth ÷ ${figure(c.each.value)} ${c.each.unit} = ${figure(n)}, rounded up`,
      };
    }
    case 'classes': {
      // The holes go where the trunk is measured for them.
      const found = pickClass(c.classes, measuredThere ? measuredThere / Math.PI : diameter, Math.min);
      return found && { count: found.entry, sum: `class ${found.name}` };
    }
    case 'volume-per-device': {
      if (total === null) return null;
      const n = total / toMl(c.volume.value, c.volume.unit);
      return {
        count: up(n),
        sum: `${showVolume(total, system).text} ÷ ${figure(c.volume.value)} ${c.volume.unit} a device = ${figure(n)}, rounded up`,
      };
    }
  }
}
