'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import type { Vessel } from '@/core/dose/vessels';
import { Choices, TextField, Checkbox } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { deleteSprayer, deleteVessel, saveSprayer, saveVessel } from './actions';
import type { Tank } from '@/core/spray/loads';

export function AddVessel() {
  const [form, setForm] = useState({
    name: '',
    dimension: 'volume' as 'volume' | 'mass',
    capacity: '',
    graduation: '',
    reserved: true,
  });
  const { busy, issues, send } = useSend(saveVessel);
  const said = useNotify();
  const unit = form.dimension === 'volume' ? 'mL' : 'g';
  return (
    <form
      className="mt-4 grid items-end gap-x-5 desk:grid-cols-2"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: v7(), ...form }, () => {
          said({ sentence: `${form.name} stands on the shelf.` });
          setForm((f) => ({ ...f, name: '', capacity: '', graduation: '' }));
        });
      }}
    >
      <TextField
        label="Another vessel"
        path="name"
        issues={issues}
        maxLength={80}
        value={form.name}
        onChange={(name) => setForm((f) => ({ ...f, name }))}
      />
      <Choices
        label="For"
        value={form.dimension}
        onChange={(dimension) => setForm((f) => ({ ...f, dimension }))}
        options={[
          { value: 'volume', name: 'liquids' },
          { value: 'mass', name: 'powders' },
        ]}
      />
      <TextField
        label={`Holds, ${unit}`}
        path="capacity"
        issues={issues}
        inputMode="decimal"
        maxLength={20}
        value={form.capacity}
        onChange={(capacity) => setForm((f) => ({ ...f, capacity }))}
      />
      <TextField
        label={`A mark every, ${unit}`}
        path="graduation"
        issues={issues}
        inputMode="decimal"
        maxLength={20}
        value={form.graduation}
        onChange={(graduation) => setForm((f) => ({ ...f, graduation }))}
      />
      <Checkbox checked={form.reserved} onChange={(reserved) => setForm((f) => ({ ...f, reserved }))}>
        Marked, and kept for pesticides alone
      </Checkbox>
      <button className="press justify-self-start" disabled={busy}>
        Add this vessel
      </button>
    </form>
  );
}

export function RemoveVessel({ vessel }: { vessel: Vessel }) {
  const { busy, send } = useSend(deleteVessel);
  const said = useNotify();
  const again = {
    id: vessel.id,
    name: vessel.name,
    dimension: vessel.dimension,
    capacity: String(vessel.capacity),
    graduation: String(vessel.graduation),
  };
  return (
    <button
      type="button"
      className="min-h-hand underline underline-offset-3"
      disabled={busy}
      onClick={() =>
        send({ id: vessel.id }, () =>
          said({ sentence: `${vessel.name} is gone from the shelf.`, undo: () => saveVessel(again) }),
        )
      }
    >
      remove<span className="sr-only"> {vessel.name}</span>
    </button>
  );
}

/** A sprayer: what it holds, and what its nozzles give as measured. */
export function SprayerForm({ sprayer }: { sprayer?: Tank }) {
  const empty = {
    name: sprayer?.name ?? '',
    holds: sprayer ? String(sprayer.holdsMl / 1000) : '',
    flow: '',
    dead: sprayer?.deadMl ? String(sprayer.deadMl / 1000) : '',
  };
  const [form, setForm] = useState(empty);
  const { busy, issues, send } = useSend(saveSprayer);
  const drop = useSend(deleteSprayer);
  const said = useNotify();
  const set = (k: keyof typeof form) => (x: string) => setForm((f) => ({ ...f, [k]: x }));
  return (
    <form
      className="mt-3 grid items-end gap-x-5 desk:grid-cols-5"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: sprayer?.id ?? v7(), ...form }, () => {
          said({ sentence: form.flow ? `${form.name}: calibrated today.` : `${form.name} stands on the shelf.` });
          setForm(sprayer ? { ...form, flow: '' } : { name: '', holds: '', flow: '', dead: '' });
        });
      }}
    >
      <TextField
        label={sprayer ? 'Sprayer' : 'Another sprayer'}
        path="name"
        issues={issues}
        maxLength={80}
        value={form.name}
        onChange={set('name')}
      />
      <TextField
        label="Tank, L"
        path="holds"
        issues={issues}
        inputMode="decimal"
        maxLength={20}
        value={form.holds}
        onChange={set('holds')}
      />
      <TextField
        label="In a minute, L"
        path="flow"
        issues={issues}
        inputMode="decimal"
        maxLength={20}
        value={form.flow}
        onChange={set('flow')}
        hint={sprayer?.flowMlMin ? `now ${sprayer.flowMlMin / 1000} L, ${sprayer.calibratedOn}` : 'not calibrated'}
      />
      <TextField
        label="Stays in it, L"
        path="dead"
        issues={issues}
        inputMode="decimal"
        maxLength={20}
        value={form.dead}
        onChange={set('dead')}
        hint="tank, pump and hose"
      />
      <div className="mb-4 flex gap-2">
        <button className="press" disabled={busy}>
          {sprayer ? 'Keep' : 'Add'}
          {sprayer && <span className="sr-only"> {sprayer.name}</span>}
        </button>
        {sprayer && (
          <button
            type="button"
            className="press press-plain"
            disabled={drop.busy}
            onClick={() =>
              drop.send({ id: sprayer.id }, () => said({ sentence: `${sprayer.name} taken off the shelf.` }))
            }
          >
            Take off
          </button>
        )}
      </div>
    </form>
  );
}
