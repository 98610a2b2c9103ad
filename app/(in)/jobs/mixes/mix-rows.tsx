import Link from 'next/link';
import { showFill, type UnitSystem } from '@/lib/units/units';
import type { BatchRow } from '@/store/batches';
import { dayAndClock } from '@/ui/words';

/** Mixes by their tags: of what, where, how much is left, until when. */
export const MixRows = ({
  mixes,
  units,
  timeZone,
  now,
}: {
  mixes: readonly BatchRow[];
  units: UnitSystem;
  timeZone: string;
  now: Date;
}) => (
  <ul>
    {mixes.map((b) => (
      <li key={b.id} className="row flex min-h-16 flex-wrap items-center justify-between gap-x-4 py-2">
        <Link href={`/jobs/mixes/${b.id}`} className="inline-flex min-h-hand items-center gap-4">
          <span className="plate-small">{b.code}</span>
          <span>
            <b className="block">{b.labelName}</b>
            <span className="text-[0.9375rem] text-ink-2">{b.vessel}</span>
          </span>
        </Link>
        <span className="text-right">
          <b className="figures block">
            {b.leftMl > 0 ? `${showFill(b.leftMl, units).text} left` : 'empty'}
            {b.kept && b.leftMl > 0 && ', kept'}
          </b>
          {b.leftMl > 0 && (
            <span className={`text-[0.9375rem] ${b.goodUntil > now ? 'text-ink-2' : 'font-semibold text-madder'}`}>
              {b.goodUntil > now ? 'good until' : 'no longer good since'} {dayAndClock(b.goodUntil, timeZone)}
            </span>
          )}
        </span>
      </li>
    ))}
  </ul>
);
