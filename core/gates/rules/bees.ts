import { dayAfter, formatDay } from '../../../lib/calendar/days';
import { bloomAhead } from '../bloom';
import { asking, gate, isSoil, labelSource, type Facts, type Rule, flies } from '../gate';

const hazard = (f: Facts) => f.label.beeHazard !== 'none';
/** Shortest days to bloom that an answer can mean. */
const DAYS_TO_BLOOM: Record<string, number> = { 'opens within a week': 0, 'opens within three weeks': 8 };

export const beeRules: Rule[] = [
  /** The hazard is the product's: what spares bees may go onto open bloom. */
  {
    ids: ['bloom-unknown', 'bloom'],
    strength: 'stop',
    about: 'No bee-hazardous product on open bloom',
    day: true,
    facts: 'said at the tree',
    setBy: 'label',
    label: (l) => l.beeHazard !== 'none',
    check: (facts) => {
      const days = facts.use.conditions?.bloomDays;
      // A label that names days before bloom means every way onto or into the tree, a drench too.
      const reaches =
        flies(facts) || facts.use.method === 'trunk-injection' || (isSoil(facts.use) && days !== undefined);
      if (!hazard(facts) || facts.host.beePlant === 'no' || !reaches) return null;
      const said = facts.said.bloom;
      if (!said)
        return asking({
          fact: 'bloom',
          id: 'bloom-unknown',
          strength: 'stop',
          title: 'Is this tree in flower?',
          sentence: `Bees work ${facts.host.name}, and ${facts.label.name} harms them.`,
          source: labelSource(facts, 'bees'),
        });
      const within = days ?? 0;
      const open = said === 'in flower';
      const soon = DAYS_TO_BLOOM[said] !== undefined && DAYS_TO_BLOOM[said] < within;
      return open || soon
        ? gate({
            id: 'bloom',
            strength: 'stop',
            title: open ? 'In flower' : 'About to flower',
            sentence: open
              ? `Bees work these flowers; ${facts.label.name} harms them.`
              : `It ${said}; the label forbids it within ${within} days of bloom.`,
            source: labelSource(facts, 'bees'),
            facts: [said],
            satisfy: 'Allowed after bloom.',
          })
        : null;
    },
  },
  /** A systemic put in before bloom is in the flowers when they open: what the day tells of them comes too late. */
  {
    ids: ['bloom-near', 'bloom-ahead'],
    strength: 'stop or hold',
    about: 'No systemic in the flowers to come',
    facts: 'when it flowers, as it is expected',
    setBy: 'label',
    label: (l) => l.beeHazard !== 'none' && l.systemic,
    check: (facts) => {
      const ahead = bloomAhead({
        label: facts.label,
        use: facts.use,
        host: facts.host,
        year: facts.year,
        day: facts.on,
        over: facts.said.bloom === 'over',
      });
      if (!ahead) return null;
      const { bloom, near, days } = ahead;
      // Somebody at the tree knows better than any model what its flowers do within the label's days.
      if (near && facts.said.bloom) return null;
      const { earliest, latest } = bloom.from;
      const when = `${facts.host.name} is expected to flower from ${formatDay(earliest)}${latest > earliest ? ` to ${formatDay(latest)}` : ''} on`;
      return gate({
        id: near ? 'bloom-near' : 'bloom-ahead',
        strength: near ? 'stop' : 'hold',
        title: near ? 'Too near bloom' : 'It will be in the flowers',
        sentence: near
          ? `${when}; the label forbids it within ${days} days of bloom.`
          : `${when}; ${facts.label.name} is in nectar and pollen for ${days} days, and harms bees.`,
        source:
          near || facts.label.inFlowersDays !== undefined ? labelSource(facts, 'bees') : 'practice: after bloom only',
        facts: [`first bloom ${bloom.from.day}`],
        satisfy: `After bloom: from ${formatDay(dayAfter(bloom.to, 1, 'days'))} on, or another method.`,
      });
    },
  },
  {
    ids: ['ground-bloom-unknown', 'ground-bloom-spray', 'ground-bloom-basin'],
    strength: 'stop or hold',
    about: 'Nothing in flower below or beside',
    day: true,
    facts: 'plan of the grounds, said at the tree',
    setBy: 'label',
    label: (l) => l.beeHazard !== 'none',
    check: (facts) => {
      if (!hazard(facts) || !(flies(facts) || (isSoil(facts.use) && facts.label.systemic))) return null;
      const drawn = facts.near.find((n) => n.kind === 'flowers' && n.metres < (facts.crownRadiusM ?? 3) + 2);
      const said = facts.said['ground-bloom'];
      // A plan shows what somebody drew, not what flowers today.
      if (!said && !drawn)
        return asking({
          fact: 'ground-bloom',
          id: 'ground-bloom-unknown',
          strength: flies(facts) ? 'stop' : 'hold',
          title: 'What flowers below or beside it?',
          sentence: 'Bees on flowers below are hit as well, today by a spray, later by a systemic.',
          source: labelSource(facts, 'bees'),
        });
      const now = said === 'in flower' || (!said && drawn);
      if (flies(facts) && now)
        return gate({
          id: 'ground-bloom-spray',
          strength: 'stop',
          title: 'Flowers below in bloom',
          sentence: `${drawn?.name || 'What flowers below'} would be sprayed with a product that harms bees.`,
          source: labelSource(facts, 'bees'),
          facts: [said ?? 'plan of the grounds'],
          satisfy: 'Mow the flowers first, or wait until they are over.',
        });
      return isSoil(facts.use) && (now || said === 'will flower this year')
        ? gate({
            id: 'ground-bloom-basin',
            strength: 'hold',
            title: 'Flowers in the basin',
            sentence: 'What flowers in the basin, now or while the active lasts, carries it in nectar and pollen.',
            source: 'practice',
            facts: [said ?? 'plan of the grounds'],
            satisfy: 'Remove the plants from the basin, or another method.',
          })
        : null;
    },
  },
  {
    ids: ['hive-unknown', 'hive-near'],
    strength: 'hold',
    about: 'No hive near by',
    facts: 'plan of the grounds, said at the tree',
    setBy: 'practice',
    check: (facts) => {
      if (!hazard(facts) || !flies(facts)) return null;
      const drawn = facts.near.find((n) => n.kind === 'hive' && n.metres < 50);
      if (facts.said.hive === 'within 50 m' || (!facts.said.hive && drawn))
        return gate({
          id: 'hive-near',
          strength: 'hold',
          title: 'Hives near by',
          sentence: `${drawn ? `${drawn.name || 'A hive'} stands ${drawn.metres.toFixed(0)} m away.` : 'Hives stand within 50 m.'} Their keeper must know.`,
          source: 'practice',
          facts: [drawn ? 'plan of the grounds' : 'said at the tree'],
          satisfy: 'Tell the keeper, spray after dusk, or close the hives.',
        });
      return facts.said.hive
        ? null
        : asking({
            fact: 'hive',
            id: 'hive-unknown',
            strength: 'hold',
            title: 'Hives near by?',
            sentence: 'Their keeper must know before a product that harms bees is sprayed.',
            source: 'practice',
          });
    },
  },
  /** Honeydew draws bees like bloom does; where it drips, a bee-hazardous spray meets them. */
  {
    ids: ['honeydew-bees', 'honeydew-unknown'],
    strength: 'stop or hold',
    about: 'No bees on honeydew',
    day: true,
    facts: 'the look, said at the tree',
    setBy: 'label',
    label: (l) => l.beeHazard !== 'none',
    check: (facts) =>
      hazard(facts) && flies(facts) && facts.said.honeydew === 'bees on the honeydew'
        ? gate({
            id: 'honeydew-bees',
            strength: 'stop',
            title: 'Bees on the honeydew',
            sentence: `Bees gather honeydew on these leaves; ${facts.label.name} harms them.`,
            source: labelSource(facts, 'bees'),
            facts: ['said at the tree'],
            satisfy: 'After dusk once they have left and by a product that spares them; or a water jet.',
          })
        : hazard(facts) && flies(facts) && facts.sticky === true && !facts.said.honeydew && facts.phase === 'apply'
          ? asking({
              fact: 'honeydew',
              id: 'honeydew-unknown',
              strength: 'hold',
              title: 'Bees on the honeydew?',
              sentence: 'The leaves are sticky: bees gather that like nectar.',
              source: labelSource(facts, 'bees'),
            })
          : null,
  },
  {
    ids: ['helpers-active'],
    strength: 'hold',
    about: 'Helpers are spared',
    day: true,
    facts: 'the look',
    setBy: 'practice',
    check: (facts) =>
      flies(facts) && hazard(facts) && facts.said.helpers === 'many at work'
        ? gate({
            id: 'helpers-active',
            strength: 'hold',
            title: 'Helpers at work',
            sentence: 'Ladybirds, lacewings or parasites are at work; a broad product kills them first.',
            source: 'practice',
            facts: ['helpers seen'],
            satisfy: 'A selective product or a water jet, or wait a week and count again.',
          })
        : null,
  },
];
