import type { LeafForm } from '@/core/diagnose/leaf-form';
import { ink, thin } from './drawing';

type Point = readonly [x: number, y: number];
type Blade = Extract<LeafForm, { kind: 'blade' }>;
/** A square of 120 is drawn at 160 px at most: tenths would be seen by nobody. */
const whole = (n: number) => String(Math.round(n * 2) / 2);
const at = ([x, y]: Point) => `${whole(x)} ${whole(y)}`;
const line = (points: readonly Point[]) => `M${points.map(at).join('L')}`;

/** Half the width at a share of the length, 1 at the widest; rounder at the base than at the tip. */
function profile(t: number, { widest, base, tip }: Blade): number {
  const along = t < widest ? t / widest : (1 - t) / (1 - widest);
  const bend = t < widest ? BASES[base] : TIPS[tip];
  return Math.sin((Math.PI / 2) * along ** bend);
}
const BASES = { even: 0.6, uneven: 0.6, heart: 0.42, wedge: 1 } as const;
const TIPS = { point: 0.9, drawn: 1.5, round: 0.5, notch: 0.42, cut: 0.22 } as const;

/** What the margin adds to half the width, in shares of the length. */
const MARGINS: Record<Blade['margin'], { teeth: number; deep: number; fine?: number }> = {
  whole: { teeth: 0, deep: 0 },
  toothed: { teeth: 16, deep: 0.022 },
  'doubly toothed': { teeth: 9, deep: 0.036, fine: 3 },
  coarse: { teeth: 7, deep: 0.05 },
  wavy: { teeth: 6, deep: 0.018 },
  spiny: { teeth: 5, deep: 0.09 },
};
/** A tooth that points forward: a slow rise and a quick fall; a wave where the margin is wavy. */
const tooth = (t: number, count: number, wavy: boolean) => {
  const along = (t * count) % 1;
  return wavy ? Math.sin(2 * Math.PI * along) : along;
};

/** Points on each side: three for each tooth, enough for a smooth curve without. */
const stepsOf = ({ margin, lobes }: Blade) => Math.max(18, 3 * MARGINS[margin].teeth, lobes ? 12 * lobes.pairs : 0);
/** One side of a blade that stands at the origin and grows upwards by `length`. */
function side(form: Blade, length: number, which: -1 | 1): Point[] {
  const half = (length * form.wide) / 2;
  const { teeth, deep, fine } = MARGINS[form.margin];
  // Of an uneven base one side begins higher on the stalk.
  const from = form.base === 'uneven' && which === 1 ? 0.08 : 0;
  const steps = stepsOf(form);
  return Array.from({ length: steps + 1 }, (_, i): Point => {
    const t = i / steps;
    let w = profile(t, form) * half;
    if (form.lobes) {
      const wave = 0.5 - 0.5 * Math.cos(2 * Math.PI * form.lobes.pairs * t);
      w *= 1 - form.lobes.deep * (1 - (form.lobes.bristled ? wave ** 2 : wave ** 0.7));
    }
    if (teeth) {
      const wavy = form.margin === 'wavy';
      const coarse = tooth(t, teeth, wavy) + (fine ? 0.4 * tooth(t, teeth * fine, false) : 0);
      w += deep * length * coarse * Math.min(1, profile(t, form) * 2);
    }
    const low = form.base === 'heart' && w > 0 ? -0.2 * length * Math.max(0, 1 - t / 0.22) : 0;
    const notch = form.tip === 'notch' || form.tip === 'cut' ? 0.05 * length * Math.max(0, (t - 0.94) / 0.06) : 0;
    return [which * Math.max(0, w), -(from * length * (1 - t) + t * length) - low - notch * (w > 0.5 ? 1 : -1)];
  });
}

/** The outline of a blade, with its middle vein and a few others. */
function bladePaths(form: Blade, length: number): { outline: string; veins: string } {
  const right = side(form, length, 1);
  const left = side(form, length, -1);
  const veins = [0.2, 0.36, 0.52, 0.68].flatMap((t) => {
    const w = ((length * form.wide) / 2) * profile(Math.min(1, t + 0.14), form) * (form.lobes ? 0.6 : 0.8);
    return [
      `M0 ${whole(-t * length)}L${whole(w)} ${whole(-(t + 0.14) * length)}`,
      `M0 ${whole(-t * length)}L${whole(-w)} ${whole(-(t + 0.14) * length)}`,
    ];
  });
  return {
    outline: `${line([...left, ...[...right].reverse()])}Z`,
    veins: `M0 0V${whole(-length * 0.94)}${veins.join('')}`,
  };
}

const placed = (x: number, y: number, turn: number, children: React.ReactNode, key?: number | string) => (
  <g key={key} transform={`translate(${whole(x)} ${whole(y)}) rotate(${Math.round(turn)})`}>
    {children}
  </g>
);
/** A small leaf with its middle vein; teeth are told where they are large enough to be seen. */
const leaflet = (length: number, wide: number, margin: Blade['margin']) => {
  const bulge = length * wide;
  const plain = `M0 0Q${whole(bulge)} ${whole(-length / 2)} 0 ${whole(-length)}Q${whole(-bulge)} ${whole(-length / 2)} 0 0`;
  const outline =
    margin === 'coarse'
      ? bladePaths({ kind: 'blade', wide, widest: 0.5, base: 'even', tip: 'point', margin }, length).outline
      : plain;
  return <path d={`${outline}M0 0V${whole(-length * 0.9)}`} {...thin} />;
};

type Hand = Extract<LeafForm, { kind: 'hand' }>;
const APART = 42;
const spread = ({ fingers: n }: Hand) => Array.from({ length: n }, (_, i) => (i - (n - 1) / 2) * APART);
const reach = (turn: number) => 1 - 0.0026 * Math.abs(turn);

/** Leaflets of their own from one point. */
const fingers = (form: Hand) => (
  <>
    {spread(form).map((turn) => placed(0, 0, turn, leaflet(62 * reach(turn), 0.36, form.margin), turn))}
    <path d="M0 0V34" {...ink} />
  </>
);

/** One blade whose lobes reach out like fingers, a vein to the tip of each. */
function palm(form: Hand): React.ReactNode {
  const turns = spread(form);
  const last = turns.at(-1)! + APART / 2;
  const teeth = form.margin === 'whole' ? 0 : form.margin === 'coarse' ? 4 : 6;
  const edge = Array.from({ length: 2 * Math.round(last / 3) + 1 }, (_, i): Point => {
    const turn = -last + i * 3;
    const near = turns.reduce((a, b) => (Math.abs(b - turn) < Math.abs(a - turn) ? b : a));
    const off = Math.abs(turn - near) / (APART / 2);
    const round = form.margin === 'whole';
    const lobe = 76 * reach(near) * (1 - (round ? 0.55 * off ** 3 : 0.5 * off ** 0.9));
    const r = lobe * (1 + (teeth && off > 0.15 ? 0.05 * tooth(off, teeth, false) : 0));
    const by = (turn * Math.PI) / 180;
    return [r * Math.sin(by), -r * Math.cos(by)];
  });
  const veins = turns.map((turn) => {
    const by = (turn * Math.PI) / 180;
    const r = 68 * reach(turn);
    return `M0 0L${whole(r * Math.sin(by))} ${whole(-r * Math.cos(by))}`;
  });
  return (
    <>
      <path d={`${line([[0, 0], ...edge])}Z`} {...ink} />
      <path d={veins.join('')} {...thin} />
      <path d="M0 0V22" {...ink} />
    </>
  );
}

function draw(form: LeafForm): React.ReactNode {
  switch (form.kind) {
    case 'blade': {
      const length = form.wide < 0.3 ? 92 : 80;
      const { outline, veins } = bladePaths(form, length);
      return placed(
        60,
        100,
        0,
        <>
          <path d={outline} {...ink} />
          <path d={veins} {...thin} />
          <path d="M0 0V16" {...ink} />
          {form.winged && <path d="M0 2C7 5 6 10 0 13C-6 10 -7 5 0 2" {...ink} />}
        </>,
      );
    }
    case 'hand':
      return placed(60, form.apart ? 78 : 92, 0, form.apart ? fingers(form) : palm(form));
    case 'feather': {
      const step = 74 / Math.max(form.pairs, 1);
      const small = Math.min(34, step * 2.1 + 8);
      return placed(
        60,
        112,
        0,
        <>
          <path d={`M0 0V${form.end ? -84 : -88}`} {...ink} />
          {Array.from({ length: form.pairs }, (_, i) =>
            [-1, 1].map((s) =>
              placed(
                0,
                -14 - i * step,
                s * 66,
                form.twice ? (
                  <path
                    d={`M0 0V-40${Array.from({ length: 6 }, (_, k) => `M0 ${-6 - k * 6}l5 -3M0 ${-6 - k * 6}l-5 -3`).join('')}`}
                    {...thin}
                  />
                ) : (
                  leaflet(small, 0.42, form.margin)
                ),
                `${i}${s}`,
              ),
            ),
          )}
          {form.end && placed(0, -82, 0, leaflet(Math.min(30, small), 0.42, form.margin))}
        </>,
      );
    }
    case 'fan':
      return placed(
        60,
        92,
        0,
        <>
          {Array.from({ length: form.rays }, (_, i) => {
            const turn = ((i - (form.rays - 1) / 2) * 140) / (form.rays - 1);
            const cut = form.split && i === (form.rays - 1) / 2;
            return (
              <path key={i} d={`M0 0V${cut ? -38 : -58}`} transform={`rotate(${turn})`} {...(i % 2 ? thin : ink)} />
            );
          })}
          <path d="M-54.5 -20A58 58 0 0 1 -5 -58L0 -38L5 -58A58 58 0 0 1 54.5 -20M0 0V24" {...ink} />
        </>,
      );
    case 'bundle':
      return placed(
        60,
        104,
        0,
        <>
          <path d="M-5 0H5L4 -12H-4Z" {...ink} />
          {Array.from({ length: form.of }, (_, i) => {
            const lean = (i - (form.of - 1) / 2) * 16;
            return <path key={i} d={`M${i - (form.of - 1) / 2} -12Q${lean * 0.6} -50 ${lean} -96`} {...ink} />;
          })}
        </>,
      );
    case 'needles':
      return needlesOf(form.as);
  }
}

function needlesOf(as: Extract<LeafForm, { kind: 'needles' }>['as']): React.ReactNode {
  const rows = Array.from({ length: 8 }, (_, i) => 106 - i * 11);
  const stepper = <path d="M60 114V10" {...ink} strokeWidth={3.4} />;
  switch (as) {
    case 'pegs':
      return (
        <>
          {stepper}
          <path d={rows.map((y) => `M60 ${y}l-6 -4M60 ${y}l6 -4`).join('')} {...ink} strokeWidth={4} />
          <path d={rows.map((y) => `M54 ${y - 4}l-22 -16M66 ${y - 4}l22 -16`).join('')} {...ink} />
        </>
      );
    case 'suckers':
      return (
        <>
          {stepper}
          {rows.flatMap((y) => [
            <circle key={`a${y}`} cx="56" cy={y} r="2.6" {...ink} />,
            <circle key={`b${y}`} cx="64" cy={y} r="2.6" {...ink} />,
          ])}
          <path d={rows.map((y) => `M53 ${y}L26 ${y - 8}M67 ${y}L94 ${y - 8}`).join('')} {...ink} />
        </>
      );
    case 'flat':
      return (
        <>
          {stepper}
          <path
            d={rows
              .map((y, i) => `M60 ${y}l-4 -2l${-16 - (i % 3) * 8} -5M60 ${y - 3}l4 -2l${16 + ((i + 1) % 3) * 8} -5`)
              .join('')}
            {...ink}
          />
        </>
      );
    case 'tufts':
      return (
        <>
          {stepper}
          {[92, 62, 32].flatMap((y, k) =>
            [-1, 1].map((s) => (
              <path
                key={`${y}${s}`}
                d={`M60 ${y}h${s * 10}${Array.from({ length: 9 }, (_, i) => {
                  const turn = ((i - 4) * 15 * Math.PI) / 180;
                  return `M${60 + s * 12} ${y}l${(s * 26 * Math.cos(turn)).toFixed(1)} ${(26 * Math.sin(turn) + k).toFixed(1)}`;
                }).join('')}`}
                {...thin}
              />
            )),
          )}
        </>
      );
    case 'scales':
      return (
        <>
          {[-30, 0, 30].map((lean) => (
            <path
              key={lean}
              transform={`rotate(${lean} 60 112)`}
              d={`M60 112V16${Array.from({ length: 9 }, (_, i) => {
                const y = 106 - i * 10;
                return `M60 ${y}q9 -2 7 -13q-6 2 -7 8M60 ${y - 5}q-9 -2 -7 -13q6 2 7 8`;
              }).join('')}`}
              {...thin}
            />
          ))}
        </>
      );
    case 'sprays':
      return (
        <>
          {stepper}
          {rows
            .slice(0, 7)
            .flatMap((y, i) =>
              [-1, 1].map((s) => (
                <path
                  key={`${y}${s}`}
                  d={`M60 ${y}l${s * (40 - i * 4)} -14M${60 + s * (14 - i)} ${y - 5}l${s * 14} -12M${60 + s * (24 - i * 2)} ${y - 9}l${s * 12} -11`}
                  {...ink}
                  strokeWidth={3.2}
                />
              )),
            )}
        </>
      );
  }
}

const SITS = {
  'in pairs': 'in opposite pairs',
  'one by one': 'one by one along the shoot',
  'all round': 'all round the shoot',
};

/** The leaf of a host, drawn from how it is built, in lines only; how it sits on the shoot stands below. */
export function LeafFigure({
  form,
  sits,
  name,
  size = 160,
  caption = true,
}: {
  form: LeafForm;
  sits: keyof typeof SITS;
  name: string;
  size?: number;
  caption?: boolean;
}) {
  return (
    <figure style={{ width: size }} className="flex-none">
      <svg viewBox="0 0 120 120" width={size} height={size} role="img" aria-label={`Leaf of ${name}, ${SITS[sits]}`}>
        {draw(form)}
      </svg>
      {caption && <figcaption className="text-small text-ink-2">{SITS[sits]}</figcaption>}
    </figure>
  );
}
