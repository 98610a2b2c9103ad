import type { Dose } from '../dose/dose';
import type { Device } from '../label/methods';
import type { Label } from '../label/schema';
import type { Choices } from '../gates/context';
import { uptake } from '../ring/uptake';
import { soilState, type Weather } from '../weather/air';
import { fillOf, wentIn, type Removed } from './devices';

/** A plan as far as hanging it asks. */
export interface PlanWithDevices {
  label: Label;
  useKey: string;
  dose: Dose;
  /** The day it was planned for; what the leaf did when it was planned says nothing months later. */
  plannedFor: string | null;
  choices: Pick<Choices, 'leaf'>;
}
/** What is hung by a plan: so many devices with so much in each, and how long they are expected to take. */
export interface ToInstall {
  device: Device;
  count: number;
  putMl: number;
  expectedMinutes: number;
}

/** Less than this is left in every device. */
const LEAST_ML = 0.1;

/**
 * What is to be hung by a plan, in the air of the hour. What was pulled unfinished is hung again: the rest of the dose, never
 * more than it.
 * @param before what hung by it and was pulled
 */
export function toInstall(
  { label, useKey, dose, plannedFor, choices }: PlanWithDevices,
  before: readonly Removed[],
  weather: Weather,
): { ok: true; value: ToInstall } | { ok: false; sentence: string } {
  const device = label.uses.find((u) => u.key === useKey)?.sites?.device;
  if (!device || !dose.sites)
    return { ok: false, sentence: 'Nothing of this plan hangs: it brings the product in by another way.' };
  const whole = fillOf(dose);
  if (whole === null) return { ok: false, sentence: 'This plan says no volume that is hung.' };
  const fillMl = whole - wentIn(before);
  if (fillMl < LEAST_ML) return { ok: false, sentence: 'All of it went in already: write it up.' };
  // One vessel feeds all tees of a trunk; every capsule and bottle is its own.
  const count = device === 'tee infusion' ? 1 : dose.sites.count;
  const putMl = fillMl / count;
  const { minutes } = uptake({
    device,
    mlPerSite: putMl,
    temperatureC: weather.temperatureC,
    humidity: weather.humidity,
    soil: soilState(weather),
    leaf: plannedFor === null ? choices.leaf : null,
  });
  return { ok: true, value: { device, count, putMl, expectedMinutes: minutes } };
}
