import fc from 'fast-check';
import { partnerWait } from '../gates/partners';
import { labelPeriod, within } from '../label/period';
import { dayAfter } from '../../lib/calendar/days';
import { hosts, programmes, trainingLabels } from '@/knowledge';
import { changesOf, type KeptVisit } from './changes';
import { assignVisits, releasing, underReason, type Ground, type AssignedVisit, type StandingVisit } from './assign';
import { yearProgrammeSchema, type ProgrammeStep, type YearProgramme } from './schema';
import { ground, labelsOf, TODAY, tree, yearOf } from './testing';
import { countedGroups } from './treat';

const programmeOf = (...steps: ProgrammeStep[]): YearProgramme => ({
  key: 'tried',
  name: 'Tried',
  about: 'For a test.',
  groups: [],
  school: 'conventional',
  years: 1,
  basis: 'a test',
  steps,
});
const step = (more: Partial<ProgrammeStep> = {}): ProgrammeStep => ({
  key: 'cover',
  name: 'Cover',
  act: { kind: 'treat', against: ['apple-scab'], methods: ['foliar-spray'], families: [], label: null, rotate: true },
  when: { by: 'stage', from: 7, to: 71 },
  toPicking: false,
  again: { days: [7, 10, 14], most: 8 },
  onlyIf: null,
  onlyHad: [],
  everyYears: 1,
  why: 'a test',
  ...more,
});
const inspectionStep = (more: Partial<ProgrammeStep> = {}): ProgrammeStep =>
  step({
    key: 'look',
    act: { kind: 'look', of: ['apple-scab'], how: 'look' },
    when: { by: 'months', from: 4, to: 4 },
    again: null,
    ...more,
  });
const days = (visits: readonly AssignedVisit[], key = 'cover') =>
  visits.filter((v) => v.step === key && v.state === 'planned').map((v) => v.day);
/** The visits as they would stand once they have been written down. */
const standing = (visits: readonly AssignedVisit[]): StandingVisit[] =>
  visits.flatMap((v) =>
    v.state === 'stopped'
      ? []
      : [
          {
            step: v.step,
            year: v.year,
            nth: v.nth,
            day: v.day,
            state: v.state === 'planned' ? ('open' as const) : v.state === 'expected' ? ('waiting' as const) : v.state,
            found: null,
            byHand: null,
            labelKey: v.act?.kind === 'treat' ? v.act.label.key : null,
            useKey: v.act?.kind === 'treat' ? v.act.use.key : null,
          },
        ],
  );
const kept = (visits: readonly AssignedVisit[]): KeptVisit[] =>
  visits.map((v) => ({
    ...v,
    id: `${v.step} ${v.year} ${v.nth}`,
    promised: v.state === 'planned',
    labelKey: v.act?.kind === 'treat' ? v.act.label.key : null,
    useKey: v.act?.kind === 'treat' ? v.act.use.key : null,
  }));

describe('a series of covers', () => {
  const captan = labelsOf('07');
  const one = programmeOf(step());
  it('begins with the stage, or with the label’s first month where that is later, and says which', () => {
    const visits = assignVisits(one, ground({ shelf: captan }));
    // Green tip is on 14 March; the label begins in April.
    expect(days(visits)).toEqual(['2027-04-01', '2027-04-11', '2027-04-21', '2027-05-01', '2027-05-11']);
    expect(visits[0]!.reasons).toEqual([
      expect.objectContaining({ by: 'stage', code: 7, day: '2027-03-14' }),
      { by: 'label', wished: '2027-03-14', product: captan[0]!.name },
    ]);
    expect(visits[1]!.reasons).toEqual([{ by: 'interval', day: '2027-04-01', days: 10, done: false }]);
  });
  it('goes on from what was done, not from what was planned', () => {
    const first = assignVisits(one, ground({ shelf: captan }));
    const done = standing(first).map((v) => (v.nth === 1 ? { ...v, state: 'done' as const, day: '2027-04-06' } : v));
    const now = tree('apple', { on: '2027-04-07' });
    const again = assignVisits(one, ground({ shelf: captan, treatmentContext: now, standing: done }));
    // The second was promised for the eleventh, five days after the first: the label wants seven.
    expect(again.find((v) => v.nth === 2)).toMatchObject({ day: '2027-04-16', earliest: '2027-04-13' });
  });
  it('keeps what stands as long as it may: a first done two days late moves nothing', () => {
    const first = assignVisits(one, ground({ shelf: captan }));
    const done = standing(first).map((v) => (v.nth === 1 ? { ...v, state: 'done' as const, day: '2027-04-03' } : v));
    const now = tree('apple', { on: '2027-04-03' });
    const again = assignVisits(one, ground({ shelf: captan, treatmentContext: now, standing: done }));
    expect(again.slice(1).map((v) => v.day)).toEqual(first.slice(1).map((v) => v.day));
  });
  it('comes sooner where rain wore the last one out, never before its shortest time', () => {
    const first = assignVisits(one, ground({ shelf: captan }));
    const done = standing(first).map((v) => (v.nth === 1 ? { ...v, state: 'done' as const } : v));
    const now = tree('apple', { on: '2027-04-05' });
    const worn = (renewOn: string) => [{ step: 'cover', year: 2027, nth: 1, renewOn, mm: 31 }];
    const under = (renewOn: string) =>
      assignVisits(one, ground({ shelf: captan, treatmentContext: now, standing: done, worn: worn(renewOn) })).find(
        (v) => v.nth === 2,
      );
    expect(under('2027-04-09')).toMatchObject({ day: '2027-04-09', reasons: [{ by: 'rain', mm: 31 }] });
    expect(under('2027-04-03')).toMatchObject({ day: '2027-04-08', reasons: [{ by: 'rain', mm: 31 }] });
    expect(under('2027-04-30')).toMatchObject({ day: '2027-04-11' });
  });
  it('moved by hand it stands on any day that the label leaves, what follows goes with it, and no other', () => {
    const first = assignVisits(one, ground({ shelf: captan }));
    const onDay = (day: string) =>
      assignVisits(
        one,
        ground({
          shelf: captan,
          standing: standing(first).map((v) =>
            v.nth === 2 ? { ...v, day, byHand: 'The wedding is on that day.' } : v,
          ),
        }),
      );
    const moved = onDay('2027-04-17');
    expect(moved.find((v) => v.nth === 2)).toMatchObject({
      day: '2027-04-17',
      reasons: [{ by: 'hand', because: 'The wedding is on that day.' }],
    });
    expect(moved.find((v) => v.nth === 3)!.day >= '2027-04-24').toBe(true);
    // Three days after the first: the label wants seven.
    expect(onDay('2027-04-04').find((v) => v.nth === 2)!.day).toBe('2027-04-08');
  });
  it('goes on to the picking of the tree, less the days of the label, and says what ends it', () => {
    const on = programmeOf(step({ when: { by: 'months', from: 5, to: 9 }, toPicking: true }));
    const context = tree('apple', { harvest: { from: '2027-07-20', to: '2027-08-01' } });
    const visits = assignVisits(on, ground({ shelf: captan, treatmentContext: context }));
    // 21 days before the twentieth of July.
    expect(days(visits).every((d) => d <= '2027-06-29')).toBe(true);
    expect(visits.at(-1)).toMatchObject({ state: 'stopped', stop: { why: 'no day', bounds: [{ by: 'picking' }] } });
    const late = assignVisits(on, ground({ shelf: captan, treatmentContext: tree() }));
    expect(days(late).length).toBeGreaterThan(days(visits).length);
  });
  it('takes another group each time, and none twice in a row for any reason', () => {
    const visits = assignVisits(one, ground({ shelf: labelsOf('21') }));
    expect(days(visits)).toHaveLength(1);
    expect(visits[1]).toMatchObject({ state: 'stopped', stop: { why: 'gates', gates: [{ id: 'resistance-again' }] } });
    expect(days(underReason(visits, 'Scab every spring.'))).toHaveLength(1);
  });
});

describe('partners that burn', () => {
  it('the sulphur waits for the days after the oil, and says so', () => {
    const programme = programmeOf(
      step({
        key: 'oil',
        act: {
          kind: 'treat',
          against: ['san-jose-scale'],
          methods: ['dormant-spray'],
          families: ['oil'],
          label: null,
          rotate: false,
        },
        when: { by: 'stage', from: 1, to: 7 },
        again: null,
      }),
      step({ again: null, when: { by: 'stage', from: 7, to: 71 } }),
    );
    const visits = assignVisits(programme, ground({ shelf: labelsOf('20', '22') }));
    expect(days(visits, 'oil')).toEqual(['2027-02-25']);
    expect(days(visits)).toEqual(['2027-03-27']);
  });
});

describe('what waits for a look', () => {
  const programme = programmeOf(
    inspectionStep(),
    step({
      key: 'again',
      when: { by: 'after', step: 'look', unit: 'days', span: [0, 2, 7] },
      again: null,
      onlyIf: { after: 'look', found: 'scab is there' },
    }),
    inspectionStep({ key: 'check', when: { by: 'after', step: 'again', unit: 'days', span: [6, 7, 9] } }),
  );
  const on = (found: boolean | null) => {
    const first = assignVisits(programme, ground({ shelf: labelsOf('07') }));
    const stood = standing(first).map((v) =>
      v.step === 'look' ? { ...v, state: 'done' as const, day: '2027-04-10', found } : v,
    );
    const context = tree('apple', { on: '2027-04-10' });
    return assignVisits(programme, ground({ shelf: labelsOf('07'), standing: stood, treatmentContext: context }));
  };
  it('is expected until somebody says, with everything that follows it', () => {
    const states = assignVisits(programme, ground({ shelf: labelsOf('07') })).map((v) => [v.step, v.state]);
    expect(states).toEqual([
      ['look', 'planned'],
      ['again', 'expected'],
      ['check', 'expected'],
    ]);
    expect(on(null).map((v) => v.state)).toEqual(['done', 'expected', 'expected']);
  });
  it('is planned from the day of the look where cause was found, and off with all that follows where none was', () => {
    expect(on(true).map((v) => [v.step, v.state, v.day])).toEqual([
      ['look', 'done', '2027-04-10'],
      ['again', 'planned', '2027-04-12'],
      ['check', 'planned', '2027-04-19'],
    ]);
    expect(on(false).map((v) => [v.step, v.state])).toEqual([
      ['look', 'done'],
      ['again', 'off'],
    ]);
  });
  it('a step for trees with a history is not laid on others', () => {
    const only = programmeOf(step({ onlyHad: ['fire-blight'] }));
    expect(assignVisits(only, ground())).toEqual([]);
    expect(assignVisits(only, ground({ had: ['fire-blight'] })).length).toBeGreaterThan(0);
  });
});

describe('years', () => {
  it('comes every third year, in the stages of a year that nobody can know yet', () => {
    const programme = programmeOf(
      step({
        act: {
          kind: 'treat',
          against: ['dutch-elm-disease'],
          methods: ['trunk-injection'],
          families: [],
          label: null,
          rotate: false,
        },
        when: { by: 'stage', from: 19, to: 92 },
        again: null,
        everyYears: 3,
      }),
    );
    const elm = tree('wych-elm', { harvest: null });
    const visits = assignVisits(
      programme,
      ground({ treatmentContext: elm, until: '2031-11-25', shelf: labelsOf('02') }),
    );
    expect(days(visits)).toEqual(['2027-05-08', '2030-05-08']);
  });
  it('lies half a year later in the south, where its months are turned', () => {
    const programme = programmeOf(step({ when: { by: 'months', from: 5, to: 5 }, again: null }));
    const south = tree('apple', {
      south: true,
      on: '2026-07-01',
      harvest: { from: '2027-03-01', to: '2027-04-01' },
    });
    const visits = assignVisits(
      programme,
      ground({ treatmentContext: south, from: '2026-07-01', until: '2027-06-30', shelf: labelsOf('07') }),
    );
    expect(days(visits)).toEqual(['2026-11-01']);
  });
});

describe('a programme as data', () => {
  const good = programmes[0]!;
  const first = good.steps[0]!;
  it.each([
    ['two steps of one key', { steps: [first, first] }, 'Another step has this key'],
    [
      'a step after one that comes later',
      { steps: [{ ...first, when: { by: 'after', step: 'b', unit: 'days', span: [1, 2, 3] } }] },
      'must stand before it',
    ],
    [
      'a condition that no look decides',
      { steps: [first, { ...first, key: 'b', onlyIf: { after: first.key, found: 'it is there' } }] },
      'must be a look',
    ],
    ['a span that runs backwards', { steps: [{ ...first, again: { days: [9, 7, 8], most: 3 } }] }, 'in order'],
    ['no step', { steps: [] }, ''],
    ['eleven years', { years: 11 }, ''],
  ])('%s is refused', (_, more, words) => {
    const read = yearProgrammeSchema.safeParse({ ...good, ...more });
    expect(read.success).toBe(false);
    expect(JSON.stringify(read.error?.issues)).toContain(words);
  });
});

it('a reason of three signs releases nothing', () => {
  const holds = [{ id: 'x' }] as never;
  expect(releasing(holds, 'no ')).toEqual({});
  expect(releasing(holds, ' because ')).toEqual({ x: 'because' });
});

const anyGround = fc
  .record({
    host: fc.constantFrom(...hosts.filter((h) => !h.unlisted)),
    shift: fc.integer({ min: -40, max: 40 }),
    south: fc.boolean(),
    plus: fc.integer({ min: 0, max: 364 }),
    picking: fc.option(fc.integer({ min: 0, max: 500 }), { nil: null }),
    shelf: fc.subarray([...trainingLabels], { minLength: 4 }),
    earlier: fc.option(
      fc.record({ label: fc.constantFrom(...trainingLabels), ago: fc.integer({ min: 1, max: 300 }) }),
      {
        nil: null,
      },
    ),
  })
  .map(({ host, shift, south, plus, picking, shelf, earlier }): Ground => {
    const today = dayAfter(TODAY, plus, 'days');
    const context = tree(host.id, {
      on: today,
      south,
      year: yearOf(Number(today.slice(0, 4)), south ? shift + 182 : shift),
      harvest:
        picking === null || !host.edible
          ? null
          : { from: dayAfter(today, picking, 'days'), to: dayAfter(today, picking + 20, 'days') },
      earlier: earlier
        ? [
            {
              day: dayAfter(today, -earlier.ago, 'days'),
              labelKey: earlier.label.key,
              actives: earlier.label.actives.map((a) => a.name),
              families: earlier.label.actives.map((a) => a.family),
              groups: earlier.label.actives.map((a) => `${a.group.scheme} ${a.group.code}`),
              notWith: earlier.label.notWith,
            },
          ]
        : [],
    });
    return ground({
      treatmentContext: context,
      shelf,
      from: today,
      until: dayAfter(today, 1, 'years'),
      had: ['fire-blight', 'san-jose-scale'],
    });
  });

it('property: whatever is laid keeps interval, number, partners, picking and groups, says why it moved, and stands when laid again', () => {
  fc.assert(
    fc.property(fc.constantFrom(...programmes), anyGround, (programme, g) => {
      const visits = assignVisits(programme, g);
      expect(visits.map((v) => v.day)).toEqual(visits.map((v) => v.day).sort());
      const put: { day: string; label: Ground['shelf'][number] }[] = [];
      for (const v of visits) {
        expect(v.earliest <= v.day && v.day <= v.latest).toBe(true);
        expect(v.day >= g.treatmentContext.on).toBe(true);
        expect(v.reasons.length).toBeGreaterThan(0);
        expect(v.state === 'stopped').toBe(v.stop !== null);
        if (v.state !== 'planned' || v.act?.kind !== 'treat') continue;
        const { label, use } = v.act;
        const before = [
          ...g.treatmentContext.earlier.map((e) => ({ day: e.day, key: e.labelKey, actives: e.actives, entry: e })),
          ...put.map((p) => ({
            day: p.day,
            key: p.label.key,
            actives: p.label.actives.map((a) => a.name),
            entry: {
              day: p.day,
              labelKey: p.label.key,
              actives: p.label.actives.map((a) => a.name),
              families: p.label.actives.map((a) => a.family),
              notWith: p.label.notWith,
            },
          })),
        ];
        const same = before.filter((b) => b.key === label.key || label.actives.some((a) => b.actives.includes(a.name)));
        const { minDays, maxPerYear, preHarvestDays } = use.intervals;
        for (const b of same) if (minDays) expect(dayAfter(b.day, minDays, 'days') <= v.day).toBe(true);
        const period = labelPeriod(use, v.day, g.treatmentContext.south);
        if (maxPerYear) expect(same.filter((b) => within(period, b.day)).length).toBeLessThan(maxPerYear);
        expect(
          partnerWait(
            label,
            before.map((b) => b.entry),
            v.day,
          )?.by ?? 'practice',
        ).toBe('practice');
        const { harvest, host } = g.treatmentContext;
        if (host.edible && harvest && preHarvestDays && v.day <= harvest.to!)
          expect(dayAfter(v.day, preHarvestDays, 'days') <= harvest.from).toBe(true);
        const of = programme.steps.find((s) => s.key === v.step)!;
        const last = put.filter((p) => countedGroups(p.label).length > 0).at(-1);
        if (of.act.kind === 'treat' && of.act.rotate && last && dayAfter(last.day, 300, 'days') > v.day)
          expect(countedGroups(last.label).some((x) => countedGroups(label).includes(x))).toBe(false);
        put.push({ day: v.day, label });
      }
      const again = assignVisits(programme, { ...g, standing: standing(visits) });
      expect(changesOf(kept(visits), again, g.treatmentContext.on)).toEqual([]);
    }),
    { numRuns: 150 },
  );
});
