import { CERTAINTIES, TREATS } from '../diagnose/words';
import { usesHost } from '../label/match';
import { after } from '../season/follow-ups';
import { showDistance, showFine, showTemperature, showWind } from '../units/units';
import { gate, isSoil, type Facts, type Gate, type Rule } from './gate';

/** Whole days between two calendar days; both are read at midnight UTC, where every day has 24 hours. */
const days = (from: string, to: string) => Math.round((Date.parse(to) - Date.parse(from)) / 86_400_000);
const labelSource = (f: Facts, field: string) => `label ${f.label.name} v${f.label.version}, ${field}`;

/** Is treatment right at all? */
const hostOnLabel: Rule = (f) =>
  usesHost(f.use, f.host.id, f.host.groups)
    ? null
    : gate(
        'host-not-on-label',
        'stop',
        `Not for ${f.host.name}`,
        `The label does not name ${f.host.name} for this use.`,
        labelSource(f, 'hosts'),
        [`host ${f.host.name}`, `label hosts: ${f.use.hosts.join(', ')}`],
        'Choose a product whose label names this host.',
      );

const forbiddenHost: Rule = (f) => {
  const hit = f.use.forbiddenHosts.find((h) => h.host === f.host.id || f.host.groups.includes(h.host));
  return hit
    ? gate(
        'host-forbidden',
        'stop',
        `Never on ${f.host.name}`,
        `The label forbids it: “${hit.text}”`,
        labelSource(f, 'forbidden hosts'),
        [`host ${f.host.name}`],
        'Wash, band, or use a method the label allows on this host.',
      )
    : null;
};

const targetOnLabel: Rule = (f) => {
  if (!f.condition)
    return gate(
      'target-unnamed',
      'stop',
      'Nothing named to treat',
      'No condition has been named for this tree.',
      'practice: no treatment without a target',
      [],
      'Name the condition in Decide.',
      'asked',
    );
  return f.use.targets.includes(f.condition.id)
    ? null
    : gate(
        'target-not-on-label',
        'stop',
        `Does not act on ${f.condition.name}`,
        `The label does not name ${f.condition.name}; this product would not touch it.`,
        labelSource(f, 'targets'),
        [`named: ${f.condition.name}`, `label targets: ${f.use.targets.join(', ')}`],
        'Choose a product that acts on what was named, or look again.',
      );
};

const hostConfirmed: Rule = (f) =>
  f.hostConfirmed
    ? null
    : gate(
        'host-not-confirmed',
        'hold',
        'Host not confirmed',
        `Nobody has run the short key for ${f.host.name}; a look-alike may not be attacked at all.`,
        'practice: confirm the host first',
        ['key not answered'],
        'Answer the key in Examine.',
      );

const confirmation: Rule = (f) => {
  if (!f.condition || f.use.purpose === 'preventive' || f.decision === 'protect a sound tree') return null;
  const need = f.condition.curativeNeeds;
  if (f.certainty && CERTAINTIES.indexOf(f.certainty) >= CERTAINTIES.indexOf(need)) return null;
  return gate(
    'diagnosis-unsure',
    'hold',
    'Not sure enough to cure',
    `A curative treatment of ${f.condition.name} asks for “${need}”; it stands at “${f.certainty ?? 'not said'}”.`,
    `knowledge: ${f.condition.name}`,
    [`certainty: ${f.certainty ?? 'none'}`],
    `Do the deciding test: ${f.condition.decidingTest}`,
  );
};

const decisionTreats: Rule = (f) =>
  f.decision === null || TREATS.includes(f.decision)
    ? null
    : gate(
        'decided-otherwise',
        'hold',
        `Decided: ${f.decision}`,
        `The decision on this tree is “${f.decision}”, not a treatment.`,
        'the decision on this tree',
        [`decision: ${f.decision}`],
        'Decide again, or say why this goes ahead.',
      );

const harmless: Rule = (f) =>
  f.condition?.kind === 'harmless'
    ? gate(
        'harmless',
        'hold',
        'Harmless',
        `${f.condition.name} does no harm; treatment only costs.`,
        `knowledge: ${f.condition.name}`,
        [f.condition.about],
        'Leave it alone and tell the client why.',
      )
    : null;

const follower: Rule = (f) => {
  const c = f.condition;
  if (!c || (!c.onlyFollows && !f.liveDrivers?.length)) return null;
  const behind = f.liveDrivers?.join(' and ').toLowerCase();
  return gate(
    'follower',
    'hold',
    'A follower, not the cause',
    behind
      ? `Behind ${c.name.toLowerCase()} stands ${behind}; treated alone it comes back.`
      : `${c.name} follows something else; the driver is what must be treated.`,
    `knowledge: ${c.name}`,
    [c.about],
    behind ? `Treat ${behind} first, or in the same plan.` : 'Find and name the driver.',
  );
};

const noEffect: Rule = (f) =>
  f.condition && f.withoutEffect?.some((e) => e.condition === f.condition!.id && e.labelKey === f.label.key)
    ? gate(
        'no-effect',
        'hold',
        'It did nothing here',
        `${f.label.name} was properly applied against ${f.condition.name.toLowerCase()} on this tree, looked at in time, and nothing changed.`,
        'the check of the earlier treatment',
        [`against ${f.condition.name}`],
        'Examine again: doubt the diagnosis before repeating the dose.',
      )
    : null;

const crownLoss: Rule = (f) => {
  const schoolLimit = f.condition?.crownLossLimit;
  const labelLimit = f.use.conditions?.maxCrownLoss;
  const limit = Math.min(schoolLimit ?? 100, labelLimit ?? 100);
  if (limit === 100) return null;
  const byLabel = labelLimit !== undefined && labelLimit === limit;
  if (f.crownLoss === null)
    return gate(
      'crown-loss-unknown',
      byLabel ? 'stop' : 'hold',
      'Crown loss?',
      `Treatment is limited to ${limit} % crown loss and nobody has graded this crown.`,
      byLabel ? labelSource(f, 'crown loss') : `knowledge: ${f.condition!.name}`,
      [],
      'Grade the crown in Examine.',
      'asked',
    );
  if (f.crownLoss <= limit) return null;
  return gate(
    'crown-loss',
    byLabel ? 'stop' : 'hold',
    'Crown loss too high',
    `${f.crownLoss} % of the crown is lost; beyond ${limit} % it comes too late to carry the product or to save the tree.`,
    byLabel ? labelSource(f, 'crown loss') : `knowledge: ${f.condition!.name}`,
    [`crown loss ${f.crownLoss} %`],
    'Manage or remove; protect its sound neighbours.',
  );
};

const vigour: Rule = (f) => {
  if (f.vigour === null)
    return gate(
      'vigour-unknown',
      'hold',
      'Vigour?',
      'Nobody has judged the vigour of this tree.',
      'practice: restore first',
      [],
      'Judge it in Examine.',
      'asked',
    );
  if (f.vigour === 'good' || f.vigour === 'fair') return null;
  if (f.condition?.causesWeakness)
    return gate(
      'vigour-from-pest',
      'note',
      'Weak from the pest',
      `Vigour is ${f.vigour}, but ${f.condition.name} is the cause of it: waiting loses the tree.`,
      `knowledge: ${f.condition.name}`,
      [`vigour ${f.vigour}`],
      'Treat soon; water in dry weeks.',
    );
  return gate(
    'vigour-low',
    'hold',
    'Too weak: restore first',
    `Vigour is ${f.vigour}; a tree that barely moves sap neither takes the product up nor answers it.`,
    'practice: restore first',
    [`vigour ${f.vigour}`],
    'Water, mulch, free the collar; examine again in 2–4 weeks.',
  );
};

/** Tree and trunk. */
const measured: Rule = (f) => {
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
const stale: Rule = (f) =>
  f.reading && days(f.reading.day, f.today) > 730
    ? gate(
        'reading-stale',
        'hold',
        'Old reading',
        `The trunk was last measured on ${f.reading.day}, more than two growing seasons ago.`,
        'practice',
        [`read ${f.reading.day}`],
        'Measure it again.',
      )
    : null;
const stems: Rule = (f) =>
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
const doseWorks: Rule = (f) => {
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
        : 'No dose on the label';
  const asked = first.path === 'siteAreaM2' || first.path === 'diameters';
  return gate(
    id,
    'stop',
    title,
    first.sentence,
    labelSource(f, first.path),
    [],
    asked ? 'Enter what is missing.' : 'Another product or method, or wait.',
    asked ? 'asked' : 'tripped',
  );
};
const limitBound: Rule = (f) =>
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
const areaCapBound: Rule = (f) =>
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
const ringFits: Rule = (f) =>
  f.ring && f.ring.sites.length < f.ring.wanted
    ? gate(
        'ring-short',
        'hold',
        'Not enough sound ring',
        f.ring.sentence,
        'label spacing, book of old holes',
        [`${f.ring.sites.length} of ${f.ring.wanted} fit`],
        'Another height or another method.',
      )
    : null;
const transpiring: Rule = (f) => {
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

/** Ground and water. */
const soil: Rule = (f) => {
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
const water: Rule = (f) => {
  if (!isSoil(f.use) && !f.use.method.endsWith('spray')) return null;
  const labelM = f.use.conditions?.waterDistanceM ?? 0;
  const need = Math.max(labelM, f.region.minWaterDistanceM);
  if (need === 0) return null;
  const distance = (m: number) => showDistance(m, f.system ?? 'metric').text;
  const source = labelM >= f.region.minWaterDistanceM ? labelSource(f, 'water') : `region ${f.region.name}`;
  if (f.water === null)
    return gate(
      'water-unknown',
      'stop',
      'How far to water?',
      `A well, open water or a drain must be ${distance(need)} away; nobody has said how far it is.`,
      source,
      [],
      'Pace it and say.',
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
const beesInSoil: Rule = (f) => {
  const neonic = f.label.actives.some((a) => a.family === 'neonicotinoid');
  if (!isSoil(f.use) || f.host.beePlant === 'no' || !(neonic || (f.label.systemic && f.label.beeHazard === 'high')))
    return null;
  const by = f.region.soilSystemicForbiddenOn.find((h) => h === f.host.id || f.host.groups.includes(h));
  if (by)
    return gate(
      'bee-tree-soil-systemic',
      'stop',
      `No soil systemic under ${f.host.name}`,
      `Bees work ${f.host.name}; what goes into the soil comes out in nectar and pollen, for more than one year. The region forbids it.`,
      `region ${f.region.name}: bee trees`,
      [`host ${f.host.name}`, `actives: ${f.label.actives.map((a) => a.name).join(', ')}`],
      'Wash, band against ants, soap on aphids, or leave it.',
    );
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

/** Numbers of the label in time. */
const interval: Rule = (f) => {
  const min = f.use.intervals.minDays;
  if (min === undefined) return null;
  const last = f.earlier.filter((e) => e.labelKey === f.label.key && e.day <= f.today).at(-1);
  if (!last || days(last.day, f.today) >= min) return null;
  return gate(
    'interval',
    'stop',
    'Too soon',
    `The last one was on ${last.day}, ${days(last.day, f.today)} days ago; the label asks for ${min}.`,
    labelSource(f, 'interval'),
    [`last ${last.day}`, f.use.intervals.text],
    `Allowed from ${after(last.day, min, 'days')}.`,
  );
};
const perYear: Rule = (f) => {
  const max = f.use.intervals.maxPerYear;
  if (max === undefined) return null;
  const year = f.today.slice(0, 4);
  const n = f.earlier.filter((e) => e.labelKey === f.label.key && e.day.startsWith(year)).length;
  return n < max
    ? null
    : gate(
        'yearly-max',
        'stop',
        'Yearly maximum reached',
        `The label allows ${max} a year; this tree has had ${n} in ${year}.`,
        labelSource(f, 'yearly maximum'),
        [f.use.intervals.text],
        `Allowed from ${Number(year) + 1}-01-01.`,
      );
};
const harvest: Rule = (f) => {
  if (!f.host.edible) return null;
  const phi = f.use.intervals.preHarvestDays;
  if (phi === undefined)
    return gate(
      'edible-not-on-label',
      'stop',
      'Edible crop',
      `${f.host.name} is eaten and the label gives no pre-harvest days for it.`,
      labelSource(f, 'pre-harvest'),
      [],
      'Choose a product labelled for this crop.',
    );
  if (f.harvest === null)
    return phi === 0
      ? null
      : gate(
          'harvest-unknown',
          'stop',
          'When is the first picking?',
          `The label wants ${phi} days before picking.`,
          labelSource(f, 'pre-harvest'),
          [],
          'Enter the first picking day of this place.',
          'asked',
        );
  return f.harvest < f.today || days(f.today, f.harvest) >= phi
    ? null
    : gate(
        'pre-harvest',
        'stop',
        'Too near to picking',
        `The first picking is on ${f.harvest}; the label wants ${phi} days before it.`,
        labelSource(f, 'pre-harvest'),
        [`picking ${f.harvest}`],
        `Allowed after the harvest.`,
      );
};
const season: Rule = (f) => {
  const m = Number(f.today.slice(5, 7));
  if (!f.use.months.length || f.use.months.includes(m)) return null;
  const next = Array.from({ length: 12 }, (_, i) => ((m + i) % 12) + 1).find((x) => f.use.months.includes(x))!;
  const year = Number(f.today.slice(0, 4)) + (next <= m ? 1 : 0);
  return gate(
    'window-closed',
    'hold',
    'Outside its window',
    `This use has its window in months ${f.use.months.join(', ')}; it is month ${m}.`,
    labelSource(f, 'timing'),
    [`today ${f.today}`],
    `Next window from ${year}-${String(next).padStart(2, '0')}-01.`,
  );
};

/** Air. */
const air: Rule = (f) => {
  const c = f.use.conditions;
  if (!c || f.temperatureC === null) return null;
  const degrees = (t: number) => showTemperature(t, f.system ?? 'metric');
  const low = c.minC !== undefined && f.temperatureC < c.minC;
  const high = c.maxC !== undefined && f.temperatureC > c.maxC;
  return low || high
    ? gate(
        'temperature',
        'stop',
        low ? 'Too cold' : 'Too hot',
        `It is ${degrees(f.temperatureC)}; the label says${c.minC !== undefined ? ` from ${degrees(c.minC)}` : ''}${c.maxC !== undefined ? ` to ${degrees(c.maxC)}` : ''}.`,
        labelSource(f, 'temperature'),
        [c.text],
        'Wait for the right hour.',
      )
    : null;
};
const wind: Rule = (f) => {
  const max = f.use.conditions?.maxWindMs;
  return max !== undefined && f.windMs !== null && f.windMs > max
    ? gate(
        'wind',
        'stop',
        'Too windy',
        `The wind blows at ${showWind(f.windMs, f.system ?? 'metric')}; the label allows ${showWind(max, f.system ?? 'metric')}.`,
        labelSource(f, 'wind'),
        [],
        'Wait for calmer air.',
      )
    : null;
};
const rain: Rule = (f) => {
  const hours = f.use.conditions?.rainFreeHours;
  return hours && f.rainNext24Mm !== null && f.rainNext24Mm >= 1
    ? gate(
        'rain-coming',
        'stop',
        'Rain is coming',
        `${showFine(f.rainNext24Mm, f.system ?? 'metric').text} of rain is forecast; the label wants ${hours} dry hours after.`,
        labelSource(f, 'rain'),
        [],
        'Wait for a dry spell.',
      )
    : null;
};

/** People and paper. */
const licence: Rule = (f) => {
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
      `Licence ${f.licence.number} ran out on ${f.licence.expires}.`,
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
const labelChecked: Rule = (f) =>
  f.labelChecked
    ? null
    : gate(
        'label-not-checked',
        'hold',
        'Label not checked',
        'Nobody has compared this entry with the label in hand.',
        'practice: the label in hand comes first',
        [],
        'Read it against the label and sign it on the Shelf.',
      );
const reportable: Rule = (f) =>
  f.condition?.reportable
    ? gate(
        'reportable',
        'note',
        'May have to be reported',
        `${f.condition.name} has to be reported in some regions.`,
        `knowledge: ${f.condition.name}`,
        [],
        'Ask the local authority.',
      )
    : null;

/** Every gate of the thin line, in the order they are read out. */
export const RULES: Rule[] = [
  hostOnLabel,
  forbiddenHost,
  targetOnLabel,
  beesInSoil,
  soil,
  water,
  interval,
  perYear,
  doseWorks,
  areaCapBound,
  measured,
  transpiring,
  air,
  wind,
  rain,
  harvest,
  licence,
  hostConfirmed,
  confirmation,
  decisionTreats,
  harmless,
  follower,
  noEffect,
  crownLoss,
  vigour,
  stale,
  stems,
  ringFits,
  season,
  labelChecked,
  limitBound,
  reportable,
];

const ORDER = { stop: 0, hold: 1, note: 2 };

/**
 * The gates in force for one plan, stops first. Rules of a label or a region stop; practice and schools hold or note.
 * @returns an empty list when nothing stands in the way
 */
export function gatesInForce(facts: Facts): Gate[] {
  return RULES.map((rule) => rule(facts))
    .filter((g): g is Gate => g !== null)
    .sort((a, b) => ORDER[a.strength] - ORDER[b.strength]);
}

/** Whether a plan may be made: no stop, and every hold released with a written reason. */
export function blocked(gates: Gate[], released: Record<string, string>): Gate[] {
  return gates.filter(
    (g) => g.strength === 'stop' || (g.strength === 'hold' && (released[g.id] ?? '').trim().length < 4),
  );
}
