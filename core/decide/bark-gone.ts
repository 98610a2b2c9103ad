import type { Finding, Sign } from '../diagnose/knowledge';

/** The grade at which a sign is seen at its worst. */
const WORST = 4;

/**
 * Share of the girth without living bark. Gone all round is one fact, whether its arcs were entered or the sign of what took it
 * was seen at its worst.
 * @param arcs the share that the entered arcs come to; null where none were
 */
export function barkGone(
  arcs: number | null,
  findings: readonly Pick<Finding, 'sign' | 'state' | 'grade'>[],
  signOf: (id: string) => Pick<Sign, 'girds'> | null,
): number | null {
  const all = findings.some((f) => f.state === 'seen' && f.grade === WORST && signOf(f.sign)?.girds);
  return all ? 1 : arcs;
}
