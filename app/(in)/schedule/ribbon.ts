import { groups } from 'd3-array';
import type { LocalDate } from '@/lib/calendar/zone';
import type { YearMark, YearRow } from '@/ui/figures/year';
import { tagRuns } from '@/core/site-map/tags';

/** What visits are: the same for all trees and days that have it. */
export interface AboutVisit {
  words: string;
  /** The trouble that it acts on, by name; null where it is for none in particular. */
  problem: string | null;
  programme: string | null;
  step: string | null;
}
/** Trees of a place that have the same thing on the same day: one mark. */
export interface VisitGroup {
  about: number;
  day: LocalDate;
  earliest: LocalDate;
  latest: LocalDate;
  state: 'planned' | 'missed' | 'expected' | 'again' | 'done' | 'left';
  /** How it is moved: by its programme, as what it is, or not at all. */
  moves: 'programme' | 'plan' | 'work' | 'look' | null;
  assignmentId: string | null;
  /** The client has taken it. */
  accepted: boolean;
  /** Trees by their place in the list, each with the id of what is moved or opened there. */
  on: { tree: number; id: string; planId: string | null }[];
}
/** A row that has its own trouble. */
export type ProblemRow = YearRow & { problem: string | null };

/** Everything that the ribbons of a place show, whatever they are ordered by. */
export interface RibbonData {
  trees: { id: string; tag: string; hostId: string; host: string }[];
  abouts: AboutVisit[];
  groups: VisitGroup[];
  growth: YearRow[];
  /** Days in bloom, by host: bees count at every tree. */
  bloom: Record<string, YearRow['bands']>;
  heat: ProblemRow[];
  infections: ProblemRow[];
  times: ProblemRow[];
  /** Stages of each trouble, a row a stage. */
  lives: ProblemRow[];
  picking: YearRow[];
}

export const ORDERS = {
  place: 'By what grows and is done',
  programme: 'By programme',
  problem: 'By trouble',
  tree: 'By tree',
} as const;
export type Order = keyof typeof ORDERS;

const TONES: Record<VisitGroup['state'], YearMark['tone']> = {
  planned: 'visit',
  missed: 'missed',
  expected: 'maybe',
  again: 'maybe',
  done: 'done',
  left: 'left',
};

/** Tags of the trees of a group, in walking order. */
export const tagsOf = ({ trees }: RibbonData, g: VisitGroup): string =>
  tagRuns(
    g.on
      .map((o) => o.tree)
      .sort((a, b) => a - b)
      .map((i) => trees[i]!.tag),
  );

const markOf = (data: RibbonData, g: VisitGroup, id: string, tags: string): YearMark => ({
  id,
  day: g.day,
  earliest: g.earliest,
  latest: g.latest,
  tone: TONES[g.state],
  words: `${tags}: ${data.abouts[g.about]!.words}`,
  movable: g.moves !== null,
});

/** Rows of visits, a name each, in order of their first day. */
function visitRows(data: RibbonData, named: (a: AboutVisit) => string | null): YearRow[] {
  const rows = groups(
    data.groups.flatMap((g, i) => {
      const label = named(data.abouts[g.about]!);
      return label === null ? [] : [{ g, i, label }];
    }),
    (r) => r.label,
  );
  return rows.map(([label, of]) => ({
    id: `visits ${label}`,
    label: `${label} (${of.reduce((n, { g }) => n + g.on.length, 0)})`,
    bands: [],
    marks: of.map(({ g, i }) => markOf(data, g, String(i), tagsOf(data, g))),
  }));
}

const byProblem = (data: RibbonData): YearRow[] => {
  const { heat, infections, times } = data;
  const visits = visitRows(data, (a) => a.problem);
  const names = [
    ...new Set([...data.abouts.map((a) => a.problem), ...[heat, infections, times].flat().map((r) => r.problem)]),
  ];
  const problems = names.flatMap((name): YearRow[] => {
    if (name === null) return [];
    const parts = [...heat, ...infections, ...times].filter((r) => r.problem === name);
    const own = visits.filter((r) => r.id === `visits ${name}`);
    const all: YearRow[] = [...parts, ...own];
    return [
      {
        id: `trouble ${name}`,
        label: name,
        bands: all.flatMap((r) => r.bands),
        marks: all.flatMap((r) => r.marks),
        curves: all.flatMap((r) => r.curves ?? []),
      },
      ...data.lives.filter((r) => r.problem === name),
    ];
  });
  return [...problems, ...visitRows(data, (a) => (a.problem === null ? a.words : null))];
};

const byTree = (data: RibbonData): YearRow[] => {
  const on = data.trees.map((): YearMark[] => []);
  for (const [i, g] of data.groups.entries())
    for (const o of g.on) on[o.tree]!.push(markOf(data, g, `${i}:${o.tree}`, data.trees[o.tree]!.tag));
  return data.trees.map((t, i) => ({
    id: t.id,
    label: `${t.tag} ${t.host}`,
    bands: data.bloom[t.hostId] ?? [],
    marks: on[i]!,
  }));
};

/** The rows of the ribbons, ordered as somebody wants them. */
export function rowsBy(data: RibbonData, order: Order): YearRow[] {
  switch (order) {
    case 'place':
      return [...data.growth, ...data.heat, ...data.infections, ...data.picking, ...visitRows(data, (a) => a.words)];
    case 'programme':
      return [
        ...visitRows(data, (a) => (a.programme === null ? null : `${a.programme}: ${a.step ?? a.words}`)),
        ...visitRows(data, (a) => (a.programme === null ? a.words : null)),
      ];
    case 'problem':
      return byProblem(data);
    case 'tree':
      return byTree(data);
  }
}

/** The visit of a mark: its group, and the one tree where the row is a tree’s. */
export function visitAt(data: RibbonData, id: string): { group: VisitGroup; on: VisitGroup['on'] } | null {
  const [g, tree] = id.split(':');
  const group = data.groups[Number(g)];
  if (!group) return null;
  return { group, on: tree === undefined ? group.on : group.on.filter((o) => o.tree === Number(tree)) };
}
