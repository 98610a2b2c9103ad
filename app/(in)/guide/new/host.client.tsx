'use client';

import { ownKey } from '@/core/settings/own-key';
import type { Host } from '@/core/diagnose/knowledge';
import { Choices, SelectField, TextField, Tick } from '@/ui/controls/controls';
import { useDraft } from '@/ui/controls/use.client';
import { useKeepOwn } from './keep.client';
import type { LikeHost } from './like-host';
import { OwnForm } from './own-form.client';

const EMPTY = { name: '', latin: '', like: '', first: '', second: '', bee: '', edible: false, note: '' };
const BEES = [
  { value: 'no', name: 'Bees leave it' },
  { value: 'yes', name: 'Bees visit it' },
  { value: 'strongly', name: 'Bees live on it' },
] as const;

/** The form as an entry fills it. */
const formOf = (h: Host): typeof EMPTY => ({
  ...EMPTY,
  name: h.name,
  latin: h.latin,
  like: h.growsLike ?? '',
  first: h.key[0]?.ask ?? '',
  second: h.key[1]?.ask ?? '',
  bee: h.beePlant,
  edible: h.edible,
});

/** A host of one's own: what it is called, which one it is like, and how it is known in the field. */
export function OwnHost({ begin, hosts }: { begin: Host | null; hosts: readonly LikeHost[] }) {
  const [form, setForm, forget] = useDraft(`own-host${begin?.id ?? ''}`, begin ? formOf(begin) : EMPTY);
  const own = useKeepOwn('host');
  const { faults, keep } = own;
  const set = (more: Partial<typeof EMPTY>) => setForm((f) => ({ ...f, ...more }));
  const like = hosts.find((h) => h.id === form.like);
  // What has no field stays as it was, and what comes from the tree that it is like, while it is like the same.
  const kept = begin && (!like || like.id === begin.growsLike) ? begin : null;
  const field = (key: 'name' | 'latin' | 'first' | 'second', label: string, path: string) => (
    <TextField label={label} path={path} faults={faults} value={form[key]} onChange={(v) => set({ [key]: v })} />
  );
  return (
    <OwnForm
      own={own}
      known={['text.name', 'text.latin', 'text.key.0', 'text.key.1', 'text.groups', 'text.growsLike']}
      note={form.note}
      onNote={(note) => set({ note })}
      onKeep={() =>
        keep(
          {
            ...(kept ?? { ...begin, ...(like ?? { growthCmPerYear: 1, largestCm: 100, evergreen: false }) }),
            id: begin?.id ?? ownKey(form.name),
            name: form.name,
            latin: form.latin,
            groups: kept?.groups ?? (like ? like.groups.filter((g) => g !== like.id) : []),
            ...(like ? { growsLike: like.id } : {}),
            key: [
              ...[form.first, form.second].map((ask, i) => ({
                ask,
                ifNot: kept?.key[i]?.ifNot ?? (like ? [like.id] : []),
              })),
              ...(begin?.key.slice(2) ?? []),
            ],
            beePlant: (form.bee || like?.beePlant || 'yes') as Host['beePlant'],
            edible: form.edible,
          },
          form.note,
          begin ? forget : () => setForm(EMPTY),
        )
      }
    >
      {field('name', 'What it is called', 'text.name')}
      {field('latin', 'Latin name', 'text.latin')}
      <SelectField
        label="Which tree it is like"
        path="text.groups"
        faults={faults}
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
        faults={faults}
      />
      <div className="mb-4">
        <Tick checked={form.edible} onChange={(edible) => set({ edible })}>
          Somebody eats or taps what it bears
        </Tick>
      </div>
      {field('first', 'What confirms it in the field', 'text.key.0')}
      {field('second', 'And what else', 'text.key.1')}
    </OwnForm>
  );
}
