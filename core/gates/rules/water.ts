import { showDistance } from '../../../lib/units/units';
import { asking, gate, isSoil, labelSource, type Facts, type Rule } from '../gate';

/** A pesticide into the ground, not a feed. */
const drenched = (f: Facts) => isSoil(f.use) && f.use.method !== 'root-zone-feeding';

const nearest = (f: Facts, kind: string) =>
  f.near.filter((n) => n.kind === kind).sort((a, b) => a.metres - b.metres)[0];

/** Water, boundary, bees and food within reach of what goes into the ground. */
export const waterRules: Rule[] = [
  {
    ids: ['water-unknown', 'water-too-near'],
    strength: 'stop',
    about: 'Far enough from wells, open water and drains',
    facts: 'place, plan of the grounds',
    setBy: 'label',
    label: (_, u) => u.conditions?.waterDistanceM !== undefined,
    region: (r) => r.minWaterDistanceM > 0,
    check: (facts) => {
      // A label's distance holds for whatever the label is of: dust, bait and repellent too.
      const labelM = facts.use.conditions?.waterDistanceM ?? 0;
      const byRegion = isSoil(facts.use) || facts.use.method.endsWith('spray') || facts.use.method === 'dust';
      const need = Math.max(labelM, byRegion ? facts.region.minWaterDistanceM : 0);
      if (!(need > 0)) return null;
      const distance = (m: number) => showDistance(m, facts.system ?? 'metric').text;
      const source = labelM >= need ? labelSource(facts, 'water') : `region ${facts.region.name}`;
      if (facts.water === null)
        return gate({
          id: 'water-unknown',
          strength: 'stop',
          title: 'How far to water?',
          sentence: `A well, open water or a drain must be ${distance(need)} away; nobody has said how far it is.`,
          source,
          satisfy: 'Pace it, and enter it on the page of the place, or draw the water on its plan.',
          state: 'asked',
        });
      if (facts.water === 'none within 100 m' || facts.water >= need) return null;
      return gate({
        id: 'water-too-near',
        strength: 'stop',
        title: 'Too near to water',
        sentence: `Water is ${distance(facts.water)} away; ${distance(need)} must be kept.`,
        source,
        facts: [`distance ${distance(facts.water)}`],
        satisfy: 'Trunk injection, or no product here.',
      });
    },
  },
  {
    ids: ['boundary-too-near', 'boundary-unknown'],
    strength: 'stop',
    about: 'Far enough from the boundary',
    facts: 'plan of the grounds, said at the tree',
    setBy: 'region',
    region: (r) => r.minBoundaryDistanceM > 0,
    check: (f) => {
      const need = f.region.minBoundaryDistanceM;
      if (!drenched(f) || !(need > 0)) return null;
      const distance = (m: number) => showDistance(m, f.system ?? 'metric').text;
      const source = `region ${f.region.name}: boundary`;
      const n = nearest(f, 'neighbour');
      const stop = (sentence: string, facts: string[]) =>
        gate({
          id: 'boundary-too-near',
          strength: 'stop',
          title: 'Too near to the boundary',
          sentence,
          source,
          facts,
          satisfy: 'Trunk injection, or no product here.',
        });
      if (n && n.metres < need)
        return stop(`${n.name || 'The neighbour'} is ${distance(n.metres)} away; ${distance(need)} must be kept.`, [
          `${n.metres.toFixed(1)} m`,
        ]);
      if (f.said.boundary === 'nearer')
        return stop(`The boundary is nearer than ${distance(need)}.`, ['said at the tree']);
      return n || f.said.boundary
        ? null
        : asking({
            fact: 'boundary',
            id: 'boundary-unknown',
            strength: 'stop',
            title: `Is the boundary ${distance(need)} away?`,
            sentence: `${distance(need)} must be kept from the boundary, and nobody has said how far it is.`,
            source,
          });
    },
  },
  {
    ids: ['bee-tree-soil-systemic', 'bee-plant-soil-systemic'],
    strength: 'stop or hold',
    about: 'No soil systemic under bee trees',
    facts: 'host, actives',
    setBy: 'region',
    region: (r) => r.soilSystemicForbiddenOn.length > 0,
    check: (facts) => {
      if (!isSoil(facts.use) || !facts.label.systemic || facts.use.method === 'root-zone-feeding') return null;
      // The region's list stands by itself: it asks neither for the family of the active nor for what is usual for the host.
      const by = facts.region.soilSystemicForbiddenOn.find((h) => h === facts.host.id || facts.host.groups.includes(h));
      if (by)
        return gate({
          id: 'bee-tree-soil-systemic',
          strength: 'stop',
          title: `No soil systemic under ${facts.host.name}`,
          sentence: `What goes into the soil comes out in nectar and pollen, for more than one year. The region forbids it under ${by}.`,
          source: `region ${facts.region.name}: bee trees`,
          facts: [`host ${facts.host.name}`, `actives: ${facts.label.actives.map((a) => a.name).join(', ')}`],
          satisfy: 'Wash, band against ants, soap on aphids, or leave it.',
        });
      const neonic = facts.label.actives.some((a) => a.family === 'neonicotinoid');
      if (facts.host.beePlant === 'no' || !(neonic || facts.label.beeHazard === 'high')) return null;
      return gate({
        id: 'bee-plant-soil-systemic',
        strength: 'hold',
        title: 'Bees visit this tree',
        sentence: `What goes into the soil comes out in the flowers of ${facts.host.name}.`,
        source: 'practice: after bloom only',
        facts: [`host ${facts.host.name}`],
        satisfy: 'After bloom, with a written reason, or another method.',
      });
    },
  },
  {
    ids: ['slope-unknown', 'slope-runoff'],
    strength: 'hold',
    about: 'It does not run off to water',
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (!drenched(facts) || facts.water === 'none within 100 m') return null;
      if (facts.said.slope === 'slopes to water')
        return gate({
          id: 'slope-runoff',
          strength: 'hold',
          title: 'It would run to water',
          sentence: 'The ground slopes to water; what does not soak in at once runs there.',
          source: 'practice',
          facts: ['slopes to water'],
          satisfy: 'A lip on the lower side, small passes, or another method.',
        });
      return facts.said.slope || facts.water === null || facts.water > 50
        ? null
        : asking({
            fact: 'slope',
            id: 'slope-unknown',
            strength: 'hold',
            title: 'Does the ground slope to the water?',
            sentence: `Water is ${showDistance(facts.water, facts.system ?? 'metric').text} away.`,
            source: 'practice',
          });
    },
  },
  {
    ids: ['ground-water-unknown', 'shallow-ground-water'],
    strength: 'hold',
    about: 'No sand over shallow ground water',
    facts: 'soil of the place, said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (!drenched(facts) || facts.soilTexture !== 'sandy') return null;
      if (facts.said['ground-water'] === 'shallower')
        return gate({
          id: 'shallow-ground-water',
          strength: 'hold',
          title: 'Sand over shallow ground water',
          sentence: 'Sand lets a drench through to ground water within days.',
          source: 'practice',
          facts: ['ground water shallower than 2 m'],
          satisfy: 'Trunk injection, or a method without product.',
        });
      return facts.said['ground-water']
        ? null
        : asking({
            fact: 'ground-water',
            id: 'ground-water-unknown',
            strength: 'hold',
            title: 'How deep is ground water?',
            sentence: 'The soil is sandy; what is poured goes down.',
            source: 'practice',
          });
    },
  },
  {
    ids: ['edibles-unknown', 'edibles-in-root-zone'],
    strength: 'hold',
    about: 'Nothing eaten in the root zone',
    facts: 'plan of the grounds, said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (!drenched(facts) || facts.host.edible) return null;
      const bed = nearest(facts, 'bed');
      const reach = (facts.crownRadiusM ?? 3) + 1;
      if (facts.said.edibles === 'edible plants' || (bed && bed.metres < reach))
        return gate({
          id: 'edibles-in-root-zone',
          strength: 'hold',
          title: 'Edible plants in the root zone',
          sentence: bed
            ? `${bed.name || 'A bed'} lies ${bed.metres.toFixed(1)} m from the trunk.`
            : 'Edible plants stand in the root zone and would take it up.',
          source: 'practice',
          facts: bed ? ['plan of the grounds'] : ['said at the tree'],
          satisfy: 'Another method, or clear the bed for the season.',
        });
      return facts.said.edibles
        ? null
        : asking({
            fact: 'edibles',
            id: 'edibles-unknown',
            strength: 'hold',
            title: 'Anything eaten in the root zone?',
            sentence: 'What goes into the soil goes into every root there.',
            source: 'practice',
          });
    },
  },
];
