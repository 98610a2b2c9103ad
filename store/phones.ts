import type { Issue } from '@/lib/result';
import type { Send } from '@/core/phone/send';
import { json, within, type Scope } from './db';
import { clockNow } from './clock';

/** A phone that has met the server. */
export interface PhoneRow {
  id: string;
  personId: string;
  personName: string;
  name: string;
  firstSeen: Date;
  lastSeen: Date;
  clockOffS: number;
  waiting: number;
  endedAt: Date | null;
}
/** Phones of the company, or of one person; the last heard of first. */
export const listPhones = (scope: Scope, personId: string | null): Promise<PhoneRow[]> =>
  within(scope, async (tx) => [
    ...(await tx<PhoneRow[]>`
      select f.id, f.person_id as "personId", p.name as "personName", f.name, f.first_seen as "firstSeen",
        f.last_seen as "lastSeen", f.clock_off_s as "clockOffS", f.waiting, f.ended_at as "endedAt"
      from phone f
      join person p on p.company_id = f.company_id and p.id = f.person_id
      where f.company_id = ${scope.companyId} ${personId ? tx`and f.person_id = ${personId}` : tx``}
      order by f.ended_at is not null, f.last_seen desc, f.id
      limit 200`),
  ]);

/** A phone as the server opens what it has sealed. */
export interface KnownPhone {
  personId: string;
  key: Buffer;
  endedAt: Date | null;
}
export const phoneNamed = (scope: Scope, id: string): Promise<KnownPhone | null> =>
  within(scope, async (tx) => {
    const [found] = await tx<KnownPhone[]>`
      select person_id as "personId", key, ended_at as "endedAt"
      from phone
      where company_id = ${scope.companyId} and id = ${id}`;
    return found ?? null;
  });

/** A phone that meets the server: new, or heard of again. Its key stays what it was. */
export const keepPhone = (
  scope: Scope,
  p: { id: string; name: string; key: Buffer; clockOffS: number; waiting: number },
) =>
  within(
    scope,
    (tx) => tx`
      insert into phone (company_id, id, person_id, name, key, clock_off_s, waiting)
      values (${scope.companyId}, ${p.id}, ${scope.personId}, ${p.name}, ${p.key}, ${p.clockOffS}, ${p.waiting})
      on conflict (company_id, id) do update
      set name = excluded.name, last_seen = clock_now(), clock_off_s = excluded.clock_off_s, waiting = excluded.waiting
      where phone.person_id = excluded.person_id`,
  );
/** Heard of a phone while it sends. */
export const phoneHeard = (scope: Scope, id: string, clockOffS: number) =>
  within(
    scope,
    (tx) => tx`
      update phone
      set last_seen = clock_now(), clock_off_s = ${clockOffS}
      where company_id = ${scope.companyId} and id = ${id}`,
  );
/** From now on a phone is given nothing, and what it sends is refused. @returns false where there is none, or it had ended */
export const endPhone = (scope: Scope, id: string, ended: boolean): Promise<boolean> =>
  within(scope, async (tx) => {
    const changed = await tx`
      update phone
      set ended_at = ${ended ? tx`clock_now()` : null}, ended_by = ${ended ? scope.personId : null}
      where company_id = ${scope.companyId} and id = ${id} and (ended_at is null) = ${ended}`;
    return changed.count > 0;
  });

/** What came from a phone, was refused, and waits for somebody. */
export interface SyncConflict {
  id: string;
  phoneName: string;
  personId: string;
  personName: string;
  verb: string;
  what: string;
  input: unknown;
  issues: Issue[];
  seenAt: Date;
  clockAt: Date;
  receivedAt: Date;
}
export const syncConflicts = (scope: Scope, id: string | null = null): Promise<SyncConflict[]> =>
  within(scope, async (tx) => [
    ...(await tx<SyncConflict[]>`
      select n.id, f.name as "phoneName", n.person_id as "personId", p.name as "personName", n.command as verb, n.what, n.input,
        n.issues, n.seen_at as "seenAt", n.clock_at as "clockAt", n.received_at as "receivedAt"
      from sync_conflict n
      join phone f on f.company_id = n.company_id and f.id = n.phone_id
      join person p on p.company_id = n.company_id and p.id = n.person_id
      where n.company_id = ${scope.companyId} and n.settled is null ${id ? tx`and n.id = ${id}` : tx``}
      order by n.seen_at, n.id
      limit 200`),
  ]);
/** How much waits for a look. */
export const syncConflictCount = (scope: Scope): Promise<number> =>
  within(scope, async (tx) => {
    const [row] = await tx<{ n: number }[]>`
      select count(*)::int as n
      from sync_conflict
      where company_id = ${scope.companyId} and settled is null`;
    return row!.n;
  });

/** Text that a database refuses (a zero sign, half of a pair) as it can be kept: nothing is lost but that sign. */
const cleanText = (text: string) =>
  text
    .replaceAll('\u0000', '\ufffd')
    .replace(/[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, '\ufffd');
function clean(x: unknown): unknown {
  if (typeof x === 'string') return cleanText(x);
  if (Array.isArray(x)) return x.map(clean);
  if (x && typeof x === 'object')
    return Object.fromEntries(Object.entries(x).map(([k, v]) => [cleanText(k), clean(v)]));
  return x;
}
/** An instant that a calendar has; a year before any is that of the arrival. */
const kept = (at: string) => (/^000\d-|^-/.test(at) ? clockNow().toISOString() : at);

/** Keeps what was refused, whatever is in it; sent once more, it stands once. */
export const insertConflict = (scope: Scope, phoneId: string, s: Send, issues: readonly Issue[]) =>
  within(
    scope,
    (tx) => tx`
      insert into sync_conflict (company_id, id, phone_id, person_id, command, what, input, issues, seen_at, clock_at)
      values (${scope.companyId}, ${s.id}, ${phoneId}, ${scope.personId}, ${cleanText(s.verb)}, ${cleanText(s.what)},
        ${json(tx, clean(s.input ?? null))},
        ${json(tx, clean(issues))}, ${kept(s.at)}, ${kept(s.clockAt)})
      on conflict (company_id, id) do nothing`,
  );
/** What a write that was refused before ended in, if it has. */
export const conflictsNamed = (scope: Scope, ids: readonly string[]): Promise<{ id: string; issues: Issue[] }[]> =>
  within(scope, async (tx) => [
    ...(await tx<{ id: string; issues: Issue[] }[]>`
      select id, issues
      from sync_conflict
      where company_id = ${scope.companyId} and id = any(${[...ids]})`),
  ]);
/** It was tried once more, and refused for other reasons. */
export const updateConflict = (scope: Scope, id: string, issues: readonly Issue[]) =>
  within(
    scope,
    (tx) => tx`
      update sync_conflict
      set issues = ${json(tx, issues)}
      where company_id = ${scope.companyId} and id = ${id} and settled is null`,
  );
/** @returns false where somebody settled it before */
export const settleConflict = (
  scope: Scope,
  id: string,
  settled: 'sent again' | 'set aside',
  words: string,
): Promise<boolean> =>
  within(scope, async (tx) => {
    const changed = await tx`
      update sync_conflict
      set settled = ${settled}, settled_at = clock_now(), settled_by = ${scope.personId}, words = ${words}
      where company_id = ${scope.companyId} and id = ${id} and settled is null`;
    return changed.count > 0;
  });

/** Rounds of a person's crews on some days, that are not closed, the soonest first. */
export const crewDaysOfPerson = (scope: Scope, from: string, to: string): Promise<{ id: string }[]> =>
  within(scope, async (tx) => [
    ...(await tx<{ id: string }[]>`
      select r.id
      from crew_day r
      join crew_person x on x.company_id = r.company_id and x.crew_id = r.crew_id and x.person_id = ${scope.personId}
      where r.company_id = ${scope.companyId} and r.day between ${from} and ${to} and r.closed_at is null
      order by r.day, r.id
      limit 20`),
  ]);

/** A tree of which an id speaks: its own, or that of something planned, worked, looked at or hung there. */
export interface NamedTree {
  of: string;
  id: string;
  tag: string;
  siteName: string;
}
export const treesNamedBy = (scope: Scope, ids: readonly string[]): Promise<NamedTree[]> =>
  within(scope, async (tx) => [
    ...(await tx<NamedTree[]>`
      select distinct x.of, t.id, t.tag, p.name as "siteName"
      from unnest(${[...ids]}::uuid[]) x (of)
      cross join lateral (
        select id from tree where company_id = ${scope.companyId} and id = x.of
        union all
        select tree_id from treatment_plan where company_id = ${scope.companyId} and id = x.of
        union all
        select tree_id from work_plan where company_id = ${scope.companyId} and id = x.of
        union all
        select tree_id from follow_up where company_id = ${scope.companyId} and id = x.of
        union all
        select tree_id from device_installation where company_id = ${scope.companyId} and id = x.of) n (tree_id)
      join tree t on t.company_id = ${scope.companyId} and t.id = n.tree_id
      join site p on p.company_id = t.company_id and p.id = t.site_id`),
  ]);
