/** What kits are called. */
export const KIT_NAMES: Record<string, string> = {
  spray: 'The sprayers',
  injection: 'The injection kits',
  probe: 'The soil probes',
  drench: 'Cans and buckets',
  tools: 'Saws and tools',
};
