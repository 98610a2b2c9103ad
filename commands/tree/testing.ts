import { v7 } from 'uuid';
import { perform } from '@/commands/command';
import { bringLabel } from '@/commands/shelf/bring-label';
import { signLabel } from '@/commands/shelf/check-label';
import { doneBy, type ownOutfit } from '@/commands/testing';
import { maritime } from '@/commands/programme/testing';
import type { Hour, StationFor } from '@/core/weather/station';
import { trainingLabels } from '@/knowledge';
import { fair } from '@/stand-ins/weather/fair';
import { loadViewer, type Viewer } from '@/store/auth';
import { makePlan } from './plan';

/** The day on which an avenue is walked: everything is bare. */
export const NOVEMBER = new Date('2026-11-26T10:00:00Z');
export const elmInfusion = trainingLabels.find((l) => l.key === 'training-02-elm-infusion')!;

/** An outfit that may inject, with the infusion on its shelf and signed, beside a place for elms. */
export async function elmAvenue(made: ReturnType<typeof ownOutfit>) {
  const { owner, o } = made;
  await owner`
    update person
    set licence_number = 'L1', licence_categories = ${['tree injection', 'ornamental']}, licence_expires = '2028-01-01'
    where id = ${o.personId}`;
  await owner`update place set area_m2 = 6000 where id = ${o.placeId}`;
  const viewer = (await loadViewer(o))!;
  expect(await doneBy(bringLabel, viewer, { text: JSON.stringify(elmInfusion) })).toMatchObject({ ok: true });
  const [row] = await owner<{ id: string }[]>`
    select id from label where outfit_id = ${o.outfitId} and key = ${elmInfusion.key}`;
  const labelId = row!.id;
  expect(await doneBy(signLabel, viewer, { labelId })).toMatchObject({ ok: true });

  /** A sound elm near a find, measured, its host confirmed. */
  async function soundElm(tag: string, diameterCm = 46.2): Promise<string> {
    const id = v7();
    await owner`
      insert into tree (id, outfit_id, place_id, tag, host_id, host_confirmed_at, lat, lon)
      values (${id}, ${o.outfitId}, ${o.placeId}, ${tag}, 'wych-elm', now(), 50.3, -4.1)`;
    await owner`
      insert into reading (id, outfit_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems, tree_height_m, method)
      values (${v7()}, ${o.outfitId}, ${id}, '2026-09-01', ${o.personId}, ${diameterCm}, 130,
        ${owner.json([{ kind: 'diameter', typed: { value: diameterCm, unit: 'cm' } }])}, 15, 'tape')`;
    await owner`
      insert into look (id, outfit_id, tree_id, at, by_person, crown_loss, vigour)
      values (${v7()}, ${o.outfitId}, ${id}, '2026-09-01', ${o.personId}, 2, 'good')`;
    await owner`
      insert into verdict
        (id, outfit_id, tree_id, at, by_person, condition_id, certainty, decision, reason, ranking, overturned_by)
      values (${v7()}, ${o.outfitId}, ${id}, '2026-09-02', ${o.personId}, 'dutch-elm-disease', 'possible',
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
    perform(makePlan, { viewer: who, now, station: fair }, input);
  return { viewer, labelId, soundElm, asked, planIt };
}

/** The same climate so many degrees colder: a spring that comes late. */
export const colder =
  (by: number): StationFor =>
  (spot) => {
    const usual = maritime(spot);
    const chilled = <T extends Hour>(hours: T[]): T[] =>
      hours.map((h) => ({ ...h, temperatureC: h.temperatureC - by }));
    return {
      ...usual,
      at: (t) => usual.at(t),
      hours: (from, to) => chilled(usual.hours(from, to)),
      days: (from, to, zone) => usual.days(from, to, zone).map((d) => ({ ...d, min: d.min - by, max: d.max - by })),
      forecast: (t) => {
        const told = usual.forecast(t);
        return { ...told, members: told.members.map((m) => chilled([...m])) };
      },
    };
  };
