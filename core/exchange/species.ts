import type { Host } from '../diagnose/knowledge';

/** What a species in a list can be told by. */
export type Named = Pick<Host, 'id' | 'name' | 'latin' | 'also'>;

/** Signs of a species that are read, and those of a name that another is compared with. */
const [MOST_READ, LONGEST_NAME] = [400, 60];
/** Spellings that get a guess, once each. */
const MOST_GUESSES = 400;
/** A name is near another where so large a share of its letters, or fewer, has to be changed. */
const NEAR = 0.35;

/**
 * Letters that must be changed, left out, put in or swapped with the next to make one text of another (Damerau and Levenshtein,
 * each pair swapped once).
 * @param most no more is counted; beyond it the answer is `most + 1`
 */
export function editDistance(a: string, b: string, most: number): number {
  if (Math.abs(a.length - b.length) > most) return most + 1;
  let before: number[] = [];
  let last = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    let least = i;
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      let n = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) n = Math.min(n, before[j - 2]! + 1);
      row.push(n);
      least = Math.min(least, n);
    }
    if (least > most) return most + 1;
    [before, last] = [last, row];
  }
  return Math.min(most + 1, last[b.length]!);
}

/** Whether all of a name stands in another, word by word. */
const standsIn = (a: string, b: string): boolean =>
  a.length >= 4 && ` ${b.replaceAll('-', ' ')} `.includes(` ${a.replaceAll('-', ' ')} `);

/** Hosts whose names are nearest to a text, the nearest first; those that are like it in nothing are left out. */
function nearest(byName: ReadonlyMap<string, ReadonlySet<string>>, text: string): string[] {
  const near: { of: ReadonlySet<string>; share: number }[] = [];
  for (const [name, of] of byName) {
    const longer = Math.max(name.length, text.length);
    const most = Math.floor(longer * NEAR);
    const n = editDistance(text, name, most);
    // One whose words stand in the other is a shorter name for it: “Mountain ash” and “European mountain-ash”.
    const within = standsIn(text, name) || standsIn(name, text);
    if (n <= most || within) near.push({ of, share: within ? Math.min(NEAR, n / longer) : n / longer });
  }
  near.sort((a, b) => a.share - b.share);
  return [...new Set(near.flatMap((x) => [...x.of]))].slice(0, 6);
}

export interface SpeciesIndex {
  /** The host that is meant, or what may be meant, the likeliest first. */
  read: (written: string) => { hostId: string } | { mayBe: string[] };
}

/** Lower case, one space, “×” and “x” the same, without quoted sorts, brackets and dots. */
const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/['"‘’“”`´][^'"‘’“”`´]*['"‘’“”`´]/g, ' ')
    .replace(/\([^)]*\)/g, ' ')
    .replace(/×/g, ' x ')
    .replace(/[._,;]+/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

/** Genus and epithet of a Latin name, whoever wrote it and whatever stands behind; null for one word. */
function binomial(words: readonly string[]): string | null {
  const [genus, ...rest] = words;
  const epithet = rest[0] === 'x' ? rest.slice(0, 2) : rest.slice(0, 1);
  // A cross of two species is neither of them.
  if (rest.slice(epithet.length).includes('x')) return null;
  return genus && epithet.at(-1) && /^[a-z-]{3,}$/.test(epithet.at(-1)!) ? [genus, ...epithet].join(' ') : null;
}

/**
 * Reads species as lists write them: everyday and Latin names, with or without author, sort and hybrid sign. What is
 * exactly one host is that host; what may be several, or is nearly one, is asked.
 * @example speciesIndex(hosts).read('Quercus robur L.') // { hostId: 'pedunculate-oak' }
 */
export function speciesIndex(hosts: readonly Named[]): SpeciesIndex {
  const byName = new Map<string, Set<string>>();
  const genera = new Map<string, string[]>();
  for (const h of hosts) {
    for (const n of [h.id, h.name, h.latin, ...h.also])
      byName.set(plain(n), (byName.get(plain(n)) ?? new Set()).add(h.id));
    const genus = plain(h.latin).split(' ')[0]!;
    genera.set(genus, [...(genera.get(genus) ?? []), h.id]);
  }
  // A list of thousands of spellings that nothing is called by is no list of trees: so many get a guess.
  let guesses = MOST_GUESSES;
  const guessed = new Map<string, string[]>();
  const guess = (text: string): string[] => {
    const known = guessed.get(text);
    if (known || !text || guesses <= 0) return known ?? [];
    guesses--;
    const near = nearest(byName, text.slice(0, LONGEST_NAME));
    guessed.set(text, near);
    return near;
  };
  return {
    read: (written) => {
      const text = plain(written.slice(0, MOST_READ));
      const words = text.split(' ');
      const two = genera.has(words[0] ?? '') ? binomial(words) : null;
      const meant = byName.get(text) ?? (two ? byName.get(two) : undefined);
      if (meant?.size === 1) return { hostId: [...meant][0]! };
      const near = [...(meant ?? []), ...(genera.get(words[0] ?? '') ?? []), ...guess(text)];
      return { mayBe: [...new Set(near)].slice(0, 6) };
    },
  };
}
