import { v7 } from 'uuid';
import { trainingLabels } from '@/knowledge';
import { USUAL_PRICES } from '@/core/cost/prices';
import { connect, within, type Scope, type Sql } from './db';

/** For tests: a company of its own with one tree, made by the owner's hand. `npm test` gives the addresses. */
export const ownerUrl = process.env.ELMHORN_TEST_OWNER_URL ?? '';
export const appUrl = process.env.DATABASE_URL ?? '';
if (!ownerUrl || !appUrl)
  throw new Error(
    'The store is tested against a real database: run “npm test”, or set ELMHORN_TEST_OWNER_URL and DATABASE_URL.',
  );

export interface TestCompany extends Scope {
  siteId: string;
  treeId: string;
  labelId: string;
  lotId: string;
  planId: string;
}

export async function makeCompany(owner: Sql): Promise<TestCompany> {
  const [companyId, personId, clientId, siteId, treeId, labelId, lotId, planId] = Array.from({ length: 8 }, () =>
    v7(),
  ) as [string, string, string, string, string, string, string, string];
  const label = trainingLabels[0]!;
  await owner.begin(async (tx) => {
    await tx`insert into company (id, name, prices) values (${companyId}, 'Test', ${tx.json({ ...USUAL_PRICES })})`;
    await tx`insert into person (id, company_id, name, email, password_hash, role) values (${personId}, ${companyId}, 'Tester', ${`${personId}@test.example`}, 'x', 'owner')`;
    await tx`insert into client (id, company_id, name) values (${clientId}, ${companyId}, 'Client')`;
    await tx`insert into site (id, company_id, client_id, name, time_zone) values (${siteId}, ${companyId}, ${clientId}, 'Place', 'Europe/London')`;
    await tx`insert into gate_code (site_id, company_id, code) values (${siteId}, ${companyId}, '1234')`;
    await tx`insert into tree (id, company_id, site_id, tag, host_id) values (${treeId}, ${companyId}, ${siteId}, 'T1', 'wych-elm')`;
    await tx`insert into label (id, company_id, key, version, data) values (${labelId}, ${companyId}, ${label.key}, 1, ${tx.json(label as never)})`;
    await tx`insert into lot (id, company_id, label_key, lot_number, expires_on, unit) values (${lotId}, ${companyId}, ${label.key}, 'L1', '2099-01-01', 'mL')`;
    await tx`insert into stock_move (id, company_id, lot_id, amount, against, reason, by_person) values (${v7()}, ${companyId}, ${lotId}, 100, 'supplier', 'delivery', ${personId})`;
    await tx`insert into treatment_plan (id, company_id, tree_id, label_id, use_key, condition_id, facts, result, by_person) values (${planId}, ${companyId}, ${treeId}, ${labelId}, 'drench', 'elm-leaf-beetle', '{}', '{}', ${personId})`;
    await tx`insert into inspection (id, company_id, tree_id, at, by_person) values (${v7()}, ${companyId}, ${treeId}, now(), ${personId})`;
  });
  return { companyId, personId, siteId, treeId, labelId, lotId, planId };
}

export const ownerSql = () => connect(ownerUrl, 2);
export { within };

/**
 * How many statements `work` sends, and how many transactions it opens; what sets the company counts, begin and commit do not.
 * Call `listenToStatements` before the pool is opened.
 */
export async function counted(work: () => Promise<unknown>): Promise<{ statements: number; transactions: number }> {
  heard.length = 0;
  await work();
  const transactions = heard.filter((s) => /^\s*begin/i.test(s)).length;
  return { statements: heard.filter((s) => !/^\s*(begin|commit|rollback)/i.test(s)).length, transactions };
}
const heard: string[] = [];
let parameters: unknown[][] = [];
export const listenToStatements = () => {
  (globalThis as { elmhornListener?: (statement: string, parameters: unknown[]) => void }).elmhornListener = (s, p) => {
    heard.push(s);
    parameters.push(p);
  };
};

interface PlanNode {
  'Node Type': string;
  'Plan Rows': number;
  'Relation Name'?: string;
  'Index Cond'?: string;
  'Index Name'?: string;
  Plans?: PlanNode[];
}
/** What must have read everything below it before it gives its first row: a limit above saves nothing. */
const GATHERS = /Sort|Aggregate|WindowAgg|Hash|Bitmap/;
/** Indexes that hold few rows of a table by their own condition: read whole, they are short. */
const SHORT = ['tree_species', 'treatment_plan_open', 'treatment_plan_soonest', 'work_plan_open'];
/** Whether a node reads every row of a company: from end to end, or along an index by nothing but the company. */
function readsAll(node: PlanNode, limited: boolean): boolean {
  if (node['Node Type'] === 'Seq Scan') return true;
  if (!/Index/.test(node['Node Type']) || limited || SHORT.includes(node['Index Name'] ?? '')) return false;
  return /^\(company_id = [^()]*(\([^()]*\))?[^()]*\)$/.test(node['Index Cond'] ?? '(company_id = all)');
}
function whole(node: PlanNode, limited = false): PlanNode[] {
  const type = node['Node Type'];
  const below = type === 'Limit' ? true : GATHERS.test(type) ? false : limited;
  return [
    ...(node['Relation Name'] && readsAll(node, limited) ? [node] : []),
    ...(node.Plans ?? []).flatMap((child) => whole(child, below)),
  ];
}

/**
 * Tables of which the statements of `work` would read all rows of the company, as the database plans them now, each with what
 * the database expects there and how the statement begins. Call `listenToStatements` before the pool is opened.
 */
export async function walkedWhole(scope: Scope, work: () => Promise<unknown>): Promise<string[]> {
  heard.length = 0;
  parameters = [];
  await work();
  const sent = heard.map((statement, i) => ({ statement, given: parameters[i]! }));
  const out: string[] = [];
  for (const { statement, given } of sent.filter((s) => /^\s*(select|with)\b/i.test(s.statement)))
    await within(scope, async (tx) => {
      if (/set_config|count\(\*\)::int as n from information/.test(statement)) return;
      const [row] = await tx.unsafe<{ 'QUERY PLAN': { Plan: PlanNode }[] }[]>(
        `explain (format json) ${statement}`,
        given as never[],
      );
      for (const node of whole(row!['QUERY PLAN'][0]!.Plan))
        out.push(
          `${node['Relation Name']}: ${node['Node Type']} of ${node['Plan Rows']} rows in ${statement.replace(/\s+/g, ' ').trim().slice(0, 90)}`,
        );
    });
  return out;
}

interface Column {
  name: string;
  type: string;
  /** The table whose row of the same company it names, and by which column. */
  table: string | null;
  key: string | null;
}
/** What the checks of a table ask for and its types cannot tell. */
const CHOSEN: Record<string, Record<string, unknown>> = {
  finding: { state: 'absent' },
  photo: { mime: 'image/jpeg' },
  equipment: { kind: 'drill' },
  command_done: { digest: '0'.repeat(64) },
  batch_draw: { ended: 'spilled' },
};

/** Columns that may be empty, and that a check wants all the same: an offer is for one tree or one property. */
const FILLED: Record<string, readonly string[]> = { quote: ['tree_id'], batch_draw: ['ended'] };

/** A row in every table that has none yet of this company, worked out from the tables themselves: a new one cannot be forgotten. */
export async function fillEveryTable(owner: Sql, company: TestCompany, tables: readonly string[]): Promise<void> {
  let empty = [...tables];
  let why = new Map<string, string>();
  while (empty.length) {
    const left: string[] = [];
    why = new Map();
    for (const t of empty) {
      const [{ n } = { n: 0 }] = await owner<
        { n: number }[]
      >`select count(*)::int as n from ${owner(t)} where company_id = ${company.companyId}`;
      const refused = n
        ? null
        : await addRow(owner, company, t).then(
            () => null,
            (error: Error) => error.message,
          );
      if (refused) {
        left.push(t);
        why.set(t, refused);
      }
    }
    if (left.length === empty.length)
      throw new Error(`no row could be made for ${[...why].map(([t, w]) => `${t} (${w})`).join('; ')}`);
    empty = left;
  }
}

async function addRow(owner: Sql, company: TestCompany, t: string) {
  const columns = await owner<Column[]>`
    select a.attname as name, format_type(a.atttypid, null) as type, f.relname as "table", f.attname as key
    from pg_attribute a
    left join lateral (
      select r.relname, k.attname
      from pg_constraint c
      cross join lateral unnest(c.conkey, c.confkey) as pair (here, there)
      join pg_class r on r.oid = c.confrelid
      join pg_attribute k on k.attrelid = c.confrelid and k.attnum = pair.there
      where c.conrelid = a.attrelid and c.contype = 'f' and pair.here = a.attnum and r.relname <> 'company'
      limit 1) f on true
    where a.attrelid = ${t}::regclass and a.attnum > 0 and not a.attisdropped and a.attgenerated = ''
      and (a.attnotnull and (not a.atthasdef or a.attname = 'company_id') or a.attname = any(${[...(FILLED[t] ?? [])]}))`;
  const row: Record<string, unknown> = {};
  for (const c of columns) row[c.name] = CHOSEN[t]?.[c.name] ?? (await valueFor(owner, company, t, c));
  await owner`insert into ${owner(t)} ${owner(row as Record<string, string>)}`;
}

async function valueFor(owner: Sql, company: TestCompany, t: string, c: Column): Promise<unknown> {
  if (c.name === 'company_id') return company.companyId;
  if (c.table && c.key) {
    const [held] = await owner<
      { v: unknown }[]
    >`select ${owner(c.key)} as v from ${owner(c.table)} where company_id = ${company.companyId} limit 1`;
    if (!held) throw new Error(`${c.table} has no row yet`);
    return held.v;
  }
  if (c.type === 'uuid') return v7();
  if (c.type === 'bytea') return Buffer.from(v7());
  if (c.type === 'boolean') return false;
  if (c.type === 'date') return '2026-01-01';
  if (/^timestamp/.test(c.type)) return new Date('2026-01-01T00:00:00Z');
  if (/^json/.test(c.type)) return {};
  if (c.type.endsWith('[]')) return [];
  if (/text|char/.test(c.type)) return (await wordsOf(owner, t, c.name))[0] ?? 'some words';
  return 1;
}

/** The words that a check allows in a column, where it names them. */
async function wordsOf(owner: Sql, t: string, column: string): Promise<string[]> {
  const [check] = await owner<{ d: string }[]>`
    select pg_get_constraintdef(c.oid) as d
    from pg_constraint c
    join pg_attribute a on a.attrelid = c.conrelid and a.attnum = any (c.conkey)
    where c.conrelid = ${t}::regclass and c.contype = 'c' and a.attname = ${column}
      and pg_get_constraintdef(c.oid) like '%ARRAY[%'
    limit 1`;
  return [...(check?.d ?? '').matchAll(/'([^']*)'::text/g)].map((m) => m[1]!);
}
