import type { SiteQuote } from './property-schema';
import type { LocalDate } from '../../lib/calendar/zone';

/** Whether an offer is for a property; one of before says nothing, and is for a tree. */
export const isProperty = (data: object): data is SiteQuote => 'about' in data && data.about === 'property';
export type QuoteLine = SiteQuote['lines'][number];

/** Something to be done on one tree on one day, with what it costs there. */
export interface OfferedVisit {
  id: string;
  tag: string;
  walk: number;
  /** What it is, in words; visits of one kind are one line. */
  what: string;
  against: string;
  day: LocalDate;
  /** Minor units, without coming out. */
  cost: number;
  maybe: boolean;
}

/**
 * Lines of an offer: what is of one kind stands together, in order of its first day.
 * @param tagRuns tags in walking order, as one line
 */
export function linesOf(visits: readonly OfferedVisit[], tagRuns: (tags: readonly string[]) => string): QuoteLine[] {
  const kinds = new Map<string, OfferedVisit[]>();
  for (const v of visits) {
    // What tells two lines apart comes first: a key is cut where it is too long.
    const key = [v.maybe ? 'maybe' : '', v.against, v.what].join('|');
    kinds.set(key, [...(kinds.get(key) ?? []), v]);
  }
  return [...kinds]
    .map(([key, of]): QuoteLine => {
      const trees = new Map([...of].sort((a, b) => a.walk - b.walk).map((v) => [v.tag, v]));
      return {
        key: key.slice(0, 200),
        what: of[0]!.what.slice(0, 300),
        against: of[0]!.against.slice(0, 120),
        trees: tagRuns([...trees.keys()]).slice(0, 600),
        count: trees.size,
        days: [...new Set(of.map((v) => v.day))].sort().slice(0, 200),
        price: Math.round(of.reduce((sum, v) => sum + v.cost, 0)),
        maybe: of[0]!.maybe,
        covers: of.map((v) => v.id),
      };
    })
    .sort((a, b) => a.days[0]!.localeCompare(b.days[0]!) || a.what.localeCompare(b.what));
}

export interface QuoteTotal {
  /** Work and material of what is sure. */
  work: number;
  /** Days on which somebody comes, and what that costs. */
  days: number;
  comingOut: number;
  total: number;
  /** What waits for a look would be so much more, coming out apart. */
  maybe: number;
}

/** What some lines come to: coming out is asked once for each day that any of them needs. */
export function totalOf(
  {
    lines,
    comingOut,
  }: Pick<SiteQuote, 'comingOut'> & { lines: readonly Pick<QuoteLine, 'key' | 'days' | 'price' | 'maybe'>[] },
  keys: readonly string[],
): QuoteTotal {
  const taken = lines.filter((l) => keys.includes(l.key));
  const sure = taken.filter((l) => !l.maybe);
  const work = sure.reduce((sum, l) => sum + l.price, 0);
  const days = new Set(sure.flatMap((l) => l.days)).size;
  return {
    work,
    days,
    comingOut: days * comingOut,
    total: work + days * comingOut,
    maybe: taken.reduce((sum, l) => sum + (l.maybe ? l.price : 0), 0),
  };
}
