import { dayIn } from '@/lib/calendar/zone';
import Papa from 'papaparse';

/** A cell as a list would write it: days as 2025-05-14, figures with a point. */
const asText = (cell: unknown): string =>
  cell === null || cell === undefined
    ? ''
    : cell instanceof Date
      ? dayIn(cell, 'UTC')
      : String(cell as string | number | boolean);

/** The sheets of a workbook that hold anything, as delimited text; none when it is no workbook. */
export async function sheetsOf(file: File): Promise<{ name: string; csv: string }[]> {
  const { default: readXlsxFile } = await import('read-excel-file/browser');
  try {
    const sheets = await readXlsxFile(file);
    return sheets
      .map((s) => ({
        name: s.sheet,
        csv: Papa.unparse(
          s.data.map((row) => row.map(asText)),
          { delimiter: '\t' },
        ),
      }))
      .filter((s) => s.csv.trim() !== '');
  } catch {
    return [];
  }
}
