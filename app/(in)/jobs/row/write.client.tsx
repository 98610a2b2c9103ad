'use client';

import type { Issue } from '@/lib/result';
import { figure, type UnitSystem } from '@/lib/units/units';
import { SelectField, TextArea, TextField } from '@/ui/controls/controls';
import type { Source } from '@/core/mix/sources';
import { sourceName } from '../../trees/[id]/treat/typed';

interface Written {
  lotId: string;
  deviation: string;
  mark: string;
  note: string;
}

/** What was used on a row, and how it went. */
export function WriteRow({
  title,
  strip,
  unit,
  planned,
  typed,
  dimension,
  sources,
  units,
  form,
  issues,
  onChange,
  onWrite,
  children,
}: {
  title: string;
  strip: React.ReactNode;
  unit: string;
  planned: number;
  /** The amount as it stands in its field. */
  typed: string;
  dimension: 'volume' | 'mass';
  sources: readonly Source[];
  units: UnitSystem;
  form: Written;
  issues: Issue[];
  onChange: (change: Partial<Written & { amount: string }>) => void;
  onWrite: () => void;
  children: React.ReactNode;
}) {
  return (
    <form
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        onWrite();
      }}
    >
      <h2 className="mb-2">{title}</h2>
      {strip}
      <div className="mt-4 grid gap-x-8 desk:grid-cols-2">
        <TextField
          label={`Product used on all of them, ${unit}`}
          path="total"
          issues={issues}
          hint={`Planned: ${figure(planned, 6)} ${unit}; shared by what was planned for each`}
          className="box-number"
          inputMode="decimal"
          maxLength={20}
          value={typed}
          onChange={(amount) => onChange({ amount })}
        />
        <SelectField
          label="From"
          path="lotId"
          issues={issues}
          value={form.lotId}
          onChange={(lotId) => onChange({ lotId })}
          options={
            sources.length
              ? sources.map((x) => ({ value: x.id, name: sourceName(x, dimension, units) }))
              : [{ value: '', name: 'no lot on the shelf' }]
          }
        />
      </div>
      <TextField
        label="Mark on the trees"
        path="mark"
        issues={issues}
        hint="Colour or tag, and where."
        maxLength={200}
        value={form.mark}
        onChange={(mark) => onChange({ mark })}
      />
      <TextArea
        label="Why, where it went otherwise than planned"
        path="deviation"
        issues={issues}
        rows={2}
        value={form.deviation}
        onChange={(deviation) => onChange({ deviation })}
      />
      <TextArea
        label="Note"
        path="note"
        issues={issues}
        rows={2}
        value={form.note}
        onChange={(note) => onChange({ note })}
      />
      {children}
    </form>
  );
}
