import { wallClock } from '@/lib/calendar/zone';
import { csv } from '../../_server/csv';
import { METHOD_NAMES } from '@/core/label/methods';
import { listRecords, type RecordRow } from '@/store/records';
import { recordsQuery } from '../../(in)/records/query';
import { download, route } from '../../_server/api';

const HEADERS = [
  'Done on',
  'Start',
  'End',
  'Time zone',
  'Record',
  'Version',
  'Withdrawn',
  'Applicator',
  'Licence',
  'Product',
  'Registration',
  'Lot',
  'Lot expires',
  'Amount',
  'Unit',
  'Planned',
  'Concentration',
  'Mix mL',
  'Active ingredients g',
  'Target',
  'Host',
  'Tag',
  'Client',
  'Place',
  'Address',
  'Method',
  'Sites',
  'Area m2',
  'Air C',
  'Humidity %',
  'Wind m/s',
  'Wind from',
  'Soil',
  'Re-entry from',
  'Deviation',
  'Note',
  'Together with',
  'Licence categories',
  'Licence expires',
  'Signal word',
  'Restricted use',
  'Rate',
  'Water mL',
  'Girth cm',
  'Diameter cm',
  'Latitude',
  'Longitude',
  'Worn',
  'Sky',
  'Rain mm',
  'Rain forecast 24 h mm',
  'Soil C',
  'Re-entry h',
  'Eat from',
  'Mark',
  'Correction',
  'Corrected by',
  'Gates',
];
const cells = (r: RecordRow) => {
  const d = r.data;
  return [
    r.doneOn,
    wallClock(r.startedAt.toISOString(), r.timeZone).replace('T', ' '),
    wallClock(r.endedAt.toISOString(), r.timeZone).replace('T', ' '),
    r.timeZone,
    r.rootId,
    r.version,
    r.withdrawn ? 'yes' : 'no',
    d.applicator.name,
    d.applicator.licence,
    d.product.name,
    d.product.registration,
    d.lot.number,
    d.lot.expires,
    Number(d.amount.toPrecision(6)),
    d.unit,
    Number(d.planned.toPrecision(6)),
    d.concentration,
    d.mixMl === null ? '' : Number(d.mixMl.toPrecision(6)),
    d.actives.map((a) => `${a.name} ${Number(a.grams.toPrecision(6))}`).join('; '),
    d.target.name,
    d.host.latin,
    d.tree.tag,
    d.place.client,
    d.place.name,
    d.place.address,
    METHOD_NAMES[d.method],
    d.sites.length || '',
    d.areaM2 === null ? '' : d.areaM2.toFixed(3),
    d.weather.temperatureC ?? '',
    d.weather.humidity ?? '',
    d.weather.windMs ?? '',
    d.weather.windFromDeg ?? '',
    d.soil ?? '',
    d.reEntryUntil && wallClock(d.reEntryUntil, r.timeZone).replace('T', ' '),
    d.deviation,
    d.note,
    (d.beside ?? []).map((p) => `${p.name} (${p.licence})`).join('; '),
    d.applicator.categories.join('; '),
    d.applicator.licenceExpires ?? '',
    d.product.signalWord,
    d.product.restricted ? 'yes' : 'no',
    d.rate ?? '',
    d.waterMl === null ? '' : Number(d.waterMl.toPrecision(6)),
    Number(d.tree.girthCm.toFixed(1)),
    Number(d.tree.diameterCm.toFixed(1)),
    d.tree.lat ?? '',
    d.tree.lon ?? '',
    d.protection.join('; '),
    d.weather.sky ?? '',
    d.weather.rainMm ?? '',
    d.weather.rainNext24Mm ?? '',
    d.weather.soilTemperatureC ?? '',
    d.reEntryHours,
    d.eatFrom ?? '',
    d.mark,
    r.correction ?? '',
    r.correction === null ? '' : r.writtenBy,
    d.gates.map((g) => `${g.sentence}${g.released ? ` Released: ${g.released}` : ''}`).join(' / '),
  ];
};

export const GET = route('see the grounds', async (viewer, request) => {
  const { filter } = recordsQuery(Object.fromEntries(new URL(request.url).searchParams));
  async function* parts() {
    let after: { doneOn: string; id: string } | null = null;
    for (;;) {
      const rows: RecordRow[] = await listRecords(viewer, { ...filter, after, limit: 500 });
      const part = rows.slice(0, 500);
      yield part.map(cells);
      if (rows.length <= 500) return;
      after = { doneOn: part.at(-1)!.doneOn, id: part.at(-1)!.id };
    }
  }
  return download('elmhorn-book.csv', 'text/csv; charset=utf-8', csv(HEADERS, parts()));
});
