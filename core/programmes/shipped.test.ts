import { concerns } from '../diagnose/reading';
import { usesHost } from '../label/match';
import { findWork } from '../work/works';
import { findCondition, growthOf, heatModels, hosts, programmes, trainingLabels } from '@/knowledge';
import { stepSpans } from './spans';
import { ground, yearOf } from './testing';
import { assignVisits } from './assign';

const hostsOf = (groups: readonly string[]) => hosts.filter((h) => !h.unlisted && concerns(groups, h));

it('ships fifteen at least, each with its own key, for hosts that are known', () => {
  expect(programmes.length).toBeGreaterThanOrEqual(15);
  expect(new Set(programmes.map((p) => p.key)).size).toBe(programmes.length);
  expect(new Set(programmes.map((p) => p.school)).size).toBe(3);
  for (const p of programmes) expect([p.key, hostsOf(p.groups).length > 0]).toEqual([p.key, true]);
});

describe.each(programmes.map((p) => [p.key, p] as const))('%s', (_, programme) => {
  const at = hostsOf(programme.groups);
  it.each(programme.steps.map((s) => [s.key, s] as const))(
    '%s names what is there, and can be carried out',
    (__, step) => {
      const named = step.act.kind === 'treat' ? step.act.against : step.act.kind === 'look' ? step.act.of : [];
      for (const id of [...named, ...step.onlyHad]) expect([id, findCondition(id) !== null]).toEqual([id, true]);
      // Each trouble is one of the hosts that the programme is for.
      for (const id of named) {
        const { groups } = findCondition(id)!;
        expect([id, at.some((h) => concerns(groups, h))]).toEqual([id, true]);
      }
      if (step.act.kind === 'work') expect(findWork(step.act.work, [])?.id).toBe(step.act.work);
      if (step.when.by === 'heat') {
        const { model } = step.when;
        expect(heatModels.map((m) => m.id)).toContain(model);
      }
      // A stage is one that a host of it has.
      if (step.when.by === 'stage') {
        const { from, to } = step.when;
        const codes = at.flatMap((h) => {
          const growth = growthOf(h);
          return growth ? [...growth.spring, ...(growth.autumn?.stages ?? [])].map((x) => x.code) : [];
        });
        expect([from, codes.includes(from)]).toEqual([from, true]);
        expect([to, codes.includes(to)]).toEqual([to, true]);
      }
      if (step.act.kind === 'treat') {
        const { against, methods, families } = step.act;
        const carries = trainingLabels.filter(
          (l) =>
            (programme.school !== 'organic' || l.organic) &&
            (families.length === 0 || l.actives.some((a) => families.includes(a.family))) &&
            l.uses.some(
              (u) =>
                u.targets.some((t) => against.includes(t)) &&
                (methods.length === 0 || methods.includes(u.method)) &&
                at.some((h) => usesHost(u, h.id, h.groups)),
            ),
        );
        expect(carries.map((l) => l.key)).not.toEqual([]);
      }
    },
  );
  it('laid over one of its trees has something to do', () => {
    const host = at[0]!;
    const { treatmentContext: context } = ground();
    const visits = assignVisits(programme, ground({ treatmentContext: { ...context, host }, until: '2028-11-25' }));
    expect(visits.filter((v) => v.state !== 'stopped').length).toBeGreaterThan(0);
  });
});

describe('the times of a step', () => {
  const span = { from: '2026-11-26', to: '2027-11-25' };
  const of = (when: Parameters<typeof stepSpans>[0], south = false) => stepSpans(when, yearOf(2026), south, span);
  it('by months cross New Year as one time, and what has begun begins with the plan', () => {
    expect(of({ by: 'months', from: 11, to: 2 })).toEqual([
      expect.objectContaining({
        from: '2026-11-26',
        to: '2027-02-28',
        year: 2027,
        reasons: [expect.objectContaining({ by: 'months' }), { by: 'begun', from: '2026-11-26' }],
      }),
      expect.objectContaining({ from: '2027-11-01', year: 2028 }),
    ]);
    expect(of({ by: 'months', from: 5, to: 6 }, true)[0]).toMatchObject({ from: '2026-11-26', to: '2026-12-31' });
  });
  it('by stage or heat come once a season; of a sum that nobody began to count there is none', () => {
    expect(of({ by: 'stage', from: 60, to: 65 }).map((s) => [s.from, s.to])).toEqual([['2027-04-19', '2027-04-23']]);
    expect(of({ by: 'heat', model: 'spongy-moth-hatch', days: 21 }).map((s) => [s.from, s.to])).toEqual([
      ['2027-05-05', '2027-05-26'],
    ]);
    expect(of({ by: 'heat', model: 'codling-moth-hatch', days: 21 })).toEqual([]);
  });
});
