import type { UseDraft } from '@/core/label/draft';
import { MASS, VOLUME } from '@/lib/units/units';
import { TextField } from '@/ui/controls/controls';
import { Blank } from './blanks.client';

/** A part of the form of a use. */
export interface UsePart {
  use: UseDraft;
  onChange: (change: Partial<UseDraft>) => void;
}
type Text = { [K in keyof UseDraft]: UseDraft[K] extends string ? K : never }[keyof UseDraft];

/** The fields of a use, each by its name in the draft. */
export const fieldsOf = ({ use: f, onChange }: UsePart) => ({
  set: <K extends keyof UseDraft>(k: K, value: UseDraft[K]) => onChange({ [k]: value } as Partial<UseDraft>),
  word: (k: Text, label: string, more: object = {}) => (
    <TextField label={label} path={k} value={f[k]} onChange={(x) => onChange({ [k]: x })} {...more} />
  ),
  blank: (k: Text, name: string, width?: string) => (
    <Blank name={name} value={f[k]} onChange={(x) => onChange({ [k]: x })} width={width} />
  ),
});

export const OF_WORDS = { product: 'product', stock: 'stock solution', active: 'active ingredient' };
export const AMOUNTS = [...Object.keys(VOLUME), ...Object.keys(MASS)];
/** Rows of a list with one of them changed. */
export const by = <T,>(of: readonly T[], i: number, change: Partial<T>) =>
  of.map((x, j) => (j === i ? { ...x, ...change } : x));
