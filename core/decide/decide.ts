import type { Condition, Host, TestResult, TreatmentOption } from '../diagnose/knowledge';
import type { Candidate } from '../diagnose/rank';
import { signsOf } from '../diagnose/reading';
import { SOUND, UNKNOWN } from '../diagnose/model';
import { certaintyOf, confirms, inWords, sureOf } from '../diagnose/sureness';
import { certaintyWords, inSentence, type Certainty, type Decision } from '../diagnose/words';
import type { Method } from '../label/methods';
import { isSouth, localMonth } from '../season/hemisphere';
import { monthName } from '../season/months';
import { actionsOf, answering, onlyPrevents, type Action } from './actions';
import type { Base } from './base';
import { dutiesOf, type Duty } from './duties';
import { crownLimits, movesSap, type CrownLimit, type TreeState } from './eligible';
import { lookSteps, type LookStep } from './look-further';
import { USUAL_SCHOOLS, type Schools } from './schools';
import { sightOf, unexplained, type Health, type Seen, type Sight } from './sight';
import { atLeast, shared } from './stakes';
import { tellOf } from './tell';

export interface DecideInput extends Health {
  host: Host;
  /** Month of the northern year; south of the equator half a year from the local one. */
  month: number;
  lat?: number | null;
  candidates: readonly Candidate[];
  /** The candidate that a person has named; else the leader of the ranking. */
  named?: string;
  findings: readonly Seen[];
  tests: readonly TestResult[];
  /** People or buildings under it; null when nobody has said. */
  peopleBelow: boolean | null;
  /** What stands within reach of a falling tree, in words. */
  targets?: readonly string[];
  diameterCm?: number | null;
  /** Soil as it was judged beside the signs, where nobody probed. */
  soil?: TreeState['soil'];
  nearby?: Readonly<Record<string, number>>;
  history?: readonly string[];
  /** An earlier treatment of this condition that a proper check found without effect. */
  noEffect?: readonly string[];
  schools?: Pick<Schools, 'crownLoss' | 'programme'>;
  /** The region's own lists. */
  region?: {
    reportable: readonly string[];
    bannedUses: readonly { method: Method; hosts: readonly string[]; why: string }[];
  };
}

export interface Reason {
  id: string;
  sentence: string;
  /** Where it comes from: knowledge, school, practice, finding. */
  source: string;
}
export interface AtRisk {
  condition: string;
  name: string;
  because: string;
}
export interface DecisionResult {
  decision: Decision;
  /** What the decision is about; null when nothing is named. */
  condition: string | null;
  certainty: Certainty;
  p: number;
  reasons: Reason[];
  /** Owed first, or beside: report, do not cut, keep away, call an assessor. */
  duties: Duty[];
  thresholds: string[];
  school: string[];
  /** Every method of what it is about, with what stands between it and today. */
  options: Action[];
  atRisk: AtRisk[];
  /** Drivers that stand behind it, by condition id. */
  drivers: string[];
  /** What has not been looked at, in the order in which it is worth it. */
  look: LookStep[];
  /** What may be done while it is not named. */
  meanwhile: string[];
  /** Facts that a threshold speaks of and nobody has given. */
  open: string[];
  tell: string;
}

/** The worst of a condition's own signs, 0–4; counts on a sample count as four times their share. */
export function severityOf(c: Condition, findings: readonly Seen[]): number {
  const own = new Set(signsOf(c));
  let worst = 0;
  for (const f of findings)
    if (f.state === 'seen' && own.has(f.sign))
      worst = Math.max(worst, f.counted ? (4 * f.counted.had) / f.counted.of : (f.grade ?? 1));
  return worst;
}

/** From this chance a driver or a neighbour counts as there. */
const THERE = 0.3;
/** Below this a likeliest cause is not worth its name. */
const NAMED_AT_ALL = 0.1;
/** A harmless name may lead calmly while nothing that harms stands higher than this. */
const CALM = 0.15;

/**
 * What to do, from what is likely and from what was seen: one decision with its reasons, what is owed whatever is decided,
 * every method with what stands between it and today, what has not been looked at, and what the client is told.
 *
 * Duty comes before cure, cause before follower, doubt before repetition; a sound tree needs a floor of looks and nothing
 * unexplained; each action asks as much certainty as its mistake costs.
 */
export function decide(input: DecideInput, base: Base): DecisionResult {
  return new Deciding(input, base).result();
}

/** One decision in the making: what it rests on, and the reasons it gathers. */
class Deciding {
  private readonly schools: Pick<Schools, 'crownLoss' | 'programme'>;
  private readonly sight: Sight;
  private readonly confirmed: string[];
  private readonly duties: Duty[];
  private readonly risks: AtRisk[];
  private readonly tree: TreeState;
  private readonly reasons: Reason[] = [];
  private readonly thresholds: string[] = [];
  private readonly school: string[] = [];
  private readonly open: string[] = [];
  private lead: Candidate | undefined;
  private about: Condition | null;
  private options: Action[] = [];

  constructor(
    private readonly input: DecideInput,
    private readonly base: Base,
  ) {
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
    this.tree = {
      host: input.host,
      crownLoss: input.crownLoss,
      vigour: input.vigour,
      barkLoss: input.barkLoss,
      diameterCm: input.diameterCm ?? null,
      soil: soilOf(input),
      banned: input.region?.bannedUses ?? [],
      noCut: noCut ? base.condition(noCut)!.name.toLowerCase() : null,
    };
    this.risks = this.atRisk();
    this.lead = this.leader();
    this.about = this.lead ? base.condition(this.lead.id) : null;
  }

  private say(id: string, sentence: string, source = 'practice') {
    this.reasons.push({ id, sentence, source });
  }
  private chance(id: string): number {
    return this.input.candidates.find((c) => c.id === id)?.p ?? 0;
  }
  private get p(): number {
    return this.lead?.p ?? 0;
  }
  private get certainty(): Certainty {
    return certaintyOf(this.p, this.about, this.input.tests, this.input.findings, this.base.test);
  }
  private get knowledgeOf(): string {
    return `knowledge: ${this.about?.name ?? ''}`;
  }

  /** What a person named; else what a laboratory confirmed; else the first of the ranking. */
  private leader(): Candidate | undefined {
    const { candidates, named } = this.input;
    if (named) return candidates.find((c) => c.id === named);
    const confirmed = candidates.filter((c) => this.confirmed.includes(c.id));
    return confirmed[0] ?? candidates[0];
  }

  result(): DecisionResult {
    this.follow();
    const certainty = this.certainty;
    if (this.about) this.options = this.actions(this.about, certainty, true);
    if (this.schools.programme === 'organic') this.school.push('Organic-listed methods only.');
    if (this.schools.programme === 'threshold')
      this.school.push('Threshold only: scout, then act; nothing by the calendar.');
    const decision = this.calmEnough(this.decision(certainty));
    const wrong = decision === 'not yet named' || decision === 'look further';
    return {
      decision,
      condition: decision === 'not yet named' || decision === 'look further' ? null : (this.about?.id ?? null),
      certainty: this.certainty,
      p: this.p,
      reasons: this.reasons,
      duties: this.duties,
      thresholds: this.thresholds,
      school: this.school,
      options: wrong ? [] : this.options,
      atRisk: this.risks,
      drivers: (this.about?.drivers ?? []).filter((d) => this.chance(d) >= THERE),
      look: lookSteps(this.sight, this.input.tests, this.wrong.length > 0, this.base),
      meanwhile: wrong && this.wrong.length ? this.meanwhile() : [],
      open: this.open,
      tell: this.tell(decision),
    };
  }

  /** The follower is seen first; what is treated is the driver behind it, if a live one is likely. */
  private follow() {
    if (!this.about?.onlyFollows) return;
    const { drivers, name } = this.about;
    const driver = this.input.candidates.find((c) => drivers.includes(c.id) && c.p >= THERE);
    if (!driver) return;
    this.say(
      'follower',
      `${name} follows ${this.base.condition(driver.id)!.name.toLowerCase()}: the cause is treated, not the follower.`,
      this.knowledgeOf,
    );
    this.lead = driver;
    this.about = this.base.condition(driver.id);
  }

  private limits(c: Condition): CrownLimit[] {
    return crownLimits(c, this.schools.crownLoss);
  }
  private actions(c: Condition, certainty: Certainty, present: boolean): Action[] {
    return actionsOf(
      c,
      (o) => this.certaintyFor(c, o, certainty),
      present,
      this.input.month,
      this.tree,
      this.limits(c),
      this.schools,
    );
  }
  /** It does not matter which caterpillar it is where all of them ask for the same: their chances add up for what is cheap. */
  private certaintyFor(c: Condition, o: TreatmentOption, own: Certainty): Certainty {
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
  private get wrong(): string[] {
    const likely = this.input.candidates
      .filter((c) => c.p >= THERE || c.id === this.input.named || this.confirmed.includes(c.id))
      .flatMap((c) => this.base.condition(c.id) ?? []);
    return [
      ...this.sight.dangers,
      ...this.sight.ailing,
      ...unexplained(this.sight.trouble, likely).map((f) => inSentence(this.base.sign(f.sign)?.words ?? f.sign)),
    ];
  }

  private decision(certainty: Certainty): Decision {
    const { lead, about } = this;
    if (!lead || !about) return this.cannotName();
    const person = this.input.named === about.id || this.confirmed.includes(about.id);
    if (about.id === UNKNOWN) return this.cannotName();
    if (about.id === SOUND) return this.sound();
    if (!person && !this.nameable(about)) return this.cannotName();
    const rivals = this.input.candidates.filter((c) => !c.harmless && c.id !== UNKNOWN && c.p >= CALM);
    if (!person && this.p < THERE && !(about.kind === 'harmless' && rivals.length === 0)) return this.cannotName();
    return this.namedTrouble(about, certainty);
  }

  /** Some conditions are only what is left: they are named by a sign or test of their own, never by decline alone. */
  private nameable(c: Condition): boolean {
    if (!c.namedBy.length) return true;
    const { findings, tests } = this.input;
    return c.namedBy.some(
      (x) =>
        findings.some((f) => f.sign === x && f.state === 'seen') || tests.some((t) => `${t.test}/${t.outcome}` === x),
    );
  }

  /** Nothing can be named: too little was looked at, or something is wrong whose cause is open. */
  private cannotName(): Decision {
    const { sight } = this;
    const wrong = this.sight.trouble.length > 0 || sight.ailing.length > 0 || sight.dangers.length > 0;
    const first = this.input.candidates.find((c) => c.id !== UNKNOWN && !c.harmless);
    const best = first ? this.base.condition(first.id) : null;
    if (!wrong) {
      this.say(
        'nothing-looked',
        sight.looked
          ? `Nothing wrong was seen, and ${sight.missing.join(', ') || 'more'} has not been looked at.`
          : 'Nobody has looked at this tree.',
      );
      return 'look further';
    }
    // One clear candidate that a quick test would settle is worth naming as a question.
    // So is one that would have to be reported: its sample does not wait until everything else is excluded.
    const owed = this.duties.some((d) => d.id === 'report' && d.condition === first?.id);
    if (best && (owed || (first!.p >= THERE && this.about?.id !== UNKNOWN)) && this.nameable(best)) {
      this.lead = first;
      this.about = best;
      return this.namedTrouble(best, this.certainty);
    }
    this.say(
      'unsure',
      first && first.p >= NAMED_AT_ALL
        ? `The likeliest cause, ${best!.name.toLowerCase()}, stands at ${inWords(first.p)}: too little to act on.`
        : 'Nothing in the field guide fits what was seen.',
    );
    if (best && !this.nameable(best))
      this.say(
        'decline',
        `Decline alone does not name ${best.name.toLowerCase()}: the cause is open. The collar comes first.`,
      );
    this.about = null;
    return sight.missing.length > 1 && !sight.dangers.length && !sight.ailing.length ? 'look further' : 'not yet named';
  }

  /** The sound tree: a floor of looks, health, and nothing unexplained. */
  private sound(): Decision {
    const harmful = this.input.candidates.find((c) => !c.harmless && c.id !== UNKNOWN);
    const wrong = this.wrong;
    if (wrong.length) return this.cannotName();
    if (this.sight.missing.length) {
      this.say(
        'floor',
        `To call a tree sound, collar, trunk, crown and vigour must have been looked at; missing: ${this.sight.missing.join(', ')}.`,
      );
      return 'look further';
    }
    if (harmful && harmful.p >= THERE && !this.input.named) return this.cannotName();
    const protectedBy = this.protect();
    if (protectedBy) return protectedBy;
    this.say('harmless', `${this.about!.name}: ${this.about!.about}`, this.knowledgeOf);
    return 'leave it alone';
  }

  /** Protection of a sound tree at risk; null where the school or the tree speaks against it. */
  private protect(): Decision | null {
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

  /** A condition that harms or that a person named: doubt, proof, limits, cause, threshold, window. */
  private namedTrouble(about: Condition, certainty: Certainty): Decision {
    this.options = this.actions(about, certainty, true);
    const severity = severityOf(about, this.input.findings);
    if (about.kind === 'harmless' || about.policy === 'leave') {
      if (about.kind === 'harmless' || severity < about.actFrom || about.actFrom >= 4) {
        const protectedBy = about.kind === 'harmless' ? this.protect() : null;
        if (protectedBy) return protectedBy;
        this.say(
          'harmless',
          about.kind === 'harmless' ? `${about.name}: ${about.about}` : `${about.course} ${about.useless}`,
          this.knowledgeOf,
        );
        this.thresholds.push(about.threshold);
        return 'leave it alone';
      }
    }
    if (about.onlyFollows) {
      this.say(
        'no-driver',
        `${about.name} follows something else, and no live driver was found: old film outlasts its pest.`,
        this.knowledgeOf,
      );
      return 'leave it alone';
    }
    if (this.input.noEffect?.includes(about.id)) {
      this.say(
        'no-effect',
        `${about.name} was treated properly, looked at in time, and nothing changed: the same again is not offered.`,
        'the outcome of the earlier treatment',
      );
      // What a laboratory confirmed is not doubted again: another method, not another test.
      if (!this.confirmed.includes(about.id)) return this.proof(about, certainty);
    }
    const unproved = this.unproved(about, certainty);
    if (unproved) return unproved;
    this.say('named', `${about.name}, ${certainty} (${inWords(this.p)}).`, 'the findings');
    this.thresholds.push(about.threshold);
    this.askThreshold(about);
    return this.beyondHelp(about, certainty) ?? this.causeFirst(about) ?? this.act(about, certainty, severity);
  }

  /** A laboratory first, or a test. */
  private proof(about: Condition, certainty: Certainty): Decision {
    const lab = about.deciding
      ? this.base.test(about.deciding.test)?.cost === 'laboratory'
      : /laborator/i.test(about.decidingTest);
    return lab &&
      (about.curativeNeeds === 'confirmed by test' || !about.deciding) &&
      (certainty !== 'a guess' || this.duties.some((d) => d.id === 'report' && d.condition === about.id))
      ? 'laboratory first'
      : 'test first';
  }

  /** Where all that follows is grave (give it up, rebuild it), the name itself must be sure enough. */
  private unproved(about: Condition, certainty: Certainty): Decision | null {
    const grave =
      about.policy === 'manage' ||
      about.policy === 'driver' ||
      (about.policy === 'restore' && about.curativeNeeds === 'confirmed by test');
    if (!grave || atLeast(certainty, about.curativeNeeds)) return null;
    // What cures and costs little is not held up by what is grave, unless the authority has a word in it.
    if (!about.reportable && this.options.some((o) => o.use === 'cure' && o.status === 'now')) return null;
    this.unsure(about, certainty, about.curativeNeeds);
    return this.proof(about, certainty);
  }
  private unsure(about: Condition, certainty: Certainty, need: Certainty) {
    this.say(
      'unconfirmed',
      `${about.name} stands at “${certaintyWords(certainty)}” (${inWords(this.p)}); what follows from it asks for “${certaintyWords(need)}”.`,
      this.knowledgeOf,
    );
    this.say('deciding-test', `Deciding test: ${about.decidingTest}.`, this.knowledgeOf);
  }

  /** A threshold that counts or looks back is asked, never replaced in silence. */
  private askThreshold(about: Condition) {
    const counted = this.input.findings.some((f) => f.counted && signsOf(about).includes(f.sign));
    if (/two years|last year|years running/i.test(about.threshold))
      this.open.push(`The threshold looks back (“${about.threshold}”): was it so last year?`);
    if (
      !counted &&
      /\b(one|two|half|third|quarter|tenth|most|\d+)\b.*\b(in|of|leaf|leaves|shoots?|tips?|clusters?|nuts|crown|egg)\b|%/i.test(
        about.threshold,
      ) &&
      about.actFrom < 4
    )
      this.open.push(
        `The threshold counts (“${about.threshold}”) and nobody has counted: the extent seen stands in for it.`,
      );
  }

  /** Nothing helps any more: no cure, too much crown or bark gone. */
  private beyondHelp(about: Condition, certainty: Certainty): Decision | null {
    const { crownLoss, barkLoss } = this.input;
    if (about.policy === 'manage') {
      if (this.options.some((o) => o.use === 'cure' && o.status === 'now') && !about.reportable) return null;
      this.say(
        'no-cure',
        about.options.some((o) => o.use === 'cure') ? about.threshold : `Nothing cures it. ${about.useless}`,
        this.knowledgeOf,
      );
      const owed = this.duties.some((d) => d.id === 'report' && d.condition === about.id);
      const proved =
        certainty === 'confirmed by test' || (about.deciding === null && atLeast(certainty, 'near certain'));
      return owed && proved ? 'report' : 'manage or remove';
    }
    for (const l of this.limits(about)) {
      this.thresholds.push(`Crown loss up to ${l.percent} %.`);
      if (l.setBy === 'school') this.school.push(`Crown-loss limit for borers: ${l.percent} %.`);
      if (crownLoss === null || crownLoss <= l.percent) continue;
      this.say(
        'crown-loss',
        `${crownLoss} % of the crown is lost, more than ${l.percent} %: it can neither carry the product nor come back.`,
        l.setBy === 'school' ? 'school' : this.knowledgeOf,
      );
      return 'manage or remove';
    }
    if ((barkLoss ?? 0) >= 0.95) {
      this.say(
        'girdled',
        'The bark is gone all round: cut below the lowest damage, or bridge it if the tree is worth that.',
      );
      return 'manage or remove';
    }
    return null;
  }

  /** The tree, or what stands behind the trouble, comes first. */
  private causeFirst(about: Condition): Decision | null {
    const { vigour } = this.input;
    const weak = vigour === 'poor' || vigour === 'failing';
    if (about.policy === 'restore') {
      this.say('restore', about.course, this.knowledgeOf);
      return 'restore vigour first';
    }
    const drivers = about.drivers.filter((d) => this.chance(d) >= THERE);
    if (about.policy === 'driver' && (drivers.length || weak)) {
      this.say(
        'driver',
        drivers.length
          ? `Behind it stands ${drivers.map((d) => this.base.condition(d)!.name.toLowerCase()).join(' and ')}: cure that first, or the next one comes to the same weakness.`
          : 'It takes weak trees, and this one is weak: find and cure the weakness first.',
        this.knowledgeOf,
      );
      return 'restore vigour first';
    }
    if (weak && movesSap(vigour!, about) === 'weak from the pest')
      this.say(
        'weak-from-pest',
        `Vigour is ${vigour}, and ${about.name.toLowerCase()} is the reason: waiting loses the tree.`,
        this.knowledgeOf,
      );
    return null;
  }

  /** The threshold, and then what may be done: now, once it is sure, in its window, or not on this tree. */
  private act(about: Condition, certainty: Certainty, severity: number): Decision {
    if (severity < about.actFrom && severity > 0 && about.policy !== 'manage') {
      this.say('below-threshold', `It stands at ${severity} of 4; ${about.threshold}`, this.knowledgeOf);
      return 'leave it alone';
    }
    const answers = answering(about, this.options);
    const now = answers.filter((o) => o.status === 'now');
    const unsure = answers.filter((o) => o.status === 'unsure');
    if (now.length) {
      this.say('window-open', `Open now: ${now.map((o) => inSentence(o.what)).join('; ')}.`);
      for (const o of unsure)
        if (o.needs)
          this.say(
            'waits',
            `${inSentence(o.what).replace(/^./, (x) => x.toUpperCase())} waits: it asks for “${certaintyWords(o.needs)}”.`,
          );
      return 'treat now';
    }
    const fact = unsure.find((o) => o.against.length > 0);
    if (fact) {
      this.say('fact-missing', fact.against[0]!.sentence);
      return 'look further';
    }
    if (unsure.length) {
      this.unsure(about, certainty, unsure[0]!.needs!);
      return this.proof(about, certainty);
    }
    return this.later(about, certainty, answers);
  }

  private later(about: Condition, certainty: Certainty, answers: readonly Action[]): Decision {
    // What only prevents is for next season, and says nothing where what would cure is not for this tree.
    const cures = answers.some((o) => o.use === 'cure');
    const waiting = [...answers, ...(cures ? [] : this.options.filter(onlyPrevents))].filter(
      (o) => o.status === 'later',
    );
    // What waits for its months is made sure of meanwhile.
    if (
      waiting.length &&
      waiting.every((o) => o.needs !== null && !atLeast(this.certaintyFor(about, o, certainty), o.needs))
    ) {
      this.unsure(about, certainty, waiting[0]!.needs!);
      return this.proof(about, certainty);
    }
    if (!waiting.length) {
      const no = answers.flatMap((o) => o.against);
      for (const a of no) if (!this.reasons.some((r) => r.sentence === a.sentence)) this.say(a.id, a.sentence);
      if (no.some((a) => a.id === 'vigour') && !no.some((a) => a.id === 'crown' || a.id === 'bark-loss'))
        return about.causesWeakness ? 'manage or remove' : 'restore vigour first';
      if (!no.length)
        this.say('nothing-works', `Nothing in this programme works on it. ${about.useless}`, this.knowledgeOf);
      return 'manage or remove';
    }
    // Watering may still ask how dry the soil is; it stands among the methods with its question.
    const helps = this.options.filter(
      (o) => o.use === 'support' && o.open && o.status !== 'not here' && o.method !== 'removal',
    );
    if (about.kind === 'borer' && helps.length && waiting.every(onlyPrevents)) {
      this.say(
        'helps-now',
        `Nothing cures it; it comes to trees under stress. Open now: ${helps.map((o) => inSentence(o.what)).join('; ')}.`,
        this.knowledgeOf,
      );
      return 'restore vigour first';
    }
    const next = this.nextOf(waiting)!;
    const meanwhile = this.options.filter((o) => o.status === 'now' && o.use !== 'support');
    this.say(
      'window',
      `${meanwhile.length ? `In ${this.month(this.input.month)} there is only: ${meanwhile.map((o) => inSentence(o.what)).join('; ')}` : `Nothing that works is open in ${this.month(this.input.month)}`}. Next: ${inSentence(next.what)}, from ${this.month(next.from)} (${next.when}).`,
    );
    return 'treat in its window';
  }
  private nextOf(of: readonly Action[]): Action | undefined {
    const wait = (o: Action) => {
      const w = (o.from - this.input.month + 12) % 12;
      // A protectant whose months run now is for next season: its next opening is a year off, or what is left of it.
      return w === 0 ? 12 : w;
    };
    return [...of].sort((a, b) => wait(a) - wait(b))[0];
  }

  /** Calm words are taken back where danger or ill health stands beside what they are about. */
  private calmEnough(d: Decision): Decision {
    if (d !== 'leave it alone') return d;
    const { dangers, ailing } = this.sight;
    const strange = this.input.named
      ? []
      : unexplained(
          this.sight.trouble.filter((f) => f.sure !== 'perhaps' && (f.grade ?? 1) >= 2),
          this.input.candidates.filter((c) => c.p >= THERE).flatMap((c) => this.base.condition(c.id) ?? []),
        );
    const beside = [...dangers, ...ailing, ...strange.map((f) => inSentence(this.base.sign(f.sign)!.words))];
    if (!beside.length) return d;
    this.say(
      'beside',
      `${this.about?.name ?? 'What was named'} needs nothing, but beside it stands: ${beside.join('; ')}.`,
      'findings',
    );
    return 'not yet named';
  }

  private meanwhile(): string[] {
    const soil = this.tree.soil;
    return [
      ...(this.sight.dangers.length ? ['Keep people away until somebody qualified has judged how it stands.'] : []),
      soil === 'dry'
        ? 'Water: the soil is dry at root depth.'
        : soil === 'wet'
          ? 'No water: the soil is wet.'
          : 'Feel the soil at 20–30 cm; water only if it is dry.',
      'No product and no feed on a guess.',
      'Take photographs, and a sample from the edge between sick and sound; ask for a second opinion.',
    ];
  }

  private month(northern: number): string {
    return monthName(localMonth(northern, isSouth(this.input.lat)));
  }

  private tell(decision: Decision): string {
    const now = this.options.filter(
      (o) =>
        o.status === 'now' &&
        (decision === 'restore vigour first' ? o.use === 'support' || o.use === 'cure' : o.use !== 'support'),
    );
    const answers = this.about ? answering(this.about, this.options) : [];
    const guards = decision === 'protect a sound tree';
    const waiting = guards ? this.options : [...answers, ...this.options.filter(onlyPrevents)];
    const next =
      guards && this.options.some((o) => o.status === 'now')
        ? undefined
        : this.nextOf(waiting.filter((o) => o.status === 'later'));
    return tellOf({
      decision,
      about: this.about,
      p: this.p,
      now: now.map((o) => o.what),
      next: next ? `from ${this.month(next.from)}: ${inSentence(next.what)}` : null,
      waits: answers.filter((o) => o.status === 'unsure').map((o) => o.what),
      wrong: this.wrong.slice(0, 4),
      duties: this.duties,
      risk: decision === 'protect a sound tree' ? (this.about?.name ?? null) : null,
    });
  }

  /** What a find near by, or the tree's own past, puts it at risk of. */
  private atRisk(): AtRisk[] {
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
