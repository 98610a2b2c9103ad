import fc from 'fast-check';
import { findHost } from '@/knowledge';
import { workOf } from './own-work';
import { customWorkSchema, type CustomWork } from './own-work-schema';
import { elmFacts } from './testing';
import { usualAnswers, type Answers, type WorkFacts } from './work';
import { findWork, WORKS, worksFor } from './works';

const facts: WorkFacts = {
  ...elmFacts,
  on: '2027-06-10',
  host: findHost('pedunculate-oak')!,
  condition: { id: 'lime-aphid', name: 'Lime aphid' },
};
const made = (more: object = {}): CustomWork =>
  customWorkSchema.parse({
    id: 'own-brushing',
    name: 'Brush it out',
    method: 'wash',
    counted: { what: 'Cracks', usual: 12 },
    steps: ['Brush from the top.'],
    minutes: { once: 10, each: 2 },
    basis: 'three years on the quay',
    ...more,
  });
const out = (more: object, a: Answers = {}, f: Partial<WorkFacts> = {}) => {
  const work = workOf(made(more));
  const all = { ...facts, ...f };
  return work.workOut(all, { ...usualAnswers(work, all), ...a });
};
const gates = (...args: Parameters<typeof out>) => out(...args).gates.map((g) => `${g.id} ${g.state}`);

it('what must be so is asked one by one, and holds until it is said', () => {
  const before = { before: ['Nobody parks below', 'The neighbour knows'] };
  expect(gates(before)).toEqual(['own-work-before-0 asked', 'own-work-before-1 asked']);
  expect(gates(before, { 'before-0': true })).toEqual(['own-work-before-1 asked']);
  expect(gates(before, { 'before-0': true, 'before-1': true })).toEqual([]);
});

it('its months are those of the northern year and may cross New Year', () => {
  expect(gates({ months: [10, 3] })).toEqual(['own-work-months tripped']);
  expect(gates({ months: [10, 3] }, {}, { on: '2026-01-10' })).toEqual([]);
  expect(gates({ months: [5, 9] })).toEqual([]);
});

it('one that cuts is held by the closed season, asks for dry bark, cleans its tools and dresses as the region wants', () => {
  expect(gates({ cuts: true })).toEqual(['closed-season tripped']);
  expect(gates({ cuts: true }, { hazard: true })).toEqual(['closed-season-hazard tripped']);
  expect(gates({ cuts: true }, { dry: false }, { on: '2027-10-10' })).toEqual(['cut-wet tripped']);
  const { steps } = out({ cuts: true }, {}, { wiltRegion: true });
  expect(steps[0]).toMatch(/disinfected/);
  expect(steps.at(-1)).toMatch(/Paint each cut at once/);
  expect(gates({})).toEqual([]);
});

it('minutes and the next look are those of the entry', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 500 }), fc.integer({ min: 0, max: 240 }), (count, each) => {
      const sheet = out({ minutes: { once: 5, each } }, { count });
      expect(sheet.minutes).toBe(5 + each * count);
      expect(sheet.figures[0]).toEqual({ name: 'Cracks', value: String(count), unit: '' });
    }),
  );
  expect(out({}).followUps).toEqual([]);
  expect(out({ again: { what: 'Look for crumbs', days: 30 } }).followUps).toMatchObject([
    { kind: 'look', what: 'Look for crumbs', after: { count: 30, unit: 'days' } },
  ]);
});

it('it is offered for its own conditions alone, where its method is, and found by whoever has it', () => {
  const customWorks = [made({ conditions: ['lime-aphid'] })];
  const offered = (more: object) =>
    worksFor({ ...facts, customWorks, ...more }, [{ method: 'wash' }]).fit.map((w) => w.id);
  expect(offered({})).toContain('own-brushing');
  expect(offered({ condition: { id: 'beech-scale', name: 'Beech scale' } })).not.toContain('own-brushing');
  expect(worksFor({ ...facts, customWorks }, [{ method: 'fence' }]).fit.map((w) => w.id)).not.toContain('own-brushing');
  expect(findWork('own-brushing', customWorks)?.name).toBe('Brush it out');
  expect(findWork('own-brushing', [])).toBeNull();
  expect(WORKS.some((w) => w.id === 'own-brushing')).toBe(false);
});

it.each([
  ['an id of what ships', { id: 'wash' }],
  ['no step', { steps: [] }],
  ['what is no method', { method: 'prayer' }],
  ['minutes below nothing', { minutes: { once: -1, each: 1 } }],
  ['a thirteenth month', { months: [1, 13] }],
  ['what nobody asked for', { dose: 5 }],
])('an entry with %s is refused', (_, more) => expect(() => made(more)).toThrow());
