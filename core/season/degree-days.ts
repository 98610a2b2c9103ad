export type DegreeDayMethod = 'single-sine' | 'average';

/**
 * Degree-days of one day above a lower threshold.
 *
 * `single-sine` lays a sine through the day's lowest and highest temperature (Baskerville and Emin, 1969); `average`
 * takes their mean, and is offered only because some published windows were built on it.
 * @param min lowest temperature of the day, °C
 * @param max highest temperature of the day, °C, not below `min`
 * @param base lower threshold, °C
 * @param ceiling upper threshold, °C: heat above it does not count
 * @returns degree-days, 0 or more
 * @example degreeDays(4, 17, 10) // 2.32513862794623
 */
export function degreeDays(
  min: number,
  max: number,
  base: number,
  ceiling?: number,
  method: DegreeDayMethod = 'single-sine',
): number {
  const above =
    method === 'average' ? (t: number) => Math.max(0, (min + max) / 2 - t) : (t: number) => sineAbove(min, max, t);
  return above(base) - (ceiling === undefined ? 0 : above(ceiling));
}

/** Mean over a day of how far the sine stands above `threshold`. */
function sineAbove(min: number, max: number, threshold: number): number {
  const mean = (min + max) / 2;
  if (max <= threshold) return 0;
  if (min >= threshold) return mean - threshold;
  const half = (max - min) / 2;
  const theta = Math.asin((threshold - mean) / half);
  return ((mean - threshold) * (Math.PI / 2 - theta) + half * Math.cos(theta)) / Math.PI;
}
