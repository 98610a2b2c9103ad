/**
 * Hours of daylight, with the sun's centre 0.8333° below the horizon (Forsythe and others, 1995, model CBM).
 * @param dayOfYear 1 to 366
 * @param lat degrees, south negative
 * @returns 0 to 24
 * @example dayLength(172, 51.5) // 16.63
 */
export function dayLength(dayOfYear: number, lat: number): number {
  const theta = 0.2163108 + 2 * Math.atan(0.9671396 * Math.tan(0.0086 * (dayOfYear - 186)));
  const declination = Math.asin(0.39795 * Math.cos(theta));
  const phi = (lat * Math.PI) / 180;
  const up =
    (Math.sin((0.8333 * Math.PI) / 180) + Math.sin(phi) * Math.sin(declination)) /
    (Math.cos(phi) * Math.cos(declination));
  return 24 - (24 / Math.PI) * Math.acos(Math.min(1, Math.max(-1, up)));
}
