import Link from 'next/link';
import type { Condition } from '@/core/diagnose/knowledge';
import type { UnitSystem } from '@/lib/units/units';
import { measureWords, wordsOfUse } from '@/ui/label-words';
import { lifeTimeWords, timedWords } from '@/ui/season-words';
import type { WayHere } from '@/views/ways';
import { HEAT } from './year';

/** What is done about a condition, each way with what carries it out here: days, warmth and amounts are those of label and work. */
export function Ways({
  condition: c,
  here,
  units,
  south,
}: {
  condition: Condition;
  here: readonly WayHere[];
  units: UnitSystem;
  south: boolean;
}) {
  return (
    <ul>
      {c.options.map((o, i) => {
        const { uses, works } = here[i]!;
        return (
          <li
            key={o.method + o.what}
            className="row grid grid-cols-[130px_1fr_130px] gap-3 py-2 phone:grid-cols-1 phone:gap-0"
          >
            <b className="inline-block first-letter:uppercase">{o.method}</b>
            <span>
              {o.what}{' '}
              <span className="text-small text-ink-2">
                {o.when}
                {o.timed ? `: ${o.timed.map((t) => timedWords(t, HEAT)).join('; ')}` : ''}
                {o.organic ? '; organic' : ''}
              </span>
            </span>
            <span className="figures text-small">{lifeTimeWords({ by: 'months', from: o.from, to: o.to }, south)}</span>
            {uses.length + works.length > 0 && (
              <ul className="border-l-2 border-line-2 pl-3 text-small col-span-2 col-start-2 phone:col-span-1 phone:col-start-1">
                {uses.map(({ id, label, use }) => (
                  <li key={label.key + use.key} className="py-0.5">
                    <Link href={`/stock/labels/${id}`} className="font-bold underline underline-offset-3">
                      {label.name}
                    </Link>
                    , {use.title.toLowerCase()}: {wordsOfUse(label, use, { units, south }).join('; ')}
                  </li>
                ))}
                {works.map((w) => (
                  <li key={w.id} className="py-0.5">
                    <b>{w.name}</b>
                    {sayAfter(': ', (w.goesBy?.(c.id) ?? []).map((m) => measureWords(m, units)).join('; '))}
                  </li>
                ))}
              </ul>
            )}
          </li>
        );
      })}
    </ul>
  );
}

const sayAfter = (before: string, words: string) => (words ? before + words : '');
