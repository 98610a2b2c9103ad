import Link from 'next/link';
import { groupBy } from '@/core/work/load-out';
import type { LeftOut } from '@/store/skipped-trees';
import { Section } from '@/ui/frame/pieces';
import { SettleLeftOut } from './left-out.client';

const why = ({ stop }: LeftOut): string => {
  if (stop.why === 'gate') return `${stop.title}. ${stop.satisfy}`;
  return stop.why === 'no dose' ? 'There is no dose for it: measure it first.' : 'Nothing is named on it.';
};

/** Trees that rows were planned without, each with its reason, until somebody has dealt with them. */
export function LeftOutTrees({ rows, may }: { rows: readonly LeftOut[]; may: boolean }) {
  if (!rows.length) return null;
  return (
    <Section title="Left out of a row" aside="until they are planned, or set aside">
      <ul>
        {[...groupBy(rows, (r) => `${r.label} ${why(r)}`)].map(([key, of]) => (
          <li key={key} className="row flex flex-wrap items-center justify-between gap-x-6 gap-y-1 py-2.5">
            <div className="min-w-0 flex-1 basis-72">
              <p>
                <b>{of[0]!.label}</b>: {why(of[0]!)}
              </p>
              <p className="flex flex-wrap gap-x-3 text-[0.9375rem]">
                {of.map((r) => (
                  <Link key={r.id} href={`/trees/${r.treeId}/prescribe`}>
                    {r.tag}
                  </Link>
                ))}
              </p>
            </div>
            {may && <SettleLeftOut ids={of.map((r) => r.id)} />}
          </li>
        ))}
      </ul>
    </Section>
  );
}
