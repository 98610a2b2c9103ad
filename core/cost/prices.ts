import type { Minor } from './value';

/** What a company asks for its work, in minor units; the products bring their own price. */
export interface Prices {
  currency: string;
  /** Coming out at all. */
  visit: Minor;
  /** An hour of one person. */
  hour: Minor;
  /** One device in a trunk, set and pulled. */
  device: Minor;
  /** Felling, stump, and a new tree with two years of water, for a trunk of 50 cm ({@link removalOf}). */
  removeAndReplant: Minor;
  /** Yearly discount, as a share. */
  discount: number;
  /** Nobody has entered them yet: they order ways by what they usually cost, and are never told as money. */
  unentered?: true;
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
export type Currency = Pick<Prices, 'currency' | 'unentered'>;

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
export const minorPer = ({ currency }: Pick<Prices, 'currency'>): number =>
  10 ** (inCurrency(currency).resolvedOptions().maximumFractionDigits ?? 2);
/** An amount as people type and read it, without its currency. */
export const inMajor = (minor: Minor, p: Currency): number => minor / minorPer(p);
/** An amount that somebody typed, to the nearest minor unit. */
export const inMinor = (major: number, p: Currency): Minor => Math.round(major * minorPer(p));

/** Why no offer is made while nobody has entered prices. */
export const NO_PRICES = 'No prices are entered yet: an offer names money. Enter them under People first.';

/** An amount of money as an estimate is read: without its minor units; none where the prices behind it are nobody's. */
export const money = (minor: Minor, p: Currency): string =>
  p.unentered ? 'no price entered' : inCurrency(p.currency, 0).format(inMajor(minor, p));
/** A price that was named, to the last minor unit. */
export const exactMoney = (minor: Minor, p: Currency): string => inCurrency(p.currency).format(inMajor(minor, p));

/** The trunk, cm, that a company names its price of removal for. */
export const REMOVAL_CM = 50;
/** Of that price, the new tree and its water: the same whatever stood there before. */
const REPLANTING = 0.25;

/**
 * What it costs to remove a tree of this trunk and to plant another: the wood to be felled and ground grows faster than the
 * trunk, the new tree does not (a practice figure: with the power of one and a half).
 * @param diameterCm trunk at breast height; null where it was not measured: the price as it was named
 * @example removalOf(USUAL_PRICES, 50) // 185_000
 */
export const removalOf = ({ removeAndReplant }: Prices, diameterCm: number | null): Minor =>
  diameterCm === null
    ? removeAndReplant
    : Math.round(removeAndReplant * (REPLANTING + (1 - REPLANTING) * (diameterCm / REMOVAL_CM) ** 1.5));
