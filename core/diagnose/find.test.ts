import { shipped } from '@/knowledge';
import { EVERYDAY } from '@/knowledge/everyday';
import { guideSearch } from './find';

const search = guideSearch(shipped, EVERYDAY);
const found = (words: string) => search.conditions(words).map((c) => c.id);

it.each([
  ['emerald ash borer', 'emerald-ash-borer'],
  ['emerld ash borrer', 'emerald-ash-borer'],
  ['Agrilus planipennis', 'emerald-ash-borer'],
  ['agrilus planipenis', 'emerald-ash-borer'],
  ['Kretzschmaria', 'brittle-cinder'],
  ['meripilus', 'giant-polypore'],
  ['Xylella', 'xylella'],
  ['san jose scale', 'san-jose-scale'],
  ['dryads saddle', 'dryads-saddle-rot'],
  ['peacock spot', 'peacock-spot'],
])('“%s” finds it first', (words, id) => expect(found(words)[0]).toBe(id));

it.each([
  ['shepherd’s crook', 'fire-blight'],
  ['sticky car', 'lime-aphid'],
  ['white fluff', 'mealybug'],
  ['white fluf', 'woolly-apple-aphid'],
  ['black soot', 'sooty-mould'],
  ['worms in apples', 'codling-moth'],
  ['hairy caterpillars', 'oak-processionary'],
  ['conk', 'ganoderma-rot'],
  ['hedge going brown', 'cypress-canker'],
  ['flour', 'powdery-mildew'],
])('what people call “%s” leads to it', (words, id) => expect(found(words)).toContain(id));

it('signs are found by their own words and by what people say', () => {
  expect(search.signs('tooth marks')).toEqual(expect.arrayContaining(['gnaw-fine-low', 'gnaw-broad']));
  expect(search.signs('sticky car')[0]).toBe('sticky-below');
});

it('what nobody says finds nothing, and everything that people say leads somewhere', () => {
  expect(found('qwzx vbnk')).toEqual([]);
  for (const [said] of EVERYDAY) expect([said, found(said).length > 0]).toEqual([said, true]);
});

it('every condition is found by its own name, and by each of its Latin names', () => {
  for (const c of shipped.conditions) {
    expect([c.id, found(c.name)[0]]).toEqual([c.id, c.id]);
    for (const latin of c.latin?.split(', ') ?? [])
      expect([latin, found(latin).slice(0, 8)]).toEqual([latin, expect.arrayContaining([c.id])]);
  }
});
