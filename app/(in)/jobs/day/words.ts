import type { RinseEnd } from '@/core/crew-day/home';
import type { WhyLeft } from '@/core/crew-day/day';

/** Why something was left, as it stands on a press. */
export const LEFT_PRESSES: Record<WhyLeft, string> = {
  rain: 'Rain',
  wind: 'Wind',
  'heat or frost': 'Heat or frost',
  refused: 'Owner said no',
  'no way in': 'No way in',
  'people about': 'People about',
  'not as planned': 'Not as planned',
  'something missing': 'Something missing',
  'no time': 'No time left',
  other: 'Something else',
};
/** The same in a sentence that a client or an office reads. */
export const LEFT_WORDS: Record<WhyLeft, string> = {
  rain: 'it rained',
  wind: 'the wind was too strong',
  'heat or frost': 'it was too hot or too cold',
  refused: 'it was not wanted',
  'no way in': 'there was no way in',
  'people about': 'there were people about',
  'not as planned': 'the tree was not as planned',
  'something missing': 'something was missing',
  'no time': 'the day was over',
  other: 'for a reason of its own',
};
/** When something was left and why, behind what waits. */
export const leftWords = (l: { why: WhyLeft; words: string }): string =>
  `${LEFT_WORDS[l.why]}${l.words ? `: ${l.words}` : ''}`;

/** Where the rinse water went. */
export const RINSE_WORDS: Record<RinseEnd, string> = {
  'on labelled trees': 'on trees that the label allows',
  'water of the next mix': 'kept, labelled, for the next mix of it',
  'handed in': 'handed in',
  'not rinsed yet': 'not rinsed yet',
};
