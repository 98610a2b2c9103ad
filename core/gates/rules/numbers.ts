import { after, dayWords } from '../../season/follow-ups';
import { days, gate, labelSource, type Check, type Rule } from '../gate';

const interval: Check = (f) => {
  const min = f.use.intervals.minDays;
  if (min === undefined) return null;
  const last = f.earlier.filter((e) => e.labelKey === f.label.key && e.day <= f.today).at(-1);
  if (!last || days(last.day, f.today) >= min) return null;
  return gate(
    'interval',
    'stop',
    'Too soon',
    `The last one was on ${dayWords(last.day)}, ${days(last.day, f.today)} days ago; the label asks for ${min}.`,
    labelSource(f, 'interval'),
    [`last ${last.day}`, f.use.intervals.text],
    `Allowed from ${dayWords(after(last.day, min, 'days'))}.`,
  );
};

const perYear: Check = (f) => {
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
        `Allowed from ${dayWords(`${Number(year) + 1}-01-01`)}.`,
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
        `The first picking is on ${dayWords(f.harvest)}; the label wants ${phi} days before it.`,
        labelSource(f, 'pre-harvest'),
        [`picking ${f.harvest}`],
        `Allowed after the harvest.`,
      );
};

/** Physical modes and multi-site protectants: no pest grows used to them. */
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
];

const resistance: Check = (f) => {
  const year = f.today.slice(0, 4);
  const last = f.earlier.filter((e) => e.day.startsWith(year) && e.day <= f.today).at(-1);
  const mine = f.label.actives.filter((a) => a.group.scheme !== 'none' && !EXEMPT_FAMILIES.includes(a.family));
  const again = mine.find((a) => last?.groups?.includes(`${a.group.scheme} ${a.group.code}`));
  return again && last && last.labelKey
    ? gate(
        'resistance-again',
        'hold',
        'The same group again',
        `The last application this season, on ${dayWords(last.day)}, was of group ${again.group.scheme} ${again.group.code} too; what survived it breeds.`,
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
    ids: ['interval'],
    strength: 'stop',
    about: 'Days since the last one',
    facts: 'book of the tree',
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
    ids: ['edible-not-on-label', 'harvest-unknown', 'pre-harvest'],
    strength: 'stop',
    about: 'Edible crop and days before picking',
    facts: 'host, first picking of the place',
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
