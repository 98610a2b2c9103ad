import { hosts } from '@/knowledge';

/** Hosts for a list to choose from, by name. */
export const hostNames = () =>
  hosts.map((h) => ({ value: h.id, name: `${h.name} (${h.latin})` })).sort((a, b) => a.name.localeCompare(b.name));
