import { asking, gate, labelSource, type Rule } from '../gate';
import { vapourDeficit } from '../../weather/air';

/** Groups whose old bark is thick enough to swallow a drill’s depth. */
const THICK_BARK = ['oak', 'pine', 'poplar', 'larch', 'douglas-fir', 'walnut', 'robinia'];

/** Where a trunk is drilled, and whether it takes up. */
export const siteRules: Rule[] = [
  {
    ids: ['site-illegal'],
    strength: 'stop',
    about: 'No site in a valley, dead bark or a clearance',
    facts: 'the ring',
    setBy: 'label',
    label: (_, u) => u.sites !== undefined,
    check: (facts) =>
      facts.illegalSite
        ? gate({
            id: 'site-illegal',
            strength: 'stop',
            title: 'A site may not stand there',
            sentence: `A site moved by hand lies on barred bark: ${facts.illegalSite}.`,
            source: labelSource(facts, 'sites'),
            facts: [facts.illegalSite],
            satisfy: 'Move it, or place the ring anew.',
          })
        : null,
  },
  {
    ids: ['leaf-unknown', 'no-uptake'],
    strength: 'stop',
    about: 'The tree is in full leaf where the label asks it',
    day: true,
    facts: 'leaf state',
    setBy: 'label',
    label: (_, u) => u.needsLeaf,
    check: (facts) => {
      if (!facts.use.needsLeaf) return null;
      if (facts.leaf === null)
        return gate({
          id: 'leaf-unknown',
          strength: 'stop',
          title: 'Leaf state?',
          sentence: 'The label wants a tree in leaf; nobody has said what the leaves are doing.',
          source: labelSource(facts, 'timing'),
          satisfy: 'Say what the leaves are doing.',
          state: 'asked',
        });
      return facts.leaf === 'full'
        ? null
        : gate({
            id: 'no-uptake',
            strength: 'stop',
            title: 'Not in full leaf',
            sentence: `The label asks for full leaf; this tree is ${facts.leaf}. Without transpiration nothing rises.`,
            source: labelSource(facts, 'timing'),
            facts: [`leaf ${facts.leaf}`],
            satisfy: 'Wait for full leaf.',
          });
    },
  },
  {
    ids: ['ring-short'],
    strength: 'hold',
    about: 'Enough sound ring for the sites',
    facts: 'arcs, old holes',
    setBy: 'practice',
    label: (_, u) => u.sites !== undefined,
    check: (facts) =>
      facts.ring && facts.ring.sites.length < facts.ring.wanted
        ? gate({
            id: 'ring-short',
            strength: facts.ring.sites.length > 0 ? 'hold' : 'stop',
            title: 'Not enough sound ring',
            sentence: facts.ring.sentence,
            source: 'label spacing, book of old holes',
            facts: [`${facts.ring.sites.length} of ${facts.ring.wanted} fit`],
            satisfy: 'Another height or another method.',
          })
        : null,
  },
  {
    ids: ['collar-unknown', 'collar-decayed'],
    strength: 'hold',
    about: 'Sound wood at drilling height',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (facts.use.method !== 'trunk-injection') return null;
      if (facts.said.collar === 'decayed or cankered')
        return gate({
          id: 'collar-decayed',
          strength: 'hold',
          title: 'Decay at drilling height',
          sentence: 'Decayed or cankered wood takes nothing up, and each hole opens it further.',
          source: 'practice',
          facts: ['said at the tree'],
          satisfy: 'Another height with sound wood, or another method.',
        });
      return facts.phase === 'apply' && !facts.said.collar
        ? asking({
            fact: 'collar',
            id: 'collar-unknown',
            strength: 'hold',
            title: 'Sound at drilling height?',
            sentence: 'Nobody has sounded the wood where the holes go.',
            source: 'practice',
          })
        : null;
    },
  },
  {
    ids: ['bark-thickness'],
    strength: 'hold',
    about: 'Thick bark is allowed for',
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) =>
      facts.use.method === 'trunk-injection' &&
      facts.dose?.ok &&
      facts.dose.diameterCm > 40 &&
      facts.host.groups.some((g) => THICK_BARK.includes(g)) &&
      !facts.said['bark-mm']
        ? asking({
            fact: 'bark-mm',
            id: 'bark-thickness',
            strength: 'hold',
            title: 'How thick is the bark?',
            sentence: `Depth counts from the wood, and ${facts.host.name} of this size has thick bark.`,
            source: 'practice',
          })
        : null,
  },
  {
    ids: ['uptake-poor'],
    strength: 'hold',
    about: 'No drought, frost, bare crown or stagnant air',
    day: true,
    facts: 'station, soil, leaf',
    setBy: 'practice',
    check: (facts) => {
      if (facts.use.method !== 'trunk-injection') return null;
      const why: string[] = [];
      if (facts.soil === 'dry' || facts.soil === 'water-repellent') why.push('the soil is dry');
      if (facts.soil === 'frozen' || (facts.temperatureC !== null && facts.temperatureC < 5))
        why.push('it is near frost');
      if (!facts.use.needsLeaf && !facts.host.evergreen && facts.leaf === 'leafless') why.push('the tree is leafless');
      if (
        facts.temperatureC !== null &&
        facts.humidity !== null &&
        facts.humidity !== undefined &&
        vapourDeficit(facts.temperatureC, facts.humidity) < 0.2
      )
        why.push('the air is stagnant and damp');
      if (facts.said.drought === 'yes') why.push('the tree lacks water');
      return why.length
        ? gate({
            id: 'uptake-poor',
            strength: 'hold',
            title: 'Hardly any uptake',
            sentence: `Nothing will rise: ${why.join(', ')}.`,
            source: 'practice',
            facts: why,
            satisfy: 'Water two days before; a warm dry forenoon in full leaf.',
          })
        : null;
    },
  },
];
