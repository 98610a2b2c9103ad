import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** A section that is empty shows its sentence in place of what it holds; where that is the form for the first entry, nobody can begin. */
const FORM = /<((?:Add|New)[A-Z]\w*|\w+Form)\b/;
/** A form that is for what the section lists, and for nothing while it lists nothing. */
const FOR_WHAT_IS_THERE = ['QuoteForm'];

const pages = readdirSync(__dirname, { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.tsx'));

it('an empty list never hides the form for its first entry from whoever may enter one', () => {
  const hidden: string[] = [];
  let looked = 0;
  for (const page of pages) {
    const text = readFileSync(join(__dirname, page), 'utf8');
    for (const { index } of text.matchAll(/<Section\b/g)) {
      const section = text.slice(index, text.indexOf('</Section>', index));
      const form = FORM.exec(section)?.[1];
      const empty = /\bempty=\{([^}]*)\}/.exec(section)?.[1];
      if (!form || empty === undefined || FOR_WHAT_IS_THERE.includes(form)) continue;
      looked++;
      if (!/&&\s*!(keep|edit|may)\b/.test(empty)) hidden.push(`${page}: ${form} behind “${empty.trim()}”`);
    }
  }
  expect(hidden).toEqual([]);
  expect(looked).toBeGreaterThanOrEqual(3);
});
