import { regions, shipped } from '@/knowledge';
import { issuesIn } from './check';
import type { Condition, Knowledge } from './knowledge';
import { judgeCheck } from './effect';
import { overlay, CUSTOM_SCHEMAS } from '../custom/overlay';

const change = (id: string, change: Partial<Condition>): Knowledge => ({
  ...shipped,
  conditions: shipped.conditions.map((c) => (c.id === id ? { ...c, ...change } : c)),
});

it('the shipped base is sound, and as large as it must be', () => {
  expect(issuesIn(shipped)).toEqual([]);
  expect(shipped.hosts.length).toBeGreaterThanOrEqual(115);
  expect(shipped.signs.length).toBeGreaterThanOrEqual(300);
  expect(shipped.tests.length).toBeGreaterThanOrEqual(60);
  expect(shipped.conditions.length).toBeGreaterThanOrEqual(240);
  expect(shipped.lookalikes.length).toBeGreaterThanOrEqual(25);
});

it('chains are written at one end and stand at both', () => {
  const follows = (id: string) => shipped.conditions.find((c) => c.id === id)!;
  expect(follows('drought-stress').followers).toContain('ips-engravers');
  expect(follows('sooty-mould').drivers).toContain('black-scale');
});

it('every shipped region speaks only of what is known, is signed by nobody, and closes no season but on hosts that there are', () => {
  expect(Object.keys(regions).length).toBeGreaterThanOrEqual(4);
  const known = new Set(shipped.conditions.map((c) => c.id));
  const groups = new Set(shipped.hosts.flatMap((h) => [h.id, ...h.groups]));
  for (const [key, r] of Object.entries(regions)) {
    const named = [...r.reportable, ...Object.keys(r.presence)];
    expect([key, named.filter((id) => !known.has(id))]).toEqual([key, []]);
    const hosts = [...r.soilSystemicForbiddenOn, ...[...r.closedSeasons, ...r.bannedUses].flatMap((s) => s.hosts)];
    expect([key, hosts.filter((h) => !groups.has(h))]).toEqual([key, []]);
    expect([key, r.checked]).toEqual([key, null]);
  }
});

const scab = shipped.conditions.find((c) => c.id === 'apple-scab')!;
it.each<[string, Knowledge, RegExp]>([
  [
    'a sign that nothing makes',
    { ...shipped, signs: [...shipped.signs, { ...shipped.signs[0]!, id: 'green-smoke' }] },
    /green-smoke: no condition/,
  ],
  [
    'a sign that is not there',
    change('apple-scab', { signs: { ...scab.signs, rare: ['blue-smoke'] } }),
    /no sign blue-smoke/,
  ],
  ['a sign said twice', change('apple-scab', { signs: { ...scab.signs, rare: ['olive-spots'] } }), /stands twice/],
  [
    'a condition no sign leads to',
    change('apple-scab', { signs: { always: [], usual: [], sometimes: [], rare: [], never: [] } }),
    /apple-scab: no sign on/,
  ],
  [
    'twins',
    { ...shipped, conditions: [...shipped.conditions, { ...scab, id: 'own-twin', lookalikes: ['apple-scab'] }] },
    /nothing tells them apart/,
  ],
  ['a host group that is not there', change('apple-scab', { groups: ['moon-tree'] }), /no host group moon-tree/],
  ['a chain told from one side', change('apple-scab', { drivers: ['drought-stress'] }), /does not name its follower/],
  [
    'a chain contradicted',
    change('elm-bark-beetle', {
      signs: { ...shipped.conditions.find((c) => c.id === 'elm-bark-beetle')!.signs, never: ['one-limb-yellow'] },
    }),
    /“never” in its driver/,
  ],
  [
    'a state of the tree that stands in words alone',
    change('red-palm-weevil', {
      options: shipped.conditions.find((c) => c.id === 'red-palm-weevil')!.options.map(({ tooLate: _, ...o }) => o),
    }),
    /red-palm-weevil: trunk injection depends on “before the crown leans”/,
  ],
  [
    'an option that waits for a sign that is not there',
    change('red-palm-weevil', {
      options: shipped.conditions
        .find((c) => c.id === 'red-palm-weevil')!
        .options.map((o) => (o.tooLate ? { ...o, tooLate: ['blue-smoke'] } : o)),
    }),
    /waits for no sign blue-smoke/,
  ],
  ['a host without what every tree has', change('drought-stress', { groups: ['elm'] }), /has no drought-stress/],
  [
    'a test outcome that is not there',
    change('apple-scab', { tests: { wipe: { sings: 'usual' } } }),
    /no test outcome wipe\/sings/,
  ],
])('%s is found', (_, k, sentence) => expect(issuesIn(k).join('\n')).toMatch(sentence));

it('own entries lie over what ships, outlive an update, and are told when they hang in the air', () => {
  const own = CUSTOM_SCHEMAS.condition.parse({ ...scab, id: 'own-scab', name: 'Our scab' });
  const entries = [
    {
      kind: 'likelihood' as const,
      key: 'apple-scab/mummies',
      version: 1,
      data: { condition: 'apple-scab', sign: 'mummies', often: 'usual' as const },
    },
    {
      kind: 'likelihood' as const,
      key: 'apple-scab/olive-spots',
      version: 1,
      data: { condition: 'apple-scab', sign: 'olive-spots', often: null },
    },
    { kind: 'condition' as const, key: 'own-scab', version: 1, data: own },
  ];
  const { knowledge, adrift } = overlay(shipped, entries);
  const mine = knowledge.conditions.find((c) => c.id === 'apple-scab')!;
  expect(mine.signs.usual).toContain('mummies');
  expect(mine.signs.always).not.toContain('olive-spots');
  expect(scab.signs.always).toContain('olive-spots');
  expect(adrift).toEqual([]);
  expect(knowledge.conditions).toHaveLength(shipped.conditions.length + 1);
  const update = {
    ...shipped,
    signs: shipped.signs.filter((s) => s.id !== 'mummies'),
    conditions: shipped.conditions.map((c) => (c.id === 'apple-scab' ? { ...c, about: 'New words.' } : c)),
  };
  const after = overlay(update, entries);
  expect(after.adrift).toEqual(['apple-scab / mummies']);
  expect(after.knowledge.conditions.find((c) => c.id === 'apple-scab')).toMatchObject({ about: 'New words.' });
  expect(after.knowledge.conditions.some((c) => c.id === 'own-scab')).toBe(true);
  expect(CUSTOM_SCHEMAS.condition.safeParse({ ...scab, id: 'scab' }).success).toBe(false);
});

it('an entry of an older release that a newer one cannot read is kept, told, and without effect', () => {
  const host = shipped.hosts.find((h) => h.id === 'wych-elm')!;
  const entries = [
    {
      kind: 'host' as const,
      key: 'own-elm',
      version: 1,
      data: { ...host, id: 'own-elm', beePlant: 'perhaps' as 'no' },
    },
    { kind: 'sign' as const, key: 'own-gone', version: 3, data: null },
    { kind: 'host' as const, key: 'own-lime', version: 1, data: { ...host, id: 'own-lime', name: 'Our lime' } },
  ];
  const { knowledge, own, adrift } = overlay(shipped, entries);
  expect(adrift).toEqual(['host own-elm']);
  expect([...own.hosts.keys()]).toEqual(['own-lime']);
  expect(knowledge.hosts).toHaveLength(shipped.hosts.length + 1);
  expect(overlay(shipped, []).knowledge).toBe(shipped);
});

describe('a check of an earlier treatment', () => {
  const check = (effect: 'none' | 'some' | 'good', answers: Record<string, boolean | null> = {}) => ({
    recordId: 'x',
    effect,
    answers,
  });
  const fine = { coverage: true, timing: true, rain: true, uptake: true };
  it.each([
    ['worked', check('good'), '2026-06-01', 'effect'],
    ['looked at too early', check('none', fine), '2026-05-31', 'too early'],
    ['not asked about the application', check('none'), '2026-06-01', 'fault'],
    ['washed off', check('none', { ...fine, rain: false }), '2026-06-01', 'fault'],
    ['proper, in time, nothing', check('none', fine), '2026-06-01', 'no effect'],
  ])('%s', (_, c, today, kind) => expect(judgeCheck(c, today, '2026-06-01').kind).toBe(kind));
});
