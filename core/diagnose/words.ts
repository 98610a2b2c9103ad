/** The graded words of an examination, weakest first. Kept free of schemas, so that the browser can load them alone. */
export const CERTAINTIES = ['a guess', 'possible', 'likely', 'near certain', 'confirmed by test'] as const;
export type Certainty = (typeof CERTAINTIES)[number];
/** How sure each word is, as a share: "likely (4 in 5)". */
export const ODDS: Record<Certainty, string> = {
  'a guess': '1 in 5',
  possible: '2 in 5',
  likely: '4 in 5',
  'near certain': '19 in 20',
  'confirmed by test': 'laboratory or deciding test',
};

export const VIGOURS = ['good', 'fair', 'poor', 'failing'] as const;
export type Vigour = (typeof VIGOURS)[number];

export const FINDING_STATES = ['seen', 'absent', 'not looked'] as const;

export const DECISIONS = [
  'treat now',
  'protect a sound tree',
  'treat in its window',
  'restore vigour first',
  'leave it alone',
  'manage or remove',
  'report',
  'laboratory first',
] as const;
export type Decision = (typeof DECISIONS)[number];
/** The decisions after which a prescription makes sense. */
export const TREATS: readonly Decision[] = ['treat now', 'protect a sound tree', 'treat in its window'];

export const PLACES_ON_TREE = [
  'ground',
  'collar',
  'trunk',
  'branches',
  'shoots',
  'leaves',
  'fruit',
  'visitors',
] as const;

export const LEAF_STATES = ['leafless', 'unfolding', 'full', 'falling'] as const;
export type LeafState = (typeof LEAF_STATES)[number];
