import { AIRBORNE } from '../../label/methods';
import { showFine, showTemperature, showWind } from '../../units/units';
import { asking, gate, hasFamily, labelSource, type Check, type Facts, type Rule } from '../gate';

const air: Check = (f) => {
  const c = f.use.conditions;
  if (!c || f.temperatureC === null) return null;
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

const wind: Check = (f) => {
  const max = f.use.conditions?.maxWindMs;
  return max !== undefined && f.windMs !== null && f.windMs > max
    ? gate(
        'wind',
        'stop',
        'Too windy',
        `The wind blows at ${showWind(f.windMs, f.system ?? 'metric')}; the label allows ${showWind(max, f.system ?? 'metric')}.`,
        labelSource(f, 'wind'),
        [],
        'Wait for calmer air.',
      )
    : null;
};

const rain: Check = (f) => {
  const hours = f.use.conditions?.rainFreeHours;
  return hours && f.rainNext24Mm !== null && f.rainNext24Mm >= 1
    ? gate(
        'rain-coming',
        'stop',
        'Rain is coming',
        `${showFine(f.rainNext24Mm, f.system ?? 'metric').text} of rain is forecast; the label wants ${hours} dry hours after.`,
        labelSource(f, 'rain'),
        [],
        'Wait for a dry spell.',
      )
    : null;
};

const flies = (f: Facts) => AIRBORNE.includes(f.use.method);

const lowWind: Check = (f) => {
  const min = f.use.conditions?.minWindMs;
  return min !== undefined && f.windMs !== null && f.windMs < min
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
/** Where the label is silent, and for what drifts only. */
const usualWind: Check = (f) => {
  const c = f.use.conditions;
  if (!flies(f) || f.windMs === null || c?.maxWindMs !== undefined || c?.minWindMs !== undefined) return null;
  if (f.windMs >= 1 && f.windMs <= 4.5) return null;
  return gate(
    'wind-usual',
    'hold',
    f.windMs < 1 ? 'Hardly any wind' : 'Windy',
    `${showWind(f.windMs, f.system ?? 'metric')}; the label is silent, and sprays are safest between ${showWind(1, f.system ?? 'metric')} and ${showWind(4.5, f.system ?? 'metric')}.`,
    'practice',
    [],
    f.windMs < 1 ? 'Wait until the air moves.' : 'Wait for calmer air, or coarser drops.',
  );
};
const inversion: Check = (f) => {
  if (!flies(f)) return null;
  if (f.said?.inversion === 'inversion measured')
    return gate(
      'inversion',
      'hold',
      'Inversion',
      'The air above is warmer: fine drops hang and creep away.',
      'practice',
      ['measured'],
      'Wait until the sun has mixed the air.',
    );
  return f.windMs !== null && f.windMs < 1.5 && !f.said?.inversion
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
  if (!f.said?.leaves)
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
  if (f.said?.sun === 'strong midday sun')
    return gate(
      'strong-sun',
      'hold',
      'Strong sun',
      hasFamily(f, 'bacillus') ? 'Light breaks this product down within hours.' : 'It burns leaves in strong sun.',
      'practice',
      [],
      'Early or late in the day.',
    );
  return f.phase === 'apply' && !f.said?.sun
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
  if (f.said?.drought === 'yes' || f.condition?.id === 'drought-stress')
    return gate(
      'drought-foliage',
      'hold',
      'Thirsty leaves',
      'Leaves that lack water burn under any spray.',
      'practice',
      [],
      'Water, wait until they are firm, then spray.',
    );
  return f.phase === 'apply' && !f.said?.drought
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
  const oil = hasFamily(f, 'oil') && f.host.groups.some((g) => OIL_SENSITIVE.includes(g));
  const sulphur = hasFamily(f, 'sulphur') && f.host.groups.includes('apricot');
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
    ids: ['temperature'],
    strength: 'stop',
    about: 'Temperature within the label',
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.minC !== undefined || u.conditions?.maxC !== undefined,
    check: air,
  },
  {
    ids: ['rain-coming'],
    strength: 'stop',
    about: 'No rain within the label’s hours',
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.rainFreeHours !== undefined,
    check: rain,
  },
  {
    ids: ['wind'],
    strength: 'stop',
    about: 'Wind under the label’s limit',
    facts: 'station',
    setBy: 'label',
    label: (_, u) => u.conditions?.maxWindMs !== undefined,
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
    ids: ['wind-usual'],
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
