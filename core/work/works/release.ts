import { gate } from '../../gates/gate';
import { figure } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** Nights, or soil for what goes into it, that let the released hunt, °C. */
const NEEDS_C = 12;
const NEEDS_MORE: Readonly<Record<string, number>> = { capnodis: 15 };
const needs = (condition: string | null | undefined) => NEEDS_MORE[condition ?? ''] ?? NEEDS_C;

export const releaseWork: Work = {
  id: 'release',
  name: 'Biological release',
  method: 'release',
  // Twice, two weeks apart; every season in which the pest comes back.
  life: { times: 2, apart: 14, everyYears: 1, courses: null },
  goesBy: (condition) => [{ what: 'nights, or the soil they go into, above', from: needs(condition), unit: '°C' }],
  asks: [
    {
      key: 'perTree',
      kind: 'number',
      name: 'Animals for this tree, by the supplier’s sheet',
      unit: '',
      min: 1,
      max: 1e6,
      whole: true,
      usual: (f) => Math.max(50, Math.round(((f.crownWidthM ?? 4) ** 2 * 10) / 50) * 50),
    },
    { key: 'pack', kind: 'number', name: 'In one pack', unit: '', min: 1, max: 1e6, whole: true, usual: () => 250 },
    {
      key: 'night',
      kind: 'number',
      name: 'Coldest night ahead, or the soil they go into',
      unit: '°C',
      min: -30,
      max: 35,
      usual: () => 12,
    },
    {
      key: 'needs',
      kind: 'number',
      name: 'They need',
      unit: '°C',
      min: 0,
      max: 25,
      usual: (f) => needs(f.condition?.id),
    },
    {
      key: 'residue',
      kind: 'number',
      name: 'Days since a broad-spectrum spray',
      unit: 'days',
      min: 0,
      max: 3660,
      usual: () => 60,
    },
    { key: 'ants', kind: 'yes', name: 'Ants are kept off', usual: () => false },
  ],
  workOut: (facts, a) => {
    const packs = Math.ceil(num(a, 'perTree') / num(a, 'pack') - 1e-9);
    return {
      figures: [
        { name: 'Animals', value: figure(num(a, 'perTree'), 4), unit: '' },
        { name: 'Packs', value: String(packs), unit: '' },
      ],
      sum: [
        `${figure(num(a, 'perTree'))} ÷ ${figure(num(a, 'pack'))} a pack, rounded up; the rest goes onto the worst tree`,
      ],
      steps: [
        'Cool on the way, out of the sun, released the day they arrive.',
        'In the evening, onto infested leaves, several places in the crown.',
        'No spray on this tree until they have done their work.',
      ],
      take: [
        { what: 'Packs, in a cool box', amount: String(packs) },
        { what: 'Brush, paper cups, ladder', amount: '1 set' },
      ],
      gates: [
        ...(num(a, 'night') < num(a, 'needs')
          ? [
              gate({
                id: 'release-cold',
                strength: 'hold',
                title: 'Too cold for them',
                sentence: `${num(a, 'night')} °C are to be expected; they need ${num(a, 'needs')} °C.`,
                source: 'practice',
                satisfy: `Allowed once it stays above ${num(a, 'needs')} °C.`,
              }),
            ]
          : []),
        ...(num(a, 'residue') < 28
          ? [
              gate({
                id: 'release-residue',
                strength: 'hold',
                title: 'Residue on the leaf',
                sentence: `A broad-spectrum spray was ${num(a, 'residue')} days ago; it kills helpers for weeks.`,
                source: 'practice',
                satisfy: `Wait ${28 - num(a, 'residue')} more days.`,
              }),
            ]
          : []),
        ...(a['ants']
          ? []
          : [
              gate({
                id: 'release-ants',
                strength: 'note',
                title: 'Ants drive them off',
                sentence: 'Ants guard the pest and carry helpers away.',
                source: 'practice',
                satisfy: 'Band the trunk first.',
              }),
            ]),
      ],
      minutes: 20,
      followUps: [
        rule({
          id: 'release-look',
          kind: 'check-effect',
          what: 'Count pests and helpers',
          count: 2,
          unit: 'weeks',
          why: 'helpers need one generation to show',
        }),
      ],
    };
  },
};
