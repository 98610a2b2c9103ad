import { v7 } from 'uuid';
import { trainingLabels } from '@/knowledge';
import { connect, within, type Scope, type Sql } from './db';

/** For tests: an outfit of its own with one tree, made by the owner's hand. `npm test` gives the addresses. */
export const ownerUrl = process.env.ELMHORN_TEST_OWNER_URL ?? '';
export const appUrl = process.env.DATABASE_URL ?? '';
if (!ownerUrl || !appUrl)
  throw new Error(
    'The store is tested against a real database: run “npm test”, or set ELMHORN_TEST_OWNER_URL and DATABASE_URL.',
  );

export interface TestOutfit extends Scope {
  placeId: string;
  treeId: string;
  labelId: string;
  lotId: string;
  planId: string;
}

export async function makeOutfit(owner: Sql): Promise<TestOutfit> {
  const [outfitId, personId, clientId, placeId, treeId, labelId, lotId, planId] = Array.from({ length: 8 }, () =>
    v7(),
  ) as [string, string, string, string, string, string, string, string];
  const label = trainingLabels[0]!;
  await owner.begin(async (tx) => {
    await tx`insert into outfit (id, name) values (${outfitId}, 'Test')`;
    await tx`insert into person (id, outfit_id, name, email, password_hash, role) values (${personId}, ${outfitId}, 'Tester', ${`${personId}@test.example`}, 'x', 'owner')`;
    await tx`insert into client (id, outfit_id, name) values (${clientId}, ${outfitId}, 'Client')`;
    await tx`insert into place (id, outfit_id, client_id, name, time_zone) values (${placeId}, ${outfitId}, ${clientId}, 'Place', 'Europe/London')`;
    await tx`insert into gate_code (place_id, outfit_id, code) values (${placeId}, ${outfitId}, '1234')`;
    await tx`insert into tree (id, outfit_id, place_id, tag, host_id) values (${treeId}, ${outfitId}, ${placeId}, 'T1', 'wych-elm')`;
    await tx`insert into label (id, outfit_id, key, version, data) values (${labelId}, ${outfitId}, ${label.key}, 1, ${tx.json(label as never)})`;
    await tx`insert into lot (id, outfit_id, label_key, lot_number, expires_on, unit) values (${lotId}, ${outfitId}, ${label.key}, 'L1', '2099-01-01', 'mL')`;
    await tx`insert into stock_move (id, outfit_id, lot_id, amount, against, reason, by_person) values (${v7()}, ${outfitId}, ${lotId}, 100, 'supplier', 'delivery', ${personId})`;
    await tx`insert into plan (id, outfit_id, tree_id, label_id, use_key, condition_id, facts, result, by_person) values (${planId}, ${outfitId}, ${treeId}, ${labelId}, 'drench', 'elm-leaf-beetle', '{}', '{}', ${personId})`;
    await tx`insert into look (id, outfit_id, tree_id, at, by_person) values (${v7()}, ${outfitId}, ${treeId}, now(), ${personId})`;
  });
  return { outfitId, personId, placeId, treeId, labelId, lotId, planId };
}

export const ownerSql = () => connect(ownerUrl, 2);
export { within };

/**
 * How many statements `work` sends, and how many transactions it opens; what sets the outfit counts, begin and commit do not.
 * Call `listenToStatements` before the pool is opened.
 */
export async function counted(work: () => Promise<unknown>): Promise<{ statements: number; transactions: number }> {
  heard.length = 0;
  await work();
  const transactions = heard.filter((s) => /^\s*begin/i.test(s)).length;
  return { statements: heard.filter((s) => !/^\s*(begin|commit|rollback)/i.test(s)).length, transactions };
}
const heard: string[] = [];
export const listenToStatements = () => {
  (globalThis as { elmhornListener?: (statement: string) => void }).elmhornListener = (s) => heard.push(s);
};
