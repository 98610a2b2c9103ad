/** How firm what the guide says of a condition is; where nothing stands here, it is usual practice. */
export type Firmness = 'well studied' | 'usual practice' | 'little known';

/** Decades of trials in several countries agree on what it is, when it comes and what works. */
const WELL_STUDIED = [
  ...[
    'apple-scab',
    'fire-blight',
    'peach-leaf-curl',
    'brown-rot',
    'powdery-mildew',
    'cedar-apple-rust',
    'codling-moth',
  ],
  ...['apple-maggot', 'san-jose-scale', 'oystershell-scale', 'spider-mite', 'winter-moth', 'spongy-moth', 'olive-fly'],
  ...[
    'emerald-ash-borer',
    'hemlock-woolly-adelgid',
    'dutch-elm-disease',
    'oak-wilt',
    'chestnut-blight',
    'blister-rust',
  ],
  ...['spruce-bark-beetle', 'horse-chestnut-miner', 'elm-leaf-beetle', 'woolly-apple-aphid', 'citrus-red-scale'],
  ...[
    'citrus-tristeza',
    'citrus-canker',
    'citrus-greening',
    'citrus-gummosis',
    'plum-pox',
    'crown-gall',
    'honey-fungus',
  ],
  ...['conifer-root-rot', 'verticillium-wilt', 'pine-wilt', 'fruit-fly', 'cottony-cushion-scale', 'iron-shortage'],
  ...['drought-stress', 'girdling-roots', 'salt-damage', 'sooty-mould', 'voles'],
];
/** New, or argued about: what is done rests on few trials or on none. */
const LITTLE_KNOWN: Readonly<Record<string, string>> = {
  'acute-oak-decline': 'several bacteria and a beetle together; what tips the balance is argued about',
  'bacterial-bleeding-canker': 'many trees mend by themselves; no treatment has held in trials',
  'beech-leaf-disease': 'known for about fifteen years; treatments are still tried',
  'bacterial-leaf-scorch': 'injection holds symptoms off for a season; that it lengthens life is not shown',
  'bur-oak-blight': 'how often an injection pays is argued about',
  'massaria-plane': 'when a limb fails is known by inspection rounds, not by trials',
  'sooty-bark': 'rests on years of drought in few countries',
  'thousand-cankers': 'deadly in one region and mild in another; why is not settled',
  'polyphagous-borer': 'a wave that is still moving; what hosts live is being learnt',
  'laurel-wilt': 'infusion keeps single trees of value; for how long is not settled',
  'sudden-oak-death': 'phosphonate protects some oaks; how long is argued about',
  'phytophthora-bleeding': 'phosphonate on the bark helps some trees and fails others',
  wetwood: 'that it weakens trees is more believed than measured',
  'old-age-decline': 'veteran care rests on observation, seldom on trials',
  ozone: 'symptoms are known; what they cost a street tree is not',
  'ficus-thrips': 'told by few places',
  'cedar-shoot-blight': 'told by few places',
  'palm-fusarium': 'how far tools carry it, and how far wind, is argued about',
  capnodis: 'thresholds differ from orchard to orchard',
  'pomegranate-heart-rot': 'when it enters is known, what keeps it out is not',
};

/** How firm an entry is, and why where little is known. */
export function firmnessOf(conditionId: string): { firm: Firmness; why: string | null } {
  const why = LITTLE_KNOWN[conditionId];
  if (why) return { firm: 'little known', why };
  return { firm: WELL_STUDIED.includes(conditionId) ? 'well studied' : 'usual practice', why: null };
}
export const FIRMNESS_SAID = [...WELL_STUDIED, ...Object.keys(LITTLE_KNOWN)];
