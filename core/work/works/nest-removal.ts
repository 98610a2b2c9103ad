import { gate } from '../../gates/gate';
import { num, rule, type Work } from '../work';

/** Caterpillars whose hairs harm skin, eyes and lungs. */
const HAIRS: readonly string[] = ['oak-processionary', 'pine-processionary', 'tussock-moth'];

export const nestRemovalWork: Work = {
  id: 'nest-removal',
  name: 'Take nests out',
  method: 'sanitation',
  life: { times: 1, apart: 0, everyYears: 1, courses: null },
  when: (f) => [...HAIRS, 'web-tent-caterpillars', 'bagworm'].includes(f.condition?.id ?? ''),
  asks: [
    { key: 'nests', kind: 'number', name: 'Nests or bags', unit: '', min: 1, max: 500, whole: true, usual: () => 6 },
    { key: 'hairs', kind: 'yes', name: 'Hairs that burn', usual: (f) => HAIRS.includes(f.condition?.id ?? '') },
    { key: 'suit', kind: 'yes', name: 'Whole suit, full mask (P3), gloves taped', usual: () => false },
  ],
  workOut: (_, a) => ({
    figures: [{ name: 'Nests', value: String(num(a, 'nests')), unit: '' }],
    sum: [`${num(a, 'nests')} nests, cut or drawn off whole`],
    steps: [
      'Cool morning or dusk, when they are in the nest; no wind.',
      a['hairs'] === true
        ? 'Wet the nest first; vacuum with a class H filter or bag it whole; nobody within 30 m, windows shut.'
        : 'Wind it off with a stick or cut the twig, into a bag with soapy water.',
      'Bags twice, to a hot incinerator where hairs burn; never on the compost.',
    ],
    take: [
      { what: 'Bags, sprayer with water, pole cutter', amount: '1 set' },
      ...(a['hairs'] === true ? [{ what: 'Suits, full masks P3, vacuum class H', amount: 'for each' }] : []),
    ],
    gates:
      a['hairs'] === true && a['suit'] !== true
        ? [
            gate({
              id: 'hairs-unprotected',
              strength: 'stop',
              title: 'Hairs',
              sentence:
                'The hairs of this caterpillar harm skin, eyes and lungs for years after, in the empty nest too.',
              source: 'practice',
              satisfy: 'Whole suit, full mask P3, gloves taped; or somebody who does only this.',
              state: 'asked',
            }),
          ]
        : [],
    minutes: 20 + 8 * num(a, 'nests'),
    followUps: [
      rule({
        id: 'nests-again',
        kind: 'look',
        what: 'Look for nests that were missed',
        count: 2,
        unit: 'weeks',
        why: 'small ones show once the large are gone',
      }),
    ],
  }),
};
