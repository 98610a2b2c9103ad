import type { z } from 'zod';
import type { Sign } from '@/core/diagnose/knowledge';
import type { CUSTOM_SCHEMAS } from '@/core/custom/overlay';
import type { PartOfTree } from '@/core/diagnose/words';
import { customKey } from '@/core/settings/own-key';

export const NO_SIGN = {
  words: '',
  worst: '',
  place: 'leaves' as PartOfTree,
  group: '',
  idle: '0.02',
  lasts: false,
  danger: '',
  note: '',
};
/** Signs of a name that is longer are cut: an id has sixty at most. */
const NAMED = 40;

/** The form as an entry fills it. */
export const signForm = (s: Sign): typeof NO_SIGN => ({
  ...NO_SIGN,
  words: s.words,
  worst: s.worst,
  place: s.place,
  group: s.groups[0] ?? '',
  idle: String(s.idle),
  lasts: s.lasts,
  danger: s.danger ?? '',
});

/** The entry that a form says; of one that is changed stays what has no field. */
export const signEntry = (form: typeof NO_SIGN, begin: Sign | null): z.input<(typeof CUSTOM_SCHEMAS)['sign']> => ({
  ...begin,
  id: begin?.id ?? customKey(form.words.slice(0, NAMED)),
  place: form.place,
  words: form.words,
  worst: form.worst,
  groups: form.group ? [form.group, ...(begin?.groups.slice(1) ?? [])] : [],
  idle: Number(form.idle),
  lasts: form.lasts,
  danger: form.danger || undefined,
});
