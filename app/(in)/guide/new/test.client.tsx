'use client';

import type { CustomTest as CustomTestEntry } from '@/core/custom/overlay';
import { OFTEN_WORDS } from '@/core/diagnose/words';
import { Choices, SelectField, TextArea, TextField, Checkbox } from '@/ui/controls/controls';
import { RemoveRow } from '@/ui/controls/picked.client';
import { CustomForm, useCustomForm, withTyped, type Options, type CustomFormOf } from './own-form.client';
import { MOST_OUTCOMES, NO_OUTCOME, NO_TEST, outcomesOf, testEntry, testForm, type TypedOutcome } from './test-form';

const COSTS = [
  { value: 'nothing', name: 'Eye and hand' },
  { value: 'kit', name: 'A kit' },
  { value: 'laboratory', name: 'A laboratory' },
] as const;
const WOUNDS = [
  { value: '0', name: 'No mark' },
  { value: '1', name: 'A twig or a scratch' },
  { value: '2', name: 'A window or a root' },
] as const;
const DETECTIONS = [
  { value: '0.98', name: 'nearly all' },
  { value: '0.93', name: 'nine of ten' },
  { value: '0.8', name: 'four of five' },
  { value: '0.6', name: 'three of five' },
];
const ERRS = [
  { value: '0.002', name: 'hardly ever' },
  { value: '0.02', name: 'one of fifty' },
  { value: '0.04', name: 'one of twenty-five' },
  { value: '0.1', name: 'one of ten' },
];

/** A quick test of one's own: what is done, what can come out, and of what each outcome speaks. */
export function CustomTest({
  draft,
  begin,
  groups,
  conditions,
}: CustomFormOf<CustomTestEntry> & { groups: Options; conditions: Options }) {
  const { form, set, issues, keep, own } = useCustomForm(
    'test',
    draft,
    begin ? testForm(begin) : NO_TEST,
    begin !== null,
  );
  const field = (key: 'name' | 'ask' | 'minutes' | 'waitDays', label: string, hint?: string) => (
    <TextField
      label={label}
      path={`text.${key}`}
      issues={issues}
      hint={hint}
      inputMode={key === 'minutes' || key === 'waitDays' ? 'decimal' : undefined}
      value={form[key]}
      onChange={(x) => set({ [key]: x })}
    />
  );
  const change = (i: number, more: Partial<TypedOutcome>) =>
    set({ outcomes: form.outcomes.map((o, j) => (j === i ? { ...o, ...more } : o)) });
  const nameOf = (id: string) => conditions.find((c) => c.value === id)?.name ?? id;
  const outcomes = outcomesOf(form);
  return (
    <CustomForm
      own={own}
      known={['name', 'ask', 'how', 'minutes', 'waitDays', 'outcomes', 'groups', 'tells']}
      onSave={() => keep(testEntry(form, begin, nameOf))}
    >
      {field('name', 'What it is called', 'For example: rub the crumbs')}
      {field('ask', 'What is asked at the tree', 'For example: what do the crumbs do between two fingers?')}
      <TextArea
        label="How it is done"
        path="text.how"
        issues={issues}
        rows={3}
        value={form.how}
        onChange={(how) => set({ how })}
      />
      <Choices
        label="By"
        value={form.cost}
        onChange={(cost) => set({ cost })}
        options={COSTS}
        path="text.cost"
        issues={issues}
      />
      <Choices
        label="What it leaves on the tree"
        value={form.wounds}
        onChange={(wounds) => set({ wounds })}
        options={WOUNDS}
        path="text.wounds"
        issues={issues}
      />
      <div className="grid gap-x-5 desk:grid-cols-2">
        {field('minutes', 'Minutes at the tree')}
        {field('waitDays', 'Days until the answer')}
      </div>
      <SelectField
        label="On which trees"
        path="text.groups"
        issues={issues}
        value={form.group}
        onChange={(group) => set({ group })}
        options={[{ value: '', name: 'every tree' }, ...groups]}
      />
      <div className="mb-4 flex flex-col gap-2">
        <Checkbox checked={form.leaf} onChange={(leaf) => set({ leaf })}>
          It needs leaves on the tree
        </Checkbox>
        <Checkbox checked={form.dig} onChange={(dig) => set({ dig })}>
          Somebody digs for it
        </Checkbox>
      </div>
      <fieldset className="mb-4">
        <legend className="text-lead font-bold">What can come out</legend>
        {outcomes.map((o, i) => (
          <div key={o.id} className="row py-2">
            <div className="flex items-end gap-3">
              <div className="min-w-0 flex-1">
                <TextField
                  label={`Outcome ${i + 1}, as it looks`}
                  path={`text.outcomes.${i}`}
                  issues={issues}
                  value={o.words}
                  onChange={(words) => change(i, { words })}
                />
              </div>
              <div className="mb-4">
                <RemoveRow
                  name={`Take away outcome ${i + 1}`}
                  disabled={form.outcomes.length === 1}
                  onClick={() => set({ outcomes: form.outcomes.filter((_, j) => j !== i) })}
                />
              </div>
            </div>
            <div className="grid gap-x-5 desk:grid-cols-2">
              <SelectField
                label="It speaks of"
                path={i === 0 ? 'text.tells' : `text.tells.${o.id}`}
                issues={issues}
                value={o.condition}
                onChange={(condition) => change(i, { condition })}
                options={[{ value: '', name: 'nothing' }, ...conditions]}
              />
              <SelectField
                label="which shows it"
                path={`text.often.${i}`}
                value={o.often}
                onChange={(often) => change(i, { often })}
                options={OFTEN_WORDS.filter((w) => w !== 'never').map((w) => ({ value: w, name: w }))}
              />
            </div>
          </div>
        ))}
        <button
          type="button"
          className="press mt-2"
          disabled={form.outcomes.length >= MOST_OUTCOMES}
          onClick={() => set({ outcomes: [...form.outcomes, NO_OUTCOME] })}
        >
          Another outcome
        </button>
        <p className="mt-2 text-small text-ink-2">“None of these” is always among them.</p>
      </fieldset>
      <div className="grid gap-x-5 desk:grid-cols-2">
        <SelectField
          label="Of trees that have it, it finds"
          path="text.sensitivity"
          issues={issues}
          value={form.detections}
          onChange={(detections) => set({ detections })}
          options={withTyped(DETECTIONS, form.detections)}
        />
        <SelectField
          label="Of trees that have it not, it errs on"
          path="text.specificity"
          issues={issues}
          value={form.errs}
          onChange={(errs) => set({ errs })}
          options={withTyped(ERRS, form.errs)}
        />
      </div>
    </CustomForm>
  );
}
