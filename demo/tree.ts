import { USUAL_SCHOOLS } from '@/core/decide/schools';
import type { TreatmentContext } from '@/core/gates/context';
import type { Flare } from '@/core/measure/trunk-marks';
import { scoreWork } from '@/core/prescribe/compare';
import { priced } from '@/core/prescribe/costs';
import { toGlobe } from '@/core/site-map/site-map';
import { usualAnswers, type WorkFacts } from '@/core/work/work';
import { findHost, regionOf } from '@/knowledge';
import { findWork } from '@/knowledge/works';
import { dayAfter } from '@/lib/calendar/days';
import { monthOf } from '@/lib/calendar/months';
import type { LocalDate } from '@/lib/calendar/zone';
import { told } from '@/lib/units/units';
import { v7 } from 'uuid';
import type { SampleCompany } from './company';
import { ago, at, put, sql, today } from './rows';
import { cases, type Case } from './cases';
import { ofSeason, type SiteSample } from './scenario';
import { spotOf } from './site';

/** A tree of the sample as it stands, before anything is said of it. */
export interface SampleTree {
  id: string;
  tag: string;
  host: NonNullable<ReturnType<typeof findHost>>;
  confirmed: boolean;
  girthCm: number;
  heightM: number;
  /** Its number in its site, and among the trees of its kind. */
  index: number;
  turn: number;
  found: Case | undefined;
}

/** Root flares as somebody saw them: five to seven, none quite where the next tree has them. */
const flaresOf = (i: number): Flare[] =>
  Array.from({ length: 5 + (i % 3) }, (_, k) => ({
    bearing: Math.round((k * 360) / (5 + (i % 3)) + ((i * 23 + k * 17) % 31)) % 360,
    strength: (i + k) % 4 === 0 ? 0.5 : 1,
  })).sort((a, b) => a.bearing - b.bearing);

/** A work of the season that somebody planned a few days ago. */
function putWork(
  company: SampleCompany,
  treeId: string,
  { work: workId, answers: said }: { work: string; answers?: Record<string, string | number | boolean> },
  facts: WorkFacts,
) {
  const of = findWork(workId)!;
  const answers = { ...usualAnswers(of, facts), ...said };
  const sheet = told((system) => of.workOut({ ...facts, system }, answers));
  put('work_plan', {
    id: v7(),
    company_id: company.id,
    tree_id: treeId,
    work_id: of.id,
    condition_id: null,
    answers: sql.json(answers),
    document: 2,
    sheet: sql.json(sheet.metric as never),
    sheet_us: sql.json(sheet.us as never),
    price: sql.json(
      priced(
        scoreWork({ work: of, sheet: sheet.metric, held: 0, weighing: company.weighing }),
        company.weighing,
      ) as never,
    ),
    at: at(ago(4)),
    by_person: company.arborist,
  });
}

/** An inspection that somebody asked for, due today. */
function putOpenInspection(company: SampleCompany, treeId: string, what: string, reason: string) {
  const id = v7();
  put('follow_up', {
    ...{
      id,
      company_id: company.id,
      tree_id: treeId,
      root_id: id,
      rule_id: 'own',
      kind: 'look',
      what,
      reason,
      only_if: null,
    },
    ...{ due: today, earliest: today, latest: dayAfter(today, 14, 'days') },
    ...{ state: 'open', settled_at: null, settled_by: null },
  });
}

/** The tree of a number in a site, with what waits for it in this season. */
export function putTree(
  company: SampleCompany,
  p: SiteSample,
  siteId: string,
  of: { index: number; seen: Map<string, number> },
): SampleTree {
  const i = of.index;
  const tag = String(p.trees.first + i).padStart(3, '0');
  const host = findHost(p.trees.hosts[i % p.trees.hosts.length]!)!;
  const spread = ((i * 37) % 101) / 100;
  const girth = Math.round((p.trees.girth[0] + spread * (p.trees.girth[1] - p.trees.girth[0])) * 10) / 10;
  const height = Math.round((p.trees.height[0] + spread * (p.trees.height[1] - p.trees.height[0])) * 2) / 2;
  const treeId = v7();
  const confirmed = i % 9 !== 8;
  const spot = spotOf(p, i);
  put('tree', {
    id: treeId,
    company_id: company.id,
    site_id: siteId,
    tag,
    host_id: host.id,
    host_confirmed_at: confirmed ? at(ago(430)) : null,
    host_confirmed_by: confirmed ? company.arborist : null,
    ...toGlobe(spot, { lon: p.lon, lat: p.lat }),
    plan_x: spot.x,
    plan_y: spot.y,
    walk_order: i + 1,
    note: i % 11 === 5 ? 'Ivy to 3 m: move it aside before the tape.' : '',
  });
  const month = monthOf(today);
  for (const w of ofSeason) {
    if (w.place !== p.name || !w.months.includes(month) || i < w.trees[0] || i >= w.trees[1]) continue;
    if ('look' in w.does) putOpenInspection(company, treeId, w.does.look, w.does.because);
    else
      putWork(company, treeId, w.does, {
        on: today,
        south: false,
        customWorks: [],
        system: 'metric',
        tag,
        host,
        diameterCm: girth / Math.PI,
        heightM: height,
        crownWidthM: null,
        texture: p.soil,
        condition: null,
        mainRoots: [],
        group: null,
        zoneSchool: USUAL_SCHOOLS.rootZone,
        woundSchool: USUAL_SCHOOLS.woundDressing,
        meshSchool: USUAL_SCHOOLS.mesh,
        closedSeasons: regionOf('estuary').closedSeasons,
        region: regionOf('estuary').name,
      });
  }

  const turn = of.seen.get(host.groups[0]!) ?? 0;
  of.seen.set(host.groups[0]!, turn + 1);
  const found = cases.find((c) => c.hosts.includes(host.id) && turn % c.every === c.offset % c.every);
  return { id: treeId, tag, host, confirmed, girthCm: girth, heightM: height, index: i, turn, found };
}

/** A measurement of a tree on a day; birches of several stems have three. */
export function putMeasurement(
  company: SampleCompany,
  tree: SampleTree,
  day: LocalDate,
  factor: number,
): NonNullable<TreatmentContext['reading']> {
  const { index: i, host, girthCm: girth, heightM: height, id: treeId } = tree;
  const several = host.id === 'silver-birch' && i % 4 === 0;
  const stems = (several ? [0.5, 0.42, 0.3] : [1]).map((s) => ({
    kind: 'girth' as const,
    typed: { value: Math.round(girth * s * factor * 10) / 10, unit: 'cm' as const },
  }));
  const ds = stems.map((s) => s.typed.value / Math.PI);
  const arcs = i % 13 === 4 ? [{ kind: 'dead-bark', from: 128, to: 152 }] : [];
  put('measurement', {
    id: v7(),
    company_id: company.id,
    tree_id: treeId,
    at: at(day, 9),
    by_person: company.arborist,
    diameter_cm: Math.sqrt(ds.reduce((a, d) => a + d * d, 0)),
    at_height_cm: 130,
    stems: sql.json(stems as never),
    tree_height_m: height,
    crown_width_m: Math.round(Math.min(16, height * (host.groups.includes('conifer') ? 0.32 : 0.5)) * 10) / 10,
    crown_base_m: Math.round(height * 0.22 * 10) / 10,
    flares: sql.json(flaresOf(i) as never),
    arcs: sql.json(arcs as never),
    method: 'tape',
  });
  return { day, diameters: ds, heightCm: 130, doubts: [], arcs: arcs as [] };
}

/** Two inspections of a tree, last year and this, with what they found; answers with the id of the newest. */
export function putInspections(company: SampleCompany, tree: SampleTree): string {
  const { index: i, id: treeId, turn: n, found } = tree;
  let lastInspection = '';
  for (const day of [ago(470 + (i % 5)), ago(148 + (i % 5))]) {
    const inspectionId = v7();
    put('inspection', {
      id: inspectionId,
      company_id: company.id,
      tree_id: treeId,
      at: at(day, 11),
      by_person: company.arborist,
      crown_loss: Math.max(0, (found?.crownLoss ?? 2) - (day < ago(300) ? 2 : 0)),
      vigour: found?.vigour ?? 'good',
      host_key: sql.json([true, true]),
      note: '',
    });
    const earlierInspection = day < ago(300);
    const looked = { company_id: company.id, inspection_id: inspectionId };
    // A third of the row was still clean the year before: that is how a finding is seen to spread.
    const clean = earlierInspection && i % 5 > 2;
    for (const [sign, grade] of found?.signs ?? [])
      put('finding', {
        ...looked,
        sign_id: sign,
        state: clean ? 'absent' : 'seen',
        grade: clean ? null : earlierInspection ? Math.max(1, grade - 1) : grade,
      });
    for (const sign of found?.absent ?? []) put('finding', { ...looked, sign_id: sign, state: 'absent', grade: null });
    if (!earlierInspection) {
      for (const [test, outcome] of found?.tests ?? []) put('test_result', { ...looked, test_id: test, outcome });
      if (found?.dug && n < 3)
        put('plan_change', {
          id: v7(),
          company_id: company.id,
          tree_id: treeId,
          inspection_id: inspectionId,
          what: found.dug,
          price_minor: 18500,
          at: at(day, 12),
          by_person: company.arborist,
        });
    }
    lastInspection = inspectionId;
  }
  return lastInspection;
}

/** What was decided: a first guess from the road that was overturned, and the diagnosis that stands. */
export function putDiagnoses(company: SampleCompany, tree: SampleTree, lastInspection: string) {
  const { index: i, id: treeId, turn: n, found } = tree;
  if (found?.first && n % 4 === 0)
    put('diagnosis', {
      id: v7(),
      company_id: company.id,
      tree_id: treeId,
      inspection_id: null,
      at: at(ago(469), 12),
      by_person: company.arborist,
      condition_id: found.first,
      certainty: 'possible',
      decision: 'test first',
      reason: 'A first guess from the road.',
      ranking: sql.json([]),
      overturned_by: [],
    });
  if (found)
    put('diagnosis', {
      id: v7(),
      company_id: company.id,
      tree_id: treeId,
      at: at(ago(147 + (i % 5)), 12),
      by_person: company.arborist,
      condition_id: found.condition,
      certainty: found.certainty,
      decision: found.decision,
      reason: found.reason,
      inspection_id: lastInspection,
      ranking: sql.json([]),
      overturned_by: found.first && n % 4 === 0 ? (found.tests ?? []).map(([t, o]) => `${t}/${o}`) : [],
    });
}
