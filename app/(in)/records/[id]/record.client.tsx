'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { v7 } from 'uuid';
import { readNumber } from '@/lib/units/numbers';
import { MASS, VOLUME, type UnitSystem, smallUnit } from '@/lib/units/units';
import { FormIssues, SelectField, TextArea, TextField, Checkbox } from '@/ui/controls/controls';
import { useSend } from '@/ui/controls/use.client';
import { useNotify } from '@/ui/frame/undo.client';
import { wallClock, zonedInstant } from '@/lib/calendar/zone';
import { amendRecord } from './actions';

interface Props {
  record: {
    rootId: string;
    amount: number;
    unit: 'mL' | 'g';
    lotId: string;
    lotNumber: string;
    startedAt: string;
    endedAt: string;
    note: string;
    mark: string;
    deviation: string;
    withdrawn: boolean;
  };
  lots: { id: string; lotNumber: string }[];
  units: UnitSystem;
  timeZone: string;
}

/** A correction: a new version, with its reason. */
export function Correct({ record, lots, units, timeZone }: Props) {
  const router = useRouter();
  const said = useNotify();
  const unit = smallUnit(record.unit === 'mL' ? 'volume' : 'mass', units);
  const factor = { ...VOLUME, ...MASS }[unit];
  const shown = String(Number((record.amount / factor).toPrecision(6)));
  const [open, setOpen] = useState(false);
  const [form, setForm] = useState({
    amount: shown,
    lotId: record.lotId,
    from: wallClock(record.startedAt, timeZone),
    to: wallClock(record.endedAt, timeZone),
    note: record.note,
    mark: record.mark,
    deviation: record.deviation,
    withdrawn: record.withdrawn,
    reason: '',
  });
  const { busy, issues, setIssues, send } = useSend(amendRecord);
  if (!open)
    return (
      <button type="button" className="press no-print mt-2" onClick={() => setOpen(true)}>
        Correct this record
      </button>
    );
  const set = (k: keyof typeof form) => (x: string) => setForm((f) => ({ ...f, [k]: x }));
  return (
    <form
      className="no-print mt-2 max-w-2xl"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        const amount = readNumber(form.amount, { name: 'The amount used', above: 0, max: 1e6, unit });
        const from = zonedInstant(form.from, timeZone);
        const to = zonedInstant(form.to, timeZone);
        const bad = [
          ...(amount.ok ? [] : [{ path: 'amount', message: amount.sentence }]),
          ...(from ? [] : [{ path: 'startedAt', message: 'Give a day and time that exist.' }]),
          ...(to ? [] : [{ path: 'endedAt', message: 'Give a day and time that exist.' }]),
        ];
        if (!amount.ok || !from || !to) return setIssues(bad);
        send(
          {
            id: v7(),
            rootId: record.rootId,
            amount: form.amount === shown ? record.amount : amount.value * factor,
            lotId: form.lotId,
            startedAt: from,
            endedAt: to,
            note: form.note,
            mark: form.mark,
            deviation: form.deviation,
            withdrawn: form.withdrawn,
            reason: form.reason,
          },
          ({ id }) => {
            said({ sentence: 'A new version stands in the book.' });
            setOpen(false);
            router.push(`/records/${id}`);
          },
        );
      }}
    >
      <FormIssues
        issues={issues}
        known={['amount', 'lotId', 'startedAt', 'endedAt', 'note', 'mark', 'deviation', 'reason']}
      />
      <div className="grid gap-x-5 desk:grid-cols-2">
        <TextField
          label={`Amount used, ${unit}`}
          path="amount"
          issues={issues}
          inputMode="decimal"
          maxLength={20}
          value={form.amount}
          onChange={set('amount')}
        />
        <SelectField
          label="Lot"
          path="lotId"
          issues={issues}
          value={form.lotId}
          onChange={set('lotId')}
          options={[
            ...(lots.some((l) => l.id === record.lotId) ? [] : [{ value: record.lotId, name: record.lotNumber }]),
            ...lots.map((l) => ({ value: l.id, name: l.lotNumber })),
          ]}
        />
        <TextField
          label="Start"
          path="startedAt"
          issues={issues}
          type="datetime-local"
          value={form.from}
          onChange={set('from')}
        />
        <TextField
          label="End"
          path="endedAt"
          issues={issues}
          type="datetime-local"
          value={form.to}
          onChange={set('to')}
        />
      </div>
      <TextField
        label="Mark on the tree"
        path="mark"
        issues={issues}
        maxLength={200}
        value={form.mark}
        onChange={set('mark')}
      />
      <TextArea
        label="Deviation"
        path="deviation"
        issues={issues}
        rows={2}
        value={form.deviation}
        onChange={set('deviation')}
      />
      <TextArea label="Note" path="note" issues={issues} rows={2} value={form.note} onChange={set('note')} />
      <Checkbox checked={form.withdrawn} onChange={(withdrawn) => setForm((f) => ({ ...f, withdrawn }))}>
        Withdrawn: this was never done. Its stock goes back, and its plan is open again.
      </Checkbox>
      <div className="mt-4">
        <TextField
          label="Why is this corrected?"
          path="reason"
          issues={issues}
          maxLength={600}
          value={form.reason}
          onChange={set('reason')}
        />
      </div>
      <div className="flex gap-3">
        <button data-confirm className="press press-main" disabled={busy}>
          Write the new version
        </button>
        <button type="button" className="press" onClick={() => setOpen(false)}>
          Leave as it is
        </button>
      </div>
    </form>
  );
}
