import type { Condition, Host, Knowledge, QuickTest, Sign } from '@/core/diagnose/knowledge';
import { memoizeEach } from '@/lib/memoize';
import { concerns, groupsOf } from '@/core/diagnose/reading';
import { customKnowledgeNow } from './custom';
import { conditions } from './conditions';
import { heatModels } from './heat';
import { hosts } from './hosts';
import type { HeatModel } from '@/core/season/heat-schema';
import { lookalikes } from './lookalikes';
import { signs } from './signs';
import { tests } from './tests';

const byId = <T extends { id: string }>(list: readonly T[]) => {
  const map = new Map(list.map((x) => [x.id, x]));
  return (id: string): T | null => map.get(id) ?? null;
};

/** What ships, with what is a company's own in its place or behind it. */
function joined<T extends { id: string }>(shippedOnes: readonly T[], own: ReadonlyMap<string, T>): readonly T[] {
  if (!own.size) return shippedOnes;
  return joinedFor(own, '', () => withOwn(shippedOnes, own)) as readonly T[];
}
/** A company’s own entries are the same object until it writes another. */
const joinedFor = memoizeEach<ReadonlyMap<string, unknown>, readonly unknown[]>();
function withOwn<T extends { id: string }>(shippedOnes: readonly T[], own: ReadonlyMap<string, T>): T[] {
  const there = new Set(shippedOnes.map((x) => x.id));
  return [...shippedOnes.map((x) => own.get(x.id) ?? x), ...[...own.values()].filter((x) => !there.has(x.id))];
}

/** What ships with Elmhorn, before a company adds its own. */
export const shipped: Knowledge = { hosts, signs, tests, conditions, lookalikes };
export { hosts, conditions };
export { growthOf, growths } from './growth';
export { heatModels } from './heat';
export { programmes } from './programmes';
export { exclusions } from './exclusions';
export { trainingLabels } from './labels';
export { regionOf, regions } from './regions';
const shippedHost = byId(hosts);
export const findHost = (id: string): Host | null => shippedHost(id) ?? customKnowledgeNow().hosts.get(id) ?? null;
/** Every host, those of the company that asks among them. */
export const hostsNow = (): readonly Host[] => joined(hosts, customKnowledgeNow().hosts);
/** Every host and every group of hosts, by id. */
export const hostGroups = (): Set<string> => groupsOf(hostsNow());
/** The Latin name of a host; null for what stands for every tree without an entry. */
export const latinOf = (hostId: string): string | null => {
  const host = findHost(hostId);
  return host && !host.unlisted ? host.latin : null;
};
const shippedCondition = byId(conditions);
/** A condition as the company that asks knows it. */
export const findCondition = (id: string): Condition | null =>
  customKnowledgeNow().conditions.get(id) ?? shippedCondition(id);
/** Every condition, those of the company that asks among them. */
export const conditionsNow = (): readonly Condition[] => joined(conditions, customKnowledgeNow().conditions);
const shippedSign = byId(signs);
export const findSign = (id: string): Sign | null => shippedSign(id) ?? customKnowledgeNow().signs.get(id) ?? null;
const shippedTest = byId(tests);
export const findTest = (id: string): QuickTest | null => shippedTest(id) ?? customKnowledgeNow().tests.get(id) ?? null;

/** What heat brings about on a host: of what ships, and of what a company has of its own. */
export const heatModelsFor = (host: Host, own: readonly HeatModel[]) =>
  [...heatModels, ...own].filter((m) => {
    const condition = m.condition === null ? null : findCondition(m.condition);
    const known = condition ? concerns(condition.groups, host) : m.hosts.length > 0;
    return known && concerns(m.hosts, host);
  });

/** Signs worth looking for on a host: those of every tree and those of its groups. */
export const signsFor = (host: Host): Sign[] =>
  joined(signs, customKnowledgeNow().signs).filter((s) => concerns(s.groups, host));
