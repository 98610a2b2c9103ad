import Papa from 'papaparse';
import { aTurn, atOnce, inTurns, type Slices } from '../../lib/slices';

/** A row of a list: the line of the file that it begins in, and its cells by the name of their column. */
export interface Row {
  line: number;
  cells: Record<string, string>;
}
export interface RowIssue {
  /** Line in the file, counted from 1. */
  line: number;
  column: string | null;
  message: string;
  /** It is asked once for all rows that have it. */
  asked?: true;
}
export interface Table {
  headers: string[];
  rows: Row[];
  /** What the parser could not make sense of: nothing is lost in silence. */
  issues: RowIssue[];
  /** Lines above the names of the columns that were left out. */
  skipped: number;
}

/** Whether bytes look like text: no NUL, and hardly any other control characters. */
export function looksLikeText(text: string): boolean {
  const sample = text.slice(0, 8000);
  if (sample.includes('\0')) return false;
  // The replacement character stands where bytes were no UTF-8.
  const odd = [...sample].filter((c) => c === '\ufffd' || (c < ' ' && !'\r\n\t'.includes(c))).length;
  return odd <= sample.length * 0.02;
}

/**
 * The text of a file: UTF-8 where it is, UTF-16 where its first bytes say so, else the Western European code page of
 * older offices, which is then said.
 */
export function decoded(bytes: ArrayBuffer): { text: string; as: string } {
  const [a, b] = new Uint8Array(bytes, 0, Math.min(2, bytes.byteLength));
  const wide = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : null;
  if (wide) return { text: new TextDecoder(wide).decode(bytes), as: '' };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), as: '' };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      as: 'This file is not UTF-8; it was read as Windows-1252. Look whether names with accents are right.',
    };
  }
}

const PARSER_SAYS: Readonly<Record<string, string>> = {
  MissingQuotes: 'A quotation mark is opened here and never closed; it swallows what follows.',
  InvalidQuotes: 'A quotation mark stands in the middle of a cell.',
};

/** What was guarded against being a formula in a spreadsheet, as it was: '=1+1 is =1+1. */
export const unguarded = (cell: string) => (/^'[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell);

/** How many lines below the top the names of the columns are looked for. */
const PREAMBLE = 20;
const filled = (cells: readonly string[]) => cells.filter((c) => c.trim() !== '').length;
const newlines = (cell: string) => cell.match(/\r\n|\r|\n/g)?.length ?? 0;

/**
 * Reads a delimited list as offices make them: any usual separator (or the one named by `sep=`), titles above the names
 * of the columns, quoted cells over several lines, columns without a name or with the same one.
 * @param known how many of these cells look like names of columns; the line with most of them (two at least) is the header
 */
export function readTable(text: string, known: (cells: readonly string[]) => number): Table {
  const list = opened(text, known);
  const { data, errors } = Papa.parse<string[]>(list.body, { delimiter: list.delimiter });
  return atOnce(tableOf(list, { data, errors }, known));
}

/** Signs that are taken apart before others have a turn. */
const CHUNK_SIGNS = 100_000;
/** The same in turns with whatever else a server has to do. */
export async function readTableInTurns(text: string, known: (cells: readonly string[]) => number): Promise<Table> {
  const list = opened(text, known);
  const apart: Apart = { data: [], errors: [] };
  await new Promise<void>((done) =>
    Papa.parse<string[]>(list.body, {
      delimiter: list.delimiter,
      chunkSize: CHUNK_SIGNS,
      chunk: ({ data, errors }: Papa.ParseResult<string[]>, parser: Papa.Parser) => {
        const before = apart.data.length;
        for (const e of errors) apart.errors.push({ ...e, row: (e.row ?? 0) + before });
        for (const cells of data) apart.data.push(cells);
        parser.pause();
        void aTurn().then(() => parser.resume());
      },
      complete: () => done(),
    }),
  );
  return inTurns(tableOf(list, apart, known));
}

/** The cells of a list, line by line, and what the parser could not make sense of. */
type Apart = Pick<Papa.ParseResult<string[]>, 'data' | 'errors'>;
/** A list without its marks, and what separates its cells. */
interface Opened {
  body: string;
  delimiter: string;
  /** Its first line named the separator. */
  named: boolean;
}

function opened(text: string, known: (cells: readonly string[]) => number): Opened {
  const bare = text.replace(/^\ufeff/, '');
  const named = /^sep=(.)\r?\n/i.exec(bare);
  return named
    ? { body: bare.slice(named[0].length), delimiter: named[1]!, named: true }
    : { body: bare, delimiter: separatorOf(bare, known), named: false };
}

function* tableOf(list: Opened, apart: Apart, known: (cells: readonly string[]) => number): Slices<Table> {
  let line = list.named ? 2 : 1;
  const at: number[] = [];
  const full: { line: number; cells: string[] }[] = [];
  for (const cells of apart.data) {
    at.push(line);
    if (filled(cells) > 0) full.push({ line, cells });
    line += 1 + cells.reduce((n, c) => n + newlines(c), 0);
    yield;
  }
  const issues = apart.errors.flatMap((e): RowIssue[] =>
    PARSER_SAYS[e.code] ? [{ line: at[e.row ?? 0] ?? 1, column: null, message: PARSER_SAYS[e.code]! }] : [],
  );
  const scores = full.slice(0, PREAMBLE).map((l) => known(l.cells));
  const best = Math.max(0, ...scores);
  const header = best >= 2 ? scores.indexOf(best) : 0;
  const headers = distinct(full[header]?.cells ?? [], full.slice(header + 1));
  const rows: Row[] = [];
  for (const l of full.slice(header + 1)) {
    if (filled(l.cells.slice(headers.length)) > 0)
      issues.push({ line: l.line, column: null, message: 'This row has more cells than the line of names.' });
    rows.push({
      line: l.line,
      cells: Object.fromEntries(headers.map((h, i) => [h, unguarded((l.cells[i] ?? '').trim())])),
    });
    yield;
  }
  return { headers, rows, issues, skipped: full[header] ? full[header].line - (list.named ? 2 : 1) : 0 };
}

/**
 * What separates the cells of a list: that with which most names of columns are found. Decimal commas are as even as separators,
 * and counting alone would take them for some.
 */
function separatorOf(text: string, known: (cells: readonly string[]) => number): string {
  const names = (p: Papa.ParseResult<string[]>) => Math.max(0, ...p.data.slice(0, PREAMBLE).map(known));
  const head = text.split(/\r\n|\r|\n/, PREAMBLE).join('\n');
  const guessed = Papa.parse<string[]>(head);
  const better = [';', '\t', ',', '|'].find(
    (delimiter) => names(Papa.parse<string[]>(head, { delimiter })) > Math.max(1, names(guessed)),
  );
  return better ?? guessed.meta.delimiter;
}

/** Names of columns that can be told apart; a column without a name has one when it holds something. */
function distinct(cells: readonly string[], rows: readonly { cells: readonly string[] }[]): string[] {
  let width = cells.length;
  while (width > 0 && cells[width - 1]!.trim() === '' && rows.every((r) => !r.cells[width - 1]?.trim())) width -= 1;
  const seen = new Set<string>();
  return cells.slice(0, width).map((cell, i) => {
    const name = cell.trim() || `column ${i + 1}`;
    let own = name;
    for (let n = 2; seen.has(own); n += 1) own = `${name} (${n})`;
    seen.add(own);
    return own;
  });
}
