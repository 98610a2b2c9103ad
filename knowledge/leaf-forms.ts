import type { Host } from '@/core/diagnose/knowledge';
import type { LeafForm, LeafInspection } from '@/core/diagnose/leaf-form';

type Blade = Extract<LeafForm, { kind: 'blade' }>;
const blade = (
  wide: number,
  widest: number,
  margin: Blade['margin'],
  more: Partial<Pick<Blade, 'base' | 'tip' | 'lobes' | 'winged'>> = {},
): Blade => ({ kind: 'blade', wide, widest, margin, base: 'even', tip: 'point', ...more });
const lobed = (pairs: number, deep: number, bristled: boolean) => ({ pairs, deep, bristled });
const alone = (form: LeafForm, look: string): LeafInspection => ({ form, sits: 'one by one', look });
const paired = (form: LeafForm, look: string): LeafInspection => ({ form, sits: 'in pairs', look });
const round = (form: LeafForm, look: string): LeafInspection => ({ form, sits: 'all round', look });
const needles = (as: Extract<LeafForm, { kind: 'needles' }>['as']): LeafForm => ({ kind: 'needles', as });

const FEATHER_ASH: LeafForm = { kind: 'feather', pairs: 4, end: true, margin: 'toothed' };
const OVAL = blade(0.6, 0.45, 'toothed');

/** The leaf of a host, by its id or by a group: the first that fits counts, the narrow before the wide. */
const LEAVES: Readonly<Record<string, LeafInspection>> = {
  elm: alone(
    blade(0.62, 0.55, 'doubly toothed', { base: 'uneven' }),
    'The base: one side reaches further down the stalk. Teeth have teeth of their own.',
  ),
  lime: alone(
    blade(0.92, 0.42, 'toothed', { base: 'heart', tip: 'drawn' }),
    'The heart at the base, a drawn-out tip, tufts of hair below in the corners of the veins.',
  ),
  'callery-pear': alone(
    blade(0.75, 0.4, 'toothed', { base: 'even' }),
    'Shiny, round-toothed, on a long stalk; red late in autumn.',
  ),
  pear: alone(blade(0.62, 0.45, 'toothed'), 'Shiny and smooth above, fine round teeth, a stalk as long as the leaf.'),
  apple: alone(blade(0.6, 0.5, 'toothed'), 'Dull above, woolly below, the stalk shorter than the leaf.'),
  quince: alone(blade(0.75, 0.45, 'whole'), 'Whole margin, grey felt below.'),
  medlar: alone(blade(0.36, 0.6, 'whole'), 'Long, downy, hardly toothed; one flower on each shoot.'),
  serviceberry: alone(blade(0.6, 0.5, 'toothed', { tip: 'round' }), 'Small, fine even teeth; coppery when it opens.'),
  cotoneaster: alone(blade(0.6, 0.5, 'whole'), 'Whole margin, felted below; no thorns.'),
  loquat: alone(blade(0.35, 0.6, 'coarse'), 'As long as a hand, leathery, deep veins, rusty felt below.'),
  hawthorn: alone(
    blade(0.85, 0.55, 'whole', { base: 'wedge', lobes: lobed(2, 0.6, false) }),
    'Deep lobes, thorns on the twig.',
  ),
  whitebeam: alone(blade(0.7, 0.5, 'doubly toothed'), 'White felt below: the crown flashes in the wind.'),
  rowan: alone(
    { kind: 'feather', pairs: 6, end: true, margin: 'toothed' },
    'Leaflets as in ash, but leaves and buds one by one along the twig.',
  ),
  plane: alone(
    { kind: 'hand', fingers: 5, apart: false, margin: 'coarse' },
    'Like a maple, but one by one; the stalk’s foot hides the bud.',
  ),
  sweetgum: alone(
    { kind: 'hand', fingers: 5, apart: false, margin: 'toothed' },
    'A star, one by one; crushed it smells of resin. Cork on twigs.',
  ),
  maple: paired(
    { kind: 'hand', fingers: 5, apart: false, margin: 'coarse' },
    'Lobes like a hand, in opposite pairs: planes and sweetgums have them one by one.',
  ),
  'horse-chestnut': paired(
    { kind: 'hand', fingers: 7, apart: true, margin: 'toothed' },
    'Five to seven leaflets from one point, sticky buds.',
  ),
  birch: alone(
    blade(0.75, 0.3, 'doubly toothed', { base: 'wedge', tip: 'drawn' }),
    'A small diamond on a thin stalk; teeth have teeth of their own.',
  ),
  'white-ash': paired(
    { kind: 'feather', pairs: 3, end: true, margin: 'whole' },
    'Seven leaflets with stalks of their own, pale below, in opposite pairs.',
  ),
  ash: paired(
    FEATHER_ASH,
    'Opposite pairs, of leaves as of buds: rowan, walnut and the tree of heaven have them one by one.',
  ),
  fringetree: paired(blade(0.5, 0.5, 'whole'), 'Whole margin, purple stalk, in pairs.'),
  olive: paired(blade(0.2, 0.5, 'whole'), 'Narrow, grey-green, silver below, in pairs, the whole year.'),
  'live-oak': alone(
    blade(0.42, 0.55, 'whole'),
    'Small, leathery, curled under, no lobes; acorns say that it is an oak.',
  ),
  'holm-oak': alone(blade(0.45, 0.45, 'spiny'), 'Leathery, grey felt below, spiny on young shoots: holly is hairless.'),
  'red-oak': alone(
    blade(0.72, 0.55, 'whole', { lobes: lobed(3, 0.6, true) }),
    'Lobes that end in bristles: white oaks have round ones.',
  ),
  oak: alone(
    blade(0.55, 0.65, 'whole', { tip: 'round', lobes: lobed(4, 0.4, false) }),
    'Round lobes without bristles, widest above the middle.',
  ),
  tanoak: alone(
    blade(0.4, 0.45, 'toothed'),
    'Leathery, straight veins each into a tooth, felt below; acorns in bristly cups.',
  ),
  beech: alone(blade(0.62, 0.5, 'wavy'), 'A wavy margin with silky hairs, straight veins; a long sharp bud.'),
  hornbeam: alone(blade(0.55, 0.45, 'doubly toothed'), 'Like beech, but toothed twice and pleated along the veins.'),
  chestnut: alone(blade(0.32, 0.5, 'coarse'), 'Long, each straight vein ends in a hooked tooth.'),
  hazel: alone(
    blade(0.9, 0.6, 'doubly toothed', { base: 'heart', tip: 'drawn' }),
    'Round with a sudden tip, soft hairs on both sides, the base even.',
  ),
  alder: alone(
    blade(0.85, 0.6, 'toothed', { base: 'wedge', tip: 'notch' }),
    'Blunt or notched where others have a tip; small cones hang on.',
  ),
  'tulip-tree': alone(
    blade(0.95, 0.45, 'whole', { tip: 'cut', lobes: lobed(1, 0.3, false) }),
    'As if the tip had been cut off.',
  ),
  magnolia: alone(blade(0.45, 0.55, 'whole'), 'Large, whole, a ring round the twig at each leaf.'),
  'crape-myrtle': paired(
    blade(0.6, 0.5, 'whole', { tip: 'round' }),
    'Small, nearly without a stalk, on a four-edged twig.',
  ),
  mulberry: alone(
    blade(0.8, 0.4, 'coarse', { base: 'heart' }),
    'Rough, heart-shaped, some lobed and some not on one twig; milky sap.',
  ),
  'black-walnut': alone(
    { kind: 'feather', pairs: 8, end: false, margin: 'toothed' },
    'Many toothed leaflets, the last one often missing; the pith is in chambers.',
  ),
  walnut: alone(
    { kind: 'feather', pairs: 3, end: true, margin: 'whole' },
    'Large whole leaflets that smell when rubbed; the pith is in chambers.',
  ),
  hickory: alone(
    { kind: 'feather', pairs: 6, end: true, margin: 'toothed' },
    'Leaflets bent like sickles; the pith is solid.',
  ),
  robinia: alone(
    { kind: 'feather', pairs: 7, end: true, margin: 'whole' },
    'Soft oval leaflets, a pair of thorns at each leaf.',
  ),
  honeylocust: alone(
    { kind: 'feather', pairs: 7, end: false, margin: 'whole', twice: true },
    'Leaflets small as rice, some twice divided; branched thorns on the trunk of wild ones.',
  ),
  jacaranda: paired(
    { kind: 'feather', pairs: 7, end: true, margin: 'whole', twice: true },
    'A fern of tiny leaflets, in pairs.',
  ),
  carob: alone(
    { kind: 'feather', pairs: 4, end: false, margin: 'whole' },
    'Leathery round leaflets without a last one, the whole year.',
  ),
  pistachio: alone(
    { kind: 'feather', pairs: 2, end: true, margin: 'whole' },
    'Three or five leathery leaflets that smell of resin.',
  ),
  willow: alone(blade(0.2, 0.5, 'toothed'), 'Narrow, silky or grey below; one scale on each bud.'),
  poplar: alone(blade(0.95, 0.3, 'coarse', { tip: 'drawn' }), 'On a flat stalk: it trembles.'),
  'cherry-laurel': alone(blade(0.38, 0.5, 'toothed'), 'Leathery, shiny; broken it smells of almonds.'),
  peach: alone(blade(0.26, 0.55, 'toothed'), 'Long and narrow, folded along the middle, glands on the stalk.'),
  almond: alone(blade(0.26, 0.45, 'toothed'), 'Like peach, on a longer stalk; grey fruit splits.'),
  apricot: alone(blade(0.95, 0.4, 'toothed', { base: 'heart' }), 'Nearly round, on a red stalk.'),
  cherry: alone(
    blade(0.5, 0.6, 'toothed', { tip: 'drawn' }),
    'Two red glands where the stalk meets the leaf; bark in rings.',
  ),
  plum: alone(blade(0.6, 0.55, 'toothed', { tip: 'round' }), 'Small, wrinkled, round teeth, no glands that stand out.'),
  citrus: alone(
    blade(0.5, 0.45, 'whole', { winged: true }),
    'A joint below the blade and wings on the stalk; held to light it is full of oil points.',
  ),
  avocado: alone(blade(0.45, 0.45, 'whole'), 'Large, whole, dark; crushed it smells of anise in some.'),
  mango: alone(blade(0.22, 0.5, 'whole'), 'Long, leathery, hangs; red when young.'),
  laurel: alone(blade(0.38, 0.5, 'wavy'), 'Leathery, wavy; broken it smells of the kitchen.'),
  pomegranate: paired(blade(0.32, 0.55, 'whole', { tip: 'round' }), 'Small, shiny, narrow, on spiny twigs.'),
  persimmon: alone(blade(0.6, 0.5, 'whole'), 'Broad, shiny, whole; four large leaves under the fruit.'),
  fig: alone({ kind: 'hand', fingers: 5, apart: false, margin: 'whole' }, 'Rough, with deep round lobes; milky sap.'),
  ficus: alone(blade(0.55, 0.5, 'whole', { tip: 'drawn' }), 'Leathery, whole; milky sap, a sharp scale about the bud.'),
  'strawberry-tree': alone(blade(0.4, 0.5, 'toothed'), 'Leathery, toothed, on red shoots; bark peels red.'),
  eucalyptus: alone(blade(0.16, 0.4, 'whole'), 'Sickles that hang, the same on both sides; smell of oil.'),
  holly: alone(blade(0.55, 0.5, 'spiny'), 'Shiny, hairless, spines that stand up and down.'),
  box: paired(blade(0.55, 0.5, 'whole', { tip: 'notch' }), 'Small as a fingernail, in pairs, notched at the tip.'),
  euonymus: paired(blade(0.5, 0.5, 'toothed'), 'In pairs, fine teeth, green four-edged twigs.'),
  hackberry: alone(
    blade(0.5, 0.35, 'toothed', { base: 'uneven', tip: 'drawn' }),
    'Base uneven as in elm, but three veins begin there; warts on the bark.',
  ),
  dogwood: paired(
    blade(0.6, 0.45, 'whole'),
    'Veins bend along the margin towards the tip; pulled apart they hold by threads.',
  ),
  ginkgo: alone({ kind: 'fan', rays: 9, split: true }, 'A fan, often split; no other tree has it.'),
  'canary-palm': round(
    { kind: 'feather', pairs: 8, end: true, margin: 'whole' },
    'Feathers as long as a room, spines at their foot.',
  ),
  palm: round({ kind: 'fan', rays: 13, split: true }, 'A fan; threads at the tips in some.'),
  spruce: round(needles('pegs'), 'Each needle on a peg that stays on the twig: it is rough when bare.'),
  fir: round(needles('suckers'), 'Flat needles on round feet: the bare twig is smooth.'),
  'douglas-fir': round(needles('suckers'), 'Soft flat needles, sharp brown buds; cones with three-tongued bracts.'),
  hemlock: alone(needles('flat'), 'Short flat needles on small stalks, of unlike lengths, two white lines below.'),
  yew: alone(needles('flat'), 'Flat, soft, dark, no white lines below, no resin.'),
  sequoia: alone(needles('flat'), 'Flat needles in two rows, scales on the leading shoots; soft red bark.'),
  'white-pine': round({ kind: 'bundle', of: 5 }, 'Five thin needles in a bundle.'),
  'monterey-pine': round({ kind: 'bundle', of: 3 }, 'Three needles in a bundle, lopsided cones that stay shut.'),
  pine: round({ kind: 'bundle', of: 2 }, 'Two needles in a bundle; length and bark tell which.'),
  larch: round(needles('tufts'), 'Soft tufts on short shoots that fall in autumn: cedars keep theirs.'),
  cedar: round(needles('tufts'), 'Stiff tufts on short shoots, the whole year; cones stand and fall apart.'),
  juniper: round(needles('scales'), 'Prickly needles in threes or small scales, often both; berries.'),
  cypress: round(needles('scales'), 'Tiny scales round or flat shoots; round cones.'),
  thuja: alone(needles('sprays'), 'Flat sprays of scales that smell when rubbed; small upright cones.'),
  broadleaf: alone(
    OVAL,
    'Note how leaves sit on the shoot, their margin, and what they smell of; photograph both sides.',
  ),
  conifer: round(
    needles('pegs'),
    'Note whether needles stand alone, in bundles or tufts, and what is left where one is pulled off.',
  ),
};

/** How the leaf of a host looks: by its own entry, else by the host that it is like, else by its groups. */
export function leafOf(host: Pick<Host, 'id' | 'groups' | 'growsLike'>): LeafInspection {
  const name = [host.id, host.growsLike ?? '', ...Object.keys(LEAVES).filter((g) => host.groups.includes(g))].find(
    (n) => n in LEAVES,
  );
  return LEAVES[name ?? 'broadleaf']!;
}
/** Names under which a leaf is written, for the test that holds that each is a host or a group. */
export const LEAF_NAMES = Object.keys(LEAVES);
