import type { Label, LabelUse } from '@/core/label/schema';
import { conditionsOf, type Condition } from '@/core/prescribe/conditions';
import { labelPeriod } from '@/core/label/period';
import { span } from '@/core/season/follow-ups';
import type { FollowUpRule } from '@/core/season/rules';
import { showDistance, showFine, showTemperature, showTrunk, showWind, type UnitSystem } from '@/lib/units/units';
import type { Measure } from '@/core/work/work';

/** A condition of the visit, as a crew says it. */
export function conditionWords(c: Condition, units: UnitSystem): string {
  switch (c.what) {
    case 'full leaf':
      return 'full leaf';
    case 'air':
      if (c.minC === null) return `air below ${showTemperature(c.maxC!, units)}`;
      return c.maxC === null
        ? `air above ${showTemperature(c.minC, units)}`
        : `air ${showTemperature(c.minC, units)} to ${showTemperature(c.maxC, units)}`;
    case 'soil warmth':
      return `soil above ${showTemperature(c.minC, units)}`;
    case 'soil':
      return 'soil moist, not sodden or frozen';
    case 'dry spell':
      return `dry for ${c.hours} h after`;
    case 'wind':
      return `wind ${showWind(c.minMs, units)} to ${showWind(c.maxMs, units)}${c.usual ? ' (usual)' : ''}`;
    case 'low sun':
      return 'early, late or under cloud';
    case 'dry leaves':
      return 'dry leaves';
    case 'bloom':
      return c.days ? `not in flower, nor within ${c.days} days of it` : 'not in flower';
    case 'stage':
      return `stage: ${c.stages.join(' or ')}`;
  }
}

/** In what a label counts its number does not hang on the day. */
const ANY_DAY = '2026-01-01';
const A_PERIOD = { 'the year': 'a year', 'the season': 'a season', 'twelve months': 'in twelve months' } as const;
const againWords = ({ after, earliest = after.count, latest = after.count, onlyIf }: FollowUpRule) =>
  `again after ${earliest < latest ? `${earliest} to ${latest} ${after.unit}` : span(after.count, after.unit)}${onlyIf ? `, if ${onlyIf}` : ''}`;

/** What a use of a label holds of days, number, weather and water, each as people say it: its figures, in the reader's units. */
export function wordsOfUse(
  label: Label,
  use: LabelUse,
  { units, south }: { units: UnitSystem; south: boolean },
): string[] {
  const { minDays, maxPerYear, preHarvestDays } = use.intervals;
  const again = use.followUps.find((r) => r.kind === 'treat-again');
  const water = use.conditions?.waterDistanceM;
  return [
    ...(again ? [againWords(again)] : []),
    ...(minDays ? [`never within ${span(minDays, 'days')}`] : []),
    ...(maxPerYear
      ? [
          `at most ${maxPerYear === 1 ? 'once' : `${maxPerYear} times`} ${A_PERIOD[labelPeriod(use, ANY_DAY, south).words]}`,
        ]
      : []),
    ...(preHarvestDays ? [`${span(preHarvestDays, 'days')} before picking`] : []),
    ...conditionsOf(label, use).map((c) => conditionWords(c, units)),
    ...(water ? [`${showDistance(water, units).text} from water`] : []),
  ];
}

/** A figure that a work goes by, in the reader's units. @example measureWords({ what: 'deep', from: 5, to: 10, unit: 'cm' }, 'metric') // 'deep: 5 to 10 cm' */
export function measureWords({ what, from, to, unit }: Measure, units: UnitSystem): string {
  const one = (n: number) => {
    switch (unit) {
      case 'cm':
        return showTrunk(n, units).text.replace('.0 ', ' ');
      case 'mm':
        return showFine(n, units).text;
      case 'm':
        return showDistance(n, units).text;
      case '°C':
        return showTemperature(n, units);
      default:
        return span(n, unit);
    }
  };
  const told = to && to > from ? `${one(from).replace(/ \D+$/, '')} to ${one(to)}` : one(from);
  // “height of the window: 30 cm”, and “again after 4 weeks” where the words lead to the figure by themselves.
  return /(after|within|above|down to|to|at|under)$/.test(what) ? `${what} ${told}` : `${what}: ${told}`;
}
