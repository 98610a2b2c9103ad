import { uuid } from '@/lib/ids';
import { girthFromDiameter } from '@/core/measure/trunk';
import { findHost, latinOf } from '@/knowledge';
import { exportTrees } from '@/store/tree-list';
import { csv } from '../../_server/csv';
import { download, issueResponse, route } from '../../_server/api';

const HEADERS = [
  'Tag',
  'Host',
  'Latin name',
  'Species as written',
  'Client',
  'Place',
  'Address',
  'Girth cm',
  'Diameter cm',
  'Height m',
  'Latitude',
  'Longitude',
  'Walking order',
  'Section',
  'Note',
];

export const GET = route('see the grounds', async (viewer, request) => {
  const place = new URL(request.url).searchParams.get('place');
  if (place !== null && !uuid.safeParse(place).success)
    return issueResponse(400, { path: 'place', message: 'There is no such place.' });
  async function* parts() {
    for await (const rows of exportTrees(viewer, place))
      yield rows.map((r) => [
        r.tag,
        findHost(r.hostId)?.name ?? r.hostId,
        latinOf(r.hostId) ?? '',
        r.species,
        r.client,
        r.place,
        r.address,
        r.diameterCm === null ? '' : girthFromDiameter(r.diameterCm).toFixed(1),
        r.diameterCm?.toFixed(1) ?? '',
        r.heightM ?? '',
        r.lat ?? '',
        r.lon ?? '',
        r.walkOrder,
        r.section,
        r.note,
      ]);
  }
  return download('elmhorn-trees.csv', 'text/csv; charset=utf-8', csv(HEADERS, parts()));
});
