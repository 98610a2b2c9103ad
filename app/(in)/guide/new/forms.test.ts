import fc from 'fast-check';
import { OPTION_METHODS } from '@/core/diagnose/knowledge';
import { CUSTOM_SCHEMAS } from '@/core/custom/overlay';
import { shipped } from '@/knowledge';
import { hostEntry, hostForm, likeHost, NO_HOST } from './host-form';
import { signEntry, signForm } from './sign-form';
import { testEntry, testForm } from './test-form';
import { readWhole } from './whole-entry.client';
import { workEntry, workForm } from './work-form';

const own = <T extends { id: string }>(x: T): T => ({ ...x, id: `own-${x.id}`.slice(0, 60) });

describe('an entry that is shown in its form and kept unchanged is the same entry', () => {
  it('hosts, like one that ships or like none', () => {
    for (const h of shipped.hosts.filter((x) => !x.unlisted)) {
      const like = likeHost(shipped.hosts.find((x) => x.id === 'wych-elm')!);
      for (const entry of [own(h), { ...own(h), growsLike: like.id }]) {
        const again = hostEntry(hostForm(entry), entry.growsLike ? like : undefined, entry);
        expect(CUSTOM_SCHEMAS.host.parse(again)).toEqual(CUSTOM_SCHEMAS.host.parse(entry));
      }
    }
  });
  it('signs', () => {
    for (const s of shipped.signs.map(own))
      expect(CUSTOM_SCHEMAS.sign.parse(signEntry(signForm(s), s))).toEqual(CUSTOM_SCHEMAS.sign.parse(s));
  });
  it('tests, with outcomes that speak of nothing, of one and of many', () => {
    for (const t of shipped.tests) {
      const tells = Object.fromEntries(
        t.outcomes
          .slice(0, -1)
          .map((o) => [
            o.id,
            Object.fromEntries(
              shipped.conditions.flatMap((c) => (c.tests[t.id]?.[o.id] ? [[c.id, c.tests[t.id]![o.id]!]] : [])),
            ),
          ]),
      );
      const entry = CUSTOM_SCHEMAS.test.parse({ ...own(t), tells });
      expect(CUSTOM_SCHEMAS.test.parse(testEntry(testForm(entry), entry, String))).toEqual(entry);
    }
  });
  it('works', () => {
    const words = fc.stringMatching(/^[a-z]{2,12}( [a-z]{2,8})?$/);
    const work = fc.record({
      id: fc.constant('own-x'),
      name: words,
      method: fc.constantFrom(...OPTION_METHODS),
      conditions: fc.array(fc.constantFrom('apple-scab', 'fire-blight'), { maxLength: 2 }),
      counted: fc.record({ what: words, usual: fc.integer({ min: 1, max: 500 }) }),
      steps: fc.array(words, { minLength: 1, maxLength: 12 }),
      take: fc.array(fc.record({ what: words, amount: words }), { maxLength: 12 }),
      before: fc.array(words, { maxLength: 6 }),
      months: fc.tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 12 })),
      cuts: fc.boolean(),
      minutes: fc.record({ once: fc.integer({ min: 0, max: 480 }), each: fc.integer({ min: 0, max: 240 }) }),
      again: fc.option(fc.record({ what: words, days: fc.integer({ min: 1, max: 1500 }) })),
      basis: words,
    });
    fc.assert(
      fc.property(work, (w) => {
        expect(workEntry({ ...workForm(w), note: w.basis }, w)).toEqual(w);
      }),
    );
  });
});

it('a host takes another tree’s ways with another likeness, and keeps what only it has', () => {
  const [elm, ash] = ['wych-elm', 'common-ash'].map((id) => likeHost(shipped.hosts.find((h) => h.id === id)!));
  const first = CUSTOM_SCHEMAS.host.parse(
    hostEntry(
      { ...NO_HOST, name: 'Quay elm', latin: 'Ulmus x', like: elm!.id, first: 'Rough?', second: 'Lopsided?' },
      elm,
      null,
    ),
  );
  expect(first).toMatchObject({ id: 'own-quay-elm', growsLike: 'wych-elm', beePlant: elm!.beePlant });
  const begin = { ...first, also: ['harbour elm'] };
  const next = hostEntry({ ...hostForm(begin), like: ash!.id }, ash, begin);
  expect(next).toMatchObject({
    id: 'own-quay-elm',
    growsLike: 'common-ash',
    also: ['harbour elm'],
    groups: ash!.groups,
  });
});

it('what a test errs is how often each of its outcomes comes out by error, also once it is changed', () => {
  const t = shipped.tests.find((x) => x.cost === 'nothing')!;
  const tells = { [t.outcomes[0]!.id]: { 'apple-scab': 'usual' as const } };
  const entry = CUSTOM_SCHEMAS.test.parse({ ...own(t), tells });
  const changed = CUSTOM_SCHEMAS.test.parse(testEntry({ ...testForm(entry), errs: '0.1' }, entry, String));
  expect(changed.specificity).toBeCloseTo(0.9, 9);
  expect(new Set(changed.outcomes.slice(0, -1).map((o) => o.idle))).toEqual(new Set([0.1]));
  expect(changed.outcomes.at(-1)).toEqual(entry.outcomes.at(-1));
});

describe('an entry that was pasted', () => {
  const scab = { ...shipped.conditions.find((c) => c.id === 'apple-scab')!, id: 'own-scab' };
  it.each([
    ['no JSON', '{', /not JSON/],
    ['a list', '[]', /between/],
    ['ways that are a number', '{"options": 5}', /^options: /],
    ['signs that are nothing', '{"signs": null}', /^signs: /],
    ['a sign list that is a word', '{"signs": {"always": "mummies"}}', /^signs\.always: /],
    ['a season of words', '{"season": ["April", "May"]}', /^season\.0: /],
    ['a word that no entry has', '{"colour": "green"}', /colour/],
  ])('with %s is not taken over, and says where', async (_, text, sentence) => {
    const read = await readWhole(text, scab);
    expect(read.ok ? '' : read.issues.join(' ')).toMatch(sentence);
  });
  it('with something empty or unknown is taken over: the check tells it beside its field', async () =>
    expect(await readWhole('{"name": "", "policy": "pray", "actFrom": 9}', scab)).toMatchObject({
      ok: true,
      entry: { id: 'own-scab', name: '', actFrom: 9 },
    }));
});
