import { arcPath, onRing } from './polar';

const SHAPE = { sound: '●', doubtful: '◐', decayed: '○' } as const;

/** Bare bark as hatched arcs of the ring, girdling roots as a dark band outside it, and main roots by bearing: filled sound, half doubtful, open decayed. */
export function ArcsFigure({
  arcs,
  anchors,
  size,
}: {
  arcs: readonly { from: number; to: number; kind: 'bare' | 'girdled' }[];
  anchors: readonly { bearing: number; state: keyof typeof SHAPE }[];
  size: number;
}) {
  const words = `Ring of the trunk from above, north up. Bare bark and girdling roots: ${arcs.length ? arcs.map((a) => `${a.kind} ${a.from} to ${a.to} degrees`).join(', ') : 'none'}. Main roots: ${anchors.length ? anchors.map((a) => `${a.bearing} degrees ${a.state}`).join(', ') : 'none entered'}.`;
  return (
    <svg viewBox="-120 -120 240 240" width={size} height={size} role="img" aria-label={words}>
      <defs>
        <pattern id="bare" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V6" stroke="var(--madder)" strokeWidth="2.6" />
        </pattern>
      </defs>
      <circle r="82" fill="var(--wood)" stroke="var(--ink)" strokeWidth="3" />
      <circle r="66" fill="none" stroke="var(--line)" strokeWidth="1.4" />
      {arcs.map((a, i) => (
        <path
          key={i}
          d={a.kind === 'bare' ? arcPath(a.from, a.to, 66, 82) : arcPath(a.from, a.to, 83, 91)}
          fill={a.kind === 'bare' ? 'url(#bare)' : 'var(--ink)'}
          stroke={a.kind === 'bare' ? 'var(--madder)' : 'none'}
          strokeWidth="1.6"
        />
      ))}
      {anchors.map((a, i) => (
        <text
          key={i}
          x={onRing(a.bearing, 100)[0]}
          y={onRing(a.bearing, 100)[1] + 7}
          textAnchor="middle"
          fontSize="22"
          fill="var(--ink)"
        >
          {SHAPE[a.state]}
        </text>
      ))}
      <text y="-88" textAnchor="middle" fontSize="14" fontWeight="700" fill="var(--ink)">
        N
      </text>
    </svg>
  );
}
