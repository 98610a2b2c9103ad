import Papa from 'papaparse';
import { uuid } from '@/core/book/record';
import { girthFromDiameter } from '@/core/measure/trunk';
import { findHost } from '@/knowledge';
import { exportTrees } from '@/store/grounds';
import { download, faulty, route } from '../../_server/api';

const HEADERS = [
  'Tag',
  'Host',
  'Latin name',
  'Client',
  'Place',
  'Address',
  'Girth cm',
  'Diameter cm',
  'Height m',
  'Latitude',
  'Longitude',
  'Walking order',
  'Note',
];

export const GET = route('see the grounds', async (v, request) => {
  const place = new URL(request.url).searchParams.get('place');
  if (place !== null && !uuid.safeParse(place).success)
    return faulty(400, { path: 'place', sentence: 'There is no such place.' });
  async function* pieces() {
    yield Papa.unparse([HEADERS]) + '\r\n';
    for await (const rows of exportTrees(v, place))
      yield (
        Papa.unparse(
          rows.map((r) => [
            r.tag,
            findHost(r.hostId)?.name ?? r.hostId,
            findHost(r.hostId)?.latin ?? '',
            r.client,
            r.place,
            r.address,
            r.diameterCm === null ? '' : girthFromDiameter(r.diameterCm).toFixed(1),
            r.diameterCm?.toFixed(1) ?? '',
            r.heightM ?? '',
            r.lat ?? '',
            r.lon ?? '',
            r.walkOrder,
            r.note,
          ]),
          { escapeFormulae: true },
        ) + '\r\n'
      );
  }
  return download('elmhorn-trees.csv', 'text/csv; charset=utf-8', pieces());
});
