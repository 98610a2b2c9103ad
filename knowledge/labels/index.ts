import { z } from 'zod';
import { labelSchema, type Label } from '@/core/label/schema';
import l0 from './training-01-drench.json';
import l1 from './training-02-elm-infusion.json';
import l2 from './training-03-borer-injection.json';
import l3 from './training-04-bark-class.json';
import l4 from './training-05-phosphonate.json';
import l5 from './training-06-iron.json';
import l6 from './training-07-scab-cover.json';
import l7 from './training-08-soap.json';

/** Fictional training labels; the real ones are entered by the outfit from the label in hand. */
export const trainingLabels: readonly Label[] = z.array(labelSchema).parse([l0, l1, l2, l3, l4, l5, l6, l7]);
