import { LEAF_STATES } from '@/core/season/leaf-state';
import type { Gate } from '@/core/gates/gate';
import type { Said } from '@/core/gates/said';
import type { LabelUse } from '@/core/label/schema';
import type { Choices as Choosable, TreatmentContext } from '@/core/gates/context';
import type { Prescription } from '@/core/prescribe/prescribe';
import { DENSITY, type Density } from '@/core/spray/crown';
import { figure } from '@/lib/units/units';
import { SOIL_WORDS } from '@/core/weather/air';
import { Choices } from '@/ui/controls/controls';
import { AskFacts } from '../asks';
import { TestPour } from '../test-pour';
import type { PrescribeForm } from './form';

/** Soil, leaf, crown, sprayer, range and stems: what is so today, and what the label leaves open. */
export function AsItIs({
  form,
  setForm,
  usual,
  treatmentContext,
  use,
  result,
}: {
  form: PrescribeForm;
  setForm: (next: (was: PrescribeForm) => PrescribeForm) => void;
  usual: Choosable;
  treatmentContext: TreatmentContext;
  use: LabelUse;
  result: Prescription;
}) {
  const { dose } = use.rate;
  const point = dose.form === 'flat' ? dose.point : dose.classes.bands[0]!.entry;
  return (
    <section className="mt-7">
      <h2 className="mb-2">As it is today</h2>
      <Choices
        label={`Soil (station: ${usual.soil ?? 'no word'})`}
        value={form.soil}
        onChange={(soil) => setForm((f) => ({ ...f, soil }))}
        options={SOIL_WORDS.map((s) => ({ value: s, name: s }))}
      />
      <Choices
        label="Leaves (first guess by the calendar)"
        value={form.leaf}
        onChange={(leaf) => setForm((f) => ({ ...f, leaf }))}
        options={LEAF_STATES.map((s) => ({ value: s, name: s }))}
      />
      {use.method === 'soil-drench' && (
        <TestPour intakeMmH={form.intakeMmH} onTimed={(intakeMmH) => setForm((f) => ({ ...f, intakeMmH }))} />
      )}
      {result.treated.spray && use.method === 'foliar-spray' && (
        <Choices
          small
          label="How dense is the crown"
          value={form.density}
          onChange={(density) => setForm((f) => ({ ...f, density }))}
          options={(Object.keys(DENSITY) as Density[]).map((d) => ({ value: d, name: d }))}
        />
      )}
      {result.treated.spray && (treatmentContext.tanks?.length ?? 0) > 1 && (
        <Choices
          small
          label="Sprayer"
          value={form.tankId || treatmentContext.tanks![0]!.id}
          onChange={(tankId) => setForm((f) => ({ ...f, tankId }))}
          options={treatmentContext.tanks!.map((t) => ({ value: t.id, name: t.name }))}
        />
      )}
      {point.kind === 'range' && (
        <Choices
          label={`Within the label’s range, ${figure(point.low)} to ${figure(point.high)} ${point.unit}`}
          value={String(form.rangePoint ?? 0)}
          onChange={(x) => setForm((f) => ({ ...f, rangePoint: Number(x) }))}
          options={[
            { value: '0', name: `low: ${point.lowFor}` },
            { value: '0.5', name: 'between' },
            { value: '1', name: `high: ${point.highFor}` },
          ]}
        />
      )}
      {(treatmentContext.reading?.diameters.length ?? 0) > 1 && use.rate.stems === 'unanswered' && (
        <Choices
          label="Several stems count as"
          value={form.stemRule ?? null}
          onChange={(stemRule) => setForm((f) => ({ ...f, stemRule }))}
          options={[
            { value: 'sum', name: 'the sum of diameters' },
            { value: 'basal-area', name: 'basal-area equivalent' },
            { value: 'each', name: 'each stem a tree' },
          ]}
        />
      )}
    </section>
  );
}

/** What keeps a plan from being made, in a few words. */
export function InTheWay({ gates }: { gates: Gate[] }) {
  if (!gates.length) return null;
  const stop = gates.find((g) => g.strength === 'stop' && g.state === 'tripped');
  const asked = gates.filter((g) => g.asks).length;
  return (
    <p className="mt-2 text-[0.9375rem] font-semibold">
      {stop
        ? `Stopped: ${stop.title}.`
        : asked
          ? `${asked} ${asked === 1 ? 'question' : 'questions'} to be answered first.`
          : gates[0]!.strength === 'stop'
            ? `Stopped: ${gates[0]!.title}`
            : `Held: ${gates[0]!.title}. Write a reason to go on.`}
    </p>
  );
}

/** Facts that only a person can give, before a plan. */
export function ToBeSaid(p: { gates: Gate[]; said: Said; onSay: (answers: Said) => void }) {
  if (!p.gates.some((g) => g.asks) && !Object.keys(p.said).length) return null;
  return (
    <section className="mt-6">
      <AskFacts title="To be said first" {...p} />
    </section>
  );
}
