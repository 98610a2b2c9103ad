import type { Certainty, Decision, Vigour } from '@/core/diagnose/words';

/** What was found and named on the trees of each place, taken in turn. */
export interface Case {
  hosts: string[];
  condition: string;
  certainty: Certainty;
  decision: Decision;
  crownLoss: number;
  vigour: Vigour;
  signs: [string, number][];
  /** Looked for and not there. */
  absent?: string[];
  tests?: [string, string][];
  /** What it was first taken for, on every fourth of these trees. */
  first?: string;
  /** Found while digging, waiting for the client. */
  dug?: string;
  every: number;
  offset: number;
  reason: string;
}
export const cases: Case[] = [
  {
    hosts: ['wych-elm', 'field-elm'],
    condition: 'elm-leaf-beetle',
    certainty: 'likely',
    decision: 'treat now',
    crownLoss: 12,
    vigour: 'fair',
    signs: [
      ['holes-chewed', 3],
      ['leaves-curled', 1],
    ],
    absent: ['one-limb-yellow', 'tips-hook'],
    tests: [['beat-branch', 'beetles-fall']],
    first: 'drought-stress',
    every: 3,
    offset: 0,
    reason: 'Third summer of skeletonised leaves; the avenue begins to thin.',
  },
  {
    hosts: ['wych-elm', 'field-elm'],
    condition: 'dutch-elm-disease',
    certainty: 'possible',
    decision: 'protect a sound tree',
    crownLoss: 3,
    vigour: 'good',
    signs: [['beetles-small-dark', 1]],
    absent: ['one-limb-yellow', 'tips-hook', 'top-dieback'],
    every: 3,
    offset: 1,
    reason: 'Sound tree; the disease stands 4 km up the estuary.',
  },
  {
    hosts: ['wych-elm', 'field-elm'],
    condition: 'elm-bark-beetle',
    certainty: 'possible',
    decision: 'leave it alone',
    crownLoss: 6,
    vigour: 'fair',
    signs: [['exit-holes-round', 1]],
    every: 3,
    offset: 2,
    reason: 'A few holes in storm wood only.',
  },
  {
    hosts: ['common-lime', 'small-leaved-lime'],
    condition: 'lime-aphid',
    certainty: 'near certain',
    decision: 'treat now',
    crownLoss: 2,
    vigour: 'good',
    signs: [
      ['aphids-live', 3],
      ['honeydew', 4],
      ['black-film-wipes', 2],
      ['ants-trail', 2],
    ],
    absent: ['scale-covers', 'scale-cottony'],
    tests: [
      ['loupe-leaf', 'aphids'],
      ['wipe', 'wipes-off'],
    ],
    first: 'sooty-mould',
    every: 2,
    offset: 0,
    reason: 'Cars under honeydew; the hospital asks for relief.',
  },
  {
    hosts: ['cider-apple', 'pear'],
    condition: 'apple-scab',
    certainty: 'near certain',
    decision: 'treat in its window',
    crownLoss: 4,
    vigour: 'good',
    signs: [
      ['olive-spots', 3],
      ['fruit-scabbed', 2],
    ],
    absent: ['spots-orange', 'spots-purple-rim'],
    tests: [['loupe-leaf', 'velvet']],
    every: 3,
    offset: 0,
    reason: 'Cover from green tip next spring; nothing mends a spot once it is there.',
  },
  {
    hosts: ['silver-birch'],
    condition: 'buried-collar',
    certainty: 'confirmed by test',
    decision: 'restore vigour first',
    crownLoss: 14,
    vigour: 'poor',
    signs: [
      ['flare-buried', 4],
      ['girdling-root', 2],
      ['short-growth', 3],
    ],
    absent: ['exit-holes-d', 'mower-wound'],
    tests: [['dig-collar', 'buried']],
    first: 'bronze-birch-borer',
    dug: 'Cut one girdling root now, a second when it has dried, in the autumn',
    every: 2,
    offset: 0,
    reason: 'Planted 12 cm too deep; collar first, then water, then look again.',
  },
  {
    hosts: ['london-plane'],
    condition: 'natural-bark-shedding',
    certainty: 'near certain',
    decision: 'leave it alone',
    crownLoss: 0,
    vigour: 'good',
    signs: [['bark-plates-shed', 4]],
    absent: ['strips-stained', 'top-dieback'],
    tests: [['peel-patch', 'sound-below']],
    every: 1,
    offset: 0,
    reason: 'The parents worry; the tree does not.',
  },
  {
    hosts: ['western-hemlock'],
    condition: 'hemlock-woolly-adelgid',
    certainty: 'near certain',
    decision: 'treat now',
    crownLoss: 24,
    vigour: 'poor',
    signs: [
      ['wool-needle-base', 3],
      ['short-growth', 3],
    ],
    absent: ['stipple', 'honeydew'],
    tests: [['wipe-white', 'waxy-bodies']],
    first: 'drought-stress',
    every: 2,
    offset: 0,
    reason: 'Wool on seven shoots of ten; the shade over the wells is worth keeping.',
  },
  {
    hosts: ['norway-spruce'],
    condition: 'spruce-needle-cast',
    certainty: 'likely',
    decision: 'treat in its window',
    crownLoss: 9,
    vigour: 'fair',
    signs: [['needles-brown-old', 2]],
    absent: ['stipple', 'mites-silk'],
    tests: [['loupe-needle', 'dots-rows']],
    every: 2,
    offset: 0,
    reason: 'Cover when new shoots are half grown.',
  },
  {
    hosts: ['pedunculate-oak'],
    condition: 'iron-shortage',
    certainty: 'near certain',
    decision: 'treat in its window',
    crownLoss: 8,
    vigour: 'fair',
    signs: [['yellow-between-veins', 3]],
    absent: ['soil-waterlogged', 'yellow-between-old'],
    tests: [
      ['soil-ph', 'limy'],
      ['leaf-analysis', 'iron'],
    ],
    every: 1,
    offset: 0,
    reason: 'pH 7.9 over rubble, leaf analysis short of iron.',
  },
  {
    hosts: ['common-ash'],
    condition: 'emerald-ash-borer',
    certainty: 'possible',
    decision: 'laboratory first',
    crownLoss: 18,
    vigour: 'fair',
    signs: [
      ['top-dieback', 2],
      ['woodpecker-flecks', 1],
    ],
    absent: ['holes-irregular', 'white-fans'],
    every: 1,
    offset: 0,
    reason: 'Two flecked limbs; peel a window and send what is in it.',
  },
];
