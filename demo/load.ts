import { monthOf } from '@/lib/calendar/months';
import { UNSAID } from '@/core/prescribe/unsaid';
import { told } from '@/lib/units/units';
import { v7 } from 'uuid';
import { writeUp } from '@/core/records/write';
import { dayAfter } from '@/lib/calendar/days';
import { dayIn, type LocalDate } from '@/lib/calendar/zone';
import { USUAL_PRICES } from '@/core/cost/prices';
import { USUAL_SCHOOLS } from '@/core/decide/schools';
import { scoreUse, scoreWork } from '@/core/prescribe/compare';
import { priced, stepOfUse } from '@/core/prescribe/costs';
import { type Weighing } from '@/core/gates/context';
import { prescribe } from '@/core/prescribe/prescribe';
import { type Choices, type TreatmentContext } from '@/core/gates/context';
import { usualAnswers, type WorkFacts } from '@/core/work/work';
import { findWork } from '@/knowledge/works';
import { readHours } from '@/core/schedule/read-hours';
import { isLiquid } from '@/core/label/liquid';
import type { OldSite } from '@/core/ring/ring';
import { findCondition, findHost, regionOf, trainingLabels } from '@/knowledge';
import { fair } from '@/stand-ins/weather/fair';
import { perform, type Command } from '@/commands/command';
import { addToDay } from '@/commands/jobs/add-to-day';
import { hoursOn, type HoursRule } from '@/core/schedule/hours';
import { checkRegion } from '@/commands/rules/check-region';
import { setSection } from '@/commands/sites/set-section';
import { addTask } from '@/commands/sites/add-task';
import { assignProgramme } from '@/commands/programmes/assign-programme';
import type { z } from 'zod';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { simulatedStation } from '@/stand-ins/weather/station';
import { hashPassword, loadViewer } from '@/store/auth';
import { connect, db } from '@/store/db';
import { SAMPLE_PASSWORD, samplePeople } from '@/stand-ins/sample-people';
import {
  cases,
  crews,
  equipment,
  levels,
  lots,
  ofSeason,
  places,
  seenStages,
  sprayers,
  vessels,
  YARD,
} from './scenario';
import { toGlobe, type SiteMap } from '@/core/site-map/site-map';
import type { Flare } from '@/core/measure/trunk-marks';
import { clockNow } from '@/store/clock';

type Staff = { name: string; email: string; role: string; licence: string | null; units: string }[];

/** Loads the sample companies into an empty database; a database that already has a company is left as it is. */
// Verbs of the loader write where the loader does, whatever database its caller has in hand.
process.env.DATABASE_URL = process.env.DATABASE_OWNER_URL;
const sql = connect(process.env.DATABASE_OWNER_URL!, 1);
const ZONE = 'Europe/London';
const today = dayIn(clockNow(), ZONE);
// What was done was done on days that suited it.
const station = fair({ lat: null, lon: null });
const ago = (days: number): LocalDate => dayAfter(today, -days, 'days');
const at = (day: LocalDate, hour = 10) => new Date(`${day}T${String(hour).padStart(2, '0')}:00:00Z`);
/** The newest 15 June (or another day) at least `years` seasons back and in the past. */
const seasonDay = (monthDay: string, years: number): LocalDate => {
  const y = Number(today.slice(0, 4));
  const last = `${y}-${monthDay}` < today ? y : y - 1;
  return `${last - years}-${monthDay}`;
};

/** The sample's boxes as a plan in local metres. */
function planOf(p: (typeof places)[number]): SiteMap {
  const box = ([x, y, w, h]: readonly [number, number, number, number]) => [
    { x, y },
    { x: x + w, y },
    { x: x + w, y: y + h },
    { x, y: y + h },
  ];
  const [x, y] = p.plan.half;
  return {
    origin: { lon: p.lon, lat: p.lat },
    outline: box([-x, -y, 2 * x, 2 * y]),
    areas: p.plan.areas.map(([kind, name, b], i) => ({ id: `area-${i}`, kind, name, corners: box(b) })),
    points: p.plan.points.map(([kind, name, px, py], i) => ({ id: `point-${i}`, kind, name, at: { x: px, y: py } })),
    slope: p.plan.slope ?? null,
  };
}
/** Root flares as somebody saw them: five to seven, none quite where the next tree has them. */
const flaresOf = (i: number): Flare[] =>
  Array.from({ length: 5 + (i % 3) }, (_, k) => ({
    bearing: Math.round((k * 360) / (5 + (i % 3)) + ((i * 23 + k * 17) % 31)) % 360,
    strength: (i + k) % 4 === 0 ? 0.5 : 1,
  })).sort((a, b) => a.bearing - b.bearing);

type Row = Record<string, unknown>;
const rows: Record<string, Row[]> = {};
const put = (table: string, row: Row) => (rows[table] ??= []).push(row);

function loadCompany({
  name,
  region,
  samples,
  staff,
  hash,
}: {
  name: string;
  region: string;
  samples: typeof places;
  staff: Staff;
  hash: string;
}) {
  const company = v7();
  put('company', {
    id: company,
    name,
    region,
    time_zone: ZONE,
    breast_height_cm: 130,
    prices: sql.json({ ...USUAL_PRICES }),
  });
  const staffIds = staff.map((p) => {
    const id = v7();
    put('person', {
      id,
      company_id: company,
      name: p.name,
      email: p.email,
      password_hash: hash,
      role: p.role,
      units: p.units,
      licence_number: p.licence,
      licence_categories: p.licence ? ['ornamental', 'tree injection'] : [],
      licence_expires: p.licence ? dayAfter(today, 14, 'months') : null,
    });
    return id;
  });
  const hoursOf = (text: string) => {
    const read = readHours(text);
    if (!read.ok) throw new Error(read.sentence);
    return sql.json(read.rules as never);
  };
  for (const c of crews) {
    const people = staffIds.filter((_, i) => c.people.includes(staff[i]!.name));
    if (!people.length) continue;
    const id = v7();
    put('crew', {
      id,
      company_id: company,
      name: c.name,
      hours: hoursOf(c.hours),
      yard_lat: YARD.lat,
      yard_lon: YARD.lon,
      least: c.least,
    });
    for (const person_id of people) put('crew_person', { company_id: company, crew_id: id, person_id });
  }
  const weighing: Weighing = {
    prices: USUAL_PRICES,
    system: 'metric',
    on: today,
    programme: null,
    school: USUAL_SCHOOLS.programme,
    options: null,
    south: false,
  };
  const arborist = staffIds[0]!;
  const crew = staff[2]!;
  const crewId = staffIds[2]!;
  const labelIds = new Map(
    trainingLabels.map((label) => {
      const id = v7();
      put('label', { id, company_id: company, key: label.key, version: label.version, data: sql.json(label as never) });
      if (!/0[78]/.test(label.key))
        put('label_check', { label_id: id, company_id: company, by_person: arborist, at: at(ago(60)) });
      return [label.key, id];
    }),
  );
  const vesselRows = vessels.map((v) => ({ ...v, id: v7() }));
  for (const [i, t] of sprayers.entries())
    put('sprayer', {
      id: v7(),
      company_id: company,
      ...t,
      flow_ml_min: i === 2 ? null : t.flow_ml_min,
      calibrated_on: i === 2 ? null : ago(40),
    });
  for (const v of vesselRows) put('vessel', { ...v, company_id: company });
  for (const e of equipment) put('equipment', { id: v7(), company_id: company, ...e, checked_on: ago(40) });
  for (const l of levels) put('stock_level', { company_id: company, label_key: l.label, warn_below: l.below });
  const lotIds = new Map<
    string,
    { id: string; labelKey: string; lotNumber: string; expiresOn: LocalDate; onHand: number }
  >();
  for (const l of lots) {
    const id = v7();
    const expiresOn = dayAfter(today, l.months, 'months');
    const label = trainingLabels.find((t) => t.key === l.label)!;
    put('lot', {
      id,
      company_id: company,
      label_key: l.label,
      lot_number: l.number,
      expires_on: expiresOn,
      unit: isLiquid(label) ? 'mL' : 'g',
    });
    put('stock_move', {
      id: v7(),
      company_id: company,
      lot_id: id,
      amount: l.amount,
      against: 'supplier',
      reason: 'delivery',
      at: at(ago(800)),
      by_person: staffIds[0],
    });
    // A bottle that leaked, and what a count found: stock never is as tidy as its book.
    const lost = l.number === 'OIL-4' ? { against: 'loss', amount: -750, reason: 'canister leaked in the van' } : null;
    if (lost)
      put('stock_move', {
        id: v7(),
        company_id: company,
        lot_id: id,
        ...lost,
        at: at(ago(120)),
        by_person: staffIds[0],
      });
    lotIds.set(l.number, {
      id,
      labelKey: l.label,
      lotNumber: l.number,
      expiresOn,
      onHand: l.amount + (lost?.amount ?? 0),
    });
  }

  /** A work of the season that somebody planned a few days ago. */
  const waitingWork = (
    treeId: string,
    { work: workId, answers: said }: { work: string; answers?: Record<string, string | number | boolean> },
    facts: WorkFacts,
  ) => {
    const of = findWork(workId)!;
    const answers = { ...usualAnswers(of, facts), ...said };
    const sheet = told((system) => of.workOut({ ...facts, system }, answers));
    put('work_plan', {
      id: v7(),
      company_id: company,
      tree_id: treeId,
      work_id: of.id,
      condition_id: null,
      answers: sql.json(answers),
      document: 2,
      sheet: sql.json(sheet.metric as never),
      sheet_us: sql.json(sheet.us as never),
      price: sql.json(priced(scoreWork({ work: of, sheet: sheet.metric, held: 0, weighing }), weighing) as never),
      at: at(ago(4)),
      by_person: arborist,
    });
  };
  /** A look that somebody asked for, due today. */
  const openInspection = (treeId: string, what: string, reason: string) => {
    const id = v7();
    put('follow_up', {
      ...{
        id,
        company_id: company,
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
  };

  const clients = new Map<string, string>();
  for (const p of samples) {
    if (!clients.has(p.client)) {
      clients.set(p.client, v7());
      put('client', { id: clients.get(p.client), company_id: company, name: p.client, contact: p.contact });
    }
    const siteId = v7();
    const side = 0.0006;
    const outline = [
      [-1, -1],
      [-1, 1],
      [1, 1],
      [1, -1],
    ].map(([a, b]) => ({ lat: p.lat + a! * side, lon: p.lon + b! * side }));
    put('site', {
      id: siteId,
      company_id: company,
      client_id: clients.get(p.client),
      name: p.name,
      address: p.address,
      time_zone: ZONE,
      outline: sql.json(outline),
      site_map: sql.json(planOf(p) as never),
      area_m2: p.areaM2,
      soil_texture: p.soil,
      water_m: p.waterM,
      hours: hoursOf(p.hours ?? ''),
      first_picking: p.picking ? seasonDay('09-25', -1) : null,
      last_picking: p.picking ? dayAfter(seasonDay('09-25', -1), 25, 'days') : null,
      access: p.access,
      hazards: p.hazards,
      dogs: p.dogs,
      notes: p.notes,
    });
    // Stages as somebody saw them this season and the last.
    for (const [hostId, code, monthDay] of seenStages[p.name] ?? [])
      for (const years of [0, 1])
        put('stage_note', {
          id: v7(),
          company_id: company,
          site_id: siteId,
          host_id: hostId,
          kind: 'stage',
          what: String(code),
          on_day: dayAfter(seasonDay(monthDay, years), years * 3, 'days'),
          at: at(seasonDay(monthDay, years)),
          by_person: arborist,
        });
    if (p.gateCode) put('gate_code', { site_id: siteId, company_id: company, code: p.gateCode });
    const origin = { lon: p.lon, lat: p.lat };
    const spot = (i: number) => {
      const { columns, dx, dy, x = 0 } = p.plan.rows;
      const rows = Math.ceil(p.trees.count / columns);
      return {
        x: x + ((i % columns) - (columns - 1) / 2) * dx,
        y: ((rows - 1) / 2 - Math.floor(i / columns)) * dy + (i % 3) * 0.4,
      };
    };
    const siteActive: Record<string, Record<string, number>> = {};
    const seen = new Map<string, number>();

    for (let i = 0; i < p.trees.count; i++) {
      const tag = String(p.trees.first + i).padStart(3, '0');
      const host = findHost(p.trees.hosts[i % p.trees.hosts.length]!)!;
      const spread = ((i * 37) % 101) / 100;
      const girth = Math.round((p.trees.girth[0] + spread * (p.trees.girth[1] - p.trees.girth[0])) * 10) / 10;
      const height = Math.round((p.trees.height[0] + spread * (p.trees.height[1] - p.trees.height[0])) * 2) / 2;
      const treeId = v7();
      const confirmed = i % 9 !== 8;
      put('tree', {
        id: treeId,
        company_id: company,
        site_id: siteId,
        tag,
        host_id: host.id,
        host_confirmed_at: confirmed ? at(ago(430)) : null,
        host_confirmed_by: confirmed ? arborist : null,
        ...toGlobe(spot(i), origin),
        plan_x: spot(i).x,
        plan_y: spot(i).y,
        walk_order: i + 1,
        note: i % 11 === 5 ? 'Ivy to 3 m: move it aside before the tape.' : '',
      });
      const month = monthOf(today);
      for (const w of ofSeason) {
        if (w.place !== p.name || !w.months.includes(month) || i < w.trees[0] || i >= w.trees[1]) continue;
        if ('look' in w.does) openInspection(treeId, w.does.look, w.does.because);
        else
          waitingWork(treeId, w.does, {
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
      const several = host.id === 'silver-birch' && i % 4 === 0;
      const read = (day: LocalDate, factor: number) => {
        const stems = (several ? [0.5, 0.42, 0.3] : [1]).map((s) => ({
          kind: 'girth' as const,
          typed: { value: Math.round(girth * s * factor * 10) / 10, unit: 'cm' as const },
        }));
        const ds = stems.map((s) => s.typed.value / Math.PI);
        const arcs = i % 13 === 4 ? [{ kind: 'dead-bark', from: 128, to: 152 }] : [];
        put('measurement', {
          id: v7(),
          company_id: company,
          tree_id: treeId,
          at: at(day, 9),
          by_person: arborist,
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
      };
      read(ago(500 + (i % 7)), 0.985);
      const reading = read(ago(150 + (i % 9)), 1);

      const n = seen.get(host.groups[0]!) ?? 0;
      seen.set(host.groups[0]!, n + 1);
      const found = cases.find((c) => c.hosts.includes(host.id) && n % c.every === c.offset % c.every);
      let lastInspection: string | null = null;
      for (const day of [ago(470 + (i % 5)), ago(148 + (i % 5))]) {
        const inspectionId = v7();
        put('inspection', {
          id: inspectionId,
          company_id: company,
          tree_id: treeId,
          at: at(day, 11),
          by_person: arborist,
          crown_loss: Math.max(0, (found?.crownLoss ?? 2) - (day < ago(300) ? 2 : 0)),
          vigour: found?.vigour ?? 'good',
          host_key: sql.json([true, true]),
          note: '',
        });
        const earlierInspection = day < ago(300);
        const looked = { company_id: company, inspection_id: inspectionId };
        // A third of the row was still clean the year before: that is how a finding is seen to spread.
        const clean = earlierInspection && i % 5 > 2;
        for (const [sign, grade] of found?.signs ?? [])
          put('finding', {
            ...looked,
            sign_id: sign,
            state: clean ? 'absent' : 'seen',
            grade: clean ? null : earlierInspection ? Math.max(1, grade - 1) : grade,
          });
        for (const sign of found?.absent ?? [])
          put('finding', { ...looked, sign_id: sign, state: 'absent', grade: null });
        if (!earlierInspection) {
          for (const [test, outcome] of found?.tests ?? []) put('test_result', { ...looked, test_id: test, outcome });
          if (found?.dug && n < 3)
            put('plan_change', {
              id: v7(),
              company_id: company,
              tree_id: treeId,
              inspection_id: inspectionId,
              what: found.dug,
              price_minor: 18500,
              at: at(day, 12),
              by_person: arborist,
            });
        }
        lastInspection = inspectionId;
      }
      if (found?.first && n % 4 === 0)
        put('diagnosis', {
          id: v7(),
          company_id: company,
          tree_id: treeId,
          inspection_id: null,
          at: at(ago(469), 12),
          by_person: arborist,
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
          company_id: company,
          tree_id: treeId,
          at: at(ago(147 + (i % 5)), 12),
          by_person: arborist,
          condition_id: found.condition,
          certainty: found.certainty,
          decision: found.decision,
          reason: found.reason,
          inspection_id: lastInspection,
          ranking: sql.json([]),
          overturned_by: found.first && n % 4 === 0 ? (found.tests ?? []).map(([t, o]) => `${t}/${o}`) : [],
        });

      // What was done on it, season by season; what is open.
      const earlier: TreatmentContext['earlier'] = [];
      const oldSites: OldSite[] = [];
      const condition = findCondition(found?.condition ?? 'something-else')!;
      const treatmentContext = (day: LocalDate): TreatmentContext => ({
        ...UNSAID,
        supervised: true,
        on: day,
        host,
        hostConfirmed: confirmed,
        condition,
        certainty: found?.certainty ?? null,
        decision: found?.decision ?? null,
        crownLoss: found?.crownLoss ?? 2,
        vigour: found?.vigour ?? 'good',
        reading,
        earlier,
        treeYearProduct: {},
        siteAreaM2: p.areaM2,
        siteYearActive: siteActive[day.slice(0, 4)] ?? {},
        water: p.waterM === -1 ? 'none within 100 m' : p.waterM,
        harvest: null,
        soilTexture: p.soil,
        oldSites,
        vessels: vesselRows,
        region: regionOf(region),
        licence: {
          number: crew.licence!,
          categories: ['ornamental', 'tree injection'],
          expires: dayAfter(today, 14, 'months'),
        },
        checked: Object.fromEntries(trainingLabels.map((l) => [l.key, ago(60)])),
      });
      const choices = (day: LocalDate): Choices => {
        const weather = station.at(at(day));
        return {
          soil: 'moist',
          said: { boundary: 'far enough', edibles: 'nothing', 'ground-bloom': 'nothing' } as const,
          leaf: host.evergreen || (day.slice(5) > '05-10' && day.slice(5) < '10-01') ? 'full' : 'leafless',
          temperatureC: weather.temperatureC,
          windMs: weather.windMs,
          rainNext24Mm: weather.rainNext24Mm,
        };
      };
      const work = (labelKey: string, day: LocalDate) => {
        const label = trainingLabels.find((l) => l.key === labelKey)!;
        const use = label.uses.find((u) => u.targets.includes(condition.id)) ?? label.uses[0]!;
        const s = treatmentContext(day);
        const result = prescribe(s, label, use, choices(day));
        const us = prescribe(s, label, use, { ...choices(day), system: 'us' });
        return { label, use, s, result, us };
      };
      const apply = (labelKey: string, lotNumber: string, day: LocalDate) => {
        const { label, use, result, us } = work(labelKey, day);
        if (!result.dose.ok) return;
        const lot = lotIds.get(lotNumber)!;
        const id = v7();
        const start = at(day, 9 + (i % 4));
        const end = new Date(start.getTime() + (25 + (i % 5) * 7) * 60_000);
        const released = Object.fromEntries(
          result.gates.filter((g) => g.strength === 'hold').map((g) => [g.id, 'Seen and accepted on the spot']),
        );
        const up = writeUp(
          {
            now: end,
            timeZone: ZONE,
            applicator: { id: crewId, name: crew.name, licence: treatmentContext(day).licence },
            beside: [],
            labelId: labelIds.get(labelKey)!,
            label,
            use,
            step: stepOfUse(use, weighing),
            condition,
            host,
            tree: { id: treeId, tag, lat: null, lon: null },
            place: { id: siteId, name: p.name, address: p.address, client: p.client },
            dose: result.dose,
            ring: result.ring,
            gates: result.gates,
            released,
            lot,
            drawn: null,
          },
          {
            id,
            planId: id,
            startedAt: start.toISOString(),
            endedAt: end.toISOString(),
            amount: result.dose.product,
            lotId: lot.id,
            weather: station.at(start),
            soil: 'moist',
            said: {},
            released: {},
            withIds: [],
            protection: use.protection,
            deviation: 'Carried out as agreed with the client before the rule was entered.',
            mark: i % 2 ? 'blue dot, north side' : 'yellow tag',
            note: '',
            photoIds: [],
          },
        );
        if (!up.ok) throw new Error(`${tag}: ${up.issues[0]?.message}`);
        const planId = v7();
        put('treatment_plan', {
          id: planId,
          company_id: company,
          tree_id: treeId,
          label_id: labelIds.get(labelKey),
          use_key: use.key,
          condition_id: condition.id,
          facts: sql.json(choices(day) as never),
          document: 2,
          result: sql.json(result as never),
          result_us: sql.json(us as never),
          released: sql.json(released),
          state: 'done',
          at: at(day, 8),
          by_person: arborist,
        });
        put('record', {
          id,
          company_id: company,
          root_id: id,
          version: 1,
          tree_id: treeId,
          site_id: siteId,
          plan_id: planId,
          label_key: labelKey,
          method: use.method,
          started_at: start,
          ended_at: end,
          done_on: up.doneOn,
          by_person: crewId,
          written_by: crewId,
          words: up.words,
          data: sql.json({ ...up.data, deviation: '' } as never),
        });
        put('stock_move', {
          id: v7(),
          company_id: company,
          lot_id: lot.id,
          amount: -result.dose.product,
          against: 'tree',
          reason: `used on ${tag}, ${p.name}`,
          record_id: id,
          at: end,
          by_person: crewId,
        });
        lot.onHand -= result.dose.product;
        earlier.push({ day, labelKey, actives: label.actives.map((a) => a.name) });
        for (const b of result.ring?.sites ?? [])
          oldSites.push({ bearing: b, heightCm: use.sites!.heightCm, year: Number(day.slice(0, 4)) });
        const active = (siteActive[day.slice(0, 4)] ??= {});
        for (const a of result.dose.actives) active[a.name] = (active[a.name] ?? 0) + a.grams;
        for (const followUp of up.followUps) {
          const past = followUp.due < ago(12) && followUp.kind !== 'treat-again';
          put('follow_up', {
            id: v7(),
            company_id: company,
            tree_id: treeId,
            root_id: id,
            rule_id: followUp.ruleId,
            kind: followUp.kind,
            what: followUp.what,
            reason: followUp.reason,
            only_if: followUp.onlyIf ?? null,
            due: followUp.due,
            earliest: followUp.earliest,
            latest: followUp.latest,
            state: past ? 'done' : 'open',
            settled_at: past ? at(followUp.due) : null,
            settled_by: past ? crewId : null,
          });
        }
      };
      const planOnly = (labelKey: string) => {
        const { label, use, result, us } = work(labelKey, today);
        const weighed = scoreUse({ label, use, result, held: 0, weighing });
        if (!result.dose.ok || result.gates.some((g) => g.strength === 'stop')) return;
        put('treatment_plan', {
          id: v7(),
          company_id: company,
          tree_id: treeId,
          label_id: labelIds.get(labelKey),
          use_key: use.key,
          condition_id: condition.id,
          facts: sql.json(choices(today) as never),
          document: 2,
          result: sql.json(result as never),
          result_us: sql.json(us as never),
          released: sql.json(
            Object.fromEntries(
              result.gates.filter((g) => g.strength === 'hold').map((g) => [g.id, 'Agreed with the client']),
            ),
          ),
          price: weighed && sql.json(priced(weighed, weighing) as never),
          state: 'open',
          at: at(ago(3)),
          by_person: arborist,
        });
      };
      const turn = Math.floor(n / 3);
      if (condition.id === 'elm-leaf-beetle') {
        if (turn === 1) apply('training-01-drench', '25-118', ago(398));
        if (turn === 2) apply('training-01-drench', '26-031', ago(70));
        if (turn === 4 || turn === 6) planOnly('training-01-drench');
        if (turn === 8) apply('training-01-drench', '26-031', ago(9));
      }
      if (condition.id === 'dutch-elm-disease') {
        if (turn % 3 !== 2)
          apply('training-02-elm-infusion', 'E-77', seasonDay(`06-${String(10 + turn).padStart(2, '0')}`, 1));
        else apply('training-02-elm-infusion', 'E-77', seasonDay('06-24', 0));
      }
      if (condition.id === 'hemlock-woolly-adelgid') {
        if (n % 4 === 0) apply('training-01-drench', '25-118', ago(380));
        else if (n % 6 === 2) planOnly('training-01-drench');
      }
      if (condition.id === 'iron-shortage') apply('training-06-iron', 'FE-16', seasonDay('06-05', i % 2));
    }
  }
}

/** The birches of the school have their programme: laid by the command itself, for the days to come. */
async function assignToBirches() {
  const [birches] = await sql<{ companyId: string; siteId: string; personId: string; treeIds: string[] }[]>`
    select t.company_id as "companyId", t.site_id as "siteId", array_agg(t.id order by t.walk_order) as "treeIds",
      (
        select w.id
        from person w
        where w.company_id = t.company_id and w.role = 'owner'
        order by w.id
        limit 1) as "personId"
    from tree t
    join site p on p.id = t.site_id and p.name = 'School grounds'
    where t.host_id = 'silver-birch'
    group by 1, 2`;
  if (!birches) return;
  const viewer = (await loadViewer(birches))!;
  const estuary = simulatedStation(7, { climate: CLIMATES.estuary, lat: 50 });
  const answer = await perform(
    assignProgramme,
    { viewer, receivedAt: clockNow(), station: () => estuary },
    {
      id: v7(),
      programme: 'birch-borer',
      siteId: birches.siteId,
      treeIds: birches.treeIds,
      from: today,
      until: dayAfter(dayAfter(today, 2, 'years'), -1, 'days'),
      reason: 'The school wants them kept.',
    },
  );
  if (!answer.ok) throw new Error(answer.issues.map((f) => f.message).join(' '));
}

/** The owner has read the region's profile against the rules in force: it ships signed by nobody. */
async function signRules() {
  const owners = await sql<{ companyId: string; personId: string }[]>`
    select distinct on (company_id) company_id as "companyId", id as "personId"
    from person
    where role = 'owner'
    order by company_id, id`;
  for (const scope of owners) {
    const viewer = (await loadViewer(scope))!;
    const estuary = simulatedStation(7, { climate: CLIMATES.estuary, lat: 50 });
    const answer = await perform(
      checkRegion,
      { viewer, receivedAt: clockNow(), station: () => estuary },
      { against: 'The made-up rules of the sample' },
    );
    if (!answer.ok) throw new Error(answer.issues.map((f) => f.message).join(' '));
  }
}

/** The orchard is divided by its rows, and has something to come back for and something left to its owner. */
async function divideOrchard() {
  const [orchard] = await sql<{ companyId: string; siteId: string; personId: string; tags: string[] }[]>`
    select t.company_id as "companyId", t.site_id as "siteId", array_agg(t.tag order by t.walk_order) as tags,
      (
        select w.id
        from person w
        where w.company_id = t.company_id and w.role = 'owner'
        order by w.id
        limit 1) as "personId"
    from tree t
    join site p on p.id = t.site_id and p.name = 'Ferry orchard'
    group by 1, 2`;
  if (!orchard) return;
  const { siteId, tags } = orchard;
  const viewer = (await loadViewer(orchard))!;
  const estuary = simulatedStation(7, { climate: CLIMATES.estuary, lat: 50 });
  const performed = async <S extends z.ZodType, T>(verb: Command<S, T>, input: unknown) => {
    const answer = await perform(verb, { viewer, receivedAt: clockNow(), station: () => estuary }, input);
    if (!answer.ok) throw new Error(answer.issues.map((f) => f.message).join(' '));
  };
  const third = Math.ceil(tags.length / 3);
  for (const [i, section] of ['River row', 'Middle row', 'Lane row'].entries()) {
    const row = tags.slice(i * third, (i + 1) * third);
    if (row.length) await performed(setSection, { siteId, section, tags: row.join(', ') });
  }
  await performed(addTask, {
    id: v7(),
    siteId,
    who: 'client',
    what: 'Gather the fallen apples under all rows',
    instructions: 'All of them, the rotten ones too, within the week; into the bins by the gate, not on the heap.',
    due: dayAfter(today, 9, 'days'),
  });
  await performed(addTask, {
    id: v7(),
    siteId,
    who: 'company',
    what: 'Look at the ties before the gales',
    due: dayAfter(today, 20, 'days'),
  });
}

/** The next day on which the crew of the quay goes out has its round: the avenue, then the ravine. */
async function putOnADay() {
  const [quay] = await sql<
    { companyId: string; personId: string; crewId: string; hours: HoursRule[]; ids: string[] }[]
  >`
    select c.company_id as "companyId", c.id as "crewId", c.hours,
      (
        select w.id
        from person w
        where w.company_id = c.company_id and w.role = 'owner'
        order by w.id
        limit 1) as "personId",
      array(
        select n.id
        from treatment_plan n
        join tree t on t.id = n.tree_id
        join site p on p.id = t.site_id and p.name in ('Quay Avenue', 'Well field ravine')
        where n.company_id = c.company_id and n.state = 'open' and n.planned_for is null
        order by p.name, t.walk_order) as ids
    from crew c
    where c.name = ${crews[0]!.name}
    order by c.id
    limit 1`;
  const day = Array.from({ length: 7 }, (_, i) => dayAfter(today, i, 'days')).find(
    (d) => quay && hoursOn(quay.hours, d, null).length,
  );
  if (!quay?.ids.length || !day) return;
  const viewer = (await loadViewer(quay))!;
  const estuary = simulatedStation(7, { climate: CLIMATES.estuary, lat: 50 });
  // Whatever the weather: it is said on the page of the round, and the crew knows what to do.
  const answer = await perform(
    addToDay,
    { viewer, receivedAt: clockNow(), station: () => estuary },
    { day, crewId: quay.crewId, itemIds: quay.ids, anyway: true },
  );
  if (!answer.ok) throw new Error(answer.issues.map((f) => f.message).join(' '));
}

/** Tables in an order in which each finds what it belongs to. */
const TABLES = [
  'company',
  'person',
  'crew',
  'crew_person',
  'client',
  'site',
  'gate_code',
  'tree',
  'stage_note',
  'measurement',
  'inspection',
  'finding',
  'test_result',
  'plan_change',
  'diagnosis',
  'label',
  'label_check',
  'vessel',
  'sprayer',
  'lot',
  'equipment',
  'stock_level',
  'treatment_plan',
  'work_plan',
  'record',
  'stock_move',
  'follow_up',
];

async function main() {
  if ((await sql`select from company limit 1`).length) return console.log('The sample company is there already.');
  const hash = await hashPassword(SAMPLE_PASSWORD);
  loadCompany({ name: 'Oxmere Tree Care', region: 'estuary', samples: places, staff: [...samplePeople], hash });
  loadCompany({
    name: 'Fellside Boughs',
    region: 'upland',
    samples: [
      {
        ...places[0]!,
        client: 'Fellside Parish',
        name: 'Beck Walk',
        address: 'Beck Walk, Fellside',
        gateCode: 'F-9',
        trees: { ...places[0]!.trees, count: 6 },
      },
    ],
    staff: samplePeople.map((p) => ({
      ...p,
      name: p.name.split(' ')[0] + ' Birkrigg',
      email: p.email.replace('oxmere', 'fellside'),
      licence: p.licence && p.licence.replace('ED', 'UP'),
    })),
    hash,
  });
  const forgotten = Object.keys(rows).filter((t) => !TABLES.includes(t));
  if (forgotten.length) throw new Error(`No place in the order for ${forgotten.join(', ')}.`);
  await sql.begin(async (tx) => {
    for (const table of TABLES)
      for (let i = 0; i < (rows[table]?.length ?? 0); i += 400) {
        const part = rows[table]!.slice(i, i + 400);
        const columns = [...new Set(part.flatMap((r) => Object.keys(r)))];
        await tx`insert into ${tx(table)} ${tx(part.map((r) => Object.fromEntries(columns.map((c) => [c, r[c] ?? null]))) as never)}`;
      }
  });
  await assignToBirches();
  await divideOrchard();
  await signRules();
  await putOnADay();
  console.log(
    `Loaded ${rows.tree!.length} trees at ${rows.site!.length} places, ${rows.record!.length} records, ${rows.follow_up!.length} follow-ups.`,
  );
}

main()
  .catch((error) => {
    console.error(error);
    process.exitCode = 1;
  })
  .finally(() => Promise.all([sql.end(), db().end()]));
