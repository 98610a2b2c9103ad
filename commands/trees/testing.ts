import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { importLabel } from '@/commands/stock/import-label';
import { checkLabel } from '@/commands/stock/check-label';
import { doneBy, NOW, type ownCompany } from '@/commands/testing';
import { maritime } from '@/commands/programmes/testing';
import { dose } from '@/core/dose/dose';
import { recipeOf } from '@/core/mix/recipe';
import type { Hour, StationFor, WeatherDay } from '@/core/weather/station';
import { trainingLabels } from '@/knowledge';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { getPlans } from '@/store/plans';
import { planTreatment } from './plan-treatment';

/** The day on which an avenue is walked: everything is bare. */
export const NOVEMBER = new Date('2026-11-26T10:00:00Z');
export const elmInfusion = trainingLabels.find((l) => l.key === 'training-02-elm-infusion')!;

/** A company that may inject, with the infusion on its shelf and signed, beside a place for elms. */
export async function elmAvenue(made: ReturnType<typeof ownCompany>) {
  const { owner, o } = made;
  await owner`
    update person
    set licence_number = 'L1', licence_categories = ${['tree injection', 'ornamental']}, licence_expires = '2028-01-01'
    where id = ${o.personId}`;
  await owner`update site set area_m2 = 6000 where id = ${o.siteId}`;
  const viewer = (await loadViewer(o))!;
  expect(await doneBy(importLabel, viewer, { text: JSON.stringify(elmInfusion) })).toMatchObject({ ok: true });
  const [row] = await owner<{ id: string }[]>`
    select id from label where company_id = ${o.companyId} and key = ${elmInfusion.key}`;
  const labelId = row!.id;
  expect(await doneBy(checkLabel, viewer, { labelId })).toMatchObject({ ok: true });

  /** A sound elm near a find, measured, its host confirmed. */
  async function soundElm(tag: string, diameterCm = 46.2): Promise<string> {
    const id = v7();
    await owner`
      insert into tree (id, company_id, site_id, tag, host_id, host_confirmed_at, lat, lon)
      values (${id}, ${o.companyId}, ${o.siteId}, ${tag}, 'wych-elm', now(), 50.3, -4.1)`;
    await owner`
      insert into measurement (id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m,
        method)
      values (${v7()}, ${o.companyId}, ${id}, '2026-09-01', ${o.personId}, ${diameterCm}, 130,
        ${owner.json([{ kind: 'diameter', typed: { value: diameterCm, unit: 'cm' } }])}, 15, 'tape')`;
    await owner`
      insert into inspection (id, company_id, tree_id, at, by_person, crown_loss, vigour)
      values (${v7()}, ${o.companyId}, ${id}, '2026-09-01', ${o.personId}, 2, 'good')`;
    await owner`
      insert into diagnosis
        (id, company_id, tree_id, at, by_person, condition_id, certainty, decision, reason, ranking, overturned_by)
      values (${v7()}, ${o.companyId}, ${id}, '2026-09-02', ${o.personId}, 'dutch-elm-disease', 'possible',
        'protect a sound tree', 'Finds near by.', '[]', '{}')`;
    return id;
  }
  /** The infusion asked for a tree, in its window where nothing else is said. */
  const asked = (treeId: string, more: object = {}) => ({
    id: v7(),
    treeId,
    labelId,
    useKey: 'protect',
    choices: { soil: 'moist', leaf: 'leafless', said: { collar: 'sound' }, when: { kind: 'window' }, ...more },
    released: {},
  });
  const planIt = (input: object, now = NOVEMBER, who: Viewer = viewer) =>
    perform(planTreatment, { viewer: who, receivedAt: now, station: fair }, input);
  return { viewer, labelId, soundElm, asked, planIt };
}

/** The same climate so many degrees colder: a spring that comes late. */
export const colder =
  (by: number): StationFor =>
  (spot) => {
    const usual = maritime(spot);
    const chilled = <T extends Hour>(hours: T[]): T[] =>
      hours.map((h) => ({ ...h, temperatureC: h.temperatureC - by }));
    const asCold = (d: WeatherDay): WeatherDay => ({ ...d, min: d.min - by, max: d.max - by });
    return {
      ...usual,
      at: (t) => usual.at(t),
      hours: (from, to) => chilled(usual.hours(from, to)),
      days: (from, to, zone) => usual.days(from, to, zone).map(asCold),
      years: (from, to, zone, count) => usual.years(from, to, zone, count).map((y) => y.map(asCold)),
      forecast: (t) => {
        const told = usual.forecast(t);
        return { ...told, members: told.members.map((m) => chilled([...m])) };
      },
    };
  };

/** The air of a working day, and answers with which nothing is asked any more. */
export const AIR = {
  ...fair({ lat: null, lon: null }).at(NOW),
  temperatureC: 17,
  windMs: 1.5,
  rainNext24Mm: 0,
  humidity: 60,
};
const WELL = {
  boundary: 'far enough',
  edibles: 'nothing',
  'ground-bloom': 'nothing',
  bloom: 'over',
  litter: 'pulled back or bare',
  slope: 'level',
  drought: 'no',
  services: 'located and marked',
};

/** A company that may drench: elms that wait for it one beside another, and what is sent when they are done. */
export function drenchRow(made: ReturnType<typeof ownCompany>) {
  const kept = {} as { viewer: Viewer };
  beforeAll(async () => {
    const { owner, o } = made;
    await owner`
      update person
      set licence_number = 'L1', licence_categories = ${['ornamental']}, licence_expires = '2028-01-01'
      where id = ${o.personId}`;
    await owner`update site set area_m2 = 60000 where id = ${o.siteId}`;
    await owner`update treatment_plan set state = 'dropped' where id = ${o.planId}`;
    kept.viewer = (await loadViewer(o))!;
    expect(await doneBy(checkLabel, kept.viewer, { labelId: o.labelId })).toMatchObject({ ok: true });
  });
  const label = trainingLabels[0]!;

  /** A drench that waits on a new elm of so many centimetres. */
  async function planned(tag: string, diameterCm: number, siteId = made.o.siteId): Promise<string> {
    const { owner, o } = made;
    const treeId = v7();
    await owner`
      insert into tree (id, company_id, site_id, tag, host_id, host_confirmed_at, lat, lon)
      values (${treeId}, ${o.companyId}, ${siteId}, ${tag}, 'wych-elm', now(), 50.3, -4.1)`;
    await owner`
      insert into measurement (id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m,
        method)
      values (${v7()}, ${o.companyId}, ${treeId}, '2026-05-20', ${o.personId}, ${diameterCm}, 130,
        ${owner.json([{ kind: 'diameter', typed: { value: diameterCm, unit: 'cm' } }])}, 15, 'tape')`;
    await owner`
      insert into inspection (id, company_id, tree_id, at, by_person, crown_loss, vigour)
      values (${v7()}, ${o.companyId}, ${treeId}, '2026-05-20', ${o.personId}, 2, 'good')`;
    await owner`
      insert into diagnosis
        (id, company_id, tree_id, at, by_person, condition_id, certainty, decision, reason, ranking, overturned_by)
      values (${v7()}, ${o.companyId}, ${treeId}, '2026-05-21', ${o.personId}, 'elm-leaf-beetle', 'likely',
        'treat now', 'Grubs on every twig.', '[]', '{}')`;
    const id = v7();
    const worked = dose({ label, useKey: 'drench', diameters: [diameterCm], vessels: [], siteAreaM2: 60_000 });
    const result = { dose: worked, ring: null, gates: [], treated: { areaM2: 4, words: 'the ring of the basin' } };
    await owner`
      insert into treatment_plan (id, company_id, tree_id, label_id, use_key, condition_id, facts, document, result, result_us,
        by_person, at)
      values (${id}, ${o.companyId}, ${treeId}, ${o.labelId}, 'drench', 'elm-leaf-beetle',
        ${owner.json({ soil: 'moist', leaf: 'full', said: {} })}, 2, ${owner.json(result as never)},
        ${owner.json(result as never)}, ${o.personId}, '2026-06-01')`;
    return id;
  }
  const work = () => ({
    startedAt: '2026-06-01T08:00:00Z',
    endedAt: '2026-06-01T09:00:00Z',
    lotId: made.o.lotId,
    weather: AIR,
    soil: 'moist',
    leaf: 'full',
    intakeMmH: 30,
    said: WELL,
    released: {},
    protection: label.uses[0]!.protection,
    deviation: 'The threshold was told by word of mouth.',
    mark: '',
    note: '',
  });
  const sent = (planIds: readonly string[], more: object = {}) => ({
    id: v7(),
    rows: planIds.map((planId) => ({ planId, recordId: v7() })),
    total: null,
    ...work(),
    ...more,
  });
  /** What is sent when one of them is done by itself. */
  const booked = (planId: string, amount: number, more: object = {}) => ({
    id: v7(),
    planId,
    amount,
    photoIds: [],
    ...work(),
    ...more,
  });
  const restock = (amount: number) => made.owner`
    insert into stock_move (id, company_id, lot_id, amount, against, reason, by_person)
    values (${v7()}, ${made.o.companyId}, ${made.o.lotId}, ${amount}, 'supplier', 'delivery', ${made.o.personId})`;
  /** A mix for trees, as strong as planned; so many times what they take together. */
  async function mixFor(planIds: string[], more: object = {}, factor = 1) {
    const plans = await getPlans(kept.viewer, planIds);
    const doses = plans.flatMap((p) => (p.result.dose.ok ? [p.result.dose] : []));
    const { mixMl, strength } = recipeOf(label, doses)!;
    const totalMl = Number((mixMl * factor).toFixed(3));
    const product = Number((totalMl * strength).toFixed(6));
    return {
      id: v7(),
      crewDayId: null,
      planIds,
      vessel: 'Blue can',
      totalMl,
      product,
      lots: [{ lotId: made.o.lotId, amount: product }],
      madeAt: '2026-06-01T07:30:00Z',
      ...more,
    };
  }
  return {
    get viewer() {
      return kept.viewer;
    },
    label,
    planned,
    sent,
    booked,
    restock,
    mixFor,
  };
}
