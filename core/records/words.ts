import { showAmount, showMass } from '../../lib/units/units';
import type { ApplicationRecord } from './record';

/** What the book's search looks in. */
export const searchWords = (d: ApplicationRecord): string =>
  [
    d.tree.tag,
    d.host.name,
    d.host.latin,
    d.place.name,
    d.place.address,
    d.place.client,
    d.product.name,
    d.product.registration,
    ...d.product.actives.map((a) => a.name),
    d.target.name,
    d.lot.number,
    d.applicator.name,
    d.applicator.licence,
    ...(d.beside ?? []).map((p) => p.name),
  ]
    .join(' · ')
    .slice(0, 4000);

/** One line that says what was done: the amount, the product, the sites, the active. */
export const summary = (d: ApplicationRecord): string =>
  `${showAmount(d.amount, d.unit === 'mL' ? 'volume' : 'mass', 'metric').text} ${d.product.name}${d.sites.length ? `, ${d.sites.length} sites` : ''}${d.actives[0] ? `, ${showMass(d.actives[0].grams, 'metric').text} ${d.actives[0].name}` : ''}`;
