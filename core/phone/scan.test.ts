import fc from 'fast-check';
import { readScan, treeCode } from './scan';

const ID = '0192f0c1-2b3c-7d4e-8f50-112233445566';

describe('what a camera reads', () => {
  it('is a tree by our own code, and by the address of its page on whatever server', () => {
    fc.assert(fc.property(fc.uuid(), (id) => expect(readScan(treeCode(id))).toEqual({ kind: 'tree', id })));
    expect(readScan(`https://elm.example/tree/${ID}/apply?plan=1`)).toEqual({ kind: 'tree', id: ID });
    expect(readScan(` URN:UUID:${ID.toUpperCase()} `)).toEqual({ kind: 'tree', id: ID });
  });

  it.each([
    ['117', '117'],
    ['  K7M2X\n', 'K7M2X'],
    ['Quay\u0000\u0007 Avenue', 'Quay Avenue'],
    [`urn:uuid:${ID}99`, `urn:uuid:${ID}99`],
    ['x'.repeat(200), 'x'.repeat(80)],
  ])('%j is looked for', (text, words) => expect(readScan(text)).toEqual({ kind: 'words', words }));

  it('nothing in it is nothing, and whatever stands there never becomes an address to go to', () => {
    expect(readScan(' \n\u0000')).toBeNull();
    fc.assert(
      fc.property(fc.string(), (text) => {
        const read = readScan(text);
        if (read?.kind === 'tree') expect(read.id).toMatch(/^[0-9a-f-]{36}$/);
        else if (read) expect(read.words.length).toBeGreaterThan(0);
      }),
    );
    expect(readScan('https://elsewhere.example/tree/not-a-tree')).toEqual({
      kind: 'words',
      words: 'https://elsewhere.example/tree/not-a-tree',
    });
  });
});
