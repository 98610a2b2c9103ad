import { formatDay, daysBetween } from '../../../lib/calendar/days';
import { gate, labelSource, type Rule } from '../gate';
import { LENGTH } from '../../../lib/units/units';

/** The height at which a rate wants its measure, cm; breast height is met by any of the usual ones. */
const BREAST_CM = { low: 120, high: 150 };

/** What a dose misses, and where it is entered: not measured is not “no dose on the label”. */
const MISSING: Readonly<Record<string, { title: string; where: string }>> = {
  siteAreaM2: { title: 'Area of the place?', where: 'Enter the area of the place under Trees.' },
  diameters: { title: 'Not measured', where: 'Measure the trunk.' },
  areaM2: { title: 'Crown not measured', where: 'Enter crown width and height in Measure.' },
  holes: { title: 'Crown not measured', where: 'Enter crown width in Measure.' },
  sprayVolumeMl: { title: 'Crown or height not measured', where: 'Enter crown width and height in Measure.' },
};

/** Whether the trunk was measured, and whether the label’s sum gives a dose. */
export const amountRules: Rule[] = [
  {
    ids: ['not-measured', 'girth-diameter-mixup'],
    strength: 'stop or hold',
    about: 'The trunk is measured, and girth is not diameter',
    facts: 'readings',
    setBy: 'practice',
    check: (facts) => {
      if (!facts.reading)
        return gate({
          id: 'not-measured',
          strength: 'stop',
          title: 'Not measured',
          sentence: 'Nobody has put a tape around this tree.',
          source: 'practice',
          satisfy: 'Measure it.',
          state: 'asked',
        });
      const mix = facts.reading.doubts.find((d) => d.mixup);
      return mix
        ? gate({
            id: 'girth-diameter-mixup',
            strength: 'hold',
            title: 'Girth or diameter?',
            sentence: mix.sentence,
            source: 'practice: a threefold error',
            satisfy: 'Measure again, or say why it is right.',
          })
        : null;
    },
  },
  {
    ids: ['size-outside-label', 'area-cap', 'tree-year-max', 'dose-asks', 'no-dose'],
    strength: 'stop',
    about: 'The label has a dose for this trunk',
    facts: 'reading, book of the place',
    setBy: 'label',
    label: () => true,
    check: (facts) => {
      if (!facts.dose || facts.dose.ok) return null;
      const first = facts.dose.issues[0]!;
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
      return gate({
        id: asked ? 'dose-asks' : id,
        strength: 'stop',
        title: asked ? MISSING[first.path]!.title : title,
        sentence: first.message,
        source: asked ? 'the measurements of this tree and place' : labelSource(facts, first.path),
        satisfy: asked ? MISSING[first.path]!.where : 'Another product or method, or wait.',
        state: asked ? 'asked' : 'tripped',
      });
    },
  },
  {
    ids: ['area-cap-short'],
    strength: 'stop',
    about: 'The yearly cap of the place suffices',
    facts: 'book of the place',
    setBy: 'label',
    label: (_, u) => u.limits.some((l) => l.limit === 'per-area-year'),
    check: (facts) =>
      facts.dose?.ok && facts.dose.binding?.limit === 'per-area-year'
        ? gate({
            id: 'area-cap-short',
            strength: 'stop',
            title: 'Not enough left of the yearly cap',
            sentence: `${facts.dose.binding.sentence} This tree alone would need more, and part of a dose is no dose.`,
            source: labelSource(facts, 'yearly cap per area'),
            facts: [facts.dose.binding.text],
            satisfy: 'Another method for this tree, or next year.',
          })
        : null,
  },
  {
    ids: ['reading-height'],
    strength: 'hold',
    about: 'Measured at the height that the rate names',
    facts: 'readings',
    setBy: 'label',
    label: () => true,
    check: (facts) => {
      const h = facts.readingHeightCm;
      if (h === null || h === undefined || !facts.reading) return null;
      const at = facts.use.rate.measuredAt;
      const want =
        at === 'breast-height'
          ? BREAST_CM
          : at === 'injection-height'
            ? facts.use.sites && { low: facts.use.sites.heightCm - 25, high: facts.use.sites.heightCm + 25 }
            : { low: at.value * LENGTH[at.unit] - 15, high: at.value * LENGTH[at.unit] + 15 };
      return want && (h < want.low || h > want.high)
        ? gate({
            id: 'reading-height',
            strength: 'hold',
            title: 'Measured at another height',
            sentence: `The trunk was measured ${Math.round(h)} cm above soil; the label wants ${at === 'breast-height' ? 'breast height' : at === 'injection-height' ? `injection height, ${facts.use.sites!.heightCm} cm` : `${at.value} ${at.unit}`}.`,
            source: labelSource(facts, 'measured at'),
            facts: [`read at ${Math.round(h)} cm`],
            satisfy: 'Measure it there, or say why it stands for it.',
          })
        : null;
    },
  },
  {
    ids: ['device-overfull'],
    strength: 'hold',
    about: 'A device holds what its site gets',
    facts: 'the dose',
    setBy: 'label',
    label: (_, u) => u.sites?.deviceHolds !== undefined,
    check: (facts) =>
      facts.dose?.ok && facts.dose.fillsPerSite > 1
        ? gate({
            id: 'device-overfull',
            strength: 'hold',
            title: `${facts.dose.fillsPerSite} fills a site`,
            sentence:
              facts.dose.notes.find((n) => n.includes('fills a site')) ?? 'A device holds less than its site gets.',
            source: labelSource(facts, 'devices'),
            satisfy: 'Larger devices, more sites if the label allows, or fill again and stay.',
          })
        : null,
  },
  {
    ids: ['reading-stale'],
    strength: 'hold',
    about: 'The reading is not older than two seasons',
    day: true,
    facts: 'readings',
    setBy: 'practice',
    check: (facts) =>
      facts.reading && daysBetween(facts.reading.day, facts.on) > 730
        ? gate({
            id: 'reading-stale',
            strength: 'hold',
            title: 'Old reading',
            sentence: `The trunk was last measured on ${formatDay(facts.reading.day)}, more than two growing seasons ago.`,
            source: 'practice',
            facts: [`read ${facts.reading.day}`],
            satisfy: 'Measure it again.',
          })
        : null,
  },
  {
    ids: ['stem-rule'],
    strength: 'hold',
    about: 'How several stems count',
    facts: 'label, school',
    setBy: 'school',
    label: (_, u) => u.rate.stems === 'unanswered',
    check: (facts) =>
      facts.severalStems && facts.use.rate.stems === 'unanswered' && !facts.stemRuleChosen
        ? gate({
            id: 'stem-rule',
            strength: 'hold',
            title: 'Several stems: which rule?',
            sentence: 'The label does not say how several stems count, and the schools differ by more than half.',
            source: 'practice',
            satisfy: 'Choose sum, basal-area equivalent or each stem.',
            state: 'asked',
          })
        : null,
  },
  {
    ids: ['two-products'],
    strength: 'note',
    about: 'Several products on one trunk today',
    facts: 'open plans',
    setBy: 'practice',
    check: (facts) => {
      const other =
        facts.use.method === 'trunk-injection'
          ? facts.alsoPlanned.find((p) => p.method === 'trunk-injection')
          : undefined;
      return other
        ? gate({
            id: 'two-products',
            strength: 'note',
            title: 'Two products on this trunk',
            sentence: `${other.labelName} is planned too: its sites have their own numbers and are kept clear of these.`,
            source: 'practice',
            facts: [other.labelName],
            satisfy: 'Mark each product in its own colour and letter.',
          })
        : null;
    },
  },
  {
    ids: ['limit-bound'],
    strength: 'note',
    about: 'A limit holds the dose',
    facts: 'the dose',
    setBy: 'label',
    label: (_, u) => u.limits.length > 0,
    check: (facts) =>
      facts.dose?.ok && facts.dose.binding
        ? gate({
            id: 'limit-bound',
            strength: 'note',
            title: 'Held by a limit',
            sentence: `${facts.dose.binding.sentence} The rate alone would ask for more.`,
            source: labelSource(facts, facts.dose.binding.limit),
            facts: [facts.dose.binding.text],
            satisfy: 'Nothing to do: the limit holds.',
          })
        : null,
  },
];
