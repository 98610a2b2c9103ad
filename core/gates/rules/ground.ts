import { PROBES } from '../../label/methods';
import { feedingDoubts } from '../../rootzone/feeding';
import { showDistance } from '../../units/units';
import { asking, gate, isSoil, labelSource, type Check, type Facts, type Rule } from '../gate';

const soil: Check = (f) => {
  if (!isSoil(f.use)) return null;
  if (f.soil === null)
    return gate(
      'soil-unknown',
      'stop',
      'What is the soil like?',
      'Nobody has looked at the soil under this tree today.',
      'label and practice: never on saturated or frozen soil',
      [],
      'Push in a finger or a probe and say.',
      'asked',
    );
  if (f.soil === 'saturated' || f.soil === 'frozen')
    return gate(
      'soil-saturated-frozen',
      'stop',
      f.soil === 'frozen' ? 'Frozen soil' : 'Saturated soil',
      `The soil is ${f.soil}: a drench would run off instead of going in.`,
      'label and practice: never on saturated or frozen soil',
      [`soil ${f.soil}`],
      f.soil === 'frozen' ? 'Wait until it has thawed and drained.' : 'Wait until it has drained.',
    );
  if (f.soil === 'water-repellent' || f.soil === 'sodden')
    return gate(
      'soil-repellent-sodden',
      'hold',
      f.soil === 'sodden' ? 'Sodden soil' : 'Water-repellent soil',
      f.soil === 'sodden' ? 'The soil hardly takes in more.' : 'Bone-dry soil sheds the first water.',
      'practice',
      [`soil ${f.soil}`],
      f.soil === 'sodden' ? 'Wait a day or two.' : 'Wet it first and wait.',
    );
  return f.soil === 'dry'
    ? gate(
        'soil-dry',
        'note',
        'Dry soil',
        'Water the basin before the drench and again after it.',
        'practice',
        ['soil dry'],
        'Water first.',
      )
    : null;
};

const water: Check = (f) => {
  // A label's distance holds for whatever the label is of: dust, bait and repellent too.
  const labelM = f.use.conditions?.waterDistanceM ?? 0;
  const byRegion = isSoil(f.use) || f.use.method.endsWith('spray') || f.use.method === 'dust';
  const need = Math.max(labelM, byRegion ? f.region.minWaterDistanceM : 0);
  if (!(need > 0)) return null;
  const distance = (m: number) => showDistance(m, f.system ?? 'metric').text;
  const source = labelM >= need ? labelSource(f, 'water') : `region ${f.region.name}`;
  if (f.water === null)
    return gate(
      'water-unknown',
      'stop',
      'How far to water?',
      `A well, open water or a drain must be ${distance(need)} away; nobody has said how far it is.`,
      source,
      [],
      'Pace it, and enter it on the page of the place, or draw the water on its plan.',
      'asked',
    );
  if (f.water === 'none within 100 m' || f.water >= need) return null;
  return gate(
    'water-too-near',
    'stop',
    'Too near to water',
    `Water is ${distance(f.water)} away; ${distance(need)} must be kept.`,
    source,
    [`distance ${distance(f.water)}`],
    'Trunk injection, or no product here.',
  );
};

const beesInSoil: Check = (f) => {
  if (!isSoil(f.use) || !f.label.systemic || f.use.method === 'root-zone-feeding') return null;
  // The region's list stands by itself: it asks neither for the family of the active nor for what is usual for the host.
  const by = f.region.soilSystemicForbiddenOn.find((h) => h === f.host.id || f.host.groups.includes(h));
  if (by)
    return gate(
      'bee-tree-soil-systemic',
      'stop',
      `No soil systemic under ${f.host.name}`,
      `What goes into the soil comes out in nectar and pollen, for more than one year. The region forbids it under ${by}.`,
      `region ${f.region.name}: bee trees`,
      [`host ${f.host.name}`, `actives: ${f.label.actives.map((a) => a.name).join(', ')}`],
      'Wash, band against ants, soap on aphids, or leave it.',
    );
  const neonic = f.label.actives.some((a) => a.family === 'neonicotinoid');
  if (f.host.beePlant === 'no' || !(neonic || f.label.beeHazard === 'high')) return null;
  return gate(
    'bee-plant-soil-systemic',
    'hold',
    'Bees visit this tree',
    `What goes into the soil comes out in the flowers of ${f.host.name}.`,
    'practice: after bloom only',
    [`host ${f.host.name}`],
    'After bloom, with a written reason, or another method.',
  );
};

/** A pesticide into the ground, not a feed. */
const drenched = (f: Facts) => isSoil(f.use) && f.use.method !== 'root-zone-feeding';
const nearest = (f: Facts, kind: string) =>
  f.near.filter((n) => n.kind === kind).sort((a, b) => a.metres - b.metres)[0];

const services: Check = (f) =>
  !PROBES.includes(f.use.method)
    ? null
    : f.said.services === 'located and marked'
      ? null
      : f.said.services
        ? gate(
            'services-not-located',
            'stop',
            'Buried services not located',
            'No probe goes in before cables, gas and water are located and marked.',
            'duty: locate buried services',
            ['said at the tree'],
            'Have them located and marked.',
          )
        : asking(
            'services',
            'services-not-located',
            'stop',
            'Buried services?',
            'No probe goes in before cables, gas and water are located and marked.',
            'duty: locate buried services',
          );

const boundary: Check = (f) => {
  const need = f.region.minBoundaryDistanceM;
  if (!drenched(f) || !(need > 0)) return null;
  const distance = (m: number) => showDistance(m, f.system ?? 'metric').text;
  const source = `region ${f.region.name}: boundary`;
  const n = nearest(f, 'neighbour');
  const stop = (sentence: string, facts: string[]) =>
    gate(
      'boundary-too-near',
      'stop',
      'Too near to the boundary',
      sentence,
      source,
      facts,
      'Trunk injection, or no product here.',
    );
  if (n && n.metres < need)
    return stop(`${n.name || 'The neighbour'} is ${distance(n.metres)} away; ${distance(need)} must be kept.`, [
      `${n.metres.toFixed(1)} m`,
    ]);
  if (f.said.boundary === 'nearer') return stop(`The boundary is nearer than ${distance(need)}.`, ['said at the tree']);
  return n || f.said.boundary
    ? null
    : asking(
        'boundary',
        'boundary-unknown',
        'stop',
        `Is the boundary ${distance(need)} away?`,
        `${distance(need)} must be kept from the boundary, and nobody has said how far it is.`,
        source,
      );
};

const runoff: Check = (f) => {
  if (!drenched(f) || f.water === 'none within 100 m') return null;
  if (f.said.slope === 'slopes to water')
    return gate(
      'slope-runoff',
      'hold',
      'It would run to water',
      'The ground slopes to water; what does not soak in at once runs there.',
      'practice',
      ['slopes to water'],
      'A lip on the lower side, small passes, or another method.',
    );
  return f.said.slope || f.water === null || f.water > 50
    ? null
    : asking(
        'slope',
        'slope-unknown',
        'hold',
        'Does the ground slope to the water?',
        `Water is ${showDistance(f.water, f.system ?? 'metric').text} away.`,
        'practice',
      );
};

/** The pour itself: what does not go in at once runs off. */
const intake: Check = (f) => {
  if (f.use.method !== 'soil-drench' || !((f.passes ?? 1) > 1)) return null;
  // How it is poured is settled at the tree; while it is planned, the passes are told.
  if (f.said.passes === 'in passes' || f.phase !== 'apply')
    return gate(
      'soil-passes',
      'note',
      `Pour in ${f.passes} passes`,
      'Pour, wait until it has gone in, pour again.',
      'practice: intake by soil',
      [`soil ${f.soilTexture ?? 'loam'}`],
      'Wait between the passes.',
    );
  return f.said.passes || f.passes! > 12
    ? gate(
        'soil-intake',
        'hold',
        'It would run off',
        `This soil takes the water in ${f.passes} passes; poured at once it runs off.`,
        'practice: intake by soil',
        [`soil ${f.soilTexture ?? 'loam'}`],
        'Pour in passes, loosen the crust, time a test pour, or another method.',
      )
    : asking(
        'passes',
        'soil-intake-unknown',
        'hold',
        `Poured in ${f.passes} passes?`,
        `This soil does not take the water in one pass: ${f.passes}, with waiting between.`,
        'practice: intake by soil',
      );
};

const groundWater: Check = (f) => {
  if (!drenched(f) || f.soilTexture !== 'sandy') return null;
  if (f.said['ground-water'] === 'shallower')
    return gate(
      'shallow-ground-water',
      'hold',
      'Sand over shallow ground water',
      'Sand lets a drench through to ground water within days.',
      'practice',
      ['ground water shallower than 2 m'],
      'Trunk injection, or a method without product.',
    );
  return f.said['ground-water']
    ? null
    : asking(
        'ground-water',
        'ground-water-unknown',
        'hold',
        'How deep is ground water?',
        'The soil is sandy; what is poured goes down.',
        'practice',
      );
};

const litter: Check = (f) => {
  if (f.use.method !== 'soil-drench') return null;
  if (f.said.litter === 'still in place')
    return gate(
      'litter-in-place',
      'hold',
      'Mulch in the way',
      'Mulch and ground cover bind the product before it reaches a root.',
      'practice',
      ['mulch in place'],
      'Pull it back to the edge of the basin; put it back after.',
    );
  return f.said.litter || f.phase !== 'apply'
    ? null
    : asking(
        'litter',
        'litter-unknown',
        'hold',
        'Is the mulch pulled back?',
        'Mulch and ground cover bind the product before it reaches a root.',
        'practice',
      );
};

const edibles: Check = (f) => {
  if (!drenched(f) || f.host.edible) return null;
  const bed = nearest(f, 'bed');
  const reach = (f.crownRadiusM ?? 3) + 1;
  if (f.said.edibles === 'edible plants' || (bed && bed.metres < reach))
    return gate(
      'edibles-in-root-zone',
      'hold',
      'Edible plants in the root zone',
      bed
        ? `${bed.name || 'A bed'} lies ${bed.metres.toFixed(1)} m from the trunk.`
        : 'Edible plants stand in the root zone and would take it up.',
      'practice',
      bed ? ['plan of the grounds'] : ['said at the tree'],
      'Another method, or clear the bed for the season.',
    );
  return f.said.edibles
    ? null
    : asking(
        'edibles',
        'edibles-unknown',
        'hold',
        'Anything eaten in the root zone?',
        'What goes into the soil goes into every root there.',
        'practice',
      );
};

/** What speaks against a feed now: season, thirst, heat, dry soil; and that nobody has tested. */
const feed: Check = (f) => {
  const n = f.label.nutrients;
  if (f.use.method !== 'root-zone-feeding' || !n) return null;
  const doubts = feedingDoubts({
    release: n.release,
    month: Number(f.today.slice(5, 7)),
    southern: f.south ?? false,
    young: f.dose?.ok === true && f.dose.diameterCm < 8,
    drought: f.said.drought === 'yes' || f.condition?.id === 'drought-stress',
    hot: (f.temperatureC ?? 0) > 30,
    soilDry: f.soil === 'dry' || f.soil === 'water-repellent',
    tested: f.certainty === 'confirmed by test',
  });
  const first = doubts.find((d) => d.strength === 'hold') ?? doubts[0];
  return first
    ? gate(
        first.strength === 'hold' ? 'feed-waits' : 'feed-untested',
        first.strength,
        first.strength === 'hold' ? 'Not the time to feed' : 'Fed without a test',
        doubts.map((d) => d.sentence).join(' '),
        'practice: feeding',
        [`${n.release}-release`],
        first.strength === 'hold'
          ? 'Wait, water, feed in its season.'
          : 'Take a soil or leaf test where the outcome matters.',
      )
    : null;
};

export const groundRules: Rule[] = [
  {
    ids: ['feed-waits', 'feed-untested'],
    strength: 'hold or note',
    about: 'A feed in its season, onto moist soil',
    facts: 'month, soil, said at the tree',
    setBy: 'practice',
    label: (l) => l.nutrients !== undefined,
    check: feed,
  },
  {
    ids: ['soil-unknown', 'soil-saturated-frozen', 'soil-repellent-sodden', 'soil-dry'],
    strength: 'stop or hold',
    about: 'The soil can take it',
    facts: 'soil today',
    setBy: 'practice',
    check: soil,
  },
  {
    ids: ['water-unknown', 'water-too-near'],
    strength: 'stop',
    about: 'Far enough from wells, open water and drains',
    facts: 'place, plan of the grounds',
    setBy: 'label',
    label: (_, u) => u.conditions?.waterDistanceM !== undefined,
    region: (r) => r.minWaterDistanceM > 0,
    check: water,
  },
  {
    ids: ['boundary-too-near', 'boundary-unknown'],
    strength: 'stop',
    about: 'Far enough from the boundary',
    facts: 'plan of the grounds, said at the tree',
    setBy: 'region',
    region: (r) => r.minBoundaryDistanceM > 0,
    check: boundary,
  },
  {
    ids: ['services-not-located'],
    strength: 'stop',
    about: 'Buried services are located',
    facts: 'said at the tree',
    setBy: 'practice',
    label: (_, u) => PROBES.includes(u.method),
    check: services,
  },
  {
    ids: ['bee-tree-soil-systemic', 'bee-plant-soil-systemic'],
    strength: 'stop or hold',
    about: 'No soil systemic under bee trees',
    facts: 'host, actives',
    setBy: 'region',
    region: (r) => r.soilSystemicForbiddenOn.length > 0,
    check: beesInSoil,
  },
  {
    ids: ['slope-unknown', 'slope-runoff'],
    strength: 'hold',
    about: 'It does not run off to water',
    facts: 'said at the tree',
    setBy: 'practice',
    check: runoff,
  },
  {
    ids: ['ground-water-unknown', 'shallow-ground-water'],
    strength: 'hold',
    about: 'No sand over shallow ground water',
    facts: 'soil of the place, said at the tree',
    setBy: 'practice',
    check: groundWater,
  },
  {
    ids: ['litter-unknown', 'litter-in-place'],
    strength: 'hold',
    about: 'Mulch is pulled back',
    facts: 'said at the tree',
    setBy: 'practice',
    check: litter,
  },
  {
    ids: ['edibles-unknown', 'edibles-in-root-zone'],
    strength: 'hold',
    about: 'Nothing eaten in the root zone',
    facts: 'plan of the grounds, said at the tree',
    setBy: 'practice',
    check: edibles,
  },
  {
    ids: ['soil-intake', 'soil-intake-unknown', 'soil-passes'],
    strength: 'hold or note',
    about: 'The soil takes the water in one pass',
    facts: 'soil of the place, carrier',
    setBy: 'practice',
    check: intake,
  },
];
