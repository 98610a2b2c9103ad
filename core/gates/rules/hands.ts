import { AIRBORNE } from '../../label/methods';
import { asking, gate, hasFamily, labelSource, type Check, type Facts, type Rule, flies } from '../gate';

const RODENTS = ['voles', 'squirrels', 'rabbits'];

/** At the tree, with the product in hand. */
const atTree =
  ({
    key,
    id,
    bad,
    when,
    title,
    sentence,
  }: {
    key: 'eyes' | 'mask' | 'spill-kit' | 'tools' | 'mix-age' | 'name';
    id: string;
    bad: string;
    when: (f: Facts) => boolean;
    title: string;
    sentence: string;
  }): Check =>
  (facts) => {
    if (facts.phase !== 'apply' || !when(facts)) return null;
    const said = facts.said[key];
    if (said === bad)
      return gate({
        id,
        strength: 'hold',
        title,
        sentence,
        source: 'practice',
        facts: [said],
        satisfy: 'Put it right before going on.',
      });
    return said
      ? null
      : asking({ fact: key, id: `${id}-unknown`, strength: 'hold', title, sentence, source: 'practice' });
  };

const drills = (f: Facts) => f.use.method === 'trunk-injection';

const POWDERS = ['WP', 'WG', 'WDG', 'DP', 'SP', 'SG', 'DF'];

const powder = (f: Facts) =>
  f.use.method === 'dust' || POWDERS.includes(f.label.formulation.toUpperCase().split(/[ ,(]/)[0]!);

/** What is worn, mixed, left standing, and who stands near. */
export const handRules: Rule[] = [
  {
    ids: ['vessel-unreserved'],
    strength: 'stop',
    about: 'No food or drink container',
    facts: 'shelf',
    setBy: 'practice',
    check: (facts) =>
      facts.vesselUnreserved
        ? gate({
            id: 'vessel-unreserved',
            strength: 'stop',
            title: 'Vessel not kept for pesticides',
            sentence: `${facts.vesselUnreserved} is not reserved for pesticides; never a vessel that held or will hold food or drink.`,
            source: 'practice: food containers',
            facts: [facts.vesselUnreserved],
            satisfy: 'Take a marked vessel kept for this alone.',
          })
        : null,
  },
  {
    ids: ['bait-stations', 'bait-open'],
    strength: 'stop or hold',
    about: 'Bait in locked stations',
    day: true,
    facts: 'said at the tree',
    setBy: 'label',
    label: (_, u) => u.inStations,
    check: (facts) => {
      // Stations are for rodent bait: slug pellets lie open, thinly, as their label says.
      const rodent = facts.use.targets.some((t) => RODENTS.includes(t));
      if (facts.use.method !== 'bait' || !(facts.use.inStations || rodent)) return null;
      const strength = facts.use.inStations ? 'stop' : 'hold';
      const source = facts.use.inStations ? labelSource(facts, 'stations') : 'practice';
      if (facts.said.stations === 'locked') return null;
      return facts.said.stations
        ? gate({
            id: 'bait-open',
            strength,
            title: 'Bait in the open',
            sentence: 'Pets and birds take it, and what eats the rodent is poisoned too.',
            source,
            satisfy: 'Locked stations only.',
          })
        : asking({
            fact: 'stations',
            id: 'bait-stations',
            strength,
            title: 'Is the bait in locked stations?',
            sentence: 'Pets and birds take open bait.',
            source,
          });
    },
  },
  {
    ids: ['under-drip-unknown', 'under-drip'],
    strength: 'hold',
    about: 'Cleared under the drip',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (!flies(facts)) return null;
      if (facts.said.below === 'people, pets, cars or laundry')
        return gate({
          id: 'under-drip',
          strength: 'hold',
          title: 'Under the drip',
          sentence: 'People, pets, cars or laundry stand where it drips.',
          source: 'practice',
          facts: ['said at the tree'],
          satisfy: 'Clear and cone off; cover ponds and benches.',
        });
      return facts.said.below
        ? null
        : asking({
            fact: 'below',
            id: 'under-drip-unknown',
            strength: 'hold',
            title: 'Is it cleared below?',
            sentence: 'Children, pets, laundry, ponds and vehicles under the drip.',
            source: 'practice',
          });
    },
  },
  {
    ids: ['drift-reaches'],
    strength: 'hold',
    about: 'Nobody downwind',
    day: true,
    facts: 'plan of the grounds, station',
    setBy: 'practice',
    check: (facts) =>
      flies(facts) && facts.driftsOver.length
        ? gate({
            id: 'drift-reaches',
            strength: 'hold',
            title: 'Downwind',
            sentence: `The wind carries it towards ${facts.driftsOver.join(', ')}.`,
            source: 'plan of the grounds, station',
            facts: facts.driftsOver,
            satisfy: 'Another hour, coarser drops, lower pressure, a screen.',
          })
        : null,
  },
  {
    ids: ['notice-unknown', 'notice-open'],
    strength: 'hold',
    about: 'Neighbours told, notice posted',
    day: true,
    facts: 'said at the tree',
    setBy: 'region',
    region: (r) => r.notify !== null,
    check: (facts) => {
      const n = facts.region.notify;
      if (!n?.methods.includes(facts.use.method)) return null;
      if (facts.said.notice === 'done' || facts.said.notice === 'not asked for here') return null;
      return facts.said.notice
        ? gate({
            id: 'notice-open',
            strength: 'hold',
            title: 'Neighbours not told',
            sentence: `${facts.region.name} asks that neighbours are told ${n.hours} hours before, and a notice posted.`,
            source: `region ${facts.region.name}: notification`,
            satisfy: `Tell them; allowed ${n.hours} hours after.`,
          })
        : asking({
            fact: 'notice',
            id: 'notice-unknown',
            strength: 'hold',
            title: 'Are the neighbours told?',
            sentence: `${facts.region.name} asks that neighbours are told ${n.hours} hours before.`,
            source: `region ${facts.region.name}: notification`,
          });
    },
  },
  {
    ids: ['attendance-unknown', 'unattended'],
    strength: 'hold',
    about: 'Hanging devices are attended',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) => {
      const hangs =
        facts.use.method === 'trunk-injection' &&
        facts.use.sites?.device !== undefined &&
        facts.use.sites.device !== 'capsule';
      if (!hangs) return null;
      if (facts.said.attendance === 'nobody')
        return gate({
          id: 'unattended',
          strength: 'hold',
          title: 'Loaded devices hang in public',
          sentence: 'Children reach what hangs on a trunk.',
          source: 'practice',
          satisfy: 'Stay, or fence and sign it.',
        });
      return facts.phase === 'apply' && !facts.said.attendance
        ? asking({
            fact: 'attendance',
            id: 'attendance-unknown',
            strength: 'hold',
            title: 'Who stays with the devices?',
            sentence: 'Loaded devices do not hang in public unattended.',
            source: 'practice',
          })
        : null;
    },
  },
  {
    ids: ['no-eye-protection', 'no-eye-protection-unknown'],
    strength: 'hold',
    about: 'Eye protection when drilling or under pressure',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: atTree({
      key: 'eyes',
      id: 'no-eye-protection',
      bad: 'none',
      when: (f) => drills(f) || flies(f),
      title: 'Eye protection?',
      sentence: 'Drilling and pressure send product and wood into eyes.',
    }),
  },
  {
    ids: ['no-mask', 'no-mask-unknown'],
    strength: 'hold',
    about: 'Mask and goggles for powders',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: atTree({
      key: 'mask',
      id: 'no-mask',
      bad: 'none',
      when: powder,
      title: 'Mask and goggles?',
      sentence: 'Powders go into lungs and eyes while they are weighed and poured.',
    }),
  },
  {
    ids: ['no-spill-kit', 'no-spill-kit-unknown'],
    strength: 'hold',
    about: 'Spill kit at hand',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: atTree({
      key: 'spill-kit',
      id: 'no-spill-kit',
      bad: 'missing',
      when: (f) => !hasFamily(f, 'beneficial'),
      title: 'Spill kit?',
      sentence: 'A can tips over once.',
    }),
  },
  {
    ids: ['tools-not-clean', 'tools-not-clean-unknown'],
    strength: 'hold',
    about: 'Bits and blades disinfected between trees',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: atTree({
      key: 'tools',
      id: 'tools-not-clean',
      bad: 'not yet',
      when: drills,
      title: 'Bits disinfected?',
      sentence: 'A bit carries disease from tree to tree: 70 % alcohol, or 1 part bleach to 9 of water.',
    }),
  },
  {
    ids: ['mix-too-old', 'mix-too-old-unknown'],
    strength: 'hold',
    about: 'The mix is within its hours',
    day: true,
    facts: 'said at the tree',
    setBy: 'label',
    label: (l) => l.mixKeepsHours !== undefined,
    check: atTree({
      key: 'mix-age',
      id: 'mix-too-old',
      bad: 'older',
      when: (f) => f.label.mixKeepsHours !== undefined,
      title: 'How old is the mix?',
      sentence: 'A mix loses strength or turns harsh when it stands.',
    }),
  },
  {
    ids: ['tank-mix'],
    strength: 'hold',
    about: 'No tank mix that no label allows',
    facts: 'open plans',
    setBy: 'label',
    label: (l) => l.tankPartners.length > 0,
    check: (facts) => {
      const other = flies(facts)
        ? facts.alsoPlanned.find(
            (p) =>
              p.on === facts.on &&
              AIRBORNE.includes(p.method) &&
              ![...p.families, ...p.actives].some((x) => facts.label.tankPartners.includes(x)),
          )
        : undefined;
      return other
        ? gate({
            id: 'tank-mix',
            strength: 'hold',
            title: 'One tank?',
            sentence: `${other.labelName} is planned on this tree too, and neither label allows them in one tank.`,
            source: labelSource(facts, 'tank partners'),
            facts: [other.labelName],
            satisfy: 'Two tanks, with the days between that the labels ask.',
          })
        : null;
    },
  },
];
