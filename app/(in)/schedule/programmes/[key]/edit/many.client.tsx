'use client';

import { SelectField } from '@/ui/controls/controls';

/** Several of a long list: those that are chosen, and one more at a time. */
export function Many({
  label,
  chosen,
  options,
  onChange,
}: {
  label: string;
  chosen: readonly string[];
  options: readonly { value: string; name: string }[];
  onChange: (chosen: string[]) => void;
}) {
  const nameOf = (value: string) => options.find((o) => o.value === value)?.name ?? value;
  return (
    <div className="mb-4">
      <SelectField
        label={label}
        path=""
        value=""
        onChange={(v) => v && onChange([...chosen, v])}
        options={[
          { value: '', name: chosen.length ? 'add another' : 'choose' },
          ...options.filter((o) => !chosen.includes(o.value)),
        ]}
      />
      {chosen.length > 0 && (
        <div className="flex flex-wrap gap-2">
          {chosen.map((value) => (
            <button
              key={value}
              type="button"
              className="press press-plain"
              aria-label={`Take out ${nameOf(value)}`}
              onClick={() => onChange(chosen.filter((c) => c !== value))}
            >
              {nameOf(value)} ×
            </button>
          ))}
        </div>
      )}
    </div>
  );
}
