import { showArea, showTrunk, type UnitSystem } from '@/lib/units/units';

/** The pour band around the trunk from above, to scale. */
export function BasinFigure({
  diameterCm,
  inner,
  outer,
  m2,
  units,
}: {
  diameterCm: number;
  inner: number;
  outer: number;
  m2: number;
  units: UnitSystem;
}) {
  const r = diameterCm / 2;
  const k = 150 / (r + outer);
  const band = ((r + inner + r + outer) / 2) * k;
  return (
    <figure className="m-0">
      <svg
        viewBox="-190 -190 380 380"
        className="h-auto w-full max-w-[420px]"
        role="img"
        aria-label={`Pour evenly from ${showTrunk(inner, units).text} to ${showTrunk(outer, units).text} from the bark, ${showArea(m2, units).text}.`}
      >
        <defs>
          <pattern id="wet" width="9" height="9" patternUnits="userSpaceOnUse">
            <path d="M1 5q2-3 4 0t4 0" stroke="var(--slate)" strokeWidth="1.8" fill="none" />
          </pattern>
        </defs>
        <circle r={band} fill="none" stroke="url(#wet)" strokeWidth={(outer - inner) * k} />
        <circle r={(r + inner) * k} fill="none" stroke="var(--slate)" strokeWidth="2" strokeDasharray="5 4" />
        <circle r={(r + outer) * k} fill="none" stroke="var(--slate)" strokeWidth="3" />
        <circle r={r * k} fill="var(--wood)" stroke="var(--ink)" strokeWidth="5" />
        <g fill="var(--ink)" fontSize="15" fontWeight="700" textAnchor="middle">
          <text y="5">{showTrunk(diameterCm, units).text}</text>
          <text y={-(r + outer) * k - 10}>{showTrunk(outer, units).text} from the bark</text>
          <text y={(r + inner) * k - 8} paintOrder="stroke" stroke="var(--sheet)" strokeWidth="5">
            keep {showTrunk(inner, units).text} clear
          </text>
        </g>
      </svg>
    </figure>
  );
}
