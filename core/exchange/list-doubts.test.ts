import fc from 'fast-check';
import { kmBetween, listDoubts } from './list-doubts';

const tree = (more: object = {}) => ({ lat: null, lon: null, diameterCm: null, largestCm: 120, ...more });
const QUAY = { lat: 50.3, lon: -4.1 };
const near = fc.record({
  lat: fc.double({ min: -0.05, max: 0.05, noNaN: true }).map((d) => QUAY.lat + d),
  lon: fc.double({ min: -0.05, max: 0.05, noNaN: true }).map((d) => QUAY.lon + d),
});
const ids = (...of: Parameters<typeof listDoubts>) => listDoubts(...of).map((d) => d.id);

it('a list near its site is asked nothing; changed coordinates and zeros are, with or without a known site', () => {
  fc.assert(
    fc.property(fc.array(near, { minLength: 3, maxLength: 30 }), (spots) => {
      const trees = spots.map(tree);
      expect(ids(trees, QUAY)).toEqual([]);
      expect(ids(trees, null)).toEqual([]);
      expect(
        ids(
          spots.map((s) => tree({ lat: s.lon, lon: s.lat })),
          QUAY,
        ),
      ).toEqual(['positions']);
      for (const site of [QUAY, null]) expect(ids([...trees, tree({ lat: 0, lon: 0 })], site)).toEqual(['positions']);
    }),
  );
});
it('a degree of a meridian is 111 km', () =>
  expect(kmBetween({ lat: 50, lon: 0 }, { lat: 51, lon: 0 })).toBeCloseTo(111.19, 1));
it('trunks read in the wrong unit are asked as a list, one giant is not', () => {
  const trunks = (cm: number[]) => cm.map((diameterCm) => tree({ diameterCm }));
  expect(ids(trunks([40, 55, 62, 30, 48, 300]), null)).toEqual([]);
  expect(ids(trunks([145, 160, 188, 122, 140, 90]), null)).toEqual(['sizes']);
  expect(ids(trunks([300, 300]), null)).toEqual([]);
});
