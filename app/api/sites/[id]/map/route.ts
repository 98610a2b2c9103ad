import { uuid } from '@/lib/ids';
import { writeGeoJson } from '@/core/site-map/geojson';
import { EMPTY_SITE_MAP } from '@/core/site-map/site-map';
import { findHost } from '@/knowledge';
import { getSiteMap } from '@/store/site-map';
import { onPlan } from '@/core/site-map/site-map';
import { issueResponse, route } from '@/app/_server/api';

/** The plan of a place with its trees, as GeoJSON; in local metres only for whoever asks for them. */
export const GET = route('see the grounds', async (viewer, request, { id }) => {
  const held = uuid.safeParse(id).success ? await getSiteMap(viewer, id!) : null;
  if (!held) return issueResponse(404, { path: 'id', message: 'There is no such place in this company.' });
  const plan = held.siteMap ?? EMPTY_SITE_MAP;
  if (!plan.origin && !new URL(request.url).searchParams.has('local'))
    return issueResponse(409, {
      path: 'origin',
      message:
        'Nobody has said where on the globe this plan lies, and other readers would take its metres for degrees. Bring a plan in with longitude and latitude, or ask for local metres (?local).',
    });
  const text = writeGeoJson(
    plan,
    held.trees.flatMap((t) => {
      const at = onPlan(plan, t);
      return at
        ? [
            {
              id: t.id,
              tag: t.tag,
              host: findHost(t.hostId)?.name ?? t.hostId,
              at,
              crownRadiusM: t.crownWidthM === null ? null : t.crownWidthM / 2,
              diameterCm: t.diameterCm,
            },
          ]
        : [];
    }),
  );
  return new Response(text, {
    headers: {
      'content-type': 'application/geo+json',
      'content-disposition': 'attachment; filename="elmhorn-grounds.geojson"',
      'cache-control': 'no-store',
    },
  });
});
