/**
 * Coordinate systems that lists and plans come in, beside degrees, by their EPSG code, as published by their surveys.
 * UTM zones are worked out from their code.
 */
const SYSTEMS: Readonly<Record<string, { name: string; definition: string }>> = {
  '3857': { name: 'Web Mercator, metres', definition: 'EPSG:3857' },
  '27700': {
    name: 'British National Grid',
    definition:
      '+proj=tmerc +lat_0=49 +lon_0=-2 +k=0.9996012717 +x_0=400000 +y_0=-100000 +ellps=airy +towgs84=446.448,-125.157,542.06,0.15,0.247,0.842,-20.489 +units=m',
  },
  '2157': {
    name: 'Irish Transverse Mercator',
    definition: '+proj=tmerc +lat_0=53.5 +lon_0=-8 +k=0.99982 +x_0=600000 +y_0=750000 +ellps=GRS80 +units=m',
  },
  '2154': {
    name: 'Lambert 93, France',
    definition: '+proj=lcc +lat_0=46.5 +lon_0=3 +lat_1=49 +lat_2=44 +x_0=700000 +y_0=6600000 +ellps=GRS80 +units=m',
  },
  '28992': {
    name: 'RD, the Netherlands',
    definition:
      '+proj=sterea +lat_0=52.15616055555555 +lon_0=5.38763888888889 +k=0.9999079 +x_0=155000 +y_0=463000 +ellps=bessel +towgs84=565.417,50.3319,465.552,-0.398957,0.343988,-1.8774,4.0725 +units=m',
  },
  '2056': {
    name: 'LV95, Switzerland',
    definition:
      '+proj=somerc +lat_0=46.9524055555556 +lon_0=7.43958333333333 +k_0=1 +x_0=2600000 +y_0=1200000 +ellps=bessel +towgs84=674.374,15.056,405.346 +units=m',
  },
  '2193': {
    name: 'NZTM, New Zealand',
    definition: '+proj=tmerc +lat_0=0 +lon_0=173 +k=0.9996 +x_0=1600000 +y_0=10000000 +ellps=GRS80 +units=m',
  },
};

/** Families of UTM codes: the code of zone 0, the zones it has, the half of the world. */
const UTM: readonly { from: number; zones: [number, number]; name: string; rest: string }[] = [
  { from: 32600, zones: [1, 60], name: 'north', rest: '+datum=WGS84' },
  { from: 32700, zones: [1, 60], name: 'south', rest: '+south +datum=WGS84' },
  { from: 25800, zones: [28, 38], name: 'north, ETRS89', rest: '+ellps=GRS80' },
  { from: 26900, zones: [1, 23], name: 'north, NAD83', rest: '+ellps=GRS80' },
  { from: 7800, zones: [46, 59], name: 'south, GDA2020', rest: '+south +ellps=GRS80' },
];

/** How a system is defined, by its EPSG number; null when it is not known. */
export function definitionOf(code: string): string | null {
  if (Object.hasOwn(SYSTEMS, code)) return SYSTEMS[code]!.definition;
  const family = UTM.find((u) => Number(code) - u.from >= u.zones[0] && Number(code) - u.from <= u.zones[1]);
  return family ? `+proj=utm +zone=${Number(code) - family.from} ${family.rest} +units=m` : null;
}

/** The systems to choose from, with the UTM zones a list is likeliest to be in. */
export const SYSTEMS_BY_NAME: readonly { value: string; name: string }[] = [
  ...Object.entries(SYSTEMS).map(([code, s]) => ({ value: code, name: `${s.name} (EPSG ${code})` })),
  ...UTM.flatMap((u) =>
    Array.from({ length: u.zones[1] - u.zones[0] + 1 }, (_, i) => ({
      value: String(u.from + u.zones[0] + i),
      name: `UTM zone ${u.zones[0] + i} ${u.name} (EPSG ${u.from + u.zones[0] + i})`,
    })),
  ),
];

/** The number of an EPSG code in any of the ways it is written: 25832, EPSG:25832, urn:ogc:def:crs:EPSG::25832. */
export const codeOf = (text: string): string | null =>
  /(?:^|epsg\D*|:|epsg\/\d+\/)(\d{4,5})$/i.exec(text.trim())?.[1] ?? null;
