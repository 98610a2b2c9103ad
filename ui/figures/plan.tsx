import { FEATURE_NAMES, WATERS, type AreaKind, type SiteMap } from '@/core/site-map/site-map';
import type { Point, Polygon } from '@/core/rootzone/probe-grid';
import { showDistance, type UnitSystem } from '@/lib/units/units';

export interface DrawnTree {
  id: string;
  tag: string;
  at: Point;
  crownM: number | null;
  /** Radius of the critical root zone, m. */
  rootM?: number | null;
  here?: boolean;
}
export interface PlanOverlay {
  /** Treated ring about the tree in hand, m from its middle. */
  ring?: { innerM: number; outerM: number } | null;
  holes?: readonly Point[];
  trenches?: { count: number; startM: number; endM: number } | null;
  /** Distance to be kept from water, m: lights up around wells, drains and open water. */
  bufferM?: number;
  drift?: Polygon | null;
}

const FILL: Record<AreaKind, { fill: string; pattern: string }> = {
  building: { fill: 'var(--line)', pattern: 'M0 0L8 8M8 0L0 8' },
  paving: { fill: 'var(--paper)', pattern: 'M1 1h1M5 5h1' },
  bed: { fill: 'var(--sheet)', pattern: 'M0 4h8M4 0v8' },
  water: { fill: 'color-mix(in srgb, var(--slate) 22%, var(--sheet))', pattern: 'M0 3q2 -3 4 0t4 0' },
  flowers: { fill: 'color-mix(in srgb, var(--cambium) 30%, var(--sheet))', pattern: 'M4 2v4M2 4h4' },
  neighbour: { fill: 'none', pattern: 'M0 8L8 0' },
};
const POINT_LETTER = { well: 'W', drain: 'D', hive: 'H', play: 'P' } as const;

/** What the whole plan spans, with a margin, in metres. */
export function spanOf(plan: SiteMap, trees: readonly DrawnTree[]) {
  const all: Point[] = [
    ...(plan.outline ?? []),
    ...plan.areas.flatMap((a) => a.corners),
    ...plan.points.map((p) => p.at),
    ...trees.flatMap((t) => {
      const r = (t.crownM ?? 2) / 2;
      return [
        { x: t.at.x - r, y: t.at.y - r },
        { x: t.at.x + r, y: t.at.y + r },
      ];
    }),
  ];
  if (!all.length) return { x: -20, y: -20, w: 40, h: 40 };
  const xs = all.map((p) => p.x);
  const ys = all.map((p) => p.y);
  const pad = Math.max(3, (Math.max(...xs) - Math.min(...xs)) * 0.05);
  return {
    x: Math.min(...xs) - pad,
    y: Math.min(...ys) - pad,
    w: Math.max(...xs) - Math.min(...xs) + 2 * pad,
    h: Math.max(...ys) - Math.min(...ys) + 2 * pad,
  };
}

/** The plan in words, for a screen reader and for whoever cannot see the picture. */
export function planWords(plan: SiteMap, trees: readonly DrawnTree[]): string {
  const count = new Map<string, number>();
  for (const f of [...plan.areas, ...plan.points])
    count.set(FEATURE_NAMES[f.kind].toLowerCase(), (count.get(FEATURE_NAMES[f.kind].toLowerCase()) ?? 0) + 1);
  return `Plan of the grounds, north up: ${trees.length} trees${[...count].map(([k, n]) => `, ${n} × ${k}`).join('')}.`;
}

const scaleStep = (width: number) => [1, 2, 5, 10, 20, 50, 100, 200, 500].find((s) => s > width / 6) ?? 1000;

/**
 * The grounds to scale, north up. Every kind has its own hatching, so that a black-and-white print can be read; what
 * counts for the method in hand lies over it.
 */
export function PlanFigure({
  plan,
  trees,
  overlay = {},
  units,
  view,
  children,
  ...rest
}: {
  plan: SiteMap;
  trees: readonly DrawnTree[];
  overlay?: PlanOverlay;
  units: UnitSystem;
  /** Part of the plan that is shown, m; all of it when nothing is said. */
  view?: { x: number; y: number; w: number; h: number };
  children?: React.ReactNode;
} & Omit<React.SVGProps<SVGSVGElement>, 'overlay' | 'children'>) {
  const v = view ?? spanOf(plan, trees);
  const u = Math.max(v.w, v.h) / 100;
  const path = (c: Polygon) => `${c.map((p, i) => `${i ? 'L' : 'M'}${p.x.toFixed(2)} ${(-p.y).toFixed(2)}`).join('')}Z`;
  const step = scaleStep(v.w);
  const here = trees.find((t) => t.here);
  const names = plan.areas.filter((a) => a.name).map((a) => ({ name: a.name, at: middle(a.corners) }));
  return (
    <svg
      viewBox={`${v.x} ${-(v.y + v.h)} ${v.w} ${v.h}`}
      role="img"
      aria-label={planWords(plan, trees)}
      className="h-auto max-h-[70vh] w-full border border-line bg-sheet"
      {...rest}
    >
      <defs>
        {(Object.keys(FILL) as AreaKind[]).map((k) => (
          <pattern
            key={k}
            id={`plan-${k}`}
            width="8"
            height="8"
            patternUnits="userSpaceOnUse"
            patternTransform={`scale(${u / 4})`}
          >
            <rect width="8" height="8" fill={FILL[k].fill} />
            <path d={FILL[k].pattern} fill="none" stroke="var(--ink-2)" strokeWidth="0.8" />
          </pattern>
        ))}
      </defs>
      {plan.outline && (
        <path
          d={path(plan.outline)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth={u * 0.7}
          strokeDasharray={`${u * 4} ${u * 1.2}`}
        />
      )}
      {overlay.bufferM !== undefined && overlay.bufferM > 0 && (
        <g fill="none" stroke="var(--madder)" strokeWidth={u * 0.5} strokeDasharray={`${u * 1.5} ${u}`}>
          {plan.areas
            .filter((a) => WATERS.some((w) => w === a.kind))
            .map((a) => (
              <path
                key={a.id}
                d={path(a.corners)}
                strokeWidth={overlay.bufferM! * 2}
                strokeOpacity="0.16"
                strokeDasharray="none"
                strokeLinejoin="round"
              />
            ))}
          {plan.points
            .filter((p) => WATERS.some((w) => w === p.kind))
            .map((p) => (
              <circle key={p.id} cx={p.at.x} cy={-p.at.y} r={overlay.bufferM} />
            ))}
        </g>
      )}
      {plan.areas.map((a) => (
        <path
          key={a.id}
          d={[a.corners, ...(a.holes ?? [])].map(path).join('')}
          fillRule="evenodd"
          fill={`url(#plan-${a.kind})`}
          stroke="var(--ink)"
          strokeWidth={u * 0.35}
        />
      ))}
      {overlay.drift && (
        <path d={path(overlay.drift)} fill="var(--sap)" fillOpacity="0.18" stroke="var(--sap)" strokeWidth={u * 0.5} />
      )}
      {trees.map((t) => (
        <g key={t.id}>
          {t.rootM ? (
            <circle
              cx={t.at.x}
              cy={-t.at.y}
              r={t.rootM}
              fill="none"
              stroke="var(--ink-2)"
              strokeWidth={u * 0.25}
              strokeDasharray={`${u * 0.6} ${u * 0.6}`}
            />
          ) : null}
          <circle
            cx={t.at.x}
            cy={-t.at.y}
            r={(t.crownM ?? 2) / 2}
            fill="var(--cambium)"
            fillOpacity={t.here ? 0.45 : 0.2}
            stroke="var(--ink)"
            strokeWidth={u * (t.here ? 0.6 : 0.25)}
          />
          <circle cx={t.at.x} cy={-t.at.y} r={u * 0.7} fill="var(--ink)" />
        </g>
      ))}
      {here && overlay.ring && (
        <path
          d={`M${here.at.x - overlay.ring.outerM} ${-here.at.y}a${overlay.ring.outerM} ${overlay.ring.outerM} 0 1 0 ${2 * overlay.ring.outerM} 0a${overlay.ring.outerM} ${overlay.ring.outerM} 0 1 0 ${-2 * overlay.ring.outerM} 0ZM${here.at.x - overlay.ring.innerM} ${-here.at.y}a${overlay.ring.innerM} ${overlay.ring.innerM} 0 1 1 ${2 * overlay.ring.innerM} 0a${overlay.ring.innerM} ${overlay.ring.innerM} 0 1 1 ${-2 * overlay.ring.innerM} 0Z`}
          fill="var(--slate)"
          fillOpacity="0.2"
          stroke="var(--slate)"
          strokeWidth={u * 0.4}
        />
      )}
      {here &&
        overlay.trenches &&
        Array.from({ length: overlay.trenches.count }, (_, i) => (i / overlay.trenches!.count) * 2 * Math.PI).map(
          (a) => (
            <line
              key={a}
              x1={here.at.x + Math.sin(a) * overlay.trenches!.startM}
              y1={-here.at.y - Math.cos(a) * overlay.trenches!.startM}
              x2={here.at.x + Math.sin(a) * overlay.trenches!.endM}
              y2={-here.at.y - Math.cos(a) * overlay.trenches!.endM}
              stroke="var(--ink)"
              strokeWidth={u * 0.9}
            />
          ),
        )}
      {overlay.holes?.map((point, i) => (
        <circle
          key={i}
          cx={point.x}
          cy={-point.y}
          r={u * 0.55}
          fill="var(--slate)"
          stroke="var(--sheet)"
          strokeWidth={u * 0.15}
        />
      ))}
      {plan.points.map((p) => (
        <g key={p.id}>
          <rect
            x={p.at.x - u * 1.6}
            y={-p.at.y - u * 1.6}
            width={u * 3.2}
            height={u * 3.2}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={u * 0.4}
          />
          <text
            x={p.at.x}
            y={-p.at.y + u * 0.95}
            textAnchor="middle"
            fontSize={u * 2.6}
            fontWeight="800"
            fill="var(--ink)"
          >
            {POINT_LETTER[p.kind]}
          </text>
        </g>
      ))}
      {trees.map((t) => (
        <text
          key={t.id}
          x={t.at.x}
          y={-t.at.y - u * 1.1}
          textAnchor="middle"
          fontSize={u * (t.here ? 3.4 : trees.length > 25 ? 2.3 : 2.8)}
          fontWeight={t.here ? 800 : 600}
          fill="var(--ink)"
          paintOrder="stroke"
          stroke="var(--sheet)"
          strokeWidth={u * 0.6}
        >
          {t.tag}
        </text>
      ))}
      {names.map((n) => (
        <text
          key={n.name}
          x={n.at.x}
          y={-n.at.y}
          textAnchor="middle"
          fontSize={u * 2.4}
          fontStyle="italic"
          fill="var(--ink)"
          paintOrder="stroke"
          stroke="var(--sheet)"
          strokeWidth={u * 0.7}
        >
          {n.name}
        </text>
      ))}
      <g transform={`translate(${v.x + u * 5} ${-(v.y + v.h) + u * 8})`}>
        <path d={`M0 ${-u * 5}L${u * 1.6} ${u * 1.6}L0 0L${-u * 1.6} ${u * 1.6}Z`} fill="var(--ink)" />
        <text y={u * 5} textAnchor="middle" fontSize={u * 3} fontWeight="800" fill="var(--ink)">
          N
        </text>
      </g>
      <g transform={`translate(${v.x + u * 3} ${-v.y - u * 3})`}>
        <path d={`M0 ${-u}V0H${step}V${-u}`} fill="none" stroke="var(--ink)" strokeWidth={u * 0.5} />
        <text
          x={step / 2}
          y={-u * 1.2}
          textAnchor="middle"
          fontSize={u * 2.6}
          fontWeight="700"
          fill="var(--ink)"
          paintOrder="stroke"
          stroke="var(--sheet)"
          strokeWidth={u * 0.7}
        >
          {showDistance(step, units).text}
        </text>
      </g>
      {plan.slope && (
        <g transform={`translate(${v.x + v.w - u * 8} ${-(v.y + v.h) + u * 8}) rotate(${plan.slope.downDeg})`}>
          <path
            d={`M0 ${u * 4}V${-u * 4}M${-u * 1.5} ${-u * 2}L0 ${-u * 4}L${u * 1.5} ${-u * 2}`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={u * 0.6}
          />
          <text
            transform={`rotate(${-plan.slope.downDeg})`}
            y={u * 7}
            textAnchor="middle"
            fontSize={u * 2.4}
            fill="var(--ink)"
          >
            down {plan.slope.percent} %
          </text>
        </g>
      )}
      {children}
    </svg>
  );
}

const middle = (c: Polygon): Point => ({
  x: c.reduce((a, p) => a + p.x, 0) / c.length,
  y: c.reduce((a, p) => a + p.y, 0) / c.length,
});
