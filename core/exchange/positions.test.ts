import { toDegrees } from './positions';
import { codeOf } from './systems';

// Worked by an independent projection library for the same points.
it.each([
  ['27700', 400000, 300000, -2.00143311551089, 52.5977924308338],
  ['2154', 652000, 6862000, 2.34581195868068, 48.8562481409627],
  ['28992', 121000, 487000, 4.88797076483178, 52.3698262098331],
  ['2056', 2600000, 1200000, 7.43863242087181, 46.9510827718711],
  ['2193', 1750000, 5430000, 174.7907800304, -41.2675073065693],
  ['32632', 691000, 5334000, 11.5670528741327, 48.1305704161896],
  ['32756', 334000, 6252000, 151.205514686936, -33.859261704504],
  ['2157', 715000, 734000, -6.272961149071, 53.3437139084455],
  ['3857', 500000, 6000000, 4.49157642059761, 47.3537047024331],
])('EPSG %s: %d, %d', (code, east, north, lon, lat) => {
  const at = toDegrees(code)!(east, north)!;
  // A tree is found within three metres, whichever shift between the datums is used.
  expect(Math.abs(at.lat - lat) * 111_320).toBeLessThan(3);
  expect(Math.abs(at.lon - lon) * 111_320 * Math.cos((lat * Math.PI) / 180)).toBeLessThan(3);
});

it('knows no system that it has not got, and no place outside the world', () => {
  expect(toDegrees('9999')).toBeNull();
  expect(toDegrees('constructor')).toBeNull();
  expect(toDegrees('32661')).toBeNull();
  expect(toDegrees('27700')!(Number.NaN, 0)).toBeNull();
});

it.each([
  ['EPSG:25832', '25832'],
  ['urn:ogc:def:crs:EPSG::27700', '27700'],
  ['http://www.opengis.net/def/crs/EPSG/0/2154', '2154'],
  ['local-metres', null],
])('%s is %s', (text, code) => expect(codeOf(text)).toBe(code));
