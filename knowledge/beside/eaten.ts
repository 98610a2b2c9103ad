/**
 * What of fruit and nuts may still be eaten where a trouble was on them. Food first: what smells of mould or alcohol goes away;
 * what grew under a product waits for its label's days. Practice consensus; local food law goes before.
 */
const SKIN = 'Eaten as it is: only the skin is marked.';
const CUT = 'Eaten once it is cut out with a finger’s width around; not pressed, not stored.';
const NO_JUICE =
  'What is sound beside it is eaten; the rotten part and whatever lay under it is not, and never pressed: moulds of fruit leave poison (patulin) in juice.';
const NUTS =
  'Sound nuts are eaten; hollow, light, holed or mouldy ones are not: mould in nuts leaves poison that roasting does not take away.';
const SUGAR = 'Washed and eaten: honeydew and black film come off.';

export const EATEN: Readonly<Record<string, string>> = {
  'apple-scab': `${SKIN} Cracked ones do not keep: eat or press them fresh, if no mould stands in the crack.`,
  'sooty-blotch': `${SKIN} It rubs off.`,
  'powdery-mildew': SKIN,
  'cedar-apple-rust': SKIN,
  'pear-trellis-rust': SKIN,
  'citrus-rust-mite': SKIN,
  'citrus-thrips': SKIN,
  'citrus-red-scale': `${SKIN} Scales are brushed off.`,
  'san-jose-scale': SKIN,
  'pear-blister-mite': SKIN,
  'peacock-spot': 'Fruit is eaten; it has less oil.',
  'black-rot': NO_JUICE,
  'bitter-rot': NO_JUICE,
  'white-rot': NO_JUICE,
  'brown-rot': NO_JUICE,
  'codling-moth': `${CUT} Fallen ones are not pressed.`,
  'apple-maggot': `${CUT} Tunnelled ones are soon brown: for cooking on the same day only.`,
  'plum-curculio': CUT,
  'fruit-fly':
    'Stung fruit without maggots is eaten on the day; with maggots it is not, and goes away in a closed bag.',
  'olive-fly':
    'Green table olives with a hole are not; for oil they are pressed within a day, and the oil keeps badly.',
  'leaf-footed-bug': `${CUT} Arils that are brown or soft are not.`,
  'stink-bug': `${CUT} The cork below the skin is bitter, not harmful.`,
  'pomegranate-heart-rot':
    'Not eaten and not pressed: mould sits within, though the rind is sound. Light fruit is the sign.',
  'fruit-splitting': 'Eaten on the day it splits; once mould or flies are in, not.',
  'pale-cultivar': 'Eaten: pale arils are of the sort.',
  'nut-weevil': NUTS,
  filbertworm: NUTS,
  'walnut-husk-fly': 'The nut within is usually sound: husked at once, dried, the shrivelled ones left out.',
  'walnut-blight': NUTS,
  'pecan-scab': NUTS,
  aphids: SUGAR,
  'leaf-curl-aphid': SUGAR,
  mealybug: SUGAR,
  whitefly: SUGAR,
  'sooty-mould': SUGAR,
  'black-scale': SUGAR,
  'cottony-cushion-scale': SUGAR,
  'lecanium-scale': SUGAR,
  'plum-pockets': 'The hollow plums are not eaten; the round ones are.',
  'peach-leaf-curl': 'Fruit with red warts is eaten, peeled.',
  'shot-hole': SKIN,
  'plum-pox': 'Harmless to people, but sour and grey; it does not leave the place where it is listed.',
  'citrus-greening': 'Harmless to people; green lopsided fruit is bitter and sour. It does not leave a quarantine.',
  'citrus-canker': 'Harmless to people; spotted fruit does not leave a quarantine.',
  'citrus-gummosis': 'Hanging fruit is eaten; fruit from the ground with brown rot is not.',
  'phytophthora-root-rot': 'Hanging fruit is eaten; fruit that touched wet soil is not.',
  'mango-anthracnose': CUT,
  'fig-rust': 'Figs are eaten: it is on the leaf.',
  'fire-blight': 'Sound fruit is eaten; shrunk black fruit stays off the table for its looks, not its poison.',
  xylella: 'Harmless to people; fruit is eaten, plants do not leave the zone.',
  'herbicide-damage': 'Not eaten until it is known what drifted and the label of that product allows it.',
  livestock: 'Fruit from ground where animals graze is not eaten raw, nor pressed without heating.',
  'snails-slugs': 'Washed, peeled, eaten; grazed soft fruit is not kept.',
  'honey-fungus': 'Fruit of the tree is eaten as long as it ripens.',
};
