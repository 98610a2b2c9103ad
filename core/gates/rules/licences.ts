import { dayAfter, formatDay } from '../../../lib/calendar/days';
import { asking, gate, labelSource, type Rule } from '../gate';

/** A profile that nobody has compared with the rules in force for this long is stale. */
const STALE_MONTHS = 12;

/** Names that sound alike in a yard; each pair has killed a crop or a bee somewhere. */
const CONFUSED: [string, string][] = [
  ['abamectin', 'emamectin benzoate'],
  ['potassium phosphonate', 'potassium phosphate'],
  ['imidacloprid', 'thiacloprid'],
  ['propiconazole', 'tebuconazole'],
  ['dinotefuran', 'dinoseb'],
  ['mancozeb', 'maneb'],
];

/** Who may, under which label and which rules. */
export const licenceRules: Rule[] = [
  {
    ids: ['licence-missing', 'licence-expired', 'licence-category'],
    strength: 'stop',
    about: 'The licence fits and runs',
    facts: 'people',
    setBy: 'region',
    label: (l) => l.licenceCategory !== undefined || l.restricted,
    region: (r) => r.licenceNeeded,
    check: (facts) => {
      if (!facts.region.licenceNeeded && !facts.label.restricted && !facts.label.licenceCategory) return null;
      const source = facts.label.licenceCategory ? labelSource(facts, 'licence') : `region ${facts.region.name}`;
      if (!facts.licence)
        return gate({
          id: 'licence-missing',
          strength: 'stop',
          title: 'No licence',
          sentence: 'Nobody with a licence is named for this work.',
          source,
          satisfy: 'Enter the licence under People, or hand over.',
        });
      if (facts.licence.expires < facts.on)
        return gate({
          id: 'licence-expired',
          strength: 'stop',
          title: 'Licence expired',
          sentence: `Licence ${facts.licence.number} ran out on ${formatDay(facts.licence.expires)}.`,
          source,
          satisfy: 'Renew it and enter the new date.',
        });
      const need = facts.label.licenceCategory;
      return need && !facts.licence.categories.includes(need)
        ? gate({
            id: 'licence-category',
            strength: 'stop',
            title: 'Wrong licence category',
            sentence: `This product needs category ${need}; licence ${facts.licence.number} covers ${facts.licence.categories.join(', ') || 'none'}.`,
            source,
            satisfy: 'Somebody licensed for it must do this.',
          })
        : null;
    },
  },
  {
    ids: ['restricted-supervisor'],
    strength: 'stop',
    about: 'Restricted products under a certified person',
    facts: 'people',
    setBy: 'label',
    label: (l) => l.restricted,
    check: (facts) =>
      facts.label.restricted && !facts.supervised
        ? gate({
            id: 'restricted-supervisor',
            strength: 'stop',
            title: 'Restricted: who supervises?',
            sentence: 'A restricted product goes out only by or under a certified person.',
            source: labelSource(facts, 'restricted'),
            satisfy: 'A certified person applies it or stands by.',
          })
        : null,
  },
  {
    ids: ['region-reserved'],
    strength: 'stop',
    about: 'Actives reserved for a licence class',
    facts: 'region profile, people',
    setBy: 'region',
    region: (r) => r.reserved.length > 0,
    check: (facts) => {
      const r = facts.region.reserved.find(
        (x) => facts.label.actives.some((a) => a.name === x.active) && !facts.licence?.categories.includes(x.category),
      );
      return r
        ? gate({
            id: 'region-reserved',
            strength: 'stop',
            title: 'Reserved here',
            sentence: `${r.active} is kept for licences of class ${r.category} in ${facts.region.name}. ${r.why}`,
            source: `region ${facts.region.name}: reserved actives`,
            facts: [r.active],
            satisfy: 'Somebody with that class must do this.',
          })
        : null;
    },
  },
  {
    ids: ['label-not-checked'],
    strength: 'stop',
    about: 'The entry was checked against the label in hand',
    facts: 'shelf',
    setBy: 'practice',
    region: () => true,
    check: (facts) =>
      facts.labelChecked
        ? null
        : gate({
            id: 'label-not-checked',
            strength: 'stop',
            title: 'Label not checked',
            sentence: 'Nobody has compared this entry with the label in hand.',
            source: 'practice: the label in hand comes first',
            satisfy: 'Read it against the label and sign it under Stock.',
          }),
  },
  /** A check that runs out before the visit can be renewed before it. */
  {
    ids: ['label-check-old'],
    strength: 'hold',
    about: 'The check is not too old',
    day: true,
    facts: 'shelf',
    setBy: 'region',
    region: () => true,
    check: (facts) => {
      if (!facts.labelChecked) return null;
      const until = dayAfter(facts.labelChecked, facts.region.labelCheckMonths, 'months');
      return until < facts.on
        ? gate({
            id: 'label-check-old',
            strength: 'hold',
            title: 'Label check is old',
            sentence: `It was compared with the label in hand on ${formatDay(facts.labelChecked)}; a check holds ${facts.region.labelCheckMonths} months here.`,
            source: `region ${facts.region.name}: label checks`,
            facts: [`checked ${facts.labelChecked}`],
            satisfy: 'Compare it again and sign it under Stock.',
          })
        : null;
    },
  },
  {
    ids: ['name-confused'],
    strength: 'hold',
    about: 'Easily confused names are read in full',
    day: true,
    facts: 'actives of the label',
    setBy: 'practice',
    check: (facts) => {
      const pair = facts.label.actives.map((a) => CONFUSED.find((c) => c.includes(a.name)) && a).find(Boolean);
      if (!pair || facts.phase !== 'apply' || facts.said.name === 'read') return null;
      const other = CONFUSED.find((c) => c.includes(pair.name))!.find((n) => n !== pair.name);
      return asking({
        fact: 'name',
        id: 'name-confused',
        strength: 'hold',
        title: 'Read the name in full',
        sentence: `${pair.name}, group ${pair.group.scheme === 'none' ? 'none' : `${pair.group.scheme} ${pair.group.code}`}: not ${other}.`,
        source: 'practice: names that are easily confused',
      });
    },
  },
  {
    ids: ['household-substitute'],
    strength: 'hold',
    about: 'No household substitute',
    facts: 'label',
    setBy: 'practice',
    check: (facts) =>
      /^(none|household|-)$/i.test(facts.label.registration.trim())
        ? gate({
            id: 'household-substitute',
            strength: 'hold',
            title: 'Not a labelled product',
            sentence: `${facts.label.name} has no registration: dish soap, spirits and the like burn leaves and break the law in many places.`,
            source: 'practice',
            facts: [`registration ${facts.label.registration}`],
            satisfy: 'Take a labelled product.',
          })
        : null,
  },
  {
    ids: ['region-unread'],
    strength: 'hold',
    about: 'The region profile was read against the rules in force',
    facts: 'region profile',
    setBy: 'region',
    region: () => true,
    check: (facts) =>
      facts.clientTrees && !facts.region.checked
        ? gate({
            id: 'region-unread',
            strength: 'hold',
            title: 'Rules of this region not read',
            sentence: `Nobody has compared the profile of ${facts.region.name} with the rules in force: what is forbidden here may be missing from it.`,
            source: `region ${facts.region.name}`,
            satisfy: 'Enter the rules of the region and sign them under Rules, or give the reason.',
          })
        : null,
  },
  {
    ids: ['region-stale'],
    strength: 'note',
    about: 'The region profile is fresh',
    day: true,
    facts: 'region profile',
    setBy: 'region',
    region: () => true,
    check: (facts) =>
      facts.region.checked && dayAfter(facts.region.checked.on, STALE_MONTHS, 'months') >= facts.on
        ? null
        : gate({
            id: 'region-stale',
            strength: 'note',
            title: 'Region profile not checked lately',
            sentence: facts.region.checked
              ? `It was last compared with the rules in force on ${formatDay(facts.region.checked.on)}.`
              : `Nobody has compared the profile of ${facts.region.name} with the rules in force.`,
            source: `region ${facts.region.name}`,
            satisfy: 'Read it against the rules in force and sign it under Rules.',
          }),
  },
];
