import { dayWords } from '../../season/follow-ups';
import { asking, days, gate, labelSource, type Check, type Rule } from '../gate';
import { LENGTH } from '../../units/units';
import { vapourDeficit } from '../../weather/air';

const measured: Check = (f) => {
  if (!f.reading)
    return gate(
      'not-measured',
      'stop',
      'Not measured',
      'Nobody has put a tape around this tree.',
      'practice',
      [],
      'Measure it.',
      'asked',
    );
  const mix = f.reading.doubts.find((d) => d.mixup);
  return mix
    ? gate(
        'girth-diameter-mixup',
        'hold',
        'Girth or diameter?',
        mix.sentence,
        'practice: a threefold error',
        [],
        'Measure again, or say why it is right.',
      )
    : null;
};

/** The height at which a rate wants its measure, cm; breast height is met by any of the usual ones. */
const BREAST_CM = { low: 120, high: 150 };
const readingHeight: Check = (f) => {
  const h = f.readingHeightCm;
  if (h === null || h === undefined || !f.reading) return null;
  const at = f.use.rate.measuredAt;
  const want =
    at === 'breast-height'
      ? BREAST_CM
      : at === 'injection-height'
        ? f.use.sites && { low: f.use.sites.heightCm - 25, high: f.use.sites.heightCm + 25 }
        : { low: at.value * LENGTH[at.unit] - 15, high: at.value * LENGTH[at.unit] + 15 };
  return want && (h < want.low || h > want.high)
    ? gate(
        'reading-height',
        'hold',
        'Measured at another height',
        `The trunk was measured ${Math.round(h)} cm above soil; the label wants ${at === 'breast-height' ? 'breast height' : at === 'injection-height' ? `injection height, ${f.use.sites!.heightCm} cm` : `${at.value} ${at.unit}`}.`,
        labelSource(f, 'measured at'),
        [`read at ${Math.round(h)} cm`],
        'Measure it there, or say why it stands for it.',
      )
    : null;
};
const deviceFull: Check = (f) =>
  f.dose?.ok && f.dose.fillsPerSite > 1
    ? gate(
        'device-overfull',
        'hold',
        `${f.dose.fillsPerSite} fills a site`,
        f.dose.notes.find((n) => n.includes('fills a site')) ?? 'A device holds less than its site gets.',
        labelSource(f, 'devices'),
        [],
        'Larger devices, more sites if the label allows, or fill again and stay.',
      )
    : null;

const stale: Check = (f) =>
  f.reading && days(f.reading.day, f.today) > 730
    ? gate(
        'reading-stale',
        'hold',
        'Old reading',
        `The trunk was last measured on ${dayWords(f.reading.day)}, more than two growing seasons ago.`,
        'practice',
        [`read ${f.reading.day}`],
        'Measure it again.',
      )
    : null;

const stems: Check = (f) =>
  f.severalStems && f.use.rate.stems === 'unanswered' && !f.stemRuleChosen
    ? gate(
        'stem-rule',
        'hold',
        'Several stems: which rule?',
        'The label does not say how several stems count, and the schools differ by more than half.',
        'practice',
        [],
        'Choose sum, basal-area equivalent or each stem.',
        'asked',
      )
    : null;

/** What a dose misses, and where it is entered: not measured is not “no dose on the label”. */
const MISSING: Readonly<Record<string, { title: string; where: string }>> = {
  siteAreaM2: { title: 'Area of the place?', where: 'Enter the area of the place under Grounds.' },
  diameters: { title: 'Not measured', where: 'Measure the trunk.' },
  areaM2: { title: 'Crown not measured', where: 'Enter crown width and height in Measure.' },
  holes: { title: 'Crown not measured', where: 'Enter crown width in Measure.' },
  sprayVolumeMl: { title: 'Crown or height not measured', where: 'Enter crown width and height in Measure.' },
};
const doseWorks: Check = (f) => {
  if (!f.dose || f.dose.ok) return null;
  const first = f.dose.faults[0]!;
  const size = first.path.includes('size');
  const cap = first.path.includes('per-area-year');
  const year = first.path.includes('per-tree-year');
  const id = size ? 'size-outside-label' : cap ? 'area-cap' : year ? 'tree-year-max' : 'no-dose';
  const title = size
    ? 'Outside the label’s sizes'
    : cap
      ? 'Yearly cap of this place is used up'
      : year
        ? 'This year’s maximum is used up'
        : 'The label gives no dose for this tree';
  const asked = ['siteAreaM2', 'diameters', 'areaM2', 'holes', 'sprayVolumeMl'].includes(first.path);
  return gate(
    asked ? 'dose-asks' : id,
    'stop',
    asked ? MISSING[first.path]!.title : title,
    first.sentence,
    asked ? 'the measurements of this tree and place' : labelSource(f, first.path),
    [],
    asked ? MISSING[first.path]!.where : 'Another product or method, or wait.',
    asked ? 'asked' : 'tripped',
  );
};

const limitBound: Check = (f) =>
  f.dose?.ok && f.dose.binding
    ? gate(
        'limit-bound',
        'note',
        'Held by a limit',
        `${f.dose.binding.sentence} The rate alone would ask for more.`,
        labelSource(f, f.dose.binding.limit),
        [f.dose.binding.text],
        'Nothing to do: the limit holds.',
      )
    : null;

const areaCapBound: Check = (f) =>
  f.dose?.ok && f.dose.binding?.limit === 'per-area-year'
    ? gate(
        'area-cap-short',
        'stop',
        'Not enough left of the yearly cap',
        `${f.dose.binding.sentence} This tree alone would need more, and part of a dose is no dose.`,
        labelSource(f, 'yearly cap per area'),
        [f.dose.binding.text],
        'Another method for this tree, or next year.',
      )
    : null;

const ringFits: Check = (f) =>
  f.ring && f.ring.sites.length < f.ring.wanted
    ? gate(
        'ring-short',
        f.ring.sites.length > 0 ? 'hold' : 'stop',
        'Not enough sound ring',
        f.ring.sentence,
        'label spacing, book of old holes',
        [`${f.ring.sites.length} of ${f.ring.wanted} fit`],
        'Another height or another method.',
      )
    : null;

const transpiring: Check = (f) => {
  if (!f.use.needsLeaf) return null;
  if (f.leaf === null)
    return gate(
      'leaf-unknown',
      'stop',
      'Leaf state?',
      'The label wants a tree in leaf; nobody has said what the leaves are doing.',
      labelSource(f, 'timing'),
      [],
      'Say what the leaves are doing.',
      'asked',
    );
  return f.leaf === 'full'
    ? null
    : gate(
        'no-uptake',
        'stop',
        'Not in full leaf',
        `The label asks for full leaf; this tree is ${f.leaf}. Without transpiration nothing rises.`,
        labelSource(f, 'timing'),
        [`leaf ${f.leaf}`],
        'Wait for full leaf.',
      );
};

const illegalSite: Check = (f) =>
  f.illegalSite
    ? gate(
        'site-illegal',
        'stop',
        'A site may not stand there',
        `A site moved by hand lies on barred bark: ${f.illegalSite}.`,
        labelSource(f, 'sites'),
        [f.illegalSite],
        'Move it, or place the ring anew.',
      )
    : null;

const collar: Check = (f) => {
  if (f.use.method !== 'trunk-injection') return null;
  if (f.said.collar === 'decayed or cankered')
    return gate(
      'collar-decayed',
      'hold',
      'Decay at drilling height',
      'Decayed or cankered wood takes nothing up, and each hole opens it further.',
      'practice',
      ['said at the tree'],
      'Another height with sound wood, or another method.',
    );
  return f.phase === 'apply' && !f.said.collar
    ? asking(
        'collar',
        'collar-unknown',
        'hold',
        'Sound at drilling height?',
        'Nobody has sounded the wood where the holes go.',
        'practice',
      )
    : null;
};

/** Groups whose old bark is thick enough to swallow a drill’s depth. */
const THICK_BARK = ['oak', 'pine', 'poplar', 'larch', 'douglas-fir', 'walnut', 'robinia'];
const bark: Check = (f) =>
  f.use.method === 'trunk-injection' &&
  f.dose?.ok &&
  f.dose.diameterCm > 40 &&
  f.host.groups.some((g) => THICK_BARK.includes(g)) &&
  !f.said['bark-mm']
    ? asking(
        'bark-mm',
        'bark-thickness',
        'hold',
        'How thick is the bark?',
        `Depth counts from the wood, and ${f.host.name} of this size has thick bark.`,
        'practice',
      )
    : null;

const poorUptake: Check = (f) => {
  if (f.use.method !== 'trunk-injection') return null;
  const why: string[] = [];
  if (f.soil === 'dry' || f.soil === 'water-repellent') why.push('the soil is dry');
  if (f.soil === 'frozen' || (f.temperatureC !== null && f.temperatureC < 5)) why.push('it is near frost');
  if (!f.use.needsLeaf && !f.host.evergreen && f.leaf === 'leafless') why.push('the tree is leafless');
  if (
    f.temperatureC !== null &&
    f.humidity !== null &&
    f.humidity !== undefined &&
    vapourDeficit(f.temperatureC, f.humidity) < 0.2
  )
    why.push('the air is stagnant and damp');
  if (f.said.drought === 'yes') why.push('the tree lacks water');
  return why.length
    ? gate(
        'uptake-poor',
        'hold',
        'Hardly any uptake',
        `Nothing will rise: ${why.join(', ')}.`,
        'practice',
        why,
        'Water two days before; a warm dry forenoon in full leaf.',
      )
    : null;
};

const twoProducts: Check = (f) => {
  const other =
    f.use.method === 'trunk-injection' ? f.alsoPlanned.find((p) => p.method === 'trunk-injection') : undefined;
  return other
    ? gate(
        'two-products',
        'note',
        'Two products on this trunk',
        `${other.labelName} is planned too: its sites have their own numbers and are kept clear of these.`,
        'practice',
        [other.labelName],
        'Mark each product in its own colour and letter.',
      )
    : null;
};

export const trunkRules: Rule[] = [
  {
    ids: ['not-measured', 'girth-diameter-mixup'],
    strength: 'stop or hold',
    about: 'The trunk is measured, and girth is not diameter',
    facts: 'readings',
    setBy: 'practice',
    check: measured,
  },
  {
    ids: ['size-outside-label', 'area-cap', 'tree-year-max', 'dose-asks', 'no-dose'],
    strength: 'stop',
    about: 'The label has a dose for this trunk',
    facts: 'reading, book of the place',
    setBy: 'label',
    label: () => true,
    check: doseWorks,
  },
  {
    ids: ['area-cap-short'],
    strength: 'stop',
    about: 'The yearly cap of the place suffices',
    facts: 'book of the place',
    setBy: 'label',
    label: (_, u) => u.limits.some((l) => l.limit === 'per-area-year'),
    check: areaCapBound,
  },
  {
    ids: ['site-illegal'],
    strength: 'stop',
    about: 'No site in a valley, dead bark or a clearance',
    facts: 'the ring',
    setBy: 'label',
    label: (_, u) => u.sites !== undefined,
    check: illegalSite,
  },
  {
    ids: ['leaf-unknown', 'no-uptake'],
    strength: 'stop',
    about: 'The tree is in full leaf where the label asks it',
    facts: 'leaf state',
    setBy: 'label',
    label: (_, u) => u.needsLeaf,
    check: transpiring,
  },
  {
    ids: ['reading-height'],
    strength: 'hold',
    about: 'Measured at the height that the rate names',
    facts: 'readings',
    setBy: 'label',
    label: () => true,
    check: readingHeight,
  },
  {
    ids: ['device-overfull'],
    strength: 'hold',
    about: 'A device holds what its site gets',
    facts: 'the dose',
    setBy: 'label',
    label: (_, u) => u.sites?.deviceHolds !== undefined,
    check: deviceFull,
  },
  {
    ids: ['reading-stale'],
    strength: 'hold',
    about: 'The reading is not older than two seasons',
    facts: 'readings',
    setBy: 'practice',
    check: stale,
  },
  {
    ids: ['stem-rule'],
    strength: 'hold',
    about: 'How several stems count',
    facts: 'label, school',
    setBy: 'school',
    label: (_, u) => u.rate.stems === 'unanswered',
    check: stems,
  },
  {
    ids: ['ring-short'],
    strength: 'hold',
    about: 'Enough sound ring for the sites',
    facts: 'arcs, old holes',
    setBy: 'practice',
    label: (_, u) => u.sites !== undefined,
    check: ringFits,
  },
  {
    ids: ['collar-unknown', 'collar-decayed'],
    strength: 'hold',
    about: 'Sound wood at drilling height',
    facts: 'said at the tree',
    setBy: 'practice',
    check: collar,
  },
  {
    ids: ['bark-thickness'],
    strength: 'hold',
    about: 'Thick bark is allowed for',
    facts: 'said at the tree',
    setBy: 'practice',
    check: bark,
  },
  {
    ids: ['uptake-poor'],
    strength: 'hold',
    about: 'No drought, frost, bare crown or stagnant air',
    facts: 'station, soil, leaf',
    setBy: 'practice',
    check: poorUptake,
  },
  {
    ids: ['two-products'],
    strength: 'note',
    about: 'Several products on one trunk today',
    facts: 'open plans',
    setBy: 'practice',
    check: twoProducts,
  },
  {
    ids: ['limit-bound'],
    strength: 'note',
    about: 'A limit holds the dose',
    facts: 'the dose',
    setBy: 'label',
    label: (_, u) => u.limits.length > 0,
    check: limitBound,
  },
];
