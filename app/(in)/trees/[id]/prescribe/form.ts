import type { Choices, TreatmentContext, When } from '@/core/gates/context';
import type { Said } from '@/core/gates/said';
import { USUAL_WEIGHTS } from '@/core/ring/ring';
import type { Density } from '@/core/spray/crown';
import type { UnitSystem } from '@/lib/units/units';
import type { Typed } from './work-bench.client';

/** What a person sets at this bench, as it stands before anybody touches it. */
export const emptyForm = (treatmentContext: TreatmentContext, usual: Choices) => ({
  day: treatmentContext.on,
  pick: '',
  when: usual.when ?? ({ kind: 'window' } as When),
  soil: usual.soil,
  leaf: usual.leaf,
  intakeMmH: null as number | null,
  stemRule: (usual.stemRule ?? null) as Choices['stemRule'] | null,
  rangePoint: null as number | null,
  said: {} as Said,
  density: 'middling' as Density,
  tankId: '',
  bearings: null as { for: string; at: number[] } | null,
  weights: USUAL_WEIGHTS,
  typed: {} as Typed,
  alike: [] as string[],
  alikeReason: '',
  released: {} as Record<string, string>,
});
export type PrescribeForm = ReturnType<typeof emptyForm>;

type Chosen = Pick<
  PrescribeForm,
  'when' | 'soil' | 'leaf' | 'intakeMmH' | 'said' | 'density' | 'tankId' | 'stemRule' | 'rangePoint' | 'weights'
>;
/** The form as the core wants it. */
export const choicesOf = (form: Chosen, usual: Choices, units: UnitSystem): Choices => ({
  ...usual,
  when: form.when,
  soil: form.soil,
  leaf: form.leaf,
  intakeMmH: form.intakeMmH,
  said: form.said,
  density: form.density,
  weights: form.weights,
  system: units,
  ...(form.tankId ? { tankId: form.tankId } : {}),
  ...(form.stemRule ? { stemRule: form.stemRule } : {}),
  ...(form.rangePoint === null
    ? {}
    : {
        rangePoint: form.rangePoint,
        rangeReason:
          form.rangePoint === 1
            ? 'heavy attack or large trunk'
            : form.rangePoint === 0
              ? 'light attack or small trunk'
              : 'between',
      }),
});
