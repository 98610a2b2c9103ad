import type { Condition } from '../diagnose/knowledge';
import { SOUND, UNKNOWN } from '../diagnose/model';
import { oftenOf } from '../diagnose/reading';
import { inWords } from '../diagnose/sureness';
import { inSentence, type Certainty, type Decision } from '../diagnose/words';
import { answering, onlyPrevents } from './actions';
import type { Base } from './base';
import { THERE } from './ground';
import { inspectionForbidden } from './forbids';
import { gravity, isTrivial } from './gravity';
import { fearedSteps, inspectionSteps, type InspectionStep } from './look-further';
import { Named } from './named';
import { counts, makes, unexplained } from './sight';
import { tellOf } from './tell';
import type { DecideInput, DecisionResult } from './types';

/** Below this a likeliest cause is not worth its name. */
const NAMED_AT_ALL = 0.1;
/** From this chance on a condition of which a duty is owed is decided before a harmless leader. */
const OWED = 0.05;
/** Decisions that something on the tree itself must speak for. */
const DECIDES: readonly Decision[] = [
  'treat now',
  'treat in its window',
  'restore vigour first',
  'manage or remove',
  'report',
  'leave it alone',
];
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

/** Whether anything is named at all, and what is told: the last word on it. */
class Deciding extends Named {
  result(): DecisionResult {
    this.follow();
    const certainty = this.certainty;
    if (this.about) this.options = this.actions(this.about, certainty, true);
    if (this.schools.programme === 'organic') this.school.push('Organic-listed methods only.');
    if (this.schools.programme === 'threshold')
      this.school.push('Threshold only: scout, then act; nothing by the calendar.');
    const decision = this.grounded(this.besideHarmless(this.calmEnough(this.decision(certainty))));
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
      look: this.looks(decision),
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

  private decision(certainty: Certainty): Decision {
    const { lead, about } = this;
    if (!lead || !about) return this.cannotName();
    const person = this.input.named === about.id || this.confirmed.includes(about.id);
    if (about.id === UNKNOWN) return this.cannotName();
    if (about.id === SOUND) return this.sound();
    if (!person && !this.nameable(about)) return this.cannotName();
    const rivals = this.input.candidates.filter((c) => !c.harmless && c.id !== UNKNOWN && c.p >= CALM);
    if (!person && this.p < THERE && !(about.kind === 'harmless' && rivals.length === 0)) return this.cannotName();
    return this.namedProblem(about, certainty);
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
    const wrong = this.sight.problem.length > 0 || sight.ailing.length > 0 || sight.dangers.length > 0;
    const first = this.input.candidates.find((c) => c.id !== UNKNOWN && !c.harmless);
    const best = first ? this.base.condition(first.id) : null;
    const sound = this.base.condition(SOUND);
    const feared = this.input.candidates.some((c) => !c.harmless && c.id !== UNKNOWN && c.p >= THERE);
    // Looked at from collar to crown with nothing wrong and nothing likely: that is a sound tree, whatever leads by a hair.
    if (!wrong && !sight.missing.length && !feared && sound) {
      this.about = sound;
      this.lead = this.input.candidates.find((c) => c.id === SOUND) ?? this.lead;
      return this.sound();
    }
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
      return this.namedProblem(best, this.certainty);
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

  /** What to look at next; where more has to be looked at, never nothing. */
  private looks(decision: Decision): InspectionStep[] {
    const steps = inspectionSteps(this.sight, this.input.tests, this.wrong.length > 0, this.base).filter(
      (s) => !inspectionForbidden(this.duties, s.id),
    );
    if (steps.length || decision !== 'look further') return steps;
    const feared = [...this.risks.map((r) => r.condition), ...this.input.candidates.map((c) => c.id)].flatMap(
      (id) => this.base.condition(id) ?? [],
    );
    return fearedSteps(feared, this.input, this.base).filter((s) => !inspectionForbidden(this.duties, s.id));
  }

  /** What is present on this tree: a sign that counts, a test, ill health, or danger; a history and a find near by are none. */
  private get present(): boolean {
    const { problem, ailing, dangers } = this.sight;
    const setting = this.input.findings.some(counts);
    return problem.length + ailing.length + dangers.length + this.input.tests.length > 0 || setting;
  }

  /**
   * Nothing is decided about a tree on which nobody has found anything: its history and finds near by lead to a look, never to a
   * treatment, calm words or giving it up. Protection of a sound tree, and the sound tree itself, have floors of their own.
   */
  private grounded(d: Decision): Decision {
    const sound = d === 'protect a sound tree' || (d === 'leave it alone' && this.about?.id === SOUND);
    if (sound || this.input.named || this.present || !DECIDES.includes(d)) return d;
    this.say(
      'nothing-found',
      `${this.about?.name ?? 'What is feared'} is known from the past or from near by; nothing of it has been seen on this tree.`,
    );
    this.about = null;
    return 'look further';
  }

  /**
   * A harmless or trivial leader takes no decision beside something grave, and a leader that needs nothing none beside something
   * that does: what may be there, and makes a sign or an outcome that the leader does not, is decided instead, the gravest first.
   */
  private besideHarmless(first: Decision): Decision {
    const { lead, about } = this;
    if (this.input.named || !lead || !about || about.id === UNKNOWN) return first;
    const calm = first === 'leave it alone';
    if (!isTrivial(about) && !calm) return first;
    // Beside calm words anything that is worked against decides; beside a small matter only a graver one does.
    const least = calm ? 0 : gravity(about) + 1;
    const owed = this.duties.filter((d) => d.id !== 'risk').flatMap((d) => d.condition ?? []);
    const rivals = this.input.candidates
      .filter((c) => c.id !== lead.id && c.id !== SOUND && c.id !== UNKNOWN)
      .flatMap((c) => {
        const k = this.base.condition(c.id);
        const stands = c.p >= THERE || (owed.includes(c.id) && c.p >= OWED);
        return k && stands && gravity(k) >= least && this.explainsMore(k, about) ? [{ c, k }] : [];
      })
      .sort((a, b) => gravity(b.k) - gravity(a.k) || b.c.p - a.c.p);
    for (const { c, k } of rivals) {
      const kept = { options: this.options, reasons: [...this.reasons] };
      this.lead = c;
      this.about = k;
      this.follow();
      const decision = this.decision(this.certainty);
      if (decision !== 'leave it alone') {
        this.say('beside-harmless', `${about.name} stands beside it, and decides nothing here.`, 'findings');
        return decision;
      }
      this.lead = lead;
      this.about = about;
      this.options = kept.options;
      this.reasons.splice(0, this.reasons.length, ...kept.reasons);
    }
    return first;
  }

  /** Whether a condition makes something that was seen or came out of a test, and another does not. */
  private explainsMore(k: Condition, than: Condition): boolean {
    const sign = this.sight.problem.some((f) => makes(k, f.sign) && !makes(than, f.sign));
    const often = (c: Condition, t: { test: string; outcome: string }) => c.tests[t.test]?.[t.outcome];
    const test = this.input.tests.some((t) => {
      const [own, other] = [often(k, t), often(than, t)];
      return own !== undefined && own !== 'never' && (other === undefined || other === 'never');
    });
    return sign || test;
  }

  /** Calm words are taken back where danger or ill health stands beside what they are about. */
  private calmEnough(d: Decision): Decision {
    if (d !== 'leave it alone') return d;
    const { dangers, ailing } = this.sight;
    const strange = this.input.named
      ? []
      : unexplained(
          this.sight.problem.filter((f) => f.sure !== 'perhaps' && (f.grade ?? 1) >= 2),
          this.input.candidates.filter((c) => c.p >= THERE).flatMap((c) => this.base.condition(c.id) ?? []),
        );
    const beside = [
      ...dangers,
      ...ailing,
      ...strange.map((f) => inSentence(this.base.sign(f.sign)!.words)),
      ...this.contradicted(),
      ...this.reportable(),
    ];
    if (!beside.length) return d;
    this.say(
      'beside',
      `${this.about?.name ?? 'What was named'} needs nothing, but beside it stands: ${beside.join('; ')}.`,
      'findings',
    );
    return 'not yet named';
  }

  /** What was seen or came out of a test, and the calm cause never shows, in words. */
  private contradicted(): string[] {
    const { about } = this;
    if (!about) return [];
    const signs = this.sight.problem
      .filter((f) => oftenOf(about, f.sign) === 'never')
      .map((f) => inSentence(this.base.sign(f.sign)!.words));
    const tests = this.input.tests
      .filter((t) => about.tests[t.test]?.[t.outcome] === 'never')
      .map((t) => inSentence(this.base.test(t.test)?.outcomes.find((o) => o.id === t.outcome)?.words ?? t.outcome));
    return [...signs, ...tests];
  }

  /** Reportable conditions that are suspected beside what the calm words are about. */
  private reportable(): string[] {
    return this.duties
      .filter((d) => d.id === 'report' && d.condition !== null && d.condition !== this.about?.id)
      .map((d) => `a suspicion of ${inSentence(this.base.condition(d.condition!)!.name)}`);
  }

  private meanwhile(): string[] {
    const soil = this.tree.soil;
    // Where gas may be in the soil nobody goes near with a spade, nor waits there.
    if (this.tree.gas) return ['Keep people away, and call the gas network.'];
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
      sure: inWords(this.p),
      now: now.map((o) => o.what),
      next: next ? `from ${this.month(next.from)}: ${inSentence(next.what)}` : null,
      waits: answers.filter((o) => o.status === 'unsure').map((o) => o.what),
      wrong: this.wrong.slice(0, 4),
      duties: this.duties,
      risk: decision === 'protect a sound tree' ? (this.about?.name ?? null) : null,
    });
  }
}
