'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import { smallUnit, type UnitSystem } from '@/lib/units/units';
import { FormIssues, SelectField, TextField } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { Input } from '@/ui/controls/input.client';
import { useNotify } from '@/ui/frame/undo.client';
import { adjustStock, receiveLot, setReorderLevel } from './actions';

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
  const { busy, issues, send } = useSend(receiveLot);
  const said = useNotify();
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
      <FormIssues issues={issues} known={['labelKey', 'lotNumber', 'expiresOn', 'amount', 'unit']} />
      <SelectField
        label="Product"
        path="labelKey"
        issues={issues}
        value={form.labelKey}
        onChange={(labelKey) => setForm((f) => ({ ...f, labelKey }))}
        options={labels}
      />
      <TextField
        label="Lot number"
        path="lotNumber"
        issues={issues}
        maxLength={60}
        value={form.lotNumber}
        onChange={(lotNumber) => setForm((f) => ({ ...f, lotNumber }))}
      />
      <TextField
        label={`Amount, ${unit}`}
        path="amount"
        issues={issues}
        inputMode="decimal"
        maxLength={20}
        value={form.amount}
        onChange={(amount) => setForm((f) => ({ ...f, amount }))}
      />
      <TextField
        label="Expires"
        path="expiresOn"
        issues={issues}
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
  const { busy, issues, send } = useSend(adjustStock);
  const said = useNotify();
  const own = unitFor(unit, units);
  if (!open)
    return (
      <button type="button" className="min-h-hand px-1 underline underline-offset-3" onClick={() => setOpen(true)}>
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
      <FormIssues issues={issues} known={['counted', 'reason']} />
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
        issues={issues}
        inputMode="decimal"
        maxLength={20}
        value={form.counted}
        onChange={(counted) => setForm((f) => ({ ...f, counted }))}
      />
      <TextField
        label="Why"
        path="reason"
        issues={issues}
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
  const { busy, issues, send } = useSend(setReorderLevel);
  const said = useNotify();
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
      <FormIssues issues={issues} />
      <label className="text-[0.9375rem]">
        Warn below, {own}{' '}
        <Input
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
