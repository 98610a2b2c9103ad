import { dayIn } from '@/lib/calendar/zone';
import { extent } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

/** A small line of readings over time, oldest at the left, with its first and last value written out. */
export function Series({
  points,
  show,
  what,
}: {
  points: { at: number; value: number }[];
  show: (v: number) => string;
  what: string;
}) {
  if (points.length === 0) return null;
  const w = 260;
  const h = 54;
  const [from = 0, to = 1] = extent(points, (p) => p.at);
  const [low = 0, high = 1] = extent(points, (p) => p.value);
  const x = scaleLinear([from, to === from ? from + 1 : to], [8, w - 8]);
  const y = scaleLinear([low, high === low ? low + 1 : high], [h - 10, 10]);
  const last = points.at(-1)!;
  const words = `${what}: ${points.map((p) => `${dayIn(new Date(p.at), 'UTC')} ${show(p.value)}`).join(', ')}`;
  return (
    <figure className="m-0">
      <svg viewBox={`0 0 ${w} ${h}`} className="h-14 w-full max-w-[320px]" role="img" aria-label={words}>
        <path
          d={
            line<{ at: number; value: number }>(
              (p) => x(p.at),
              (p) => y(p.value),
            )(points) ?? ''
          }
          fill="none"
          stroke="var(--ink)"
          strokeWidth="2"
        />
        {points.map((p) => (
          <circle
            key={p.at}
            cx={x(p.at)}
            cy={y(p.value)}
            r={p === last ? 5 : 3.5}
            fill={p === last ? 'var(--cambium)' : 'var(--sheet)'}
            stroke="var(--ink)"
            strokeWidth="1.8"
          />
        ))}
      </svg>
      <figcaption className="figures text-small text-ink-2">
        {points.length === 1
          ? `${show(last.value)}, the only reading`
          : `${show(points[0]!.value)} in ${new Date(from).getUTCFullYear()}, ${show(last.value)} last`}
      </figcaption>
    </figure>
  );
}
