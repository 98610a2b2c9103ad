import { z } from 'zod';
import { typed } from '@/lib/units/typed';

/** What others put down, as the forms of a place and of a tree ask for it; actives are compared without regard to case. */
export const putDown = {
  active: z.string().trim().toLowerCase().min(2, 'Name the active ingredient.').max(80, 'At most 80 characters.'),
  grams: typed,
  onDay: z.iso.date('Give a day that exists, like 2026-05-14.'),
  who: z.string().trim().min(1, 'Say who put it down.').max(120, 'At most 120 characters.'),
};
