import Papa from 'papaparse';

type Cell = string | number | null;

/** A figure without the dust of binary arithmetic: 11400.000000000002 is 11400. */
const clean = (cell: Cell): Cell => (typeof cell === 'number' ? Number(cell.toPrecision(12)) : cell);

/** What a spreadsheet would take for a formula, over however many lines the cell runs: the library's own pattern stops at the first. */
const FORMULA = /^[=+\-@\t\r][\s\S]*$/;

/**
 * A table as spreadsheets read it: with the mark by which they know UTF-8, every text quoted so that no separator of any
 * language splits it, and nothing that would be taken for a formula.
 */
export async function* csv(headers: readonly string[], parts: AsyncIterable<Cell[][]>): AsyncGenerator<string> {
  const lines = (rows: Cell[][]) =>
    Papa.unparse(rows, {
      escapeFormulae: FORMULA,
      quotes: (cell: unknown) => typeof cell === 'string' && cell !== '',
    }) + '\r\n';
  yield `\ufeff${lines([[...headers]])}`;
  for await (const rows of parts) if (rows.length) yield lines(rows.map((r) => r.map(clean)));
}
