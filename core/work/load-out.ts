import { cuttingList } from '../guard/guard';
import { DEVICES, type Device, type Method } from '../label/methods';
import {
  showAmount,
  showDistance,
  showFine,
  showTrunk,
  showVolume,
  toMl,
  type Cm,
  type Ml,
  type UnitSystem,
  type VolumeUnit,
} from '../../lib/units/units';
import type { WorkSheet } from './work';

/** What a company owns beside products, vessels and sprayers. */
export const EQUIPMENT_KINDS = ['bit', ...DEVICES, 'drill', 'probe', 'tool'] as const;
export type EquipmentKind = (typeof EQUIPMENT_KINDS)[number];
export interface Equipment {
  id: string;
  kind: EquipmentKind;
  name: string;
  /** Bits: diameter, mm. */
  sizeMm: number | null;
  holdsMl: Ml | null;
  count: number;
  checkedOn: string | null;
}

/** One sheet that waits for a crew. */
export interface SheetToLoad {
  tag: string;
  labelKey: string;
  labelName: string;
  method: Method;
  unit: 'volume' | 'mass';
  product: number;
  mixMl: Ml | null;
  /** Stock solution made from it; null where it is not made up first. */
  stockMl: Ml | null;
  sites: number | null;
  /** Holes of a soil probe. */
  holes: number | null;
  drillMm: number | null;
  device: Device | null;
  deviceHolds: { value: number; unit: VolumeUnit } | null;
  girthCm: Cm | null;
  inStations: boolean;
  protection: readonly string[];
}
export interface LoadLine {
  what: string;
  amount: string;
  /** What is wanted and owned, when the equipment on the shelf tells that it does not reach. */
  short?: string;
}
export interface LoadGroup {
  title: string;
  lines: LoadLine[];
}

/** Practice figures: a bit for so many holes before it tears bark; a spare of every ten devices; hose beyond the girth. */
const HOLES_A_BIT = 30;
const SPARE = 0.1;
const HOSE_TO_TANK_M = 3;
/** A roll of mesh as it is sold, cm. */
export const MESH_ROLL = { length: 1000, height: 150 };

const DEVICE_NAMES: Record<Device, string> = {
  capsule: 'Capsules',
  'pressure bottle': 'Pressure bottles',
  'low-pressure bottle': 'Low-pressure bottles',
  'tee infusion': 'Tees',
};
/** What a method needs beside product, vessels and protection; each is one for the crew, however many trees. */
const TOOLS: Partial<Record<Method, readonly string[]>> = {
  'trunk-injection': [
    'Drill, two charged batteries, depth stop',
    'Mallet, pliers for pulling',
    'Bark chisel, clean rag',
  ],
  'soil-drench': ['Two buckets or cans', 'Hand rake and trowel for the basin'],
  'soil-injection': ['Soil probe with pump and hose', 'Pegs and line for the grid'],
  'root-zone-feeding': ['Spreader, scale', 'Rake'],
  'bark-spray': ['Sprayer at low pressure, coarse nozzle', 'Wind meter', 'Sheet for the ground'],
  'foliar-spray': ['Sprayer, lance, spare nozzle', 'Wind meter', 'Barrier tape'],
  'dormant-spray': ['Sprayer, lance, spare nozzle', 'Wind meter', 'Barrier tape'],
  dust: ['Hand duster', 'Wind meter'],
  repellent: ['Hand sprayer or brush'],
};
const ALWAYS = [
  'Labels in hand and data sheets',
  'Measuring vessels kept for pesticides',
  '70 % alcohol for bits and blades, clean rags',
  'Clean water, soap, eye wash',
  'Spill kit, first aid, telephone numbers',
  'Barrier tape and signs',
  'Girth tape, compass, chalk, tags or paint',
];

const sum = <T>(of: readonly T[], f: (x: T) => number) => of.reduce((a, x) => a + f(x), 0);
/** The things that share a key, in the order they came; what has none is left out. */
export const groupBy = <T, K>(of: readonly T[], f: (x: T) => K | null): Map<K, T[]> => {
  const out = new Map<K, T[]>();
  for (const x of of) {
    const k = f(x);
    if (k === null) continue;
    const group = out.get(k);
    if (group) group.push(x);
    else out.set(k, [x]);
  }
  return out;
};

/** Amounts of the same thing for several trees as one line: added up where they share a unit, else one after the other. */
function together(parts: readonly { tag: string; amount: string }[]): string {
  const read = parts.map((p) => /^(\d+(?:\.\d+)?)\s*([^\d]*)$/.exec(p.amount));
  const tags = parts.length > 1 ? ` (${parts.map((p) => p.tag).join(', ')})` : '';
  if (read.every((r) => r && r[2] === read[0]![2])) {
    // One set serves every tree; what is counted or measured adds up.
    const unit = read[0]![2]!.trim();
    const total = unit === 'set' || unit === 'each' ? 1 : sum(read, (r) => Number(r![1]));
    return `${Number(total.toPrecision(6))} ${unit}`.trim() + tags;
  }
  return parts.map((p) => (parts.length > 1 ? `${p.amount} (${p.tag})` : p.amount)).join('; ');
}

/** A product with what the shelf has of it, and the stock solution that is made from it. */
function productLines(
  of: readonly SheetToLoad[],
  system: UnitSystem,
  stock: ReadonlyMap<string, number> | null,
): LoadLine[] {
  const { labelKey, labelName, unit } = of[0]!;
  const wanted = sum(of, (s) => s.product);
  const have = stock ? (stock.get(labelKey) ?? 0) : null;
  const stockMl = sum(of, (s) => s.stockMl ?? 0);
  return [
    {
      what: labelName,
      amount: showAmount(wanted, unit, system).text,
      ...(have !== null && have < wanted - 1e-9
        ? { short: `the shelf has ${have > 0 ? showAmount(have, unit, system).text : 'none'} that has not expired` }
        : {}),
    },
    ...(stockMl > 0 ? [{ what: `Stock made from it: ${labelName}`, amount: showVolume(stockMl, system).text }] : []),
  ];
}

/**
 * What goes onto the truck for sheets and works: products, water, devices with spares, bits, tools by method, mesh as a
 * cutting list, what to wear, what is always there. What the shelf cannot give says so.
 * @param stock how much of each product is on hand and has not expired, by its key; null where nobody asks
 */
export function loadOut(
  sheets: readonly SheetToLoad[],
  works: readonly { tag: string; sheet: Pick<WorkSheet, 'take' | 'cut'> }[],
  equipment: readonly Equipment[],
  system: UnitSystem,
  stock: ReadonlyMap<string, number> | null = null,
): LoadGroup[] {
  const owned = (kind: EquipmentKind, sizeMm?: number) => {
    const of = equipment.filter((e) => e.kind === kind && (sizeMm === undefined || e.sizeMm === sizeMm));
    return equipment.some((e) => e.kind === kind) ? sum(of, (e) => e.count) : null;
  };
  const line = (what: string, amount: string, wanted = 0, have: number | null = null): LoadLine => ({
    what,
    amount,
    ...(have !== null && have < wanted ? { short: `the shelf has ${have}` } : {}),
  });
  const products = [...groupBy(sheets, (s) => s.labelKey).values()].flatMap((of) => productLines(of, system, stock));
  const mix = sum(
    sheets,
    (s) => s.mixMl ?? (s.stockMl === null ? 0 : s.stockMl - (s.unit === 'volume' ? s.product : 0)),
  );
  if (mix > 0) products.push(line('Water', showVolume(mix, system).text));

  const injections = sheets.filter((s) => s.method === 'trunk-injection');
  const devices = [...groupBy(injections, (s) => s.device)].flatMap(([device, of]) => {
    const all = sum(of, (s) => s.sites ?? 0);
    const largest = Math.max(...of.map((s) => s.sites ?? 0));
    const holds = of[0]!.deviceHolds
      ? `, ${showVolume(toMl(of[0]!.deviceHolds.value, of[0]!.deviceHolds.unit), system).text} each`
      : '';
    const spare = Math.max(1, Math.ceil(SPARE * all));
    // A capsule stays with its tree; a bottle or a tee goes on to the next one once it is empty.
    return device === 'capsule'
      ? [line(`${DEVICE_NAMES[device]}${holds}`, `${all} + ${spare} spare`, all + spare, owned(device))]
      : [
          line(
            `${DEVICE_NAMES[device]}${holds}`,
            of.length > 1 ? `${all}; at least ${largest}, moved on when empty` : `${all} + ${spare} spare`,
            largest,
            owned(device),
          ),
          ...(device === 'tee infusion'
            ? [
                line(
                  'Hose around the largest trunk and to the tank',
                  showDistance(Math.max(...of.map((s) => (s.girthCm ?? 0) / 100)) + HOSE_TO_TANK_M, system).text,
                ),
              ]
            : []),
        ];
  });
  const bits = [...groupBy(injections, (s) => s.drillMm)].map(([mm, of]) => {
    const wanted = Math.ceil(sum(of, (s) => s.sites ?? 0) / HOLES_A_BIT) + 1;
    return line(`Bits ${showFine(mm, system).text}, sharp and clean`, `${wanted}`, wanted, owned('bit', mm));
  });
  const holes = sum(sheets, (s) => s.holes ?? 0);
  const tools = [
    ...[...new Set(sheets.map((s) => s.method))].flatMap((m) => TOOLS[m] ?? []),
    ...(sheets.some((s) => s.inStations) ? ['Locked bait stations, anchors, warning labels'] : []),
  ].map((what) =>
    line(
      what,
      what.startsWith('Soil probe') && holes ? `${holes} holes` : '',
      1,
      what.startsWith('Drill') ? owned('drill') : what.startsWith('Soil probe') ? owned('probe') : null,
    ),
  );
  const take = [
    ...groupBy(
      works.flatMap((w) => w.sheet.take.flatMap((t) => (t.cut ? [] : [{ ...t, tag: w.tag }]))),
      (t) => t.what,
    ),
  ].map(([what, of]) => line(what, together(of)));
  const pieces = works.flatMap((w) => (w.sheet.cut ? [{ tree: w.tag, ...w.sheet.cut }] : []));
  const cut = cuttingList(pieces, MESH_ROLL);
  const mesh = [
    ...cut.rolls.map((r, i) =>
      line(
        `Roll ${i + 1}, ${showTrunk(r.left, system).text} left over`,
        r.pieces
          .map((p) => `${p.tree}: ${showTrunk(p.length, system).text} × ${showTrunk(p.height, system).text}`)
          .join('; '),
      ),
    ),
    ...cut.tooLarge.map((t) => line(`${t.tree}: no roll gives it`, t.why)),
  ];
  return [
    { title: 'Products', lines: products },
    { title: 'Devices and bits', lines: [...devices, ...bits] },
    { title: 'Tools', lines: [...tools, ...take] },
    {
      title: `Mesh, cut from rolls of ${showDistance(MESH_ROLL.length / 100, system).text} × ${showDistance(MESH_ROLL.height / 100, system).text}`,
      lines: mesh,
    },
    { title: 'To wear', lines: [...new Set(sheets.flatMap((s) => s.protection))].map((what) => line(what, '')) },
    { title: 'Always', lines: sheets.length + works.length ? ALWAYS.map((what) => line(what, '')) : [] },
  ].filter((g) => g.lines.length);
}

/**
 * The order of a day on one place: sound trees before sick ones, as bits and blades carry what they touch; else as they
 * stand in the row.
 * @returns the stops, and how many of them come before bits and blades are changed; 0 where all are of one kind
 */
export function dayOrder<T extends { sound: boolean }>(stops: readonly T[]): { stops: T[]; soundFirst: number } {
  const sound = stops.filter((s) => s.sound);
  const sick = stops.filter((s) => !s.sound);
  return { stops: [...sound, ...sick], soundFirst: sick.length ? sound.length : 0 };
}
