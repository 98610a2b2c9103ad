const parts = (instant: Date, timeZone: string) =>
  Object.fromEntries(
    new Intl.DateTimeFormat('en-CA', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    })
      .formatToParts(instant)
      .map((p) => [p.type, p.value]),
  );

/** An instant as a clock on the wall of `timeZone` shows it: YYYY-MM-DDTHH:MM. */
export function wallClock(instant: string, timeZone: string): string {
  const p = parts(new Date(instant), timeZone);
  return `${p.year}-${p.month}-${p.day}T${p.hour}:${p.minute}`;
}

/**
 * The instant of a wall-clock time in a time zone, as ISO; null when there is no such day or time. In the hour that a
 * change to summer time leaves out, the clock is read as if it had not been changed yet.
 */
export function zonedInstant(wall: string, timeZone: string): string | null {
  const m = /^(\d{4})-(\d{2})-(\d{2})T(\d{2}):(\d{2})/.exec(wall);
  if (!m) return null;
  const utc = Date.parse(`${wall.slice(0, 16)}:00Z`);
  if (Number.isNaN(utc) || new Date(utc).toISOString().slice(0, 16) !== wall.slice(0, 16)) return null;
  let guess = utc;
  // Twice is enough: the second step mends a guess that fell on the other side of a change of the clock.
  for (let i = 0; i < 2; i++) guess += utc - Date.parse(`${wallClock(new Date(guess).toISOString(), timeZone)}:00Z`);
  return new Date(guess).toISOString();
}
