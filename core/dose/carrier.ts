import { bandArea, waterDepth } from '../basin/basin';
import { pickClass, sizeBy } from '../label/match';
import type { Carrier } from '../label/schema';
import { figure, showVolume, toCm, toMl, type Cm, type Ml, type SquareM } from '../../lib/units/units';
import { noDose, type Dose, type DoseIssue, type Job } from './types';

export interface CarrierVolume {
  ml: Ml;
  sum: string;
  text: string;
  basin: SquareM | null;
}

/** The water that the label puts with the product; null where it goes neat. */
export function carrierVolume(carrier: Carrier, diameter: Cm): CarrierVolume | null | DoseIssue {
  switch (carrier.kind) {
    case 'none':
      return null;
    case 'fixed':
      return {
        ml: toMl(carrier.volume.value, carrier.volume.unit),
        sum: 'fixed on the label',
        text: carrier.text,
        basin: null,
      };
    case 'by-size': {
      const found = pickClass(carrier.classes, diameter, (a, b) =>
        toMl(a.value, a.unit) <= toMl(b.value, b.unit) ? a : b,
      );
      if (!found) return noDose('carrier', 'The label’s carrier table has no class for this size.');
      return {
        ml: toMl(found.entry.value, found.entry.unit),
        sum: `class ${found.name}`,
        text: carrier.text,
        basin: null,
      };
    }
    case 'per-size': {
      const size = sizeBy(carrier.by, diameter);
      const ml = (size / toCm(carrier.each)) * toMl(carrier.volume.value, carrier.volume.unit);
      return {
        ml,
        sum: `${figure(size)} cm ${carrier.by} × ${figure(carrier.volume.value)} ${carrier.volume.unit} per ${figure(carrier.each.value)} ${carrier.each.unit}`,
        text: carrier.text,
        basin: null,
      };
    }
    case 'wet-basin': {
      const basin = bandArea(diameter, carrier.innerCm, carrier.outerCm);
      return {
        ml: basin * carrier.mm * 1000,
        sum: `${figure(basin)} m² basin × ${figure(carrier.mm)} mm`,
        text: carrier.text,
        basin,
      };
    }
  }
}

/** What the tree gets in water: at least as much as the product itself, filled up to what the label says. */
export function filledUp(
  { use, input, system, steps }: Job,
  carrier: CarrierVolume | null,
  liquidMl: Ml,
): Dose['carrier'] {
  const spray = use.rate.basis.per === 'spray-volume' ? input.sprayVolumeMl! : null;
  const filled = spray
    ? { totalMl: spray, waterMl: Math.max(0, spray - liquidMl), mm: null, text: use.spray?.text ?? use.rate.text }
    : carrier && {
        totalMl: Math.max(carrier.ml, liquidMl),
        waterMl: Math.max(0, carrier.ml - liquidMl),
        mm: carrier.basin ? waterDepth(carrier.ml, carrier.basin) : null,
        text: carrier.text,
      };
  if (carrier && filled)
    steps.push({
      what: 'Fill with water to',
      sum: carrier.sum,
      result: showVolume(filled.totalMl, system).text,
      value: filled.totalMl,
      text: carrier.text,
    });
  return filled;
}
