'use client';

import { type RowIssue } from '@/core/exchange/table';
import {
  COLUMN_NAMES,
  COLUMNS,
  type Mapping,
  type ReadTrees,
  type Units,
  type AskedSpecies,
} from '@/core/exchange/trees-csv';
import { showDistance, showTrunk, type UnitSystem } from '@/lib/units/units';
import { Choices, SelectField } from '@/ui/controls/controls';
import { type Props } from './import.client';

export function ColumnChoices({
  headers,
  mapping,
  onChange,
}: {
  headers: string[];
  mapping: Mapping;
  onChange: (m: Mapping) => void;
}) {
  const used = new Set(Object.values(mapping));
  const left = headers.filter((h) => !used.has(h));
  return (
    <>
      <h2 className="mt-4 mb-2">Columns</h2>
      <div className="grid gap-x-5 desk:grid-cols-3">
        {COLUMNS.map((c) => (
          <SelectField
            key={c}
            label={COLUMN_NAMES[c]}
            path={c}
            value={mapping[c] ?? ''}
            onChange={(h) => onChange({ ...mapping, [c]: h || null })}
            options={[{ value: '', name: 'not in this file' }, ...headers.map((h) => ({ value: h, name: h }))]}
          />
        ))}
      </div>
      {left.length > 0 && <p className="mb-3 text-ink-2">Not taken: {left.join(', ')}.</p>}
    </>
  );
}

export function UnitChoices({ units, onChange }: { units: Units; onChange: (u: Units) => void }) {
  return (
    <div className="flex flex-wrap gap-x-8">
      <Choices
        small
        label="Girth and diameter in"
        value={units.trunk}
        onChange={(trunk) => onChange({ ...units, trunk })}
        options={(['mm', 'cm', 'in'] as const).map((u) => ({ value: u, name: u }))}
      />
      <Choices
        small
        label="Heights in"
        value={units.height}
        onChange={(height) => onChange({ ...units, height })}
        options={(['m', 'ft'] as const).map((u) => ({ value: u, name: u }))}
      />
    </div>
  );
}

/** Each species that no host is called by, once: what it is, the likeliest first, or another tree that keeps its name. */
export function SpeciesAsked({
  asked,
  hosts,
  chosen,
  onChoose,
}: {
  asked: AskedSpecies[];
  hosts: Props['hosts'];
  chosen: Record<string, string>;
  onChoose: (c: Record<string, string>) => void;
}) {
  if (!asked.length) return null;
  const named = (id: string) => hosts.find((h) => h.id === id)!;
  return (
    <section className="mt-3">
      <h2>What are these?</h2>
      <p className="mb-2 text-ink-2">
        Species that the field guide has not got keep their name: choose “Other broadleaf” or “Other conifer”.
      </p>
      <div className="grid gap-x-5 desk:grid-cols-2">
        {asked.map((u) => {
          const rest = hosts.filter((h) => !u.mayBe.includes(h.id));
          return (
            <SelectField
              key={u.written}
              label={`“${u.written}”, ${u.rows} ${u.rows === 1 ? 'row' : 'rows'}`}
              path={`species.${u.written}`}
              value={chosen[u.written] ?? ''}
              onChange={(id) => {
                const others = Object.fromEntries(Object.entries(chosen).filter(([written]) => written !== u.written));
                onChoose(id ? { ...others, [u.written]: id } : others);
              }}
              options={[
                { value: '', name: u.mayBe[0] ? `is it ${named(u.mayBe[0]).name}? choose …` : 'choose …' },
                ...[...u.mayBe.map(named), ...rest.filter((h) => h.unlisted), ...rest.filter((h) => !h.unlisted)].map(
                  (h) => ({ value: h.id, name: h.unlisted ? h.name : `${h.name}, ${h.latin}` }),
                ),
              ]}
            />
          );
        })}
      </div>
    </section>
  );
}

export function Understood({
  trees,
  hosts,
  reader,
}: {
  trees: ReadTrees['trees'];
  hosts: ReadonlyMap<string, { name: string }>;
  reader: UnitSystem;
}) {
  return (
    <>
      <h2 className="mt-3">The first rows, as understood</h2>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The columns of the file">
        <table className="dense figures">
          <thead>
            <tr>
              {['Tag', 'Host', 'Diameter', 'Measured', 'Height', 'Position', 'Note'].map((h) => (
                <th key={h}>{h}</th>
              ))}
            </tr>
          </thead>
          <tbody>
            {trees.slice(0, 6).map((row) => (
              <tr key={row.tag}>
                <td className="font-bold">{row.tag}</td>
                <td>
                  {hosts.get(row.hostId)?.name}
                  {row.species && ` (${row.species})`}
                </td>
                <td>{row.diameterCm === null ? '–' : showTrunk(row.diameterCm, reader).text}</td>
                <td>{row.measuredOn ?? '–'}</td>
                <td>{row.heightM === null ? '–' : showDistance(row.heightM, reader).text}</td>
                <td>{row.lat === null ? '–' : `${row.lat.toFixed(5)}, ${row.lon?.toFixed(5)}`}</td>
                <td>{row.note}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );
}

export function IssueList({ title, list, tone }: { title: string; list: RowIssue[]; tone: 'madder' | 'sap' }) {
  if (!list.length) return null;
  return (
    <section className="mt-5">
      <h2 className={tone === 'madder' ? 'text-madder' : 'text-sap'}>{title}</h2>
      <ul className="mt-1 max-h-72 overflow-y-auto" tabIndex={0} aria-label={title}>
        {list.slice(0, 300).map((f, i) => (
          <li key={i} className="row py-1.5">
            <b className="figures">Line {f.line}</b>
            {f.column && <span className="text-ink-2"> ({f.column})</span>}: {f.message}
          </li>
        ))}
        {list.length > 300 && <li className="py-1.5">and {list.length - 300} more</li>}
      </ul>
    </section>
  );
}
