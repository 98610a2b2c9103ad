import { dayIn, type LocalDate } from '@/lib/calendar/zone';
import type { Viewer } from '@/store/auth';

/** The calendar day at the company's own place. */
export const todayOf = (v: Pick<Viewer, 'timeZone'>, now: Date): LocalDate => dayIn(now, v.timeZone);
