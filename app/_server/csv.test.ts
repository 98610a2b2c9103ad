import { readTable } from '@/core/exchange/table';
import { csv } from './csv';

const written = async (rows: (string | number | null)[][]) => {
  async function* parts() {
    yield rows;
  }
  let text = '';
  for await (const piece of csv(['Tag', 'Note', 'Amount'], parts())) text += piece;
  return text;
};

it('is known for UTF-8, keeps figures clean, and is split by no separator', async () => {
  const text = await written([['1', 'a;=1+1', 11400.000000000002]]);
  expect(text.startsWith('\ufeff"Tag"')).toBe(true);
  expect(text).toContain('"a;=1+1"');
  expect(text.trim().endsWith(',11400')).toBe(true);
});

it('comes back in cell for cell, formulas as they were typed', async () => {
  const rows = [
    ['Höhe', '=1+1', 2],
    ['-4', 'a "quoted" word,\nover two lines', 0.1],
  ];
  const table = readTable(await written(rows), () => 3);
  expect(table.issues).toEqual([]);
  expect(table.rows.map((r) => Object.values(r.cells))).toEqual(rows.map((r) => r.map(String)));
});

it('a formula over several lines is guarded as one of a single line is, whatever breaks the lines', async () => {
  for (const line of ['\n', '\r\n', '\r', '\u2028'])
    for (const first of ['=', '+', '-', '@', '\t'])
      expect(await written([['1', `${first}HYPERLINK("x")${line}second`, 1]])).toContain(`"'${first}HYPERLINK`);
});
