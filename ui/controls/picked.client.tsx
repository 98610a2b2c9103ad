import type { Issue } from '@/lib/result';
import { X } from 'lucide-react';
import { useState } from 'react';
import { TextField } from './controls';

export interface Named {
  id: string;
  name: string;
}

/** Takes a row away. */
export function RemoveRow({ name, onClick, disabled }: { name: string; onClick: () => void; disabled?: boolean }) {
  return (
    <button type="button" className="press" aria-label={name} disabled={disabled} onClick={onClick}>
      <X size={18} aria-hidden />
    </button>
  );
}

/** A choice of many by typing: what is chosen stands in front. */
export function Picked({
  label,
  path = label,
  issues,
  hint,
  all,
  chosen,
  onChange,
}: {
  label: string;
  /** Where its issues are told. */
  path?: string;
  issues?: Issue[];
  hint?: string;
  all: readonly Named[];
  chosen: readonly string[];
  onChange: (next: string[]) => void;
}) {
  const [text, setText] = useState('');
  const nameOf = (id: string) => all.find((x) => x.id === id)?.name ?? id;
  const wanted = text.trim().toLowerCase();
  const found = wanted
    ? all
        .filter((x) => !chosen.includes(x.id) && (x.name.toLowerCase().includes(wanted) || x.id.includes(wanted)))
        .slice(0, 8)
    : [];
  return (
    <div className="mb-4">
      <TextField
        label={`${label}: type to find`}
        path={path}
        issues={issues}
        hint={hint}
        value={text}
        onChange={setText}
        maxLength={60}
      />
      <div className="-mt-2 flex flex-wrap gap-2">
        {chosen.map((id) => (
          <button
            key={id}
            type="button"
            className="press"
            aria-label={`Take away ${nameOf(id)}`}
            onClick={() => onChange(chosen.filter((x) => x !== id))}
          >
            <b>{nameOf(id)}</b> <X size={16} aria-hidden />
          </button>
        ))}
        {found.map((x) => (
          <button
            key={x.id}
            type="button"
            className="press press-plain"
            onClick={() => {
              onChange([...chosen, x.id]);
              setText('');
            }}
          >
            + {x.name}
          </button>
        ))}
      </div>
    </div>
  );
}
