/** A point on a circle about the middle of a figure, north up, bearings clockwise. */
export const onRing = (bearing: number, r: number): [number, number] => [
  Math.sin((bearing * Math.PI) / 180) * r,
  -Math.cos((bearing * Math.PI) / 180) * r,
];

/** A piece of a ring from one bearing clockwise to another, as a closed path; equal ends go all round. */
export function arcPath(from: number, to: number, inner: number, outer: number): string {
  const width = from === to ? 360 : (to - from + 360) % 360;
  const bearings = Array.from({ length: Math.ceil(width / 4) + 1 }, (_, i) => Math.min(from + i * 4, from + width));
  const points = [...bearings.map((b) => onRing(b, outer)), ...bearings.reverse().map((b) => onRing(b, inner))];
  return `${points.map(([x, y], i) => `${i ? 'L' : 'M'}${x.toFixed(1)} ${y.toFixed(1)}`).join('')}Z`;
}

/** The bearing of a place on the screen, as seen from the middle of a square figure. */
export function bearingAt(figure: Element, clientX: number, clientY: number): number {
  const box = figure.getBoundingClientRect();
  const angle = Math.atan2(clientX - box.left - box.width / 2, -(clientY - box.top - box.height / 2));
  return Math.round(((angle * 180) / Math.PI + 360) % 360) % 360;
}

export const compass = (b: number) => ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'][Math.round(b / 45) % 8]!;
