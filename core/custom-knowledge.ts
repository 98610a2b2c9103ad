import type { Condition, Host, QuickTest, Sign } from './diagnose/knowledge';
import type { CustomWork } from './work/own-work-schema';

/** What an company knows of its own, by id: what it added, and conditions in which it overrules what ships. */
export interface CustomKnowledge {
  hosts: ReadonlyMap<string, Host>;
  signs: ReadonlyMap<string, Sign>;
  tests: ReadonlyMap<string, QuickTest>;
  conditions: ReadonlyMap<string, Condition>;
  works: readonly CustomWork[];
}
export const NOTHING_OWN: CustomKnowledge = {
  hosts: new Map(),
  signs: new Map(),
  tests: new Map(),
  conditions: new Map(),
  works: [],
};

/**
 * Whose knowledge is meant where nobody passes it on. A name is looked up in a hundred places, of trees, books and sheets; that
 * all of them would carry it along was the other way. Whoever serves a request says once whose it is; with nobody, what ships.
 */
let reader: () => CustomKnowledge | null = () => null;
export const provideCustomKnowledge = (from: () => CustomKnowledge | null): void => {
  reader = from;
};
export const customKnowledgeNow = (): CustomKnowledge => reader() ?? NOTHING_OWN;
