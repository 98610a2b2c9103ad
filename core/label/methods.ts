/** How a product reaches the tree; free of schemas, so that the browser can load the names alone. */
export const METHODS = [
  'soil-drench',
  'trunk-injection',
  'soil-injection',
  'bark-spray',
  'foliar-spray',
  'dormant-spray',
  'root-zone-feeding',
  'bait',
  'dust',
] as const;
export const METHOD_NAMES: Record<(typeof METHODS)[number], string> = {
  'soil-drench': 'Soil drench',
  'trunk-injection': 'Trunk injection',
  'soil-injection': 'Soil injection',
  'bark-spray': 'Bark spray',
  'foliar-spray': 'Foliar spray',
  'dormant-spray': 'Dormant spray',
  'root-zone-feeding': 'Root-zone feeding',
  bait: 'Bait',
  dust: 'Dust',
};
