'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import type { Vessel } from '@/core/mix/vessels';
import { smallUnit, type UnitSystem } from '@/core/units/units';
import { Choices, FormFaults, SelectField, TextField, Tick } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useSaid } from '@/ui/frame/undo.client';
import {
  bringLabel,
  count,
  dropSprayer,
  dropVessel,
  keepSprayer,
  keepVessel,
  receiveLot,
  signLabel,
  warnBelow,
} from './actions';
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

const unitFor = (base: 'mL' | 'g', units: UnitSystem) => smallUnit(base === 'mL' ? 'volume' : 'mass', units);

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

/** What may happen to a lot on the shelf: counted anew, or taken out for another end than a tree. */
const MOVES = { counted: 'Counted', loss: 'Spilled or thrown away', supplier: 'Given back' };

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
  const [form, setForm] = useState({ what: 'counted' as keyof typeof MOVES, counted: '', reason: '' });
  const { busy, faults, send } = useSend(count);
  const said = useSaid();
  const own = unitFor(unit, units);
  if (!open)
    return (
      <button type="button" className="min-h-10 px-1 underline underline-offset-3" onClick={() => setOpen(true)}>
        count, take out<span className="sr-only"> of lot {lotNumber}</span>
      </button>
    );
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        send({ moveId: v7(), lotId, ...form, unit: own }, () => {
          said({ sentence: `Lot ${lotNumber}: ${MOVES[form.what].toLowerCase()}.` });
          setOpen(false);
        });
      }}
    >
      <FormFaults faults={faults} known={['counted', 'reason']} />
      <SelectField
        label="What happened"
        path="what"
        value={form.what}
        onChange={(what) => setForm((f) => ({ ...f, what }))}
        options={(Object.keys(MOVES) as (keyof typeof MOVES)[]).map((value) => ({ value, name: MOVES[value] }))}
      />
      <TextField
        label={form.what === 'counted' ? `There is, ${own}` : `What went, ${own}`}
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
        Keep it
      </button>
    </form>
  );
}

/** Below how much a product is to be ordered. */
export function WarnBelow({
  labelKey,
  name,
  unit,
  units,
  below,
}: {
  labelKey: string;
  name: string;
  unit: 'mL' | 'g';
  units: UnitSystem;
  /** In the unit of the form; empty for no warning. */
  below: string;
}) {
  const [value, setValue] = useState(below);
  const { busy, faults, send } = useSend(warnBelow);
  const said = useSaid();
  const own = unitFor(unit, units);
  return (
    <form
      noValidate
      className="mt-2 flex items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        send({ labelKey, below: value, unit: own }, () =>
          said({ sentence: value.trim() ? `${name}: warned below ${value} ${own}.` : `${name}: no warning.` }),
        );
      }}
    >
      <FormFaults faults={faults} />
      <label className="text-[0.9375rem]">
        Warn below, {own}{' '}
        <input
          className="box figures inline-block w-24!"
          aria-label={`Warn below, ${own}: ${name}`}
          inputMode="decimal"
          maxLength={20}
          value={value}
          onChange={(e) => setValue(e.target.value)}
        />
      </label>
      {value !== below && (
        <button className="press" disabled={busy}>
          Keep
        </button>
      )}
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
