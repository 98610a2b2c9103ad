import fc from 'fast-check';
import { idsIn } from './named';

it('finds every id of a write, however deep, each once, and nothing that is none', () => {
  fc.assert(
    fc.property(fc.array(fc.uuid(), { maxLength: 6 }), fc.string(), ([first, ...rest], other) => {
      const input = {
        id: first,
        rows: rest.map((planId) => ({ planId, more: [planId] })),
        note: other,
        n: 4,
        no: null,
      };
      const ids = first ? [first, ...rest] : [];
      expect(idsIn(input).sort()).toEqual([...new Set(ids)].sort());
    }),
  );
});

it('a write that names more than any row does is cut off, not followed for ever', () => {
  const id = (n: number) => `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
  expect(idsIn(Array.from({ length: 5000 }, (_, n) => id(n)))).toHaveLength(600);
});
