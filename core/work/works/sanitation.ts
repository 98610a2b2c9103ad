import { gate } from '../../gates/gate';
import { figure, showVolume } from '../../../lib/units/units';
import { num, rule, type Work } from '../work';

/** What falls is gathered again after so many days: usually, and where the pest leaves it sooner. */
const AGAIN_DAYS = 7;
const AGAIN_SOONER: Readonly<Record<string, number>> = {
  'nut-weevil': 1,
  filbertworm: 1,
  'codling-moth': 1,
  'fruit-fly': 2,
  'plum-curculio': 2,
  'apple-maggot': 3,
};
const againDays = (condition: string | null | undefined) => AGAIN_SOONER[condition ?? ''] ?? AGAIN_DAYS;
/** Nuts with grubs: what kills the grub and the seed, and what leaves the nut good to eat. Chips in which no borer lives on. */
const HEATED = { wasteC: 60, wasteMinutes: 30, eatenC: 49, eatenMinutes: '20 to 30' } as const;
const WASTE_NUTS = `nuts heated, ${HEATED.wasteC} °C for ${HEATED.wasteMinutes} minutes`;
const EATEN_NUTS = `nuts in water, ${HEATED.eatenC} °C for ${HEATED.eatenMinutes} minutes`;
const CHIPPED_MM = 25;
const NUTS = ['nut-weevil', 'filbertworm'];
const BORED = ['polyphagous-borer', 'shot-hole-borer', 'ips-engravers', 'elm-bark-beetle', 'spruce-bark-beetle'];

export const sanitationWork: Work = {
  id: 'sanitation',
  name: 'Sanitation',
  method: 'sanitation',
  // A tie is cut, not gathered.
  when: (f) => f.condition?.id !== 'ties',
  // Weekly while it falls, about six weeks; every crop.
  life: { times: 6, apart: AGAIN_DAYS, everyYears: 1, courses: null },
  goesBy: (condition) => [
    ...(condition !== null && condition in AGAIN_SOONER
      ? [{ what: 'again while it falls, after', from: againDays(condition), unit: 'days' } as const]
      : []),
    ...(NUTS.includes(condition ?? '')
      ? ([
          { what: `waste nuts heated for ${HEATED.wasteMinutes} minutes to`, from: HEATED.wasteC, unit: '°C' },
          { what: `nuts to eat, in water for ${HEATED.eatenMinutes} minutes, at`, from: HEATED.eatenC, unit: '°C' },
        ] as const)
      : []),
    ...(BORED.includes(condition ?? '') ? [{ what: 'chipped under', from: CHIPPED_MM, unit: 'mm' } as const] : []),
  ],
  asks: [
    {
      key: 'what',
      kind: 'choice',
      name: 'What is gathered',
      options: ['fallen fruit', 'nuts', 'twigs', 'leaves', 'mummies', 'infested wood'],
      usual: (f) => {
        if (NUTS.includes(f.condition?.id ?? '')) return 'nuts';
        if (BORED.includes(f.condition?.id ?? '')) return 'infested wood';
        return f.host.edible ? 'fallen fruit' : 'leaves';
      },
    },
    {
      key: 'radius',
      kind: 'number',
      name: 'Gathered out to',
      unit: 'm',
      min: 0.5,
      max: 30,
      usual: (f) => Math.max(2, Math.round((f.crownWidthM ?? 4) * 6) / 10),
    },
    { key: 'litres', kind: 'number', name: 'On a square metre', unit: 'L', min: 0.1, max: 100, usual: () => 4 },
    {
      key: 'again',
      kind: 'number',
      name: 'Again after',
      unit: 'days',
      min: 1,
      max: 60,
      whole: true,
      usual: (f) => againDays(f.condition?.id),
    },
    {
      key: 'then',
      kind: 'choice',
      name: 'Then',
      options: [
        'bagged and taken away',
        'hot compost, 60 °C for a week',
        WASTE_NUTS,
        EATEN_NUTS,
        'heated through, 60 °C for an hour',
        'buried 50 cm deep',
        'burnt where allowed',
      ],
      usual: (f) => (NUTS.includes(f.condition?.id ?? '') ? WASTE_NUTS : 'bagged and taken away'),
    },
  ],
  workOut: (facts, a) => {
    const m2 = Math.PI * num(a, 'radius') ** 2;
    const litres = m2 * num(a, 'litres');
    const wood = a['what'] === 'infested wood';
    return {
      figures: [
        {
          name: 'To be taken away',
          value: showVolume(litres * 1000, facts.system, 2).value,
          unit: showVolume(litres * 1000, facts.system, 2).unit,
        },
        { name: 'Sacks of 80 L', value: String(Math.ceil(litres / 80)), unit: '' },
      ],
      sum: [`π × (${num(a, 'radius')} m)² = ${figure(m2, 3)} m², ${num(a, 'litres')} L on each`],
      steps: [
        `${String(a['what'])[0]!.toUpperCase()}${String(a['what']).slice(1)}: under the whole crown, and what still hangs in it.`,
        'Within the week it falls: what lies longer has already let the next generation out.',
        wood
          ? `Heated until the middle of the thickest piece has had 60 °C for an hour; else chipped under ${CHIPPED_MM} mm.`
          : `${String(a['then'])[0]!.toUpperCase()}${String(a['then']).slice(1)}.`,
        ...(a['what'] === 'nuts' && a['then'] === WASTE_NUTS ? [`To eat: ${EATEN_NUTS}.`] : []),
      ],
      take: [{ what: 'Sacks, rakes, gloves', amount: String(Math.ceil(litres / 80)) }],
      gates:
        a['then'] === 'burnt where allowed'
          ? [
              gate({
                id: 'burning-rules',
                strength: 'hold',
                title: 'Burning',
                sentence: 'Fires are forbidden or need leave in many places and seasons.',
                source: 'local rules',
                satisfy: 'Ask, or bag it.',
              }),
            ]
          : wood && a['then'] === 'bagged and taken away'
            ? [
                gate({
                  id: 'wood-moves',
                  strength: 'hold',
                  title: 'Infested wood on the road',
                  sentence: 'It carries the pest to new places; a region may forbid it.',
                  source: 'local rules',
                  satisfy: 'Heat or chip it on the place.',
                }),
              ]
            : [],
      minutes: Math.ceil(10 + m2 / 2),
      followUps: [
        rule({
          id: 'sanitation-again',
          kind: 'site-work',
          what: `Gather ${String(a['what'])} again`,
          count: num(a, 'again'),
          unit: 'days',
          why: 'as long as it falls',
          more: {
            onlyIf: 'more has fallen',
          },
        }),
      ],
    };
  },
};
