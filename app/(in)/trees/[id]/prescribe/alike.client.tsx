'use client';

import { useState } from 'react';
import { tagsIn } from '@/core/site-map/tags';
import { CheckboxTag } from '@/ui/controls/controls';
import { Input, Select } from '@/ui/controls/input.client';

/** A tree that may be planned together with the one in hand. */
export interface RowChoice {
  id: string;
  tag: string;
  hostId: string;
  host: string;
  section: string;
}
/** Trees that a command takes at once beside the one in hand. */
const MOST = 200;

/** What is shown of the place to choose from: a kind of tree, a section, tags. */
interface Filter {
  host: string;
  section: string;
  tags: string;
}

/** Other trees of the place, of one kind or mixed: one plan, each dosed by its own trunk. */
export function Alike({
  trees,
  hostId,
  chosen,
  onChoose,
  reason,
  onReason,
}: {
  trees: RowChoice[];
  /** The kind of the tree in hand: shown at first. */
  hostId: string;
  chosen: string[];
  onChoose: (next: string[]) => void;
  /** Why to go on in spite of holds that only these trees have; null where the way has no use for it. */
  reason: string | null;
  onReason: (why: string) => void;
}) {
  const [filter, setFilter] = useState<Filter>({ host: hostId, section: '', tags: '' });
  if (!trees.length) return null;
  const named = tagsIn(filter.tags);
  const shown = trees.filter(
    (t) =>
      (!filter.host || t.hostId === filter.host) &&
      (!filter.section || t.section === filter.section) &&
      named.ok &&
      named.has(t.tag),
  );
  const ids = shown.map((t) => t.id);
  const every = filter.host === hostId ? `All ${ids.length} like it` : `All ${ids.length} of them`;
  const all = ids.length > 0 && ids.every((id) => chosen.includes(id));
  return (
    <section className="mt-7">
      <h2>The same for other trees here</h2>
      <p className="text-[0.9375rem] text-ink-2">
        Each tree is dosed by its own trunk, and each passes its own gates, of whatever kind it is; what does not pass
        is left out, named, and stays listed on the place’s year. Where nothing is named on a tree, it is named as on
        this one: only possible, until somebody has looked.
      </p>
      <RowFilter trees={trees} filter={filter} onFilter={setFilter} issue={named.ok ? null : named.sentence} />
      <div className="mt-2 flex flex-wrap gap-2">
        <button
          type="button"
          className="press"
          disabled={!ids.length}
          onClick={() =>
            onChoose(all ? chosen.filter((id) => !ids.includes(id)) : [...new Set([...chosen, ...ids])].slice(0, MOST))
          }
        >
          {all ? 'None of them' : every}
        </button>
        {shown.slice(0, MOST).map((t) => (
          <CheckboxTag
            key={t.id}
            checked={chosen.includes(t.id)}
            onChange={(on) => onChoose(on ? [...chosen, t.id].slice(0, MOST) : chosen.filter((x) => x !== t.id))}
          >
            {filter.host ? t.tag : `${t.tag} ${t.host}`}
          </CheckboxTag>
        ))}
      </div>
      {chosen.length > 0 && (
        <p className="mt-2" aria-live="polite">
          {chosen.length} chosen beside this one.
        </p>
      )}
      {reason !== null && chosen.length > 0 && (
        <label className="mt-3 block">
          <span className="font-semibold">Go on in spite of holds on these trees</span>
          <Input
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

function RowFilter({
  trees,
  filter,
  onFilter,
  issue,
}: {
  trees: readonly RowChoice[];
  filter: Filter;
  onFilter: (next: Filter) => void;
  issue: string | null;
}) {
  const hosts = [...new Map(trees.map((t) => [t.hostId, t.host]))].sort((a, b) => a[1].localeCompare(b[1]));
  const sections = [...new Set(trees.map((t) => t.section).filter(Boolean))];
  return (
    <div className="mt-2 flex flex-wrap gap-x-5 gap-y-2">
      {hosts.length > 1 && (
        <label className="block">
          <span className="mb-1 block font-semibold">Kind</span>
          <Select className="box" value={filter.host} onChange={(e) => onFilter({ ...filter, host: e.target.value })}>
            <option value="">any kind</option>
            {hosts.map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        </label>
      )}
      {sections.length > 0 && (
        <label className="block">
          <span className="mb-1 block font-semibold">Section</span>
          <Select
            className="box"
            value={filter.section}
            onChange={(e) => onFilter({ ...filter, section: e.target.value })}
          >
            <option value="">all of the place</option>
            {sections.map((s) => (
              <option key={s} value={s}>
                {s}
              </option>
            ))}
          </Select>
        </label>
      )}
      <label className="block">
        <span className="mb-1 block font-semibold">Only these tags, like 1–20</span>
        <Input
          className="box"
          aria-invalid={issue !== null}
          value={filter.tags}
          onChange={(e) => onFilter({ ...filter, tags: e.target.value })}
        />
        {issue && <span className="block font-semibold text-madder">{issue}</span>}
      </label>
    </div>
  );
}
