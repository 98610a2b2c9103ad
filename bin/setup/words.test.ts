import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import left from './words-left.json';

/** Words of every string that people may read: literals with a space, and the text of components. */
function wordsOf(path: string): string[] {
  const file = ts.createSourceFile(path, readFileSync(path, 'utf8'), ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const visit = (n: ts.Node) => {
    if (ts.isStringLiteralLike(n) || ts.isJsxText(n) || ts.isTemplateHead(n) || ts.isTemplateMiddleOrTemplateTail(n))
      if (/\s/.test(n.text)) found.push(...(n.text.toLowerCase().match(/[a-z]+/g) ?? []));
    ts.forEachChild(n, visit);
  };
  visit(file);
  return found;
}

it('the old voice only grows quieter: write down in words-left.json what is left of a word once it is less', () => {
  const count = new Map<string, number>(Object.keys(left).map((w) => [w, 0]));
  for (const room of ['app', 'ui', 'facts', 'commands', 'views', 'core'])
    for (const path of readdirSync(join(process.cwd(), room), { recursive: true, encoding: 'utf8' }))
      if (/(?<!\.test)\.tsx?$/.test(path))
        for (const w of wordsOf(join(process.cwd(), room, path))) if (count.has(w)) count.set(w, count.get(w)! + 1);
  expect(Object.fromEntries(count)).toEqual(left);
});
