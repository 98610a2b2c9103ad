import { STAGE_NAMES, type Bbch } from '@/core/season/bbch';
import { after, type Day } from '@/core/season/follow-ups';
import type { StageDate } from '@/core/season/stages';
import { groupBy } from '@/core/work/load-out';
import { findCondition } from '@/knowledge';
import type { YearBand, YearMark, YearRow } from '@/ui/figures/year';
import { spanWords, stageReason } from '@/ui/season-words';
import type { HostSeason, PlaceSeason } from '@/views/season';
import { causeWords } from './words';

/** A visit to come, whatever it comes from. */
export interface Ahead {
  id: string;
  tag: string;
  hostId: string;
  placeName: string;
  due: string;
  earliest: string;
  latest: string;
  href: string;
  words: string;
}

const next = (stages: readonly StageDate[], codes: readonly Bbch[], from: Day) =>
  stages.filter((s) => codes.includes(s.code) && s.day >= from).sort((a, b) => a.day.localeCompare(b.day))[0];

/** Leaves and bloom of a host as bands, from stage to stage. */
function bandsOf(stages: readonly StageDate[], last: Day): YearBand[] {
  const spans: [from: Bbch[], to: Bbch[], tone: YearBand['tone'], words: string][] = [
    [[11, 10, 9], [19], 'opening', 'leaves unfold'],
    [[19], [93], 'full', 'full leaf'],
    [[93], [97], 'closing', 'leaves fall'],
    [[60], [69], 'bloom', 'in bloom'],
    [[31], [39], 'opening', 'shoots grow'],
  ];
  return spans.flatMap(([from, to, tone, words]) => {
    const code = from.find((c) => stages.some((s) => s.code === c));
    return stages
      .filter((s) => s.code === code)
      .map((s) => ({ from: s.day, to: next(stages, to, s.day)?.day ?? last, tone, words }));
  });
}

const hostRow = ({ host, trees, year }: HostSeason, last: Day): YearRow => ({
  id: host.id,
  label: `${host.name}, ${trees} ${trees === 1 ? 'tree' : 'trees'}`,
  bands: bandsOf(year.stages, last),
  marks: year.stages.map((s) => ({
    day: s.day,
    earliest: s.earliest,
    latest: s.latest,
    tone: s.rests === 'seen' ? 'seen' : 'expected',
    words: `${STAGE_NAMES[s.code]}, ${spanWords(s.earliest, s.latest)}, ${stageReason(s)}`,
  })),
});

/** Rows of what heat brings, a model each, whichever hosts it concerns. */
function heatRows({ hosts, models }: PlaceSeason): YearRow[] {
  const name = (id: string) => models.find((m) => m.id === id)?.what ?? id;
  const marks = new Map<string, YearMark[]>();
  for (const { year } of hosts)
    for (const h of year.heat) {
      const of = marks.get(h.modelId) ?? [];
      if (!of.some((m) => m.day === h.day))
        of.push({
          day: h.day,
          earliest: h.earliest,
          latest: h.latest,
          tone: 'expected',
          words: `${name(h.modelId)}, ${spanWords(h.earliest, h.latest)}, by heat since ${h.from}`,
        });
      marks.set(h.modelId, of);
    }
  return [...marks].map(([id, of]) => ({
    id,
    label: name(id).replace(/^./, (c) => c.toUpperCase()),
    bands: [],
    marks: of,
  }));
}

function infectionRows({ events }: PlaceSeason): YearRow[] {
  return [...new Set(events.map((e) => e.conditionId))].map((id) => ({
    id,
    label: `Infections of ${findCondition(id)?.name.toLowerCase() ?? id}`,
    bands: [],
    marks: events
      .filter((e) => e.conditionId === id)
      .map((e) => ({
        day: e.day,
        earliest: e.day,
        latest: e.day,
        tone: e.chance === 1 ? 'infection' : 'risk',
        words: causeWords(e),
      })),
  }));
}

/** What is to do at the place, a row for each kind of visit; trees that have it on one day share a mark. */
function visitRows(visits: readonly Ahead[]): YearRow[] {
  const kinds = groupBy([...visits], (v) => v.words);
  return [...kinds].slice(0, 12).map(([words, of]) => ({
    id: words,
    label: `${words} (${of.length})`,
    bands: [],
    marks: [...groupBy(of, (v) => `${v.due} ${v.earliest} ${v.latest}`).values()].map((same): YearMark => {
      const v = same[0]!;
      return {
        day: v.due,
        earliest: v.earliest,
        latest: v.latest,
        tone: 'visit',
        words: `${same.length > 1 ? `${v.tag} and ${same.length - 1} more` : v.tag}: ${v.words}`,
        href: v.href,
      };
    }),
  }));
}

/** Everything that the figure shows of a place, and its table with it. */
export function rowsOf(at: PlaceSeason, visits: readonly Ahead[], to: Day): YearRow[] {
  const picking: YearRow[] =
    at.place.firstPicking === null
      ? []
      : [
          {
            id: 'picking',
            label: 'Picking',
            bands: [
              {
                from: at.place.firstPicking,
                to: at.place.lastPicking ?? after(at.place.firstPicking, 1, 'days'),
                tone: 'window',
                words: 'picked',
              },
            ],
            marks: [],
          },
        ];
  return [
    ...at.hosts.filter((h) => h.year.stages.length > 0).map((h) => hostRow(h, to)),
    ...heatRows(at),
    ...infectionRows(at),
    ...picking,
    ...visitRows(visits),
  ];
}
