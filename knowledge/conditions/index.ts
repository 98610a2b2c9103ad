import { z } from 'zod';
import { conditionSchema, type Condition } from '@/core/diagnose/knowledge';
import { bacteriaAndAnimals } from './bacteria-and-animals';
import { borersAndChewers } from './borers-and-chewers';
import { fungi } from './fungi';
import { sapFeeders } from './sap-feeders';
import { soilSiteAndHarmless } from './soil-site-and-harmless';
import { WINDOWS } from '../windows';
import { LOSSES } from './losses';
import { TELLING } from './telling';

/** What can ail a tree, and what only looks like it. */
export const conditions: readonly Condition[] = z.array(conditionSchema).parse(
  [...sapFeeders, ...borersAndChewers, ...fungi, ...bacteriaAndAnimals, ...soilSiteAndHarmless].map((c) => ({
    ...c,
    options: c.options.map((o) => {
      const timed = WINDOWS[c.id]?.[o.method];
      return timed ? { ...o, timed } : o;
    }),
    telling: TELLING[c.id] ?? {},
    ...(LOSSES[c.id] === undefined ? {} : { lossPerYear: LOSSES[c.id] }),
  })),
);
