import { sourcesOf, usualSource } from './sources';

const lot = { id: 'l', lotNumber: '26-031', onHand: 500, expiresOn: '2027-01-01' };
const made = (id: string, leftMl: number) => ({
  id,
  code: id.toUpperCase(),
  product: 10,
  totalMl: 1000,
  leftMl,
  goodUntil: new Date('2026-06-01T23:00:00Z'),
  lots: [{ id: 'l', expires: '2027-01-01' }],
  planIds: ['p1', 'p2'],
});

it('what is mixed is used up before a lot is opened, several mixes together before one of them', () => {
  const sources = sourcesOf([lot], [made('a', 500), made('b', 900)], ['p2']);
  expect(sources.map((s) => s.id)).toEqual(['mix', 'mix a', 'mix b', 'l']);
  expect(sources[0]).toMatchObject({ batchIds: ['a', 'b'], lotId: 'l', name: 'A, B', leftMl: 1400, onHand: 14 });
  expect(usualSource(sources, 12, '2026-06-01')).toBe('mix');
  // Not enough of it is mixed: the lot, unless more is mixed first.
  expect(usualSource(sources, 20, '2026-06-01')).toBe('l');
  expect(sourcesOf([lot], [made('a', 500)], ['p1']).map((s) => s.id)).toEqual(['mix a', 'l']);
});

it('an expired lot is the answer only where there is nothing else', () => {
  const old = { ...lot, id: 'o', expiresOn: '2026-05-01' };
  expect(usualSource(sourcesOf([old, lot], [], []), 10, '2026-06-01')).toBe('l');
  expect(usualSource(sourcesOf([old], [], []), 10, '2026-06-01')).toBe('o');
  expect(usualSource([], 10, '2026-06-01')).toBe('');
});

it('what was mixed for other trees is there, and is nobody’s usual answer', () => {
  const sources = sourcesOf([lot], [made('a', 500), { ...made('b', 900), planIds: ['p9'] }], ['p1']);
  expect(sources.map((s) => s.id)).toEqual(['mix a', 'l', 'mix b']);
  expect(usualSource(sourcesOf([lot], [made('a', 900)], ['p9']), 5, '2026-06-01')).toBe('l');
});
