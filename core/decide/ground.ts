import type { Condition, TreatmentOption } from '../diagnose/knowledge';
import type { Candidate } from '../diagnose/rank';
import { certaintyOf, confirms, sureOf } from '../diagnose/sureness';
import { inSentence, type Certainty, type Decision } from '../diagnose/words';
import { localMonth } from '../../lib/calendar/hemisphere';
import { monthName, monthsUntil, type NorthernMonth } from '../../lib/calendar/months';
import { actionsOf, type Action } from './actions';
import { barkGone } from './bark-gone';
import type { Base } from './base';
import { dutiesOf, type Duty } from './duties';
import { crownLimits, type CrownLimit, type TreeState } from './eligible';
import { USUAL_SCHOOLS, type Schools } from './schools';
import { counts, sightOf, unexplained, type Sight } from './sight';
import { atLeast, shared } from './stakes';
import type { AtRisk, DecideInput, Reason } from './types';

/** From this chance a driver or a neighbour counts as there. */
export const THERE = 0.3;

/** What one decision rests on, and the reasons that it gathers. */
export abstract class Ground {
  protected readonly schools: Pick<Schools, 'crownLoss' | 'programme'>;
  protected readonly sight: Sight;
  protected readonly confirmed: string[];
  protected readonly duties: Duty[];
  protected readonly risks: AtRisk[];
  protected readonly tree: TreeState;
  protected readonly reasons: Reason[] = [];
  protected readonly thresholds: string[] = [];
  protected readonly school: string[] = [];
  protected readonly open: string[] = [];
  protected lead: Candidate | undefined;
  protected about: Condition | null;
  protected readonly input: DecideInput;
  protected options: Action[] = [];

  constructor(
    given: DecideInput,
    protected readonly base: Base,
  ) {
    const input = { ...given, barkLoss: barkGone(given.barkLoss, given.findings, base.sign) };
    this.input = input;
    this.schools = input.schools ?? USUAL_SCHOOLS;
    this.sight = sightOf(input.findings, input.tests, input, base);
    this.confirmed = input.candidates
      .filter((c) => {
        const k = base.condition(c.id);
        return k && confirms(k, input.tests, input.findings, base.test) === 'laboratory';
      })
      .map((c) => c.id);
    this.duties = dutiesOf(
      {
        ...input,
        confirmed: this.confirmed,
        named: input.named ?? null,
        targets: input.targets ?? [],
        reportable: input.region?.reportable ?? [],
      },
      this.sight,
      base,
    );
    const noCut = this.duties.find((d) => d.id === 'no-cut')?.condition;
    const report = this.duties.find((d) => d.id === 'report')?.condition;
    this.tree = {
      host: input.host,
      crownLoss: input.crownLoss,
      vigour: input.vigour,
      barkLoss: input.barkLoss,
      diameterCm: input.diameterCm ?? null,
      seen: input.findings.filter(counts).map((f) => f.sign),
      signWords: (sign) => base.sign(sign)?.words.toLowerCase() ?? sign,
      soil: soilOf(input),
      banned: input.region?.bannedUses ?? [],
      gas: this.duties.some((d) => d.id === 'gas'),
      noCut: noCut ? base.condition(noCut)!.name.toLowerCase() : null,
      report: report ? base.condition(report)!.name.toLowerCase() : null,
    };
    this.risks = this.atRisk();
    this.lead = this.leader();
    this.about = this.lead ? base.condition(this.lead.id) : null;
  }

  protected say(id: string, sentence: string, source = 'practice') {
    this.reasons.push({ id, sentence, source });
  }
  protected chance(id: string): number {
    return this.input.candidates.find((c) => c.id === id)?.p ?? 0;
  }
  protected get p(): number {
    return this.lead?.p ?? 0;
  }
  protected get certainty(): Certainty {
    return certaintyOf({
      p: this.p,
      condition: this.about,
      tests: this.input.tests,
      findings: this.input.findings,
      test: this.base.test,
    });
  }
  protected get knowledgeOf(): string {
    return `knowledge: ${this.about?.name ?? ''}`;
  }

  /** What a person named; else what a laboratory confirmed; else the first of the ranking. */
  protected leader(): Candidate | undefined {
    const { candidates, named } = this.input;
    if (named) return candidates.find((c) => c.id === named);
    const confirmed = candidates.filter((c) => this.confirmed.includes(c.id));
    return confirmed[0] ?? candidates[0];
  }

  protected limits(c: Condition): CrownLimit[] {
    return crownLimits(c, this.schools.crownLoss);
  }
  protected actions(c: Condition, certainty: Certainty, present: boolean): Action[] {
    return actionsOf({
      c,
      certainty: (o) => this.certaintyFor(c, o, certainty),
      present,
      month: this.input.month,
      tree: this.tree,
      limits: this.limits(c),
      schools: this.schools,
    });
  }
  /** It does not matter which caterpillar it is where all of them ask for the same: their chances add up for what is cheap. */
  protected certaintyFor(c: Condition, o: TreatmentOption, own: Certainty): Certainty {
    if (!shared(o.method) || o.antibiotic) return own;
    const alike = this.input.candidates.filter((x) => {
      const k = this.base.condition(x.id);
      return (
        k?.kind === c.kind &&
        k.options.some((y) => y.method === o.method && y.use === o.use && y.organic === o.organic) &&
        (x.id === c.id || k.resistance === c.resistance)
      );
    });
    const p = Math.min(
      0.89,
      alike.reduce((s, x) => s + x.p, 0),
    );
    const together = sureOf(p);
    return atLeast(own, together) ? own : together;
  }

  /** What is wrong beside any name: ill health, danger, and signs that nothing in the running makes. */
  protected get wrong(): string[] {
    const likely = this.input.candidates
      .filter((c) => c.p >= THERE || c.id === this.input.named || this.confirmed.includes(c.id))
      .flatMap((c) => this.base.condition(c.id) ?? []);
    return [
      ...this.sight.dangers,
      ...this.sight.ailing,
      ...unexplained(this.sight.problem, likely).map((f) => inSentence(this.base.sign(f.sign)?.words ?? f.sign)),
    ];
  }

  /** Protection of a sound tree at risk; null where the school or the tree speaks against it. */
  protected protect(): Decision | null {
    if (this.schools.programme === 'threshold' || this.sight.missing.length || this.wrong.length) return null;
    for (const risk of this.risks) {
      const c = this.base.condition(risk.condition)!;
      const options = this.actions(c, 'a guess', false).filter((o) => o.use === 'protect');
      if (!options.some((o) => o.status !== 'not here')) continue;
      this.about = c;
      this.options = options;
      this.say(
        'at-risk',
        `The tree is sound and at risk of ${c.name.toLowerCase()}: ${risk.because} ${c.protect!.why}`,
        this.knowledgeOf,
      );
      return 'protect a sound tree';
    }
    return null;
  }

  protected nextOf(of: readonly Action[]): Action | undefined {
    const wait = (o: Action) => {
      const w = monthsUntil(this.input.month, o.from);
      // A protectant whose months run now is for next season: its next opening is a year off, or what is left of it.
      return w === 0 ? 12 : w;
    };
    return [...of].sort((a, b) => wait(a) - wait(b))[0];
  }

  protected month(northern: NorthernMonth): string {
    return monthName(localMonth(northern, this.input.south));
  }

  /** What a find near by, or the tree's own past, puts it at risk of. */
  protected atRisk(): AtRisk[] {
    const out: (AtRisk & { km: number })[] = [];
    for (const c of this.input.candidates) {
      const k = this.base.condition(c.id);
      if (!k?.protect || c.p >= THERE) continue;
      const km = this.input.nearby?.[c.id];
      if (km !== undefined && km <= k.protect.withinKm)
        out.push({ condition: c.id, name: k.name, because: kmWords(km), km });
      else if (this.input.history?.includes(c.id))
        out.push({ condition: c.id, name: k.name, because: 'it was here before.', km: 0 });
    }
    return out.sort((a, b) => a.km - b.km).map(({ km: _, ...r }) => r);
  }
}

function kmWords(km: number): string {
  if (km === 0) return 'found on this place.';
  return `found ${km < 1 ? `${Math.round(km * 1000)} m` : `${Math.round(km)} km`} away.`;
}

/** What the soil was found to be at root depth; the probe before the finger, and null where they contradict. */
function soilOf(input: Pick<DecideInput, 'tests' | 'findings' | 'soil'>): TreeState['soil'] {
  const probe = [...new Set(input.tests.filter((t) => t.test === 'soil-probe').map((t) => t.outcome))];
  if (input.soil === 'wet') return 'wet';
  if (probe.length === 1) return probe[0] === 'dry' ? 'dry' : probe[0] === 'wet-sour' ? 'wet' : 'moist';
  const seen = (sign: string) => input.findings.some((f) => f.sign === sign && f.state === 'seen' && !f.lastSeason);
  if (seen('soil-waterlogged')) return seen('soil-dry') ? null : 'wet';
  return seen('soil-dry') ? 'dry' : (input.soil ?? null);
}
