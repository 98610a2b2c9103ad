import { solid } from './drawing';

/** What is drawn again and again on a leaf, a needle or a fruit. */
export type Point = readonly [x: number, y: number, r?: number];
/** White, with an outline. */
export const paper = { fill: 'var(--sheet)', stroke: 'var(--ink)', strokeWidth: 2 };
/** One mark at many places. */
export const at = (points: readonly Point[], mark: (x: number, y: number, r: number) => React.ReactNode) =>
  points.map(([x, y, r = 7]) => <g key={`${x} ${y}`}>{mark(x, y, r)}</g>);
export const dot = (x: number, y: number, r = 1.8) => <circle cx={x} cy={y} r={r} {...solid} />;
