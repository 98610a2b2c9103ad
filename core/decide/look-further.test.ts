import { conditions, shipped } from '@/knowledge';
import type { Condition } from '../diagnose/knowledge';
import { signsOf } from '../diagnose/reading';
import { baseOf } from './base';
import { fearedSteps, inspectionSteps } from './look-further';

const base = baseOf(shipped);
const nothing = { findings: [], tests: [] };
/** One that a test decides, and one that is known by its signs alone. */
const tested = conditions.find((c) => c.deciding && c.kind === 'fungus')!;
const bySigns = conditions.find((c) => !c.deciding && signsOf(c).length > 1 && c.kind === 'chewer')!;

describe('the steps that settle what is feared', () => {
  it('asks the test that decides it, once, and its signs where the test is done', () => {
    const first = fearedSteps([tested, tested], nothing, base);
    expect(first.map((s) => s.id)).toContain(tested.deciding!.test);
    expect(new Set(first.map((s) => s.id)).size).toBe(first.length);
    const done = { findings: [], tests: [{ test: tested.deciding!.test, outcome: 'none' }] };
    expect(fearedSteps([tested], done, base)[0]!.id).toBe(signsOf(tested).find((s) => base.sign(s)));
  });

  it('looks for the first of its signs that nobody has looked for', () => {
    const [one, two] = signsOf(bySigns).filter((s) => base.sign(s));
    const at = (state: string) => ({ findings: [{ sign: one!, state }], tests: [] });
    expect(fearedSteps([bySigns], nothing, base)).toEqual([
      expect.objectContaining({ id: one, what: `Look for: ${base.sign(one!)!.words}`, minutes: 1 }),
    ]);
    expect(fearedSteps([bySigns], at('not looked'), base)[0]!.id).toBe(one);
    for (const state of ['seen', 'absent']) expect(fearedSteps([bySigns], at(state), base)[0]!.id).toBe(two);
  });

  it('fears nothing of what does no harm or has no name, and comes back in the growing season where all is done', () => {
    const mild = conditions.filter((c): c is Condition => c.kind === 'harmless' || c.kind === 'unknown');
    expect(new Set(mild.map((c) => c.kind))).toEqual(new Set(['harmless', 'unknown']));
    for (const c of mild) expect(fearedSteps([c], nothing, base).map((s) => s.id)).toEqual(['again']);
    expect(fearedSteps([mild[0]!, bySigns], nothing, base)).toHaveLength(1);
    const seen = { findings: signsOf(bySigns).map((sign) => ({ sign, state: 'absent' })), tests: [] };
    expect(fearedSteps([bySigns], seen, base).map((s) => s.id)).toEqual(['again']);
  });

  it('asks three things of one visit at most', () => {
    const many = conditions.filter((c) => c.kind === 'fungus' || c.kind === 'chewer').slice(0, 12);
    expect(fearedSteps(many, nothing, base)).toHaveLength(3);
  });
});

describe('what has not been looked at', () => {
  it('comes in its order; where something is wrong the walk follows, without the tests that are done', () => {
    const sight = { missing: ['collar', 'vigour'] } as unknown as Parameters<typeof inspectionSteps>[0];
    expect(inspectionSteps(sight, [], false, base).map((s) => s.id)).toEqual(['collar', 'vigour']);
    const walk = inspectionSteps(sight, [{ test: 'soil-probe', outcome: 'moist' }], true, base).map((s) => s.id);
    expect(walk.slice(0, 3)).toEqual(['collar', 'vigour', 'dig-collar']);
    expect(walk).not.toContain('soil-probe');
    expect(walk).toContain('pull-roots');
  });
});
