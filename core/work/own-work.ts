import { gate, type Gate } from '../gates/gate';
import { inSeason } from '../../lib/calendar/months';
import { CUT_STEPS, cutGates, dressing, dry, hazard } from './cuts';
import type { CustomWork } from './own-work-schema';
import { num, rule, type Ask, type Work, monthsThere, northernMonthOf, type WorkFacts } from './work';

const BEFORE = 'before-';
const source = (w: CustomWork) => `own work: ${w.basis}`;

/** What must be so and was not said to be, and the months in which it is done. */
function gatesOf(w: CustomWork, facts: WorkFacts, said: Readonly<Record<string, unknown>>): Gate[] {
  return [
    ...w.before.flatMap((sentence, i) =>
      said[`${BEFORE}${i}`] === true
        ? []
        : [
            gate({
              id: `own-work-before-${i}`,
              strength: 'hold',
              title: 'Before it is done',
              sentence,
              source: source(w),
              satisfy: 'Say that it is so.',
              state: 'asked',
            }),
          ],
    ),
    ...(inSeason(northernMonthOf(facts), w.months)
      ? []
      : [
          gate({
            id: 'own-work-months',
            strength: 'hold',
            title: 'Not its time',
            sentence: `It is done from ${monthsThere(facts, ...w.months)}.`,
            source: source(w),
            satisfy: 'Plan it for its months, or give a reason.',
          }),
        ]),
  ];
}

/** A work of a company's own, as every other: asked, gated, worked out, and looked at again. */
export function workOf(w: CustomWork): Work {
  const asks: Ask[] = [
    {
      key: 'count',
      kind: 'number',
      name: w.counted.what,
      unit: '',
      min: 1,
      max: 500,
      whole: true,
      usual: () => w.counted.usual,
    },
    ...w.before.map((sentence, i): Ask => ({ key: `${BEFORE}${i}`, kind: 'yes', name: sentence, usual: () => false })),
    ...(w.cuts ? [hazard, dry] : []),
  ];
  return {
    id: w.id,
    name: w.name,
    method: w.method,
    life: {
      times: 1,
      apart: 0,
      everyYears: w.again ? Math.max(1, Math.round(w.again.days / 365)) : null,
      courses: null,
    },
    ...(w.conditions.length ? { when: (f) => w.conditions.includes(f.condition?.id ?? '') } : {}),
    asks,
    workOut: (facts, a) => {
      const count = num(a, 'count');
      const minutes = w.minutes.once + w.minutes.each * count;
      return {
        figures: [{ name: w.counted.what, value: String(count), unit: '' }],
        sum: [`${w.minutes.once} min, and ${w.minutes.each} min for each of ${count}: ${minutes} min`],
        steps: [...(w.cuts ? CUT_STEPS : []), ...w.steps, ...(w.cuts ? [dressing(facts)] : [])],
        take: w.take,
        gates: [...gatesOf(w, facts, a), ...(w.cuts ? cutGates(facts, a, 0) : [])],
        minutes,
        followUps: w.again
          ? [
              rule({
                id: `${w.id}-again`,
                kind: 'look',
                what: w.again.what,
                count: w.again.days,
                unit: 'days',
                why: `our own work, ${w.basis}`,
              }),
            ]
          : [],
      };
    },
  };
}
