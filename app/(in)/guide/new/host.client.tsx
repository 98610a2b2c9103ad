'use client';

import type { Host } from '@/core/diagnose/knowledge';
import { Choices, SelectField, TextField, Checkbox } from '@/ui/controls/controls';
import { hostEntry, hostForm, NO_HOST, type LikeHost } from './host-form';
import { CustomForm, useCustomForm, type CustomFormOf } from './own-form.client';

const BEES = [
  { value: 'no', name: 'Bees leave it' },
  { value: 'yes', name: 'Bees visit it' },
  { value: 'strongly', name: 'Bees live on it' },
] as const;

/** A host of one's own: what it is called, which one it is like, and how it is known in the field. */
export function CustomHost({ draft, begin, hosts }: CustomFormOf<Host> & { hosts: readonly LikeHost[] }) {
  const { form, set, issues, keep, own } = useCustomForm(
    'host',
    draft,
    begin ? hostForm(begin) : NO_HOST,
    begin !== null,
  );
  const like = hosts.find((h) => h.id === form.like);
  const field = (key: 'name' | 'latin' | 'first' | 'second', label: string, path: string) => (
    <TextField label={label} path={path} issues={issues} value={form[key]} onChange={(v) => set({ [key]: v })} />
  );
  return (
    <CustomForm
      own={own}
      known={['name', 'latin', 'key.0', 'key.1', 'groups', 'growsLike']}
      onSave={() => keep(hostEntry(form, like, begin))}
    >
      {field('name', 'What it is called', 'text.name')}
      {field('latin', 'Latin name', 'text.latin')}
      <SelectField
        label="Which tree it is like"
        path="text.groups"
        issues={issues}
        hint="It gets what that one gets, and grows through the year as it does."
        value={form.like}
        onChange={(id) => {
          const next = hosts.find((h) => h.id === id);
          set({ like: id, ...(next ? { bee: next.beePlant, edible: next.edible } : {}) });
        }}
        options={[{ value: '', name: 'Choose …' }, ...hosts.map((h) => ({ value: h.id, name: h.name }))]}
      />
      <Choices
        label="Bees"
        value={form.bee || null}
        onChange={(bee) => set({ bee })}
        options={BEES}
        path="text.beePlant"
        issues={issues}
      />
      <div className="mb-4">
        <Checkbox checked={form.edible} onChange={(edible) => set({ edible })}>
          Somebody eats or taps what it bears
        </Checkbox>
      </div>
      {field('first', 'What confirms it in the field', 'text.key.0')}
      {field('second', 'And what else', 'text.key.1')}
    </CustomForm>
  );
}
