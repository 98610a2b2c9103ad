import { ink, solid, thin, wood, type Drawing } from './drawing';
import { at, dot, paper, type Point } from './marks';

const BLADE = 'M60 8C98 28 102 80 60 112C18 80 22 28 60 8Z';
const VEINS = 'M60 12V112M60 42L78 31M60 42L42 31M60 64L85 50M60 64L35 50M60 86L79 75M60 86L41 75';

/** A leaf from above, with its veins behind the mark. */
const onLeaf = (marks: React.ReactNode, veins: React.ReactNode = <path d={VEINS} {...thin} />) => (
  <>
    <path d={BLADE} {...ink} />
    {veins}
    {marks}
  </>
);
const FIVE: readonly Point[] = [
  [44, 40, 8],
  [78, 44, 6],
  [40, 70, 6],
  [74, 78, 8],
  [58, 96, 5],
];

/** Marks on leaves, all on one leaf: what differs is the mark. */
export const LEAF_SIGNS: Record<string, Drawing> = {
  'spot-tar': {
    name: 'Thick black spots',
    scale: '5–15 mm, like drops of tar; nothing wipes off',
    draw: onLeaf(
      at(FIVE, (x, y, r) => (
        <path
          d={`M${x - r} ${y}q${r / 2}-${r * 1.4} ${r}-${r / 2}q${r * 1.3} 0 ${r} ${r}q-${r} ${r}-${r * 2}-${r / 2}z`}
          {...solid}
        />
      )),
    ),
  },
  'spot-velvet': {
    name: 'Spots with feathered edges',
    scale: '5–10 mm, olive velvet along the veins',
    draw: onLeaf(
      at(FIVE, (x, y, r) => (
        <>
          <circle cx={x} cy={y} r={r * 0.7} fill="var(--ink)" fillOpacity="0.45" />
          <path
            d={Array.from(
              { length: 10 },
              (_, i) =>
                `M${x} ${y}l${(Math.cos(i * 0.628) * r * 1.5).toFixed(1)} ${(Math.sin(i * 0.628) * r * 1.5).toFixed(1)}`,
            ).join('')}
            {...thin}
          />
        </>
      )),
    ),
  },
  'spot-rust': {
    name: 'Spots with a rim and fine dots',
    scale: 'orange, 5–10 mm; tubes or horns below',
    draw: onLeaf(
      at(FIVE, (x, y, r) => (
        <>
          <circle cx={x} cy={y} r={r + 1} {...paper} />
          {dot(x, y)}
          {dot(x - 3, y + 2, 1.2)}
          {dot(x + 3, y - 2, 1.2)}
        </>
      )),
    ),
  },
  'spot-frogeye': {
    name: 'Pale spots with a dark rim',
    scale: '4–6 mm, tan within, purple about',
    draw: onLeaf(at(FIVE, (x, y, r) => <circle cx={x} cy={y} r={r} {...paper} strokeWidth="4.5" />)),
  },
  'spot-rings': {
    name: 'Round spots with rings',
    scale: '5–10 mm, like the eye of a feather',
    draw: onLeaf(
      at(FIVE, (x, y, r) => (
        <>
          <circle cx={x} cy={y} r={r + 2} {...paper} strokeWidth="1.6" />
          <circle cx={x} cy={y} r={r - 1.5} {...ink} strokeWidth="1.6" />
          {dot(x, y)}
        </>
      )),
    ),
  },
  'spot-shot': {
    name: 'Round holes with a rim',
    scale: '2–5 mm; the spot has fallen out',
    draw: onLeaf(
      at(FIVE, (x, y, r) => (
        <circle
          cx={x}
          cy={y}
          r={r * 0.8}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="2.6"
          strokeDasharray="4 1.4"
        />
      )),
    ),
  },
  'spot-halo': {
    name: 'Raised cork with a halo',
    scale: 'felt on both sides of the leaf',
    draw: onLeaf(
      at(FIVE, (x, y, r) => (
        <>
          <circle
            cx={x}
            cy={y}
            r={r + 3}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="1.2"
            strokeDasharray="2 2.4"
          />
          <path
            d={`M${x - r / 2} ${y - r / 2}L${x + r / 2} ${y - r / 2}L${x + r / 1.6} ${y + r / 3}L${x} ${y + r / 1.4}L${x - r / 1.6} ${y + r / 3}Z`}
            {...solid}
          />
        </>
      )),
    ),
  },
  'fade-mottle': {
    name: 'Blotches that cross the veins',
    scale: 'the two halves of the leaf differ',
    draw: onLeaf(
      <path
        d="M62 26C84 30 92 44 84 52C72 58 62 44 62 26ZM58 62C42 54 26 62 34 72C44 84 56 78 58 62ZM64 80C78 72 92 74 84 86C76 98 64 96 64 80Z"
        fill="var(--ink)"
        fillOpacity="0.28"
        stroke="var(--ink)"
        strokeWidth="1"
        strokeDasharray="2 2"
      />,
    ),
  },
  'fade-between': {
    name: 'Pale between green veins',
    scale: 'the youngest leaves first, both halves alike',
    draw: onLeaf(
      at(
        [
          [46, 50],
          [74, 50],
          [42, 64],
          [78, 64],
          [48, 76],
          [72, 76],
          [50, 92],
          [70, 92],
          [48, 34],
          [72, 34],
          [86, 62],
          [34, 60],
        ],
        (x, y) => dot(x, y, 1.5),
      ),
      <path d={VEINS} {...ink} strokeWidth="3.4" />,
    ),
  },
  'fade-wedge': {
    name: 'Green wedge at the stalk',
    scale: 'the oldest leaves first, pale from the edge in',
    draw: onLeaf(
      <path
        d="M60 58C72 70 80 86 78 96C70 106 64 110 60 112C56 110 50 106 42 96C40 86 48 70 60 58Z"
        fill="var(--ink)"
        fillOpacity="0.4"
      />,
    ),
  },
  'roll-pucker': {
    name: 'Thick, puckered, brittle',
    scale: 'red or pale bulges, no insect within',
    draw: (
      <>
        <path
          d="M60 8C78 12 72 26 86 30C100 36 88 48 96 60C102 74 84 78 84 90C80 106 66 104 60 114C54 104 40 106 36 90C36 78 18 74 24 60C32 48 20 36 34 30C48 26 42 12 60 8Z"
          {...ink}
        />
        <path d="M60 14V112" {...thin} />
        <path
          d="M70 30q12 4 8 16M50 30q-12 4-8 16M70 58q16 2 12 16M50 58q-16 2-12 16M66 86q10 0 8 10M54 86q-10 0-8 10"
          {...ink}
          strokeWidth="1.8"
        />
      </>
    ),
  },
  'roll-curl': {
    name: 'Rolled along its length',
    scale: 'open one: insects, webbing, or nothing within',
    draw: (
      <>
        <path d="M44 14C26 40 26 84 46 108C54 116 66 116 74 108C94 84 94 40 76 14C68 4 52 4 44 14Z" {...ink} />
        <path d="M60 14C46 44 46 80 60 108C74 80 74 44 60 14Z" {...paper} />
        <path
          d="M42 30L50 34M36 46L48 49M34 62L48 63M36 78L49 76M42 92L53 88M78 30L70 34M84 46L72 49M86 62L72 63M84 78L71 76M78 92L67 88"
          {...thin}
        />
      </>
    ),
  },
  'roll-pod': {
    name: 'Folded like a pod',
    scale: 'shut along the midrib',
    draw: (
      <>
        <path d="M20 104C8 62 44 18 104 12C100 66 66 106 20 104Z" {...ink} />
        <path d="M20 104C44 74 72 40 104 12" {...ink} strokeWidth="4" />
        {at(
          [
            [64, 66],
            [56, 78],
            [78, 52],
          ],
          (x, y) => (
            <path d={`M${x} ${y}l7-3`} {...ink} strokeWidth="3" />
          ),
        )}
      </>
    ),
  },
  'gall-leaf': {
    name: 'Nails, pimples or balls on the leaf',
    scale: '1–8 mm, grown from the leaf itself',
    draw: onLeaf(
      <>
        {at(
          [
            [42, 46],
            [80, 50],
            [46, 78],
          ],
          (x, y) => (
            <path d={`M${x} ${y}l-2-13q2-4 4 0z`} {...wood} strokeWidth="1.8" />
          ),
        )}
        {at(
          [
            [74, 82, 6],
            [66, 34, 5],
          ],
          (x, y, r) => (
            <circle cx={x} cy={y} r={r} {...wood} strokeWidth="2" />
          ),
        )}
      </>,
    ),
  },
  'chew-notch': {
    name: 'Edges notched',
    scale: 'smooth bites from the margin in',
    draw: (
      <>
        <path
          d="M60 8C76 16 84 26 88 36C76 36 74 48 90 50C92 60 90 68 86 76C74 72 70 82 80 90C74 100 68 106 60 112C52 106 46 102 42 94C52 90 48 78 36 80C30 70 28 58 30 48C42 50 46 40 34 34C40 22 50 14 60 8Z"
          {...ink}
        />
        <path d="M60 14V110M60 44L74 40M60 66L78 60M60 62L38 58M60 86L70 80" {...thin} />
      </>
    ),
  },
  'chew-hole': {
    name: 'Holes in the blade',
    scale: 'torn outlines, veins bitten through',
    draw: onLeaf(
      at(
        [
          [44, 44],
          [76, 40],
          [78, 72],
          [44, 78],
        ],
        (x, y) => <path d={`M${x - 9} ${y}q2-9 9-7q10-1 8 6q2 9-7 8q-9 3-10-7z`} {...paper} strokeWidth="1.8" />,
      ),
    ),
  },
  'chew-lace': {
    name: 'Lace: only veins are left',
    scale: 'skin eaten from one side, nets of veins',
    draw: (
      <>
        <path d={BLADE} {...ink} strokeDasharray="5 3" />
        <path d={VEINS} {...ink} />
        <path
          d="M48 32L50 52M72 32L70 52M44 50L46 68M76 50L74 68M42 66L46 84M78 66L74 84M50 84L52 98M70 84L68 98M36 52L38 64M84 52L82 64"
          {...thin}
        />
      </>
    ),
  },
  'chew-trail': {
    name: 'Silver trail with a dark thread',
    scale: 'winds, widens, a grub at its end',
    draw: onLeaf(
      <>
        <path
          d="M40 34C58 26 70 34 62 44C50 54 36 52 40 64C48 76 78 62 80 76C80 86 66 88 58 96"
          stroke="var(--ink)"
          strokeWidth="9"
          strokeLinecap="round"
          fill="none"
        />
        <path
          d="M40 34C58 26 70 34 62 44C50 54 36 52 40 64C48 76 78 62 80 76C80 86 66 88 58 96"
          stroke="var(--sheet)"
          strokeWidth="6"
          strokeLinecap="round"
          fill="none"
        />
        <path d="M40 34C58 26 70 34 62 44C50 54 36 52 40 64C48 76 78 62 80 76C80 86 66 88 60 94" {...thin} />
        <ellipse cx="57" cy="97" rx="5" ry="3" {...solid} />
      </>,
    ),
  },
};
