import fc from 'fast-check';
import { dayAfter } from '../../lib/calendar/days';
import { linesOf, totalOf, type OfferedVisit } from './property';

const visit = fc
  .record({
    id: fc.uuid(),
    tag: fc.integer({ min: 1, max: 60 }).map((n) => String(n).padStart(3, '0')),
    what: fc.constantFrom('Infusion', 'Scab cover', 'Mulch ring', 'Look at the top'),
    against: fc.constantFrom('', 'Apple scab'),
    day: fc.integer({ min: 0, max: 200 }).map((n) => dayAfter('2027-03-01', n, 'days')),
    cost: fc.integer({ min: 0, max: 20_000 }),
    maybe: fc.boolean(),
  })
  .map((v): OfferedVisit => ({ ...v, walk: Number(v.tag) }));
const runs = (tags: readonly string[]) => tags.join(', ');

describe('an offer for a property', () => {
  it('loses no visit and no penny, and names each tree of a line once, in walking order', () => {
    fc.assert(
      fc.property(fc.uniqueArray(visit, { selector: (v) => v.id, maxLength: 80 }), (visits) => {
        const lines = linesOf(visits, runs);
        expect(lines.flatMap((l) => l.covers).sort()).toEqual(visits.map((v) => v.id).sort());
        expect(lines.reduce((s, l) => s + l.price, 0)).toBe(visits.reduce((s, v) => s + v.cost, 0));
        for (const l of lines) {
          const tags = l.trees.split(', ');
          expect(tags).toEqual([...new Set(tags)].sort());
          expect(l.count).toBe(tags.length);
        }
        expect(lines.map((l) => l.days[0]!)).toEqual(lines.map((l) => l.days[0]!).sort());
      }),
    );
  });

  it('asks coming out once a day: together never more than apart, and no less than the dearest of them', () => {
    fc.assert(
      fc.property(fc.array(visit, { minLength: 1, maxLength: 60 }), fc.nat({ max: 10_000 }), (visits, comingOut) => {
        const lines = linesOf(visits, runs);
        const offer = { lines, comingOut };
        const all = totalOf(
          offer,
          lines.map((l) => l.key),
        );
        const apart = lines.map((l) => totalOf(offer, [l.key]).total);
        expect(all.total).toBeLessThanOrEqual(apart.reduce((a, b) => a + b, 0));
        expect(all.total).toBeGreaterThanOrEqual(Math.max(...apart));
        expect(all.total).toBe(all.work + all.days * comingOut);
      }),
    );
  });

  it('counts apart what waits for a look, and nothing where nothing is taken', () => {
    const base = { tag: '001', walk: 1, what: 'Caterpillars', against: '', day: '2027-05-01', cost: 4000 };
    const lines = linesOf(
      [
        { ...base, id: 'a', maybe: true },
        { ...base, id: 'b', maybe: false },
      ],
      runs,
    );
    expect(lines).toHaveLength(2);
    expect(
      totalOf(
        { lines, comingOut: 6500 },
        lines.map((l) => l.key),
      ),
    ).toEqual({
      work: 4000,
      days: 1,
      comingOut: 6500,
      total: 10_500,
      maybe: 4000,
    });
    expect(totalOf({ lines, comingOut: 6500 }, [])).toMatchObject({ total: 0, days: 0, maybe: 0 });
  });
});
