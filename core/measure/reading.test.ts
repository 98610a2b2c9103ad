import { readReading, typedReading } from './reading';

/** One stem of 145 cm girth at breast height, and what a test changes of it. */
const typed = (more: object = {}) =>
  typedReading.parse({
    id: '01a23745-4402-7517-b98a-92e29211cbad',
    treeId: '01a23745-4403-74bc-beca-4b325671320d',
    stems: [{ kind: 'girth', value: '145', unit: 'cm' }],
    atHeight: '130',
    height: '',
    heightUnit: 'm',
    crownWidth: '',
    crownBase: '',
    flares: [],
    atHeightUnit: 'cm',
    grain: '',
    obstacles: '',
    arcs: [],
    method: 'tape',
    ...more,
  });
const refusedAt = (more: object) => {
  const read = readReading(typed(more));
  return read.ok ? [] : read.issues.map((i) => i.path);
};
const value = (more: object) => {
  const read = readReading(typed(more));
  if (!read.ok) throw new Error(read.issues[0]!.message);
  return read.value;
};

it('a girth alone is a reading: its diameter, the height where it was taken, and nothing that nobody gave', () => {
  expect(value({})).toMatchObject({
    diameterCm: expect.closeTo(145 / Math.PI, 9),
    atHeightCm: 130,
    treeHeightM: null,
    crownWidthM: null,
    crownBaseM: null,
    grainDeg: 0,
  });
});

it('two stems count by the area of both', () => {
  const stems = [30, 40].map((d) => ({ kind: 'diameter', value: String(d), unit: 'cm' }));
  expect(value({ stems }).diameterCm).toBeCloseTo(50, 9);
});

it('feet and inches come out as metres and centimetres', () => {
  const read = value({
    stems: [{ kind: 'diameter', value: '10', unit: 'in' }],
    atHeight: '54',
    atHeightUnit: 'in',
    heightUnit: 'ft',
    height: '100',
    crownWidth: '50',
    crownBase: '10',
  });
  expect(read.diameterCm).toBeCloseTo(25.4, 9);
  expect(read.atHeightCm).toBeCloseTo(137.16, 9);
  expect([read.treeHeightM, read.crownWidthM, read.crownBaseM]).toEqual([
    expect.closeTo(30.48, 9),
    expect.closeTo(15.24, 9),
    expect.closeTo(3.048, 9),
  ]);
});

it.each([
  ['m', 'height', '130', '131'],
  ['ft', 'height', '426', '427'],
  ['m', 'crownWidth', '60', '61'],
  ['ft', 'crownWidth', '197', '198'],
  ['m', 'crownBase', '100', '101'],
  ['ft', 'crownBase', '328', '329'],
])('in %s the largest %s is %s: %s is refused at its place, and so is what is no number', (unit, field, most, over) => {
  const at = (text: string) => refusedAt({ heightUnit: unit, [field]: text });
  expect(at(most)).toEqual([]);
  expect(at(over)).toEqual([field]);
  expect(at('many')).toEqual([field]);
  expect(at('-1')).toEqual([field]);
});

it('a tree and its crown are not nothing, though leaves may reach the ground', () => {
  expect(refusedAt({ height: '0' })).toEqual(['height']);
  expect(refusedAt({ crownWidth: '0' })).toEqual(['crownWidth']);
  expect(refusedAt({ crownBase: '0' })).toEqual([]);
});

it('the lowest leaves hang below the top, not at it', () => {
  expect(refusedAt({ height: '12', crownBase: '12' })).toEqual(['crownBase']);
  expect(refusedAt({ height: '12', crownBase: '11.9' })).toEqual([]);
});

it('every fault is told with its place, all of them at once', () => {
  const arcs = [
    { kind: 'wound', from: '10', to: '20' },
    { kind: 'wound', from: '-1', to: '361' },
  ];
  const stems = [
    { kind: 'girth', value: '145', unit: 'cm' },
    { kind: 'girth', value: '', unit: 'cm' },
  ];
  expect(refusedAt({ stems, arcs, grain: '181' })).toEqual(['stems.1', 'grain', 'arcs.1', 'arcs.1']);
});
