import Link from 'next/link';
import type { LeftRow } from '@/store/day';
import { dayAndClock } from '@/ui/words';
import { leftWords } from './words';

/** What crews came to and did not do, with why: on a day, or on a tree through the years. */
export const LeftRows = ({ lefts, timeZone }: { lefts: readonly LeftRow[]; timeZone: string }) => (
  <ul>
    {lefts.map((l) => (
      <li key={`${l.id} ${l.itemId}`} className="row flex min-h-14 items-center gap-4 py-2">
        <Link href={`/trees/${l.treeId}`} className="plate-small flex-none">
          {l.tag}
        </Link>
        <span>
          <b className="block">{l.siteName}</b>
          <span className="text-[0.9375rem] text-ink-2">
            {leftWords(l)}; {l.byName}, {dayAndClock(l.at, timeZone)}
          </span>
        </span>
      </li>
    ))}
  </ul>
);
