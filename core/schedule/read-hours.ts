import { z } from 'zod';
import { WEEKDAYS, type HoursRule } from './hours';

const clock = z.number().int().min(0).max(1440);
const hoursRule = z
  .strictObject({
    days: z.array(z.number().int().min(1).max(7)).min(1).max(7),
    hours: z.strictObject({ from: clock, to: clock }).nullable(),
    between: z.strictObject({ from: z.iso.date(), to: z.iso.date() }).nullable(),
  })
  .refine((r) => !r.hours || r.hours.from < r.hours.to, 'it ends before it begins')
  .refine((r) => !r.between || r.between.from <= r.between.to, 'its last day lies before its first');

const LINE =
  /^(?:(\d{4}-\d{2}-\d{2}) to (\d{4}-\d{2}-\d{2})\s+)?([A-Za-z, –-]+?)\s+(?:(\d{1,2}):(\d{2})\s*[–-]\s*(\d{1,2}):(\d{2})|closed)$/;

/** Days of the week from words; null where one is no day. */
function readDays(words: string): number[] | null {
  const out = new Set<number>();
  for (const part of words.split(',').map((p) => p.trim())) {
    const ends = part
      .split(/\s*[–-]\s*/)
      .map((n) => WEEKDAYS.findIndex((name) => n.toLowerCase().startsWith(name.toLowerCase())) + 1);
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
