import Link from 'next/link';
import { z } from 'zod';
import { isFor } from '@/core/mix/sources';
import { refusal } from '@/core/people/rights';
import { Frame } from '@/ui/frame/frame';
import { TagLine } from '@/ui/frame/pieces';
import { rowView } from '@/views/row';
import { stationFor } from '@/app/_server/station';
import { allows, viewer } from '@/app/_server/viewer';
import { RowSheet } from './sheet.client';
import { clockNow } from '@/store/clock';

export const metadata = { title: 'A row in one go' };
const asked = z.object({ plan: z.uuid().optional().catch(undefined) });

export default async function Page({
  searchParams,
}: {
  searchParams: Promise<Record<string, string | string[] | undefined>>;
}) {
  const v = await viewer();
  const now = clockNow();
  const { plan } = asked.parse(await searchParams);
  const row = plan ? await rowView(v, plan, now) : null;
  if (!row)
    return (
      <Frame tag={<p className="text-head leading-tight font-extrabold">A row</p>} margin={null}>
        <h1>Nothing of this waits here</h1>
        <p className="mt-2">It was written up or dropped, waits for another day, or hangs on its trunk tree by tree.</p>
        <p className="mt-4">
          <Link className="press press-main" href="/jobs">
            Rounds
          </Link>
        </p>
      </Frame>
    );
  const { arrival } = row;
  const tag = (
    <>
      <p className="text-head leading-tight font-extrabold">{row.siteName}</p>
      <dl className="mt-3 border-t border-line-2">
        <TagLine name="Trees">{row.trees.length}</TagLine>
        <TagLine name="Product">{row.label.name}</TagLine>
      </dl>
    </>
  );
  return (
    <RowSheet
      row={row}
      units={v.units}
      station={stationFor({ lat: row.lat, lon: row.lon }).at(now)}
      refused={allows(v, 'apply') ? null : refusal(v.role, 'apply')}
      tag={tag}
      margin={
        <section>
          <h2 className="text-body">This place</h2>
          <p className="text-[0.9375rem]">
            {[arrival?.access, arrival?.code && `Gate ${arrival.code}`, arrival?.hazards, arrival?.dogs]
              .filter(Boolean)
              .join('; ') || 'Nothing is noted of access, hazards or dogs.'}
          </p>
          {!row.made.some((b) =>
            isFor(
              b,
              row.trees.map((t) => t.planId),
            ),
          ) &&
            row.trees.some((t) => t.dose.carrier || t.dose.stockMl !== null) && (
              <p className="mt-3">
                <Link href={`/jobs/mixes?plan=${row.trees[0]!.planId}`}>Mix for them first</Link>
              </p>
            )}
          <p className="mt-3">
            <Link href={`/jobs?place=${row.siteId}`}>Its stops one by one</Link>
          </p>
        </section>
      }
    />
  );
}
