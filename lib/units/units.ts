/**
 * Units of the trade. Everything is computed in cm, mL, g, m² and °C; these tables bring typed units in and out.
 * Source of the constants: the international inch and pound, and the US gallon of 231 cubic inches.
 */
declare const brand: unique symbol;
type Branded<B extends string> = number & { readonly [brand]?: B };

/** Length in centimetres. */
export type Cm = Branded<'cm'>;
/** Volume in millilitres. */
export type Ml = Branded<'mL'>;
/** Mass in grams. */
export type Grams = Branded<'g'>;
/** Area in square metres. */
export type SquareM = Branded<'m²'>;

export const CM_PER_IN = 2.54;
export const ML_PER_FL_OZ = 29.5735295625;
export const ML_PER_GAL = 3785.411784;
const G_PER_OZ = 28.349523125;
const G_PER_LB = 453.59237;
const M2_PER_ACRE = 4046.8564224;
const M2_PER_FT2 = 0.09290304;

export const LENGTH = { mm: 0.1, cm: 1, m: 100, in: CM_PER_IN, ft: 12 * CM_PER_IN } as const;
export const VOLUME = {
  mL: 1,
  L: 1000,
  tsp: ML_PER_FL_OZ / 6,
  'fl oz': ML_PER_FL_OZ,
  pt: ML_PER_GAL / 8,
  qt: ML_PER_GAL / 4,
  gal: ML_PER_GAL,
} as const;
export const MASS = { mg: 0.001, g: 1, kg: 1000, oz: G_PER_OZ, lb: G_PER_LB } as const;
export const AREA = {
  'm²': 1,
  ha: 10_000,
  'ft²': M2_PER_FT2,
  '1000 ft²': 1000 * M2_PER_FT2,
  acre: M2_PER_ACRE,
} as const;

export type LengthUnit = keyof typeof LENGTH;
export type VolumeUnit = keyof typeof VOLUME;
export type MassUnit = keyof typeof MASS;
export type AreaUnit = keyof typeof AREA;
/** What a person reads: metric, or US customary. */
/** The same thing told in either system of units, for whoever reads it. */
export interface Told<T> {
  metric: T;
  us: T;
}
/** Tells a thing in both systems. @example told((system) => showTrunk(40, system).text) // { metric: '40.0 cm', us: '15.7 in' } */
export const told = <T>(tell: (system: UnitSystem) => T): Told<T> => ({ metric: tell('metric'), us: tell('us') });

export type UnitSystem = 'metric' | 'us';

export interface Length {
  value: number;
  unit: LengthUnit;
}
export const toCm = (q: Length): Cm => q.value * LENGTH[q.unit];
export const isVolume = (unit: string): unit is VolumeUnit => unit in VOLUME;
const SMALL_UNITS = {
  metric: { volume: 'mL', mass: 'g' },
  us: { volume: 'fl oz', mass: 'oz' },
} as const;
/** The small unit in which a person types an amount of product. */
export const smallUnit = (dimension: 'volume' | 'mass', system: UnitSystem) => SMALL_UNITS[system][dimension];
export const toMl = (value: number, unit: VolumeUnit): Ml => value * VOLUME[unit];
export const toGrams = (value: number, unit: MassUnit): Grams => value * MASS[unit];
export const toM2 = (value: number, unit: AreaUnit): SquareM => value * AREA[unit];

/** An amount in its base unit: mL when `unit` is a volume, g when it is a mass. */
export const toBase = (value: number, unit: VolumeUnit | MassUnit): number =>
  isVolume(unit) ? toMl(value, unit) : toGrams(value, unit);

/** Figures as people read them: at most `digits` significant, never in exponent form, no trailing zeros. */
export function figure(value: number, digits = 4): string {
  if (!Number.isFinite(value)) return '–';
  const rounded = Number(value.toPrecision(digits));
  return (Math.abs(rounded) >= 10_000 ? grouped : plain).format(rounded);
}
// Made once: a formatter costs more than all the arithmetic of a dose.
const plain = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 6, useGrouping: false });
const grouped = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 6 });

export interface Shown {
  value: string;
  unit: string;
  text: string;
}
const shown = (value: number, unit: string, digits?: number): Shown => {
  const text = figure(value, digits);
  return { value: text, unit, text: `${text} ${unit}` };
};

/** A trunk or tape length in the reader's unit: cm or in, to a tenth. */
export function showTrunk(cm: Cm, system: UnitSystem): Shown {
  const value = system === 'us' ? cm / CM_PER_IN : cm;
  const text = (Math.round(value * 10) / 10).toFixed(1);
  const unit = system === 'us' ? 'in' : 'cm';
  return { value: text, unit, text: `${text} ${unit}` };
}
/** A drill bit, a depth of water or of rain: mm, or in. */
export const showFine = (mm: number, system: UnitSystem): Shown =>
  system === 'us' ? shown(mm / 25.4, 'in', 2) : shown(mm, 'mm', 3);
/** A height or distance: m or ft. */
export const showDistance = (m: number, system: UnitSystem): Shown =>
  system === 'us' ? shown((m * 100) / LENGTH.ft, 'ft', 3) : shown(m, 'm', 3);

/** A liquid: mL and L, or fl oz and gal. Four significant figures unless asked otherwise. */
export function showVolume(ml: Ml, system: UnitSystem, digits = 4): Shown {
  if (system === 'us')
    return ml >= ML_PER_GAL / 2 ? shown(ml / ML_PER_GAL, 'gal', digits) : shown(ml / ML_PER_FL_OZ, 'fl oz', digits);
  return ml >= 1000 ? shown(ml / 1000, 'L', digits) : shown(ml, 'mL', digits);
}
/** What a can or tank is filled up to with water, to a mark that it has: 0.1 L or 10 mL, 0.05 gal or half a fl oz. */
export function showFill(ml: Ml, system: UnitSystem): Shown {
  const marks =
    system === 'us'
      ? [...(ml >= ML_PER_GAL / 2 ? [ML_PER_GAL / 20] : []), ML_PER_FL_OZ / 2, ML_PER_FL_OZ / 8]
      : [...(ml >= 1000 ? [100, 50] : []), 10, 5, 1];
  // The coarsest mark that keeps the mix within one percent of its strength.
  const near = (mark: number) => Math.round(ml / mark) * mark;
  const mark = marks.find((m) => Math.abs(near(m) - ml) <= 0.01 * ml);
  return showVolume(mark === undefined ? ml : near(mark), system);
}
/** A mass: g and kg, or oz and lb. */
export function showMass(g: Grams, system: UnitSystem, digits = 4): Shown {
  if (system === 'us') return g >= G_PER_LB ? shown(g / G_PER_LB, 'lb', digits) : shown(g / G_PER_OZ, 'oz', digits);
  return g >= 1000 ? shown(g / 1000, 'kg', digits) : shown(g, 'g', digits);
}
export const showAmount = (value: number, dimension: 'volume' | 'mass', system: UnitSystem, digits = 4): Shown =>
  dimension === 'volume' ? showVolume(value, system, digits) : showMass(value, system, digits);
export const showArea = (m2: SquareM, system: UnitSystem): Shown =>
  system === 'us' ? shown(m2 / M2_PER_FT2, 'ft²', 3) : shown(m2, 'm²', 3);
export const showTemperature = (c: number, system: UnitSystem): string =>
  system === 'us' ? `${Math.round(c * 1.8 + 32)} °F` : `${Math.round(c)} °C`;
export const showWind = (ms: number, system: UnitSystem): string =>
  system === 'us' ? `${(ms * 2.23694).toFixed(0)} mph` : `${ms.toFixed(1)} m/s`;
