import fc from 'fast-check';
import { trainingLabels } from '@/knowledge';
import { dose, type Dose } from '../dose/dose';
import { doseChange, doseChangeSentence } from './dose-change';

const label = trainingLabels[0]!;
const vessel = { id: 'v', name: '10 mL syringe', dimension: 'volume' as const, capacity: 10, graduation: 0.5 };
const ofTrunk = (diameterCm: number) => {
  const worked = dose({ label, useKey: 'drench', diameters: [diameterCm], vessels: [vessel], siteAreaM2: 1e6 });
  if (!worked.ok) throw new Error(worked.issues[0]!.message);
  return worked;
};

it('a trunk read at 60 cm that was planned at 100 cm changes the dose, and says by which girths', () => {
  const [planned, newest] = [ofTrunk(100 / Math.PI), ofTrunk(60 / Math.PI)];
  const change = doseChange(planned, newest)!;
  expect(change).toMatchObject({ planned: planned.product, newest: newest.product });
  expect(change.newestGirthCm).toBeCloseTo(60, 9);
  expect(doseChangeSentence(change, 'metric')).toMatch(
    /girth 60\.0 cm, planned at 100\.0 cm|girth 60 cm, planned at 100 cm/,
  );
});

it('differs exactly where the two are more than a mark of the vessel apart, whichever way', () => {
  fc.assert(
    fc.property(fc.double({ min: 12, max: 90, noNaN: true }), fc.double({ min: 12, max: 90, noNaN: true }), (a, b) => {
      const [planned, newest] = [ofTrunk(a), ofTrunk(b)];
      const apart = Math.abs(planned.product - newest.product);
      const mark = Math.max(vessel.graduation, 0.005 * Math.max(planned.product, newest.product));
      expect(doseChange(planned, newest) === null).toBe(apart <= mark * (1 + 1e-9));
      expect(doseChange(planned, newest) === null).toBe(doseChange(newest, planned) === null);
    }),
  );
});

it('another number of injection sites is a change though the amount is the same; no dose is one with its reason', () => {
  const planned = ofTrunk(30);
  const sites = (count: number): Dose => ({ ...planned, sites: { count } as Dose['sites'] });
  expect(doseChange(sites(4), sites(4))).toBeNull();
  expect(doseChange(sites(4), sites(5))).toMatchObject({ sites: { planned: 4, newest: 5 } });
  const none = doseChange(planned, {
    ok: false,
    issues: [{ path: 'height', message: 'The height is not measured.' }],
  });
  expect(none).toMatchObject({ newest: null, why: 'The height is not measured.' });
});
