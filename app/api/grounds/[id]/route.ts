import { uuid } from '@/core/book/record';
import { writeGeoJson } from '@/core/grounds/geojson';
import { EMPTY_PLAN } from '@/core/grounds/plan';
import { findHost } from '@/knowledge';
import { placePlan } from '@/store/grounds';
import { onPlan } from '@/commands/facts/situation';
import { faulty, route } from '@/app/_server/api';

/** The plan of a place with its trees, as GeoJSON. */
export const GET = route('see the grounds', async (v, _, { id }) => {
  const held = uuid.safeParse(id).success ? await placePlan(v, id!) : null;
  if (!held) return faulty(404, { path: 'id', sentence: 'There is no such place in this outfit.' });
  const plan = held.grounds ?? EMPTY_PLAN;
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
