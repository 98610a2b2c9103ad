import type { StationFor } from '@/core/weather/station';
import { CLIMATES } from './climates';
import { simulatedStation } from './station';

const station = simulatedStation(7, { climate: CLIMATES.settled });
/** One station for every spot, in a long fair spell: where what is tried is not the weather. */
export const fair: StationFor = () => station;
