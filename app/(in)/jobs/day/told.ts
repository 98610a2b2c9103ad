import { aboutWords } from '@/facts/about';
import type { CrewDayItem } from '@/facts/crew-day-ends';
import { tagRuns } from '@/core/site-map/tags';
import { METHOD_NAMES } from '@/core/label/methods';
import { groupBy } from '@/core/work/load-out';
import type { DoneRow } from '@/store/records';
import type { LeftRow } from '@/store/day';
import type { DaySite } from '@/store/sites';
import { clock, dayThere, longDay, shortDay } from '@/ui/words';
import type { CrewsDay } from '@/facts/crews-day';
import { LEFT_WORDS } from './words';

/** What a client is told of a day at their place. */
export interface ToTell {
  siteId: string;
  siteName: string;
  to: string;
  subject: string;
  body: string;
}

const trees = (of: readonly { tag: string }[]): string =>
  `${of.length === 1 ? 'Tree' : 'Trees'} ${tagRuns(of.map((t) => t.tag))}`;
const latest = (days: readonly string[]): string | undefined => [...days].sort().at(-1);

const doneLines = (records: readonly DoneRow[]): string[] =>
  [...groupBy(records, (r) => `${r.productName} ${r.method} ${r.targetName}`).values()].map((of) => {
    const { method, productName, targetName } = of[0]!;
    return `${trees(of)}: ${METHOD_NAMES[method].toLowerCase()} with ${productName}, for ${targetName.toLowerCase()}.`;
  });

/** Works and looks that were done. */
function otherLines(things: readonly CrewDayItem[]): string[] {
  const done = things.flatMap((t) => {
    if (t.stands !== 'done' || t.kind === 'plan') return [];
    return t.kind === 'work'
      ? [{ tag: t.work.tag, what: aboutWords({ kind: 'work', workId: t.work.workId }) }]
      : [{ tag: t.look.tag, what: t.look.what }];
  });
  return [...groupBy(done, (d) => d.what)].map(([what, of]) => `${trees(of)}: ${what}.`);
}

const leftLines = (lefts: readonly LeftRow[]): string[] =>
  [...groupBy(lefts, (l) => l.why)].map(
    ([why, of]) => `${trees(of)}: not done, as ${LEFT_WORDS[why]}. We will speak with you about another day.`,
  );

/** Until when nobody goes there, and from when the fruit may be eaten. */
function careLines(records: readonly DoneRow[], { timeZone }: DaySite): string[] {
  const off = latest(records.flatMap((r) => (r.reEntryUntil > r.endedAt.toISOString() ? [r.reEntryUntil] : [])));
  const fruit = records.filter((r) => r.eatFrom !== null);
  const eat = latest(fruit.map((r) => r.eatFrom!));
  return [
    ...(off ? [`Please keep people and animals off until ${clock(off, timeZone)} on ${dayThere(off, timeZone)}.`] : []),
    ...(eat ? [`${trees(fruit)}: the fruit is not picked or eaten before ${shortDay(eat)}.`] : []),
  ];
}

/** What was done and left at each place of a day, until when to keep off, from when to eat: one message a place. */
export const toTell = (day: Pick<CrewsDay, 'round' | 'places' | 'stops' | 'done' | 'lefts'>): ToTell[] =>
  Object.values(day.places).flatMap((place) => {
    const here = <T extends { siteId: string }>(of: readonly T[]) => of.filter((x) => x.siteId === place.id);
    const records = here(day.done);
    const lines = [
      ...doneLines(records),
      ...otherLines(here(day.stops).flatMap((s) => s.items)),
      ...leftLines(here(day.lefts)),
      ...careLines(records, place),
    ];
    if (!lines.length) return [];
    return [
      {
        siteId: place.id,
        siteName: place.name,
        to: [place.clientName, place.contact].filter(Boolean).join(', '),
        subject: `What we did at ${place.name} on ${longDay(day.round.day)}`,
        body: lines.join('\n'),
      },
    ];
  });
