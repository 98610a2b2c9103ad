import type { Condition } from '../diagnose/knowledge';
import { SOUND, UNKNOWN } from '../diagnose/model';
import { inWords } from '../diagnose/sureness';
import { inSentence, type Certainty, type Decision } from '../diagnose/words';
import { answering, onlyPrevents } from './actions';
import type { Base } from './base';
import { THERE } from './ground';
import { lookSteps } from './look-further';
import { Named } from './named';
import { unexplained } from './sight';
import { tellOf } from './tell';
import type { DecideInput, DecisionResult } from './types';

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

/** Whether anything is named at all, and what is told: the last word on it. */
class Deciding extends Named {
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
}
