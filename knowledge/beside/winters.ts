/** What the winter before did to what lives through it; practice consensus, in the half of the year after. */
export interface Winters {
  hard: string | null;
  mild: string | null;
}

const EGGS_STAND = 'Little: its eggs stand hard frost.';
const APHIDS: Winters = {
  hard: 'Few live over but as eggs: the first colonies come late, and so do those that eat them.',
  mild: 'Adults live through on shoots and weeds: colonies stand weeks earlier. Look at bud break, not at full leaf.',
};
const SOFT: Winters = {
  hard: 'Many of the young on the twigs die; count live ones before any oil is spent.',
  mild: 'Nearly all come through: look for crawlers early, and expect ants.',
};
const WARM_PEST: Winters = {
  hard: 'Where it froze hard it dies back to sheltered places and comes from there again by late summer.',
  mild: 'It goes on all winter: one more brood, and the first traps hang a month earlier.',
};
const PROTECTED: Winters = {
  hard: 'Little: it sits in the wood or the soil, below what frost reaches.',
  mild: 'Adults come earlier; heat says when.',
};
const BARK_BEETLES: Winters = {
  hard: 'Only long deep frost kills them under bark; those in the soil live.',
  mild: 'They fly earlier, and a third brood may fit into the year; dry trees are found first.',
};
const WATER_MOULD: Winters = {
  hard: 'Frozen ground stops it, and cracks of frost let it in: look at the bark in spring.',
  mild: 'A mild wet winter is its season: roots die unseen, and the crown tells in the summer after.',
};
const LEAF_SPOTS: Winters = {
  hard: 'Late and short leafing leaves it little time; less is seen if the spring is dry as well.',
  mild: 'It ripens earlier on the litter; what decides is rain while leaves unfold.',
};
const GNAWS = {
  hard: 'Deep snow lifts them to bark above the guard, and hunger drives them to it: look after every fall.',
  mild: 'They breed on: more of them in spring, but grass is there to eat.',
};

export const WINTERS: Readonly<Record<string, Winters>> = {
  'lime-aphid': { hard: EGGS_STAND, mild: APHIDS.mild },
  'leaf-curl-aphid': { hard: EGGS_STAND, mild: APHIDS.mild },
  'woolly-apple-aphid': {
    hard: 'Those on the crown die below about −15 °C; those on the roots come up again.',
    mild: 'Colonies in the crown live on: wool shows by May.',
  },
  aphids: APHIDS,
  'beech-woolly-aphid': { hard: EGGS_STAND, mild: null },
  'hemlock-woolly-adelgid': {
    hard: 'Below about −25 °C, or −15 °C late in winter, most die; the few that live are many again in two years.',
    mild: 'Nearly all come through: count wool in spring and treat that year.',
  },
  'green-spruce-aphid': {
    hard: 'Below about −8 °C for some days most die: a beat test in March spares the spray.',
    mild: 'The year of loss is the year after a mild winter: beat from February on.',
  },
  'cypress-aphid': { hard: 'Colonies die back; browning is less.', mild: 'Colonies feed all winter: beat in March.' },
  'spruce-bud-scale': SOFT,
  'tulip-tree-scale': SOFT,
  'magnolia-scale': SOFT,
  'lecanium-scale': SOFT,
  'cottony-scale': SOFT,
  'crapemyrtle-bark-scale': {
    hard: 'Below about −15 °C many die, seldom all.',
    mild: 'Four broods instead of two or three.',
  },
  'san-jose-scale': {
    hard: 'Below about −25 °C most die; the half-grown ones that live start the year.',
    mild: 'Crawlers come a fortnight earlier: heat says when.',
  },
  'euonymus-scale': SOFT,
  'beech-scale': { hard: 'On open bark most die below about −35 °C; under lichen and snow they live.', mild: null },
  'oystershell-scale': { hard: 'Little: its eggs lie under the dead cover.', mild: 'Crawlers early: heat says when.' },
  psyllid: {
    hard: 'Adults in cracks die in long frost; those of pear stand much.',
    mild: 'On pear they lay on mild days from February: oil before, not after.',
  },
  'elongate-hemlock-scale': SOFT,
  'fir-woolly-adelgid': {
    hard: 'Those above the snow die below about −35 °C; those at the base live.',
    mild: 'A generation more: white wool by May.',
  },
  'citrus-red-scale': { hard: 'Frost kills the young and spares what eats little of it.', mild: 'A brood more.' },
  'black-scale': SOFT,
  'cottony-cushion-scale': {
    hard: 'Frost kills the beetle that clears it before it kills the scale: look whether beetles are there in spring.',
    mild: 'Beetles and scales both go on; leave them.',
  },
  mealybug: WARM_PEST,
  whitefly: WARM_PEST,
  'citrus-psyllid': WARM_PEST,
  'fruit-fly': WARM_PEST,
  'olive-fly': {
    hard: 'Few pupae live in frozen ground; the first flies come late.',
    mild: 'With fruit left hanging it breeds on in winter: flies from May.',
  },
  'citrus-miner': WARM_PEST,
  'avocado-mite': { hard: 'Frost thins it with the leaf.', mild: 'Nests are there from February.' },
  'spider-mite': {
    hard: EGGS_STAND,
    mild: 'Eggs hatch early; what hunts them is earlier as well. A dry spring decides.',
  },
  'spruce-mite': { hard: 'Its red eggs stand frost.', mild: 'Hatch in March: beat before growth starts.' },
  'emerald-ash-borer': {
    hard: 'Below about −30 °C many grubs die, below −34 °C nearly all, where bark gives no shelter.',
    mild: 'Nearly all live, and more make it in one year instead of two.',
  },
  'bronze-birch-borer': PROTECTED,
  'two-lined-borer': PROTECTED,
  'ash-clearwing': PROTECTED,
  'peach-tree-borer': PROTECTED,
  'elm-bark-beetle': {
    hard: 'Long deep frost kills grubs in thin bark; those in thick bark live.',
    mild: 'They fly earlier: brood wood is gone by the end of February.',
  },
  'spruce-bark-beetle': BARK_BEETLES,
  'ips-engravers': BARK_BEETLES,
  'red-palm-weevil': { hard: 'A frosted crown opens it to the weevil.', mild: 'It flies in every month above 15 °C.' },
  'codling-moth': {
    hard: 'Below about −25 °C grubs above the snow die.',
    mild: 'First moths early, and a second brood more often.',
  },
  'spongy-moth': {
    hard: 'Egg masses above the snow die below about −27 °C; those near the ground live.',
    mild: 'Nearly all hatch: count masses in March and decide by the count.',
  },
  'winter-moth': { hard: EGGS_STAND, mild: 'Where eggs hatch before the buds open, most young starve.' },
  'box-moth': { hard: 'Grubs between leaves stand −15 °C and more.', mild: 'They feed from February: look in March.' },
  'pine-processionary': {
    hard: 'Nests die below about −16 °C and after sunless weeks below zero.',
    mild: 'It walks up and north: nests where none were.',
  },
  'oak-processionary': { hard: EGGS_STAND, mild: 'Hatch before the leaf: some starve, most wait.' },
  'elm-leaf-beetle': {
    hard: 'Beetles under bark die; those in sheds and attics live.',
    mild: 'Many beetles at leaf-out.',
  },
  'horse-chestnut-miner': { hard: 'Little: pupae in the litter stand it.', mild: 'Four broods instead of three.' },
  'arborvitae-miner': { hard: 'Grubs in the tips die where it was long and deep.', mild: 'Brown tips by March.' },
  'snails-slugs': {
    hard: 'Eggs and small ones die in open ground.',
    mild: 'They feed all winter: bait from February.',
  },
  'spotted-lanternfly': { hard: 'Egg masses on the open bark die below about −25 °C.', mild: 'Nearly all hatch.' },
  'stink-bug': { hard: 'Those in cracks die, those in houses live.', mild: 'Many come out in April.' },
  'leaf-footed-bug': {
    hard: 'Most adults die below about −7 °C.',
    mild: 'They gather early: look at the first fruit.',
  },
  'honeylocust-bug': { hard: EGGS_STAND, mild: null },
  capnodis: { hard: 'Adults die in long frost; grubs in the root live.', mild: 'Many beetles in April.' },
  'apple-scab': LEAF_SPOTS,
  'leaf-anthracnose': LEAF_SPOTS,
  'plane-anthracnose': {
    hard: 'Little in itself.',
    mild: 'The fungus eats in the twig on mild days: many buds do not open. A cool wet May does the rest.',
  },
  'powdery-mildew': {
    hard: 'Buds that hold it die below about −18 °C: less white growth in spring.',
    mild: 'All of them open white: cut them out at once.',
  },
  'peach-leaf-curl': {
    hard: 'Late buds, short time: less of it.',
    mild: 'Buds swell early and long: it can infect from January.',
  },
  'brown-rot': {
    hard: 'Frosted flowers are its first food.',
    mild: 'Mummies give spores by bloom: take them off before.',
  },
  'fire-blight': {
    hard: 'Fewer cankers live; it comes from elsewhere.',
    mild: 'More cankers ooze at bloom: cut them in winter where they are seen.',
  },
  'bacterial-canker': {
    hard: 'Frost opens the bark to it: cankers run in the spring after.',
    mild: 'Less of it, unless a late frost follows.',
  },
  'silver-leaf': { hard: 'Broken and split limbs let it in.', mild: 'Spores fly all winter: no cut before June.' },
  'cytospora-canker': { hard: 'Killed twigs are its way in: cut them in dry weather.', mild: null },
  'nectria-canker': { hard: 'Frost cracks are its way in.', mild: 'Wet mild winters ripen its spores.' },
  'chestnut-blight': { hard: 'Frosted bark lets it in.', mild: null },
  'cypress-canker': {
    hard: 'Frost cracks let it in: whole rows brown in the summer after.',
    mild: 'Spores all winter.',
  },
  'olive-knot': { hard: 'Frost cracks let it in: copper soon after, where allowed.', mild: null },
  'peacock-spot': { hard: 'Infected leaves drop early and take it along.', mild: 'A mild wet winter is its season.' },
  'red-band-blight': { hard: null, mild: 'Wet mild months ripen more spores: it starts in May.' },
  'phytophthora-bleeding': WATER_MOULD,
  'phytophthora-root-rot': WATER_MOULD,
  'alder-phytophthora': {
    hard: 'Hard winters knock it back: alders may mend for some years.',
    mild: 'It runs on: more bleeding in spring.',
  },
  'sudden-oak-death': WATER_MOULD,
  'chestnut-ink': WATER_MOULD,
  xylella: {
    hard: 'Frost heals some vines and stone fruit by killing it in the twig; olives seldom.',
    mild: 'More spittlebugs live, and it stays in the twig.',
  },
  'bacterial-leaf-scorch': {
    hard: 'It dies back in the twig: less scorch, and later.',
    mild: 'Scorch earlier and wider.',
  },
  'dutch-elm-disease': { hard: null, mild: 'Beetles fly earlier: infuse as soon as the leaf is full.' },
  'beech-bark-disease': { hard: 'Scale on open bark dies below about −35 °C.', mild: null },
  'frost-damage': {
    hard: 'What was hardened stands it; what kills is the frost after growth began.',
    mild: 'Early growth is caught by a usual May frost.',
  },
  'frost-crack': { hard: 'Old cracks open again at about −10 °C, with a bang.', mild: null },
  'winter-burn': {
    hard: 'Frozen ground and sun: water before the frost, a screen after.',
    mild: 'Little, if the soil is moist.',
  },
  'sun-scald': { hard: 'Sun on frozen bark kills it on the side of the low sun.', mild: null },
  'salt-damage': { hard: 'More salt on the road: wash it down before growth.', mild: 'Less of it.' },
  voles: GNAWS,
  rabbits: GNAWS,
  deer: GNAWS,
};
