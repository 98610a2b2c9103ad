import { findCondition } from '@/knowledge';
import type { Candidate } from '../diagnose/rank';
import { decide, type DecideInput } from './decide';

const as = (id: string, p = 0.95): Candidate => {
  const c = findCondition(id)!;
  return { id, name: c.name, kind: c.kind, harmless: c.kind === 'harmless', p };
};
const run = (ids: Candidate[], more: Partial<DecideInput> = {}) =>
  decide({ month: 6, candidates: ids, findings: [], tests: [], crownLoss: 5, vigour: 'good', ...more }, findCondition);
const seen = (sign: string, grade = 3) => ({ sign, state: 'seen' as const, grade });
const window = { tests: [{ test: 'peel-window', outcome: 's-galleries' }], findings: [seen('exit-holes-d')] };

it('crown loss stops a borer treatment by the knowledge, and by the school that was chosen', () => {
  const at = (crownLoss: number, crownSchool: 'knowledge' | 30 | 50) =>
    run([as('emerald-ash-borer')], {
      ...window,
      crownLoss,
      schools: { crownLoss: crownSchool, programme: 'conventional' },
    });
  expect(at(30, 'knowledge').decision).toBe('treat now');
  expect(at(31, 'knowledge').decision).toBe('manage or remove');
  expect(at(45, 50).decision).toBe('treat now');
  expect(at(45, 50).school.join()).toMatch(/50 %/);
  expect(at(51, 50).decision).toBe('manage or remove');
});

it('a weak tree is restored first, unless the pest is the weakness', () => {
  expect(run([as('emerald-ash-borer')], { ...window, vigour: 'poor' }).decision).toBe('restore vigour first');
  const hemlock = run([as('hemlock-woolly-adelgid')], {
    vigour: 'poor',
    month: 4,
    findings: [seen('wool-needle-base')],
  });
  expect(hemlock.decision).toBe('treat now');
  expect(hemlock.reasons.map((r) => r.id)).toContain('weak-from-pest');
});

it('a follower is never treated for itself: its driver is, or nothing', () => {
  const driven = run([as('sooty-mould'), as('magnolia-scale', 0.8)], { month: 9, findings: [seen('scale-covers')] });
  expect([driven.condition, driven.decision]).toEqual(['magnolia-scale', 'treat now']);
  expect(run([as('sooty-mould'), as('magnolia-scale', 0.1)]).decision).toBe('leave it alone');
  const birch = run([as('bronze-birch-borer'), as('drought-stress', 0.7)], {
    tests: [{ test: 'peel-window', outcome: 'zigzag' }],
    findings: [seen('exit-holes-d')],
  });
  expect([birch.decision, birch.drivers]).toEqual(['restore vigour first', ['drought-stress']]);
});

it('what is at stake sets how sure it must be', () => {
  expect(run([as('fire-blight', 0.97)], { findings: [seen('tips-hook')] }).decision).toBe('laboratory first');
  expect(run([as('emerald-ash-borer', 0.7)], { findings: [seen('top-dieback')] }).decision).toBe('test first');
  expect(run([as('canker-stain')], { tests: [{ test: 'lab-fungus', outcome: 'canker-stain' }] }).decision).toBe(
    'report',
  );
  expect(run([as('something-else', 0.6)]).decision).toBe('test first');
  expect(run([as('lime-aphid', 0.2)]).decision).toBe('test first');
});

it('nothing is told to a client that is not known', () => {
  expect(run([as('emerald-ash-borer', 0.7)]).tell).toMatch(/not sure yet/);
  expect(run([as('fire-blight', 0.97)], { findings: [seen('tips-hook')] }).tell).toMatch(/laboratory/i);
});

it('what was properly done and did nothing is not offered again', () => {
  const again = run([as('lime-aphid')], { findings: [seen('aphids-live', 4)], noEffect: ['lime-aphid'] });
  expect(again.decision).toBe('test first');
  expect(again.reasons.map((r) => r.id)).toContain('no-effect');
});

it('a sound tree is protected only within reach of a find, and says why', () => {
  const sound = (km: number) =>
    run([as('nothing-wrong', 0.8), as('dutch-elm-disease', 0.02)], { nearby: { 'dutch-elm-disease': km } });
  expect(sound(15).decision).toBe('protect a sound tree');
  expect(sound(15).options.every((o) => o.use === 'protect')).toBe(true);
  expect(sound(15.1).decision).toBe('leave it alone');
  expect(
    run([as('nothing-wrong', 0.8), as('dutch-elm-disease', 0.02)], { history: ['dutch-elm-disease'] }).decision,
  ).toBe('protect a sound tree');
});

it('danger calls for an assessor: roots, bark, crown, decay; louder with people below', () => {
  const risk = (more: Partial<DecideInput>) =>
    run([as('drought-stress')], more).duties.find((d) => d.id === 'risk')?.sentence;
  expect(risk({})).toBeUndefined();
  expect(risk({ roots: { decayed: 1, doubtful: 0, of: 6 } })).toMatch(/1 of 6 main roots/);
  expect(risk({ barkLoss: 0.6, peopleBelow: true })).toMatch(/60 %.*before anything else/);
  expect(risk({ crownLoss: 60, peopleBelow: false })).toMatch(/wait for the next round/);
  expect(
    run([as('butt-rot')], { tests: [{ test: 'sound-trunk', outcome: 'hollow' }] }).duties.map((d) => d.id),
  ).toContain('risk');
});

it('an organic programme offers only what it may', () => {
  const organic = run([as('elm-leaf-beetle')], {
    findings: [seen('skeletons')],
    schools: { crownLoss: 'knowledge', programme: 'organic' },
  });
  expect(organic.options.every((o) => o.organic)).toBe(true);
});

it('below the threshold it is left alone; a count decides before a grade', () => {
  const aphids = (grade: number, counted?: { of: number; had: number }) =>
    run([as('lime-aphid')], { findings: [{ ...seen('aphids-live', grade), ...(counted ? { counted } : {}) }] })
      .decision;
  expect(aphids(2)).toBe('leave it alone');
  expect(aphids(3)).toBe('treat now');
  expect(aphids(4, { of: 20, had: 8 })).toBe('leave it alone');
});
