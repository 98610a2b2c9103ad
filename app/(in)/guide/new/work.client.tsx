'use client';

import type { CustomWork as CustomWorkEntry } from '@/core/work/own-work-schema';
import { SelectField, TextArea, TextField, Checkbox } from '@/ui/controls/controls';
import { MONTHS, CustomForm, useCustomForm, type Options, type CustomFormOf } from './own-form.client';
import { NO_WORK, workEntry, workForm } from './work-form';

/** A work of one's own, for hands and tools: what is put on a tree is a product, and has a label. */
export function CustomWork({
  draft,
  begin,
  methods,
  conditions,
}: CustomFormOf<CustomWorkEntry> & { methods: Options; conditions: Options }) {
  const { form, set, issues, keep, own } = useCustomForm(
    'work',
    draft,
    begin ? workForm(begin) : NO_WORK,
    begin !== null,
  );
  type Text = Exclude<keyof typeof NO_WORK, 'cuts' | 'note'>;
  const field = (key: Text, label: string, path: string, hint?: string) => (
    <TextField
      label={label}
      path={path}
      issues={issues}
      hint={hint}
      value={form[key]}
      onChange={(v) => set({ [key]: v })}
    />
  );
  const area = (key: Text, label: string, path: string, hint: string) => (
    <TextArea
      label={label}
      path={path}
      issues={issues}
      hint={hint}
      rows={3}
      value={form[key]}
      onChange={(v) => set({ [key]: v })}
    />
  );
  const select = (key: Text, label: string, path: string, options: Options) => (
    <SelectField
      label={label}
      path={path}
      issues={issues}
      value={form[key]}
      onChange={(v) => set({ [key]: v })}
      options={options}
    />
  );
  return (
    <CustomForm
      own={own}
      known={[
        ...['name', 'method', 'conditions', 'counted.what', 'counted.usual', 'steps', 'take', 'before'],
        ...['minutes.once', 'minutes.each', 'again'],
      ]}
      onSave={() => keep(workEntry(form, begin))}
    >
      {field('name', 'What it is called', 'text.name')}
      <div className="grid gap-x-5 desk:grid-cols-2">
        {select('method', 'What kind of work', 'text.method', methods)}
        {select('condition', 'Against what', 'text.conditions', [
          { value: '', name: 'whatever that kind of work is offered for' },
          ...conditions,
        ])}
        {field('counted', 'What is counted on a tree', 'text.counted.what', 'nests, limbs, stems')}
        {field('usual', 'How many there usually are', 'text.counted.usual')}
      </div>
      {area('steps', 'What is done', 'text.steps', 'A line for each step, in order.')}
      {area(
        'before',
        'What must be so before',
        'text.before',
        'A line each; it is asked, and holds the work until it is said.',
      )}
      {area('take', 'What goes onto the truck', 'text.take', 'A line each, with how many: “Ladder: 1”.')}
      <div className="grid gap-x-5 desk:grid-cols-2">
        {select('from', 'From (month of the northern year)', 'text.months.0', MONTHS)}
        {select('to', 'To', 'text.months.1', MONTHS)}
        {field('once', 'Minutes on a tree', 'text.minutes.once')}
        {field('each', 'And minutes for each', 'text.minutes.each')}
        {field('again', 'What is looked at afterwards (may stay empty)', 'text.again.what')}
        {field('days', 'After how many days', 'text.again.days')}
      </div>
      <div className="mb-4">
        <Checkbox checked={form.cuts} onChange={(cuts) => set({ cuts })}>
          It cuts living wood: closed seasons hold
        </Checkbox>
      </div>
    </CustomForm>
  );
}
