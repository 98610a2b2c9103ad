import fc from 'fast-check';
import { speciesIndex } from './species';
import { readTable } from './table';
import { COLUMNS, guessMapping, namesIn, readTrees, unitIssues, unitsIn, type ImportContext } from './trees-csv';

const elm = {
  id: 'wych-elm',
  name: 'Wych elm',
  latin: 'Ulmus glabra',
  also: [],
  growthCmPerYear: 1.2,
  largestCm: 220,
};
const other = { ...elm, id: 'other-broadleaf', name: 'Other broadleaf', latin: 'any' };
const hosts = new Map([elm, other].map((h) => [h.id, h]));
const context = (headers: string[], more: Partial<ImportContext> = {}): ImportContext => ({
  ...guessMapping(headers),
  hosts,
  species: speciesIndex([elm]),
  chosen: {},
  toDegrees: null,
  measuredOn: '2026-05-04',
  today: '2026-06-01',
  taken: new Set(),
  ...more,
});
/** Rows as they stand below a line of names. */
const lines = (rows: Record<string, string>[]) => rows.map((cells, i) => ({ line: i + 2, cells }));

it.each([
  [
    ['Tree No', 'Species', 'Girth (cm)', 'Height m', 'Lat', 'Long', 'Remarks'],
    {
      tag: 'Tree No',
      host: 'Species',
      girth: 'Girth (cm)',
      height: 'Height m',
      lat: 'Lat',
      lon: 'Long',
      note: 'Remarks',
      diameter: null,
      order: null,
    },
    { trunk: 'cm', height: 'm' },
  ],
  [
    ['ID', 'Botanical name', 'DBH in', 'Height ft'],
    { tag: 'ID', host: 'Botanical name', diameter: 'DBH in', height: 'Height ft', girth: null },
    { trunk: 'in', height: 'ft' },
  ],
  [
    ['tree_id', 'species_latin', 'trunk_girth_in', 'height_ft', 'latitude', 'longitude'],
    { tag: 'tree_id', host: 'species_latin', girth: 'trunk_girth_in', height: 'height_ft', lat: 'latitude' },
    { trunk: 'in', height: 'ft' },
  ],
  [
    ['Baum-Nr', 'Baumart', 'Stammumfang cm', 'Höhe m', 'Breitengrad', 'Längengrad', 'Aufnahmedatum', 'Bemerkung'],
    {
      tag: 'Baum-Nr',
      host: 'Baumart',
      girth: 'Stammumfang cm',
      height: 'Höhe m',
      lat: 'Breitengrad',
      lon: 'Längengrad',
      measured: 'Aufnahmedatum',
      note: 'Bemerkung',
    },
    { trunk: 'cm', height: 'm' },
  ],
  [
    ['N°', 'Essence', 'Circonférence (cm)', 'Hauteur (m)', 'Remarque'],
    { tag: 'N°', host: 'Essence', girth: 'Circonférence (cm)', height: 'Hauteur (m)', note: 'Remarque' },
    { trunk: 'cm', height: 'm' },
  ],
  [
    ['Número', 'Especie', 'Diámetro mm', 'Altura m', 'Latitud', 'Longitud'],
    { tag: 'Número', host: 'Especie', diameter: 'Diámetro mm', height: 'Altura m', lat: 'Latitud', lon: 'Longitud' },
    { trunk: 'mm', height: 'm' },
  ],
  [
    ['tree_no', 'species', 'easting', 'northing', 'survey_date'],
    { tag: 'tree_no', lat: 'northing', lon: 'easting', measured: 'survey_date' },
    { trunk: 'cm', height: 'm' },
  ],
  [
    // Its own export.
    ['Tag', 'Host', 'Latin name', 'Client', 'Place', 'Girth cm', 'Diameter cm', 'Height m', 'Latitude', 'Longitude'],
    { tag: 'Tag', host: 'Host', girth: 'Girth cm', diameter: 'Diameter cm', lat: 'Latitude', lon: 'Longitude' },
    { trunk: 'cm', height: 'm' },
  ],
])('guesses columns and units from %p', (headers, mapping, units) => {
  const guess = guessMapping(headers);
  expect(guess.mapping).toMatchObject(mapping);
  expect(guess.units).toEqual(units);
});

it('reads rows in the file’s own unit', () => {
  const { trees, issues } = readTrees(
    lines([{ Tag: '7', Host: 'WYCH ELM', 'Girth in': '57,1', Lat: '50.3', Lon: '-4.1' }]),
    context(['Tag', 'Host', 'Girth in', 'Lat', 'Lon']),
  );
  expect(issues).toEqual([]);
  expect(trees[0]).toMatchObject({
    tag: '7',
    hostId: 'wych-elm',
    stems: [{ kind: 'girth', typed: { value: 57.1, unit: 'in' } }],
    lat: 50.3,
    lon: -4.1,
  });
  expect(trees[0]!.diameterCm).toBeCloseTo((57.1 * 2.54) / Math.PI, 9);
});

it('a fault of one cell is told once, and hides none of another', () => {
  const told = (row: Record<string, string>, more: Partial<ImportContext> = {}) =>
    readTrees(
      lines([{ Tag: '3', Host: 'wych elm', ...row }]),
      context(['Tag', 'Host', 'Girth', 'Diameter', 'Lat', 'Lon'], more),
    ).issues.map((f) => f.column);
  // A trunk that cannot be read is not asked for its day as well; one that can, is.
  expect(told({ Girth: '-4', Diameter: '30' }, { measuredOn: null })).toEqual(['Girth']);
  expect(told({ Girth: '94' }, { measuredOn: null })).toHaveLength(1);
  // What is wrong with the tag says nothing of the position, which is told its own fault once.
  expect(told({ Tag: '', Lat: 'north', Lon: '' })).toEqual(['Tag', 'Lat']);
  expect(told({ Tag: '', Lat: '50', Lon: '' })).toEqual(['Tag', 'Lon']);
});

it('names line, column and fault for every bad cell', () => {
  const rows: Record<string, string>[] = [
    { Tag: '1', Host: 'wych elm', Girth: '-4' },
    { Tag: '1', Host: 'wych elm', Girth: '3e9' },
    { Tag: '', Host: 'triffid', Girth: '90' },
    { Tag: '9', Host: 'wych elm', Girth: '90', Lat: '91' },
    { Tag: '8', Host: 'wych elm', Girth: '90', Diameter: '90' },
  ];
  const { trees, issues } = readTrees(
    lines(rows),
    context(['Tag', 'Host', 'Girth', 'Diameter', 'Lat', 'Lon'], { taken: new Set(['9']) }),
  );
  expect(trees).toEqual([]);
  expect(issues.map((f) => [f.line, f.column])).toEqual([
    [2, 'Girth'],
    [3, 'Tag'],
    [3, 'Girth'],
    [4, 'Tag'],
    [4, 'Host'],
    [5, 'Tag'],
    [5, 'Lat'],
    [6, 'Girth'],
  ]);
  expect(issues[2]!.message).toContain('“3e9”');
});

it('never throws on any table, and no row is lost in silence', () => {
  const cell = fc.oneof(
    fc.string(),
    fc.constantFrom('12', '-1', '', 'wych elm', '1e5', '∞', '2025-02-30', '03/04/2025'),
  );
  fc.assert(
    fc.property(
      fc.array(fc.record(Object.fromEntries(COLUMNS.map((c) => [c, cell]))), { maxLength: 8 }),
      fc.constantFrom('2026-05-04', null),
      (rows, measuredOn) => {
        const read = readTrees(lines(rows as Record<string, string>[]), context([...COLUMNS], { measuredOn }));
        const bad = new Set(read.issues.map((f) => f.line));
        expect(read.trees.length + bad.size).toBe(rows.length);
        for (const f of read.issues) expect(f.message).toMatch(/[.?]$/);
        for (const t of read.trees) expect(t.diameterCm === null || t.measuredOn !== null).toBe(true);
      },
    ),
  );
});

it('of a file: rows offered and rows faulted are the rows that were read, torn or not', () => {
  const cell = fc.stringMatching(/^[a-z0-9 ]{0,6}$/);
  fc.assert(
    fc.property(
      fc.array(fc.array(cell, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 12 }),
      fc.boolean(),
      (rows, torn) => {
        const body = rows.map((r, i) => [`t${i}`, 'wych elm', ...r].join(','));
        if (torn) body[0] = `t0,"wych elm,${rows[0]!.join(',')}`;
        const table = readTable(['Tag,Host,Note', ...body].join('\n'), namesIn);
        const { trees, issues } = readTrees(table.rows, context(['Tag', 'Host', 'Note']));
        const wide = rows.some((r) => r.slice(1).some((c) => c.trim() !== ''));
        if (torn || wide) expect(table.issues.length + issues.length).toBeGreaterThan(0);
        else expect(trees).toHaveLength(rows.length);
      },
    ),
  );
});

it('a cell that was guarded against being a formula comes back as it was', () => {
  const table = readTable("Tag,Host,Note\n1,wych elm,'=1+1\n", namesIn);
  expect(readTrees(table.rows, context(table.headers)).trees[0]!.note).toBe('=1+1');
});

describe('species', () => {
  const rows = lines([
    { Tag: '1', Host: 'Paulownia tomentosa' },
    { Tag: '2', Host: 'Paulownia tomentosa' },
    { Tag: '3', Host: 'ulmus glabra huds.' },
  ]);
  it('one that no host is called by is asked once, with the rows that wait for it', () => {
    const read = readTrees(rows, context(['Tag', 'Host']));
    expect(read.asked).toEqual([{ written: 'Paulownia tomentosa', rows: 2, mayBe: [] }]);
    expect(read.issues.map((f) => f.line)).toEqual([2, 3]);
  });
  it('one that was said comes in, and keeps the name it has', () => {
    const chosen = { 'Paulownia tomentosa': 'other-broadleaf' };
    const { trees, issues, asked } = readTrees(rows, context(['Tag', 'Host'], { chosen }));
    expect(issues).toEqual([]);
    // What was asked stays in the list, so that a slip can be mended.
    expect(asked).toEqual([{ written: 'Paulownia tomentosa', rows: 2, mayBe: [] }]);
    expect(trees.map((t) => [t.hostId, t.species])).toEqual([
      ['other-broadleaf', 'Paulownia tomentosa'],
      ['other-broadleaf', 'Paulownia tomentosa'],
      ['wych-elm', 'ulmus glabra huds.'],
    ]);
  });
  it('one that was said to be no host at all is asked on', () => {
    const chosen = { 'Paulownia tomentosa': 'constructor' };
    expect(readTrees(rows, context(['Tag', 'Host'], { chosen })).issues).toHaveLength(2);
  });
});

describe('the day of measuring', () => {
  const on = (Measured: string, measuredOn: string | null = null) =>
    readTrees(
      lines([{ Tag: '1', Host: 'wych elm', Girth: '90', Measured }]),
      context(['Tag', 'Host', 'Girth', 'Measured'], { measuredOn }),
    );
  it.each([
    ['2025-05-14', '2025-05-14'],
    ['14.5.2025', '2025-05-14'],
    ['14/05/2025', '2025-05-14'],
    ['05/14/2025', '2025-05-14'],
    ['2025-05-14T09:30:00Z', '2025-05-14'],
    ['05/05/2025', '2025-05-05'],
  ])('“%s” is %s', (text, day) => expect(on(text).trees[0]!.measuredOn).toBe(day));
  it.each(['03/04/2025', '2025-02-30', 'in May', '2027-01-01', '1066-10-14'])('“%s” is a fault', (text) => {
    expect(on(text).trees).toEqual([]);
    expect(on(text).issues).toMatchObject([{ line: 2, column: 'Measured' }]);
  });
  it('is asked where nobody gave it, and taken from the whole list where somebody did', () => {
    expect(on('').issues).toMatchObject([{ message: 'Say on which day the trunks of this list were measured.' }]);
    expect(on('', '2026-05-04').trees[0]!.measuredOn).toBe('2026-05-04');
    const bare = readTrees(lines([{ Tag: '1', Host: 'wych elm' }]), context(['Tag', 'Host'], { measuredOn: null }));
    expect(bare.trees[0]!.measuredOn).toBeNull();
  });
});

it('eastings and northings become degrees, or a fault', () => {
  const read = (toDegrees: ImportContext['toDegrees']) =>
    readTrees(
      lines([{ Tag: '1', Host: 'wych elm', Easting: '400000', Northing: '300000' }]),
      context(['Tag', 'Host', 'Easting', 'Northing'], { toDegrees }),
    );
  expect(read((east, north) => ({ lat: north / 1e4, lon: east / 1e6 })).trees[0]).toMatchObject({ lat: 30, lon: 0.4 });
  expect(read(() => null).issues).toMatchObject([{ line: 2, column: 'Northing' }]);
  expect(read(null).issues.length).toBeGreaterThan(0);
});

describe('units in the headers of columns', () => {
  const none = Object.fromEntries(COLUMNS.map((c) => [c, null])) as Record<(typeof COLUMNS)[number], string | null>;
  const metric = { trunk: 'cm', height: 'm' } as const;
  it.each([
    [{ diameter: 'Trunk (in)' }, { trunk: 'in', height: 'm' }],
    [{ diameter: 'Trunk "' }, { trunk: 'in', height: 'm' }],
    [{ girth: 'GBH_mm' }, { trunk: 'mm', height: 'm' }],
    [{ height: 'Ht (ft)' }, { trunk: 'cm', height: 'ft' }],
    [{ height: 'Size', diameter: 'Stem' }, metric],
  ])('of a column that is mapped by hand, %j, are believed', (mapping, units) =>
    expect(unitsIn({ ...none, ...mapping }, metric)).toEqual(units),
  );
  it('that contradict what the list is read in are refused, by their column', () => {
    const mapping = { ...none, diameter: 'Trunk (in)', height: 'Ht (ft)' };
    expect(unitIssues(mapping, metric).map((f) => f.path)).toEqual(['units.trunk', 'units.height']);
    expect(unitIssues(mapping, { trunk: 'in', height: 'ft' })).toEqual([]);
    expect(unitIssues({ ...none, diameter: 'Stem' }, { trunk: 'mm', height: 'ft' })).toEqual([]);
  });
});
