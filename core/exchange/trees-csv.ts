import { readNumber } from '../units/numbers';
import { LENGTH, type LengthUnit } from '../units/units';
import type { StemReading } from '../measure/trunk';
import type { Cm } from '../units/units';
import { diameterFromGirth } from '../measure/trunk';
import { doubts } from '../measure/plausible';

/** What a column of a tree list can hold. */
export const COLUMNS = ['tag', 'host', 'girth', 'diameter', 'height', 'lat', 'lon', 'order', 'note'] as const;
export type Column = (typeof COLUMNS)[number];
export const COLUMN_NAMES: Record<Column, string> = {
  tag: 'Tag',
  host: 'Host',
  girth: 'Girth',
  diameter: 'Diameter',
  height: 'Tree height',
  lat: 'Latitude',
  lon: 'Longitude',
  order: 'Walking order',
  note: 'Note',
};

/** Which header each column is read from; null leaves the column out. */
export type Mapping = Record<Column, string | null>;
export interface Units {
  trunk: Extract<LengthUnit, 'mm' | 'cm' | 'in'>;
  height: 'm' | 'ft';
}

const HINTS: Record<Column, RegExp> = {
  tag: /^(tag|tree ?(no|nr|number|id)|no|nr|number|id|label)\b/i,
  host: /(species|host|latin|botanical|taxon|genus)/i,
  girth: /(girth|circumference|gbh|cbh)/i,
  diameter: /(diameter|dbh|calip)/i,
  height: /(height|hgt)/i,
  lat: /^(lat|latitude|y)\b/i,
  lon: /^(lon|long|lng|longitude|x)\b/i,
  order: /(order|sequence|walk)/i,
  note: /(note|remark|comment)/i,
};

/** A header as words: trunk_in and Trunk-in are “trunk in”. */
const inWords = (header: string) => header.trim().replace(/[_-]+/g, ' ');

/** Guesses columns and units from the headers; every header is used once. */
export function guessMapping(headers: string[]): { mapping: Mapping; units: Units } {
  const used = new Set<string>();
  const mapping = Object.fromEntries(
    COLUMNS.map((c) => {
      const found = headers.find(
        (h) => !used.has(h) && HINTS[c].test(inWords(h)) && !(c === 'height' && /measure|dbh|breast/i.test(h)),
      );
      if (found) used.add(found);
      return [c, found ?? null];
    }),
  ) as Mapping;
  const trunk = inWords(mapping.girth ?? mapping.diameter ?? '');
  return {
    mapping,
    units: {
      trunk: /\b(in|inch|inches)\b|"/i.test(trunk) ? 'in' : /\bmm\b/i.test(trunk) ? 'mm' : 'cm',
      height: /\b(ft|feet|foot)\b/i.test(inWords(mapping.height ?? '')) ? 'ft' : 'm',
    },
  };
}

export interface TreeRow {
  tag: string;
  hostId: string;
  stems: StemReading[] | null;
  diameterCm: Cm | null;
  heightM: number | null;
  lat: number | null;
  lon: number | null;
  walkOrder: number | null;
  note: string;
}
export interface RowFault {
  /** Line in the file; the header is line 1. */
  line: number;
  column: string | null;
  sentence: string;
}

export interface ImportContext {
  mapping: Mapping;
  units: Units;
  /** A host's id by lower-case name, Latin name or id. */
  hosts: ReadonlyMap<string, { id: string; growthCmPerYear: number; largestCm: number }>;
  /** Tags already hanging at this place. */
  taken: ReadonlySet<string>;
}

/** Whether bytes look like text: no NUL, and hardly any other control characters. */
export function looksLikeText(text: string): boolean {
  const sample = text.slice(0, 8000);
  if (sample.includes('\0')) return false;
  // The replacement character stands where bytes were no UTF-8.
  const odd = [...sample].filter((c) => c === '\ufffd' || (c < ' ' && !'\r\n\t'.includes(c))).length;
  return odd <= sample.length * 0.02;
}

/** What was guarded against being a formula in a spreadsheet, as it was: '=1+1 is =1+1. */
const unguarded = (cell: string) => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

const PARSER_SAYS: Readonly<Record<string, string>> = {
  MissingQuotes: 'A quotation mark is opened here and never closed; it swallows what follows.',
  InvalidQuotes: 'A quotation mark stands in the middle of a cell.',
  TooManyFields: 'This row has more cells than the line of names.',
};
/**
 * What a CSV parser could not make sense of, as faults of the list: no row is lost in silence.
 * @param errors as the parser reports them; rows are counted from 0 below the header
 */
export const parserFaults = (errors: readonly { code: string; row?: number | undefined }[]): RowFault[] =>
  errors.flatMap((e) =>
    PARSER_SAYS[e.code] ? [{ line: (e.row ?? 0) + 2, column: null, sentence: PARSER_SAYS[e.code]! }] : [],
  );

/**
 * Reads the rows of a tree list.
 * @param rows cells by header, in the order of the file
 * @returns every row that can be read, and one sentence for each fault; nothing should be written while there are faults
 */
export function readTrees(
  rows: Record<string, string | undefined>[],
  c: ImportContext,
): { trees: TreeRow[]; faults: RowFault[]; warnings: RowFault[] } {
  const faults: RowFault[] = [];
  const warnings: RowFault[] = [];
  const trees: TreeRow[] = [];
  const seen = new Map<string, number>();
  if (!c.mapping.tag || !c.mapping.host) {
    faults.push({
      line: 1,
      column: null,
      sentence: `Choose the column that holds the ${!c.mapping.tag ? 'tag' : 'host'}.`,
    });
    return { trees, faults, warnings };
  }
  rows.forEach((row, i) => {
    const line = i + 2;
    const before = faults.length;
    const cell = (k: Column) => (c.mapping[k] ? unguarded((row[c.mapping[k]] ?? '').trim()) : '');
    const fault = (k: Column, sentence: string) => faults.push({ line, column: c.mapping[k], sentence });
    const number = (k: Column, rule: Parameters<typeof readNumber>[1]): number | null => {
      if (cell(k) === '') return null;
      const read = readNumber(cell(k), rule);
      if (read.ok) return read.value;
      fault(k, read.sentence);
      return null;
    };
    const tag = cell('tag');
    if (!tag) fault('tag', 'The tag is missing.');
    else if (tag.length > 24) fault('tag', 'A tag has at most 24 signs.');
    else if (c.taken.has(tag)) fault('tag', `Tag ${tag} hangs at this place already.`);
    else if (seen.has(tag)) fault('tag', `Tag ${tag} stands in line ${seen.get(tag)} already.`);
    else seen.set(tag, line);
    const host = c.hosts.get(cell('host').toLowerCase());
    if (!host)
      fault('host', cell('host') ? `No host is called “${cell('host').slice(0, 40)}”.` : 'The host is missing.');
    const trunkMax = (cm: number) => Math.round(cm / LENGTH[c.units.trunk]);
    const girth = number('girth', { name: 'The girth', above: 0, max: trunkMax(3000), unit: c.units.trunk });
    const diameter = number('diameter', { name: 'The diameter', above: 0, max: trunkMax(1000), unit: c.units.trunk });
    const height = number('height', {
      name: 'The height',
      above: 0,
      max: c.units.height === 'm' ? 130 : 426,
      unit: c.units.height,
    });
    const lat = number('lat', { name: 'The latitude', min: -90, max: 90 });
    const lon = number('lon', { name: 'The longitude', min: -180, max: 180 });
    if (faults.length === before && (lat === null) !== (lon === null))
      fault(lat === null ? 'lat' : 'lon', 'A position needs both numbers.');
    const order = number('order', { name: 'The walking order', min: 0, max: 1_000_000, whole: true });
    const note = cell('note');
    if (note.length > 2000) fault('note', 'A note has at most 2000 signs.');
    if (faults.length > before || !host) return;
    const byGirth = girth === null ? null : diameterFromGirth(girth * LENGTH[c.units.trunk]);
    const across = diameter === null ? null : diameter * LENGTH[c.units.trunk];
    if (byGirth !== null && across !== null && Math.abs(byGirth - across) > Math.max(1, across * 0.03))
      return void fault(
        'girth',
        `Girth and diameter do not fit each other: ${cell('girth')} ${c.units.trunk} round is ${(byGirth / LENGTH[c.units.trunk]).toFixed(1)} ${c.units.trunk} across.`,
      );
    const diameterCm = byGirth ?? across;
    const heightM = height === null ? null : (height * LENGTH[c.units.height]) / 100;
    if (diameterCm !== null)
      for (const d of doubts({
        diameterCm,
        ...(heightM ? { heightM } : {}),
        growthCmPerYear: host.growthCmPerYear,
        largestCm: host.largestCm,
      }))
        warnings.push({ line, column: c.mapping.girth ?? c.mapping.diameter, sentence: d.sentence });
    const stems: StemReading[] | null =
      girth !== null
        ? [{ kind: 'girth', typed: { value: girth, unit: c.units.trunk } }]
        : diameter !== null
          ? [{ kind: 'diameter', typed: { value: diameter, unit: c.units.trunk } }]
          : null;
    trees.push({ tag, hostId: host.id, stems, diameterCm, heightM, lat, lon, walkOrder: order, note });
  });
  return { trees, faults, warnings };
}
