import { BARK_CARRIES_TO, crownLimits, movesSap } from '../../decide/eligible';
import { atLeast, needsOf } from '../../decide/stakes';
import { certaintyWords, TREATS } from '../../diagnose/words';
import { carriesOut, OPTION_OF } from '../../label/methods';
import { gate, labelSource, type Rule } from '../gate';
import { carried, isAntibiotic } from './product';

/** Whether treatment is right at all. */
export const reasonRules: Rule[] = [
  /** How sure one must be follows from what a mistake with this method costs; prevention rests on the state of risk instead. */
  {
    ids: ['diagnosis-unsure', 'not-at-risk'],
    strength: 'hold',
    about: 'Sure enough for a cure, at risk for prevention',
    facts: 'certainty of the decision',
    setBy: 'knowledge',
    check: (facts) => {
      const c = facts.condition;
      if (!c) return null;
      if (facts.decision === 'protect a sound tree' || facts.use.purpose === 'preventive')
        return facts.decision === 'protect a sound tree' || facts.atRisk || !c.protect
          ? null
          : gate({
              id: 'not-at-risk',
              strength: 'hold',
              title: 'Prevention without a risk',
              sentence: `Preventive work against ${c.name.toLowerCase()} rests on a find near by, on its past here, or on a model; none is known.`,
              source: `knowledge: ${c.name}`,
              facts: [`finds within ${c.protect.withinKm} km: none`],
              satisfy: 'Enter the find, or leave it.',
            });
      const need = needsOf({ method: OPTION_OF[facts.use.method], use: 'cure', antibiotic: isAntibiotic(facts) }, c);
      if (facts.certainty && atLeast(facts.certainty, need)) return null;
      return gate({
        id: 'diagnosis-unsure',
        strength: 'hold',
        title: 'Not sure enough to cure',
        sentence: `A curative treatment of ${c.name} in this way asks for “${certaintyWords(need)}”; it stands at “${facts.certainty ? certaintyWords(facts.certainty) : 'not said'}”.`,
        source: `knowledge: ${c.name}`,
        facts: [`certainty: ${facts.certainty ?? 'none'}`],
        satisfy: `Do the deciding test: ${c.decidingTest}`,
      });
    },
  },
  {
    ids: ['decided-otherwise'],
    strength: 'hold',
    about: 'The decision was to treat',
    facts: 'the decision',
    setBy: 'practice',
    check: (facts) =>
      facts.decision === null || TREATS.includes(facts.decision)
        ? null
        : gate({
            id: 'decided-otherwise',
            strength: 'hold',
            title: `Decided: ${facts.decision}`,
            sentence: `The decision on this tree is “${facts.decision}”, not a treatment.`,
            source: 'the decision on this tree',
            facts: [`decision: ${facts.decision}`],
            satisfy: 'Decide again, or say why this goes ahead.',
          }),
  },
  {
    ids: ['harmless'],
    strength: 'hold',
    about: 'It is not harmless',
    facts: 'the decision',
    setBy: 'knowledge',
    check: (facts) =>
      facts.condition?.kind === 'harmless'
        ? gate({
            id: 'harmless',
            strength: 'hold',
            title: 'Harmless',
            sentence: `${facts.condition.name} does no harm; treatment only costs.`,
            source: `knowledge: ${facts.condition.name}`,
            facts: [facts.condition.about],
            satisfy: 'Leave it alone and tell the client why.',
          })
        : null,
  },
  {
    ids: ['no-known-cure'],
    strength: 'hold',
    about: 'There is a cure',
    facts: 'the decision',
    setBy: 'knowledge',
    check: (facts) =>
      facts.condition &&
      facts.condition.policy === 'manage' &&
      facts.decision !== 'protect a sound tree' &&
      facts.use.purpose !== 'preventive' &&
      !facts.condition.options.some((o) => o.use === 'cure' && carriesOut(facts.use.method, o.method))
        ? gate({
            id: 'no-known-cure',
            strength: 'hold',
            title: 'No known cure',
            sentence: `Nothing cures ${facts.condition.name.toLowerCase()} once it is in the tree; it can only be managed.`,
            source: `knowledge: ${facts.condition.name}`,
            facts: [facts.condition.course],
            satisfy: 'Manage it, or protect sound neighbours.',
          })
        : null,
  },
  {
    ids: ['follower'],
    strength: 'hold',
    about: 'The driver is treated, not the follower',
    facts: 'the ranking behind the decision',
    setBy: 'knowledge',
    check: (facts) => {
      const c = facts.condition;
      if (!c || (!c.onlyFollows && !facts.liveDrivers.length)) return null;
      const behind = facts.liveDrivers.join(' and ').toLowerCase();
      return gate({
        id: 'follower',
        strength: 'hold',
        title: 'A follower, not the cause',
        sentence: behind
          ? `Behind ${c.name.toLowerCase()} stands ${behind}; treated alone it comes back.`
          : `${c.name} follows something else; the driver is what must be treated.`,
        source: `knowledge: ${c.name}`,
        facts: [c.about],
        satisfy: behind ? `Treat ${behind} first, or in the same plan.` : 'Find and name the driver.',
      });
    },
  },
  {
    ids: ['no-effect'],
    strength: 'hold',
    about: 'An earlier check showed effect',
    facts: 'checks of earlier treatments',
    setBy: 'practice',
    check: (facts) =>
      facts.condition &&
      facts.withoutEffect.some((e) => e.condition === facts.condition!.id && e.labelKey === facts.label.key)
        ? gate({
            id: 'no-effect',
            strength: 'hold',
            title: 'It did nothing here',
            sentence: `${facts.label.name} was properly applied against ${facts.condition.name.toLowerCase()} on this tree, looked at in time, and nothing changed.`,
            source: 'the check of the earlier treatment',
            facts: [`against ${facts.condition.name}`],
            satisfy: 'Examine again: doubt the diagnosis before repeating the dose.',
          })
        : null,
  },
  {
    ids: ['below-threshold', 'threshold-unknown'],
    strength: 'hold',
    about: 'The threshold is reached',
    facts: 'grades of its signs',
    setBy: 'knowledge',
    check: (facts) => {
      const c = facts.condition;
      if (!c || facts.decision === 'protect a sound tree' || facts.use.purpose === 'preventive') return null;
      if (facts.severity === null || facts.severity === undefined)
        return c.actFrom > 1
          ? gate({
              id: 'threshold-unknown',
              strength: 'hold',
              title: 'How much of it?',
              sentence: `Nobody has graded a sign of ${c.name.toLowerCase()}; it is worth acting from ${c.actFrom} of 4. ${c.threshold}`,
              source: `knowledge: ${c.name}`,
              satisfy: 'Grade its signs in Examine.',
              state: 'asked',
            })
          : null;
      if (facts.severity >= c.actFrom) return null;
      return gate({
        id: 'below-threshold',
        strength: 'hold',
        title: 'Below the threshold',
        sentence: `The worst of its signs is graded ${facts.severity} of 4; it is worth acting from ${c.actFrom}. ${c.threshold}`,
        source: `knowledge: ${c.name}`,
        facts: [`grade ${facts.severity}`],
        satisfy: 'Leave it, scout again; never “while we are at it”.',
      });
    },
  },
  /** Each limit on crown loss speaks with its own strength: a school or the knowledge never loosens a label. */
  {
    ids: ['crown-loss', 'crown-loss-unknown'],
    strength: 'stop or hold',
    about: 'The crown can carry it',
    facts: 'crown loss of the look',
    setBy: 'school',
    label: (_, u) => u.conditions?.maxCrownLoss !== undefined,
    check: (facts) => {
      const limits = crownLimits(facts.condition, facts.crownSchool ?? 'knowledge', facts.use.conditions?.maxCrownLoss);
      const broken = limits.filter((l) => facts.crownLoss === null || facts.crownLoss > l.percent);
      const l = broken.find((x) => x.setBy === 'label') ?? broken[0];
      if (!l) return null;
      const strength = l.setBy === 'label' ? 'stop' : 'hold';
      const source =
        l.setBy === 'label'
          ? labelSource(facts, 'crown loss')
          : l.setBy === 'school'
            ? 'school: crown loss'
            : `knowledge: ${facts.condition!.name}`;
      if (facts.crownLoss === null)
        return gate({
          id: 'crown-loss-unknown',
          strength,
          title: 'Crown loss?',
          sentence: `Treatment is limited to ${l.percent} % crown loss and nobody has graded this crown.`,
          source,
          satisfy: 'Grade the crown in Examine.',
          state: 'asked',
        });
      return gate({
        id: 'crown-loss',
        strength,
        title: 'Crown loss too high',
        sentence: `${facts.crownLoss} % of the crown is lost; beyond ${l.percent} % it comes too late to carry the product or to save the tree.`,
        source,
        facts: [`crown loss ${facts.crownLoss} %`, ...limits.map((x) => `${x.setBy} ${x.percent} %`)],
        satisfy: 'Manage or remove; protect its sound neighbours.',
      });
    },
  },
  /** Bark that is gone cannot carry what goes up or in; one definition with the decision. */
  {
    ids: ['bark-loss'],
    strength: 'hold',
    about: 'Bark enough to carry it',
    facts: 'bark drawn in the look',
    setBy: 'practice',
    check: (facts) =>
      carried(facts) && (facts.barkLoss ?? 0) > BARK_CARRIES_TO
        ? gate({
            id: 'bark-loss',
            strength: 'hold',
            title: 'Too little bark',
            sentence: `${Math.round(facts.barkLoss! * 100)} % of the girth has no living bark; hardly anything is carried round.`,
            source: 'practice',
            facts: [`bark loss ${Math.round(facts.barkLoss! * 100)} %`],
            satisfy: 'Bridge it if the tree is worth that, or manage or remove.',
          })
        : null,
  },
  {
    ids: ['vigour-unknown', 'vigour-low', 'vigour-from-pest'],
    strength: 'hold or note',
    about: 'The tree is strong enough, or the pest is the cause',
    facts: 'vigour of the look',
    setBy: 'practice',
    check: (facts) => {
      // Only what living sapwood must carry asks for vigour: a contact spray, a bait or a guard does not.
      if (!carried(facts)) return null;
      if (facts.vigour === null)
        return gate({
          id: 'vigour-unknown',
          strength: 'hold',
          title: 'Vigour?',
          sentence: 'Nobody has judged the vigour of this tree.',
          source: 'practice: restore first',
          satisfy: 'Judge it in Examine.',
          state: 'asked',
        });
      const moves = movesSap(facts.vigour, facts.condition);
      if (moves === 'yes') return null;
      return moves === 'weak from the pest'
        ? gate({
            id: 'vigour-from-pest',
            strength: 'note',
            title: 'Weak from the pest',
            sentence: `Vigour is ${facts.vigour}, but ${facts.condition!.name} is the cause of it: waiting loses the tree.`,
            source: `knowledge: ${facts.condition!.name}`,
            facts: [`vigour ${facts.vigour}`],
            satisfy: 'Treat soon; water in dry weeks.',
          })
        : gate({
            id: 'vigour-low',
            strength: 'hold',
            title: 'Too weak: restore first',
            sentence: `Vigour is ${facts.vigour}; a tree that barely moves sap neither takes the product up nor answers it.`,
            source: 'practice: restore first',
            facts: [`vigour ${facts.vigour}`],
            satisfy: 'Water, mulch, free the collar; examine again in 2–4 weeks.',
          });
    },
  },
  {
    ids: ['dying-otherwise'],
    strength: 'note',
    about: 'It does not die of something else',
    facts: 'vigour of the look',
    setBy: 'practice',
    check: (facts) =>
      facts.vigour === 'failing' && facts.condition && !facts.condition.causesWeakness
        ? gate({
            id: 'dying-otherwise',
            strength: 'note',
            title: 'Dying of something else',
            sentence: `The tree is failing and ${facts.condition.name.toLowerCase()} is not what kills it.`,
            source: 'practice',
            facts: ['vigour failing'],
            satisfy: 'Find the cause, or plan its replacement.',
          })
        : null,
  },
  {
    ids: ['removal-cheaper'],
    strength: 'note',
    about: 'Keeping it is worth its cost',
    facts: 'cost of the options',
    setBy: 'practice',
    check: (facts) =>
      facts.costs && facts.costs.remove < facts.costs.keep
        ? gate({
            id: 'removal-cheaper',
            strength: 'note',
            title: 'Replacing costs less',
            sentence: `Keeping it costs ${(facts.costs.keep / 100).toFixed(0)} in today’s money over the programme, removing and replanting ${(facts.costs.remove / 100).toFixed(0)}.`,
            source: 'cost of the options',
            satisfy: 'Show the client both.',
          })
        : null,
  },
  {
    ids: ['finds-far'],
    strength: 'note',
    about: 'Known finds are near enough',
    facts: 'finds of the company',
    setBy: 'knowledge',
    check: (facts) => {
      const within = facts.condition?.protect?.withinKm;
      if (!within || facts.decision !== 'protect a sound tree' || facts.findKm === null || facts.findKm === undefined)
        return null;
      return facts.findKm > within
        ? gate({
            id: 'finds-far',
            strength: 'note',
            title: 'Nearest find is far',
            sentence: `The nearest known find is ${facts.findKm.toFixed(0)} km away; protection is worth it within ${within} km.`,
            source: `knowledge: ${facts.condition!.name}`,
            facts: [`nearest ${facts.findKm.toFixed(1)} km`],
            satisfy: 'Wait and watch; look again every year.',
          })
        : null;
    },
  },
];
