import type { Condition } from '../diagnose/knowledge';
import { signsOf } from '../diagnose/reading';
import { inWords } from '../diagnose/sureness';
import { certaintyWords, inSentence, type Certainty, type Decision } from '../diagnose/words';
import { answering, onlyPrevents, type Action } from './actions';
import { movesSap } from './eligible';
import { Ground, THERE } from './ground';
import { severityOf } from './severity';
import { atLeast } from './stakes';

/** What is done about a trouble that has a name: doubt, proof, limits, cause, threshold, window, in this order. */
export abstract class Named extends Ground {
  /** A condition that harms or that a person named: doubt, proof, limits, cause, threshold, window. */
  protected namedProblem(about: Condition, certainty: Certainty): Decision {
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
  protected proof(about: Condition, certainty: Certainty): Decision {
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
  protected unproved(about: Condition, certainty: Certainty): Decision | null {
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
  protected unsure(about: Condition, certainty: Certainty, need: Certainty) {
    this.say(
      'unconfirmed',
      `${about.name} stands at “${certaintyWords(certainty)}” (${inWords(this.p)}); what follows from it asks for “${certaintyWords(need)}”.`,
      this.knowledgeOf,
    );
    this.say('deciding-test', `Deciding test: ${about.decidingTest}.`, this.knowledgeOf);
  }

  /** A threshold that counts or looks back is asked, never replaced in silence. */
  protected askThreshold(about: Condition) {
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
  protected beyondHelp(about: Condition, certainty: Certainty): Decision | null {
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
  protected causeFirst(about: Condition): Decision | null {
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
  protected act(about: Condition, certainty: Certainty, severity: number): Decision {
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

  protected later(about: Condition, certainty: Certainty, answers: readonly Action[]): Decision {
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
      // What only a nuisance asks for is no reason to give a tree up: it bears it.
      if (about.policy === 'relieve' && !about.hazard) {
        const helps = this.options.filter((o) => o.use === 'support' && o.status !== 'not here');
        this.say(
          'bears-it',
          `The tree bears it.${helps.length ? ` What helps: ${helps.map((o) => `${inSentence(o.what)}, from ${this.month(o.from)}`).join('; ')}.` : ''}`,
          this.knowledgeOf,
        );
        return 'leave it alone';
      }
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
}
