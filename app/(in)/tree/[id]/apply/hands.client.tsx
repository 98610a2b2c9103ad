'use client';

import { faultAt, TickTag, type FormFault } from '@/ui/controls/controls';

/** Who did it together with whoever writes it; said once a day and place. */
export function Hands({
  hands,
  withIds,
  faults,
  onChange,
}: {
  hands: readonly { id: string; name: string }[];
  withIds: readonly string[];
  faults: FormFault[];
  onChange: (ids: string[]) => void;
}) {
  if (!hands.length) return null;
  const wrong = faultAt(faults, 'withIds');
  return (
    <fieldset className="mb-4">
      <legend className="mb-1 font-semibold">Together with</legend>
      <div className="flex flex-wrap gap-2">
        {hands.map((p) => (
          <TickTag
            key={p.id}
            checked={withIds.includes(p.id)}
            onChange={(on) => onChange(on ? [...withIds, p.id] : withIds.filter((id) => id !== p.id))}
          >
            {p.name}
          </TickTag>
        ))}
      </div>
      {wrong && (
        <p className="mt-1 font-semibold text-madder" role="alert">
          {wrong}
        </p>
      )}
    </fieldset>
  );
}
