import type { Device, Method } from './methods';

/** How a method is spoken of on every sheet: one description, so that nobody pours a spray. */
export interface MethodWords {
  /** The heading of the prescription. */
  title: string;
  /** The button that begins it. */
  start: string;
  /** Where the amount goes, as the name of the figure while it is done. */
  into: string;
  /** What has to be ready, beside the label's own protection. */
  ready: string;
  /** What a crew does, in order. */
  steps: readonly string[];
  /** One sentence to keep in mind while it is done. */
  mind: string;
}

const SPRAYED: Pick<MethodWords, 'start' | 'into'> = { start: 'Start spraying', into: 'In the tank, for this tree' };

const WORDS: Record<Exclude<Method, 'trunk-injection'>, MethodWords> = {
  'soil-drench': {
    title: 'How much, and where to pour',
    start: 'Start pouring',
    into: 'Into the basin',
    ready: 'mulch and ground cover pulled back',
    steps: [
      'Pour slowly and evenly round the trunk, inside the basin.',
      'Wait until it has gone in, pour again.',
      'Put the mulch back once it has soaked in.',
    ],
    mind: 'Slowly, evenly, nothing running off. Mulch back when it has soaked in.',
  },
  'soil-injection': {
    title: 'How many holes, and where',
    start: 'Start probing',
    into: 'Through the probe, in all',
    ready: 'cables and pipes located and marked',
    steps: [
      'Probe hole by hole, ring by ring, to the depth on the sheet.',
      'The same amount into each hole; step the hole shut.',
    ],
    mind: 'Count the holes. Where liquid wells up, wait and go on beside it.',
  },
  'root-zone-feeding': {
    title: 'How much, on which ground',
    start: 'Start spreading',
    into: 'Onto the root zone',
    ready: 'the soil moist, the ground cover raked open',
    steps: [
      'Spread evenly over the ring, clear of the trunk.',
      'Work it in lightly, water it in.',
      'Sweep what lies on paving back onto soil.',
    ],
    mind: 'Evenly, nothing on paving, nothing against the bark.',
  },
  'foliar-spray': {
    ...SPRAYED,
    title: 'How much, in which loads',
    ready: 'everything under the drip cleared or covered, nobody downwind',
    steps: [
      'From the inside of the crown out, then from below up.',
      'Both sides of the leaves, the undersides first.',
      'Stop as the label says: wet, or when it begins to drip.',
    ],
    mind: 'From inside out, both sides of the leaf. Stop when the wind turns or a bee comes.',
  },
  'dormant-spray': {
    ...SPRAYED,
    title: 'How much, in which loads',
    ready: 'the bark dry and above freezing, nobody downwind',
    steps: ['Every twig from two sides, tips and forks first.', 'Down the limbs to the trunk until it runs off.'],
    mind: 'What stays dry stays alive: every side of every twig.',
  },
  'bark-spray': {
    ...SPRAYED,
    title: 'How much, in which loads',
    ready: 'the bark dry and brushed clean, plants below covered',
    steps: [
      'Low pressure, close to the bark, right round.',
      'From the height on the sheet down to the soil, to wet, not to run.',
    ],
    mind: 'Low pressure, right round, nothing onto the soil.',
  },
  dust: {
    title: 'How much to dust',
    start: 'Start dusting',
    into: 'Dust for this tree',
    ready: 'mask and goggles on, no wind',
    steps: ['A thin film where they walk, dry on dry.', 'None on flowers, none into the air.'],
    mind: 'A thin film. It works while it is dry.',
  },
  bait: {
    title: 'How much bait, and where',
    start: 'Start laying bait',
    into: 'Bait for this tree',
    ready: 'children and pets away',
    steps: [
      'As the label says: in its stations, or thinly scattered, never in heaps.',
      'Note where each lies.',
      'Take away what is left at the end.',
    ],
    mind: 'Never in heaps, never in reach of children, pets or birds.',
  },
  repellent: {
    title: 'How much repellent, and where',
    start: 'Start brushing',
    into: 'Repellent for this tree',
    ready: 'the bark and shoots dry',
    steps: [
      'Brush or spray what they reach: shoots and trunk, to above the snow.',
      'New growth again when it has grown out of it.',
    ],
    mind: 'What they can reach, standing on the snow too.',
  },
};

const INJECTED: MethodWords = {
  title: 'Where to drill, and how much',
  start: 'Start the injection',
  into: 'Into each site',
  ready: 'eyes protected while drilling and under pressure',
  steps: [
    'Drill on the flares, clean bit, to the depth on the sheet.',
    'Set each device at once; site 1 first, clockwise.',
    'Watch until it is empty; pull, count, look at the hole.',
  ],
  mind: 'What has not gone in by the set time is taken off and measured; only what entered is booked.',
};
const CAPSULES: MethodWords = {
  ...INJECTED,
  title: 'How many capsules, and where',
  start: 'Start setting capsules',
  steps: [
    'Drill on the flares, clean bit, to the depth on the sheet.',
    'Set each capsule flush with the wood, below the bark.',
    'Count what is left in the box.',
  ],
  mind: 'A capsule stays in: below the bark, so that it can close.',
};
const INFUSED: MethodWords = {
  ...INJECTED,
  title: 'How much to infuse, and where',
  start: 'Start the infusion',
  steps: [
    'Drill low on the flares, clean bit.',
    'Set the tees, fill the line, let out the air.',
    'Watch the level; refill as the sheet says; pull and count.',
  ],
};

/** A feed that goes onto the ground in water. */
const DISSOLVED: MethodWords = {
  ...WORDS['root-zone-feeding'],
  title: 'How much to dissolve, on which ground',
  start: 'Start watering in',
  steps: [
    'Dissolve it in half the water, then fill up.',
    'Water it in evenly over the ring, clear of the trunk.',
    'Rinse what lies on paving back onto soil.',
  ],
};

/** The words of a method: an injection by its device, a feed by whether it is dissolved. */
export function methodWords(method: Method, device?: Device, inWater = false): MethodWords {
  if (method === 'root-zone-feeding' && inWater) return DISSOLVED;
  if (method !== 'trunk-injection') return WORDS[method];
  return device === 'capsule' ? CAPSULES : device === 'tee infusion' ? INFUSED : INJECTED;
}
