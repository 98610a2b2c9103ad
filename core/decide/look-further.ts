import type { Condition, TestResult } from '../diagnose/knowledge';
import { signsOf } from '../diagnose/reading';
import type { Base } from './base';
import type { Sight } from './sight';

/** One thing to look at, in the order in which it is worth it. */
export interface InspectionStep {
  id: string;
  what: string;
  why: string;
  minutes: number;
}

const PLACES: Readonly<Record<Sight['missing'][number], Omit<InspectionStep, 'id'>>> = {
  collar: {
    what: 'The collar: flare, brackets, mushrooms, dead bark, whether it rocks',
    why: 'What fells a tree and what starves it begins here.',
    minutes: 1,
  },
  trunk: {
    what: 'The trunk: holes, cankers, brackets, bleeding, splits, right round',
    why: 'Borers, cankers and decay show here in every month.',
    minutes: 1,
  },
  crown: {
    what: 'The crown: full or thin, dead from the top or on one side; grade the loss',
    why: 'It says how much of the tree still works.',
    minutes: 0.5,
  },
  vigour: {
    what: 'Vigour: this year’s shoots, leaf size, wound wood',
    why: 'A tree that hardly grows is not sound, whatever else is seen.',
    minutes: 0.5,
  },
};
/** Where something is wrong and the cause is open: the walk, collar first, before any wound. */
const WALK: readonly (readonly [test: string, why: string])[] = [
  ['dig-collar', 'A buried, girdled or rotten collar is the commonest cause that nobody sees.'],
  ['soil-probe', 'Dry, drowned and compacted look alike above ground.'],
  ['ask-history', 'Digging, salt, weedkiller, watering: the owner knows.'],
  ['sound-trunk', 'Decay is heard before it is seen.'],
  ['pull-roots', 'Rotten fine roots starve a tree in moist soil.'],
];

/** What has not been looked at, in the order in which it is worth looking, with why and how long. */
export function inspectionSteps(
  sight: Sight,
  tests: readonly TestResult[],
  wrong: boolean,
  base: Base,
): InspectionStep[] {
  const out: InspectionStep[] = sight.missing.map((m) => ({ id: m, ...PLACES[m] }));
  if (wrong)
    for (const [id, why] of WALK) {
      const t = tests.some((x) => x.test === id) ? null : base.test(id);
      if (t) out.push({ id, what: t.ask, why, minutes: t.minutes });
    }
  return out;
}

/** As many as somebody goes through in one visit. */
const FEARED_STEPS = 3;
/**
 * Looks at a tree that was looked at already and is feared for all the same: the test that would settle each fear, else its own
 * signs; where all of that was done, the tree again in its season.
 * @param feared what may be there, the likeliest first
 */
export function fearedSteps(
  feared: readonly Condition[],
  { findings, tests }: { findings: readonly { sign: string; state: string }[]; tests: readonly TestResult[] },
  base: Base,
): InspectionStep[] {
  const out: InspectionStep[] = [];
  for (const c of feared.filter((x) => x.kind !== 'harmless' && x.kind !== 'unknown')) {
    const test = c.deciding ? base.test(c.deciding.test) : null;
    if (test && !tests.some((t) => t.test === test.id) && !out.some((o) => o.id === test.id))
      out.push({ id: test.id, what: test.ask, why: `It tells ${c.name.toLowerCase()}.`, minutes: test.minutes });
    else {
      const sign = signsOf(c)
        .map((s) => base.sign(s))
        .find((s) => s && !findings.some((f) => f.sign === s.id && f.state !== 'not looked'));
      if (sign && !out.some((o) => o.id === sign.id))
        out.push({
          id: sign.id,
          what: `Look for: ${sign.words}`,
          why: `A sign of ${c.name.toLowerCase()}.`,
          minutes: 1,
        });
    }
    if (out.length === FEARED_STEPS) break;
  }
  return out.length
    ? out
    : [
        {
          id: 'again',
          what: 'Look at the whole tree again in its growing season',
          why: 'What is feared shows at other times of the year.',
          minutes: 5,
        },
      ];
}
