import { hosts } from '@/knowledge';
import fc from 'fast-check';
import { editDistance, speciesIndex } from './species';

const { read } = speciesIndex(hosts);

it.each([
  ['Quercus robur L.', 'pedunculate-oak'],
  ['quercus robur', 'pedunculate-oak'],
  ['English oak', 'pedunculate-oak'],
  ['Platanus x acerifolia', 'london-plane'],
  ['Platanus ×hispanica Mill. ex Münchh.', 'london-plane'],
  ['Tilia cordata ‘Greenspire’', 'small-leaved-lime'],
  ["Fraxinus excelsior 'Pendula'", 'common-ash'],
  ['wych-elm', 'wych-elm'],
  ['Betula  pendula (Roth)', 'silver-birch'],
])('%s is %s', (written, id) => expect(read(written)).toEqual({ hostId: id }));

it.each([
  ['Quercus', 'pedunculate-oak'],
  ['Ulmus sp.', 'wych-elm'],
  ['wich elm', 'wych-elm'],
  ['Malus domestica', 'cider-apple'],
  ['Sycamore', 'american-sycamore'],
  ['Norwey spruce', 'norway-spruce'],
  // What is another tree in another country, or any of a genus, is asked too.
  ['Linden', 'common-lime'],
  ['Plane', 'london-plane'],
  ['Mountain ash', 'rowan'],
  ['Robinia', 'false-acacia'],
  ['Ulmus minor × pumila', 'field-elm'],
])('%s is asked, and %s is among what it may be', (written, id) =>
  expect(read(written)).toMatchObject({ mayBe: expect.arrayContaining([id]) }),
);

it('what is like nothing has nothing near it; an empty name neither', () => {
  expect(read('zzzzzz qqqqq')).toEqual({ mayBe: [] });
  expect(read('')).toEqual({ mayBe: [] });
});

it('every host is found by its own name, unless two have it; no name leads to another host', () => {
  for (const h of hosts.filter((x) => !x.unlisted))
    for (const n of [h.name, h.latin, ...h.also]) {
      const found = read(n);
      expect('hostId' in found ? [found.hostId] : found.mayBe).toContain(h.id);
    }
});

it('a name with one slip is asked with its own host first', () => {
  let first = 0;
  const names = hosts.filter((h) => !h.unlisted && h.name.length >= 6);
  for (const [i, h] of names.entries()) {
    const at = 2 + (i % (h.name.length - 4));
    const slip = h.name.slice(0, at) + h.name.slice(at + 1);
    const found = read(slip);
    const near = 'hostId' in found ? [found.hostId] : found.mayBe;
    if (near[0] && hosts.find((x) => x.id === near[0])!.name === h.name) first++;
  }
  expect(first / names.length).toBeGreaterThan(0.9);
});

it('the distance counts changes, swaps once, is the same both ways, and stops at its bound', () => {
  expect(editDistance('wich elm', 'wych elm', 5)).toBe(1);
  expect(editDistance('hrosechestnut', 'horsechestnut', 5)).toBe(1);
  expect(editDistance('oak', 'hornbeam', 3)).toBe(4);
  const word = fc.string({ unit: fc.constantFrom('a', 'b', 'c'), maxLength: 8 });
  fc.assert(
    fc.property(word, word, fc.integer({ min: 0, max: 9 }), (a, b, most) => {
      const whole = editDistance(a, b, 99);
      expect(editDistance(b, a, 99)).toBe(whole);
      expect(editDistance(a, b, most)).toBe(Math.min(whole, most + 1));
      expect(whole).toBeGreaterThanOrEqual(Math.abs(a.length - b.length));
      expect(whole === 0).toBe(a === b);
    }),
  );
});

it('a list of thousands of spellings that nothing is called by costs a few hundred guesses, and not more', () => {
  const own = speciesIndex(hosts);
  const asked = Array.from({ length: 20_000 }, (_, i) => own.read(`wich elm ${i}`));
  const guessed = asked.filter((a) => 'mayBe' in a && a.mayBe.length > 0).length;
  expect(guessed).toBeGreaterThan(0);
  expect(guessed).toBeLessThanOrEqual(400);
  // What is called by its name is read all the same.
  expect(own.read('wych elm')).toEqual({ hostId: 'wych-elm' });
});
