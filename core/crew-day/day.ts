import { AIRBORNE, PROBES, type Method } from '../label/methods';
import type { About } from '../schedule/jobs';

/** Why a crew came to something and did not do it. */
export const WHY_LEFT = [
  'rain',
  'wind',
  'heat or frost',
  'refused',
  'no way in',
  'people about',
  'not as planned',
  'something missing',
  'no time',
  'other',
] as const;
export type WhyLeft = (typeof WHY_LEFT)[number];
/** Reasons that say nothing without a word more. */
export const WANTS_WORDS: readonly WhyLeft[] = ['not as planned', 'something missing', 'other'];

/** What became of an item of a round; `unsettled` was done, and its record was refused and waits to be settled. */
export type Stands = 'done' | 'hangs' | 'unsettled' | 'left' | 'dropped' | 'open';

/** What became of an item, by its own state and whether a device of it hangs; what is left goes off its round. */
export function standsOf(item: { state: 'open' | 'done' | 'dropped'; unsettled?: boolean }, hangs: boolean): Stands {
  if (item.state !== 'open') return item.state;
  if (hangs) return 'hangs';
  return item.unsettled ? 'unsettled' : 'open';
}

/** An item of a round, as far as its day asks. */
export interface DayItem {
  id: string;
  kind: About['kind'];
  siteId: string;
  stands: Stands;
}

/** What must have an end before a day is closed. */
export type OpenEnd =
  | { by: 'open'; itemIds: readonly string[] }
  | { by: 'hangs'; itemIds: readonly string[] }
  | { by: 'batch'; batchId: string; name: string; leftMl: number };

/**
 * What keeps a day from being closed: something neither done nor left with its reason, a device that hangs, a mix of which
 * nobody has said what became of the rest.
 * @returns the ends in the order in which they are dealt with; empty where the day may be closed
 */
export function openEnds(
  items: readonly DayItem[],
  batches: readonly { id: string; name: string; leftMl: number }[],
): OpenEnd[] {
  const of = (stands: Stands) => items.filter((i) => i.stands === stands).map((i) => i.id);
  const [hangs, open] = [of('hangs'), of('open')];
  return [
    ...(hangs.length ? [{ by: 'hangs' as const, itemIds: hangs }] : []),
    ...(open.length ? [{ by: 'open' as const, itemIds: open }] : []),
    ...batches.map((b) => ({ by: 'batch' as const, batchId: b.id, name: b.name, leftMl: b.leftMl })),
  ];
}

/** A place on a crew's day with what is done there, in its order. */
export interface DayStop<T extends DayItem> {
  siteId: string;
  items: T[];
}
/** The stops of a day: each place once, where its first item stands. */
export function stopsOf<T extends DayItem>(items: readonly T[]): DayStop<T>[] {
  const stops = new Map<string, DayStop<T>>();
  for (const i of items) {
    const stop = stops.get(i.siteId);
    if (stop) stop.items.push(i);
    else stops.set(i.siteId, { siteId: i.siteId, items: [i] });
  }
  return [...stops.values()];
}

/** The stop that the crew goes to next: the first that has something nobody has begun; null where all is done, left or hanging. */
export const nextStop = <T extends DayItem>(stops: readonly DayStop<T>[]): DayStop<T> | null =>
  stops.find((s) => s.items.some((i) => i.stands === 'open')) ?? null;

/** A line of a load sheet by its name, the same for as long as it is the same thing. */
export const loadLine = (group: string, what: string): string => `${group}: ${what}`.slice(0, 300);

/** Whether a line is seen on the truck: ticked, and as much as it says now. */
export const isTicked = (ticks: ReadonlyMap<string, string>, line: string, amount: string): boolean =>
  ticks.get(line) === amount;

/** Works that open the ground beyond what a hand trowel does. */
const DIGS: readonly string[] = ['trenches', 'collar'];
/** What is dealt with before anybody drives. */
export interface Before {
  siteId: string;
  what: 'services' | 'neighbours' | 'client';
}
/**
 * What is dealt with the evening before: services located wherever something is probed, dug or trenched; neighbours told where
 * something drifts; the client told of the day.
 */
export const beforeDriving = (
  stops: readonly { siteId: string; methods: readonly Method[]; workIds: readonly string[]; told: boolean }[],
): Before[] =>
  stops.flatMap(({ siteId, methods, workIds, told }) => [
    ...(methods.some((m) => PROBES.includes(m)) || workIds.some((w) => DIGS.includes(w))
      ? [{ siteId, what: 'services' as const }]
      : []),
    ...(methods.some((m) => AIRBORNE.includes(m)) ? [{ siteId, what: 'neighbours' as const }] : []),
    ...(told ? [] : [{ siteId, what: 'client' as const }]),
  ]);
