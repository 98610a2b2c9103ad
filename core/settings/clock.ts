/** A clock that runs ahead of the machine's by whole seconds: `+15811200s`, or `-3600s` where it runs behind. */
const AHEAD = /^([+-]\d{1,11})s$/;
const DAY = /^\d{4}-\d{2}-\d{2}$/;
/** The hour at which a day begins when only the day is given: a working hour in every season. */
const HOUR = 'T09:00:00Z';

/**
 * How far the clock of Elmhorn runs ahead of the machine's, in seconds.
 * @param setting `2027-06-10`, an instant (`2027-06-10T07:30:00Z`: the time it is as the process starts), or `+3600s`
 * @param machineNow the machine's own clock
 * @returns 0 without a setting; null where the setting cannot be read
 * @example clockAheadS('2027-06-10', new Date('2027-06-09T09:00:00Z')) // 86400
 */
export function clockAheadS(setting: string | undefined, machineNow: Date): number | null {
  if (!setting) return 0;
  const ahead = AHEAD.exec(setting);
  if (ahead) return Number(ahead[1]);
  const instant = Date.parse(DAY.test(setting) ? setting + HOUR : setting);
  // A day that the calendar does not have (30 February) would be read as another.
  const sameDay = Number.isFinite(instant) && new Date(instant).toJSON().startsWith(setting.slice(0, 10));
  if (!/^\d{4}-\d{2}-\d{2}(T[\d:.]+Z)?$/.test(setting) || !sameDay) return null;
  return Math.round((instant - machineNow.getTime()) / 1000);
}
