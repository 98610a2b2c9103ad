'use client';

import { TickTag } from '@/ui/controls/controls';

/** The like trees of the row: one plan, each dosed by its own trunk. */
export function Alike({
  trees,
  chosen,
  onChoose,
  reason,
  onReason,
}: {
  trees: { id: string; tag: string }[];
  chosen: string[];
  onChoose: (next: string[]) => void;
  /** Why to go on in spite of holds that only these trees have; null where the way has no use for it. */
  reason: string | null;
  onReason: (why: string) => void;
}) {
  if (!trees.length) return null;
  return (
    <section className="mt-7">
      <h2>The same for the row</h2>
      <p className="text-[0.9375rem] text-ink-2">
        Each tree is dosed by its own trunk, and each passes its own gates; what does not pass is left out and named.
        Where nothing is named on a tree, it is named as on this one: only possible, until somebody has looked.
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="press"
          onClick={() => onChoose(chosen.length === trees.length ? [] : trees.map((t) => t.id))}
        >
          {chosen.length === trees.length ? 'None of them' : `All ${trees.length} like it`}
        </button>
        {trees.map((t) => (
          <TickTag
            key={t.id}
            checked={chosen.includes(t.id)}
            onChange={(on) => onChoose(on ? [...chosen, t.id] : chosen.filter((x) => x !== t.id))}
          >
            {t.tag}
          </TickTag>
        ))}
      </div>
      {reason !== null && chosen.length > 0 && (
        <label className="mt-3 block">
          <span className="font-semibold">Go on in spite of holds on these trees</span>
          <input
            className="box mt-1"
            placeholder="because …"
            maxLength={600}
            value={reason}
            onChange={(e) => onReason(e.target.value)}
          />
        </label>
      )}
    </section>
  );
}
