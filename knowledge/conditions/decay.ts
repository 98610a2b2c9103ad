import { entry } from './entry';

/** What a rot takes first: which part may fail, and how. */
type Fails = 'root' | 'base' | 'stem' | 'limb';
const FAILS: Readonly<Record<Fails, { signs: string[]; words: string; relief: string }>> = {
  root: {
    signs: ['base-rocks', 'crown-thin'],
    words: 'The anchoring roots go first: it tips over whole, from a crown that may look well.',
    relief: 'Shorten the crown to take load off the roots',
  },
  base: {
    signs: ['bark-sunken-base', 'base-rocks'],
    words: 'The wood at the base goes: it breaks near the ground.',
    relief: 'Shorten the crown to relieve the base',
  },
  stem: {
    signs: ['broken-limbs', 'crown-thin'],
    words: 'The heart of the stem goes: it breaks there when the sound wall is thin.',
    relief: 'Shorten what stands above it',
  },
  limb: {
    signs: ['broken-limbs', 'dead-twigs'],
    words: 'The limb that carries it, or the stem beside it, snaps there.',
    relief: 'Shorten or take the limb that carries it',
  },
};
interface Rot {
  /** What it does to wood: brittle rots break without warning, soft and white ones bend and creak first. */
  wood: string;
  course: string;
  common: 'often' | 'now and then' | 'rare';
  /** The bracket by which it is known. */
  sign: string;
  at: Fails;
  drivers?: string[];
  /** With it on the same host; what tells it from them is its bracket. */
  like?: string[];
  worseOn?: string[];
  /** What else tells it. */
  tests?: Parameters<typeof entry>[4]['tests'];
  tell: string;
}
/** A rot that is known by its fruit body: nothing cures it, and what counts is what still holds. */
const rot = (id: string, name: string, groups: string[], r: Rot) =>
  entry(id, name, 'fungus', groups, {
    about: `${FAILS[r.at].words} ${r.wood}`,
    course: r.course,
    season: [1, 12],
    common: r.common,
    worseOn: r.worseOn ?? [],
    always: [r.sign],
    sometimes: [...FAILS[r.at].signs, ...(r.at === 'root' || r.at === 'base' ? ['base-brackets'] : ['brackets-trunk'])],
    tests: {
      'sound-trunk': { hollow: r.at === 'root' ? 'sometimes' : 'usual' },
      'sound-roots': { soft: r.at === 'root' ? 'usual' : 'sometimes' },
      'drill-wall': { thin: 'sometimes' },
      ...r.tests,
    },
    deciding: r.at === 'root' ? ['sound-roots', 'soft'] : ['sound-trunk', 'hollow'],
    decidingTest:
      'Its bracket names it; sounding hammer and probe say where the wood is gone, an assessor how much holds',
    drivers: r.drivers ?? [],
    lookalikes: ['butt-rot', ...(r.like ?? [])],
    curativeNeeds: 'near certain',
    policy: 'manage',
    threshold: 'A qualified risk assessor wherever people pass; measured, not guessed.',
    ways: [
      ['pruning', FAILS[r.at].relief, 'by the assessor’s word', 7, 3, 'relief', 'organic', { notOn: ['palm'] }],
      ['removal', 'Remove', 'by the assessor’s word', 1, 12, 'support', 'organic'],
    ],
    useless: 'Cutting off the bracket, filling, painting, injecting: the fungus is in the wood.',
    hazard: true,
    tell: r.tell,
    basis:
      'common knowledge of tree assessors on how each wood decay acts; a fruit body is named by eye with care, by microscope or laboratory where it matters',
  });

/** Wood decay by its fruit body, with what each means for the standing of the tree. */
export const decay = [
  rot('giant-polypore', 'Giant polypore (Meripilus)', ['beech', 'oak', 'lime', 'plane', 'horse-chestnut', 'rowan'], {
    wood: 'It rots roots from below; sounding the trunk shows nothing for long.',
    course: 'A few years from the first fronds; then wind throws it.',
    common: 'now and then',
    sign: 'bracket-fronds-tan',
    at: 'root',
    worseOn: ['beech'],
    drivers: ['cut-roots'],
    like: ['honey-fungus'],
    tell: 'Its roots are being rotted from below. The crown says nothing of it; a qualified assessor tests the roots.',
  }),
  rot(
    'brittle-cinder',
    'Brittle cinder (Kretzschmaria)',
    ['beech', 'lime', 'maple', 'horse-chestnut', 'plane', 'ash', 'elm', 'hornbeam'],
    {
      wood: 'Wood turns brittle like ceramic while it still sounds whole: it snaps without warning.',
      course: 'Slow, unseen, then sudden.',
      common: 'often',
      sign: 'bracket-crust-cinder',
      at: 'base',
      drivers: ['mower-wounds'],
      like: ['honey-fungus'],
      tell: 'This fungus makes wood brittle long before it sounds hollow. It is measured at once.',
    },
  ),
  rot(
    'ganoderma-rot',
    'Ganoderma butt rot',
    [
      'beech',
      'oak',
      'lime',
      'plane',
      'maple',
      'horse-chestnut',
      'willow',
      'poplar',
      'walnut',
      'citrus',
      'palm',
      'avocado',
    ],
    {
      wood: 'A slow white rot of the base; reaction wood may hold for many years, on palms it does not.',
      course: 'Years to decades; on palms months to few years.',
      common: 'often',
      sign: 'bracket-cocoa-dust',
      tests: { 'scratch-bracket': { browns: 'always' } },
      at: 'base',
      drivers: ['mower-wounds', 'cut-roots'],
      tell: 'The base is being rotted slowly. An assessor measures the sound wall and comes again.',
    },
  ),
  rot('shaggy-polypore', 'Shaggy polypore (Inonotus hispidus)', ['ash', 'plane', 'apple', 'walnut', 'mulberry'], {
    wood: 'On ash the rot is brittle and a limb or stem snaps beside it; on plane it is slow and walled in.',
    course: 'A bracket each summer that falls in winter: black lumps below tell of it.',
    common: 'now and then',
    sign: 'bracket-shaggy-rust',
    at: 'limb',
    worseOn: ['ash'],
    drivers: ['storm-breaks'],
    tell: 'Where this bracket sits the wood breaks. The part above people is dealt with first.',
  }),
  rot(
    'sulphur-polypore',
    'Sulphur polypore (Laetiporus)',
    ['oak', 'chestnut', 'robinia', 'yew', 'cherry', 'willow', 'larch', 'eucalyptus', 'carob'],
    {
      wood: 'Brown cubes of rotten heart within a wall that may be sound for long; it breaks sharply in the end.',
      course: 'Decades on oak and yew, fewer on willow and cherry.',
      common: 'now and then',
      sign: 'bracket-sulphur',
      at: 'stem',
      tell: 'The heart of the stem is going to brown cubes. How thick the sound wall is decides.',
    },
  ),
  rot(
    'conifer-root-rot',
    'Conifer root and butt rot (Heterobasidion)',
    ['pine', 'spruce', 'fir', 'larch', 'hemlock', 'douglas-fir', 'juniper', 'cedar', 'sequoia', 'thuja'],
    {
      wood: 'It passes from fresh stumps through root contacts; pines die, spruces rot within.',
      course: 'Trees fail in a widening group about an old stump.',
      common: 'often',
      sign: 'bracket-rim-white',
      tests: { 'lift-litter': { rim: 'usual' } },
      at: 'root',
      drivers: ['cut-roots'],
      like: ['honey-fungus'],
      tell: 'A root rot that spreads from stumps. Neighbours are looked at, and fresh stumps are treated or ground out.',
    },
  ),
  rot('beefsteak-rot', 'Beefsteak fungus (Fistulina)', ['oak', 'chestnut', 'eucalyptus'], {
    wood: 'It browns the heartwood and takes its strength only very late.',
    course: 'Decades; the mildest of them.',
    common: 'now and then',
    sign: 'bracket-liver-red',
    tests: { 'scratch-bracket': { bleeds: 'always' } },
    at: 'stem',
    tell: 'It colours heartwood and weakens it very late. It is noted and looked at again.',
  }),
  rot('velvet-top-rot', 'Velvet-top butt rot (Phaeolus)', ['pine', 'douglas-fir', 'larch', 'spruce', 'cedar', 'fir'], {
    wood: 'Brown cubes in butt and roots: it breaks at the base or heaves.',
    course: 'Years; fruit bodies stand beside it as on the ground.',
    common: 'often',
    sign: 'bracket-velvet-yellow-rim',
    at: 'base',
    drivers: ['cut-roots', 'lightning'],
    tell: 'The base and roots of this conifer are being rotted. An assessor tests them.',
  }),
  rot('ash-heart-rot', 'Ash bracket (Perenniporia)', ['ash', 'robinia', 'plane', 'elm', 'walnut'], {
    wood: 'A white rot of roots and base that goes far before the crown shows it.',
    course: 'Years; several whole trees fall with full crowns.',
    common: 'now and then',
    sign: 'bracket-cream-black-top',
    at: 'base',
    worseOn: ['ash'],
    drivers: ['mower-wounds', 'cut-roots'],
    tell: 'This bracket means rot of base and roots behind a full crown. It is measured soon.',
  }),
  rot('hoof-fungus', 'Hoof fungus (Fomes)', ['beech', 'birch', 'poplar', 'plane', 'maple'], {
    wood: 'A white rot of weak and dead stems; the stem snaps, often several metres up.',
    course: 'Few years once it fruits.',
    common: 'now and then',
    sign: 'bracket-hoof-grey',
    at: 'stem',
    drivers: ['sun-scald', 'storm-breaks'],
    tell: 'The stem snaps where this sits, often high up. Nobody stays below it in wind.',
  }),
  rot('birch-bracket-rot', 'Birch bracket (Fomitopsis)', ['birch'], {
    wood: 'A brown rot of birches that are dying already: the stem snaps into pieces.',
    course: 'Two to four years.',
    common: 'often',
    sign: 'bracket-birch-cream',
    at: 'stem',
    drivers: ['drought-stress'],
    tell: 'A birch with this bracket is on its way out and breaks in pieces. It is taken down while it can be climbed.',
  }),
  rot('oak-bracket-rot', 'Oak bracket (Pseudoinonotus)', ['oak', 'chestnut'], {
    wood: 'A white rot of the underside of roots and the base, slow; old oaks stand on it for decades, and some fall.',
    course: 'Decades.',
    common: 'now and then',
    sign: 'bracket-amber-drops',
    at: 'root',
    tell: 'It rots the undersides of roots, slowly. The roots are tested where people stay.',
  }),
  rot('plum-bracket-rot', 'Plum bracket (Phellinus)', ['stone-fruit'], {
    wood: 'A white rot of the heart of plum, cherry and kin: limbs break under crop or snow.',
    course: 'Ten years and more.',
    common: 'often',
    sign: 'bracket-cushions-limb',
    at: 'limb',
    drivers: ['storm-breaks'],
    tell: 'The heart of old plum and cherry limbs is soft: props under a crop, and the worst limbs out after harvest.',
  }),
  rot('dryads-saddle-rot', 'Dryad’s saddle', ['maple', 'elm', 'lime', 'walnut', 'horse-chestnut', 'beech'], {
    wood: 'A white rot within old wounds and pollard heads, mostly walled in.',
    course: 'Years to decades.',
    common: 'now and then',
    sign: 'bracket-saddle-scaled',
    at: 'stem',
    drivers: ['storm-breaks'],
    tell: 'It rots behind old wounds. What stands above the wound is judged there.',
  }),
  rot('oyster-rot', 'Oyster mushroom rot', ['broadleaf'], {
    wood: 'A fast white rot of dying wood: limbs drop.',
    course: 'A few years.',
    common: 'now and then',
    sign: 'bracket-oysters',
    at: 'limb',
    drivers: ['storm-breaks', 'sun-scald'],
    tell: 'The wood it sits on is dead or dying and soft: that part comes down first.',
  }),
];
