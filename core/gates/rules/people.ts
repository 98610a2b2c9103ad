import { AIRBORNE } from '../../label/methods';
import { after, dayWords } from '../../season/follow-ups';
import { asking, gate, hasFamily, labelSource, type Check, type Facts, type Rule, flies } from '../gate';

const licence: Check = (f) => {
  if (!f.region.licenceNeeded && !f.label.restricted && !f.label.licenceCategory) return null;
  const source = f.label.licenceCategory ? labelSource(f, 'licence') : `region ${f.region.name}`;
  if (!f.licence)
    return gate(
      'licence-missing',
      'stop',
      'No licence',
      'Nobody with a licence is named for this work.',
      source,
      [],
      'Enter the licence under People, or hand over.',
    );
  if (f.licence.expires < f.today)
    return gate(
      'licence-expired',
      'stop',
      'Licence expired',
      `Licence ${f.licence.number} ran out on ${dayWords(f.licence.expires)}.`,
      source,
      [],
      'Renew it and enter the new date.',
    );
  const need = f.label.licenceCategory;
  return need && !f.licence.categories.includes(need)
    ? gate(
        'licence-category',
        'stop',
        'Wrong licence category',
        `This product needs category ${need}; licence ${f.licence.number} covers ${f.licence.categories.join(', ') || 'none'}.`,
        source,
        [],
        'Somebody licensed for it must do this.',
      )
    : null;
};

const labelChecked: Check = (f) => {
  if (!f.labelChecked)
    return gate(
      'label-not-checked',
      'stop',
      'Label not checked',
      'Nobody has compared this entry with the label in hand.',
      'practice: the label in hand comes first',
      [],
      'Read it against the label and sign it on the Shelf.',
    );
  const until = after(f.labelChecked, f.region.labelCheckMonths, 'months');
  return until < f.today
    ? gate(
        'label-check-old',
        'hold',
        'Label check is old',
        `It was compared with the label in hand on ${dayWords(f.labelChecked)}; a check holds ${f.region.labelCheckMonths} months here.`,
        `region ${f.region.name}: label checks`,
        [`checked ${f.labelChecked}`],
        'Compare it again and sign it on the Shelf.',
      )
    : null;
};

/** A profile that nobody has compared with the rules in force for this long is stale. */
const STALE_MONTHS = 12;
const supervised: Check = (f) =>
  f.label.restricted && !f.supervised
    ? gate(
        'restricted-supervisor',
        'stop',
        'Restricted: who supervises?',
        'A restricted product goes out only by or under a certified person.',
        labelSource(f, 'restricted'),
        [],
        'A certified person applies it or stands by.',
      )
    : null;
const reserved: Check = (f) => {
  const r = f.region.reserved.find(
    (x) => f.label.actives.some((a) => a.name === x.active) && !f.licence?.categories.includes(x.category),
  );
  return r
    ? gate(
        'region-reserved',
        'stop',
        'Reserved here',
        `${r.active} is kept for licences of class ${r.category} in ${f.region.name}. ${r.why}`,
        `region ${f.region.name}: reserved actives`,
        [r.active],
        'Somebody with that class must do this.',
      )
    : null;
};
const regionStale: Check = (f) =>
  f.region.checked && after(f.region.checked.on, STALE_MONTHS, 'months') >= f.today
    ? null
    : gate(
        'region-stale',
        'note',
        'Region profile not checked lately',
        f.region.checked
          ? `It was last compared with the rules in force on ${dayWords(f.region.checked.on)}.`
          : `Nobody has compared the profile of ${f.region.name} with the rules in force.`,
        `region ${f.region.name}`,
        [],
        'Read it against the rules in force and sign it under Rules.',
      );
const under: Check = (f) => {
  if (!flies(f)) return null;
  if (f.said.below === 'people, pets, cars or laundry')
    return gate(
      'under-drip',
      'hold',
      'Under the drip',
      'People, pets, cars or laundry stand where it drips.',
      'practice',
      ['said at the tree'],
      'Clear and cone off; cover ponds and benches.',
    );
  return f.said.below
    ? null
    : asking(
        'below',
        'under-drip-unknown',
        'hold',
        'Is it cleared below?',
        'Children, pets, laundry, ponds and vehicles under the drip.',
        'practice',
      );
};
const drift: Check = (f) =>
  flies(f) && f.driftsOver.length
    ? gate(
        'drift-reaches',
        'hold',
        'Downwind',
        `The wind carries it towards ${f.driftsOver.join(', ')}.`,
        'plan of the grounds, station',
        f.driftsOver,
        'Another hour, coarser drops, lower pressure, a screen.',
      )
    : null;
const notice: Check = (f) => {
  const n = f.region.notify;
  if (!n?.methods.includes(f.use.method)) return null;
  if (f.said.notice === 'done' || f.said.notice === 'not asked for here') return null;
  return f.said.notice
    ? gate(
        'notice-open',
        'hold',
        'Neighbours not told',
        `${f.region.name} asks that neighbours are told ${n.hours} hours before, and a notice posted.`,
        `region ${f.region.name}: notification`,
        [],
        `Tell them; allowed ${n.hours} hours after.`,
      )
    : asking(
        'notice',
        'notice-unknown',
        'hold',
        'Are the neighbours told?',
        `${f.region.name} asks that neighbours are told ${n.hours} hours before.`,
        `region ${f.region.name}: notification`,
      );
};
const attendance: Check = (f) => {
  const hangs =
    f.use.method === 'trunk-injection' && f.use.sites?.device !== undefined && f.use.sites.device !== 'capsule';
  if (!hangs) return null;
  if (f.said.attendance === 'nobody')
    return gate(
      'unattended',
      'hold',
      'Loaded devices hang in public',
      'Children reach what hangs on a trunk.',
      'practice',
      [],
      'Stay, or fence and sign it.',
    );
  return f.phase === 'apply' && !f.said.attendance
    ? asking(
        'attendance',
        'attendance-unknown',
        'hold',
        'Who stays with the devices?',
        'Loaded devices do not hang in public unattended.',
        'practice',
      )
    : null;
};
const RODENTS = ['voles', 'squirrels', 'rabbits'];
const stations: Check = (f) => {
  // Stations are for rodent bait: slug pellets lie open, thinly, as their label says.
  const rodent = f.use.targets.some((t) => RODENTS.includes(t));
  if (f.use.method !== 'bait' || !(f.use.inStations || rodent)) return null;
  const strength = f.use.inStations ? 'stop' : 'hold';
  const source = f.use.inStations ? labelSource(f, 'stations') : 'practice';
  if (f.said.stations === 'locked') return null;
  return f.said.stations
    ? gate(
        'bait-open',
        strength,
        'Bait in the open',
        'Pets and birds take it, and what eats the rodent is poisoned too.',
        source,
        [],
        'Locked stations only.',
      )
    : asking(
        'stations',
        'bait-stations',
        strength,
        'Is the bait in locked stations?',
        'Pets and birds take open bait.',
        source,
      );
};
/** At the tree, with the product in hand. */
const atTree =
  (
    key: 'eyes' | 'mask' | 'spill-kit' | 'tools' | 'mix-age' | 'name',
    id: string,
    bad: string,
    when: (f: Facts) => boolean,
    title: string,
    sentence: string,
  ): Check =>
  (f) => {
    if (f.phase !== 'apply' || !when(f)) return null;
    const said = f.said[key];
    if (said === bad) return gate(id, 'hold', title, sentence, 'practice', [said], 'Put it right before going on.');
    return said ? null : asking(key, `${id}-unknown`, 'hold', title, sentence, 'practice');
  };
const drills = (f: Facts) => f.use.method === 'trunk-injection';
const POWDERS = ['WP', 'WG', 'WDG', 'DP', 'SP', 'SG', 'DF'];
const powder = (f: Facts) =>
  f.use.method === 'dust' || POWDERS.includes(f.label.formulation.toUpperCase().split(/[ ,(]/)[0]!);
const eyes = atTree(
  'eyes',
  'no-eye-protection',
  'none',
  (f) => drills(f) || flies(f),
  'Eye protection?',
  'Drilling and pressure send product and wood into eyes.',
);
const mask = atTree(
  'mask',
  'no-mask',
  'none',
  powder,
  'Mask and goggles?',
  'Powders go into lungs and eyes while they are weighed and poured.',
);
const kit = atTree(
  'spill-kit',
  'no-spill-kit',
  'missing',
  (f) => !hasFamily(f, 'beneficial'),
  'Spill kit?',
  'A can tips over once.',
);
const tools = atTree(
  'tools',
  'tools-not-clean',
  'not yet',
  drills,
  'Bits disinfected?',
  'A bit carries disease from tree to tree: 70 % alcohol, or 1 part bleach to 9 of water.',
);
const mix = atTree(
  'mix-age',
  'mix-too-old',
  'older',
  (f) => f.label.mixKeepsHours !== undefined,
  'How old is the mix?',
  'A mix loses strength or turns harsh when it stands.',
);

/** Names that sound alike in a yard; each pair has killed a crop or a bee somewhere. */
const CONFUSED: [string, string][] = [
  ['abamectin', 'emamectin benzoate'],
  ['potassium phosphonate', 'potassium phosphate'],
  ['imidacloprid', 'thiacloprid'],
  ['propiconazole', 'tebuconazole'],
  ['dinotefuran', 'dinoseb'],
  ['mancozeb', 'maneb'],
];
const names: Check = (f) => {
  const pair = f.label.actives.map((a) => CONFUSED.find((c) => c.includes(a.name)) && a).find(Boolean);
  if (!pair || f.phase !== 'apply' || f.said.name === 'read') return null;
  const other = CONFUSED.find((c) => c.includes(pair.name))!.find((n) => n !== pair.name);
  return asking(
    'name',
    'name-confused',
    'hold',
    'Read the name in full',
    `${pair.name}, group ${pair.group.scheme === 'none' ? 'none' : `${pair.group.scheme} ${pair.group.code}`}: not ${other}.`,
    'practice: names that are easily confused',
  );
};
const household: Check = (f) =>
  /^(none|household|-)$/i.test(f.label.registration.trim())
    ? gate(
        'household-substitute',
        'hold',
        'Not a labelled product',
        `${f.label.name} has no registration: dish soap, spirits and the like burn leaves and break the law in many places.`,
        'practice',
        [`registration ${f.label.registration}`],
        'Take a labelled product.',
      )
    : null;
const tank: Check = (f) => {
  const other = flies(f)
    ? f.alsoPlanned.find(
        (p) =>
          AIRBORNE.includes(p.method) && ![...p.families, ...p.actives].some((x) => f.label.tankPartners.includes(x)),
      )
    : undefined;
  return other
    ? gate(
        'tank-mix',
        'hold',
        'One tank?',
        `${other.labelName} is planned on this tree too, and neither label allows them in one tank.`,
        labelSource(f, 'tank partners'),
        [other.labelName],
        'Two tanks, with the days between that the labels ask.',
      )
    : null;
};
const vessel: Check = (f) =>
  f.vesselUnreserved
    ? gate(
        'vessel-unreserved',
        'stop',
        'Vessel not kept for pesticides',
        `${f.vesselUnreserved} is not reserved for pesticides; never a vessel that held or will hold food or drink.`,
        'practice: food containers',
        [f.vesselUnreserved],
        'Take a marked vessel kept for this alone.',
      )
    : null;

export const peopleRules: Rule[] = [
  {
    ids: ['licence-missing', 'licence-expired', 'licence-category'],
    strength: 'stop',
    about: 'The licence fits and runs',
    facts: 'people',
    setBy: 'region',
    label: (l) => l.licenceCategory !== undefined || l.restricted,
    region: (r) => r.licenceNeeded,
    check: licence,
  },
  {
    ids: ['restricted-supervisor'],
    strength: 'stop',
    about: 'Restricted products under a certified person',
    facts: 'people',
    setBy: 'label',
    label: (l) => l.restricted,
    check: supervised,
  },
  {
    ids: ['region-reserved'],
    strength: 'stop',
    about: 'Actives reserved for a licence class',
    facts: 'region profile, people',
    setBy: 'region',
    region: (r) => r.reserved.length > 0,
    check: reserved,
  },
  {
    ids: ['label-not-checked', 'label-check-old'],
    strength: 'stop or hold',
    about: 'The entry was checked against the label in hand',
    facts: 'shelf',
    setBy: 'practice',
    region: () => true,
    check: labelChecked,
  },
  {
    ids: ['vessel-unreserved'],
    strength: 'stop',
    about: 'No food or drink container',
    facts: 'shelf',
    setBy: 'practice',
    check: vessel,
  },
  {
    ids: ['bait-stations', 'bait-open'],
    strength: 'stop or hold',
    about: 'Bait in locked stations',
    facts: 'said at the tree',
    setBy: 'label',
    label: (_, u) => u.inStations,
    check: stations,
  },
  {
    ids: ['under-drip-unknown', 'under-drip'],
    strength: 'hold',
    about: 'Cleared under the drip',
    facts: 'said at the tree',
    setBy: 'practice',
    check: under,
  },
  {
    ids: ['drift-reaches'],
    strength: 'hold',
    about: 'Nobody downwind',
    facts: 'plan of the grounds, station',
    setBy: 'practice',
    check: drift,
  },
  {
    ids: ['notice-unknown', 'notice-open'],
    strength: 'hold',
    about: 'Neighbours told, notice posted',
    facts: 'said at the tree',
    setBy: 'region',
    region: (r) => r.notify !== null,
    check: notice,
  },
  {
    ids: ['attendance-unknown', 'unattended'],
    strength: 'hold',
    about: 'Hanging devices are attended',
    facts: 'said at the tree',
    setBy: 'practice',
    check: attendance,
  },
  {
    ids: ['no-eye-protection', 'no-eye-protection-unknown'],
    strength: 'hold',
    about: 'Eye protection when drilling or under pressure',
    facts: 'said at the tree',
    setBy: 'practice',
    check: eyes,
  },
  {
    ids: ['no-mask', 'no-mask-unknown'],
    strength: 'hold',
    about: 'Mask and goggles for powders',
    facts: 'said at the tree',
    setBy: 'practice',
    check: mask,
  },
  {
    ids: ['no-spill-kit', 'no-spill-kit-unknown'],
    strength: 'hold',
    about: 'Spill kit at hand',
    facts: 'said at the tree',
    setBy: 'practice',
    check: kit,
  },
  {
    ids: ['tools-not-clean', 'tools-not-clean-unknown'],
    strength: 'hold',
    about: 'Bits and blades disinfected between trees',
    facts: 'said at the tree',
    setBy: 'practice',
    check: tools,
  },
  {
    ids: ['mix-too-old', 'mix-too-old-unknown'],
    strength: 'hold',
    about: 'The mix is within its hours',
    facts: 'said at the tree',
    setBy: 'label',
    label: (l) => l.mixKeepsHours !== undefined,
    check: mix,
  },
  {
    ids: ['name-confused'],
    strength: 'hold',
    about: 'Easily confused names are read in full',
    facts: 'actives of the label',
    setBy: 'practice',
    check: names,
  },
  {
    ids: ['household-substitute'],
    strength: 'hold',
    about: 'No household substitute',
    facts: 'label',
    setBy: 'practice',
    check: household,
  },
  {
    ids: ['tank-mix'],
    strength: 'hold',
    about: 'No tank mix that no label allows',
    facts: 'open plans',
    setBy: 'label',
    label: (l) => l.tankPartners.length > 0,
    check: tank,
  },
  {
    ids: ['region-stale'],
    strength: 'note',
    about: 'The region profile is fresh',
    facts: 'region profile',
    setBy: 'region',
    region: () => true,
    check: regionStale,
  },
];
