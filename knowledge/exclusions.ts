import type { Exclusion } from '@/core/diagnose/doubts';

/** What cannot be both: the person is told, and looks again. */
export const exclusions: readonly Exclusion[] = [
  ['soil-dry', 'soil-waterlogged', 'The soil was said to be dry and to be waterlogged: look again, at root depth.'],
  ['soil-dry', 'soil-probe/wet-sour', 'Dry a finger deep and wet at root depth: the probe counts; do not water.'],
  ['soil-waterlogged', 'soil-probe/dry', 'Wet on top and dry at root depth: the probe counts.'],
  ['crown-full', 'crown-thin', 'The crown was called full and thin: grade it again.'],
  ['crown-full', 'top-dieback', 'The crown was called full and dead at the top: grade it again.'],
  ['black-film-wipes', 'wipe/stays', 'The black was seen to wipe off and found to stay: wipe another leaf.'],
  [
    'leaves-black-hang',
    'scratch/none',
    'The tip is black and green under the bark: scratch again at the edge of the black.',
  ],
  ['fold-leaf/dull-limp', 'soil-probe/wet-sour', 'Limp leaves over wet soil: the roots drown. Do not water.'],
];
