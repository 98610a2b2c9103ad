import type { Label } from '../label/schema';
import { dayAfter, daysBetween } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import { type Earlier } from './context';

/** What must not follow what within so many days when no label says: oil after sulphur 21, after captan 14, and the other way. */
const DEFAULT_PARTNERS: [a: string, b: string, days: number][] = [
  ['oil', 'sulphur', 21],
  ['oil', 'captan', 14],
];

/** An earlier application with which a product burns leaves, and how long it has to wait for it. */
export interface PartnerWait {
  /** Who asks for it: the product's own label, that of the earlier product, or practice where both are silent. */
  by: 'own label' | 'earlier label' | 'practice';
  /** Family or active, or what was put on. */
  what: string;
  /** What must keep away, as the label of the earlier product has it. */
  keepsOff: string;
  on: LocalDate;
  days: number;
  text: string;
  /** First day on which it may follow. */
  until: LocalDate;
}

/** The first reason why a product has to wait for what was put on before; null where nothing is near enough. */
export function partnerWait(
  label: Pick<Label, 'actives' | 'notWith'>,
  earlier: readonly Earlier[],
  today: LocalDate,
): PartnerWait | null {
  const mine = label.actives.flatMap((a) => [a.family, a.name]);
  const recent = earlier.filter((e) => e.day <= today);
  const named = (e: Earlier, what: string) => e.families?.includes(what) || e.actives.includes(what);
  const last = (what: string, wait: number) =>
    recent.filter((e) => named(e, what) && daysBetween(e.day, today) < wait).at(-1);
  for (const p of label.notWith) {
    const hit = last(p.what, p.days);
    if (hit)
      return {
        by: 'own label',
        what: p.what,
        keepsOff: p.what,
        on: hit.day,
        days: p.days,
        text: p.text,
        until: dayAfter(hit.day, p.days, 'days'),
      };
  }
  // The earlier product's own label has a word as well.
  for (const e of [...recent].sort((a, b) => b.day.localeCompare(a.day))) {
    const p = e.notWith?.find((x) => mine.includes(x.what) && daysBetween(e.day, today) < x.days);
    if (p)
      return {
        by: 'earlier label',
        what: e.actives.join(' + '),
        keepsOff: p.what,
        on: e.day,
        days: p.days,
        text: '',
        until: dayAfter(e.day, p.days, 'days'),
      };
  }
  for (const [a, b, wait] of DEFAULT_PARTNERS) {
    const other = mine.includes(a) ? b : mine.includes(b) ? a : null;
    // A label that names the partner has said its own number.
    if (!other || label.notWith.some((p) => p.what === other)) continue;
    const hit = last(other, wait);
    if (hit)
      return {
        by: 'practice',
        what: other,
        keepsOff: other,
        on: hit.day,
        days: wait,
        text: '',
        until: dayAfter(hit.day, wait, 'days'),
      };
  }
  return null;
}
