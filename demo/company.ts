import { USUAL_PRICES } from '@/core/cost/prices';
import { USUAL_SCHOOLS } from '@/core/decide/schools';
import type { Weighing } from '@/core/gates/context';
import { isLiquid } from '@/core/label/liquid';
import { readHours } from '@/core/schedule/read-hours';
import type { Vessel } from '@/core/dose/vessels';
import { trainingLabels } from '@/knowledge';
import { dayAfter } from '@/lib/calendar/days';
import type { LocalDate } from '@/lib/calendar/zone';
import { v7 } from 'uuid';
import { ago, at, put, sql, today, ZONE } from './rows';
import { crews, equipment, levels, lots, sprayers, vessels, YARD } from './scenario';

export type Staff = { name: string; email: string; role: string; licence: string | null; units: string }[];

interface SampleLot {
  id: string;
  labelKey: string;
  lotNumber: string;
  expiresOn: LocalDate;
  onHand: number;
}

/** A sample company as its sites and trees need it. */
export interface SampleCompany {
  id: string;
  region: string;
  arborist: string;
  /** Who treated, by record. */
  crew: { id: string; name: string; licence: string };
  labelIds: ReadonlyMap<string, string>;
  vessels: Vessel[];
  lots: ReadonlyMap<string, SampleLot>;
  weighing: Weighing;
}

/** Hours of work as they are written, for a crew or a site. */
export function hoursOf(text: string) {
  const read = readHours(text);
  if (!read.ok) throw new Error(read.sentence);
  return sql.json(read.rules as never);
}

function putPeople(company: string, staff: Staff, hash: string): string[] {
  const ids = staff.map((p) => {
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
  for (const c of crews) {
    const people = ids.filter((_, i) => c.people.includes(staff[i]!.name));
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
  return ids;
}

/** Every training label, checked by the arborist but for two: those stop until somebody has. */
function putLabels(company: string, arborist: string): Map<string, string> {
  return new Map(
    trainingLabels.map((label) => {
      const id = v7();
      put('label', { id, company_id: company, key: label.key, version: label.version, data: sql.json(label as never) });
      if (!/0[78]/.test(label.key))
        put('label_check', { label_id: id, company_id: company, by_person: arborist, at: at(ago(60)) });
      return [label.key, id];
    }),
  );
}

/** Vessels, sprayers and tools. */
function putEquipment(company: string): Vessel[] {
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
  return vesselRows;
}

/** What the shelf holds, lot by lot; a bottle that leaked, and what a count found: stock never is as tidy as its book. */
function putStock(company: string, person: string): Map<string, SampleLot> {
  for (const l of levels) put('stock_level', { company_id: company, label_key: l.label, warn_below: l.below });
  const lotIds = new Map<string, SampleLot>();
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
      by_person: person,
    });
    const lost = l.number === 'OIL-4' ? { against: 'loss', amount: -750, reason: 'canister leaked in the van' } : null;
    if (lost)
      put('stock_move', {
        id: v7(),
        company_id: company,
        lot_id: id,
        ...lost,
        at: at(ago(120)),
        by_person: person,
      });
    lotIds.set(l.number, {
      id,
      labelKey: l.label,
      lotNumber: l.number,
      expiresOn,
      onHand: l.amount + (lost?.amount ?? 0),
    });
  }
  return lotIds;
}

/** A company with its people, crews, labels, tools and stock. */
export function putCompany(of: { name: string; region: string; staff: Staff; hash: string }): SampleCompany {
  const { name, region, staff, hash } = of;
  const id = v7();
  put('company', {
    id,
    name,
    region,
    time_zone: ZONE,
    breast_height_cm: 130,
    prices: sql.json({ ...USUAL_PRICES }),
  });
  const people = putPeople(id, staff, hash);
  const [arborist] = people as [string];
  return {
    id,
    region,
    arborist,
    crew: { id: people[2]!, name: staff[2]!.name, licence: staff[2]!.licence! },
    labelIds: putLabels(id, arborist),
    vessels: putEquipment(id),
    lots: putStock(id, arborist),
    weighing: {
      prices: USUAL_PRICES,
      system: 'metric',
      on: today,
      programme: null,
      school: USUAL_SCHOOLS.programme,
      options: null,
      south: false,
    },
  };
}
