import fc from 'fast-check';
import { findCondition, shipped } from '@/knowledge';
import { CERTAINTIES, DECISIONS } from '../diagnose/words';
import { letterOf, type LetterFacts } from './letter';

const facts = (more: Partial<LetterFacts>): LetterFacts => ({
  kept: { decision: 'test first', certainty: 'possible', reason: 'We look again in June.', by: 'A' },
  about: findCondition('apple-scab'),
  duties: [],
  from: { company: 'Quay Trees', site: 'Quay Avenue' },
  done: [],
  planned: [],
  wasWrong: [],
  excluded: null,
  ...more,
});

const sprayed = {
  day: '3 May 2026',
  what: 'foliar spray with sulphur',
  by: 'Wren Askew',
  put: { product: 'Training Sulphur (T-20)', reEntry: '4 May 2026, 10:00' },
  eatFrom: '10 May 2026',
};

it('a treatment is told with its product, who did it for which company, where, and when people may be near again', () => {
  const [line] = letterOf(facts({ done: [sprayed] })).doing;
  for (const part of ['3 May 2026', 'Quay Avenue', 'Training Sulphur (T-20)', 'Wren Askew', 'Quay Trees', '4 May 2026'])
    expect(line).toContain(part);
});
it('other work is told without a product, and what is planned with its day, its site and the company', () => {
  const pruned = { day: '5 May 2026', what: 'prune out dead wood', by: 'Wren Askew', put: null, eatFrom: null };
  const told = letterOf(facts({ done: [pruned], planned: [{ what: 'a spray', when: '3 June 2026' }] })).doing;
  expect(told[0]).not.toMatch(/Product|Keep off/);
  expect(told[1]).toBe('Planned, 3 June 2026, Quay Avenue: a spray, by Quay Trees.');
});
it('a tree of which nothing is decided has a letter that decides nothing, and keeps what its duties ask', () => {
  const gas = { id: 'gas', sentence: 'x' } as unknown as LetterFacts['duties'][number];
  const l = letterOf(facts({ kept: null, duties: [gas] }));
  expect(l.heading).toBe('not decided yet');
  expect(l.named).toBeNull();
  expect(l.decided).toMatch(/no flame, no digging.*not decided yet/);
  expect(l.doing.join(' ')).toMatch(/nothing is put on the tree/);
});
it('the arborist’s own sentence comes first, as it was written', () => {
  expect(letterOf(facts({})).own).toBe('We look again in June.');
});
it('nothing is said to be left off a tree that was sprayed, or is planned to be', () => {
  const off = /nothing is put on the tree/;
  expect(letterOf(facts({})).doing.join(' ')).toMatch(off);
  const done = [sprayed];
  expect(letterOf(facts({ done })).doing.join(' ')).not.toMatch(off);
  expect(letterOf(facts({ planned: [{ what: 'a spray', when: '3 June 2026' }] })).doing.join(' ')).not.toMatch(off);
  expect(letterOf(facts({ done })).doing[0]).toMatch(/eaten from 10 May/);
});
it('an earlier error is owned, and the harmless is set against the dangerous that was excluded', () => {
  const l = letterOf(
    facts({
      about: findCondition('smooth-patch'),
      kept: { decision: 'leave it alone', certainty: 'near certain', reason: '', by: 'A' },
      wasWrong: [{ name: 'Hypoxylon canker', by: 'lift a bark plate: living bark below' }],
      excluded: 'Hypoxylon canker',
    }),
  );
  expect(l.owned.join(' ')).toMatch(
    /Earlier we took it for hypoxylon canker\. That was wrong.*It is not hypoxylon canker/,
  );
});
it('the letter never contradicts the kept decision, over every decision and condition', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...DECISIONS),
      fc.constantFrom(...shipped.conditions),
      fc.constantFrom(...CERTAINTIES),
      fc.boolean(),
      (decision, about, certainty, wasSprayed) => {
        const l = letterOf(
          facts({
            kept: { decision, certainty, reason: 'x', by: 'A' },
            about,
            done: wasSprayed ? [sprayed] : [],
          }),
        );
        const all = [l.decided, ...l.doing].join(' ');
        if (wasSprayed) expect(all).not.toMatch(/nothing is put on the tree|before anything is done/i);
        if (/sound tree/i.test(all)) expect(['leave it alone', 'protect a sound tree']).toContain(decision);
        if (/we send a sample to the laboratory/i.test(all)) expect(decision).toBe('laboratory first');
        // The certainty is the arborist's word, never a sum; no tree is taken down by a letter that does not say so.
        expect([all, l.named].join(' ')).not.toMatch(/\d in \d/);
        if (decision !== 'manage or remove')
          expect(all).not.toMatch(/how long it may stand|remove the tree|fell(ed)? /i);
        if (decision === 'manage or remove') expect(all).not.toMatch(/can be held|treated in time/i);
      },
    ),
    { numRuns: 4000 },
  );
});
