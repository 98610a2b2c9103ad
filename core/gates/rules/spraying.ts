import { showDistance, showTemperature } from '../../../lib/units/units';
import { asking, gate, hasFamily, labelSource, type Rule, flies } from '../gate';

/** A lance from the ground wets so high. */
const REACH_M = 6;

const BURNS = ['oil', 'soap', 'sulphur', 'bacillus'];

/** Hosts that oils burn or bleach, as practice knows them; a label may name more. */
const OIL_SENSITIVE = ['walnut', 'maple', 'juniper', 'douglas-fir'];

/** What a spray can reach, and what it can burn. */
export const sprayingRules: Rule[] = [
  /** A crown that the spray does not reach stays a source. */
  {
    ids: ['reach-unknown', 'out-of-reach'],
    strength: 'hold',
    about: 'The spray reaches all of it',
    facts: 'height, said at the tree',
    setBy: 'practice',
    check: (facts) =>
      facts.use.method !== 'foliar-spray' && facts.use.method !== 'dormant-spray'
        ? null
        : facts.said.reach === 'part is out of reach'
          ? gate({
              id: 'out-of-reach',
              strength: 'hold',
              title: 'Part of it is out of reach',
              sentence: 'What is not wetted is not treated; the pest comes back from there.',
              source: 'practice',
              facts: ['said at the tree'],
              satisfy: 'A longer lance, a lift, or a method that reaches it.',
            })
          : facts.said.reach || !(facts.heightM !== null && facts.heightM !== undefined && facts.heightM > REACH_M)
            ? null
            : asking({
                fact: 'reach',
                id: 'reach-unknown',
                strength: 'hold',
                title: 'Does the spray reach all of it?',
                sentence: `The tree is ${showDistance(facts.heightM, facts.system ?? 'metric').text} tall.`,
                source: 'practice',
              }),
  },
  {
    ids: ['inversion-unknown', 'inversion'],
    strength: 'hold',
    about: 'No measured inversion',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (!flies(facts)) return null;
      if (facts.said.inversion === 'inversion measured')
        return gate({
          id: 'inversion',
          strength: 'hold',
          title: 'Inversion',
          sentence: 'The air above is warmer: fine drops hang and creep away.',
          source: 'practice',
          facts: ['measured'],
          satisfy: 'Wait until the sun has mixed the air.',
        });
      return facts.windMs !== null && facts.windMs < 1.5 && !facts.said.inversion
        ? asking({
            fact: 'inversion',
            id: 'inversion-unknown',
            strength: 'hold',
            title: 'Does the air mix?',
            sentence: 'It is calm; only a measurement tells an inversion, not the clock.',
            source: 'practice',
          })
        : null;
    },
  },
  {
    ids: ['sun-unknown', 'strong-sun'],
    strength: 'hold',
    about: 'No strong sun on what burns or fades',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (!flies(facts) || !hasFamily(facts, ...BURNS)) return null;
      if (facts.said.sun === 'strong midday sun')
        return gate({
          id: 'strong-sun',
          strength: 'hold',
          title: 'Strong sun',
          sentence: hasFamily(facts, 'bacillus')
            ? 'Light breaks this product down within hours.'
            : 'It burns leaves in strong sun.',
          source: 'practice',
          satisfy: 'Early or late in the day.',
        });
      return facts.phase === 'apply' && !facts.said.sun
        ? asking({
            fact: 'sun',
            id: 'sun-unknown',
            strength: 'hold',
            title: 'How strong is the sun?',
            sentence: 'This product burns leaves or breaks down in strong sun.',
            source: 'practice',
          })
        : null;
    },
  },
  {
    ids: ['heat-burn'],
    strength: 'hold',
    about: 'No oil or sulphur above 29 °C',
    day: true,
    facts: 'station',
    setBy: 'practice',
    check: (facts) => {
      const what = hasFamily(facts, 'oil') ? 'Oils' : hasFamily(facts, 'sulphur') ? 'Sulphur' : null;
      return what && facts.temperatureC !== null && facts.temperatureC > 29
        ? gate({
            id: 'heat-burn',
            strength: 'hold',
            title: 'Too hot for it',
            sentence: `${what} burn${what === 'Oils' ? '' : 's'} leaves above ${showTemperature(29, facts.system ?? 'metric')}; it is ${showTemperature(facts.temperatureC, facts.system ?? 'metric')}.`,
            source: 'practice',
            satisfy: 'A cooler hour, early or late.',
          })
        : null;
    },
  },
  {
    ids: ['drought-unknown', 'drought-foliage'],
    strength: 'hold',
    about: 'No spray on thirsty leaves',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (facts.use.method !== 'foliar-spray') return null;
      if (facts.said.drought === 'yes' || facts.condition?.id === 'drought-stress')
        return gate({
          id: 'drought-foliage',
          strength: 'hold',
          title: 'Thirsty leaves',
          sentence: 'Leaves that lack water burn under any spray.',
          source: 'practice',
          satisfy: 'Water, wait until they are firm, then spray.',
        });
      return facts.phase === 'apply' && !facts.said.drought
        ? asking({
            fact: 'drought',
            id: 'drought-unknown',
            strength: 'hold',
            title: 'Does the tree lack water?',
            sentence: 'Leaves that lack water burn under any spray.',
            source: 'practice',
          })
        : null;
    },
  },
  {
    ids: ['sensitive-host'],
    strength: 'hold',
    about: 'The host is not burnt by it',
    facts: 'host',
    setBy: 'label',
    label: (l) => l.sensitiveHosts.length > 0,
    check: (facts) => {
      const named = facts.label.sensitiveHosts.find(
        (h) => h.host === facts.host.id || facts.host.groups.includes(h.host),
      );
      if (named)
        return gate({
          id: 'sensitive-host',
          strength: 'hold',
          title: `Burns ${facts.host.name}`,
          sentence: `The label warns: “${named.text}”`,
          source: labelSource(facts, 'sensitive hosts'),
          facts: [`host ${facts.host.name}`],
          satisfy: 'Try one branch first, or another product.',
        });
      // The host's own flag counts like its group.
      const oil =
        hasFamily(facts, 'oil') &&
        (facts.host.sensitive.includes('oil') || facts.host.groups.some((g) => OIL_SENSITIVE.includes(g)));
      const sulphur =
        hasFamily(facts, 'sulphur') &&
        (facts.host.sensitive.includes('sulphur') || facts.host.groups.includes('apricot'));
      return oil || sulphur
        ? gate({
            id: 'sensitive-host',
            strength: 'hold',
            title: `May burn ${facts.host.name}`,
            sentence: `${oil ? 'Oils' : 'Sulphur'} burn${oil ? '' : 's'} or bleach${oil ? '' : 'es'} ${facts.host.name}.`,
            source: 'practice',
            facts: [`host ${facts.host.name}`],
            satisfy: 'Another product.',
          })
        : null;
    },
  },
  {
    ids: ['copper-tender'],
    strength: 'hold',
    about: 'No copper on tender leaf in the cold and wet',
    day: true,
    facts: 'leaf, station',
    setBy: 'practice',
    check: (facts) =>
      hasFamily(facts, 'copper') &&
      facts.leaf === 'unfolding' &&
      facts.temperatureC !== null &&
      facts.temperatureC < 13 &&
      ((facts.rainNext24Mm ?? 0) > 0 || (facts.humidity ?? 0) > 85)
        ? gate({
            id: 'copper-tender',
            strength: 'hold',
            title: 'Copper on tender leaf',
            sentence: 'In cool wet weather copper stays in solution and burns young leaves.',
            source: 'practice',
            facts: ['leaf unfolding', `${facts.temperatureC} °C`],
            satisfy: 'Before bud break, or once it is dry and mild.',
          })
        : null,
  },
];
