'use client';

import type { Sign } from '@/core/diagnose/knowledge';
import { PLACES_ON_TREE, type PlaceOnTree } from '@/core/diagnose/words';
import { ownKey } from '@/core/settings/own-key';
import { SelectField, TextField, Tick } from '@/ui/controls/controls';
import { useDraft } from '@/ui/controls/use.client';
import { useKeepOwn } from './keep.client';
import { OwnForm } from './own-form.client';

const EMPTY = {
  words: '',
  worst: '',
  place: 'leaves' as PlaceOnTree,
  group: '',
  idle: '0.02',
  lasts: false,
  danger: '',
  note: '',
};
const IDLE = [
  { value: '0.005', name: 'hardly ever' },
  { value: '0.02', name: 'now and then' },
  { value: '0.1', name: 'often' },
  { value: '0.3', name: 'on every third tree' },
];
/** Signs of a name that is longer are cut: an id has sixty at most. */
const NAMED = 40;

/** The form as an entry fills it. */
const formOf = (s: Sign): typeof EMPTY => ({
  ...EMPTY,
  words: s.words,
  worst: s.worst,
  place: s.place,
  group: s.groups[0] ?? '',
  idle: String(s.idle),
  lasts: s.lasts,
  danger: s.danger ?? '',
});

/** A sign of one's own: where it is, how it looks, and how often it is there without meaning anything. */
export function OwnSign({ begin, groups }: { begin: Sign | null; groups: readonly { value: string; name: string }[] }) {
  const [form, setForm, forget] = useDraft(`own-sign${begin?.id ?? ''}`, begin ? formOf(begin) : EMPTY);
  const own = useKeepOwn('sign');
  const { faults, keep } = own;
  const set = (more: Partial<typeof EMPTY>) => setForm((f) => ({ ...f, ...more }));
  const field = (key: 'words' | 'worst' | 'danger', label: string, path: string) => (
    <TextField label={label} path={path} faults={faults} value={form[key]} onChange={(v) => set({ [key]: v })} />
  );
  return (
    <OwnForm
      own={own}
      known={['text.words', 'text.worst', 'text.danger', 'text.groups']}
      note={form.note}
      onNote={(note) => set({ note })}
      onKeep={() =>
        keep(
          {
            ...begin,
            id: begin?.id ?? ownKey(form.words.slice(0, NAMED)),
            place: form.place,
            words: form.words,
            worst: form.worst,
            groups: form.group ? [form.group, ...(begin?.groups.slice(1) ?? [])] : [],
            idle: Number(form.idle),
            lasts: form.lasts,
            danger: form.danger || undefined,
          },
          form.note,
          begin ? forget : () => setForm(EMPTY),
        )
      }
    >
      {field('words', 'How it looks, in the field', 'text.words')}
      {field('worst', 'What the most of it looks like', 'text.worst')}
      <SelectField
        label="Where on the tree"
        path="text.place"
        faults={faults}
        value={form.place}
        onChange={(place) => set({ place })}
        options={PLACES_ON_TREE.map((p) => ({ value: p, name: p }))}
      />
      <SelectField
        label="On which trees it is looked for"
        path="text.groups"
        faults={faults}
        value={form.group}
        onChange={(group) => set({ group })}
        options={[{ value: '', name: 'every tree' }, ...groups]}
      />
      <SelectField
        label="How often it is there and means nothing"
        path="text.idle"
        faults={faults}
        value={form.idle}
        onChange={(idle) => set({ idle })}
        // One that came from elsewhere may say another share.
        options={IDLE.some((i) => i.value === form.idle) ? IDLE : [...IDLE, { value: form.idle, name: form.idle }]}
      />
      <div className="mb-4">
        <Tick checked={form.lasts} onChange={(lasts) => set({ lasts })}>
          Once it is there, it stays through the year
        </Tick>
      </div>
      {field('danger', 'What it means for whoever stands below (may stay empty)', 'text.danger')}
    </OwnForm>
  );
}
