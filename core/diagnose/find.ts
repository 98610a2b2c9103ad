import MiniSearch from 'minisearch';
import type { Condition, Knowledge } from './knowledge';
import { signsOf } from './reading';

/** Words of a search: those of the guide, those that people say for them, and Latin names. */
export interface GuideSearch {
  conditions: (words: string) => Condition[];
  signs: (words: string) => string[];
}

const options = {
  // “borer” finds “borers”; one slip in a short word and two in a long one are forgiven.
  prefix: (term: string) => term.length > 2,
  fuzzy: (term: string) => (term.length > 3 ? 0.22 : false),
  combineWith: 'AND' as const,
};
const said = (term: string) => (term.length > 3 ? 1 : false);
const bare = (text: string) =>
  text
    .normalize('NFD')
    .replace(/\p{M}|['’]/gu, '')
    .toLowerCase();
// An apostrophe belongs to its word, whichever sign it is written with.
const tokenize = (text: string) =>
  bare(text)
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/**
 * A search over the guide that forgives spelling and takes everyday words.
 * @param everyday what people say, and the words of the guide that it means
 */
export function guideSearch(
  { conditions, signs }: Pick<Knowledge, 'conditions' | 'signs'>,
  everyday: readonly (readonly [said: string, means: string])[],
): GuideSearch {
  const wordsOf = new Map(signs.map((s) => [s.id, s.words]));
  const ofConditions = new MiniSearch({ fields: ['name', 'latin', 'kind', 'about', 'signs'], tokenize });
  ofConditions.addAll(
    conditions.map((c) => ({
      id: c.id,
      name: c.name,
      latin: c.latin ?? '',
      kind: c.kind,
      about: c.about,
      signs: signsOf(c)
        .map((s) => wordsOf.get(s) ?? '')
        .join(' · '),
    })),
  );
  const ofSigns = new MiniSearch({ fields: ['words'], tokenize });
  ofSigns.addAll(signs.map((s) => ({ id: s.id, words: s.words })));
  const sayings = new MiniSearch({ fields: ['said'], tokenize });
  sayings.addAll(everyday.map(([said], id) => ({ id, said })));

  /** What was typed, and whatever it is called otherwise: any word of that will do. */
  const ask = <T>(index: MiniSearch<T>, words: string, boost: Record<string, number>) => {
    const typed = index.search(words, { ...options, boost });
    // A slip in what people say is taken for another word sooner than one in a name: “beavers” are no “leaves”.
    const meant = sayings
      .search(words, { ...options, fuzzy: said })
      .flatMap((s) => everyday[s.id as number]?.[1] ?? []);
    const other = meant.length ? index.search(meant.join(' '), { combineWith: 'OR', boost }) : [];
    // Everyday words say less surely what is meant than the guide's own.
    const scores = new Map(typed.map((r) => [r.id as string, r.score * 2]));
    for (const r of other) scores.set(r.id as string, (scores.get(r.id as string) ?? 0) + r.score);
    return [...scores].sort((a, b) => b[1] - a[1]).map(([id]) => id);
  };
  const byId = new Map(conditions.map((c) => [c.id, c]));
  const names = conditions.map((c) => ({ id: c.id, name: tokenize(c.name).join(' ') }));
  return {
    conditions: (words) => {
      const asked = tokenize(words).join(' ');
      // Who types a name means it, however many signs speak in those words.
      const named = asked.length > 2 ? names.filter((n) => n.name.startsWith(asked)).map((n) => n.id) : [];
      return [...new Set([...named, ...ask(ofConditions, words, { name: 4, latin: 4, signs: 1.5 })])]
        .slice(0, MOST)
        .flatMap((id) => byId.get(id) ?? []);
    },
    signs: (words) => ask(ofSigns, words, {}).slice(0, MOST),
  };
}
/** Further hits than these are no help to anybody. */
const MOST = 40;
