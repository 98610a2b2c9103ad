import { num, rule, type Work } from '../work';

export const bugVacuumWork: Work = {
  id: 'bug-vacuum',
  name: 'Take bugs and eggs off',
  method: 'sanitation',
  life: { times: 4, apart: 5, everyYears: 1, courses: null },
  when: (f) => ['leaf-footed-bug', 'stink-bug', 'spotted-lanternfly', 'spongy-moth'].includes(f.condition?.id ?? ''),
  asks: [
    {
      key: 'groups',
      kind: 'number',
      name: 'Groups or egg masses',
      unit: '',
      min: 1,
      max: 2000,
      whole: true,
      usual: () => 20,
    },
    {
      key: 'how',
      kind: 'choice',
      name: 'How',
      options: ['vacuumed', 'knocked into soapy water', 'scraped into spirit'],
      usual: (f) =>
        ['spongy-moth', 'spotted-lanternfly'].includes(f.condition?.id ?? '') ? 'scraped into spirit' : 'vacuumed',
    },
  ],
  workOut: (_, a) => ({
    figures: [{ name: 'Groups', value: String(num(a, 'groups')), unit: '' }],
    sum: [`${num(a, 'groups')} groups, ${String(a['how'])}`],
    steps: [
      'At first light, when they are stiff: later they hide on approach.',
      a['how'] === 'scraped into spirit'
        ? 'Scrape eggs into a bag with spirit, all of them: what falls to the ground hatches. Hairs burn: gloves and mask.'
        : 'Young ones sit together: all of a group at once, into soapy water.',
      'Cracked and fallen fruit and dry litter go too: they live in it.',
    ],
    take: [{ what: 'Vacuum or bucket, soap, spirit, bags, gloves, mask', amount: '1 set' }],
    gates: [],
    minutes: 10 + num(a, 'groups'),
    followUps: [
      rule({
        id: 'bugs-again',
        kind: 'site-work',
        what: 'Look for bugs and eggs again',
        count: 5,
        unit: 'days',
        why: 'they come back as long as fruit ripens',
        more: { onlyIf: 'some are found' },
      }),
    ],
  }),
};
