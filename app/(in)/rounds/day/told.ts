import { METHOD_NAMES } from '@/core/label/methods';
import { tagRuns } from '@/core/grounds/tags';
import { groupBy } from '@/core/work/load-out';
import { clock, longDay, shortDay } from '@/ui/words';
import type { CrewsDay } from '@/views/day';
import { aboutWords } from '@/commands/facts/about';
import { LEFT_WORDS } from './words';

/** What a client is told of a day at their place. */
export interface ToTell {
  placeId: string;
  placeName: string;
  to: string;
  subject: string;
  body: string;
}

const treesWords = (tags: readonly string[]) => `${tags.length === 1 ? 'Tree' : 'Trees'} ${tagRuns(tags)}`;

/** What was done and left at each place of a day, until when to keep off, from when to eat: one message a place. */
export function toTell(day: CrewsDay): ToTell[] {
  return day.stops.length + day.lefts.length === 0
    ? []
    : Object.entries(day.placeNames)
        .map(([placeId, placeName]) => {
          const stop = day.stops.find((s) => s.placeId === placeId);
          const records = day.done.filter((d) => d.placeId === placeId);
          const zone = stop?.place.timeZone ?? 'UTC';
          const lines = [
            ...[...groupBy(records, (r) => `${r.productName} ${r.method} ${r.targetName}`).values()].map(
              (of) =>
                `${treesWords(of.map((r) => r.tag))}: ${METHOD_NAMES[of[0]!.method].toLowerCase()} with ${of[0]!.productName}, for ${of[0]!.targetName.toLowerCase()}.`,
            ),
            ...[
              ...groupBy(
                (stop?.items ?? []).filter((i) => i.kind !== 'plan' && i.stands === 'done'),
                (i) =>
                  i.kind === 'work'
                    ? aboutWords({ kind: 'work', workId: i.work.workId })
                    : i.kind === 'look'
                      ? i.look.what
                      : '',
              ),
            ].map(
              ([what, of]) =>
                `${treesWords(of.map((i) => (i.kind === 'work' ? i.work.tag : i.kind === 'look' ? i.look.tag : '')))}: ${what}.`,
            ),
            ...[
              ...groupBy(
                day.lefts.filter((l) => l.placeId === placeId),
                (l) => l.why,
              ).values(),
            ].map(
              (of) =>
                `${treesWords(of.map((l) => l.tag))}: not done, as ${LEFT_WORDS[of[0]!.why]}. We will speak with you about another day.`,
            ),
          ];
          const off = records
            .map((r) => r.reEntryUntil)
            .sort()
            .at(-1);
          if (off && records.some((r) => r.reEntryUntil > r.endedAt.toISOString()))
            lines.push(
              `Please keep people and animals off until ${clock(off, zone)} on ${shortDay(off.slice(0, 10))}.`,
            );
          const eat = records.flatMap((r) => (r.eatFrom ? [r] : []));
          if (eat.length)
            lines.push(
              `Fruit of ${treesWords(eat.map((r) => r.tag)).toLowerCase()} is not picked or eaten before ${shortDay(
                eat
                  .map((r) => r.eatFrom!)
                  .sort()
                  .at(-1)!,
              )}.`,
            );
          return {
            placeId,
            placeName,
            to: stop ? [stop.place.clientName, stop.place.contact].filter(Boolean).join(', ') : '',
            subject: `What we did at ${placeName} on ${longDay(day.round.day)}`,
            body: lines.join('\n'),
          };
        })
        .filter((m) => m.body !== '');
}
