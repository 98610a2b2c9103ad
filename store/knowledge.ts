import type { Finding, TestResult } from '@/core/diagnose/knowledge';
import type { HeatEntry } from '@/core/custom/custom-file';
import type { AddedKind, CustomEntry, CustomKind } from '@/core/custom/overlay';
import { json, within, type Scope } from './db';

/** The newest version of each own entry of a company, oldest key first. */
export const customEntries = (scope: Scope): Promise<(CustomEntry & { note: string; byName: string; at: Date })[]> =>
  within(
    scope,
    (tx) => tx<(CustomEntry & { note: string; byName: string; at: Date })[]>`
      select distinct on (e.kind, e.key) e.kind, e.key, e.version, e.data, e.note, p.name as "byName", e.at
      from knowledge_entry e join person p on p.id = e.by_person where e.company_id = ${scope.companyId}
        and e.kind in ('likelihood', 'condition', 'host', 'sign', 'test', 'work')
      order by e.kind, e.key, e.version desc`,
  );

/** The newest version of each own sum of heat that is still told. */
export const customHeatEntries = (scope: Scope): Promise<(HeatEntry & { note: string })[]> =>
  within(
    scope,
    (tx) => tx<(HeatEntry & { note: string })[]>`
      select kind, key, version, data, note
      from (
        select distinct on (key) kind, key, version, data, note
        from knowledge_entry
        where company_id = ${scope.companyId} and kind = 'heat'
        order by key, version desc) e
      where not data ? 'retired'
      order by key`,
  );

/** Adds the next version of an own entry, null where it is taken back; two that arrive together cannot take the same number. */
export const addEntry = (scope: Scope, e: { id: string; kind: CustomKind; key: string; data: unknown; note: string }) =>
  within(
    scope,
    (tx) => tx`insert into knowledge_entry (id, company_id, kind, key, version, data, note, by_person)
      select ${e.id}, ${scope.companyId}, ${e.kind}, ${e.key}, coalesce(max(version), 0) + 1,
        ${e.data === null ? tx`'null'::jsonb` : json(tx, e.data)},
        ${e.note}, ${scope.personId}
      from knowledge_entry
      where company_id = ${scope.companyId} and kind = ${e.kind} and key = ${e.key}
      on conflict (id) do nothing`,
  );

/** Whether a tree, a look, a verdict, a plan, a label of the shelf or a programme names an own entry. */
export const ownInUse = (scope: Scope, kind: AddedKind, key: string): Promise<boolean> =>
  within(scope, async (tx) => {
    const { companyId } = scope;
    const uses = {
      host: tx`select from tree where company_id = ${companyId} and host_id = ${key}`,
      sign: tx`select from finding where company_id = ${companyId} and sign_id = ${key}`,
      test: tx`
        select from test_result where company_id = ${companyId} and test_id = ${key}
        union all
        select from sample where company_id = ${companyId} and test_id = ${key}`,
      condition: tx`
        select from diagnosis where company_id = ${companyId} and condition_id = ${key}
        union all
        select from treatment_plan where company_id = ${companyId} and condition_id = ${key}
        union all
        select from work_plan where company_id = ${companyId} and condition_id = ${key}
        union all
        select from others_applied where company_id = ${companyId} and condition_id = ${key}`,
      work: tx`select from work_plan where company_id = ${companyId} and work_id = ${key}`,
    };
    // Labels and programmes name hosts, conditions and works within what is written.
    const written = tx`
      select from label where company_id = ${companyId} and strpos(data::text, ${`"${key}"`}) > 0
      union all
      select from knowledge_entry
      where company_id = ${companyId} and kind = 'programme' and strpos(data::text, ${`"${key}"`}) > 0`;
    const [row] = await tx<{ used: boolean }[]>`select exists (${uses[kind]} union all ${written}) as used`;
    return row!.used;
  });

export interface PracticeSession {
  id: string;
  at: Date;
  seed: number;
  level: number;
  score: number;
  data: { truth: string; said: string; minutes: number; wounds: number };
}
export const practiceSessions = (scope: Scope): Promise<PracticeSession[]> =>
  within(
    scope,
    (tx) =>
      tx<
        PracticeSession[]
      >`select id, at, seed, level, score, data from practice_session where company_id = ${scope.companyId} and person_id = ${scope.personId} order by at desc limit 60`,
  );
export const insertPracticeSession = (scope: Scope, r: Omit<PracticeSession, 'at'>) =>
  within(
    scope,
    (tx) => tx`insert into practice_session (id, company_id, person_id, seed, level, score, data)
      values (${r.id}, ${scope.companyId}, ${scope.personId}, ${r.seed}, ${r.level}, ${r.score}, ${json(tx, r.data)})
      on conflict (id) do nothing`,
  );

export interface Overturned {
  treeId: string;
  tag: string;
  siteName: string;
  was: string;
  wasAt: Date;
  became: string;
  becameAt: Date;
  by: string[];
  /** Applications booked for the first diagnosis. */
  treatments: number;
  litres: number;
}
/** Diagnoses that a later one on the same tree has overturned: what by, and what had been put on meanwhile. */
export const overturned = (scope: Scope): Promise<Overturned[]> =>
  within(
    scope,
    (tx) => tx<Overturned[]>`
      with v as (
        select *, lag(condition_id) over w as was, lag(at) over w as was_at
        from diagnosis
        where company_id = ${scope.companyId} window w as (partition by tree_id order by at, id))
      select v.tree_id as "treeId", t.tag, p.name as "siteName", v.was, v.was_at as "wasAt", v.condition_id as became,
        v.at as "becameAt", v.overturned_by as by,
        (
          select count(*)::int
          from record r
          where r.company_id = ${scope.companyId} and r.tree_id = v.tree_id and r.latest and not r.withdrawn
            and r.started_at between v.was_at and v.at) as treatments,
        (
          select coalesce(sum((r.data->>'amount')::float8) / 1000, 0)::float8
          from record r
          where r.company_id = ${scope.companyId} and r.tree_id = v.tree_id and r.latest and not r.withdrawn
            and r.data->>'unit' = 'mL' and r.started_at between v.was_at and v.at) as litres
      from v
      join tree t on t.id = v.tree_id
      join site p on p.id = t.site_id
      where v.was is not null and v.was <> v.condition_id
      order by v.at desc, v.id
      limit 200`,
  );

export interface SpreadTree {
  treeId: string;
  tag: string;
  hostId: string;
  lat: number | null;
  lon: number | null;
  /** Newest look and the one before: sign and grade (0 absent) of each. */
  now: { at: Date; findings: Record<string, number> } | null;
  before: { at: Date; findings: Record<string, number> } | null;
}
/** The findings of every tree of a place, now and the time before, in walking order. */
export const findingsOfSite = (scope: Scope, siteId: string): Promise<SpreadTree[]> =>
  within(
    scope,
    (tx) => tx<SpreadTree[]>`
      select t.id as "treeId", t.tag, t.host_id as "hostId", t.lat, t.lon, l.looks->0 as now, l.looks->1 as before
      from (
        select *
        from tree
        where company_id = ${scope.companyId} and site_id = ${siteId} and archived_at is null
        order by walk_order, id
        limit 400) t
      left join lateral (
        select jsonb_agg(jsonb_build_object('at', k.at, 'findings', coalesce((
          select jsonb_object_agg(f.sign_id, coalesce(f.grade, 0))
          from finding f
          where f.inspection_id = k.id and f.company_id = ${scope.companyId}), '{}')) order by k.at desc) as looks
        from (
          select id, at
          from inspection
          where company_id = ${scope.companyId} and tree_id = t.id
          order by at desc, id desc
          limit 2) k
      ) l on true order by t.walk_order, t.id`,
  );

export interface ClosedCase {
  /** Of the verdict that closed it. */
  id: string;
  hostId: string;
  at: Date;
  conditionId: string;
  findings: Finding[];
  tests: TestResult[];
}
/** Cases confirmed by test, or near certain, with at least three findings: what was seen, and nothing of where or whose. */
export const closedCases = (scope: Scope): Promise<ClosedCase[]> =>
  within(
    scope,
    (tx) => tx<ClosedCase[]>`
      select v.id, t.host_id as "hostId", l.at, v.condition_id as "conditionId",
        coalesce((
          select jsonb_agg(jsonb_strip_nulls(jsonb_build_object('sign', f.sign_id, 'state', f.state, 'grade', f.grade)) order by f.sign_id)
          from finding f
          where f.inspection_id = l.id and f.company_id = ${scope.companyId}), '[]') as findings,
        coalesce((
          select jsonb_agg(jsonb_build_object('test', r.test_id, 'outcome', r.outcome) order by r.test_id)
          from test_result r
          where r.inspection_id = l.id and r.company_id = ${scope.companyId}), '[]') as tests
      from (
        select *
        from diagnosis
        where company_id = ${scope.companyId} and certainty in ('near certain', 'confirmed by test')
          and inspection_id is not null
        order by at desc, id desc
        limit 60) v
      join inspection l on l.id = v.inspection_id and l.company_id = ${scope.companyId}
      join tree t on t.id = v.tree_id and t.company_id = ${scope.companyId}
      where (
        select count(*)
        from finding f
        where f.inspection_id = l.id and f.company_id = ${scope.companyId} and f.state = 'seen') >= 2
      order by v.at desc
      limit 30`,
  );
