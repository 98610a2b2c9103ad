import Ajv2020 from 'ajv/dist/2020';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';
import { shipped } from '@/knowledge';
import { besideOf } from '@/knowledge/beside';
import type { CustomEntry } from './overlay';
import { keyOf, customFile, customFileSchema } from './custom-file';

const published = JSON.parse(readFileSync(join(__dirname, '../../docs/knowledge.schema.json'), 'utf8'));

it('the published schema is the one that is used', () =>
  expect(published).toEqual(JSON.parse(JSON.stringify(z.toJSONSchema(customFileSchema, { io: 'input' })))));

const entry = (kind: 'host' | 'sign' | 'test' | 'condition', data: object) =>
  ({ kind, key: 'own-x', version: 1, data: { ...data, id: 'own-x' }, note: 'seen' }) as CustomEntry & { note: string };

it('whatever ships could travel in a file, by the schema that others read and by ours', () => {
  const validate = new Ajv2020({ strict: false }).compile(published);
  const all = [
    ...shipped.hosts.map((h) => entry('host', h)),
    ...shipped.signs.map((s) => entry('sign', s)),
    // What each outcome of a test speaks of stands with its conditions; in an own test it stands with the test.
    ...shipped.tests.map((t) =>
      entry('test', {
        ...t,
        tells: Object.fromEntries(
          t.outcomes
            .slice(0, -1)
            .map((o) => [
              o.id,
              Object.fromEntries(
                shipped.conditions.flatMap((c) => (c.tests[t.id]?.[o.id] ? [[c.id, c.tests[t.id]![o.id]]] : [])),
              ),
            ]),
        ),
      }),
    ),
    ...shipped.conditions.map((c) => entry('condition', { ...c, beside: besideOf(c) })),
  ];
  for (const e of all) {
    const file = JSON.parse(JSON.stringify(customFile('Quay Trees', [e]))) as object;
    expect({ ok: validate(file), errors: validate.errors }).toEqual({ ok: true, errors: null });
    expect(customFileSchema.safeParse(file).success).toBe(true);
  }
});

it('what was taken back does not travel; a likelihood is kept under its two names', () => {
  const often = { condition: 'apple-scab', sign: 'mummies', often: 'rare' as const };
  const file = customFile('', [
    { kind: 'likelihood', key: 'x', version: 1, data: often, note: 'seen' },
    { kind: 'sign', key: 'own-gone', version: 2, data: null, note: 'gone' },
  ]);
  expect(file.entries.map(keyOf)).toEqual(['apple-scab/mummies']);
});

it.each([
  ['no entry', { entries: [] }],
  ['a version to come', { version: 2 }],
  ['a kind that is not there', { entries: [{ kind: 'spell', note: '', data: {} }] }],
  ['an entry of what ships', { entries: [{ kind: 'sign', note: '', data: shipped.signs[0] }] }],
  ['what nobody asked for', { more: true }],
])('a file with %s is refused', (_, more) =>
  expect(
    customFileSchema.safeParse({ format: 'elmhorn-knowledge', version: 1, from: '', entries: [], ...more }).success,
  ).toBe(false),
);

it('the example of the document is one', () => {
  const [, example] = /```json\n([\s\S]*?)```/.exec(
    readFileSync(join(__dirname, '../../docs/knowledge-format.md'), 'utf8'),
  )!;
  expect(customFileSchema.parse(JSON.parse(example!)).entries).toHaveLength(1);
});
