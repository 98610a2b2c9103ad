import { offer, quoteAnswerSchema, takenNames } from './quote';

const way = {
  key: 'training-10-neem-bottle/bottle',
  method: 'Trunk injection',
  name: 'azadirachtin',
  amount: '90 mL',
  now: 15500,
  overYears: 52300,
  visitsAYear: 1 / 3,
  times: 3,
  wounds: 40,
  control: { low: 0.6, likely: 0.85, high: 0.97, lasts: 'one to three seasons', from: 'x' },
  bees: 'spared',
  water: 'none known',
  people: 'out for 4 h',
  needs: ['months 5, 6', 'full leaf'],
  stops: 0,
  holds: 0,
  organic: true,
  forbidden: null,
  on: null,
  months: [5, 6],
};

it('says in plain words how often, how much goes, and what it may harm', () => {
  expect(offer(way)).toMatchObject({
    visits: 'a visit every 3 years',
    expected: 'Likely 9 in 10 of the trouble goes (between 6 in 10 and nearly all); lasts one to three seasons.',
    when: 'May, June',
  });
  expect(offer({ ...way, on: '2027-05-15' }).when).toBe('from 15 May 2027; May, June');
  expect(offer({ ...way, months: [] }).when).toBe('when it can be done');
  expect(offer(way).risks).toMatch(/40 small holes/);
  expect(offer({ ...way, visitsAYear: 2, times: 20, wounds: 0 })).toMatchObject({ visits: '2 visits a year' });
  expect(offer({ ...way, visitsAYear: 0.1, times: 1 })).toMatchObject({ visits: 'once' });
});

it('an answer needs a name, and names ways by their key', () => {
  expect(quoteAnswerSchema.safeParse({ options: [], who: ' ' }).success).toBe(false);
  expect(quoteAnswerSchema.parse({ options: [], who: 'A. Client' })).toMatchObject({ changes: [], word: '' });
  const offered = { options: [offer(way), { ...offer(way), key: 'work:band', name: 'Sticky band' }] };
  expect(takenNames(offered, ['work:band', way.key])).toBe('Trunk injection, Sticky band');
  expect(takenNames(offered, [])).toBe('none of these');
});
