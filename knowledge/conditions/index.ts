import { z } from 'zod';
import { conditionSchema, type Condition } from '@/core/diagnose/knowledge';
import { bacteriaAndAnimals } from './bacteria-and-animals';
import { borersAndChewers } from './borers-and-chewers';
import { commonEverywhere } from './common-everywhere';
import { decay } from './decay';
import { fungi } from './fungi';
import { further } from './further';
import { quarantine } from './quarantine';
import { sapFeeders } from './sap-feeders';
import { soilSiteAndHarmless } from './soil-site-and-harmless';
import { warm } from './warm';
import { timesOf } from '../windows';
import { LATIN } from '../latin';
import { COMMON_ON } from './common-on';
import { LOSSES } from './losses';
import { TELLING } from './telling';

const written = [
  ...sapFeeders,
  ...borersAndChewers,
  ...fungi,
  ...decay,
  ...quarantine,
  ...warm,
  ...further,
  ...commonEverywhere,
  ...bacteriaAndAnimals,
  ...soilSiteAndHarmless,
];
/** A chain is written at one of its ends: whoever names a driver is its follower, and the other way round. */
const linked = (own: readonly string[] | undefined, others: (typeof written)[number][]): string[] => [
  ...new Set([...(own ?? []), ...others.map((x) => x.id)]),
];

/** What can ail a tree, and what only looks like it. */
export const conditions: readonly Condition[] = z.array(conditionSchema).parse(
  written.map((c) => ({
    ...c,
    drivers: linked(
      c.drivers,
      written.filter((x) => x.followers?.includes(c.id)),
    ),
    followers: linked(
      c.followers,
      written.filter((x) => x.drivers?.includes(c.id)),
    ),
    options: c.options.map((o) => {
      const timed = timesOf(c.id, o);
      return timed.length ? { ...o, timed } : o;
    }),
    ...(LATIN[c.id] ? { latin: LATIN[c.id] } : {}),
    ...(COMMON_ON[c.id] ? { commonOn: COMMON_ON[c.id] } : {}),
    telling: TELLING[c.id] ?? {},
    ...(LOSSES[c.id] === undefined ? {} : { lossPerYear: LOSSES[c.id] }),
  })),
);
