import { money } from '@/core/cost/prices';
import type { OfferLine } from '@/core/proposal/property';
import { spanWords } from '@/ui/season-words';

/** When a line is done: its day, or the first and the last of them with how many there are. */
export const whenWords = (days: readonly string[]): string =>
  days.length === 1 ? spanWords(days[0]!, days[0]!) : `${days.length} times, ${spanWords(days[0]!, days.at(-1)!)}`;

/** Lines of an offer as they were answered. */
export function OfferLines({
  lines,
  currency,
  taken,
}: {
  lines: readonly Pick<OfferLine, 'key' | 'what' | 'against' | 'trees' | 'count' | 'days' | 'price' | 'maybe'>[];
  currency: string;
  taken: readonly string[];
}) {
  return (
    <ul className="mt-6">
      {lines.map((l) => (
        <li key={l.key} className="row py-3">
          <p>
            <b>{l.what}</b>
            {l.against && `, against ${l.against}`}
          </p>
          <p className="text-[0.9375rem]">
            {l.count === 1 ? 'Tree' : `${l.count} trees:`} {l.trees}; {whenWords(l.days)};{' '}
            <b className="figures">{money(l.price, { currency })}</b>
            {l.maybe && ', only if a look finds it'}
          </p>
          <p className="text-[0.9375rem] font-semibold">{taken.includes(l.key) ? 'Taken' : 'Not taken'}</p>
        </li>
      ))}
    </ul>
  );
}
