import { formatDay } from '../../../lib/calendar/days';
import { monthName, monthOf, monthAfter, MONTHS_OF_YEAR, firstOf, yearOf } from '../../../lib/calendar/months';
import { usesHost } from '../../label/match';
import { type Method } from '../../label/methods';
import { asking, gate, labelMonths, labelSource, type Rule } from '../gate';
import { carried, isAntibiotic } from './product';

/** Feeding and keeping animals off need no pest: they answer hunger, or a visitor that is not a disease of the tree. */
const NEEDS_NO_TARGET: readonly Method[] = ['root-zone-feeding', 'repellent'];

/** Whether label and region let this product meet this trouble on this host. */
export const labelFitRules: Rule[] = [
  {
    ids: ['training-label'],
    strength: 'stop',
    about: 'A label for training is used nowhere but in practice',
    facts: 'the label',
    setBy: 'practice',
    check: (facts) =>
      facts.clientTrees && facts.label.training
        ? gate({
            id: 'training-label',
            strength: 'stop',
            title: 'A label for training',
            sentence: `${facts.label.name} does not exist: its label is made up to practise with. Nothing is put on a client’s tree by it.`,
            source: 'Elmhorn: labels that ship with it are fictional',
            facts: [`registration ${facts.label.registration}`],
            satisfy: 'Enter the label of the product that is in your hand, and take this one off the shelf.',
          })
        : null,
  },
  {
    ids: ['label-newer'],
    strength: 'hold',
    about: 'The plan goes by the newest version of its label',
    facts: 'shelf',
    setBy: 'practice',
    check: (facts) =>
      facts.phase === 'apply' && facts.labelNewest !== null && facts.labelNewest > facts.label.version
        ? gate({
            id: 'label-newer',
            strength: 'hold',
            title: 'The label has changed since',
            sentence: `It was planned by version ${facts.label.version} of ${facts.label.name}; version ${facts.labelNewest} stands on the shelf.`,
            source: 'practice: the label in hand comes first',
            facts: [`version ${facts.label.version}`, `version ${facts.labelNewest} on the shelf`],
            satisfy: 'Plan it anew by the newest version, or read both and say why this one still holds.',
          })
        : null,
  },
  {
    ids: ['rest-of-treatment'],
    strength: 'hold',
    about: 'A treatment is finished on another day',
    facts: 'book of the tree',
    setBy: 'label',
    check: (facts) =>
      facts.rest
        ? gate({
            id: 'rest-of-treatment',
            strength: 'hold',
            title: 'The rest of a treatment',
            sentence: `On ${formatDay(facts.rest.since)} part of it went in; this is the other ${Math.round(100 * facts.rest.part)} % of the dose, and no second treatment by its amount. Whether it may be finished on another day is for the label.`,
            source: labelSource(facts, 'intervals and repeats'),
            facts: [`rest ${Math.round(100 * facts.rest.part)} %`],
            satisfy: 'Read the label on intervals, and say in a few words what it allows.',
          })
        : null,
  },
  {
    ids: ['host-not-on-label'],
    strength: 'stop',
    about: 'The host is on the label’s use',
    facts: 'host of the tree',
    setBy: 'label',
    label: () => true,
    check: (facts) =>
      usesHost(facts.use, facts.host.id, facts.host.groups)
        ? null
        : gate({
            id: 'host-not-on-label',
            strength: 'stop',
            title: `Not for ${facts.host.name}`,
            sentence: `The label does not name ${facts.host.name} for this use.`,
            source: labelSource(facts, 'hosts'),
            facts: [`host ${facts.host.name}`, `label hosts: ${facts.use.hosts.join(', ')}`],
            satisfy: 'Choose a product whose label names this host.',
          }),
  },
  {
    ids: ['host-forbidden'],
    strength: 'stop',
    about: 'The label forbids it on some hosts',
    facts: 'host of the tree',
    setBy: 'label',
    label: (_, u) => u.forbiddenHosts.length > 0,
    check: (facts) => {
      const hit = facts.use.forbiddenHosts.find((h) => h.host === facts.host.id || facts.host.groups.includes(h.host));
      return hit
        ? gate({
            id: 'host-forbidden',
            strength: 'stop',
            title: `Never on ${facts.host.name}`,
            sentence: `The label forbids it: “${hit.text}”`,
            source: labelSource(facts, 'forbidden hosts'),
            facts: [`host ${facts.host.name}`],
            satisfy: 'Wash, band, or use a method the label allows on this host.',
          })
        : null;
    },
  },
  {
    ids: ['target-unnamed', 'target-not-on-label'],
    strength: 'stop',
    about: 'The product acts on what was named',
    facts: 'the decision',
    setBy: 'label',
    label: () => true,
    check: (facts) => {
      if (NEEDS_NO_TARGET.includes(facts.use.method)) return null;
      if (!facts.condition)
        return gate({
          id: 'target-unnamed',
          strength: 'stop',
          title: 'Nothing named to treat',
          sentence: 'No condition has been named for this tree.',
          source: 'practice: no treatment without a target',
          satisfy: 'Name the condition in Decide.',
          state: 'asked',
        });
      return facts.use.targets.includes(facts.condition.id)
        ? null
        : gate({
            id: 'target-not-on-label',
            strength: 'stop',
            title: `Does not act on ${facts.condition.name}`,
            sentence: `The label does not name ${facts.condition.name}; this product would not touch it.`,
            source: labelSource(facts, 'targets'),
            facts: [`named: ${facts.condition.name}`, `label targets: ${facts.use.targets.join(', ')}`],
            satisfy: 'Choose a product that acts on what was named, or look again.',
          });
    },
  },
  {
    ids: ['region-banned', 'region-banned-use'],
    strength: 'stop',
    about: 'The region bans the active or the use',
    facts: 'region profile',
    setBy: 'region',
    region: (r) => r.banned.length + r.bannedUses.length > 0,
    check: (facts) => {
      const b = facts.region.banned.find((x) => facts.label.actives.some((a) => a.name === x.active));
      if (b)
        return gate({
          id: 'region-banned',
          strength: 'stop',
          title: 'Banned here',
          sentence: `${b.active} may not be used in ${facts.region.name}. ${b.why}`,
          source: `region ${facts.region.name}: banned actives`,
          facts: [b.active],
          satisfy: 'Another product or method.',
        });
      const u = facts.region.bannedUses.find(
        (x) =>
          x.method === facts.use.method &&
          (x.hosts.length === 0 || x.hosts.some((h) => h === facts.host.id || facts.host.groups.includes(h))),
      );
      return u
        ? gate({
            id: 'region-banned-use',
            strength: 'stop',
            title: 'Use banned here',
            sentence: `${facts.region.name} bans this method on ${facts.host.name}. ${u.why}`,
            source: `region ${facts.region.name}: banned uses`,
            facts: [`host ${facts.host.name}`],
            satisfy: 'Another method.',
          })
        : null;
    },
  },
  {
    ids: ['host-not-confirmed'],
    strength: 'hold',
    about: 'The host is confirmed by its key',
    facts: 'the look',
    setBy: 'practice',
    check: (facts) =>
      facts.hostConfirmed
        ? null
        : gate({
            id: 'host-not-confirmed',
            strength: 'hold',
            title: 'Host not confirmed',
            sentence: `Nobody has run the short key for ${facts.host.name}; a look-alike may not be attacked at all.`,
            source: 'practice: confirm the host first',
            facts: ['key not answered'],
            satisfy: 'Answer the key in Examine.',
          }),
  },
  {
    ids: ['host-lookalike'],
    strength: 'hold',
    about: 'The host may be a look-alike',
    facts: 'answers to the host key',
    setBy: 'practice',
    check: (facts) =>
      facts.hostContradicted && !facts.hostConfirmed
        ? gate({
            id: 'host-lookalike',
            strength: 'hold',
            title: 'Perhaps a look-alike',
            sentence: `A question of the key for ${facts.host.name} was answered with no; another host has other pests and another label.`,
            source: 'practice: confirm the host first',
            facts: ['key answered no'],
            satisfy: 'Run the key again, or change the host of this tree.',
          })
        : null,
  },
  {
    ids: ['antibiotic-food-tree'],
    strength: 'stop',
    about: 'No antibiotic into a food tree',
    facts: 'host, actives',
    setBy: 'practice',
    check: (facts) =>
      isAntibiotic(facts) && facts.host.edible && carried(facts)
        ? gate({
            id: 'antibiotic-food-tree',
            strength: 'stop',
            title: 'No antibiotic into a food tree',
            sentence: `${facts.host.name} is eaten; what goes into its sap goes into its fruit.`,
            source: 'law and practice: antibiotics in food trees',
            facts: [`host ${facts.host.name}`],
            satisfy: 'Another method; report what has to be reported.',
          })
        : null,
  },
  {
    ids: ['stage-unknown', 'stage-out-of-reach'],
    strength: 'hold',
    about: 'The stage can be reached',
    day: true,
    facts: 'said at the tree',
    setBy: 'label',
    label: (_, u) => u.stages.length > 0,
    check: (facts) => {
      if (!facts.use.stages.length) return null;
      const answers = [...facts.use.stages, 'another stage'];
      if (!facts.said.stage)
        return asking({
          fact: 'stage',
          id: 'stage-unknown',
          strength: 'hold',
          title: 'Which stage is there?',
          sentence: `The label reaches only: ${facts.use.stages.join(', ')}.`,
          source: labelSource(facts, 'stages'),
          answers,
        });
      return facts.use.stages.includes(facts.said.stage)
        ? null
        : gate({
            id: 'stage-out-of-reach',
            strength: 'hold',
            title: 'Out of its reach',
            sentence: `What is there now is ${facts.said.stage}; the label reaches ${facts.use.stages.join(', ')}.`,
            source: labelSource(facts, 'stages'),
            facts: [`stage ${facts.said.stage}`],
            satisfy: 'Wait for the stage, or take a method that reaches this one.',
          });
    },
  },
  {
    ids: ['not-organic'],
    strength: 'hold',
    about: 'The product fits the programme',
    facts: 'school of the company, label',
    setBy: 'school',
    check: (facts) =>
      facts.programme === 'organic' && !facts.label.organic
        ? gate({
            id: 'not-organic',
            strength: 'hold',
            title: 'Not in an organic programme',
            sentence: `The programme is organic-listed only, and the label of ${facts.label.name} does not say it may be used there.`,
            source: 'school: programme',
            facts: ['programme organic'],
            satisfy: 'Take a product whose label allows it, or another programme for this plan.',
          })
        : null,
  },
  {
    ids: ['window-closed'],
    strength: 'hold',
    about: 'The window is open',
    facts: 'today, months of the label',
    setBy: 'label',
    label: (_, u) => u.months.length > 0,
    check: (facts) => {
      const month = monthOf(facts.on);
      const months = labelMonths(facts);
      if (!months.length || months.includes(month)) return null;
      const next = MONTHS_OF_YEAR.map((ahead) => monthAfter(month, ahead)).find((x) => months.includes(x))!;
      const year = yearOf(facts.on) + (next <= month ? 1 : 0);
      return gate({
        id: 'window-closed',
        strength: 'hold',
        title: 'Outside its window',
        sentence: `This use has its window in ${months.map(monthName).join(', ')}${facts.south ? ' (the label’s months, turned for the south)' : ''}; it is ${monthName(month)}.`,
        source: labelSource(facts, 'timing'),
        facts: [`today ${facts.on}`],
        satisfy: `Next window from ${formatDay(firstOf(year, next))}.`,
      });
    },
  },
  {
    ids: ['reportable-here', 'reportable'],
    strength: 'hold or note',
    about: 'It may have to be reported',
    facts: 'the decision, region profile',
    setBy: 'region',
    region: (r) => r.reportable.length > 0,
    check: (facts) => {
      const c = facts.condition;
      if (!c) return null;
      const listed = facts.region.reportable.includes(c.id);
      if (listed && facts.decision !== 'protect a sound tree')
        return gate({
          id: 'reportable-here',
          strength: 'hold',
          title: 'Report it first',
          sentence: `${facts.region.name} lists ${c.name.toLowerCase()} as reportable: the authority is told before anything is done.`,
          source: `region ${facts.region.name}: reportable`,
          facts: [c.name],
          satisfy: 'Tell the authority, and write down when and to whom.',
        });
      return c.reportable || listed
        ? gate({
            id: 'reportable',
            strength: 'note',
            title: 'May have to be reported',
            sentence: `${c.name} has to be reported in some regions.`,
            source: `knowledge: ${c.name}`,
            satisfy: 'Ask the local authority.',
          })
        : null;
    },
  },
];
