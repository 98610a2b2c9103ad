import { scaleLinear } from 'd3-scale';

const DAY = 864e5;

/** The days in which a visit makes sense, as a strip; the upright line is today. */
export function Ribbon({
  from,
  to,
  earliest,
  latest,
  due,
  today,
}: {
  from: string;
  to: string;
  earliest: string;
  latest: string;
  due: string;
  today: string;
}) {
  const t = (d: string) => Date.parse(d);
  const x = scaleLinear([t(from), t(to)], [0, 300]).clamp(true);
  const left = x(t(earliest));
  const right = Math.max(left + 7, x(t(latest) + DAY));
  return (
    <svg
      viewBox="0 0 300 30"
      className="h-[30px] w-[300px] max-w-full phone:w-full"
      role="img"
      aria-label={`from ${earliest} to ${latest}, due ${due}`}
    >
      <path d="M0 15H300" stroke="var(--line)" strokeWidth="2" />
      <rect
        x={left}
        y="8"
        width={right - left}
        height="14"
        fill="var(--cambium)"
        stroke="var(--ink)"
        strokeWidth="1.5"
      />
      <path d={`M${x(t(due))} 8V22`} stroke="var(--ink)" strokeWidth="1.5" strokeDasharray="2 2" />
      {t(today) >= t(from) && t(today) <= t(to) && (
        <path d={`M${x(t(today))} 1V29`} stroke="var(--ink)" strokeWidth="3" />
      )}
    </svg>
  );
}
