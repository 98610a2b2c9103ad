import { conditions, findCondition } from '@/knowledge';
import { DECISIONS } from '../diagnose/words';
import { askedOfClient, tellOf, type Tellable } from './tell';

const borer = findCondition('bronze-birch-borer') ?? conditions.find((c) => c.kind === 'borer')!;
const harmless = conditions.find((c) => c.kind === 'harmless' && c.id !== 'nothing-wrong')!;
const left = conditions.find((c) => c.policy === 'leave' && c.kind !== 'harmless')!;
const acted = conditions.find((c) => c.policy !== 'leave' && c.kind === 'chewer')!;
const unknown = conditions.find((c) => c.kind === 'unknown')!;
const tell = (t: Partial<Tellable> & Pick<Tellable, 'decision'>) =>
  tellOf({ about: null, sure: 'likely', now: [], next: null, waits: [], wrong: [], duties: [], risk: null, ...t });

describe('left alone', () => {
  it('a sound tree is told sound, and nothing else of it', () =>
    expect(tell({ decision: 'leave it alone', about: findCondition('nothing-wrong') })).toBe(
      'A sound tree. We come by again.',
    ));
  it.each([harmless, left])('what does no harm, or is best left, is told so: $name', (about) =>
    expect(tell({ decision: 'leave it alone', about })).toBe(
      `${about.name}: nothing needs to be done about it. ${about.tell}`,
    ),
  );
  it('what would be acted on is told as too little to act on, with its name where it has one', () => {
    expect(tell({ decision: 'leave it alone', about: acted })).toBe(
      `${acted.name}: there is less of it than is worth acting on. We look again.`,
    );
    expect(tell({ decision: 'leave it alone' })).toBe('There is less of it than is worth acting on. We look again.');
  });
});

describe('not sure yet', () => {
  it('says the likeliest, how sure, and by what it is decided; never a name for what has none', () => {
    const first = tell({ decision: 'test first', about: borer });
    expect(first).toContain(`The likeliest is ${borer.name.toLowerCase()} (likely). A test will tell:`);
    expect(tell({ decision: 'laboratory first', about: borer })).toContain('We send a sample to the laboratory:');
    expect(tell({ decision: 'test first', about: unknown })).not.toContain('The likeliest');
    expect(tell({ decision: 'test first' })).toBe('We are not sure yet. A test will tell.');
  });
  it('what is wrong and has no name is listed, and no product promised', () => {
    const told = tell({ decision: 'not yet named', wrong: ['Dead top', 'Bleeding bark', 'Brackets'] });
    expect(told).toMatch(/\(.*, .* and .*\)/);
    expect(told).toContain('No product is used on a guess.');
    expect(tell({ decision: 'not yet named' })).not.toContain('(');
  });
});

it('protection is told with what is feared and when: its window, else today, else its season', () => {
  const decision = 'protect a sound tree';
  expect(tell({ decision, risk: 'Elm disease', next: 'in May', now: ['Inject'] })).toBe(
    'A sound tree, with elm disease about. It is protected in May.',
  );
  expect(tell({ decision, now: ['Inject'] })).toBe('A sound tree. It is protected now.');
  expect(tell({ decision })).toBe('A sound tree. It is protected in its season.');
});

it('what is done now, in its window, and what waits for a test are told as they are', () => {
  expect(tell({ decision: 'treat now', about: acted, now: ['Wash the trunk', 'Water'] })).toMatch(
    /Now: wash the trunk and water\.$/,
  );
  expect(tell({ decision: 'treat now', about: harmless })).not.toContain(harmless.tell);
  expect(tell({ decision: 'treat in its window', about: acted, next: 'May to June' })).toContain(
    'It is done in its season: May to June.',
  );
  const waits = ['An injection'];
  expect(tell({ decision: 'treat now', about: acted, waits })).toContain('What waits for a test: an injection.');
  for (const decision of ['test first', 'laboratory first'] as const)
    expect(tell({ decision, about: borer, waits })).not.toContain('What waits for a test');
});

it('every decision tells a client something, whatever is known', () => {
  for (const decision of DECISIONS)
    for (const about of [null, borer, harmless, unknown])
      expect(tell({ decision, about, next: 'in May' })).toMatch(/^\S.*\.$/s);
});

describe('what a client is asked to keep to', () => {
  const asked = (...ids: string[]) => askedOfClient(ids.map((id) => ({ id }) as Tellable['duties'][number]));
  it('danger comes first', () => {
    const [gas, risk, hairs] = asked('hairs', 'risk', 'gas');
    expect(gas).toContain('no flame');
    expect(risk).toContain('keep clear');
    expect(hairs).toContain('the hairs hurt');
  });
  it('nothing is taken away where it may have to be reported, nothing cut where both are owed, and each is asked once', () => {
    expect(asked('report')).toEqual([expect.stringContaining('take nothing away')]);
    expect(asked('report', 'no-cut')).toEqual([expect.stringContaining('cut and move nothing')]);
    expect(asked('no-cut')).toEqual([expect.stringContaining('cut nothing here')]);
    expect(asked()).toEqual([]);
  });
});
