import { dayWords } from '../../season/follow-ups';
import { BARK_CARRIES_TO, CARRIED, crownLimits, movesSap } from '../../decide/eligible';
import { atLeast, needsOf } from '../../decide/stakes';
import { monthName } from '../../season/months';
import { certaintyWords, TREATS } from '../../diagnose/words';
import { usesHost } from '../../label/match';
import { carriesOut, OPTION_OF, type Method } from '../../label/methods';
import { asking, gate, labelMonths, labelSource, type Check, type Facts, type Rule } from '../gate';

/** Whether living sapwood must carry the product; one list with the decision. */
const carried = (f: Facts): boolean => CARRIED.includes(OPTION_OF[f.use.method]);

const hostOnLabel: Check = (f) =>
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

const forbiddenHost: Check = (f) => {
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

/** Feeding and keeping animals off need no pest: they answer hunger, or a visitor that is not a disease of the tree. */
const NEEDS_NO_TARGET: readonly Method[] = ['root-zone-feeding', 'repellent'];
const targetOnLabel: Check = (f) => {
  if (NEEDS_NO_TARGET.includes(f.use.method)) return null;
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

const hostConfirmed: Check = (f) =>
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

/** How sure one must be follows from what a mistake with this method costs; prevention rests on the state of risk instead. */
const confirmation: Check = (f) => {
  const c = f.condition;
  if (!c) return null;
  if (f.decision === 'protect a sound tree' || f.use.purpose === 'preventive')
    return f.decision === 'protect a sound tree' || f.atRisk || !c.protect
      ? null
      : gate(
          'not-at-risk',
          'hold',
          'Prevention without a risk',
          `Preventive work against ${c.name.toLowerCase()} rests on a find near by, on its past here, or on a model; none is known.`,
          `knowledge: ${c.name}`,
          [`finds within ${c.protect.withinKm} km: none`],
          'Enter the find, or leave it.',
        );
  const need = needsOf({ method: OPTION_OF[f.use.method], use: 'cure', antibiotic: isAntibiotic(f) }, c);
  if (f.certainty && atLeast(f.certainty, need)) return null;
  return gate(
    'diagnosis-unsure',
    'hold',
    'Not sure enough to cure',
    `A curative treatment of ${c.name} in this way asks for “${certaintyWords(need)}”; it stands at “${f.certainty ? certaintyWords(f.certainty) : 'not said'}”.`,
    `knowledge: ${c.name}`,
    [`certainty: ${f.certainty ?? 'none'}`],
    `Do the deciding test: ${c.decidingTest}`,
  );
};
/** An antibiotic by its resistance group (FRAC 24, 25, 41) or its family. */
const isAntibiotic = (f: Facts) =>
  f.label.actives.some(
    (a) =>
      a.family === 'antibiotic' ||
      a.family === 'bactericide' ||
      (a.group.scheme === 'FRAC' && ['24', '25', '41'].includes(a.group.code)),
  );
const antibiotic: Check = (f) =>
  isAntibiotic(f) && f.host.edible && carried(f)
    ? gate(
        'antibiotic-food-tree',
        'stop',
        'No antibiotic into a food tree',
        `${f.host.name} is eaten; what goes into its sap goes into its fruit.`,
        'law and practice: antibiotics in food trees',
        [`host ${f.host.name}`],
        'Another method; report what has to be reported.',
      )
    : null;

const decisionTreats: Check = (f) =>
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

const harmless: Check = (f) =>
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

const follower: Check = (f) => {
  const c = f.condition;
  if (!c || (!c.onlyFollows && !f.liveDrivers.length)) return null;
  const behind = f.liveDrivers.join(' and ').toLowerCase();
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

const noEffect: Check = (f) =>
  f.condition && f.withoutEffect.some((e) => e.condition === f.condition!.id && e.labelKey === f.label.key)
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

/** Each limit on crown loss speaks with its own strength: a school or the knowledge never loosens a label. */
const crownLoss: Check = (f) => {
  const limits = crownLimits(f.condition, f.crownSchool ?? 'knowledge', f.use.conditions?.maxCrownLoss);
  const broken = limits.filter((l) => f.crownLoss === null || f.crownLoss > l.percent);
  const l = broken.find((x) => x.setBy === 'label') ?? broken[0];
  if (!l) return null;
  const strength = l.setBy === 'label' ? 'stop' : 'hold';
  const source =
    l.setBy === 'label'
      ? labelSource(f, 'crown loss')
      : l.setBy === 'school'
        ? 'school: crown loss'
        : `knowledge: ${f.condition!.name}`;
  if (f.crownLoss === null)
    return gate(
      'crown-loss-unknown',
      strength,
      'Crown loss?',
      `Treatment is limited to ${l.percent} % crown loss and nobody has graded this crown.`,
      source,
      [],
      'Grade the crown in Examine.',
      'asked',
    );
  return gate(
    'crown-loss',
    strength,
    'Crown loss too high',
    `${f.crownLoss} % of the crown is lost; beyond ${l.percent} % it comes too late to carry the product or to save the tree.`,
    source,
    [`crown loss ${f.crownLoss} %`, ...limits.map((x) => `${x.setBy} ${x.percent} %`)],
    'Manage or remove; protect its sound neighbours.',
  );
};

/** Bark that is gone cannot carry what goes up or in; one definition with the decision. */
const bark: Check = (f) =>
  carried(f) && (f.barkLoss ?? 0) > BARK_CARRIES_TO
    ? gate(
        'bark-loss',
        'hold',
        'Too little bark',
        `${Math.round(f.barkLoss! * 100)} % of the girth has no living bark; hardly anything is carried round.`,
        'practice',
        [`bark loss ${Math.round(f.barkLoss! * 100)} %`],
        'Bridge it if the tree is worth that, or manage or remove.',
      )
    : null;

const vigour: Check = (f) => {
  // Only what living sapwood must carry asks for vigour: a contact spray, a bait or a guard does not.
  if (!carried(f)) return null;
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
  const moves = movesSap(f.vigour, f.condition);
  if (moves === 'yes') return null;
  return moves === 'weak from the pest'
    ? gate(
        'vigour-from-pest',
        'note',
        'Weak from the pest',
        `Vigour is ${f.vigour}, but ${f.condition!.name} is the cause of it: waiting loses the tree.`,
        `knowledge: ${f.condition!.name}`,
        [`vigour ${f.vigour}`],
        'Treat soon; water in dry weeks.',
      )
    : gate(
        'vigour-low',
        'hold',
        'Too weak: restore first',
        `Vigour is ${f.vigour}; a tree that barely moves sap neither takes the product up nor answers it.`,
        'practice: restore first',
        [`vigour ${f.vigour}`],
        'Water, mulch, free the collar; examine again in 2–4 weeks.',
      );
};

const season: Check = (f) => {
  const m = Number(f.today.slice(5, 7));
  const months = labelMonths(f);
  if (!months.length || months.includes(m)) return null;
  const next = Array.from({ length: 12 }, (_, i) => ((m + i) % 12) + 1).find((x) => months.includes(x))!;
  const year = Number(f.today.slice(0, 4)) + (next <= m ? 1 : 0);
  return gate(
    'window-closed',
    'hold',
    'Outside its window',
    `This use has its window in ${months.map(monthName).join(', ')}${f.south ? ' (the label’s months, turned for the south)' : ''}; it is ${monthName(m)}.`,
    labelSource(f, 'timing'),
    [`today ${f.today}`],
    `Next window from ${dayWords(`${year}-${String(next).padStart(2, '0')}-01`)}.`,
  );
};

const reportable: Check = (f) => {
  const c = f.condition;
  if (!c) return null;
  const listed = f.region.reportable.includes(c.id);
  if (listed && f.decision !== 'protect a sound tree')
    return gate(
      'reportable-here',
      'hold',
      'Report it first',
      `${f.region.name} lists ${c.name.toLowerCase()} as reportable: the authority is told before anything is done.`,
      `region ${f.region.name}: reportable`,
      [c.name],
      'Tell the authority, and write down when and to whom.',
    );
  return c.reportable || listed
    ? gate(
        'reportable',
        'note',
        'May have to be reported',
        `${c.name} has to be reported in some regions.`,
        `knowledge: ${c.name}`,
        [],
        'Ask the local authority.',
      )
    : null;
};

const lookalike: Check = (f) =>
  f.hostContradicted && !f.hostConfirmed
    ? gate(
        'host-lookalike',
        'hold',
        'Perhaps a look-alike',
        `A question of the key for ${f.host.name} was answered with no; another host has other pests and another label.`,
        'practice: confirm the host first',
        ['key answered no'],
        'Run the key again, or change the host of this tree.',
      )
    : null;

const noCure: Check = (f) =>
  f.condition &&
  f.condition.policy === 'manage' &&
  f.decision !== 'protect a sound tree' &&
  f.use.purpose !== 'preventive' &&
  !f.condition.options.some((o) => o.use === 'cure' && carriesOut(f.use.method, o.method))
    ? gate(
        'no-known-cure',
        'hold',
        'No known cure',
        `Nothing cures ${f.condition.name.toLowerCase()} once it is in the tree; it can only be managed.`,
        `knowledge: ${f.condition.name}`,
        [f.condition.course],
        'Manage it, or protect sound neighbours.',
      )
    : null;

const stage: Check = (f) => {
  if (!f.use.stages.length) return null;
  const answers = [...f.use.stages, 'another stage'];
  if (!f.said.stage)
    return asking(
      'stage',
      'stage-unknown',
      'hold',
      'Which stage is there?',
      `The label reaches only: ${f.use.stages.join(', ')}.`,
      labelSource(f, 'stages'),
      answers,
    );
  return f.use.stages.includes(f.said.stage)
    ? null
    : gate(
        'stage-out-of-reach',
        'hold',
        'Out of its reach',
        `What is there now is ${f.said.stage}; the label reaches ${f.use.stages.join(', ')}.`,
        labelSource(f, 'stages'),
        [`stage ${f.said.stage}`],
        'Wait for the stage, or take a method that reaches this one.',
      );
};

const threshold: Check = (f) => {
  const c = f.condition;
  if (!c || f.decision === 'protect a sound tree' || f.use.purpose === 'preventive') return null;
  if (f.severity === null || f.severity === undefined)
    return c.actFrom > 1
      ? gate(
          'threshold-unknown',
          'hold',
          'How much of it?',
          `Nobody has graded a sign of ${c.name.toLowerCase()}; it is worth acting from ${c.actFrom} of 4. ${c.threshold}`,
          `knowledge: ${c.name}`,
          [],
          'Grade its signs in Examine.',
          'asked',
        )
      : null;
  if (f.severity >= c.actFrom) return null;
  return gate(
    'below-threshold',
    'hold',
    'Below the threshold',
    `The worst of its signs is graded ${f.severity} of 4; it is worth acting from ${c.actFrom}. ${c.threshold}`,
    `knowledge: ${c.name}`,
    [`grade ${f.severity}`],
    'Leave it, scout again; never “while we are at it”.',
  );
};

const organicOnly: Check = (f) =>
  f.programme === 'organic' && !f.label.organic
    ? gate(
        'not-organic',
        'hold',
        'Not in an organic programme',
        `The programme is organic-listed only, and the label of ${f.label.name} does not say it may be used there.`,
        'school: programme',
        ['programme organic'],
        'Take a product whose label allows it, or another programme for this plan.',
      )
    : null;

const dying: Check = (f) =>
  f.vigour === 'failing' && f.condition && !f.condition.causesWeakness
    ? gate(
        'dying-otherwise',
        'note',
        'Dying of something else',
        `The tree is failing and ${f.condition.name.toLowerCase()} is not what kills it.`,
        'practice',
        ['vigour failing'],
        'Find the cause, or plan its replacement.',
      )
    : null;

const cheaper: Check = (f) =>
  f.costs && f.costs.remove < f.costs.keep
    ? gate(
        'removal-cheaper',
        'note',
        'Replacing costs less',
        `Keeping it costs ${(f.costs.keep / 100).toFixed(0)} in today’s money over the programme, removing and replanting ${(f.costs.remove / 100).toFixed(0)}.`,
        'cost of the options',
        [],
        'Show the client both.',
      )
    : null;

const findsFar: Check = (f) => {
  const within = f.condition?.protect?.withinKm;
  if (!within || f.decision !== 'protect a sound tree' || f.findKm === null || f.findKm === undefined) return null;
  return f.findKm > within
    ? gate(
        'finds-far',
        'note',
        'Nearest find is far',
        `The nearest known find is ${f.findKm.toFixed(0)} km away; protection is worth it within ${within} km.`,
        `knowledge: ${f.condition!.name}`,
        [`nearest ${f.findKm.toFixed(1)} km`],
        'Wait and watch; look again every year.',
      )
    : null;
};

const banned: Check = (f) => {
  const b = f.region.banned.find((x) => f.label.actives.some((a) => a.name === x.active));
  if (b)
    return gate(
      'region-banned',
      'stop',
      'Banned here',
      `${b.active} may not be used in ${f.region.name}. ${b.why}`,
      `region ${f.region.name}: banned actives`,
      [b.active],
      'Another product or method.',
    );
  const u = f.region.bannedUses.find(
    (x) =>
      x.method === f.use.method &&
      (x.hosts.length === 0 || x.hosts.some((h) => h === f.host.id || f.host.groups.includes(h))),
  );
  return u
    ? gate(
        'region-banned-use',
        'stop',
        'Use banned here',
        `${f.region.name} bans this method on ${f.host.name}. ${u.why}`,
        `region ${f.region.name}: banned uses`,
        [`host ${f.host.name}`],
        'Another method.',
      )
    : null;
};

export const treatmentRules: Rule[] = [
  {
    ids: ['host-not-on-label'],
    strength: 'stop',
    about: 'The host is on the label’s use',
    facts: 'host of the tree',
    setBy: 'label',
    label: () => true,
    check: hostOnLabel,
  },
  {
    ids: ['host-forbidden'],
    strength: 'stop',
    about: 'The label forbids it on some hosts',
    facts: 'host of the tree',
    setBy: 'label',
    label: (_, u) => u.forbiddenHosts.length > 0,
    check: forbiddenHost,
  },
  {
    ids: ['target-unnamed', 'target-not-on-label'],
    strength: 'stop',
    about: 'The product acts on what was named',
    facts: 'the decision',
    setBy: 'label',
    label: () => true,
    check: targetOnLabel,
  },
  {
    ids: ['region-banned', 'region-banned-use'],
    strength: 'stop',
    about: 'The region bans the active or the use',
    facts: 'region profile',
    setBy: 'region',
    region: (r) => r.banned.length + r.bannedUses.length > 0,
    check: banned,
  },
  {
    ids: ['host-not-confirmed'],
    strength: 'hold',
    about: 'The host is confirmed by its key',
    facts: 'the look',
    setBy: 'practice',
    check: hostConfirmed,
  },
  {
    ids: ['host-lookalike'],
    strength: 'hold',
    about: 'The host may be a look-alike',
    facts: 'answers to the host key',
    setBy: 'practice',
    check: lookalike,
  },
  {
    ids: ['antibiotic-food-tree'],
    strength: 'stop',
    about: 'No antibiotic into a food tree',
    facts: 'host, actives',
    setBy: 'practice',
    check: antibiotic,
  },
  {
    ids: ['diagnosis-unsure', 'not-at-risk'],
    strength: 'hold',
    about: 'Sure enough for a cure, at risk for prevention',
    facts: 'certainty of the decision',
    setBy: 'knowledge',
    check: confirmation,
  },
  {
    ids: ['decided-otherwise'],
    strength: 'hold',
    about: 'The decision was to treat',
    facts: 'the decision',
    setBy: 'practice',
    check: decisionTreats,
  },
  {
    ids: ['stage-unknown', 'stage-out-of-reach'],
    strength: 'hold',
    about: 'The stage can be reached',
    facts: 'said at the tree',
    setBy: 'label',
    label: (_, u) => u.stages.length > 0,
    check: stage,
  },
  {
    ids: ['harmless'],
    strength: 'hold',
    about: 'It is not harmless',
    facts: 'the decision',
    setBy: 'knowledge',
    check: harmless,
  },
  {
    ids: ['no-known-cure'],
    strength: 'hold',
    about: 'There is a cure',
    facts: 'the decision',
    setBy: 'knowledge',
    check: noCure,
  },
  {
    ids: ['follower'],
    strength: 'hold',
    about: 'The driver is treated, not the follower',
    facts: 'the ranking behind the decision',
    setBy: 'knowledge',
    check: follower,
  },
  {
    ids: ['no-effect'],
    strength: 'hold',
    about: 'An earlier check showed effect',
    facts: 'checks of earlier treatments',
    setBy: 'practice',
    check: noEffect,
  },
  {
    ids: ['below-threshold', 'threshold-unknown'],
    strength: 'hold',
    about: 'The threshold is reached',
    facts: 'grades of its signs',
    setBy: 'knowledge',
    check: threshold,
  },
  {
    ids: ['not-organic'],
    strength: 'hold',
    about: 'The product fits the programme',
    facts: 'school of the outfit, label',
    setBy: 'school',
    check: organicOnly,
  },
  {
    ids: ['crown-loss', 'crown-loss-unknown'],
    strength: 'stop or hold',
    about: 'The crown can carry it',
    facts: 'crown loss of the look',
    setBy: 'school',
    label: (_, u) => u.conditions?.maxCrownLoss !== undefined,
    check: crownLoss,
  },
  {
    ids: ['bark-loss'],
    strength: 'hold',
    about: 'Bark enough to carry it',
    facts: 'bark drawn in the look',
    setBy: 'practice',
    check: bark,
  },
  {
    ids: ['vigour-unknown', 'vigour-low', 'vigour-from-pest'],
    strength: 'hold or note',
    about: 'The tree is strong enough, or the pest is the cause',
    facts: 'vigour of the look',
    setBy: 'practice',
    check: vigour,
  },
  {
    ids: ['window-closed'],
    strength: 'hold',
    about: 'The window is open',
    facts: 'today, months of the label',
    setBy: 'label',
    label: (_, u) => u.months.length > 0,
    check: season,
  },
  {
    ids: ['dying-otherwise'],
    strength: 'note',
    about: 'It does not die of something else',
    facts: 'vigour of the look',
    setBy: 'practice',
    check: dying,
  },
  {
    ids: ['removal-cheaper'],
    strength: 'note',
    about: 'Keeping it is worth its cost',
    facts: 'cost of the options',
    setBy: 'practice',
    check: cheaper,
  },
  {
    ids: ['finds-far'],
    strength: 'note',
    about: 'Known finds are near enough',
    facts: 'finds of the outfit',
    setBy: 'knowledge',
    check: findsFar,
  },
  {
    ids: ['reportable-here', 'reportable'],
    strength: 'hold or note',
    about: 'It may have to be reported',
    facts: 'the decision, region profile',
    setBy: 'region',
    region: (r) => r.reportable.length > 0,
    check: reportable,
  },
];
