/**
 * Facts that only somebody at the tree can give. A gate that needs one asks for it; nothing is assumed. Each has a question,
 * the answers to choose from, and whether it holds for the visit or for the tree.
 */
export const SAID = {
  bloom: {
    question: 'Is this tree in flower?',
    answers: ['no flower this season', 'opens within a week', 'opens within three weeks', 'in flower', 'over'],
  },
  'ground-bloom': {
    question: 'What flowers below it or beside it?',
    answers: ['nothing', 'will flower this year', 'in flower'],
  },
  honeydew: { question: 'Bees on the honeydew?', answers: ['none', 'bees on the honeydew'] },
  hive: { question: 'Hives near by?', answers: ['none within 50 m', 'within 50 m'] },
  helpers: { question: 'Active helpers on the leaves?', answers: ['few or none', 'many at work'] },
  services: { question: 'Buried cables and pipes?', answers: ['located and marked', 'not located'] },
  litter: { question: 'Mulch and ground cover?', answers: ['pulled back or bare', 'still in place'] },
  edibles: { question: 'Anything eaten in the root zone?', answers: ['nothing', 'edible plants'] },
  boundary: { question: 'Far enough from the boundary?', answers: ['far enough', 'nearer'] },
  passes: { question: 'Poured in passes?', answers: ['in passes', 'all at once'] },
  slope: { question: 'Would it run off?', answers: ['level', 'slopes away', 'slopes to water'] },
  'ground-water': { question: 'How deep is ground water?', answers: ['deeper than 2 m', 'shallower'] },
  inversion: { question: 'Does the air mix?', answers: ['it mixes', 'inversion measured'] },
  gusts: { question: 'Does it blow in gusts?', answers: ['steady', 'gusty'] },
  'soil-warmth': { question: 'Is the soil as warm as the label asks?', answers: ['warm enough', 'colder'] },
  rain: { question: 'Dry for the label’s hours?', answers: ['dry', 'rain expected'] },
  reach: { question: 'Does the spray reach all of it?', answers: ['all of it', 'part is out of reach'] },
  leaves: { question: 'Are the leaves dry?', answers: ['dry', 'wet'] },
  sun: { question: 'How strong is the sun?', answers: ['low or clouded', 'strong midday sun'] },
  drought: { question: 'Does the tree lack water?', answers: ['no', 'yes'] },
  below: { question: 'Under the drip?', answers: ['cleared', 'people, pets, cars or laundry'] },
  notice: { question: 'Neighbours told, notice posted?', answers: ['done', 'not asked for here', 'not yet'] },
  attendance: { question: 'Who stays with hanging devices?', answers: ['attended or fenced', 'nobody'] },
  stage: { question: 'Which stage is there?', answers: [] },
  'bark-mm': { question: 'How thick is the bark?', answers: ['under 10 mm', '10 to 30 mm', 'over 30 mm'] },
  collar: { question: 'The wood at drilling height?', answers: ['sound', 'decayed or cankered'] },
  stations: { question: 'Bait in locked stations?', answers: ['locked', 'open'] },
  name: { question: 'Name and group read aloud from the label?', answers: ['read'] },
  tools: { question: 'Bits and blades disinfected since the last tree?', answers: ['disinfected', 'not yet'] },
  eyes: { question: 'Eye protection on?', answers: ['worn', 'none'] },
  mask: { question: 'Mask and goggles for powder?', answers: ['worn', 'none'] },
  'spill-kit': { question: 'Spill kit at hand?', answers: ['at hand', 'missing'] },
  'mix-age': { question: 'When was the mix made?', answers: ['just now', 'within its hours', 'older'] },
} as const satisfies Record<string, { question: string; answers: readonly string[] }>;

export type FactKey = keyof typeof SAID;

/** What changes from day to day: said when it was planned, it is asked again when it is done. */
export const PASSING: readonly FactKey[] = [
  'bloom',
  'ground-bloom',
  'honeydew',
  'helpers',
  'inversion',
  'gusts',
  'soil-warmth',
  'rain',
  'leaves',
  'sun',
  'drought',
  'below',
  'litter',
  'stage',
  'collar',
  'attendance',
  'stations',
  'name',
  'tools',
  'eyes',
  'mask',
  'spill-kit',
  'mix-age',
];
/** The same for every tree of a place on one day: asked once. */
export const OF_THE_SITE: readonly FactKey[] = [
  'hive',
  'inversion',
  'gusts',
  'soil-warmth',
  'rain',
  'sun',
  'notice',
  'spill-kit',
  'eyes',
  'mask',
  'name',
  'mix-age',
  'services',
  'ground-water',
];
/** What was said when it was planned and still holds on the day: passing facts left out. */
export const stillSaid = (said: Said | undefined): Said =>
  Object.fromEntries(Object.entries(said ?? {}).filter(([k]) => !PASSING.includes(k as FactKey)));
export type Said = Partial<Record<FactKey, string>>;
export const FACT_KEYS = Object.keys(SAID) as [FactKey, ...FactKey[]];
const isKey = (key: string): key is FactKey => Object.hasOwn(SAID, key);

/** Whether each answer is one of those that its question offers; those on the stage come from the label. */
export const isOffered = (said: Readonly<Record<string, string | undefined>>): said is Said =>
  Object.entries(said).every(
    ([key, answer]) =>
      answer === undefined ||
      (isKey(key) && (key === 'stage' || (SAID[key].answers as readonly string[]).includes(answer))),
  );
