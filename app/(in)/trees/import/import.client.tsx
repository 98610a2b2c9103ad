'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import { v7 } from 'uuid';
import { SYSTEMS_BY_NAME } from '@/core/exchange/systems';
import { speciesIndex, type Named } from '@/core/exchange/species';
import { decoded, looksLikeText, readTable, type Table } from '@/core/exchange/table';
import {
  guessMapping,
  unitsIn,
  namesIn,
  readTrees,
  type ImportContext,
  type Mapping,
  type ReadTrees,
  type Units,
} from '@/core/exchange/trees-csv';
import { type UnitSystem } from '@/lib/units/units';
import { SelectField, TextField, Checkbox } from '@/ui/controls/controls';
import { FilePress } from '@/ui/controls/file.client';
import { ACCEPTS, listDoubts, type ListDoubtId } from '@/core/exchange/list-doubts';
import { NOTHING_SENT, sendList, type Sent } from './send';
import { sheetsOf } from './sheets';
import { ColumnChoices, UnitChoices, SpeciesAsked, Understood, IssueList } from './columns.client';
import { SiteChoice, type SiteList } from '@/ui/controls/site-choice.client';

export interface Props {
  places: SiteList;
  place: string;
  /** The units of whoever reads the preview. */
  reader: UnitSystem;
  hosts: (Named & { unlisted: boolean; growthCmPerYear: number; largestCm: number })[];
  most: number;
  today: string;
}

interface Opened {
  /** Names the file: the same file sent twice lands once. */
  id: string;
  name: string;
  text: string;
  table: Table;
  sheets: { name: string; csv: string }[];
}

type ToDegrees = ImportContext['toDegrees'];

export function ImportBench({ places, place, hosts, reader, most, today }: Props) {
  const [siteId, setPlace] = useState(place);
  const [file, setFile] = useState<Opened | null>(null);
  const [mapping, setMapping] = useState<Mapping | null>(null);
  // Lines that are no trees, and stay out.
  const [out, setOut] = useState<readonly number[]>([]);
  const [units, setUnits] = useState<Units>({ trunk: 'cm', height: 'm' });
  const [system, setSystem] = useState<{ code: string; toDegrees: ToDegrees }>({ code: '', toDegrees: null });
  const [measuredOn, setMeasuredOn] = useState('');
  const [chosen, setChosen] = useState<Record<string, string>>({});
  const [sure, setSure] = useState<readonly ListDoubtId[]>([]);
  const [sentence, setSentence] = useState('');
  const [progress, setProgress] = useState<{ done: number; of: number } | null>(null);
  const [answer, setAnswer] = useState<Sent>(NOTHING_SENT);
  const index = useMemo(() => speciesIndex(hosts), [hosts]);
  const byId = useMemo(() => new Map(hosts.map((h) => [h.id, h])), [hosts]);
  const { toDegrees } = system;
  const read: ReadTrees | null = useMemo(
    () =>
      file &&
      mapping &&
      readTrees(rowsIn(file.table.rows, out), {
        mapping,
        units,
        hosts: byId,
        species: index,
        chosen,
        toDegrees,
        measuredOn: measuredOn || null,
        today,
        taken: NONE,
      }),
    [file, mapping, units, byId, index, chosen, toDegrees, measuredOn, today, out],
  );

  // The list as a whole is asked here; where the site lies only the server knows, and it asks in the same way.
  const inList = useMemo(
    () =>
      listDoubts(
        (read?.trees ?? []).map((t) => ({ ...t, largestCm: byId.get(t.hostId)?.largestCm ?? null })),
        null,
      ),
    [read, byId],
  );

  const take = (name: string, text: string, sheets: Opened['sheets'], as: string) => {
    if (!looksLikeText(text))
      return setSentence(`${name} is not a text file. Save the list as CSV (UTF-8) or XLSX and choose it again.`);
    const table = readTable(text, namesIn);
    if (!table.headers.length || !table.rows.length)
      return setSentence(`${name} holds no rows under a line of column names.`);
    if (table.rows.length > most)
      return setSentence(`${name} holds ${table.rows.length} rows; ${most} at a time is the most. Split it.`);
    const guess = guessMapping(table.headers);
    setSentence(as);
    setMapping(guess.mapping);
    setUnits(guess.units);
    setChosen({});
    setOut([]);
    setSure([]);
    setFile({ id: v7(), name, text, table, sheets });
  };
  const open = async (f: File) => {
    setAnswer(NOTHING_SENT);
    setFile(null);
    if (f.size > 16_000_000)
      return setSentence(`${f.name} has ${Math.round(f.size / 1e6)} MB; a list may have 16 MB at most. Split it.`);
    if (/\.xls[xm]$/i.test(f.name)) {
      const sheets = await sheetsOf(f);
      return sheets.length
        ? take(f.name, sheets[0]!.csv, sheets, '')
        : setSentence(`${f.name} cannot be read as a workbook. Save it anew as XLSX, or as CSV (UTF-8).`);
    }
    const { text, as } = decoded(await f.arrayBuffer());
    take(f.name, text, [], as);
  };
  const chooseSystem = async (code: string) => {
    const { toDegrees } = await import('@/core/exchange/positions');
    setSystem({ code, toDegrees: code ? toDegrees(code) : null });
  };

  const send = async () => {
    if (!file || !mapping) return;
    setProgress({ done: 0, of: file.table.rows.length });
    setAnswer(NOTHING_SENT);
    const body = {
      id: file.id,
      siteId,
      mapping,
      units,
      species: chosen,
      system: system.code,
      measuredOn,
      leaveOut: out,
      name: file.name,
      sure,
      csv: file.text,
    };
    const { sentence: said, ...sent } = await sendList(body, setProgress);
    setAnswer(sent);
    if (said) setSentence(said);
    setProgress(null);
  };

  if (answer.written !== null)
    return (
      <div role="status">
        <p className="text-head font-bold">{answer.written} trees hang now.</p>
        <p className="mt-4">
          <Link className="press press-main" href={`/sites/${siteId}`}>
            Look at the place
          </Link>
        </p>
      </div>
    );
  const doubts = [...inList, ...answer.doubts.filter((d) => !inList.some((x) => x.id === d.id))];
  const issues = answer.issues.length ? answer.issues : [...(file?.table.issues ?? []), ...(read?.issues ?? [])];
  // A species is asked above, once; a list of its rows would hide the issues that have to be mended in the file.
  const named = issues.filter((f) => !f.asked);
  const waiting = issues.length - named.length;
  return (
    <>
      <SiteChoice list={places} chosen={siteId} empty="choose …" onChange={setPlace} />
      <FilePress
        label={file ? `${file.name}: ${file.table.rows.length} rows. Choose another` : 'Choose the file'}
        accept=".csv,.tsv,.tab,.txt,.xlsx,.xlsm,text/csv,text/tab-separated-values,text/plain"
        className="mb-3"
        onFile={(f) => void open(f)}
      />
      {sentence && (
        <p role="alert" className="mb-4 font-semibold text-madder">
          {sentence}
        </p>
      )}
      {file && mapping && read && (
        <>
          {file.sheets.length > 1 && (
            <SelectField
              label="Sheet of the workbook"
              path="sheet"
              value={file.sheets.find((s) => s.csv === file.text)?.name ?? ''}
              onChange={(name) => take(file.name, file.sheets.find((s) => s.name === name)!.csv, file.sheets, '')}
              options={file.sheets.map((s) => ({ value: s.name, name: s.name }))}
            />
          )}
          {file.table.skipped > 0 && (
            <p className="text-ink-2">The names of the columns stand in line {file.table.skipped + 1}.</p>
          )}
          <ColumnChoices
            headers={file.table.headers}
            mapping={mapping}
            onChange={(m) => {
              setMapping(m);
              // A column that is chosen by hand brings the unit in its own header.
              setUnits((u) => unitsIn(m, u));
            }}
          />
          <UnitChoices units={units} onChange={setUnits} />
          <div className="grid gap-x-5 desk:grid-cols-2">
            {mapping.lat !== null && (
              <SelectField
                label="Positions are in"
                path="system"
                value={system.code}
                onChange={(code) => void chooseSystem(code)}
                options={[{ value: '', name: 'degrees (latitude, longitude)' }, ...SYSTEMS_BY_NAME]}
              />
            )}
            {(mapping.girth !== null || mapping.diameter !== null) && (
              <TextField
                label="Trunks were measured on"
                path="measuredOn"
                type="date"
                hint={mapping.measured === null ? 'The day of the survey.' : 'For rows without a day of their own.'}
                value={measuredOn}
                onChange={setMeasuredOn}
              />
            )}
          </div>
          <SpeciesAsked asked={read.asked} hosts={hosts} chosen={chosen} onChoose={setChosen} />
          <Understood trees={read.trees} hosts={byId} reader={reader} />
          <IssueList
            title={`${named.length} ${named.length === 1 ? 'fault' : 'faults'}: nothing comes in before they are mended`}
            list={named}
            tone="madder"
          />
          <LeaveOut
            lines={[...new Set(named.flatMap((f) => ('line' in f ? [f.line] : [])))]}
            out={out}
            onChange={setOut}
          />
          {doubts.map((d) => (
            <div key={d.id} className="mt-3 border-l-4 border-sap pl-3">
              <p className="font-semibold">{d.sentence}</p>
              <Checkbox
                checked={sure.includes(d.id)}
                onChange={(on) => setSure(on ? [...sure, d.id] : sure.filter((x) => x !== d.id))}
              >
                {ACCEPTS[d.id]}
              </Checkbox>
            </div>
          ))}
          <IssueList title={`${read.warnings.length} to look at (they may come in)`} list={read.warnings} tone="sap" />
          <button
            data-confirm
            type="button"
            className="press press-main mt-5"
            disabled={!siteId || issues.length > 0 || progress !== null || doubts.some((d) => !sure.includes(d.id))}
            onClick={() => void send()}
          >
            {progress ? 'Writing …' : `Bring ${read.trees.length} ${read.trees.length === 1 ? 'tree' : 'trees'} in`}
          </button>
          {waiting > 0 && (
            <p className="mt-2 font-semibold">
              {waiting === 1 ? '1 row waits for its' : `${waiting} rows wait for their`} species, above.
            </p>
          )}
          {!siteId && <p className="mt-2 font-semibold">Choose the place first.</p>}
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

const NONE: ReadonlySet<string> = new Set();
const rowsIn = <T extends { line: number }>(rows: readonly T[], out: readonly number[]): T[] =>
  rows.filter((r) => !out.includes(r.line));

/** Rows that are no trees (a sum, a stump, an empty site) stay out of the list, and come back with one press. */
function LeaveOut({
  lines,
  out,
  onChange,
}: {
  lines: readonly number[];
  out: readonly number[];
  onChange: (out: readonly number[]) => void;
}) {
  const count = (n: number) => `${n} ${n === 1 ? 'row' : 'rows'}`;
  return (
    <p className="mt-2 flex flex-wrap items-center gap-3">
      {lines.length > 0 && (
        <button type="button" className="press" onClick={() => onChange([...out, ...lines])}>
          Leave out {count(lines.length)} with faults
        </button>
      )}
      {out.length > 0 && (
        <>
          <span className="font-semibold">
            Left out: {count(out.length)} (line {out.slice(0, 20).join(', ')}
            {out.length > 20 && ' …'}).
          </span>
          <button type="button" className="press" onClick={() => onChange([])}>
            Take them in
          </button>
        </>
      )}
    </p>
  );
}
