import { STAGE_NAMES, type Bbch } from '@/core/season/bbch';
import { dayAfter } from '@/lib/calendar/days';
import { type LocalDate } from '@/lib/calendar/zone';
import { southOf } from '@/lib/calendar/hemisphere';
import type { StageDate } from '@/core/season/stages';
import { METHOD_NAMES } from '@/core/label/methods';
import { groupBy } from '@/core/work/load-out';
import { findWork } from '@/knowledge/works';
import { findCondition, findHost } from '@/knowledge';
import type { YearBand, YearMark, YearRow } from '@/ui/figures/year';
import { LIFE_TONES, LIFE_WORDS, lifeTimeWords, spanWords, stageReason } from '@/ui/season-words';
import { shortDay } from '@/ui/words';
import type { HostSeason, SiteSeason } from '@/views/schedule';
import type { AboutVisit, RibbonData, ProblemRow, VisitGroup } from './ribbon';
import { causeWords } from './words';

const next = (stages: readonly StageDate[], codes: readonly Bbch[], from: LocalDate) =>
  stages.filter((s) => codes.includes(s.code) && s.day >= from).sort((a, b) => a.day.localeCompare(b.day))[0];

/** Leaves and bloom of a host as bands, from stage to stage. */
function bandsOf(stages: readonly StageDate[], last: LocalDate): YearBand[] {
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

const growthRow = ({ host, trees, year }: HostSeason, last: LocalDate): YearRow => ({
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

/** What grows at a place, a row a host. */
const growthRows = ({ hosts }: SiteSeason, last: LocalDate): YearRow[] =>
  hosts.filter((h) => h.year.stages.length > 0).map((h) => growthRow(h, last));

/** Days in bloom of each host, by its id. */
const bloomOf = ({ hosts }: SiteSeason, last: LocalDate): Record<string, YearBand[]> =>
  Object.fromEntries(hosts.map((h) => [h.host.id, bandsOf(h.year.stages, last).filter((b) => b.tone === 'bloom')]));

const capital = (words: string) => words.replace(/^./, (c) => c.toUpperCase());
const problemName = (id: string | null) => (id === null ? null : (findCondition(id)?.name ?? null));

/** Rows of what heat brings, a model each, whichever hosts it concerns. */
function heatRows({ hosts, models, curves }: SiteSeason): ProblemRow[] {
  const dates = hosts.flatMap((h) => h.year.heat);
  return [...new Set(dates.map((d) => d.modelId))].map((id) => {
    const of = dates.filter((d) => d.modelId === id);
    const name = models.find((m) => m.id === id)?.what ?? of[0]!.what;
    const days = [...new Map(of.map((h) => [h.day, h])).values()];
    return {
      id,
      label: capital(name),
      problem: problemName(of[0]!.conditionId),
      bands: [],
      marks: days.map((h) => ({
        day: h.day,
        earliest: h.earliest,
        latest: h.latest,
        tone: 'expected',
        words: `${name}, ${spanWords(h.earliest, h.latest)}, by heat since ${shortDay(h.from)}`,
      })),
      curves: curves.filter((c) => c.modelId === id).map((c) => c.points),
    };
  });
}

const infectionRows = ({ events }: SiteSeason): ProblemRow[] =>
  [...new Set(events.map((e) => e.conditionId))].map((id) => ({
    id: `infections ${id}`,
    label: `Infections of ${problemName(id)?.toLowerCase() ?? id}`,
    problem: problemName(id),
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

/** When each trouble has its time by the field guide, as windows with how sure their first day is. */
const timeRows = ({ times }: SiteSeason): ProblemRow[] =>
  [...groupBy(times, (t) => t.conditionId)].map(([id, of]) => ({
    id: `times ${id}`,
    label: `Time of ${problemName(id)?.toLowerCase() ?? id}`,
    problem: problemName(id),
    bands: of.map((t) => ({
      from: t.from,
      to: t.to,
      tone: 'window',
      words: `${t.method} on ${findHost(t.hostId)?.name.toLowerCase() ?? t.hostId}, opens ${spanWords(t.spread.earliest, t.spread.latest)}`,
    })),
    marks: [],
  }));

/** What each trouble does through the year, a row for each of its stages. */
const lifeRows = ({ lives, place }: SiteSeason): ProblemRow[] =>
  [...groupBy(lives, (l) => `${l.conditionId} ${l.stage}`)].map(([id, of]) => {
    const { conditionId, stage, hostId } = of[0]!;
    return {
      id: `life ${id}`,
      label: `${problemName(conditionId) ?? conditionId}: ${LIFE_WORDS[stage]}`,
      problem: problemName(conditionId),
      bands: of.map((l) => ({
        from: l.first,
        to: l.last,
        tone: LIFE_TONES[stage],
        words: `${LIFE_WORDS[stage]} on ${findHost(hostId)?.name.toLowerCase() ?? hostId}, ${lifeTimeWords(l.time, southOf(place))}`,
      })),
      marks: [],
    };
  });

/** What is to be done at the place without a plan: by whoever comes back, and by the client. */
const taskRows = ({ tasks, today }: SiteSeason): YearRow[] =>
  (['company', 'client'] as const).flatMap((who) => {
    const of = tasks.filter((t) => t.who === who && t.state !== 'dropped');
    if (!of.length) return [];
    return [
      {
        id: `tasks ${who}`,
        label: who === 'client' ? `Left to the client (${of.length})` : `To come back for (${of.length})`,
        bands: [],
        marks: of.map((t): YearMark => ({
          day: t.due,
          earliest: t.due,
          latest: t.due,
          tone: t.state === 'done' ? 'done' : t.due < today ? 'missed' : 'visit',
          words: [t.tag, t.what].filter(Boolean).join(': '),
        })),
      },
    ];
  });

const pickingRows = ({ place }: SiteSeason): YearRow[] =>
  place.firstPicking === null
    ? []
    : [
        {
          id: 'picking',
          label: 'Picking',
          bands: [
            {
              from: place.firstPicking,
              to: place.lastPicking ?? dayAfter(place.firstPicking, 1, 'days'),
              tone: 'window',
              words: 'picked',
            },
          ],
          marks: [],
        },
      ];

type YearVisit = SiteSeason['visits'][number];
const stateOf = (v: YearVisit, today: LocalDate): VisitGroup['state'] =>
  v.state === 'planned' && v.latest < today ? 'missed' : v.state;

function aboutOf(v: YearVisit): AboutVisit {
  const words = v.put
    ? `${METHOD_NAMES[v.put.method]}, ${v.put.label}`
    : v.workId
      ? (findWork(v.workId)?.name ?? v.workId)
      : `${v.what ?? 'Look'}${v.onlyIf ? ` (only if ${v.onlyIf})` : ''}`;
  return {
    words,
    problem: v.conditionId ? (findCondition(v.conditionId)?.name ?? null) : null,
    programme: v.assignment?.programme ?? null,
    step: v.assignment?.step ?? null,
  };
}

const movesBy = (v: YearVisit): VisitGroup['moves'] => {
  if (v.state !== 'planned' && v.state !== 'expected') return null;
  if (v.assignment) return 'programme';
  return v.kind === 'step' ? null : v.kind;
};

/** What a place’s year is drawn from: visits that fall together are one group, what stands on a place’s own calendar a row. */
export function ribbonOf(at: SiteSeason, until: LocalDate): RibbonData {
  const trees = new Map<string, RibbonData['trees'][number] & { walk: number }>();
  for (const v of at.visits)
    trees.set(v.treeId, {
      id: v.treeId,
      tag: v.tag,
      hostId: v.hostId,
      host: findHost(v.hostId)?.name ?? v.hostId,
      walk: v.walk,
    });
  const walked = [...trees.values()].sort((a, b) => a.walk - b.walk || a.tag.localeCompare(b.tag));
  const treeAt = new Map(walked.map((t, i) => [t.id, i]));
  const abouts = new Map<string, { about: AboutVisit; at: number }>();
  const aboutAt = (v: YearVisit) => {
    const about = aboutOf(v);
    const key = JSON.stringify(about);
    if (!abouts.has(key)) abouts.set(key, { about, at: abouts.size });
    return abouts.get(key)!.at;
  };
  const alike = groupBy(at.visits, (v) =>
    JSON.stringify([aboutAt(v), v.day, v.earliest, v.latest, v.state, movesBy(v), v.assignment?.id, v.accepted]),
  );
  return {
    trees: walked.map(({ walk: _, ...t }) => t),
    groups: [...alike.values()].map((of): VisitGroup => {
      const [first] = of as [YearVisit];
      return {
        about: aboutAt(first),
        day: first.day,
        earliest: first.earliest,
        latest: first.latest,
        state: stateOf(first, at.today),
        moves: movesBy(first),
        assignmentId: first.assignment?.id ?? null,
        accepted: first.accepted,
        on: of.map((v) => ({
          tree: treeAt.get(v.treeId)!,
          id: movesBy(v) === 'programme' ? v.assignment!.visitId : v.id,
          planId: v.kind === 'plan' && v.state === 'planned' ? v.id : null,
        })),
      };
    }),
    abouts: [...abouts.values()].map((a) => a.about),
    growth: growthRows(at, until),
    bloom: bloomOf(at, until),
    heat: heatRows(at),
    infections: infectionRows(at),
    times: timeRows(at),
    lives: lifeRows(at),
    picking: [...pickingRows(at), ...taskRows(at)],
  };
}
