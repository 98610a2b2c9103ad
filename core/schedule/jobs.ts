import type { Method } from '../label/methods';
import { dayAfter, daysBetween } from '../../lib/calendar/days';
import { type LocalDate } from '../../lib/calendar/zone';
import { type Job, type Placed } from './problem';

export type About =
  { kind: 'plan'; method: Method; label: string } | { kind: 'work'; workId: string } | { kind: 'look'; what: string };

/** One thing that waits for a crew on one tree: a plan, a work, or a look. */
export interface Item {
  id: string;
  /** What it is; the same for all trees that have it at once. */
  about: About;
  treeId: string;
  tag: string;
  siteId: string;
  /** The part of the place it stands in; empty for none. */
  section: string;
  /** Where the tree stands on the walk through its place. */
  walk: number;
  /** The product, where it has one: two times of it keep its interval. */
  labelKey: string | null;
  /** Days that its label asks between two times of it. */
  minDays: number;
  earliest: LocalDate;
  latest: LocalDate;
  firm: boolean;
  wanted: LocalDate | null;
  told: LocalDate | null;
  /** Once a place; at this tree. */
  prepare: number;
  minutes: number;
  hangs: number;
  kit: string | null;
  licences: readonly string[];
  licensed: boolean;
  chances: Job['chances'];
  daytimes: Job['daytimes'];
  /** Fillings of the tank that it takes; 0 where it needs none, or nobody keeps a list of tanks. */
  tanks: number;
  stake: Job['stake'];
  sick: boolean;
  reEntryHours: number;
  now: Placed | null;
  locked: boolean;
}
/** A job with what it is made of, in the order of the walk. */
export interface JobOf extends Job {
  items: readonly Item[];
}

/** The longest that is planned in one piece: what is longer is split between days or crews in walking order. */
const LONGEST = 120;

/** Items that are done together: of one section of one place, alike, for the same days, sick or sound, standing in one round or in none. */
const together = (i: Item): string =>
  [
    i.siteId,
    i.section,
    JSON.stringify(i.about),
    i.earliest,
    i.latest,
    i.firm,
    i.wanted,
    i.told,
    i.sick,
    i.hangs > 0,
    i.locked,
    i.now?.day,
    i.now?.crewId,
  ].join();

/** Splits what is too long into pieces of about one length. */
function pieces(items: readonly Item[]): Item[][] {
  const sum = items.reduce((a, i) => a + i.minutes, 0);
  const count = Math.max(1, Math.ceil((items[0]!.prepare + sum) / LONGEST));
  const out: Item[][] = [];
  let [piece, minutes] = [[] as Item[], 0];
  for (const i of items) {
    if (piece.length && minutes + i.minutes / 2 > sum / count) {
      out.push(piece);
      [piece, minutes] = [[], 0];
    }
    piece.push(i);
    minutes += i.minutes;
  }
  return [...out, piece];
}

/** Going back to the water, rinsing and mixing anew, for each filling after the first: a practice figure. */
const REFILL = 20;
const refilling = (of: readonly Item[]): number =>
  REFILL * Math.max(0, Math.ceil(of.reduce((sum, i) => sum + i.tanks, 0) - 1e-9) - 1);

/**
 * What waits, as jobs: like trees of a place together, long rows in pieces. A job has the id of its first item. Of one tree,
 * two times of one product keep its label's interval, and other things the days that lie between them as planned.
 * @param items in any order; the same items make the same jobs
 */
export function jobsOf(items: readonly Item[]): JobOf[] {
  const groups = new Map<string, Item[]>();
  const walked = [...items].sort((a, b) => a.walk - b.walk || a.id.localeCompare(b.id));
  for (const i of walked) groups.set(together(i), [...(groups.get(together(i)) ?? []), i]);
  const jobs = [...groups.values()].flatMap(pieces).map((of): JobOf => {
    const [first] = of as [Item, ...Item[]];
    const { id, siteId, earliest, latest, firm, wanted, told, kit, chances, sick, now, locked } = first;
    const worst = (pick: (i: Item) => number) => Math.max(...of.map(pick));
    return {
      id,
      siteId,
      earliest,
      latest,
      firm,
      wanted,
      told,
      kit,
      chances,
      sick,
      now,
      locked,
      daytimes: first.daytimes,
      minutes: Math.round(worst((i) => i.prepare) + of.reduce((a, i) => a + i.minutes, 0) + refilling(of)),
      hangs: worst((i) => i.hangs),
      licences: [...new Set(of.flatMap((i) => i.licences))].sort(),
      licensed: of.some((i) => i.licensed),
      stake: worst((i) => i.stake) as Job['stake'],
      reEntryHours: worst((i) => i.reEntryHours),
      after: [],
      items: of,
    };
  });
  return jobs.map((job) => ({ ...job, after: befores(job, jobs) }));
}

/** When an item is to stand, as planned. */
const dayOf = (i: Item): LocalDate => i.wanted ?? i.earliest;

/** Jobs whose trees have something before this one, and how many days must lie between. */
function befores(job: JobOf, jobs: readonly JobOf[]): Job['after'][number][] {
  const byTree = new Map(job.items.map((i) => [i.treeId, i]));
  return jobs.flatMap((other) => {
    if (other.id === job.id || other.siteId !== job.siteId) return [];
    let days = -1;
    for (const o of other.items) {
      const own = byTree.get(o.treeId);
      if (!own || o.about.kind === 'look' || own.about.kind === 'look') continue;
      const apart = daysBetween(dayOf(o), dayOf(own));
      if (apart <= 0) continue;
      days = Math.max(days, o.labelKey !== null && o.labelKey === own.labelKey ? own.minDays : apart);
    }
    return days < 0 ? [] : [{ jobId: other.id, days }];
  });
}

/** An item that leaves room for the next time of its product on its tree, which lies beyond the days in hand. */
export const before = (item: Item, next: LocalDate | null): Item =>
  next === null || !item.minDays
    ? item
    : { ...item, latest: [item.latest, dayAfter(next, -item.minDays, 'days')].sort()[0]! };
