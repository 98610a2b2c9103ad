/** How a vessel is drawn: a bottle for a stock, a tank or can for what is poured out. */
export type VesselShape = 'bottle' | 'tank';

const OUTLINE: Record<VesselShape, string> = {
  bottle:
    'M62 8 h36 v34 q0 10 14 22 q22 18 22 40 v176 q0 16 -16 16 h-76 q-16 0 -16 -16 v-176 q0 -22 22 -40 q14 -12 14 -22 z',
  tank: 'M14 40 h132 v240 q0 16 -16 16 h-100 q-16 0 -16 -16 z M40 40 v-20 h80 v20',
};
/** Where the vessel's brim and floor are on the drawing. */
const [BRIM, FLOOR] = [70, 296];

/**
 * A vessel with the mark to fill to, large enough to be read from two metres, and a lower mark for the water that goes in first.
 * @param part how full it is at the mark, 0 to 1
 * @param first how full it is before the product goes in
 */
export function FillFigure({
  shape,
  part,
  first,
  mark,
  firstMark,
  name,
}: {
  shape: VesselShape;
  part: number;
  first: number;
  mark: string;
  firstMark: string;
  name: string;
}) {
  const y = (share: number) => FLOOR - (FLOOR - BRIM) * Math.min(1, Math.max(0, share));
  const ticks = Array.from({ length: 11 }, (_, i) => i / 10);
  return (
    <figure className="m-0">
      <svg
        viewBox="0 0 206 304"
        className="h-auto w-full max-w-[240px]"
        role="img"
        aria-label={`${name}: water to ${firstMark}, then the product, then fill up to ${mark}.`}
      >
        <defs>
          <clipPath id={`vessel-${shape}`}>
            <path d={OUTLINE[shape]} />
          </clipPath>
        </defs>
        <g clipPath={`url(#vessel-${shape})`}>
          <rect x="0" y={y(part)} width="160" height={FLOOR - y(part) + 8} fill="var(--slate)" opacity="0.28" />
          <rect x="0" y={y(first)} width="160" height={FLOOR - y(first) + 8} fill="var(--slate)" opacity="0.45" />
        </g>
        <path d={OUTLINE[shape]} fill="none" stroke="var(--ink)" strokeWidth="5" strokeLinejoin="round" />
        {ticks.map((t) => (
          <line
            key={t}
            x1={shape === 'bottle' ? 112 : 124}
            x2={shape === 'bottle' ? 130 : 142}
            y1={y(t)}
            y2={y(t)}
            stroke="var(--ink)"
            strokeWidth="2"
          />
        ))}
        {[
          { at: first, step: 1 },
          { at: part, step: 3 },
        ].map(({ at, step }) => (
          <g key={step}>
            <line
              x1="4"
              x2="172"
              y1={y(at)}
              y2={y(at)}
              stroke="var(--ink)"
              strokeWidth={step === 3 ? 7 : 4}
              strokeDasharray={step === 3 ? undefined : '10 7'}
            />
            <circle cx="184" cy={step === 3 ? Math.min(y(at), y(first) - 34) : y(at)} r="17" fill="var(--ink)" />
            <text
              x="184"
              y={(step === 3 ? Math.min(y(at), y(first) - 34) : y(at)) + 8}
              fontSize="22"
              fontWeight="800"
              textAnchor="middle"
              fill="var(--sheet)"
            >
              {step}
            </text>
          </g>
        ))}
      </svg>
    </figure>
  );
}
