import { dayAfter } from '@/lib/calendar/days';
import { dayIn, type LocalDate } from '@/lib/calendar/zone';
import { fair } from '@/stand-ins/weather/fair';
import { clockNow } from '@/store/clock';
import { connect } from '@/store/db';
import { yearOf } from '@/lib/calendar/months';

// Commands of the loader write where the loader does, whatever database its caller has in hand.
process.env.DATABASE_URL = process.env.DATABASE_OWNER_URL;
export const sql = connect(process.env.DATABASE_OWNER_URL!, 1);

export const ZONE = 'Europe/London';
export const today = dayIn(clockNow(), ZONE);
/** What was done was done on days that suited it. */
export const station = fair({ lat: null, lon: null });
export const ago = (days: number): LocalDate => dayAfter(today, -days, 'days');
export const at = (day: LocalDate, hour = 10) => new Date(`${day}T${String(hour).padStart(2, '0')}:00:00Z`);
/** The newest 15 June (or another day) at least `years` seasons back and in the past. */
export const seasonDay = (monthDay: string, years: number): LocalDate => {
  const y = yearOf(today);
  const last = `${y}-${monthDay}` < today ? y : y - 1;
  return `${last - years}-${monthDay}`;
};

type Row = Record<string, unknown>;
/** Rows of the sample by table, in the order in which they were made. */
export const rows: Record<string, Row[]> = {};
export const put = (table: string, row: Row) => (rows[table] ??= []).push(row);

/** Tables in an order in which each finds what it belongs to. */
const TABLES = [
  'company',
  'person',
  'crew',
  'crew_person',
  'client',
  'site',
  'gate_code',
  'tree',
  'stage_note',
  'measurement',
  'inspection',
  'finding',
  'test_result',
  'plan_change',
  'diagnosis',
  'label',
  'label_check',
  'vessel',
  'sprayer',
  'lot',
  'equipment',
  'stock_level',
  'treatment_plan',
  'work_plan',
  'record',
  'stock_move',
  'follow_up',
];

/** Writes all rows in one transaction. */
export async function writeRows(): Promise<void> {
  const forgotten = Object.keys(rows).filter((t) => !TABLES.includes(t));
  if (forgotten.length) throw new Error(`No place in the order for ${forgotten.join(', ')}.`);
  await sql.begin(async (tx) => {
    for (const table of TABLES)
      for (let i = 0; i < (rows[table]?.length ?? 0); i += 400) {
        const part = rows[table]!.slice(i, i + 400);
        const columns = [...new Set(part.flatMap((r) => Object.keys(r)))];
        await tx`insert into ${tx(table)} ${tx(part.map((r) => Object.fromEntries(columns.map((c) => [c, r[c] ?? null]))) as never)}`;
      }
  });
}
