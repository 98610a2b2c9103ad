/** What eats a pest, by name, and what spares those that do. Practice consensus; which of them are there is local. */
export interface Enemies {
  who: string;
  /** Null where nobody can count on them. */
  spare: string | null;
}

const SPARE = {
  sap: 'Water or soap where the pest sits, nothing broad on the leaf; ants kept off by a band; brown swollen aphids and scales with a hole are left alone.',
  scale:
    'Oil before growth, spot by spot on crawlers; ants kept off; no long-lasting spray on bark or leaf; dust washed off.',
  mites: 'No sulphur in heat and no broad insecticide: mites come back first, their hunters last; dust washed off.',
  chewers: 'What works on young caterpillars only, put on early; eggs and cocoons with holes stay; nest boxes.',
  wood: 'Dead wood that is safe stays standing for woodpeckers, away from the sound tree; what is cut is checked for holes of wasps.',
  soil: 'The soil is moist and warm enough for them; no insecticide drench in the same season.',
  fruit: 'Fallen fruit is caged, not sprayed, so that wasps get out and flies do not; ground cover stays.',
} as const;
type Kind = keyof typeof SPARE;

const APHIDS =
  'ladybirds, lacewings (Chrysoperla), hoverfly larvae, small wasps that leave brown swollen aphids (Aphidius), earwigs';
const SOFT_SCALES =
  'small wasps (Coccophagus, Metaphycus), ladybirds (Hyperaspis, Chilocorus), lacewings, a caterpillar that eats scales (Laetilia)';
const HARD_SCALES = 'small wasps (Aphytis, Encarsia), ladybirds (Chilocorus), small beetles (Cybocephalus)';
const CATERPILLARS =
  'tits and other birds, egg wasps (Trichogramma), wasps (Cotesia), parasitic flies, ground beetles (Calosoma), virus disease';
const MITES =
  'hunting mites (Phytoseiulus, Neoseiulus, Typhlodromus), the small black ladybird Stethorus, pirate bugs (Orius)';
const BARK_BEETLES = 'ant beetles (Thanasimus), woodpeckers, wasps (Coeloides, Roptrocerus)';

const KNOWN: Readonly<Record<string, [kind: Kind, who: string]>> = {
  'lime-aphid': ['sap', APHIDS],
  'leaf-curl-aphid': ['sap', APHIDS],
  aphids: ['sap', APHIDS],
  'beech-woolly-aphid': ['sap', APHIDS],
  'woolly-apple-aphid': ['sap', `the wasp Aphelinus mali (black aphids with a round hole), earwigs, hoverfly larvae`],
  'hemlock-woolly-adelgid': [
    'sap',
    'the beetles Laricobius nigrinus and Sasajiscymnus tsugae, silver flies (Leucotaraxis)',
  ],
  'fir-woolly-adelgid': ['sap', 'the beetle Laricobius erichsonii, silver flies, ladybirds'],
  'spruce-gall-adelgid': ['sap', 'ladybirds, hoverfly larvae, small birds'],
  'green-spruce-aphid': [
    'sap',
    'the larch ladybird Aphidecta, lacewings, goldcrests, fungus disease in mild wet winters',
  ],
  'cypress-aphid': ['sap', 'the wasp Pauesia juniperorum, ladybirds, hoverfly larvae'],
  psyllid: ['sap', 'pirate bugs (Anthocoris nemoralis), the wasp Trechnites, earwigs'],
  'citrus-psyllid': ['sap', 'the wasps Tamarixia and Diaphorencyrtus, ladybirds, lacewings'],
  'eucalyptus-psyllid': ['sap', 'wasps (Psyllaephagus), pirate bugs, small birds'],
  whitefly: ['sap', 'wasps (Encarsia, Eretmocerus), lacewings, the ladybird Clitostethus'],
  mealybug: ['scale', 'the ladybird Cryptolaemus, wasps (Anagyrus, Leptomastix), lacewings'],
  'cottony-cushion-scale': ['scale', 'the ladybird Rodolia cardinalis and the fly Cryptochaetum: one season is enough'],
  'black-scale': ['scale', 'wasps (Metaphycus, Scutellista), ladybirds'],
  'citrus-red-scale': ['scale', 'wasps (Aphytis melinus, Comperiella), ladybirds (Chilocorus, Rhyzobius)'],
  'san-jose-scale': ['scale', 'wasps (Encarsia perniciosi, Aphytis), ladybirds (Chilocorus)'],
  'oystershell-scale': ['scale', 'the wasp Aphytis mytilaspidis, the mite Hemisarcoptes, tits in winter'],
  'euonymus-scale': ['scale', 'the ladybird Chilocorus kuwanae, the beetle Cybocephalus nipponicus'],
  'elongate-hemlock-scale': ['scale', 'the wasp Encarsia citrina, Cybocephalus, ladybirds; seldom enough'],
  'pine-needle-scale': ['scale', HARD_SCALES],
  'beech-scale': ['scale', 'the ladybird Chilocorus stigma and a gall midge; seldom enough'],
  'crapemyrtle-bark-scale': ['scale', 'ladybirds (Hyperaspis, Chilocorus): their white larvae are left alone'],
  'lecanium-scale': ['scale', SOFT_SCALES],
  'tulip-tree-scale': ['scale', SOFT_SCALES],
  'magnolia-scale': ['scale', SOFT_SCALES],
  'cottony-scale': ['scale', SOFT_SCALES],
  'spruce-bud-scale': ['scale', SOFT_SCALES],
  lacebug: ['sap', 'the bug Stethoconus, lacewings, jumping spiders, egg wasps'],
  'honeylocust-bug': ['sap', 'lacewings, ladybirds, damsel bugs, spiders'],
  'leaf-footed-bug': ['sap', 'the egg wasp Gryon, parasitic flies (Trichopoda), assassin bugs'],
  'stink-bug': ['sap', 'egg wasps (Trissolcus, Anastatus), parasitic flies, spiders'],
  'vector-spittlebug': ['sap', 'egg wasps (Ooctonus), spiders, assassin bugs'],
  'spotted-lanternfly': ['sap', 'mantids, birds, spiders, fungus disease (Batkoa, Beauveria); not yet enough'],
  'ficus-thrips': ['sap', 'the pirate bug Montandoniola, lacewings, predatory thrips'],
  'citrus-thrips': ['mites', 'hunting mites (Euseius), pirate bugs, lacewings'],
  'spider-mite': ['mites', MITES],
  'spruce-mite': ['mites', MITES],
  'avocado-mite': ['mites', 'hunting mites (Galendromus, Neoseiulus californicus), Stethorus'],
  'citrus-rust-mite': ['mites', 'hunting mites, the fungus Hirsutella thompsonii: copper kills it'],
  'pear-blister-mite': ['mites', 'hunting mites (Typhlodromus)'],
  'emerald-ash-borer': ['wood', 'wasps (Tetrastichus planipennisi, Spathius, Oobius agrili), woodpeckers'],
  'two-lined-borer': ['wood', 'woodpeckers, wasps (Phasgonophora, Atanycolus)'],
  'bronze-birch-borer': ['wood', 'woodpeckers, wasps (Phasgonophora, Atanycolus)'],
  'elm-bark-beetle': ['wood', 'woodpeckers, wasps (Coeloides, Entedon); never enough to stop the wilt'],
  'spruce-bark-beetle': ['wood', BARK_BEETLES],
  'ips-engravers': ['wood', BARK_BEETLES],
  'large-borer': ['wood', 'woodpeckers, ichneumon wasps, threadworms (Steinernema) put into the galleries'],
  'ash-clearwing': ['wood', 'woodpeckers, wasps, threadworms (Steinernema)'],
  'peach-tree-borer': ['soil', 'threadworms (Steinernema carpocapsae) put on the soil at the collar, wasps, ants'],
  capnodis: ['soil', 'threadworms (Steinernema, Heterorhabditis) against grubs at the roots, ants at the eggs'],
  'twig-pruner': ['wood', 'woodpeckers, ichneumon wasps'],
  'red-palm-weevil': [
    'wood',
    'threadworms (Steinernema carpocapsae), the fungus Beauveria; none comes by itself in time',
  ],
  'nut-weevil': ['soil', 'the fungus Beauveria and threadworms in the soil, hens and pigs below the trees'],
  filbertworm: ['chewers', 'egg wasps (Trichogramma), birds, pigs below the trees'],
  'codling-moth': [
    'chewers',
    'tits at the bark in winter, wasps (Ascogaster, Mastrus), egg wasps, its own granulosis virus',
  ],
  'spongy-moth': [
    'chewers',
    'the fungus Entomophaga maimaiga in wet springs, its own virus, the egg wasp Ooencyrtus, ground beetles (Calosoma), mice',
  ],
  'tussock-moth': ['chewers', 'egg wasps (Telenomus), its own virus, parasitic flies, birds at the cocoons'],
  'winter-moth': ['chewers', 'the fly Cyzenis albicans, ground and rove beetles at the pupae, tits'],
  'web-tent-caterpillars': ['chewers', 'parasitic flies and wasps, cuckoos, virus disease; an outbreak ends by itself'],
  'oak-processionary': ['chewers', 'the fly Carcelia iliaca, ground beetles (Calosoma), tits at young ones'],
  'pine-processionary': [
    'chewers',
    'tits, hoopoe and great spotted cuckoo, the egg wasp Ooencyrtus pityocampae, the fly Phryxe caudata',
  ],
  'elm-leaf-beetle': ['chewers', 'the egg wasp Oomyzus gallerucae, the fly Erynniopsis, earwigs'],
  'leaf-beetles': ['chewers', 'ladybird larvae, predatory bugs, spiders'],
  'eucalyptus-tortoise-beetle': ['chewers', 'the egg wasp Enoggera, ladybirds, predatory bugs'],
  chafers: ['soil', 'threadworms (Heterorhabditis bacteriophora), scoliid and Tiphia wasps, starlings, moles'],
  sawflies: ['chewers', 'ichneumon wasps, birds, shrews and mice at the cocoons, virus disease'],
  'root-collar-weevil': ['soil', 'threadworms (Steinernema, Heterorhabditis), the fungus Metarhizium, ground beetles'],
  bagworm: ['chewers', 'ichneumon wasps (Itoplectis), birds; hand-picked bags in a cage of mesh let the wasps out'],
  'horse-chestnut-miner': ['chewers', 'blue tits, small wasps (Minotetrastichus, Pnigalio); seldom enough'],
  'birch-miner': ['chewers', 'wasps (Lathrolestes)'],
  'box-miner': ['chewers', 'small wasps, tits that open the blisters'],
  'holly-miner': ['chewers', 'the wasp Chrysocharis gemma, blue tits that tear the mine open'],
  'citrus-miner': ['chewers', 'wasps (Ageniaspis, Citrostichus), lacewings'],
  'arborvitae-miner': ['chewers', 'more than twenty kinds of small wasps'],
  'chestnut-gall-wasp': [
    'chewers',
    'the wasp Torymus sinensis: dry galls stay on the tree over winter, it sleeps there',
  ],
  'box-moth': ['chewers', 'tits, sparrows and jackdaws that have learned it; few wasps so far'],
  caterpillars: ['chewers', CATERPILLARS],
  'conifer-caterpillars': ['chewers', CATERPILLARS],
  'pine-shoot-moth': ['chewers', 'wasps (Orgilus, Temelucha), tits'],
  'fruit-fly': ['fruit', 'wasps (Fopius, Psyttalia), ants and rove beetles at the pupae'],
  'olive-fly': ['fruit', 'the wasp Psyttalia concolor, ants, ground beetles and hens at the pupae'],
  'apple-maggot': ['fruit', 'wasps (Diachasma), ground beetles, hens at the pupae'],
  'walnut-husk-fly': ['fruit', 'ants, spiders and ground beetles at the pupae, hens'],
  'plum-curculio': ['soil', 'the egg wasp Anaphes, threadworms (Steinernema riobrave), hens in June'],
  'snails-slugs': ['soil', 'ground beetles, thrushes, hedgehogs, ducks, the threadworm Phasmarhabditis'],
};

/** Pests on whose enemies nobody can count, and why. */
const NO_ENEMIES: Readonly<Record<string, string>> = {
  'asian-longhorn': 'Woodpeckers take some; whoever waits for them loses the town: report.',
  'shot-hole-borer': 'It lives deep in the wood with its own fungus; hardly anything follows it there.',
  'polyphagous-borer': 'It lives deep in the wood with its own fungus; hardly anything follows it there.',
};

/** @returns null for what is no pest */
export function enemiesOf(conditionId: string): Enemies | null {
  const known = KNOWN[conditionId];
  if (known) return { who: `${known[1]}.`, spare: SPARE[known[0]] };
  const why = NO_ENEMIES[conditionId];
  return why ? { who: why, spare: null } : null;
}
export const ENEMIES_KNOWN = [...Object.keys(KNOWN), ...Object.keys(NO_ENEMIES)];
