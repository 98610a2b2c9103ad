'use client';

import type { Issue } from '@/lib/result';
import { issueAt, CheckboxTag } from '@/ui/controls/controls';

/** Who did it together with whoever writes it; said once a day and place. */
export function Hands({
  hands,
  withIds,
  issues,
  onChange,
}: {
  hands: readonly { id: string; name: string }[];
  withIds: readonly string[];
  issues: Issue[];
  onChange: (ids: string[]) => void;
}) {
  if (!hands.length) return null;
  const wrong = issueAt(issues, 'withIds');
  return (
    <fieldset className="mb-4">
      <legend className="mb-1 font-semibold">Together with</legend>
      <div className="flex flex-wrap gap-2">
        {hands.map((p) => (
          <CheckboxTag
            key={p.id}
            checked={withIds.includes(p.id)}
            onChange={(on) => onChange(on ? [...withIds, p.id] : withIds.filter((id) => id !== p.id))}
          >
            {p.name}
          </CheckboxTag>
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
