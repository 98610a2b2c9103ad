import type { Condition, Host, Knowledge, QuickTest, Sign } from '@/core/diagnose/knowledge';
import { concerns } from '@/core/diagnose/reading';
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

/** What ships with Elmhorn, before an outfit adds its own. */
export const shipped: Knowledge = { hosts, signs, tests, conditions, lookalikes };
export { hosts, conditions };
export { growthOf, growths } from './growth';
export { heatModels } from './heat';
export { programmes } from './programmes';
export { exclusions } from './exclusions';
export { trainingLabels } from './labels';
export { regionOf, regions } from './regions';
export const findHost: (id: string) => Host | null = byId(hosts);
/** The Latin name of a host; null for what stands for every tree without an entry. */
export const latinOf = (hostId: string): string | null => {
  const host = findHost(hostId);
  return host && !host.unlisted ? host.latin : null;
};
export const findCondition: (id: string) => Condition | null = byId(conditions);
export const findSign: (id: string) => Sign | null = byId(signs);
export const findTest: (id: string) => QuickTest | null = byId(tests);

/** What heat brings about on a host: of what ships, and of what an outfit has of its own. */
export const heatModelsFor = (host: Host, own: readonly HeatModel[]) =>
  [...heatModels, ...own].filter((m) => {
    const condition = m.condition === null ? null : findCondition(m.condition);
    const known = condition ? concerns(condition.groups, host) : m.hosts.length > 0;
    return known && concerns(m.hosts, host);
  });

/** Signs worth looking for on a host: those of every tree and those of its groups. */
export const signsFor = (host: Host): Sign[] => signs.filter((s) => concerns(s.groups, host));
