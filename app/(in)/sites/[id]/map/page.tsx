import Link from 'next/link';
import { notFound } from 'next/navigation';
import { EMPTY_SITE_MAP } from '@/core/site-map/site-map';
import { rootZoneRadius } from '@/core/rootzone/zone';
import { findHost } from '@/knowledge';
import { planView } from '@/views/trees';
import { PrintButton } from '@/ui/controls/print.client';
import { onPlan } from '@/core/site-map/site-map';
import { allows, idOr404, viewer } from '@/app/_server/viewer';
import { PlanBench } from './site-map.client';

export const metadata = { title: 'Plan of the grounds' };

export default async function PlanPage({ params }: { params: Promise<{ id: string }> }) {
  const v = await viewer();
  const id = idOr404((await params).id);
  const { place, held } = (await planView(v, id)) ?? notFound();
  const plan = held.siteMap ?? EMPTY_SITE_MAP;
  return (
    <PlanBench
      siteId={id}
      name={place.name}
      units={v.units}
      mayEdit={allows(v, 'edit grounds')}
      plan={plan}
      version={held.version}
      bufferM={place.waterM === -1 ? 0 : 10}
      trees={held.trees.map((t) => ({
        id: t.id,
        tag: t.tag,
        host: findHost(t.hostId)?.name ?? t.hostId,
        at: onPlan(plan, t),
        crownM: t.crownWidthM,
        rootM: t.diameterCm === null ? null : rootZoneRadius(t.diameterCm, v.schools.rootZone),
      }))}
      links={
        <>
          <PrintButton />
          <a className="press" href={`/api/sites/${id}/map${plan.origin ? '' : '?local'}`} download>
            Plan as GeoJSON{plan.origin ? '' : ', in local metres'}
          </a>
          <Link className="press" href={`/sites/${id}`}>
            Back to the place
          </Link>
        </>
      }
    />
  );
}
