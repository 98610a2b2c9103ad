import Link from 'next/link';
import type { Gate } from '@/core/gates/gate';
import { GateList } from '@/ui/frame/gates';
import { sheetPath } from './path';

/** How a place is reached. */
export interface Arrival {
  access: string;
  hazards: string;
  dogs: string;
  code: string | null;
}
/** What stands beside a sheet: its gates at this hour, how the place is reached, and what to do if it goes wrong. */
export function Beside({
  gates,
  place,
  paper,
}: {
  gates: Gate[];
  place: Arrival;
  /** Where the whole sheet stands for paper. */
  paper: string;
}) {
  return (
    <>
      <GateList gates={gates} title="At this hour" />
      <section>
        <h2 className="text-body">This place</h2>
        <dl className="text-[0.9375rem]">
          {[
            ['Access', place.access],
            ['Gate', place.code ?? ''],
            ['Hazards', place.hazards],
            ['Dogs', place.dogs],
          ]
            .filter(([, x]) => x)
            .map(([k, x]) => (
              <div key={k} className="row py-1.5">
                <dt className="text-ink-2">{k}</dt>
                <dd className="font-semibold">{x}</dd>
              </div>
            ))}
        </dl>
      </section>
      <p>
        <Link className="underline underline-offset-3" href={paper}>
          The whole sheet on paper
        </Link>
      </p>
      <section>
        <h2 className="text-body">If it goes wrong</h2>
        <p className="text-[0.9375rem]">
          Skin or eyes: rinse 15 minutes with water, label to the doctor. Spill: dam it, soak it up, keep it from
          drains. Leftovers go on a labelled site, never down a drain.
        </p>
      </section>
    </>
  );
}

/** Everything that is done at a tree in one visit, where it is more than this sheet. */
export function AtThisTree({
  treeId,
  others,
  works,
  round,
}: {
  treeId: string;
  /** What is planned for the tree with a product, this sheet among it, in its order. */
  others: { id: string; name: string; here: boolean }[];
  /** What else is done at it, without a product; the last part of the page. */
  works: readonly string[];
  round: string | null;
}) {
  if (others.length + works.length < 2) return null;
  return (
    <nav aria-label="At this tree" className="mt-2">
      <p className="font-semibold">
        {others.length + works.length} things at this tree
        {round && (
          <>
            {', '}
            <Link href={`/jobs/day/${round}`}>on a round</Link>
          </>
        )}
      </p>
      <ul className="flex flex-wrap gap-2">
        {others.map((o) => (
          <li key={o.id}>
            {o.here ? (
              <b className="press pointer-events-none border-4" aria-current="true">
                {o.name}
              </b>
            ) : (
              <Link className="press" href={sheetPath(treeId, o.id, round)}>
                {o.name}
              </Link>
            )}
          </li>
        ))}
        {works.map((w) => (
          <li key={w}>
            <a className="press" href="#works">
              {w}
            </a>
          </li>
        ))}
      </ul>
    </nav>
  );
}
