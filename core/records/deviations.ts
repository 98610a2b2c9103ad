import type { Dose } from '../dose/dose';
import type { Gate } from '../gates/gate';
import { doseChangeSentence, type DoseAnswer } from '../dose/dose-change';
import type { LabelUse } from '../label/schema';
import type { LocalDate } from '../../lib/calendar/zone';
import { figure } from '../../lib/units/units';
import { givesReason } from '../../lib/reason';

/** Share by which the amount used may differ from the planned one before somebody must say why. */
const FREE = 0.05;

/** Why the work as it happened needs a written reason; empty when it went as planned and nothing stood against it. */
export function deviations(
  c: {
    dose: Dose;
    use: LabelUse;
    gates: Gate[];
    /** Reasons given for holds, by gate. */
    released: Readonly<Record<string, string>>;
    lot: { lotNumber: string; expiresOn: LocalDate } | null;
    /** Mixes that it came from. */
    drawn: readonly { code: string; goodUntil: string }[] | null;
    /** Where the newest facts gave another dose, which of both was followed. */
    change?: DoseAnswer | null;
  },
  b: { amount: number; protection: string[]; startedAt: string; doneOn: LocalDate },
): string[] {
  const out: string[] = [];
  const off = (b.amount - c.dose.product) / c.dose.product;
  if (Math.abs(off) > FREE)
    out.push(`${figure(Math.abs(100 * off), 2)} % ${off > 0 ? 'more' : 'less'} than planned was used.`);
  if (c.change?.followed === 'planned')
    out.push(`The planned dose was kept. ${doseChangeSentence(c.change.was, 'metric')}`);
  const open = c.use.protection.filter((p) => !b.protection.includes(p));
  if (open.length) out.push(`Not worn: ${open.join(', ')}.`);
  for (const gate of c.gates) {
    // A hold passes with its own reason; without one, and every stop, is told as going against the rules.
    const held = gate.strength === 'hold' && gate.state === 'tripped' && !givesReason(c.released[gate.id]);
    if (gate.strength === 'stop' || held) out.push(`${gate.title}: ${gate.sentence}`);
  }
  if (c.lot && c.lot.expiresOn < b.doneOn) out.push(`Lot ${c.lot.lotNumber} expired on ${c.lot.expiresOn}.`);
  for (const d of c.drawn ?? [])
    if (Date.parse(d.goodUntil) < Date.parse(b.startedAt)) out.push(`Mix ${d.code} was good no longer.`);
  return out;
}
