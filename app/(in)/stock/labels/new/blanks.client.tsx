import { emptyRow, type RowDraft, type TableDraft } from '@/core/label/draft';
import { LENGTH } from '@/lib/units/units';
import { RemoveRow } from '@/ui/controls/picked.client';
import { Input, Select } from '@/ui/controls/input.client';

/** A blank within a sentence. */
export function Blank({
  name,
  value,
  onChange,
  width = 'w-24',
}: {
  name: string;
  value: string;
  onChange: (x: string) => void;
  width?: string;
}) {
  return (
    <Input
      aria-label={name}
      className={`box inline-block ${width}`}
      inputMode="decimal"
      maxLength={20}
      value={value}
      onChange={(e) => onChange(e.target.value)}
    />
  );
}

/** A choice within a sentence. */
export function Pick<T extends string>({
  name,
  value,
  onChange,
  options,
  words,
}: {
  name: string;
  value: T;
  onChange: (x: T) => void;
  options: readonly T[];
  words?: Partial<Record<T, string>>;
}) {
  return (
    <Select
      aria-label={name}
      className="box inline-block w-auto max-w-full"
      value={value}
      onChange={(e) => onChange(e.target.value as T)}
    >
      {options.map((o) => (
        <option key={o} value={o}>
          {words?.[o] ?? o}
        </option>
      ))}
    </Select>
  );
}

export const Sentence = ({ children }: { children: React.ReactNode }) => (
  <div className="mb-4 flex flex-wrap items-center gap-2 text-lead">{children}</div>
);

/** A class table as the label prints it: one line a class, the last one open above when nothing stands there. */
export function ClassTable({
  of,
  table,
  onChange,
  unit,
  ranges,
}: {
  /** What a class gives, e.g. “product”. */
  of: string;
  table: TableDraft;
  onChange: (next: TableDraft) => void;
  /** Unit of what a class gives; empty for a number. */
  unit: string;
  /** Whether a class may give a range. */
  ranges?: boolean;
}) {
  const row = (i: number, change: Partial<RowDraft>) =>
    onChange({ ...table, rows: table.rows.map((r, j) => (j === i ? { ...r, ...change } : r)) });
  const cell = (i: number, key: 'over' | 'upTo' | 'low' | 'high', name: string) => (
    <Blank
      name={`${of}, class ${i + 1}: ${name}`}
      width="w-20"
      value={table.rows[i]![key]}
      onChange={(x) => row(i, { [key]: x })}
    />
  );
  return (
    <fieldset className="mb-4 border-l-4 border-line pl-4">
      <legend className="sr-only">{of} by size</legend>
      <Sentence>
        Classes of{' '}
        <Pick
          name={`${of}: classes by`}
          value={table.by}
          onChange={(by) => onChange({ ...table, by })}
          options={['diameter', 'girth']}
        />{' '}
        in{' '}
        <Pick
          name={`${of}: unit of the classes`}
          value={table.unit}
          onChange={(next) => onChange({ ...table, unit: next })}
          options={Object.keys(LENGTH)}
        />
        . A trunk on the line{' '}
        <Pick
          name={`${of}: a trunk on the line`}
          value={table.boundary}
          onChange={(boundary) => onChange({ ...table, boundary })}
          options={['unanswered', 'smaller-class', 'larger-class']}
          words={{
            unanswered: 'is not answered by the label',
            'smaller-class': 'is in the smaller class',
            'larger-class': 'is in the larger class',
          }}
        />
      </Sentence>
      {table.rows.map((_, i) => (
        <div key={i} className="mb-2 flex flex-wrap items-center gap-2">
          over {cell(i, 'over', 'over')} up to {cell(i, 'upTo', 'up to, empty for no end')} {table.unit}:{' '}
          {cell(i, 'low', ranges ? 'value, or its low end' : 'value')}
          {ranges && <> to {cell(i, 'high', 'high end, empty when there is one value')}</>} {unit || of.toLowerCase()}
          <RemoveRow
            name={`${of}: remove class ${i + 1}`}
            disabled={table.rows.length === 1}
            onClick={() => onChange({ ...table, rows: table.rows.filter((_, j) => j !== i) })}
          />
        </div>
      ))}
      <button
        type="button"
        className="press"
        onClick={() => {
          const last = table.rows.at(-1)!;
          onChange({ ...table, rows: [...table.rows, emptyRow(last.unit, last.upTo)] });
        }}
      >
        Another class<span className="sr-only"> of {of}</span>
      </button>
    </fieldset>
  );
}
