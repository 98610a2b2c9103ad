import { dayAfter } from '@/lib/calendar/days';
import { dayIn } from '@/lib/calendar/zone';
import type { Tree } from '@/store/tree';
import { shortDay } from '@/ui/words';

/** Days after which a trunk is measured anew before anything is dosed on it. */
const READING_DAYS = 30;

/** The one thing to do next on a tree, and why. */
export function nextStep(
  tree: Tree,
  planned: Tree['plans'][number] | null,
  today: string,
): { href: string; name: string; why: string } {
  const base = `/trees/${tree.id}`;
  const [reading] = tree.readings;
  const read = reading ? dayIn(reading.at, tree.timeZone) : null;
  if (planned?.earliest && planned.earliest > today)
    return {
      href: `${base}/prescribe`,
      name: 'See the plan',
      why: `${planned.labelName} is planned for ${shortDay(planned.plannedFor!)}.`,
    };
  if (planned)
    return { href: `${base}/treat`, name: 'Start the sheet', why: `${planned.labelName} is planned for this tree.` };
  if (read === null || read < dayAfter(today, -READING_DAYS, 'days'))
    return {
      href: `${base}/measure`,
      name: 'Measure',
      why: read ? `Last measured ${shortDay(read)}.` : 'Nobody has put a tape around this tree.',
    };
  if (!tree.looks[0]) return { href: `${base}/inspect`, name: 'Inspect', why: 'Nobody has looked this tree over.' };
  const [savedDiagnosis] = tree.savedDiagnoses;
  return savedDiagnosis
    ? { href: `${base}/prescribe`, name: 'Prescribe', why: `Decided: ${savedDiagnosis.decision}.` }
    : { href: `${base}/diagnose`, name: 'Diagnose', why: 'Looked at, and nothing named yet.' };
}
