import { z } from 'zod';
import type { Bbch } from '@/core/season/bbch';
import { growthSchema, type Growth } from '@/core/season/growth-schema';
import type { Host } from '@/core/diagnose/knowledge';

const CHILL = { belowC: 5, scale: 40, extra: 0.8 };
const LITTLE_CHILL = { belowC: 7, scale: 30, extra: 0.5 };
const FRUIT =
  'extension tables of bud stages, base 42 °F (5.6 °C) from 1 January; more heat after a winter with little chill; a week either way until it is watched';
const TREES =
  'usual dates of maritime and continental Europe, turned into heat above 5 °C; ten days either way until it is watched';
const WARM = 'usual dates of coastal dry-summer places, turned into heat; two weeks either way until it is watched';

type Sums = [code: Bbch, sum: number][];
const sums = (of: Sums) => of.map(([code, sum]) => ({ code, sum }));

/** Colouring, first leaves down, half of them, bare: cold below a mean of 20 °C once a day is shorter than 13 hours. */
const autumn = (...[colour, begins, half, bare]: [number, number, number, number]) => ({
  dayLengthH: 13,
  belowC: 20,
  stages: sums([
    [92, colour],
    [93, begins],
    [95, half],
    [97, bare],
  ]),
});
const USUAL_FALL = autumn(220, 330, 460, 640);
const LATE_FALL = autumn(310, 430, 570, 760);
const EARLY_FALL = autumn(160, 270, 390, 530);

/** A broadleaf of the street or the wood: bud break, leaves unfolding, full leaf; its bloom where it matters. */
const tree = (
  id: string,
  hosts: string[],
  [breaks, unfolds, full]: [number, number, number],
  fall: Growth['autumn'] = USUAL_FALL,
  bloom: Sums = [],
): z.input<typeof growthSchema> => ({
  id,
  hosts,
  baseC: 5,
  chill: CHILL,
  spring: sums([[9, breaks], [11, unfolds], [19, full], ...bloom] as Sums).sort((a, b) => a.sum - b.sum),
  autumn: fall,
  flushesApart: null,
  sureDays: 10,
  basis: TREES,
});
const fruit = (
  id: string,
  hosts: string[],
  of: Sums,
  chill: Growth['chill'] = CHILL,
): z.input<typeof growthSchema> => ({
  id,
  hosts,
  baseC: 5.6,
  chill,
  spring: sums(of).sort((a, b) => a.sum - b.sum),
  autumn: LATE_FALL,
  flushesApart: null,
  sureDays: 8,
  basis: FRUIT,
});
const conifer = (id: string, hosts: string[], of: Sums): z.input<typeof growthSchema> => ({
  id,
  hosts,
  baseC: 5,
  chill: LITTLE_CHILL,
  spring: sums(of),
  autumn: null,
  flushesApart: null,
  sureDays: 10,
  basis: TREES,
});

/** Keeps its leaves: shoots, and bloom where it matters; no autumn. */
const evergreen = (
  id: string,
  hosts: string[],
  baseC: number,
  basis: string,
  of: Sums,
): z.input<typeof growthSchema> => ({
  id,
  hosts,
  baseC,
  chill: null,
  spring: sums(of),
  autumn: null,
  flushesApart: null,
  sureDays: basis === WARM ? 14 : 10,
  basis,
});

/** How the hosts that ship grow through the year. A host that none of them is for keeps to the calendar. */
export const growths: readonly Growth[] = z.array(growthSchema).parse([
  tree('elm', ['elm'], [150, 210, 380], USUAL_FALL, [
    [60, 25],
    [65, 45],
    [69, 75],
  ]),
  tree('lime', ['lime'], [190, 230, 350], EARLY_FALL, [
    [60, 780],
    [65, 850],
    [69, 980],
  ]),
  tree('oak', ['white-oak', 'red-oak'], [190, 250, 420], LATE_FALL, [[65, 260]]),
  tree('ash', ['ash'], [260, 320, 520], autumn(180, 260, 350, 460), [[65, 190]]),
  tree('beech', ['beech'], [210, 260, 380], LATE_FALL, [[65, 290]]),
  tree('birch', ['birch'], [120, 160, 300], EARLY_FALL, [[65, 150]]),
  tree('maple', ['maple'], [150, 210, 350], USUAL_FALL, [
    [60, 170],
    [65, 200],
    [69, 270],
  ]),
  tree('horse-chestnut', ['horse-chestnut'], [100, 150, 280], EARLY_FALL, [
    [60, 240],
    [65, 300],
    [69, 380],
  ]),
  tree('plane', ['plane'], [230, 290, 460], LATE_FALL),
  tree('chestnut', ['chestnut'], [220, 280, 450], LATE_FALL, [
    [60, 800],
    [65, 900],
    [69, 1020],
  ]),
  tree('hazel', ['hazel', 'alder'], [100, 150, 300], USUAL_FALL, [[65, 20]]),
  tree('hornbeam', ['hornbeam'], [140, 190, 320]),
  tree('willow', ['willow', 'poplar'], [120, 170, 330], USUAL_FALL, [[65, 90]]),
  tree('walnut', ['walnut'], [280, 340, 520]),
  tree('robinia', ['robinia'], [260, 330, 500], USUAL_FALL, [
    [60, 440],
    [65, 500],
    [69, 600],
  ]),
  tree('tulip-tree', ['tulip-tree', 'magnolia'], [180, 230, 360]),
  tree('sweetgum', ['sweetgum'], [210, 270, 420], LATE_FALL),
  tree('mulberry', ['mulberry', 'crape-myrtle', 'fringetree'], [280, 340, 500]),
  tree('hawthorn', ['hawthorn'], [60, 100, 230], USUAL_FALL, [
    [60, 260],
    [65, 310],
    [69, 390],
  ]),
  tree('rowan', ['rowan'], [110, 160, 300], EARLY_FALL, [
    [60, 290],
    [65, 340],
    [69, 430],
  ]),
  fruit(
    'apple',
    ['apple'],
    [
      [1, 35],
      [7, 62],
      [10, 90],
      [57, 150],
      [60, 190],
      [65, 220],
      [69, 280],
      [19, 300],
      [71, 330],
    ],
  ),
  fruit(
    'pear',
    ['pear', 'quince'],
    [
      [1, 25],
      [7, 50],
      [10, 78],
      [57, 120],
      [60, 145],
      [65, 175],
      [69, 230],
      [19, 260],
      [71, 275],
    ],
  ),
  fruit(
    'cherry',
    ['cherry'],
    [
      [1, 30],
      [7, 60],
      [57, 110],
      [60, 140],
      [10, 150],
      [65, 165],
      [69, 220],
      [71, 260],
      [19, 290],
    ],
  ),
  fruit(
    'plum',
    ['plum'],
    [
      [1, 25],
      [7, 50],
      [60, 115],
      [10, 130],
      [65, 140],
      [69, 190],
      [71, 230],
      [19, 280],
    ],
  ),
  fruit(
    'peach',
    ['peach'],
    [
      [1, 15],
      [7, 35],
      [57, 70],
      [60, 95],
      [10, 110],
      [65, 120],
      [11, 140],
      [69, 175],
      [71, 215],
      [19, 280],
    ],
  ),
  fruit(
    'almond',
    ['almond', 'apricot'],
    [
      [1, 8],
      [60, 45],
      [65, 65],
      [10, 95],
      [69, 105],
      [71, 150],
      [19, 250],
    ],
    LITTLE_CHILL,
  ),
  {
    id: 'citrus',
    hosts: ['citrus'],
    baseC: 12.5,
    chill: null,
    spring: sums([
      [31, 40],
      [60, 100],
      [65, 170],
      [69, 250],
      [71, 290],
    ]),
    autumn: null,
    flushesApart: 60,
    sureDays: 14,
    basis:
      'flush and bloom of sweet orange above 12.5 °C in dry-summer climates; later flushes follow water, and are seen, not told',
  },
  conifer(
    'spruce',
    ['spruce', 'hemlock', 'douglas-fir', 'fir', 'yew'],
    [
      [9, 220],
      [31, 320],
      [39, 750],
    ],
  ),
  conifer(
    'pine',
    ['pine'],
    [
      [1, 120],
      [31, 200],
      [39, 700],
    ],
  ),
  tree('larch', ['larch'], [80, 120, 280], LATE_FALL),
  tree('hackberry', ['hackberry', 'honeylocust', 'jacaranda'], [270, 330, 510]),
  tree('ginkgo', ['ginkgo'], [230, 280, 420]),
  tree('dogwood', ['dogwood'], [180, 240, 380], USUAL_FALL, [
    [60, 200],
    [65, 250],
    [69, 340],
  ]),
  tree('hickory', ['hickory', 'pistachio'], [320, 390, 600], USUAL_FALL, [
    [60, 440],
    [65, 500],
    [69, 580],
  ]),
  tree('serviceberry', ['serviceberry'], [110, 150, 300], USUAL_FALL, [
    [60, 150],
    [65, 190],
    [69, 250],
    [71, 290],
  ]),
  tree('medlar', ['medlar', 'cotoneaster'], [130, 190, 350], LATE_FALL, [
    [60, 400],
    [65, 460],
    [69, 560],
    [71, 600],
  ]),
  tree('persimmon', ['persimmon', 'fig'], [260, 330, 500], LATE_FALL, [
    [60, 640],
    [65, 720],
    [69, 820],
    [71, 860],
  ]),
  tree('pomegranate', ['pomegranate'], [380, 460, 620], LATE_FALL, [
    [60, 640],
    [65, 760],
    [69, 1050],
    [71, 1080],
  ]),
  evergreen('hedge', ['box', 'holly', 'euonymus', 'cherry-laurel', 'laurel', 'strawberry-tree'], 5, TREES, [
    [9, 150],
    [31, 240],
    [39, 650],
  ]),
  evergreen('evergreen-oak', ['holm-oak', 'live-oak', 'tanoak'], 5, WARM, [
    [9, 320],
    [31, 420],
    [65, 480],
    [39, 950],
  ]),
  evergreen('olive', ['olive'], 9, WARM, [
    [31, 130],
    [60, 430],
    [65, 490],
    [69, 580],
    [71, 640],
  ]),
  evergreen('avocado', ['avocado'], 10, WARM, [
    [31, 70],
    [60, 90],
    [65, 180],
    [69, 320],
    [71, 380],
  ]),
  conifer(
    'scale-leaved',
    ['juniper', 'cypress', 'thuja', 'sequoia', 'cedar'],
    [
      [9, 200],
      [31, 300],
      [39, 900],
    ],
  ),
]);

/** How a host grows through the year; null where nobody here can say. */
export const growthOf = (host: Pick<Host, 'id' | 'groups' | 'growsLike'>): Growth | null =>
  growths.find((g) => g.hosts.includes(host.growsLike ?? host.id)) ??
  growths.find((g) => host.groups.some((h) => g.hosts.includes(h))) ??
  null;
