import type { Condition } from '@/core/diagnose/knowledge';

/** What somebody may be tempted to do, and what it would do: why the guide says no. */
export interface Wrong {
  what: string;
  does: string;
}
const wrong = (what: string, does: string): Wrong => ({ what, does });

const NITROGEN = {
  sap: wrong('Nitrogen', 'soft growth feeds more of them, and longer into the year'),
  roots: wrong('Nitrogen', 'asks a damaged root for leaves it cannot water; salts burn it further'),
  soft: wrong('Nitrogen', 'soft shoots take the infection more easily and harden late'),
};
const FUNGICIDE = wrong('A fungicide', 'reaches no animal; copper and sulphur kill fungi and mites that hold it down');
const INSECTICIDE = wrong('An insecticide', 'reaches no fungus and kills what would eat other pests');
const ANTIBIOTIC = wrong('An antibiotic', 'acts on bacteria alone; used for nothing, it breeds those that stand it');
const BROAD = wrong(
  'A broad insecticide',
  'kills its enemies first: it is back within weeks, often with mites behind it',
);
const PHOSPHONATE = wrong('Phosphonate', 'acts on water moulds; here it costs holes and nothing else');
const PAINT = wrong('Wound paint', 'keeps the wound wet and hides what goes on below it');
const TOPPING = wrong('Topping', 'takes the leaf that the roots live on and opens wounds that rot');
const NOTHING_TO_KILL = wrong('Any pesticide', 'there is nothing to kill: it only harms what lives there');

/** For a kind of trouble, whatever it is by name. */
const BY_KIND: Readonly<Record<Condition['kind'], readonly Wrong[]>> = {
  'sap feeder': [BROAD, FUNGICIDE, ANTIBIOTIC, NITROGEN.sap],
  mite: [
    wrong('A broad insecticide', 'kills the hunting mites; spider mites lay more eggs after some of them'),
    FUNGICIDE,
    NITROGEN.sap,
  ],
  borer: [
    wrong(
      'A contact spray on grubs in the wood',
      'does not reach them; only what sits on the bark before they bore in does',
    ),
    FUNGICIDE,
    wrong('Nitrogen', 'drives growth that a cut-off trunk cannot water: the tree fails sooner'),
    wrong('Leaving cut wood beside the tree', 'beetles leave it in spring for the next trunk'),
  ],
  chewer: [
    BROAD,
    FUNGICIDE,
    wrong('Spraying when the damage is seen late', 'the eaters have gone into the soil or the fruit'),
  ],
  mollusc: [
    wrong('An insecticide', 'snails are not insects; ground beetles that eat their eggs die'),
    wrong('Metaldehyde bait', 'poisons dogs and hedgehogs; iron phosphate does the same work'),
  ],
  fungus: [INSECTICIDE, ANTIBIOTIC, NITROGEN.soft],
  'water mould': [
    INSECTICIDE,
    ANTIBIOTIC,
    wrong('A usual fungicide', 'most act on true fungi and not on water moulds'),
    wrong('More water for its thin look', 'wet soil carries it to the next root'),
    NITROGEN.roots,
  ],
  bacterium: [
    wrong('A fungicide', 'reaches no bacterium; copper protects what is sound and cures nothing'),
    INSECTICIDE,
    NITROGEN.soft,
    wrong('Cutting in wet weather', 'rain and wet tools carry it into every cut'),
  ],
  virus: [
    wrong('Any spray on the tree', 'nothing reaches a virus within it'),
    wrong('Grafting from it', 'each graft carries it on'),
  ],
  nematode: [FUNGICIDE, BROAD, wrong('Moving wood or leaves', 'carries it to the next place')],
  vertebrate: [
    wrong('An insecticide', 'no insect did it'),
    wrong('Poison in the open', 'kills owls, dogs and hedgehogs, and is forbidden in many places'),
    PAINT,
  ],
  mechanical: [
    NOTHING_TO_KILL,
    PAINT,
    wrong('Nitrogen', 'what is wounded closes by its own reserve; feeding feeds decay as well'),
  ],
  'soil and site': [NOTHING_TO_KILL, NITROGEN.roots, TOPPING],
  nutrient: [
    NOTHING_TO_KILL,
    wrong('A feed of everything', 'adds what is there already and may lock up what is short'),
    wrong('Feeding a dry or drowned root', 'it cannot take it up, and salts burn it'),
  ],
  cultural: [NOTHING_TO_KILL, PAINT, TOPPING],
  harmless: [
    NOTHING_TO_KILL,
    wrong('Scrubbing or cutting it away', 'wounds bark and twigs for a thing that does no harm'),
  ],
  unknown: [
    wrong('Treating on a guess', 'hides what would have named it, and may be the wrong thing for what it is'),
    wrong('Nitrogen', 'if roots, water or wilt are the cause, it hastens the end'),
  ],
};

/** Beside or instead of what its kind says: what is tried with this one, and goes wrong in its own way. */
const OWN: Readonly<Record<string, readonly Wrong[]>> = {
  'lime-aphid': [
    wrong('A soil systemic', 'kills bees and bumblebees at the bloom, which is forbidden on lime in many places'),
  ],
  'hemlock-woolly-adelgid': [
    wrong('Nitrogen', 'it multiplies several times over on a fed tree'),
    wrong('Waiting for strength', 'here the pest is the weakness: the tree gains nothing while it sits there'),
  ],
  'san-jose-scale': [wrong('Imidacloprid', 'hardly reaches it, and mites follow')],
  'oystershell-scale': [wrong('Soil imidacloprid', 'hardly reaches it, and mites follow')],
  'euonymus-scale': [wrong('Soil imidacloprid', 'hardly reaches it, and mites follow')],
  'elongate-hemlock-scale': [wrong('Imidacloprid', 'feeds spider mites and leaves the scale')],
  'cottony-cushion-scale': [
    wrong('A growth regulator or systemic near it', 'kills the ladybird that clears it within a season'),
  ],
  'spider-mite': [wrong('Sulphur in heat', 'burns leaves above about 29 °C')],
  'emerald-ash-borer': [
    wrong(
      'Treating beyond half the crown',
      'dead sapwood carries nothing up: the money is gone and the tree is brittle',
    ),
    wrong('Moving the wood', 'takes the beetle further than it flies'),
  ],
  'oak-processionary': [
    wrong('A water jet or a torch', 'hairs fly for weeks; people downwind are hurt'),
    wrong('Spraying in July', 'the stinging hairs are there, dead or alive'),
  ],
  'pine-processionary': [wrong('A water jet, a gun or a torch', 'hairs fly; people and dogs are hurt')],
  sawflies: [wrong('Btk', 'acts on caterpillars of moths alone: these have more than five pairs of false legs')],
  'conifer-caterpillars': [wrong('Btk on sawflies', 'acts on caterpillars of moths alone: count the false legs first')],
  'spongy-moth': [
    wrong('Btk on large ones or in sun', 'they have eaten their fill, and light destroys it within a day'),
  ],
  'chestnut-gall-wasp': [wrong('Burning old galls in winter', 'burns the small wasp that keeps it down')],
  'sooty-mould': [wrong('Washing alone', 'it is black again in weeks while something feeds above it')],
  'powdery-mildew': [wrong('Captan', 'does not touch mildew'), wrong('Sulphur in heat or near oil', 'burns leaves')],
  'cedar-apple-rust': [wrong('Captan alone', 'is weak on rust')],
  'peach-leaf-curl': [
    wrong('Sulphur on apricot', 'scorches it'),
    wrong('A spray on curled leaves', 'the fungus is within'),
  ],
  'silver-leaf': [wrong('Pruning in winter', 'its spores fly then, and every cut takes them in')],
  'bacterial-canker': [wrong('Pruning in winter', 'it enters wet winter cuts; in dry summer they close')],
  'dutch-elm-disease': [
    wrong('Felling before roots are cut', 'it crosses grafts into the next elm when the sick one is felled'),
    wrong('Pruning warm-season elms for looks', 'fresh cuts call the beetle'),
  ],
  'oak-wilt': [
    wrong('Pruning in the season of its beetles', 'fresh cuts call them; paint every wound at once'),
    wrong('Felling before roots are cut', 'the neighbours take it through the grafts'),
  ],
  'honey-fungus': [
    wrong('Watering the collar', 'wet bark is its way in'),
    wrong('Leaving the stump', 'it feeds for decades'),
  ],
  'fire-blight': [
    wrong('An antibiotic on strikes', 'does not reach what is within the bark and breeds resistance'),
    wrong('Cutting in rain without disinfecting', 'each cut carries it on'),
    wrong('Heavy nitrogen or hard pruning', 'soft shoots are what it runs through'),
  ],
  'bacterial-bleeding-canker': [PHOSPHONATE],
  'acute-oak-decline': [PHOSPHONATE],
  wetwood: [wrong('Drain tubes', 'let air in and rot follows the hole')],
  'phytophthora-bleeding': [wrong('Cutting the bleeding out', 'widens the ring that is dead, and tools carry it')],
  'sudden-oak-death': [wrong('Treating sick trees', 'phosphonate holds it off sound ones and heals none')],
  'bacterial-leaf-scorch': [wrong('One injection', 'holds a season; left off, it returns stronger')],
  xylella: [
    wrong('An antibiotic', 'never into a food tree, and no cure'),
    wrong('Hard cutting and waiting', 'new shoots feed the insects that carry it'),
  ],
  'citrus-greening': [wrong('Feeding it through', 'a greener tree feeds more psyllids, which carry it on')],
  'red-palm-weevil': [wrong('Cutting green leaves in the flight season', 'the smell calls the weevil from afar')],
  'canker-stain': [wrong('Any cut on one’s own account', 'one saw carries it along the whole avenue')],
  'alder-phytophthora': [wrong('A drench on the bank', 'is in the stream before it is in the root')],
  voles: [wrong('Repellent paint in place of a guard', 'they gnaw below it, under the snow')],
  deer: [
    wrong('A vole guard', 'ends where the deer begins'),
    wrong('Soap alone in a hungry winter', 'it is eaten with the twig'),
  ],
  'iron-shortage': [wrong('Iron sulphate on lime soil', 'is locked up within days')],
  'manganese-shortage': [wrong('Iron', 'deepens it: one crowds out the other')],
  'magnesium-shortage': [wrong('Potash', 'crowds it out')],
  'drought-stress': [wrong('A spoonful each day', 'wets the grass and not the root: deep and seldom')],
  waterlogging: [wrong('Watering because it wilts', 'it wilts for want of air')],
  'buried-collar': [wrong('Mulch on top', 'buries it deeper')],
  'girdling-roots': [wrong('Cutting all at once in summer', 'takes the water before new roots are there')],
  'water-shoots': [
    wrong('Heading all of them', 'makes two of each'),
    wrong('Cutting in winter', 'the answer in spring is more of them'),
  ],
  'dense-crown': [wrong('Opening it at once', 'bark that never saw sun burns, and shoots fill it again')],
  'herbicide-damage': [wrong('Watering in a soil herbicide', 'takes it down to the root')],
  'gas-leak': [wrong('Digging before the network was called', 'a spark is enough')],
  'frost-damage': [wrong('Cutting in May', 'takes what would still have broken from sleeping buds')],
  'something-else': [wrong('A bit of everything', 'nobody will ever know what it was')],
};

/** What each wrong treatment of a condition would do: its own first, then what holds for its kind. */
export function wrongOf({ id, kind }: Pick<Condition, 'id' | 'kind'>): Wrong[] {
  const own = OWN[id] ?? [];
  const taken = new Set(own.map((w) => w.what));
  return [...own, ...BY_KIND[kind].filter((w) => !taken.has(w.what))];
}
/** Of conditions with something of their own, for the test that holds that they are there. */
export const WRONG_CUSTOM = Object.keys(OWN);
