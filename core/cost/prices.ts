import type { Minor } from './value';

/** What an outfit asks for its work, in minor units; the products bring their own price. */
export interface Prices {
  currency: string;
  /** Coming out at all. */
  visit: Minor;
  /** An hour of one person. */
  hour: Minor;
  /** One device in a trunk, set and pulled. */
  device: Minor;
  /** Felling, stump, and a new tree with two years of water. */
  removeAndReplant: Minor;
  /** Yearly discount, as a share. */
  discount: number;
}
export const USUAL_PRICES: Prices = {
  currency: 'GBP',
  visit: 6500,
  hour: 5200,
  device: 350,
  removeAndReplant: 185_000,
  discount: 0.04,
};
/** All that reading an amount needs to know of the prices. */
export type Currency = Pick<Prices, 'currency'>;

const formats = new Map<string, Intl.NumberFormat>();
function inCurrency(currency: string, digits?: 0): Intl.NumberFormat {
  const key = `${currency} ${digits ?? ''}`;
  const known =
    formats.get(key) ??
    new Intl.NumberFormat('en-GB', {
      style: 'currency',
      currency,
      ...(digits === undefined ? {} : { maximumFractionDigits: digits }),
    });
  formats.set(key, known);
  return known;
}
/** Minor units in one unit of a currency: 100 of most, 1 of the yen, 1000 of some dinars. */
export const minorPer = ({ currency }: Currency): number =>
  10 ** (inCurrency(currency).resolvedOptions().maximumFractionDigits ?? 2);
/** An amount as people type and read it, without its currency. */
export const inMajor = (minor: Minor, p: Currency): number => minor / minorPer(p);
/** An amount that somebody typed, to the nearest minor unit. */
export const inMinor = (major: number, p: Currency): Minor => Math.round(major * minorPer(p));

/** An amount of money as an estimate is read: without its minor units. */
export const money = (minor: Minor, p: Currency): string => inCurrency(p.currency, 0).format(inMajor(minor, p));
/** A price that was named, to the last minor unit. */
export const exactMoney = (minor: Minor, p: Currency): string => inCurrency(p.currency).format(inMajor(minor, p));
