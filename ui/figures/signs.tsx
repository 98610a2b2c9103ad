import { BRACKETS } from './brackets';
import { ink, solid, thin, wood, type Drawing } from './drawing';
import { LEAF_SIGNS } from './leaf-signs';
import { TWIG_SIGNS } from './twig-signs';

/**
 * Our own drawings of signs that words do not tell apart. Lines only, so that they print, work in every theme, and need no
 * colour. Each stands in a square of 120; `scale` says in words how large what it shows is.
 */
/** Bark as a ground for holes: a few cracks. */
const bark = (
  <>
    <rect x="6" y="6" width="108" height="108" {...wood} />
    <path d="M26 6C22 40 30 76 25 114M58 6C62 30 54 58 60 114M92 6C88 46 97 80 91 114" {...thin} />
  </>
);
const leaf = 'M60 8C96 28 100 78 60 112C20 78 24 28 60 8Z';
const veins = 'M60 14V110M60 40L82 28M60 40L38 28M60 60L88 46M60 60L32 46M60 80L82 68M60 80L38 68';
const stem = <path d="M34 4C30 40 36 80 30 116M86 4C90 44 82 84 88 116" {...ink} />;

const DRAWINGS: Record<string, Drawing> = {
  ...BRACKETS,
  ...LEAF_SIGNS,
  ...TWIG_SIGNS,
  'gnaw-beaver': {
    name: 'Gnawed like an hourglass',
    scale: 'tooth marks 6–9 mm, chips below',
    draw: (
      <>
        <path
          d="M34 4V34C34 52 52 56 54 64C52 72 36 78 30 108H90C84 78 68 72 66 64C68 56 86 52 86 34V4"
          {...wood}
          strokeWidth="2.4"
        />
        <path
          d="M40 44L48 50M46 40L54 48M72 48L80 40M66 52L76 46M44 84L50 76M54 82L56 72M66 72L70 82M74 78L80 88"
          {...ink}
          strokeWidth={1.8}
        />
        <path d="M8 108H112M10 102L20 98M16 106L28 103M94 100L104 104M98 96L110 98" {...ink} />
      </>
    ),
  },
  'hole-pencil': {
    name: 'Round holes as thick as a pencil',
    scale: '9–11 mm, egg pits chewed about them',
    draw: (
      <>
        {bark}
        <circle cx="44" cy="42" r="12" {...solid} />
        <circle cx="80" cy="82" r="12" {...solid} />
        <path d="M74 30C80 26 88 28 90 34C88 40 78 40 74 30ZM28 76C34 72 42 74 44 80C42 86 32 86 28 76Z" {...ink} />
        <path d="M78 33L86 35M32 79L40 81" {...thin} />
      </>
    ),
  },
  'hole-volcano': {
    name: 'Pinholes with a stain or sugar collar',
    scale: 'hole like a ballpoint tip, under 1 mm',
    draw: (
      <>
        {bark}
        {[
          [42, 34],
          [78, 58],
          [46, 82],
        ].map(([x, y]) => (
          <g key={`${x}`}>
            <path
              d={`M${x} ${y}C${x! - 10} ${y! + 8} ${x! - 6} ${y! + 26} ${x} ${y! + 30}C${x! + 7} ${y! + 22} ${x! + 9} ${y! + 8} ${x} ${y}Z`}
              fill="var(--ink)"
              fillOpacity="0.35"
            />
            <circle
              cx={x}
              cy={y}
              r="8"
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth="1.4"
              strokeDasharray="2 2"
            />
            <circle cx={x} cy={y} r="2.4" {...solid} />
          </g>
        ))}
      </>
    ),
  },
  'gallery-star': {
    name: 'Galleries like a star',
    scale: 'from one chamber, swept clean',
    draw: (
      <>
        {bark}
        <path
          d="M60 60L60 14M60 60L98 34M60 60L96 92M60 60L34 104M60 60L20 50"
          stroke="var(--ink)"
          strokeWidth="7"
          strokeLinecap="round"
          fill="none"
        />
        <path
          d="M60 60L60 14M60 60L98 34M60 60L96 92M60 60L34 104M60 60L20 50"
          stroke="var(--sheet)"
          strokeWidth="3.4"
          strokeLinecap="round"
          fill="none"
        />
        <circle cx="60" cy="60" r="9" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
      </>
    ),
  },
  'cover-fluted': {
    name: 'Egg sac with ribs',
    scale: '1 cm, white, longer than the scale',
    draw: (
      <>
        <path d="M6 92H114M6 108H114" {...ink} />
        <path d="M18 92A14 16 0 0 1 44 84Z" {...wood} strokeWidth="2.4" />
        <path d="M40 92C40 58 96 50 108 92Z" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2.2" />
        <path
          d="M50 90C52 74 58 68 62 66M60 91C62 74 68 66 74 65M72 91C74 76 80 68 86 68M84 91C86 80 92 74 96 74"
          {...thin}
        />
      </>
    ),
  },
  'cover-h': {
    name: 'Dome with an H',
    scale: '3–5 mm, dark brown to black',
    draw: (
      <>
        <path d="M6 92H114M6 108H114" {...ink} />
        <path d="M24 92A36 40 0 0 1 96 92Z" {...solid} />
        <path d="M46 64V86M74 64V86M46 75H74" stroke="var(--wood)" strokeWidth="4" fill="none" />
      </>
    ),
  },
  'cover-flat': {
    name: 'Flat round covers',
    scale: '1–2 mm, red-brown, on rind and leaf',
    draw: (
      <>
        <circle cx="60" cy="62" r="52" {...wood} />
        {[
          [42, 44],
          [74, 38],
          [58, 66],
          [84, 72],
          [38, 82],
          [68, 94],
        ].map(([x, y]) => (
          <g key={`${x}`}>
            <circle cx={x} cy={y} r="8" {...ink} strokeWidth={1.6} />
            <circle cx={x} cy={y} r="3" {...solid} />
          </g>
        ))}
      </>
    ),
  },
  'hole-d': {
    name: 'D-shaped holes',
    scale: '3–5 mm, one side flat',
    draw: (
      <>
        {bark}
        <path d="M40 34H58A9 9 0 0 0 40 34ZM72 66H92A10 10 0 0 1 72 66ZM44 86L56 98A9 9 0 0 1 44 86Z" {...solid} />
      </>
    ),
  },
  'hole-round': {
    name: 'Small round holes',
    scale: '1–3 mm, like shot',
    draw: (
      <>
        {bark}
        {[
          [40, 30],
          [48, 44],
          [70, 36],
          [76, 60],
          [42, 72],
          [66, 84],
          [82, 90],
          [52, 96],
        ].map(([x, y]) => (
          <circle key={`${x}${y}`} cx={x} cy={y} r="3.4" {...solid} />
        ))}
      </>
    ),
  },
  'hole-large': {
    name: 'Large round holes',
    scale: '6–12 mm, like a coin',
    draw: (
      <>
        {bark}
        <circle cx="46" cy="44" r="13" {...solid} />
        <ellipse cx="76" cy="84" rx="14" ry="10" {...solid} />
      </>
    ),
  },
  'hole-ragged': {
    name: 'Ragged hole with a skin',
    scale: '4–6 mm, brown skin sticks out',
    draw: (
      <>
        {bark}
        <path d="M50 52L58 44L68 48L74 58L66 68L54 66Z" {...solid} />
        <path
          d="M64 58C78 52 92 56 104 46C96 62 82 66 66 64Z"
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        <path d="M74 57L76 63M83 55L85 62M92 52L94 57" {...thin} />
      </>
    ),
  },
  'hole-rows': {
    name: 'Rows of holes',
    scale: 'neat, on a line, no dust',
    draw: (
      <>
        {bark}
        {[34, 58, 84].flatMap((y) =>
          [20, 36, 52, 68, 84, 100].map((x) => <ellipse key={`${x}${y}`} cx={x} cy={y} rx="3.6" ry="4.6" {...solid} />),
        )}
      </>
    ),
  },
  'gallery-s': {
    name: 'S galleries',
    scale: 'across the grain, packed with dust',
    draw: (
      <>
        <rect x="6" y="6" width="108" height="108" {...wood} />
        <path
          d="M16 26C44 14 44 44 70 32S104 34 100 48S56 44 44 58S92 72 96 80S40 80 28 94S60 106 84 100"
          {...ink}
          strokeWidth="6"
        />
      </>
    ),
  },
  'gallery-zigzag': {
    name: 'Zig-zag galleries',
    scale: 'sharp turns, girdling',
    draw: (
      <>
        <rect x="6" y="6" width="108" height="108" {...wood} />
        <path d="M14 24L44 36L22 48L66 54L38 68L92 72L60 86L104 92" {...ink} strokeWidth="5" />
        <path d="M20 100L54 104" {...ink} strokeWidth="5" />
      </>
    ),
  },
  'gallery-fan': {
    name: 'Comb or fan',
    scale: 'one straight tunnel, side tunnels',
    draw: (
      <>
        <rect x="6" y="6" width="108" height="108" {...wood} />
        <path d="M60 16V104" {...ink} strokeWidth="6" />
        <path
          d={[24, 34, 44, 54, 64, 74, 84, 94]
            .map(
              (y, i) =>
                `M60 ${y}C44 ${y} 26 ${y - 12 + i * 3} 14 ${y - 16 + i * 4}M60 ${y}C76 ${y} 94 ${y - 12 + i * 3} 106 ${y - 16 + i * 4}`,
            )
            .join('')}
          {...thin}
          strokeWidth="2"
        />
      </>
    ),
  },
  'film-mould': {
    name: 'Film on the leaf',
    scale: 'a thumb wipes it off, green below',
    draw: (
      <>
        <path d={leaf} {...wood} />
        <path d={veins} {...thin} />
        <path d="M34 40L86 34M32 52L88 48M34 64L54 62M36 76L48 75M44 90L60 88" {...ink} strokeWidth="5" />
        <path
          d="M58 66C74 56 96 66 92 84C84 98 64 92 58 66Z"
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="1.6"
        />
      </>
    ),
  },
  'film-burnt': {
    name: 'Burnt tissue',
    scale: 'black through and through, curled, hanging',
    draw: (
      <>
        <path d="M60 116C58 84 62 60 54 40C48 22 66 8 84 18C92 24 90 36 80 38" {...ink} strokeWidth="4" />
        <path d="M55 46C30 44 22 64 30 80C42 76 52 64 55 46ZM60 72C84 70 96 86 90 102C76 98 64 90 60 72Z" {...solid} />
      </>
    ),
  },
  'shed-plates': {
    name: 'Plates, living bark below',
    scale: 'green or cream below',
    draw: (
      <>
        {stem}
        <path d="M38 20L62 14L70 40L46 50ZM56 60L82 54L84 86L60 92ZM40 80L52 78L54 104L40 108Z" {...ink} />
        <path d="M62 14L68 10L76 38L70 40M82 54L86 52L86 84L84 86" {...thin} />
      </>
    ),
  },
  'shed-smooth': {
    name: 'Smooth patch',
    scale: 'only the outer bark is gone',
    draw: (
      <>
        {stem}
        <path d="M40 40C44 28 66 28 72 42C80 60 76 84 62 92C46 90 36 60 40 40Z" {...ink} fill="var(--sheet)" />
        <path d="M40 10L46 24M58 8L62 22M74 12L78 28M38 100L44 112M58 102L62 114M76 98L80 110M82 46L84 62" {...thin} />
      </>
    ),
  },
  'shed-crust': {
    name: 'Crust on bare wood',
    scale: 'tan dust, then silver-grey, black edge',
    draw: (
      <>
        {stem}
        <path d="M40 26C52 16 70 22 78 40C84 66 76 96 58 104C42 96 34 52 40 26Z" {...ink} strokeWidth="4" />
        {Array.from({ length: 40 }, (_, i) => (
          <circle key={i} cx={46 + ((i * 17) % 28)} cy={34 + ((i * 29) % 62)} r="1.5" {...solid} />
        ))}
      </>
    ),
  },
  'gnaw-vole': {
    name: 'Vole',
    scale: 'marks 1–2 mm, all angles, low',
    draw: (
      <>
        {stem}
        <path d="M30 84H88V116H30Z" fill="var(--sheet)" stroke="none" />
        <path
          d="M32 86l5 4M40 84l-4 6M46 90l6-3M54 86l4 6M62 84l-5 6M68 90l5-4M76 86l4 5M36 98l6-2M48 100l-4 5M58 98l5 4M68 102l-5 3M78 98l4 5M40 108l5 3M60 110l6-2M76 110l-4 3"
          {...thin}
          strokeWidth="2"
        />
        <path d="M8 84H30M90 84H112" {...ink} />
      </>
    ),
  },
  'gnaw-rabbit': {
    name: 'Rabbit or hare',
    scale: 'marks 2–4 mm; shoots cut at 45°',
    draw: (
      <>
        {stem}
        <path d="M36 50L48 56M36 60L50 66M38 70L50 76M56 48L68 54M56 58L70 64M58 68L70 74" {...ink} strokeWidth="4" />
        <path d="M88 100L108 80" {...ink} strokeWidth="6" />
        <path d="M102 76L114 84" {...ink} />
      </>
    ),
  },
  'gnaw-mower': {
    name: 'Mower',
    scale: 'splintered, 5–20 cm up, no teeth',
    draw: (
      <>
        {stem}
        <path d="M32 80L48 76L44 86L58 80L52 94L66 88L58 104L34 102Z" {...ink} fill="var(--sheet)" />
        <path d="M6 108H114M12 108l3-10M22 108l-2-8M94 108l3-9M104 108l-2-8" {...thin} />
      </>
    ),
  },
  'gnaw-antler': {
    name: 'Antlers',
    scale: '30–120 cm up, bark in shreds',
    draw: (
      <>
        {stem}
        <path d="M44 30C46 54 40 76 46 98M54 28C58 56 50 78 56 100M66 30C62 58 70 74 66 98" {...ink} />
        <path d="M44 46L28 56M56 64L74 78M46 82L30 96M66 52L84 44" {...thin} />
      </>
    ),
  },
  'gnaw-squirrel': {
    name: 'Squirrel',
    scale: 'strips off limbs high up, marks in pairs',
    draw: (
      <>
        <path d="M6 40C40 36 80 44 114 34M6 70C40 72 80 66 114 72" {...ink} />
        <path d="M30 42C44 48 66 46 78 42L82 66C62 62 46 64 32 68Z" {...ink} fill="var(--sheet)" />
        <path d="M40 50v8M44 50v8M56 50v8M60 50v8M70 50v8M74 50v8" {...thin} />
        <path d="M50 70C54 88 46 98 52 110" {...ink} />
      </>
    ),
  },
  'gnaw-deer': {
    name: 'Deer',
    scale: 'torn, ragged, to head height',
    draw: (
      <>
        <path d="M60 116V40M60 84L92 58M60 70L30 46" {...ink} strokeWidth="5" />
        <path
          d="M60 40l-6-12M60 40l2-14M60 40l8-9M92 58l4-10M92 58l10-4M92 58l9 4M30 46l-10-6M30 46l-4-11M30 46l-11 1"
          {...thin}
          strokeWidth="2"
        />
      </>
    ),
  },
  'margin-drought': {
    name: 'Thirst',
    scale: 'all round, no line, whole crown',
    draw: (
      <>
        <path d={leaf} {...wood} />
        <path d={veins} {...thin} />
        <path d={leaf} fill="none" stroke="var(--ink)" strokeWidth="9" opacity="0.75" />
      </>
    ),
  },
  'margin-scorch': {
    name: 'Scorch bacterium',
    scale: 'brown margin, a pale line, then green',
    draw: (
      <>
        <path d={leaf} {...wood} />
        <path d={veins} {...thin} />
        <path d={leaf} fill="none" stroke="var(--ink)" strokeWidth="14" opacity="0.75" />
        <path
          d="M60 24C84 40 86 76 60 98C34 76 36 40 60 24Z"
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2.4"
          strokeDasharray="5 4"
        />
      </>
    ),
  },
  'margin-wilt': {
    name: 'Oak wilt',
    scale: 'bronze from the tip inward, base green',
    draw: (
      <>
        <path d={leaf} {...wood} />
        <path d={veins} {...thin} />
        <path d="M60 8C96 28 99 52 90 66L60 60L30 66C21 52 24 28 60 8Z" fill="var(--ink)" opacity="0.7" />
      </>
    ),
  },
  'margin-veins': {
    name: 'Anthracnose',
    scale: 'brown along the veins',
    draw: (
      <>
        <path d={leaf} {...wood} />
        <path d={veins} fill="none" stroke="var(--ink)" strokeWidth="8" opacity="0.75" strokeLinecap="round" />
      </>
    ),
  },
  mine: {
    name: 'Mines',
    scale: 'winding trail or blotch between the skins',
    draw: (
      <>
        <path d={leaf} {...wood} />
        <path d={veins} {...thin} />
        <path d="M40 34C52 30 46 48 36 50S34 66 46 66S44 80 54 84" {...ink} strokeWidth="5" />
        <path d="M68 56C84 46 92 62 84 74S66 78 66 66Z" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2" />
      </>
    ),
  },
  'cover-dome': {
    name: 'Domes',
    scale: '3–10 mm, one with the body, honeydew',
    draw: (
      <>
        <path d="M6 76H114M6 96H114" {...ink} />
        <path
          d="M20 76A14 16 0 0 1 48 76ZM56 76A12 14 0 0 1 80 76ZM86 76A10 12 0 0 1 106 76Z"
          {...wood}
          strokeWidth="2.4"
        />
        <path d="M30 66q4-4 8 0M64 67q4-4 8 0" {...thin} />
      </>
    ),
  },
  'cover-round': {
    name: 'Flat round covers',
    scale: '1–2 mm, loose, no honeydew',
    draw: (
      <>
        <path d="M6 30H114M6 92H114" {...ink} />
        {[
          [26, 46],
          [44, 66],
          [62, 48],
          [78, 72],
          [96, 52],
          [34, 80],
        ].map(([x, y]) => (
          <g key={x}>
            <circle cx={x} cy={y} r="8" {...wood} strokeWidth="2" />
            <circle cx={x} cy={y} r="2" {...solid} />
          </g>
        ))}
      </>
    ),
  },
  'cover-comma': {
    name: 'Commas',
    scale: '2–3 mm, loose, no honeydew',
    draw: (
      <>
        <path d="M6 30H114M6 92H114" {...ink} />
        {[
          [20, 44],
          [44, 60],
          [66, 42],
          [84, 66],
          [32, 74],
        ].map(([x, y]) => (
          <path key={x} d={`M${x} ${y}c8-2 22 2 26 12c-10 2-22-2-26-12z`} {...wood} strokeWidth="2.2" />
        ))}
      </>
    ),
  },
  'cover-cushion': {
    name: 'Cover with a cushion',
    scale: 'white cottony egg cushion behind',
    draw: (
      <>
        <path d="M6 84H114M6 102H114" {...ink} />
        <path d="M28 84A16 18 0 0 1 58 80Z" {...wood} strokeWidth="2.4" />
        <path
          d="M56 84C54 62 66 58 76 64C88 54 104 66 98 84Z"
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth="2"
          strokeDasharray="3 3"
        />
      </>
    ),
  },
};

export const figureNames = (): string[] => Object.keys(DRAWINGS);

/** One drawing with its name and size. */
export function SignFigure({ id, size = 96, caption = true }: { id: string; size?: number; caption?: boolean }) {
  const d = DRAWINGS[id];
  if (!d) return null;
  return (
    <figure className="inline-flex flex-col" style={{ width: Math.max(size, caption ? 112 : 0) }}>
      <svg viewBox="0 0 120 120" width={size} height={size} role="img" aria-label={`Drawing: ${d.name}, ${d.scale}`}>
        {d.draw}
      </svg>
      {caption && (
        <figcaption className="mt-1 text-small leading-tight">
          <b>{d.name}</b>
          <span className="block text-ink-2">{d.scale}</span>
        </figcaption>
      )}
    </figure>
  );
}

/** Drawings that belong side by side: holes with holes, gnawing with gnawing. */
export const kindOfFigure = (id: string): string => id.split('-')[0]!;
