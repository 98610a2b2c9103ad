import type { Condition, TestResult } from '../diagnose/knowledge';
import type { Candidate } from '../diagnose/rank';
import { inWords } from '../diagnose/sureness';
import { inSentence } from '../diagnose/words';
import type { Base } from './base';
import { counts, makes, type Health, type Seen, type Sight } from './sight';

/** Something to do first, or beside every treatment. */
export interface Duty {
  id: 'risk' | 'report' | 'no-cut' | 'hairs' | 'spores' | 'gas';
  sentence: string;
  source: string;
  /** The condition it is on account of; null where it comes from what was seen. */
  condition: string | null;
}

/** From what chance a duty is owed: stakes this high need only suspicion, and something seen that it makes. */
const SUSPICION = 0.05;
/** From this chance on what carries a condition counts as there, and how much more the condition then weighs. */
const [CARRIER_THERE, CARRIED_WEIGHT] = [0.3, 10];
/** Kinds that carry a disease from tree to tree themselves. */
const CARRIES: readonly string[] = ['sap feeder', 'borer', 'chewer'];
/** A hazard of the tree itself is weighed a little higher: half of all old trees have one rare candidate. */
const HAZARD = 0.25;
/** Crown loss from which the dead part itself is a danger, %. */
const DEAD_CROWN = 50;

export interface DutyInput extends Health {
  candidates: readonly Candidate[];
  findings: readonly Seen[];
  tests: readonly TestResult[];
  /** Confirmed by a laboratory or by its deciding test. */
  confirmed: readonly string[];
  named: string | null;
  peopleBelow: boolean | null;
  /** What stands within reach of a falling tree, in words. */
  targets: readonly string[];
  /** Organisms that the region lists, beside those that the knowledge flags. */
  reportable: readonly string[];
}

/** Why a condition is suspected, in words; null where nothing but its commonness speaks for it. */
function suspicion(c: Condition, d: DutyInput, from: number, base: Base): string | null {
  if (d.confirmed.includes(c.id)) return 'it is confirmed';
  if (d.named === c.id) return 'it was named';
  const seen = d.findings.filter(counts);
  const telling = seen.find((f) => c.telling[f.sign] !== undefined);
  if (telling) return `${inSentence(base.sign(telling.sign)!.words)}`;
  const chance = (id: string) => d.candidates.find((x) => x.id === id)?.p ?? 0;
  // What brings it is here: a smaller chance is worth a report. Where an insect carries it that is here itself, its sign is enough,
  // whatever else ails the tree: no more than two troubles are weighed at once, and a third would go under.
  const p =
    chance(c.id) * (from <= SUSPICION && c.drivers.some((x) => chance(x) >= CARRIER_THERE) ? CARRIED_WEIGHT : 1);
  const own = seen.filter((f) => makes(c, f.sign) && !base.sign(f.sign)?.setting);
  if (!own.length) return null;
  if (p >= from) return `it stands at ${inWords(chance(c.id))}`;
  const carrier = c.drivers.find((x) => chance(x) >= CARRIER_THERE && CARRIES.includes(base.condition(x)?.kind ?? ''));
  if (from <= SUSPICION && carrier) return `${inSentence(base.condition(carrier)!.name)} carries it, and is here`;
  return null;
}

/**
 * What is owed whatever is decided: report, keep away, do not cut, call an assessor. It comes from any candidate whose chance
 * matters at its stakes, from telling signs alone, and from what was seen even where nothing is named. A report comes first,
 * before any cut.
 */
export function dutiesOf(d: DutyInput, sight: Sight, base: Base): Duty[] {
  const out: Duty[] = [];
  for (const x of d.candidates) {
    const c = base.condition(x.id);
    if (!c) continue;
    const listed = c.reportable || d.reportable.includes(c.id);
    const noCut = c.nature.includes('no cut');
    const why = listed || c.nature.length ? suspicion(c, d, SUSPICION, base) : null;
    if (!why) continue;
    const source = `knowledge: ${c.name}${d.reportable.includes(c.id) ? '; region: reportable' : ''}`;
    const owe = (id: Duty['id'], sentence: string) => {
      if (!out.some((o) => o.id === id && o.condition === c.id)) out.push({ id, sentence, source, condition: c.id });
    };
    if (listed)
      owe(
        'report',
        `${c.name} may have to be reported (${why}). Photograph it, tell the plant-health authority, and move nothing until it has answered.`,
      );
    if (noCut)
      owe(
        'no-cut',
        `Do not cut: ${c.name.toLowerCase()} travels on saws (${why}). Bag what lies about, photograph, telephone, stay away.`,
      );
    if (c.nature.includes('hairs'))
      owe(
        'hairs',
        `Keep people and dogs away: the hairs of ${c.name.toLowerCase()} hurt eyes, skin and lungs. Full protection for whoever goes near.`,
      );
    if (c.nature.includes('spores'))
      owe('spores', `Spores of ${c.name.toLowerCase()} harm lungs: nobody cuts without a mask.`);
    if (c.nature.includes('gas'))
      owe('gas', 'There may be gas in the soil: no flame, no digging, keep away; call the gas network now.');
  }
  // A laboratory that found a reportable organism has found it, whether or not this host is known to carry it.
  for (const t of d.tests)
    for (const c of base.namedBy(t.test, t.outcome))
      if ((c.reportable || d.reportable.includes(c.id)) && !out.some((o) => o.id === 'report'))
        out.push({
          id: 'report',
          sentence: `The laboratory found what makes ${c.name.toLowerCase()}: tell the plant-health authority, and move nothing until it has answered.`,
          source: 'laboratory',
          condition: c.id,
        });
  const risk = riskOf(d, sight, base);
  if (risk) out.push(risk);
  const order: Duty['id'][] = ['gas', 'report', 'no-cut', 'hairs', 'spores', 'risk'];
  return out.sort((a, b) => order.indexOf(a.id) - order.indexOf(b.id));
}

/** What the findings say about how it stands; the judgement itself is a qualified assessor's. */
function riskOf(d: DutyInput, sight: Sight, base: Base): Duty | null {
  const why = [...sight.dangers];
  for (const x of d.candidates) {
    const c = base.condition(x.id);
    if (c?.hazard && suspicion(c, d, HAZARD, base)) why.push(`${c.name.toLowerCase()} can make it break or fall`);
  }
  if ((d.crownLoss ?? 0) >= DEAD_CROWN) why.push(`${d.crownLoss} % of the crown is dead`);
  if (d.roots && (d.roots.decayed > 0 || d.roots.doubtful >= 2))
    why.push(
      `${d.roots.decayed} of ${d.roots.of} main roots are decayed${d.roots.doubtful ? `, ${d.roots.doubtful} doubtful` : ''}`,
    );
  if ((d.barkLoss ?? 0) >= 0.5) why.push(`${Math.round(d.barkLoss! * 100)} % of the girth has no living bark`);
  if (!why.length) return null;
  const what = d.targets.length ? `${d.targets.join(', ')} within its reach` : 'People or buildings are under it';
  const below =
    d.peopleBelow === false && !d.targets.length
      ? 'Nobody and nothing stands under it, so it can wait for the next round.'
      : d.peopleBelow || d.targets.length
        ? `${what}: keep people away and call a qualified risk assessor before anything else.`
        : 'If people or buildings are under it, keep them away and call a qualified risk assessor.';
  return {
    id: 'risk',
    sentence: `${[...new Set(why)].join('; ').replace(/^./, (x) => x.toUpperCase())}. ${below.replace(/^./, (x) => x.toUpperCase())}`,
    source: 'findings',
    condition: null,
  };
}
