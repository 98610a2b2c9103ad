import fc from 'fast-check';
import Papa from 'papaparse';
import { COLUMNS, guessMapping, looksLikeText, parserFaults, readTrees, type ImportContext } from './trees-csv';

const hosts = new Map([['wych elm', { id: 'wych-elm', growthCmPerYear: 1.2, largestCm: 220 }]]);
const context = (headers: string[], more: Partial<ImportContext> = {}): ImportContext => ({
  ...guessMapping(headers),
  hosts,
  taken: new Set(),
  ...more,
});

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
  const { trees, faults } = readTrees(
    [{ Tag: '7', Host: 'WYCH ELM', 'Girth in': '57,1', Lat: '50.3', Lon: '-4.1' }],
    context(['Tag', 'Host', 'Girth in', 'Lat', 'Lon']),
  );
  expect(faults).toEqual([]);
  expect(trees[0]).toMatchObject({
    tag: '7',
    hostId: 'wych-elm',
    stems: [{ kind: 'girth', typed: { value: 57.1, unit: 'in' } }],
    lat: 50.3,
    lon: -4.1,
  });
  expect(trees[0]!.diameterCm).toBeCloseTo((57.1 * 2.54) / Math.PI, 9);
});

it('names line, column and fault for every bad cell', () => {
  const rows = [
    { Tag: '1', Host: 'wych elm', Girth: '-4' },
    { Tag: '1', Host: 'wych elm', Girth: '3e9' },
    { Tag: '', Host: 'triffid', Girth: '90' },
    { Tag: '9', Host: 'wych elm', Girth: '90', Lat: '91' },
    { Tag: '8', Host: 'wych elm', Girth: '90', Diameter: '90' },
  ];
  const { trees, faults } = readTrees(
    rows,
    context(['Tag', 'Host', 'Girth', 'Diameter', 'Lat', 'Lon'], { taken: new Set(['9']) }),
  );
  expect(trees).toEqual([]);
  expect(faults.map((f) => [f.line, f.column])).toEqual([
    [2, 'Girth'],
    [3, 'Tag'],
    [3, 'Girth'],
    [4, 'Tag'],
    [4, 'Host'],
    [5, 'Tag'],
    [5, 'Lat'],
    [6, 'Girth'],
  ]);
  expect(faults[2]!.sentence).toContain('“3e9”');
});

it('takes binary noise for what it is, and never throws on any table', () => {
  expect(looksLikeText('Tag,Host\n1,Ulmus glabra\n')).toBe(true);
  expect(looksLikeText('PK\u0003\u0004\0\0')).toBe(false);
  expect(looksLikeText('\ufffd'.repeat(40))).toBe(false);
  fc.assert(
    fc.property(
      fc.array(
        fc.record(
          Object.fromEntries(
            COLUMNS.map((c) => [c, fc.oneof(fc.string(), fc.constantFrom('12', '-1', '', 'wych elm', '1e5', '∞'))]),
          ),
        ),
        { maxLength: 8 },
      ),
      (rows) => {
        const { trees, faults } = readTrees(rows as Record<string, string>[], context([...COLUMNS]));
        const bad = new Set(faults.map((f) => f.line));
        expect(trees.length + bad.size).toBe(rows.length);
        for (const f of faults) expect(f.sentence).toMatch(/[.?]$/);
      },
    ),
  );
});

it('no row of a file is lost in silence: rows offered and rows faulted are the rows that were read', () => {
  const cell = fc.stringMatching(/^[a-z0-9 ]{0,6}$/);
  fc.assert(
    fc.property(
      fc.array(fc.array(cell, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 12 }),
      fc.boolean(),
      (rows, torn) => {
        const body = rows.map((r, i) => [`t${i}`, 'wych elm', ...r].join(','));
        if (torn) body[0] = `t0,"wych elm,${rows[0]!.join(',')}`;
        const parsed = Papa.parse<Record<string, string>>(['Tag,Host,Note', ...body].join('\n'), { header: true });
        const faults = parserFaults(parsed.errors);
        const { trees } = readTrees(parsed.data, context(['Tag', 'Host', 'Note']));
        const short = parsed.data.length < rows.length;
        const wide = rows.some((r) => r.length > 1);
        if (short || wide || torn) expect(faults.length).toBeGreaterThan(0);
        else expect(trees).toHaveLength(rows.length);
      },
    ),
  );
});

it('a cell that was guarded against being a formula comes back as it was', () => {
  const { trees } = readTrees([{ Tag: '1', Host: 'wych elm', Note: "'=1+1" }], context(['Tag', 'Host', 'Note']));
  expect(trees[0]!.note).toBe('=1+1');
});
