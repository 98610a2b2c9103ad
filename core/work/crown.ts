import { dayWords } from '../season/follow-ups';
import { gate, type Gate } from '../gates/gate';
import { figure, showTrunk, showVolume } from '../units/units';
import { num, rule, type Ask, type Work, type WorkFacts } from './work';

const practice = 'practice';

/** How far below the last sign of it diseased wood is cut, cm, where the knowledge base says more than the usual. */
const CUT_BELOW: Record<string, number> = {
  'fire-blight': 30,
  'dutch-elm-disease': 300,
  'black-knot': 20,
  'silver-leaf': 15,
  'bacterial-canker': 15,
  'nectria-canker': 15,
  'cytospora-canker': 15,
  'chestnut-blight': 30,
  'canker-stain': 100,
};

/** The closed season of a region for this host on this day, or null. Runs over the turn of a year where it must. */
export function closedSeason(f: Pick<WorkFacts, 'host' | 'today' | 'closedSeasons'>) {
  const day = f.today.slice(5);
  return (
    f.closedSeasons.find(
      (s) =>
        s.hosts.some((h) => h === f.host.id || f.host.groups.includes(h)) &&
        (s.from <= s.to ? day >= s.from && day <= s.to : day >= s.from || day <= s.to),
    ) ?? null
  );
}

const hazard: Ask = { key: 'hazard', kind: 'yes', name: 'Storm or hazard cut that cannot wait', usual: () => false };
const dry: Ask = { key: 'dry', kind: 'yes', name: 'The bark is dry, no rain today', usual: () => true };

/** A day of every year as people say it: 15 Apr. */
const monthDay = (day: string) => dayWords(`2024-${day}`).replace(' 2024', '');

/** Gates that every cut shares: closed season, live crown, clean tools. */
function cutGates(f: WorkFacts, a: Record<string, unknown>, livePercent: number, disease = false): Gate[] {
  const out: Gate[] = [];
  if (f.condition?.noCut)
    out.push(
      gate(
        'no-cut-authority',
        'stop',
        'No cut before the authority',
        `${f.condition.name} travels on saws: nothing is cut before the plant-health authority has spoken.`,
        `knowledge: ${f.condition.name}`,
        [],
        'Bag what lies about, photograph, telephone.',
      ),
    );
  const m = f.northernMonth ?? Number(f.today.slice(5, 7));
  if (f.host.groups.includes('stone-fruit') && (m >= 10 || m <= 3))
    out.push(
      gate(
        'stone-fruit-winter',
        'hold',
        'Stone fruit is cut in summer',
        'Silver leaf and bacterial canker enter through winter cuts on plum, cherry and their kin.',
        practice,
        [`host ${f.host.name}`],
        'Cut in dry weather from May to August; a knot or a broken limb with its reason.',
      ),
    );
  const closed = closedSeason(f);
  if (closed && disease && f.condition?.disease && closed.diseaseCuts !== false)
    out.push(
      gate(
        'closed-season-disease',
        'hold',
        'Closed season: disease cut',
        `${f.host.name} is closed to cutting from ${monthDay(closed.from)} to ${monthDay(closed.to)}; taking ${f.condition.name.toLowerCase()} out passes with its reason.`,
        `region ${f.region}`,
        [closed.why],
        'Write the reason; clean tools, paint the cut at once, the wood leaves the same day.',
      ),
    );
  else if (closed) {
    const year = Number(f.today.slice(0, 4));
    const open = closed.to < f.today.slice(5) ? year + 1 : year;
    out.push(
      a['hazard'] === true
        ? gate(
            'closed-season-hazard',
            'hold',
            'Closed season: hazard cut',
            `${f.host.name} is closed to cutting from ${monthDay(closed.from)} to ${monthDay(closed.to)}; a storm or hazard cut passes with its reason.`,
            `region ${f.region}`,
            [closed.why],
            'Write the reason; clean tools, paint the cut at once, record it.',
          )
        : gate(
            'closed-season',
            'stop',
            'Closed season',
            `${f.host.name} is not cut here from ${monthDay(closed.from)} to ${monthDay(closed.to)}: ${closed.why}`,
            `region ${f.region}`,
            [`today ${dayWords(f.today)}`],
            `Allowed after ${dayWords(`${open}-${closed.to}`)}; a storm or hazard cut with its reason.`,
          ),
    );
  }
  if (livePercent > 25)
    out.push(
      gate(
        'live-crown-limit',
        'hold',
        'Too much live crown',
        `${figure(livePercent, 2)} % of the live crown would go; a quarter is the most a sound tree carries in a year.`,
        practice,
        [],
        'In two steps, a year or more apart.',
      ),
    );
  if (a['dry'] === false)
    out.push(
      gate(
        'cut-wet',
        'hold',
        'Wet bark',
        'Spores and bacteria run with water into fresh cuts.',
        practice,
        [],
        'Wait for a dry day.',
      ),
    );
  return out;
}

/** Wound dressing by the outfit's school; the region's wilt overrides it. */
function dressing(f: WorkFacts): string {
  const oak = f.host.groups.includes('oak');
  // In a wilt region every wound is painted, at once, in every month: storm cuts fall outside the closed season too.
  if (
    oak &&
    (f.woundSchool === 'always on oak' || (f.woundSchool === 'wilt region' && (f.wiltRegion || closedSeason(f))))
  )
    return 'Paint each cut at once, any thin paint: beetles find fresh oak within minutes.';
  return 'No dressing: a clean cut at the collar closes best.';
}
const CUT_STEPS = ['Tools disinfected before this tree, and between cuts on diseased wood.'];
const CUT_TAKE = [
  { what: 'Saws, loppers, pole saw, all clean', amount: '1 set' },
  { what: '70 % alcohol, cloths', amount: '1 set' },
];

/** Works in the crown and on what falls from it. */
export const crownWorks: Work[] = [
  {
    id: 'prune-diseased',
    name: 'Cut diseased wood',
    method: 'pruning',
    when: (f) => !['rootstock-takeover', 'water-shoots', 'dense-crown'].includes(f.condition?.id ?? ''),
    asks: [
      {
        key: 'below',
        kind: 'number',
        name: 'Cut below the last sign of it by',
        unit: 'cm',
        min: 2,
        max: 500,
        usual: (f) => CUT_BELOW[f.condition?.id ?? ''] ?? 20,
      },
      {
        key: 'room',
        kind: 'number',
        name: 'Sound wood left on that limb',
        unit: 'cm',
        min: 0,
        max: 3000,
        usual: () => 100,
      },
      { key: 'limbs', kind: 'number', name: 'Limbs or twigs', unit: '', min: 1, max: 200, whole: true, usual: () => 3 },
      { key: 'live', kind: 'number', name: 'Live crown taken', unit: '%', min: 0, max: 100, usual: () => 5 },
      { key: 'union', kind: 'yes', name: 'The cut is above the graft union', usual: () => true },
      dry,
      hazard,
    ],
    workOut: (f, a) => {
      const below = num(a, 'below');
      return {
        figures: [
          {
            name: 'Cut below the last sign',
            value: showTrunk(below, f.system).value,
            unit: showTrunk(below, f.system).unit,
          },
          { name: 'Cuts', value: String(num(a, 'limbs')), unit: '' },
        ],
        sum: [
          `${f.condition?.name ?? 'diseased wood'}: ${showTrunk(below, f.system).text} into clear wood, back to a fork or the branch collar`,
        ],
        steps: [
          ...CUT_STEPS,
          'Peel a strip at the cut: still stained? Go a hand farther down.',
          dressing(f),
          'Bag or burn the prunings; infected wood leaves the place, none on the compost.',
        ],
        take: [
          ...CUT_TAKE,
          { what: 'Sacks or sheeting for infected wood', amount: String(Math.ceil(num(a, 'limbs') / 3)) },
        ],
        gates: [
          ...cutGates(f, a, num(a, 'live'), true),
          ...(num(a, 'room') < below
            ? [
                gate(
                  'no-clear-wood',
                  'hold',
                  'Not enough clear wood',
                  `Only ${num(a, 'room')} cm of sound wood is left on that limb; ${below} cm are wanted.`,
                  practice,
                  [],
                  `Allowed if cut below ${below} cm: take the whole limb at its collar, or look at the trunk.`,
                ),
              ]
            : []),
          ...(a['union'] === true
            ? []
            : [
                gate(
                  'graft-union',
                  'hold',
                  'Graft union?',
                  'Below the union only the rootstock grows back.',
                  practice,
                  [],
                  'Find the union and cut above it.',
                  'asked',
                ),
              ]),
        ],
        minutes: 10 + 6 * num(a, 'limbs'),
        followUps: [
          rule(
            'prune-look',
            'check-effect',
            'Look for the disease below the cuts',
            3,
            'weeks',
            'what was missed shows within weeks',
          ),
        ],
      };
    },
  },
  {
    id: 'rootstock',
    name: 'Take rootstock shoots',
    method: 'pruning',
    when: (f) => f.condition?.id === 'rootstock-takeover',
    asks: [
      { key: 'shoots', kind: 'number', name: 'Shoots', unit: '', min: 1, max: 300, whole: true, usual: () => 10 },
      { key: 'union', kind: 'yes', name: 'The graft union has been found', usual: () => false },
      {
        key: 'weeks',
        kind: 'number',
        name: 'Again every',
        unit: 'weeks',
        min: 2,
        max: 12,
        whole: true,
        usual: () => 4,
      },
      dry,
    ],
    workOut: (f, a) => ({
      figures: [{ name: 'Shoots, torn at their origin', value: String(num(a, 'shoots')), unit: '' }],
      sum: ['All from below the union; a cut stub answers with three new shoots, a torn one seldom.'],
      steps: [
        'Free the origin of each shoot with a trowel.',
        'Rub green ones off, tear woody ones down and out; knife only for the tail.',
        'Count them: the number falls when it works.',
      ],
      take: [{ what: 'Trowel, knife, gloves', amount: '1 set' }],
      gates: [
        ...cutGates(f, a, 0),
        ...(a['union']
          ? []
          : [
              gate(
                'graft-union',
                'hold',
                'Where is the graft union?',
                'Without it nobody knows which shoots are the stock.',
                practice,
                [],
                'Find the union: a swelling, a change of bark, other leaves.',
                'asked',
              ),
            ]),
      ],
      minutes: 5 + num(a, 'shoots'),
      followUps: [
        rule(
          'stock-again',
          'site-work',
          'Rub off new rootstock shoots',
          num(a, 'weeks'),
          'weeks',
          'while they are green they come off by hand',
          { months: [4, 5, 6, 7, 8, 9] },
        ),
      ],
    }),
  },
  {
    id: 'water-shoots',
    name: 'Thin water shoots',
    method: 'pruning',
    when: (f) => ['water-shoots', 'psyllid', 'old-age-decline'].includes(f.condition?.id ?? ''),
    asks: [
      { key: 'shoots', kind: 'number', name: 'Water shoots', unit: '', min: 1, max: 500, whole: true, usual: () => 30 },
      { key: 'keep', kind: 'number', name: 'Of them kept', unit: '%', min: 10, max: 90, usual: () => 40 },
      dry,
      hazard,
    ],
    workOut: (f, a) => {
      const keep = Math.ceil((num(a, 'shoots') * num(a, 'keep')) / 100 - 1e-9);
      const month = Number(f.today.slice(5, 7));
      return {
        figures: [
          { name: 'Take', value: String(num(a, 'shoots') - keep), unit: '' },
          { name: 'Keep', value: String(keep), unit: '' },
        ],
        sum: [`${num(a, 'shoots')} shoots, ${num(a, 'keep')} % kept: they shade the bark and feed the limb`],
        steps: [
          'Summer, while soft: tear off with the heel. Winter cuts call for more.',
          'Keep weak, flat ones, well spread; shade on the upper side of limbs.',
          ...CUT_STEPS,
        ],
        take: CUT_TAKE,
        gates: [
          ...cutGates(f, a, 0),
          ...(month < 6 || month > 9
            ? [
                gate(
                  'shoots-season',
                  'note',
                  'Better in summer',
                  'Taken in winter, water shoots come back stronger.',
                  practice,
                  [],
                  'June to September.',
                ),
              ]
            : []),
          ...(num(a, 'keep') < 25
            ? [
                gate(
                  'shoots-all',
                  'hold',
                  'Too many at once',
                  'Bare limbs burn and answer with more shoots.',
                  practice,
                  [],
                  'Keep a quarter at least.',
                ),
              ]
            : []),
        ],
        minutes: 10 + num(a, 'shoots') / 2,
        followUps: [
          rule(
            'shoots-again',
            'site-work',
            'Thin water shoots, second tier',
            1,
            'years',
            'over two or three summers, not one',
            { months: [6, 7, 8] },
          ),
        ],
      };
    },
  },
  {
    id: 'open-crown',
    name: 'Open the crown',
    method: 'pruning',
    when: (f) => !['rootstock-takeover', 'fire-blight', 'dutch-elm-disease'].includes(f.condition?.id ?? ''),
    asks: [
      { key: 'live', kind: 'number', name: 'Live crown taken', unit: '%', min: 1, max: 60, usual: () => 12 },
      { key: 'largest', kind: 'number', name: 'Largest cut', unit: 'cm', min: 0.5, max: 60, usual: () => 4 },
      dry,
      hazard,
    ],
    workOut: (f, a) => ({
      figures: [
        { name: 'Of the live crown, at most', value: String(num(a, 'live')), unit: '%' },
        {
          name: 'Largest cut',
          value: showTrunk(num(a, 'largest'), f.system).value,
          unit: showTrunk(num(a, 'largest'), f.system).unit,
        },
      ],
      sum: [`${num(a, 'live')} % of the leaf, spread over the crown, inside and outside alike`],
      steps: [
        'Crossing and inward wood first, then thin from the outside; no lion’s tails.',
        'Cut at the collar, undercut first on anything thicker than a thumb.',
        dressing(f),
        ...CUT_STEPS,
      ],
      take: CUT_TAKE,
      gates: [
        ...cutGates(f, a, num(a, 'live')),
        ...(num(a, 'largest') > 10
          ? [
              gate(
                'large-cut',
                'hold',
                'Large cut',
                'Cuts over ten centimetres seldom close; heartwood is opened.',
                practice,
                [],
                'Reduce to a smaller fork instead.',
              ),
            ]
          : []),
      ],
      minutes: 45 + 3 * num(a, 'live'),
      followUps: [
        rule(
          'crown-second',
          'site-work',
          'Open the crown, second step',
          2,
          'years',
          'in two steps: hard opening burns bark and costs the crop',
        ),
      ],
    }),
  },
  {
    id: 'water-jet',
    name: 'Water jet and hand removal',
    method: 'water jet',
    asks: [
      {
        key: 'minutes',
        kind: 'number',
        name: 'Minutes of jet',
        unit: 'min',
        min: 1,
        max: 120,
        usual: (f) => Math.max(5, Math.round((f.crownWidthM ?? 4) * 2)),
      },
      { key: 'flow', kind: 'number', name: 'Nozzle', unit: 'L/min', min: 1, max: 60, usual: () => 12 },
      {
        key: 'times',
        kind: 'number',
        name: 'Times, a week apart',
        unit: '',
        min: 1,
        max: 6,
        whole: true,
        usual: () => 2,
      },
    ],
    workOut: (f, a) => {
      const litres = showVolume(num(a, 'minutes') * num(a, 'flow') * 1000, f.system, 3);
      return {
        figures: [
          { name: 'Water, each time', value: litres.value, unit: litres.unit },
          { name: 'Times', value: String(num(a, 'times')), unit: '' },
        ],
        sum: [`${num(a, 'minutes')} min × ${num(a, 'flow')} L/min`],
        steps: [
          'Early in the day, so that leaves dry.',
          'From below, undersides first; a hand behind tender shoots.',
          'Curled leaves and egg masses by hand, into a bucket of soapy water.',
        ],
        take: [
          { what: 'Water', amount: litres.text },
          { what: 'Hose, jet nozzle, bucket, gloves', amount: '1 set' },
        ],
        gates: [],
        minutes: num(a, 'minutes') + 15,
        followUps:
          num(a, 'times') > 1
            ? [
                rule(
                  'jet-again',
                  'treat-again',
                  'Water jet again',
                  1,
                  'weeks',
                  'what was knocked off climbs back, eggs hatch',
                  { onlyIf: 'live pests are found' },
                ),
              ]
            : [
                rule(
                  'jet-look',
                  'check-effect',
                  'Count live pests',
                  1,
                  'weeks',
                  'contact: next day and again after a week',
                ),
              ],
      };
    },
  },
  {
    id: 'release',
    name: 'Biological release',
    method: 'release',
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
      { key: 'night', kind: 'number', name: 'Coldest night ahead', unit: '°C', min: -30, max: 35, usual: () => 12 },
      { key: 'needs', kind: 'number', name: 'They need nights of', unit: '°C', min: 0, max: 25, usual: () => 10 },
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
    workOut: (f, a) => {
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
                gate(
                  'release-cold',
                  'hold',
                  'Nights too cold',
                  `${num(a, 'night')} °C is forecast; they need ${num(a, 'needs')} °C.`,
                  practice,
                  [],
                  `Allowed once nights stay above ${num(a, 'needs')} °C.`,
                ),
              ]
            : []),
          ...(num(a, 'residue') < 28
            ? [
                gate(
                  'release-residue',
                  'hold',
                  'Residue on the leaf',
                  `A broad-spectrum spray was ${num(a, 'residue')} days ago; it kills helpers for weeks.`,
                  practice,
                  [],
                  `Wait ${28 - num(a, 'residue')} more days.`,
                ),
              ]
            : []),
          ...(a['ants']
            ? []
            : [
                gate(
                  'release-ants',
                  'note',
                  'Ants drive them off',
                  'Ants guard the pest and carry helpers away.',
                  practice,
                  [],
                  'Band the trunk first.',
                ),
              ]),
        ],
        minutes: 20,
        followUps: [
          rule(
            'release-look',
            'check-effect',
            'Count pests and helpers',
            2,
            'weeks',
            'helpers need one generation to show',
          ),
        ],
      };
    },
  },
  {
    id: 'bagging',
    name: 'Fruit bagging',
    method: 'bagging',
    asks: [
      {
        key: 'fruits',
        kind: 'number',
        name: 'Fruits after thinning',
        unit: '',
        min: 1,
        max: 5000,
        whole: true,
        usual: () => 80,
      },
      { key: 'size', kind: 'number', name: 'Fruit now', unit: 'mm', min: 5, max: 80, usual: () => 20 },
    ],
    workOut: (f, a) => ({
      figures: [{ name: 'Bags', value: String(Math.ceil(num(a, 'fruits') * 1.05)), unit: '' }],
      sum: [`${num(a, 'fruits')} fruits, five in a hundred to spare`],
      steps: [
        'Thin to one fruit a cluster first.',
        'Dry fruit, closed around the stalk without squeezing it.',
        'Colour wanted? Bags off two to three weeks before picking.',
      ],
      take: [
        { what: 'Bags and ties', amount: String(Math.ceil(num(a, 'fruits') * 1.05)) },
        { what: 'Ladder, apron', amount: '1 set' },
      ],
      gates:
        num(a, 'size') > 30
          ? [
              gate(
                'bagging-late',
                'hold',
                'Late for bagging',
                `Fruit of ${num(a, 'size')} mm may already be stung; a bag then keeps the grub in.`,
                practice,
                [],
                'Bag at 15 to 25 mm; look for entry holes first.',
              ),
            ]
          : [],
      minutes: 5 + num(a, 'fruits') / 3,
      followUps: [
        rule('bag-off', 'site-work', 'Take the bags off', 12, 'weeks', 'two to three weeks before picking, for colour'),
      ],
    }),
  },
  {
    id: 'sanitation',
    name: 'Sanitation',
    method: 'sanitation',
    asks: [
      {
        key: 'what',
        kind: 'choice',
        name: 'What is gathered',
        options: ['fallen fruit', 'nuts', 'twigs', 'leaves', 'mummies', 'infested wood'],
        usual: (f) => (f.host.edible ? 'fallen fruit' : 'leaves'),
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
        key: 'then',
        kind: 'choice',
        name: 'Then',
        options: [
          'bagged and taken away',
          'hot compost, 60 °C for a week',
          'heated through, 60 °C for an hour',
          'buried 50 cm deep',
          'burnt where allowed',
        ],
        usual: () => 'bagged and taken away',
      },
    ],
    workOut: (f, a) => {
      const m2 = Math.PI * num(a, 'radius') ** 2;
      const litres = m2 * num(a, 'litres');
      const wood = a['what'] === 'infested wood';
      return {
        figures: [
          {
            name: 'To be taken away',
            value: showVolume(litres * 1000, f.system, 2).value,
            unit: showVolume(litres * 1000, f.system, 2).unit,
          },
          { name: 'Sacks of 80 L', value: String(Math.ceil(litres / 80)), unit: '' },
        ],
        sum: [`π × (${num(a, 'radius')} m)² = ${figure(m2, 3)} m², ${num(a, 'litres')} L on each`],
        steps: [
          `${String(a['what'])[0]!.toUpperCase()}${String(a['what']).slice(1)}: under the whole crown, and what still hangs in it.`,
          'Within the week it falls: what lies longer has already let the next generation out.',
          wood
            ? 'Heated until the middle of the thickest piece has had 60 °C for an hour; else chipped under 25 mm.'
            : `${String(a['then'])[0]!.toUpperCase()}${String(a['then']).slice(1)}.`,
        ],
        take: [{ what: 'Sacks, rakes, gloves', amount: String(Math.ceil(litres / 80)) }],
        gates:
          a['then'] === 'burnt where allowed'
            ? [
                gate(
                  'burning-rules',
                  'hold',
                  'Burning',
                  'Fires are forbidden or need leave in many places and seasons.',
                  'local rules',
                  [],
                  'Ask, or bag it.',
                ),
              ]
            : wood && a['then'] === 'bagged and taken away'
              ? [
                  gate(
                    'wood-moves',
                    'hold',
                    'Infested wood on the road',
                    'It carries the pest to new places; a region may forbid it.',
                    'local rules',
                    [],
                    'Heat or chip it on the place.',
                  ),
                ]
              : [],
        minutes: Math.ceil(10 + m2 / 2),
        followUps: [
          rule(
            'sanitation-again',
            'site-work',
            `Gather ${String(a['what'])} again`,
            1,
            'weeks',
            'as long as it falls',
            { onlyIf: 'more has fallen' },
          ),
        ],
      };
    },
  },
];
