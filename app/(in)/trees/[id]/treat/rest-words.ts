import type { RestOfIt } from '@/commands/trees/rest';
import { longDay } from '@/ui/words';

/** What became of what did not go in, after what was said of the booking. */
export const restSentence = (rest: RestOfIt): string =>
  'planned' in rest
    ? ` The rest that did not go in is planned for ${longDay(rest.planned)}; drop that plan if it is left at this.`
    : ` The rest that did not go in is not planned: ${rest.stopped}`;
