import type { SiteMap } from '@/core/site-map/site-map';
import { dayAfter } from '@/lib/calendar/days';
import { v7 } from 'uuid';
import { hoursOf, type SampleCompany } from './company';
import { at, put, seasonDay, sql, ZONE } from './rows';
import { seenStages, type SiteSample } from './scenario';

/** The sample's boxes as a plan in local metres. */
function planOf(p: SiteSample): SiteMap {
  const box = ([x, y, w, h]: readonly [number, number, number, number]) => [
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ];
  const [x, y] = p.plan.half;
  return {
    origin: { lon: p.lon, lat: p.lat },
    outline: box([-x, -y, 2 * x, 2 * y]),
    areas: p.plan.areas.map(([kind, name, b], i) => ({ id: `area-${i}`, kind, name, corners: box(b) })),
    points: p.plan.points.map(([kind, name, px, py], i) => ({ id: `point-${i}`, kind, name, at: { x: px, y: py } })),
    slope: p.plan.slope ?? null,
  };
}
/** Where the tree of a number stands, in metres from the middle of the site. */
export function spotOf({ plan, trees }: SiteSample, i: number): { x: number; y: number } {
  const { columns, dx, dy, x = 0 } = plan.rows;
  const lines = Math.ceil(trees.count / columns);
  return {
    x: x + ((i % columns) - (columns - 1) / 2) * dx,
    y: ((lines - 1) / 2 - Math.floor(i / columns)) * dy + (i % 3) * 0.4,
  };
}

/** A site with its map, its hours, its gate code and the stages that somebody saw there; answers with its id. */
export function putSite(company: SampleCompany, p: SiteSample, clientId: string): string {
  const siteId = v7();
  const side = 0.0006;
  const outline = [
    [-1, -1],
    [-1, 1],
    [1, 1],
    [1, -1],
  ].map(([a, b]) => ({ lat: p.lat + a! * side, lon: p.lon + b! * side }));
  put('site', {
    id: siteId,
    company_id: company.id,
    client_id: clientId,
    name: p.name,
    address: p.address,
    time_zone: ZONE,
    outline: sql.json(outline),
    site_map: sql.json(planOf(p) as never),
    area_m2: p.areaM2,
    soil_texture: p.soil,
    water_m: p.waterM,
    hours: hoursOf(p.hours ?? ''),
    first_picking: p.picking ? seasonDay('09-25', -1) : null,
    last_picking: p.picking ? dayAfter(seasonDay('09-25', -1), 25, 'days') : null,
    access: p.access,
    hazards: p.hazards,
    dogs: p.dogs,
    notes: p.notes,
  });
  // Stages as somebody saw them this season and the last.
  for (const [hostId, code, monthDay] of seenStages[p.name] ?? [])
    for (const years of [0, 1])
      put('stage_note', {
        id: v7(),
        company_id: company.id,
        site_id: siteId,
        host_id: hostId,
        kind: 'stage',
        what: String(code),
        on_day: dayAfter(seasonDay(monthDay, years), years * 3, 'days'),
        at: at(seasonDay(monthDay, years)),
        by_person: company.arborist,
      });
  if (p.gateCode) put('gate_code', { site_id: siteId, company_id: company.id, code: p.gateCode });
  return siteId;
}
