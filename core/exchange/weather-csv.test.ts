import type { WeatherReading } from './weather-reading';
import fc from 'fast-check';
import { readTable } from './table';
import { guessWeather, readHours, weatherNamesIn } from './weather-csv';

const NOW = new Date('2026-12-01T00:00:00Z');
const read = (csv: string, more: Partial<WeatherReading> = {}, zone = 'Europe/London') => {
  const table = readTable(csv, weatherNamesIn);
  return readHours(table.rows, { ...guessWeather(table.headers), clock: 'place', ...more }, zone, NOW);
};

describe('what a station writes', () => {
  it('an hour a line, with the names that stations use', () => {
    expect(read('timestamp,air_temp_C,rain_mm,RH,wind_m/s\n2026-05-01 13:00,14.2,0.4,81,2.5')).toEqual({
      hours: [
        { at: '2026-05-01T12:00:00.000Z', temperatureC: 14.2, rainMm: 0.4, humidity: 81, windMs: 2.5, wet: null },
      ],
      gaps: [],
      issues: [],
    });
  });
  it('other units, decimal commas, dates with points, and a time in a column of its own', () => {
    const { hours, issues } = read(
      'Datum;Uhrzeit;Lufttemperatur;Niederschlag mm;Feuchte;Wind km/h;Blattnässe\n01.05.2026;13:00;14,2;0,4;81;9;1',
    );
    expect(issues).toEqual([]);
    expect(hours).toEqual([
      { at: '2026-05-01T12:00:00.000Z', temperatureC: 14.2, rainMm: 0.4, humidity: 81, windMs: 2.5, wet: true },
    ]);
    const us = read('Date,Temp °F,Rain in,RH,Wind mph\n2026-05-01T13:00Z,57.2,0.1,81,10');
    expect(us.hours[0]).toMatchObject({ at: '2026-05-01T13:00:00.000Z', rainMm: 2.54 });
    expect(us.hours[0]!.temperatureC).toBeCloseTo(14, 9);
    expect(us.hours[0]!.windMs).toBeCloseTo(4.4704, 6);
  });
  it('quarters of an hour become one: means, and the sum of the rain', () => {
    const { hours } = read(
      'time,temp,rain,rh\n2026-05-01T10:00Z,10,0.2,80\n2026-05-01T10:15Z,11,0,84\n2026-05-01T10:30Z,12,0.4,88\n2026-05-01T11:00Z,9,0,90',
    );
    expect(hours.map((h) => [h.at.slice(11, 16), h.temperatureC, Math.round(h.rainMm * 10) / 10, h.humidity])).toEqual([
      ['10:00', 11, 0.6, 84],
      ['11:00', 9, 0, 90],
    ]);
  });
  it('a missing stretch is told', () =>
    expect(read('time,temp,rain,rh\n2026-05-01T10:00Z,10,0,80\n2026-05-01T14:00Z,10,0,80').gaps).toEqual([
      { from: '2026-05-01T11:00:00.000Z', to: '2026-05-01T13:00:00.000Z', hours: 3 },
    ]));
  it('the hour that comes twice in autumn on the clock of the place is two hours; in UTC it is a fault', () => {
    const twice = 'time,temp,rain,rh\n2026-10-25 01:00,10,0,80\n2026-10-25 01:00,9,0,80\n2026-10-25 02:00,8,0,80';
    expect(read(twice).hours.map((h) => h.at.slice(11, 16))).toEqual(['00:00', '01:00', '02:00']);
    expect(read(twice, { clock: 'utc' }).issues).toEqual([
      { line: 3, column: 'time', message: 'This time stands in the file twice.' },
    ]);
  });
});

describe('what is not said is asked, and what cannot be is a fault with its line', () => {
  it.each<[string, string, Partial<WeatherReading>, RegExp]>([
    ['the clock', '2026-05-01 10:00,10,0,80', { clock: null }, /which clock/],
    ['day or month', '05/04/2026 10:00,10,0,80', {}, /day or the month/],
    ['no date', 'yesterday,10,0,80', {}, /no date and time/],
    ['a day that is not', '2026-02-30 10:00,10,0,80', {}, /does not exist/],
    ['a time to come', '2027-01-01T10:00Z,10,0,80', {}, /not come yet/],
    ['no temperature', '2026-05-01T10:00Z,,0,80', {}, /temperature is missing/],
    ['words', '2026-05-01T10:00Z,warm,0,80', {}, /plain number/],
    ['rain below zero', '2026-05-01T10:00Z,10,-1,80', {}, /rain cannot be less/],
    ['a unit that cannot be', '2026-05-01T10:00Z,72,0,80', {}, /look at the unit/],
  ])('%s', (_, line, more, sentence) => {
    const { issues } = read(`time,temp,rain,rh\n${line}`, more);
    expect(issues).toHaveLength(1);
    expect(issues[0]!.message).toMatch(sentence);
    expect(issues[0]!.line).toBe(2);
  });
  it('a day above twelve settles itself, and what was said settles the rest', () => {
    expect(read('time,temp,rain,rh\n25/04/2026 10:00,10,0,80').hours[0]!.at).toBe('2026-04-25T09:00:00.000Z');
    expect(read('time,temp,rain,rh\n04/25/2026 10:00,10,0,80').hours[0]!.at).toBe('2026-04-25T09:00:00.000Z');
    const both = 'time,temp,rain,rh\n05/04/2026 10:00,10,0,80';
    expect(read(both, { order: 'day' }).hours[0]!.at).toBe('2026-04-05T09:00:00.000Z');
    expect(read(both, { order: 'month' }).hours[0]!.at).toBe('2026-05-04T09:00:00.000Z');
  });
  it('a column that is needed and not there is named', () =>
    expect(read('time,temp\n2026-05-01T10:00Z,10').issues.map((f) => f.message)).toEqual([
      'Say which column is “rain”.',
      'Say which column is “relative humidity, %”.',
    ]));
  it('every row is in an hour or in a fault', () => {
    const cell = fc.oneof(
      fc.constantFrom('10', '', 'x', '1e9', '-3', '55'),
      fc.integer({ min: -20, max: 120 }).map(String),
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 30 }), (rows) => {
        const csv = `time,temp,rain,rh\n${rows.map((r, i) => `2026-05-${String(1 + Math.floor(i / 24)).padStart(2, '0')}T${String(i % 24).padStart(2, '0')}:00Z,${r.join(',')}`).join('\n')}`;
        const { hours, issues } = read(csv);
        const issueResponse = new Set(issues.map((f) => f.line));
        const good = rows.filter((_, i) => !issueResponse.has(i + 2)).length;
        expect(hours.length).toBe(rows.length);
        expect(good + issueResponse.size).toBe(rows.length);
      }),
    );
  });
});
