import { issuesOf, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { regionKey } from '@/commands/rules/region-key';
import { regionFor } from '@/facts/region';
import { numberAt, typed } from '@/lib/units/typed';
import { DISEASED_TOO, PRESENCE, regionSchema } from '@/core/gates/region';
import { METHOD_NAMES, METHODS } from '@/core/label/methods';
import { conditions } from '@/knowledge';
import { insertRegion } from '@/store/people';
import { v7 } from 'uuid';
import { z } from 'zod';

const lines = z.string().max(8000, 'At most 8000 characters.');

const rows = (text: string) =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);

const commas = (text: string) =>
  text
    .split(',')
    .map((x) => x.trim())
    .filter(Boolean);

/** The region profile, typed by an owner; what cannot be read is named with its line. */
export const saveRegion = command({
  name: 'save-region',
  right: 'manage people',
  schema: z.object({
    /** The profile that is meant; the company's own region where nothing is said. */
    key: regionKey.optional(),
    name: z.string().trim().min(2, 'Give the region a name.').max(80, 'At most 80 characters.'),
    water: typed,
    boundary: typed,
    beeTrees: z.string().max(600, 'At most 600 characters.'),
    banned: lines,
    reserved: lines,
    closed: lines,
    bannedUses: lines,
    presence: lines,
    reportable: z.string().max(4000, 'At most 4000 characters.'),
    licenceClasses: z.string().max(600, 'At most 600 characters.'),
    recordFields: z.string().max(600, 'At most 600 characters.'),
    notifyMethods: z.array(z.enum(METHODS)).max(20),
    notifyHours: typed,
    checkMonths: typed,
    recordYears: typed,
    licenceNeeded: z.boolean(),
  }),
  run: async ({ viewer }, f): Promise<Result<{ version: number }>> => {
    const issues: Issue[] = [];
    const number = (path: keyof typeof f, name: string, max: number, min = 0) =>
      numberAt(issues, path, String(f[path]), { name, min, max }) ?? 0;
    const split = <T>(
      path: 'banned' | 'reserved' | 'closed' | 'bannedUses' | 'presence',
      form: string,
      read: (head: string[], why: string) => T | null,
    ) =>
      rows(f[path]).flatMap((line, i) => {
        const cut = line.indexOf(':');
        const why = line.slice(cut + 1).trim();
        const made =
          cut > 0 && why
            ? read(
                line
                  .slice(0, cut)
                  .split('|')
                  .map((x) => x.trim()),
                why,
              )
            : null;
        if (made === null) issues.push({ path, message: `Line ${i + 1} should read “${form}”.` });
        return made === null ? [] : [made];
      });
    const condition = (name: string) =>
      conditions.find((c) => [c.id, c.name.toLowerCase()].includes(name.trim().toLowerCase()))?.id ?? null;
    const reportable = rows(f.reportable).flatMap((name, i) => {
      const id = condition(name);
      if (id === null)
        issues.push({ path: 'reportable', message: `Line ${i + 1}: the field guide knows no “${name}”.` });
      return id ?? [];
    });
    const data = {
      ...regionFor(viewer, f.key ?? null),
      name: f.name,
      minWaterDistanceM: number('water', 'The distance to water', 500),
      minBoundaryDistanceM: number('boundary', 'The distance to the boundary', 100),
      soilSystemicForbiddenOn: commas(f.beeTrees).map((x) => x.toLowerCase()),
      licenceClasses: commas(f.licenceClasses),
      recordFields: commas(f.recordFields),
      reportable,
      bannedUses: split('bannedUses', 'method | hosts: why', ([name, hosts], why) => {
        const method = METHODS.find((m) => METHOD_NAMES[m].toLowerCase() === name?.toLowerCase());
        return method ? { method, hosts: commas(hosts ?? '').map((h) => h.toLowerCase()), why } : null;
      }),
      presence: Object.fromEntries(
        split('presence', 'condition: absent, rare, usual or spreading', ([name], how) => {
          const id = condition(name ?? '');
          const x = how in PRESENCE ? PRESENCE[how as keyof typeof PRESENCE] : Number(how);
          return id && Number.isFinite(x) ? ([id, x] as const) : null;
        }),
      ),
      banned: split('banned', 'active: why', ([active], why) => (active ? { active, why } : null)),
      reserved: split('reserved', 'active | licence class: why', ([active, category], why) =>
        active && category ? { active, category, why } : null,
      ),
      closedSeasons: split(
        'closed',
        `hosts | 04-01 | 07-31: why, or hosts | 04-01 | 07-31 | ${DISEASED_TOO}: why`,
        (part, why) => {
          const [hosts, from, to, scope] = part;
          return hosts && from && to && (scope === undefined || scope === DISEASED_TOO)
            ? { hosts: commas(hosts).map((h) => h.toLowerCase()), from, to, why, diseaseCuts: scope === undefined }
            : null;
        },
      ),
      notify: f.notifyHours.trim()
        ? { methods: f.notifyMethods, hours: number('notifyHours', 'The hours of notice', 720) }
        : null,
      labelCheckMonths: number('checkMonths', 'The months a check holds', 120, 1),
      recordYears: number('recordYears', 'The years records are kept', 50, 1),
      licenceNeeded: f.licenceNeeded,
    };
    const read = regionSchema.safeParse(data);
    if (!read.success)
      issues.push(
        ...issuesOf(read.error).map((x) => ({
          path: x.path.startsWith('closedSeasons') ? 'closed' : x.path.split('.')[0]!,
          message: `${x.path}: ${x.message}.`,
        })),
      );
    if (issues.length || !read.success) return { ok: false, issues };
    const version = await insertRegion(viewer, v7(), f.key ?? viewer.region, read.data);
    return { ok: true, value: { version } };
  },
});
