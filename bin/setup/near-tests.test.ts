import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { importers, nearTests } from './near-tests.mjs';

const SOURCES: Record<string, string> = {
  'core/gates/gates.test.ts': "import { gates } from './gates';",
  'core/gates/gates.ts': "import { rules } from './rules';",
  'core/gates/rules/index.ts': "import { water } from './water';",
  'core/gates/rules/water.ts': '',
  'core/mix/mix.test.ts': "import { mix } from '@/core/mix/mix';",
  'core/mix/mix.ts': '',
  'commands/book.test.ts': "import { rules } from '@/core/gates/rules';",
};
const files = Object.keys(SOURCES);
let root: string;
beforeAll(() => {
  root = mkdtempSync(join(tmpdir(), 'elmhorn-near-'));
  for (const [file, text] of Object.entries(SOURCES)) {
    mkdirSync(dirname(join(root, file)), { recursive: true });
    writeFileSync(join(root, file), text);
  }
});
afterAll(() => rmSync(root, { recursive: true, force: true }));

it.each([
  ['a part of a room', ['core/gates/rules/water.ts'], ['core/gates/gates.test.ts']],
  ['an index', ['core/gates/rules/index.ts'], ['core/gates/gates.test.ts', 'commands/book.test.ts']],
  ['a test itself', ['core/mix/mix.test.ts'], ['core/mix/mix.test.ts']],
  ['a page of words', ['README.md'], []],
])('the tests nearest to %s', (_, changed, expected) => expect(nearTests(root, files, changed)).toEqual(expected));

it('a folder is imported by its name', () =>
  expect(importers(root, files, 'core/gates/rules/index.ts')).toEqual([
    'core/gates/gates.ts',
    'commands/book.test.ts',
  ]));
