import type { Bound } from '@/core/prescribe/when';
import { isAutumn, STAGE_NAMES } from '@/core/season/bbch';
import type { CoverLeft } from '@/core/season/cover';
import { localMonth } from '@/lib/calendar/hemisphere';
import type { LifeStage, LifeTime } from '@/core/season/life-schema';
import { monthName } from '@/lib/calendar/months';
import type { StageDate } from '@/core/season/stages';
import type { Expected } from '@/core/season/timed';
import type { Timed } from '@/core/season/timed-schema';
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

/** What a trouble does at a stage of its life, as people say it. */
export const LIFE_WORDS: Readonly<Record<LifeStage, string>> = {
  rests: 'rests',
  eggs: 'eggs',
  crawlers: 'crawlers walk',
  young: 'young feed',
  settled: 'sits under its cover',
  pupae: 'pupae',
  adults: 'adults',
  flight: 'adults fly',
  feeding: 'feeds',
  spores: 'spores spread',
  infection: 'can infect',
  latency: 'is within, unseen',
  harm: 'harm is done',
  symptoms: 'shows',
  fruiting: 'fruit bodies',
};
/** How a stage is drawn: what begins something, what lasts, what is hidden. */
export const LIFE_TONES: Readonly<Record<LifeStage, 'opening' | 'full' | 'closing'>> = {
  rests: 'closing',
  eggs: 'opening',
  crawlers: 'opening',
  young: 'full',
  settled: 'full',
  pupae: 'closing',
  adults: 'full',
  flight: 'opening',
  feeding: 'full',
  spores: 'opening',
  infection: 'opening',
  latency: 'closing',
  harm: 'full',
  symptoms: 'full',
  fruiting: 'full',
};

const WEEK = 7;
const long = (days: number) =>
  days >= 2 * WEEK ? `${Math.round(days / WEEK)} weeks` : `${days} ${days === 1 ? 'day' : 'days'}`;
/** A day so far from another. @example shifted(-21, 'bud swell') // '3 weeks before bud swell' */
const shifted = (days: number, what: string) =>
  days === 0 ? what : `${long(Math.abs(days))} ${days < 0 ? 'before' : 'after'} ${what}`;

/** What a sum of heat brings about, by its id. */
type HeatNames = ReadonlyMap<string, string>;

/**
 * A time of the year that hangs on stages of the host or on heat, as people say it.
 * @param heat names of the sums, where the reader has them
 */
export function timedWords(time: Timed, heat?: HeatNames): string {
  if (time.by === 'heat') {
    const name = heat?.get(time.model);
    const opens = shifted(time.fromDays ?? 0, name ? `${name}, by heat` : 'the day of its sum of heat');
    return `from ${opens}, for ${long(time.days - (time.fromDays ?? 0))}`;
  }
  const [first, last] = [time.fromDays ?? 0, time.toDays ?? 0];
  // “10 days to 6 weeks after full leaf”, not twice the same stage.
  if (time.from === time.to && first > 0 && last > first)
    return `${long(first)} to ${shifted(last, STAGE_NAMES[time.to])}`;
  const [opens, closes] = [shifted(first, STAGE_NAMES[time.from]), shifted(last, STAGE_NAMES[time.to])];
  return opens === closes ? `at ${opens}` : `${opens} to ${closes}`;
}
/** The same of a stage in the life of a trouble, whose months are those of the reader's half of the earth. */
export function lifeTimeWords(time: LifeTime, south = false, heat?: HeatNames): string {
  if (time.by !== 'months') return timedWords(time, heat);
  if (time.from === 1 && time.to === 12) return 'all year';
  const [from, to] = [monthName(localMonth(time.from, south)), monthName(localMonth(time.to, south))];
  return from === to ? from : `${from} to ${to}`;
}

const months = (of: readonly number[]) => of.map(monthName).join(', ');

/** Why a window opens or closes, in words. */
export function boundWords(bound: Bound): string {
  switch (bound.by) {
    case 'months':
      return `the label’s months are ${months(bound.months)}`;
    case 'leaf':
      return `the label asks for full leaf${expectedWords(bound.expected && { kind: 'stage', date: bound.expected })}`;
    case 'stage':
      return `the field guide’s time is ${timedWords(bound)}${expectedWords(bound.expected)}`;
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
