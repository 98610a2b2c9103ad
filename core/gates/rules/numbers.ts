import { dayAfter, formatDay, daysBetween } from '../../../lib/calendar/days';
import { labelPeriod, within } from '../../label/period';
import { partnerWait } from '../partners';
import { gate, labelSource, sharesActive, type Facts, type Rule } from '../gate';
import { type Earlier } from '../context';

/** Earlier applications that a label's number counts: the same product, or any other with one of its actives, by anyone. */
const counted = (f: Facts) =>
  f.earlier
    .filter((e) => (e.labelKey === f.label.key || sharesActive(f, e.actives)) && e.day <= f.on)
    .sort((a, b) => a.day.localeCompare(b.day));
/** Other open plans that carry one of its actives: what is planned counts like what is done, on its own day. */
const plannedToo = (f: Facts) => f.alsoPlanned.filter((p) => sharesActive(f, p.actives));
const named = (f: Facts, e: Earlier) =>
  e.labelKey === f.label.key
    ? ''
    : ` (${e.actives.join(' + ')}${e.byOthers ? ', put on by others' : ', another label'})`;
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

export const numberRules: Rule[] = [
  {
    ids: ['interval', 'interval-planned'],
    strength: 'stop',
    about: 'Days since the last one',
    facts: 'book of the tree, what others put on, open plans',
    setBy: 'label',
    label: (_, u) => u.intervals.minDays !== undefined,
    check: (facts) => {
      const min = facts.use.intervals.minDays;
      if (!min) return null;
      const last = counted(facts).at(-1);
      const also = plannedToo(facts).find((p) => Math.abs(daysBetween(p.on, facts.on)) < min);
      if (last && daysBetween(last.day, facts.on) < min)
        return gate({
          id: 'interval',
          strength: 'stop',
          title: 'Too soon',
          sentence: `The last one was on ${formatDay(last.day)}${named(facts, last)}, ${daysBetween(last.day, facts.on)} days ago; the label asks for ${min}.`,
          source: labelSource(facts, 'interval'),
          facts: [`last ${last.day}`, facts.use.intervals.text],
          satisfy: `Allowed from ${formatDay(dayAfter(last.day, min, 'days'))}.`,
        });
      return also
        ? gate({
            id: 'interval-planned',
            strength: 'stop',
            title: 'The same active is planned already',
            sentence: `${also.labelName} is planned on this tree for ${formatDay(also.on)} and carries ${also.actives.join(' + ')} too; the label asks for ${min} days between.`,
            source: labelSource(facts, 'interval'),
            facts: [also.labelName, facts.use.intervals.text],
            satisfy: 'Drop one of the two plans, or take another day.',
          })
        : null;
    },
  },
  {
    ids: ['yearly-max'],
    strength: 'stop',
    about: 'Number a year',
    facts: 'book of the tree',
    setBy: 'label',
    label: (_, u) => u.intervals.maxPerYear !== undefined,
    check: (facts) => {
      const max = facts.use.intervals.maxPerYear;
      if (max === undefined) return null;
      const period = labelPeriod(facts.use, facts.on, facts.south);
      const done = counted(facts).filter((e) => within(period, e.day));
      const n = done.length + plannedToo(facts).filter((p) => within(period, p.on)).length;
      return n < max
        ? null
        : gate({
            id: 'yearly-max',
            strength: 'stop',
            title: 'Yearly maximum reached',
            sentence: `The label allows ${max} in ${period.words}; this tree has had ${done.length} of this active from ${formatDay(period.from)}${n > done.length ? `, and ${n - done.length} more is planned` : ''}.`,
            source: labelSource(facts, 'yearly maximum'),
            facts: [facts.use.intervals.text, ...done.map((e) => `${e.day}${named(facts, e)}`)],
            satisfy:
              n > done.length && done.length < max
                ? 'Drop the other plan.'
                : `Allowed from ${formatDay(period.words === 'twelve months' ? dayAfter(done.at(-max)!.day, 1, 'years') : dayAfter(period.to, 1, 'days'))}.`,
          });
    },
  },
  {
    ids: ['edible-not-on-label', 'harvest-unknown', 'picking-end-unknown', 'pre-harvest'],
    strength: 'stop',
    about: 'Edible crop and days before picking',
    facts: 'host, picking of the place or variety',
    setBy: 'label',
    label: (_, u) => u.intervals.preHarvestDays !== undefined,
    check: (facts) => {
      if (!facts.host.edible) return null;
      const phi = facts.use.intervals.preHarvestDays;
      if (phi === undefined)
        return gate({
          id: 'edible-not-on-label',
          strength: 'stop',
          title: 'Edible crop',
          sentence: `${facts.host.name} is eaten and the label gives no pre-harvest days for it.`,
          source: labelSource(facts, 'pre-harvest'),
          satisfy: 'Choose a product labelled for this crop.',
        });
      const source = labelSource(facts, 'pre-harvest');
      const ask = (id: string, title: string, sentence: string, satisfy: string) =>
        gate({ id, strength: 'stop', title, sentence, source, satisfy, state: 'asked' });
      // A span of last year says nothing of this year's fruit.
      const stale = facts.harvest && daysBetween(facts.harvest.to ?? facts.harvest.from, facts.on) > STALE_HARVEST_DAYS;
      if (!facts.harvest || stale)
        return phi === 0
          ? null
          : ask(
              'harvest-unknown',
              'When is it picked?',
              `The label wants ${phi} days before picking${stale ? ', and the days entered are those of the last crop' : ''}.`,
              'Enter first and last picking of this place or variety.',
            );
      const { from, to } = facts.harvest;
      if (facts.on < from)
        return daysBetween(facts.on, from) >= phi
          ? null
          : gate({
              id: 'pre-harvest',
              strength: 'stop',
              title: 'Too near to picking',
              sentence: `The first picking is on ${formatDay(from)}; the label wants ${phi} days before it. The last day allowed was ${formatDay(dayAfter(from, -phi, 'days'))}.`,
              source,
              facts: [`picking from ${from}`],
              satisfy: to ? `Allowed after the last picking, on ${formatDay(to)}.` : 'Allowed after the last picking.',
            });
      if (phi === 0) return null;
      if (to === null)
        return ask(
          'picking-end-unknown',
          'When is the last picking?',
          `Picking began on ${formatDay(from)} and nobody has said when it ends; the label wants ${phi} days before any picking.`,
          'Enter the last picking of this place or variety.',
        );
      return facts.on > to
        ? null
        : gate({
            id: 'pre-harvest',
            strength: 'stop',
            title: 'It is being picked',
            sentence: `Picking runs from ${formatDay(from)} to ${formatDay(to)}; the label wants ${phi} days between the spray and any picking.`,
            source,
            facts: [`picking ${from} to ${to}`],
            satisfy: `Allowed after the last picking, from ${formatDay(dayAfter(to, 1, 'days'))}.`,
          });
    },
  },
  {
    ids: ['re-entry-running'],
    strength: 'stop',
    about: 'Re-entry of the last application is over',
    day: true,
    facts: 'book of the tree',
    setBy: 'label',
    label: () => true,
    check: (facts) => {
      const running = facts.now ? facts.earlier.find((e) => e.reEntryUntil && e.reEntryUntil > facts.now!) : undefined;
      return running
        ? gate({
            id: 're-entry-running',
            strength: 'stop',
            title: 'Keep out',
            sentence: `The re-entry interval of the last application is not over: until ${running.reEntryUntil!.slice(0, 16).replace('T', ' ')} UTC.`,
            source: 'label of the last product, re-entry',
            facts: [`applied ${running.day}`],
            satisfy: `Allowed from ${running.reEntryUntil!.slice(0, 16).replace('T', ' ')} UTC.`,
          })
        : null;
    },
  },
  /** Said before the work, not after it: how long everybody keeps out. */
  {
    ids: ['re-entry-after'],
    strength: 'note',
    about: 'How long everybody keeps out afterwards',
    facts: 'label',
    setBy: 'label',
    label: (_, u) => u.intervals.reEntryHours > 0,
    check: (facts) =>
      facts.use.intervals.reEntryHours > 0
        ? gate({
            id: 're-entry-after',
            strength: 'note',
            title: `Keep out for ${facts.use.intervals.reEntryHours} h after`,
            sentence: `Nobody goes under the tree for ${facts.use.intervals.reEntryHours} hours once it is done: people, pets, laundry.`,
            source: labelSource(facts, 're-entry'),
            facts: [facts.use.intervals.text],
            satisfy: 'Tell the client before, and post it.',
          })
        : null,
  },
  {
    ids: ['incompatible-label', 'incompatible'],
    strength: 'stop or hold',
    about: 'Days from partners that burn together',
    facts: 'book of the tree',
    setBy: 'label',
    label: (l) => l.notWith.length > 0,
    check: (facts) => {
      const wait = partnerWait(facts.label, facts.earlier, facts.on);
      if (!wait) return null;
      const ago = daysBetween(wait.on, facts.on);
      const rest = {
        title: `Too soon after ${wait.what}`,
        facts: [`on ${formatDay(wait.on)}`],
        satisfy: `Allowed from ${formatDay(wait.until)}.`,
      };
      if (wait.by === 'practice')
        return gate({
          ...rest,
          id: 'incompatible',
          strength: 'hold',
          sentence: `${wait.what} was put on ${ago} days ago; together they burn leaves. The label is silent: ${wait.days} days are usual.`,
          source: 'practice',
        });
      return gate({
        ...rest,
        id: 'incompatible-label',
        strength: 'stop',
        sentence:
          wait.by === 'own label'
            ? `${wait.what} was put on ${ago} days ago; the label asks for ${wait.days}. “${wait.text}”`
            : `It was put on ${ago} days ago, and its own label keeps ${wait.keepsOff} ${wait.days} days away.`,
        source: wait.by === 'own label' ? labelSource(facts, 'not with') : 'label of the earlier product, not with',
      });
    },
  },
  {
    ids: ['resistance-again'],
    strength: 'hold',
    about: 'Not the same resistance group again',
    facts: 'book of the tree',
    setBy: 'practice',
    check: (facts) => {
      const mine = facts.label.actives.filter((a) => a.group.scheme !== 'none' && !EXEMPT_FAMILIES.includes(a.family));
      const groups = mine.map((a) => `${a.group.scheme} ${a.group.code}`);
      // What no pest grows used to does not count between two of a kind: an oil hides nothing.
      const last = facts.earlier
        .filter((e) => e.day <= facts.on && daysBetween(e.day, facts.on) < PEST_SEASON_DAYS)
        .filter((e) => e.groups?.length && !e.families?.every((x) => EXEMPT_FAMILIES.includes(x)))
        .sort((a, b) => a.day.localeCompare(b.day))
        .at(-1);
      const again = mine.find((_, i) => last?.groups?.includes(groups[i]!));
      return again && last
        ? gate({
            id: 'resistance-again',
            strength: 'hold',
            title: 'The same group again',
            sentence: `The last application that counts, on ${formatDay(last.day)}, was of group ${again.group.scheme} ${again.group.code} too; what survived it breeds.`,
            source: 'practice: change of groups within a season',
            facts: [`${again.name}, ${again.group.scheme} ${again.group.code}`],
            satisfy: 'Take another group, or an oil, soap or clay; the label comes first.',
          })
        : null;
    },
  },
];
