import { refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { name } from '@/commands/sites/name';
import { stale } from '@/commands/stale';
import { numberAt, typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { may } from '@/core/people/rights';
import { readNumber } from '@/lib/units/numbers';
import { readHours } from '@/core/schedule/read-hours';
import { AREA, LENGTH } from '@/lib/units/units';
import { regionKey } from '@/commands/rules/region-key';
import { getSite, upsertSite, type SiteInput } from '@/store/sites';
import { z } from 'zod';

const zones = new Set(Intl.supportedValuesOf('timeZone'));

const siteSchema = z.object({
  id: uuid,
  clientId: z.string().refine((x) => uuid.safeParse(x).success, 'Choose the client.'),
  name: name('A place'),
  address: z.string().trim().max(300, 'At most 300 characters.'),
  timeZone: z.string().refine((z) => zones.has(z) || z === 'UTC', 'Choose a time zone from the list.'),
  /** Empty where the place has the region of the company. */
  region: z.union([z.literal(''), regionKey]),
  outline: z.string().max(20_000, 'At most a few hundred corners.'),
  area: typed,
  areaUnit: z.enum(['m²', 'ft²']),
  soilTexture: z.enum(['sandy', 'loam', 'clay']),
  water: typed,
  noWater: z.boolean(),
  distanceUnit: z.enum(['m', 'ft']),
  firstPicking: z.union([z.literal(''), z.iso.date('Give a day that exists, like 2026-09-25.')]),
  lastPicking: z.union([z.literal(''), z.iso.date('Give a day that exists, like 2026-10-25.')]),
  pickings: z.string().max(2000, 'At most 2000 characters.'),
  /** Hours at which one may be there, one rule a line. */
  hours: z.string().max(2000, 'At most 2000 characters.').default(''),
  access: z.string().max(1000, 'At most 1000 characters.'),
  hazards: z.string().max(1000, 'At most 1000 characters.'),
  dogs: z.string().max(300, 'At most 300 characters.'),
  notes: z.string().max(4000, 'At most 4000 characters.'),
  gateCode: z.string().trim().max(60, 'At most 60 characters.').nullable(),
  /** Null for a new place. */
  basedOn: z.number().int().min(1).nullable(),
});

/** Corners as “lat, lon” lines. */
function readOutline(text: string, issues: Issue[]): { lat: number; lon: number }[] | null {
  const lines = text.split('\n').filter((l) => l.trim());
  if (!lines.length) return null;
  const corners = lines.map((l, i) => {
    const [a = '', b = ''] = l.trim().split(/[\s;]+|,\s*/);
    const lat = readNumber(a, { name: `Corner ${i + 1}: the latitude`, min: -90, max: 90 });
    const lon = readNumber(b, { name: `Corner ${i + 1}: the longitude`, min: -180, max: 180 });
    for (const r of [lat, lon])
      if (!r.ok && !issues.some((f) => f.path === 'outline')) issues.push({ path: 'outline', message: r.sentence });
    return { lat: lat.ok ? lat.value : 0, lon: lon.ok ? lon.value : 0 };
  });
  if (corners.length < 3)
    issues.push({
      path: 'outline',
      message: 'An outline needs at least three corners, one a line: latitude, longitude.',
    });
  return corners;
}

/** Spans of varieties as “name: day to day” lines. */
function readPickings(text: string, issues: Issue[]): { variety: string; from: string; to: string }[] {
  const issue = (line: number, why: string) =>
    issues.push({
      path: 'pickings',
      message: `Line ${line}: ${why} Write it like “Bittersweet: 2026-09-20 to 2026-10-15”.`,
    });
  return text
    .split('\n')
    .filter((l) => l.trim())
    .flatMap((l, i) => {
      const [, variety, from, to] = /^\s*(.{1,80}?)\s*:\s*(\S+)\s+to\s+(\S+)\s*$/.exec(l) ?? [];
      const days = [from, to].map((d) => z.iso.date().safeParse(d).success);
      if (!variety || !from || !to) issue(i + 1, 'a name, a first and a last day are needed.');
      else if (!days.every(Boolean)) issue(i + 1, 'there is no such day.');
      else if (to < from) issue(i + 1, 'picking ends before it begins.');
      else return [{ variety, from, to }];
      return [];
    });
}

export const saveSite = command({
  name: 'save-site',
  right: 'edit grounds',
  schema: siteSchema,
  run: async ({ viewer }, p): Promise<Result<{ id: string }>> => {
    const issues: Issue[] = [];
    const number = (path: string, text: string, rule: Parameters<typeof numberAt>[3]) =>
      numberAt(issues, path, text, rule, true);
    const perArea = p.areaUnit === 'm²' ? 1 : AREA['ft²'];
    const area = number('area', p.area, {
      name: 'The area',
      above: 0,
      max: Math.round(1e8 / perArea),
      unit: p.areaUnit,
    });
    const water = number('water', p.water, {
      name: 'The distance to water',
      min: 0,
      max: 100_000,
      unit: p.distanceUnit,
    });
    const outline = readOutline(p.outline, issues);
    const pickings = readPickings(p.pickings, issues);
    if (p.lastPicking && !p.firstPicking)
      issues.push({ path: 'firstPicking', message: 'A last picking needs its first.' });
    if (p.lastPicking && p.firstPicking && p.lastPicking < p.firstPicking)
      issues.push({ path: 'lastPicking', message: 'The last picking comes after the first.' });
    const hours = readHours(p.hours);
    if (!hours.ok) issues.push({ path: 'hours', message: hours.sentence });
    if (issues.length) return { ok: false, issues };
    const wanted: SiteInput = {
      id: p.id,
      clientId: p.clientId,
      name: p.name,
      address: p.address,
      timeZone: p.timeZone,
      region: p.region || null,
      outline,
      areaM2: area === null ? null : area * perArea,
      soilTexture: p.soilTexture,
      waterM: p.noWater ? -1 : water === null ? null : p.distanceUnit === 'm' ? water : (water * LENGTH.ft) / 100,
      firstPicking: p.firstPicking || null,
      lastPicking: p.lastPicking || null,
      pickings,
      hours: hours.ok ? hours.rules : [],
      access: p.access,
      hazards: p.hazards,
      dogs: p.dogs,
      notes: p.notes,
      // Who may not see the code cannot change it either.
      gateCode: may(viewer.role, 'see gate codes') ? p.gateCode : null,
      basedOn: p.basedOn,
    };
    if (await upsertSite(viewer, wanted)) return { ok: true, value: { id: p.id } };
    const now = await getSite(viewer, p.id);
    return now
      ? stale(
          'this place',
          { ...now, water: now.waterM },
          { ...wanted, water: wanted.waterM },
          {
            name: 'The name',
            address: 'The address',
            timeZone: 'The time zone',
            region: 'The region',
            soilTexture: 'The soil',
            water: 'The distance to water, in metres,',
            firstPicking: 'The first picking',
            lastPicking: 'The last picking',
            outline: 'The outline',
            pickings: 'The list of varieties',
            hours: 'The list of hours',
            access: 'The access',
            hazards: 'What is said of hazards',
            dogs: 'What is said of dogs',
            notes: 'The note',
          },
        )
      : refuse('', 'There is no such place in this company.');
  },
});
