import type { Finding, TestResult } from '@/core/diagnose/knowledge';
import type { InspectionDetail } from '@/core/diagnose/inspection';
import type { Vigour } from '@/core/diagnose/words';
import { json, within, type Scope, type Tx } from './db';
import type { Reading } from './tree';

export type NewReading = Omit<Reading, 'byName'> & { treeId: string };
/** Adds a reading; sent twice, it lands once. */
export const addReading = (scope: Scope, reading: NewReading) =>
  within(
    scope,
    (tx) => tx`
      insert into measurement (
        id, company_id, tree_id, at, by_person, diameter_cm, at_height_cm, stems,
        tree_height_m, crown_width_m, crown_base_m, obstacles, arcs, flares,
        grain_deg, method)
      values (
        ${reading.id}, ${scope.companyId}, ${reading.treeId}, ${reading.at}, ${scope.personId}, ${reading.diameterCm},
          ${reading.atHeightCm}, ${json(tx, reading.stems)},
        ${reading.treeHeightM}, ${reading.crownWidthM}, ${reading.crownBaseM}, ${reading.obstacles},
          ${json(tx, reading.arcs)}, ${json(tx, reading.flares)},
        ${reading.grainDeg}, ${reading.method})
      on conflict (id) do nothing`,
  );

export interface NewInspection {
  id: string;
  treeId: string;
  /** When it was seen; when it was received is the database's own. */
  at: Date;
  crownLoss: number | null;
  vigour: Vigour | null;
  /** Answers of the host key; null where nobody answered. */
  hostKey: (boolean | null)[];
  hostConfirmed: boolean;
  findings: Finding[];
  tests: TestResult[];
  detail: InspectionDetail;
  note: string;
  today: string;
  /** What the client must agree to, when digging found something. */
  change: { id: string; what: string; priceMinor: number | null } | null;
}
/** Adds looks with their findings and tests, confirms hosts where the key did, and settles the looks that were due by now. */
export const insertInspections = (scope: Scope, looks: readonly NewInspection[]) =>
  within(scope, async (tx) => {
    for (const l of looks) await insertInspection(tx, scope, l);
  });

async function insertInspection(tx: Tx, scope: Scope, look: NewInspection) {
  const o = scope.companyId;
  const made = await tx`
    insert into inspection (id, company_id, tree_id, at, by_person, crown_loss, vigour, host_key, note, detail)
    values (${look.id}, ${o}, ${look.treeId}, ${look.at}, ${scope.personId}, ${look.crownLoss}, ${look.vigour},
      ${json(tx, look.hostKey)}, ${look.note}, ${json(tx, look.detail)})
    on conflict (id) do nothing`;
  if (!made.count) return;
  const findings = look.findings.map((f) => ({
    company_id: o,
    inspection_id: look.id,
    sign_id: f.sign,
    state: f.state,
    grade: f.grade ?? null,
    bearing: f.bearing ?? null,
    counted_of: f.counted?.of ?? null,
    counted_had: f.counted?.had ?? null,
    sure: f.sure ?? 'sure',
    last_season: f.lastSeason ?? false,
  }));
  if (findings.length) await tx`insert into finding ${tx(findings)}`;
  const tests = look.tests.map((t) => ({ company_id: o, inspection_id: look.id, test_id: t.test, outcome: t.outcome }));
  if (tests.length) await tx`insert into test_result ${tx(tests)}`;
  if (look.change)
    await tx`
      insert into plan_change (id, company_id, tree_id, inspection_id, what, price_minor, by_person)
      values (${look.change.id}, ${o}, ${look.treeId}, ${look.id}, ${look.change.what}, ${look.change.priceMinor},
        ${scope.personId})`;
  if (look.hostConfirmed)
    await tx`update tree set host_confirmed_at = ${look.at}, host_confirmed_by = ${scope.personId} where id = ${look.treeId}`;
  // A look of a programme is answered by what was seen, and stays open where that says nothing of it.
  await tx`
    update follow_up set state = 'done', settled_at = clock_now(), settled_by = ${scope.personId}
    where company_id = ${o} and tree_id = ${look.treeId} and state = 'open' and kind in ('look', 'check-effect')
      and rule_id <> 'programme' and earliest <= ${look.today}`;
}

/** Takes a look back, with its reason: it stays in the book of the tree and is no evidence any more. */
export const voidInspectionRow = (scope: Scope, inspectionId: string, reason: string) =>
  within(
    scope,
    (tx) => tx`
      insert into inspection_void (inspection_id, company_id, reason, by_person)
      select l.id, ${scope.companyId}, ${reason}, ${scope.personId} from inspection l
      where l.id = ${inspectionId} and l.company_id = ${scope.companyId}
      on conflict (inspection_id) do nothing`,
  );

/** Notes that a sample or a photograph was sent. */
export const insertSample = (
  scope: Scope,
  s: { id: string; treeId: string; what: string; sentTo: string; testId: string | null; sentOn: string },
) =>
  within(
    scope,
    (tx) => tx`
      insert into sample (id, company_id, tree_id, what, sent_to, test_id, sent_on, by_person)
      values (${s.id}, ${scope.companyId}, ${s.treeId}, ${s.what}, ${s.sentTo}, ${s.testId}, ${s.sentOn},
        ${scope.personId})
      on conflict (id) do nothing`,
  );

/** Keeps the answer to a sample; where it is the outcome of a test, as a look of its own, so that it becomes evidence. */
export const insertSampleAnswer = (
  scope: Scope,
  a: { sampleId: string; answer: string; onDay: string; look: NewInspection | null },
) =>
  within(scope, async (tx) => {
    if (a.look) await insertInspection(tx, scope, a.look);
    return tx`
      insert into sample_answer (sample_id, company_id, inspection_id, answer, on_day, by_person)
      values (${a.sampleId}, ${scope.companyId}, ${a.look?.id ?? null}, ${a.answer}, ${a.onDay}, ${scope.personId})
      on conflict (sample_id) do nothing`;
  });

/** The client's word on something found while digging; only an open one can be settled. */
export const updateChange = (scope: Scope, id: string, state: 'approved' | 'declined', how: string) =>
  within(
    scope,
    (tx) =>
      tx`
        update plan_change
        set state = ${state}, settled_at = clock_now(), settled_by = ${scope.personId}, settled_how = ${how}
        where id = ${id} and state = 'open'`,
  );
