import { ink, solid, thin, wood, type Drawing } from './drawing';

/** A trunk that stands in the ground, with its flare. */
const base = (
  <>
    <path d="M42 4C44 50 40 78 14 108H106C80 78 76 50 78 4" {...wood} />
    <path d="M54 8C54 44 52 70 46 92M66 8C66 44 68 70 74 92" {...thin} />
    <path d="M2 108H118" {...ink} />
  </>
);
/** A piece of stem, high up. */
const stem = (
  <>
    <path d="M34 2V118H74V2" {...wood} />
    <path d="M46 6C44 46 48 80 44 116M60 6C62 50 58 84 62 116" {...thin} />
  </>
);
/** A limb with its underside. */
const limb = (
  <>
    <path d="M2 44C40 34 80 34 118 44V72C80 62 40 62 2 72Z" {...wood} />
    <path d="M10 54C46 46 78 46 112 54" {...thin} />
  </>
);
const dots = (points: readonly (readonly [number, number])[], r: number) =>
  points.map(([x, y]) => <circle key={`${x} ${y}`} cx={x} cy={y} r={r} {...solid} />);
/** A shelf seen from the side: its upper edge, and a flat pore side below. */
const shelf = (x: number, y: number, wide: number, high: number) =>
  `M${x} ${y}C${x + wide * 0.5} ${y - high} ${x + wide} ${y - high * 0.6} ${x + wide} ${y}Z`;

/** Fruit bodies of wood decay, drawn to tell one from another in black and white. */
export const BRACKETS: Record<string, Drawing> = {
  'bracket-fronds': {
    name: 'Fronds in a rosette',
    scale: '30–100 cm wide, soft, black where pressed',
    draw: (
      <>
        {base}
        {[0, 1, 2].map((i) => (
          <path
            key={i}
            d={`M${60 - 46 + i * 8} ${104 - i * 12}C${34 + i * 4} ${82 - i * 10} ${52} ${84 - i * 10} 60 ${98 - i * 12}C68 ${84 - i * 10} ${86 - i * 4} ${82 - i * 10} ${106 - i * 8} ${104 - i * 12}C84 ${112 - i * 12} 36 ${112 - i * 12} ${14 + i * 8} ${104 - i * 12}Z`}
            {...wood}
          />
        ))}
        <path
          d="M28 102C34 96 42 96 48 100M72 100C78 96 86 96 92 102M38 88C44 84 50 85 54 88M66 88C72 84 78 85 82 88"
          {...thin}
        />
      </>
    ),
  },
  'bracket-crust': {
    name: 'Black crust',
    scale: 'a few mm thick, brittle like charcoal',
    draw: (
      <>
        {base}
        <path d="M44 62C34 74 30 92 20 106H62C58 92 62 80 58 66C54 58 48 56 44 62Z" {...solid} />
        <path d="M62 70C70 76 66 92 76 106" {...ink} />
        <path
          d="M40 76L34 84M50 80L44 92M36 94L30 102M54 92L50 102"
          stroke="var(--wood)"
          strokeWidth="1.8"
          fill="none"
        />
      </>
    ),
  },
  'bracket-woody': {
    name: 'Woody bracket with cocoa dust',
    scale: '10–40 cm, white below, bruises brown',
    draw: (
      <>
        {base}
        <path d={shelf(52, 74, 54, 30)} {...wood} />
        <path d="M58 66C72 54 92 54 100 66M56 70C72 60 94 60 104 70" {...thin} />
        <path d="M52 74H106" {...ink} />
        {dots(
          [
            [64, 84],
            [74, 90],
            [86, 82],
            [94, 94],
            [80, 100],
            [66, 98],
            [100, 86],
            [90, 104],
          ],
          1.7,
        )}
      </>
    ),
  },
  'bracket-rim': {
    name: 'Brackets with a white rim',
    scale: '3–15 cm, at the soil line',
    draw: (
      <>
        {base}
        <path d="M18 104C26 88 44 88 50 104ZM54 104C60 92 74 92 78 104ZM82 104C88 94 100 94 104 104Z" {...solid} />
        <path
          d="M14 106C22 82 46 82 54 106M52 106C58 88 76 88 80 106M80 106C86 90 102 90 108 106"
          {...ink}
          strokeWidth={1.6}
        />
        <path d="M4 112L10 106M20 114L24 108M96 114L92 108M112 112L108 106" {...thin} />
      </>
    ),
  },
  'bracket-velvet': {
    name: 'Velvety cap with a yellow rim',
    scale: '10–30 cm, beside or at the base of a conifer',
    draw: (
      <>
        {base}
        <path d="M56 96C54 74 116 74 114 96C104 104 66 104 56 96Z" {...wood} />
        <path d="M64 94C64 82 106 82 106 94C98 98 72 98 64 94Z" {...ink} strokeWidth={1.4} />
        <path d="M70 92L72 86M78 94L79 86M86 94V85M94 94L93 86M100 92L99 87" {...thin} />
        <path d="M82 102V108H90V102" {...ink} />
      </>
    ),
  },
  'bracket-two-tone': {
    name: 'Cream bracket, black above',
    scale: '10–40 cm thick, tough',
    draw: (
      <>
        {base}
        <path d={shelf(16, 92, 52, 34)} {...solid} />
        <path d="M16 92C22 104 62 104 68 92Z" {...wood} />
        <path d="M26 96H58" {...thin} />
      </>
    ),
  },
  'bracket-drops': {
    name: 'Bracket with amber drops',
    scale: '10–40 cm, corky, drops while it grows',
    draw: (
      <>
        {base}
        <path d="M40 96C38 66 102 66 100 96Z" {...wood} />
        {[
          [54, 84],
          [66, 78],
          [78, 80],
          [88, 86],
          [60, 92],
          [74, 90],
        ].map(([x, y]) => (
          <path
            key={`${x}`}
            d={`M${x} ${y! - 5}C${x! + 5} ${y} ${x! + 4} ${y! + 4} ${x} ${y! + 4}C${x! - 4} ${y! + 4} ${x! - 5} ${y} ${x} ${y! - 5}Z`}
            {...ink}
            strokeWidth={1.5}
          />
        ))}
      </>
    ),
  },
  'bracket-shaggy': {
    name: 'Shaggy bracket',
    scale: '10–30 cm, felt-like hair above; black when old',
    draw: (
      <>
        {stem}
        <path d={shelf(70, 66, 44, 36)} {...wood} />
        <path
          d="M72 60L68 48M78 52L76 40M86 47L86 35M94 45L97 33M102 48L108 38M109 54L117 48M76 58L80 52M88 54L90 48M98 54L102 49"
          {...ink}
          strokeWidth={1.8}
        />
        <path d="M70 66H114" {...ink} />
        <path d="M92 104C88 98 100 96 104 102C112 104 108 114 98 112C90 114 86 108 92 104Z" {...solid} />
      </>
    ),
  },
  'bracket-shelves': {
    name: 'Soft shelves one above another',
    scale: '20–60 cm, yellow, chalky when old',
    draw: (
      <>
        {stem}
        {[24, 46, 68, 90].map((y, i) => (
          <path
            key={y}
            d={`M66 ${y}C76 ${y - 14} 92 ${y - 12} 96 ${y - 6}C104 ${y - 12} ${116 - i} ${y - 6} 116 ${y + 2}C100 ${y + 10} 78 ${y + 10} 66 ${y + 6}Z`}
            {...wood}
          />
        ))}
      </>
    ),
  },
  'bracket-tongue': {
    name: 'Fleshy tongue',
    scale: '10–30 cm, red, bleeds when cut',
    draw: (
      <>
        {stem}
        <path d="M72 44C92 40 114 52 114 66C114 78 90 82 72 70Z" {...wood} />
        <path d="M80 52C92 50 104 56 106 64M80 60C90 58 98 62 100 66" {...thin} />
        <path d="M88 82C88 90 84 92 84 96A4 4 0 0 0 92 96C92 92 88 90 88 82Z" {...solid} />
      </>
    ),
  },
  'bracket-hoof': {
    name: 'Hoof',
    scale: '10–30 cm, grey, hard, in rings',
    draw: (
      <>
        {stem}
        <path d="M70 76C72 46 84 34 92 34C104 40 112 60 112 76Z" {...wood} />
        <path
          d="M73 66C86 58 100 58 110 66M76 56C86 48 98 48 106 56M80 46C88 40 94 40 100 46"
          {...ink}
          strokeWidth={1.6}
        />
        <path d="M70 76H112" {...ink} strokeWidth={3.6} />
      </>
    ),
  },
  'bracket-kidney': {
    name: 'Kidney with a rolled rim',
    scale: '10–25 cm, smooth, cream to tan',
    draw: (
      <>
        {stem}
        <path d="M38 20H58M36 92H54M52 40H70M42 64H56" {...ink} strokeWidth={3} />
        <path d="M72 62C78 44 114 44 116 62C116 72 108 76 100 74C92 76 76 74 72 62Z" {...wood} />
        <path d="M80 68C92 74 108 72 112 62" {...ink} strokeWidth={1.6} />
      </>
    ),
  },
  'bracket-cushion': {
    name: 'Cushions below a limb',
    scale: '3–7 cm, grey-brown, hard',
    draw: (
      <>
        {limb}
        <path d="M22 68C24 86 46 86 48 66ZM54 64C58 84 82 84 84 65ZM88 66C92 80 108 80 110 69Z" {...wood} />
        <path d="M28 76H42M60 74H78M94 74H104" {...thin} />
      </>
    ),
  },
  'bracket-fan': {
    name: 'Scaled fan on a stalk',
    scale: '10–60 cm, out of a wound',
    draw: (
      <>
        {stem}
        <path d="M50 58C50 46 66 46 66 58C66 72 50 72 50 58Z" {...ink} />
        <path d="M62 62C74 66 76 60 80 54C78 36 112 30 116 52C114 68 92 72 82 64C76 70 70 72 62 68Z" {...wood} />
        <path
          d="M88 44L93 42M98 42L103 42M90 52L95 51M100 52L105 52M96 60L101 59M108 46L111 49"
          {...ink}
          strokeWidth={2}
        />
      </>
    ),
  },
  'bracket-shells': {
    name: 'Grey shells in clusters',
    scale: '5–20 cm, gills below, soft',
    draw: (
      <>
        {stem}
        {[28, 54, 82].map((y) => (
          <g key={y}>
            <path d={`M72 ${y + 10}C74 ${y - 10} 108 ${y - 12} 114 ${y + 6}Z`} {...wood} />
            <path
              d={`M76 ${y + 10}L82 ${y + 18}M84 ${y + 9}L88 ${y + 18}M92 ${y + 9}L94 ${y + 17}M100 ${y + 8}L101 ${y + 15}M107 ${y + 7}L107 ${y + 13}`}
              {...thin}
            />
          </g>
        ))}
      </>
    ),
  },
};
