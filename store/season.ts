import { within, type Scope } from './db';

/** What somebody saw of the year at a place. */
export interface Sighting {
  id: string;
  placeId: string;
  treeId: string | null;
  hostId: string | null;
  kind: 'stage' | 'biofix';
  /** BBCH code of a stage, or the heat model that counts from it. */
  what: string;
  day: string;
  byName: string;
}
/** A day that a station at the place itself has measured. */
export interface BroughtDay {
  day: string;
  min: number;
  max: number;
  rainMm: number;
}
export interface PlaceYear {
  placeId: string;
  sightings: Sighting[];
  brought: BroughtDay[];
}

/** What was seen and measured at places since a day: one statement, however many there are. */
export const placeYears = (scope: Scope, placeIds: readonly string[], from: string): Promise<PlaceYear[]> =>
  within(
    scope,
    (tx) => tx<PlaceYear[]>`
      select p.id as "placeId",
        coalesce((
          select jsonb_agg(to_jsonb(s) order by s.day, s.id)
          from (
            select s.id, s.place_id as "placeId", s.tree_id as "treeId", s.host_id as "hostId", s.kind, s.what,
              s.on_day as day, w.name as "byName"
            from sighting s
            join person w on w.id = s.by_person
            where s.outfit_id = p.outfit_id and s.place_id = p.id
              and not exists (select from sighting_withdrawal k where k.sighting_id = s.id)
            order by s.on_day desc, s.id
            limit 400) s), '[]') as sightings,
        coalesce((
          select jsonb_agg(
            jsonb_build_object('day', d.day, 'min', d.min_c, 'max', d.max_c, 'rainMm', d.rain_mm) order by d.day)
          from weather_day d
          where d.outfit_id = p.outfit_id and d.place_id = p.id and d.day >= ${from}), '[]') as brought
      from place p
      where p.outfit_id = ${scope.outfitId} and p.id = any(${[...new Set(placeIds)]})`,
  );

export const addSighting = (scope: Scope, s: Omit<Sighting, 'byName'> & { at: Date }): Promise<unknown> =>
  within(
    scope,
    (tx) => tx`
      insert into sighting (id, outfit_id, place_id, tree_id, host_id, kind, what, on_day, at, by_person)
      values (${s.id}, ${scope.outfitId}, ${s.placeId}, ${s.treeId}, ${s.hostId}, ${s.kind}, ${s.what}, ${s.day}, ${s.at},
        ${scope.personId})
      on conflict (id) do nothing`,
  );

/** Takes a sighting back; false where there is none like it. */
export const withdrawSighting = (scope: Scope, id: string): Promise<boolean> =>
  within(scope, async (tx) => {
    const found = await tx`select from sighting where id = ${id} and outfit_id = ${scope.outfitId}`;
    if (!found.length) return false;
    await tx`
      insert into sighting_withdrawal (sighting_id, outfit_id, by_person)
      values (${id}, ${scope.outfitId}, ${scope.personId})
      on conflict (sighting_id) do nothing`;
    return true;
  });
