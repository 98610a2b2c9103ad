import { conditions } from '.';
import { ENEMIES_KNOWN, enemiesOf } from './enemies';
import { REPLANTING } from './replanting';

const PESTS = ['sap feeder', 'mite', 'borer', 'chewer', 'mollusc'];

it('every pest has its enemies by name with what spares them, or a reason why none can be counted on', () => {
  const pests = conditions.filter((c) => PESTS.includes(c.kind)).map((c) => c.id);
  expect(pests.filter((id) => !enemiesOf(id))).toEqual([]);
  expect(new Set(ENEMIES_KNOWN).size).toBe(ENEMIES_KNOWN.length);
  expect(ENEMIES_KNOWN.filter((id) => !pests.includes(id))).toEqual([]);
  expect(enemiesOf('fire-blight')).toBeNull();
});

it('what is planted again is said of conditions that are there, and of enough that kill or come again', () => {
  const all = conditions.map((c) => c.id);
  expect(Object.keys(REPLANTING).filter((id) => !all.includes(id))).toEqual([]);
  expect(Object.keys(REPLANTING).length).toBeGreaterThanOrEqual(50);
});

it('what may be released against a pest is among its enemies by name', () => {
  const released = conditions.filter((c) => PESTS.includes(c.kind) && c.options.some((o) => o.method === 'release'));
  expect(released.length).toBeGreaterThan(8);
  expect(released.filter((c) => !/[A-Z][a-z]{4,}/.test(enemiesOf(c.id)?.who ?? '')).map((c) => c.id)).toEqual([]);
});
