import type { Condition } from '@/core/diagnose/knowledge';

/**
 * How common a condition is on some of its hosts, where it differs from the others: practice consensus, of places where the
 * trouble is at home. The first that fits a host counts, so the narrow stands before the wide.
 */
export const COMMON_ON: Readonly<Record<string, Readonly<Record<string, Condition['common']>>>> = {
  // Insects, mites, snails.
  aphids: {
    'sycamore-maple': 'very',
    'crape-myrtle': 'very',
    ...{ maple: 'often', birch: 'often', hazel: 'often', willow: 'often' },
    ...{ plane: 'rare', holly: 'rare', olive: 'rare', box: 'rare', magnolia: 'rare', chestnut: 'rare' },
  },
  'leaf-curl-aphid': {
    ...{ cherry: 'very', plum: 'very', apple: 'very', peach: 'very' },
    ...{ ash: 'now and then', elm: 'now and then', quince: 'rare' },
  },
  'woolly-apple-aphid': { apple: 'often', elm: 'rare', hawthorn: 'rare', cotoneaster: 'now and then' },
  'lecanium-scale': {
    ...{ 'stone-fruit': 'often', hazel: 'often', robinia: 'often', 'red-maple': 'often', oak: 'now and then' },
    ...{ citrus: 'rare', holly: 'rare', beech: 'rare', birch: 'rare', poplar: 'rare', willow: 'rare', box: 'rare' },
    ...{ olive: 'rare', avocado: 'rare', plane: 'rare', 'horse-chestnut': 'rare', mulberry: 'rare' },
  },
  'san-jose-scale': {
    ...{ apple: 'often', plum: 'often', peach: 'often', pear: 'often' },
    ...{ elm: 'rare', willow: 'rare', poplar: 'rare', walnut: 'rare' },
  },
  'oystershell-scale': {
    ...{ apple: 'often', ash: 'often', willow: 'often', poplar: 'often' },
    ...{ box: 'rare', magnolia: 'rare', 'tulip-tree': 'rare', walnut: 'rare', beech: 'rare', birch: 'rare' },
  },
  'cottony-scale': {
    ...{ 'silver-maple': 'often', maple: 'now and then', lime: 'often', euonymus: 'often', 'horse-chestnut': 'often' },
    ...{ citrus: 'rare', alder: 'rare', mulberry: 'rare', elm: 'rare', box: 'rare' },
  },
  mealybug: {
    citrus: 'very',
    ...{ apple: 'rare', pear: 'rare', quince: 'rare', hawthorn: 'rare', cotoneaster: 'rare', holly: 'rare' },
    ...{ euonymus: 'rare', mulberry: 'rare' },
  },
  whitefly: { citrus: 'very', avocado: 'often', holly: 'rare', hazel: 'rare', mulberry: 'rare' },
  psyllid: { pear: 'very', box: 'very', alder: 'often', olive: 'often' },
  lacebug: { plane: 'very', oak: 'often', hawthorn: 'often', pear: 'now and then' },
  'leaf-footed-bug': { pomegranate: 'very', citrus: 'now and then', walnut: 'rare' },
  'stink-bug': { hazel: 'often', apple: 'often', pear: 'often', peach: 'often', citrus: 'rare', walnut: 'rare' },
  'spider-mite': {
    ...{ lime: 'very', apple: 'often', plum: 'often', 'horse-chestnut': 'often', citrus: 'often', box: 'often' },
    ...{ birch: 'rare', mulberry: 'rare', maple: 'rare' },
  },
  'spruce-mite': {
    ...{ spruce: 'very', hemlock: 'often', juniper: 'often' },
    ...{ pine: 'rare', larch: 'rare', yew: 'rare', 'douglas-fir': 'rare' },
  },
  'spongy-moth': {
    ...{ oak: 'very', birch: 'often', apple: 'often', poplar: 'often' },
    ...{ maple: 'rare', elm: 'rare', beech: 'now and then', alder: 'now and then' },
  },
  'winter-moth': {
    ...{ oak: 'very', apple: 'very', cherry: 'often', lime: 'often', birch: 'often' },
    ...{ ash: 'rare', beech: 'now and then', rowan: 'now and then' },
  },
  'web-tent-caterpillars': {
    ...{ cherry: 'very', apple: 'often', walnut: 'often', mulberry: 'often' },
    ...{ oak: 'rare', elm: 'rare', ash: 'rare', sweetgum: 'rare', alder: 'rare', maple: 'rare' },
  },
  'tussock-moth': { 'douglas-fir': 'often', fir: 'often', maple: 'rare', spruce: 'rare', apple: 'rare' },
  caterpillars: {
    ...{ oak: 'very', apple: 'often', plum: 'often', birch: 'often' },
    ...{
      plane: 'rare',
      'horse-chestnut': 'rare',
      holly: 'rare',
      magnolia: 'rare',
      olive: 'rare',
      'tulip-tree': 'rare',
    },
  },
  chafers: {
    ...{ lime: 'often', apple: 'often', 'crape-myrtle': 'often', 'sweet-cherry': 'often', birch: 'now and then' },
    ...{ oak: 'now and then', 'horse-chestnut': 'rare', hazel: 'rare', poplar: 'rare' },
  },
  sawflies: {
    ...{ pine: 'very', larch: 'often', cherry: 'often', pear: 'often', willow: 'often' },
    ...{ ash: 'rare', elm: 'rare', oak: 'rare' },
  },
  bagworm: { juniper: 'often', cypress: 'often', spruce: 'often', pine: 'rare', larch: 'rare', plane: 'rare' },
  'root-collar-weevil': { yew: 'often', euonymus: 'often', pine: 'rare', maple: 'rare', larch: 'rare', citrus: 'rare' },
  'large-borer': {
    willow: 'often',
    poplar: 'often',
    oak: 'now and then',
    plane: 'rare',
    mulberry: 'rare',
    chestnut: 'rare',
  },
  'snails-slugs': { citrus: 'very', apple: 'rare', cherry: 'rare', plum: 'rare', robinia: 'rare' },

  // What infects.
  'powdery-mildew': {
    ...{ 'pedunculate-oak': 'very', 'crape-myrtle': 'very', euonymus: 'very' },
    ...{ apple: 'often', hawthorn: 'often', 'norway-maple': 'often', plane: 'often' },
    ...{ beech: 'rare', lime: 'rare', 'tulip-tree': 'rare', holly: 'rare', robinia: 'rare', rowan: 'rare' },
  },
  'cedar-apple-rust': { apple: 'often', juniper: 'often', pear: 'rare', quince: 'now and then', rowan: 'rare' },
  'brown-rot': { 'stone-fruit': 'very', apple: 'often', pear: 'often', quince: 'now and then' },
  'shot-hole': { cherry: 'often', almond: 'very', apricot: 'very', plum: 'now and then' },
  'silver-leaf': {
    ...{ plum: 'very', cherry: 'often', apple: 'now and then', pear: 'now and then' },
    ...{ willow: 'rare', poplar: 'rare', hawthorn: 'rare' },
  },
  'verticillium-wilt': {
    ...{ maple: 'often', olive: 'often', apricot: 'often' },
    ...{ elm: 'rare', chestnut: 'rare', ash: 'now and then', lime: 'now and then' },
  },
  'leaf-anthracnose': {
    ...{ walnut: 'very', ash: 'often', 'white-oak': 'often', maple: 'often', avocado: 'often' },
    ...{ beech: 'rare', hornbeam: 'rare', olive: 'rare', magnolia: 'rare', sweetgum: 'rare', robinia: 'rare' },
  },
  'nectria-canker': {
    ...{ apple: 'very', pear: 'often', beech: 'often' },
    ...{ lime: 'rare', oak: 'rare', magnolia: 'rare', mulberry: 'rare', walnut: 'rare', hawthorn: 'rare' },
  },
  'cytospora-canker': {
    ...{ spruce: 'often', 'stone-fruit': 'often', willow: 'often', poplar: 'often' },
    ...{ pine: 'rare', larch: 'rare', fir: 'rare', 'douglas-fir': 'rare' },
  },
  'hypoxylon-canker': { oak: 'often', beech: 'rare', maple: 'rare' },
  'tip-blight': {
    ...{ 'black-pine': 'very', pine: 'often', juniper: 'often' },
    ...{ spruce: 'rare', fir: 'rare', 'douglas-fir': 'rare' },
  },
  'giant-polypore': { beech: 'often', lime: 'rare', plane: 'rare', rowan: 'rare' },
  'brittle-cinder': { beech: 'often', lime: 'often', elm: 'rare', ash: 'rare', hornbeam: 'rare' },
  'sulphur-polypore': { oak: 'often', robinia: 'often', cherry: 'often', larch: 'rare', willow: 'now and then' },
  'conifer-root-rot': { pine: 'often', spruce: 'often', juniper: 'rare', cedar: 'rare', thuja: 'rare' },
  'fire-blight': {
    ...{ pear: 'very', quince: 'very', cotoneaster: 'very' },
    ...{ apple: 'often', hawthorn: 'often', loquat: 'often', rowan: 'now and then', serviceberry: 'rare' },
  },
  'bacterial-leaf-scorch': { 'red-oak': 'often', sycamore: 'often', mulberry: 'often', elm: 'now and then' },
  'bacterial-canker': { cherry: 'very', apricot: 'often', plum: 'often', peach: 'now and then' },
  'crown-gall': { walnut: 'often', euonymus: 'often', olive: 'rare', mulberry: 'rare' },
  wetwood: { elm: 'very', poplar: 'very', birch: 'rare', walnut: 'rare', 'tulip-tree': 'rare', plane: 'rare' },
  'phytophthora-root-rot': {
    ...{ 'lawson-cypress': 'very', avocado: 'very', citrus: 'often', yew: 'often', chestnut: 'often' },
    ...{
      birch: 'rare',
      elm: 'rare',
      spruce: 'rare',
      lime: 'rare',
      hemlock: 'rare',
      larch: 'rare',
      pomegranate: 'rare',
    },
  },
  'phytophthora-bleeding': {
    ...{ 'horse-chestnut': 'often', lime: 'often', beech: 'often' },
    ...{ birch: 'rare', robinia: 'rare', walnut: 'rare' },
  },

  // Shortages, and what gnaws.
  'iron-shortage': {
    ...{ 'pin-oak': 'very', citrus: 'often', pear: 'often', quince: 'often', peach: 'often', chestnut: 'often' },
    ...{ 'river-birch': 'often', 'red-maple': 'often' },
    ...{ 'white-oak': 'rare', plane: 'rare', hornbeam: 'rare', holly: 'rare' },
  },
  'manganese-shortage': { 'red-maple': 'often', citrus: 'often', oak: 'rare', lime: 'rare', birch: 'rare' },
  'zinc-shortage': { citrus: 'often', avocado: 'often', walnut: 'often', peach: 'often', pear: 'rare', plum: 'rare' },
  'magnesium-shortage': { apple: 'often', citrus: 'often', beech: 'rare', maple: 'rare', lime: 'rare', birch: 'rare' },
  squirrels: { beech: 'very', 'sycamore-maple': 'very', oak: 'often', lime: 'rare', elm: 'rare', pine: 'now and then' },
  mistletoe: { apple: 'often', poplar: 'very', lime: 'often', birch: 'rare', willow: 'now and then' },
  'witches-broom': { birch: 'often', hackberry: 'very', spruce: 'rare', pine: 'rare', hornbeam: 'now and then' },
};
