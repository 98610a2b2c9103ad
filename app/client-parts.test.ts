import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import ts from 'typescript';

const ROOT = join(__dirname, '..');
/** Heavy for a phone, and needed by few of its pages: each that carries one says why. */
const CARRIED: Record<string, Record<string, string>> = {
  zod: {
    'app/(in)/trees/import/import.client.tsx': 'a list is read in the browser, line by line',
    'app/(in)/offline-checks.client.ts':
      'comes with the first write: without signal nothing else can say what is wrong',
    'app/(in)/phone/day/[id]/offline-day.client.tsx': 'the day is worked out on the phone, from what came along',
    'app/(in)/phone/tree/[id]/offline-tree.client.tsx': 'the tree is worked out on the phone, from what came along',
    'app/(in)/settings/rules/rules.client.tsx': 'the office checks a whole profile while it is written',
    'app/(in)/stock/labels/new/editor.client.tsx': 'a label is checked while it is typed from the paper',
  },
  'knowledge/index.ts': {
    'app/(in)/phone/day/[id]/offline-day.client.tsx': 'nothing can be asked without signal',
    'app/(in)/phone/tree/[id]/offline-tree.client.tsx': 'nothing can be asked without signal',
  },
};

const ENDINGS = ['', '.ts', '.tsx', '/index.ts', '/index.tsx'];
/** What a module imports when it runs: types vanish, and what stands behind 'use server' stays on the server. */
function imports(file: string): string[] {
  const text = readFileSync(file, 'utf8');
  if (/^\s*['"]use server['"]/.test(text)) return [];
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest);
  return source.statements.flatMap((s) => {
    if (!(ts.isImportDeclaration(s) || ts.isExportDeclaration(s)) || !s.moduleSpecifier) return [];
    const clause = ts.isImportDeclaration(s) ? s.importClause : undefined;
    if (clause?.isTypeOnly || (ts.isExportDeclaration(s) && s.isTypeOnly)) return [];
    const named = clause?.namedBindings;
    const onlyTypes = named && ts.isNamedImports(named) && !clause.name && named.elements.every((e) => e.isTypeOnly);
    if (onlyTypes) return [];
    const of = (s.moduleSpecifier as ts.StringLiteral).text;
    if (!/^(\.|@\/)/.test(of)) return [of];
    const bare = of.startsWith('@/') ? join(ROOT, of.slice(2)) : resolve(dirname(file), of);
    return ENDINGS.map((e) => bare + e).filter((p) => /\.tsx?$/.test(p) && existsSync(p));
  });
}
const asked = new Map<string, string[]>();
const importsOf = (file: string) => {
  const known = asked.get(file) ?? imports(file);
  asked.set(file, known);
  return known;
};

/** All that comes with a module: files from the root of the house, packages by their name. */
function comesWith(entry: string): Set<string> {
  const seen = new Set([entry]);
  // A set goes on over what is added to it meanwhile.
  for (const file of seen) if (/\.tsx?$/.test(file)) for (const other of importsOf(file)) seen.add(other);
  return new Set([...seen].map((f) => (f.startsWith(ROOT) ? relative(ROOT, f) : f)));
}

const parts = ['app', 'ui'].flatMap((room) =>
  readdirSync(join(ROOT, room), { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.client\.tsx?$/.test(f))
    .map((f) => join(room, f)),
);

describe('what comes to the browser', () => {
  it.each(Object.entries(CARRIED))('%s comes only with parts that say why', (heavy, why) => {
    expect(parts.length).toBeGreaterThan(100);
    const carry = parts.filter((part) => comesWith(join(ROOT, part)).has(heavy));
    expect(carry.sort()).toEqual(Object.keys(why).sort());
  });
});
