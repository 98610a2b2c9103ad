import Ajv2020 from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { conditions, hosts, trainingLabels } from '../../knowledge';
import { dose } from '../dose/dose';
import { perDiameter, rate, testLabel } from '../testing';
import { labelSchema } from './schema';

const published = JSON.parse(readFileSync(join(__dirname, '../../docs/label.schema.json'), 'utf8'));

it('the published schema is the one that is used', () =>
  expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(labelSchema, { io: 'input' })))));

it('every training label stands by the published schema and can be dosed somewhere', () => {
  const validate = new Ajv2020({ strict: false }).compile(published);
  expect(trainingLabels.length).toBeGreaterThanOrEqual(28);
  for (const l of trainingLabels) {
    expect({ key: l.key, ok: validate(l), errors: validate.errors }).toMatchObject({ ok: true });
    expect(l.training).toBe(true);
    for (const u of l.uses)
      expect(
        [20, 45, 80].some(
          (d) =>
            dose({
              label: l,
              useKey: u.key,
              diameters: [d],
              vessels: [],
              siteAreaM2: 10_000,
              sprayVolumeMl: 20_000,
              areaM2: 10,
              holes: 40,
            }).ok,
        ),
      ).toBe(true);
  }
});

it('hosts and targets of the training labels are known', () => {
  const groups = new Set(hosts.flatMap((h) => [h.id, ...h.groups]));
  const known = new Set(conditions.map((c) => c.id));
  for (const u of trainingLabels.flatMap((l) => l.uses)) {
    expect(u.hosts.some((h) => groups.has(h))).toBe(true);
    expect(u.targets.filter((t) => !known.has(t))).toEqual([]);
  }
});

const faults = (use: object, rest: object = {}) => {
  try {
    testLabel(use, rest);
    return [];
  } catch (error) {
    return (error as z.ZodError).issues.map((i) => i.path.join('.'));
  }
};
it.each([
  [
    'a range reversed',
    { rate: rate({ per: 'tree' }, { kind: 'range', low: 5, high: 4, unit: 'mL' }) },
    {},
    'uses.0.rate.dose.point.low',
  ],
  [
    'classes that overlap',
    {
      rate: {
        ...rate({ per: 'tree' }, {}),
        dose: {
          form: 'classes',
          classes: {
            by: 'diameter',
            unit: 'cm',
            boundary: 'unanswered',
            bands: [
              { over: 0, upTo: 30, entry: { kind: 'single', value: 1, unit: 'mL' } },
              { over: 20, upTo: null, entry: { kind: 'single', value: 2, unit: 'mL' } },
            ],
          },
        },
      },
    },
    {},
    'uses.0.rate.dose.classes.bands.1.over',
  ],
  [
    'an active that is a volume',
    { rate: rate({ per: 'tree' }, { kind: 'single', value: 1, unit: 'mL' }, { of: 'active' }) },
    {},
    'uses.0.rate.dose',
  ],
  ['an injection without its sites', { method: 'trunk-injection' }, {}, 'uses.0.sites'],
  [
    'no concentration',
    {},
    { actives: [{ name: 'testide', group: { scheme: 'none', code: '' }, family: 'x' }] },
    'actives.0',
  ],
  [
    'sizes reversed',
    {
      limits: [
        { limit: 'min-size', by: 'diameter', size: { value: 30, unit: 'cm' }, text: 'a' },
        { limit: 'max-size', by: 'diameter', size: { value: 10, unit: 'in' }, text: 'b' },
      ],
    },
    {},
    'uses.0.limits.1.size',
  ],
  ['a negative rate', { rate: perDiameter(-1, 'mL', 1, 'cm') }, {}, 'uses.0.rate.dose.point.value'],
  ['an unknown field', { colour: 'red' }, {}, 'uses.0'],
])('%s is a fault with its place', (_, use, rest, path) => expect(faults(use, rest)).toContain(path));
