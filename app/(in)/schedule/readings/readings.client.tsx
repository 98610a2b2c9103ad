'use client';

import { useState } from 'react';
import { v7 } from 'uuid';
import { decoded, looksLikeText, readTable, type Table } from '@/core/exchange/table';
import {
  guessWeather,
  readHours,
  WEATHER_COLUMN_NAMES,
  WEATHER_COLUMNS,
  weatherNamesIn,
  type ReadHours,
} from '@/core/exchange/weather-csv';
import type { WeatherReading } from '@/core/exchange/weather-reading';
import { wallClock } from '@/lib/calendar/zone';
import { Choices, FormIssues, SelectField } from '@/ui/controls/controls';
import { useAttachWaiting } from '@/ui/controls/file.client';
import { useSend } from '@/ui/controls/use.client';
import { Input } from '@/ui/controls/input.client';
import { importReadings } from '../actions';
import { browserNow } from '@/ui/clock.client';

interface Opened {
  id: string;
  name: string;
  text: string;
  table: Table;
}

/** How the file was read last time, where its columns are still there; else what its headers say. */
const readingOf = (headers: string[], known: WeatherReading | null): WeatherReading =>
  known && Object.values(known.mapping).every((h) => h === null || headers.includes(h)) ? known : guessWeather(headers);

/** The bench on which a station's file is understood and sent. */
export function Readings({
  siteId,
  timeZone,
  known,
}: {
  siteId: string;
  timeZone: string;
  known: WeatherReading | null;
}) {
  const [file, setFile] = useState<Opened | null>(null);
  const [reading, setReading] = useState<WeatherReading | null>(null);
  const [sentence, setSentence] = useState('');
  const [done, setDone] = useState<{ hours: number; days: number; missing: number } | null>(null);
  const { busy, issues, send } = useSend(importReadings);
  const open = async (f: File | undefined) => {
    setDone(null);
    setFile(null);
    if (!f) return;
    if (f.size > 1_900_000) return setSentence(`${f.name} is larger than 1.9 MB, about four years of hours. Split it.`);
    const { text, as } = decoded(await f.arrayBuffer());
    if (!looksLikeText(text)) return setSentence(`${f.name} is not a text file. Save the readings as CSV (UTF-8).`);
    const table = readTable(text, weatherNamesIn);
    if (!table.rows.length) return setSentence(`${f.name} holds no rows under a line of column names.`);
    setSentence(as);
    setReading(readingOf(table.headers, known));
    setFile({ id: v7(), name: f.name, text, table });
  };
  const chosen = useAttachWaiting((input) => void open(input.files?.[0]));
  const read = file && reading ? readHours(file.table.rows, reading, timeZone, browserNow()) : null;
  const wrong = [...(file?.table.issues ?? []), ...(read?.issues ?? [])];
  if (done)
    return (
      <div role="status">
        <p className="text-head font-bold">{done.hours} hours are kept.</p>
        <p className="mt-2">
          They make {done.days} whole days
          {done.missing > 0 && `; ${done.missing} hours between them are missing and filled`}.
        </p>
        <p className="mt-4">
          <a className="press press-main" href={`/schedule?place=${siteId}`}>
            The year at this place
          </a>
        </p>
      </div>
    );
  return (
    <>
      <label className="mb-4 block">
        <span className="mb-1 block font-semibold">File of the station (CSV)</span>
        <Input
          type="file"
          accept=".csv,.txt,text/csv"
          className="box"
          ref={chosen}
          onChange={(e) => open(e.target.files?.[0])}
        />
      </label>
      {sentence && <p role="alert">{sentence}</p>}
      {file && reading && read && (
        <>
          <Columns headers={file.table.headers} reading={reading} onChange={setReading} />
          <Understood read={read} wrong={wrong.length} timeZone={timeZone} />
          {wrong.length > 0 && (
            <ul className="mb-4 max-h-80 overflow-y-auto" aria-label="What is wrong">
              {wrong.slice(0, 200).map((f, i) => (
                <li key={`${f.line}${f.column}${i}`} className="py-0.5">
                  <b className="figures">Line {f.line}</b>
                  {f.column && `, ${f.column}`}: {f.message}
                </li>
              ))}
            </ul>
          )}
          <FormIssues issues={issues} known={[]} />
          <button
            type="button"
            className="press press-main phone:w-full"
            disabled={busy || wrong.length > 0}
            onClick={() => send({ id: file.id, siteId, reading, csv: file.text }, (kept) => setDone(kept))}
          >
            Keep these readings
          </button>
        </>
      )}
    </>
  );
}

function Columns({
  headers,
  reading,
  onChange,
}: {
  headers: string[];
  reading: WeatherReading;
  onChange: (r: WeatherReading) => void;
}) {
  const { mapping } = reading;
  return (
    <>
      <h2 className="mt-2 mb-2">Columns</h2>
      <div className="grid gap-x-5 desk:grid-cols-3">
        {WEATHER_COLUMNS.map((c) => (
          <SelectField
            key={c}
            label={WEATHER_COLUMN_NAMES[c]}
            path={c}
            value={mapping[c] ?? ''}
            onChange={(h) => onChange({ ...reading, mapping: { ...mapping, [c]: h || null } })}
            options={[{ value: '', name: 'not in this file' }, ...headers.map((h) => ({ value: h, name: h }))]}
          />
        ))}
      </div>
      <div className="flex flex-wrap gap-x-8">
        <Choices
          small
          label="Temperature in"
          value={reading.temperature}
          onChange={(temperature) => onChange({ ...reading, temperature })}
          options={(['C', 'F'] as const).map((u) => ({ value: u, name: `°${u}` }))}
        />
        <Choices
          small
          label="Rain in"
          value={reading.rain}
          onChange={(rain) => onChange({ ...reading, rain })}
          options={(['mm', 'in'] as const).map((u) => ({ value: u, name: u }))}
        />
        <Choices
          small
          label="Wind in"
          value={reading.wind}
          onChange={(wind) => onChange({ ...reading, wind })}
          options={(['m/s', 'km/h', 'mph'] as const).map((u) => ({ value: u, name: u }))}
        />
        <Choices
          small
          label="Its clock"
          value={reading.clock}
          onChange={(clock) => onChange({ ...reading, clock })}
          options={[
            { value: 'place', name: 'the clock of the place' },
            { value: 'utc', name: 'UTC all year' },
          ]}
        />
        <Choices
          small
          label="Dates with strokes begin with"
          value={reading.order}
          onChange={(order) => onChange({ ...reading, order })}
          options={[
            { value: 'day', name: 'the day' },
            { value: 'month', name: 'the month' },
          ]}
        />
      </div>
    </>
  );
}

function Understood({ read, wrong, timeZone }: { read: ReadHours; wrong: number; timeZone: string }) {
  const [first, last] = [read.hours[0], read.hours.at(-1)];
  const at = (instant: string) => wallClock(instant, timeZone).replace('T', ' ');
  return (
    <p className="my-3" role="status">
      {first && last ? (
        <>
          <b className="figures">{read.hours.length}</b> hours from {at(first.at)} to {at(last.at)} on the clock of the
          place
          {read.gaps.length > 0 &&
            `, with ${read.gaps.length} missing ${read.gaps.length === 1 ? 'stretch' : 'stretches'} of ${read.gaps.reduce((sum, g) => sum + g.hours, 0)} hours`}
          .
        </>
      ) : (
        'No hour is understood yet.'
      )}
      {wrong > 0 && <b className="text-madder"> {wrong} faults to mend or to answer first.</b>}
    </p>
  );
}
