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
/** An amount of money as it is read. */
export const money = (minor: Minor, p: Pick<Prices, 'currency'>): string =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency: p.currency, maximumFractionDigits: 0 }).format(
    minor / 100,
  );
