import { asking, gate, isSoil, labelSource, type Check, type Facts, type Rule, flies } from '../gate';

const hazard = (f: Facts) => f.label.beeHazard !== 'none'; /** Shortest days to bloom that an answer can mean. */
const DAYS_TO_BLOOM: Record<string, number> = { 'opens within a week': 0, 'opens within three weeks': 8 };

/** The hazard is the product's: what spares bees may go onto open bloom. */
const bloom: Check = (f) => {
  const days = f.use.conditions?.bloomDays;
  // A label that names days before bloom means every way onto or into the tree, a drench too.
  const reaches = flies(f) || f.use.method === 'trunk-injection' || (isSoil(f.use) && days !== undefined);
  if (!hazard(f) || f.host.beePlant === 'no' || !reaches) return null;
  const said = f.said.bloom;
  if (!said)
    return asking(
      'bloom',
      'bloom-unknown',
      'stop',
      'Is this tree in flower?',
      `Bees work ${f.host.name}, and ${f.label.name} harms them.`,
      labelSource(f, 'bees'),
    );
  const within = days ?? 0;
  const open = said === 'in flower';
  const soon = DAYS_TO_BLOOM[said] !== undefined && DAYS_TO_BLOOM[said] < within;
  return open || soon
    ? gate(
        'bloom',
        'stop',
        open ? 'In flower' : 'About to flower',
        open
          ? `Bees work these flowers; ${f.label.name} harms them.`
          : `It ${said}; the label forbids it within ${within} days of bloom.`,
        labelSource(f, 'bees'),
        [said],
        'Allowed after bloom.',
      )
    : null;
};
const below: Check = (f) => {
  if (!hazard(f) || !(flies(f) || (isSoil(f.use) && f.label.systemic))) return null;
  const drawn = f.near.find((n) => n.kind === 'flowers' && n.metres < (f.crownRadiusM ?? 3) + 2);
  const said = f.said['ground-bloom'];
  // A plan shows what somebody drew, not what flowers today.
  if (!said && !drawn)
    return asking(
      'ground-bloom',
      'ground-bloom-unknown',
      flies(f) ? 'stop' : 'hold',
      'What flowers below or beside it?',
      'Bees on flowers below are hit as well, today by a spray, later by a systemic.',
      labelSource(f, 'bees'),
    );
  const now = said === 'in flower' || (!said && drawn);
  if (flies(f) && now)
    return gate(
      'ground-bloom-spray',
      'stop',
      'Flowers below in bloom',
      `${drawn?.name || 'What flowers below'} would be sprayed with a product that harms bees.`,
      labelSource(f, 'bees'),
      [said ?? 'plan of the grounds'],
      'Mow the flowers first, or wait until they are over.',
    );
  return isSoil(f.use) && (now || said === 'will flower this year')
    ? gate(
        'ground-bloom-basin',
        'hold',
        'Flowers in the basin',
        'What flowers in the basin, now or while the active lasts, carries it in nectar and pollen.',
        'practice',
        [said ?? 'plan of the grounds'],
        'Remove the plants from the basin, or another method.',
      )
    : null;
};
const hive: Check = (f) => {
  if (!hazard(f) || !flies(f)) return null;
  const drawn = f.near.find((n) => n.kind === 'hive' && n.metres < 50);
  if (f.said.hive === 'within 50 m' || (!f.said.hive && drawn))
    return gate(
      'hive-near',
      'hold',
      'Hives near by',
      `${drawn ? `${drawn.name || 'A hive'} stands ${drawn.metres.toFixed(0)} m away.` : 'Hives stand within 50 m.'} Their keeper must know.`,
      'practice',
      [drawn ? 'plan of the grounds' : 'said at the tree'],
      'Tell the keeper, spray after dusk, or close the hives.',
    );
  return f.said.hive
    ? null
    : asking(
        'hive',
        'hive-unknown',
        'hold',
        'Hives near by?',
        'Their keeper must know before a product that harms bees is sprayed.',
        'practice',
      );
};
/** Honeydew draws bees like bloom does; where it drips, a bee-hazardous spray meets them. */
const honeydew: Check = (f) =>
  hazard(f) && flies(f) && f.said.honeydew === 'bees on the honeydew'
    ? gate(
        'honeydew-bees',
        'stop',
        'Bees on the honeydew',
        `Bees gather honeydew on these leaves; ${f.label.name} harms them.`,
        labelSource(f, 'bees'),
        ['said at the tree'],
        'After dusk once they have left and by a product that spares them; or a water jet.',
      )
    : hazard(f) && flies(f) && f.sticky === true && !f.said.honeydew && f.phase === 'apply'
      ? asking(
          'honeydew',
          'honeydew-unknown',
          'hold',
          'Bees on the honeydew?',
          'The leaves are sticky: bees gather that like nectar.',
          labelSource(f, 'bees'),
        )
      : null;
const helpers: Check = (f) =>
  flies(f) && hazard(f) && f.said.helpers === 'many at work'
    ? gate(
        'helpers-active',
        'hold',
        'Helpers at work',
        'Ladybirds, lacewings or parasites are at work; a broad product kills them first.',
        'practice',
        ['helpers seen'],
        'A selective product or a water jet, or wait a week and count again.',
      )
    : null;

export const beeRules: Rule[] = [
  {
    ids: ['bloom-unknown', 'bloom'],
    strength: 'stop',
    about: 'No bee-hazardous product on open bloom',
    facts: 'said at the tree',
    setBy: 'label',
    label: (l) => l.beeHazard !== 'none',
    check: bloom,
  },
  {
    ids: ['ground-bloom-unknown', 'ground-bloom-spray', 'ground-bloom-basin'],
    strength: 'stop or hold',
    about: 'Nothing in flower below or beside',
    facts: 'plan of the grounds, said at the tree',
    setBy: 'label',
    label: (l) => l.beeHazard !== 'none',
    check: below,
  },
  {
    ids: ['hive-unknown', 'hive-near'],
    strength: 'hold',
    about: 'No hive near by',
    facts: 'plan of the grounds, said at the tree',
    setBy: 'practice',
    check: hive,
  },
  {
    ids: ['honeydew-bees', 'honeydew-unknown'],
    strength: 'stop or hold',
    about: 'No bees on honeydew',
    facts: 'the look, said at the tree',
    setBy: 'label',
    label: (l) => l.beeHazard !== 'none',
    check: honeydew,
  },
  {
    ids: ['helpers-active'],
    strength: 'hold',
    about: 'Helpers are spared',
    facts: 'the look',
    setBy: 'practice',
    check: helpers,
  },
];
