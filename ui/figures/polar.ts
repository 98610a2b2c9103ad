import { arc } from 'd3-shape';

const RAD = Math.PI / 180;

/** A point on a circle about the middle of a figure, north up, bearings clockwise. */
export const onRing = (bearing: number, r: number): [number, number] => [
  Math.sin(bearing * RAD) * r,
  -Math.cos(bearing * RAD) * r,
];

/** A piece of a ring from one bearing clockwise to another, as a closed path; equal ends go all round. */
export const arcPath = (from: number, to: number, innerRadius: number, outerRadius: number): string =>
  arc()({
    innerRadius,
    outerRadius,
    startAngle: from * RAD,
    endAngle: (to > from ? to : to + 360) * RAD,
  }) ?? '';

/** The bearing of a place on the screen, as seen from the middle of a square figure. */
export function bearingAt(figure: Element, clientX: number, clientY: number): number {
  const box = figure.getBoundingClientRect();
  const angle = Math.atan2(clientX - box.left - box.width / 2, -(clientY - box.top - box.height / 2));
  return Math.round((angle / RAD + 360) % 360) % 360;
}

export const compass = (b: number) => ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'][Math.round(b / 45) % 8]!;
