'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import { EQUIPMENT_KINDS, type Equipment, type EquipmentKind } from '@/core/work/load-out';
import { FormIssues, SelectField, TextField, Checkbox } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { shortDay } from '@/ui/words';
import { deleteEquipment, saveEquipment } from './actions';

const KIND_NAMES: Record<EquipmentKind, string> = {
  bit: 'drill bit',
  capsule: 'capsule',
  'pressure bottle': 'pressure bottle',
  'low-pressure bottle': 'low-pressure bottle',
  'tee infusion': 'tee',
  drill: 'drill',
  probe: 'soil probe',
  tool: 'other tool',
};
const HOLDS: readonly EquipmentKind[] = ['capsule', 'pressure bottle', 'low-pressure bottle'];

const fieldsOf = (e?: Equipment) => ({
  kind: e?.kind ?? ('bit' as EquipmentKind),
  name: e?.name ?? '',
  sizeMm: e?.sizeMm ? String(e.sizeMm) : '',
  holdsMl: e?.holdsMl ? String(e.holdsMl) : '',
  count: e ? String(e.count) : '',
});

/** What is there, one line each; a press opens its form. */
export function EquipmentRow({ own }: { own: Equipment }) {
  const [open, setOpen] = useState(false);
  return (
    <li className="row py-1.5">
      <p className="figures flex flex-wrap items-center justify-between gap-x-4">
        <span>
          <b>{own.name}</b>
          <span className="text-ink-2">
            {', '}
            {KIND_NAMES[own.kind]}
            {own.sizeMm ? `, ${own.sizeMm} mm` : ''}
            {own.holdsMl ? `, holds ${own.holdsMl} mL` : ''}
          </span>
        </span>
        <span className="flex items-center gap-4">
          <b>{own.count}</b>
          <span className="text-small text-ink-2">
            {own.checkedOn ? `looked over ${shortDay(own.checkedOn)}` : 'never looked over'}
          </span>
          <button
            type="button"
            className="min-h-hand underline underline-offset-3"
            aria-expanded={open}
            onClick={() => setOpen(!open)}
          >
            {open ? 'close' : 'change'}
            <span className="sr-only"> {own.name}</span>
          </button>
        </span>
      </p>
      {open && <EquipmentForm own={own} />}
    </li>
  );
}

/** One kind of bit, device or tool: what it is, how many there are, when it was last looked over. */
export function EquipmentForm({ own }: { own?: Equipment }) {
  const [form, setForm] = useState(() => ({ ...fieldsOf(own), checked: false }));
  const { busy, issues, send } = useSend(saveEquipment);
  const drop = useSend(deleteEquipment);
  const said = useNotify();
  const set = (k: 'name' | 'sizeMm' | 'holdsMl' | 'count') => (x: string) => setForm((f) => ({ ...f, [k]: x }));
  return (
    <form
      className="mt-3 grid items-end gap-x-5 desk:grid-cols-4"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: own?.id ?? v7(), ...form, checkedOn: own?.checkedOn ?? null }, () => {
          said({ sentence: `${form.name}: ${form.count} on the shelf.` });
          setForm(own ? { ...form, checked: false } : { ...fieldsOf(), kind: form.kind, checked: false });
        });
      }}
    >
      <FormIssues issues={issues} known={['name', 'sizeMm', 'holdsMl', 'count']} />
      <SelectField
        label="Kind"
        path="kind"
        issues={issues}
        value={form.kind}
        onChange={(kind) => setForm((f) => ({ ...f, kind, holdsMl: '' }))}
        options={EQUIPMENT_KINDS.map((value) => ({ value, name: KIND_NAMES[value] }))}
      />
      <TextField
        label={own ? 'Name' : 'Another, by its name'}
        path="name"
        issues={issues}
        maxLength={80}
        value={form.name}
        onChange={set('name')}
      />
      {form.kind === 'bit' && (
        <TextField
          label="Diameter, mm"
          path="sizeMm"
          issues={issues}
          inputMode="decimal"
          maxLength={20}
          value={form.sizeMm}
          onChange={set('sizeMm')}
        />
      )}
      {HOLDS.includes(form.kind) && (
        <TextField
          label="Holds, mL"
          path="holdsMl"
          issues={issues}
          inputMode="decimal"
          maxLength={20}
          value={form.holdsMl}
          onChange={set('holdsMl')}
        />
      )}
      <TextField
        label="How many"
        path="count"
        issues={issues}
        inputMode="numeric"
        maxLength={20}
        value={form.count}
        onChange={set('count')}
      />
      <Checkbox checked={form.checked} onChange={(checked) => setForm((f) => ({ ...f, checked }))}>
        Looked over today
      </Checkbox>
      <div className="mb-4 flex gap-2">
        <button className="press" disabled={busy}>
          {own ? 'Keep' : 'Add'}
          <span className="sr-only"> {own?.name ?? 'this equipment'}</span>
        </button>
        {own && (
          <button
            type="button"
            className="press press-plain"
            disabled={drop.busy}
            onClick={() =>
              drop.send({ id: own.id }, () =>
                said({
                  sentence: `${own.name} taken off the shelf.`,
                  undo: () => saveEquipment({ id: own.id, ...fieldsOf(own), checked: false, checkedOn: own.checkedOn }),
                }),
              )
            }
          >
            Take off<span className="sr-only"> {own.name}</span>
          </button>
        )}
      </div>
    </form>
  );
}
