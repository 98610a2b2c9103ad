import { hashOf, newToken } from './token';
import { hash, verify } from '@node-rs/argon2';
import { USUAL_SCHOOLS, type Schools } from '@/core/decide/schools';
import { USUAL_PRICES, type Prices } from '@/core/cost/prices';
import type { Region } from '@/core/gates/region';
import type { Role } from '@/core/people/rights';
import type { UnitSystem } from '@/lib/units/units';
import { db, together, within, type Scope, type Tx } from './db';

const DAYS = 30;
const TOO_MANY = 'Too many attempts. Wait a quarter of an hour and try again.';

export interface Viewer extends Scope {
  name: string;
  email: string;
  role: Role;
  units: UnitSystem;
  theme: 'light' | 'daylight' | 'night';
  companyName: string;
  region: string;
  /** Region profiles as this company keeps them, by their key; those it has changed nothing in are not among them. */
  ownRegions: Readonly<Record<string, Region>>;
  /** How many entries of its own knowledge this company has written: none is ever changed, so that the number says what it knows. */
  customEntries: number;
  timeZone: string;
  /** Where it works: the first of its places whose position is known. */
  spot: { lat: number | null; lon: number | null };
  breastHeightCm: number;
  paper: 'A4' | 'Letter';
  schools: Schools;
  prices: Prices;
  licence: { number: string; categories: string[]; expires: string } | null;
}

// argon2id with the OWASP minimum: 19 MiB, two passes.
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 };
export const hashPassword = (password: string) => hash(password, COST);

/**
 * Opens a session for an e-mail and a password.
 * @returns the cookie's token, or a sentence. The same sentence answers an unknown address and a wrong password.
 */
export async function signIn(
  email: string,
  password: string,
  machine: string,
  /** What the device calls itself, so that its person knows it in the list. */
  device = '',
): Promise<{ token: string } | { sentence: string }> {
  const sql = db();
  const [tried] = await sql<{ allowed: boolean }[]>`select sign_in_try(${email}, ${machine}) as allowed`;
  if (!tried?.allowed) return { sentence: TOO_MANY };
  const [person] = await sql<
    { person_id: string; company_id: string; password_hash: string }[]
  >`select * from sign_in_lookup(${email})`;
  // A wrong address costs the same time as a wrong password, so that neither tells who works here.
  const good = person ? await verify(person.password_hash, password) : (await hashPassword(password), false);
  if (!person || !good) return { sentence: 'E-mail and password do not match.' };
  await sql`select sign_in_good(${email}, ${machine})`;
  return { token: await openSession({ companyId: person.company_id, personId: person.person_id }, device) };
}

/** Why a password is not that of whoever is signed in, or was tried too often, as a sentence; null where it is. */
export async function checkPassword(viewer: Viewer, was: string): Promise<string | null> {
  const sql = db();
  const self = `self:${viewer.personId}`;
  const [tried] = await sql<{ allowed: boolean }[]>`select sign_in_try(${viewer.email}, ${self}) as allowed`;
  if (!tried?.allowed) return TOO_MANY;
  const [person] = await sql<{ password_hash: string }[]>`select * from sign_in_lookup(${viewer.email})`;
  if (!person || !(await verify(person.password_hash, was))) return 'That is not your password.';
  await sql`select sign_in_good(${viewer.email}, ${self})`;
  return null;
}

/** Sets a new password, and ends every session and the calendar address. */
export async function setPassword(scope: Scope, password: string) {
  const hashed = await hashPassword(password);
  await within(scope, async (tx) => {
    await tx`
      update person
      set password_hash = ${hashed}, calendar_token_hash = null
      where id = ${scope.personId}`;
    await tx`delete from session where person_id = ${scope.personId}`;
  });
}

/** A link with which somebody sets a new password, once, within a day; an older one stops working. */
export async function makeReset(scope: Scope, personId: string): Promise<string | null> {
  const token = newToken(32);
  return within(scope, async (tx) => {
    const known = await tx`select from person where id = ${personId} and active`;
    if (!known.length) return null;
    await tx`delete from password_reset where person_id = ${personId}`;
    await tx`
      insert into password_reset (token_hash, company_id, person_id, made_by, expires_at)
      values (${hashOf(token)}, ${scope.companyId}, ${personId}, ${scope.personId}, clock_now() + interval '1 day')`;
    return token;
  });
}

/** Whose password a link may set; null when it does not work (any more). */
export async function resetFor(token: string): Promise<(Scope & { name: string; email: string }) | null> {
  const [found] = await db()<
    { person_id: string; company_id: string; name: string; email: string }[]
  >`select * from password_reset_lookup(${hashOf(token)})`;
  return found
    ? { companyId: found.company_id, personId: found.person_id, name: found.name, email: found.email }
    : null;
}

/** Sets a password by its link; false when somebody used it meanwhile. */
export async function useReset(token: string, password: string): Promise<boolean> {
  const who = await resetFor(token);
  if (!who) return false;
  return together(who, async () => {
    const used = await within(
      who,
      (tx) => tx`
        update password_reset
        set used_at = clock_now()
        where token_hash = ${hashOf(token)} and used_at is null`,
    );
    if (!used.count) return false;
    await setPassword(who, password);
    return true;
  });
}

async function openSession(scope: Scope, device: string): Promise<string> {
  const token = newToken(32);
  await within(scope, async (tx) => {
    await tx`delete from session where expires_at < clock_now()`;
    await tx`
      insert into session (token_hash, company_id, person_id, device, expires_at)
      values (${hashOf(token)}, ${scope.companyId}, ${scope.personId}, ${device.slice(0, 200)},
        clock_now() + make_interval(days => ${DAYS}))`;
  });
  return token;
}

/** Who is signed in, and how much waits: what every page begins with. */
export interface Floor {
  viewer: Viewer;
  /** Visits and tasks due by today, plans and works whose time has come, counted up to 1000 each. */
  waiting: number;
}

/** Who a session cookie belongs to, or null; one transaction of two statements. */
export const floorOf = async (token: string, now: Date): Promise<Floor | null> =>
  (await db().begin(async (tx) => {
    const [found] = await tx<Opened[]>`select * from session_open(${hashOf(token)})`;
    if (!found) return null;
    const [row] = await tx<(ViewerRow & { waiting: number })[]>`
      select ${viewerColumns(tx as unknown as Tx)},
        (select count(*) from (
          select from follow_up f
          where f.company_id = o.id and f.state = 'open'
            and f.due <= (${now}::timestamptz at time zone o.time_zone)::date
          limit 1000) f)::int
        + (select count(*) from (
          select from treatment_plan n
          where n.company_id = o.id and n.state = 'open'
            and coalesce(n.earliest, '-infinity'::date) <= (${now}::timestamptz at time zone o.time_zone)::date
          limit 1000) n)::int
        + (select count(*) from (
          select from work_plan w
          where w.company_id = o.id and w.state = 'open'
            and coalesce(w.planned_for, '-infinity'::date) <= (${now}::timestamptz at time zone o.time_zone)::date
          limit 1000) w)::int
        + (select count(*) from (
          select from task k
          where k.company_id = o.id and k.state = 'open'
            and k.due <= (${now}::timestamptz at time zone o.time_zone)::date
          limit 1000) k)::int as waiting
      from person p
      join company o on o.id = p.company_id
      where p.id = ${found.person_id}`;
    return row ? { viewer: viewerFrom(found, row), waiting: row.waiting } : null;
  })) as Floor | null;

/** Who a calendar address belongs to, or null. */
export async function calendarOwner(token: string): Promise<Viewer | null> {
  const [found] = await db()<Opened[]>`select * from calendar_lookup(${hashOf(token)})`;
  return found ? loadViewer({ companyId: found.company_id, personId: found.person_id }) : null;
}

/** A person as the app sees them; null where there is none. */
export const loadViewer = (scope: Scope): Promise<Viewer | null> =>
  within(scope, async (tx) => {
    const [row] = await tx<ViewerRow[]>`
      select ${viewerColumns(tx)}
      from person p
      join company o on o.id = p.company_id
      where p.id = ${scope.personId}`;
    return row ? viewerFrom({ company_id: scope.companyId, person_id: scope.personId }, row) : null;
  });

interface Opened {
  person_id: string;
  company_id: string;
}
type ViewerRow = Omit<Viewer, keyof Scope | 'schools' | 'prices' | 'licence' | 'spot'> & {
  spot: Viewer['spot'] | null;
  crownLossSchool: string;
  programme: Schools['programme'];
  schools: Partial<Schools>;
  prices: Partial<Prices>;
  licenceNumber: string | null;
  licenceCategories: string[];
  licenceExpires: string | null;
};

const viewerColumns = (tx: Tx) => tx`
  p.name, p.email, p.role, p.units, p.theme,
  p.licence_number as "licenceNumber", p.licence_categories as "licenceCategories",
    p.licence_expires as "licenceExpires",
  o.name as "companyName", o.region, o.time_zone as "timeZone", o.breast_height_cm as "breastHeightCm",
  o.paper,
  o.crown_loss_practice as "crownLossSchool", o.programme, o.schools, o.prices,
  (select coalesce(jsonb_object_agg(newest.key, newest.data), '{}')
   from (
     select distinct on (r.key) r.key, r.data
     from region_profile r
     where r.company_id = o.id
     order by r.key, r.version desc) newest) as "ownRegions",
  (select count(*)::int from knowledge_entry e where e.company_id = o.id) as "customEntries",
  (select x.site_map->'origin'
   from site x
   where x.company_id = o.id and x.archived_at is null and x.site_map->'origin' is not null
   order by x.name, x.id
   limit 1) as spot`;

function viewerFrom(
  { company_id, person_id }: Opened,
  { crownLossSchool, programme, schools, prices, licenceNumber, licenceCategories, licenceExpires, ...v }: ViewerRow,
): Viewer {
  return {
    companyId: company_id,
    personId: person_id,
    name: v.name,
    email: v.email,
    role: v.role,
    units: v.units,
    theme: v.theme,
    companyName: v.companyName,
    region: v.region,
    ownRegions: v.ownRegions,
    customEntries: v.customEntries,
    timeZone: v.timeZone,
    spot: v.spot ?? { lat: null, lon: null },
    breastHeightCm: v.breastHeightCm,
    paper: v.paper,
    schools: {
      ...USUAL_SCHOOLS,
      ...schools,
      crownLoss: crownLossSchool === 'knowledge' ? 'knowledge' : crownLossSchool === '30' ? 30 : 50,
      programme,
    },
    prices: { ...USUAL_PRICES, ...prices, ...(Object.keys(prices).length ? {} : { unentered: true as const }) },
    licence:
      licenceNumber && licenceExpires
        ? { number: licenceNumber, categories: licenceCategories, expires: licenceExpires }
        : null,
  };
}

export const signOut = (scope: Scope, token: string) =>
  within(scope, (tx) => tx`delete from session where token_hash = ${hashOf(token)}`);
/** A device on which somebody is signed in. */
export interface OpenSession {
  id: string;
  /** What it called itself when it signed in. */
  device: string;
  since: Date;
  usedAt: Date;
  /** The one that asks. */
  here: boolean;
}
/** Where somebody is signed in, the newest use first. */
export const openSessions = (scope: Scope, token: string): Promise<OpenSession[]> =>
  within(scope, async (tx) => [
    ...(await tx<OpenSession[]>`
      select id, device, created_at as since, used_at as "usedAt", token_hash = ${hashOf(token)} as here
      from session
      where company_id = ${scope.companyId} and person_id = ${scope.personId} and expires_at > clock_now()
        and used_at > clock_now() - interval '10 days'
      order by used_at desc, id`),
  ]);
/** Ends one of one's own sessions. @returns false where there is none */
export const endSession = (scope: Scope, id: string): Promise<boolean> =>
  within(scope, async (tx) => {
    const gone = await tx`
      delete from session where company_id = ${scope.companyId} and person_id = ${scope.personId} and id = ${id}`;
    return gone.count > 0;
  });
/** Ends every session and the secret calendar address: whoever signs out everywhere means everywhere. */
export const signOutEverywhere = (scope: Scope) =>
  within(scope, async (tx) => {
    await tx`update person set calendar_token_hash = null where id = ${scope.personId}`;
    return tx`delete from session where person_id = ${scope.personId}`;
  });

/** A new secret calendar address; the old one stops working. */
export async function newCalendarToken(scope: Scope): Promise<string> {
  const token = newToken(24);
  await within(
    scope,
    (tx) => tx`update person set calendar_token_hash = ${hashOf(token)} where id = ${scope.personId}`,
  );
  return token;
}
