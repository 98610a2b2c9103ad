import type { Condition, Host, Sign } from '@/core/diagnose/knowledge';
import { conditions } from './conditions';
import { hosts } from './hosts';
import { signs } from './signs';

const hostById = new Map(hosts.map((h) => [h.id, h]));
const conditionById = new Map(conditions.map((c) => [c.id, c]));
const signById = new Map(signs.map((s) => [s.id, s]));

export { hosts, signs, conditions };
export { trainingLabels } from './labels';
export { regionOf, regions } from './regions';
export const findHost = (id: string): Host | null => hostById.get(id) ?? null;
export const findCondition = (id: string): Condition | null => conditionById.get(id) ?? null;
export const findSign = (id: string): Sign | null => signById.get(id) ?? null;

/** Signs worth looking for on a host: those of every tree and those of its groups. */
export const signsFor = (host: Host): Sign[] =>
  signs.filter((s) => s.groups.length === 0 || s.groups.some((g) => host.groups.includes(g)));
/** Conditions that this host can have. */
export const conditionsFor = (host: Host): Condition[] =>
  conditions.filter((c) => c.groups.length === 0 || c.groups.some((g) => host.groups.includes(g)));
