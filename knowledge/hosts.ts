import { z } from 'zod';
import { hostSchema, type Host } from '@/core/diagnose/knowledge';

const bark = (words: string, ifNot: string[]) => ({ ask: words, ifNot });

/** Hosts of the demonstration grounds, each with the short key that confirms it and the look-alikes a "no" points to. */
const data: Host[] = [
  { id: 'wych-elm', name: 'Wych elm', latin: 'Ulmus glabra', groups: ['elm'], growthCmPerYear: 1.2, largestCm: 220, beePlant: 'no', edible: false, evergreen: false, key: [
    bark('Leaf base lopsided, one side lower on a very short stalk?', ['hazel', 'small-leaved-lime']), bark('Upper side of the leaf rough as sandpaper?', ['field-elm', 'hornbeam']), bark('Shoots stout and hairy, no suckers from the roots?', ['field-elm'])] },
  { id: 'field-elm', name: 'Field elm', latin: 'Ulmus minor', groups: ['elm'], growthCmPerYear: 1.2, largestCm: 200, beePlant: 'no', edible: false, evergreen: false, key: [
    bark('Leaf base lopsided?', ['hornbeam', 'hazel']), bark('Leaf stalk about 1 cm, upper side nearly smooth?', ['wych-elm']), bark('Suckers from the roots or corky ridges on twigs?', ['wych-elm'])] },
  { id: 'small-leaved-lime', name: 'Small-leaved lime', latin: 'Tilia cordata', groups: ['lime'], growthCmPerYear: 1.3, largestCm: 250, beePlant: 'strongly', edible: false, evergreen: false, key: [
    bark('Leaf heart-shaped, tufts of rusty hair in the vein angles below?', ['common-lime']), bark('Flower stalk joined to a strap-like bract?', ['wych-elm']) ] },
  { id: 'common-lime', name: 'Common lime', latin: 'Tilia × europaea', groups: ['lime'], growthCmPerYear: 1.6, largestCm: 260, beePlant: 'strongly', edible: false, evergreen: false, key: [
    bark('Leaf heart-shaped, tufts in the vein angles whitish?', ['small-leaved-lime']), bark('Thick brush of shoots at the base?', ['small-leaved-lime']) ] },
  { id: 'cider-apple', name: 'Cider apple', latin: 'Malus domestica', groups: ['apple'], growthCmPerYear: 1.1, largestCm: 90, beePlant: 'strongly', edible: true, evergreen: false, key: [
    bark('Leaf oval, finely toothed, felted below?', ['pear', 'hawthorn']), bark('Growth above the graft union, not from the rootstock?', ['rootstock-shoot']) ] },
  { id: 'pear', name: 'Pear', latin: 'Pyrus communis', groups: ['pear'], growthCmPerYear: 1, largestCm: 100, beePlant: 'strongly', edible: true, evergreen: false, key: [
    bark('Leaf glossy and hairless, stalk as long as the blade?', ['cider-apple']), bark('Bark broken into small squares?', ['cider-apple']) ] },
  { id: 'london-plane', name: 'London plane', latin: 'Platanus × hispanica', groups: ['plane'], growthCmPerYear: 2, largestCm: 300, beePlant: 'no', edible: false, evergreen: false, key: [
    bark('Leaves alternate, base of the stalk hollow over the bud?', ['norway-maple']), bark('Bark peels in plates, cream and olive below?', ['norway-maple']) ] },
  { id: 'silver-birch', name: 'Silver birch', latin: 'Betula pendula', groups: ['birch'], growthCmPerYear: 1.2, largestCm: 90, beePlant: 'no', edible: false, evergreen: false, key: [
    bark('Leaf triangular, doubly toothed, hairless?', ['downy-birch', 'aspen']), bark('Bark white with black diamonds near the ground?', ['downy-birch']) ] },
  { id: 'common-ash', name: 'Common ash', latin: 'Fraxinus excelsior', groups: ['ash'], growthCmPerYear: 1.5, largestCm: 220, beePlant: 'no', edible: false, evergreen: false, key: [
    bark('Buds and leaves in opposite pairs?', ['rowan', 'walnut']), bark('Leaf compound, 9–13 leaflets, buds sooty black?', ['rowan', 'elder']) ] },
  { id: 'rowan', name: 'Rowan', latin: 'Sorbus aucuparia', groups: ['rowan'], growthCmPerYear: 0.9, largestCm: 60, beePlant: 'yes', edible: false, evergreen: false, key: [
    bark('Compound leaf, but leaves alternate, not in pairs?', ['common-ash']), bark('Orange berries, or white flower heads?', ['common-ash', 'elder']) ] },
  { id: 'western-hemlock', name: 'Western hemlock', latin: 'Tsuga heterophylla', groups: ['hemlock', 'conifer'], growthCmPerYear: 1.6, largestCm: 250, beePlant: 'no', edible: false, evergreen: true, key: [
    bark('Needles flat, of mixed lengths, two white bands below?', ['norway-spruce', 'douglas-fir']), bark('Leading shoot droops?', ['douglas-fir']) ] },
  { id: 'norway-spruce', name: 'Norway spruce', latin: 'Picea abies', groups: ['spruce', 'conifer'], growthCmPerYear: 1.4, largestCm: 150, beePlant: 'no', edible: false, evergreen: true, key: [
    bark('Needles four-sided, rolling between two fingers?', ['douglas-fir', 'western-hemlock']), bark('A rough peg is left where a needle is pulled off?', ['douglas-fir']) ] },
  { id: 'douglas-fir', name: 'Douglas fir', latin: 'Pseudotsuga menziesii', groups: ['douglas-fir', 'conifer'], growthCmPerYear: 1.8, largestCm: 250, beePlant: 'no', edible: false, evergreen: true, key: [
    bark('Buds long, brown and pointed like a beech bud?', ['norway-spruce']), bark('Cones with three-pointed tongues between the scales?', ['western-hemlock', 'norway-spruce']) ] },
  { id: 'pedunculate-oak', name: 'Pedunculate oak', latin: 'Quercus robur', groups: ['oak', 'white-oak'], growthCmPerYear: 1.1, largestCm: 350, beePlant: 'no', edible: false, evergreen: false, key: [
    bark('Leaf lobed, nearly no stalk, small ears at its base?', ['sessile-oak', 'red-oak']), bark('Acorns on long stalks?', ['sessile-oak']) ] },
  { id: 'horse-chestnut', name: 'Horse chestnut', latin: 'Aesculus hippocastanum', groups: ['horse-chestnut'], growthCmPerYear: 1.6, largestCm: 220, beePlant: 'yes', edible: false, evergreen: false, key: [
    bark('Five to seven leaflets from one point, like a hand?', ['sweet-chestnut']), bark('Buds large, brown and sticky?', ['sweet-chestnut']) ] },
];

export const hosts: readonly Host[] = z.array(hostSchema).parse(data);
