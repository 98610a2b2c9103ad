import { CLIMATES, simulatedStation, type WeatherStation } from '@/stand-ins/weather-station';

/** The station that serves this installation; a real one would be chosen here. */
export const station = (): WeatherStation => {
  const climate = process.env.ELMHORN_CLIMATE as keyof typeof CLIMATES | undefined;
  return simulatedStation(
    Number(process.env.ELMHORN_STATION_SEED ?? 7),
    CLIMATES[climate ?? 'sheltered'] ?? CLIMATES.sheltered,
  );
};
