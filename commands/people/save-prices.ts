import { done, type Issue } from '@/lib/result';
import { command } from '@/commands/command';
import { numberAt, typed } from '@/lib/units/typed';
import { inMinor } from '@/core/cost/prices';
import { setPrices } from '@/store/people';
import { z } from 'zod';

/** What the company asks for its work, typed in whole money and a yearly percentage. */
export const savePrices = command({
  name: 'save-prices',
  right: 'manage people',
  schema: z.object({
    currency: z.string().regex(/^[A-Z]{3}$/, 'Three letters, like GBP or EUR.'),
    visit: typed,
    hour: typed,
    device: typed,
    removeAndReplant: typed,
    discount: typed,
  }),
  run: async ({ viewer }, p) => {
    const issues: Issue[] = [];
    const money = (path: 'visit' | 'hour' | 'device' | 'removeAndReplant', name: string) =>
      inMinor(numberAt(issues, path, p[path], { name, min: 0, max: 1e6 }) ?? 0, p);
    const discount = numberAt(issues, 'discount', p.discount, { name: 'The discount', min: 0, max: 30, unit: '%' });
    const prices = {
      currency: p.currency,
      visit: money('visit', 'The visit'),
      hour: money('hour', 'The hour'),
      device: money('device', 'The device'),
      removeAndReplant: money('removeAndReplant', 'Removing and replanting'),
      discount: (discount ?? 0) / 100,
    };
    if (issues.length) return { ok: false as const, issues };
    await setPrices(viewer, prices);
    return done;
  },
});
