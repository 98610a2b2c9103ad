import type { CrewDayItem } from '@/facts/crew-day-ends';
import type { Before, DayStop, OpenEnd } from '@/core/crew-day/day';
import type { Hours } from '@/core/schedule/problem';
import type { LocalDate } from '@/lib/calendar/zone';
import type { HourOfDay } from '@/core/weather/by-hour';
import type { BatchRow } from '@/store/batches';
import type { DoneRow } from '@/store/records';
import type { LeftRow, CrewDayHead } from '@/store/day';
import type { DaySite } from '@/store/sites';
import type { Message } from '@/store/messages';

/** A place on a crew's day with what it takes to get in, what is done there, and the hours in which it may be done. */
export interface SiteStop extends DayStop<CrewDayItem> {
  place: DaySite;
  begins: number;
  told: boolean;
  weather: HourOfDay[];
  /** Hours in which air and light suit each plan, by its id; left out where any serve, or no forecast reaches. */
  fit: Record<string, readonly Hours[]>;
}
/** A line of the load sheet, with whether it was seen on the truck. */
export interface LoadCheck {
  line: string;
  what: string;
  amount: string;
  short: string | null;
  ticked: boolean;
}
export interface CrewsDay {
  round: CrewDayHead;
  today: LocalDate;
  stops: SiteStop[];
  /** The place that is gone to next; null where nothing is left to begin. */
  nextSiteId: string | null;
  lefts: LeftRow[];
  done: DoneRow[];
  batches: BatchRow[];
  load: { title: string; lines: LoadCheck[] }[];
  before: Before[];
  ends: OpenEnd[];
  messages: Message[];
  /** Places of the stops and of what was left, by their ids. */
  places: Record<string, DaySite>;
}
