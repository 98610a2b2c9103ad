'use server';

import { revalidatePath } from 'next/cache';
import { z } from 'zod';
import { uuid } from '@/core/book/record';
import { ROLES } from '@/core/people/rights';
import { addPerson, changePerson, setPrices, setSchools } from '@/store/people';
import type { Fault } from '@/core/book/write';
import { act, done, refuse } from '@/app/_server/act';
import { pgCode } from '@/store/db';
import { numberAt, typed } from '@/app/_server/typed';

const licence = z.string().trim().max(80, 'At most 80 signs.');

export const newPerson = act(
  'manage people',
  z.object({
    id: uuid,
    name: z.string().trim().min(1, 'The name is missing.').max(120, 'At most 120 signs.'),
    email: z.email('That is no e-mail address.').max(200),
    role: z.enum(ROLES),
    password: z.string().min(10, 'A password has at least ten signs.').max(200, 'At most 200 signs.'),
  }),
  async (v, p) => {
    try {
      await addPerson(v, { ...p, email: p.email.toLowerCase() });
    } catch (error) {
      if (pgCode(error) === '23505') return refuse('email', 'Somebody signs in with this address already.');
      throw error;
    }
    revalidatePath('/people');
    return done;
  },
);

export const editPerson = act(
  'manage people',
  z.object({
    id: uuid,
    role: z.enum(ROLES),
    licenceNumber: licence,
    licenceCategories: z.string().max(300, 'At most 300 signs.'),
    licenceExpires: z.union([z.literal(''), z.iso.date('Give a day that exists, like 2027-03-31.')]),
    active: z.boolean(),
  }),
  async (v, p) => {
    if (p.licenceNumber && !p.licenceExpires) return refuse('licenceExpires', 'Say until when the licence runs.');
    const sentence = await changePerson(v, {
      ...p,
      licenceNumber: p.licenceNumber || null,
      licenceCategories: p.licenceCategories
        .split(',')
        .map((c) => c.trim())
        .filter(Boolean),
      licenceExpires: p.licenceExpires || null,
    });
    if (sentence) return refuse('', sentence);
    revalidatePath('/', 'layout');
    return done;
  },
);

/** The schools of the outfit, where practitioners disagree; each decision names the one it used. */
export const chooseSchools = act(
  'manage people',
  z.object({
    crownLoss: z.enum(['knowledge', '30', '50']),
    programme: z.enum(['conventional', 'organic', 'threshold']),
    stems: z.enum(['ask', 'sum', 'basal-area', 'each']),
    route: z.enum(['soil first', 'injection first', 'spray or physical first']),
    frequency: z.enum(['yearly, small', 'every 2–3 years']),
    rootZone: z.enum(['12', '18']),
    woundDressing: z.enum(['none', 'wilt region', 'always on oak']),
    sticky: z.enum(['on a wrap', 'never']),
    mesh: z.enum(['metal', 'plastic']),
  }),
  async (v, s) => {
    await setSchools(v, {
      ...s,
      crownLoss: s.crownLoss === 'knowledge' ? 'knowledge' : s.crownLoss === '30' ? 30 : 50,
    });
    revalidatePath('/', 'layout');
    return done;
  },
);

/** What the outfit asks for its work, typed in whole money and a yearly percentage. */
export const keepPrices = act(
  'manage people',
  z.object({
    currency: z.string().regex(/^[A-Z]{3}$/, 'Three letters, like GBP or EUR.'),
    visit: typed,
    hour: typed,
    device: typed,
    removeAndReplant: typed,
    discount: typed,
  }),
  async (v, p) => {
    const faults: Fault[] = [];
    const money = (path: 'visit' | 'hour' | 'device' | 'removeAndReplant', name: string) =>
      Math.round((numberAt(faults, path, p[path], { name, min: 0, max: 1e6 }) ?? 0) * 100);
    const discount = numberAt(faults, 'discount', p.discount, { name: 'The discount', min: 0, max: 30, unit: '%' });
    const prices = {
      currency: p.currency,
      visit: money('visit', 'The visit'),
      hour: money('hour', 'The hour'),
      device: money('device', 'The device'),
      removeAndReplant: money('removeAndReplant', 'Removing and replanting'),
      discount: (discount ?? 0) / 100,
    };
    if (faults.length) return { ok: false as const, faults };
    await setPrices(v, prices);
    revalidatePath('/', 'layout');
    return done;
  },
);
