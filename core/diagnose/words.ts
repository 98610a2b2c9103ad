/** The graded words of an examination, weakest first. Kept free of schemas, so that the browser can load them alone. */
export const CERTAINTIES = ['a guess', 'possible', 'likely', 'near certain', 'confirmed by test'] as const;
export type Certainty = (typeof CERTAINTIES)[number];
/** The word as people read it: what confirms may be a laboratory, the deciding test, or the thing itself seen. */
export const certaintyWords = (c: Certainty): string => (c === 'confirmed by test' ? 'confirmed' : c);
/** How sure each word is, as a share: "likely (4 in 5)". */
export const ODDS: Record<Certainty, string> = {
  'a guess': '1 in 5',
  possible: '2 in 5',
  likely: '4 in 5',
  'near certain': '19 in 20',
  'confirmed by test': 'laboratory, deciding test, or the thing itself seen',
};

export const VIGOURS = ['good', 'fair', 'poor', 'failing'] as const;
export type Vigour = (typeof VIGOURS)[number];
/** What each word of the vigour scale looks like, so that two people grade the same tree alike. */
export const VIGOUR_GRADES: Record<Vigour, string> = {
  good: 'long shoots, full-sized leaf, wound wood rolls over old cuts',
  fair: 'shoots a third shorter than usual, leaf nearly full',
  poor: 'shoots a few cm, small pale leaf, wounds hardly close',
  failing: 'hardly any new growth, dead wood through the crown',
};

/** The one sign that speaks for health: that nothing else is there says nothing against it. */
export const SIGN_OF_HEALTH = 'crown-full';

export const FINDING_STATES = ['seen', 'absent', 'not looked'] as const;
/** How sure the observer is that it is this sign: another thing than how much of it there is. */
export const SURE = ['sure', 'perhaps'] as const;
export type Sure = (typeof SURE)[number];

export const DECISIONS = [
  'treat now',
  'protect a sound tree',
  'treat in its window',
  'restore vigour first',
  'leave it alone',
  'manage or remove',
  'report',
  'laboratory first',
  'test first',
  /** Something is wrong and nobody knows yet what: what to do meanwhile. */
  'not yet named',
  /** Too little has been looked at to say anything. */
  'look further',
] as const;
export type Decision = (typeof DECISIONS)[number];
/** What is asked of a look before a tree may be called sound: these places, and how the tree grows. */
export const FLOOR_OF_INSPECTIONS = ['collar', 'trunk', 'crown'] as const;

/** The decisions after which a prescription makes sense. */
export const TREATS: readonly Decision[] = ['treat now', 'protect a sound tree', 'treat in its window'];

/** The walk of an examination, from the ground up and out to the neighbours. */
export const PARTS_OF_TREE = [
  'ground',
  'collar',
  'trunk',
  'bark',
  'branches',
  'crown',
  'shoots',
  'leaves',
  'undersides',
  'flowers',
  'fruit',
  'visitors',
  'neighbours',
] as const;
export type PartOfTree = (typeof PARTS_OF_TREE)[number];

/** How often a condition shows a sign, as a word and as the share it stands for. */
export const OFTEN = { always: 0.95, usual: 0.75, sometimes: 0.35, rare: 0.1, never: 0.005 } as const;
export type Often = keyof typeof OFTEN;
export const OFTEN_WORDS = Object.keys(OFTEN) as [Often, ...Often[]];

/** How common a condition is on its hosts. */
export const COMMON_WORDS = ['very', 'often', 'now and then', 'rare'] as const;

export const KINDS = [
  'sap feeder',
  'borer',
  'chewer',
  'mite',
  'mollusc',
  'fungus',
  'water mould',
  'bacterium',
  'virus',
  'nematode',
  'vertebrate',
  'mechanical',
  'soil and site',
  'nutrient',
  'cultural',
  'harmless',
  'unknown',
] as const;

/** Duties beside every treatment, from the nature of a condition. */
export const NATURES = ['hairs', 'spores', 'no cut', 'gas'] as const;

/** Words as they stand inside a sentence: the first letter small. */
export const inSentence = (words: string): string => words.replace(/^./, (x) => x.toLowerCase());
