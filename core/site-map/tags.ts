/** Tags as somebody writes them on a list: single ones and ranges. */
export type TagList = { ok: true; has: (tag: string) => boolean } | { ok: false; sentence: string };

interface Range {
  prefix: string;
  from: number;
  to: number;
}
const parts = (tag: string): { prefix: string; number: number } | null => {
  const found = /^(.*?)(\d{1,9})$/.exec(tag.trim());
  return found ? { prefix: found[1]!.toLowerCase(), number: Number(found[2]) } : null;
};

/**
 * Tags out of a line such as “1–42, 50, A3–A9”: a range holds the numbers between two tags of one beginning, however they are
 * padded. An empty line holds every tag.
 * @example tagsIn('7-9, E2') // has('008') and has('E2'), not has('E8')
 */
export function tagsIn(line: string): TagList {
  const given = line
    .split(/[,;\n]+/)
    .map((p) => p.trim())
    .filter(Boolean);
  if (!given.length) return { ok: true, has: () => true };
  const single = new Set<string>();
  const ranges: Range[] = [];
  for (const part of given) {
    // A tag may have a dash of its own: what stands there as written counts too.
    single.add(part.toLowerCase());
    const [a, b] = (/^(.*\d)\s*(?:[-–—]|\bto\b)\s*(\S*\d)$/i.exec(part) ?? []).slice(1).map(parts) as [
      ReturnType<typeof parts>,
      ReturnType<typeof parts>,
    ];
    if (!a || !b) continue;
    if (b.prefix !== '' && b.prefix !== a.prefix)
      return { ok: false, sentence: `“${part}”: both ends of a range begin alike, as in A3–A9.` };
    if (b.number < a.number) return { ok: false, sentence: `“${part}” runs backwards.` };
    ranges.push({ prefix: a.prefix, from: a.number, to: b.number });
  }
  return {
    ok: true,
    has: (tag) => {
      const own = parts(tag);
      return (
        single.has(tag.trim().toLowerCase()) ||
        (own !== null &&
          (single.has(`${own.prefix}${own.number}`) ||
            ranges.some((r) => r.prefix === own.prefix && own.number >= r.from && own.number <= r.to)))
      );
    },
  };
}

/** Tags in a line, runs of numbers drawn together. @example tagRuns(['001', '002', '003', '007']) // '001–003, 007' */
export function tagRuns(tags: readonly string[]): string {
  const runs: [first: string, last: string][] = [];
  const number = (t: string) => Number(/\d+$/.exec(t)?.[0] ?? NaN);
  const prefix = (t: string) => t.replace(/\d+$/, '');
  for (const tag of tags) {
    const run = runs.at(-1);
    if (run && prefix(run[1]) === prefix(tag) && number(tag) === number(run[1]) + 1) run[1] = tag;
    else runs.push([tag, tag]);
  }
  return runs.map(([a, b]) => (a === b ? a : `${a}–${b}`)).join(', ');
}
