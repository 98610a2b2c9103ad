import { formatDay } from '../../lib/calendar/days';
import type { Limit } from './problem';
import type { WhyNot } from './solve';

/** Names of what limits speak of. */
export interface Names {
  crew: (id: string) => string;
  place: (id: string) => string;
  job: (id: string) => string;
  kit: (key: string) => string;
}
/** Minutes as people say them: 45 min, 1 h 30. */
export function minuteWords(minutes: number): string {
  const m = Math.round(minutes);
  if (m < 60) return `${m} min`;
  return m % 60 ? `${Math.floor(m / 60)} h ${String(m % 60).padStart(2, '0')}` : `${m / 60} h`;
}

/** What keeps something from a crew and day, as a sentence. */
export function limitWords(l: Limit, n: Names): string {
  switch (l.by) {
    case 'span':
      return `It may stand from ${formatDay(l.earliest)} to ${formatDay(l.latest)} only.`;
    case 'crew off':
      return `${n.crew(l.crewId)} does not go out.`;
    case 'licence':
      return l.category
        ? `Nobody in ${n.crew(l.crewId)} holds “${l.category}” on that day.`
        : `Nobody in ${n.crew(l.crewId)} holds a licence on that day.`;
    case 'air':
      return `The air hardly lets it: ${Math.round(l.chance * 100)} in 100 courses of the forecast.`;
    case 'closed':
      return `${n.place(l.siteId)} is closed.`;
    case 'too long':
      return `It takes ${minuteWords(l.minutes)}; there are ${minuteWords(l.room)} in which crew and place are both there.`;
    case 'hours':
      return `The day of ${n.crew(l.crewId)} is full: ${minuteWords(l.short)} too few.`;
    case 'opening':
      return `It cannot be fitted into the hours of ${n.place(l.siteId)}.`;
    case 'daytime':
      return `It cannot be fitted into the hours in which air and light suit ${n.job(l.jobId)}.`;
    case 'kit':
      return `${n.kit(l.kit)} ${l.count === 1 ? 'is out with another crew' : 'are out with other crews'}.`;
    case 're-entry':
      return `Nobody enters ${n.place(l.siteId)} so soon after ${n.job(l.jobId)}.`;
    case 'after':
      return `${l.days} ${l.days === 1 ? 'day' : 'days'} must lie between it and ${n.job(l.jobId)}.`;
    case 'locked':
      return `Somebody has said that it stays on ${formatDay(l.day)}.`;
  }
}

/** What another day would mean: what stands against it, or what it costs. */
export function whyNotWords({ against, more }: WhyNot, n: Names): string {
  if (against.length) return against.map((l) => limitWords(l, n)).join(' ');
  return more !== null && more >= 0.5 ? `costs ${minuteWords(more)} more` : 'costs no more';
}
