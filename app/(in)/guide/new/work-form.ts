import type { z } from 'zod';
import type { OptionMethod } from '@/core/diagnose/knowledge';
import type { CUSTOM_SCHEMAS } from '@/core/custom/overlay';
import { customKey } from '@/core/settings/own-key';
import type { CustomWork } from '@/core/work/own-work-schema';

export const NO_WORK = {
  name: '',
  method: 'sanitation' as OptionMethod,
  condition: '',
  counted: '',
  usual: '1',
  steps: '',
  take: '',
  before: '',
  from: '1',
  to: '12',
  cuts: false,
  once: '10',
  each: '1',
  again: '',
  days: '',
  note: '',
};
const lines = (text: string) => text.split('\n').flatMap((l) => l.trim() || []);
/** What goes onto the truck, a line each: “Ladder: 1”. */
const taken = (text: string) =>
  lines(text).map((l) => {
    const [what, ...amount] = l.split(':');
    return { what: what!.trim(), amount: amount.join(':').trim() || '1 set' };
  });

/** The form as an entry fills it. */
export const workForm = (w: CustomWork): typeof NO_WORK => ({
  name: w.name,
  method: w.method,
  condition: w.conditions[0] ?? '',
  counted: w.counted.what,
  usual: String(w.counted.usual),
  steps: w.steps.join('\n'),
  take: w.take.map((t) => `${t.what}: ${t.amount}`).join('\n'),
  before: w.before.join('\n'),
  from: String(w.months[0]),
  to: String(w.months[1]),
  cuts: w.cuts,
  once: String(w.minutes.once),
  each: String(w.minutes.each),
  again: w.again?.what ?? '',
  days: w.again ? String(w.again.days) : '',
  note: '',
});

/** The entry that a form says, with what it rests on. */
export const workEntry = (
  form: typeof NO_WORK,
  begin: CustomWork | null,
): z.input<(typeof CUSTOM_SCHEMAS)['work']> => ({
  id: begin?.id ?? customKey(form.name),
  name: form.name,
  method: form.method,
  conditions: form.condition ? [form.condition, ...(begin?.conditions.slice(1) ?? [])] : [],
  counted: { what: form.counted, usual: Number(form.usual) },
  steps: lines(form.steps),
  take: taken(form.take),
  before: lines(form.before),
  months: [Number(form.from), Number(form.to)],
  cuts: form.cuts,
  minutes: { once: Number(form.once), each: Number(form.each) },
  again: form.again ? { what: form.again, days: Number(form.days) } : null,
  basis: form.note,
});
