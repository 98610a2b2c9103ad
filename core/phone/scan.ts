/** What a camera read: something of this house by its id, or words to look for. */
export type Scanned = { kind: 'tree'; id: string } | { kind: 'words'; words: string };

const TREE = /(?:^urn:uuid:|\/trees?\/)([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})(?:[/?#]|$)/i;
/** As much as the search takes. */
const MOST = 80;

/**
 * Reads the code on a tag: a sheet of ours says which tree it is whatever address its server has, the tag of a mix says its code,
 * and what an owner's own tags say is looked for as if it had been typed.
 * @returns null where nothing stands in it
 * @example readScan('urn:uuid:0192f0c1-…') // { kind: 'tree', id: '0192f0c1-…' }
 * @example readScan(' 117 ') // { kind: 'words', words: '117' }
 */
export function readScan(text: string): Scanned | null {
  const id = TREE.exec(text.trim())?.[1];
  if (id) return { kind: 'tree', id: id.toLowerCase() };
  const words = text.replace(/\p{C}/gu, ' ').replace(/\s+/g, ' ').trim().slice(0, MOST).trim();
  return words ? { kind: 'words', words } : null;
}
/** What a code says that stands for a tree. */
export const treeCode = (id: string): string => `urn:uuid:${id}`;
