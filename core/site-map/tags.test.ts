import fc from 'fast-check';
import { tagsIn } from './tags';

const has = (line: string, tag: string) => {
  const list = tagsIn(line);
  return list.ok ? list.has(tag) : list.sentence;
};

it.each([
  ['', '042', true],
  ['42', '042', true],
  ['042', '42', false],
  ['1-9', '009', true],
  ['1–9', '010', false],
  ['7 to 9', '8', true],
  ['7, E2; A3-A9', 'A5', true],
  ['7, E2; A3-A9', 'e2', true],
  ['A3-9', 'A7', true],
  ['A3-9', '7', false],
  ['N-12', 'N-12', true],
  ['N-12-N-20', 'N-14', true],
])('%s holds %s: %s', (line, tag, expected) => expect(has(line, tag)).toBe(expected));

it.each(['9-1', 'A3-B9'])('%s is told', (line) => expect(has(line, '1')).toContain(line));

it('property: a range holds the numbers between its ends and no other', () => {
  fc.assert(
    fc.property(fc.nat(999), fc.nat(999), fc.nat(999), fc.constantFrom('', 'A', 'row-'), (a, b, n, prefix) => {
      const [from, to] = a < b ? [a, b] : [b, a];
      expect(has(`${prefix}${from}-${prefix}${to}`, `${prefix}${String(n).padStart(3, '0')}`)).toBe(
        n >= from && n <= to,
      );
    }),
  );
});
