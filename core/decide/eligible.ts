import type { Condition, Host, TreatmentOption } from '../diagnose/knowledge';
import { carriesOut, type Method } from '../label/methods';
import { concerns } from '../diagnose/reading';
import type { Vigour } from '../diagnose/words';
import { dutyAgainst } from './forbids';
import type { Schools } from './schools';

/** What is known of a tree when somebody asks whether a method may be used on it; null is not known. */
export interface TreeState {
  host: Pick<Host, 'id' | 'groups' | 'edible' | 'name'>;
  crownLoss: number | null;
  vigour: Vigour | null;
  /** Share of the girth without living bark, 0–1; null where nobody drew it. */
  barkLoss: number | null;
  diameterCm: number | null;
  /** Signs that were seen on it, by id. */
  seen: readonly string[];
  /** What a sign is called, for sentences. */
  signWords: (sign: string) => string;
  /** What the soil was found to be at root depth. */
  soil: 'dry' | 'moist' | 'wet' | null;
  /** Methods that the region bans, with the hosts; empty hosts for all. */
  banned: readonly { method: Method; hosts: readonly string[]; why: string }[];
  /** A condition in the running must not be cut before the authority has spoken. */
  noCut: string | null;
  /** Gas may be in the soil. */
  gas?: boolean;
  /** What may have to be reported here, in words: until then nothing leaves the place. */
  report?: string | null;
}

/** Why a method is not for this tree: `open` where a fact is missing and would settle it. */
export interface Against {
  id: string;
  sentence: string;
  open: boolean;
}

/** Methods whose product must be carried by living sapwood and a working crown. */
export const CARRIED: readonly TreatmentOption['method'][] = [
  'trunk injection',
  'infusion',
  'soil drench',
  'soil injection',
  'feeding',
];
/** Beyond this loss nothing is carried up, whatever the condition. */
export const CROWN_CARRIES_TO = 60;
/** Share of the girth without bark beyond which nothing is carried round. */
export const BARK_CARRIES_TO = 0.5;

/** A limit on crown loss, by whom it is set. Each speaks for itself: a wider one never loosens a narrower. */
export interface CrownLimit {
  percent: number;
  setBy: 'label' | 'school' | 'knowledge';
}
/** Every limit on crown loss for a condition: the school of the company counts for borers and takes the knowledge's place. */
export function crownLimits(
  c: Pick<Condition, 'kind' | 'crownLossLimit'> | null,
  school: Schools['crownLoss'],
  label?: number,
): CrownLimit[] {
  const out: CrownLimit[] = [];
  if (label !== undefined) out.push({ percent: label, setBy: 'label' });
  if (c?.kind === 'borer' && c.crownLossLimit !== undefined && school !== 'knowledge')
    out.push({ percent: school, setBy: 'school' });
  else if (c?.crownLossLimit !== undefined) out.push({ percent: c.crownLossLimit, setBy: 'knowledge' });
  return out;
}

/** Whether a tree of this vigour moves sap enough to carry a product; the pest may itself be what weakens it. */
export function movesSap(
  vigour: Vigour,
  c: Pick<Condition, 'causesWeakness' | 'crownLossLimit'> | null,
): 'yes' | 'weak from the pest' | 'no' {
  if (vigour === 'good' || vigour === 'fair') return 'yes';
  if (!c?.causesWeakness) return 'no';
  // A failing tree carries nothing, unless the knowledge says that this pest's victims still do at such a loss.
  return vigour === 'failing' && (c.crownLossLimit ?? 0) < CROWN_CARRIES_TO ? 'no' : 'weak from the pest';
}

/**
 * What speaks against using a method on this tree: one definition for the decision, the comparison and the gates.
 * @param c the condition it would be used on; null for a sound tree
 * @param limits on crown loss, see {@link crownLimits}
 * @returns empty when nothing does
 */
export function against(
  o: Pick<TreatmentOption, 'method' | 'what' | 'hosts' | 'antibiotic' | 'largestCm' | 'use' | 'notOn' | BoundField>,
  t: TreeState,
  c: Condition | null,
  limits: readonly CrownLimit[],
): Against[] {
  const out: Against[] = [];
  const say = (id: string, sentence: string, open = false) => out.push({ id, sentence, open });
  if (!concerns(o.hosts, t.host)) say('host', `Not for ${t.host.name.toLowerCase()}.`);
  if (o.notOn && concerns(o.notOn, t.host))
    say('growth', `${t.host.name} grows otherwise and would not heal from it: this is not for it.`);
  const ban = t.banned.find((b) => carriesOut(b.method, o.method) && concerns(b.hosts, t.host));
  if (ban) say('banned', `Banned here: ${ban.why}`);
  if (o.antibiotic && t.host.edible && CARRIED.includes(o.method))
    say('food', `${t.host.name} is eaten: no antibiotic goes into a food tree.`);
  if (t.gas && dutyAgainst([{ id: 'gas' }], o))
    say(
      'gas',
      'There may be gas in the soil: nothing is dug, drilled, poured or burnt before the gas network has answered.',
    );
  if (t.report && dutyAgainst([{ id: 'report' }], o))
    say('report', `Nothing is taken away before the authority has answered: ${t.report}.`);
  if (t.noCut && (o.method === 'pruning' || o.method === 'removal' || o.method === 'root barrier'))
    say('no-cut', `No cut before the authority has spoken: ${t.noCut}.`);
  if (CARRIED.includes(o.method)) carried(t, c, limits, say);
  bounds(o, t, say);
  if (o.largestCm !== undefined && t.diameterCm !== null && t.diameterCm > o.largestCm)
    say('size', `Done on trunks to ${o.largestCm} cm; this one has ${Math.round(t.diameterCm)} cm.`);
  if (o.method === 'watering') {
    if (t.soil === 'wet') say('wet', 'The soil is wet: water drowns it. The drowned look thirsty.');
    else if (t.soil === null) say('soil-unknown', 'Feel the soil at 20–30 cm first: the drowned look thirsty.', true);
    else if (t.soil === 'moist' && c?.id !== 'drought-stress') say('moist', 'The soil is moist enough today.');
  }
  return out;
}

type BoundField = 'barkLossMax' | 'barkLossMin' | 'crownLossMin' | 'tooLate' | 'onlyWith';
type Say = (id: string, sentence: string, open?: boolean) => void;
const percent = (share: number): string => `${Math.round(share * 100)} %`;

/** The state of the tree from which, up to which, or only in which a method makes sense. */
function bounds(o: Pick<TreatmentOption, BoundField>, t: TreeState, say: Say) {
  if (o.barkLossMax !== undefined && t.barkLoss !== null && t.barkLoss > o.barkLossMax)
    say('bark', `${percent(t.barkLoss)} of the girth has no bark; this makes sense to ${percent(o.barkLossMax)}.`);
  if (o.barkLossMin !== undefined) {
    if (t.barkLoss === null)
      say(
        'bark-unknown',
        `Done where ${percent(o.barkLossMin)} of the girth or more has no bark: draw how far it is gone.`,
        true,
      );
    else if (t.barkLoss < o.barkLossMin)
      say(
        'bark-least',
        `${percent(t.barkLoss)} of the girth has no bark; this is done from ${percent(o.barkLossMin)}: less closes by itself.`,
      );
  }
  if (o.crownLossMin !== undefined) {
    if (t.crownLoss === null)
      say('crown-least-unknown', `Done from ${o.crownLossMin} % crown loss, and nobody has graded this crown.`, true);
    else if (t.crownLoss < o.crownLossMin)
      say('crown-least', `${t.crownLoss} % of the crown is lost; this is done from ${o.crownLossMin} %.`);
  }
  const late = o.tooLate?.find((s) => t.seen.includes(s));
  if (late) say('too-late', `Too late for this: ${t.signWords(late)}.`);
  if (o.onlyWith && !o.onlyWith.some((s) => t.seen.includes(s)))
    say('not-yet', `Not before this is seen: ${o.onlyWith.map(t.signWords).join('; ')}.`, true);
}

/** What must be carried needs a crown, bark and vigour. */
function carried(t: TreeState, c: Condition | null, limits: readonly CrownLimit[], say: Say) {
  const least = limits.length ? Math.min(...limits.map((l) => l.percent)) : null;
  if (t.crownLoss === null) {
    if (least !== null)
      say('crown-unknown', `Limited to ${least} % crown loss, and nobody has graded this crown.`, true);
  } else if (t.crownLoss > Math.min(least ?? CROWN_CARRIES_TO, CROWN_CARRIES_TO))
    say('crown', `${t.crownLoss} % of the crown is lost: it carries nothing up.`);
  if (t.barkLoss !== null && t.barkLoss > BARK_CARRIES_TO)
    say('bark-loss', `${Math.round(t.barkLoss * 100)} % of the girth has no bark to carry it.`);
  if (t.vigour !== null && movesSap(t.vigour, c) === 'no')
    say('vigour', `Vigour is ${t.vigour}: it hardly moves sap. Restore first, examine again in 2–4 weeks.`);
}
