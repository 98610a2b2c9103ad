import type { Choices, TreatmentContext } from '@/core/gates/context';
import type { Label, LabelUse } from '@/core/label/schema';
import { scoreUse } from '@/core/prescribe/compare';
import { priced, stepOfUse } from '@/core/prescribe/costs';
import { prescribe, type Prescription } from '@/core/prescribe/prescribe';
import { UNSAID } from '@/core/prescribe/unsaid';
import { writeUp } from '@/core/records/write';
import type { OldSite } from '@/core/ring/ring';
import { findCondition, regionOf, trainingLabels } from '@/knowledge';
import { dayAfter } from '@/lib/calendar/days';
import type { LocalDate } from '@/lib/calendar/zone';
import { v7 } from 'uuid';
import type { SampleCompany } from './company';
import { ago, at, put, seasonDay, sql, station, today, ZONE } from './rows';
import type { SiteSample } from './scenario';
import type { SampleTree } from './tree';
import { yearOf } from '@/lib/calendar/months';

/** Grams of each active that the sample has put on a site, by year. */
export type SiteActives = Record<string, Record<string, number>>;

interface Worked {
  label: Label;
  use: LabelUse;
  result: Prescription;
  us: Prescription;
}
type Dosed = Extract<Prescription['dose'], { ok: true }>;

/** What was and will be put on one tree: it keeps what was done, so that the next treatment counts it. */
export class Treatments {
  private readonly earlier: TreatmentContext['earlier'] = [];
  private readonly oldSites: OldSite[] = [];
  private readonly condition;

  constructor(
    private readonly company: SampleCompany,
    private readonly site: { id: string; sample: SiteSample; actives: SiteActives },
    private readonly tree: SampleTree,
    private readonly reading: TreatmentContext['reading'],
  ) {
    this.condition = findCondition(tree.found?.condition ?? 'something-else')!;
  }

  /** Treats, or plans, what the tree’s turn in the sample asks for. */
  putAll() {
    const { index: i, turn: n } = this.tree;
    const turn = Math.floor(n / 3);
    if (this.condition.id === 'elm-leaf-beetle') {
      if (turn === 1) this.apply('training-01-drench', '25-118', ago(398));
      if (turn === 2) this.apply('training-01-drench', '26-031', ago(70));
      if (turn === 4 || turn === 6) this.plan('training-01-drench');
      if (turn === 8) this.apply('training-01-drench', '26-031', ago(9));
    }
    if (this.condition.id === 'dutch-elm-disease') {
      if (turn % 3 !== 2)
        this.apply('training-02-elm-infusion', 'E-77', seasonDay(`06-${String(10 + turn).padStart(2, '0')}`, 1));
      else this.apply('training-02-elm-infusion', 'E-77', seasonDay('06-24', 0));
    }
    if (this.condition.id === 'hemlock-woolly-adelgid') {
      if (n % 4 === 0) this.apply('training-01-drench', '25-118', ago(380));
      else if (n % 6 === 2) this.plan('training-01-drench');
    }
    if (this.condition.id === 'iron-shortage') this.apply('training-06-iron', 'FE-16', seasonDay('06-05', i % 2));
  }

  private context(day: LocalDate): TreatmentContext {
    const { company, site, tree } = this;
    const { host, found, confirmed } = tree;
    const p = site.sample;
    return {
      ...UNSAID,
      supervised: true,
      on: day,
      host,
      hostConfirmed: confirmed,
      condition: this.condition,
      certainty: found?.certainty ?? null,
      decision: found?.decision ?? null,
      crownLoss: found?.crownLoss ?? 2,
      vigour: found?.vigour ?? 'good',
      reading: this.reading,
      earlier: this.earlier,
      treeYearProduct: {},
      siteAreaM2: p.areaM2,
      siteYearActive: site.actives[yearOf(day)] ?? {},
      water: p.waterM === -1 ? 'none within 100 m' : p.waterM,
      harvest: null,
      soilTexture: p.soil,
      oldSites: this.oldSites,
      vessels: company.vessels,
      region: regionOf(company.region),
      licence: {
        number: company.crew.licence,
        categories: ['ornamental', 'tree injection'],
        expires: dayAfter(today, 14, 'months'),
      },
      checked: Object.fromEntries(trainingLabels.map((l) => [l.key, ago(60)])),
    };
  }

  private choices(day: LocalDate): Choices {
    const { host } = this.tree;
    const weather = station.at(at(day));
    return {
      soil: 'moist',
      said: { boundary: 'far enough', edibles: 'nothing', 'ground-bloom': 'nothing' } as const,
      leaf: host.evergreen || (day.slice(5) > '05-10' && day.slice(5) < '10-01') ? 'full' : 'leafless',
      temperatureC: weather.temperatureC,
      windMs: weather.windMs,
      rainNext24Mm: weather.rainNext24Mm,
    };
  }

  private work(labelKey: string, day: LocalDate): Worked {
    const label = trainingLabels.find((l) => l.key === labelKey)!;
    const use = label.uses.find((u) => u.targets.includes(this.condition.id)) ?? label.uses[0]!;
    const context = this.context(day);
    const result = prescribe(context, label, use, this.choices(day));
    const us = prescribe(context, label, use, { ...this.choices(day), system: 'us' });
    return { label, use, result, us };
  }

  private apply(labelKey: string, lotNumber: string, day: LocalDate) {
    const worked = this.work(labelKey, day);
    const { label, use, result } = worked;
    if (!result.dose.ok) return;
    const { company, site, tree } = this;
    const lot = company.lots.get(lotNumber)!;
    const id = v7();
    const start = at(day, 9 + (tree.index % 4));
    const end = new Date(start.getTime() + (25 + (tree.index % 5) * 7) * 60_000);
    const released = Object.fromEntries(
      result.gates.filter((g) => g.strength === 'hold').map((g) => [g.id, 'Seen and accepted on the spot']),
    );
    const up = this.writeUp({ id, worked, dose: result.dose, start, end, lot, released, day });
    if (!up.ok) throw new Error(`${tree.tag}: ${up.issues[0]?.message}`);
    const planId = this.putPlan(worked, { day, at: at(day, 8), state: 'done', released });
    put('record', {
      id,
      company_id: company.id,
      root_id: id,
      version: 1,
      tree_id: tree.id,
      site_id: site.id,
      plan_id: planId,
      label_key: labelKey,
      method: use.method,
      started_at: start,
      ended_at: end,
      done_on: up.doneOn,
      by_person: company.crew.id,
      written_by: company.crew.id,
      words: up.words,
      data: sql.json({ ...up.data, deviation: '' } as never),
    });
    put('stock_move', {
      id: v7(),
      company_id: company.id,
      lot_id: lot.id,
      amount: -result.dose.product,
      against: 'tree',
      reason: `used on ${tree.tag}, ${site.sample.name}`,
      record_id: id,
      at: end,
      by_person: company.crew.id,
    });
    lot.onHand -= result.dose.product;
    this.remember(label, use, result, result.dose, day);
    for (const followUp of up.followUps) this.putFollowUp(id, followUp);
  }

  private writeUp(of: {
    id: string;
    worked: Worked;
    dose: Dosed;
    start: Date;
    end: Date;
    lot: NonNullable<ReturnType<SampleCompany['lots']['get']>>;
    released: Record<string, string>;
    day: LocalDate;
  }) {
    const { id, worked, dose, start, end, lot, released, day } = of;
    const { label, use, result } = worked;
    const { company, site, tree } = this;
    const p = site.sample;
    return writeUp(
      {
        now: end,
        timeZone: ZONE,
        applicator: { id: company.crew.id, name: company.crew.name, licence: this.context(day).licence },
        beside: [],
        labelId: company.labelIds.get(label.key)!,
        label,
        use,
        step: stepOfUse(use, company.weighing),
        condition: this.condition,
        host: tree.host,
        tree: { id: tree.id, tag: tree.tag, lat: null, lon: null },
        place: { id: site.id, name: p.name, address: p.address, client: p.client },
        dose,
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
        amount: dose.product,
        lotId: lot.id,
        weather: station.at(start),
        soil: 'moist',
        said: {},
        released: {},
        withIds: [],
        protection: use.protection,
        deviation: 'Carried out as agreed with the client before the rule was entered.',
        mark: tree.index % 2 ? 'blue dot, north side' : 'yellow tag',
        note: '',
        photoIds: [],
      },
    );
  }

  /** What was done counts in what comes after: intervals, holes, and the actives of the site. */
  private remember(label: Label, use: LabelUse, result: Prescription, dose: Dosed, day: LocalDate) {
    this.earlier.push({ day, labelKey: label.key, actives: label.actives.map((a) => a.name) });
    for (const bearing of result.ring?.sites ?? [])
      this.oldSites.push({ bearing, heightCm: use.sites!.heightCm, year: yearOf(day) });
    const active = (this.site.actives[yearOf(day)] ??= {});
    for (const a of dose.actives) active[a.name] = (active[a.name] ?? 0) + a.grams;
  }

  private putFollowUp(
    rootId: string,
    followUp: Extract<ReturnType<typeof writeUp>, { ok: true }>['followUps'][number],
  ) {
    const past = followUp.due < ago(12) && followUp.kind !== 'treat-again';
    put('follow_up', {
      id: v7(),
      company_id: this.company.id,
      tree_id: this.tree.id,
      root_id: rootId,
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
      settled_by: past ? this.company.crew.id : null,
    });
  }

  private plan(labelKey: string) {
    const worked = this.work(labelKey, today);
    const { label, use, result } = worked;
    const { weighing } = this.company;
    const weighed = scoreUse({ label, use, result, held: 0, weighing });
    if (!result.dose.ok || result.gates.some((g) => g.strength === 'stop')) return;
    const released = Object.fromEntries(
      result.gates.filter((g) => g.strength === 'hold').map((g) => [g.id, 'Agreed with the client']),
    );
    const price = weighed && sql.json(priced(weighed, weighing) as never);
    this.putPlan(worked, { day: today, at: at(ago(3)), state: 'open', released, price });
  }

  private putPlan(
    { label, use, result, us }: Worked,
    of: { day: LocalDate; at: Date; state: 'open' | 'done'; released: Record<string, string>; price?: unknown },
  ): string {
    const id = v7();
    put('treatment_plan', {
      id,
      company_id: this.company.id,
      tree_id: this.tree.id,
      label_id: this.company.labelIds.get(label.key),
      use_key: use.key,
      condition_id: this.condition.id,
      facts: sql.json(this.choices(of.day) as never),
      document: 2,
      result: sql.json(result as never),
      result_us: sql.json(us as never),
      released: sql.json(of.released),
      price: of.price ?? null,
      state: of.state,
      at: of.at,
      by_person: this.company.arborist,
    });
    return id;
  }
}
