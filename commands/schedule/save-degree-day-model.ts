import { done, issuesOf, refuse, type Issue, type Result } from '@/lib/result';
import { command } from '@/commands/command';
import { note } from '@/commands/guide/own-entry';
import { numberAt, typed } from '@/lib/units/typed';
import { uuid } from '@/lib/ids';
import { heatModelSchema } from '@/core/season/heat-schema';
import { customKey } from '@/core/settings/own-key';
import { hostGroups } from '@/knowledge';
import { addEntry } from '@/store/knowledge';
import { z } from 'zod';

/** A sum of heat of the company's own: what it brings, on which hosts, from when, and what that rests on. The same again is its next version. */
export const saveDegreeDayModel = command({
  name: 'save-degree-day-model',
  right: 'edit the guide',
  schema: z.object({
    id: uuid,
    what: z.string().trim().min(3, 'Say what the heat brings about.').max(50, 'At most 50 characters.'),
    hosts: z.array(z.string().max(60)).min(1, 'Say on which host.').max(20, 'At most twenty hosts.'),
    baseC: typed,
    /** Empty where heat counts however hot it is. */
    ceilingC: typed,
    method: z.enum(['single-sine', 'average']),
    sum: typed,
    /** Empty: from the new year; else what somebody must see first. */
    from: z.string().trim().max(80, 'At most 80 characters.'),
    basis: note,
    /** It is told no more; what it was stays on record. */
    retired: z.boolean().default(false),
  }),
  once: (x) => x.id,
  run: async ({ viewer }, x): Promise<Result> => {
    const issues: Issue[] = [];
    const baseC = numberAt(issues, 'baseC', x.baseC, { name: 'The base', min: 0, max: 20, unit: '°C' });
    const ceiling = { name: 'The ceiling', min: 15, max: 45, unit: '°C' };
    const ceilingC = numberAt(issues, 'ceilingC', x.ceilingC, ceiling, true);
    const sum = numberAt(issues, 'sum', x.sum, { name: 'The sum', above: 0, max: 3000, unit: 'degree-days °C' });
    const strange = x.hosts.find((h) => !hostGroups().has(h));
    if (strange) issues.push({ path: 'hosts', message: `There is no host or group “${strange}”.` });
    if (x.from && x.from.length < 5)
      issues.push({ path: 'from', message: 'Say in a few words what must be seen first.' });
    if (baseC !== null && ceilingC !== null && ceilingC <= baseC)
      issues.push({
        path: 'ceilingC',
        message: 'The ceiling must be above the base: heat between the two is what counts.',
      });
    if (issues.length) return { ok: false, issues };
    const read = heatModelSchema.safeParse({
      id: customKey(x.what),
      what: x.what,
      condition: null,
      hosts: x.hosts,
      baseC,
      ...(ceilingC === null ? {} : { ceilingC }),
      method: x.method,
      from: x.from || 'new year',
      sum,
      basis: x.basis.length < 10 ? `${x.basis}, the company’s own` : x.basis.slice(0, 200),
    });
    if (!read.success) return { ok: false, issues: issuesOf(read.error) };
    if (read.data.id === 'own-') return refuse('what', 'Say in letters what the heat brings about.');
    await addEntry(viewer, {
      id: x.id,
      kind: 'heat',
      key: read.data.id,
      data: x.retired ? { retired: true } : read.data,
      note: x.basis,
    });
    return done;
  },
});
