'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import type { Vessel } from '@/core/mix/vessels';
import type { UnitSystem } from '@/core/units/units';
import { Choices, FormFaults, SelectField, TextField, Tick } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import { bringLabel, count, dropSprayer, dropVessel, keepSprayer, keepVessel, receiveLot, signLabel } from './actions';
import type { Tank } from '@/core/spray/loads';

export function CheckLabel({ labelId, name }: { labelId: string; name: string }) {
  const { busy, faults, send } = useSend(signLabel);
  const said = useSaid();
  return (
    <>
      <button
        type="button"
        className="press"
        disabled={busy}
        onClick={() =>
          send({ labelId }, () => said({ sentence: `${name}: signed as read against the label in hand.` }))
        }
      >
        I have read it against the label in hand
      </button>
      <FormFaults faults={faults} />
    </>
  );
}

export function LabelFile() {
  const { busy, faults, setFaults, send } = useSend(bringLabel);
  const said = useSaid();
  const open = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > 400_000)
      return setFaults([{ path: 'label', sentence: `${file.name} is too large for a label (400 kB at most).` }]);
    send({ text: await file.text() }, ({ name, version }) =>
      said({ sentence: `${name} stands on the shelf as version ${version}. Check it against the label in hand.` }),
    );
  };
  return (
    <div className="mt-2">
      <label className="press w-full has-focus-visible:outline-3 has-focus-visible:outline-slate">
        {busy ? 'Reading …' : 'Bring a label in'}
        <input
          type="file"
          accept="application/json,.json"
          className="sr-only"
          onChange={(e) => void open(e.target.files?.[0]).then(() => (e.target.value = ''))}
        />
      </label>
      <FormFaults faults={faults} />
    </div>
  );
}

/** The small unit that a person counts stock in. */
const unitFor = (base: 'mL' | 'g', units: UnitSystem) =>
  base === 'mL' ? (units === 'us' ? 'fl oz' : 'mL') : units === 'us' ? 'oz' : 'g';

export function Receive({
  labels,
  units,
}: {
  labels: { value: string; name: string; unit: 'mL' | 'g' }[];
  units: UnitSystem;
}) {
  const empty = { labelKey: labels[0]?.value ?? '', lotNumber: '', expiresOn: '', amount: '' };
  const [form, setForm] = useState(empty);
  const [ids, setIds] = useState(() => ({ moveId: v7(), lotId: v7() }));
  const { busy, faults, send } = useSend(receiveLot);
  const said = useSaid();
  const unit = unitFor(labels.find((l) => l.value === form.labelKey)?.unit ?? 'mL', units);
  return (
    <form
      className="mt-2 grid gap-x-5 desk:grid-cols-2"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ ...ids, ...form, unit }, () => {
          said({ sentence: `Lot ${form.lotNumber} taken in.` });
          setForm({ ...empty, labelKey: form.labelKey });
          setIds({ moveId: v7(), lotId: v7() });
        });
      }}
    >
      <FormFaults faults={faults} known={['labelKey', 'lotNumber', 'expiresOn', 'amount', 'unit']} />
      <SelectField
        label="Product"
        path="labelKey"
        faults={faults}
        value={form.labelKey}
        onChange={(labelKey) => setForm((f) => ({ ...f, labelKey }))}
        options={labels}
      />
      <TextField
        label="Lot number"
        path="lotNumber"
        faults={faults}
        maxLength={60}
        value={form.lotNumber}
        onChange={(lotNumber) => setForm((f) => ({ ...f, lotNumber }))}
      />
      <TextField
        label={`Amount, ${unit}`}
        path="amount"
        faults={faults}
        inputMode="decimal"
        maxLength={20}
        value={form.amount}
        onChange={(amount) => setForm((f) => ({ ...f, amount }))}
      />
      <TextField
        label="Expires"
        path="expiresOn"
        faults={faults}
        type="date"
        value={form.expiresOn}
        onChange={(expiresOn) => setForm((f) => ({ ...f, expiresOn }))}
      />
      <button className="press justify-self-start" disabled={busy}>
        Take it in
      </button>
    </form>
  );
}

export function CountLot({
  lotId,
  lotNumber,
  unit,
  units,
}: {
  lotId: string;
  lotNumber: string;
  unit: 'mL' | 'g';
  units: UnitSystem;
}) {
  const [open, setOpen] = useState(false);
  const [form, setForm] = useState({ counted: '', reason: '' });
  const { busy, faults, send } = useSend(count);
  const said = useSaid();
  const own = unitFor(unit, units);
  if (!open)
    return (
      <button type="button" className="min-h-10 px-1 underline underline-offset-3" onClick={() => setOpen(true)}>
        count<span className="sr-only"> lot {lotNumber}</span>
      </button>
    );
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ moveId: v7(), lotId, ...form, unit: own }, () => {
          said({ sentence: `Lot ${lotNumber} counted.` });
          setOpen(false);
        });
      }}
    >
      <FormFaults faults={faults} known={['counted', 'reason']} />
      <TextField
        label={`Counted, ${own}`}
        path="counted"
        faults={faults}
        inputMode="decimal"
        maxLength={20}
        value={form.counted}
        onChange={(counted) => setForm((f) => ({ ...f, counted }))}
      />
      <TextField
        label="Why"
        path="reason"
        faults={faults}
        maxLength={180}
        value={form.reason}
        onChange={(reason) => setForm((f) => ({ ...f, reason }))}
      />
      <button className="press" disabled={busy}>
        Keep the count
      </button>
    </form>
  );
}

export function AddVessel() {
  const [form, setForm] = useState({
    name: '',
    dimension: 'volume' as 'volume' | 'mass',
    capacity: '',
    graduation: '',
    reserved: true,
  });
  const { busy, faults, send } = useSend(keepVessel);
  const said = useSaid();
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
        faults={faults}
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
        faults={faults}
        inputMode="decimal"
        maxLength={20}
        value={form.capacity}
        onChange={(capacity) => setForm((f) => ({ ...f, capacity }))}
      />
      <TextField
        label={`A mark every, ${unit}`}
        path="graduation"
        faults={faults}
        inputMode="decimal"
        maxLength={20}
        value={form.graduation}
        onChange={(graduation) => setForm((f) => ({ ...f, graduation }))}
      />
      <Tick checked={form.reserved} onChange={(reserved) => setForm((f) => ({ ...f, reserved }))}>
        Marked, and kept for pesticides alone
      </Tick>
      <button className="press justify-self-start" disabled={busy}>
        Add this vessel
      </button>
    </form>
  );
}

export function RemoveVessel({ vessel }: { vessel: Vessel }) {
  const { busy, send } = useSend(dropVessel);
  const said = useSaid();
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
      className="min-h-10 underline underline-offset-3"
      disabled={busy}
      onClick={() =>
        send({ id: vessel.id }, () =>
          said({ sentence: `${vessel.name} is gone from the shelf.`, undo: () => keepVessel(again) }),
        )
      }
    >
      remove<span className="sr-only"> {vessel.name}</span>
    </button>
  );
}

/** A sprayer: what it holds, and what its nozzles give as measured. */
export function SprayerForm({ sprayer }: { sprayer?: Tank }) {
  const empty = { name: sprayer?.name ?? '', holds: sprayer ? String(sprayer.holdsMl / 1000) : '', flow: '' };
  const [form, setForm] = useState(empty);
  const { busy, faults, send } = useSend(keepSprayer);
  const drop = useSend(dropSprayer);
  const said = useSaid();
  const set = (k: keyof typeof form) => (x: string) => setForm((f) => ({ ...f, [k]: x }));
  return (
    <form
      className="mt-3 grid items-end gap-x-5 desk:grid-cols-4"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ id: sprayer?.id ?? v7(), ...form }, () => {
          said({ sentence: form.flow ? `${form.name}: calibrated today.` : `${form.name} stands on the shelf.` });
          setForm(sprayer ? { ...form, flow: '' } : { name: '', holds: '', flow: '' });
        });
      }}
    >
      <TextField
        label={sprayer ? 'Sprayer' : 'Another sprayer'}
        path="name"
        faults={faults}
        maxLength={80}
        value={form.name}
        onChange={set('name')}
      />
      <TextField
        label="Tank, L"
        path="holds"
        faults={faults}
        inputMode="decimal"
        maxLength={20}
        value={form.holds}
        onChange={set('holds')}
      />
      <TextField
        label="In a minute, L"
        path="flow"
        faults={faults}
        inputMode="decimal"
        maxLength={20}
        value={form.flow}
        onChange={set('flow')}
        hint={sprayer?.flowMlMin ? `now ${sprayer.flowMlMin / 1000} L, ${sprayer.calibratedOn}` : 'not calibrated'}
      />
      <div className="mb-4 flex gap-2">
        <button className="press" disabled={busy}>
          {sprayer ? 'Keep' : 'Add'}
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
