import { northernMonth } from '../../../lib/calendar/hemisphere';
import { monthOf } from '../../../lib/calendar/months';
import { PROBES } from '../../label/methods';
import { feedingDoubts } from '../../rootzone/feeding';
import { asking, gate, isSoil, type Rule } from '../gate';

/** Soil that can take what is poured or fed. */
export const soilRules: Rule[] = [
  /** What speaks against a feed now: season, thirst, heat, dry soil; and that nobody has tested. */
  {
    ids: ['feed-waits', 'feed-untested'],
    strength: 'hold or note',
    about: 'A feed in its season, onto moist soil',
    facts: 'month, soil, said at the tree',
    setBy: 'practice',
    label: (l) => l.nutrients !== undefined,
    check: (facts) => {
      const n = facts.label.nutrients;
      if (facts.use.method !== 'root-zone-feeding' || !n) return null;
      const doubts = feedingDoubts({
        release: n.release,
        month: northernMonth(monthOf(facts.on), facts.south),
        young: facts.dose?.ok === true && facts.dose.diameterCm < 8,
        drought: facts.said.drought === 'yes' || facts.condition?.id === 'drought-stress',
        hot: (facts.temperatureC ?? 0) > 30,
        soilDry: facts.soil === 'dry' || facts.soil === 'water-repellent',
        tested: facts.certainty === 'confirmed by test',
      });
      const first = doubts.find((d) => d.strength === 'hold') ?? doubts[0];
      return first
        ? gate({
            id: first.strength === 'hold' ? 'feed-waits' : 'feed-untested',
            strength: first.strength,
            title: first.strength === 'hold' ? 'Not the time to feed' : 'Fed without a test',
            sentence: doubts.map((d) => d.sentence).join(' '),
            source: 'practice: feeding',
            facts: [`${n.release}-release`],
            satisfy:
              first.strength === 'hold'
                ? 'Wait, water, feed in its season.'
                : 'Take a soil or leaf test where the outcome matters.',
          })
        : null;
    },
  },
  {
    ids: ['soil-unknown', 'soil-saturated-frozen', 'soil-repellent-sodden', 'soil-dry'],
    strength: 'stop or hold',
    about: 'The soil can take it',
    day: true,
    facts: 'soil today',
    setBy: 'practice',
    check: (facts) => {
      if (!isSoil(facts.use)) return null;
      if (facts.soil === null)
        return gate({
          id: 'soil-unknown',
          strength: 'stop',
          title: 'What is the soil like?',
          sentence: 'Nobody has looked at the soil under this tree today.',
          source: 'label and practice: never on saturated or frozen soil',
          satisfy: 'Push in a finger or a probe and say.',
          state: 'asked',
        });
      if (facts.soil === 'saturated' || facts.soil === 'frozen')
        return gate({
          id: 'soil-saturated-frozen',
          strength: 'stop',
          title: facts.soil === 'frozen' ? 'Frozen soil' : 'Saturated soil',
          sentence: `The soil is ${facts.soil}: a drench would run off instead of going in.`,
          source: 'label and practice: never on saturated or frozen soil',
          facts: [`soil ${facts.soil}`],
          satisfy: facts.soil === 'frozen' ? 'Wait until it has thawed and drained.' : 'Wait until it has drained.',
        });
      if (facts.soil === 'water-repellent' || facts.soil === 'sodden')
        return gate({
          id: 'soil-repellent-sodden',
          strength: 'hold',
          title: facts.soil === 'sodden' ? 'Sodden soil' : 'Water-repellent soil',
          sentence: facts.soil === 'sodden' ? 'The soil hardly takes in more.' : 'Bone-dry soil sheds the first water.',
          source: 'practice',
          facts: [`soil ${facts.soil}`],
          satisfy: facts.soil === 'sodden' ? 'Wait a day or two.' : 'Wet it first and wait.',
        });
      return facts.soil === 'dry'
        ? gate({
            id: 'soil-dry',
            strength: 'note',
            title: 'Dry soil',
            sentence: 'Water the basin before the drench and again after it.',
            source: 'practice',
            facts: ['soil dry'],
            satisfy: 'Water first.',
          })
        : null;
    },
  },
  {
    ids: ['services-not-located'],
    strength: 'stop',
    about: 'Buried services are located',
    facts: 'said at the tree',
    setBy: 'practice',
    label: (_, u) => PROBES.includes(u.method),
    check: (facts) =>
      !PROBES.includes(facts.use.method)
        ? null
        : facts.said.services === 'located and marked'
          ? null
          : facts.said.services
            ? gate({
                id: 'services-not-located',
                strength: 'stop',
                title: 'Buried services not located',
                sentence: 'No probe goes in before cables, gas and water are located and marked.',
                source: 'duty: locate buried services',
                facts: ['said at the tree'],
                satisfy: 'Have them located and marked.',
              })
            : asking({
                fact: 'services',
                id: 'services-not-located',
                strength: 'stop',
                title: 'Buried services?',
                sentence: 'No probe goes in before cables, gas and water are located and marked.',
                source: 'duty: locate buried services',
              }),
  },
  {
    ids: ['litter-unknown', 'litter-in-place'],
    strength: 'hold',
    about: 'Mulch is pulled back',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (facts.use.method !== 'soil-drench') return null;
      if (facts.said.litter === 'still in place')
        return gate({
          id: 'litter-in-place',
          strength: 'hold',
          title: 'Mulch in the way',
          sentence: 'Mulch and ground cover bind the product before it reaches a root.',
          source: 'practice',
          facts: ['mulch in place'],
          satisfy: 'Pull it back to the edge of the basin; put it back after.',
        });
      return facts.said.litter || facts.phase !== 'apply'
        ? null
        : asking({
            fact: 'litter',
            id: 'litter-unknown',
            strength: 'hold',
            title: 'Is the mulch pulled back?',
            sentence: 'Mulch and ground cover bind the product before it reaches a root.',
            source: 'practice',
          });
    },
  },
  /** The pour itself: what does not go in at once runs off. */
  {
    ids: ['soil-intake', 'soil-intake-unknown', 'soil-passes'],
    strength: 'hold or note',
    about: 'The soil takes the water in one pass',
    facts: 'soil of the place, carrier',
    setBy: 'practice',
    check: (facts) => {
      if (facts.use.method !== 'soil-drench' || !((facts.passes ?? 1) > 1)) return null;
      // How it is poured is settled at the tree; while it is planned, the passes are told.
      if (facts.said.passes === 'in passes' || facts.phase !== 'apply')
        return gate({
          id: 'soil-passes',
          strength: 'note',
          title: `Pour in ${facts.passes} passes`,
          sentence: 'Pour, wait until it has gone in, pour again.',
          source: 'practice: intake by soil',
          facts: [`soil ${facts.soilTexture ?? 'loam'}`],
          satisfy: 'Wait between the passes.',
        });
      return facts.said.passes || facts.passes! > 12
        ? gate({
            id: 'soil-intake',
            strength: 'hold',
            title: 'It would run off',
            sentence: `This soil takes the water in ${facts.passes} passes; poured at once it runs off.`,
            source: 'practice: intake by soil',
            facts: [`soil ${facts.soilTexture ?? 'loam'}`],
            satisfy: 'Pour in passes, loosen the crust, time a test pour, or another method.',
          })
        : asking({
            fact: 'passes',
            id: 'soil-intake-unknown',
            strength: 'hold',
            title: `Poured in ${facts.passes} passes?`,
            sentence: `This soil does not take the water in one pass: ${facts.passes}, with waiting between.`,
            source: 'practice: intake by soil',
          });
    },
  },
];
