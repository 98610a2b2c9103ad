'use client';

import type { Sign } from '@/core/diagnose/knowledge';
import { PARTS_OF_TREE } from '@/core/diagnose/words';
import { SelectField, TextField, Checkbox } from '@/ui/controls/controls';
import { CustomForm, useCustomForm, withTyped, type Options, type CustomFormOf } from './own-form.client';
import { NO_SIGN, signEntry, signForm } from './sign-form';

const IDLE = [
  { value: '0.005', name: 'hardly ever' },
  { value: '0.02', name: 'now and then' },
  { value: '0.1', name: 'often' },
  { value: '0.3', name: 'on every third tree' },
];
/** A sign of one's own: where it is, how it looks, and how often it is there without meaning anything. */
export function CustomSign({ draft, begin, groups }: CustomFormOf<Sign> & { groups: Options }) {
  const { form, set, issues, keep, own } = useCustomForm(
    'sign',
    draft,
    begin ? signForm(begin) : NO_SIGN,
    begin !== null,
  );
  const field = (key: 'words' | 'worst' | 'danger', label: string, path: string) => (
    <TextField label={label} path={path} issues={issues} value={form[key]} onChange={(v) => set({ [key]: v })} />
  );
  return (
    <CustomForm own={own} known={['words', 'worst', 'danger', 'groups']} onSave={() => keep(signEntry(form, begin))}>
      {field('words', 'How it looks, in the field', 'text.words')}
      {field('worst', 'What the most of it looks like', 'text.worst')}
      <SelectField
        label="Where on the tree"
        path="text.place"
        issues={issues}
        value={form.place}
        onChange={(place) => set({ place })}
        options={PARTS_OF_TREE.map((p) => ({ value: p, name: p }))}
      />
      <SelectField
        label="On which trees it is looked for"
        path="text.groups"
        issues={issues}
        value={form.group}
        onChange={(group) => set({ group })}
        options={[{ value: '', name: 'every tree' }, ...groups]}
      />
      <SelectField
        label="How often it is there and means nothing"
        path="text.idle"
        issues={issues}
        value={form.idle}
        onChange={(idle) => set({ idle })}
        options={withTyped(IDLE, form.idle)}
      />
      <div className="mb-4">
        <Checkbox checked={form.lasts} onChange={(lasts) => set({ lasts })}>
          Once it is there, it stays through the year
        </Checkbox>
      </div>
      {field('danger', 'What it means for whoever stands below (may stay empty)', 'text.danger')}
    </CustomForm>
  );
}
