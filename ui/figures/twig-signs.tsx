import { ink, solid, thin, wood, type Drawing } from './drawing';
import { at, dot, paper } from './marks';

/** Needles along a shoot, from the side. */
const onNeedles = (marks: React.ReactNode) => (
  <>
    <path d="M10 96L110 66" {...ink} strokeWidth="4" />
    <path d="M24 92L8 40M40 87L28 30M56 82L48 24M72 77L68 20M88 73L90 20M102 69L112 26" {...ink} strokeWidth="5" />
    <path
      d="M24 92L8 40M40 87L28 30M56 82L48 24M72 77L68 20M88 73L90 20M102 69L112 26"
      stroke="var(--sheet)"
      strokeWidth="2"
      fill="none"
    />
    {marks}
  </>
);
/** One needle, as a loupe shows it. */
const oneNeedle = (marks: React.ReactNode) => (
  <>
    <path d="M6 74C40 60 84 44 116 30L112 20C78 32 36 48 4 62Z" {...wood} strokeWidth="2.4" />
    <path d="M8 68L112 26" {...thin} />
    {marks}
  </>
);
/** A fruit with its stalk. */
const onFruit = (marks: React.ReactNode) => (
  <>
    <path d="M60 26C92 14 112 40 104 70C98 98 78 112 60 106C42 112 22 98 16 70C8 40 28 14 60 26Z" {...ink} />
    <path d="M60 26C60 18 64 10 70 6" {...ink} />
    {marks}
  </>
);
/** A fruit cut through, with its core. */
const cutFruit = (marks: React.ReactNode) =>
  onFruit(
    <>
      <path d="M60 50C72 54 72 78 60 84C48 78 48 54 60 50Z" {...thin} />
      {marks}
    </>,
  );
const stepper = <path d="M18 116C30 84 40 60 52 4M34 116C46 86 56 62 66 4" {...ink} />;

/** Marks on twigs, needles and fruit. */
export const TWIG_SIGNS: Record<string, Drawing> = {
  'gall-knot': {
    name: 'Long hard swelling on the twig',
    scale: '3–15 cm, black, cracked, on one side',
    draw: (
      <>
        {stepper}
        <path d="M28 96C20 84 36 74 34 62C38 50 46 40 54 34C66 40 66 54 60 66C58 80 48 96 36 102Z" {...solid} />
        <path d="M36 84L46 80M40 66L54 62M48 50L58 50" stroke="var(--sheet)" strokeWidth="2" fill="none" />
      </>
    ),
  },
  'gall-cone': {
    name: 'Like a small pineapple',
    scale: '1–3 cm, at the base of a new shoot',
    draw: (
      <>
        <path d="M60 116V92M60 44V4" {...ink} strokeWidth="4" />
        <path d="M60 40C86 46 88 84 60 94C32 84 34 46 60 40Z" {...wood} strokeWidth="2.4" />
        <path d="M44 52L76 82M40 66L66 92M76 52L44 82M80 66L54 92M54 42L82 68M66 42L38 68" {...thin} />
        <path
          d="M60 30L44 20M60 30L76 20M60 18L48 8M60 18L72 8M38 60L26 54M82 60L94 54M40 78L28 80M80 78L92 80"
          {...ink}
        />
      </>
    ),
  },
  'gall-bud': {
    name: 'Swollen bud with stunted leaves',
    scale: '1–3 cm, green to red, chambers within',
    draw: (
      <>
        <path d="M60 116V74" {...ink} strokeWidth="4" />
        <circle cx="60" cy="58" r="20" {...wood} strokeWidth="2.4" />
        <path
          d="M48 44C40 30 30 24 20 24C24 36 34 44 44 46M72 44C80 30 90 24 100 24C96 36 86 44 76 46M60 38C58 26 60 16 64 8C70 18 70 28 66 38"
          {...ink}
        />
        {at(
          [
            [54, 58, 4],
            [66, 54, 4],
            [62, 66, 4],
          ],
          (x, y, r) => (
            <circle cx={x} cy={y} r={r} {...paper} strokeWidth="1.4" />
          ),
        )}
      </>
    ),
  },
  'needle-dots': {
    name: 'Black dots in rows',
    scale: 'two rows below, by loupe',
    draw: oneNeedle(
      at(
        Array.from({ length: 9 }, (_, i) => [14 + i * 11.6, 60 - i * 4.4] as const),
        (x, y) => (
          <>
            {dot(x, y, 2.2)}
            {dot(x + 3, y + 8, 2.2)}
          </>
        ),
      ),
    ),
  },
  'needle-band': {
    name: 'Bands across, tip dead, base green',
    scale: 'bands 1–3 mm, red-brown',
    draw: onNeedles(
      <path
        d="M19 74L23 88M13 56L16 66M35 68L38 80M31 46L33 56M52 50L53 62M50 34L51 42M70 48L71 62M89 40L89 56M107 46L104 58"
        stroke="var(--ink)"
        strokeWidth="5"
        fill="none"
      />,
    ),
  },
  'needle-fleck': {
    name: 'White slender covers',
    scale: '2–3 mm, as if flecked with paint',
    draw: onNeedles(
      at(
        [
          [15, 62],
          [34, 60],
          [51, 50],
          [69, 44],
          [69, 62],
          [89, 38],
          [107, 48],
          [31, 44],
        ],
        (x, y) => <ellipse cx={x} cy={y} rx="4.6" ry="7" {...paper} strokeWidth="1.6" />,
      ),
    ),
  },
  'needle-wool': {
    name: 'Wool at the base of needles',
    scale: 'balls of 1–3 mm on the twig, below',
    draw: onNeedles(
      at(
        [
          [26, 90],
          [42, 86],
          [58, 80],
          [74, 76],
          [90, 72],
        ],
        (x, y) => (
          <circle
            cx={x}
            cy={y}
            r="6.5"
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth="1.8"
            strokeDasharray="2 1.6"
          />
        ),
      ),
    ),
  },
  'fruit-rings': {
    name: 'Sunken spot with rings',
    scale: 'a V of rot down to the core',
    draw: onFruit(
      [22, 16, 10, 4].map((r) => <circle key={r} cx="66" cy="66" r={r} {...ink} strokeWidth={r === 22 ? 2.4 : 1.6} />),
    ),
  },
  'fruit-crescent': {
    name: 'Crescent scars',
    scale: '3–5 mm, on young fruit',
    draw: onFruit(
      at(
        [
          [44, 54],
          [78, 62],
          [58, 84],
        ],
        (x, y) => <path d={`M${x - 8} ${y}q8-14 16 0q-8-7-16 0z`} {...solid} />,
      ),
    ),
  },
  'fruit-tunnel': {
    name: 'Tunnel to the core',
    scale: 'crumbs at the hole, core eaten',
    draw: cutFruit(
      <>
        <path d="M20 46C34 50 44 58 56 64" stroke="var(--ink)" strokeWidth="7" strokeLinecap="round" fill="none" />
        <circle cx="60" cy="67" r="9" {...solid} />
        {at(
          [
            [14, 44],
            [10, 50],
            [18, 38],
          ],
          (x, y) => dot(x, y, 2.4),
        )}
      </>,
    ),
  },
  'fruit-trail': {
    name: 'Brown trails through the flesh',
    scale: 'thread-thin, winding, core untouched',
    draw: cutFruit(
      <path
        d="M26 44C36 38 40 50 34 58C28 68 42 70 40 82M92 42C84 46 90 56 82 62C76 70 90 76 82 88M46 34C54 42 66 32 76 40"
        {...ink}
        strokeWidth="2"
      />,
    ),
  },
  'fruit-tufts': {
    name: 'Brown rot with buff tufts',
    scale: 'tufts of 2 mm, often in rings',
    draw: onFruit(
      <>
        <path d="M30 62C34 40 84 36 94 60C98 88 40 98 30 62Z" fill="var(--ink)" fillOpacity="0.25" />
        {at(
          [
            [44, 58, 4],
            [58, 52, 4],
            [74, 54, 4],
            [82, 68, 4],
            [68, 78, 4],
            [50, 76, 4],
            [62, 66, 4],
          ],
          (x, y, r) => (
            <circle cx={x} cy={y} r={r} {...paper} strokeWidth="1.6" strokeDasharray="2 1.4" />
          ),
        )}
      </>,
    ),
  },
  'fruit-end': {
    name: 'Black rot from the blossom end',
    scale: 'firm, in bands, the rest sound',
    draw: onFruit(
      <>
        <path d="M24 84C44 74 78 74 97 84C88 102 74 110 60 106C46 110 32 102 24 84Z" {...solid} />
        <path d="M18 72C42 62 80 62 102 72" {...thin} />
      </>,
    ),
  },
};
