import Papa from 'papaparse';

/** A row of a list: the line of the file that it begins in, and its cells by the name of their column. */
export interface Row {
  line: number;
  cells: Record<string, string>;
}
export interface RowFault {
  /** Line in the file, counted from 1. */
  line: number;
  column: string | null;
  sentence: string;
  /** It is asked once for all rows that have it. */
  asked?: true;
}
export interface Table {
  headers: string[];
  rows: Row[];
  /** What the parser could not make sense of: nothing is lost in silence. */
  faults: RowFault[];
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
  const bare = text.replace(/^\ufeff/, '');
  const named = /^sep=(.)\r?\n/i.exec(bare);
  const body = named ? bare.slice(named[0].length) : bare;
  const parsed = named ? Papa.parse<string[]>(body, { delimiter: named[1]! }) : separated(body, known);
  let line = named ? 2 : 1;
  const lines = parsed.data.map((cells) => {
    const at = line;
    line += 1 + cells.reduce((n, c) => n + newlines(c), 0);
    return { line: at, cells };
  });
  const faults = parsed.errors.flatMap((e): RowFault[] =>
    PARSER_SAYS[e.code] ? [{ line: lines[e.row ?? 0]?.line ?? 1, column: null, sentence: PARSER_SAYS[e.code]! }] : [],
  );
  const full = lines.filter((l) => filled(l.cells) > 0);
  const scores = full.slice(0, PREAMBLE).map((l) => known(l.cells));
  const best = Math.max(0, ...scores);
  const header = best >= 2 ? scores.indexOf(best) : 0;
  const headers = distinct(full[header]?.cells ?? [], full.slice(header + 1));
  const rows = full.slice(header + 1).map((l) => {
    if (filled(l.cells.slice(headers.length)) > 0)
      faults.push({ line: l.line, column: null, sentence: 'This row has more cells than the line of names.' });
    return {
      line: l.line,
      cells: Object.fromEntries(headers.map((h, i) => [h, unguarded((l.cells[i] ?? '').trim())])),
    };
  });
  return { headers, rows, faults, skipped: full[header] ? full[header].line - (named ? 2 : 1) : 0 };
}

/**
 * The cells of a list by the separator with which most names of columns are found: decimal commas are as even as separators,
 * and counting alone would take them for some.
 */
function separated(text: string, known: (cells: readonly string[]) => number): Papa.ParseResult<string[]> {
  const names = (p: Papa.ParseResult<string[]>) => Math.max(0, ...p.data.slice(0, PREAMBLE).map(known));
  const guessed = Papa.parse<string[]>(text);
  const head = text.split(/\r\n|\r|\n/, PREAMBLE).join('\n');
  const better = [';', '\t', ',', '|'].filter(
    (delimiter) => names(Papa.parse<string[]>(head, { delimiter })) > Math.max(1, names(guessed)),
  );
  return better[0] === undefined ? guessed : Papa.parse<string[]>(text, { delimiter: better[0] });
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
