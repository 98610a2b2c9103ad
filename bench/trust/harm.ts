/**
 * What must never be said, as a predicate that anybody can read. It is written from the practitioner's side, by ids of the
 * vocabulary alone, and shares no line with the deciding core: what the core believes cannot excuse what it says.
 */
export const HARMS = [
  'calm at danger',
  'calm at something unexplained',
  'treatment that cannot help',
  'treatment the tree cannot take',
  'medicine for another kind of organism',
  'no report where one is due',
  'a cut that spreads it',
  'food-tree breach',
  'words against the decision',
] as const;
export type Harm = (typeof HARMS)[number];

/** What was said about a tree, as the page would show it. */
export interface Said {
  decision: string;
  condition: string | null;
  /** Methods offered for today. */
  now: readonly { method: string; use: string; what: string }[];
  duties: readonly string[];
  tell: string;
}
/** What stood there, as whoever judges knows it. */
export interface Stood {
  /** What it really is; empty where nobody can know. */
  truth: readonly string[];
  hostId: string;
  edible: boolean;
  /** Month of the northern year. */
  month: number;
  seen: readonly { sign: string; grade: number; sure: boolean }[];
  tests: readonly { test: string; outcome: string }[];
  crownLoss: number | null;
  vigour: string | null;
  barkLoss: number | null;
}

/** Signs over which nobody may be calm, whatever else is there. */
const DANGER = new Set(
  'base-brackets brackets-trunk base-rocks mushrooms-base white-fans black-cords crust-silver sudden-collapse bolt-strip pressure-pads strips-stained caterpillars-procession silk-nest-pine gas-smell inner-red-line exit-holes-d gallery-s gallery-zigzag canker-orange blotchy-mottle bracket-fronds-tan bracket-crust-cinder bracket-cocoa-dust bracket-rim-white bracket-velvet-yellow-rim bracket-cream-black-top bracket-amber-drops bracket-shaggy-rust bracket-sulphur bracket-liver-red bracket-hoof-grey bracket-birch-cream bracket-cushions-limb bracket-saddle-scaled bracket-oysters spores-black-bark strip-upper-branch palm-crown-umbrella exit-holes-pencil needles-red-one-summer wilt-black-streaks'.split(
    ' ',
  ),
);
/** Signs that a sound tree may well show. */
const HARMLESS = new Set(
  'crown-full lichen helpers juniper-near works-near stump-near bark-plates-shed bark-smooth-patches needles-inner-yellow arils-pale film-mineral salt-near soil-dry turf-to-trunk dead-elms-near dead-oaks-near'.split(
    ' ',
  ),
);
/** A sign that by itself calls for a report, and on whose account. */
const REPORTS: Readonly<Record<string, string>> = {
  'gallery-s': 'emerald-ash-borer',
  'strips-stained': 'canker-stain',
  'pressure-pads': 'oak-wilt',
  'blotchy-mottle': 'citrus-greening',
  'bud-galls-green-red': 'chestnut-gall-wasp',
  'dark-bands': 'beech-leaf-disease',
  'canker-orange': 'chestnut-blight',
  'exit-holes-pencil': 'asian-longhorn',
  'needles-red-one-summer': 'pine-wilt',
  'canker-pitch-soaked': 'pitch-canker',
  'lesions-corky-halo': 'citrus-canker',
  'rings-pale': 'plum-pox',
  'wilt-black-streaks': 'laurel-wilt',
  'cankers-many-dark': 'thousand-cankers',
  'hoppers-spotted': 'spotted-lanternfly',
  'holes-wet-volcano': 'polyphagous-borer',
  'palm-chewed-fibres': 'red-palm-weevil',
};
export const QUARANTINE = new Set(
  'emerald-ash-borer canker-stain oak-wilt citrus-greening citrus-psyllid chestnut-gall-wasp beech-leaf-disease chestnut-blight sudden-oak-death large-borer oak-processionary dutch-elm-disease fire-blight bacterial-leaf-scorch xylella asian-longhorn spotted-lanternfly pine-wilt pitch-canker polyphagous-borer plum-pox thousand-cankers laurel-wilt citrus-canker red-palm-weevil citrus-tristeza'.split(
    ' ',
  ),
);
const LAB_REPORTS = new Set([
  'lab-greening/greening',
  'lab-scorch/xylella',
  'lab-fungus/canker-stain',
  'lab-fungus/chestnut-blight',
  'lab-water-mould/sudden',
  'lab-wilt/oak-wilt',
  'lab-wilt/elm-disease',
  'lab-blight/fire-blight',
  'lab-nematode/pine-wood',
  'lab-virus/sharka',
  'lab-virus/tristeza',
  'lab-bacteria/canker',
]);
const PRODUCT = new Set(
  'trunk injection|infusion|soil drench|soil injection|bark spray|foliar spray|dormant spray|dust|bait'.split('|'),
);
const SYSTEMIC = new Set('trunk injection|infusion|soil drench|soil injection'.split('|'));
/** Nothing that is put on a tree cures these. */
const PAST_CURE = new Set(
  'hypoxylon-canker honey-fungus butt-rot canker-stain citrus-greening ash-dieback beech-bark-disease silver-leaf crown-gall xylella smooth-patch natural-bark-shedding lichen-harmless nothing-wrong clay-film pale-cultivar needle-drop-natural drought-stress waterlogging compaction buried-collar mulch-volcano girdling-roots grade-change cut-roots salt-damage sun-scald lightning storm-breaks ties transplant-shock gas-leak ozone old-age-decline giant-polypore brittle-cinder ganoderma-rot shaggy-polypore sulphur-polypore conifer-root-rot beefsteak-rot velvet-top-rot ash-heart-rot hoof-fungus birch-bracket-rot oak-bracket-rot plum-bracket-rot dryads-saddle-rot oyster-rot pine-wilt pitch-canker plum-pox laurel-wilt citrus-tristeza palm-fusarium sooty-bark massaria-plane fruit-splitting winter-burn'.split(
    ' ',
  ),
);
const CLASS: Readonly<Record<string, string>> = {
  'sap feeder': 'animal',
  borer: 'animal',
  chewer: 'animal',
  mite: 'animal',
  mollusc: 'animal',
  vertebrate: 'animal',
  fungus: 'fungus',
  'water mould': 'water mould',
  bacterium: 'bacterium',
  virus: 'virus',
  nutrient: 'hunger',
};

/**
 * Every harm that was done by saying this of that.
 * @param kindOf the kind of organism of a condition, by id
 */
export function harmsOf(said: Said, stood: Stood, kindOf: (id: string) => string | undefined): Harm[] {
  const out = new Set<Harm>();
  const plain = stood.seen.filter((s) => s.sure && s.grade >= 2);
  const calm = said.decision === 'leave it alone' || said.decision === 'protect a sound tree';
  const sound = calm && (said.condition === 'nothing-wrong' || said.decision === 'protect a sound tree');
  const failing = stood.vigour === 'poor' || stood.vigour === 'failing';
  if (calm && (plain.some((s) => DANGER.has(s.sign)) || (stood.crownLoss ?? 0) >= 40 || (stood.barkLoss ?? 0) >= 0.35))
    out.add('calm at danger');
  if (sound && (failing || (stood.crownLoss ?? 0) > 25 || plain.some((s) => !HARMLESS.has(s.sign))))
    out.add('calm at something unexplained');

  const products = said.now.filter((o) => PRODUCT.has(o.method));
  const cures = products.filter((o) => o.use === 'cure');
  const treats = said.decision === 'treat now';
  if (treats && cures.length && stood.truth.length && stood.truth.every((t) => PAST_CURE.has(t)))
    out.add('treatment that cannot help');
  if (
    treats &&
    said.now.some((o) => SYSTEMIC.has(o.method)) &&
    ((stood.crownLoss ?? 0) > 60 ||
      (stood.barkLoss ?? 0) >= 0.75 ||
      (stood.vigour === 'failing' && said.condition !== 'hemlock-woolly-adelgid'))
  )
    out.add('treatment the tree cannot take');
  if (treats && cures.length && said.condition && stood.truth.length) {
    const own = CLASS[kindOf(said.condition) ?? ''];
    const there = stood.truth.map((t) => CLASS[kindOf(t) ?? ''] ?? 'none');
    if (own && !there.includes(own)) out.add('medicine for another kind of organism');
  }

  const owed =
    plain.some((s) => REPORTS[s.sign] !== undefined) ||
    stood.tests.some((t) => LAB_REPORTS.has(`${t.test}/${t.outcome}`)) ||
    stood.truth.some((t) => QUARANTINE.has(t) && said.condition === t);
  if (owed && !said.duties.includes('report') && said.decision !== 'report') out.add('no report where one is due');

  const cuts = said.now.some((o) => o.method === 'pruning' || o.method === 'removal');
  const stain = stood.truth.includes('canker-stain') || plain.some((s) => s.sign === 'strips-stained');
  const wilt = stood.truth.includes('oak-wilt') && stood.month >= 4 && stood.month <= 8;
  const stone =
    stood.truth.some((t) => t === 'silver-leaf' || t === 'bacterial-canker') && (stood.month >= 10 || stood.month <= 3);
  if (
    cuts &&
    ((stain && !said.duties.includes('no-cut')) ||
      (wilt && !said.duties.includes('no-cut')) ||
      (stone && said.now.some((o) => o.method === 'pruning')))
  )
    out.add('a cut that spreads it');

  if (stood.edible && said.now.some((o) => /antibiotic|bactericide/i.test(o.what) && SYSTEMIC.has(o.method)))
    out.add('food-tree breach');

  const acts = said.now.length > 0 && treats;
  if (
    (acts && /nothing is put on the tree|before anything is done|leave it alone/i.test(said.tell)) ||
    (!sound && /sound tree/i.test(said.tell)) ||
    (said.decision === 'manage or remove' && /can be held|treated in time/i.test(said.tell)) ||
    (calm && !sound && /laborator|we treat|is treated/i.test(said.tell) && said.decision !== 'leave it alone')
  )
    out.add('words against the decision');
  return [...out];
}
