'use client';

import type { Issue } from '@/lib/result';
import type { ProgrammeStep, StepTime } from '@/core/programmes/schema';
import type { Method } from '@/core/label/methods';
import type { Bbch } from '@/core/season/bbch';
import { SelectField, TextField, Checkbox } from '@/ui/controls/controls';
import { Many } from './many.client';

interface Option {
  value: string;
  name: string;
}
export interface StepOptions {
  stages: Option[];
  months: Option[];
  models: Option[];
  works: Option[];
  methods: Option[];
  conditions: Option[];
  families: Option[];
}
interface Props {
  step: ProgrammeStep;
  /** Steps that stand before it, which it may follow or wait for. */
  before: readonly ProgrammeStep[];
  options: StepOptions;
  issues: Issue[];
  onChange: (step: ProgrammeStep) => void;
}

const KINDS: Option[] = [
  { value: 'treat', name: 'something is put on' },
  { value: 'work', name: 'a work without a product' },
  { value: 'look', name: 'a look' },
];
const actOf = (kind: string): ProgrammeStep['act'] =>
  kind === 'treat'
    ? { kind, against: [], methods: [], families: [], label: null, rotate: false }
    : kind === 'work'
      ? { kind, work: 'sanitation', answers: {} }
      : { kind: 'look', of: [], how: '' };

const TIMES: Option[] = [
  { value: 'stage', name: 'from one growth stage to another' },
  { value: 'heat', name: 'at a sum of heat' },
  { value: 'months', name: 'by months' },
  { value: 'after', name: 'so long after another step' },
];
function timeOf(by: string, before: readonly ProgrammeStep[], options: StepOptions): StepTime {
  if (by === 'stage') return { by, from: 7, to: 71 };
  if (by === 'heat') return { by, model: options.models[0]!.value, days: 21 };
  if (by === 'after') return { by, step: before.at(-1)!.key, unit: 'days', span: [6, 7, 10] };
  return { by: 'months', from: 5, to: 6 };
}

/** One step of a programme: what, when, how often and on what condition. */
export function StepEditor({ step, before, options, issues, onChange }: Props) {
  const set = (more: Partial<ProgrammeStep>) => onChange({ ...step, ...more });
  const looks = before.filter((s) => s.act.kind === 'look');
  return (
    <details className="px-3" open={issues.length > 0 || step.name === '' || undefined}>
      <summary className="min-h-hand py-2 font-semibold">{step.name || 'A new step'}</summary>
      <div className="grid gap-x-5 desk:grid-cols-2">
        <TextField label="Name" path="name" issues={issues} value={step.name} onChange={(name) => set({ name })} />
        <SelectField
          label="What it is"
          path="act.kind"
          value={step.act.kind}
          onChange={(kind) => set({ act: actOf(kind) })}
          options={KINDS as { value: ProgrammeStep['act']['kind']; name: string }[]}
        />
      </div>
      <Act step={step} options={options} issues={issues} set={set} />
      <Time step={step} before={before} options={options} issues={issues} set={set} />
      {step.when.by !== 'after' && <Series step={step} issues={issues} set={set} />}
      {looks.length > 0 && (
        <div className="grid gap-x-5 desk:grid-cols-2">
          <SelectField
            label="Waits for the look"
            path="onlyIf"
            issues={issues}
            value={step.onlyIf?.after ?? ''}
            onChange={(after) => set({ onlyIf: after ? { after, found: step.onlyIf?.found ?? '' } : null })}
            options={[
              { value: '', name: 'none: it is done in any case' },
              ...looks.map((l) => ({ value: l.key, name: l.name })),
            ]}
          />
          {step.onlyIf && (
            <TextField
              label="Only if"
              path="onlyIf.found"
              issues={issues}
              value={step.onlyIf.found}
              onChange={(found) => set({ onlyIf: { after: step.onlyIf!.after, found } })}
            />
          )}
        </div>
      )}
      <Many
        label="Only on trees that have had (none: on all)"
        chosen={step.onlyHad}
        options={options.conditions}
        onChange={(onlyHad) => set({ onlyHad })}
      />
      <TextField label="Why" path="why" issues={issues} value={step.why} onChange={(why) => set({ why })} />
    </details>
  );
}

type Part = Pick<Props, 'step' | 'options' | 'issues'> & { set: (more: Partial<ProgrammeStep>) => void };

function Act({ step, options, issues, set }: Part) {
  const { act } = step;
  if (act.kind === 'work')
    return (
      <SelectField
        label="Work"
        path="act"
        issues={issues}
        value={act.work}
        onChange={(work) => set({ act: { kind: 'work', work, answers: {} } })}
        options={options.works}
      />
    );
  if (act.kind === 'look')
    return (
      <>
        <TextField
          label="What is looked at or counted, and where"
          path="act.how"
          issues={issues}
          value={act.how}
          onChange={(how) => set({ act: { ...act, how } })}
        />
        <Many
          label="It looks for"
          chosen={act.of}
          options={options.conditions}
          onChange={(of) => set({ act: { ...act, of } })}
        />
      </>
    );
  return (
    <>
      <Many
        label="Against"
        chosen={act.against}
        options={options.conditions}
        onChange={(against) => set({ act: { ...act, against } })}
      />
      <div className="grid gap-x-5 desk:grid-cols-2">
        <Many
          label="By these methods (none: any)"
          chosen={act.methods}
          options={options.methods}
          onChange={(methods) => set({ act: { ...act, methods: methods as Method[] } })}
        />
        <Many
          label="Of these families (none: any)"
          chosen={act.families}
          options={options.families}
          onChange={(families) => set({ act: { ...act, families } })}
        />
      </div>
      <Checkbox checked={act.rotate} onChange={(rotate) => set({ act: { ...act, rotate } })}>
        Another resistance group each time
      </Checkbox>
    </>
  );
}

function Time({ step, before, options, issues, set }: Part & Pick<Props, 'before'>) {
  const { when } = step;
  const times = before.length ? TIMES : TIMES.filter((t) => t.value !== 'after');
  const put = (more: object) => set({ when: { ...when, ...more } as StepTime });
  const two = (from: string, to: string, of: Option[]) => (
    <>
      <SelectField
        label="From"
        path="when.from"
        issues={issues}
        value={from}
        onChange={(v) => put({ from: Number(v) as Bbch })}
        options={of}
      />
      <SelectField
        label="To"
        path="when.to"
        issues={issues}
        value={to}
        onChange={(v) => put({ to: Number(v) as Bbch })}
        options={of}
      />
    </>
  );
  return (
    <div className="grid gap-x-5 desk:grid-cols-3">
      <SelectField
        label="When"
        path="when"
        issues={issues}
        value={when.by}
        onChange={(by) => set({ when: timeOf(by, before, options), ...(by === 'after' ? { again: null } : {}) })}
        options={times as { value: StepTime['by']; name: string }[]}
      />
      {when.by === 'stage' && two(String(when.from), String(when.to), options.stages)}
      {when.by === 'months' && two(String(when.from), String(when.to), options.months)}
      {when.by === 'heat' && (
        <>
          <SelectField
            label="Sum of heat"
            path="when.model"
            issues={issues}
            value={when.model}
            onChange={(model) => put({ model })}
            options={options.models}
          />
          <Whole
            label="Days from then"
            path="when.days"
            issues={issues}
            value={when.days}
            onChange={(days) => put({ days })}
          />
        </>
      )}
      {when.by === 'after' && (
        <>
          <SelectField
            label="After"
            path="when.step"
            issues={issues}
            value={when.step}
            onChange={(after) => put({ step: after })}
            options={before.map((s) => ({ value: s.key, name: s.name }))}
          />
          <SelectField
            label="Counted in"
            path="when.unit"
            value={when.unit}
            onChange={(unit) => put({ unit })}
            options={(['days', 'weeks', 'months', 'years'] as const).map((u) => ({ value: u, name: u }))}
          />
          <Span
            label={when.unit}
            path="when.span"
            issues={issues}
            value={when.span}
            onChange={(span) => put({ span })}
          />
        </>
      )}
    </div>
  );
}

function Series({ step, issues, set }: Omit<Part, 'options'>) {
  const { again } = step;
  return (
    <>
      <Checkbox checked={again !== null} onChange={(on) => set({ again: on ? { days: [7, 10, 14], most: 4 } : null })}>
        Done again within its time
      </Checkbox>
      {again && (
        <div className="grid gap-x-5 desk:grid-cols-4">
          <Span
            label="days"
            path="again.days"
            issues={issues}
            value={again.days}
            onChange={(days) => set({ again: { ...again, days } })}
          />
          <Whole
            label="Times at most"
            path="again.most"
            issues={issues}
            value={again.most}
            onChange={(most) => set({ again: { ...again, most } })}
          />
        </div>
      )}
      <Checkbox checked={step.toPicking} onChange={(toPicking) => set({ toPicking })}>
        On to the picking, where the tree is picked
      </Checkbox>
    </>
  );
}

type Days = [number, number, number];
function Span({
  label,
  path,
  issues,
  value,
  onChange,
}: {
  label: string;
  path: string;
  issues: Issue[];
  value: Days;
  onChange: (v: Days) => void;
}) {
  const names = [`Shortest, ${label}`, `Usual, ${label}`, `Longest, ${label}`];
  return names.map((name, i) => (
    <Whole
      key={name}
      label={name}
      path={i === 0 ? path : `${path}.${i}`}
      issues={issues}
      value={value[i]!}
      onChange={(n) => onChange(value.map((x, at) => (at === i ? n : x)) as Days)}
    />
  ));
}

/** A whole number; what is no number stays in the field, and the server says so. */
function Whole({
  label,
  path,
  issues,
  value,
  onChange,
}: {
  label: string;
  path: string;
  issues: Issue[];
  value: number;
  onChange: (n: number) => void;
}) {
  return (
    <TextField
      label={label}
      path={path}
      issues={issues}
      inputMode="numeric"
      value={Number.isNaN(value) || value === null ? '' : String(value)}
      onChange={(v) => onChange(v.trim() === '' ? NaN : Number(v))}
    />
  );
}
