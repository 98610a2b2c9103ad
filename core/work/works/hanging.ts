import { gate } from '../../gates/gate';
import { showTrunk } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

export const deviceWork: Work = {
  id: 'hanging',
  name: 'Soap or meal bags, repellent',
  method: 'repellent',
  // Smell is gone after two months; through one winter.
  life: { times: 4, apart: 56, everyYears: 1, courses: null },
  asks: [
    {
      key: 'what',
      kind: 'choice',
      name: 'What hangs',
      options: ['soap bar', 'blood-meal bag'],
      usual: () => 'soap bar',
    },
    { key: 'height', kind: 'number', name: 'Height of browsing', unit: 'cm', min: 30, max: 200, usual: () => 100 },
    { key: 'trees', kind: 'number', name: 'Trees', unit: '', min: 1, max: 500, whole: true, usual: () => 1 },
  ],
  workOut: (facts, a) => ({
    figures: [
      { name: 'Bags, one a tree', value: String(num(a, 'trees')), unit: '' },
      {
        name: 'Hang at',
        value: showTrunk(num(a, 'height'), facts.system).value,
        unit: showTrunk(num(a, 'height'), facts.system).unit,
      },
    ],
    sum: [`${num(a, 'trees')} trees, one bag each`],
    steps: [
      'One bag a tree, on the outer twigs where they browse, never against the bark.',
      'Out of reach of dogs and children.',
    ],
    take: [
      { what: String(a['what']), amount: String(num(a, 'trees')) },
      { what: 'Net bags and soft ties', amount: String(num(a, 'trees')) },
    ],
    gates: [
      gate({
        id: 'repellent-weak',
        strength: 'note',
        title: 'Works while they are not hungry',
        sentence: 'Smell keeps deer off in mild months; under snow only a fence does.',
        source: 'practice',
        satisfy: 'Plan a fence for the group where browsing is heavy.',
      }),
    ],
    minutes: 3 * num(a, 'trees'),
    followUps: [
      rule({
        id: 'hang-new',
        kind: 'site-work',
        what: 'Renew the bags',
        count: 8,
        unit: 'weeks',
        why: 'rain washes the smell out',
      }),
      rule({
        id: 'hang-look',
        kind: 'look',
        what: 'Look for fresh browsing',
        count: 3,
        unit: 'weeks',
        why: 'they get used to it',
      }),
    ],
  }),
};
