import { hosts } from '@/knowledge';
import { speciesIndex } from './species';

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
