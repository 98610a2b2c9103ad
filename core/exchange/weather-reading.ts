import { z } from 'zod';
import { WEATHER_COLUMNS, type WeatherColumn } from './weather-csv';

const column = z.string().max(200).nullable();
/** How a station's file is to be read; what the file itself does not say is asked. Apart from what the browser runs. */
export const weatherReadingSchema = z.object({
  mapping: z.object(
    Object.fromEntries(WEATHER_COLUMNS.map((c) => [c, column])) as Record<WeatherColumn, typeof column>,
  ),
  temperature: z.enum(['C', 'F']),
  rain: z.enum(['mm', 'in']),
  wind: z.enum(['m/s', 'km/h', 'mph']),
  /** The clock of times without an offset; null while nobody has said. */
  clock: z.enum(['place', 'utc']).nullable(),
  /** What comes first in a date with strokes; null while nobody has said. */
  order: z.enum(['day', 'month']).nullable(),
});
export type WeatherReading = z.infer<typeof weatherReadingSchema>;
