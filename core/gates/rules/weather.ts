import { WETS_A_LEAF_MM } from '../../weather/air';
import { showFine, showTemperature, showWind } from '../../../lib/units/units';
import { asking, gate, labelSource, type Facts, type Rule, flies } from '../gate';

/** Not a number is not known: what nobody measured does not pass. */
const known = (x: number | null): x is number => x !== null && Number.isFinite(x);

const unknownAir = (facts: Facts, id: 'temperature' | 'wind', title: string, sentence: string) =>
  gate({
    id: `${id}-unknown`,
    strength: 'stop',
    title,
    sentence: `${sentence} Nobody has measured it, and the station is silent.`,
    source: labelSource(facts, id),
    satisfy: 'Measure it and enter it.',
    state: 'asked',
  });

/** What is asked where nobody measures the air. */
export const UNMEASURED_AIR: readonly string[] = ['temperature-unknown', 'wind-unknown', 'rain-unknown'];

/** Wind in which drops land where they are meant to, m/s, where a label is silent: calm air may be an inversion. */
export const USUAL_WIND = { minMs: 1, maxMs: 4.5 };

/** What was poured into soil moves with a millimetre, as does what a whole day brings; a leaf is wet with a fifth of it. */
const MOVES_IN_SOIL_MM = 1;

/** Warmth, rain and wind, as the label limits them. */
export const weatherRules: Rule[] = [
  {
    ids: ['temperature', 'temperature-unknown'],
    strength: 'stop',
    about: 'Temperature within the label',
    day: true,
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.minC !== undefined || u.conditions?.maxC !== undefined,
    check: (facts) => {
      const c = facts.use.conditions;
      if (!c || (c.minC === undefined && c.maxC === undefined)) return null;
      if (!known(facts.temperatureC))
        return unknownAir(facts, 'temperature', 'How warm is it?', 'The label has limits of temperature.');
      const degrees = (t: number) => showTemperature(t, facts.system ?? 'metric');
      const low = c.minC !== undefined && facts.temperatureC < c.minC;
      const high = c.maxC !== undefined && facts.temperatureC > c.maxC;
      return low || high
        ? gate({
            id: 'temperature',
            strength: 'stop',
            title: low ? 'Too cold' : 'Too hot',
            sentence: `It is ${degrees(facts.temperatureC)}; the label says${c.minC !== undefined ? ` from ${degrees(c.minC)}` : ''}${c.maxC !== undefined ? ` to ${degrees(c.maxC)}` : ''}.`,
            source: labelSource(facts, 'temperature'),
            facts: [c.text],
            satisfy: 'Wait for the right hour.',
          })
        : null;
    },
  },
  {
    ids: ['soil-cold', 'soil-cold-unknown'],
    strength: 'stop',
    about: 'Soil as warm as the label asks',
    day: true,
    facts: 'asked, measured',
    setBy: 'label',
    label: (_, u) => u.conditions?.minSoilC !== undefined,
    check: (facts) => {
      const min = facts.use.conditions?.minSoilC;
      if (min === undefined || facts.said['soil-warmth'] === 'warm enough') return null;
      const least = showTemperature(min, facts.system ?? 'metric');
      return facts.said['soil-warmth']
        ? gate({
            id: 'soil-cold',
            strength: 'stop',
            title: 'The soil is too cold',
            sentence: `The label asks for soil of at least ${least} at a hand’s depth; the air says nothing about it.`,
            source: labelSource(facts, 'conditions'),
            facts: [facts.use.conditions!.text],
            satisfy: 'Wait until the soil has warmed.',
          })
        : asking({
            fact: 'soil-warmth',
            id: 'soil-cold-unknown',
            strength: 'stop',
            title: 'How warm is the soil?',
            sentence: `The label asks for soil of at least ${least}, measured at a hand’s depth in the root zone.`,
            source: labelSource(facts, 'conditions'),
          });
    },
  },
  /** Rain within the label's hours; where only the day's sum is known, a label of more hours than a day is asked. */
  {
    ids: ['rain-coming', 'rain-unknown'],
    strength: 'stop',
    about: 'No rain within the label’s hours',
    day: true,
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.rainFreeHours !== undefined,
    check: (facts) => {
      const hours = facts.use.conditions?.rainFreeHours;
      if (!hours) return null;
      const byHour =
        facts.rainByHour && facts.rainByHour.length >= hours ? facts.rainByHour.slice(0, Math.ceil(hours)) : null;
      const mm = byHour ? byHour.reduce((a, b) => a + b, 0) : facts.rainNext24Mm;
      if (!known(mm) && !facts.said.rain)
        return asking({
          fact: 'rain',
          id: 'rain-unknown',
          strength: 'stop',
          title: 'Will it rain?',
          sentence: `The label wants ${hours} dry hours after, and no forecast is at hand.`,
          source: labelSource(facts, 'rain'),
        });
      if (known(mm) && mm >= (byHour && flies(facts) ? WETS_A_LEAF_MM : MOVES_IN_SOIL_MM))
        return gate({
          id: 'rain-coming',
          strength: 'stop',
          title: 'Rain is coming',
          sentence: `${showFine(mm, facts.system ?? 'metric').text} of rain is forecast${byHour ? ` within ${hours} hours` : ' for the day'}; the label wants ${hours} dry hours after.`,
          source: labelSource(facts, 'rain'),
          satisfy: 'Wait for a dry spell.',
        });
      return hours > 24 && !byHour && !facts.said.rain
        ? asking({
            fact: 'rain',
            id: 'rain-unknown',
            strength: 'stop',
            title: `Dry for ${hours} hours?`,
            sentence: `The label wants ${hours} dry hours, and the forecast at hand reaches 24.`,
            source: labelSource(facts, 'rain'),
          })
        : facts.said.rain === 'rain expected'
          ? gate({
              id: 'rain-coming',
              strength: 'stop',
              title: 'Rain is coming',
              sentence: `Rain is expected within the ${hours} dry hours that the label wants.`,
              source: labelSource(facts, 'rain'),
              facts: ['said at the tree'],
              satisfy: 'Wait for a dry spell.',
            })
          : null;
    },
  },
  {
    ids: ['wind', 'wind-unknown'],
    strength: 'stop',
    about: 'Wind under the label’s limit',
    day: true,
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.maxWindMs !== undefined || u.conditions?.minWindMs !== undefined,
    check: (facts) => {
      const c = facts.use.conditions;
      const max = c?.maxWindMs;
      const min = c?.minWindMs;
      if (max === undefined && min === undefined) return null;
      if (!known(facts.windMs)) return unknownAir(facts, 'wind', 'How windy is it?', 'The label has limits of wind.');
      const strongest = Math.max(facts.windMs, facts.gustMs ?? 0);
      return max !== undefined && strongest > max
        ? gate({
            id: 'wind',
            strength: 'stop',
            title: 'Too windy',
            sentence: `The wind blows at ${showWind(facts.windMs, facts.system ?? 'metric')}${strongest > facts.windMs ? `, in gusts at ${showWind(strongest, facts.system ?? 'metric')}` : ''}; the label allows ${showWind(max, facts.system ?? 'metric')}.`,
            source: labelSource(facts, 'wind'),
            satisfy: 'Wait for calmer air.',
          })
        : null;
    },
  },
  {
    ids: ['wind-low'],
    strength: 'stop',
    about: 'Wind over the label’s least',
    day: true,
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.minWindMs !== undefined,
    check: (facts) => {
      const min = facts.use.conditions?.minWindMs;
      return min !== undefined && known(facts.windMs) && facts.windMs < min
        ? gate({
            id: 'wind-low',
            strength: 'stop',
            title: 'Too calm',
            sentence: `The wind blows at ${showWind(facts.windMs, facts.system ?? 'metric')}; the label asks for ${showWind(min, facts.system ?? 'metric')} at least.`,
            source: labelSource(facts, 'wind'),
            satisfy: 'Wait until the air moves.',
          })
        : null;
    },
  },
  {
    ids: ['leaves-unknown', 'leaves-wet'],
    strength: 'stop',
    about: 'Dry leaves where the label asks',
    day: true,
    facts: 'said at the tree',
    setBy: 'label',
    label: (_, u) => u.conditions?.leafDry === true,
    check: (facts) => {
      if (!facts.use.conditions?.leafDry) return null;
      if (!facts.said.leaves)
        return facts.phase === 'apply'
          ? asking({
              fact: 'leaves',
              id: 'leaves-unknown',
              strength: 'stop',
              title: 'Are the leaves dry?',
              sentence: 'The label wants dry leaves.',
              source: labelSource(facts, 'leaf wetness'),
            })
          : null;
      return facts.said.leaves === 'wet'
        ? gate({
            id: 'leaves-wet',
            strength: 'stop',
            title: 'Wet leaves',
            sentence: 'The label wants dry leaves; they are wet.',
            source: labelSource(facts, 'leaf wetness'),
            satisfy: 'Wait until they have dried.',
          })
        : null;
    },
  },
  /** A station measures a mean; gusts are felt at the tree. */
  {
    ids: ['gusts-unknown', 'gusty'],
    strength: 'hold',
    about: 'No gusts on what drifts',
    day: true,
    facts: 'said at the tree',
    setBy: 'practice',
    check: (facts) =>
      !flies(facts) || facts.phase !== 'apply' || (facts.gustMs !== null && facts.gustMs !== undefined)
        ? null
        : facts.said.gusts === 'gusty'
          ? gate({
              id: 'gusty',
              strength: 'hold',
              title: 'Gusts',
              sentence: 'Gusts carry drops further than the mean wind says.',
              source: 'practice',
              facts: ['said at the tree'],
              satisfy: 'Wait, coarser drops, lower pressure.',
            })
          : facts.said.gusts
            ? null
            : asking({
                fact: 'gusts',
                id: 'gusts-unknown',
                strength: 'hold',
                title: 'Does it blow in gusts?',
                sentence: 'The station tells the mean wind only.',
                source: 'practice',
              }),
  },
  /** Where the label is silent, each side by itself, and for what drifts only. */
  {
    ids: ['wind-usual', 'wind-usual-unknown'],
    strength: 'hold',
    about: 'Wind between 1 and 4.5 m/s for what drifts',
    day: true,
    facts: 'station',
    setBy: 'practice',
    check: (facts) => {
      const c = facts.use.conditions;
      if (!flies(facts)) return null;
      const low = c?.minWindMs === undefined;
      const high = c?.maxWindMs === undefined;
      if (!low && !high) return null;
      if (!known(facts.windMs))
        return gate({
          id: 'wind-usual-unknown',
          strength: 'hold',
          title: 'How windy is it?',
          sentence: 'A spray drifts, and nobody has measured the wind.',
          source: 'practice',
          satisfy: 'Measure it and enter it.',
          state: 'asked',
        });
      const strongest = Math.max(facts.windMs, facts.gustMs ?? 0);
      const calm = low && facts.windMs < USUAL_WIND.minMs;
      if (!calm && !(high && strongest > USUAL_WIND.maxMs)) return null;
      return gate({
        id: 'wind-usual',
        strength: 'hold',
        title: calm ? 'Hardly any wind' : facts.windMs > USUAL_WIND.maxMs ? 'Windy' : 'Gusts',
        sentence: `${showWind(calm ? facts.windMs : strongest, facts.system ?? 'metric')}; the label is silent, and sprays are safest between ${showWind(USUAL_WIND.minMs, facts.system ?? 'metric')} and ${showWind(USUAL_WIND.maxMs, facts.system ?? 'metric')}.`,
        source: 'practice',
        satisfy: calm ? 'Wait until the air moves.' : 'Wait for calmer air, or coarser drops.',
      });
    },
  },
];
