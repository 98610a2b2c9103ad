import type { Context } from '@/facts/context';
import type { Finding } from '@/core/diagnose/knowledge';
import { severityOf } from '@/core/decide/severity';
import { signsOf } from '@/core/diagnose/reading';
import { decides, type ProgrammeStep } from '@/core/programmes/schema';
import type { LocalDate } from '@/lib/calendar/zone';
import { findCondition } from '@/knowledge';
import { answerInspections, openInspections } from '@/store/assignments';
import { settleAnew } from './settle';

/**
 * What a look says of the troubles that a step looks for: cause where one is there as badly as it is worth acting on, none
 * where what shows it was looked for and nothing of it seen; null where it says neither, and somebody has to.
 */
export function causeIn(act: ProgrammeStep['act'], findings: readonly Finding[]): boolean | null {
  if (act.kind !== 'look') return null;
  const conditions = act.of.flatMap((id) => findCondition(id) ?? []);
  const looked = findings.filter((f) => f.state !== 'not looked' && !f.lastSeason);
  const answers = conditions.map((c): boolean | null => {
    const own = looked.filter((f) => signsOf(c).includes(f.sign));
    const telling = own.filter((f) => c.signs.always.includes(f.sign) || c.signs.usual.includes(f.sign));
    if (telling.some((f) => f.state === 'seen') && severityOf(c, own) >= Math.max(1, c.actFrom)) return true;
    return telling.length > 0 && own.every((f) => f.state === 'absent') ? false : null;
  });
  if (answers.includes(true)) return true;
  return answers.length > 0 && answers.every((x) => x === false) ? false : null;
}

/** A look at trees settles the looks of their programmes that were due, where it answers what they asked. */
export async function settleByInspection(
  here: Pick<Context, 'viewer' | 'receivedAt' | 'station'>,
  seen: readonly { treeId: string; findings: readonly Finding[] }[],
  today: LocalDate,
): Promise<void> {
  const waiting = await openInspections(
    here.viewer,
    seen.map((s) => s.treeId),
    today,
  );
  const settled = new Map<string, Set<string>>();
  for (const look of waiting) {
    const act = look.programme.steps.find((s) => s.key === look.step)?.act;
    const found = act ? causeIn(act, seen.find((s) => s.treeId === look.treeId)?.findings ?? []) : null;
    // What decides nothing is done by any look; what decides something stays open until that is answered.
    const made = found !== null || !decides(look.programme, look.step);
    if (!made) continue;
    await answerInspections(here.viewer, [look.id], found, made);
    settled.set(look.assignmentId, (settled.get(look.assignmentId) ?? new Set()).add(look.treeId));
  }
  for (const [assignmentId, trees] of settled) await settleAnew(here, assignmentId, [...trees]);
}
