import { money } from '@/core/cost/prices';
import type { QuoteLine } from '@/core/quotes/property';
import { Checkbox } from '@/ui/controls/controls';
import { spanWords } from '@/ui/season-words';

/** When a line is done: its day, or the first and the last of them with how many there are. */
export const whenWords = (days: readonly string[]): string =>
  days.length === 1 ? spanWords(days[0]!, days[0]!) : `${days.length} times, ${spanWords(days[0]!, days.at(-1)!)}`;

type Line = Pick<QuoteLine, 'key' | 'what' | 'against' | 'trees' | 'count' | 'days' | 'price' | 'maybe'>;

/** What a line is, what it costs, on which trees and when. */
function LineWords({ line: l, currency }: { line: Line; currency: string }) {
  return (
    <>
      <span className="block">
        <b>{l.what}</b>
        {l.against && `, against ${l.against}`} <b className="figures">{money(l.price, { currency })}</b>
        {l.maybe && ', only if a look finds it'}
      </span>
      <span className="block text-[0.9375rem] text-ink-2">
        {l.count === 1 ? 'Tree' : `${l.count} trees:`} {l.trees}; {whenWords(l.days)}
      </span>
    </>
  );
}

/** Lines of an offer to choose among. */
export const LineTicks = ({
  lines,
  currency,
  keys,
  onKeys,
}: {
  lines: readonly Line[];
  currency: string;
  keys: readonly string[];
  onKeys: (next: string[]) => void;
}) =>
  lines.map((l) => (
    <Checkbox
      key={l.key}
      checked={keys.includes(l.key)}
      onChange={(on) => onKeys(on ? [...keys, l.key] : keys.filter((k) => k !== l.key))}
    >
      <LineWords line={l} currency={currency} />
    </Checkbox>
  ));

/** Lines of an offer as they were answered. */
export function QuoteLines({
  lines,
  currency,
  taken,
}: {
  lines: readonly Line[];
  currency: string;
  taken: readonly string[];
}) {
  return (
    <ul className="mt-6">
      {lines.map((l) => (
        <li key={l.key} className="row py-3">
          <LineWords line={l} currency={currency} />
          <p className="text-[0.9375rem] font-semibold">{taken.includes(l.key) ? 'Taken' : 'Not taken'}</p>
        </li>
      ))}
    </ul>
  );
}
