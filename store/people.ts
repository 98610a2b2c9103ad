import type { Prices } from '@/core/cost/prices';
import type { Schools } from '@/core/decide/schools';
import type { Region } from '@/core/gates/region';
import { rolesThatMay, type Role } from '@/core/people/rights';
import { hashPassword } from './auth';
import { json, within, type Scope, type Tx } from './db';

export interface Person {
  id: string;
  name: string;
  email: string;
  role: Role;
  licenceNumber: string | null;
  licenceCategories: string[];
  licenceExpires: string | null;
  active: boolean;
  /** Counts the changes of what the form shows. */
  version: number;
}

export const listPeople = (scope: Scope): Promise<Person[]> =>
  within(scope, async (tx) => [
    ...(await tx<Person[]>`
      select id, name, email, role, licence_number as "licenceNumber", licence_categories as "licenceCategories",
        licence_expires as "licenceExpires", active, version
      from person
      order by name, id
      limit 500`),
  ]);

/** Somebody who may have a hand in what another writes. */
export type Hand = Pick<Person, 'id' | 'name'>;
/** Who may have a hand in it beside whoever writes it, those of the same crew first: a part of what `besideSheets` sends. */
export const handsOf = (tx: Tx, scope: Scope) => tx<Hand[]>`
  select p.id, p.name
  from person p
  where p.company_id = ${scope.companyId} and p.active and p.id <> ${scope.personId}
    and p.role = any(${[...rolesThatMay('apply')]})
  order by exists (
      select 1
      from crew_person a
      join crew_person b on b.company_id = a.company_id and b.crew_id = a.crew_id
      where a.company_id = p.company_id and a.person_id = p.id and b.person_id = ${scope.personId}) desc,
    p.name, p.id
  limit 12`;
/** People by their ids with their licences; who is of another company is left out. Somebody who has left since may have been there. */
export type Licensed = Pick<Person, 'id' | 'name' | 'licenceNumber' | 'licenceCategories' | 'licenceExpires'>;
export const peopleNamed = (scope: Scope, ids: readonly string[]): Promise<Licensed[]> =>
  within(scope, async (tx) => [
    ...(await tx<Licensed[]>`
      select id, name, licence_number as "licenceNumber", licence_categories as "licenceCategories",
        licence_expires as "licenceExpires"
      from person
      where company_id = ${scope.companyId} and id = any(${[...ids]})
      order by name, id`),
  ]);

export async function insertPerson(
  scope: Scope,
  p: { id: string; name: string; email: string; role: Role; password: string },
) {
  const password = await hashPassword(p.password);
  await within(
    scope,
    (tx) =>
      tx`insert into person (id, company_id, name, email, role, password_hash) values (${p.id}, ${scope.companyId}, ${p.name}, ${p.email}, ${p.role}, ${password})`,
  );
}

/** Changes role, licence or whether somebody may sign in; a company keeps at least one owner. */
export async function changePerson(
  scope: Scope,
  p: Pick<Person, 'id' | 'role' | 'licenceNumber' | 'licenceCategories' | 'licenceExpires' | 'active'> & {
    /** The version that the form rests on. */
    basedOn: number;
  },
): Promise<'kept' | 'stale' | 'last owner' | 'nobody'> {
  return within(scope, async (tx) => {
    await tx`select id from company for update`;
    const [{ n } = { n: 0 }] = await tx<
      { n: number }[]
    >`select count(*)::int as n from person where role = 'owner' and active and id <> ${p.id}`;
    if (n === 0 && (p.role !== 'owner' || !p.active)) return 'last owner';
    const [now] = await tx<{ version: number }[]>`select version from person where id = ${p.id} for update`;
    if (!now) return 'nobody';
    if (now.version !== p.basedOn) return 'stale';
    await tx`
      update person
      set role = ${p.role}, licence_number = ${p.licenceNumber}, licence_categories = ${p.licenceCategories},
        licence_expires = ${p.licenceExpires}, active = ${p.active} where id = ${p.id}`;
    if (!p.active) {
      await tx`delete from session where person_id = ${p.id}`;
      // What they hold on phones ends with them; what they wrote there waits until an owner lets the phone in again.
      await tx`
        update phone
        set ended_at = clock_now(), ended_by = ${scope.personId}
        where company_id = ${scope.companyId} and person_id = ${p.id} and ended_at is null`;
    }
    return 'kept';
  });
}

export const setPreference = (scope: Scope, p: { units: string; theme: string }) =>
  within(scope, (tx) => tx`update person set units = ${p.units}, theme = ${p.theme} where id = ${scope.personId}`);

export const setCompany = (
  scope: Scope,
  o: { name: string; region: string; breastHeightCm: number; paper: 'A4' | 'Letter' },
) =>
  within(
    scope,
    (tx) =>
      tx`
        update company
        set name = ${o.name}, region = ${o.region}, breast_height_cm = ${o.breastHeightCm}, paper = ${o.paper}
        where id = ${scope.companyId}`,
  );

/** The company's choice where practitioners disagree. */
export const setSchools = (scope: Scope, { crownLoss, programme, ...rest }: Schools) =>
  within(
    scope,
    (tx) =>
      tx`update company set crown_loss_practice = ${String(crownLoss)}, programme = ${programme}, schools = ${json(tx, rest)} where id = ${scope.companyId}`,
  );

/** Keeps a region profile as its next version. */
export const insertRegion = (scope: Scope, id: string, key: string, data: Region): Promise<number> =>
  within(scope, async (tx) => {
    await tx`select pg_advisory_xact_lock(hashtextextended(${scope.companyId + key}, 1))`;
    const [{ next } = { next: 1 }] = await tx<
      { next: number }[]
    >`select coalesce(max(version), 0)::int + 1 as next from region_profile where company_id = ${scope.companyId} and key = ${key}`;
    await tx`insert into region_profile (id, company_id, key, version, data, by_person) values (${id}, ${scope.companyId}, ${key}, ${next}, ${json(tx, data)}, ${scope.personId})`;
    return next;
  });

/** What the company asks for its work. */
export const setPrices = (scope: Scope, p: Prices) =>
  within(scope, (tx) => tx`update company set prices = ${json(tx, p)} where id = ${scope.companyId}`);
