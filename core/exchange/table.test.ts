import fc from 'fast-check';
import Papa from 'papaparse';
import { decoded, looksLikeText, readTable, readTableInTurns } from './table';
import { namesIn } from './trees-csv';

const read = (text: string) => readTable(text, namesIn);
const bytes = (...b: number[]) => new Uint8Array(b).buffer;

it('takes binary noise for what it is', () => {
  expect(looksLikeText('Tag,Host\n1,Ulmus glabra\n')).toBe(true);
  expect(looksLikeText('PK\u0003\u0004\0\0')).toBe(false);
  expect(looksLikeText('\ufffd'.repeat(40))).toBe(false);
});

it('reads UTF-8, UTF-16 by its first bytes, and Windows-1252 with a word of warning', () => {
  expect(decoded(new TextEncoder().encode('Höhe').buffer)).toEqual({ text: 'Höhe', as: '' });
  expect(decoded(bytes(0xff, 0xfe, 0x48, 0, 0xf6, 0))).toMatchObject({ text: 'Hö', as: '' });
  expect(decoded(bytes(0xfe, 0xff, 0, 0x48, 0, 0xf6))).toMatchObject({ text: 'Hö', as: '' });
  const old = decoded(bytes(0x48, 0xf6, 0x68, 0x65));
  expect(old.text).toBe('Höhe');
  expect(old.as).toContain('Windows-1252');
});

it('finds the names of the columns below titles, after sep=, and counts lines through quoted newlines', () => {
  const { headers, rows, skipped } = read(
    'sep=;\nTree survey 2025;\nThe parish;;\n\nTag;Species;Note\n1;"wych elm";"by the gate\nunder wires"\n2;lime;\n',
  );
  expect(headers).toEqual(['Tag', 'Species', 'Note']);
  expect(rows.map((r) => [r.line, r.cells.Tag])).toEqual([
    [6, '1'],
    [8, '2'],
  ]);
  expect(skipped).toBeGreaterThan(0);
});

it('a column without a name and one named twice are told apart; nothing in them is lost', () => {
  const { headers, rows } = read('Tag,Host,,Host\n1,elm,north side,lime\n');
  expect(headers).toEqual(['Tag', 'Host', 'column 3', 'Host (2)']);
  expect(rows[0]!.cells).toEqual({ Tag: '1', Host: 'elm', 'column 3': 'north side', 'Host (2)': 'lime' });
});

it('names the line of a cell too many and of a quotation mark that is never closed', () => {
  expect(read('Tag,Host\n1,elm,extra\n').issues).toEqual([
    { line: 2, column: null, message: 'This row has more cells than the line of names.' },
  ]);
  expect(read('Tag,Host\n1,elm\n2,"elm\n3,elm\n').issues).toMatchObject([
    { line: 3, message: expect.stringContaining('never closed') },
  ]);
});

it('whatever was written by a spreadsheet comes back cell for cell, with its line', () => {
  const cell = fc.string({ maxLength: 8 }).map((s) => s.replace(/[\0\ufeff]/g, '').trim());
  fc.assert(
    fc.property(
      fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 8 }),
      fc.constantFrom(',', ';', '\t', '|'),
      fc.constantFrom('\n', '\r\n'),
      (cells, delimiter, newline) => {
        const rows = cells.map(([a, b], i) => [`t${i}`, a, b]);
        const text = Papa.unparse([['Tag', 'Host', 'Note'], ...rows], { delimiter, newline, quotes: true });
        const table = read(text);
        expect(table.issues).toEqual([]);
        expect(table.rows.map((r) => [r.cells.Tag, r.cells.Host, r.cells.Note])).toEqual(
          rows.map(([tag, a, b]) => [tag, unguarded(a!), unguarded(b!)]),
        );
        const lines = text.split(/\r\n|\r|\n/);
        for (const [i, r] of table.rows.entries()) expect(lines[r.line - 1]).toContain(`t${i}`);
      },
    ),
  );
});
const unguarded = (s: string) => (/^'[=+\-@\t\r]/.test(s) ? s.slice(1) : s);

it('decimal commas are no separators, however even they are: the names of the columns tell', () => {
  const table = read(
    'Liste Nord\nTag;Host;Girth;Height\n1;Ulmus glabra;145,1;12,5\n2;Ulmus glabra;98,4;11,0\n3;Ulmus glabra;77,2;9,5\n',
  );
  expect(table.headers).toEqual(['Tag', 'Host', 'Girth', 'Height']);
  expect(table.rows.map((r) => r.cells.Girth)).toEqual(['145,1', '98,4', '77,2']);
  expect(table.issues).toEqual([]);
});

it('read in turns it is the same table, whatever stands in its cells and wherever it is taken apart', async () => {
  const cell = fc.oneof(
    fc.string({ maxLength: 12 }),
    fc.constantFrom(
      '',
      ' ',
      '12"',
      'a,b',
      'two\nlines',
      'two\r\nlines',
      '"',
      '""',
      "'=1",
      ';',
      'Wych elm',
      '1,5',
      '-4.1',
    ),
  );
  const quoted = (c: string) => (/[",\n\r]/.test(c) ? `"${c.replaceAll('"', '""')}"` : c);
  const list = fc.record({
    rows: fc.array(fc.array(cell, { minLength: 1, maxLength: 5 }), { maxLength: 30 }),
    raw: fc.boolean(),
    times: fc.constantFrom(1, 1, 1, 400),
    end: fc.constantFrom('\n', '\r\n'),
  });
  await fc.assert(
    fc.asyncProperty(list, async ({ rows, raw, times, end }) => {
      const lines = rows.map((r) => r.map(raw ? (c) => c : quoted).join(','));
      const text = ['Tag,Species,Girth', ...Array.from({ length: times }, () => lines).flat()].join(end);
      expect(await readTableInTurns(text, namesIn)).toEqual(readTable(text, namesIn));
    }),
    { numRuns: 120 },
  );
});
