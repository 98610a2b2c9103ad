import { z } from 'zod';
import { signSchema, type Sign } from '@/core/diagnose/knowledge';

type Row = [id: string, words: string, worst: string, groups?: string[]];
const at = (place: Sign['place'], rows: Row[]): Sign[] =>
  rows.map(([id, words, worst, groups = []]) => ({ id, place, words, worst, groups }));

/** The starting vocabulary, from the ground up, in words for the field. */
const data: Sign[] = [
  ...at('ground', [
    ['fallen-green-leaves', 'Green leaves on the ground in summer', 'a carpet of them'],
    ['fallen-twigs', 'Cut or broken twigs below', 'dozens'],
    ['mushrooms-base', 'Mushrooms at the base', 'clusters all round'],
    ['soil-waterlogged', 'Soil wet and smelling', 'standing water'],
    ['soil-dry', 'Soil dry a finger deep', 'dust, cracks'],
  ]),
  ...at('collar', [
    ['flare-buried', 'No root flare to be seen: a post in the ground', 'buried over 15 cm'],
    ['girdling-root', 'Root lying across the trunk', 'half the girth'],
    ['collar-gnawed', 'Bark gnawed at the base', 'all round'],
    ['mower-wound', 'Fresh wounds at mower height', 'over half the girth'],
  ]),
  ...at('trunk', [
    ['exit-holes-d', 'D-shaped exit holes, 3–4 mm', 'dozens at eye level', ['ash', 'birch', 'oak']],
    ['exit-holes-round', 'Small round holes in the bark', 'like shot', ['elm', 'spruce', 'birch']],
    ['galleries', 'Galleries under loose bark', 'all under the bark'],
    ['woodpecker-flecks', 'Bark flecked pale by woodpeckers', 'whole upper trunk'],
    ['bleeding', 'Dark, wet bleeding spots', 'more than ten'],
    ['epicormic', 'Shoots from the trunk', 'a broom of them'],
    ['bark-plates-shed', 'Bark shed in plates, sound below', 'everywhere', ['plane', 'birch', 'oak']],
    ['bark-split', 'Vertical splits in the bark', 'over 1 m'],
  ]),
  ...at('branches', [
    ['top-dieback', 'Crown thin or dead from the top', 'a third is dead'],
    ['one-limb-yellow', 'One limb yellow while the rest is green', 'whole limb', ['elm', 'oak', 'ash', 'plane']],
    ['dead-twigs', 'Dead twigs through the crown', 'most twigs'],
    ['scale-covers', 'Flat or domed covers on twigs', 'crust'],
    ['streaks-sapwood', 'Brown streaks in the outer wood of a cut twig', 'a closed ring', ['elm', 'oak']],
  ]),
  ...at('shoots', [
    ['tips-hook', 'Tips wilt and curl down, leaves still hang', 'many tips'],
    ['leaves-black-hang', 'Shoot tip black, leaves stay on', 'many tips', ['apple', 'pear', 'rowan']],
    ['wool-needle-base', 'White wool at the base of needles, underside', 'every shoot', ['hemlock', 'conifer']],
    ['short-growth', 'This year’s shoots short', 'under 5 cm'],
  ]),
  ...at('leaves', [
    ['black-film-wipes', 'Black film that wipes off, green below', 'whole leaves'],
    ['honeydew', 'Sticky leaves, or sticky things below', 'dripping'],
    ['leaves-curled', 'Leaves curled or puckered', 'most leaves'],
    ['olive-spots', 'Olive velvet spots, later corky', 'most leaves', ['apple', 'pear']],
    ['stipple', 'Fine pale stipple', 'bronze all over'],
    [
      'needles-brown-old',
      'Older needles brown or dropped',
      'only the newest left',
      ['conifer', 'spruce', 'douglas-fir', 'hemlock'],
    ],
    ['margins-brown', 'Brown margins', 'most leaves'],
    ['veins-brown-drop', 'Brown along the veins, early drop', 'half the leaves', ['plane', 'oak']],
    ['holes-chewed', 'Chewed, holes between veins', 'lace'],
    ['mines', 'Mines between the leaf skins', 'most of the blade', ['horse-chestnut', 'birch']],
    ['yellow-between-veins', 'Yellow between green veins', 'whole crown'],
  ]),
  ...at('fruit', [
    ['fruit-scabbed', 'Corky, cracked spots on fruit', 'most fruit', ['apple', 'pear']],
    ['mummies', 'Shrunken fruit hanging', 'many', ['apple', 'pear']],
  ]),
  ...at('visitors', [
    ['aphids-live', 'Live aphids under leaves', 'every leaf'],
    ['ants-trail', 'Ants walking up the trunk', 'a road'],
    ['beetles-small-dark', 'Small dark beetles in twig forks', 'many', ['elm']],
    ['helpers', 'Lady beetle larvae, lacewings, predatory mites', 'on every shoot'],
  ]),
];

export const signs: readonly Sign[] = z.array(signSchema).parse(data);
