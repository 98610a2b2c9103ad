import { after, dayWords } from '../../season/follow-ups';
import { labelPeriod, within } from '../../label/period';
import { days, gate, labelSource, sharesActive, type Check, type Earlier, type Facts, type Rule } from '../gate';

/** Earlier applications that a label's number counts: the same product, or any other with one of its actives, by anyone. */
const counted = (f: Facts) =>
  f.earlier
    .filter((e) => (e.labelKey === f.label.key || sharesActive(f, e.actives)) && e.day <= f.today)
    .sort((a, b) => a.day.localeCompare(b.day));
/** Open plans of other products that carry one of its actives: what is planned counts like what is done. */
const plannedToo = (f: Facts) => (f.alsoPlanned ?? []).filter((p) => sharesActive(f, p.actives));
const named = (f: Facts, e: Earlier) =>
  e.labelKey === f.label.key
    ? ''
    : ` (${e.actives.join(' + ')}${e.byOthers ? ', put on by others' : ', another label'})`;

const interval: Check = (f) => {
  const min = f.use.intervals.minDays;
  if (!min) return null;
  const last = counted(f).at(-1);
  const also = plannedToo(f)[0];
  if (last && days(last.day, f.today) < min)
    return gate(
      'interval',
      'stop',
      'Too soon',
      `The last one was on ${dayWords(last.day)}${named(f, last)}, ${days(last.day, f.today)} days ago; the label asks for ${min}.`,
      labelSource(f, 'interval'),
      [`last ${last.day}`, f.use.intervals.text],
      `Allowed from ${dayWords(after(last.day, min, 'days'))}.`,
    );
  return also
    ? gate(
        'interval-planned',
        'stop',
        'The same active is planned already',
        `${also.labelName} is planned on this tree and carries ${also.actives.join(' + ')} too; the label asks for ${min} days between.`,
        labelSource(f, 'interval'),
        [also.labelName, f.use.intervals.text],
        'Drop one of the two plans.',
      )
    : null;
};

const perYear: Check = (f) => {
  const max = f.use.intervals.maxPerYear;
  if (max === undefined) return null;
  const period = labelPeriod(f.use, f.today, f.south);
  const done = counted(f).filter((e) => within(period, e.day));
  const n = done.length + plannedToo(f).length;
  return n < max
    ? null
    : gate(
        'yearly-max',
        'stop',
        'Yearly maximum reached',
        `The label allows ${max} in ${period.words}; this tree has had ${done.length} of this active from ${dayWords(period.from)}${n > done.length ? `, and ${n - done.length} more is planned` : ''}.`,
        labelSource(f, 'yearly maximum'),
        [f.use.intervals.text, ...done.map((e) => `${e.day}${named(f, e)}`)],
        n > done.length && done.length < max
          ? 'Drop the other plan.'
          : `Allowed from ${dayWords(period.words === 'twelve months' ? after(done.at(-max)!.day, 1, 'years') : after(period.to, 1, 'days'))}.`,
      );
};

const harvest: Check = (f) => {
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
  const source = labelSource(f, 'pre-harvest');
  const ask = (id: string, title: string, sentence: string, satisfy: string) =>
    gate(id, 'stop', title, sentence, source, [], satisfy, 'asked');
  // A span of last year says nothing of this year's fruit.
  const stale = f.harvest && days(f.harvest.to ?? f.harvest.from, f.today) > STALE_HARVEST_DAYS;
  if (!f.harvest || stale)
    return phi === 0
      ? null
      : ask(
          'harvest-unknown',
          'When is it picked?',
          `The label wants ${phi} days before picking${stale ? ', and the days entered are those of the last crop' : ''}.`,
          'Enter first and last picking of this place or variety.',
        );
  const { from, to } = f.harvest;
  if (f.today < from)
    return days(f.today, from) >= phi
      ? null
      : gate(
          'pre-harvest',
          'stop',
          'Too near to picking',
          `The first picking is on ${dayWords(from)}; the label wants ${phi} days before it. The last day allowed was ${dayWords(after(from, -phi, 'days'))}.`,
          source,
          [`picking from ${from}`],
          to ? `Allowed after the last picking, on ${dayWords(to)}.` : 'Allowed after the last picking.',
        );
  if (phi === 0) return null;
  if (to === null)
    return ask(
      'picking-end-unknown',
      'When is the last picking?',
      `Picking began on ${dayWords(from)} and nobody has said when it ends; the label wants ${phi} days before any picking.`,
      'Enter the last picking of this place or variety.',
    );
  return f.today > to
    ? null
    : gate(
        'pre-harvest',
        'stop',
        'It is being picked',
        `Picking runs from ${dayWords(from)} to ${dayWords(to)}; the label wants ${phi} days between the spray and any picking.`,
        source,
        [`picking ${from} to ${to}`],
        `Allowed after the last picking, from ${dayWords(after(to, 1, 'days'))}.`,
      );
};
/** A last picking longer ago than this belongs to an earlier crop. */
const STALE_HARVEST_DAYS = 200;

/**
 * Physical modes, multi-site protectants, living products: no pest grows used to them. A bloom-time antibiotic is repeated as
 * its label says, early and late; it is counted there.
 */
export const EXEMPT_FAMILIES = [
  'oil',
  'soap',
  'clay',
  'sulphur',
  'copper',
  'phthalimide',
  'dithiocarbamate',
  'nutrient',
  'repellent',
  'beneficial',
  'microbial',
  'bacillus',
  'antibiotic',
];

/** A season of one pest: what was put on within it breeds what survived. */
const PEST_SEASON_DAYS = 300;
const resistance: Check = (f) => {
  const mine = f.label.actives.filter((a) => a.group.scheme !== 'none' && !EXEMPT_FAMILIES.includes(a.family));
  const groups = mine.map((a) => `${a.group.scheme} ${a.group.code}`);
  // What no pest grows used to does not count between two of a kind: an oil hides nothing.
  const last = f.earlier
    .filter((e) => e.day <= f.today && days(e.day, f.today) < PEST_SEASON_DAYS)
    .filter((e) => e.groups?.length && !e.families?.every((x) => EXEMPT_FAMILIES.includes(x)))
    .sort((a, b) => a.day.localeCompare(b.day))
    .at(-1);
  const again = mine.find((_, i) => last?.groups?.includes(groups[i]!));
  return again && last
    ? gate(
        'resistance-again',
        'hold',
        'The same group again',
        `The last application that counts, on ${dayWords(last.day)}, was of group ${again.group.scheme} ${again.group.code} too; what survived it breeds.`,
        'practice: change of groups within a season',
        [`${again.name}, ${again.group.scheme} ${again.group.code}`],
        'Take another group, or an oil, soap or clay; the label comes first.',
      )
    : null;
};

const reEntry: Check = (f) => {
  const running = f.now ? f.earlier.find((e) => e.reEntryUntil && e.reEntryUntil > f.now!) : undefined;
  return running
    ? gate(
        're-entry-running',
        'stop',
        'Keep out',
        `The re-entry interval of the last application is not over: until ${running.reEntryUntil!.slice(0, 16).replace('T', ' ')} UTC.`,
        'label of the last product, re-entry',
        [`applied ${running.day}`],
        `Allowed from ${running.reEntryUntil!.slice(0, 16).replace('T', ' ')} UTC.`,
      )
    : null;
};

/** Said before the work, not after it: how long everybody keeps out. */
const reEntryAhead: Check = (f) =>
  f.use.intervals.reEntryHours > 0
    ? gate(
        're-entry-after',
        'note',
        `Keep out for ${f.use.intervals.reEntryHours} h after`,
        `Nobody goes under the tree for ${f.use.intervals.reEntryHours} hours once it is done: people, pets, laundry.`,
        labelSource(f, 're-entry'),
        [f.use.intervals.text],
        'Tell the client before, and post it.',
      )
    : null;

/** What must not follow what within so many days when no label says: oil after sulphur 21, after captan 14, and the other way. */
const DEFAULT_PARTNERS: [a: string, b: string, days: number][] = [
  ['oil', 'sulphur', 21],
  ['oil', 'captan', 14],
];
const partners: Check = (f) => {
  const mine = f.label.actives.flatMap((a) => [a.family, a.name]);
  const recent = f.earlier.filter((e) => e.day <= f.today);
  const named = (e: (typeof recent)[number], what: string) => e.families?.includes(what) || e.actives.includes(what);
  for (const p of f.label.notWith) {
    const hit = recent.filter((e) => named(e, p.what) && days(e.day, f.today) < p.days).at(-1);
    if (hit)
      return gate(
        'incompatible-label',
        'stop',
        `Too soon after ${p.what}`,
        `${p.what} was put on ${days(hit.day, f.today)} days ago; the label asks for ${p.days}. “${p.text}”`,
        labelSource(f, 'not with'),
        [`on ${dayWords(hit.day)}`],
        `Allowed from ${dayWords(after(hit.day, p.days, 'days'))}.`,
      );
  }
  // The earlier product's own label has a word as well.
  for (const e of [...recent].sort((a, b) => b.day.localeCompare(a.day))) {
    const p = e.notWith?.find((x) => mine.includes(x.what) && days(e.day, f.today) < x.days);
    if (p)
      return gate(
        'incompatible-label',
        'stop',
        `Too soon after ${e.actives.join(' + ')}`,
        `It was put on ${days(e.day, f.today)} days ago, and its own label keeps ${p.what} ${p.days} days away.`,
        'label of the earlier product, not with',
        [`on ${dayWords(e.day)}`],
        `Allowed from ${dayWords(after(e.day, p.days, 'days'))}.`,
      );
  }
  for (const [a, b, wait] of DEFAULT_PARTNERS) {
    const other = mine.includes(a) ? b : mine.includes(b) ? a : null;
    // A label that names the partner has said its own number.
    if (!other || f.label.notWith.some((p) => p.what === other)) continue;
    const hit = recent.filter((e) => named(e, other) && days(e.day, f.today) < wait).at(-1);
    if (hit)
      return gate(
        'incompatible',
        'hold',
        `Too soon after ${other}`,
        `${other} was put on ${days(hit.day, f.today)} days ago; together they burn leaves. The label is silent: ${wait} days are usual.`,
        'practice',
        [`on ${dayWords(hit.day)}`],
        `Allowed from ${dayWords(after(hit.day, wait, 'days'))}.`,
      );
  }
  return null;
};

export const numberRules: Rule[] = [
  {
    ids: ['interval', 'interval-planned'],
    strength: 'stop',
    about: 'Days since the last one',
    facts: 'book of the tree, what others put on, open plans',
    setBy: 'label',
    label: (_, u) => u.intervals.minDays !== undefined,
    check: interval,
  },
  {
    ids: ['yearly-max'],
    strength: 'stop',
    about: 'Number a year',
    facts: 'book of the tree',
    setBy: 'label',
    label: (_, u) => u.intervals.maxPerYear !== undefined,
    check: perYear,
  },
  {
    ids: ['edible-not-on-label', 'harvest-unknown', 'picking-end-unknown', 'pre-harvest'],
    strength: 'stop',
    about: 'Edible crop and days before picking',
    facts: 'host, picking of the place or variety',
    setBy: 'label',
    label: (_, u) => u.intervals.preHarvestDays !== undefined,
    check: harvest,
  },
  {
    ids: ['re-entry-running'],
    strength: 'stop',
    about: 'Re-entry of the last application is over',
    facts: 'book of the tree',
    setBy: 'label',
    label: () => true,
    check: reEntry,
  },
  {
    ids: ['re-entry-after'],
    strength: 'note',
    about: 'How long everybody keeps out afterwards',
    facts: 'label',
    setBy: 'label',
    label: (_, u) => u.intervals.reEntryHours > 0,
    check: reEntryAhead,
  },
  {
    ids: ['incompatible-label', 'incompatible'],
    strength: 'stop or hold',
    about: 'Days from partners that burn together',
    facts: 'book of the tree',
    setBy: 'label',
    label: (l) => l.notWith.length > 0,
    check: partners,
  },
  {
    ids: ['resistance-again'],
    strength: 'hold',
    about: 'Not the same resistance group again',
    facts: 'book of the tree',
    setBy: 'practice',
    check: resistance,
  },
];
