import fc from 'fast-check';
import { findCondition, shipped } from '@/knowledge';
import { CERTAINTIES, DECISIONS } from '../diagnose/words';
import { letterOf, type LetterFacts } from './letter';

const facts = (more: Partial<LetterFacts>): LetterFacts => ({
  kept: { decision: 'test first', certainty: 'possible', reason: 'We look again in June.', by: 'A' },
  about: findCondition('apple-scab'),
  p: 0.4,
  duties: [],
  done: [],
  planned: [],
  wasWrong: [],
  excluded: null,
  next: null,
  ...more,
});

it('the arborist’s own sentence comes first, as it was written', () => {
  expect(letterOf(facts({})).own).toBe('We look again in June.');
});
it('nothing is said to be left off a tree that was sprayed, or is planned to be', () => {
  const off = /nothing is put on the tree/;
  expect(letterOf(facts({})).doing.join(' ')).toMatch(off);
  const done = [{ day: '3 May 2026', what: 'foliar spray with sulphur', eatFrom: '10 May 2026' }];
  expect(letterOf(facts({ done })).doing.join(' ')).not.toMatch(off);
  expect(letterOf(facts({ planned: ['a spray'] })).doing.join(' ')).not.toMatch(off);
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
      (decision, about, certainty, sprayed) => {
        const l = letterOf(
          facts({
            kept: { decision, certainty, reason: 'x', by: 'A' },
            about,
            done: sprayed ? [{ day: '3 May 2026', what: 'a spray', eatFrom: null }] : [],
          }),
        );
        const all = [l.decided, ...l.doing].join(' ');
        if (sprayed) expect(all).not.toMatch(/nothing is put on the tree|before anything is done/i);
        if (/sound tree/i.test(all)) expect(['leave it alone', 'protect a sound tree']).toContain(decision);
        if (/we send a sample to the laboratory/i.test(all)) expect(decision).toBe('laboratory first');
        if (decision === 'manage or remove') expect(all).not.toMatch(/can be held|treated in time/i);
      },
    ),
    { numRuns: 300 },
  );
});
