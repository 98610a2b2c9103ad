import fc from 'fast-check';
import { rowsBy, tagsOf, visitAt, type Order, type RibbonData, type VisitGroup } from './ribbon';

const abouts = [
  { words: 'Foliar spray, sulphur', problem: 'Apple scab', programme: 'Orchard apple', step: 'Scab cover' },
  { words: 'Trunk guard', problem: null, programme: null, step: null },
  { words: 'Look at the top', problem: null, programme: 'Orchard apple', step: 'Look' },
];
const row = (id: string, problem: string | null) => ({ id, label: id, problem, bands: [], marks: [] });
const dataOf = (groups: VisitGroup[]): RibbonData => ({
  trees: ['001', '002', '003', '007'].map((tag) => ({
    id: `t${tag}`,
    tag,
    hostId: 'cider-apple',
    host: 'Cider apple',
  })),
  abouts,
  groups,
  growth: [row('growth', null)],
  bloom: { 'cider-apple': [{ from: '2027-05-01', to: '2027-05-14', tone: 'bloom', words: 'in bloom' }] },
  heat: [row('heat', 'Codling moth')],
  infections: [row('infections', 'Apple scab')],
  times: [],
  lives: [],
  picking: [],
});
const group = (about: number, trees: number[], state: VisitGroup['state'] = 'planned'): VisitGroup => ({
  about,
  day: '2027-05-03',
  earliest: '2027-05-01',
  latest: '2027-05-09',
  state,
  moves: state === 'planned' ? 'programme' : null,
  assignmentId: null,
  accepted: false,
  on: trees.map((tree) => ({ tree, id: `v${about}${tree}`, planId: null })),
});
const groups = fc.array(
  fc.tuple(fc.nat({ max: 2 }), fc.subarray([0, 1, 2, 3], { minLength: 1 }), fc.constantFrom('planned', 'done', 'left')),
  { maxLength: 12 },
);

describe('the ribbons of a place', () => {
  it('show every visit once in each order, on a row for each tree where trees are asked for', () => {
    fc.assert(
      fc.property(groups, fc.constantFrom<Order>('place', 'programme', 'problem', 'tree'), (of, order) => {
        const data = dataOf(of.map(([a, on, s]) => group(a, on, s as VisitGroup['state'])));
        const marks = rowsBy(data, order).flatMap((r) => r.marks);
        const want = data.groups.flatMap((g, i) =>
          order === 'tree' ? g.on.map((o) => `${i}:${o.tree}`) : [String(i)],
        );
        expect(marks.map((m) => m.id).sort()).toEqual(want.sort());
        for (const m of marks) {
          const found = visitAt(data, m.id!)!;
          expect(found.on.length).toBe(order === 'tree' ? 1 : found.group.on.length);
          expect(m.movable).toBe(found.group.moves !== null);
        }
      }),
    );
  });

  it('by programme: a row a step, then what stands by itself', () => {
    const data = dataOf([group(1, [0]), group(0, [0, 1, 2]), group(2, [3])]);
    expect(rowsBy(data, 'programme').map((r) => r.label)).toEqual([
      'Orchard apple: Scab cover (3)',
      'Orchard apple: Look (1)',
      'Trunk guard (1)',
    ]);
  });

  it('by trouble: what hatches, infects and is done against it on one row; what acts on none in particular below', () => {
    const rows = rowsBy(dataOf([group(0, [0, 1]), group(1, [0])]), 'problem');
    expect(rows.map((r) => [r.label, r.marks.length])).toEqual([
      ['Apple scab', 1],
      ['Codling moth', 0],
      ['Trunk guard (1)', 1],
    ]);
  });

  it('names trees in runs, and tells what was missed and left out by its mark', () => {
    const data = dataOf([group(0, [3, 0, 1, 2], 'missed'), group(1, [1], 'left')]);
    expect(tagsOf(data, data.groups[0]!)).toBe('001–003, 007');
    expect(
      rowsBy(data, 'place')
        .flatMap((r) => r.marks)
        .map((m) => [m.tone, m.words]),
    ).toEqual([
      ['missed', '001–003, 007: Foliar spray, sulphur'],
      ['left', '002: Trunk guard'],
    ]);
    expect(visitAt(data, '9')).toBeNull();
  });
});
