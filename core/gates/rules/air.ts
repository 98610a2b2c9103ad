import { showDistance, showFine, showTemperature, showWind } from '../../units/units';
import { asking, gate, hasFamily, labelSource, type Check, type Facts, type Rule, flies } from '../gate';

/** Not a number is not known: what nobody measured does not pass. */
const known = (x: number | null): x is number => x !== null && Number.isFinite(x);
const unknownAir = (f: Facts, id: 'temperature' | 'wind' | 'rain', title: string, sentence: string) =>
  gate(
    `${id}-unknown`,
    'stop',
    title,
    `${sentence} Nobody has measured it, and the station is silent.`,
    labelSource(f, id),
    [],
    'Measure it and enter it.',
    'asked',
  );

const air: Check = (f) => {
  const c = f.use.conditions;
  if (!c || (c.minC === undefined && c.maxC === undefined)) return null;
  if (!known(f.temperatureC))
    return unknownAir(f, 'temperature', 'How warm is it?', 'The label has limits of temperature.');
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

const soilWarmth: Check = (f) => {
  const min = f.use.conditions?.minSoilC;
  if (min === undefined || f.said['soil-warmth'] === 'warm enough') return null;
  const least = showTemperature(min, f.system ?? 'metric');
  return f.said['soil-warmth']
    ? gate(
        'soil-cold',
        'stop',
        'The soil is too cold',
        `The label asks for soil of at least ${least} at a hand’s depth; the air says nothing about it.`,
        labelSource(f, 'conditions'),
        [f.use.conditions!.text],
        'Wait until the soil has warmed.',
      )
    : asking(
        'soil-warmth',
        'soil-cold-unknown',
        'stop',
        'How warm is the soil?',
        `The label asks for soil of at least ${least}, measured at a hand’s depth in the root zone.`,
        labelSource(f, 'conditions'),
      );
};

const wind: Check = (f) => {
  const c = f.use.conditions;
  const max = c?.maxWindMs;
  const min = c?.minWindMs;
  if (max === undefined && min === undefined) return null;
  if (!known(f.windMs)) return unknownAir(f, 'wind', 'How windy is it?', 'The label has limits of wind.');
  const strongest = Math.max(f.windMs, f.gustMs ?? 0);
  return max !== undefined && strongest > max
    ? gate(
        'wind',
        'stop',
        'Too windy',
        `The wind blows at ${showWind(f.windMs, f.system ?? 'metric')}${strongest > f.windMs ? `, in gusts at ${showWind(strongest, f.system ?? 'metric')}` : ''}; the label allows ${showWind(max, f.system ?? 'metric')}.`,
        labelSource(f, 'wind'),
        [],
        'Wait for calmer air.',
      )
    : null;
};

/** Rain within the label's hours; where only the day's sum is known, a label of more hours than a day is asked. */
const rain: Check = (f) => {
  const hours = f.use.conditions?.rainFreeHours;
  if (!hours) return null;
  const byHour = f.rainByHour && f.rainByHour.length >= hours ? f.rainByHour.slice(0, Math.ceil(hours)) : null;
  const mm = byHour ? byHour.reduce((a, b) => a + b, 0) : f.rainNext24Mm;
  if (!known(mm)) return unknownAir(f, 'rain', 'Will it rain?', `The label wants ${hours} dry hours after.`);
  if (mm >= (byHour && flies(f) ? WETS_A_LEAF_MM : MOVES_IN_SOIL_MM))
    return gate(
      'rain-coming',
      'stop',
      'Rain is coming',
      `${showFine(mm, f.system ?? 'metric').text} of rain is forecast${byHour ? ` within ${hours} hours` : ' for the day'}; the label wants ${hours} dry hours after.`,
      labelSource(f, 'rain'),
      [],
      'Wait for a dry spell.',
    );
  return hours > 24 && !byHour && !f.said.rain
    ? asking(
        'rain',
        'rain-unknown',
        'stop',
        `Dry for ${hours} hours?`,
        `The label wants ${hours} dry hours, and the forecast at hand reaches 24.`,
        labelSource(f, 'rain'),
      )
    : f.said.rain === 'rain expected'
      ? gate(
          'rain-coming',
          'stop',
          'Rain is coming',
          `Rain is expected within the ${hours} dry hours that the label wants.`,
          labelSource(f, 'rain'),
          ['said at the tree'],
          'Wait for a dry spell.',
        )
      : null;
};
/** A fifth of a millimetre wets a leaf; what was poured into soil moves with a millimetre, as does what a whole day brings. */
const WETS_A_LEAF_MM = 0.2;
const MOVES_IN_SOIL_MM = 1;

const lowWind: Check = (f) => {
  const min = f.use.conditions?.minWindMs;
  return min !== undefined && known(f.windMs) && f.windMs < min
    ? gate(
        'wind-low',
        'stop',
        'Too calm',
        `The wind blows at ${showWind(f.windMs, f.system ?? 'metric')}; the label asks for ${showWind(min, f.system ?? 'metric')} at least.`,
        labelSource(f, 'wind'),
        [],
        'Wait until the air moves.',
      )
    : null;
};
/** Where the label is silent, each side by itself, and for what drifts only. */
const usualWind: Check = (f) => {
  const c = f.use.conditions;
  if (!flies(f)) return null;
  const low = c?.minWindMs === undefined;
  const high = c?.maxWindMs === undefined;
  if (!low && !high) return null;
  if (!known(f.windMs))
    return gate(
      'wind-usual-unknown',
      'hold',
      'How windy is it?',
      'A spray drifts, and nobody has measured the wind.',
      'practice',
      [],
      'Measure it and enter it.',
      'asked',
    );
  const strongest = Math.max(f.windMs, f.gustMs ?? 0);
  const calm = low && f.windMs < 1;
  if (!calm && !(high && strongest > 4.5)) return null;
  return gate(
    'wind-usual',
    'hold',
    calm ? 'Hardly any wind' : f.windMs > 4.5 ? 'Windy' : 'Gusts',
    `${showWind(calm ? f.windMs : strongest, f.system ?? 'metric')}; the label is silent, and sprays are safest between ${showWind(1, f.system ?? 'metric')} and ${showWind(4.5, f.system ?? 'metric')}.`,
    'practice',
    [],
    calm ? 'Wait until the air moves.' : 'Wait for calmer air, or coarser drops.',
  );
};
/** A station measures a mean; gusts are felt at the tree. */
const gusts: Check = (f) =>
  !flies(f) || f.phase !== 'apply' || (f.gustMs !== null && f.gustMs !== undefined)
    ? null
    : f.said.gusts === 'gusty'
      ? gate(
          'gusty',
          'hold',
          'Gusts',
          'Gusts carry drops further than the mean wind says.',
          'practice',
          ['said at the tree'],
          'Wait, coarser drops, lower pressure.',
        )
      : f.said.gusts
        ? null
        : asking(
            'gusts',
            'gusts-unknown',
            'hold',
            'Does it blow in gusts?',
            'The station tells the mean wind only.',
            'practice',
          );
/** A crown that the spray does not reach stays a source. */
const reach: Check = (f) =>
  f.use.method !== 'foliar-spray' && f.use.method !== 'dormant-spray'
    ? null
    : f.said.reach === 'part is out of reach'
      ? gate(
          'out-of-reach',
          'hold',
          'Part of it is out of reach',
          'What is not wetted is not treated; the pest comes back from there.',
          'practice',
          ['said at the tree'],
          'A longer lance, a lift, or a method that reaches it.',
        )
      : f.said.reach || !(f.heightM !== null && f.heightM !== undefined && f.heightM > REACH_M)
        ? null
        : asking(
            'reach',
            'reach-unknown',
            'hold',
            'Does the spray reach all of it?',
            `The tree is ${showDistance(f.heightM, f.system ?? 'metric').text} tall.`,
            'practice',
          );
/** A lance from the ground wets so high. */
const REACH_M = 6;
const inversion: Check = (f) => {
  if (!flies(f)) return null;
  if (f.said.inversion === 'inversion measured')
    return gate(
      'inversion',
      'hold',
      'Inversion',
      'The air above is warmer: fine drops hang and creep away.',
      'practice',
      ['measured'],
      'Wait until the sun has mixed the air.',
    );
  return f.windMs !== null && f.windMs < 1.5 && !f.said.inversion
    ? asking(
        'inversion',
        'inversion-unknown',
        'hold',
        'Does the air mix?',
        'It is calm; only a measurement tells an inversion, not the clock.',
        'practice',
      )
    : null;
};
const leafWet: Check = (f) => {
  if (!f.use.conditions?.leafDry) return null;
  if (!f.said.leaves)
    return f.phase === 'apply'
      ? asking(
          'leaves',
          'leaves-unknown',
          'stop',
          'Are the leaves dry?',
          'The label wants dry leaves.',
          labelSource(f, 'leaf wetness'),
        )
      : null;
  return f.said.leaves === 'wet'
    ? gate(
        'leaves-wet',
        'stop',
        'Wet leaves',
        'The label wants dry leaves; they are wet.',
        labelSource(f, 'leaf wetness'),
        [],
        'Wait until they have dried.',
      )
    : null;
};
const BURNS = ['oil', 'soap', 'sulphur', 'bacillus'];
const sun: Check = (f) => {
  if (!flies(f) || !hasFamily(f, ...BURNS)) return null;
  if (f.said.sun === 'strong midday sun')
    return gate(
      'strong-sun',
      'hold',
      'Strong sun',
      hasFamily(f, 'bacillus') ? 'Light breaks this product down within hours.' : 'It burns leaves in strong sun.',
      'practice',
      [],
      'Early or late in the day.',
    );
  return f.phase === 'apply' && !f.said.sun
    ? asking(
        'sun',
        'sun-unknown',
        'hold',
        'How strong is the sun?',
        'This product burns leaves or breaks down in strong sun.',
        'practice',
      )
    : null;
};
const heat: Check = (f) => {
  const what = hasFamily(f, 'oil') ? 'Oils' : hasFamily(f, 'sulphur') ? 'Sulphur' : null;
  return what && f.temperatureC !== null && f.temperatureC > 29
    ? gate(
        'heat-burn',
        'hold',
        'Too hot for it',
        `${what} burn${what === 'Oils' ? '' : 's'} leaves above ${showTemperature(29, f.system ?? 'metric')}; it is ${showTemperature(f.temperatureC, f.system ?? 'metric')}.`,
        'practice',
        [],
        'A cooler hour, early or late.',
      )
    : null;
};
const thirst: Check = (f) => {
  if (f.use.method !== 'foliar-spray') return null;
  if (f.said.drought === 'yes' || f.condition?.id === 'drought-stress')
    return gate(
      'drought-foliage',
      'hold',
      'Thirsty leaves',
      'Leaves that lack water burn under any spray.',
      'practice',
      [],
      'Water, wait until they are firm, then spray.',
    );
  return f.phase === 'apply' && !f.said.drought
    ? asking(
        'drought',
        'drought-unknown',
        'hold',
        'Does the tree lack water?',
        'Leaves that lack water burn under any spray.',
        'practice',
      )
    : null;
};
/** Hosts that oils burn or bleach, as practice knows them; a label may name more. */
const OIL_SENSITIVE = ['walnut', 'maple', 'juniper', 'douglas-fir'];
const sensitive: Check = (f) => {
  const named = f.label.sensitiveHosts.find((h) => h.host === f.host.id || f.host.groups.includes(h.host));
  if (named)
    return gate(
      'sensitive-host',
      'hold',
      `Burns ${f.host.name}`,
      `The label warns: “${named.text}”`,
      labelSource(f, 'sensitive hosts'),
      [`host ${f.host.name}`],
      'Try one branch first, or another product.',
    );
  // The host's own flag counts like its group.
  const oil =
    hasFamily(f, 'oil') && (f.host.sensitive.includes('oil') || f.host.groups.some((g) => OIL_SENSITIVE.includes(g)));
  const sulphur =
    hasFamily(f, 'sulphur') && (f.host.sensitive.includes('sulphur') || f.host.groups.includes('apricot'));
  return oil || sulphur
    ? gate(
        'sensitive-host',
        'hold',
        `May burn ${f.host.name}`,
        `${oil ? 'Oils' : 'Sulphur'} burn${oil ? '' : 's'} or bleach${oil ? '' : 'es'} ${f.host.name}.`,
        'practice',
        [`host ${f.host.name}`],
        'Another product.',
      )
    : null;
};
const copper: Check = (f) =>
  hasFamily(f, 'copper') &&
  f.leaf === 'unfolding' &&
  f.temperatureC !== null &&
  f.temperatureC < 13 &&
  ((f.rainNext24Mm ?? 0) > 0 || (f.humidity ?? 0) > 85)
    ? gate(
        'copper-tender',
        'hold',
        'Copper on tender leaf',
        'In cool wet weather copper stays in solution and burns young leaves.',
        'practice',
        ['leaf unfolding', `${f.temperatureC} °C`],
        'Before bud break, or once it is dry and mild.',
      )
    : null;

export const airRules: Rule[] = [
  {
    ids: ['temperature', 'temperature-unknown'],
    strength: 'stop',
    about: 'Temperature within the label',
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.minC !== undefined || u.conditions?.maxC !== undefined,
    check: air,
  },
  {
    ids: ['soil-cold', 'soil-cold-unknown'],
    strength: 'stop',
    about: 'Soil as warm as the label asks',
    facts: 'asked, measured',
    setBy: 'label',
    label: (_, u) => u.conditions?.minSoilC !== undefined,
    check: soilWarmth,
  },
  {
    ids: ['rain-coming', 'rain-unknown'],
    strength: 'stop',
    about: 'No rain within the label’s hours',
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.rainFreeHours !== undefined,
    check: rain,
  },
  {
    ids: ['wind', 'wind-unknown'],
    strength: 'stop',
    about: 'Wind under the label’s limit',
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.maxWindMs !== undefined || u.conditions?.minWindMs !== undefined,
    check: wind,
  },
  {
    ids: ['wind-low'],
    strength: 'stop',
    about: 'Wind over the label’s least',
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.minWindMs !== undefined,
    check: lowWind,
  },
  {
    ids: ['leaves-unknown', 'leaves-wet'],
    strength: 'stop',
    about: 'Dry leaves where the label asks',
    facts: 'said at the tree',
    setBy: 'label',
    label: (_, u) => u.conditions?.leafDry === true,
    check: leafWet,
  },
  {
    ids: ['gusts-unknown', 'gusty'],
    strength: 'hold',
    about: 'No gusts on what drifts',
    facts: 'said at the tree',
    setBy: 'practice',
    check: gusts,
  },
  {
    ids: ['reach-unknown', 'out-of-reach'],
    strength: 'hold',
    about: 'The spray reaches all of it',
    facts: 'height, said at the tree',
    setBy: 'practice',
    check: reach,
  },
  {
    ids: ['wind-usual', 'wind-usual-unknown'],
    strength: 'hold',
    about: 'Wind between 1 and 4.5 m/s for what drifts',
    facts: 'station',
    setBy: 'practice',
    check: usualWind,
  },
  {
    ids: ['inversion-unknown', 'inversion'],
    strength: 'hold',
    about: 'No measured inversion',
    facts: 'said at the tree',
    setBy: 'practice',
    check: inversion,
  },
  {
    ids: ['sun-unknown', 'strong-sun'],
    strength: 'hold',
    about: 'No strong sun on what burns or fades',
    facts: 'said at the tree',
    setBy: 'practice',
    check: sun,
  },
  {
    ids: ['heat-burn'],
    strength: 'hold',
    about: 'No oil or sulphur above 29 °C',
    facts: 'station',
    setBy: 'practice',
    check: heat,
  },
  {
    ids: ['drought-unknown', 'drought-foliage'],
    strength: 'hold',
    about: 'No spray on thirsty leaves',
    facts: 'said at the tree',
    setBy: 'practice',
    check: thirst,
  },
  {
    ids: ['sensitive-host'],
    strength: 'hold',
    about: 'The host is not burnt by it',
    facts: 'host',
    setBy: 'label',
    label: (l) => l.sensitiveHosts.length > 0,
    check: sensitive,
  },
  {
    ids: ['copper-tender'],
    strength: 'hold',
    about: 'No copper on tender leaf in the cold and wet',
    facts: 'leaf, station',
    setBy: 'practice',
    check: copper,
  },
];
