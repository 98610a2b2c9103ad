import type { DeviceState, Guard, Turn } from '@/core/devices/devices';
import type { BoardGroup } from '@/facts/board';

/** Why somebody goes there, as it is said to whoever goes. */
export const TURN_WORDS: Record<Turn, string> = {
  leaking: 'leaks: go now',
  dark: 'dark soon: pull it',
  empty: 'empty: pull it',
  due: 'should be empty: look',
  stuck: 'stuck: free it, or pull it',
  late: 'longer than nine in ten: look',
  slow: 'runs slowly',
  running: 'runs',
};
/** The same where there is room for a word or two. */
export const SHORT_TURN: Record<Turn, string> = {
  leaking: 'leaks',
  dark: 'dark soon',
  empty: 'empty',
  due: 'look',
  stuck: 'stuck',
  late: 'look',
  slow: 'slow',
  running: 'runs',
};
/** What is shown as a stop: somebody goes there before anywhere else. */
export const URGENT: readonly Turn[] = ['leaking', 'dark', 'late'];
export const STATE_PRESSES: Record<DeviceState, string> = {
  running: 'Runs',
  slow: 'Slow',
  stuck: 'Stuck',
  leaking: 'Leaks',
  empty: 'Empty',
};
export const GUARD_WORDS: Record<Guard, string> = {
  attended: 'somebody stays with it',
  fenced: 'fenced off',
  signed: 'signs are up',
};
const MANY: Record<BoardGroup['device'], string> = {
  capsule: 'capsules',
  'pressure bottle': 'pressure bottles',
  'low-pressure bottle': 'low-pressure bottles',
  'tee infusion': 'tee infusions',
};
/** @example devicesWords(group) // '6 capsules' */
export const devicesWords = ({ device, devices }: Pick<BoardGroup, 'device' | 'devices'>): string =>
  devices.length === 1 ? `one ${device}` : `${devices.length} ${MANY[device]}`;
