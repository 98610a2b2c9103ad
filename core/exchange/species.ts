import Fuse from 'fuse.js';
import type { Host } from '../diagnose/knowledge';

/** What a species in a list can be told by. */
export type Named = Pick<Host, 'id' | 'name' | 'latin' | 'also'>;

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
  const fuse = new Fuse(hosts, { keys: ['name', 'latin', 'also'], threshold: 0.4, ignoreLocation: true });
  return {
    read: (written) => {
      const text = plain(written);
      const words = text.split(' ');
      const two = genera.has(words[0] ?? '') ? binomial(words) : null;
      const meant = byName.get(text) ?? (two ? byName.get(two) : undefined);
      if (meant?.size === 1) return { hostId: [...meant][0]! };
      const near = [
        ...(meant ?? []),
        ...(genera.get(words[0] ?? '') ?? []),
        ...(text ? fuse.search(text, { limit: 6 }).map((f) => f.item.id) : []),
      ];
      return { mayBe: [...new Set(near)].slice(0, 6) };
    },
  };
}
