'use client';

import type { Issue } from '@/lib/result';
import { DOSE_BASES, doseChangeSentence, type DoseBasis, type DoseChange } from '@/core/dose/dose-change';
import type { UnitSystem } from '@/lib/units/units';
import { TextArea } from '@/ui/controls/controls';

const PRESSES: Record<DoseBasis, string> = { newest: 'Use newest dose', planned: 'Keep planned dose' };

/**
 * Asked before the work where the newest facts give another dose than the plan: which one is followed, and why where it is the
 * planned one.
 */
export function DoseQuestion({
  changes,
  basis,
  reason,
  units,
  issues,
  onBasis,
  onReason,
}: {
  /** Each change, with the tree that it is about; empty where the sheet is of one tree. */
  changes: readonly { tag: string; change: DoseChange }[];
  basis: DoseBasis | null;
  reason: string;
  units: UnitSystem;
  issues: Issue[];
  onBasis: (basis: DoseBasis) => void;
  onReason: (reason: string) => void;
}) {
  if (!changes.length) return null;
  // Where the newest facts allow no dose, there is only the plan to keep.
  const possible = changes.every((c) => c.change.newest !== null);
  return (
    <section aria-label="Dose changed" className="mt-4 mb-5 max-w-2xl border-l-4 border-sap pl-4">
      <h2 className="text-lead font-bold text-sap">The dose has changed since the plan</h2>
      <ul className="my-2">
        {changes.map(({ tag, change }) => (
          <li key={tag} className="figures">
            {tag && <b>{tag}: </b>}
            {doseChangeSentence(change, units)}
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap gap-3" role="group" aria-label="Which dose">
        {DOSE_BASES.filter((x) => possible || x === 'planned').map((x) => (
          <button
            key={x}
            type="button"
            className={`press min-h-14 ${basis === x ? 'press-main' : ''}`}
            aria-pressed={basis === x}
            onClick={() => onBasis(x)}
          >
            {PRESSES[x]}
          </button>
        ))}
      </div>
      {basis === 'planned' && (
        <TextArea
          label="Why the planned dose is kept"
          path="deviation"
          issues={issues}
          rows={2}
          value={reason}
          onChange={onReason}
        />
      )}
    </section>
  );
}
