import type { TreatmentInput } from '@/core/records/record';
import type { Gate } from '@/core/gates/gate';
import { isOffered, stillSaid } from '@/core/gates/said';
import { prescribe, type Prescription } from '@/core/prescribe/prescribe';
import type { TreatmentContext } from '@/core/gates/context';
import { soilState } from '@/core/weather/air';
import type { Plan } from '@/store/plans';

/** What is said at the tree on the day of the work. */
export type AtTheTree = Pick<TreatmentInput, 'weather' | 'soil' | 'leaf' | 'intakeMmH' | 'said' | 'startedAt'>;

/**
 * The gates of a plan once more, with the ground and air of the hour in which it is done.
 * @param at what was said at the tree; it has been read
 */
export function atTheTree(
  treatmentContext: TreatmentContext,
  plan: Pick<Plan, 'label' | 'useKey' | 'choices' | 'plannedFor'>,
  at: AtTheTree,
): Prescription {
  const use = plan.label.uses.find((u) => u.key === plan.useKey)!;
  const { weather, said } = at;
  if (!isOffered(said)) throw new Error('an answer was given that was not offered');
  return prescribe(treatmentContext, plan.label, use, {
    ...plan.choices,
    // What passes from day to day was asked again at the tree; what was said when it was planned does not count.
    said: { ...stillSaid(plan.choices.said), ...said },
    phase: 'apply',
    now: at.startedAt,
    soil: at.soil ?? soilState(weather),
    // The leaf of the day on which it was planned says nothing months later: it is seen at the tree, or open.
    leaf: at.leaf === undefined && plan.plannedFor === null ? plan.choices.leaf : (at.leaf ?? null),
    // Null is “not timed”, said at the tree; only a sheet that does not ask leaves it to the plan.
    intakeMmH: at.intakeMmH === undefined ? plan.choices.intakeMmH : at.intakeMmH,
    temperatureC: weather.temperatureC,
    windMs: weather.windMs,
    rainNext24Mm: weather.rainNext24Mm,
    rainByHour: weather.rainByHour ?? null,
    humidity: weather.humidity,
    windFromDeg: weather.windFromDeg,
  });
}

/**
 * What a plan comes to by the newest facts of its tree, where nothing has been said of the hour yet: girth, crown, stage, vessels
 * and what was used since.
 */
export function newestOf({ treatmentContext, plan }: RowFacts): Prescription {
  const use = plan.label.uses.find((u) => u.key === plan.useKey)!;
  return prescribe(treatmentContext, plan.label, use, { ...plan.choices, phase: 'apply' });
}

/** A tree of a row with what its gates ask. */
export interface RowFacts {
  treatmentContext: TreatmentContext;
  plan: Pick<Plan, 'id' | 'label' | 'useKey' | 'choices' | 'plannedFor' | 'released'>;
}
/** A gate as it stands at some trees of a row. */
export interface RowGate {
  gate: Gate;
  planIds: string[];
}
/** What stands at the trees of a row in the air and ground that were said; the same gate is told once. */
export function rowGatesOf(trees: readonly RowFacts[], at: AtTheTree): RowGate[] {
  const out = new Map<string, RowGate>();
  for (const { plan, treatmentContext } of trees)
    for (const gate of atTheTree(treatmentContext, plan, at).gates) {
      // Making the plan counts as the release of its holds; here only what changed since speaks again.
      if (gate.strength === 'note' || (gate.strength === 'hold' && plan.released[gate.id])) continue;
      const key = `${gate.id} ${gate.strength} ${gate.state}`;
      const same = out.get(key);
      if (same) same.planIds.push(plan.id);
      else out.set(key, { gate, planIds: [plan.id] });
    }
  return [...out.values()];
}
