/** Degrees clockwise from north, 0 to 360. */
export type Bearing = number;

/** A stretch of trunk that must not be drilled: a wound, a canker, dead bark, a valley between flares. */
export interface Arc {
  kind: 'wound' | 'dead-bark' | 'canker' | 'valley' | 'inclusion';
  from: Bearing;
  to: Bearing;
}

/** A root flare: where it stands out of the trunk, and how strongly, 0 to 1. Sap rises above it. */
export interface Flare {
  bearing: Bearing;
  strength: number;
}
