import fc from 'fast-check';
import { beforeDriving, isTicked, loadLine, nextStop, openEnds, stopsOf, type DayItem, type Stands } from './day';

const item = (id: string, siteId: string, stands: Stands): DayItem => ({ id, kind: 'plan', siteId, stands });
const anyItems = fc.array(
  fc.record({
    id: fc.uuid(),
    kind: fc.constantFrom('plan' as const, 'work' as const, 'look' as const),
    siteId: fc.constantFrom('a', 'b', 'c'),
    stands: fc.constantFrom<Stands>('done', 'hangs', 'left', 'dropped', 'open'),
  }),
  { maxLength: 20 },
);

it('a day is closed only when everything on it is done or left with its reason and nothing hangs', () =>
  fc.assert(
    fc.property(anyItems, (items) => {
      const ends = openEnds(items, []);
      const waits = items.filter((i) => i.stands === 'open' || i.stands === 'hangs').map((i) => i.id);
      expect(ends.flatMap((e) => (e.by === 'batch' ? [] : e.itemIds)).sort()).toEqual([...waits].sort());
    }),
  ));

it('what is left of a mix keeps a day open until somebody says what became of it', () => {
  expect(openEnds([item('x', 'a', 'done')], [{ id: 'b1', name: 'Stock bottle', leftMl: 120 }])).toEqual([
    { by: 'batch', batchId: 'b1', name: 'Stock bottle', leftMl: 120 },
  ]);
});

it('stops keep the order of the day, each place once, and lose nothing', () =>
  fc.assert(
    fc.property(anyItems, (items) => {
      const stops = stopsOf(items);
      expect(stops.flatMap((s) => s.items.map((i) => i.id)).sort()).toEqual(items.map((i) => i.id).sort());
      expect(stops.map((s) => s.siteId)).toEqual([...new Set(items.map((i) => i.siteId))]);
      for (const s of stops) expect(s.items).toEqual(items.filter((i) => i.siteId === s.siteId));
    }),
  ));

it('the next stop is the first with something that nobody has begun; what hangs does not hold the crew back', () => {
  const stops = stopsOf([
    item('1', 'a', 'hangs'),
    item('2', 'a', 'done'),
    item('3', 'b', 'left'),
    item('4', 'c', 'open'),
  ]);
  expect(nextStop(stops)?.siteId).toBe('c');
  expect(nextStop(stops.slice(0, 2))).toBeNull();
});

it('a ticked line of the load wants to be seen anew when it says another amount', () => {
  const line = loadLine('Products', 'Training label 1');
  const ticks = new Map([[line, '191 mL']]);
  expect(isTicked(ticks, line, '191 mL')).toBe(true);
  expect(isTicked(ticks, line, '250 mL')).toBe(false);
  expect(isTicked(ticks, loadLine('Products', 'Water'), '')).toBe(false);
});

it('before driving: services where the ground is opened, neighbours where it drifts, the client until they are told', () => {
  const stop = (siteId: string, more: object) => ({ siteId, methods: [], workIds: [], told: true, ...more });
  expect(
    beforeDriving([
      stop('a', { methods: ['soil-injection'] }),
      stop('b', { methods: ['foliar-spray', 'trunk-injection'], told: false }),
      stop('c', { workIds: ['trenches'] }),
      stop('d', { methods: ['soil-drench'], workIds: ['guard'] }),
    ]),
  ).toEqual([
    { siteId: 'a', what: 'services' },
    { siteId: 'b', what: 'neighbours' },
    { siteId: 'b', what: 'client' },
    { siteId: 'c', what: 'services' },
  ]);
});
