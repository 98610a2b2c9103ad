import { uuid } from '@/lib/ids';
import { girthFromDiameter } from '@/core/measure/trunk';
import { findHost, latinOf } from '@/knowledge';
import { exportTrees } from '@/store/tree-list';
import { download, issueResponse, route } from '../../_server/api';

/** RFC 7946: positions are longitude, latitude; a tree without a position has a null geometry. */
export const GET = route('see the grounds', async (viewer, request) => {
  const place = new URL(request.url).searchParams.get('place');
  if (place !== null && !uuid.safeParse(place).success)
    return issueResponse(400, { path: 'place', message: 'There is no such place.' });
  async function* pieces() {
    yield '{"type":"FeatureCollection","features":[';
    let first = true;
    for await (const rows of exportTrees(viewer, place)) {
      const features = rows.map((r) =>
        JSON.stringify({
          type: 'Feature',
          geometry: r.lon === null ? null : { type: 'Point', coordinates: [r.lon, r.lat] },
          properties: {
            tag: r.tag,
            host: findHost(r.hostId)?.name ?? r.hostId,
            latin: latinOf(r.hostId),
            species: r.species,
            client: r.client,
            place: r.place,
            address: r.address,
            diameterCm: r.diameterCm,
            girthCm: r.diameterCm === null ? null : girthFromDiameter(r.diameterCm),
            heightM: r.heightM,
            walkOrder: r.walkOrder,
            note: r.note,
          },
        }),
      );
      yield (first ? '' : ',') + features.join(',\n');
      first = false;
    }
    yield ']}\n';
  }
  return download('elmhorn-trees.geojson', 'application/geo+json', pieces());
});
