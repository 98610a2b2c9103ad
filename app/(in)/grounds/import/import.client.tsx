'use client';

import Link from 'next/link';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import {
  COLUMN_NAMES,
  COLUMNS,
  guessMapping,
  looksLikeText,
  parserFaults,
  readTrees,
  type Mapping,
  type RowFault,
  type Units,
} from '@/core/exchange/trees-csv';
import { showDistance, showTrunk, type UnitSystem } from '@/core/units/units';
import { Choices, SelectField } from '@/ui/controls/controls';

interface Props {
  places: { value: string; name: string }[];
  place: string;
  /** The units of whoever reads the preview. */
  reader: UnitSystem;
  hosts: { id: string; name: string; latin: string; growthCmPerYear: number; largestCm: number }[];
}
const MOST = 20_000;

/** The text of a file: UTF-8 where it is, else the Western European code page of older offices, which is then said. */
function decoded(bytes: ArrayBuffer): { text: string; as: string } {
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), as: '' };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      as: 'This file is not UTF-8; it was read as Windows-1252. Look whether names with accents are right.',
    };
  }
}

export function ImportBench({ places, place, hosts, reader }: Props) {
  const [placeId, setPlace] = useState(place);
  const [file, setFile] = useState<{
    name: string;
    headers: string[];
    rows: Record<string, string>[];
    text: string;
    faults: RowFault[];
  } | null>(null);
  const [mapping, setMapping] = useState<Mapping | null>(null);
  const [units, setUnits] = useState<Units>({ trunk: 'cm', height: 'm' });
  const [sentence, setSentence] = useState('');
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null);
  const [answer, setAnswer] = useState<{ faults: RowFault[]; written: number | null }>({ faults: [], written: null });
  const known = useMemo(
    () =>
      new Map(hosts.flatMap((h) => [h.id, h.name.toLowerCase(), h.latin.toLowerCase()].map((k) => [k, h] as const))),
    [hosts],
  );
  const read = useMemo(
    () => (file && mapping ? readTrees(file.rows, { mapping, units, hosts: known, taken: new Set() }) : null),
    [file, mapping, units, known],
  );

  const open = async (f: File | undefined) => {
    setAnswer({ faults: [], written: null });
    setFile(null);
    if (!f) return;
    if (f.size > 8_000_000)
      return setSentence(`${f.name} has ${Math.round(f.size / 1e6)} MB; a list may have 8 MB at most. Split it.`);
    const { text, as } = decoded(await f.arrayBuffer());
    if (!looksLikeText(text))
      return setSentence(`${f.name} is not a text file. Save the list as CSV (UTF-8) and choose it again.`);
    const parsed = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ''), {
      header: true,
      skipEmptyLines: 'greedy',
    });
    const headers = (parsed.meta.fields ?? []).filter((h) => h.trim());
    if (!headers.length || !parsed.data.length)
      return setSentence(`${f.name} holds no rows under a line of column names.`);
    if (parsed.data.length > MOST)
      return setSentence(`${f.name} holds ${parsed.data.length} rows; ${MOST} at a time is the most.`);
    const guess = guessMapping(headers);
    setSentence(as);
    setMapping(guess.mapping);
    setUnits(guess.units);
    setFile({ name: f.name, headers, rows: parsed.data, text, faults: parserFaults(parsed.errors) });
  };

  const send = async () => {
    if (!file || !mapping) return;
    setProgress({ done: 0, of: file.rows.length });
    setAnswer({ faults: [], written: null });
    try {
      const response = await fetch('/api/import', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ placeId, mapping, units, csv: file.text }),
      });
      const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
      let held = '';
      for (;;) {
        const { done, value } = await reader.read();
        held += value ?? '';
        const lines = held.split('\n');
        held = lines.pop() ?? '';
        for (const line of lines.filter(Boolean)) {
          const said = JSON.parse(line) as {
            done?: number;
            of?: number;
            written?: number;
            faults?: RowFault[];
            sentence?: string;
          };
          if (said.done !== undefined) setProgress({ done: said.done, of: said.of ?? 1 });
          if (said.written !== undefined) setAnswer({ faults: [], written: said.written });
          if (said.faults) setAnswer({ faults: said.faults, written: null });
          if (said.sentence) setSentence(said.sentence);
        }
        if (done) break;
      }
    } catch {
      setSentence(
        'The connection broke off. Either all rows came in or none: look at the place before you send again.',
      );
    }
    setProgress(null);
  };

  const faults = answer.faults.length ? answer.faults : [...(file?.faults ?? []), ...(read?.faults ?? [])];
  if (answer.written !== null)
    return (
      <div role="status">
        <p className="text-head font-bold">{answer.written} trees hang now.</p>
        <p className="mt-4">
          <Link className="press press-main" href={`/grounds/places/${placeId}`}>
            Look at the place
          </Link>
        </p>
      </div>
    );
  return (
    <>
      <SelectField
        label="Place"
        path="placeId"
        value={placeId}
        onChange={setPlace}
        options={[{ value: '', name: 'choose …' }, ...places]}
      />
      <label className="press mb-3 has-focus-visible:outline-3 has-focus-visible:outline-slate">
        {file ? `${file.name}: ${file.rows.length} rows. Choose another` : 'Choose the file'}
        <input
          type="file"
          accept=".csv,.txt,text/csv,text/plain"
          className="sr-only"
          onChange={(e) => void open(e.target.files?.[0]).then(() => (e.target.value = ''))}
        />
      </label>
      {sentence && (
        <p role="alert" className="mb-4 font-semibold text-madder">
          {sentence}
        </p>
      )}
      {file && mapping && read && (
        <>
          <h2 className="mt-4 mb-2">Columns</h2>
          <div className="grid gap-x-5 desk:grid-cols-3">
            {COLUMNS.map((c) => (
              <SelectField
                key={c}
                label={COLUMN_NAMES[c]}
                path={c}
                value={mapping[c] ?? ''}
                onChange={(h) => setMapping({ ...mapping, [c]: h || null })}
                options={[{ value: '', name: 'not in this file' }, ...file.headers.map((h) => ({ value: h, name: h }))]}
              />
            ))}
          </div>
          <div className="flex flex-wrap gap-x-8">
            <Choices
              small
              label="Girth and diameter in"
              value={units.trunk}
              onChange={(trunk) => setUnits({ ...units, trunk })}
              options={(['mm', 'cm', 'in'] as const).map((u) => ({ value: u, name: u }))}
            />
            <Choices
              small
              label="Heights in"
              value={units.height}
              onChange={(height) => setUnits({ ...units, height })}
              options={(['m', 'ft'] as const).map((u) => ({ value: u, name: u }))}
            />
          </div>
          <h2 className="mt-3">The first rows, as understood</h2>
          <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="The columns of the file">
            <table className="dense figures">
              <thead>
                <tr>
                  {['Tag', 'Host', 'Diameter', 'Height', 'Position', 'Note'].map((h) => (
                    <th key={h}>{h}</th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {read.trees.slice(0, 6).map((t) => (
                  <tr key={t.tag}>
                    <td className="font-bold">{t.tag}</td>
                    <td>{hosts.find((h) => h.id === t.hostId)?.name}</td>
                    <td>{t.diameterCm === null ? '–' : showTrunk(t.diameterCm, reader).text}</td>
                    <td>{t.heightM === null ? '–' : showDistance(t.heightM, reader).text}</td>
                    <td>{t.lat === null ? '–' : `${t.lat}, ${t.lon}`}</td>
                    <td>{t.note}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
          <FaultList
            title={`${faults.length} ${faults.length === 1 ? 'fault' : 'faults'}: nothing comes in before they are mended`}
            list={faults}
            tone="madder"
          />
          <FaultList title={`${read.warnings.length} to look at (they may come in)`} list={read.warnings} tone="sap" />
          <button
            data-confirm
            type="button"
            className="press press-main mt-5"
            disabled={!placeId || faults.length > 0 || progress !== null}
            onClick={() => void send()}
          >
            {progress ? 'Writing …' : `Bring ${read.trees.length} trees in`}
          </button>
          {!placeId && <p className="mt-2 font-semibold">Choose the place first.</p>}
          {progress && (
            <div className="mt-3">
              <progress
                className="h-4 w-full max-w-md"
                value={progress.done}
                max={progress.of}
                aria-label="Rows written"
              />
              <p className="figures" role="status">
                {progress.done} of {progress.of}
              </p>
            </div>
          )}
        </>
      )}
    </>
  );
}

function FaultList({ title, list, tone }: { title: string; list: RowFault[]; tone: 'madder' | 'sap' }) {
  if (!list.length) return null;
  return (
    <section className="mt-5">
      <h2 className={tone === 'madder' ? 'text-madder' : 'text-sap'}>{title}</h2>
      <ul className="mt-1 max-h-72 overflow-y-auto" tabIndex={0} aria-label={title}>
        {list.slice(0, 300).map((f, i) => (
          <li key={i} className="row py-1.5">
            <b className="figures">Line {f.line}</b>
            {f.column && <span className="text-ink-2"> ({f.column})</span>}: {f.sentence}
          </li>
        ))}
        {list.length > 300 && <li className="py-1.5">and {list.length - 300} more</li>}
      </ul>
    </section>
  );
}
