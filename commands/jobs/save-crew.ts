import { refuse, type Issue, type Result } from '@/lib/result';
import { name } from '@/commands/sites/name';
import { command } from '@/commands/command';
import { stale } from '@/commands/stale';
import { uuid } from '@/lib/ids';
import { hoursText } from '@/core/schedule/hours';
import { readHours } from '@/core/schedule/read-hours';
import { listPeople } from '@/store/people';
import { listCrews, upsertCrew } from '@/store/crew-days';
import { z } from 'zod';

/** A position as “50.33, −4.12”; empty: nobody has said. */
function readYard(text: string): { lat: number; lon: number } | null | 'unread' {
  if (!text.trim()) return null;
  const m = /^\s*([-−]?\d{1,2}(?:\.\d+)?)\s*[,;\s]\s*([-−]?\d{1,3}(?:\.\d+)?)\s*$/.exec(text);
  if (!m) return 'unread';
  const [lat, lon] = [m[1]!, m[2]!].map((n) => Number(n.replace('−', '-'))) as [number, number];
  return Math.abs(lat) <= 90 && Math.abs(lon) <= 180 ? { lat, lon } : 'unread';
}

/** A crew: who goes out together, when, from where, and how many it takes. */
export const saveCrew = command({
  name: 'save-crew',
  right: 'plan rounds',
  schema: z.object({
    id: uuid,
    name: name('A crew'),
    personIds: z.array(uuid).max(12, 'At most 12 people.'),
    /** One rule a line. */
    hours: z.string().max(1000, 'At most 1000 characters.'),
    yard: z.string().max(60, 'At most 60 characters.'),
    least: z.number().int().min(1, 'At least one.').max(12, 'At most 12.'),
    active: z.boolean(),
    /** The version that the form rests on; null for a new crew. */
    basedOn: z.number().int().min(1).nullable(),
  }),
  run: async ({ viewer }, p): Promise<Result<{ id: string }>> => {
    const issues: Issue[] = [];
    const hours = readHours(p.hours);
    if (!hours.ok) issues.push({ path: 'hours', message: hours.sentence });
    else if (!hours.rules.some((r) => r.hours))
      issues.push({ path: 'hours', message: 'Say when it works, like “Mon–Fri 07:30–16:30”.' });
    const yard = readYard(p.yard);
    if (yard === 'unread')
      issues.push({ path: 'yard', message: 'Write where it starts as latitude, longitude: 50.3312, −4.1205.' });
    const people = await listPeople(viewer);
    const here = p.personIds.filter((id) => people.some((x) => x.id === id && x.active));
    if (here.length < p.personIds.length)
      issues.push({ path: 'personIds', message: 'Somebody among them does not work here.' });
    if (p.active && here.length < p.least)
      issues.push({ path: 'personIds', message: `It goes out with ${p.least}, and has ${here.length}.` });
    if (issues.length || !hours.ok || yard === 'unread') return { ok: false, issues };
    const wanted = {
      id: p.id,
      name: p.name,
      hours: hours.rules,
      yardLat: yard?.lat ?? null,
      yardLon: yard?.lon ?? null,
      least: p.least,
      active: p.active,
      personIds: here,
      basedOn: p.basedOn,
    };
    if (await upsertCrew(viewer, wanted)) return { ok: true, value: { id: p.id } };
    const now = (await listCrews(viewer)).find((c) => c.id === p.id);
    return now
      ? stale(
          'this crew',
          { ...now, hours: hoursText(now.hours) },
          { ...wanted, hours: hoursText(wanted.hours) },
          { name: 'The name', hours: 'The hours', least: 'The least number', active: 'Whether it goes out' },
        )
      : refuse('', 'There is no such crew in this company.');
  },
});
