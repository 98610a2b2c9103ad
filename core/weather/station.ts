import type { LocalDate, Instant } from '../../lib/calendar/zone';
import type { Weather } from './air';

/** An hour of weather as a sensor or a forecast gives it. */
export interface Hour {
  /** Beginning of the hour, as an instant. */
  at: Instant;
  temperatureC: number;
  rainMm: number;
  /** Relative humidity, %. */
  humidity: number;
  /** Mean wind, m/s, where it is measured. */
  windMs?: number | undefined;
  /** What a leaf-wetness sensor says; where there is none, rain and humidity tell. */
  wet?: boolean | undefined;
  /** The sun is out. */
  sun?: boolean | undefined;
}

/** A calendar day of a place: lowest and highest temperature, °C, and rain, mm. */
export interface WeatherDay {
  day: LocalDate;
  min: number;
  max: number;
  rainMm: number;
}

/** What may come: several equally likely courses of the hours after `from`, all of one length. */
export interface Forecast {
  /** Beginning of the first hour. */
  from: string;
  members: Hour[][];
}

/**
 * What Elmhorn asks of a weather station and the forecast for its place. A real one takes the place of the simulated one
 * behind this; docs/weather.md says how.
 */
export interface WeatherStation {
  name: string;
  /**
   * What stands behind its figures: an instrument, the simulation of the demo, or nothing but the usual year of the climate. The
   * last tells no hour and forecasts nothing; its days are what is usual, and whoever reads of them is told so.
   */
  basis: 'measured' | 'simulated' | 'usual';
  /** The hour that holds an instant, with the rain that is expected after it; nothing of it is known where nothing measures. */
  at(instant: Date): Weather;
  /** Measured hours, in order and without gaps, from the hour that holds `from` to the one before `to`; none where nothing measures. */
  hours(from: Date, to: Date): Hour[];
  /**
   * What may come in the ten days after an instant; at least 20 members, so that their spread means something, or none where
   * nobody forecasts.
   */
  forecast(issued: Date): Forecast;
  /** Days of a place's own calendar, first and last included: measured, or as they usually are. */
  days(from: LocalDate, to: LocalDate, timeZone: string): WeatherDay[];
  /** Other years that stand for what may come: the same days of so many of them, each as `days` gives them. */
  years(from: LocalDate, to: LocalDate, timeZone: string, count: number): WeatherDay[][];
}

/** Where a station is wanted for: the nearest one serves. */
export interface Spot {
  lat: number | null;
  lon: number | null;
}
export type StationFor = (spot: Spot) => WeatherStation;
