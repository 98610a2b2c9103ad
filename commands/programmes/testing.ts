import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { importLabel } from '@/commands/stock/import-label';
import { checkLabel } from '@/commands/stock/check-label';
import { doneBy, type ownCompany } from '@/commands/testing';
import { recordTreatment } from '@/commands/trees/record-treatment';
import { trainingLabels } from '@/knowledge';
import type { StationFor } from '@/core/weather/station';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { fair } from '@/stand-ins/weather/fair';
import { simulatedStation } from '@/stand-ins/weather/station';
import { loadViewer, type Viewer } from '@/store/auth';

/** For tests of programmes: an orchard of two sorts with what it is sprayed with, as tests lay programmes over it. */
export interface Orchard {
  viewer: Viewer;
  siteId: string;
  early: string[];
  late: string[];
}

export const EARLY = { variety: 'Hopscotch', from: '2027-08-05', to: '2027-08-20' };
export const LATE = { variety: 'Slowcoach', from: '2027-09-25', to: '2027-10-20' };

export async function plantOrchard(
  { owner, o }: ReturnType<typeof ownCompany>,
  labelKeys: readonly string[],
  count: { early: number; late: number },
  hostId = 'apple',
  lat = 50.3,
): Promise<Orchard> {
  await owner`
    update person
    set licence_number = 'L1', licence_categories = ${['tree injection', 'ornamental', 'orchard']},
      licence_expires = '2031-01-01'
    where id = ${o.personId}`;
  await owner`
    update site
    set area_m2 = 11000, water_m = -1, first_picking = ${LATE.from}, last_picking = ${LATE.to},
      pickings = ${owner.json([EARLY, LATE] as never)}
    where id = ${o.siteId}`;
  const viewer = (await loadViewer(o))!;
  for (const label of trainingLabels.filter((l) => labelKeys.includes(l.key))) {
    await doneBy(importLabel, viewer, { text: JSON.stringify(label) });
    const [row] = await owner<{ id: string }[]>`
      select id from label where company_id = ${o.companyId} and key = ${label.key}`;
    await doneBy(checkLabel, viewer, { labelId: row!.id });
    const lotId = v7();
    const unit = /granule|powder|W[GP]/i.test(label.formulation) ? 'g' : 'mL';
    await owner`
      insert into lot (id, company_id, label_key, lot_number, expires_on, unit)
      values (${lotId}, ${o.companyId}, ${label.key}, 'T1', '2099-01-01', ${unit})`;
    await owner`
      insert into stock_move (id, company_id, lot_id, amount, against, reason, by_person)
      values (${v7()}, ${o.companyId}, ${lotId}, 50000, 'supplier', 'delivery', ${o.personId})`;
  }
  const plant = async (tag: string, variety: string) => {
    const id = v7();
    await owner`
      insert into tree (id, company_id, site_id, tag, host_id, host_confirmed_at, lat, lon, variety, walk_order)
      values (${id}, ${o.companyId}, ${o.siteId}, ${tag}, ${hostId}, now(), ${lat}, -4.1, ${variety},
        ${Number(tag.slice(1))})`;
    await owner`
      insert into measurement (
        id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m, crown_width_m,
        crown_base_m, method)
      values (${v7()}, ${o.companyId}, ${id}, '2026-05-01', ${o.personId}, 16, 130,
        ${owner.json([{ kind: 'diameter', typed: { value: 16, unit: 'cm' } }])}, 4, 3, 1, 'tape')`;
    await owner`
      insert into inspection (id, company_id, tree_id, at, by_person, crown_loss, vigour)
      values (${v7()}, ${o.companyId}, ${id}, '2026-05-01', ${o.personId}, 2, 'good')`;
    return id;
  };
  const row = (n: number, letter: string, variety: string) =>
    Promise.all(Array.from({ length: n }, (_, i) => plant(`${letter}${i + 1}`, variety)));
  return {
    viewer,
    siteId: o.siteId,
    early: await row(count.early, 'E', EARLY.variety),
    late: await row(count.late, 'S', LATE.variety),
  };
}

const estuary = simulatedStation(7, { climate: CLIMATES.estuary });
/** The estuary’s years: a spring as slow as an orchard has there. */
export const maritime: StationFor = () => estuary;

/** The same station, with rain on these days alone: four hours each morning. */
export function withRain(mm: Readonly<Record<string, number>>): StationFor {
  const dry = estuary;
  const station = {
    ...dry,
    at: dry.at.bind(dry),
    forecast: dry.forecast.bind(dry),
    days: dry.days.bind(dry),
    hours: (from: Date, to: Date) =>
      dry.hours(from, to).map((h) => {
        const rain = mm[h.at.slice(0, 10)];
        const hour = Number(h.at.slice(11, 13));
        return rain && hour >= 5 && hour < 9 ? { ...h, rainMm: rain / 4, wet: true } : { ...h, rainMm: 0 };
      }),
  };
  return () => station;
}

/** Carries a plan out at nine o'clock of a day, with everything said that its label asks. */
export async function carryOut(
  { owner, o }: ReturnType<typeof ownCompany>,
  viewer: Viewer,
  planId: string,
  day: string,
  station: StationFor = maritime,
) {
  const now = new Date(`${day}T10:00:00Z`);
  const [plan] = await owner<{ key: string; useKey: string; amount: number; lotId: string }[]>`
    select l.key, n.use_key as "useKey", (n.result->'dose'->>'product')::float8 as amount,
      (select id from lot where company_id = ${o.companyId} and label_key = l.key limit 1) as "lotId"
    from treatment_plan n
    join label l on l.id = n.label_id
    where n.id = ${planId}`;
  const use = trainingLabels.find((l) => l.key === plan!.key)!.uses.find((u) => u.key === plan!.useKey)!;
  return perform(
    recordTreatment,
    { viewer, receivedAt: now, station },
    {
      id: v7(),
      planId,
      startedAt: `${day}T08:00:00Z`,
      endedAt: `${day}T09:00:00Z`,
      amount: plan!.amount,
      lotId: plan!.lotId,
      weather: {
        ...fair({ lat: null, lon: null }).at(now),
        temperatureC: 15,
        windMs: 2,
        rainNext24Mm: 0,
        humidity: 60,
      },
      soil: 'moist',
      leaf: 'full',
      said: {
        bloom: 'over',
        'ground-bloom': 'nothing',
        honeydew: 'none',
        hive: 'none within 50 m',
        helpers: 'few or none',
        inversion: 'it mixes',
        gusts: 'steady',
        rain: 'dry',
        reach: 'all of it',
        leaves: 'dry',
        sun: 'low or clouded',
        drought: 'no',
        below: 'cleared',
        notice: 'done',
        eyes: 'worn',
        mask: 'worn',
        'spill-kit': 'at hand',
        tools: 'disinfected',
        name: 'read',
        'mix-age': 'just now',
      },
      released: {},
      protection: use.protection,
      deviation: '',
      mark: '',
      photoIds: [],
    },
  );
}
