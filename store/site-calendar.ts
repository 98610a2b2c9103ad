import { hashOf, newToken } from './token';
import { db, within, type Scope } from './db';

/** A new secret address for the calendar of a place; the old one stops working. Only its hash is kept. */
export async function newSiteCalendar(scope: Scope, siteId: string): Promise<string> {
  const token = newToken(24);
  await within(
    scope,
    (tx) => tx`
      insert into site_calendar (company_id, site_id, token_hash, by_person)
      values (${scope.companyId}, ${siteId}, ${hashOf(token)}, ${scope.personId})
      on conflict (company_id, site_id) do update
      set token_hash = excluded.token_hash, at = clock_now(), by_person = excluded.by_person`,
  );
  return token;
}
/** The address stops working. */
export const endSiteCalendar = (scope: Scope, siteId: string) =>
  within(scope, (tx) => tx`delete from site_calendar where company_id = ${scope.companyId} and site_id = ${siteId}`);

/** What an address opens: a place, read as by whoever made it; null when it never existed or was ended. */
export interface OpenedCalendar extends Scope {
  siteId: string;
  siteName: string;
  companyName: string;
  timeZone: string;
}
export async function siteOfCalendar(token: string): Promise<OpenedCalendar | null> {
  const [found] = await db()<{ company_id: string; site_id: string; person_id: string }[]>`
    select * from site_calendar_lookup(${hashOf(token)})`;
  if (!found) return null;
  const scope = { companyId: found.company_id, personId: found.person_id };
  return within(scope, async (tx) => {
    const [place] = await tx<{ name: string; company: string; timeZone: string }[]>`
      select p.name, o.name as company, p.time_zone as "timeZone"
      from site p
      join company o on o.id = p.company_id
      where p.company_id = ${scope.companyId} and p.id = ${found.site_id} and p.archived_at is null`;
    return place
      ? { ...scope, siteId: found.site_id, siteName: place.name, companyName: place.company, timeZone: place.timeZone }
      : null;
  });
}
