import type { Condition, Host, QuickTest, Sign } from '../diagnose/knowledge';
import type { CustomWork } from '../work/own-work-schema';

/** What a company knows of its own, by id: what it added, and conditions in which it overrules what ships. */
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
