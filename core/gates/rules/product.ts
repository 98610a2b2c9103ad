import { CARRIED } from '../../decide/eligible';
import { OPTION_OF } from '../../label/methods';
import { type Facts } from '../gate';

/** Whether living sapwood must carry the product; one list with the decision. */
export const carried = (f: Facts): boolean => CARRIED.includes(OPTION_OF[f.use.method]);

/** An antibiotic by its resistance group (FRAC 24, 25, 41) or its family. */
export const isAntibiotic = (facts: Facts) =>
  facts.label.actives.some(
    (a) =>
      a.family === 'antibiotic' ||
      a.family === 'bactericide' ||
      (a.group.scheme === 'FRAC' && ['24', '25', '41'].includes(a.group.code)),
  );
