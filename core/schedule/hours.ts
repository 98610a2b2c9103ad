import { z } from 'zod';
import type { Day } from '../season/zone';
import type { Hours } from './problem';

/** Hours of some days of the week, all through the year or between two days; those between days go before the others. */
const clock = z.number().int().min(0).max(1440);
export const hoursRule = z
  .strictObject({
    /** 1 is Monday. */
    days: z.array(z.number().int().min(1).max(7)).min(1).max(7),
    /** Null: closed on those days. */
    hours: z.strictObject({ from: clock, to: clock }).nullable(),
    between: z.strictObject({ from: z.iso.date(), to: z.iso.date() }).nullable(),
  })
  .refine((r) => !r.hours || r.hours.from < r.hours.to, 'it ends before it begins')
  .refine((r) => !r.between || r.between.from <= r.between.to, 'its last day lies before its first');
export type HoursRule = z.infer<typeof hoursRule>;
export const hoursRules = z.array(hoursRule).max(40);

const NAMES = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
/** Day of the week of a calendar day, 1 for Monday. */
export const weekdayOf = (day: Day): number => ((new Date(`${day}T00:00:00Z`).getUTCDay() + 6) % 7) + 1;

/**
 * Hours of a day. Rules between two days hold instead of those of every week; where no rule names a day, it is closed; where
 * there are no rules at all, `always` holds.
 * @example hoursOn(rules, '2027-05-03', { from: 420, to: 1200 })
 */
export function hoursOn(rules: readonly HoursRule[], day: Day, always: Hours): Hours[] {
  if (!rules.length) return [always];
  const weekday = weekdayOf(day);
  const special = rules.filter((r) => r.between && day >= r.between.from && day <= r.between.to);
  const weekly = rules.filter((r) => !r.between);
  if (!special.length && !weekly.length) return [always];
  return (special.length ? special : weekly)
    .flatMap((r) => (r.hours && r.days.includes(weekday) ? [r.hours] : []))
    .sort((a, b) => a.from - b.from);
}

const two = (n: number) => String(n).padStart(2, '0');
/** A time of day as a clock shows it. @example clockWords(450) // '07:30' */
export const clockWords = (minute: number): string => {
  const whole = Math.round(minute);
  return `${two(Math.floor(whole / 60))}:${two(whole % 60)}`;
};

/** Days of a week as people write them: Mon–Fri, Sat, Sun. */
function daysWords(days: readonly number[]): string {
  const sorted = [...days].sort((a, b) => a - b);
  const runs: number[][] = [];
  for (const d of sorted) {
    const last = runs.at(-1);
    if (last && last.at(-1) === d - 1) last.push(d);
    else runs.push([d]);
  }
  return runs.map((r) => (r.length > 1 ? `${NAMES[r[0]! - 1]}–${NAMES[r.at(-1)! - 1]}` : NAMES[r[0]! - 1])).join(', ');
}

/** Rules as somebody types them, one a line. @example hoursText(rules) // 'Mon–Fri 16:00–20:00' */
export const hoursText = (rules: readonly HoursRule[]): string =>
  rules
    .map(({ days, hours, between }) =>
      [
        between && `${between.from} to ${between.to}`,
        daysWords(days),
        hours ? `${clockWords(hours.from)}–${clockWords(hours.to)}` : 'closed',
      ]
        .filter(Boolean)
        .join(' '),
    )
    .join('\n');

const LINE =
  /^(?:(\d{4}-\d{2}-\d{2}) to (\d{4}-\d{2}-\d{2})\s+)?([A-Za-z, –-]+?)\s+(?:(\d{1,2}):(\d{2})\s*[–-]\s*(\d{1,2}):(\d{2})|closed)$/;

/** Days of the week from words; null where one is no day. */
function readDays(words: string): number[] | null {
  const out = new Set<number>();
  for (const part of words.split(',').map((p) => p.trim())) {
    const ends = part
      .split(/\s*[–-]\s*/)
      .map((n) => NAMES.findIndex((name) => n.toLowerCase().startsWith(name.toLowerCase())) + 1);
    const [from, to = from] = ends;
    if (ends.length > 2 || !from || !to) return null;
    for (let d = from; ; d = (d % 7) + 1) {
      out.add(d);
      if (d === to) break;
    }
  }
  return [...out].sort((a, b) => a - b);
}

/**
 * Hours as somebody types them, one rule a line: “Mon–Fri 16:00–20:00”, “2027-04-03 to 2027-04-18 Mon–Sun 08:00–18:00”,
 * “Sat closed”.
 * @returns the rules, or the first line that cannot be read and why
 */
export function readHours(text: string): { ok: true; rules: HoursRule[] } | { ok: false; sentence: string } {
  const rules: HoursRule[] = [];
  const lines = text.split('\n').map((l) => l.trim());
  for (const [i, line] of lines.entries()) {
    if (!line) continue;
    const no = (why: string) => ({
      ok: false as const,
      sentence: `Line ${i + 1}: ${why} Write it like “Mon–Fri 16:00–20:00”.`,
    });
    const m = LINE.exec(line);
    if (!m) return no('days of the week and hours are needed.');
    const days = readDays(m[3]!);
    if (!days) return no(`“${m[3]}” are no days of the week.`);
    const at = (h: string, min: string) => Number(h) * 60 + Number(min);
    if ([m[5], m[7]].some((min) => Number(min ?? 0) > 59)) return no('an hour has sixty minutes.');
    const read = hoursRule.safeParse({
      days,
      hours: m[4] ? { from: at(m[4], m[5]!), to: at(m[6]!, m[7]!) } : null,
      between: m[1] ? { from: m[1], to: m[2] } : null,
    });
    if (!read.success) {
      const said = read.error.issues[0]!;
      return no(said.code === 'custom' ? `${said.message}.` : 'there is no such day or hour.');
    }
    rules.push(read.data);
  }
  if (rules.length > 40) return { ok: false, sentence: 'At most 40 lines.' };
  return { ok: true, rules };
}
