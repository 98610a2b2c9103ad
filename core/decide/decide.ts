import type { Condition, Finding, TestResult, TreatmentOption } from '../diagnose/knowledge';
import { signsOf } from '../diagnose/reading';
import { inSeason } from '../diagnose/model';
import { certaintyOf, inWords } from '../diagnose/sureness';
import { CERTAINTIES, inSentence, type Certainty, type Decision, type Vigour } from '../diagnose/words';
import type { Candidate } from '../diagnose/rank';

/** The schools an outfit has chosen, where practitioners disagree. */
export interface Schools {
  /** Crown loss beyond which borers are not treated: as the knowledge says, 30 or 50 %. */
  crownLoss: 'knowledge' | 30 | 50;
  programme: 'conventional' | 'organic' | 'threshold';
  /** How several stems count where a label leaves it open; `ask` at every plan. */
  stems: 'ask' | 'sum' | 'basal-area' | 'each';
  /** What is looked at first against insects inside a tree. */
  route: 'soil first' | 'injection first' | 'spray or physical first';
  frequency: 'yearly, small' | 'every 2–3 years';
  rootZone: '12' | '18';
  woundDressing: 'none' | 'wilt region' | 'always on oak';
  sticky: 'on a wrap' | 'never';
  mesh: 'metal' | 'plastic';
}
export const USUAL_SCHOOLS: Schools = {
  crownLoss: 'knowledge',
  programme: 'conventional',
  stems: 'ask',
  route: 'injection first',
  frequency: 'every 2–3 years',
  rootZone: '12',
  woundDressing: 'wilt region',
  sticky: 'on a wrap',
  mesh: 'metal',
};

export interface DecideInput {
  month: number;
  candidates: readonly Candidate[];
  /** The candidate that a person has named; else the leader of the ranking. */
  named?: string;
  findings: readonly Pick<Finding, 'sign' | 'state' | 'grade' | 'counted'>[];
  tests: readonly TestResult[];
  crownLoss: number | null;
  vigour: Vigour | null;
  /** Share of the girth without living bark, 0–1, if it was drawn. */
  barkLoss?: number | null;
  /** Main roots found decayed, of all that were sounded. */
  roots?: { decayed: number; doubtful: number; of: number } | null;
  /** People or buildings under it; null when nobody has said. */
  peopleBelow?: boolean | null;
  nearby?: Readonly<Record<string, number>>;
  history?: readonly string[];
  /** An earlier treatment of this condition that a proper check found without effect. */
  noEffect?: readonly string[];
  schools?: Pick<Schools, 'crownLoss' | 'programme'>;
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
  /** Things to do first, or beside: report, call an assessor, take a sample. */
  duties: Reason[];
  thresholds: string[];
  school: string[];
  options: (TreatmentOption & { open: boolean })[];
  atRisk: AtRisk[];
  /** Drivers that stand behind it, by condition id. */
  drivers: string[];
  tell: string;
}

const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];
export const monthName = (m: number): string => MONTHS[m - 1]!;

/** The worst of a condition's own signs, 0–4; counts on a sample count as four times their share. */
export function severityOf(c: Condition, findings: DecideInput['findings']): number {
  const own = new Set(signsOf(c));
  let worst = 0;
  for (const f of findings)
    if (f.state === 'seen' && own.has(f.sign))
      worst = Math.max(worst, f.counted ? (4 * f.counted.had) / f.counted.of : (f.grade ?? 1));
  return worst;
}

/** What a school leaves of the methods: organic-listed ones, or those that answer what was found. */
const allowed = (o: TreatmentOption, s: Pick<Schools, 'programme'>) =>
  (s.programme !== 'organic' || o.organic) && (s.programme !== 'threshold' || o.use !== 'protect');

const atLeast = (have: Certainty, need: Certainty) => CERTAINTIES.indexOf(have) >= CERTAINTIES.indexOf(need);
const DRIVING = 0.3;

/**
 * What to do, from what is likely: one decision with its reasons, the thresholds and the school used, what the client is
 * told, and the methods that are open. Safety and duty come before cure, cause before follower, and doubt before all.
 * @param find looks a condition up by its id
 */
export function decide(input: DecideInput, find: (id: string) => Condition | null): DecisionResult {
  const schools = input.schools ?? USUAL_SCHOOLS;
  const reasons: Reason[] = [];
  const duties: Reason[] = [];
  const thresholds: string[] = [];
  const school: string[] = [];
  const say = (id: string, sentence: string, source = 'practice') => reasons.push({ id, sentence, source });
  const duty = (id: string, sentence: string, source = 'practice') => duties.push({ id, sentence, source });

  const likely = new Map(input.candidates.map((c) => [c.id, c.p]));
  const chance = (id: string) => likely.get(id) ?? 0;
  let lead = input.named ? input.candidates.find((c) => c.id === input.named) : input.candidates[0];

  // The follower is seen first; what is treated is the driver behind it, if a live one is likely.
  let about = lead ? find(lead.id) : null;
  if (about?.onlyFollows) {
    const driver = input.candidates.find((c) => about!.drivers.includes(c.id) && c.p >= DRIVING);
    if (driver) {
      say(
        'follower',
        `${about.name} follows ${find(driver.id)!.name.toLowerCase()}: the cause is treated, not the follower.`,
        `knowledge: ${about.name}`,
      );
      lead = driver;
      about = find(driver.id);
    }
  }
  const offered = (c: Condition | null) =>
    (c?.options ?? [])
      .filter((o) => allowed(o, schools))
      .map((o) => ({ ...o, open: inSeason(input.month, [o.from, o.to]) }));
  let options = offered(about);
  if (schools.programme === 'organic') school.push('Organic-listed methods only.');
  if (schools.programme === 'threshold') school.push('Threshold only: scout, then act; nothing by the calendar.');
  const p = lead?.p ?? 0;
  const certainty = certaintyOf(p, about, input.tests);
  const drivers = (about?.drivers ?? []).filter((d) => chance(d) >= DRIVING);

  safety(input, about, p, duty);
  const atRisk = risks(input, find, chance);
  const result = (decision: Decision): DecisionResult => ({
    decision,
    condition: about?.id ?? null,
    certainty,
    p,
    reasons,
    duties,
    thresholds,
    school,
    options,
    atRisk,
    drivers,
    tell: tellOf(decision, about, p),
  });

  if (!lead || !about) {
    say('nothing-looked', 'Nothing has been looked at that could name a condition.');
    return result('test first');
  }
  // Protection by the calendar is what a threshold school does without.
  const protects = atRisk.length > 0 && schools.programme !== 'threshold';
  const protectedFirst = () => {
    const risk = atRisk[0]!;
    const c = find(risk.condition)!;
    about = c;
    options = offered(c).filter((o) => o.use === 'protect');
    say(
      'at-risk',
      `The tree is sound and at risk of ${c.name.toLowerCase()}: ${risk.because} ${c.protect!.why}`,
      `knowledge: ${c.name}`,
    );
    return result('protect a sound tree');
  };

  // Nothing that harms is in the running: then it does not matter which harmless name leads.
  const calm =
    about.kind === 'harmless' && input.candidates.every((c) => c.harmless || c.id === 'something-else' || c.p < 0.15);
  if (about.id === 'something-else' || (p < 0.3 && !calm)) {
    say('unsure', `The likeliest candidate stands at ${inWords(p)}: too little to act on.`);
    return result('test first');
  }
  const severity = severityOf(about, input.findings);

  // Harmless, or not worth the treatment.
  if (about.kind === 'harmless' || about.policy === 'leave') {
    if (protects) return protectedFirst();
    if (about.kind === 'harmless' || severity < about.actFrom || about.actFrom >= 4) {
      say(
        'harmless',
        about.kind === 'harmless' ? `${about.name}: ${about.about}` : `${about.course} ${about.useless}`,
        `knowledge: ${about.name}`,
      );
      thresholds.push(about.threshold);
      return result('leave it alone');
    }
  }
  if (about.onlyFollows) {
    say(
      'no-driver',
      `${about.name} follows something else, and no live driver was found: old film outlasts its pest.`,
      `knowledge: ${about.name}`,
    );
    return result('leave it alone');
  }

  // Doubt about an earlier treatment blocks a simple repeat.
  if (input.noEffect?.includes(about.id)) {
    say(
      'no-effect',
      `${about.name} was treated properly, looked at in time, and nothing changed: the same again is not offered.`,
      'the outcome of the earlier treatment',
    );
    return result(about.deciding && laboratory(about) ? 'laboratory first' : 'test first');
  }

  // How sure it must be, by what is at stake.
  const need: Certainty = about.curativeNeeds;
  if (about.reportable && p >= 0.3)
    duty(
      'report',
      `${about.name} may have to be reported: ask the authority ${certainty === 'confirmed by test' ? 'now' : 'before material leaves the place'}.`,
      `knowledge: ${about.name}`,
    );
  const staked =
    about.policy === 'treat' ||
    about.policy === 'manage' ||
    about.policy === 'driver' ||
    (about.policy === 'restore' && need === 'confirmed by test');
  if (staked && !atLeast(certainty, need)) {
    const lab = laboratory(about);
    say(
      'unconfirmed',
      `${about.name} stands at “${certainty}” (${inWords(p)}); what follows from it asks for “${need}”.`,
      `knowledge: ${about.name}`,
    );
    say('deciding-test', `Deciding test: ${about.decidingTest}.`, `knowledge: ${about.name}`);
    return result(
      lab && (need === 'confirmed by test' || !about.deciding) && certainty !== 'a guess'
        ? 'laboratory first'
        : 'test first',
    );
  }
  say('named', `${about.name}, ${certainty} (${inWords(p)}).`, 'the findings');
  thresholds.push(about.threshold);

  const schoolLimit = schools.crownLoss !== 'knowledge' && about.kind === 'borer' ? schools.crownLoss : undefined;
  const limit = schoolLimit ?? about.crownLossLimit;
  if (schoolLimit !== undefined) school.push(`Crown-loss limit for borers: ${schoolLimit} %.`);
  if (about.policy === 'manage') {
    say(
      'no-cure',
      about.options.some((o) => o.use === 'cure') ? about.threshold : `Nothing cures it. ${about.useless}`,
      `knowledge: ${about.name}`,
    );
    return result(
      about.reportable && (certainty === 'confirmed by test' || about.deciding === null)
        ? 'report'
        : 'manage or remove',
    );
  }
  if (limit !== undefined) {
    thresholds.push(`Crown loss up to ${limit} %.`);
    if (input.crownLoss !== null && input.crownLoss > limit) {
      say(
        'crown-loss',
        `${input.crownLoss} % of the crown is lost, more than ${limit} %: it can neither carry the product nor come back.`,
        schoolLimit === undefined ? `knowledge: ${about.name}` : 'school',
      );
      return result('manage or remove');
    }
  }
  if ((input.barkLoss ?? 0) >= 0.95) {
    say('girdled', 'The bark is gone all round: cut below the lowest damage, or bridge it if the tree is worth that.');
    return result('manage or remove');
  }
  if (about.policy === 'restore') {
    say('restore', about.course, `knowledge: ${about.name}`);
    return result('restore vigour first');
  }
  const weak = input.vigour === 'poor' || input.vigour === 'failing';
  if (about.policy === 'driver' && (drivers.length || weak)) {
    say(
      'driver',
      drivers.length
        ? `Behind it stands ${drivers.map((d) => find(d)!.name.toLowerCase()).join(' and ')}: cure that first, or the next one comes to the same weakness.`
        : 'It takes weak trees, and this one is weak: find and cure the weakness first.',
      `knowledge: ${about.name}`,
    );
    return result('restore vigour first');
  }
  if (weak && !about.causesWeakness) {
    const cureless = about.options
      .filter((o) => o.use === 'cure')
      .every((o) =>
        [
          'trunk injection',
          'infusion',
          'soil drench',
          'soil injection',
          'foliar spray',
          'bark spray',
          'feeding',
        ].includes(o.method),
      );
    if (cureless) {
      say('weak', `Vigour is ${input.vigour}: it hardly moves sap. Restore first, examine again in 2–4 weeks.`);
      return result('restore vigour first');
    }
  }
  if (weak && about.causesWeakness)
    say(
      'weak-from-pest',
      `Vigour is ${input.vigour}, and ${about.name.toLowerCase()} is the reason: waiting loses the tree.`,
      `knowledge: ${about.name}`,
    );
  if (severity < about.actFrom) {
    say('below-threshold', `It stands at ${severity} of 4; ${about.threshold}`, `knowledge: ${about.name}`);
    return result('leave it alone');
  }
  return result(window(input.month, about.policy, options, say));
}

/**
 * Treat now or in the window. What cures counts first; where nothing cures, the first of the protective methods; relief
 * only where relief is all that is wanted. What merely supports goes beside and opens no window.
 */
function window(
  month: number,
  policy: Condition['policy'],
  options: readonly TreatmentOption[],
  say: (id: string, s: string) => void,
): Decision {
  const of = (use: TreatmentOption['use']) => options.filter((o) => o.use === use);
  const cures = of('cure');
  const counting = [
    ...cures,
    ...(policy === 'relieve' ? of('relief') : []),
    ...(cures.length ? [] : of('protect').slice(0, 1)),
  ];
  const open = counting.filter((o) => inSeason(month, [o.from, o.to]));
  if (open.length) {
    say('window-open', `Open now: ${open.map((o) => inSentence(o.what)).join('; ')}.`);
    return 'treat now';
  }
  const next = (counting.length ? counting : options)
    .map((o) => ({ o, wait: (o.from - month + 12) % 12 }))
    .sort((a, b) => a.wait - b.wait)[0];
  if (next)
    say(
      'window',
      `Nothing that works is open in ${monthName(month)}. Next: ${inSentence(next.o.what)}, from ${monthName(next.o.from)} (${next.o.when}).`,
    );
  return 'treat in its window';
}

/** What the client is told: no more than is known. */
function tellOf(decision: Decision, about: Condition | null, p: number): string {
  if (!about || about.id === 'something-else')
    return 'We do not know yet what it is, and will not guess with a product.';
  const likely = `The likeliest is ${about.name.toLowerCase()} (${inWords(p)}).`;
  if (decision === 'test first')
    return `We are not sure yet. ${likely} One test will tell: ${inSentence(about.decidingTest)}. Until then nothing is put on the tree.`;
  if (decision === 'laboratory first')
    return `A laboratory must say what it is before anything is done. ${likely} We take the sample and call you when the answer is here.`;
  return about.tell;
}

const laboratory = (c: Condition) =>
  c.deciding
    ? c.deciding.test.startsWith('lab-') || c.deciding.test === 'leaf-analysis'
    : /laborator/i.test(c.decidingTest);

/** What the findings say about how it stands; the judgement itself is a qualified assessor's. */
function safety(
  input: DecideInput,
  about: Condition | null,
  p: number,
  duty: (id: string, s: string, source?: string) => void,
) {
  const why: string[] = [];
  if (about?.hazard && p >= 0.3) why.push(`${about.name.toLowerCase()} can make it break or fall`);
  if ((input.crownLoss ?? 0) >= 50) why.push(`${input.crownLoss} % of the crown is dead`);
  if (input.roots && (input.roots.decayed > 0 || input.roots.doubtful >= 2))
    why.push(
      `${input.roots.decayed} of ${input.roots.of} main roots are decayed${input.roots.doubtful ? `, ${input.roots.doubtful} doubtful` : ''}`,
    );
  if ((input.barkLoss ?? 0) >= 0.5) why.push(`${Math.round(input.barkLoss! * 100)} % of the girth has no living bark`);
  for (const f of input.findings) if (f.state === 'seen' && f.sign === 'base-rocks') why.push('the base moves');
  if (!why.length) return;
  const below =
    input.peopleBelow === false
      ? 'Nobody and nothing stands under it, so it can wait for the next round.'
      : input.peopleBelow
        ? 'People or buildings are under it: call a qualified risk assessor before anything else.'
        : 'If people or buildings are under it, call a qualified risk assessor.';
  duty('risk', `${why.join('; ').replace(/^./, (x) => x.toUpperCase())}. ${below}`, 'findings');
}

/** Sound trees that a find near by, or their own past, puts at risk. */
function risks(input: DecideInput, find: (id: string) => Condition | null, chance: (id: string) => number): AtRisk[] {
  const out: (AtRisk & { km: number })[] = [];
  for (const c of input.candidates) {
    const k = find(c.id);
    if (!k?.protect || chance(c.id) >= 0.3) continue;
    const km = input.nearby?.[c.id];
    const had = input.history?.includes(c.id);
    if (km !== undefined && km <= k.protect.withinKm)
      out.push({
        condition: c.id,
        name: k.name,
        because:
          km === 0
            ? 'found on this place.'
            : `found ${km < 1 ? `${Math.round(km * 1000)} m` : `${Math.round(km)} km`} away.`,
        km,
      });
    else if (had) out.push({ condition: c.id, name: k.name, because: 'it was here before.', km: 0 });
  }
  return out.sort((a, b) => a.km - b.km).map(({ km: _, ...r }) => r);
}
