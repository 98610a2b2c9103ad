import type { Issue } from '@/lib/result';
import type { Source } from '@/core/mix/sources';
import { figure, type UnitSystem } from '@/lib/units/units';
import { SelectField, TextField } from '@/ui/controls/controls';
import { Fact } from '@/ui/frame/pieces';
import { clock } from '@/ui/words';
import { sourceName } from './typed';

interface Typed {
  amount: string;
  lotId: string;
  mark: string;
  startedAt: string;
  endedAt: string;
}
/** What was used, from what, when, and how the tree is marked. */
export function AsDone({
  form,
  set,
  issues,
  planned,
  unit,
  dimension,
  units,
  sources,
  timeZone,
}: {
  form: Typed;
  set: (k: 'amount' | 'lotId' | 'mark', value: string) => void;
  issues: Issue[];
  planned: number;
  unit: string;
  dimension: 'volume' | 'mass';
  units: UnitSystem;
  sources: Source[];
  timeZone: string;
}) {
  return (
    <div className="grid gap-x-8 desk:grid-cols-2">
      <div>
        <TextField
          label={`Product used, ${unit}`}
          path="amount"
          issues={issues}
          hint={`Planned: ${figure(planned, 6)} ${unit}`}
          className="box-number"
          inputMode="decimal"
          maxLength={20}
          value={form.amount}
          onChange={(x) => set('amount', x)}
        />
        <SelectField
          label="From"
          path="lotId"
          issues={issues}
          value={form.lotId}
          onChange={(x) => set('lotId', x)}
          options={
            sources.length
              ? sources.map((x) => ({ value: x.id, name: sourceName(x, dimension, units) }))
              : [{ value: '', name: 'no lot on the shelf' }]
          }
        />
        <dl className="mb-4">
          <Fact name="From">{form.startedAt ? clock(form.startedAt, timeZone) : 'not started'}</Fact>
          <Fact name="To">{form.endedAt ? clock(form.endedAt, timeZone) : 'now'}</Fact>
        </dl>
      </div>
      <div>
        <TextField
          label="Mark on the tree"
          path="mark"
          issues={issues}
          hint="Colour or tag, and where."
          maxLength={200}
          value={form.mark}
          onChange={(x) => set('mark', x)}
        />
      </div>
    </div>
  );
}
