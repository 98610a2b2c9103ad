import type { Bound } from '@/core/prescribe/when';
import { isAutumn, STAGE_NAMES } from '@/core/season/bbch';
import type { CoverLeft } from '@/core/season/cover';
import { monthName } from '@/core/season/months';
import type { StageDate } from '@/core/season/stages';
import type { Expected } from '@/core/season/timed';
import { shortDay } from './words';

/** A span of days as people say it, the year once. @example spanWords('2027-05-04', '2027-05-22') // '4 May – 22 May 2027' */
export const spanWords = (from: string, to: string): string =>
  from === to
    ? shortDay(from)
    : `${from.slice(0, 4) === to.slice(0, 4) ? shortDay(from).replace(/ \d{4}$/, '') : shortDay(from)} – ${shortDay(to)}`;

/** What a stage's day rests on; leaves fall by cold, all else comes by heat. */
function restsWords({ rests, code }: StageDate): string {
  const by = isAutumn(code) ? 'cold' : 'heat';
  switch (rests) {
    case 'seen':
      return 'as it was seen';
    case 'measured':
      return `by the ${by} that was measured`;
    case 'forecast':
      return 'by the forecast';
    case 'years':
      return `by the ${by} of other years`;
  }
}

/** Why a stage is expected on its day, and what moved it. */
export function stageReason(s: StageDate): string {
  const rests = restsWords(s);
  if (s.rests === 'seen') return rests;
  const days = `${Math.abs(s.moved)} ${Math.abs(s.moved) === 1 ? 'day' : 'days'} ${s.moved < 0 ? 'earlier' : 'later'}`;
  if (!s.by || s.moved === 0) return rests;
  return s.by.kind === 'seen'
    ? `${rests}, ${days} for ${STAGE_NAMES[s.by.code]} seen on ${shortDay(s.by.day)}`
    : `${rests}, ${days} as this place taught in ${s.by.seasons === 1 ? 'a season' : `${s.by.seasons} seasons`}`;
}

/** When something is expected, with its spread and what that rests on, to stand after what it is. */
export function expectedWords(expected: Expected | null): string {
  if (!expected) return '';
  const { date } = expected;
  const why =
    expected.kind === 'stage'
      ? stageReason(expected.date)
      : `by heat since ${shortDay(expected.date.from)}${date.rests === 'measured' ? ', measured' : ''}`;
  const past = date.rests === 'measured';
  return `, ${past && date.earliest === date.latest ? 'reached' : 'expected'} ${spanWords(date.earliest, date.latest)} ${why}`;
}

const ENDS: Record<CoverLeft['why'], string> = {
  'before-dry': 'rain before it had dried: it is gone',
  'label-mm': 'renew by the label’s own millimetres',
  'half-gone': 'half of it is gone',
  'label-days': 'renew by the label’s days',
};
/** What is left of a cover, and when to renew it. */
export const coverWords = (left: CoverLeft): string =>
  `${Math.round(left.share * 100)} % left after ${Math.round(left.rainMm)} mm of rain; renew ${shortDay(left.renewOn)}: ${ENDS[left.why]}`;

/** Whether rain, and not the label's days, brought the renewal of a cover forward. */
export const byRain = (cover: CoverLeft | null): cover is CoverLeft => cover !== null && cover.why !== 'label-days';

const months = (of: readonly number[]) => of.map(monthName).join(', ');

/** Why a window opens or closes, in words. */
export function boundWords(bound: Bound): string {
  switch (bound.by) {
    case 'months':
      return `the label’s months are ${months(bound.months)}`;
    case 'leaf':
      return `the label asks for full leaf${expectedWords(bound.expected && { kind: 'stage', date: bound.expected })}`;
    case 'stage':
      return `the field guide’s time is ${STAGE_NAMES[bound.from]} to ${STAGE_NAMES[bound.to]}${expectedWords(bound.expected)}`;
    case 'heat':
      return `the field guide’s time is counted by heat${expectedWords(bound.expected)}`;
    case 'guide':
      return `the field guide’s time is ${monthName(bound.from)}${bound.from === bound.to ? '' : ` to ${monthName(bound.to)}`}`;
    case 'interval':
      return `the label’s interval runs until ${shortDay(bound.until)}`;
    case 'yearly number':
      return `the label’s yearly number is used up until ${shortDay(bound.until)}`;
    case 'partner':
      return `it must keep away from ${bound.what} until ${shortDay(bound.until)}`;
    case 'bloom':
      return `it would be in the flowers until ${shortDay(bound.until)}`;
    case 'picking':
      return bound.until ? `it is picked until ${shortDay(bound.until)}` : 'it is being picked';
  }
}

/** The same in a few words, for where there is room for no more. */
export const BOUND_BRIEF: Record<Bound['by'], string> = {
  interval: 'too soon after the last',
  'yearly number': 'the year’s number is used up',
  picking: 'too near picking',
  bloom: 'it would be in the flowers',
  partner: 'too near its partner',
  leaf: 'no full leaf yet',
  months: 'not in the label’s months',
  stage: 'not in its time',
  heat: 'not in its time',
  guide: 'not in its time',
};
const BRIEF_ORDER = Object.keys(BOUND_BRIEF);
/** What speaks against a day, what weighs most first: book and picking before the time of the year. */
export const byWeight = (bounds: readonly Bound[]): Bound[] =>
  [...bounds].sort((a, b) => BRIEF_ORDER.indexOf(a.by) - BRIEF_ORDER.indexOf(b.by));
